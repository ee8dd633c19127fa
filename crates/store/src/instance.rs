//! A private MariaDB: made in a folder, started on loopback, stopped cleanly.
//!
//! The database runs under a small shell that holds a pipe from this process. When the process ends, however it ends,
//! the pipe closes and the shell stops the database. A database that ends by itself, or whose shell does, is started again. What is
//! left of a folder's database after both were killed is ended before it is started anew. A lock on the folder, which the system
//! takes back when its holder ends, keeps two processes apart.

use std::fs::{self, File, OpenOptions, TryLockError};
use std::io::{self, Write};
use std::net::TcpListener;
use std::os::unix::fs::{MetadataExt, PermissionsExt, chown};
use std::os::unix::process::CommandExt;
use std::path::{Path, PathBuf};
use std::process::{Child, ChildStdin, Command, Stdio};
use std::sync::{Arc, Mutex, MutexGuard, PoisonError};
use std::thread::JoinHandle;
use std::time::{Duration, Instant};

/// What names of data folders that are being made begin with.
const HALF_MADE: &str = "data.new";
/// The database the product keeps its rows in.
const DATABASE: &str = "spirel";
/// How long a start may take: 0.2 s on a quiet machine, far more on one that shares its cores.
const PATIENCE: Duration = Duration::from_secs(180);
/// How long a database that ended is left before it is started again: one that can't run isn't tried without pause.
const AGAIN_AFTER: Duration = Duration::from_millis(200);
/// How long one that nothing holds any more may take to end in order.
const ORPHANS_END_WITHIN: Duration = Duration::from_secs(20);

/// Why a private database can't be had.
#[derive(Debug, thiserror::Error)]
pub enum InstanceError {
    /// The server isn't installed.
    #[error(
        "MariaDB is not installed ({0} was not found). Install it with `apt-get install --no-install-recommends mariadb-server`, or set DATABASE_URL to a MariaDB of your own."
    )]
    NotInstalled(&'static str),
    /// Another process holds the folder.
    #[error(
        "Another Spirel (process {holder}) is using {folder}. Stop it first, or choose another folder with --data."
    )]
    InUse {
        /// The folder.
        folder: PathBuf,
        /// Process id the holder wrote down.
        holder: String,
    },
    /// The port asked for is taken.
    #[error(
        "Port {0} on 127.0.0.1 is already in use. Choose another with --database-port, or leave it out and a free one is taken."
    )]
    PortBusy(u16),
    /// Making the data folder failed.
    #[error("The database could not be made: {0}")]
    Install(String),
    /// It did not come up.
    #[error("The database did not start: {0}")]
    Start(String),
    /// The user the database runs as can't enter a folder on the way.
    #[error(
        "{folder} can't be entered by the user {user}, whom the database runs as. Choose a folder that is open to all with --data, such as /var/lib/spirel."
    )]
    Closed {
        /// The folder on the way.
        folder: PathBuf,
        /// The user.
        user: &'static str,
    },
    /// The folder can't be used.
    #[error("{folder}: {source}")]
    Folder {
        /// The folder.
        folder: PathBuf,
        /// Why.
        source: io::Error,
    },
}

/// How to start it.
#[derive(Debug, Clone, Default)]
pub struct InstanceOptions {
    /// Port on loopback; a free one if none is given.
    pub port: Option<u16>,
    /// For tests: the folder is removed when the process ends, and nothing is forced to disk.
    pub throwaway: bool,
}

/// A running private MariaDB. Dropping it stops it.
#[derive(Debug)]
pub struct LocalDatabase {
    /// The end of the pipe that keeps it running; none once it is to stop.
    pipe: Arc<Mutex<Option<ChildStdin>>>,
    keeper: Option<JoinHandle<()>>,
    port: u16,
    password: String,
    // Held for as long as the database runs.
    _lock: File,
}

/// What it takes to start the database of a folder once more.
#[derive(Debug, Clone)]
struct Launch {
    server: PathBuf,
    folder: PathBuf,
    arguments: Vec<String>,
    throwaway: bool,
}

