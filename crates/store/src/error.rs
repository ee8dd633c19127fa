//! What can go wrong between the product and its database.

use crate::{Document, UnknownKey};
use sqlx::mysql::MySqlDatabaseError;

/// The database's number for a transaction that it gave up because two waited for each other (ER_LOCK_DEADLOCK).
const DEADLOCK: u16 = 1213;

/// A failed question or change.
#[derive(Debug, thiserror::Error)]
pub enum StoreError {
    /// There is no such thing in this house.
    #[error("not found")]
    NotFound,
    /// Somebody else saved first. What they saved comes along, so that both can be shown.
    #[error("saved by someone else since version {base}")]
    Conflict {
        /// The version the refused change started from.
        base: u32,
        /// What stands now.
        current: Box<Document>,
    },
    /// A key under which something else was made.
    #[error("this key was used for something else")]
    KeyTaken,
    /// Another program holds the whole database for longer than is waited for.
    #[error("another program is bringing the database up to date; start again when it has ended")]
    Locked,
    /// An e-mail address that is already someone's.
    #[error("this e-mail address is already used")]
    EmailTaken,
    /// A stored name that this version doesn't know.
    #[error(transparent)]
    UnknownKey(#[from] UnknownKey),
    /// A password could not be hashed or checked.
    #[error("password hashing failed: {0}")]
    Password(String),
    /// A stored document is not what was saved.
    #[error("a stored document could not be read: {0}")]
    Document(#[from] serde_json::Error),
    /// The schema could not be brought up to date.
    #[error("migration failed: {0}")]
    Migration(sqlx::migrate::MigrateError),
    /// The database refused or is not there.
    #[error("database: {0}")]
    Database(#[from] sqlx::Error),
}

impl StoreError {
    /// Whether trying again later may help: the database is away, not the request wrong.
    pub fn is_unavailable(&self) -> bool {
        matches!(
            self,
            Self::Database(
                sqlx::Error::Io(_)
                    | sqlx::Error::PoolTimedOut
                    | sqlx::Error::PoolClosed
                    | sqlx::Error::WorkerCrashed
            )
        )
    }

    /// Whether the database gave a transaction up so that another could go on: tried again, it lands.
    pub(crate) fn is_lost_to_another(&self) -> bool {
        let Self::Database(sqlx::Error::Database(error)) = self else { return false };
        error.try_downcast_ref::<MySqlDatabaseError>().is_some_and(|error| error.number() == DEADLOCK)
    }
}
