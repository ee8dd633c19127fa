//! A plan judged: what a demanding eye would object to, how surely, by which steps, and what would cure it.

use super::FallRequest;
use crate::error::FieldErrors;
use crate::fall::fall;
use crate::hair::Hair;
use crate::judge::{Finding, FindingCode, Known, TalkAnswer, Uncut, judged, severities};
use crate::stop::{Stop, Unfinished};
use serde::Serialize;
use std::collections::BTreeMap;

/// A plan judged.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct JudgeAnswer {
    /// What is found, the worst first.
    pub findings: Vec<Finding>,
    /// What the client came for, answered.
    pub talk: Vec<TalkAnswer>,
}

impl FallRequest {
    /// What was said of the head.
    pub(crate) fn known(&self) -> Known {
        let (aim, talk) = (self.aim.as_ref(), self.talk.as_ref());
        Known::of(&self.reading, aim, talk, self.ties_back, &self.thresholds, self.done)
    }

    /// Checks what needs no head.
    pub(super) fn check_said(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.take("plan", self.plan.check());
        if let Some(aim) = &self.aim {
            faults.take("aim", aim.check());
        }
        if let Some(talk) = &self.talk {
            faults.take("talk", talk.check());
        }
        faults.take("thresholds", Known::check(&self.thresholds));
        faults.or(())
    }

    /// The plan judged, on a head that was grown before.
    pub fn judge_on(&self, hair: &Hair, uncut: &Uncut, stop: &Stop) -> Result<JudgeAnswer, Unfinished> {
        self.check_said()?;
        let (mut findings, talk) =
            judged(&self.head(), hair, uncut, &self.carried_out(), &self.known(), stop)
                .map_err(|unfinished| unfinished.under("plan.cut"))?;
        // Steps that are still to come stand in what is offered as they stand in the plan.
        let done = self.done.map_or(usize::MAX, |done| done as usize);
        for cure in findings.iter_mut().flat_map(|finding| &mut finding.cures) {
            let planned = self.plan.cut.moves.iter().zip(&mut cure.cut.moves);
            planned.skip(done).for_each(|(planned, offered)| offered.off = planned.off);
        }
        Ok(JudgeAnswer { findings, talk })
    }

    /// How bad each finding is, 0 to 1, whether it is said or not: what a search follows.
    pub fn severities(&self) -> Result<BTreeMap<FindingCode, f64>, FieldErrors> {
        self.check_said()?;
        let hair = self.head().grow()?;
        let uncut = Uncut::of(&hair, fall(&hair, &hair.lengths));
        self.severities_on(&hair, &uncut, &Stop::never()).map_err(Unfinished::faults)
    }

    /// The same, on a head that was grown before.
    pub fn severities_on(
        &self,
        hair: &Hair,
        uncut: &Uncut,
        stop: &Stop,
    ) -> Result<BTreeMap<FindingCode, f64>, Unfinished> {
        let severities = severities(hair, uncut, &self.carried_out(), &self.known(), stop)?;
        Ok(FindingCode::ALL.into_iter().zip(severities).collect())
    }

    /// The plan judged, from nothing.
    pub fn judge(&self) -> Result<JudgeAnswer, FieldErrors> {
        self.check_said()?;
        let hair = self.head().grow()?;
        let uncut = Uncut::of(&hair, fall(&hair, &hair.lengths));
        self.judge_on(&hair, &uncut, &Stop::never()).map_err(Unfinished::faults)
    }
}
