//! What is measured in one zone of the head.

use super::ranges::{DENSITY, LOOP_MM, SPRUNG_MM, STRANDS, STRETCHED_MM, TURNS, WIDTH_UM};
use super::{Again, CurlWord, Sources};
use crate::constants::{WIDTH_COARSE_UM, WIDTH_FINE_UM, WIDTH_MEDIUM_UM};
use crate::error::{FieldErrors, Problem};
use crate::fibre::Moisture;
use crate::head::Patch;
use serde::{Deserialize, Serialize};

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

/// What has been measured in one zone, or half of one, so far.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RawZoneReading {
    /// Its hair is of the same kind as the hair there, and is read with it: only how long it is, how far its layers go and
    /// how dense it grows can be of its own.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub like: Option<Patch>,
    /// A strand pulled straight, mm, 10 to 2,500.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub stretched_mm: Option<f64>,
    /// The shortest strand there, pulled straight, mm, 10 to 2,500: how far the layers go.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub shortest_mm: Option<f64>,
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

impl Default for RawZoneReading {
    /// Nothing measured yet, one strand at a time.
    fn default() -> Self {
        Self {
            like: None,
            stretched_mm: None,
            shortest_mm: None,
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
            ("shortest_mm", self.shortest_mm, STRETCHED_MM, "mm"),
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
        let shorter = [
            ("sprung_mm", self.sprung_mm),
            ("wet_sprung_mm", self.wet_sprung_mm),
            ("shortest_mm", self.shortest_mm),
        ];
        for (field, length) in shorter {
            if matches!((length, self.stretched_mm), (Some(length), Some(stretched)) if length > stretched) {
                faults.push(field, Problem::LongerThan { other: "stretched_mm".into() });
            }
        }
        faults.take("again", self.again.check());
        faults.take("with", self.with.check());
        if let Some(like) = self.like {
            for field in self.tells_the_kind() {
                faults.push(field, Problem::Contradicts { why: format!("is read with {like}") });
            }
        }
        faults.or(())
    }

    /// The fields given that tell what kind of hair it is.
    fn tells_the_kind(&self) -> impl Iterator<Item = &'static str> {
        [
            ("sprung_mm", self.sprung_mm.is_some()),
            ("wet_sprung_mm", self.wet_sprung_mm.is_some()),
            ("width_um", self.width_um.is_some()),
            ("width_class", self.width_class.is_some()),
            ("loop_mm", self.loop_mm.is_some()),
            ("turns", self.turns.is_some()),
            ("curl", self.curl.is_some()),
            ("again", !self.again.is_empty()),
        ]
        .into_iter()
        .filter_map(|(field, given)| given.then_some(field))
    }

    /// Whether anything says how much it curls.
    pub(super) fn tells_the_curl(&self) -> bool {
        self.tells_the_kind().any(|field| !matches!(field, "width_um" | "width_class"))
    }
}
