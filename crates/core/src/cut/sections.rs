//! Sections of a region: which strands lie in which, and where the hand holds each.

use super::hold::{FingerShape, Fingers, Guide, Hold, Over};
use crate::error::{FieldErrors, Problem};
use crate::head::Place;
use crate::head::Scalp;
use crate::head::{Landmark, Vec3};
use crate::section::{Along, Chart};
use rayon::prelude::*;
use serde::{Deserialize, Serialize};

/// Thickness of a section, mm.
const THICKNESS_MM: (f64, f64) = (3.0, 120.0);
/// Length of the pieces of one, mm.
const PIECE_MM: (f64, f64) = (5.0, 120.0);
/// Lengths that can be asked for, mm.
const LENGTH_MM: (f64, f64) = (2.0, 2000.0);
/// Points of a finger line. On the tightest ring near the top its chords sag by half a millimetre.
const POINTS: usize = 33;

/// How a region is taken in sections.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Layout {
    /// Which way they lie.
    pub along: Along,
    /// How thick each is, mm, 3 to 120.
    pub thickness_mm: f64,
    /// Nearest to where the first is taken. Well inside the region, sections go out from there to both sides.
    pub from: Landmark,
    /// Only every so many-th is worked on, the first being the `skip`-th: 1 takes all.
    #[serde(default = "one", skip_serializing_if = "is_one")]
    pub every: u32,
    /// How many are left out before the first.
    #[serde(default, skip_serializing_if = "is_none")]
    pub skip: u32,
    /// Each is held in pieces so long, mm, 5 to 120, as twists are: as one piece if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub piece_mm: Option<f64>,
}

fn one() -> u32 {
    1
}

fn is_one(n: &u32) -> bool {
    *n == 1
}

fn is_none(n: &u32) -> bool {
    *n == 0
}

/// Hair held away from the head and cut along the fingers.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Sections {
    /// The sections.
    pub layout: Layout,
    /// Lift and direction.
    pub hold: Hold,
    /// What their length follows.
    #[serde(default)]
    pub guide: Guide,
    /// How the fingers lie.
    #[serde(default)]
    pub fingers: Fingers,
    /// How long the first is cut.
    pub length: FirstLength,
    /// Hair that stays out of the hand by where it ends.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub drops: Option<Drops>,
}

/// How long the first section is cut, over the middle of its base.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", deny_unknown_fields)]
pub enum FirstLength {
    /// From scalp to fingers, as it is held, mm.
    HeldMm(f64),
    /// As long as it should be when worn, mm; the hold is worked out.
    WornMm(f64),
    /// So much less than it is now, as it is held, mm.
    ShorterMm(f64),
    /// So long that it ends here when it is worn.
    EndsAt(Place),
    /// By the hair beside it that an earlier step cut (its number, from 0).
    LikeMove(u32),
    /// By the hair beside it, outside the region, that is there already.
    LikeBeside,
}

/// Hair that drops out of the hand by where its ends lie when it is worn, wherever it grows.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields, default)]
pub struct Drops {
    /// What ends below here stays out of the hand: the perimeter is left alone.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub ends_below: Option<Place>,
    /// What ends above here stays out of the hand.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub ends_above: Option<Place>,
}

impl Drops {
    fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        for (name, place) in [("ends_below", self.ends_below), ("ends_above", self.ends_above)] {
            if let Some(place) = place {
                faults.take(name, place.check());
            }
        }
        faults.or(())
    }
}

impl Layout {
    /// All sections of a thickness, each held as one piece.
    pub fn new(along: Along, thickness_mm: f64, from: Landmark) -> Self {
        Self { along, thickness_mm, from, every: 1, skip: 0, piece_mm: None }
    }

    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.take("along", self.along.check());
        faults.range("thickness_mm", self.thickness_mm, THICKNESS_MM, "mm");
        faults.range("every", f64::from(self.every), (1.0, 10.0), "");
        faults.range("skip", f64::from(self.skip), (0.0, 10.0), "");
        if let Some(piece) = self.piece_mm {
            faults.range("piece_mm", piece, PIECE_MM, "mm");
        }
        faults.or(())
    }

    #[must_use]
    pub(super) fn mirrored(self) -> Self {
        Self { along: self.along.mirrored(), from: self.from.mirrored(), ..self }
    }
}

