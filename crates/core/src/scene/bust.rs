//! Head, neck and shoulders.

use crate::hair::Hair;
use crate::head::{Body, Measures, NECK_FROM_MM, NECK_MM, Point, Vec3, direction, drawn, skin_mm};
use std::f64::consts::{PI, TAU};

/// Points of a ring: its chords sag by less than a fifth of a millimetre.
const ROUND: usize = 96;
/// Rings of the skull, of the face, of the neck and of the trunk.
const RINGS: usize = 24;
/// How far out the scalp is drawn, as a share of the head's own: it hides the skin under hair.
const SCALP_SHARE: f64 = 1.004;
/// Points of a curve.
const CURVE: usize = 120;

fn turns() -> impl Iterator<Item = f64> {
    (0..ROUND).map(|i| TAU * i as f64 / ROUND as f64)
}

fn shares(count: usize) -> impl Iterator<Item = f64> {
    (0..=count).map(move |i| i as f64 / count as f64)
}

/// The scalp down to the ears, and the face down to the chin.
pub(super) fn head(hair: &Hair) -> Vec<Vec<Vec3>> {
    // Not quite from the pole, where all corners would fall together.
    let scalp = shares(RINGS).map(|share| {
        let elevation = 0.4995 * PI * (1.0 - share);
        turns().map(|turn| hair.form.point(&direction(turn, elevation))).collect()
    });
    let chin = Point::Chin.height_mm(&hair.measures);
    let face = shares(RINGS).skip(1).map(|share| {
        let on_skin = |turn: f64| {
            let (sin, cos) = turn.sin_cos();
            let radius = skin_mm(&hair.form, &hair.measures, turn, share * chin);
            Vec3::new(radius * sin, share * chin, radius * cos)
        };
        turns().map(on_skin).collect()
    });
    scalp.chain(face).collect()
}

/// The scalp that hair grows on, a little above the head's own.
pub(super) fn scalp(hair: &Hair) -> Vec<Vec<Vec3>> {
    let ring = |share: f64| {
        turns()
            .map(|turn| {
                let edge = hair.hairline.elevation(if turn > PI { TAU - turn } else { turn });
                let elevation = 0.4995 * PI + share * (edge - 0.4995 * PI);
                hair.form.point(&direction(turn, elevation)) * SCALP_SHARE
            })
            .collect()
    };
    shares(RINGS).map(ring).collect()
}

/// Neck and trunk, down to the waist.
pub(super) fn body(body: &Body) -> Vec<Vec<Vec3>> {
    let (breadth, depth, middle) = NECK_MM;
    let top = body.shoulder_mm();
    let neck = shares(RINGS).map(|share| {
        // From under the ears, widening a little where it meets the shoulders.
        let (y, wider) = ((1.0 - share) * NECK_FROM_MM + share * (top + 4.0), 1.0 + 0.3 * share.powi(6));
        turns().map(|turn| Vec3::new(breadth * wider * turn.sin(), y, middle + depth * turn.cos())).collect()
    });
    let trunk = shares(RINGS).skip(1).map(|share| {
        let y = top - share * share * (top - body.waist_mm);
        let half = body.half_breadth_mm(y).max(breadth);
        let at = |turn: f64| {
            let (sin, cos) = turn.sin_cos();
            let x = half * sin;
            let deep = body.half_depth_mm(x * 0.98, y).max(depth * cos.abs() * 0.6);
            Vec3::new(x, y, middle + deep * cos.signum() * cos.abs().powf(0.4))
        };
        turns().map(at).collect()
    });
    neck.chain(trunk).collect()
}

/// The hairline, the ears and the marks of a face, which tell front from back.
pub(super) fn lines(hair: &Hair) -> Vec<Vec<[f32; 3]>> {
    let (form, measures) = (&hair.form, &hair.measures);
    let edge = |share: f64| drawn(&(form.point(&hair.hairline.direction(360.0 * share - 180.0)) * 1.004));
    let hairline = shares(CURVE).map(edge).collect();
    let ears = [-1.0, 1.0].map(|side| {
        let middle = form.point(&Vec3::new(side, -0.08, -0.08));
        let ring = |share: f64| {
            let (sin, cos) = (TAU * share).sin_cos();
            drawn(&(middle + Vec3::new(side * (5.0 - 4.0 * cos), 30.0 * sin, -15.0 * cos)))
        };
        shares(CURVE).map(ring).collect::<Vec<_>>()
    });
    let skin = |degrees: f64, y: f64, out: f64| {
        let turn = degrees.to_radians();
        let radius = skin_mm(form, measures, turn, y) + out;
        drawn(&Vec3::new(radius * turn.sin(), y, radius * turn.cos()))
    };
    let height = |point: Point| point.height_mm(measures);
    let across = |half: f64, y: f64, rise: f64, middle: f64| -> Vec<[f32; 3]> {
        let at = |share: f64| {
            let off = 2.0 * share - 1.0;
            skin(middle + half * off, y - rise * off * off, 1.5)
        };
        shares(16).map(at).collect()
    };
    let nose = nose(measures).into_iter().map(|(y, out)| skin(0.0, y, out)).collect();
    let eyes = height(Point::Brow) - 0.08 * measures.face_mm;
    std::iter::once(hairline)
        .chain(ears)
        .chain([
            across(9.0, height(Point::Brow), 5.0, 19.0),
            across(9.0, height(Point::Brow), 5.0, -19.0),
            across(6.5, eyes, -3.0, 19.0),
            across(6.5, eyes, -3.0, -19.0),
            across(13.0, height(Point::Lip), -4.0, 0.0),
            nose,
        ])
        .collect()
}

/// The nose from the side: heights, and how far out from the face, mm.
fn nose(measures: &Measures) -> [(f64, f64); 4] {
    let (brow, tip) = (Point::Brow.height_mm(measures), Point::NoseTip.height_mm(measures));
    [(brow - 8.0, 2.0), (0.5 * (brow + tip), 10.0), (tip, 20.0), (tip - 8.0, 5.0)]
}
