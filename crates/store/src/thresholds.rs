//! From where on a house objects to what is found about a plan.

use crate::{Actor, Store, StoreError, audit};
use std::collections::BTreeMap;

impl Store {
    /// The thresholds that a house has set, by the name of the finding.
    pub async fn thresholds(&self, actor: &Actor) -> Result<BTreeMap<String, f64>, StoreError> {
        let rows = sqlx::query!("SELECT finding, value FROM threshold WHERE house_id = ?", actor.house_id)
            .fetch_all(&self.pool)
            .await?;
        Ok(rows.into_iter().map(|row| (row.finding, row.value)).collect())
    }

    /// Sets the threshold of one finding, or takes the house's own away: two people who set different ones don't meet.
    pub async fn set_threshold(
        &self,
        actor: &Actor,
        finding: &str,
        value: Option<f64>,
    ) -> Result<(), StoreError> {
        let mut tx = self.pool.begin().await?;
        match value {
            Some(value) => {
                sqlx::query!(
                    "INSERT INTO threshold (house_id, finding, value) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE value = ?",
                    actor.house_id,
                    finding,
                    value,
                    value
                )
                .execute(&mut *tx)
                .await?;
            }
            None => {
                sqlx::query!(
                    "DELETE FROM threshold WHERE house_id = ? AND finding = ?",
                    actor.house_id,
                    finding
                )
                .execute(&mut *tx)
                .await?;
            }
        }
        audit::record(&mut tx, actor, "saved", ("threshold", actor.house_id), None).await?;
        tx.commit().await?;
        Ok(())
    }
}