impl Sections {
    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.take("layout", self.layout.check());
        faults.take("hold", self.hold.check());
        faults.take("guide", self.guide.check());
        faults.take("fingers", self.fingers.check());
        match self.length {
            FirstLength::HeldMm(mm) => faults.range("length.held_mm", mm, LENGTH_MM, "mm"),
            FirstLength::WornMm(mm) => faults.range("length.worn_mm", mm, LENGTH_MM, "mm"),
            FirstLength::ShorterMm(mm) => faults.range("length.shorter_mm", mm, (0.0, LENGTH_MM.1), "mm"),
            FirstLength::EndsAt(place) => {
                faults.take("length.ends_at", place.check());
            }
            FirstLength::LikeMove(_) | FirstLength::LikeBeside => {}
        }
        if self.layout.piece_mm.is_some() {
            let why = "pieces are for twists and for hair that is drawn down; fingers hold a whole section";
            faults.push("layout.piece_mm", Problem::Contradicts { why: why.into() });
        }
        if let Some(drops) = &self.drops {
            faults.take("drops", drops.check());
        }
        if self.guide == Guide::Stationary && self.hold.over != Over::OwnBase {
            let why = "with a guide that stays, every section is brought to the first";
            faults.push("hold.over", Problem::Contradicts { why: why.into() });
        }
        faults.or(())
    }

    #[must_use]
    pub(super) fn mirrored(&self) -> Self {
        Self {
            layout: self.layout.mirrored(),
            hold: self.hold.mirrored(),
            fingers: self.fingers.mirrored(),
            ..self.clone()
        }
    }
}

/// One section: a strip of scalp.
#[derive(Debug, Clone)]
pub(super) struct Section {
    /// Its strands: the index of each, and how far along the section it lies, 0 to 1.
    pub members: Vec<(usize, f64)>,
    /// How many sections are worked on between it and the first, on its side of it; and which one leads back to it, if any.
    pub number: usize,
    pub before: Option<usize>,
    chart: Chart,
    across: f64,
    ends: (f64, f64),
}

impl Section {
    /// Direction of the base at a share of the way along it, 0 to 1.
    pub fn base(&self, share: f64) -> Vec3 {
        self.chart.direction(self.across, self.along(share))
    }

    /// Angle along the section at a share of the way.
    pub fn along(&self, share: f64) -> f64 {
        self.ends.0 + share * (self.ends.1 - self.ends.0)
    }

    /// The share of the way at an angle along it, 0 to 1: past its ends, its ends.
    pub fn share_at(&self, along: f64) -> f64 {
        let length = self.ends.1 - self.ends.0;
        if length > 1e-12 { ((along - self.ends.0) / length).clamp(0.0, 1.0) } else { 0.5 }
    }
}

