//! The store on a real MariaDB, a fresh database a test.
#![allow(clippy::unwrap_used, reason = "a test that can't go on says so by failing")]

use chrono::{NaiveDate, TimeDelta, Utc};
use serde_json::json;
use spirel_core::stage::Stage;
use spirel_store::{
    Actor, ClientDraft, Day, Edit, InstanceError, InstanceOptions, LocalDatabase, Role, SESSION_HOURS, Store,
    StoreError,
};
use spirel_testkit::{fresh_database_url, fresh_store};
use uuid::Uuid;

fn draft(name: &str) -> ClientDraft {
    ClientDraft { name: name.into(), consent: true, ..ClientDraft::default() }
}

fn day() -> Day {
    Day::new(NaiveDate::from_ymd_opt(2026, 3, 14).unwrap()).unwrap()
}

async fn house(store: &Store, email: &str) -> Actor {
    let house = store.add_house("Saltmarsh Row").await.unwrap();
    store.add_person(house, "Wren", email, Role::Stylist, "a long enough password").await.unwrap()
}

async fn visit(store: &Store, actor: &Actor) -> Uuid {
    let client = store.add_client(actor, &draft("Odile")).await.unwrap();
    store.add_visit(actor, client, day()).await.unwrap()
}

#[tokio::test]
async fn migrations_can_be_run_again() {
    let url = fresh_database_url().await;
    let store = Store::open(&url).await.unwrap();
    assert!(store.is_empty().await.unwrap());
    Store::open(&url).await.unwrap();
}

#[tokio::test]
async fn a_session_opens_with_the_right_password_only_and_ends() {
    let store = fresh_store().await;
    let actor = house(&store, "wren@saltmarsh.example").await;
    assert!(store.sign_in("wren@saltmarsh.example", "wrong", None).await.unwrap().is_none());
    assert!(
        store.sign_in("nobody@saltmarsh.example", "a long enough password", None).await.unwrap().is_none()
    );
    let (token, person) =
        store.sign_in("Wren@Saltmarsh.example", "a long enough password", None).await.unwrap().unwrap();
    assert_eq!(person.actor(), actor);
    assert!(store.who_is(&token, Utc::now()).await.unwrap().is_some());
    let later = Utc::now() + TimeDelta::hours(SESSION_HOURS) + TimeDelta::minutes(1);
    assert!(store.who_is(&token, later).await.unwrap().is_none(), "a session runs out");

    let (second, _) = store
        .sign_in("wren@saltmarsh.example", "a long enough password", Some(&token))
        .await
        .unwrap()
        .unwrap();
    assert!(
        store.who_is(&token, Utc::now()).await.unwrap().is_none(),
        "signing in again replaces the old token"
    );
    let (third, _) =
        store.sign_in("wren@saltmarsh.example", "a long enough password", None).await.unwrap().unwrap();
    store.sign_out_everywhere(&actor).await.unwrap();
    for token in [second, third] {
        assert!(store.who_is(&token, Utc::now()).await.unwrap().is_none());
    }
}

#[tokio::test]
async fn an_address_belongs_to_one_person() {
    let store = fresh_store().await;
    let actor = house(&store, "wren@saltmarsh.example").await;
    let again = store.add_person(actor.house_id, "Other", "WREN@saltmarsh.example", Role::Desk, "x").await;
    assert!(matches!(again, Err(StoreError::EmailTaken)));
}

#[tokio::test]
async fn nothing_of_another_house_is_found() {
    let store = fresh_store().await;
    let ours = house(&store, "wren@saltmarsh.example").await;
    let theirs = house(&store, "ivo@elsewhere.example").await;
    let visit = visit(&store, &ours).await;
    let client = store.visit(&ours, visit).await.unwrap().client.id;
    assert!(matches!(store.client(&theirs, client).await, Err(StoreError::NotFound)));
    assert!(matches!(store.visit(&theirs, visit).await, Err(StoreError::NotFound)));
    assert!(matches!(store.add_visit(&theirs, client, day()).await, Err(StoreError::NotFound)));
    let save = store.save_document(&theirs, visit, Stage::Talk, 0, &json!({})).await;
    assert!(matches!(save, Err(StoreError::NotFound)));
    assert_eq!(store.clients(&theirs, "", 1).await.unwrap().total, 0);
    assert!(store.visits(&theirs, client).await.unwrap().is_empty());
    assert!(store.audit(&theirs).await.unwrap().entries.iter().all(|e| e.entity == "person"));
}

