//! What a demanding eye would object to: rules over the computed fall and the plan, never opinions pasted in.
//!
//! Each finding has a file: it takes one measure of the hair as it falls, of how it was cut, or of what was promised. The
//! [`mod@rules`] say from where on a measure is objected to and how fast that grows; [`Severity`](severity) is smooth in every
//! figure of a cut, so that a search can follow it. [`Known`] is what people said of the head, [`Head`] one head after one
//! cut. The search for causes, confidence and cures repeats this on a coarse head ([`trial`]).

mod acts;
mod aimed;
mod banked;
mod broom_ends;
mod cap_line;
mod cause;
mod changes;
mod choppy_back;
mod closes_face;
mod code;
mod cure;
mod finding;
mod flat;
mod fringe_too_wide;
mod front_too_short;
mod guide_drift;
mod head;
mod heavy_corner;
mod hole_at_ear;
mod kept_hair_lost;
mod known;
mod layers_low_on_fine;
mod lifted_line;
mod moisture_uneven;
mod mushroom;
mod offer;
mod place;
mod regrowth_stands;
mod rules;
mod see_through_ends;
mod severity;
mod shelf;
mod sides_differ;
mod sure;
mod talked;
mod tension_high;
mod tie_not_reached;
mod trial;
mod triangle;
mod weight_near_surface;
mod weight_too_deep;
mod wish_missed;

pub(crate) use aimed::aimed;
pub use code::FindingCode;
pub use finding::Finding;
pub(crate) use head::Head;
pub use head::Uncut;
pub use known::{Known, Thresholds};
pub use offer::Cure;
pub use place::FindingPlace;
pub use rules::{FindingRule, FindingUnit, Worse, rules};
pub use talked::{Becomes, TalkAnswer};
pub(crate) use talked::{asks as measures_reason, talked};
pub(crate) use trial::{Outcome, Trial, coarse};

use crate::cut::{Cut, cut_until};
use crate::fall::{AsWorn, fall_as_worn};
use crate::grow::HairRequest;
use crate::hair::Hair;
use crate::stop::{Stop, Unfinished};
use head::Measured;
use rayon::prelude::*;

/// The measure of a finding on a head; none where there is nothing to be measured.
fn measured(head: &Head, code: FindingCode) -> Option<Measured> {
    match code {
        FindingCode::Triangle => triangle::measured(head),
        FindingCode::Shelf => shelf::measured(head),
        FindingCode::Mushroom => mushroom::measured(head),
        FindingCode::BroomEnds => broom_ends::measured(head),
        FindingCode::SeeThroughEnds => see_through_ends::measured(head),
        FindingCode::HoleAtEar => hole_at_ear::measured(head),
        FindingCode::HeavyCorner => heavy_corner::measured(head),
        FindingCode::CapLine => cap_line::measured(head),
        FindingCode::ChoppyBack => choppy_back::measured(head),
        FindingCode::SidesDiffer => sides_differ::measured(head),
        FindingCode::LiftedLine => lifted_line::measured(head),
        FindingCode::FrontTooShort => front_too_short::measured(head),
        FindingCode::FringeTooWide => fringe_too_wide::measured(head),
        FindingCode::TieNotReached => tie_not_reached::measured(head),
        FindingCode::WeightNearSurface => weight_near_surface::measured(head),
        FindingCode::WeightTooDeep => weight_too_deep::measured(head),
        FindingCode::GuideDrift => guide_drift::measured(head),
        FindingCode::LayersLowOnFine => layers_low_on_fine::measured(head),
        FindingCode::TensionHigh => tension_high::measured(head),
        FindingCode::MoistureUneven => moisture_uneven::measured(head),
        FindingCode::Flat => flat::measured(head),
        FindingCode::RegrowthStands => regrowth_stands::measured(head),
        FindingCode::ClosesFace => closes_face::measured(head),
        FindingCode::WishMissed => wish_missed::measured(head),
        FindingCode::KeptHairLost => kept_hair_lost::measured(head),
    }
}

