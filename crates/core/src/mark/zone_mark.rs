//! The mark of one zone in one state, and which state is advised.

use super::landing::{LandingRange, spread, uncut};
use crate::constants::{GROWTH_MM_PER_DAY, WORTH_OF_WET_MM};
use crate::fibre::{Comb, HeldState, LengthModel, Moisture, WornStyle};
use crate::learn::{Belief, Hand, allowance_mm, fit, risk_factor};
use crate::reading::ZoneReading;
use crate::units::LengthUnit;
use serde::{Deserialize, Serialize};

/// Landings are given as the range that holds nine in ten.
const RANGE_RISK: f64 = 0.05;

/// Everything the mark of a zone follows from, checked.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct MarkTask {
    /// What was measured.
    pub reading: ZoneReading,
    /// What that means for the hair.
    pub belief: Belief,
    /// Worn length wished, mm.
    pub target_mm: f64,
    /// The style it is worn in.
    pub style: WornStyle,
    /// Chance taken that it lands short.
    pub risk: f64,
    /// Whether that is less than elsewhere on the head, because it is a fringe.
    pub for_fringe: bool,
    /// Shortest worn length the client accepts, mm.
    pub shortest_mm: Option<f64>,
    /// The hand that holds the comb.
    pub hand: Hand,
    /// Unit of the comb.
    pub unit: LengthUnit,
}

/// What the mark means for the hair that is there.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "kind", rename_all = "snake_case")]
pub enum Outcome {
    /// Hair comes off.
    Cut {
        /// Fibre length that comes off, mm.
        off_mm: f64,
    },
    /// The hair is about as long as the target with its extra: leave it.
    Leave,
    /// The hair does not reach the target yet.
    TooShort {
        /// Days until it does, at the default rate of growth.
        days: f64,
    },
}

/// One hair, in the four lengths, mm.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MarkLengths {
    /// Along the hair.
    pub fibre_mm: f64,
    /// On the comb.
    pub held_mm: f64,
    /// Free, at the moisture it is cut at.
    pub hanging_mm: f64,
    /// Dry and styled.
    pub worn_mm: f64,
}

/// Where to cut one zone in one state.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Mark {
    /// The state it is cut in.
    pub state: HeldState,
    /// What it means for the hair that is there.
    pub outcome: Outcome,
    /// Held length to cut at, with the extra, mm.
    pub held_mm: f64,
    /// The same, moved up to what can be read on the comb, mm. Everything below is for a cut here.
    pub comb_mm: f64,
    /// Held length that would land on the target without any extra, mm.
    pub held_without_allowance_mm: f64,
    /// Fibre length that is worn at the target, mm.
    pub fibre_for_target_mm: f64,
    /// Extra that is left, worn mm.
    pub allowance_mm: f64,
    /// The same extra as it shows on the comb, mm.
    pub allowance_held_mm: f64,
    /// The strand after the cut.
    pub lengths: MarkLengths,
    /// Nine landings in ten lie from here, worn mm …
    pub lands_low_mm: f64,
    /// … to here.
    pub lands_high_mm: f64,
    /// Where it would land, worn mm, at the accepted risk, if no extra were left.
    pub without_allowance_mm: f64,
    /// Where it would land if the wished length itself were cut on the comb, worn mm.
    pub cut_at_target_lands_mm: Option<f64>,
    /// What the uncertainty is made of.
    pub spread: LandingRange,
    /// Whether nine landings in ten stay at or below the shortest the client accepts, if they said.
    pub shortest_kept: Option<bool>,
}

impl MarkTask {
    /// Fits the hair and takes the target.
    pub fn new(reading: ZoneReading, target_mm: f64, style: WornStyle, risk: f64) -> Self {
        let belief = fit(&reading);
        Self {
            reading,
            belief,
            target_mm,
            style,
            risk,
            for_fringe: false,
            shortest_mm: None,
            hand: Hand::default(),
            unit: LengthUnit::Cm,
        }
    }

    /// The most probable hair.
    pub fn model(&self) -> LengthModel {
        self.belief.model()
    }