impl LocalDatabase {
    /// Starts the database kept in `folder`, making it if it isn't there. Blocks until it answers.
    pub fn start(folder: &Path, options: &InstanceOptions) -> Result<Self, InstanceError> {
        let server = find("mariadbd")?;
        let at = |source| InstanceError::Folder { folder: folder.to_owned(), source };
        fs::create_dir_all(folder).map_err(at)?;
        let folder = folder.canonicalize().map_err(at)?;
        let lock = lock(&folder)?;
        end_orphans(&folder);
        let owner = Owner::of_database().map_err(at)?;
        owner.can_enter(&folder)?;
        // What an earlier start left half made is in nobody's way: its maker may still be writing there, so each start has a place
        // of its own, and what can't be removed yet goes at the next one.
        for left in fs::read_dir(&folder).map_err(at)?.flatten() {
            if left.file_name().to_string_lossy().starts_with(HALF_MADE) {
                let _ = fs::remove_dir_all(left.path());
            }
        }
        let data = folder.join("data");
        if !data.exists() {
            install(&folder, &data, &owner)?;
        }
        let port = free_port(options.port)?;
        let password = random_word();
        let first = folder.join("first.sql");
        write_first(&first, &password, &owner).map_err(at)?;
        let log = folder.join("mariadb.log");
        let _ = fs::remove_file(&log);

        let mut arguments = vec![
            "--no-defaults".to_owned(),
            format!("--datadir={}", data.display()),
            format!("--socket={}", folder.join("s").display()),
            format!("--pid-file={}", folder.join("mariadb.pid").display()),
            format!("--log-error={}", log.display()),
            format!("--tmpdir={}", folder.display()),
            "--bind-address=127.0.0.1".to_owned(),
            format!("--port={port}"),
            "--skip-name-resolve".to_owned(),
            "--character-set-server=utf8mb4".to_owned(),
            "--collation-server=utf8mb4_unicode_520_ci".to_owned(),
            "--innodb-log-file-size=48M".to_owned(),
        ];
        if let Some(user) = &owner.name {
            arguments.push(format!("--user={user}"));
        }
        if options.throwaway {
            arguments.push("--innodb-flush-log-at-trx-commit=0".to_owned());
            arguments.push("--innodb-fast-shutdown=2".to_owned());
        }
        let launch = Launch { server, folder, arguments, throwaway: options.throwaway };
        // The first statements are for this start alone.
        let mut beginning = launch.clone();
        beginning.arguments.push(format!("--init-file={}", first.display()));
        let mut guardian = beginning.spawn().map_err(|e| InstanceError::Start(e.to_string()))?;
        let pipe = Arc::new(Mutex::new(guardian.stdin.take()));
        let keeper = {
            let pipe = pipe.clone();
            std::thread::spawn(move || launch.keep(guardian, &pipe))
        };
        let database = Self { pipe, keeper: Some(keeper), port, password, _lock: lock };
        wait_until_it_answers(&log)?;
        fs::remove_file(&first).map_err(at)?;
        Ok(database)
    }

    /// Whether the user the database runs as could reach a folder made here.
    pub fn can_live_below(folder: &Path) -> bool {
        let (Ok(owner), Ok(folder)) = (Owner::of_database(), folder.canonicalize()) else { return false };
        owner.can_enter(&folder.join("data")).is_ok()
    }

    /// Address of the product's database.
    pub fn url(&self) -> String {
        self.url_of(DATABASE)
    }

    /// Address of another database of this instance, whose name must begin with `spirel_`.
    pub fn url_of(&self, database: &str) -> String {
        format!("mysql://spirel:{}@127.0.0.1:{}/{database}", self.password, self.port)
    }

    /// The port it listens on.
    pub fn port(&self) -> u16 {
        self.port
    }

    /// Stops it and waits until it has stopped.
    pub fn stop(mut self) {
        self.shut_down();
    }

    fn shut_down(&mut self) {
        drop(held(&self.pipe).take());
        if let Some(keeper) = self.keeper.take() {
            // It has been asked to stop; there is nothing better to do than wait for it.
            let _ = keeper.join();
        }
    }
}

fn held(pipe: &Mutex<Option<ChildStdin>>) -> MutexGuard<'_, Option<ChildStdin>> {
    pipe.lock().unwrap_or_else(PoisonError::into_inner)
}

impl Launch {
    /// Starts the database under a shell that stops it when the pipe from this process closes. A throwaway's folder goes with
    /// it; it isn't started again.
    fn spawn(&self) -> io::Result<Child> {
        const KEPT: &str = "exec 3<&0; \"$SERVER\" \"$@\" </dev/null >/dev/null 2>&1 3<&- & pid=$!; \
            { cat <&3 >/dev/null; kill $pid; } & watch=$!; exec 3<&-; wait $pid; kill $watch";
        const THROWAWAY: &str = "\"$SERVER\" \"$@\" </dev/null >/dev/null 2>&1 & pid=$!; \
            cat >/dev/null; kill $pid; wait $pid; rm -rf \"$FOLDER\"";
        Command::new("sh")
            .args(["-c", if self.throwaway { THROWAWAY } else { KEPT }, "sh"])
            .args(&self.arguments)
            .env("SERVER", &self.server)
            .env("FOLDER", &self.folder)
            .stdin(Stdio::piped())
            .stdout(Stdio::null())
            .stderr(Stdio::null())
            // A group of its own: Ctrl-C in the terminal reaches this process, which then stops the database in order.
            .process_group(0)
            .spawn()
    }

