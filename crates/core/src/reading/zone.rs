//! The zones of the head and what is measured in one of them.

use super::Sources;
use crate::constants::{TAPE_SD_MM, WIDTH_COARSE_UM, WIDTH_FINE_UM, WIDTH_MEDIUM_UM};
use crate::error::{FieldErrors, Problem};
use crate::fibre::Moisture;
use serde::de::Error;
use serde::{Deserialize, Deserializer, Serialize};
use std::borrow::Cow;

/// The zones read one at a time, in walking order round the head: front, left, back, right.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Zone {
    /// Front hairline between the temples.
    Fringe,
    /// From behind the fringe to the crown.
    Top,
    /// Where the hair turns.
    Crown,
    /// Client's left, above the ear.
    LeftSide,
    /// Back of the head above the occipital bone.
    BackUpper,
    /// Back of the head below the occipital bone.
    BackLower,
    /// The hairline at the neck.
    Nape,
    /// Client's right, above the ear.
    RightSide,
}

impl Zone {
    /// Every zone in walking order.
    pub const ALL: [Self; 8] = [
        Self::Fringe,
        Self::Top,
        Self::Crown,
        Self::LeftSide,
        Self::BackUpper,
        Self::BackLower,
        Self::Nape,
        Self::RightSide,
    ];

    /// The name used in documents.
    pub fn key(self) -> &'static str {
        match self {
            Self::Fringe => "fringe",
            Self::Top => "top",
            Self::Crown => "crown",
            Self::LeftSide => "left_side",
            Self::BackUpper => "back_upper",
            Self::BackLower => "back_lower",
            Self::Nape => "nape",
            Self::RightSide => "right_side",
        }
    }

    /// The zone of that name.
    fn of_key(key: &str) -> Option<Self> {
        Self::ALL.into_iter().find(|zone| zone.key() == key)
    }

    /// The zone on the other side, for those that have one.
    pub fn mirrored(self) -> Option<Self> {
        match self {
            Self::LeftSide => Some(Self::RightSide),
            Self::RightSide => Some(Self::LeftSide),
            _ => None,
        }
    }
}

impl<'de> Deserialize<'de> for Zone {
    /// Read as text, not as an enum: only so do readers that report the path of a fault see the name of the zone.
    fn deserialize<D: Deserializer<'de>>(deserializer: D) -> Result<Self, D::Error> {
        const KNOWN: &[&str] =
            &["fringe", "top", "crown", "left_side", "back_upper", "back_lower", "nape", "right_side"];
        let key = Cow::<str>::deserialize(deserializer)?;
        Self::of_key(&key).ok_or_else(|| D::Error::unknown_variant(&key, KNOWN))
    }
}

/// Fibre width by feel.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum WidthClass {
    /// Under 60 µm: hardly felt between the fingers.
    Fine,
    /// 60 to 80 µm.
    Medium,
    /// Over 80 µm: felt like a thread.
    Coarse,
}

impl WidthClass {
    /// Diameter that stands for the class, µm.
    pub fn diameter_um(self) -> f64 {
        match self {
            Self::Fine => WIDTH_FINE_UM.value,
            Self::Medium => WIDTH_MEDIUM_UM.value,
            Self::Coarse => WIDTH_COARSE_UM.value,
        }
    }
}

/// What has been measured in one zone so far.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RawZoneReading {
    /// A strand pulled straight, mm, 10 to 2,500.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub stretched_mm: Option<f64>,
    /// The same strand let go, mm, 2 to 2,500, in the state `moisture` says.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub sprung_mm: Option<f64>,
    /// The same strand let go when wet, mm, if it was measured too.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub wet_sprung_mm: Option<f64>,
    /// Fibre width measured, µm, 20 to 180. Outranks the class.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub width_um: Option<f64>,
    /// Fibre width by feel.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub width_class: Option<WidthClass>,
    /// Hairs on a square centimetre, counted, 20 to 500.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub hairs_per_cm2: Option<f64>,
    /// How moist the hair was when `sprung_mm` was measured.
    #[serde(default)]
    pub moisture: Moisture,
    /// How many strands were measured and averaged, 1 to 50.
    #[serde(default = "one_strand")]
    pub strands: u32,
    /// Which figures an instrument gave. The others were read off a tape, felt, or counted by eye.
    #[serde(default, skip_serializing_if = "Sources::is_empty")]
    pub with: Sources,
}

fn one_strand() -> u32 {
    1
}

