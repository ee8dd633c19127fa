//! What was said before anything was measured: the facts that bear on the cut, and short notes.

use crate::error::FieldErrors;
use crate::fibre::WornStyle;
use serde::{Deserialize, Serialize};
use std::collections::BTreeSet;

/// Why the client came.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum ComingFor {
    /// Too flat.
    Flat,
    /// Too heavy.
    Heavy,
    /// Frizzy.
    Frizzy,
    /// Wide at the bottom.
    WideAtTheBottom,
    /// Ends that can be seen through.
    ThinEnds,
    /// Growing something out.
    GrowingOut,
    /// Just tidied.
    Tidy,
    /// A change.
    Change,
}

/// Where the hair parts.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Part {
    /// Not said yet.
    #[default]
    NotSaid,
    /// In the middle.
    Centre,
    /// On the client's left.
    Left,
    /// On the client's right.
    Right,
    /// It moves.
    Moves,
}

/// Longest note kept, characters.
pub const LONGEST_NOTE: u32 = 4000;
/// Longest short answer kept, characters.
pub const LONGEST_ANSWER: u32 = 500;

/// The talk as it is saved.
#[derive(Debug, Clone, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields, default)]
pub struct Talk {
    /// Why they came.
    pub reasons: BTreeSet<ComingFor>,
    /// How the hair is worn on most days: the state every target is meant in.
    pub worn: WornStyle,
    /// Whether it is tied back for work or sport.
    pub ties_back: bool,
    /// Where it parts.
    pub part: Part,
    /// Minutes a day the client will spend on it, 0 to 240.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub minutes_a_day: Option<u32>,
    /// What they are afraid of.
    pub fear: String,
    /// Colour and other chemical history.
    pub chemical_history: String,
    /// Sore, broken or shedding scalp was mentioned or seen: the caution is shown.
    pub scalp_concern: bool,
    /// Anything else.
    pub notes: String,
}

impl Talk {
    /// Checks lengths and ranges.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if let Some(minutes) = self.minutes_a_day {
            faults.range("minutes_a_day", f64::from(minutes), (0.0, 240.0), "min");
        }
        faults.text("fear", &self.fear, LONGEST_ANSWER);
        faults.text("chemical_history", &self.chemical_history, LONGEST_NOTE);
        faults.text("notes", &self.notes, LONGEST_NOTE);
        faults.or(())
    }
}
