//! Where worn hair ends.

use super::field::{all_worn, bundles};
use crate::hair::{Hair, Lengths};
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

/// The ends of all hair, worn at these fibre lengths.
pub fn ends(hair: &Hair, lengths: &[Lengths]) -> Vec<End> {
    let of = |(strand, worn)| {
        bundles(&hair.strands[strand], worn).into_iter().map(move |bundle| End {
            strand,
            at: hair.drapes[strand].place(bundle.ends_mm),
            room_mm2: bundle.room_mm2,
        })
    };
    all_worn(hair, lengths).iter().enumerate().flat_map(of).collect()
}
