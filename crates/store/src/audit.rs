//! Who changed what, when. Lines are added within the change's own transaction and never touched again.

use crate::{Actor, Store, StoreError};
use chrono::{DateTime, Utc};
use serde::Serialize;
use sqlx::MySqlConnection;
use uuid::Uuid;

/// One line.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct AuditEntry {
    /// When.
    pub at: DateTime<Utc>,
    /// Who, by name.
    pub person: Option<String>,
    /// What was done: created, saved, signed_in …
    pub action: String,
    /// To what kind of thing.
    pub entity: String,
    /// To which one.
    pub entity_id: Option<Uuid>,
    /// The version it has since.
    pub version: Option<u32>,
}

/// A page of lines, newest first.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct AuditPage {
    /// Lines.
    pub entries: Vec<AuditEntry>,
}

/// Most lines given at once.
const PAGE: u32 = 100;

pub(crate) async fn record(
    tx: &mut MySqlConnection,
    actor: &Actor,
    action: &str,
    (entity, entity_id): (&str, Uuid),
    version: Option<u32>,
) -> Result<(), StoreError> {
    sqlx::query!("INSERT INTO audit (id, house_id, person_id, at, action, entity, entity_id, version) VALUES (?, ?, ?, ?, ?, ?, ?, ?)", Uuid::now_v7(), actor.house_id, actor.person_id, Utc::now(), action, entity, entity_id, version)
    .execute(tx)
    .await?;
    Ok(())
}

impl Store {
    /// The newest lines of the actor's house.
    pub async fn audit(&self, actor: &Actor) -> Result<AuditPage, StoreError> {
        let entries = sqlx::query_as!(
            AuditEntry,
            r#"SELECT a.at AS "at: DateTime<Utc>", p.name AS "person?", a.action, a.entity,
                      a.entity_id AS "entity_id: Uuid", a.version
               FROM audit a LEFT JOIN person p ON p.id = a.person_id
               WHERE a.house_id = ? ORDER BY a.id DESC LIMIT ?"#,
            actor.house_id,
            PAGE
        )
        .fetch_all(&self.pool)
        .await?;
        Ok(AuditPage { entries })
    }
}