    /// Starts the database again whenever it ends, until it is to stop.
    fn keep(self, mut guardian: Child, pipe: &Mutex<Option<ChildStdin>>) {
        loop {
            let ended = guardian.wait();
            if held(pipe).is_none() {
                return;
            }
            tracing::warn!(?ended, "the database ended and is started again");
            // Of a shell that was killed the database may be left.
            end_orphans(&self.folder);
            std::thread::sleep(AGAIN_AFTER);
            let mut pipe = held(pipe);
            if pipe.is_none() {
                return;
            }
            match self.spawn() {
                Ok(mut next) => {
                    *pipe = next.stdin.take();
                    guardian = next;
                }
                Err(error) => tracing::error!(%error, "the database can't be started"),
            }
        }
    }
}

/// Ends what is left of a folder's database after the process that it belonged to was killed with all that watched over it.
fn end_orphans(folder: &Path) {
    let mark = format!("--datadir={}/data", folder.display());
    let running = || -> Vec<u32> {
        let processes = fs::read_dir("/proc").into_iter().flatten().flatten();
        let pids = processes.filter_map(|process| process.file_name().to_str()?.parse().ok());
        pids.filter(|pid: &u32| {
            let line = fs::read(format!("/proc/{pid}/cmdline")).unwrap_or_default();
            let mut words = line.split(|byte| *byte == 0);
            let is_server = words.next().is_some_and(|program| program.ends_with(b"mariadbd"));
            is_server && words.any(|word| word.starts_with(mark.as_bytes()))
        })
        .collect()
    };
    let began = Instant::now();
    let mut asked = false;
    loop {
        let left = running();
        if left.is_empty() {
            return;
        }
        let signal = match began.elapsed() > ORPHANS_END_WITHIN {
            true => Some("-KILL"),
            false => (!asked).then_some("-TERM"),
        };
        if let Some(signal) = signal {
            tracing::warn!(?left, "a database that nothing holds any more is ended");
            let pids = left.iter().map(u32::to_string);
            // One that has ended meanwhile is none to worry about.
            let _ = Command::new("kill").arg(signal).args(pids).stderr(Stdio::null()).status();
            asked = true;
        }
        std::thread::sleep(Duration::from_millis(50));
    }
}

/// Ready once it stands in the log: the port is open before the first statements have been read.
fn wait_until_it_answers(log: &Path) -> Result<(), InstanceError> {
    let began = Instant::now();
    loop {
        let said = fs::read_to_string(log).unwrap_or_default();
        if said.contains("ready for connections") {
            return Ok(());
        }
        let failed = said.contains("[ERROR] Aborting") || said.contains("[ERROR] Can't start server");
        if failed || began.elapsed() > PATIENCE {
            let errors: Vec<_> = said.lines().filter(|line| line.contains("[ERROR]")).take(5).collect();
            let errors = errors.join(" ");
            return Err(InstanceError::Start(if errors.is_empty() {
                "it did not answer in time".into()
            } else {
                errors
            }));
        }
        std::thread::sleep(Duration::from_millis(20));
    }
}

impl Drop for LocalDatabase {
    fn drop(&mut self) {
        self.shut_down();
    }
}

/// Who the database runs as: the caller, unless that is root, whom it refuses.
struct Owner {
    name: Option<&'static str>,
    ids: Option<(u32, u32)>,
}

impl Owner {
    fn of_database() -> io::Result<Self> {
        if fs::metadata("/proc/self")?.uid() != 0 {
            return Ok(Self { name: None, ids: None });
        }
        let number = |flag| -> io::Result<u32> {
            let output = Command::new("id").args([flag, "mysql"]).output()?;
            let text = String::from_utf8_lossy(&output.stdout);
            text.trim()
                .parse()
                .map_err(|_| io::Error::other("there is no user named mysql to run the database as"))
        };
        Ok(Self { name: Some("mysql"), ids: Some((number("-u")?, number("-g")?)) })
    }

