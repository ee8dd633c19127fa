//! Where worn hair ends.

use super::AsWorn;
use super::worn::Worn;
use crate::hair::{Hair, SHARES};
use crate::head::Vec3;
use rayon::prelude::*;

/// Ends of a strand that lie together.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct End {
    /// Which strand.
    pub strand: usize,
    /// How long the hair that ends here is worn, mm.
    pub worn_mm: f64,
    /// Where, mm.
    pub at: Vec3,
    /// Horizontal section of the volume that the hair ending here takes, mm², on the mean over its length.
    pub volume_mm2: f64,
    /// How many hairs.
    pub hairs: f64,
}

/// The ends of all hair as it is worn.
pub fn ends(hair: &Hair, worn: &AsWorn) -> Vec<End> {
    let strands = worn.0.par_iter().with_min_len(64).enumerate();
    strands.flat_map_iter(|(strand, worn)| ends_of(hair, strand, worn)).collect()
}

/// Those of one strand, from short to long.
pub(crate) fn ends_of<'a>(hair: &'a Hair, strand: usize, worn: &'a Worn) -> impl Iterator<Item = End> + 'a {
    worn.bundles().map(move |(first, many)| End {
        strand,
        worn_mm: worn.lengths[first],
        at: worn.end(hair, strand, first),
        volume_mm2: many * worn.mean_room_mm2(hair, strand, first),
        hairs: many / SHARES as f64 * hair.strands[strand].hairs,
    })
}
