//! What was said before anything was measured: the facts that bear on the cut, and short notes.

use crate::constants::{FRINGE_RISK_SHARE, FRIZZ_DAMP, FRIZZ_DRY};
use crate::error::FieldErrors;
use crate::fibre::WornStyle;
use crate::head::Zone;
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
pub enum PartingHabit {
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

/// The fringe.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum FringeWish {
    /// Not said yet.
    #[default]
    NotSaid,
    /// None, and none is wished.
    None,
    /// There is one.
    Has,
    /// One is wished.
    Wants,
    /// It is grown out.
    GrowingOut,
}

impl FringeWish {
    /// Whether one is worn, or will be.
    pub fn is_worn(self) -> bool {
        matches!(self, Self::Has | Self::Wants)
    }
}

/// Who styles the hair on most days.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum StyledBy {
    /// Not said yet.
    #[default]
    NotSaid,
    /// The client.
    Client,
    /// Somebody at home.
    SomebodyElse,
    /// The house.
    House,
}

/// The air the hair is mostly worn in.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Climate {
    /// Not said yet.
    #[default]
    NotSaid,
    /// Dry.
    Dry,
    /// As usual.
    Moderate,
    /// Damp.
    Damp,
}

impl Climate {
    /// By how much more volume curls take in this air than in the usual, as a share.
    pub fn frizz(self) -> f64 {
        match self {
            Self::NotSaid | Self::Moderate => 0.0,
            Self::Dry => FRIZZ_DRY.value,
            Self::Damp => FRIZZ_DAMP.value,
        }
    }
}

/// What changes hair; noted, never judged.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum HairEvent {
    /// A birth within the last year.
    Birth,
    /// An illness.
    Illness,
    /// A medicine.
    Medicine,
    /// Something else.
    Other,
}

/// What was done to the hair chemically.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Treatment {
    /// Coloured.
    Coloured,
    /// Lightened.
    Lightened,
    /// Straightened.
    Straightened,
    /// Curled.
    Curled,
}

/// What the talk asks to be careful about, said short and left to those who are licensed to judge it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum TalkCaution {
    /// A minor without a guardian's word.
    Guardian,
    /// Sore, broken or shedding scalp.
    Scalp,
    /// Something seen that spreads: stop, follow the local health code.
    Infestation,
    /// Treated hair stretches and breaks more easily.
    Treated,
    /// An event that changes hair: what is read today may not hold at the next visit.
    Event,
}

/// Longest note kept, characters.
pub const LONGEST_NOTE: u32 = 4000;
/// Longest short answer kept, characters.
pub const LONGEST_ANSWER: u32 = 500;

/// How the hair of a head is worn on most days.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub struct Wearing {
    /// All of it but what is said apart.
    pub style: WornStyle,
    /// The front is always smoothed, whatever the rest is.
    pub front_straight: bool,
    /// A fringe is worn, or wished.
    pub fringe: bool,
    /// The air it is worn in.
    pub climate: Climate,
}

impl Wearing {
    /// All hair alike, and no fringe.
    pub fn alike(style: WornStyle) -> Self {
        Self { style, ..Self::default() }
    }

    /// The chance of landing short that is taken in a zone, where `risk` is what is taken on this head: less in a fringe,
    /// which lies before everybody's eyes and can't be tucked away.
    pub fn risk(self, zone: Zone, risk: f64) -> f64 {
        if self.fringe && zone == Zone::Fringe { FRINGE_RISK_SHARE.value * risk } else { risk }
    }

    /// How a zone is worn.
    pub fn of(self, zone: Zone) -> WornStyle {
        if self.front_straight && zone == Zone::Fringe { WornStyle::Smoothed } else { self.style }
    }
}

