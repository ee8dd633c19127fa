//! The document of each stage of a visit: kept in every version, saved under an optimistic lock.

use crate::repeat::repeated;
use crate::{Actor, Document, Stage, Store, StoreError, audit};
use chrono::{DateTime, Utc};
use serde_json::Value;
use sqlx::{FromRow, MySqlConnection};
use uuid::Uuid;

/// Version of the documents' shape; a change of shape comes with an upgrade.
const SCHEMA_VERSION: u16 = 2;

/// Versions of one document that are looked through at once.
const MOST_VERSIONS: u32 = 1000;

#[derive(FromRow)]
struct DocumentRow {
    #[sqlx(try_from = "String")]
    stage: Stage,
    version: u32,
    body: String,
    saved_by: String,
    saved_at: DateTime<Utc>,
}

impl TryFrom<DocumentRow> for Document {
    type Error = StoreError;

    fn try_from(row: DocumentRow) -> Result<Self, StoreError> {
        Ok(Self {
            stage: row.stage,
            version: row.version,
            body: serde_json::from_str(&row.body)?,
            saved_by: row.saved_by,
            saved_at: row.saved_at,
        })
    }
}

impl Store {
    /// The newest document of each stage of a visit.
    pub(crate) async fn documents(&self, actor: &Actor, visit_id: Uuid) -> Result<Vec<Document>, StoreError> {
        let rows: Vec<DocumentRow> = sqlx::query_as(
            "SELECT d.stage, d.version, CAST(d.body AS CHAR) AS body, p.name AS saved_by, d.saved_at
             FROM stage_document d JOIN person p ON p.id = d.saved_by
             WHERE d.visit_id = ? AND d.house_id = ? AND d.version =
               (SELECT MAX(n.version) FROM stage_document n WHERE n.visit_id = d.visit_id AND n.stage = d.stage)
             ORDER BY d.stage",
        )
        .bind(visit_id)
        .bind(actor.house_id)
        .fetch_all(&self.pool)
        .await?;
        rows.into_iter().map(Document::try_from).collect()
    }

    /// Every saved version of a stage of a visit, oldest first; of very many the newest [`MOST_VERSIONS`].
    pub async fn versions(
        &self,
        actor: &Actor,
        visit_id: Uuid,
        stage: Stage,
    ) -> Result<Vec<Document>, StoreError> {
        let rows: Vec<DocumentRow> = sqlx::query_as(
            "SELECT d.stage, d.version, CAST(d.body AS CHAR) AS body, p.name AS saved_by, d.saved_at
             FROM stage_document d JOIN person p ON p.id = d.saved_by
             WHERE d.visit_id = ? AND d.house_id = ? AND d.stage = ? ORDER BY d.version DESC LIMIT ?",
        )
        .bind(visit_id)
        .bind(actor.house_id)
        .bind(stage.key())
        .bind(MOST_VERSIONS)
        .fetch_all(&self.pool)
        .await?;
        rows.into_iter().rev().map(Document::try_from).collect()
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
    audit::record(tx, actor, "saved", (stage.entity(), visit_id), Some(version)).await
}

async fn newest(
    tx: &mut MySqlConnection,
    visit_id: Uuid,
    stage: Stage,
) -> Result<Option<Document>, StoreError> {
    let row: Option<DocumentRow> = sqlx::query_as(
        "SELECT d.stage, d.version, CAST(d.body AS CHAR) AS body, p.name AS saved_by, d.saved_at
         FROM stage_document d JOIN person p ON p.id = d.saved_by
         WHERE d.visit_id = ? AND d.stage = ? ORDER BY d.version DESC LIMIT 1",
    )
    .bind(visit_id)
    .bind(stage.key())
    .fetch_optional(tx)
    .await?;
    row.map(Document::try_from).transpose()
}
