//! Heads of hair that were grown lately. While a cut is edited the head stays the same, and growing it costs more than
//! cutting it.

use moka::policy::EvictionPolicy;
use moka::sync::Cache;
use spirel_core::FieldErrors;
use spirel_core::grow::{HairNow, HairRequest};
use spirel_core::hair::Hair;
use spirel_core::lock::Lock;
use spirel_core::plan::{
    Cure, FallAnswer, FallRequest, LocksRequest, PartedRequest, PartedSection, SectionPicture,
};
use std::sync::Arc;

/// Heads kept; their size is in docs/performance.md.
const KEPT: u64 = 4;

/// A head with its hair as it is.
struct GrownHead {
    hair: Hair,
    now: HairNow,
}

/// The heads asked for last, by what was asked. Requests for the same head wait for one growing of it.
pub struct GrownHeads(Cache<String, Arc<GrownHead>>);

impl Default for GrownHeads {
    fn default() -> Self {
        Self(Cache::builder().max_capacity(KEPT).eviction_policy(EvictionPolicy::lru()).build())
    }
}

impl GrownHeads {
    /// A plan's fall, on a head that is grown only if it isn't kept.
    pub fn answer(&self, request: &FallRequest) -> Result<FallAnswer, FieldErrors> {
        let head = self.head(request.head())?;
        request.answer_on(&head.hair, &head.now.fall)
    }

    /// What would cure what is found about a plan, on such a head.
    pub fn cures(&self, request: &FallRequest) -> Result<Vec<Cure>, FieldErrors> {
        request.cures_on(&self.head(request.head())?.hair)
    }

    /// A plan as a scene, on such a head.
    pub fn scene(&self, request: &FallRequest) -> Result<Vec<u8>, FieldErrors> {
        request.scene_on(&self.head(request.head())?.hair)
    }

    /// The locks of its hair, on such a head.
    pub fn locks(&self, request: &LocksRequest) -> Result<Vec<Lock>, FieldErrors> {
        let mut faults = FieldErrors::default();
        let Some(head) = faults.take("on", self.head(request.on.head())) else { return Err(faults) };
        request.answer_on(&head.hair)
    }

    /// The sections that have names, on such a head.
    pub fn sections(&self, request: HairRequest) -> Result<Vec<SectionPicture>, FieldErrors> {
        self.head(request)?.hair.named_sections()
    }

    /// A section with its partings, on such a head.
    pub fn parted(&self, request: &PartedRequest) -> Result<PartedSection, FieldErrors> {
        let mut faults = FieldErrors::default();
        let Some(head) = faults.take("on", self.head(request.on.clone())) else { return Err(faults) };
        request.answer_on(&head.hair)
    }

    /// The hair of a head as it is.
    pub fn now(&self, request: HairRequest) -> Result<HairNow, FieldErrors> {
        Ok(self.head(request)?.now.clone())
    }

    fn head(&self, wanted: HairRequest) -> Result<Arc<GrownHead>, FieldErrors> {
        let grow = || {
            let hair = wanted.grow()?;
            let now = HairNow::of(&hair, &wanted.reading);
            Ok(Arc::new(GrownHead { hair, now }))
        };
        // Numbers are written so that they read back as themselves: what is written alike is alike.
        let Ok(asked) = serde_json::to_string(&wanted) else { return grow() };
        let head = self.0.try_get_with(asked, grow).map_err(|faults: Arc<FieldErrors>| (*faults).clone());
        // Heads are large: what is one too many goes at once.
        self.0.run_pending_tasks();
        head
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use spirel_core::head::Zone;
    use spirel_core::reading::{RawReading, RawZoneReading};

    fn asked(sprung_mm: f64) -> HairRequest {
        let zones = [(Zone::Top.into(), RawZoneReading::measured(300.0, sprung_mm))].into();
        HairRequest { roots: 256, ..HairRequest::new(RawReading { zones, ..RawReading::default() }) }
    }

    #[test]
    fn a_head_is_kept_until_four_others_were_asked_for_and_one_that_cannot_be_is_not() {
        let heads = GrownHeads::default();
        let first = heads.head(asked(200.0)).expect("possible");
        assert!(Arc::ptr_eq(&first, &heads.head(asked(200.0)).expect("possible")), "kept");
        for sprung_mm in [210.0, 220.0, 230.0, 240.0] {
            heads.head(asked(sprung_mm)).expect("possible");
        }
        assert_eq!(heads.0.entry_count(), KEPT);
        assert!(!Arc::ptr_eq(&first, &heads.head(asked(200.0)).expect("possible")), "grown again");
        assert!(heads.head(asked(310.0)).is_err(), "longer let go than stretched");
    }

    #[test]
    fn those_who_ask_at_once_wait_for_one_growing() {
        let heads = GrownHeads::default();
        let all: Vec<_> = std::thread::scope(|scope| {
            let ask = || heads.head(asked(200.0)).expect("possible");
            let threads: Vec<_> = (0..4).map(|_| scope.spawn(ask)).collect();
            threads.into_iter().map(|thread| thread.join().expect("it ended")).collect()
        });
        assert!(all.iter().all(|head| Arc::ptr_eq(head, &all[0])));
    }
}