/// Divides strands (index and unit direction of each) into sections, in the order they are taken.
pub(super) fn divide(layout: &Layout, scalp: &Scalp, strands: &[(usize, Vec3)]) -> Vec<Section> {
    let sum: Vec3 = strands.iter().map(|(_, d)| d).sum();
    if strands.is_empty() {
        return Vec::new();
    }
    let chart = layout.along.chart(scalp, &if sum.norm() > 1e-6 { sum.normalize() } else { Vec3::y() });
    let angles: Vec<(f64, f64)> =
        strands.par_iter().with_min_len(256).map(|(_, d)| chart.angles(d)).collect();
    let (low, high) = span(angles.iter().map(|(across, _)| *across));
    let radius = strands.iter().map(|(_, d)| scalp.form.radius_mm(d)).sum::<f64>() / strands.len() as f64;
    let (first, _) = chart.angles(&scalp.direction(layout.from));
    let wanted = layout.thickness_mm / radius;
    // The first section lies at the end nearer to the landmark, or, where that lies well inside, on the landmark.
    let inside = first > low + wanted && first < high - wanted;
    let sides: Vec<Side> = if inside {
        Side::both(first, low, high, wanted)
    } else {
        vec![Side::one(low, high, wanted, (first - high).abs() < (first - low).abs())]
    };
    let mut sections: Vec<Section> = Vec::new();
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
            let mut section = Section {
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

/// Where the fingers hold a section: points in order along it.
#[derive(Debug, Clone)]
pub(super) struct HandLine {
    pub points: Vec<Vec3>,
}

impl HandLine {
    /// The fingers over the base `over` of a section, `length_mm` from the scalp at its middle.
    pub fn of(
        scalp: &Scalp,
        hold: &Hold,
        fingers: &Fingers,
        length_mm: f64,
        over: impl Fn(f64) -> Vec3,
    ) -> Self {
        let bases: Vec<Vec3> = shares().map(over).collect();
        let points: Vec<Vec3> = bases.iter().map(|d| scalp.form.point(d)).collect();
        let hands = |length: &dyn Fn(usize) -> f64| -> Vec<Vec3> {
            (0..POINTS).map(|i| points[i] + hold.away(scalp, &bases[i]) * length(i)).collect()
        };
        let middle = POINTS / 2;
        let flat = hands(&|_| length_mm);
        let chord = match fingers.shape {
            FingerShape::AlongHead => None,
            FingerShape::Straight => Some(points[POINTS - 1] - points[0]),
            FingerShape::Level => {
                let chord = points[POINTS - 1] - points[0];
                Some(Vec3::new(chord.x, 0.0, chord.z))
            }
            FingerShape::Vertical => Some(Vec3::new(0.0, points[POINTS - 1].y - points[0].y, 0.0)),
        };
        // A bow adds all of it in the middle and nothing at the ends.
        let bow = |i: usize| {
            let off = i as f64 / middle as f64 - 1.0;
            fingers.bow_mm * (1.0 - off * off)
        };
        // The slant adds length in proportion to the way from the middle towards the end that stays longer.
        let slope = fingers.slant_deg.to_radians().tan() * toward(scalp, fingers.longer_toward, &points);
        let along = |i: usize| (points[i] - points[middle]).norm() * (i as f64 - middle as f64).signum();
        let slanted = |i: usize| (length_mm + slope * along(i) + bow(i)).max(0.0);
        let points = match chord {
            None if slope == 0.0 && fingers.bow_mm == 0.0 => flat,
            None => hands(&slanted),
            Some(chord) => {
                let away = hold.away(scalp, &bases[middle]);
                let step = chord / (POINTS - 1) as f64;
                let at = |i: usize| {
                    let steps = i as f64 - middle as f64;
                    flat[middle] + step * steps + away * (slope * step.norm() * steps + bow(i))
                };
                (0..POINTS).map(at).collect()
            }
        };
        Self { points }
    }

    /// Through known points.
    pub fn through(points: Vec<Vec3>) -> Self {
        Self { points }
    }

    /// All hair in one place.
    pub fn point(at: Vec3) -> Self {
        Self { points: vec![at; POINTS] }
    }

    /// The point at a share of the way along, 0 to 1.
    pub fn at(&self, share: f64) -> Vec3 {
        let place = share.clamp(0.0, 1.0) * (self.points.len() - 1) as f64;
        let i = (place as usize).min(self.points.len() - 2);
        self.points[i].lerp(&self.points[i + 1], place - i as f64)
    }
}

/// Shares of the way along a section at which its line has points.
pub(super) fn shares() -> impl Iterator<Item = f64> {
    (0..POINTS).map(|i| i as f64 / (POINTS - 1) as f64)
}

/// +1 if the landmark lies beyond the last point rather than the first, else −1; 0 without one.
fn toward(scalp: &Scalp, landmark: Option<Landmark>, points: &[Vec3]) -> f64 {
    let Some(landmark) = landmark else { return 0.0 };
    let at = scalp.point(landmark);
    let (first, last) = ((at - points[0]).norm(), (at - points[points.len() - 1]).norm());
    if last < first { 1.0 } else { -1.0 }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::{Felt, Hairline, HeadForm, Measures, roots};

    fn layout(along: Along, from: Landmark) -> Layout {
        Layout::new(along, 20.0, from)
    }

    #[test]
    fn every_strand_lies_in_one_section_and_the_first_lies_nearest_to_where_it_starts() {
        let measures = Measures::default();
        let form = HeadForm::of(&measures, Felt::default()).expect("an ordinary head");
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
            let near = |section: &Section| section.base(0.5).dot(&scalp.direction(from));
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
        let form = HeadForm::of(&measures, Felt::default()).expect("an ordinary head");
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

    #[test]
    fn slanted_fingers_leave_hair_longer_at_the_end_that_is_named() {
        let measures = Measures::default();
        let form = HeadForm::of(&measures, Felt::default()).expect("an ordinary head");
        let hairline = Hairline::of(&form, &measures);
        let scalp = Scalp::plain(&form, &hairline);
        let (from, to) = (scalp.direction(Landmark::NapeCentre), scalp.direction(Landmark::Crown));
        let over = |share: f64| (from * (1.0 - share) + to * share).normalize();
        let hold = Hold::at(90.0);
        for shape in [FingerShape::AlongHead, FingerShape::Straight] {
            let lengths = |slant_deg, end| {
                let fingers = Fingers { shape, slant_deg, longer_toward: Some(end), bow_mm: 0.0 };
                let hand = HandLine::of(&scalp, &hold, &fingers, 100.0, over);
                let at = |share: f64| (hand.at(share) - form.point(&over(share))).norm();
                (at(0.0), at(1.0))
            };
            let (nape, crown) = lengths(25.0, Landmark::Crown);
            assert!(crown > nape + 20.0, "{shape:?} {nape} {crown}");
            let (nape, crown) = lengths(25.0, Landmark::NapeCentre);
            assert!(nape > crown + 20.0, "{shape:?} {nape} {crown}");
        }
    }
}
