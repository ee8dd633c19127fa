//! What is tried against a finding: every lever pulled on the steps that cause it, figures one way and the other and words one
//! by one; then the step's place, the step or a zone of it left out, and a step added.

use super::acts::acts;
use super::aimed::aimed;
use super::known::FRONT;
use super::{Finding, FindingCode, cause};
use crate::cut::{Cut, FirstLength, Lever, LeverRule, Move, MoveKind, Sections, levers};
use crate::hair::Hair;
use crate::head::Zone;
use crate::mark::Aim;
use crate::message::{Arg, Message, name_of};
use crate::section::Region;

/// Steps that are tried one by one.
const TRIED_STEPS: usize = 3;

/// A change to be tried.
#[derive(Debug, Clone)]
pub(super) struct Change {
    pub lever: Lever,
    pub steps: Vec<u32>,
    pub how: How,
}

#[derive(Debug, Clone)]
pub(super) enum How {
    /// A figure is turned this way.
    Turned(&'static LeverRule, f64),
    /// A cut in which a word was chosen, with the words for it.
    Chosen(Box<Cut>, Message),
}

impl Change {
    /// The cut with so much of the change.
    pub fn on(&self, of: &Cut, amount: f64) -> Option<Cut> {
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

    pub fn text(&self, amount: f64) -> Message {
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
pub(super) fn changes(hair: &Hair, aim: &Aim, of: &Cut, finding: &Finding) -> Vec<Change> {
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
    for (lever, steps, cut, word) in spared(aim, of, finding, &causes) {
        choose(lever, steps, cut, word);
    }
    for (word, move_) in acts(hair, finding.code, &finding.place) {
        let mut cut = of.clone();
        cut.moves.push(move_);
        choose(Lever::Add, vec![cut.moves.len() as u32 - 1], cut, word);
    }
    changes
}

/// The cut with a zone spared from the steps that cause what is found there; with that zone cut to its wish, and with every wish
/// cut instead of those steps.
fn spared(aim: &Aim, of: &Cut, finding: &Finding, causes: &[u32]) -> Vec<(Lever, Vec<u32>, Cut, Message)> {
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
    let wished = aimed(aim).moves;
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
