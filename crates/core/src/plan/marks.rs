//! The marks of a plan's own steps: where on the comb each is cut, in the plan's state, where that lands, and how much to keep back
//! until it has been seen dry, so that no more clients than agreed get it shorter.

use super::FallRequest;
use crate::cut::{FallLine, Move, MoveKind, MoveReport, cut_until};
use crate::error::FieldErrors;
use crate::fibre::HeldState;
use crate::hair::Hair;
use crate::head::{Patch, Place, Zone, from_drawn, zone_at};
use crate::learn::{Belief, Hand, allowance_mm, fit, risk_factor};
use crate::mark::strays_mm;
use crate::reading::ZoneReading;
use crate::stop::{Stop, Unfinished};
use crate::talk::Wearing;
use crate::units::LengthUnit;
use serde::Serialize;

/// Landings are given as the range that holds nine in ten.
const RANGE_RISK: f64 = 0.05;
/// Zones at which a perimeter is marked, from the face to the nape.
const LINE_ZONES: [Zone; 4] = [Zone::LeftSide, Zone::RightSide, Zone::BackLower, Zone::Nape];

/// The marks of one step.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StepMarks {
    /// Number of the step, from 0.
    pub step: u32,
    /// The state it is cut in.
    pub state: HeldState,
    /// Of a perimeter, one for each zone it is cut at; of sections the first, which is the guide.
    pub marks: Vec<StepMark>,
    /// How long each subsection is held, mm, in their order; none of a perimeter.
    pub held_mm: Vec<f64>,
}

/// One mark.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StepMark {
    /// Where.
    pub zone: Zone,
    /// Held length that the plan says, mm; none of a perimeter.
    pub held_mm: Option<f64>,
    /// Where it is cut first, with what is kept back, moved up to what can be read on the comb, mm.
    pub comb_mm: Option<f64>,
    /// Where the perimeter should lie when it is worn.
    pub lands: Option<Place>,
    /// How far below that the line lies along which hair combed down is cut first, with what is kept back, mm.
    pub line_below_mm: Option<f64>,
    /// Where it lands, worn mm.
    pub worn_mm: f64,
    /// Nine landings in ten lie from here, worn mm …
    pub lands_low_mm: f64,
    /// … to here.
    pub lands_high_mm: f64,
    /// So much more is left on the comb at first, mm, so that it comes out shorter with the agreed chance only; none where that is
    /// not known.
    pub keep_back_mm: Option<f64>,
}

/// A head whose reading is known by zone.
struct Marked<'a> {
    hair: &'a Hair,
    read: Vec<(Patch, ZoneReading, Belief)>,
    hand: Hand,
    wearing: Wearing,
    risk: f64,
    unit: LengthUnit,
}

impl FallRequest {
    /// The marks of every step that cuts lengths, on a head that was grown before.
    pub fn marks_on(&self, hair: &Hair, stop: &Stop) -> Result<Vec<StepMarks>, Unfinished> {
        self.check_said()?;
        let cut = &self.plan.cut;
        let result = cut_until(hair, cut, stop).map_err(|unfinished| unfinished.under("plan.cut"))?;
        stop.go_on()?;
        let fitted = |(patch, reading): (Patch, ZoneReading)| (patch, reading, fit(&reading));
        let marked = Marked {
            hair,
            read: self.reading.read_patches().into_iter().map(fitted).collect(),
            hand: Hand::of(&self.reading),
            wearing: self.talk.as_ref().map(crate::talk::Talk::wearing).unwrap_or_default(),
            risk: self.aim.as_ref().map_or_else(|| crate::mark::Aim::default().risk, |aim| aim.risk),
            unit: self.unit,
        };
        let of = |(number, (move_, report)): (usize, (&Move, &MoveReport))| {
            if move_.off || report.cut_share == 0.0 {
                return None;
            }
            let marks = match &move_.kind {
                MoveKind::Perimeter(line) => marked.line(move_, line),
                MoveKind::Sections(_) | MoveKind::Gathered(_) => {
                    marked.guide(move_, report).into_iter().collect()
                }
                MoveKind::Weight(_) | MoveKind::Recoil(_) | MoveKind::Pause(_) => return None,
            };
            let held_mm = report.sections.iter().filter_map(|section| section.held_mm).collect();
            Some(StepMarks { step: number as u32, state: move_.state, marks, held_mm })
        };
        Ok(cut.moves.iter().zip(&result.moves).enumerate().filter_map(of).collect())
    }

    /// The same, from nothing.
    pub fn marks(&self) -> Result<Vec<StepMarks>, FieldErrors> {
        self.marks_on(&self.head().grow()?, &Stop::never()).map_err(Unfinished::faults)
    }
}