/// Longest and shortest strand that is taken, mm. The longest hair of adults stays under 2.5 m with few exceptions.
pub(super) const STRETCHED_MM: (f64, f64) = (10.0, 2500.0);
pub(super) const SPRUNG_MM: (f64, f64) = (2.0, 2500.0);
pub(super) const WIDTH_UM: (f64, f64) = (20.0, 180.0);
/// Hairs on a square centimetre that are taken.
pub(crate) const DENSITY: (f64, f64) = (20.0, 500.0);
const STRANDS: (f64, f64) = (1.0, 50.0);

impl Default for RawZoneReading {
    /// Nothing measured yet, one strand at a time.
    fn default() -> Self {
        Self {
            stretched_mm: None,
            sprung_mm: None,
            wet_sprung_mm: None,
            width_um: None,
            width_class: None,
            hairs_per_cm2: None,
            moisture: Moisture::Dry,
            strands: one_strand(),
            with: Sources::default(),
        }
    }
}

impl RawZoneReading {
    /// One dry strand of medium width, measured stretched and sprung.
    pub fn measured(stretched_mm: f64, sprung_mm: f64) -> Self {
        Self { stretched_mm: Some(stretched_mm), sprung_mm: Some(sprung_mm), ..Self::default() }
    }

    /// Checks what is given. Fields the document leaves out are not asked for.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        let given = [
            ("stretched_mm", self.stretched_mm, STRETCHED_MM, "mm"),
            ("sprung_mm", self.sprung_mm, SPRUNG_MM, "mm"),
            ("wet_sprung_mm", self.wet_sprung_mm, SPRUNG_MM, "mm"),
            ("width_um", self.width_um, WIDTH_UM, "µm"),
            ("hairs_per_cm2", self.hairs_per_cm2, DENSITY, "1/cm²"),
            ("strands", Some(f64::from(self.strands)), STRANDS, ""),
        ];
        for (field, value, range, unit) in given {
            if let Some(value) = value {
                faults.range(field, value, range, unit);
            }
        }
        for (field, sprung) in [("sprung_mm", self.sprung_mm), ("wet_sprung_mm", self.wet_sprung_mm)] {
            if matches!((sprung, self.stretched_mm), (Some(sprung), Some(stretched)) if sprung > stretched) {
                faults.push(field, Problem::LongerThan { other: "stretched_mm".into() });
            }
        }
        faults.take("with", self.with.check());
        faults.or(())
    }
}

/// A zone that has been measured: possible, and complete enough to compute with.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct ZoneReading {
    /// Pulled straight, mm: the fibre length.
    pub stretched_mm: f64,
    /// Let go, mm.
    pub sprung_mm: f64,
    /// Moisture at which `sprung_mm` was measured.
    pub moisture: Moisture,
    /// Let go when wet, mm.
    pub wet_sprung_mm: Option<f64>,
    /// Fibre diameter, µm; medium where it wasn't read.
    pub diameter_um: f64,
    /// Strands averaged.
    pub strands: u32,
    /// One standard error of a reading of the stretched length, mm.
    pub stretched_sd_mm: f64,
    /// One standard error of a reading of the sprung length, mm.
    pub sprung_sd_mm: f64,
    /// One standard error of a reading of the sprung length when wet, mm.
    pub wet_sprung_sd_mm: f64,
}

impl ZoneReading {
    /// Share of its length the hair loses when it is let go, 0 to 1.
    pub fn shrinkage(&self) -> f64 {
        1.0 - self.sprung_mm / self.stretched_mm
    }
}

impl TryFrom<&RawZoneReading> for ZoneReading {
    type Error = FieldErrors;

    fn try_from(raw: &RawZoneReading) -> Result<Self, FieldErrors> {
        raw.check()?;
        let mut faults = FieldErrors::default();
        for (field, value) in [("stretched_mm", raw.stretched_mm), ("sprung_mm", raw.sprung_mm)] {
            if value.is_none() {
                faults.push(field, Problem::Missing);
            }
        }
        let class = raw.width_class.unwrap_or(WidthClass::Medium);
        faults.or(Self {
            stretched_mm: raw.stretched_mm.unwrap_or_default(),
            sprung_mm: raw.sprung_mm.unwrap_or_default(),
            moisture: raw.moisture,
            wet_sprung_mm: raw.wet_sprung_mm,
            diameter_um: raw.width_um.unwrap_or(class.diameter_um()),
            strands: raw.strands,
            stretched_sd_mm: raw.with.stretched_mm.map_or(TAPE_SD_MM.value, |source| source.sd),
            sprung_sd_mm: raw.with.sprung_mm.map_or(TAPE_SD_MM.value, |source| source.sd),
            wet_sprung_sd_mm: raw.with.wet_sprung_mm.map_or(TAPE_SD_MM.value, |source| source.sd),
        })
    }
}
