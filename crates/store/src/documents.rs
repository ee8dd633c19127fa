//! The document of each stage of a visit: kept in every version, saved under an optimistic lock.

use crate::edits::{self, Edit};
use crate::repeat::repeated;
use crate::{Actor, Document, Store, StoreError, audit};
use chrono::{DateTime, Utc};
use serde_json::Value;
use spirel_core::stage::{ForStage, Stage, StageDocument};
use sqlx::MySqlConnection;
use uuid::Uuid;

/// Version of the documents' shape; a change of shape comes with an upgrade.
const SCHEMA_VERSION: u16 = 2;

/// Versions of one document that are looked through at once.
const MOST_VERSIONS: u32 = 1000;

/// The newest version of a stage.
struct DocumentRow {
    stage: String,
    version: u32,
    body: String,
    saved_by: String,
    saved_at: DateTime<Utc>,
}

impl DocumentRow {
    fn document(&self, stage: Stage) -> Result<Document, StoreError> {
        Ok(Document {
            stage,
            version: self.version,
            body: stage.with(Present(serde_json::from_str(&self.body)?)),
            saved_by: self.saved_by.clone(),
            saved_at: self.saved_at,
        })
    }
}

/// A document as this program writes it: one that was kept with earlier names gets the present ones.
struct Present(Value);

impl ForStage for Present {
    type Output = Value;

    fn of<D: StageDocument>(self) -> Value {
        let read = D::deserialize(&self.0).ok();
        read.and_then(|document| serde_json::to_value(document).ok()).unwrap_or(self.0)
    }
}

/// What a stage holds before it is begun.
struct Empty;

impl ForStage for Empty {
    type Output = Value;

    fn of<D: StageDocument>(self) -> Value {
        serde_json::to_value(D::default()).unwrap_or_default()
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
        let rows = sqlx::query_as!(
            DocumentRow,
            r#"SELECT d.stage, d.version, CAST(d.body AS CHAR) AS "body!", p.name AS saved_by,
                      d.saved_at AS "saved_at: DateTime<Utc>"
               FROM stage_head h
               JOIN stage_document d ON d.visit_id = h.visit_id AND d.stage = h.stage AND d.version = h.version
               JOIN person p ON p.id = d.saved_by
               WHERE h.visit_id = ? AND d.house_id = ? ORDER BY h.stage"#,
            visit_id,
            actor.house_id
        )
        .fetch_all(&self.pool)
        .await?;
        // A stage that a newer program keeps is not this one's to show.
        rows.into_iter().filter_map(|row| Some(row.document(Stage::of_key(&row.stage)?))).collect()
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
        let rows = sqlx::query!(
            r#"SELECT d.version, CAST(JSON_EXTRACT(d.body, ?) AS CHAR) AS "part: String", p.name AS saved_by,
                      d.saved_at AS "saved_at: DateTime<Utc>"
               FROM stage_document d JOIN person p ON p.id = d.saved_by
               WHERE d.visit_id = ? AND d.house_id = ? AND d.stage = ? ORDER BY d.version DESC LIMIT ?"#,
            format!("${path}"),
            visit_id,
            actor.house_id,
            stage.key(),
            MOST_VERSIONS
        )
        .fetch_all(&self.pool)
        .await?;
        let versions = rows.into_iter().rev().map(|row| {
            let part = row.part.as_deref().map_or(Ok(Value::Null), serde_json::from_str)?;
            Ok(PartVersion { version: row.version, part, saved_by: row.saved_by, saved_at: row.saved_at })
        });
        versions.collect()
    }

    /// The newest document of a stage; before the stage is begun, what it then holds as version 0.
    pub async fn document(
        &self,
        actor: &Actor,
        visit_id: Uuid,
        stage: Stage,
    ) -> Result<Document, StoreError> {
        let mut connection = self.pool.acquire().await?;
        let visit = sqlx::query!(
            r#"SELECT p.name, v.created_at AS "created_at: DateTime<Utc>"
               FROM visit v JOIN person p ON p.id = v.created_by WHERE v.id = ? AND v.house_id = ?"#,
            visit_id,
            actor.house_id
        )
        .fetch_optional(&mut *connection)
        .await?
        .ok_or(StoreError::NotFound)?;
        let newest = newest(&mut connection, visit_id, stage).await?;
        Ok(newest.unwrap_or_else(|| Document {
            stage,
            version: 0,
            body: stage.with(Empty),
            saved_by: visit.name,
            saved_at: visit.created_at,
        }))
    }

    /// Saves a stage over version `base` (0: the first). Whoever comes second from the same version receives what the
    /// first saved. Saving what already stands is no change and no conflict, so a repeat after a lost answer lands once.
    pub async fn save_document(
        &self,
        actor: &Actor,
        visit_id: Uuid,
        stage: Stage,
        base: u32,
        body: &Value,
    ) -> Result<Document, StoreError> {
        self.save(actor, (visit_id, stage, base), body, None).await
    }