impl Marked<'_> {
    fn mark(&self, zone: Zone, state: HeldState, worn_mm: f64) -> StepMark {
        let known = self.read.iter().find(|(patch, ..)| patch.zone == zone);
        let style = self.wearing.of(zone);
        let strays = |worn: f64| {
            let (_, reading, belief) = known?;
            strays_mm((reading, belief), &self.hand, state, style, worn)
        };
        let range = risk_factor(RANGE_RISK) * strays(worn_mm).unwrap_or(0.0);
        let keep_back_mm = known.and_then(|(_, reading, belief)| {
            let extra = allowance_mm(worn_mm, self.wearing.risk(zone, self.risk), strays)?;
            let held = |worn: f64| {
                let fibre = belief.model().fibre_from_worn(worn, style)?;
                Some(self.hand.hold(state).held_mm(&belief.model(), fibre, reading.present_mm.max(fibre)))
            };
            Some(held(worn_mm + extra)? - held(worn_mm)?)
        });
        StepMark {
            zone,
            held_mm: None,
            comb_mm: None,
            lands: None,
            line_below_mm: None,
            worn_mm,
            lands_low_mm: (worn_mm - range).max(0.0),
            lands_high_mm: worn_mm + range,
            keep_back_mm,
        }
    }

    fn line(&self, move_: &Move, line: &FallLine) -> Vec<StepMark> {
        let scalp = self.hair.scalp();
        let Ok(region) = move_.region.on(&scalp) else { return Vec::new() };
        let of = |zone: Zone| {
            let strands = self.hair.strands.iter().enumerate().filter(|(_, strand)| strand.root.zone == zone);
            let inside: Vec<usize> = strands
                .filter(|(_, strand)| region.holds(&scalp, &strand.root.at, zone))
                .map(|(i, _)| i)
                .collect();
            let middle = *inside.get(inside.len() / 2)?;
            let height = line.height_mm(&self.hair.drapes[middle].leave(), &self.hair.measures);
            let paths = self.hair.zone_paths(zone);
            let worn_mm = paths.worn_to_height_mm(height)?;
            let present = self.hair.lengths[middle].longest();
            let hold = self.hand.hold(move_.state);
            let below = paths.combed_below_mm(height, hold, present).filter(|_| line.worn);
            let lands = crate::head::Place::nearest(height, &self.hair.measures);
            Some(StepMark {
                lands: Some(lands),
                line_below_mm: below,
                ..self.mark(zone, move_.state, worn_mm)
            })
        };
        LINE_ZONES.into_iter().filter_map(of).collect()
    }

    fn guide(&self, move_: &Move, report: &MoveReport) -> Option<StepMark> {
        let held_mm = report.held_mm?;
        let base = &report.sections.first()?.base;
        let middle = from_drawn(base.get(base.len() / 2)?);
        let zone = zone_at(&self.hair.hairline)(&middle.try_normalize(1e-9)?);
        let off = |i: &usize| (self.hair.strands[*i].root.at - middle).norm();
        let near = (0..self.hair.strands.len()).min_by(|a, b| off(a).total_cmp(&off(b)))?;
        let strand = &self.hair.strands[near];
        let present = self.hair.lengths[near].longest();
        let fibre = self.hand.hold(move_.state).fibre_mm(&strand.model, held_mm, present)?.min(present);
        let worn_mm = strand.model.worn_mm(fibre, strand.worn);
        let mark = self.mark(zone, move_.state, worn_mm);
        let comb_mm = Some(self.unit.comb_mark_mm(held_mm + mark.keep_back_mm.unwrap_or(0.0)));
        Some(StepMark { held_mm: Some(held_mm), comb_mm, ..mark })
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::cut::shipped;
    use crate::reading::{RawReading, RawZoneReading};

    #[test]
    fn the_mark_of_a_guide_lands_where_the_plan_says_and_more_is_kept_back_where_less_is_sure() {
        let zones =
            |sprung: f64| Zone::ALL.map(|zone| (zone.into(), RawZoneReading::measured(450.0, sprung))).into();
        let cut = shipped().iter().find(|listed| listed.key == "quay_school").expect("it ships").cut.clone();
        let asked = |sprung: f64| {
            FallRequest::new(RawReading { zones: zones(sprung), ..RawReading::default() }, cut.clone())
        };
        let straight = asked(445.0).marks().expect("possible");
        // A perimeter, then sections held at 18, 80 and 40 mm.
        assert_eq!(straight.len(), 4);
        assert!(straight[0].marks.len() >= 3 && straight[0].marks.iter().all(|mark| mark.lands.is_some()));
        assert!(straight[2].marks[0].held_mm.is_some_and(|mm| (mm - 80.0).abs() < 1e-6));
        assert!(straight[2].marks[0].comb_mm.is_some_and(|mm| mm >= 80.0 && mm % 5.0 == 0.0));
        assert!((straight[2].marks[0].worn_mm - 80.0).abs() < 8.0, "{:?}", straight[2].marks);
        assert!(straight[2].held_mm.len() > 5);
        let curly = asked(300.0).marks().expect("possible");
        let (sure, unsure) = (straight[2].marks[0], curly[2].marks[0]);
        assert!(unsure.worn_mm < sure.worn_mm - 10.0);
        assert!(unsure.keep_back_mm.expect("it was read") > sure.keep_back_mm.expect("it was read"));
        assert!(unsure.lands_low_mm < unsure.worn_mm && unsure.worn_mm < unsure.lands_high_mm);
    }
}
