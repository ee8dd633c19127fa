//! What a reading amounts to so far: shrinkage by zone, what is missing, and how sure the computed hair is.

use super::spot::cautions;
use super::{Caution, GatheredHair, RawReading, Zone, ZoneReading, gathered, girth};
use crate::fibre::WornStyle;
use crate::learn;
use serde::{Deserialize, Serialize};

/// Shares of length that left and right may differ by before it is worth saying: more than strands of one zone do.
const SIDES_DIFFER: f64 = 0.08;

/// Something a zone still lacks.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Gap {
    /// No stretched length: no mark can be computed.
    Stretched,
    /// No sprung length: no mark can be computed.
    Sprung,
    /// No fibre width: medium is assumed.
    Width,
}

/// One zone of a reading.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ZoneSummary {
    /// Which zone.
    pub zone: Zone,
    /// What is missing.
    pub gaps: Vec<Gap>,
    /// Share of length lost when let go, 0 to 1.
    pub shrinkage: Option<f64>,
    /// Loop radius the measures point to, mm.
    pub loop_radius_mm: Option<f64>,
    /// One standard error of the worn length this hair would be computed to have at its present length, mm.
    pub worn_sd_mm: Option<f64>,
}

/// A reading in short.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ReadingSummary {
    /// Every zone in walking order.
    pub zones: Vec<ZoneSummary>,
    /// How many zones are complete.
    pub complete: u32,
    /// Left minus right shrinkage, when both are read and differ by more than strands of one zone do.
    pub sides_differ_by: Option<f64>,
    /// How far the hair is full, from girths without faults.
    pub gathered: Option<GatheredHair>,
    /// What to be careful about, the gravest first.
    pub cautions: Vec<Caution>,
}

/// Sums up a reading that has been checked; zones with faults count as not read.
pub fn summarise(reading: &RawReading) -> ReadingSummary {
    let shrinkage_of = |zone: Zone| {
        let complete = reading.zones.get(&zone).and_then(|raw| ZoneReading::try_from(raw).ok());
        complete.map(|z| z.shrinkage())
    };
    let zones: Vec<_> = Zone::ALL.into_iter().map(|zone| one_zone(reading, zone)).collect();
    let complete = zones.iter().filter(|z| z.shrinkage.is_some()).count();
    let sides_differ_by = shrinkage_of(Zone::LeftSide)
        .zip(shrinkage_of(Zone::RightSide))
        .map(|(left, right)| left - right)
        .filter(|difference| difference.abs() > SIDES_DIFFER);
    let gathered = girth::check(&reading.girths).ok().and_then(|()| gathered(&reading.girths));
    ReadingSummary {
        zones,
        complete: complete as u32,
        sides_differ_by,
        gathered,
        cautions: cautions(&reading.spots),
    }
}

fn one_zone(reading: &RawReading, zone: Zone) -> ZoneSummary {
    let raw = reading.zones.get(&zone).copied().unwrap_or_default();
    let mut gaps = Vec::new();
    if raw.stretched_mm.is_none() {
        gaps.push(Gap::Stretched);
    }
    if raw.sprung_mm.is_none() {
        gaps.push(Gap::Sprung);
    }
    if raw.width_um.is_none() && raw.width_class.is_none() {
        gaps.push(Gap::Width);
    }
    let read = ZoneReading::try_from(&raw).ok();
    let belief = read.as_ref().map(learn::fit);
    ZoneSummary {
        zone,
        gaps,
        shrinkage: read.map(|z| z.shrinkage()),
        loop_radius_mm: belief.as_ref().map(|b| b.model().loop_radius_mm),
        worn_sd_mm: belief
            .zip(read)
            .map(|(b, z)| b.sd_of(|model| model.worn_mm(z.stretched_mm, WornStyle::AsItSprings))),
    }
}
