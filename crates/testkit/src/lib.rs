//! Starts one private MariaDB a test process and hands out a fresh, migrated database each time.

use spirel_store::{InstanceOptions, LocalDatabase, Store};
use std::sync::OnceLock;
use std::sync::atomic::{AtomicU32, Ordering};

static INSTANCE: OnceLock<LocalDatabase> = OnceLock::new();
static NEXT: AtomicU32 = AtomicU32::new(0);

fn instance() -> &'static LocalDatabase {
    INSTANCE.get_or_init(|| {
        // Kept until the process ends: its guardian then stops it and removes the folder.
        let folder =
            tempfile::Builder::new().prefix("spirel-test-").tempdir().expect("a temporary folder").keep();
        let options = InstanceOptions { throwaway: true, ..InstanceOptions::default() };
        LocalDatabase::start(&folder, &options).expect("a private MariaDB")
    })
}

/// Address of an empty database of its own; nothing is migrated yet.
pub async fn fresh_database_url() -> String {
    let instance = tokio::task::spawn_blocking(instance).await.expect("the database starts");
    let name = format!("spirel_{}", NEXT.fetch_add(1, Ordering::Relaxed));
    let whole = Store::connect(&instance.url()).expect("a pool");
    // The name is made here from a number.
    sqlx::query(sqlx::AssertSqlSafe(format!("CREATE DATABASE {name}")))
        .execute(whole.pool())
        .await
        .expect("a fresh database");
    whole.close().await;
    instance.url_of(&name)
}

/// A migrated store on a database of its own.
pub async fn fresh_store() -> Store {
    Store::open(&fresh_database_url().await).await.expect("a migrated store")
}
