//! A private database, over restarts, deaths and several at a time.

use spirel_store::{InstanceError, InstanceOptions, LocalDatabase, Store};

#[test]
fn a_private_database_keeps_its_rows_over_a_restart_and_is_held_by_one_process() {
    let folder = tempfile::Builder::new().prefix("spirel-keep-").tempdir().unwrap();
    let runtime = tokio::runtime::Runtime::new().unwrap();
    let options = InstanceOptions::default();

    let first = LocalDatabase::start(folder.path(), &options).unwrap();
    runtime.block_on(async {
        let store = Store::open(&first.url()).await.unwrap();
        store.add_house("Kept").await.unwrap();
        store.close().await;
    });
    let second = LocalDatabase::start(folder.path(), &options);
    let Err(InstanceError::InUse { holder, .. }) = second else { panic!("two at once: {second:?}") };
    assert_eq!(holder, std::process::id().to_string());
    let taken = first.port();
    let busy = tempfile::tempdir().unwrap();
    let clash = LocalDatabase::start(busy.path(), &InstanceOptions { port: Some(taken), ..options.clone() });
    assert!(clash.unwrap_err().to_string().contains(&format!("Port {taken}")));
    first.stop();

    // A folder on the way that the database's user may not enter is named before anything is made. Only root can run
    // the database as somebody else.
    let closed = tempfile::tempdir().unwrap();
    let inside = closed.path().join("inside");
    std::fs::create_dir(&inside).unwrap();
    if LocalDatabase::can_live_below(closed.path())
        != LocalDatabase::can_live_below(std::path::Path::new("/tmp"))
    {
        let refused = LocalDatabase::start(&inside, &options).unwrap_err();
        assert!(
            matches!(&refused, InstanceError::Closed { folder, .. } if folder == closed.path()),
            "{refused}"
        );
        assert!(!inside.join("data").exists());
    }

    // A lock file that an ended process left behind is no obstacle.
    std::fs::write(folder.path().join("lock"), "4194000\n").unwrap();
    let again = LocalDatabase::start(folder.path(), &options).unwrap();
    runtime.block_on(async {
        let store = Store::open(&again.url()).await.unwrap();
        let houses: i64 =
            sqlx::query_scalar("SELECT COUNT(*) FROM house").fetch_one(store.pool()).await.unwrap();
        assert_eq!(houses, 1);
        store.close().await;
    });
}

/// Processes whose command line holds both words.
fn processes(program: &str, folder: &std::path::Path) -> Vec<u32> {
    let all = std::fs::read_dir("/proc").unwrap().flatten();
    let pids = all.filter_map(|entry| entry.file_name().to_str()?.parse().ok());
    let wanted = |pid: &u32| {
        let line = std::fs::read(format!("/proc/{pid}/cmdline")).unwrap_or_default();
        let line = String::from_utf8_lossy(&line).into_owned();
        line.starts_with(program) && line.contains(&format!("{}/", folder.display()))
    };
    pids.filter(wanted).collect()
}

fn kill(pids: &[u32]) {
    let pids = pids.iter().map(u32::to_string);
    assert!(std::process::Command::new("kill").arg("-KILL").args(pids).status().unwrap().success());
}

