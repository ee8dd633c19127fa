//! A plan carried out on the head that was read: how it falls, what is found about it, and its scene.

use super::{FallRequest, StepPicture};
use crate::cut::{CutResult, MoveReport, Step, cut_until, steps};
use crate::error::FieldErrors;
use crate::fall::{AsWorn, Fall, fall, fall_as_worn};
use crate::hair::Hair;
use crate::judge::{Finding, Head, TalkAnswer, Uncut, findings, talked};
use crate::scene::scene;
use crate::stop::{Stop, Unfinished};
use rayon::prelude::*;
use serde::Serialize;

/// Sections of a move that a scene shows at most when none is chosen: more of them hide each other.
const SCENE_SECTIONS: usize = 6;

/// A plan's fall.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FallAnswer {
    /// The hair as it is now.
    pub before: Fall,
    /// The hair after the cut.
    pub after: Fall,
    /// What each move did.
    pub moves: Vec<MoveReport>,
    /// The moves as steps, in messages.
    pub steps: Vec<Step>,
    /// Each of them as a small drawn head.
    pub pictures: Vec<StepPicture>,
    /// What a demanding eye would object to.
    pub findings: Vec<Finding>,
    /// What the client came for, answered.
    pub talk: Vec<TalkAnswer>,
}

impl FallRequest {
    /// The fall, on a head that was grown before and whose own fall is known.
    pub fn answer_on(&self, hair: &Hair, uncut: &Uncut, stop: &Stop) -> Result<FallAnswer, Unfinished> {
        self.check_said()?;
        let cut = &self.carried_out();
        let mut result = cut_until(hair, cut, stop).map_err(|unfinished| unfinished.under("plan.cut"))?;
        stop.go_on()?;
        let (reports, lengths, known) = (&result.moves, &result.lengths, &self.known());
        let worn = &AsWorn::of(hair, lengths);
        let after = fall_as_worn(hair, lengths, worn);
        let head = Head::new(hair, lengths, worn, &after, cut, reports, known, uncut);
        let (findings, talk) = (findings(&head), talked(&head));
        stop.go_on()?;
        let drawn = |(move_, report)| -> Result<_, Unfinished> {
            stop.go_on()?;
            Ok(StepPicture::of(hair, move_, report)?)
        };
        let pictures = cut.moves.par_iter().zip(reports).map(drawn).collect::<Result<_, _>>()?;
        for (i, report) in result.moves.iter_mut().enumerate() {
            if self.show_move != Some(i as u32) {
                report.sections.clear();
            }
        }
        Ok(FallAnswer {
            before: uncut.fall.clone(),
            after,
            moves: result.moves,
            steps: steps(&self.plan.cut),
            pictures,
            findings,
            talk,
        })
    }

    /// The plan's cut, its faults where it stands in the request.
    fn cut_on(&self, hair: &Hair, stop: &Stop) -> Result<CutResult, Unfinished> {
        cut_until(hair, &self.plan.cut, stop).map_err(|unfinished| unfinished.under("plan.cut"))
    }

    /// The plan as a scene, on a head that was grown before: binary glTF.
    pub fn scene_on(&self, hair: &Hair, stop: &Stop) -> Result<Vec<u8>, Unfinished> {
        let result = self.cut_on(hair, stop)?;
        stop.go_on()?;
        let number = self.show_move.map(|number| number as usize);
        let all =
            number.and_then(|number| result.moves.get(number)).map_or(&[][..], |report| &report.sections);
        let guided =
            number.and_then(|number| self.plan.cut.moves.get(number)).is_some_and(|move_| move_.has_guide());
        let chosen = match self.show_section {
            Some(number) => all.get(number as usize).map_or(&[][..], std::slice::from_ref).to_vec(),
            None => all.iter().step_by(all.len().div_ceil(SCENE_SECTIONS).max(1)).cloned().collect(),
        };
        Ok(scene(hair, &result.lengths, all.first().filter(|_| guided), &chosen).glb())
    }

    /// The scene, from nothing.
    pub fn scene(&self) -> Result<Vec<u8>, FieldErrors> {
        self.scene_on(&self.head().grow()?, &Stop::never()).map_err(Unfinished::faults)
    }

    /// The fall, from nothing.
    pub fn answer(&self) -> Result<FallAnswer, FieldErrors> {
        let hair = self.head().grow()?;
        let uncut = Uncut::of(&hair, fall(&hair, &hair.lengths));
        self.answer_on(&hair, &uncut, &Stop::never()).map_err(Unfinished::faults)
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::cut::shipped;
    use crate::head::{Place, Point, Zone};
    use crate::reading::{LineAt, LinePoint, RawReading, RawZoneReading};
    use crate::stop::Stopped;
    use std::collections::BTreeMap;

    fn request() -> FallRequest {
        let zones = BTreeMap::from([(Zone::Top.into(), RawZoneReading::measured(400.0, 260.0))]);
        let reading = RawReading { zones, ..RawReading::default() };
        FallRequest { show_move: Some(1), ..FallRequest::new(reading, shipped()[0].cut.clone()) }
    }

    #[test]
    fn a_plan_is_answered_with_the_sections_of_the_move_that_is_shown() {
        let answer = request().answer().expect("a possible plan");
        assert_eq!(answer.moves.len(), answer.steps.len());
        assert!(answer.moves[0].sections.is_empty() && !answer.moves[1].sections.is_empty());
        assert!(answer.after.mass_g < answer.before.mass_g);
    }

    #[test]
    fn work_that_is_given_up_ends_at_the_next_phase_and_work_that_is_not_is_the_same_bit_for_bit() {
        let mut asked = request();
        asked.reading.line =
            vec![LinePoint { at: LineAt::Back, lies: Place { point: Point::Shoulder, below_mm: 0.0 } }];
        asked.ties_back = true;
        let hair = asked.head().grow().expect("possible");
        let uncut = Uncut::of(&hair, fall(&hair, &hair.lengths));
        let whole = asked.answer().expect("possible");
        let (mut ends, mut falls) = (0, 0);
        for asks in 0..40 {
            let stopped = |unfinished| unfinished == Unfinished::Stopped(Stopped);
            ends += u32::from(asked.head().grow_until(&Stop::after(asks)).is_err_and(stopped));
            match asked.answer_on(&hair, &uncut, &Stop::after(asks)) {
                Ok(answer) => assert_eq!(answer, whole),
                Err(unfinished) => {
                    assert!(stopped(unfinished));
                    falls += 1;
                }
            }
        }
        let moves = asked.plan.cut.moves.len() as u32;
        assert!((3..20).contains(&ends) && (moves + 1..30).contains(&falls), "{ends} {falls}");
        for asks in 0..4 {
            let stop = Stop::after(asks);
            assert_eq!(asked.judge_on(&hair, &uncut, &stop), Err(Unfinished::Stopped(Stopped)), "{asks}");
            assert!(asked.head().doubts_until(&stop).is_err());
        }
    }

    #[test]
    fn faults_stand_where_they_are_in_the_request() {
        let mut bad = request();
        bad.reading.hairs_per_cm2 = 5.0;
        assert_eq!(bad.answer().expect_err("too few").0[0].field, "reading.hairs_per_cm2");
        let mut bad = request();
        bad.plan.cut.moves[0].technique.share = Some(7.0);
        assert_eq!(bad.answer().expect_err("too much").0[0].field, "plan.cut.moves.0.technique.share");
        let mut empty = request();
        empty.reading.zones.clear();
        assert_eq!(empty.answer().expect_err("nothing read").0[0].field, "reading.zones");
        assert!(empty.plan.check().is_ok());
    }
}
