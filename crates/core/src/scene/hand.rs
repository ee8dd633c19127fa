//! The hand that holds a section, and the comb that was drawn through it: two fingers close along the cutting line, the comb lies
//! under them.

use crate::cut::SectionShape;
use crate::head::{Vec3, from_drawn};
use std::f64::consts::TAU;

/// Half the breadth of a finger and how much narrower its tip is; how long two joints of it are, mm.
const FINGER_MM: f64 = 7.5;
const TIP_SHARE: f64 = 0.75;
const FINGERS_MM: f64 = 85.0;
/// How far below the cutting line the middle of the fingers lies, and to either side of the hair, mm.
const BELOW_MM: f64 = 9.0;
const ASIDE_MM: f64 = 8.5;
/// The comb: how far below the line it lies, the half length of its spine, its half thickness, and its teeth, mm.
const COMB_BELOW_MM: f64 = 27.0;
const COMB_HALF_MM: f64 = 85.0;
const SPINE_MM: f64 = 3.2;
const SPINE_ASIDE_MM: f64 = 16.0;
const TEETH_MM: f64 = 26.0;
const TOOTH_MM: f64 = 1.1;
const TOOTH_EVERY_MM: f64 = 6.0;
/// Points of a ring, and rings of a finger.
const ROUND: usize = 12;
const JOINTS: usize = 10;

/// A tube: rings of points.
pub(super) type Tube = Vec<Vec<Vec3>>;

/// Fingers and comb at a section.
pub(super) struct Held {
    pub fingers: Vec<Tube>,
    pub comb: Vec<Tube>,
}

/// How a section is held; nothing where no hair is in the hand.
pub(super) fn held(section: &SectionShape) -> Option<Held> {
    let hand: Vec<Vec3> = section.hand.iter().map(from_drawn).collect();
    let base: Vec<Vec3> = section.base.iter().map(from_drawn).collect();
    let (first, last) = (hand.first()?, hand.last()?);
    let middle = |line: &[Vec3]| line.iter().sum::<Vec3>() / line.len() as f64;
    let along = (last - first).try_normalize(1e-6)?;
    let out = middle(&hand) - middle(&base);
    let out = (out - along * out.dot(&along)).try_normalize(1e-6)?;
    let aside = along.cross(&out);
    // Along the cutting line as it curves, no further than fingers reach.
    let length: f64 = hand.windows(2).map(|ends| (ends[1] - ends[0]).norm()).sum();
    let reach = FINGERS_MM.min(length.max(2.0 * FINGER_MM));
    let start = 0.5 * (length - reach);
    let on_line = |mm: f64| on(&hand, mm) - out * BELOW_MM;
    let finger = |side: f64| {
        let ring = |i: usize| {
            let share = i as f64 / JOINTS as f64;
            let rounded = (1.0 - (2.0 * share - 1.0).abs().powi(8)).max(0.0).sqrt();
            let radius = FINGER_MM * (1.0 - (1.0 - TIP_SHARE) * share) * rounded.max(0.05);
            round(on_line(start + share * reach) + aside * (side * ASIDE_MM), along, radius)
        };
        (0..=JOINTS).map(ring).collect()
    };
    let comb_at = middle(&hand) - out * COMB_BELOW_MM + aside * SPINE_ASIDE_MM;
    let stick = |from: Vec3, to: Vec3, radius: f64| {
        let way = (to - from).normalize();
        [(from, 0.05), (from, radius), (to, radius), (to, 0.05)].map(|(at, r)| round(at, way, r)).to_vec()
    };
    let teeth = (2.0 * COMB_HALF_MM / TOOTH_EVERY_MM) as usize;
    let tooth = |i: usize| {
        let from = comb_at + along * (i as f64 * TOOTH_EVERY_MM - COMB_HALF_MM);
        stick(from, from - aside * TEETH_MM, TOOTH_MM)
    };
    let spine = stick(comb_at - along * COMB_HALF_MM, comb_at + along * COMB_HALF_MM, SPINE_MM);
    Some(Held {
        fingers: vec![finger(1.0), finger(-1.0)],
        comb: std::iter::once(spine).chain((0..=teeth).map(tooth)).collect(),
    })
}

/// The place so far along a line, mm; straight on beyond its ends.
pub(super) fn on(line: &[Vec3], mm: f64) -> Vec3 {
    let mut left = mm;
    for (i, ends) in line.windows(2).enumerate() {
        let way = ends[1] - ends[0];
        let length = way.norm();
        if (left <= length || i + 2 == line.len()) && length > 0.0 {
            return ends[0] + way * (left / length);
        }
        left -= length;
    }
    line[0]
}

/// A ring about an axis, the way round in which a tube along it faces out.
fn round(middle: Vec3, axis: Vec3, radius: f64) -> Vec<Vec3> {
    let side = if axis.y.abs() < 0.9 { Vec3::y() } else { Vec3::z() };
    let one = side.cross(&axis).normalize();
    let other = one.cross(&axis);
    let at = |i: usize| {
        let (sin, cos) = (TAU * i as f64 / ROUND as f64).sin_cos();
        middle + (one * cos + other * sin) * radius
    };
    (0..ROUND).map(at).collect()
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn fingers_close_on_both_sides_of_the_hair_just_below_the_cutting_line_and_the_comb_lies_under_them() {
        let along = |z: f32| (0..9).map(|i| [10.0 * i as f32 - 40.0, 120.0, z]).collect::<Vec<_>>();
        let section = SectionShape { base: along(0.0), hand: along(80.0), held_mm: Some(80.0) };
        let held = held(&section).expect("it is held");
        let all = |tube: &Tube| tube.iter().flatten().copied().collect::<Vec<_>>();
        let [one, other] = [&held.fingers[0], &held.fingers[1]].map(all);
        assert!(one.iter().chain(&other).all(|p| p.z < 80.0 && p.z > 60.0));
        assert!(
            one.iter().all(|p| p.y > 120.0) != other.iter().all(|p| p.y > 120.0),
            "the hair runs between them"
        );
        for p in held.comb.iter().flat_map(all) {
            assert!(p.z < 60.0 && p.z > 40.0 && p.x.abs() < 90.0);
        }
        let teeth: Vec<Vec3> = held.comb[1..].iter().flat_map(all).collect();
        let (low, high) = teeth.iter().fold((f64::MAX, f64::MIN), |(l, h), p| (l.min(p.y), h.max(p.y)));
        assert!(low < 120.0 && high > 120.0, "they reach through it");
        for tube in held.fingers.iter().chain(&held.comb) {
            // Rings of one place close the ends; between others the surface faces away from the axis.
            for pair in tube.windows(2).filter(|pair| (pair[1][0] - pair[0][0]).norm() > 4.0) {
                let axis = pair[0].iter().sum::<Vec3>() / ROUND as f64;
                let faces = (pair[1][0] - pair[0][0]).cross(&(pair[0][1] - pair[0][0]));
                assert!(faces.dot(&(pair[0][0] - axis)) > 0.0);
            }
        }
        let nothing = SectionShape { base: vec![], hand: vec![], held_mm: None };
        assert!(super::held(&nothing).is_none());
    }
}
