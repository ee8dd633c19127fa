//! The least change to a cut that takes a finding away without bringing another.
//!
//! Every lever is pulled on the steps that cause it: figures as far as they reach, and if that helps only so far as is
//! needed; words one by one; then the step's place, the step left out, and a step added. All of it on a coarse head; what is
//! offered is tried on the full one.

use super::acts::acts;
use super::aimed::aimed;
use super::known::FRONT;
use super::offer::Cure;
use super::trial::{Outcome, Trial};
use super::{Finding, FindingCode, cause};
use crate::cut::{Cut, FirstLength, Lever, LeverRule, Move, MoveKind, Sections, levers};
use crate::head::Zone;
use crate::message::{Arg, Message, name_of};
use crate::section::Region;
use crate::stop::Stopped;
use rayon::prelude::*;

/// Cures offered for a finding.
const OFFERED: usize = 3;
/// Steps that are tried one by one.
const TRIED_STEPS: usize = 3;
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

/// A change to be tried.
#[derive(Debug, Clone)]
struct Change {
    lever: Lever,
    steps: Vec<u32>,
    how: How,
}

#[derive(Debug, Clone)]
enum How {
    /// A figure is turned this way.
    Turned(&'static LeverRule, f64),
    /// A cut in which a word was chosen, with the words for it.
    Chosen(Box<Cut>, Message),
}

impl Change {
    /// The cut with so much of the change.
    fn on(&self, of: &Cut, amount: f64) -> Option<Cut> {
        match &self.how {
            How::Chosen(cut, _) => Some((**cut).clone()),
            How::Turned(rule, sign) => {
                let mut cut = of.clone();
                let mut any = false;
                for number in &self.steps {
                    if let Some(turned) = cut.moves[*number as usize].turned(rule.lever, sign * amount) {
                        cut.moves[*number as usize] = turned;
                        any = true;
                    }
                }
                any.then_some(cut)
            }
        }
    }