#[test]
fn a_database_that_dies_is_started_again_and_one_that_nobody_holds_is_ended() {
    let folder = tempfile::Builder::new().prefix("spirel-dies-").tempdir().unwrap();
    let place = folder.path().canonicalize().unwrap();
    let runtime = tokio::runtime::Runtime::new().unwrap();
    let database = LocalDatabase::start(&place, &InstanceOptions::default()).unwrap();
    let store = runtime.block_on(Store::open(&database.url())).unwrap();
    let server = |program: &str| processes(program, &place);
    let answers = || {
        for _ in 0..600 {
            if runtime.block_on(store.is_ready()) {
                return;
            }
            std::thread::sleep(std::time::Duration::from_millis(50));
        }
        panic!("the database did not come back");
    };
    answers();
    let first = server("/usr/sbin/mariadbd");
    assert_eq!(first.len(), 1);
    kill(&first);
    answers();
    let second = server("/usr/sbin/mariadbd");
    assert!(second.len() == 1 && second != first, "{second:?}");
    // The shell that holds it, and what watches for that.
    kill(&server("sh"));
    for _ in 0..600 {
        if server("/usr/sbin/mariadbd").iter().any(|pid| !second.contains(pid)) {
            break;
        }
        std::thread::sleep(std::time::Duration::from_millis(50));
    }
    answers();
    assert_eq!(server("/usr/sbin/mariadbd").len(), 1, "no second one beside it");
    runtime.block_on(store.close());
    database.stop();
    assert!(server("/usr/sbin/mariadbd").is_empty());

    // Left behind by a program that was killed with all that watched over its database.
    let orphan = LocalDatabase::start(&place, &InstanceOptions::default()).unwrap();
    let url = orphan.url();
    let arguments = std::fs::read(format!("/proc/{}/cmdline", server("/usr/sbin/mariadbd")[0])).unwrap();
    orphan.stop();
    let words: Vec<String> = String::from_utf8(arguments)
        .unwrap()
        .split('\0')
        .filter(|word| !word.is_empty())
        .map(String::from)
        .collect();
    let words: Vec<&String> = words.iter().filter(|word| !word.starts_with("--init-file")).collect();
    let mut left = std::process::Command::new(words[0]).args(&words[1..]).spawn().unwrap();
    let again = LocalDatabase::start(&place, &InstanceOptions::default()).unwrap();
    assert!(left.wait().is_ok() && again.url() != url);
    assert_eq!(server("/usr/sbin/mariadbd").len(), 1);
}

#[test]
fn databases_that_are_made_at_the_same_time_leave_each_other_alone() {
    // They once shared the folder for temporary tables, and a server that starts empties it: now and then the making of
    // another failed with an unknown table.
    let made = std::thread::scope(|scope| {
        let make = || {
            let folder = tempfile::Builder::new().prefix("spirel-beside-").tempdir().unwrap();
            LocalDatabase::start(folder.path(), &InstanceOptions::default()).map(LocalDatabase::stop)
        };
        let all: Vec<_> = (0..4).map(|_| scope.spawn(make)).collect();
        all.into_iter().map(|thread| thread.join().unwrap()).collect::<Vec<_>>()
    });
    for outcome in made {
        outcome.unwrap();
    }
}

#[test]
fn what_an_earlier_start_left_half_made_is_in_nobodys_way() {
    // Whoever was making it may still write there after its program was killed: a start that cleared the place first failed.
    let folder = tempfile::Builder::new().prefix("spirel-half-").tempdir().unwrap();
    let place = folder.path().canonicalize().unwrap();
    std::fs::create_dir_all(place.join("data.new.left/mysql")).unwrap();
    let stop = std::sync::atomic::AtomicBool::new(false);
    std::thread::scope(|scope| {
        scope.spawn(|| {
            while !stop.load(std::sync::atomic::Ordering::Relaxed) {
                let _ = std::fs::create_dir_all(place.join("data.new.left/mysql"));
                let _ = std::fs::write(place.join("data.new.left/mysql/table"), "half");
            }
        });
        let started = LocalDatabase::start(&place, &InstanceOptions::default()).map(LocalDatabase::stop);
        stop.store(true, std::sync::atomic::Ordering::Relaxed);
        started.unwrap();
    });
    LocalDatabase::start(&place, &InstanceOptions::default()).map(LocalDatabase::stop).unwrap();
    let names = std::fs::read_dir(&place).unwrap().flatten().map(|entry| entry.file_name());
    let data: Vec<_> = names.filter(|name| name.to_string_lossy().starts_with("data")).collect();
    assert_eq!(data, ["data"], "and it is cleared away once nobody writes there");
}
