//! Where the hair should land, zone by zone, in points of face and body.

use super::reasons::default_risk;
use super::request::RISKS;
use crate::error::{FieldErrors, Problem};
use crate::hair::ZonePaths;
use crate::head::{Measures, Point};
use crate::reading::Zone;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// How far a place may lie from its point, mm.
const OFFSET_MM: (f64, f64) = (-150.0, 600.0);

/// A place on face or body: a point, or so far below it.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Place {
    /// The point.
    pub point: Point,
    /// How far below it, mm, −150 to 600 (below the waist there is no point); negative is above.
    #[serde(default)]
    pub below_mm: f64,
}

impl Place {
    /// Checks how far it lies from its point.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("below_mm", self.below_mm, OFFSET_MM, "mm");
        faults.or(())
    }

    /// Its height above the ear canals, mm.
    pub fn height_mm(&self, measures: &Measures) -> f64 {
        self.point.height_mm(measures) - self.below_mm
    }
}

/// The wish for one zone.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct ZoneAim {
    /// Where the worn hair should land.
    pub lands: Place,
    /// The shortest that would be accepted.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub shortest: Option<Place>,
}

/// The aim as it is saved.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields, default)]
pub struct Aim {
    /// Chance the client takes that a zone comes out shorter than wished, 0.001 to 0.5.
    pub risk: f64,
    /// Wishes so far.
    pub zones: BTreeMap<Zone, ZoneAim>,
}

impl Default for Aim {
    fn default() -> Self {
        Self { risk: default_risk(), zones: BTreeMap::new() }
    }
}

/// A zone's wish in worn lengths, mm.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(super) struct WornAim {
    pub target_mm: f64,
    pub shortest_mm: Option<f64>,
}

impl Aim {
    /// Checks ranges. Whether a zone can reach its point depends on the head and is checked with it.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("risk", self.risk, RISKS, "");
        for (zone, aim) in &self.zones {
            let field = |name: &str| format!("zones.{}.{name}", zone.key());
            faults.take(&field("lands"), aim.lands.check());
            if let Some(shortest) = aim.shortest {
                faults.take(&field("shortest"), shortest.check());
            }
        }
        faults.or(())
    }
}

impl ZoneAim {
    /// The worn lengths this wish asks for of the hair of a zone.
    pub(super) fn worn(&self, hair: &ZonePaths, measures: &Measures) -> Result<WornAim, FieldErrors> {
        let mut faults = FieldErrors::default();
        let mut length = |field: &str, place: Place| {
            let worn = hair.worn_to_height_mm(place.height_mm(measures));
            if worn.is_none_or(|mm| mm < super::request::TARGET_MM.0) {
                let why = "lies above where this zone's hair starts";
                faults.push(field, Problem::Contradicts { why: why.into() });
            }
            worn.unwrap_or_default()
        };
        let target_mm = length("lands", self.lands);
        let shortest_mm = self.shortest.map(|place| length("shortest", place));
        if shortest_mm.is_some_and(|shortest| shortest > target_mm) {
            faults.push("shortest", Problem::LongerThan { other: "lands".into() });
        }
        faults.or(WornAim { target_mm, shortest_mm })
    }
}
