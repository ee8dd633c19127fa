//! The plan as it is kept, and what is asked of it.

use crate::cut::Cut;
use crate::error::FieldErrors;
use crate::fibre::WornStyle;
use crate::grow::HairRequest;
use crate::reading::RawReading;
use crate::talk::Climate;
use crate::units::LengthUnit;
use serde::{Deserialize, Serialize};

/// Guide roots while editing.
const ROOTS: u32 = 4096;

/// The plan as it is saved.
#[derive(Debug, Clone, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Plan {
    /// What is cut.
    pub cut: Cut,
}

/// What is asked to see a plan's fall.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct FallRequest {
    /// What was measured.
    pub reading: RawReading,
    /// How it is worn.
    #[serde(default)]
    pub worn: WornStyle,
    /// Whether the front is smoothed, whatever the rest is.
    #[serde(default)]
    pub front_straight: bool,
    /// The air it is worn in.
    #[serde(default)]
    pub climate: Climate,
    /// Whether the hair is tied back for work or sport.
    #[serde(default)]
    pub ties_back: bool,
    /// The plan.
    pub plan: Plan,
    /// Number, from 0, of the move whose sections are wanted.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub show_move: Option<u32>,
    /// Number, from 0, of the section of that move that the scene shows; some of them all if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub show_section: Option<u32>,
    /// Unit of the words.
    #[serde(default)]
    pub unit: LengthUnit,
}

impl Plan {
    /// A plan of this cut.
    pub fn of(cut: Cut) -> Self {
        Self { cut }
    }

    /// Checks all that needs no head.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.take("cut", self.cut.check());
        faults.or(())
    }
}

impl FallRequest {
    /// The head of hair the plan is for: it stays the same while the cut is edited.
    pub fn head(&self) -> HairRequest {
        HairRequest {
            reading: self.reading.clone(),
            worn: self.worn,
            front_straight: self.front_straight,
            climate: self.climate,
            roots: ROOTS,
        }
    }
}