/// How bad each finding is on a head, whether it is said or not: its severity, and its badness; what cannot be measured is 0.
fn weighed(head: &Head) -> [(f64, f64); FindingCode::COUNT] {
    FindingCode::ALL.map(|code| match measured(head, code) {
        Some(measured) if !banked::is_kept_back(head, code, &measured) => {
            (measured.severity(code, head.known), measured.badness(code, head.known))
        }
        _ => (0.0, 0.0),
    })
}

/// All that is said of a head, the worst first.
pub(crate) fn findings(head: &Head) -> Vec<Finding> {
    let of = |code: FindingCode| {
        let measured = measured(head, code)?;
        let severity = measured.severity(code, head.known);
        if severity < severity::SAID || banked::is_kept_back(head, code, &measured) {
            return None;
        }
        Some(finding::of(head, code, &measured, severity))
    };
    let mut all: Vec<Finding> = FindingCode::ALL.into_par_iter().filter_map(of).collect();
    // Nothing is said twice: a head that is wide below has its ends there, too.
    let said: Vec<FindingCode> = all.iter().map(|finding| finding.code).collect();
    all.retain(|finding| !finding.code.is_part_of().iter().any(|whole| said.contains(whole)));
    all.sort_by(|one, other| other.severity.total_cmp(&one.severity));
    all
}

/// How bad each finding is on a head after a cut, in the order of the codes.
pub(crate) fn severities(
    hair: &Hair,
    uncut: &Uncut,
    cut: &Cut,
    known: &Known,
    stop: &Stop,
) -> Result<[f64; FindingCode::COUNT], Unfinished> {
    let result = cut_until(hair, cut, stop)?;
    stop.go_on()?;
    let worn = AsWorn::of(hair, &result.lengths);
    let fall = fall_as_worn(hair, &result.lengths, &worn);
    let head = Head::new(hair, &result.lengths, &worn, &fall, cut, &result.moves, known, uncut);
    Ok(weighed(&head).map(|(severity, _)| severity))
}

/// Findings that cures are looked for, the worst first: each takes some hundred cuts.
const CURED: usize = 7;

/// All that is said of a head after a cut, with confidence, causes and cures; and what the client came for.
pub(crate) fn judged(
    request: &HairRequest,
    hair: &Hair,
    uncut: &Uncut,
    cut: &Cut,
    known: &Known,
    stop: &Stop,
) -> Result<(Vec<Finding>, Vec<TalkAnswer>), Unfinished> {
    let result = cut_until(hair, cut, stop)?;
    stop.go_on()?;
    let worn = AsWorn::of(hair, &result.lengths);
    let fall = fall_as_worn(hair, &result.lengths, &worn);
    let head = Head::new(hair, &result.lengths, &worn, &fall, cut, &result.moves, known, uncut);
    let (mut found, talk) = (findings(&head), talked(&head));
    if found.is_empty() {
        return Ok((found, talk));
    }
    let (coarse_hair, coarse_uncut) = trial::coarse(hair);
    let coarse = Trial::on(&coarse_hair, &coarse_uncut, known, stop);
    let full = Trial::on(hair, uncut, known, stop);
    let sure = sure::shares(request, cut, known, stop)?;
    let (Some(now), Some(full_now)) = (coarse.of(cut)?, full.of(cut)?) else { return Ok((found, talk)) };
    let steps = cause::Steps::of(&coarse, cut)?;
    for (number, finding) in found.iter_mut().enumerate() {
        finding.confidence = Some(sure[finding.code as usize]);
        if finding.steps.is_empty() {
            finding.steps = steps.causing(finding.code, &now);
        }
        if number >= CURED {
            continue;
        }
        finding.cures = cure::of((&coarse, &now), (&full, &full_now), cut, finding)?;
    }
    Ok((found, talk))
}
