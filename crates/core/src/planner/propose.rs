//! Finds plans.

use super::answer::{Considered, FigureValue, OutOfReach, PlanAnswer, Proposal, WidthReached, ZoneReached};
use super::candidate::{Candidate, has_fringe, joined};
use super::freedom::Freedom;
use super::request::PlanRequest;
use super::score::{Against, Score, rms_mm};
use super::search::{Search, Solved, named};
use super::states::states;
use super::target::Target;
use super::trade::trade_off;
use super::ways::found_in;
use super::why::{departs, kept_and_lost, why, why_behind};
use crate::constants::GROWTH_MM_PER_DAY;
use crate::cut::Cut;
use crate::error::FieldErrors;
use crate::fall::fall;
use crate::hair::Hair;
use crate::head::Zone;
use crate::judge::{Trial, Uncut, coarse, measures_reason};
use crate::message::{Arg, Message};
use crate::method::{Fact, Facts, Goes, methods};
use crate::stop::{Stop, Stopped, Unfinished};
use rayon::prelude::*;

/// Candidates whose figures are all turned, and plans that are proposed.
const POLISHED: usize = 6;
const PROPOSED: usize = 3;

impl PlanRequest {
    /// Plans, on a head that was grown before and whose own fall is known. `progress` hears a share of the work that is done.
    pub fn propose_on(
        &self,
        hair: &Hair,
        uncut: &Uncut,
        stop: &Stop,
        progress: &(dyn Fn(f64) + Sync),
    ) -> Result<PlanAnswer, Unfinished> {
        self.check()?;
        let asked = self.of(Cut::default());
        let known = asked.known();
        let facts = Facts::of(&self.reading, hair, &uncut.fall, self.talk.as_ref(), &self.aim);
        let rules: Vec<_> = self.rules.holding(&facts).collect();
        let (few, few_uncut) = coarse(hair);
        let targets = Target::all(&self.aim, hair, &uncut.fall);
        let few_targets = Target::all(&self.aim, &few, &few_uncut.fall);
        let few_goes = Goes::by(&self.aim, &few, &few_uncut.fall);
        let came_for: Vec<_> = known.reasons.iter().filter_map(|reason| measures_reason(*reason)).collect();
        let against = |targets, before| Against {
            targets,
            widths: &self.aim.widths,
            ends_mm: self.aim.ends_mm,
            before,
            minutes: self.minutes,
            came_for: &came_for,
        };
        let (few_against, full_against) =
            (against(&few_targets[..], &few_uncut.fall), against(&targets[..], &uncut.fall));
        let (few_trial, full_trial) =
            (Trial::on(&few, &few_uncut, &known, stop), Trial::on(hair, uncut, &known, stop));
        let search = Search {
            hair: &few,
            trial: &few_trial,
            goes: &few_goes,
            against: &few_against,
            rules: &rules,
            pins: &self.pins,
            stop,
        };
        let full = Search { hair, trial: &full_trial, against: &full_against, ..search };
        progress(0.1);

        let (candidates, mut considered) = self.candidates(&facts, !targets.is_empty());
        let solved: Vec<Option<Solved>> = candidates
            .into_par_iter()
            .map(|candidate| search.lengths(candidate))
            .collect::<Result<_, Stopped>>()?;
        let mut solved: Vec<Solved> = solved.into_iter().flatten().collect();
        let mut evaluations: u32 = solved.iter().map(|solved| solved.evaluations).sum();
        by_score(&mut solved);
        progress(0.4);
        if !self.quick {
            let rest = solved.split_off(solved.len().min(POLISHED));
            let before: u32 = solved.iter().map(|solved| solved.evaluations).sum();
            solved = solved
                .into_par_iter()
                .map(|solved| search.polished(solved))
                .collect::<Result<_, Stopped>>()?;
            evaluations += solved.iter().map(|solved| solved.evaluations).sum::<u32>() - before;
            solved.extend(rest);
            by_score(&mut solved);
        }
        progress(0.8);

        let mut working = Vec::with_capacity(solved.len());
        for solved in solved {
            let (method, name) = (solved.candidate.key.clone(), solved.candidate.name.clone());
            match search.without_idle(search.rounded(solved)?)? {
                Some(solved) => working.push(solved),
                None if considered.iter().any(|other| other.method == method) => {}
                None => {
                    considered.push(Considered { method, name, why_not: Message::new("plan-behind-idle") })
                }
            }
        }
        by_score(&mut working);
        let mut best = best_of_each(working);
        let ways = if self.quick { Vec::new() } else { self.other_ways(stop)? };
        if !ways.is_empty() {
            best.par_iter_mut().try_for_each(|solved| -> Result<(), Stopped> {
                let (counts, _) = found_in(&solved.cut, &ways, stop)?;
                solved.score = solved.score.with_other_ways(counts);
                Ok(())
            })?;
            evaluations += (best.len() * ways.len()) as u32;
            by_score(&mut best);
        }
        let count = if self.quick { 1 } else { PROPOSED };
        considered.retain(|other| !best.iter().any(|known| known.candidate.key == other.method));
        let behind = best.split_off(best.len().min(count));
        let carried: Vec<(Option<Proposal>, u32)> = best
            .into_par_iter()
            .map(|solved| {
                let before = solved.evaluations;
                let refined = if self.quick { Some(solved) } else { full.refined(solved)? };
                let Some(refined) = refined else { return Ok((None, 0)) };
                let mut evaluations = refined.evaluations - before + 1;
                let Some(mut proposal) = self.carried_out(&full, uncut, &refined)? else {
                    return Ok((None, evaluations));
                };
                if !self.quick {
                    let (counts, found) = found_in(&refined.cut, &ways, stop)?;
                    let (trade_off, tried) = trade_off(&full, &refined)?;
                    (proposal.other_ways, proposal.trade_off) = (found, trade_off);
                    proposal.score = proposal.score.with_other_ways(counts);
                    evaluations += ways.len() as u32 + tried;
                }
                Ok((Some(proposal), evaluations))
            })
            .collect::<Result<_, Unfinished>>()?;
        evaluations += carried.iter().map(|(_, count)| count).sum::<u32>();
        let mut proposals: Vec<Proposal> = carried.into_iter().filter_map(|(proposal, _)| proposal).collect();
        proposals.sort_by(|one, other| one.score.total.total_cmp(&other.score.total));
        if let Some(first) = proposals.first() {
            for solved in &behind {
                if considered.iter().any(|other| other.method == solved.candidate.key) {
                    continue;
                }
                considered.push(Considered {
                    method: solved.candidate.key.clone(),
                    name: solved.candidate.name.clone(),
                    why_not: why_behind(&solved.score, &first.score, (solved.outcome.minutes, first.minutes)),
                });
            }
        }
        progress(1.0);
        Ok(PlanAnswer { proposals, considered, out_of_reach: out_of_reach(&targets), evaluations })
    }

