//! What was measured on the client's hair, zone by zone.
//!
//! A reading is saved while it is being taken, so the document ([`RawReading`]) may have gaps; what is there must be
//! possible. A zone that is complete becomes a [`ZoneReading`], the only form the computations accept.

mod again;
mod comb_reading;
mod curl;
mod edge;
mod figure;
mod girth;
mod instrument;
mod line;
pub mod most;
mod room;
mod source;
mod spot;
mod strands;
mod surface;
mod together;
mod tone;
mod width_class;
mod worn_width;
mod zone;
mod zone_reading;

pub use again::{Again, StrandPair};
pub use comb_reading::CombReading;
pub use curl::{CurlPicture, CurlWord, curl_pictures};
pub use edge::SharpEdge;
pub use figure::{FigureKind, Quantity, Rule, ZoneFigure};
pub use girth::{GatheredHair, Girth, gathered};
pub use instrument::{Measured, TakeRequest, Taken, TakenField};
pub use line::{LineAt, LinePoint};
pub use room::RoomAir;
pub use source::{Source, Sources};
pub(crate) use spot::cautions;
pub use spot::{Caution, Spot, SpotKind};
pub use surface::{Feel, HairSurface, Soaks};
pub use tone::{HairColour, HairTone};
pub use width_class::WidthClass;
pub use worn_width::WornWidth;
pub use zone::RawZoneReading;
pub(crate) use zone_reading::WORTH_MEASURING;
pub use zone_reading::{CurlSeen, ZoneReading};

use crate::constants::HAIRS_PER_CM2;
use crate::error::FieldErrors;
use crate::head::{Growth, PartLine, Patch, RawMeasures, SkullForm};
use crate::member::identified;
use serde::{Deserialize, Serialize};
use std::collections::{BTreeMap, BTreeSet};

/// A whole reading as it is saved and exchanged. Left and right are read apart.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RawReading {
    /// Tape measures of head, face and neck; ordinary adult means stand in for what is not given.
    #[serde(default)]
    pub measures: RawMeasures,
    /// What the hand feels of the skull.
    #[serde(default, alias = "felt", skip_serializing_if = "is_usual")]
    pub skull: SkullForm,
    /// Where the hair splits by itself, or is parted.
    #[serde(default, skip_serializing_if = "is_usual")]
    pub part: PartLine,
    /// Where it grows a way of its own: swirls and cowlicks; at most 12 places.
    #[serde(default, deserialize_with = "identified", skip_serializing_if = "Vec::is_empty")]
    pub growth: Vec<Growth>,
    /// Hairs on a square centimetre where none were counted, 20 to 500.
    #[serde(default = "usual_density")]
    pub hairs_per_cm2: f64,
    /// How much the ends thin out as they are, 0 (blunt) to 0.8: how much shorter the shortest eighth is.
    #[serde(default)]
    pub taper: f64,
    /// What was measured in each zone so far. A zone of which a half is named is read in halves.
    #[serde(default)]
    pub zones: BTreeMap<Patch, RawZoneReading>,
    /// Girths of all hair gathered in one bundle, from the tie down; at most six.
    #[serde(default, deserialize_with = "identified", skip_serializing_if = "Vec::is_empty")]
    pub girths: Vec<Girth>,
    /// Where the worn line lies now, round the head.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub line: Vec<LinePoint>,
    /// How wide the worn hair stands at one height.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub worn_width: Option<WornWidth>,
    /// Strands laid on the stylist's own combs; at most twelve.
    #[serde(default, deserialize_with = "identified", skip_serializing_if = "Vec::is_empty")]
    pub combs: Vec<CombReading>,
    /// Where the hair of a zone ends sharply; at most eight.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub edges: Vec<SharpEdge>,
    /// The surface of the hair.
    #[serde(default, skip_serializing_if = "HairSurface::is_empty")]
    pub surface: HairSurface,
    /// The air in the room while it was read.
    #[serde(default, skip_serializing_if = "RoomAir::is_empty")]
    pub room: RoomAir,
    /// Cautions that somebody has taken note of: who and when stands with the version that first has them.
    #[serde(default, skip_serializing_if = "BTreeSet::is_empty")]
    pub noted: BTreeSet<Caution>,
    /// Weak spots; at most twenty.
    #[serde(default, deserialize_with = "identified", skip_serializing_if = "Vec::is_empty")]
    pub spots: Vec<Spot>,
}

fn usual_density() -> f64 {
    HAIRS_PER_CM2.value
}

fn is_usual<T: Default + PartialEq>(value: &T) -> bool {
    *value == T::default()
}

/// How much shorter than the longest the shortest of a strand's shares can be.
const TAPER: (f64, f64) = (0.0, 0.8);

impl Default for RawReading {
    /// Nothing measured yet, on an ordinary head.
    fn default() -> Self {
        Self {
            measures: RawMeasures::default(),
            skull: SkullForm::default(),
            part: PartLine::default(),
            growth: Vec::new(),
            hairs_per_cm2: usual_density(),
            taper: 0.0,
            zones: BTreeMap::new(),
            girths: Vec::new(),
            line: Vec::new(),
            worn_width: None,
            combs: Vec::new(),
            edges: Vec::new(),
            surface: HairSurface::default(),
            room: RoomAir::default(),
            noted: BTreeSet::new(),
            spots: Vec::new(),
        }
    }
}

impl RawReading {
    /// How far the hair is full; none of girths with faults.
    pub fn gathered(&self) -> Option<GatheredHair> {
        girth::check(&self.girths).ok().and_then(|()| gathered(&self.girths))
    }

    /// Checks everything that is given, without asking for what is missing.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.take("measures", self.measures.check());
        faults.take("skull", self.skull.check());
        faults.take("part", self.part.check());
        faults.take("growth", Growth::check(&self.growth));
        let density = ZoneFigure::HairsPerCm2.rule();
        faults.range("hairs_per_cm2", self.hairs_per_cm2, density.range, density.unit);
        faults.range("taper", self.taper, TAPER, "");
        for (patch, reading) in &self.zones {
            faults.take(&format!("zones.{patch}"), reading.check());
        }
        faults.take("zones", self.check_together());
        if let Some(width) = &self.worn_width {
            faults.take("worn_width", width.check());
        }
        faults.0.extend(comb_reading::check(&self.combs).err().into_iter().flat_map(|found| found.0));
        faults.0.extend(self.check_edges().err().into_iter().flat_map(|found| found.0));
        faults.take("surface", self.surface.check());
        faults.take("room", self.room.check());
        for found in [girth::check(&self.girths), line::check(&self.line), Spot::check(&self.spots)] {
            faults.0.extend(found.err().into_iter().flat_map(|found| found.0));
        }
        faults.or(())
    }
}
