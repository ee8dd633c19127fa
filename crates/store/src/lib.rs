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
mod once;
mod repeat;
mod rules;
mod schema;
mod thresholds;
mod unknown_key;
mod visits;

pub use accounts::{Person, SESSION_HOURS, SessionKey, normal_email, session_key};
pub use actor::{Act, Actor, Role};
pub use audit::{AuditEntry, AuditPage};
pub use clients::{Client, ClientDraft, ClientPage, ClientRow};
pub use day::Day;
pub use document::Document;
pub use documents::PartVersion;
pub use edits::{Edit, EditNotice, MOST_NOTICES};
pub use error::StoreError;
pub use instance::{InstanceError, InstanceOptions, LocalDatabase};
pub use once::Once;
pub use rules::HouseRules;
pub use unknown_key::UnknownKey;
pub use visits::{Visit, VisitRow};

use sqlx::MySqlPool;
use sqlx::mysql::MySqlPoolOptions;
use std::sync::Arc;
use std::time::Duration;
use tokio::sync::{Mutex, Semaphore};

/// Most connections to the database.
const CONNECTIONS: u32 = 24;
/// How long a request waits for one: who asks is told within a second that the database is away.
const CONNECT_WITHIN: Duration = Duration::from_millis(800);
/// Locks under which visits are edited, each for its share of all visits.
const EDIT_LOCKS: usize = 64;
/// Passwords hashed at a time: each takes twenty megabytes and a core.
const HASHED_AT_A_TIME: usize = 2;

/// A pool of connections to one database.
#[derive(Debug, Clone)]
pub struct Store {
    pool: MySqlPool,
    /// Edits of a visit that come to this server wait here for each other, and not each with a connection.
    edit_locks: Arc<[Mutex<()>; EDIT_LOCKS]>,
    hashing: Arc<Semaphore>,
}

impl Store {
    /// Connects to the database at `url` (`mysql://…`) and brings its schema up to date.
    pub async fn open(url: &str) -> Result<Self, StoreError> {
        let store = Self::connect(url)?;
        store.migrate().await?;
        Ok(store)
    }

    /// A pool that connects when it is first asked. Nothing is migrated.
    pub fn connect(url: &str) -> Result<Self, StoreError> {
        let pool = MySqlPoolOptions::new()
            .max_connections(CONNECTIONS)
            .acquire_timeout(CONNECT_WITHIN)
            .connect_lazy(url)?;
        let edit_locks = Arc::new(std::array::from_fn(|_| Mutex::default()));
        Ok(Self { pool, edit_locks, hashing: Arc::new(Semaphore::new(HASHED_AT_A_TIME)) })
    }

    /// Whether the database answers.
    pub async fn is_ready(&self) -> bool {
        sqlx::query("SELECT 1").execute(&self.pool).await.is_ok()
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
