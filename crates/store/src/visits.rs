//! Visits of a client.

use crate::documents::add_version;
use crate::once::made_before;
use crate::repeat::repeated;
use crate::{Actor, Client, Day, Document, Once, Store, StoreError, audit};
use chrono::Utc;
use serde::Serialize;
use serde_json::Value;
use spirel_core::stage::Stage;
use std::collections::{BTreeMap, HashMap};
use uuid::Uuid;

/// A visit in a client's list.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct VisitRow {
    /// Its key.
    pub id: Uuid,
    /// Its day.
    pub on_date: Day,
    /// Who began it.
    pub stylist: String,
    /// The version that each stage has reached; stages that are not begun are left out.
    pub stages: BTreeMap<Stage, u32>,
}

/// A visit with its client and the newest document of each stage that has been begun.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Visit {
    /// Its key.
    pub id: Uuid,
    /// Its day.
    pub on_date: Day,
    /// Who began it.
    pub stylist: String,
    /// Whose hair.
    pub client: Client,
    /// Newest document of each stage that has been begun.
    pub documents: Vec<Document>,
}

impl Store {
    /// A client's visits, newest first.
    pub async fn visits(&self, actor: &Actor, client_id: Uuid) -> Result<Vec<VisitRow>, StoreError> {
        let rows = sqlx::query!(
            r#"SELECT v.id AS "id: Uuid", v.on_date AS "on_date: Day", p.name
               FROM visit v JOIN person p ON p.id = v.created_by
               WHERE v.client_id = ? AND v.house_id = ? ORDER BY v.on_date DESC, v.id DESC"#,
            client_id,
            actor.house_id
        )
        .fetch_all(&self.pool)
        .await?;
        let heads = sqlx::query!(
            r#"SELECT h.visit_id AS "visit_id: Uuid", h.stage, h.version
               FROM stage_head h JOIN visit v ON v.id = h.visit_id WHERE v.client_id = ? AND v.house_id = ?"#,
            client_id,
            actor.house_id
        )
        .fetch_all(&self.pool)
        .await?;
        let mut stages: HashMap<Uuid, BTreeMap<Stage, u32>> = HashMap::new();
        for head in heads {
            // A stage that a newer program keeps is not this one's to show.
            if let Some(stage) = Stage::of_key(&head.stage) {
                stages.entry(head.visit_id).or_default().insert(stage, head.version);
            }
        }
        let visits = rows.into_iter().map(|row| VisitRow {
            id: row.id,
            on_date: row.on_date,
            stylist: row.name,
            stages: stages.remove(&row.id).unwrap_or_default(),
        });
        Ok(visits.collect())
    }

    /// Begins a visit, once under a key.
    pub async fn add_visit(
        &self,
        actor: &Actor,
        client_id: Uuid,
        on_date: Day,
        once: Option<&Once>,
    ) -> Result<Uuid, StoreError> {
        self.import_visit(actor, client_id, on_date, &[], once).await
    }

    /// Begins a visit that already has documents: all of it lands, or nothing.
    pub async fn import_visit(
        &self,
        actor: &Actor,
        client_id: Uuid,
        on_date: Day,
        documents: &[(Stage, Value)],
        once: Option<&Once>,
    ) -> Result<Uuid, StoreError> {
        self.client(actor, client_id).await?;
        let id = Uuid::now_v7();
        repeated(async || {
            let mut tx = self.pool.begin().await?;
            if let Some(made) = made_before(&mut tx, actor, once, id).await? {
                return Ok(made);
            }
            sqlx::query!("INSERT INTO visit (id, house_id, client_id, on_date, created_by, created_at) VALUES (?, ?, ?, ?, ?, ?)", id, actor.house_id, client_id, on_date, actor.person_id, Utc::now())
                .execute(&mut *tx)
                .await?;
            audit::record(&mut tx, actor, "created", ("visit", id), None).await?;
            for (stage, body) in documents {
                add_version(&mut tx, actor, (id, *stage, 1), body, None).await?;
            }
            tx.commit().await?;
            Ok(id)
        })
        .await
    }

    /// A visit of the house with everything in it.
    pub async fn visit(&self, actor: &Actor, id: Uuid) -> Result<Visit, StoreError> {
        let row = sqlx::query!(
            r#"SELECT v.client_id AS "client_id: Uuid", v.on_date AS "on_date: Day", p.name
               FROM visit v JOIN person p ON p.id = v.created_by WHERE v.id = ? AND v.house_id = ?"#,
            id,
            actor.house_id
        )
        .fetch_optional(&self.pool)
        .await?;
        let row = row.ok_or(StoreError::NotFound)?;
        let client = self.client(actor, row.client_id).await?;
        let documents = self.documents(actor, id).await?;
        Ok(Visit { id, on_date: row.on_date, stylist: row.name, client, documents })
    }
}
