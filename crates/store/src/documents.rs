//! The document of each stage of a visit: kept in every version, saved under an optimistic lock.

use crate::edits::{self, Edit, Landed};
use crate::repeat::repeated;
use crate::{Actor, Document, Store, StoreError, audit};
use chrono::{DateTime, Utc};
use serde_json::Value;
use spirel_core::edit::same;
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
        self.save(actor, (visit_id, stage, base), body).await
    }

    async fn save(
        &self,
        actor: &Actor,
        (visit_id, stage, base): (Uuid, Stage, u32),
        body: &Value,
    ) -> Result<Document, StoreError> {
        repeated(async || {
            let mut tx = self.pool.begin().await?;
            lock_visit(&mut tx, actor, visit_id).await?;
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
            add_version(&mut tx, actor, (visit_id, stage, base + 1), body, None).await?;
            let saved = newest(&mut tx, visit_id, stage).await?.ok_or(StoreError::NotFound)?;
            tx.commit().await?;
            Ok(saved)
        })
        .await
    }

    /// Carries an edit out on the newest document of a stage: `change` says what becomes of it, none where it can't be. Edits of
    /// a visit wait for each other, whichever server they come to, so none of them is refused for another's sake. An edit that
    /// has landed isn't carried out again, whatever was saved since; one that changes nothing has landed, too.
    pub async fn edit<E: From<StoreError>>(
        &self,
        actor: &Actor,
        (visit_id, stage): (Uuid, Stage),
        edit: &Edit,
        change: impl AsyncFn(&Document) -> Result<Option<Value>, E>,
    ) -> Result<Document, E> {
        let own = visit_id.as_u128() % self.edit_locks.len() as u128;
        let _here = self.edit_locks[own as usize].lock().await;
        let mut tries = TRIES;
        loop {
            let done = self.edit_once(actor, (visit_id, stage), edit, &change).await;
            match done {
                // Given up for another's sake, or beside another under the same key: it is found the next time.
                Err(Undone::Store(error)) if error.is_lost_to_another() && tries > 0 => tries -= 1,
                Err(Undone::Store(error)) => return Err(error.into()),
                Err(Undone::Change(error)) => return Err(error),
                Ok(document) => return Ok(document),
            }
        }
    }

    async fn edit_once<E>(
        &self,
        actor: &Actor,
        (visit_id, stage): (Uuid, Stage),
        edit: &Edit,
        change: &impl AsyncFn(&Document) -> Result<Option<Value>, E>,
    ) -> Result<Document, Undone<E>> {
        let mut tx = self.pool.begin().await.map_err(StoreError::from)?;
        let begun = lock_visit(&mut tx, actor, visit_id).await?;
        let current = newest(&mut tx, visit_id, stage).await?.unwrap_or_else(|| begun.empty(stage));
        let refused =
            |current: Document| StoreError::Conflict { base: current.version, current: Box::new(current) };
        match edits::landed(&mut tx, actor, visit_id, stage, edit).await? {
            Landed::ThisOne => return Ok(current),
            Landed::AnotherOne => return Err(refused(current).into()),
            Landed::Never => {}
        }
        let Some(body) = change(&current).await.map_err(Undone::Change)? else {
            return Err(refused(current).into());
        };
        if current.version > 0 && same(&body, &current.body) {
            // A repeat that comes after a colleague's change must not be carried out on it.
            edits::record(&mut tx, actor, (visit_id, stage, current.version), Some(edit), Utc::now()).await?;
            tx.commit().await.map_err(StoreError::from)?;
            return Ok(current);
        }
        add_version(&mut tx, actor, (visit_id, stage, current.version + 1), &body, Some(edit)).await?;
        let saved = newest(&mut tx, visit_id, stage).await?.ok_or(StoreError::NotFound)?;
        tx.commit().await.map_err(StoreError::from)?;
        Ok(saved)
    }
}

/// How often an edit is carried out anew.
const TRIES: u32 = 5;

/// Why an edit wasn't carried out.
enum Undone<E> {
    Store(StoreError),
    Change(E),
}

impl<E> From<StoreError> for Undone<E> {
    fn from(error: StoreError) -> Self {
        Self::Store(error)
    }
}

/// A visit, whose row is the lock under which versions of its documents are counted.
struct Begun {
    by: String,
    at: DateTime<Utc>,
}

impl Begun {
    /// What a stage holds before it is begun.
    fn empty(self, stage: Stage) -> Document {
        Document { stage, version: 0, body: stage.with(Empty), saved_by: self.by, saved_at: self.at }
    }
}

/// Holds a visit until the transaction ends.
async fn lock_visit(tx: &mut MySqlConnection, actor: &Actor, visit_id: Uuid) -> Result<Begun, StoreError> {
    let visit = sqlx::query!(
        r#"SELECT p.name, v.created_at AS "created_at: DateTime<Utc>"
           FROM visit v JOIN person p ON p.id = v.created_by WHERE v.id = ? AND v.house_id = ? FOR UPDATE"#,
        visit_id,
        actor.house_id
    )
    .fetch_optional(tx)
    .await?
    .ok_or(StoreError::NotFound)?;
    Ok(Begun { by: visit.name, at: visit.created_at })
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
