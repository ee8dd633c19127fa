//! The subsections of a region: strips of scalp, in the order in which they are taken.

use super::Layout;
use crate::head::{Scalp, Vec3};
use crate::section::Chart;
use rayon::prelude::*;

/// One section: a strip of scalp.
#[derive(Debug, Clone)]
pub(super) struct Subsection {
    /// Its strands: the index of each, and how far along the section it lies, 0 to 1.
    pub members: Vec<(usize, f64)>,
    /// How many sections are worked on between it and the first, on its side of it; and which one leads back to it, if any.
    pub number: usize,
    pub before: Option<usize>,
    chart: Chart,
    across: f64,
    ends: (f64, f64),
}

impl Subsection {
    /// Direction of the base at a share of the way along it, 0 to 1.
    pub fn base(&self, share: f64) -> Vec3 {
        self.chart.direction(self.across, self.along(share))
    }

    /// Angle along the section at a share of the way.
    pub fn along(&self, share: f64) -> f64 {
        self.ends.0 + share * (self.ends.1 - self.ends.0)
    }

    /// The share of the way along it that is nearest to a direction, 0 to 1.
    pub fn share_beside(&self, d: &Vec3) -> f64 {
        self.share_at(self.chart.angles(d).1)
    }

    /// The share of the way at an angle along it, 0 to 1: past its ends, its ends.
    pub fn share_at(&self, along: f64) -> f64 {
        let length = self.ends.1 - self.ends.0;
        if length > 1e-12 { ((along - self.ends.0) / length).clamp(0.0, 1.0) } else { 0.5 }
    }
}

/// Divides strands (index and unit direction of each) into sections, in the order they are taken.
pub(super) fn divide(layout: &Layout, scalp: &Scalp, strands: &[(usize, Vec3)]) -> Vec<Subsection> {
    let sum: Vec3 = strands.iter().map(|(_, d)| d).sum();
    if strands.is_empty() {
        return Vec::new();
    }
    let chart = layout.along.chart(scalp, &if sum.norm() > 1e-6 { sum.normalize() } else { Vec3::y() });
    let (angles, radii): (Vec<(f64, f64)>, Vec<f64>) =
        strands.par_iter().with_min_len(256).map(|(_, d)| (chart.angles(d), scalp.form.radius_mm(d))).unzip();
    let (low, high) = span(angles.iter().map(|(across, _)| *across));
    let radius = radii.iter().sum::<f64>() / strands.len() as f64;
    let (first, _) = chart.angles(&scalp.direction(layout.from));
    let wanted = layout.thickness_mm / radius;
    // The first section lies at the end nearer to the landmark, or, where that lies well inside, on the landmark.
    let inside = first > low + wanted && first < high - wanted;
    let sides: Vec<Side> = if inside {
        Side::both(first, low, high, wanted)
    } else {
        vec![Side::one(low, high, wanted, (first - high).abs() < (first - low).abs())]
    };
    let mut sections: Vec<Subsection> = Vec::new();
    for side in &sides {
        let mut before = (side.first > 0).then_some(0);
        let mut members: Vec<Vec<usize>> = vec![Vec::new(); side.count];
        for (i, (across, _)) in angles.iter().enumerate() {
            if let Some(number) = side.number(*across) {
                members[number].push(i);
            }
        }
        for (number, members) in members.iter().enumerate() {
            let counted = (side.first + number) as u32;
            let worked = counted >= layout.skip && (counted - layout.skip).is_multiple_of(layout.every);
            if !worked || members.is_empty() {
                continue;
            }
            let ends = span(members.iter().map(|i| angles[*i].1));
            let mut section = Subsection {
                number: ((counted - layout.skip) / layout.every) as usize,
                before,
                across: side.middle(number),
                ends,
                members: Vec::new(),
                chart,
            };
            section.members =
                members.iter().map(|i| (strands[*i].0, section.share_at(angles[*i].1))).collect();
            before = Some(sections.len());
            sections.push(section);
        }
    }
    sections
}

/// Sections one after the other from a place across the region to its end.
struct Side {
    /// Where the first begins, and the way and size of each.
    from: f64,
    step: f64,
    count: usize,
    /// Number of its first among all, counted from where they start.
    first: usize,
}

impl Side {
    /// All of a region from one of its ends.
    fn one(low: f64, high: f64, wanted: f64, from_high: bool) -> Self {
        let count = (((high - low) / wanted).ceil() as usize).max(1);
        let step = (high - low) / count as f64;
        if from_high {
            Self { from: high, step: -step, count, first: 0 }
        } else {
            Self { from: low, step, count, first: 0 }
        }
    }

