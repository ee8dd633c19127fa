//! Hair held away from the head in sections and cut along the fingers.

use super::apply::{Scissors, Textured};
use super::carried::Carried;
use super::guide::GuideHair;
use super::hand_line::{Bases, HandLine};
use super::report::{MoveNote, MoveReport, SectionShape};
use super::subsection::Subsection;
use super::{Drops, FingerShape, Fingers, FirstLength, Guide, Move, Sections};
use crate::error::FieldErrors;
use crate::fall::worn_as;
use crate::head::{Place, Scalp, Vec3, taut_mm};
use crate::section::RegionTest;
use rayon::prelude::*;

/// Held length under which hair is called short, mm: two fingers' breadth and what the hand takes; and the share of the first
/// section's under which nobody has asked for it.
const SHORT_MM: f64 = 35.0;
const RUNS_SHORT: f64 = 0.6;
/// How much hair that is carried may be too short before that is said, mm.
const GETS_THERE_MM: f64 = 1.0;
/// Over how much height hair that ends about where it drops out of the hand does so, mm: a finger's breadth.
const PARTS_OVER_MM: f64 = 16.0;

impl Scissors<'_> {
    /// Holds sections off the head and cuts them along the fingers. Says how many strands were held and how many lost length.
    pub(super) fn in_sections(
        &mut self,
        members: &[usize],
        (sections, region): (&Sections, &RegionTest),
        move_: &Move,
        textured: &Textured,
        report: &mut MoveReport,
    ) -> Result<(usize, usize), FieldErrors> {
        let scalp = self.hair.scalp();
        // Sections are parted where hair grows, whatever drops; the first is that in which some stays.
        let mut strips = self.divided(&sections.layout, members);
        let in_hand = sections.drops.as_ref().map(|drops| self.in_hand(&strips, drops));
        if let Some(in_hand) = &in_hand {
            strips.iter_mut().for_each(|strip| strip.members.retain(|(i, _)| in_hand[*i] > 0.0));
            let empty = strips.iter().take_while(|strip| strip.members.is_empty()).count();
            strips.drain(..empty);
            for strip in &mut strips {
                strip.before = strip.before.and_then(|before| before.checked_sub(empty));
            }
        }
        let in_hand = |i: usize| in_hand.as_ref().map_or(1.0, |in_hand| in_hand[i]);
        let Some(first) = strips.first() else { return Ok((members.len(), 0)) };
        let held_count = strips.iter().map(|strip| strip.members.len()).sum();
        let (hold, fingers, guide) = (&sections.hold, &sections.fingers, sections.guide);
        let over = |strip: &Subsection, before: Option<&Subsection>, share: f64| {
            hold.base(
                &scalp,
                strip.base(share),
                before.map(|before| before.base(before.share_at(strip.along(share)))),
            )
        };
        // Fingers square to their hair have the length where the sections start; others in the middle.
        let begins = |strip: &Subsection| match fingers.shape {
            FingerShape::SquareToHair => strip.share_beside(&scalp.direction(sections.layout.from)),
            _ => 0.5,
        };
        let held_at =
            |strip: &Subsection, before: Option<&Subsection>, from: f64, mm: &dyn Fn(f64) -> f64| {
                let bases =
                    Bases { own: |share| strip.base(share), over: |share| over(strip, before, share), from };
                HandLine::of(&scalp, hold, fingers, mm, &bases)
            };
        let measured = |strip: &Subsection, before: Option<&Subsection>| -> Result<HandLine, FieldErrors> {
            let from = begins(strip);
            let length_mm = self.first_length_mm(strip, from, sections.length, move_.state)?;
            Ok(held_at(strip, before, from, &|_| length_mm))
        };
        let beside = match sections.length {
            FirstLength::LikeMove(earlier) => {
                let by = self.earlier.get(earlier as usize);
                Some(self.guide_beside(first, &|i| by.is_some_and(|by| by[i]), move_.state))
            }
            FirstLength::LikeBeside => {
                let outside = |i: usize| {
                    let root = &self.hair.strands[i].root;
                    !region.holds(&scalp, &root.at, root.zone)
                };
                Some(self.guide_beside(first, &outside, move_.state))
            }
            _ => None,
        };
        let first_hand = match beside {
            Some(Some(guide_hair)) => {
                let joined = guide_hair.hand(&scalp, hold, guide, first);
                if *fingers == Fingers::default() {
                    joined
                } else {
                    // Where it is joined it is as long as its guide; from there the fingers lie as they should.
                    let length = |share: f64| taut_from(&scalp, &first.base(share), &joined.at(share));
                    held_at(first, None, guide_hair.nearest(first), &length)
                }
            }
            found => {
                if found.is_some() {
                    report.notes.push(MoveNote::NoGuideBeside);
                }
                measured(first, None)?
            }
        };
        let from = begins(first);
        let held = taut_from(&scalp, &first.base(from), &first_hand.at(from));
        report.held_mm = report.held_mm.or(Some(held));
        let carried = Carried::of(&scalp, hold, first.base(from), over(first, None, from));
        if !carried.gets_there(&scalp, held + GETS_THERE_MM) {
            report.notes.push(MoveNote::TooShortToCarry);
        }
        let mut hands: Vec<HandLine> = vec![first_hand];
        match guide {
            Guide::Stationary => hands = vec![hands[0].clone(); strips.len()],
            Guide::Free => {
                for strip in &strips[1..] {
                    hands.push(measured(strip, strip.before.map(|before| &strips[before]))?);
                }
            }
            Guide::Travelling { .. } | Guide::Floating { .. } => {
                for (number, strip) in strips.iter().enumerate().skip(1) {
                    let before = strip.before.unwrap_or(number - 1);
                    let guide_hair = GuideHair::of(&scalp, &strips[before], &hands[before], strip);
                    hands.push(guide_hair.hand(&scalp, hold, guide, strip));
                }
            }
        }
        report.sections.extend(
            strips.iter().zip(&hands).map(|(strip, hand)| SectionShape::of(&scalp, strip, Some(hand))),
        );
        let reaches = |(strip, hand): (&Subsection, &HandLine)| {
            let at = |share: f64| taut_from(&scalp, &strip.base(share), &hand.at(share));
            [0.0, 0.25, 0.5, 0.75, 1.0].into_iter().map(at).fold(f64::INFINITY, f64::min)
        };
        let least = strips.iter().zip(&hands).map(reaches).fold(f64::INFINITY, f64::min);
        report.shortest_held_mm = Some(report.shortest_held_mm.map_or(least, |other| other.min(least)));
        if least < SHORT_MM.min(RUNS_SHORT * held) {
            report.notes.push(MoveNote::RunsShort);
        }
        let at = |number: usize, share: f64| hands[number].at(share);
        let cut = self.cut_at_hands(&strips, move_, textured, in_hand, |i, number, share| {
            let root = &self.hair.strands[i].root;
            taut_mm(&self.hair.form, &root.at, &root.normal, &at(number, share))
        });
        Ok((held_count, cut))
    }

    /// How much of each strand stays in the hand, 0 to 1, as the rest drops out by where it ends. Neither ends nor hands part to
    /// the millimetre: of hair that ends about there some drops.
    fn in_hand(&self, sections: &[Subsection], drops: &Drops) -> Vec<f64> {
        let hair = self.hair;
        let height = |place: Option<Place>| place.map(|place| place.height_mm(&hair.measures));
        let (below, above) = (height(drops.ends_below), height(drops.ends_above));
        let members = sections.par_iter().flat_map_iter(|section| section.members.iter());
        let kept = |(i, _): &(usize, f64)| {
            let end = worn_as(hair, *i, &self.lengths[*i]).longest_end.y;
            let over = |mm: f64| (mm / PARTS_OVER_MM + 0.5).clamp(0.0, 1.0);
            (*i, below.map_or(1.0, |below| over(end - below)) * above.map_or(1.0, |above| over(above - end)))
        };
        let mut all = vec![1.0; hair.strands.len()];
        for (i, kept) in members.map(kept).collect::<Vec<_>>() {
            all[i] = kept;
        }
        all
    }
}

/// Length of a thread drawn tight from the scalp in a direction to a hand, mm.
fn taut_from(scalp: &Scalp, d: &Vec3, to: &Vec3) -> f64 {
    taut_mm(scalp.form, &scalp.form.point(d), &scalp.form.normal(d), to)
}
