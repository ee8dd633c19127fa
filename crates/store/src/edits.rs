//! What was changed in a house, edit by edit, in the order in which it was committed.

use crate::{Actor, Store, StoreError};
use chrono::{DateTime, Utc};
use serde::Serialize;
use serde_json::Value;
use spirel_core::stage::Stage;
use sqlx::MySqlConnection;
use uuid::Uuid;

/// An edit as it is sent: its key makes it land once however often it comes. Under a key that another edit landed with it is
/// refused: to take it for that one would lose what it says.
#[derive(Debug, Clone)]
pub struct Edit {
    /// Chosen by whoever made it.
    pub key: Uuid,
    /// Its operations.
    pub operations: Value,
}

/// What other screens hear of an edit.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct EditNotice {
    /// Its number in the house, in the order in which edits were committed.
    pub number: u64,
    /// The visit.
    pub visit: Uuid,
    /// The stage.
    pub stage: Stage,
    /// The version that it made.
    pub version: u32,
    /// Who made it.
    pub saved_by: String,
}

/// Most edits given at once.
pub const MOST_NOTICES: u32 = 500;

/// Adds an edit that made a version of a stage.
pub(crate) async fn record(
    tx: &mut MySqlConnection,
    actor: &Actor,
    (visit_id, stage, version): (Uuid, Stage, u32),
    edit: Option<&Edit>,
    at: DateTime<Utc>,
) -> Result<(), StoreError> {
    sqlx::query!(
        "INSERT INTO edit_number (house_id, last) VALUES (?, LAST_INSERT_ID(1))
         ON DUPLICATE KEY UPDATE last = LAST_INSERT_ID(last + 1)",
        actor.house_id
    )
    .execute(&mut *tx)
    .await?;
    let key = edit.map_or_else(Uuid::now_v7, |edit| edit.key);
    let operations = edit.map(|edit| edit.operations.to_string());
    sqlx::query!(
        "INSERT INTO edit (house_id, number, edit_key, visit_id, stage, version, operations, person_id, at)
         VALUES (?, LAST_INSERT_ID(), ?, ?, ?, ?, ?, ?, ?)",
        actor.house_id,
        key,
        visit_id,
        stage.key(),
        version,
        operations,
        actor.person_id,
        at
    )
    .execute(&mut *tx)
    .await?;
    Ok(())
}

/// What became of an edit's key in the house before.
pub(crate) enum Landed {
    /// Nothing.
    Never,
    /// This edit landed.
    ThisOne,
    /// Another landed under it, here or elsewhere.
    AnotherOne,
}

/// What became of an edit's key before.
pub(crate) async fn landed(
    tx: &mut MySqlConnection,
    actor: &Actor,
    visit_id: Uuid,
    stage: Stage,
    edit: &Edit,
) -> Result<Landed, StoreError> {
    let row = sqlx::query!(
        r#"SELECT visit_id AS "visit_id: Uuid", stage, CAST(operations AS CHAR) AS "operations: String" FROM edit
           WHERE house_id = ? AND edit_key = ?"#,
        actor.house_id,
        edit.key
    )
    .fetch_optional(tx)
    .await?;
    let Some(row) = row else { return Ok(Landed::Never) };
    let operations: Option<Value> = row.operations.as_deref().map(serde_json::from_str).transpose()?;
    let is_this =
        row.visit_id == visit_id && row.stage == stage.key() && operations.as_ref() == Some(&edit.operations);
    Ok(if is_this { Landed::ThisOne } else { Landed::AnotherOne })
}

impl Store {
    /// The number of the house's last edit; 0 before the first.
    pub async fn last_edit(&self, house_id: Uuid) -> Result<u64, StoreError> {
        let row = sqlx::query!("SELECT last FROM edit_number WHERE house_id = ?", house_id)
            .fetch_optional(&self.pool)
            .await?;
        Ok(row.map_or(0, |row| row.last))
    }

    /// The edits of a house after a number, in order, at most [`MOST_NOTICES`]; and the number up to which they reach.
    pub async fn edits_after(
        &self,
        house_id: Uuid,
        number: u64,
    ) -> Result<(Vec<EditNotice>, u64), StoreError> {
        let rows = sqlx::query!(
            r#"SELECT e.number, e.visit_id AS "visit_id: Uuid", e.stage, e.version, p.name
               FROM edit e JOIN person p ON p.id = e.person_id
               WHERE e.house_id = ? AND e.number > ? ORDER BY e.number LIMIT ?"#,
            house_id,
            number,
            MOST_NOTICES
        )
        .fetch_all(&self.pool)
        .await?;
        let reached = rows.last().map_or(number, |row| row.number);
        let notices = rows.into_iter().filter_map(|row| {
            Some(EditNotice {
                number: row.number,
                visit: row.visit_id,
                // A stage that a newer program keeps is not this one's to show.
                stage: Stage::of_key(&row.stage)?,
                version: row.version,
                saved_by: row.name,
            })
        });
        Ok((notices.collect(), reached))
    }
}
