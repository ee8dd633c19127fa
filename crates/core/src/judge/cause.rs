//! Which steps cause a finding: those without which it is hardly there.

use super::FindingCode;
use super::trial::{Outcome, Trial};
use crate::cut::{Cut, FirstLength, Guide, MoveKind, Sections};
use crate::stop::Stopped;
use rayon::prelude::*;

/// How much less there has to be of a finding without a step, at least, and as a share of the most that any step makes.
const LESS: f64 = 0.08;
const OF_MOST: f64 = 0.5;

/// What a cut comes to without each of its steps, and up to each.
pub(super) struct Steps {
    without: Vec<Option<Outcome>>,
    up_to: Vec<Option<Outcome>>,
    none: Option<Outcome>,
}

impl Steps {
    pub fn of(trial: &Trial, cut: &Cut) -> Result<Self, Stopped> {
        let each =
            |changed: &(dyn Fn(usize) -> Option<Cut> + Sync)| -> Result<Vec<Option<Outcome>>, Stopped> {
                let of = |number: usize| changed(number).map_or(Ok(None), |cut| trial.of(&cut));
                (0..cut.moves.len()).into_par_iter().map(of).collect()
            };
        let up_to = |number: usize| {
            let mut cut = cut.clone();
            cut.moves[number + 1..].iter_mut().for_each(|later| later.off = true);
            Some(cut)
        };
        let mut none = cut.clone();
        none.moves.iter_mut().for_each(|move_| move_.off = true);
        let none = trial.of(&none)?;
        Ok(Self { none, without: each(&|number| without(cut, number))?, up_to: each(&up_to)? })
    }

    /// The steps that cause a finding, the chief one first: those without which there is less of it, and those with which it
    /// came: where several cause all of it each, leaving one out changes nothing.
    pub fn causing(&self, code: FindingCode, with: &Outcome) -> Vec<u32> {
        let all = with.badness(code);
        let less = self.without.iter().map(|outcome| {
            let less = outcome.as_ref().map_or(0.0, |without| all - without.badness(code));
            // Of a zone that is not cut to its wish the step is the cause that cuts it at all.
            if code == FindingCode::WishMissed { less.abs() } else { less }
        });
        let mut before = self.none.as_ref().map_or(0.0, |none| none.badness(code));
        let more = self.up_to.iter().map(|outcome| {
            let now = outcome.as_ref().map_or(before, |outcome| outcome.badness(code));
            let more = now - before;
            before = now;
            more
        });
        let mut causes = chief(less);
        causes.extend(chief(more));
        let mut seen = Vec::new();
        causes.retain(|number| {
            !seen.contains(number) && {
                seen.push(*number);
                true
            }
        });
        causes
    }
}

/// Of how much each step makes, the numbers of those that make enough, the most first.
fn chief(made: impl Iterator<Item = f64>) -> Vec<u32> {
    let mut all: Vec<(f64, u32)> = made.zip(0..).collect();
    all.sort_by(|one, other| other.0.total_cmp(&one.0).then(one.1.cmp(&other.1)));
    let most = all.first().map_or(0.0, |(made, _)| *made);
    let enough = f64::max(LESS, OF_MOST * most);
    all.into_iter().filter(|(made, _)| *made >= enough).map(|(_, number)| number).collect()
}

/// The cut without a step; none where it is off or cuts nothing anyway. Steps that are guided by it go by what lies beside them.
pub(super) fn without(cut: &Cut, number: usize) -> Option<Cut> {
    let move_ = &cut.moves[number];
    if move_.off || matches!(move_.kind, MoveKind::Pause(_)) {
        return None;
    }
    let mut cut = cut.clone();
    cut.moves[number].off = true;
    for later in &mut cut.moves[number + 1..] {
        if let MoveKind::Sections(Sections { length, guide, .. }) = &mut later.kind
            && *length == FirstLength::LikeMove(number as u32)
        {
            *length = FirstLength::LikeBeside;
            if *guide == Guide::Free {
                *guide = Guide::TRAVELLING;
            }
        }
    }
    Some(cut)
}