    /// What may be proposed, and what is refused.
    fn candidates(&self, facts: &Facts, wished: bool) -> (Vec<Candidate>, Vec<Considered>) {
        if let Some(cut) = &self.pins.cut {
            let stays = |step: usize| self.pins.held.iter().any(|held| *held as usize == step);
            let own = Candidate {
                key: String::new(),
                name: cut.name.clone(),
                sentence: cut.purpose.clone(),
                method: None,
                freedom: Freedom::of_cut(cut, stays),
                suits: Vec::new(),
                state: None,
                number: 0,
            };
            return (vec![own], Vec::new());
        }
        let allowed = |key: &str| self.methods.as_ref().is_none_or(|only| only.iter().any(|one| one == key));
        let module = methods().iter().find(|shipped| {
            shipped.method.module
                && allowed(shipped.key)
                && !shipped.method.refuses.iter().any(|clause| clause.when.holds(facts))
        });
        let only_fringe = wished && self.aim.zones.keys().all(|zone| *zone == Zone::Fringe);
        let (mut candidates, mut considered) = (Vec::new(), Vec::new());
        for (number, shipped) in methods().iter().enumerate().filter(|(_, shipped)| allowed(shipped.key)) {
            let method = &shipped.method;
            let mut not = |why_not: Message| {
                considered.push(Considered {
                    method: shipped.key.to_owned(),
                    name: method.name.clone(),
                    why_not,
                });
            };
            if let Some(clause) = method.refuses.iter().find(|clause| clause.when.holds(facts)) {
                not(Message::new("plan-why-reason").with("reason", clause.reason.as_str()));
                continue;
            }
            let other = |(topic, takes): (&String, &String)| {
                self.rules.sides.get(topic).filter(|side| *side != takes).map(|_| topic.clone())
            };
            if let Some(topic) = method.schools.iter().find_map(other) {
                let topic = Message::word("rule-topic", topic.replace(' ', "_"));
                not(Message::new("plan-considered-side").with("topic", topic));
                continue;
            }
            if method.module && !only_fringe && self.methods.is_none() {
                not(Message::new("plan-considered-module"));
                continue;
            }
            let whole = match module {
                Some(module)
                    if !method.module
                        && !has_fringe(method)
                        && facts.get(Fact::FringeWished) == Some(1.0) =>
                {
                    joined(method, &module.method)
                }
                _ => method.clone(),
            };
            candidates.extend(Candidate::all(shipped.key, number, &whole, facts));
        }
        (candidates, considered)
    }

