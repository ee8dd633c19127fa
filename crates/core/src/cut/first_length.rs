//! How long the first section is held, or the hair beside it that guides it.

use super::FirstLength;
use super::apply::Scissors;
use super::guide::GuideHair;
use super::hand_line::shares;
use super::subsection::Subsection;
use crate::error::{FieldErrors, Problem};
use crate::fibre::HeldState;
use crate::head::Vec3;
use std::collections::HashSet;

/// Strands whose mean is a guide taken from hair that is there.
const GUIDE_STRANDS: usize = 5;

impl Scissors<'_> {
    /// Hair beside a section that can guide it: of the strands that may, the nearest ones.
    pub(super) fn guide_beside(
        &self,
        first: &Subsection,
        may: &dyn Fn(usize) -> bool,
        state: HeldState,
    ) -> Option<GuideHair> {
        let inside: HashSet<usize> = first.members.iter().map(|(i, _)| *i).collect();
        let middle: Vec3 = first.base(0.5);
        let near = |i: &usize| {
            let d = self.hair.strands[*i].root.at.normalize();
            !inside.contains(i) && may(*i) && d.dot(&middle) > 0.0
        };
        let candidates: Vec<usize> = (0..self.hair.strands.len()).filter(near).collect();
        let mut roots = Vec::new();
        let mut lengths = Vec::new();
        for share in shares() {
            let base = first.base(share);
            let off = |i: &usize| 1.0 - self.hair.strands[*i].root.at.normalize().dot(&base);
            let mut nearest: Vec<(f64, usize)> = candidates.iter().map(|i| (off(i), *i)).collect();
            if nearest.is_empty() {
                return None;
            }
            // The mean of a few, so that a single strand is no guide.
            let few = GUIDE_STRANDS.min(nearest.len());
            nearest.select_nth_unstable_by(few - 1, |a, b| a.0.total_cmp(&b.0).then(a.1.cmp(&b.1)));
            let (mut root, mut length) = (Vec3::zeros(), 0.0);
            for (_, i) in &nearest[..few] {
                let strand = &self.hair.strands[*i];
                let longest = self.lengths[*i].longest();
                root += strand.root.at.normalize() / few as f64;
                length += self.hair.hand.hold(state).held_mm(&strand.model, longest, longest) / few as f64;
            }
            roots.push(root.normalize());
            lengths.push(length);
        }
        Some(GuideHair::new(roots, lengths))
    }

    /// How long a section is held at a share of the way along it when it is the first, or measured on itself, mm.
    pub(super) fn first_length_mm(
        &self,
        section: &Subsection,
        from: f64,
        length: FirstLength,
        state: HeldState,
    ) -> Result<f64, FieldErrors> {
        let middle = section.base(from);
        let nearness = |i: &usize| self.hair.strands[*i].root.at.normalize().dot(&middle);
        let Some(nearest) =
            section.members.iter().map(|(i, _)| *i).max_by(|a, b| nearness(a).total_cmp(&nearness(b)))
        else {
            return Ok(0.0);
        };
        let strand = &self.hair.strands[nearest];
        let hold = self.hair.hand.hold(state);
        let now = self.lengths[nearest].longest();
        let held_when_worn = |mm: f64| {
            let fibre = strand.model.fibre_from_worn(mm, strand.worn).unwrap_or(now);
            hold.held_mm(&strand.model, fibre, fibre.max(now))
        };
        Ok(match length {
            FirstLength::HeldMm(mm) => mm,
            FirstLength::WornMm(mm) => held_when_worn(mm),
            FirstLength::ShorterMm(mm) => (hold.held_mm(&strand.model, now, now) - mm).max(0.0),
            FirstLength::EndsAt(place) => {
                let height = place.height_mm(&self.hair.measures);
                let Some(worn) = self.hair.worn_to_height_mm(nearest, height) else {
                    let mut faults = FieldErrors::default();
                    faults.push("kind.sections.length.ends_at", Problem::contradicts("fault-above-hair"));
                    return Err(faults);
                };
                held_when_worn(worn)
            }
            FirstLength::LikeMove(_) | FirstLength::LikeBeside => hold.held_mm(&strand.model, now, now),
        })
    }
}
