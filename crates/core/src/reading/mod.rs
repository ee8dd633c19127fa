//! What was measured on the client's hair, zone by zone.
//!
//! A reading is saved while it is being taken, so the document ([`RawReading`]) may have gaps; what is there must be
//! possible. A zone that is complete becomes a [`ZoneReading`], the only form the computations accept.

mod girth;
mod instrument;
mod source;
mod spot;
mod summary;
mod zone;

pub use girth::{GatheredHair, Girth, gathered};
pub use instrument::{Measured, Quantity, RoomAir, TakeRequest, Taken, TakenField};
pub use source::{Source, Sources};
pub use spot::{Caution, Spot, SpotKind};
pub use summary::{Gap, ReadingSummary, ZoneSummary, summarise};
pub(crate) use zone::DENSITY;
pub use zone::{RawZoneReading, WidthClass, Zone, ZoneReading};

use crate::error::FieldErrors;
use crate::head::RawMeasures;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// A whole reading as it is saved and exchanged. Left and right are read apart.
#[derive(Debug, Clone, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RawReading {
    /// Tape measures of head, face and neck; ordinary adult means stand in for what is not given.
    #[serde(default)]
    pub measures: RawMeasures,
    /// What was measured in each zone so far.
    #[serde(default)]
    pub zones: BTreeMap<Zone, RawZoneReading>,
    /// Girths of all hair gathered in one bundle, from the tie down; at most six.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub girths: Vec<Girth>,
    /// The air in the room while it was read.
    #[serde(default, skip_serializing_if = "RoomAir::is_empty")]
    pub room: RoomAir,
    /// Weak spots; at most twenty.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub spots: Vec<Spot>,
}

impl RawReading {
    /// Checks everything that is given, without asking for what is missing.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.take("measures", self.measures.check());
        for (zone, reading) in &self.zones {
            faults.take(&format!("zones.{}", zone.key()), reading.check());
        }
        faults.take("room", self.room.check());
        for found in [girth::check(&self.girths), Spot::check(&self.spots)] {
            faults.0.extend(found.err().into_iter().flat_map(|found| found.0));
        }
        faults.or(())
    }
}