    /// Whether every folder above `folder` lets them through; `folder` itself is given to them later.
    fn can_enter(&self, folder: &Path) -> Result<(), InstanceError> {
        let (Some(user), Some((uid, gid))) = (self.name, self.ids) else { return Ok(()) };
        for above in folder.ancestors().skip(1) {
            let at = |source| InstanceError::Folder { folder: above.to_owned(), source };
            let of = fs::metadata(above).map_err(at)?;
            let shift = if of.uid() == uid {
                6
            } else if of.gid() == gid {
                3
            } else {
                0
            };
            if (of.mode() >> shift) & 1 == 0 {
                return Err(InstanceError::Closed { folder: above.to_owned(), user });
            }
        }
        Ok(())
    }

    fn give(&self, path: &Path) -> io::Result<()> {
        match self.ids {
            Some((user, group)) => chown(path, Some(user), Some(group)),
            None => Ok(()),
        }
    }
}

fn find(program: &'static str) -> Result<PathBuf, InstanceError> {
    let path = std::env::var_os("PATH").unwrap_or_default();
    std::env::split_paths(&path)
        .chain(["/usr/sbin".into(), "/usr/bin".into(), "/usr/local/sbin".into()])
        .map(|folder: PathBuf| folder.join(program))
        .find(|candidate| candidate.is_file())
        .ok_or(InstanceError::NotInstalled(program))
}

fn lock(folder: &Path) -> Result<File, InstanceError> {
    let path = folder.join("lock");
    let at = |source| InstanceError::Folder { folder: path.clone(), source };
    let mut file =
        OpenOptions::new().read(true).write(true).create(true).truncate(false).open(&path).map_err(at)?;
    match file.try_lock() {
        Ok(()) => {}
        Err(TryLockError::WouldBlock) => {
            let holder = fs::read_to_string(&path).unwrap_or_default().trim().to_owned();
            return Err(InstanceError::InUse { folder: folder.to_owned(), holder });
        }
        Err(TryLockError::Error(e)) => return Err(at(e)),
    }
    // What an ended holder wrote is overwritten: only the lock itself counts.
    file.set_len(0).map_err(at)?;
    writeln!(file, "{}", std::process::id()).map_err(at)?;
    Ok(file)
}

fn free_port(wanted: Option<u16>) -> Result<u16, InstanceError> {
    let port = wanted.unwrap_or(0);
    let listener = TcpListener::bind(("127.0.0.1", port)).map_err(|_| InstanceError::PortBusy(port))?;
    listener.local_addr().map(|a| a.port()).map_err(|e| InstanceError::Start(e.to_string()))
}

/// Makes the data folder beside its place and moves it there when it is whole, so that a start that was cut short
/// leaves nothing half made.
fn install(folder: &Path, data: &Path, owner: &Owner) -> Result<(), InstanceError> {
    let tool = find("mariadb-install-db")?;
    let failed = |e: io::Error| InstanceError::Install(e.to_string());
    let fresh = folder.join(format!("{HALF_MADE}.{}", random_word()));
    fs::create_dir(&fresh).map_err(failed)?;
    owner.give(folder).map_err(failed)?;
    owner.give(&fresh).map_err(failed)?;
    let mut command = Command::new(tool);
    command.args(["--no-defaults", "--auth-root-authentication-method=socket", "--skip-test-db"]);
    command.arg(format!("--datadir={}", fresh.display()));
    // A server that starts clears left-over tables out of its folder for temporary ones: sharing it with another that is
    // being made takes that one's away.
    command.arg(format!("--tmpdir={}", folder.display()));
    if let Some(user) = owner.name {
        command.arg(format!("--user={user}"));
    }
    let output = command.output().map_err(failed)?;
    if !output.status.success() {
        let said = String::from_utf8_lossy(&output.stderr);
        let last: Vec<_> = said.lines().rev().take(4).collect();
        return Err(InstanceError::Install(last.join(" ")));
    }
    fs::rename(&fresh, data).map_err(failed)
}

/// The statements the server runs before it listens: the product's user gets a new password at every start, so none
/// is kept anywhere.
fn write_first(path: &Path, password: &str, owner: &Owner) -> io::Result<()> {
    fs::write(path, "")?;
    fs::set_permissions(path, fs::Permissions::from_mode(0o600))?;
    owner.give(path)?;
    fs::write(
        path,
        format!(
            "CREATE DATABASE IF NOT EXISTS {DATABASE};\n\
             CREATE OR REPLACE USER spirel@127.0.0.1 IDENTIFIED BY '{password}';\n\
             GRANT ALL ON `{DATABASE}`.* TO spirel@127.0.0.1;\n\
             GRANT ALL ON `{DATABASE}\\_%`.* TO spirel@127.0.0.1;\n"
        ),
    )
}

fn random_word() -> String {
    let bits: u128 = rand::random();
    format!("{bits:032x}")
}
