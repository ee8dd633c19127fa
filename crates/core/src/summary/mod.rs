//! What a reading amounts to so far: shrinkage by zone, what is missing, and how sure the computed hair is.

mod change;
mod on_head;
mod unusual;
mod zone;

pub use change::{Change, ZoneChange, changes};
pub use on_head::{HeadMark, LandmarkPlace, MarkedAs};
pub use unusual::Unusual;
pub use zone::{Gap, ZoneSummary};

use crate::head::Zone;
use crate::reading::{Caution, GatheredHair, RawReading, cautions};
use serde::{Deserialize, Serialize};
use unusual::unusual;
use zone::one_patch;

/// Shares of length that left and right may differ by before it is worth saying: more than strands of one zone do.
const SIDES_DIFFER: f64 = 0.08;

/// A reading in short.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ReadingSummary {
    /// Every zone in walking order; both halves of one that is read in halves.
    pub zones: Vec<ZoneSummary>,
    /// How many of them are known well enough to compute with.
    pub complete: u32,
    /// Left minus right shrinkage, when both are read and differ by more than strands of one zone do.
    pub sides_differ_by: Option<f64>,
    /// What is unusual.
    pub unusual: Vec<Unusual>,
    /// How far the hair is full, from girths without faults.
    pub gathered: Option<GatheredHair>,
    /// What to be careful about, the gravest first.
    pub cautions: Vec<Caution>,
    /// Weak spots and swirls where they lie on this client's head; none where its measures contradict each other.
    pub marks: Vec<HeadMark>,
    /// Points that marks can be put to; none there, either.
    pub landmarks: Vec<LandmarkPlace>,
}

/// Sums up a reading that has been checked; zones with faults count as not read.
pub fn summarise(reading: &RawReading) -> ReadingSummary {
    let zones: Vec<_> = reading.patches().map(|patch| one_patch(reading, patch)).collect();
    let complete = zones.iter().filter(|z| z.shrinkage.is_some()).count();
    // A side that is read in halves counts by their mean.
    let shrinkage_of = |side: Zone| {
        let read = zones.iter().filter(|zone| zone.patch.zone == side).filter_map(|zone| zone.shrinkage);
        let (sum, count) = read.fold((0.0, 0), |(sum, count), share| (sum + share, count + 1));
        (count > 0).then(|| sum / f64::from(count))
    };
    let sides_differ_by = shrinkage_of(Zone::LeftSide)
        .zip(shrinkage_of(Zone::RightSide))
        .map(|(left, right)| left - right)
        .filter(|difference| difference.abs() > SIDES_DIFFER);
    let gathered = reading.gathered();
    let unusual = unusual(&zones, gathered.as_ref(), reading);
    let head = on_head::head_of(reading);
    ReadingSummary {
        unusual,
        zones,
        complete: complete as u32,
        sides_differ_by,
        gathered,
        cautions: cautions(&reading.spots),
        marks: head.as_ref().map(|head| on_head::marks(reading, head)).unwrap_or_default(),
        landmarks: head.as_ref().map(on_head::places).unwrap_or_default(),
    }
}
