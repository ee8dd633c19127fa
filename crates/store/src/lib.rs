//! Keeps houses, people, clients and visits in MariaDB, and can start a private MariaDB of its own.
//!
//! [`Store`] is a pool with one method a question. Everything that belongs to a house is asked for by an [`Actor`], who
//! carries the house: a row of another house is simply not found. Every change writes its line in the audit within the
//! same transaction. The migrations are the only schema.

mod accounts;
mod actor;
mod audit;
mod clients;
mod day;
mod document;
mod documents;
mod edits;
mod error;
mod instance;
mod repeat;
mod unknown_key;
mod visits;

pub use accounts::{Person, SESSION_HOURS};
pub use actor::{Act, Actor, Role};
pub use audit::{AuditEntry, AuditPage};
pub use clients::{Client, ClientDraft, ClientPage, ClientRow};
pub use day::Day;
pub use document::Document;
pub use documents::PartVersion;
pub use edits::{Edit, EditNotice, MOST_NOTICES};
pub use error::StoreError;
pub use instance::{InstanceError, InstanceOptions, LocalDatabase};
pub use unknown_key::UnknownKey;
pub use visits::{Visit, VisitRow};

use sqlx::MySqlPool;
use sqlx::mysql::MySqlPoolOptions;
use std::time::Duration;

/// A pool of connections to one database.
#[derive(Debug, Clone)]
pub struct Store {
    pool: MySqlPool,
}

impl Store {
    /// Connects to the database at `url` (`mysql://…`) and brings its schema up to date.
    pub async fn open(url: &str) -> Result<Self, StoreError> {
        let store = Self::connect(url)?;
        sqlx::migrate!().run(&store.pool).await.map_err(StoreError::Migration)?;
        Ok(store)
    }

    /// A pool that connects when it is first asked. Nothing is migrated.
    pub fn connect(url: &str) -> Result<Self, StoreError> {
        let pool = MySqlPoolOptions::new()
            .max_connections(12)
            .acquire_timeout(Duration::from_secs(5))
            .connect_lazy(url)?;
        Ok(Self { pool })
    }

    /// Whether the database answers.
    pub async fn is_ready(&self) -> bool {
        sqlx::query("SELECT 1").execute(&self.pool).await.is_ok()
    }

    /// Whether no house has been set up yet.
    pub async fn is_empty(&self) -> Result<bool, StoreError> {
        let houses = sqlx::query_scalar!("SELECT COUNT(*) FROM house").fetch_one(&self.pool).await?;
        Ok(houses == 0)
    }

    /// Closes every connection.
    pub async fn close(&self) {
        self.pool.close().await;
    }

    /// The pool, for tests that look at rows directly.
    pub fn pool(&self) -> &MySqlPool {
        &self.pool
    }
}