    /// Saves what an edit made of version `base`. One that has landed isn't carried out again, whatever was saved since.
    pub async fn save_edit(
        &self,
        actor: &Actor,
        visit_id: Uuid,
        stage: Stage,
        base: u32,
        body: &Value,
        edit: &Edit,
    ) -> Result<Document, StoreError> {
        self.save(actor, (visit_id, stage, base), body, Some(edit)).await
    }

    async fn save(
        &self,
        actor: &Actor,
        (visit_id, stage, base): (Uuid, Stage, u32),
        body: &Value,
        edit: Option<&Edit>,
    ) -> Result<Document, StoreError> {
        repeated(async || {
            let mut tx = self.pool.begin().await?;
            // The visit's row is the lock under which versions are counted.
            let visit = sqlx::query!(
                "SELECT id FROM visit WHERE id = ? AND house_id = ? FOR UPDATE",
                visit_id,
                actor.house_id
            )
            .fetch_optional(&mut *tx)
            .await?;
            visit.ok_or(StoreError::NotFound)?;
            if let Some(current) = newest(&mut tx, visit_id, stage).await? {
                if current.body == *body {
                    return Ok(current);
                }
                if let Some(edit) = edit
                    && let Some(landed) =
                        edits::landed_under(&mut tx, actor, visit_id, stage, edit.key).await?
                {
                    return once(edit, &landed, current);
                }
                if current.version != base {
                    return Err(StoreError::Conflict { base, current: Box::new(current) });
                }
            } else if base != 0 {
                return Err(StoreError::NotFound);
            }
            add_version(&mut tx, actor, (visit_id, stage, base + 1), body, edit).await?;
            let saved = newest(&mut tx, visit_id, stage).await?.ok_or(StoreError::NotFound)?;
            tx.commit().await?;
            Ok(saved)
        })
        .await
    }

    /// The newest document of a stage if an edit landed in it before.
    pub async fn landed(
        &self,
        actor: &Actor,
        visit_id: Uuid,
        stage: Stage,
        edit: &Edit,
    ) -> Result<Option<Document>, StoreError> {
        let mut connection = self.pool.acquire().await?;
        let Some(landed) = edits::landed_under(&mut connection, actor, visit_id, stage, edit.key).await?
        else {
            return Ok(None);
        };
        let current = newest(&mut connection, visit_id, stage).await?.ok_or(StoreError::NotFound)?;
        once(edit, &landed, current).map(Some)
    }
}

/// What stands after an edit under whose key operations landed before: nothing is to be done if they were its own.
fn once(edit: &Edit, landed: &Value, current: Document) -> Result<Document, StoreError> {
    if edit.operations == *landed {
        return Ok(current);
    }
    Err(StoreError::Conflict { base: current.version, current: Box::new(current) })
}

/// Writes one version of a stage, its line in the audit, and the edit that made it.
pub(crate) async fn add_version(
    tx: &mut MySqlConnection,
    actor: &Actor,
    (visit_id, stage, version): (Uuid, Stage, u32),
    body: &Value,
    edit: Option<&Edit>,
) -> Result<(), StoreError> {
    let now = Utc::now();
    sqlx::query!("INSERT INTO stage_document (visit_id, stage, version, house_id, schema_version, body, saved_by, saved_at)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?)", visit_id, stage.key(), version, actor.house_id, SCHEMA_VERSION, body.to_string(), actor.person_id, now)
    .execute(&mut *tx)
    .await?;
    sqlx::query!(
        "INSERT INTO stage_head (visit_id, stage, version) VALUES (?, ?, ?)
         ON DUPLICATE KEY UPDATE version = VALUES(version)",
        visit_id,
        stage.key(),
        version
    )
    .execute(&mut *tx)
    .await?;
    audit::record(&mut *tx, actor, "saved", (stage.key(), visit_id), Some(version)).await?;
    // Last, as it holds the row that every edit of the house waits for.
    edits::record(tx, actor, (visit_id, stage, version), edit, now).await
}

async fn newest(
    tx: &mut MySqlConnection,
    visit_id: Uuid,
    stage: Stage,
) -> Result<Option<Document>, StoreError> {
    let row = sqlx::query_as!(
        DocumentRow,
        r#"SELECT d.stage, d.version, CAST(d.body AS CHAR) AS "body!", p.name AS saved_by,
                  d.saved_at AS "saved_at: DateTime<Utc>"
           FROM stage_head h
           JOIN stage_document d ON d.visit_id = h.visit_id AND d.stage = h.stage AND d.version = h.version
           JOIN person p ON p.id = d.saved_by
           WHERE h.visit_id = ? AND h.stage = ?"#,
        visit_id,
        stage.key()
    )
    .fetch_optional(tx)
    .await?;
    row.map(|row| row.document(stage)).transpose()
}
