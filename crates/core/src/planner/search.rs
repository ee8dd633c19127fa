//! A candidate's figures solved on a coarse head: its lengths for the wish, then all of them for everything that counts.

use super::candidate::{Candidate, pin_states};
use super::least_squares::least;
use super::request::Pins;
use super::score::{Against, Score};
use super::target::Target;
use crate::cut::{Cut, Move, MoveKind, cut_until};
use crate::fall::{AsWorn, zones};
use crate::fibre::{Comb, HeldState, Moisture};
use crate::hair::Hair;
use crate::head::{Point, Zone};
use crate::judge::{Outcome, Trial};
use crate::method::{FigureUnit, Goes, Rule};
use crate::stop::{Stop, Stopped, Unfinished};

/// What a wish may be missed by, and what a figure without a wish may stray from its start, in steps.
const WISH_MM: f64 = 5.0;
const STRAYS: f64 = 30.0;
/// Steps of the second search, in those of the first; and rounds, each with half the step.
const STRIDE: f64 = 5.0;
const ROUNDS: usize = 2;
/// Rounds of a search for lengths, from a start and from a plan that is nearly right.
const ROUNDS_FROM_AFAR: usize = 8;
const ROUNDS_NEARBY: usize = 2;
/// By how much a step must better a plan, and by how much another state of the layers.
const BETTER: f64 = 0.01;
const BETTER_STATE: f64 = 0.1;
/// States of layers that are tried.
const STATES: [HeldState; 5] = [
    HeldState { moisture: Moisture::Wet, comb: Comb::Wide },
    HeldState { moisture: Moisture::Wet, comb: Comb::Medium },
    HeldState { moisture: Moisture::Damp, comb: Comb::Wide },
    HeldState { moisture: Moisture::Dry, comb: Comb::Wide },
    HeldState { moisture: Moisture::Dry, comb: Comb::None },
];

/// A head on which candidates are solved.
#[derive(Clone, Copy)]
pub(super) struct Search<'a> {
    pub hair: &'a Hair,
    pub trial: &'a Trial<'a>,
    pub goes: &'a [Goes],
    pub against: &'a Against<'a>,
    pub rules: &'a [&'static Rule],
    pub pins: &'a Pins,
    pub stop: &'a Stop,
}

/// A candidate with values of its figures.
#[derive(Debug, Clone)]
pub(super) struct Solved {
    pub candidate: Candidate,
    pub values: Vec<f64>,
    pub cut: Cut,
    pub outcome: Outcome,
    pub score: Score,
    pub evaluations: u32,
}

