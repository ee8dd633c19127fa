//! Bringing a database to the schema, by several programs at once or after one that was killed.

use spirel_store::{Store, StoreError};
use spirel_testkit::fresh_database_url;

#[tokio::test]
async fn migrations_can_be_run_again() {
    let url = fresh_database_url().await;
    Store::open(&url).await.unwrap();
    Store::open(&url).await.unwrap();
}

#[tokio::test]
async fn programs_that_start_at_once_on_an_empty_database_migrate_it_once() {
    // The database takes a lock that waits for ever for one that doesn't wait: one of two programs once ended here.
    let url = fresh_database_url().await;
    let open = || Store::open(&url);
    let all = tokio::join!(open(), open(), open(), open());
    assert!(all.0.is_ok() && all.1.is_ok() && all.2.is_ok() && all.3.is_ok(), "{all:?}");
}

#[tokio::test]
async fn a_first_start_that_was_cut_short_anywhere_is_begun_anew_and_a_house_is_never_dropped() {
    let url = fresh_database_url().await;
    let store = Store::open(&url).await.unwrap();
    // As a program leaves it that is killed within a migration: begun, not done, and some of it there.
    for statement in [
        "UPDATE _sqlx_migrations SET success = FALSE WHERE version = 6",
        "DELETE FROM _sqlx_migrations WHERE version > 6",
        "DROP TABLE made_once",
    ] {
        sqlx::query(statement).execute(store.pool()).await.unwrap();
    }
    let store = Store::open(&url).await.unwrap();
    let load = async |store: &Store| -> Result<(), StoreError> {
        store.add_house("One").await?;
        store.add_house("Other").await.map(drop)
    };
    let cut_short = async |store: &Store| -> Result<(), StoreError> {
        store.add_house("Half").await?;
        Err(StoreError::NotFound)
    };
    let names = async || -> Vec<String> {
        sqlx::query_scalar("SELECT name FROM house ORDER BY name").fetch_all(store.pool()).await.unwrap()
    };
    assert!(store.load_if_empty(cut_short).await.is_err());
    assert_eq!(names().await, ["Half"]);
    store.load_if_empty(load).await.unwrap();
    assert_eq!(names().await, ["One", "Other"], "what was left of the first is gone");
    store.load_if_empty(cut_short).await.unwrap();
    assert_eq!(names().await, ["One", "Other"], "what is whole stays");
    sqlx::query("UPDATE _sqlx_migrations SET success = FALSE WHERE version = 6")
        .execute(store.pool())
        .await
        .unwrap();
    assert!(matches!(Store::open(&url).await, Err(StoreError::Migration(_))), "a house is never dropped");
    assert_eq!(names().await, ["One", "Other"]);
}
