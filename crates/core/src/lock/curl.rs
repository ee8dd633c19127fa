//! How a lock winds: the spiral that its hair hangs in, from the root to the end.

use crate::fibre::Rod;
use std::f64::consts::TAU;

/// Points a turn is drawn with; those of a lock at least, of one that winds at all, and at most.
const POINTS_PER_TURN: f64 = 6.0;
const POINTS: (usize, usize) = (14, 100);
const WINDING: (f64, usize) = (0.5, 26);
/// How far apart those of straight hair lie at most, so that it bends smoothly over a shoulder, mm.
const APART_MM: f64 = 20.0;
/// Turns over which the loops open from the root, and share of the length over which they close to the tip: it ends where its
/// hair does.
const OPENS_OVER: f64 = 1.5;
const CLOSES_OVER: f64 = 0.05;

/// A point of a lock as it winds.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(super) struct Wound {
    /// How far along the worn length it lies, 0 to 1.
    pub along: f64,
    /// How far it has turned, radians.
    pub turned: f64,
    /// Radius of the loop there, mm.
    pub radius_mm: f64,
}

/// Points along hair of this fibre length. The weight of what hangs below opens the loops: they are narrow and steep above and
/// wide and flat towards the end.
pub(super) fn wound(rod: &Rod, fibre_mm: f64) -> Vec<Wound> {
    let turns = rod.turns(fibre_mm, 0.0);
    let straight = POINTS.0.max((fibre_mm / APART_MM) as usize);
    let least = if turns > WINDING.0 { WINDING.1 } else { straight };
    let points = ((turns * POINTS_PER_TURN) as usize).clamp(least, POINTS.1.max(least));
    let step = fibre_mm / points as f64;
    let (mut down, mut turned) = (0.0, 0.0);
    let mut line = vec![Wound { along: 0.0, turned, radius_mm: 0.0 }];
    for i in 0..points {
        let pull = rod.weight_mn_mm * (fibre_mm - (i as f64 + 0.5) * step);
        let (extension, turn) = rod.opened(pull);
        down += extension * step;
        let sin = (1.0 - extension * extension).max(0.0).sqrt();
        let radius_mm = if sin > 0.0 { sin / turn } else { 0.0 };
        if sin > 0.0 {
            turned += turn * step;
        }
        let opened = (turned / (OPENS_OVER * TAU)).min(1.0);
        line.push(Wound { along: down, turned, radius_mm: radius_mm * opened });
    }
    let whole = down.max(f64::MIN_POSITIVE);
    for point in &mut line {
        point.along /= whole;
        point.radius_mm *= ((1.0 - point.along) / CLOSES_OVER).min(1.0);
    }
    line
}
