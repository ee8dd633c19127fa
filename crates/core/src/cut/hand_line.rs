//! Where the fingers hold a subsection.

use super::hold::{FingerShape, Fingers, Hold};
use crate::head::{Landmark, Scalp, Vec3};

/// Points of a finger line. On the tightest ring near the top its chords sag by half a millimetre.
const POINTS: usize = 33;

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
