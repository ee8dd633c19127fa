//! The least change to a cut that takes a finding away without bringing another.
//!
//! Every [change](super::changes) is tried on a coarse head: figures as far as they reach, and if that helps only so far as is
//! needed. What is offered is tried on the full one.

use super::changes::{Change, How, changes};
use super::offer::Cure;
use super::trial::{Outcome, Trial};
use super::{Finding, FindingCode};
use crate::cut::{Cut, Lever};
use crate::message::Message;
use crate::stop::Stopped;
use rayon::prelude::*;

/// Cures offered for a finding.
const OFFERED: usize = 3;
/// How often the amount between too little and enough is halved.
const HALVINGS: usize = 4;
/// What a change is compared by: mm of mean length that changes, mm more if it goes, each step touched, each minute.
const CHANGES: f64 = 1.0;
const GOES: f64 = 1.0;
const TOUCHES: f64 = 4.0;
const TAKES: f64 = 1.0;
/// Shares of a lever's reach that are tried, and by how much it has to move a finding for less than all of it to be tried.
const REACHES: [f64; 3] = [1.0, 0.5, 0.2];
const MOVES: f64 = 0.05;
/// Share of an amount by which less and more of it are tried.
const BETWEEN: f64 = 0.35;
/// By what share a change has to help for a second one to be tried on it, and on how many.
const HELPS: f64 = 0.2;
const SECOND: usize = 1;
/// How often an amount that is not enough on the full head is raised by a step.
const RAISES: usize = 4;

/// A change as it was tried on the coarse head, and what came of it.
#[derive(Clone)]
struct Tried {
    change: Change,
    amount: f64,
    cut: Cut,
    outcome: Outcome,
}

/// The least of a change that cures, or else the amount of it that helps most; none where it does nothing.
fn least(
    trial: &Trial,
    of: &Cut,
    now: &Outcome,
    code: FindingCode,
    change: &Change,
) -> Result<Option<Tried>, Stopped> {
    let tried = |amount: f64| -> Result<Option<Tried>, Stopped> {
        let Some(cut) = change.on(of, amount) else { return Ok(None) };
        Ok(trial.of(&cut)?.map(|outcome| Tried { change: change.clone(), amount, cut, outcome }))
    };
    let How::Turned(rule, _) = &change.how else { return tried(0.0) };
    let at = |share: f64| tried((share * rule.reach / rule.step).round() * rule.step);
    let better = |one: &Tried, best: &Option<Tried>| {
        best.as_ref().is_none_or(|best| one.outcome.badness(code) < best.outcome.badness(code))
    };
    let mut best: Option<Tried> = None;
    // As far as it reaches; where that goes past what is wanted, less far.
    let mut nearest = 1.0;
    for share in REACHES {
        let Some(one) = at(share)? else { break };
        let moves = (one.outcome.badness(code) - now.badness(code)).abs() >= MOVES;
        if better(&one, &best) {
            (best, nearest) = (Some(one), share);
        }
        // A lever that hardly moves it won't, and one that cures needs no more tries.
        if !moves || best.as_ref().is_some_and(|best| !best.outcome.says(code)) {
            break;
        }
    }
    // Between what is too little and what is too much.
    let mut width = BETWEEN * nearest;
    while width > 0.04
        && best.as_ref().is_some_and(|best| best.outcome.says(code) && helps(&best.outcome, now, code))
    {
        let from = nearest;
        for share in [from - width, from + width] {
            let Some(one) = at(share.min(1.0))? else { continue };
            if better(&one, &best) {
                (best, nearest) = (Some(one), share);
            }
        }
        width *= 0.5;
    }
    let Some(mut best) = best else { return Ok(None) };
    if !best.outcome.says(code) {
        let mut too_little = 0.0;
        for _ in 0..HALVINGS {
            let middle = ((0.5 * (too_little + best.amount)) / rule.step).round() * rule.step;
            if middle <= too_little || middle >= best.amount {
                break;
            }
            match tried(middle)? {
                Some(at) if !at.outcome.says(code) => best = at,
                _ => too_little = middle,
            }
        }
    }
    Ok(Some(best))
}