    fn text(&self, amount: f64) -> Message {
        let numbers = self
            .steps
            .iter()
            .map(|number| Message::new("cure-step").with("number", Arg::Number(f64::from(number + 1))));
        let text = match &self.how {
            How::Chosen(_, word) => word.clone(),
            How::Turned(rule, sign) => {
                let way = if *sign > 0.0 { "more" } else { "less" };
                let amount = match rule.unit {
                    "mm" => Arg::Mm(amount),
                    "°" => Arg::Deg(amount),
                    _ => Arg::Share(amount),
                };
                Message::new(format!("cure-{}-{way}", name_of(rule.lever))).with("amount", amount)
            }
        };
        let steps = Message::listed(numbers).map(|numbers| {
            Message::new("cure-steps")
                .with("count", Arg::Number(self.steps.len() as f64))
                .with("numbers", numbers)
        });
        text.with_some("steps", steps)
    }
}

/// What is tried for a finding, from the least to the most of an upheaval.
fn changes(trial: &Trial, of: &Cut, finding: &Finding) -> Vec<Change> {
    let active = |number: &u32| {
        of.moves
            .get(*number as usize)
            .is_some_and(|move_| !move_.off && !matches!(move_.kind, MoveKind::Pause(_)))
    };
    let all: Vec<u32> = (0..of.moves.len() as u32).filter(active).collect();
    let causes: Vec<u32> = finding.steps.iter().copied().filter(active).collect();
    let causes = if causes.is_empty() { all } else { causes };
    let mut sets: Vec<Vec<u32>> = causes.iter().take(TRIED_STEPS).map(|number| vec![*number]).collect();
    if causes.len() > 1 {
        sets.push(causes.clone());
    }
    let mut changes = Vec::new();
    for steps in &sets {
        for rule in levers() {
            for sign in [1.0, -1.0] {
                changes.push(Change {
                    lever: rule.lever,
                    steps: steps.clone(),
                    how: How::Turned(rule, sign),
                });
            }
        }
    }
    let mut choose = |lever: Lever, steps: Vec<u32>, cut: Cut, word: Message| {
        changes.push(Change { lever, steps, how: How::Chosen(Box::new(cut), word) });
    };
    for number in causes.iter().take(TRIED_STEPS) {
        let at = *number as usize;
        for lever in [Lever::Guide, Lever::OverDirection, Lever::Technique, Lever::Moisture, Lever::Comb] {
            for chosen in of.moves[at].choices(lever) {
                let mut cut = of.clone();
                cut.moves[at] = chosen.move_;
                choose(lever, vec![*number], cut, chosen.word);
            }
        }
        if at > 0
            && let Some(cut) = swapped(of, at)
        {
            choose(Lever::Order, vec![*number], cut, Message::new("cure-order"));
        }
        if let Some(cut) = cause::without(of, at) {
            choose(Lever::LeaveOut, vec![*number], cut, Message::new("cure-leave_out"));
        }
    }
    if causes.len() > 1 {
        let mut cut = of.clone();
        causes.iter().for_each(|number| cut.moves[*number as usize].off = true);
        choose(Lever::LeaveOut, causes.clone(), cut, Message::new("cure-leave_out"));
    }
    for (lever, steps, cut, word) in spared(trial, of, finding, &causes) {
        choose(lever, steps, cut, word);
    }
    for (word, move_) in acts(trial.hair(), finding.code, &finding.place) {
        let mut cut = of.clone();
        cut.moves.push(move_);
        choose(Lever::Add, vec![cut.moves.len() as u32 - 1], cut, word);
    }
    changes
}

/// The cut with a zone spared from the steps that cause what is found there; with that zone cut to its wish, and with every wish
/// cut instead of those steps.
fn spared(
    trial: &Trial,
    of: &Cut,
    finding: &Finding,
    causes: &[u32],
) -> Vec<(Lever, Vec<u32>, Cut, Message)> {
    use FindingCode as F;
    let lengths =
        matches!(finding.code, F::WishMissed | F::KeptHairLost | F::FrontTooShort | F::TieNotReached);
    if !lengths && !matches!(finding.code, F::HoleAtEar | F::FringeTooWide | F::LayersLowOnFine) {
        return Vec::new();
    }
    let zone = finding.place.zone;
    let zones: Vec<Zone> = match finding.code {
        F::TieNotReached => FRONT.into(),
        _ => [Some(zone), zone.mirrored()].into_iter().flatten().collect(),
    };
    let spare = |steps: &[u32]| {
        let mut cut = of.clone();
        for number in steps {
            let move_ = &mut cut.moves[*number as usize];
            let mut parts = vec![move_.region.clone()];
            parts.extend(zones.iter().map(|zone| Region::Not(Box::new(Region::Zone(*zone)))));
            move_.region = Region::All(parts);
        }
        cut
    };
    let word = |name: &str| Message::new(name).with("zone", Message::word("step-zone", zone));
    let mut all: Vec<(Lever, Vec<u32>, Cut, Message)> = causes
        .iter()
        .take(TRIED_STEPS)
        .map(|number| (Lever::LeaveOut, vec![*number], spare(&[*number]), word("cure-spare")))
        .collect();
    all.push((Lever::LeaveOut, causes.to_vec(), spare(causes), word("cure-spare")));
    if !lengths {
        return all;
    }
    // The wishes as steps of their own.
    let wished = aimed(&trial.known().aim).moves;
    let here = |move_: &&Move| zones.iter().any(|zone| move_.region == Region::Zone(*zone));
    if wished.iter().any(|move_| here(&move_)) {
        let mut cut = spare(causes);
        cut.moves.extend(wished.iter().filter(here).cloned());
        all.push((Lever::Add, causes.to_vec(), cut, word("cure-spare_and_wish")));
    }
    if !wished.is_empty() {
        let active =
            (0..of.moves.len() as u32).filter(|number| cause::without(of, *number as usize).is_some());
        for instead in [causes.to_vec(), active.collect()] {
            let mut cut = of.clone();
            instead.iter().for_each(|number| cut.moves[*number as usize].off = true);
            cut.moves.extend(wished.clone());
            all.push((Lever::Add, instead, cut, Message::new("cure-wish_instead")));
        }
    }
    all
}

/// The cut with a step done before the one above it; none where a later step counts on their numbers.
fn swapped(of: &Cut, at: usize) -> Option<Cut> {
    let counts = of.moves.iter().any(|move_| {
        let like =
            matches!(&move_.kind, MoveKind::Sections(Sections { length: FirstLength::LikeMove(_), .. }));
        like || move_.banked_until.is_some()
    });
    let pause = matches!(of.moves[at - 1].kind, MoveKind::Pause(_));
    if counts || pause {
        return None;
    }
    let mut cut = of.clone();
    cut.moves.swap(at - 1, at);
    Some(cut)
}

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
    let tried: Vec<Option<Tried>> = changes(trial, of, finding)
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
