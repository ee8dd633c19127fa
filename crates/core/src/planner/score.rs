//! What plans are compared by: each part in units of about one for what a stylist would call a fault.

use super::target::Target;
use crate::fall::Fall;
use crate::hair::Hair;
use crate::judge::{FindingCode, Outcome};
use crate::mark::WidthAim;
use serde::Serialize;

/// A wish missed by so much is a fault, mm; the same of a width.
const WISH_MM: f64 = 6.0;
const WIDTH_MM: f64 = 10.0;
/// Light through the ends further than was wished by so much is a fault, mm.
const ENDS_MM: f64 = 10.0;
/// Most that one wish counts, in faults.
const MOST: f64 = 30.0;
/// So many minutes over are a fault; and each minute counts a little.
const OVER_MIN: f64 = 10.0;
const MINUTE: f64 = 0.004;
/// What all the hair would count.
const HAIR: f64 = 1.5;
/// What a suit counts, a rule that is kept, and one that is not.
const SUIT: f64 = 0.45;
const KEPT: f64 = 0.05;
const BROKEN: f64 = 0.15;
/// What they came for counts so many times.
const CAME_FOR: f64 = 2.5;
/// A step that cuts nothing.
const IDLE: f64 = 0.3;

/// What a plan was chosen by; less is better.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = PlanScore))]
pub struct Score {
    /// Wishes missed, root mean square over the zones that have one, mm.
    pub wish_rms_mm: f64,
    /// Wishes.
    pub wishes: f64,
    /// Widths.
    pub widths: f64,
    /// Ends that light comes through further than wished.
    pub ends: f64,
    /// Findings.
    pub findings: f64,
    /// Findings in the other ways in which the hair is worn, on the mean over them.
    pub other_ways: f64,
    /// Minutes.
    pub minutes: f64,
    /// Hair that goes.
    pub hair: f64,
    /// How little the method suits, by its own reasons and by the rules: negative is well.
    pub suits: f64,
    /// All of it.
    pub total: f64,
}

/// What a plan is held against.
#[derive(Clone, Copy)]
pub(super) struct Against<'a> {
    pub targets: &'a [Target],
    pub widths: &'a [WidthAim],
    pub ends_mm: Option<f64>,
    pub before: &'a Fall,
    pub minutes: Option<f64>,
    /// What they came for is measured by these.
    pub came_for: &'a [FindingCode],
}

/// Root mean square by which wishes are missed, mm.
pub(super) fn rms_mm(targets: &[Target], fall: &Fall) -> f64 {
    let sum: f64 = targets.iter().map(|target| target.lacks_mm(&fall.zones).powi(2)).sum();
    (sum / targets.len().max(1) as f64).sqrt()
}

/// How a finding counts among others.
fn counts(code: FindingCode) -> f64 {
    match code {
        // Wishes are weighed by themselves.
        FindingCode::WishMissed => 0.0,
        FindingCode::KeptHairLost | FindingCode::TieNotReached => 2.0,
        _ => 1.0,
    }
}

/// What is found of a cut, all together.
pub(super) fn findings(outcome: &Outcome, came_for: &[FindingCode]) -> f64 {
    whole_findings(outcome)
        .map(|code| {
            let asked = came_for.contains(&code) && code != FindingCode::KeptHairLost;
            let times = if asked { CAME_FOR } else { 1.0 };
            times * counts(code) * outcome.severity(code).powi(2)
        })
        .sum()
}

/// Findings that are no part of others that are said.
fn whole_findings(outcome: &Outcome) -> impl Iterator<Item = FindingCode> {
    let said: Vec<FindingCode> = FindingCode::ALL.into_iter().filter(|code| outcome.says(*code)).collect();
    FindingCode::ALL
        .into_iter()
        .filter(move |code| !code.is_part_of().iter().any(|whole| said.contains(whole)))
}

/// Those of them that are said: wishes are answered by themselves.
pub(super) fn said(outcome: &Outcome) -> Vec<FindingCode> {
    whole_findings(outcome).filter(|code| *code != FindingCode::WishMissed && outcome.says(*code)).collect()
}

impl Score {
    /// Of a cut, by what came of it, what its method's reasons count here, and the rules it keeps and breaks.
    pub(super) fn of(
        hair: &Hair,
        outcome: &Outcome,
        against: &Against,
        suits: f64,
        (kept, broken): (usize, usize),
    ) -> Self {
        let fall = &outcome.fall;
        let each = |off: f64| (off * off).min(MOST);
        let count = against.targets.len().max(1) as f64;
        let wishes = against
            .targets
            .iter()
            .map(|target| {
                each(target.lacks_mm(&fall.zones) / WISH_MM) + each(target.too_short_mm(&fall.zones) / 3.0)
            })
            .sum::<f64>()
            / count;
        let off = |wish: &WidthAim| {
            (fall.front.width_about_mm(wish.at.height_mm(&hair.measures)) - wish.width_mm) / WIDTH_MM
        };
        let widths = against.widths.iter().map(|wish| 0.5 * each(off(wish))).sum::<f64>();
        let ends = against.ends_mm.map_or(0.0, |most| each((outcome.light_mm - most).max(0.0) / ENDS_MM));
        let findings = findings(outcome, against.came_for);
        let over = against.minutes.map_or(0.0, |most| each((outcome.minutes - most).max(0.0) / OVER_MIN));
        let minutes = over + MINUTE * outcome.minutes;
        let gone = HAIR * (1.0 - fall.mass_g / against.before.mass_g.max(1e-9)).max(0.0);
        let suits =
            BROKEN * broken as f64 - KEPT * kept as f64 - SUIT * suits + IDLE * outcome.idle.len() as f64;
        Self {
            wish_rms_mm: rms_mm(against.targets, fall),
            wishes,
            widths,
            ends,
            findings,
            other_ways: 0.0,
            minutes,
            hair: gone,
            suits,
            total: wishes + widths + ends + findings + minutes + gone + suits,
        }
    }

    /// The same with what is found in the other ways in which the hair is worn.
    pub(super) fn with_other_ways(self, other_ways: f64) -> Self {
        Self { other_ways, total: self.total - self.other_ways + other_ways, ..self }
    }
}