/// Whether a change helps a good deal.
fn helps(outcome: &Outcome, now: &Outcome, code: FindingCode) -> bool {
    outcome.badness(code) < (1.0 - HELPS) * now.badness(code)
}

/// All changes tried on a cut, in their order.
fn all_tried(trial: &Trial, of: &Cut, now: &Outcome, finding: &Finding) -> Result<Vec<Tried>, Stopped> {
    let tried: Vec<Option<Tried>> = changes(trial.hair(), &trial.known().aim, of, finding)
        .par_iter()
        .map(|change| least(trial, of, now, finding.code, change))
        .collect::<Result<_, _>>()?;
    Ok(tried.into_iter().flatten().collect())
}

/// What a change is compared by.
fn cost(outcome: &Outcome, now: &Outcome, steps: usize) -> f64 {
    let longer = outcome.length_mm - now.length_mm;
    CHANGES * longer.abs()
        + GOES * (-longer).max(0.0)
        + TOUCHES * steps as f64
        + TAKES * (outcome.minutes - now.minutes).abs()
}

/// Cures of a finding, the smallest change first. `coarse` searches, `full` confirms.
pub(super) fn of(
    (coarse, now): (&Trial, &Outcome),
    (full, full_now): (&Trial, &Outcome),
    cut: &Cut,
    finding: &Finding,
) -> Result<Vec<Cure>, Stopped> {
    let code = finding.code;
    let cures = |tried: &Tried| !tried.outcome.says(code) && tried.outcome.brings_nothing_new(now);
    let first = all_tried(coarse, cut, now, finding)?;
    let mut cured: Vec<Vec<Tried>> =
        first.iter().filter(|tried| cures(tried)).map(|tried| vec![tried.clone()]).collect();
    if cured.is_empty() {
        // Two changes may do what one can't: what helps most, and then another.
        let helping = first.iter().filter(|tried| helps(&tried.outcome, now, code));
        let mut helping: Vec<&Tried> =
            helping.filter(|tried| tried.change.lever != Lever::LeaveOut).collect();
        helping.sort_by(|one, other| one.outcome.badness(code).total_cmp(&other.outcome.badness(code)));
        for one in helping.into_iter().take(SECOND) {
            let second = all_tried(coarse, &one.cut, &one.outcome, finding)?;
            cured.extend(second.into_iter().filter(cures).map(|other| vec![one.clone(), other]));
        }
    }
    let last = |all: &[Tried]| {
        all.last().map_or(f64::INFINITY, |tried| {
            cost(&tried.outcome, now, all.iter().map(|tried| tried.change.steps.len()).sum())
        })
    };
    cured.sort_by(|one, other| last(one).total_cmp(&last(other)));
    let mut offered: Vec<Cure> = Vec::new();
    for changes in cured {
        let Some((tried, before)) = changes.split_last() else { continue };
        if offered.len() == OFFERED {
            break;
        }
        if offered.iter().any(|known| known.lever == tried.change.lever) {
            continue;
        }
        // On the full head it may take a step more.
        let raise = match &tried.change.how {
            How::Turned(rule, _) => rule.step,
            How::Chosen(..) => 0.0,
        };
        let base = before.last().map_or(cut, |before| &before.cut);
        for more in 0..=RAISES {
            let amount = tried.amount + raise * more as f64;
            let Some(changed) = tried.change.on(base, amount) else { break };
            let there = full.of(&changed)?;
            if there.is_some_and(|there| !there.says(code) && there.brings_nothing_new(full_now)) {
                let words =
                    before.iter().map(|one| one.change.text(one.amount)).chain([tried.change.text(amount)]);
                let mut steps: Vec<u32> = changes.iter().flat_map(|one| one.change.steps.clone()).collect();
                steps.sort_unstable();
                steps.dedup();
                offered.extend(Message::joined("cure-and", words).map(|text| Cure {
                    lever: tried.change.lever,
                    amount,
                    text,
                    longer_mm: tried.outcome.length_mm - now.length_mm,
                    minutes: tried.outcome.minutes - now.minutes,
                    steps,
                    cut: changed,
                }));
                break;
            }
            if raise == 0.0 {
                break;
            }
        }
    }
    Ok(offered)
}
