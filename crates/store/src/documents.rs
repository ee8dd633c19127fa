//! The document of each stage of a visit: kept in every version, saved under an optimistic lock.

use crate::repeat::repeated;
use crate::{Actor, Document, Store, StoreError, UnknownKey, audit};
use chrono::{DateTime, Utc};
use serde_json::Value;
use spirel_core::stage::Stage;
use sqlx::{AssertSqlSafe, FromRow, MySqlConnection};
use uuid::Uuid;

/// Version of the documents' shape; a change of shape comes with an upgrade.
const SCHEMA_VERSION: u16 = 2;

/// Versions of one document that are looked through at once.
const MOST_VERSIONS: u32 = 1000;

/// A document with its head: the newest version and nothing older.
const NEWEST: &str = "SELECT d.stage, d.version, CAST(d.body AS CHAR) AS body, p.name AS saved_by, d.saved_at
    FROM stage_head h
    JOIN stage_document d ON d.visit_id = h.visit_id AND d.stage = h.stage AND d.version = h.version
    JOIN person p ON p.id = d.saved_by WHERE h.visit_id = ?";

#[derive(FromRow)]
struct DocumentRow {
    stage: String,
    version: u32,
    body: String,
    saved_by: String,
    saved_at: DateTime<Utc>,
}

impl TryFrom<DocumentRow> for Document {
    type Error = StoreError;

    fn try_from(row: DocumentRow) -> Result<Self, StoreError> {
        Ok(Self {
            stage: Stage::of_key(&row.stage).ok_or(UnknownKey(row.stage))?,
            version: row.version,
            body: serde_json::from_str(&row.body)?,
            saved_by: row.saved_by,
            saved_at: row.saved_at,
        })
    }
}

/// One member of a document as it stood in a version.
#[derive(Debug, Clone, PartialEq)]
pub struct PartVersion {
    /// The version, from 1.
    pub version: u32,
    /// The member; null where there was none.
    pub part: Value,
    /// Who saved it.
    pub saved_by: String,
    /// When.
    pub saved_at: DateTime<Utc>,
}

impl Store {
    /// The newest document of each stage of a visit.
    pub(crate) async fn documents(&self, actor: &Actor, visit_id: Uuid) -> Result<Vec<Document>, StoreError> {
        let rows: Vec<DocumentRow> =
            sqlx::query_as(AssertSqlSafe(format!("{NEWEST} AND d.house_id = ? ORDER BY h.stage")))
                .bind(visit_id)
                .bind(actor.house_id)
                .fetch_all(&self.pool)
                .await?;
        rows.into_iter().map(Document::try_from).collect()
    }

    /// A member of a stage's document in every saved version, oldest first; of very many the newest [`MOST_VERSIONS`]. The
    /// database picks it out: of the rest of the document nothing is sent.
    pub async fn versions_of_part(
        &self,
        actor: &Actor,
        visit_id: Uuid,
        stage: Stage,
        path: &[&str],
    ) -> Result<Vec<PartVersion>, StoreError> {
        let path: String = path.iter().map(|name| format!(".{name}")).collect();
        let rows: Vec<(u32, Option<String>, String, DateTime<Utc>)> = sqlx::query_as(
            "SELECT d.version, CAST(JSON_EXTRACT(d.body, ?) AS CHAR), p.name, d.saved_at
             FROM stage_document d JOIN person p ON p.id = d.saved_by
             WHERE d.visit_id = ? AND d.house_id = ? AND d.stage = ? ORDER BY d.version DESC LIMIT ?",
        )
        .bind(format!("${path}"))
        .bind(visit_id)
        .bind(actor.house_id)
        .bind(stage.key())
        .bind(MOST_VERSIONS)
        .fetch_all(&self.pool)
        .await?;
        let part = |(version, part, saved_by, saved_at): (u32, Option<String>, String, DateTime<Utc>)| {
            let part = part.as_deref().map_or(Ok(Value::Null), serde_json::from_str)?;
            Ok(PartVersion { version, part, saved_by, saved_at })
        };
        rows.into_iter().rev().map(part).collect()
    }

    /// Saves a stage over version `base` (0: the first). Whoever comes second from the same version is told what the
    /// first saved. Saving what already stands is no change and no conflict, so a repeat after a lost answer lands once.
    pub async fn save_document(
        &self,
        actor: &Actor,
        visit_id: Uuid,
        stage: Stage,
        base: u32,
        body: &Value,
    ) -> Result<Document, StoreError> {
        repeated(async || {
            let mut tx = self.pool.begin().await?;
            // The visit's row is the lock under which versions are counted.
            let visit: Option<(Uuid,)> =
                sqlx::query_as("SELECT id FROM visit WHERE id = ? AND house_id = ? FOR UPDATE")
                    .bind(visit_id)
                    .bind(actor.house_id)
                    .fetch_optional(&mut *tx)
                    .await?;
            visit.ok_or(StoreError::NotFound)?;
            if let Some(current) = newest(&mut tx, visit_id, stage).await? {
                if current.body == *body {
                    return Ok(current);
                }
                if current.version != base {
                    return Err(StoreError::Conflict { base, current: Box::new(current) });
                }
            } else if base != 0 {
                return Err(StoreError::NotFound);
            }
            add_version(&mut tx, actor, visit_id, base + 1, stage, body).await?;
            let saved = newest(&mut tx, visit_id, stage).await?.ok_or(StoreError::NotFound)?;
            tx.commit().await?;
            Ok(saved)
        })
        .await
    }
}

/// Writes one version of a stage and its line in the audit.
pub(crate) async fn add_version(
    tx: &mut MySqlConnection,
    actor: &Actor,
    visit_id: Uuid,
    version: u32,
    stage: Stage,
    body: &Value,
) -> Result<(), StoreError> {
    sqlx::query(
        "INSERT INTO stage_document (visit_id, stage, version, house_id, schema_version, body, saved_by, saved_at)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
    )
    .bind(visit_id)
    .bind(stage.key())
    .bind(version)
    .bind(actor.house_id)
    .bind(SCHEMA_VERSION)
    .bind(body.to_string())
    .bind(actor.person_id)
    .bind(Utc::now())
    .execute(&mut *tx)
    .await?;
    sqlx::query(
        "INSERT INTO stage_head (visit_id, stage, version) VALUES (?, ?, ?)
         ON DUPLICATE KEY UPDATE version = VALUES(version)",
    )
    .bind(visit_id)
    .bind(stage.key())
    .bind(version)
    .execute(&mut *tx)
    .await?;
    audit::record(tx, actor, "saved", (stage.key(), visit_id), Some(version)).await
}

async fn newest(
    tx: &mut MySqlConnection,
    visit_id: Uuid,
    stage: Stage,
) -> Result<Option<Document>, StoreError> {
    let row: Option<DocumentRow> = sqlx::query_as(AssertSqlSafe(format!("{NEWEST} AND h.stage = ?")))
        .bind(visit_id)
        .bind(stage.key())
        .fetch_optional(tx)
        .await?;
    row.map(Document::try_from).transpose()
}
