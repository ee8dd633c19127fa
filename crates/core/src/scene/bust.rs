//! Head, neck and shoulders of the drawn person, and the scalp that bears the hair.

use crate::hair::Hair;
use crate::head::{Shape, Vec3, direction, drawn, face_in_space};
use std::f64::consts::{PI, TAU};

/// Points of a ring of the scalp, its rings, and points of the hairline.
const ROUND: usize = 96;
const RINGS: usize = 24;
const HAIRLINE: usize = 120;
/// How far out the scalp is drawn, as a share of the head's own: it hides the skin under hair.
const SCALP_SHARE: f64 = 1.004;

/// Head, and neck with trunk, as rings from the top down; and lines: the hairline, and the features that tell front from back.
pub(super) struct Bust {
    pub head: Vec<Vec<Vec3>>,
    pub body: Vec<Vec<Vec3>>,
    pub lines: Vec<Vec<[f32; 3]>>,
}

/// Of a person whose ears, left and right, are covered by hair or not.
pub(super) fn bust(hair: &Hair, covered: [bool; 2]) -> Bust {
    let (form, hairline, measures) = (&hair.form, &hair.hairline, &hair.measures);
    let shape = Shape::new(form, hairline, measures);
    let edge = |i: usize| {
        let turn = 360.0 * i as f64 / HAIRLINE as f64 - 180.0;
        drawn(&(form.point(&hairline.direction(turn)) * SCALP_SHARE))
    };
    let features = face_in_space(&shape, form, measures, covered);
    let features = features.iter().map(|line| line.iter().map(drawn).collect());
    Bust {
        head: shape.head(),
        body: shape.trunk(),
        lines: std::iter::once((0..=HAIRLINE).map(edge).collect()).chain(features).collect(),
    }
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
