//! With what a figure was measured, and how far that can be off.

use crate::error::FieldErrors;
use serde::{Deserialize, Serialize};

/// Standard errors that are taken, in the unit of the figure.
const SD: (f64, f64) = (0.01, 100.0);

/// An instrument's word on one figure.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Source {
    /// One standard error as the instrument states it, in the unit of the figure, 0.01 to 100.
    pub sd: f64,
}

/// The figures of a zone that an instrument gave. One that is typed by hand afterwards is no longer among them.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Sources {
    /// A measuring comb, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub stretched_mm: Option<Source>,
    /// A measuring comb, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub sprung_mm: Option<Source>,
    /// A measuring comb, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub wet_sprung_mm: Option<Source>,
    /// A strand gauge, µm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub width_um: Option<Source>,
    /// A scalp scope, hairs on a square centimetre.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub hairs_per_cm2: Option<Source>,
}

impl Sources {
    fn each(&self) -> [(&'static str, Option<Source>); 5] {
        [
            ("stretched_mm", self.stretched_mm),
            ("sprung_mm", self.sprung_mm),
            ("wet_sprung_mm", self.wet_sprung_mm),
            ("width_um", self.width_um),
            ("hairs_per_cm2", self.hairs_per_cm2),
        ]
    }

    pub(super) fn is_empty(&self) -> bool {
        self.each().iter().all(|(_, source)| source.is_none())
    }

    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        for (field, source) in self.each() {
            if let Some(source) = source {
                faults.range(&format!("{field}.sd"), source.sd, SD, "");
            }
        }
        faults.or(())
    }
}
