//! What a house thinks of the planner's rules: which are off, and which side it takes in a dispute.

use crate::{Actor, Store, StoreError, audit};
use std::collections::{BTreeMap, BTreeSet};

/// What a house has set.
#[derive(Debug, Clone, PartialEq, Eq, Default)]
pub struct HouseRules {
    /// Numbers of the rules that are off.
    pub off: BTreeSet<u32>,
    /// The side it takes, by dispute.
    pub sides: BTreeMap<String, String>,
}

impl Store {
    /// What a house has set.
    pub async fn house_rules(&self, actor: &Actor) -> Result<HouseRules, StoreError> {
        let off = sqlx::query_scalar!("SELECT number FROM rule_off WHERE house_id = ?", actor.house_id)
            .fetch_all(&self.pool)
            .await?;
        let sides = sqlx::query!("SELECT topic, takes FROM rule_side WHERE house_id = ?", actor.house_id)
            .fetch_all(&self.pool)
            .await?;
        let sides = sides.into_iter().map(|row| (row.topic, row.takes));
        Ok(HouseRules { off: off.into_iter().collect(), sides: sides.collect() })
    }

    /// Switches one rule off or on: two people who switch different ones don't meet.
    pub async fn set_rule_off(&self, actor: &Actor, number: u32, off: bool) -> Result<(), StoreError> {
        let mut tx = self.pool.begin().await?;
        if off {
            sqlx::query!(
                "INSERT IGNORE INTO rule_off (house_id, number) VALUES (?, ?)",
                actor.house_id,
                number
            )
            .execute(&mut *tx)
            .await?;
        } else {
            sqlx::query!("DELETE FROM rule_off WHERE house_id = ? AND number = ?", actor.house_id, number)
                .execute(&mut *tx)
                .await?;
        }
        audit::record(&mut tx, actor, "saved", ("rule", actor.house_id), None).await?;
        tx.commit().await?;
        Ok(())
    }

    /// Takes a side in a dispute, or none.
    pub async fn set_rule_side(
        &self,
        actor: &Actor,
        topic: &str,
        takes: Option<&str>,
    ) -> Result<(), StoreError> {
        let mut tx = self.pool.begin().await?;
        match takes {
            Some(takes) => {
                sqlx::query!(
                    "INSERT INTO rule_side (house_id, topic, takes) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE takes = ?",
                    actor.house_id,
                    topic,
                    takes,
                    takes
                )
                .execute(&mut *tx)
                .await?;
            }
            None => {
                sqlx::query!("DELETE FROM rule_side WHERE house_id = ? AND topic = ?", actor.house_id, topic)
                    .execute(&mut *tx)
                    .await?;
            }
        }
        audit::record(&mut tx, actor, "saved", ("rule", actor.house_id), None).await?;
        tx.commit().await?;
        Ok(())
    }
}