impl Search<'_> {
    /// The cut of a candidate with these values.
    fn cut(&self, candidate: &Candidate, values: &[f64]) -> Option<Cut> {
        let mut cut = candidate.cut(values, &self.hair.measures, self.rules, self.pins)?;
        pin_states(self.hair, &self.pins.states, &mut cut);
        Some(cut)
    }

    /// Rules a cut keeps, and those it breaks.
    pub fn rules_of(&self, cut: &Cut) -> (Vec<u32>, Vec<u32>) {
        let (mut kept, mut broken) = (Vec::new(), Vec::new());
        for rule in self.rules {
            match rule.is_kept(cut) {
                Some(true) => kept.push(rule.number),
                Some(false) => broken.push(rule.number),
                None => {}
            }
        }
        (kept, broken)
    }

    /// What a cut comes to, and how that counts.
    pub fn scored(&self, candidate: &Candidate, cut: &Cut) -> Result<Option<(Outcome, Score)>, Stopped> {
        let Some(outcome) = self.trial.of(cut)? else { return Ok(None) };
        let (kept, broken) = self.rules_of(cut);
        let score =
            Score::of(self.hair, &outcome, self.against, candidate.weight(), (kept.len(), broken.len()));
        Ok(Some((outcome, score)))
    }

    /// Lengths solved for the wish.
    pub fn lengths(&self, candidate: Candidate) -> Result<Option<Solved>, Stopped> {
        let start = self.start(&candidate);
        self.lengths_from(candidate, &start, ROUNDS_FROM_AFAR)
    }

    /// The lengths of a plan that was found on fewer strands solved again on these, where that betters it.
    pub fn refined(&self, solved: Solved) -> Result<Option<Solved>, Stopped> {
        let Some(here) =
            self.solved(solved.candidate.clone(), solved.values.clone(), solved.evaluations + 1)?
        else {
            return Ok(None);
        };
        let here = self.without_idle(here.clone())?.unwrap_or(here);
        let again = self.lengths_from(solved.candidate, &solved.values, ROUNDS_NEARBY)?;
        let Some(again) = again else { return Ok(Some(here)) };
        let again = self.rounded(again)?;
        let evaluations = here.evaluations + again.evaluations;
        // Solved so that its own steps cut nothing, it would be no way of working any more.
        let again = self.without_idle(again)?;
        Ok(Some(match again.filter(|again| again.score.total < here.score.total) {
            Some(again) => Solved { evaluations, ..again },
            None => Solved { evaluations, ..here },
        }))
    }

    pub(super) fn lengths_from(
        &self,
        candidate: Candidate,
        start: &[f64],
        rounds: usize,
    ) -> Result<Option<Solved>, Stopped> {
        let figures = candidate.freedom.figures();
        let wished = candidate.freedom.wished(self.goes);
        let turned: Vec<usize> = (0..figures.len()).filter(|i| figures[*i].0.is_length()).collect();
        let step = |i: usize| figures[i].0.step();
        let values = |x: &[f64]| {
            let mut values = start.to_vec();
            turned.iter().zip(x).for_each(|(i, x)| values[*i] = x * step(*i));
            values
        };
        let from: Vec<f64> = turned.iter().map(|i| start[*i] / step(*i)).collect();
        let bounds: Vec<(f64, f64)> =
            turned.iter().map(|i| (figures[*i].1 / step(*i), figures[*i].2 / step(*i))).collect();
        let residuals = |x: &[f64]| -> Result<Option<Vec<f64>>, Stopped> {
            let Some(cut) = self.cut(&candidate, &values(x)) else { return Ok(None) };
            let lengths = match cut_until(self.hair, &cut, self.stop) {
                Ok(result) => result.lengths,
                Err(Unfinished::Faults(_)) => return Ok(None),
                Err(Unfinished::Stopped(stopped)) => return Err(stopped),
            };
            let zones = zones(self.hair, &lengths, &AsWorn::of(self.hair, &lengths));
            let wishes = self.against.targets.iter().flat_map(|target: &Target| {
                [
                    target.counts * target.lacks_mm(&zones) / WISH_MM,
                    target.too_short_mm(&zones) / (0.5 * WISH_MM),
                ]
            });
            // What no wish holds stays about where it begins.
            let strays = turned
                .iter()
                .zip(x.iter().zip(&from))
                .map(|(i, (x, from))| (x - from) / if wished[*i] { 10.0 * STRAYS } else { STRAYS });
            Ok(Some(wishes.chain(strays).collect()))
        };
        let Some(found) = least(&from, &bounds, rounds, residuals)? else { return Ok(None) };
        let values = values(&found.at);
        self.solved(candidate, values, found.evaluations + 1)
    }

    fn solved(
        &self,
        candidate: Candidate,
        values: Vec<f64>,
        evaluations: u32,
    ) -> Result<Option<Solved>, Stopped> {
        let Some(cut) = self.cut(&candidate, &values) else { return Ok(None) };
        let Some((outcome, score)) = self.scored(&candidate, &cut)? else { return Ok(None) };
        Ok(Some(Solved { candidate, values, cut, outcome, score, evaluations }))
    }

    /// All figures turned, one after the other, as long as that betters the whole.
    pub fn polished(&self, mut best: Solved) -> Result<Solved, Stopped> {
        let figures = best.candidate.freedom.figures();
        let mut stride = STRIDE;
        for _ in 0..ROUNDS {
            for (i, (unit, least, greatest)) in figures.iter().enumerate() {
                for sign in [1.0, -1.0] {
                    let mut values = best.values.clone();
                    values[i] = (values[i] + sign * stride * unit.step()).clamp(*least, *greatest);
                    if values[i] == best.values[i] {
                        continue;
                    }
                    let tried = self.solved(best.candidate.clone(), values, best.evaluations + 1)?;
                    best.evaluations += 1;
                    if let Some(tried) = tried.filter(|tried| tried.score.total < best.score.total - BETTER) {
                        best = tried;
                        break;
                    }
                }
            }
            stride *= 0.5;
        }
        self.in_best_state(best)
    }

    /// The same with its layers cut in another state, where its way of working leaves that open and it is better by enough to be
    /// worth the change: less strays, less shows, no less is seen.
    fn in_best_state(&self, best: Solved) -> Result<Solved, Stopped> {
        if self.pins.moisture.is_some() || !self.pins.states.is_empty() || !best.candidate.is_open_in_state()
        {
            return Ok(best);
        }
        let usual = best.score.total - BETTER_STATE;
        let mut chosen = best;
        for state in STATES {
            let candidate = Candidate { state: Some(state), ..chosen.candidate.clone() };
            let tried = self.solved(candidate, chosen.values.clone(), chosen.evaluations + 1)?;
            chosen.evaluations += 1;
            if let Some(tried) = tried.filter(|tried| tried.score.total < chosen.score.total.min(usual)) {
                chosen = tried;
            }
        }
        Ok(chosen)
    }

    /// The same in figures that hands can tell apart.
    pub fn rounded(&self, solved: Solved) -> Result<Solved, Stopped> {
        let figures = solved.candidate.freedom.figures();
        let values: Vec<f64> = solved
            .values
            .iter()
            .zip(&figures)
            .map(|(value, (unit, least, greatest))| unit.rounded(*value).clamp(*least, *greatest))
            .collect();
        let evaluations = solved.evaluations + 1;
        Ok(self.solved(solved.candidate.clone(), values, evaluations)?.unwrap_or(solved))
    }

    /// Steps that cut nothing on this head are switched off; none is left where that is all a way of working is.
    pub fn without_idle(&self, solved: Solved) -> Result<Option<Solved>, Stopped> {
        let own = |move_: &Move| matches!(move_.kind, MoveKind::Sections(_) | MoveKind::Gathered(_));
        let idle = &solved.outcome.idle;
        let mut layered =
            solved.cut.moves.iter().enumerate().filter(|(_, move_)| !move_.off && own(move_)).peekable();
        if layered.peek().is_some() && layered.all(|(number, _)| idle.contains(&number)) {
            return Ok(None);
        }
        if idle.is_empty() || solved.candidate.method.is_none() {
            return Ok(Some(solved));
        }
        let mut cut = solved.cut.clone();
        idle.iter().for_each(|number| cut.moves[*number].off = true);
        let Some((outcome, score)) = self.scored(&solved.candidate, &cut)? else { return Ok(Some(solved)) };
        Ok(Some(Solved { cut, outcome, score, evaluations: solved.evaluations + 1, ..solved }))
    }

    fn start(&self, candidate: &Candidate) -> Vec<f64> {
        let chin = Point::Chin.height_mm(&self.hair.measures);
        let mean = |zones: &[Zone], of: &dyn Fn(&crate::fall::ZoneFall) -> f64| {
            let known: Vec<f64> =
                self.against.before.zones.iter().filter(|zone| zones.contains(&zone.zone)).map(of).collect();
            known.iter().sum::<f64>() / known.len().max(1) as f64
        };
        candidate.freedom.start(
            self.goes,
            |zones| mean(zones, &|zone| zone.worn_mm),
            // Nothing is cut at a line below the ends that are there.
            |zones| chin - mean(zones, &|zone| zone.ends_at_mm),
            chin,
        )
    }
}

/// Values of figures with their names.
pub(super) fn named(solved: &Solved) -> Vec<(String, FigureUnit, f64)> {
    match &solved.candidate.method {
        Some(method) => method
            .figures
            .iter()
            .zip(&solved.values)
            .map(|(figure, value)| (figure.name.clone(), figure.unit, *value))
            .collect(),
        None => Vec::new(),
    }
}
