//! Heads of hair that were grown lately. While a cut is edited the head stays the same, and growing it costs more than
//! cutting it.
//!
//! A head is fetched before work on it begins: work that waited for a head on the threads that grow heads could wait for itself.

use super::{ApiError, Asked, Lane};
use moka::future::Cache;
use moka::policy::EvictionPolicy;
use spirel_core::Unfinished;
use spirel_core::grow::{HairNow, HairRequest};
use spirel_core::hair::Hair;
use spirel_core::judge::Uncut;
use std::sync::Arc;

/// Heads kept; their size is in docs/performance.md.
const KEPT: u64 = 4;

/// A head with its hair as it is.
pub struct GrownHead {
    /// The head.
    pub hair: Hair,
    /// The hair as it is.
    pub now: HairNow,
    /// The same, as what a cut makes of it is held against.
    pub uncut: Uncut,
}

/// The heads asked for last, by what was asked. Requests for the same head wait for one growing of it.
pub struct GrownHeads(Cache<String, Arc<GrownHead>>);

impl Default for GrownHeads {
    fn default() -> Self {
        Self(Cache::builder().max_capacity(KEPT).eviction_policy(EvictionPolicy::lru()).build())
    }
}

impl GrownHeads {
    /// A head, grown on a lane only if it isn't kept.
    pub async fn head(
        &self,
        lane: &Lane,
        asked: &Asked,
        wanted: HairRequest,
    ) -> Result<Arc<GrownHead>, ApiError> {
        // Numbers are written so that they read back as themselves: what is written alike is alike.
        let key = serde_json::to_string(&wanted).map_err(|_| ApiError::Defect)?;
        loop {
            let wanted = wanted.clone();
            let grow = lane.run(asked, move |stop| -> Result<_, Unfinished> {
                let hair = wanted.grow_until(stop)?;
                stop.go_on()?;
                let now = HairNow::of(&hair, &wanted.reading);
                let uncut = Uncut::of(&hair, now.fall.clone());
                Ok(Arc::new(GrownHead { hair, now, uncut }))
            });
            let head = self.0.try_get_with_by_ref(&key, grow).await;
            // Heads are large: what is one too many goes at once.
            self.0.run_pending_tasks().await;
            match head {
                Ok(head) => return Ok(head),
                // Whoever grew it gave up, or had spent its budget in waiting: who still waits grows it.
                Err(refused) if matches!(*refused, ApiError::Superseded) && !asked.has_ended() => {}
                Err(refused) => return Err((*refused).clone()),
            }
        }
    }
}
