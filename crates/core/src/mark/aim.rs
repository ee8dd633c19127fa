//! Where the hair should land, zone by zone, in points of face and body.

use super::reasons::default_risk;
use super::request::{RISKS, TARGET_MM};
use crate::error::{FieldErrors, Problem};
use crate::fall::{Fall, ZoneFall};
use crate::fibre::WornStyle;
use crate::grow::ZonePaths;
use crate::head::{Measures, Place, Zone};
use crate::message::Message;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// Widths that can be wished, mm, and how many.
const WIDTH_MM: (f64, f64) = (60.0, 900.0);
const MOST_WIDTHS: usize = 6;
/// How far light may come through the ends, mm, and in how many other ways hair may be worn.
const ENDS_MM: (f64, f64) = (0.0, 200.0);
const MOST_WAYS: usize = 3;

/// The wish for one zone: where its hair should land, or, where it stands up and comes down to no point, how long it should be
/// worn.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct ZoneAim {
    /// Where the worn hair should land.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub lands: Option<Place>,
    /// The shortest place that would be accepted.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub shortest: Option<Place>,
    /// How long it should be worn, mm, 2 to 2,000, instead of where it should land.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub worn_mm: Option<f64>,
    /// The shortest worn length that would be accepted, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub shortest_worn_mm: Option<f64>,
}

/// The aim as it is saved.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields, default)]
pub struct Aim {
    /// Chance the client takes that a zone comes out shorter than wished, 0.001 to 0.5.
    pub risk: f64,
    /// Whether the face should stay open: no weight beside it.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    pub open_face: bool,
    /// Wishes so far.
    pub zones: BTreeMap<Zone, ZoneAim>,
    /// How wide the outline should be seen from the front, by height; at most six.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub widths: Vec<WidthAim>,
    /// How far light may come through the ends, mm of worn length, 0 to 200: full ends are kept.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub ends_mm: Option<f64>,
    /// Other ways in which the hair is worn: a plan is held against its findings in each of them; at most three.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub also_worn: Vec<WornStyle>,
}

/// How wide the outline should be at a height.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct WidthAim {
    /// Where.
    pub at: Place,
    /// How wide, mm, 60 to 900.
    pub width_mm: f64,
}

impl Default for Aim {
    fn default() -> Self {
        Self {
            risk: default_risk(),
            open_face: false,
            zones: BTreeMap::new(),
            widths: Vec::new(),
            ends_mm: None,
            also_worn: Vec::new(),
        }
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
            faults.take(&format!("zones.{}", zone.key()), aim.check());
        }
        if self.widths.len() > MOST_WIDTHS {
            faults.push("widths", Problem::too_many(MOST_WIDTHS));
        }
        for (i, width) in self.widths.iter().enumerate() {
            faults.take(&format!("widths.{i}.at"), width.at.check());
            faults.range(&format!("widths.{i}.width_mm"), width.width_mm, WIDTH_MM, "mm");
        }
        if let Some(ends) = self.ends_mm {
            faults.range("ends_mm", ends, ENDS_MM, "mm");
        }
        if self.also_worn.len() > MOST_WAYS {
            faults.push("also_worn", Problem::too_many(MOST_WAYS));
        }
        faults.or(())
    }
}

impl Aim {
    /// By how much wishes are missed, root mean square over the zones that have one, mm; none where nothing is wished.
    pub fn missed_mm(&self, now: &Fall, before: &Fall, measures: &Measures) -> Option<f64> {
        let of = |fall: &Fall, zone: Zone| fall.zones.iter().find(|known| known.zone == zone).copied();
        let off: Vec<f64> = self
            .zones
            .iter()
            .filter_map(|(zone, wish)| wish.lacks_mm(&of(now, *zone)?, &of(before, *zone)?, measures))
            .collect();
        let sum: f64 = off.iter().map(|off| off * off).sum();
        (!off.is_empty()).then(|| (sum / off.len() as f64).sqrt())
    }
}

impl ZoneAim {
    /// By how much a zone is shorter than wished, mm. Hair that was too short before is held against what it was: no cut makes it
    /// longer.
    pub fn lacks_mm(&self, now: &ZoneFall, before: &ZoneFall, measures: &Measures) -> Option<f64> {
        match (self.lands, self.worn_mm) {
            (Some(place), _) => Some(now.ends_at_mm - place.height_mm(measures).max(before.ends_at_mm)),
            (None, worn) => Some(worn?.min(before.worn_mm) - now.worn_mm),
        }
    }

    /// A wish to land at a place.
    pub fn landing(lands: Place) -> Self {
        Self { lands: Some(lands), ..Self::default() }
    }

    /// Whether there is a shortest length that would be accepted.
    pub fn is_bounded(&self) -> bool {
        self.shortest.is_some() || self.shortest_worn_mm.is_some()
    }

    fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        for (field, place) in [("lands", self.lands), ("shortest", self.shortest)] {
            if let Some(place) = place {
                faults.take(field, place.check());
            }
        }
        for (field, mm) in [("worn_mm", self.worn_mm), ("shortest_worn_mm", self.shortest_worn_mm)] {
            if let Some(mm) = mm {
                faults.range(field, mm, TARGET_MM, "mm");
            }
        }
        let mut alone = |field: &str, other: &str| {
            faults.push(field, Message::new("fault-two-wishes").with("other", other).into());
        };
        match (self.lands, self.worn_mm) {
            (None, None) => faults.push("lands", Problem::Missing),
            (Some(_), Some(_)) => alone("worn_mm", "lands"),
            (Some(_), None) if self.shortest_worn_mm.is_some() => alone("shortest_worn_mm", "lands"),
            (None, Some(_)) if self.shortest.is_some() => alone("shortest", "worn_mm"),
            _ => {}
        }
        faults.or(())
    }

    /// The worn lengths this wish, which has been checked, asks for of the hair of a zone.
    pub(super) fn worn(&self, hair: &ZonePaths, measures: &Measures) -> Result<WornAim, FieldErrors> {
        let mut faults = FieldErrors::default();
        let mut length = |field: &str, place: Place| {
            let worn = hair.worn_to_height_mm(place.height_mm(measures));
            if worn.is_none_or(|mm| mm < TARGET_MM.0) {
                faults.push(field, Problem::contradicts("fault-above-zone"));
            }
            worn.unwrap_or_default()
        };
        let target_mm = self.worn_mm.or_else(|| self.lands.map(|place| length("lands", place)));
        let shortest_mm =
            self.shortest_worn_mm.or_else(|| self.shortest.map(|place| length("shortest", place)));
        let target_mm = target_mm.unwrap_or_default();
        if shortest_mm.is_some_and(|shortest| shortest > target_mm) {
            let (field, other) =
                if self.lands.is_some() { ("shortest", "lands") } else { ("shortest_worn_mm", "worn_mm") };
            faults.push(field, Problem::LongerThan { other: other.into() });
        }
        faults.or(WornAim { target_mm, shortest_mm })
    }
}
