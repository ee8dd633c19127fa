//! Edits that land once, in order, and beside each other.

use crate::{house, visit};
use serde_json::{Value, json};
use spirel_core::edit::{Operation, apply};
use spirel_core::stage::Stage;
use spirel_store::{Actor, Document, Edit, Store, StoreError};
use spirel_testkit::{fresh_database_url, fresh_store};
use tokio::task::LocalSet;
use uuid::Uuid;

/// An edit of one figure.
fn figure(key: Uuid, name: &str, before: Value, value: Value) -> (Edit, Vec<Operation>) {
    let operations = vec![Operation { path: vec![name.to_owned()], before, value }];
    (Edit { key, operations: json!(operations) }, operations)
}

async fn edited(
    store: &Store,
    actor: &Actor,
    visit: Uuid,
    (edit, operations): &(Edit, Vec<Operation>),
) -> Result<Document, StoreError> {
    let change = async |current: &Document| Ok::<_, StoreError>(apply(&current.body, operations).ok());
    store.edit(actor, (visit, Stage::Talk), edit, change).await
}

#[tokio::test]
async fn sixteen_who_write_at_once_in_one_document_all_land() {
    let url = fresh_database_url().await;
    // Two servers: neither knows of those who wait at the other.
    let (store, other) = (Store::open(&url).await.unwrap(), Store::open(&url).await.unwrap());
    let actor = house(&store, "wren@saltmarsh.example").await;
    let visit = visit(&store, &actor).await;
    let writers = (0..16).map(|writer| {
        let store = if writer % 2 == 0 { store.clone() } else { other.clone() };
        tokio::task::spawn_local(async move {
            for turn in 0..6 {
                let before = if turn == 0 { Value::Null } else { json!(turn - 1) };
                let edit = figure(Uuid::now_v7(), &format!("figure_{writer}"), before, json!(turn));
                edited(&store, &actor, visit, &edit).await.unwrap();
            }
        })
    });
    let all = async {
        for writer in writers.collect::<Vec<_>>() {
            writer.await.unwrap();
        }
    };
    LocalSet::new().run_until(all).await;
    let document = store.visit(&actor, visit).await.unwrap().documents.remove(0);
    assert_eq!(document.version, 96);
    assert!((0..16).all(|writer| document.body[format!("figure_{writer}")] == json!(5)));
}

#[tokio::test]
async fn an_edit_that_finds_its_value_there_has_landed_and_a_key_is_one_edits_everywhere() {
    let store = fresh_store().await;
    let actor = house(&store, "wren@saltmarsh.example").await;
    let (here, elsewhere) = (visit(&store, &actor).await, visit(&store, &actor).await);
    let first = figure(Uuid::now_v7(), "said", Value::Null, json!("dry ends"));
    edited(&store, &actor, here, &first).await.unwrap();
    // Somebody else writes the same: nothing changes, but it has landed.
    let same = figure(Uuid::now_v7(), "said", Value::Null, json!("dry ends"));
    assert_eq!(edited(&store, &actor, here, &same).await.unwrap().version, 1);
    let back = figure(Uuid::now_v7(), "said", json!("dry ends"), Value::Null);
    assert_eq!(edited(&store, &actor, here, &back).await.unwrap().version, 2);
    let repeated = edited(&store, &actor, here, &same).await.unwrap();
    assert_eq!(
        (repeated.version, &repeated.body["said"]),
        (2, &Value::Null),
        "a repeat undid what came since"
    );
    // Under its key nothing else lands, here or in another visit.
    let other = figure(same.0.key, "said", Value::Null, json!("fine"));
    for visit in [here, elsewhere] {
        assert!(matches!(edited(&store, &actor, visit, &other).await, Err(StoreError::Conflict { .. })));
    }
    let both = figure(Uuid::now_v7(), "said", Value::Null, json!("at once"));
    let outcomes =
        tokio::join!(edited(&store, &actor, here, &both), edited(&store, &actor, elsewhere, &both));
    let landed = [&outcomes.0, &outcomes.1].iter().filter(|outcome| outcome.is_ok()).count();
    assert_eq!(landed, 1, "{outcomes:?}");
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
            let before = if base == 0 { Value::Null } else { json!(base - 1) };
            let edit = figure(Uuid::now_v7(), "said", before, json!(base));
            edited(&store, &actor, visits[i], &edit).await.unwrap();
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
