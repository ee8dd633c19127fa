//! The plan as it is kept, and what is asked of it.

use crate::cut::Cut;
use crate::error::FieldErrors;
use crate::fibre::WornStyle;
use crate::grow::HairRequest;
use crate::judge::Thresholds;
use crate::mark::Aim;
use crate::reading::RawReading;
use crate::talk::{Climate, Talk};
use crate::units::LengthUnit;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

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
    /// The wishes, where they are known.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub aim: Option<Aim>,
    /// What was said, where it is known.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub talk: Option<Talk>,
    /// Thresholds of the house, by finding.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub thresholds: Thresholds,
    /// How many steps were carried out so far; all of them if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub done: Option<u32>,
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
    /// A plan on a reading, worn as it springs, of which nothing else is known.
    pub fn new(reading: RawReading, cut: Cut) -> Self {
        Self {
            reading,
            worn: WornStyle::default(),
            front_straight: false,
            climate: Climate::default(),
            ties_back: false,
            aim: None,
            talk: None,
            thresholds: Thresholds::new(),
            done: None,
            plan: Plan::of(cut),
            show_move: None,
            show_section: None,
            unit: LengthUnit::default(),
        }
    }

    /// The cut as far as it was carried out: the steps after that are off.
    pub(super) fn carried_out(&self) -> Cut {
        let mut cut = self.plan.cut.clone();
        for later in cut.moves.iter_mut().skip(self.done.map_or(usize::MAX, |done| done as usize)) {
            later.off = true;
        }
        cut
    }

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
