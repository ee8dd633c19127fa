//! Where the fingers hold a subsection.

use super::carried::Carried;
use super::hold::{FingerShape, Fingers, Hold};
use crate::head::{Landmark, Scalp, Vec3};

/// Points of a finger line. On the tightest ring near the top its chords sag by half a millimetre.
const POINTS: usize = 33;

/// Where the fingers hold a section: points in order along it.
#[derive(Debug, Clone)]
pub(super) struct HandLine {
    pub points: Vec<Vec3>,
}

/// What a finger line is laid over: by the share of the way along a section, 0 to 1, where its hair grows and over which place it
/// is held; and the share at which its length is measured.
pub(super) struct Bases<Own, Over> {
    pub own: Own,
    pub over: Over,
    pub from: f64,
}

impl HandLine {
    /// The fingers over a section, so far from where its hair grows as `length_mm` says for a share of the way along it.
    ///
    /// Fingers along the head keep that length everywhere. Any other line has it where it begins alone.
    pub fn of(
        scalp: &Scalp,
        hold: &Hold,
        fingers: &Fingers,
        length_mm: impl Fn(f64) -> f64,
        bases: &Bases<impl Fn(f64) -> Vec3, impl Fn(f64) -> Vec3>,
    ) -> Self {
        let base = |share: f64| Carried::of(scalp, hold, (bases.own)(share), (bases.over)(share));
        let all: Vec<Carried> = shares().map(base).collect();
        let first = base(bases.from);
        let place = bases.from * (POINTS - 1) as f64;
        // A bow adds all of it in the middle and nothing at the ends.
        let bow = |i: usize| {
            let off = 2.0 * i as f64 / (POINTS - 1) as f64 - 1.0;
            fingers.bow_mm * (1.0 - off * off)
        };
        // The slant adds length in proportion to the way from where the line begins towards the end that stays longer.
        let ends = [all[0].over_at, all[POINTS - 1].over_at];
        let slope = fingers.slant_deg.to_radians().tan() * toward(scalp, fingers.longer_toward, &ends);
        let along = |i: usize| (all[i].over_at - first.over_at).norm() * (i as f64 - place).signum();
        let more = |i: usize| slope * along(i) + bow(i);
        let at_first = length_mm(bases.from);
        let straight = |chord: Vec3| -> Vec<Vec3> {
            let from = first.hand(scalp, at_first);
            let step = chord / (POINTS - 1) as f64;
            let at = |i: usize| {
                let steps = i as f64 - place;
                from + step * steps + first.out * (slope * step.norm() * steps + bow(i))
            };
            (0..POINTS).map(at).collect()
        };
        let chord = ends[1] - ends[0];
        let points = match fingers.shape {
            FingerShape::AlongHead => (0..POINTS)
                .map(|i| all[i].hand(scalp, (length_mm(i as f64 / (POINTS - 1) as f64) + more(i)).max(0.0)))
                .collect(),
            FingerShape::Straight => straight(chord),
            FingerShape::Level => straight(Vec3::new(chord.x, 0.0, chord.z)),
            FingerShape::Vertical => straight(Vec3::new(0.0, chord.y, 0.0)),
            FingerShape::SquareToHair => {
                let (from, gets_there) = first.found_mm(scalp, at_first);
                if !gets_there {
                    // As far that way as it goes, all of it together.
                    return Self::point(first.hand(scalp, at_first));
                }
                let squared = squared_mm(&all, &first, place);
                (0..POINTS).map(|i| all[i].out_mm(scalp, (from + squared[i] + more(i)).max(0.0))).collect()
            }
        };
        let mut line = Self { points };
        line.points.iter_mut().for_each(|point| *point = outside(scalp, point));
        line
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

/// By how much longer than where it begins each point of a finger line is that lies square to the hair it holds, mm.
///
/// The line from place to place is F = P + ℓ·a, with P on the scalp and a the direction in which hair is held there. It lies square
/// to the hair where F′·a = 0, that is, as a·a′ = 0, where ℓ′ = −P′·a: what a root lies further out in the direction of the hold it
/// is nearer to the fingers. On a section that goes straight up a slope, held at an elevation θ, ℓ′ = cos θ for each millimetre:
/// held low it stacks, at 90° it is uniform, past that it is shorter above. So are level sections that guide each other.
fn squared_mm(all: &[Carried], first: &Carried, place: f64) -> Vec<f64> {
    let step = |a: &Carried, b: &Carried| -0.5 * (b.over_at - a.over_at).dot(&(a.out + b.out));
    let mut longer = vec![0.0; POINTS];
    let above = place.ceil() as usize;
    for i in above..POINTS {
        longer[i] =
            if i == above { step(first, &all[i]) } else { longer[i - 1] + step(&all[i - 1], &all[i]) };
    }
    for i in (0..above).rev() {
        longer[i] =
            if i + 1 == above { step(first, &all[i]) } else { longer[i + 1] + step(&all[i + 1], &all[i]) };
    }
    longer
}

/// +1 if the landmark lies beyond the last of two points rather than the first, else −1; 0 without one.
fn toward(scalp: &Scalp, landmark: Option<Landmark>, ends: &[Vec3; 2]) -> f64 {
    let Some(landmark) = landmark else { return 0.0 };
    let at = scalp.point(landmark);
    if (at - ends[1]).norm() < (at - ends[0]).norm() { 1.0 } else { -1.0 }
}

/// A place outside the head: a hand that would be inside lies on it.
fn outside(scalp: &Scalp, point: &Vec3) -> Vec3 {
    let Some(d) = point.try_normalize(1e-9) else { return *point };
    let radius = scalp.form.radius_mm(&d);
    if point.norm() < radius { d * radius } else { *point }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::{Hairline, HeadForm, Measures, SkullForm};

    #[test]
    fn slanted_fingers_leave_hair_longer_at_the_end_that_is_named() {
        let measures = Measures::default();
        let form = HeadForm::of(&measures, SkullForm::default()).expect("an ordinary head");
        let hairline = Hairline::of(&form, &measures);
        let scalp = Scalp::plain(&form, &hairline);
        let (from, to) = (scalp.direction(Landmark::NapeCentre), scalp.direction(Landmark::Crown));
        let over = |share: f64| (from * (1.0 - share) + to * share).normalize();
        let hold = Hold::at(90.0);
        for shape in [FingerShape::AlongHead, FingerShape::Straight] {
            let lengths = |slant_deg, end| {
                let fingers = Fingers { shape, slant_deg, longer_toward: Some(end), bow_mm: 0.0 };
                let bases = Bases { own: over, over, from: 0.5 };
                let hand = HandLine::of(&scalp, &hold, &fingers, |_| 100.0, &bases);
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
