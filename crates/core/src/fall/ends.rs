//! Where worn hair ends.

use super::AsWorn;
use crate::hair::Hair;
use crate::head::Vec3;

/// Ends of a strand that lie together.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct End {
    /// Which strand.
    pub strand: usize,
    /// Where, mm.
    pub at: Vec3,
    /// Horizontal section of the room that the hair ending here takes, mm², on the mean over its length.
    pub room_mm2: f64,
}

/// The ends of all hair as it is worn.
pub fn ends(hair: &Hair, worn: &AsWorn) -> Vec<End> {
    let mut ends = Vec::with_capacity(worn.0.len());
    for (strand, worn) in worn.0.iter().enumerate() {
        for (first, many) in worn.bundles() {
            let room_mm2 = many as f64 * worn.mean_room_mm2(hair, strand, first);
            ends.push(End { strand, at: worn.end(hair, strand, first), room_mm2 });
        }
    }
    ends
}
