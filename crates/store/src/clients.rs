//! The people whose hair is cut.

use crate::once::made_before;
use crate::repeat::repeated;
use crate::{Actor, Once, Store, StoreError, audit};
use chrono::{DateTime, NaiveDate, Utc};
use serde::{Deserialize, Serialize};
use spirel_core::error::{FieldErrors, Problem};
use uuid::Uuid;

/// What is asked for when a client is taken in.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct ClientDraft {
    /// Their name, 1 to 120 characters.
    pub name: String,
    /// How to reach them, at most 190 characters.
    #[serde(default)]
    pub contact: String,
    /// What to remember, at most 500 characters.
    #[serde(default)]
    pub note: String,
    /// They agreed that their measures and notes are kept. Nothing is kept without it.
    pub consent: bool,
}

impl ClientDraft {
    /// Checks every field.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if self.name.trim().is_empty() {
            faults.push("name", Problem::Missing);
        }
        faults.line("name", &self.name, 120);
        faults.line("contact", &self.contact, 190);
        faults.text("note", &self.note, 500);
        if !self.consent {
            faults.push("consent", Problem::contradicts("fault-consent"));
        }
        faults.or(())
    }
}

/// A client.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Client {
    /// Their key.
    pub id: Uuid,
    /// Their name.
    pub name: String,
    /// How to reach them.
    pub contact: String,
    /// What to remember.
    pub note: String,
    /// When they agreed that their measures and notes are kept.
    pub consent_at: DateTime<Utc>,
    /// Version of this record.
    pub version: u32,
}

/// A client as they stand in a list.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ClientRow {
    /// Their key.
    pub id: Uuid,
    /// Their name.
    pub name: String,
    /// What to remember.
    pub note: String,
    /// Visits so far.
    pub visits: i64,
    /// Day of the newest visit.
    pub last_visit: Option<NaiveDate>,
}

/// A page of clients by name.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ClientPage {
    /// The clients of this page.
    pub clients: Vec<ClientRow>,
    /// How many there are on all pages.
    pub total: i64,
    /// This page, from 1.
    pub page: u32,
    /// Most clients on a page.
    pub per_page: u32,
}

const PER_PAGE: u32 = 20;

/// `text` as a LIKE pattern that finds it anywhere, with its own wildcards taken literally.
fn anywhere(text: &str) -> String {
    let literal = text.trim().replace('\\', "\\\\").replace('%', "\\%").replace('_', "\\_");
    format!("%{literal}%")
}

impl Store {
    /// A page of the house's clients whose name or note holds `search`.
    pub async fn clients(&self, actor: &Actor, search: &str, page: u32) -> Result<ClientPage, StoreError> {
        let page = page.max(1);
        let pattern = anywhere(search);
        let total = sqlx::query_scalar!(
            "SELECT COUNT(*) FROM client WHERE house_id = ? AND (name LIKE ? OR note LIKE ?)",
            actor.house_id,
            pattern,
            pattern
        )
        .fetch_one(&self.pool)
        .await?;
        let clients = sqlx::query_as!(
            ClientRow,
            r#"SELECT c.id AS "id: Uuid", c.name, c.note, COUNT(v.id) AS visits, MAX(v.on_date) AS last_visit
               FROM client c LEFT JOIN visit v ON v.client_id = c.id
               WHERE c.house_id = ? AND (c.name LIKE ? OR c.note LIKE ?)
               GROUP BY c.id, c.name, c.note ORDER BY c.name, c.id LIMIT ? OFFSET ?"#,
            actor.house_id,
            pattern,
            pattern,
            PER_PAGE,
            u64::from(page - 1) * u64::from(PER_PAGE)
        )
        .fetch_all(&self.pool)
        .await?;
        Ok(ClientPage { clients, total, page, per_page: PER_PAGE })
    }

    /// One client of the house.
    pub async fn client(&self, actor: &Actor, id: Uuid) -> Result<Client, StoreError> {
        sqlx::query_as!(
            Client,
            r#"SELECT id AS "id: Uuid", name, contact, note, consent_at AS "consent_at: DateTime<Utc>", version
               FROM client WHERE id = ? AND house_id = ?"#,
            id,
            actor.house_id
        )
        .fetch_optional(&self.pool)
        .await?
        .ok_or(StoreError::NotFound)
    }

    /// Takes in a client, once under a key. `draft` has been checked.
    pub async fn add_client(
        &self,
        actor: &Actor,
        draft: &ClientDraft,
        once: Option<&Once>,
    ) -> Result<Uuid, StoreError> {
        let id = Uuid::now_v7();
        let now = Utc::now();
        repeated(async || {
            let mut tx = self.pool.begin().await?;
            if let Some(made) = made_before(&mut tx, actor, once, id).await? {
                return Ok(made);
            }
            sqlx::query!("INSERT INTO client (id, house_id, name, contact, note, consent_at, created_at, version) VALUES (?, ?, ?, ?, ?, ?, ?, 1)", id, actor.house_id, draft.name.trim(), draft.contact.trim(), draft.note.trim(), now, now)
            .execute(&mut *tx)
            .await?;
            audit::record(&mut tx, actor, "created", ("client", id), Some(1)).await?;
            tx.commit().await?;
            Ok(id)
        })
        .await
    }
}

#[cfg(test)]
mod tests {
    use super::anywhere;

    #[test]
    fn wildcards_in_a_search_are_taken_literally() {
        assert_eq!(anywhere(" 50%_\\ "), "%50\\%\\_\\\\%");
    }
}
