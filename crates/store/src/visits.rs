//! Visits of a client.

use crate::documents::add_version;
use crate::repeat::repeated;
use crate::{Actor, Client, Day, Document, Store, StoreError, UnknownKey, audit};
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
        let rows: Vec<(Uuid, Day, String)> = sqlx::query_as(
            "SELECT v.id, v.on_date, p.name FROM visit v JOIN person p ON p.id = v.created_by
             WHERE v.client_id = ? AND v.house_id = ? ORDER BY v.on_date DESC, v.id DESC",
        )
        .bind(client_id)
        .bind(actor.house_id)
        .fetch_all(&self.pool)
        .await?;
        let heads: Vec<(Uuid, String, u32)> = sqlx::query_as(
            "SELECT h.visit_id, h.stage, h.version FROM stage_head h JOIN visit v ON v.id = h.visit_id
             WHERE v.client_id = ? AND v.house_id = ?",
        )
        .bind(client_id)
        .bind(actor.house_id)
        .fetch_all(&self.pool)
        .await?;
        let mut stages: HashMap<Uuid, BTreeMap<Stage, u32>> = HashMap::new();
        for (visit, stage, version) in heads {
            let stage = Stage::of_key(&stage).ok_or(UnknownKey(stage))?;
            stages.entry(visit).or_default().insert(stage, version);
        }
        let row = |(id, on_date, stylist)| VisitRow {
            id,
            on_date,
            stylist,
            stages: stages.remove(&id).unwrap_or_default(),
        };
        Ok(rows.into_iter().map(row).collect())
    }

    /// Begins a visit.
    pub async fn add_visit(&self, actor: &Actor, client_id: Uuid, on_date: Day) -> Result<Uuid, StoreError> {
        self.import_visit(actor, client_id, on_date, &[]).await
    }

    /// Begins a visit that already has documents: all of it lands, or nothing.
    pub async fn import_visit(
        &self,
        actor: &Actor,
        client_id: Uuid,
        on_date: Day,
        documents: &[(Stage, Value)],
    ) -> Result<Uuid, StoreError> {
        self.client(actor, client_id).await?;
        let id = Uuid::now_v7();
        repeated(async || {
            let mut tx = self.pool.begin().await?;
            sqlx::query("INSERT INTO visit (id, house_id, client_id, on_date, created_by, created_at) VALUES (?, ?, ?, ?, ?, ?)")
                .bind(id)
                .bind(actor.house_id)
                .bind(client_id)
                .bind(on_date)
                .bind(actor.person_id)
                .bind(Utc::now())
                .execute(&mut *tx)
                .await?;
            audit::record(&mut tx, actor, "created", ("visit", id), None).await?;
            for (stage, body) in documents {
                add_version(&mut tx, actor, id, 1, *stage, body).await?;
            }
            tx.commit().await?;
            Ok(id)
        })
        .await
    }

    /// A visit of the house with everything in it.
    pub async fn visit(&self, actor: &Actor, id: Uuid) -> Result<Visit, StoreError> {
        let row: Option<(Uuid, Day, String)> = sqlx::query_as(
            "SELECT v.client_id, v.on_date, p.name FROM visit v JOIN person p ON p.id = v.created_by
             WHERE v.id = ? AND v.house_id = ?",
        )
        .bind(id)
        .bind(actor.house_id)
        .fetch_optional(&self.pool)
        .await?;
        let (client_id, on_date, stylist) = row.ok_or(StoreError::NotFound)?;
        let client = self.client(actor, client_id).await?;
        let documents = self.documents(actor, id).await?;
        Ok(Visit { id, on_date, stylist, client, documents })
    }
}
