//! Who changed what, when. Lines are added within the change's own transaction and never touched again.

use crate::{Actor, Store, StoreError};
use chrono::{DateTime, Utc};
use serde::Serialize;
use sqlx::{MySqlConnection, Row};
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
    sqlx::query(
        "INSERT INTO audit (id, house_id, person_id, at, action, entity, entity_id, version) VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
    )
    .bind(Uuid::now_v7())
    .bind(actor.house_id)
    .bind(actor.person_id)
    .bind(Utc::now())
    .bind(action)
    .bind(entity)
    .bind(entity_id)
    .bind(version)
    .execute(tx)
    .await?;
    Ok(())
}

impl Store {
    /// The newest lines of the actor's house.
    pub async fn audit(&self, actor: &Actor) -> Result<AuditPage, StoreError> {
        let rows = sqlx::query(
            "SELECT a.at, p.name, a.action, a.entity, a.entity_id, a.version FROM audit a
             LEFT JOIN person p ON p.id = a.person_id WHERE a.house_id = ? ORDER BY a.id DESC LIMIT ?",
        )
        .bind(actor.house_id)
        .bind(PAGE)
        .fetch_all(&self.pool)
        .await?;
        let entry = |row: &sqlx::mysql::MySqlRow| {
            Ok(AuditEntry {
                at: row.try_get(0)?,
                person: row.try_get(1)?,
                action: row.try_get(2)?,
                entity: row.try_get(3)?,
                entity_id: row.try_get(4)?,
                version: row.try_get(5)?,
            })
        };
        Ok(AuditPage { entries: rows.iter().map(entry).collect::<Result<_, sqlx::Error>>()? })
    }
}