    /// A plan carried out on the full head.
    fn carried_out(
        &self,
        full: &Search,
        uncut: &Uncut,
        solved: &Solved,
    ) -> Result<Option<Proposal>, Unfinished> {
        let Some((outcome, score)) = full.scored(&solved.candidate, &solved.cut)? else { return Ok(None) };
        let answer = self.of(solved.cut.clone()).answer_on(full.hair, uncut, full.stop)?;
        let (follows, against) = full.rules_of(&solved.cut);
        let (before, after) = (&uncut.fall, &answer.after);
        let light = full.trial.of(&Cut::default())?.map_or(0.0, |uncut| uncut.light_mm);
        let (keeps, loses) = kept_and_lost((before, light), (after, outcome.light_mm), &full.hair.measures);
        let reached = |target: &Target| {
            let (wish_mm, reached_mm) = target.reached_mm(&after.zones);
            let shorter_mm = target.lacks_mm(&after.zones);
            ZoneReached { zone: target.zone, is_height: target.is_height(), wish_mm, reached_mm, shorter_mm }
        };
        let wearing = self.talk.as_ref().map(|talk| talk.wearing()).unwrap_or_default();
        let worn =
            |zone: Zone| after.zones.iter().find(|known| known.zone == zone).map(|known| known.worn_mm);
        let widths = self.aim.widths.iter().map(|wish| WidthReached {
            wish: *wish,
            reached_mm: after.front.width_about_mm(wish.at.height_mm(&full.hair.measures)),
        });
        let figures = named(solved).into_iter().map(|(name, unit, value)| FigureValue { name, unit, value });
        let proposal = Proposal {
            method: solved.candidate.key.clone(),
            name: solved.candidate.name.clone(),
            sentence: solved.candidate.sentence.clone(),
            states: states(full.hair, &self.reading, wearing, &solved.cut, worn),
            cut: solved.cut.clone(),
            figures: figures.collect(),
            zones: full.against.targets.iter().map(reached).collect(),
            widths: widths.collect(),
            minutes: outcome.minutes,
            goes: 1.0 - after.mass_g / before.mass_g.max(1e-9),
            why: why(&solved.candidate.suits, &follows),
            keeps,
            loses,
            departs: departs(&against),
            follows,
            against,
            ends_mm: outcome.light_mm,
            other_ways: Vec::new(),
            trade_off: None,
            schools: solved
                .candidate
                .method
                .as_ref()
                .map(|method| method.schools.clone())
                .unwrap_or_default(),
            score: Score { wish_rms_mm: rms_mm(full.against.targets, after), ..score },
            findings: answer.findings,
            talk: answer.talk,
        };
        Ok(Some(proposal))
    }

    /// Plans, from nothing.
    pub fn propose(&self) -> Result<PlanAnswer, FieldErrors> {
        self.check()?;
        let hair = self.of(Cut::default()).head().grow()?;
        let uncut = Uncut::of(&hair, fall(&hair, &hair.lengths));
        self.propose_on(&hair, &uncut, &Stop::never(), &|_| {}).map_err(Unfinished::faults)
    }
}

/// Of each method the best way only, in the same order.
fn best_of_each(all: Vec<Solved>) -> Vec<Solved> {
    let mut best: Vec<Solved> = Vec::new();
    for solved in all {
        if !best.iter().any(|known| known.candidate.key == solved.candidate.key) {
            best.push(solved);
        }
    }
    best
}

/// The best first; equal ones in the order of the methods.
fn by_score(solved: &mut [Solved]) {
    solved.sort_by(|one, other| {
        one.score.total.total_cmp(&other.score.total).then(one.candidate.number.cmp(&other.candidate.number))
    });
}

fn out_of_reach(targets: &[Target]) -> Vec<OutOfReach> {
    let of = |target: &Target| {
        let lacks_mm = target.out_of_reach_mm();
        let weeks = lacks_mm / (7.0 * GROWTH_MM_PER_DAY.value);
        (lacks_mm > 3.0).then(|| OutOfReach {
            zone: target.zone,
            lacks_mm,
            weeks,
            text: Message::new("plan-out_of_reach")
                .with("zone", Message::word("step-zone", target.zone))
                .with("length", Arg::Mm(lacks_mm))
                .with("weeks", Arg::Number(weeks.ceil())),
        })
    };
    targets.iter().filter_map(of).collect()
}