#[tokio::test]
async fn clients_are_paged_by_name_and_searched_literally() {
    let store = fresh_store().await;
    let actor = house(&store, "wren@saltmarsh.example").await;
    for i in 0..45 {
        store.add_client(&actor, &draft(&format!("Client {i:02}"))).await.unwrap();
    }
    store.add_client(&actor, &draft("100% Ruby 🌊")).await.unwrap();
    let first = store.clients(&actor, "", 1).await.unwrap();
    assert_eq!((first.total, first.clients.len()), (46, 20));
    assert_eq!(first.clients[0].name, "100% Ruby 🌊");
    let last = store.clients(&actor, "", 3).await.unwrap();
    assert_eq!(last.clients.len(), 6);
    assert_eq!(store.clients(&actor, "%", 1).await.unwrap().total, 1, "a percent sign is a percent sign");
    assert_eq!(store.clients(&actor, "client 0", 1).await.unwrap().total, 10);
}

#[tokio::test]
async fn whoever_saves_second_from_the_same_version_is_shown_what_the_first_saved() {
    let store = fresh_store().await;
    let actor = house(&store, "wren@saltmarsh.example").await;
    let visit = visit(&store, &actor).await;
    let save = |base, body| {
        let (store, actor) = (store.clone(), actor);
        async move { store.save_document(&actor, visit, Stage::Read, base, &body).await }
    };
    assert_eq!(save(0, json!({"a": 1})).await.unwrap().version, 1);
    assert_eq!(save(1, json!({"a": 2.5})).await.unwrap().version, 2);
    let Err(StoreError::Conflict { base: 1, current }) = save(1, json!({"a": 3})).await else {
        panic!("no conflict")
    };
    assert_eq!((current.version, current.body), (2, json!({"a": 2.5})));
    assert_eq!(save(1, json!({"a": 2.5})).await.unwrap().version, 2, "a repeat of what stands lands once");
    let stages = store.visit(&actor, visit).await.unwrap().documents;
    assert_eq!(stages.len(), 1);
    assert_eq!(stages[0].version, 2);

    let both = tokio::join!(save(2, json!({"b": 1})), save(2, json!({"b": 2})));
    let landed = [&both.0, &both.1].iter().filter(|r| r.is_ok()).count();
    assert_eq!(landed, 1, "{both:?}");
}

/// Numbers given at insertion may be committed in another order: whoever asks for what comes after the last one it has would
/// then miss some.
#[tokio::test]
async fn edits_are_numbered_in_the_order_of_their_commits_without_gaps() {
    let store = fresh_store().await;
    let actor = house(&store, "wren@saltmarsh.example").await;
    let visits = [visit(&store, &actor).await, visit(&store, &actor).await, visit(&store, &actor).await];
    let save = async |i: usize| {
        for base in 0..8 {
            let edit = Edit { key: Uuid::now_v7(), operations: json!([]) };
            let body = json!({"notes": format!("{i} {base}")});
            store.save_edit(&actor, visits[i], Stage::Talk, base, &body, &edit).await.unwrap();
        }
    };
    let listen = async || {
        let mut heard: Vec<u64> = Vec::new();
        while heard.len() < 24 {
            let from = heard.last().copied().unwrap_or(0);
            let (notices, reached) = store.edits_after(actor.house_id, from).await.unwrap();
            heard.extend(notices.iter().map(|notice| notice.number));
            assert_eq!(reached, heard.last().copied().unwrap_or(0));
        }
        heard
    };
    let ((), (), (), heard) = tokio::join!(save(0), save(1), save(2), listen());
    assert_eq!(heard, (1..=24).collect::<Vec<_>>(), "none is skipped by whoever reads while others save");
    assert_eq!(store.last_edit(actor.house_id).await.unwrap(), 24);
    let refused = sqlx::query("UPDATE edit SET version = 9").execute(store.pool()).await;
    assert!(refused.unwrap_err().to_string().contains("append-only"));
}

#[tokio::test]
async fn saved_rows_and_the_audit_can_not_be_changed_afterwards() {
    let store = fresh_store().await;
    let actor = house(&store, "wren@saltmarsh.example").await;
    let visit = visit(&store, &actor).await;
    store.save_document(&actor, visit, Stage::Talk, 0, &json!({"notes": "x"})).await.unwrap();
    for statement in
        ["UPDATE stage_document SET version = 9", "UPDATE audit SET action = 'nothing'", "DELETE FROM audit"]
    {
        let refused = sqlx::query(statement).execute(store.pool()).await;
        assert!(refused.unwrap_err().to_string().contains("append-only"), "{statement}");
    }
    let entries = store.audit(&actor).await.unwrap().entries;
    let lines: Vec<_> = entries.iter().map(|e| (e.action.as_str(), e.entity.as_str(), e.version)).collect();
    assert_eq!(
        lines,
        [
            ("saved", "talk", Some(1)),
            ("created", "visit", None),
            ("created", "client", Some(1)),
            ("created", "person", None)
        ]
    );
    assert!(entries.iter().all(|e| e.person.as_deref() == Some("Wren")));
}

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
        assert!(!store.is_empty().await.unwrap());
        store.close().await;
    });
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
