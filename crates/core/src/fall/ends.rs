//! Where worn hair ends.

use super::AsWorn;
use super::field::bundle;
use crate::hair::Hair;
use crate::head::Vec3;

/// Ends of a strand that lie together.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct End {
    /// Which strand.
    pub strand: usize,
    /// Where, mm.
    pub at: Vec3,
    /// Horizontal section of the room that the hair ending here takes, mm².
    pub room_mm2: f64,
}

/// The ends of all hair as it is worn.
pub fn ends(hair: &Hair, worn: &AsWorn) -> Vec<End> {
    let mut bundles = Vec::new();
    let mut ends = Vec::new();
    for (strand, worn) in worn.0.iter().enumerate() {
        bundle(&hair.strands[strand], worn, hair.frizz, &mut bundles);
        ends.extend(bundles.iter().map(|bundle| End {
            strand,
            at: hair.drapes[strand].place(bundle.ends_mm),
            room_mm2: bundle.room_mm2,
        }));
    }
    ends
}
