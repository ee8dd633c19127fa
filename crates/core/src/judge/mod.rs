//! What a demanding eye would object to: rules over the computed fall and the plan, never opinions pasted in.
//!
//! Each finding is a measure with its threshold, the place on the head, the moves that cause it, and the messages that tell
//! it. One file a finding. [`plan::Cure`](crate::plan::Cure) is the least change that takes one away.

mod choppy;
mod tie;

use crate::cut::{Cut, MoveKind, MoveReport};
use crate::fall::AsWorn;
use crate::hair::{Hair, ShareLengths};
use crate::message::{Arg, Message};
use serde::{Deserialize, Serialize};

/// Thinnest sections that anybody takes, mm.
pub(crate) const THINNEST_MM: u32 = 5;

/// What can be found.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum FindingCode {
    /// Ends of short layers show as steps where the back of the head is too flat to round them off.
    ChoppyBack,
    /// Hair of the front no longer reaches where it is tied back.
    TieNotReached,
}

/// One thing found.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Finding {
    /// What it is, with the figures that say how bad it is.
    #[serde(flatten)]
    pub found: Found,
    /// How much of it, in the unit of its threshold.
    pub measure: f64,
    /// From how much on it is said.
    pub threshold: f64,
    /// Where on the hair, mm.
    pub at: [f32; 3],
    /// Numbers, from 0, of the moves that cause it.
    pub moves: Vec<u32>,
    /// What is seen, and why.
    pub text: Message,
    /// What would help.
    pub remedy: Message,
}

/// What was found, with the figures shown to a person.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "code", rename_all = "snake_case")]
pub enum Found {
    /// Ends of short layers show as steps.
    ChoppyBack {
        /// Share of the hair that ends over two fingers of the back, %.
        ends_pct: f64,
        /// By how much the head turns in there, degrees.
        turns_deg: f64,
        /// By how much the ends of each section stand out, mm.
        step_mm: f64,
        /// Sections thinner than this would hide it, mm; none where nobody takes them so thin.
        thin_enough_mm: Option<f64>,
    },
    /// Hair of the front is too short for the tie.
    TieNotReached {
        /// Share of what grows in front and at the sides, %.
        short_pct: f64,
        /// What it lacks at most, mm.
        lacking_mm: f64,
    },
}

impl Found {
    /// What is seen, and why.
    fn text(&self) -> Message {
        match *self {
            Self::ChoppyBack { ends_pct, turns_deg, step_mm, .. } => Message::new("finding-choppy_back")
                .with("ends", Arg::Share(ends_pct / 100.0))
                .with("turns", Arg::Deg(turns_deg))
                .with("step", Arg::Mm(step_mm)),
            Self::TieNotReached { short_pct, lacking_mm } => Message::new("finding-tie_not_reached")
                .with("share", Arg::Share(short_pct / 100.0))
                .with("lacking", Arg::Mm(lacking_mm)),
        }
    }

    /// What would help.
    fn remedy(&self) -> Message {
        match *self {
            Self::ChoppyBack { thin_enough_mm: Some(thickness), .. } => {
                Message::new("remedy-longer_or_thinner").with("thickness", Arg::Mm(thickness))
            }
            Self::ChoppyBack { thin_enough_mm: None, .. } => Message::new("remedy-longer"),
            Self::TieNotReached { lacking_mm, .. } => {
                Message::new("remedy-tie_not_reached").with("lacking", Arg::Mm(lacking_mm))
            }
        }
    }
}

impl Finding {
    /// What it is.
    pub fn code(&self) -> FindingCode {
        match self.found {
            Found::ChoppyBack { .. } => FindingCode::ChoppyBack,
            Found::TieNotReached { .. } => FindingCode::TieNotReached,
        }
    }
}

/// A head of hair after a cut, as it is judged.
pub(crate) struct Judged<'a> {
    pub hair: &'a Hair,
    pub lengths: &'a [ShareLengths],
    pub worn: &'a AsWorn,
    pub cut: &'a Cut,
    pub reports: &'a [MoveReport],
    /// Whether the hair is tied back for work or sport.
    pub ties_back: bool,
}

/// Everything found.
pub(crate) fn findings(judged: &Judged) -> Vec<Finding> {
    [choppy::choppy_back(judged), tie::not_reached(judged)].into_iter().flatten().collect()
}

impl Judged<'_> {
    /// The moves that shortened most of these strands, by number, and how thick their sections are, mm.
    fn layered_by(&self, strands: &[usize]) -> Vec<(u32, f64)> {
        let scalp = self.hair.scalp();
        let covers = |number: usize| {
            let move_ = &self.cut.moves[number];
            let sides = [Some(move_.region.clone()), move_.mirrored.then(|| move_.region.mirrored())];
            let tests: Vec<_> =
                sides.into_iter().flatten().filter_map(|region| region.on(&scalp).ok()).collect();
            let held = |i: &&usize| {
                let root = &self.hair.strands[**i].root;
                tests.iter().any(|test| test.holds(&scalp, &root.at, root.zone))
            };
            2 * strands.iter().filter(held).count() > strands.len()
        };
        let moves = self.cut.moves.iter().zip(self.reports).enumerate();
        moves
            .filter(|(_, (move_, report))| !move_.off && report.cut_share > 0.0)
            .filter_map(|(number, (move_, _))| {
                let layout = match &move_.kind {
                    MoveKind::Sections(sections) => &sections.layout,
                    MoveKind::Gathered(gathered) => &gathered.layout,
                    MoveKind::Perimeter(_)
                    | MoveKind::Weight(_)
                    | MoveKind::Recoil(_)
                    | MoveKind::Pause(_) => return None,
                };
                covers(number).then_some((number as u32, layout.thickness_mm))
            })
            .collect()
    }
}