    /// From a middle to both ends: the first lies on it, and one side goes on from there, then the other.
    fn both(middle: f64, low: f64, high: f64, wanted: f64) -> Vec<Self> {
        let half = 0.5 * wanted;
        let up = (((high - middle - half) / wanted).ceil() as usize).max(1);
        let down = (((middle - half - low) / wanted).ceil() as usize).max(1);
        vec![
            Self { from: middle - half, step: wanted, count: 1, first: 0 },
            Self { from: middle + half, step: (high - middle - half) / up as f64, count: up, first: 1 },
            Self { from: middle - half, step: -(middle - half - low) / down as f64, count: down, first: 1 },
        ]
    }

    /// The section that a place across the region belongs to.
    fn number(&self, across: f64) -> Option<usize> {
        if self.step == 0.0 {
            return Some(0);
        }
        let place = (across - self.from) / self.step;
        // The last holds what lies on the very end.
        let last = place >= self.count as f64 && place < self.count as f64 + ROUNDING;
        if last {
            return Some(self.count - 1);
        }
        (place >= 0.0 && place < self.count as f64).then_some(place as usize)
    }

    fn middle(&self, number: usize) -> f64 {
        self.from + (number as f64 + 0.5) * self.step
    }
}

/// By how much of a section the last strand may lie past its end and still belong to it: rounding.
const ROUNDING: f64 = 1e-9;

fn span(values: impl Iterator<Item = f64>) -> (f64, f64) {
    values.fold((f64::INFINITY, f64::NEG_INFINITY), |(low, high), v| (low.min(v), high.max(v)))
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::{Hairline, HeadForm, Landmark, Measures, SkullForm, roots};
    use crate::section::Along;

    fn layout(along: Along, from: Landmark) -> Layout {
        Layout::new(along, 20.0, from)
    }

    #[test]
    fn every_strand_lies_in_one_section_and_the_first_lies_nearest_to_where_it_starts() {
        let measures = Measures::default();
        let form = HeadForm::of(&measures, SkullForm::default()).expect("an ordinary head");
        let hairline = Hairline::of(&form, &measures);
        let scalp = Scalp::plain(&form, &hairline);
        let strands: Vec<(usize, Vec3)> = roots(&form, &hairline, 800)
            .iter()
            .enumerate()
            .filter(|(_, root)| root.at.z < 0.0)
            .map(|(i, root)| (i, root.at.normalize()))
            .collect();
        for (along, from) in [
            (Along::Horizontal, Landmark::NapeCentre),
            (Along::Profile, Landmark::MastoidLeft),
            (Along::Crosswise, Landmark::Occipital),
            (Along::Diagonal { lower_in_front_deg: 25.0 }, Landmark::Crown),
        ] {
            let sections = divide(&layout(along, from), &scalp, &strands);
            let mut all: Vec<usize> =
                sections.iter().flat_map(|section| section.members.iter().map(|(i, _)| *i)).collect();
            all.sort_unstable();
            let mut expected: Vec<usize> = strands.iter().map(|(i, _)| *i).collect();
            expected.sort_unstable();
            assert_eq!(all, expected, "{along:?}");
            let near = |section: &Subsection| section.base(0.5).dot(&scalp.direction(from));
            let (first, last) = (&sections[0], &sections[sections.len() - 1]);
            assert!(near(first) > near(last), "{along:?}");
            // 20 mm meant; the last piece of the way is shared out, so sections are at most that.
            let step = form.point(&sections[1].base(0.5)) - form.point(&first.base(0.5));
            assert!(step.norm() < 26.0 && step.norm() > 10.0, "{along:?} {}", step.norm());
        }
    }

    #[test]
    fn every_second_section_is_half_of_them() {
        let measures = Measures::default();
        let form = HeadForm::of(&measures, SkullForm::default()).expect("an ordinary head");
        let hairline = Hairline::of(&form, &measures);
        let scalp = Scalp::plain(&form, &hairline);
        let strands: Vec<(usize, Vec3)> = roots(&form, &hairline, 800)
            .iter()
            .enumerate()
            .map(|(i, root)| (i, root.at.normalize()))
            .collect();
        let all = divide(&layout(Along::Horizontal, Landmark::NapeCentre), &scalp, &strands);
        let skip = |skip| Layout { every: 2, skip, ..layout(Along::Horizontal, Landmark::NapeCentre) };
        let (odd, even) = (divide(&skip(0), &scalp, &strands), divide(&skip(1), &scalp, &strands));
        assert_eq!(odd.len() + even.len(), all.len());
        assert_eq!(odd[1].members, all[2].members);
        assert_eq!(even[0].members, all[1].members);
        assert!(divide(&skip(0), &scalp, &[]).is_empty());
    }
}
