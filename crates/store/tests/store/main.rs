//! The store on a real MariaDB, a fresh database a test.
#![allow(clippy::unwrap_used, reason = "a test that can't go on says so by failing")]

mod edits;
mod instance;
mod queries;
mod starts;
mod upgrade;

use chrono::{NaiveDate, TimeDelta, Utc};
use serde_json::json;
use spirel_core::stage::Stage;
use spirel_store::{Actor, ClientDraft, Day, Once, Role, SESSION_HOURS, Store, StoreError};
use spirel_testkit::fresh_store;
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
    let client = store.add_client(actor, &draft("Odile"), None).await.unwrap();
    store.add_visit(actor, client, day(), None).await.unwrap()
}

#[tokio::test]
async fn a_sign_in_is_one_name_and_an_accent_makes_another() {
    let store = fresh_store().await;
    house(&store, " Wren@Saltmarsh.example ").await;
    let enters =
        async |email: &str| store.sign_in(email, "a long enough password", None).await.unwrap().is_some();
    assert!(enters("wren@saltmarsh.example").await && enters("\u{ff37}REN@saltmarsh.example\u{a0}").await);
    assert!(!enters("wr\u{e9}n@saltmarsh.example").await, "the usual collation takes it for the same");
}

#[tokio::test]
async fn what_is_asked_for_twice_under_a_key_is_made_once() {
    let store = fresh_store().await;
    let actor = house(&store, "wren@saltmarsh.example").await;
    let once = |asked: &str| Once::new("a key", "client", &asked);
    let add = async |name: &str| store.add_client(&actor, &draft(name), Some(&once(name))).await;
    let all = tokio::join!(add("Odile"), add("Odile"), add("Odile"));
    let first = all.0.unwrap();
    assert_eq!((all.1.unwrap(), all.2.unwrap(), add("Odile").await.unwrap()), (first, first, first));
    assert_eq!(store.clients(&actor, "Odile", 1).await.unwrap().total, 1);
    assert!(matches!(add("Bram").await, Err(StoreError::KeyTaken)));
    let elsewhere = house(&store, "sela@gannet.example").await;
    let theirs = store.add_client(&elsewhere, &draft("Odile"), Some(&once("Odile"))).await.unwrap();
    assert_ne!(theirs, first, "another house's keys are its own");
    let (key, day) = (Once::new("a key", "visit", &first), day());
    let begun = store.add_visit(&actor, first, day, Some(&key)).await.unwrap();
    assert_eq!(store.add_visit(&actor, first, day, Some(&key)).await.unwrap(), begun);
    assert_eq!(store.visits(&actor, first).await.unwrap().len(), 1);
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
    assert!(matches!(store.add_visit(&theirs, client, day(), None).await, Err(StoreError::NotFound)));
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
        store.add_client(&actor, &draft(&format!("Client {i:02}")), None).await.unwrap();
    }
    store.add_client(&actor, &draft("100% Ruby 🌊"), None).await.unwrap();
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
