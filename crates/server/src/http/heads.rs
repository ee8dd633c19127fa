//! Heads of hair that were grown lately. While a cut is edited the head stays the same, and growing it costs more than
//! cutting it.

use spirel_core::FieldErrors;
use spirel_core::grow::{HairNow, HairRequest};
use spirel_core::hair::Hair;
use spirel_core::plan::Cure;
use spirel_core::plan::{FallAnswer, FallRequest};
use std::collections::VecDeque;
use std::sync::{Arc, Mutex, PoisonError};

/// Heads kept; docs/performance.md says what one takes.
const KEPT: usize = 4;

/// A head with its hair as it is.
struct Grown {
    hair: Hair,
    now: HairNow,
}

/// The heads kept, the one asked for last in front.
#[derive(Default)]
pub struct GrownHeads(Mutex<VecDeque<(HairRequest, Arc<Grown>)>>);

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

    /// The hair of a head as it is.
    pub fn now(&self, request: HairRequest) -> Result<HairNow, FieldErrors> {
        Ok(self.head(request)?.now.clone())
    }

    fn head(&self, wanted: HairRequest) -> Result<Arc<Grown>, FieldErrors> {
        if let Some(kept) = self.kept(&wanted) {
            return Ok(kept);
        }
        let hair = wanted.grow()?;
        let now = HairNow::of(&hair, &wanted.reading);
        let grown = Arc::new(Grown { hair, now });
        let mut heads = self.0.lock().unwrap_or_else(PoisonError::into_inner);
        heads.push_front((wanted, grown.clone()));
        heads.truncate(KEPT);
        Ok(grown)
    }

    fn kept(&self, wanted: &HairRequest) -> Option<Arc<Grown>> {
        let mut heads = self.0.lock().unwrap_or_else(PoisonError::into_inner);
        let at = heads.iter().position(|(request, _)| request == wanted)?;
        let found = heads.remove(at)?;
        let grown = found.1.clone();
        heads.push_front(found);
        Some(grown)
    }
}
