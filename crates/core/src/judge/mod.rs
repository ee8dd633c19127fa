//! What a demanding eye would object to: rules over the computed fall and the plan, never opinions pasted in.
//!
//! Each finding is a measure with its threshold, the place on the head, the moves that cause it, and a remedy in words.
//! One file a finding. [`plan::Cure`](crate::plan::Cure) is the least change that takes one away.

mod choppy;
mod tie;

use crate::cut::{Cut, MoveKind, MoveReport};
use crate::fall::AsWorn;
use crate::hair::{Hair, ShareLengths};
use crate::units::LengthUnit;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use std::sync::LazyLock;

static ENGLISH: LazyLock<BTreeMap<String, String>> = LazyLock::new(|| {
    serde_json::from_str(include_str!("findings.en.json")).expect("the wording file that ships is valid")
});

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
    /// What it is.
    pub code: FindingCode,
    /// How much of it, in the unit of its threshold.
    pub measure: f64,
    /// From how much on it is said.
    pub threshold: f64,
    /// Where on the hair, mm.
    pub at: [f32; 3],
    /// Numbers, from 0, of the moves that cause it.
    pub moves: Vec<u32>,
    /// What is seen and why.
    pub text: String,
    /// What would cure it.
    pub remedy: String,
}

/// A head of hair after a cut, as it is judged.
pub(crate) struct Judged<'a> {
    pub hair: &'a Hair,
    pub lengths: &'a [ShareLengths],
    pub worn: &'a AsWorn,
    pub cut: &'a Cut,
    pub reports: &'a [MoveReport],
    pub unit: LengthUnit,
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
            let each = &self.cut.moves[number];
            let sides = [Some(each.region.clone()), each.mirrored.then(|| each.region.mirrored())];
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
            .filter(|(_, (each, report))| !each.off && report.cut_share > 0.0)
            .filter_map(|(number, (each, _))| {
                let layout = match &each.way {
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

/// A sentence with its gaps filled.
pub(crate) fn say(key: &str, gaps: &[(&str, String)]) -> String {
    let sentence = ENGLISH.get(key).cloned().unwrap_or_else(|| format!("[{key}]"));
    gaps.iter().fold(sentence, |text, (name, value)| text.replace(&format!("{{{name}}}"), value))
}