/// The talk as it is saved.
#[derive(Debug, Clone, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields, default)]
pub struct Talk {
    /// Why they came.
    pub reasons: BTreeSet<ComingFor>,
    /// How the hair is worn on most days: the state every target is meant in.
    pub worn: WornStyle,
    /// Whether the front is always smoothed, whatever the rest is.
    pub front_straight: bool,
    /// Whether it is tied back for work or sport.
    pub ties_back: bool,
    /// Where it parts.
    pub part: PartingHabit,
    /// Minutes a day the client will spend on it, 0 to 240.
    pub minutes_a_day: Option<u32>,
    /// What they are afraid of.
    pub fear: String,
    /// Colour and other chemical history.
    pub chemical_history: String,
    /// Sore, broken or shedding scalp was mentioned or seen: the caution is shown.
    pub scalp_concern: bool,
    /// Something that can spread was mentioned or seen.
    pub infestation: bool,
    /// Who styles it on most days.
    pub styled_by: StyledBy,
    /// The fringe.
    pub fringe: FringeWish,
    /// Whether glasses are worn.
    pub glasses: bool,
    /// The air it is mostly worn in.
    pub climate: Climate,
    /// Products used.
    pub products: String,
    /// Weeks since the last cut, 0 to 1,040.
    pub weeks_since_cut: Option<u32>,
    /// What was done to it chemically.
    pub treatments: BTreeSet<Treatment>,
    /// What changed it lately.
    pub events: BTreeSet<HairEvent>,
    /// Whether the client is a minor.
    pub minor: bool,
    /// Whether a guardian has agreed to the cut.
    pub guardian_agrees: bool,
    /// Whether photographs may be taken; none until it was asked.
    pub photographs: Option<bool>,
    /// Cautions that somebody has taken note of: who and when stands with the version that first has them.
    pub noted: BTreeSet<TalkCaution>,
    /// Anything else.
    pub notes: String,
}

impl Talk {
    /// How the hair is worn on most days.
    pub fn wearing(&self) -> Wearing {
        Wearing {
            style: self.worn,
            front_straight: self.front_straight,
            fringe: self.fringe.is_worn(),
            climate: self.climate,
        }
    }

    /// What to be careful about, the gravest first.
    pub fn cautions(&self) -> Vec<TalkCaution> {
        [
            (TalkCaution::Guardian, self.minor && !self.guardian_agrees),
            (TalkCaution::Infestation, self.infestation),
            (TalkCaution::Scalp, self.scalp_concern),
            (TalkCaution::Treated, !self.treatments.is_empty()),
            (TalkCaution::Event, !self.events.is_empty()),
        ]
        .into_iter()
        .filter_map(|(caution, holds)| holds.then_some(caution))
        .collect()
    }

    /// Checks lengths and ranges.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if let Some(minutes) = self.minutes_a_day {
            faults.range("minutes_a_day", f64::from(minutes), (0.0, 240.0), "min");
        }
        if let Some(weeks) = self.weeks_since_cut {
            faults.range("weeks_since_cut", f64::from(weeks), (0.0, 1040.0), "weeks");
        }
        faults.text("products", &self.products, LONGEST_ANSWER);
        faults.text("fear", &self.fear, LONGEST_ANSWER);
        faults.text("chemical_history", &self.chemical_history, LONGEST_NOTE);
        faults.text("notes", &self.notes, LONGEST_NOTE);
        faults.or(())
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn cautions_follow_from_what_was_said_and_an_empty_talk_has_none() {
        assert!(Talk::default().cautions().is_empty());
        let child = Talk { minor: true, scalp_concern: true, ..Talk::default() };
        assert_eq!(child.cautions(), [TalkCaution::Guardian, TalkCaution::Scalp]);
        let agreed = Talk { guardian_agrees: true, events: [HairEvent::Illness].into(), ..child };
        assert_eq!(agreed.cautions(), [TalkCaution::Scalp, TalkCaution::Event]);
    }

    #[test]
    fn what_was_not_said_needs_not_be_written_and_what_cannot_be_is_refused() {
        let text = serde_json::to_string(&Talk::default()).expect("plain data");
        assert_eq!(serde_json::from_str::<Talk>(&text).expect("our own"), Talk::default());
        assert_eq!(serde_json::from_str::<Talk>("{}").expect("nothing said"), Talk::default());
        let long = Talk { weeks_since_cut: Some(2000), products: "x".repeat(501), ..Talk::default() };
        let fields: Vec<String> =
            long.check().expect_err("too long").0.into_iter().map(|fault| fault.field).collect();
        assert_eq!(fields, ["weeks_since_cut", "products"]);
    }
}
