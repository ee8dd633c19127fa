//! Things that are made once, however often their making is asked for: a browser that lost the answer asks again.

use crate::{Actor, StoreError};
use chrono::Utc;
use serde::Serialize;
use sha2::{Digest, Sha256};
use sqlx::MySqlConnection;
use uuid::Uuid;

/// The key under which something is asked for, and what is asked.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Once {
    key: [u8; 32],
    asked: [u8; 32],
}

impl Once {
    /// A key that whoever asks has chosen, for what they ask.
    pub fn new(key: &str, what: &str, asked: &impl Serialize) -> Self {
        let asked = serde_json::to_vec(asked).unwrap_or_default();
        let key = Sha256::new().chain_update(what).chain_update([0]).chain_update(key).finalize();
        Self { key: key.into(), asked: Sha256::digest(asked).into() }
    }
}

/// The thing that was made under a key before; else none, and until the transaction ends nobody else makes one under it.
pub(crate) async fn made_before(
    tx: &mut MySqlConnection,
    actor: &Actor,
    once: Option<&Once>,
    id: Uuid,
) -> Result<Option<Uuid>, StoreError> {
    let Some(once) = once else { return Ok(None) };
    let added = sqlx::query!(
        "INSERT IGNORE INTO made_once (house_id, made_key, asked, entity_id, at) VALUES (?, ?, ?, ?, ?)",
        actor.house_id,
        &once.key[..],
        &once.asked[..],
        id,
        Utc::now()
    )
    .execute(&mut *tx)
    .await?;
    if added.rows_affected() > 0 {
        return Ok(None);
    }
    let made = sqlx::query!(
        r#"SELECT entity_id AS "entity_id: Uuid", asked FROM made_once WHERE house_id = ? AND made_key = ?"#,
        actor.house_id,
        &once.key[..]
    )
    .fetch_one(tx)
    .await?;
    if made.asked == once.asked { Ok(Some(made.entity_id)) } else { Err(StoreError::KeyTaken) }
}