    /// The mark in this state; none where so little is certain that no extra could keep the promise, or where what is
    /// held doesn't tell how much hair there is.
    pub fn in_state(&self, state: HeldState) -> Option<Mark> {
        let model = self.model();
        let (hold, present) = (self.hand.hold(state), self.reading.present_mm);
        let strays = self.hand.stray(state.comb);
        let sd_at = |fibre: f64| spread(&self.belief, (hold, strays), self.style, fibre, present).sd_mm();
        let fibre_for = |worn: f64| model.fibre_from_worn(worn, self.style);

        let fibre_for_target = fibre_for(self.target_mm)?;
        let held_without = hold.held_mm(&model, fibre_for_target, present);
        let allowance = allowance_mm(self.target_mm, self.risk, |worn| fibre_for(worn).map(sd_at))?;
        let wished = fibre_for(self.target_mm + allowance)?;
        let held = hold.held_mm(&model, wished, present);
        // Uncombed, a short hook under a heavy tail can hang deeper than a longer one: there a length is no measure.
        if held < held_without {
            return None;
        }
        let comb = self.unit.comb_mark_mm(held);
        let at_comb = hold.fibre_mm(&model, comb, present).unwrap_or(wished).max(wished);

        let outcome = if fibre_for_target > present {
            Outcome::TooShort { days: (fibre_for_target - present) / GROWTH_MM_PER_DAY.value }
        } else if at_comb >= present {
            Outcome::Leave
        } else {
            Outcome::Cut { off_mm: present - at_comb }
        };
        let left = at_comb.min(present);
        let spread = match outcome {
            Outcome::Cut { .. } => spread(&self.belief, (hold, strays), self.style, left, present),
            Outcome::Leave | Outcome::TooShort { .. } => uncut(&self.belief, self.style, left),
        };
        let worn = model.worn_mm(left, self.style);
        let stray = risk_factor(RANGE_RISK) * spread.sd_mm();
        let lands_low = (worn - stray).max(0.0);
        Some(Mark {
            state,
            outcome,
            held_mm: held,
            comb_mm: comb,
            held_without_allowance_mm: held_without,
            fibre_for_target_mm: fibre_for_target,
            allowance_mm: allowance,
            allowance_held_mm: held - held_without,
            lengths: MarkLengths {
                fibre_mm: left,
                held_mm: hold.held_mm(&model, left, present),
                hanging_mm: model.hanging_mm(left, hold.water_g_per_g),
                worn_mm: worn,
            },
            lands_low_mm: lands_low,
            lands_high_mm: (worn + stray).min(left),
            without_allowance_mm: (self.target_mm - risk_factor(self.risk) * sd_at(fibre_for_target))
                .max(0.0),
            cut_at_target_lands_mm: hold
                .fibre_mm(&model, self.target_mm, present)
                .map(|fibre| model.worn_mm(fibre, self.style)),
            spread,
            shortest_kept: self.shortest_mm.map(|shortest| lands_low >= shortest),
        })
    }

    /// Every state with its mark.
    pub fn in_all_states(&self) -> Vec<(HeldState, Option<Mark>)> {
        HeldState::all().map(|state| (state, self.in_state(state))).collect()
    }
}

/// By how much the landing of hair cut to a worn length strays in a state, one standard error, worn mm.
pub(crate) fn strays_mm(
    (reading, belief): (&ZoneReading, &Belief),
    hand: &Hand,
    state: HeldState,
    style: WornStyle,
    worn_mm: f64,
) -> Option<f64> {
    let fibre_mm = belief.model().fibre_from_worn(worn_mm, style)?.min(reading.present_mm);
    let held = (hand.hold(state), hand.stray(state.comb));
    Some(spread(belief, held, style, fibre_mm, reading.present_mm).sd_mm())
}

/// States in the order a line is easiest to see and keep even in: wet before dry, little pull before much. A fine
/// comb is for those who choose it; it is advised only where nothing else is as sure.
const BY_EASE: [(Moisture, Comb); 11] = [
    (Moisture::Wet, Comb::Medium),
    (Moisture::Wet, Comb::Wide),
    (Moisture::Damp, Comb::Medium),
    (Moisture::Damp, Comb::Wide),
    (Moisture::Dry, Comb::Medium),
    (Moisture::Dry, Comb::Wide),
    (Moisture::Dry, Comb::None),
    (Moisture::Damp, Comb::None),
    (Moisture::Wet, Comb::Fine),
    (Moisture::Damp, Comb::Fine),
    (Moisture::Dry, Comb::Fine),
];

/// The state to cut in: the easiest whose extra is within [`WORTH_OF_WET_MM`] of the least that any state needs.
pub(super) fn advised(marks: &[(HeldState, Option<Mark>)]) -> Option<Mark> {
    let least = least_extra(marks)?.allowance_mm;
    BY_EASE.iter().find_map(|&(moisture, comb)| {
        let state = HeldState { moisture, comb };
        let mark = marks.iter().find(|(s, _)| *s == state)?.1?;
        (mark.allowance_mm <= least + WORTH_OF_WET_MM.value).then_some(mark)
    })
}

/// The mark that needs the least extra.
pub(super) fn least_extra(marks: &[(HeldState, Option<Mark>)]) -> Option<Mark> {
    marks.iter().filter_map(|(_, mark)| *mark).min_by(|a, b| a.allowance_mm.total_cmp(&b.allowance_mm))
}
