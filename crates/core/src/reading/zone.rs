//! The zones of the head and what is measured in one of them.

use super::{Again, CurlWord, Sources};
use crate::constants::{
    STRAND_LOGIT_SD, STRAND_SD_WORTH, TAPE_SD_MM, WIDTH_COARSE_UM, WIDTH_FINE_UM, WIDTH_MEDIUM_UM,
};
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
    /// Width of a loop at the free end of a strand let go, mm, 0.5 to 400.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub loop_mm: Option<f64>,
    /// Turns counted along a strand let go, 0.25 to 300.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub turns: Option<f64>,
    /// The word whose picture comes nearest. A measured loop outranks it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub curl: Option<CurlWord>,
    /// Hairs on a square centimetre, counted, 20 to 500.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub hairs_per_cm2: Option<f64>,
    /// How moist the hair was when `sprung_mm` was measured.
    #[serde(default)]
    pub moisture: Moisture,
    /// How many strands were measured and averaged, 1 to 50.
    #[serde(default = "one_strand")]
    pub strands: u32,
    /// Further strands, measured one by one; at most nine.
    #[serde(default, skip_serializing_if = "Again::is_empty")]
    #[cfg_attr(feature = "schema", schema(value_type = Vec<super::StrandPair>))]
    pub again: Again,
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
const LOOP_MM: (f64, f64) = (0.5, 400.0);
const TURNS: (f64, f64) = (0.25, 300.0);
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
            loop_mm: None,
            turns: None,
            curl: None,
            hairs_per_cm2: None,
            moisture: Moisture::Dry,
            strands: one_strand(),
            again: Again::default(),
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
            ("loop_mm", self.loop_mm, LOOP_MM, "mm"),
            ("turns", self.turns, TURNS, ""),
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
        faults.take("again", self.again.check());
        faults.take("with", self.with.check());
        faults.or(())
    }
}

/// What was seen of a zone's curl.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct CurlSeen {
    /// Width of a loop at the free end, mm.
    pub loop_mm: Option<f64>,
    /// Turns along a strand.
    pub turns: Option<f64>,
    /// In a word, where no loop was measured.
    pub word: Option<CurlWord>,
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
    /// How much strands of the zone differ: standard deviation of the logit of sprung over stretched.
    pub strands_differ: f64,
    /// The curl as the eye told it.
    pub curl: CurlSeen,
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
        let first = (raw.stretched_mm.unwrap_or_default(), raw.sprung_mm.unwrap_or_default());
        let strands = Strands::of(first, raw);
        faults.or(Self {
            stretched_mm: strands.stretched_mm,
            sprung_mm: strands.sprung_mm,
            moisture: raw.moisture,
            wet_sprung_mm: raw.wet_sprung_mm,
            diameter_um: raw.width_um.unwrap_or(class.diameter_um()),
            strands: strands.count,
            strands_differ: strands.differ,
            curl: CurlSeen {
                loop_mm: raw.loop_mm,
                turns: raw.turns,
                word: raw.curl.filter(|_| raw.loop_mm.is_none()),
            },
            stretched_sd_mm: raw.with.stretched_mm.map_or(TAPE_SD_MM.value, |source| source.sd),
            sprung_sd_mm: raw.with.sprung_mm.map_or(TAPE_SD_MM.value, |source| source.sd),
            wet_sprung_sd_mm: raw.with.wet_sprung_mm.map_or(TAPE_SD_MM.value, |source| source.sd),
        })
    }
}

/// The strands of a zone, put together.
struct Strands {
    stretched_mm: f64,
    sprung_mm: f64,
    count: u32,
    differ: f64,
}

impl Strands {
    /// The first figures stand for as many strands as were averaged in them.
    fn of(first: (f64, f64), raw: &RawZoneReading) -> Self {
        let averaged = f64::from(raw.strands);
        let all = || {
            [(first, averaged)]
                .into_iter()
                .chain(raw.again.pairs().map(|p| ((p.stretched_mm, p.sprung_mm), 1.0)))
        };
        let count: f64 = all().map(|(_, weight)| weight).sum();
        let mean =
            |of: fn((f64, f64)) -> f64| all().map(|(pair, weight)| weight * of(pair)).sum::<f64>() / count;
        // In the logit; what hardly shrinks at all is kept off its end.
        let logit = |(stretched, sprung): (f64, f64)| {
            let share = (sprung / stretched).clamp(0.005, 0.995);
            (share / (1.0 - share)).ln()
        };
        let middle = all().map(|(pair, weight)| weight * logit(pair)).sum::<f64>() / count;
        let freedom = raw.again.pairs().count() as f64;
        let seen: f64 = all().map(|(pair, weight)| weight * (logit(pair) - middle).powi(2)).sum();
        // What strands of a zone usually differ by counts as so many strands that were seen before.
        let (usual, worth) = (STRAND_LOGIT_SD.value, STRAND_SD_WORTH.value);
        Self {
            stretched_mm: mean(|pair| pair.0),
            sprung_mm: mean(|pair| pair.1),
            count: count as u32,
            differ: ((worth * usual * usual + seen) / (worth + freedom)).sqrt(),
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::reading::StrandPair;

    fn zone(strands: u32, again: &[(f64, f64)]) -> ZoneReading {
        let pairs: Vec<StrandPair> =
            again.iter().map(|&(stretched_mm, sprung_mm)| StrandPair { stretched_mm, sprung_mm }).collect();
        let again = Again::try_from(pairs).expect("few");
        ZoneReading::try_from(&RawZoneReading { strands, again, ..RawZoneReading::measured(300.0, 150.0) })
            .expect("complete")
    }

    #[test]
    fn strands_measured_one_by_one_are_averaged_with_what_was_averaged_before() {
        let read = zone(2, &[(330.0, 180.0)]);
        assert_eq!((read.stretched_mm, read.sprung_mm, read.strands), (310.0, 160.0, 3));
        assert_eq!(zone(1, &[]).strands_differ, STRAND_LOGIT_SD.value, "one strand tells no spread");
    }

    #[test]
    fn strands_that_agree_make_a_zone_surer_and_strands_that_do_not_less_sure() {
        let alike = zone(1, &[(300.0, 150.0), (310.0, 155.0), (290.0, 145.0), (300.0, 150.0)]);
        let apart = zone(1, &[(300.0, 80.0), (300.0, 230.0), (300.0, 100.0), (300.0, 210.0)]);
        assert!(alike.strands_differ < STRAND_LOGIT_SD.value);
        assert!(apart.strands_differ > 3.0 * STRAND_LOGIT_SD.value, "{}", apart.strands_differ);
    }
}
