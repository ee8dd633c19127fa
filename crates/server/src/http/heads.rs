//! Heads of hair that were grown lately. While a cut is edited the head stays the same, and growing it costs more than
//! cutting it.

use spirel_core::FieldErrors;
use spirel_core::fall::{Fall, fall};
use spirel_core::hair::{Hair, HairRequest};
use spirel_core::plan::{FallAnswer, FallRequest, fault_of_plan};
use std::collections::VecDeque;
use std::sync::{Arc, Mutex, PoisonError};

/// Heads kept; docs/performance.md says what one takes.
const KEPT: usize = 4;

/// A head with the fall of its hair as it is.
struct Grown {
    hair: Hair,
    before: Fall,
}

/// The heads kept, the one asked for last in front.
#[derive(Default)]
pub struct GrownHeads(Mutex<VecDeque<(HairRequest, Arc<Grown>)>>);

impl GrownHeads {
    /// A plan's fall, on a head that is grown only if it isn't kept.
    pub fn answer(&self, request: &FallRequest) -> Result<FallAnswer, FieldErrors> {
        let head = self.head(request.head()).map_err(fault_of_plan)?;
        request.answer_on(&head.hair, &head.before)
    }

    /// A plan as a scene, on such a head.
    pub fn scene(&self, request: &FallRequest) -> Result<Vec<u8>, FieldErrors> {
        request.scene_on(&self.head(request.head()).map_err(fault_of_plan)?.hair)
    }

    fn head(&self, wanted: HairRequest) -> Result<Arc<Grown>, FieldErrors> {
        if let Some(kept) = self.kept(&wanted) {
            return Ok(kept);
        }
        let hair = wanted.grow()?;
        let before = fall(&hair, &hair.lengths);
        let grown = Arc::new(Grown { hair, before });
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
