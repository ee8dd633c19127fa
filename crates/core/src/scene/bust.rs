//! Head, neck and shoulders of the drawn person, and the scalp that bears the hair.

use crate::eased::eased;
use crate::hair::Hair;
use crate::head::{Body, Shape, TRUNK_HALF_DEPTH_MM, Vec3, direction, drawn, face_in_space};
use std::f64::consts::{PI, TAU};

/// Points of a ring of the scalp, its rings, and points of the hairline.
const ROUND: usize = 96;
const RINGS: usize = 24;
const HAIRLINE: usize = 120;
/// How far out the scalp is drawn, as a share of the head's own: it hides the skin under hair.
const SCALP_SHARE: f64 = 1.004;
/// How far from the middle hair comes to lie on a shoulder at most, and half the depth of its ridge, mm.
const HAIR_TO_MM: f64 = 120.0;
const RIDGE_MM: f64 = 30.0;
/// Over how much breadth beyond that the trunk goes over into arms, on which none lies, mm, and how round they are then.
const ARMS_OVER_MM: f64 = 45.0;
const ARM_SHARE: f64 = 0.5;
/// Half breadth and depth of a neck where it goes over into the trunk, mm, and share of its breadth that is all neck.
const NECK_MM: (f64, f64) = (52.0, 50.0);
const NECK_SHARE: f64 = 0.6;

/// Head, and neck with trunk, as rings from the top down; and lines: the hairline, and the features that tell front from back.
pub(super) struct Bust {
    pub head: Vec<Vec<Vec3>>,
    pub body: Vec<Vec<Vec3>>,
    pub lines: Vec<Vec<[f32; 3]>>,
}

/// Of a person whose ears, left and right, are covered by hair or not, and whose shoulders hair comes down to or not.
pub(super) fn bust(hair: &Hair, covered: [bool; 2], lies_on_shoulders: bool) -> Bust {
    let (form, hairline, measures) = (&hair.form, &hair.hairline, &hair.measures);
    let shape = Shape::new(form, hairline, measures);
    let edge = |i: usize| {
        let turn = 360.0 * i as f64 / HAIRLINE as f64 - 180.0;
        drawn(&(form.point(&hairline.direction(turn)) * SCALP_SHARE))
    };
    let features = face_in_space(&shape, form, measures, covered);
    let trunk = shape.trunk();
    let features = features.iter().map(|line| line.iter().map(drawn).collect());
    Bust {
        head: shape.head(),
        body: if lies_on_shoulders {
            trunk.iter().map(|ring| no_deeper(ring, &hair.body)).collect()
        } else {
            trunk
        },
        lines: std::iter::once((0..=HAIRLINE).map(edge).collect()).chain(features).collect(),
    }
}

/// A ring of neck and trunk, no deeper to front and back than long hair comes to lie there: it would vanish in them. Between the
/// shoulders, where none lies, the neck goes over into chest and back; arms stay rounder.
fn no_deeper(ring: &[Vec3], body: &Body) -> Vec<Vec3> {
    let (half, neck) = NECK_MM;
    let most = |side: f64| ring.iter().map(|p| side * p.z).fold(RIDGE_MM, f64::max);
    let (front, back) = (most(1.0), most(-1.0));
    let within = |p: Vec3| {
        let reach = if p.z > 0.0 { front } else { back };
        let between = neck + (1.0 - neck / TRUNK_HALF_DEPTH_MM) * body.half_depth_mm(0.0, p.y);
        let shoulder = body.half_depth_mm(p.x.abs().min(HAIR_TO_MM), p.y).max(RIDGE_MM);
        let off = eased((p.x.abs() - NECK_SHARE * half) / ((1.0 - NECK_SHARE) * half));
        let deep = between + off * (shoulder - between);
        let arm = ARM_SHARE * eased((p.x.abs() - HAIR_TO_MM) / ARMS_OVER_MM);
        let least = (deep / reach).min(1.0);
        Vec3::new(p.x, p.y, p.z * (least + arm * (1.0 - least)))
    };
    ring.iter().copied().map(within).collect()
}

/// The scalp that hair grows on, a little above the head's own.
pub(super) fn scalp(hair: &Hair) -> Vec<Vec<Vec3>> {
    let ring = |i: usize| {
        let share = i as f64 / RINGS as f64;
        let at = |k: usize| {
            let turn = TAU * k as f64 / ROUND as f64;
            let edge = hair.hairline.elevation(if turn > PI { TAU - turn } else { turn });
            // Not quite from the pole, where all corners would fall together.
            let elevation = 0.4995 * PI + share * (edge - 0.4995 * PI);
            hair.form.point(&direction(turn, elevation)) * SCALP_SHARE
        };
        (0..ROUND).map(at).collect()
    };
    (0..=RINGS).map(ring).collect()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::grow::HairRequest;
    use crate::head::Zone;
    use crate::lock::locks;
    use crate::reading::{RawReading, RawZoneReading};

    #[test]
    fn long_hair_lies_on_the_trunk_and_not_in_it() {
        let zones = Zone::ALL.map(|zone| (zone.into(), RawZoneReading::measured(800.0, 790.0))).into();
        let hair = HairRequest::new(RawReading { zones, ..RawReading::default() }).grow().expect("possible");
        let rings = bust(&hair, [true; 2], true).body;
        let (mut outside, mut all) = (0, 0);
        for lock in locks(&hair, &hair.lengths, 300) {
            // Where it has come down from the shoulders.
            let low = lock.line.iter().filter(|p| f64::from(p[1]) < hair.body.shoulder_mm() - 130.0);
            for [x, y, z] in low {
                let Some(ring) = rings.iter().find(|ring| ring[0].y < f64::from(*y)) else { continue };
                let beside = |p: &&Vec3| (p.x - f64::from(*x)).abs() < 12.0 && p.z * f64::from(*z) > 0.0;
                let trunk = ring.iter().filter(beside).map(|p| p.z.abs()).fold(0.0, f64::max);
                all += 1;
                outside += usize::from(f64::from(z.abs()) > trunk);
            }
        }
        assert!(all > 500 && outside * 100 > 98 * all, "{outside} of {all}");
    }
}
