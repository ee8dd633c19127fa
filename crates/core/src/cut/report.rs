//! What a move did, and how its sections are drawn.

use super::hand_line::{HandLine, shares};
use super::subsection::Subsection;
use crate::head::{Scalp, drawn};
use serde::Serialize;

/// Every so many-th point of a section's line is drawn.
const SHOWN_STEP: usize = 4;

/// What a move did.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MoveReport {
    /// Hair it acted on, share of all roots.
    pub share: f64,
    /// Roots that lost length, share of those acted on.
    pub cut_share: f64,
    /// Hair that fell, g.
    pub taken_g: f64,
    /// How long the first section was held, mm; none for perimeters and weight.
    pub held_mm: Option<f64>,
    /// The shortest that any hair in sections was held, mm; none for perimeters and weight.
    pub shortest_held_mm: Option<f64>,
    /// Share of the hair that its technique takes from.
    pub technique_share: f64,
    /// How deep it takes at most, mm; for bricks, how long the stubs stay.
    pub technique_depth_mm: f64,
    /// The sections with the line of the hand.
    pub sections: Vec<SectionShape>,
    /// What there is to say of it.
    pub notes: Vec<MoveNote>,
}

/// A section as it is drawn.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SectionShape {
    /// Its middle line on the scalp, mm (x the client's left, y up, z forward).
    pub base: Vec<[f32; 3]>,
    /// The line of the hand, point for point; empty where hair is not held.
    pub hand: Vec<[f32; 3]>,
    /// From scalp to fingers in its middle, mm; none where hair is not held.
    pub held_mm: Option<f64>,
}

/// What there is to say of a move that could be carried out.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum MoveNote {
    /// No hair grows in its region.
    EmptyRegion,
    /// No hair of its region reaches the hand or the line.
    ReachesNoHair,
    /// Wet hair that no comb holds stays in any shape it is pushed into.
    WetWithoutComb,
    /// There is no hair beside it to take its guide from; the first section was left as long as it is.
    NoGuideBeside,
    /// Hair of the first section's length doesn't reach where it should be carried: it is held as far that way as it goes.
    TooShortToCarry,
    /// Far from the first section the hand comes much nearer to the scalp than it was there: hair is left short.
    RunsShort,
}

impl SectionShape {
    /// Of a section held like this; of one that isn't held, its line alone.
    pub(super) fn of(scalp: &Scalp, strip: &Subsection, hand: Option<&HandLine>) -> Self {
        let shown = || shares().step_by(SHOWN_STEP);
        Self {
            base: shown().map(|share| drawn(&scalp.form.point(&strip.base(share)))).collect(),
            hand: hand.map(|hand| shown().map(|share| drawn(&hand.at(share))).collect()).unwrap_or_default(),
            held_mm: hand.map(|hand| (hand.at(0.5) - scalp.form.point(&strip.base(0.5))).norm()),
        }
    }
}
