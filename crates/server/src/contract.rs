//! What the browser has to know of the rules and can't see from the types: the defaults, and how zones are halved. It is
//! written beside the types that are generated for it (`make contract`), and a test fails when it differs from the program.

use serde::Serialize;
use spirel_core::head::{Growth, Halving, MOST_GROWTHS, Patch, Zone, ZoneHalf};
use spirel_core::reading::{RawZoneReading, Spot, ranges};
use spirel_core::stage::StageDocuments;
use utoipa::ToSchema;

/// A zone or a half of one, and what it is made of.
#[derive(Debug, Serialize, ToSchema)]
pub struct PatchRule {
    /// Its name.
    patch: Patch,
    /// The zone it belongs to.
    zone: Zone,
    /// Which half of it.
    half: Option<ZoneHalf>,
    /// The way in which the zone is halved for it.
    halving: Option<Halving>,
    /// The zone on the other side, for zones that have one.
    mirrored: Option<Zone>,
}

/// How many entries lists of a reading may have.
#[derive(Debug, Serialize, ToSchema)]
pub struct Most {
    /// Weak spots.
    spots: usize,
    /// Whorls and cowlicks.
    growths: usize,
    /// Girths of the gathered hair.
    girths: usize,
    /// Strands laid on combs.
    combs: usize,
    /// Sharp edges.
    edges: usize,
    /// Strands of a zone beside the first.
    strands: usize,
}

/// Rules that the browser shares with the program.
#[derive(Debug, Serialize, ToSchema)]
pub struct Contract {
    /// What each stage holds before it is begun.
    stages: StageDocuments,
    /// What is kept of a zone as soon as anything is said of it.
    zone: RawZoneReading,
    /// A weak spot as it begins.
    spot: Spot,
    /// A whorl or cowlick as it begins.
    growth: Growth,
    /// How many entries lists of a reading may have.
    most: Most,
    /// Every zone and every half that one can be read in, in walking order.
    patches: Vec<PatchRule>,
}

impl Default for Contract {
    fn default() -> Self {
        let rule = |(patch, halving): (Patch, Option<Halving>)| PatchRule {
            patch,
            zone: patch.zone,
            half: patch.half,
            halving,
            mirrored: patch.zone.mirrored(),
        };
        Self {
            stages: StageDocuments::default(),
            zone: RawZoneReading::default(),
            spot: Spot::default(),
            growth: Growth::default(),
            most: Most {
                spots: ranges::MOST_SPOTS,
                growths: MOST_GROWTHS,
                girths: ranges::MOST_GIRTHS,
                combs: ranges::MOST_COMBS,
                edges: ranges::MOST_EDGES,
                strands: ranges::MOST_STRANDS,
            },
            patches: Zone::ALL.into_iter().flat_map(Zone::patches).map(rule).collect(),
        }
    }
}
