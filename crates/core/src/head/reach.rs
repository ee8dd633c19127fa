//! The skull as an ellipsoid, and the way hair takes down it.

use super::Measures;
use crate::reading::Zone;
use std::f64::consts::PI;

/// Breadth over length of an ordinary head, 150 : 190.
const BREADTH_OVER_LENGTH: f64 = 150.0 / 190.0;
/// Steps of the arc sums (Simpson, even); the error is below 1e-6 mm.
const ARC_STEPS: u32 = 64;

/// Half axes of the head above the ear canals, mm.
pub(super) struct Skull {
    pub half_breadth_mm: f64,
    pub half_length_mm: f64,
    pub top_mm: f64,
}

impl Skull {
    /// Breadth and length from the girth, the height from the way over the top.
    pub fn of(measures: &Measures) -> Self {
        let half_length_mm = measures.girth_mm / (4.0 * arc(1.0, BREADTH_OVER_LENGTH, 0.0, PI / 2.0));
        let half_breadth_mm = half_length_mm * BREADTH_OVER_LENGTH;
        // A quarter ellipse grows with its height, so halving the bracket finds it.
        let (mut low, mut high) = (1.0, measures.over_top_mm);
        for _ in 0..60 {
            let middle = 0.5 * (low + high);
            if 2.0 * arc(half_breadth_mm, middle, 0.0, PI / 2.0) < measures.over_top_mm {
                low = middle;
            } else {
                high = middle;
            }
        }
        Self { half_breadth_mm, half_length_mm, top_mm: 0.5 * (low + high) }
    }
}

/// Where a zone's hair starts and the curve it follows down.
pub(super) enum Root {
    /// On the skull above its widest level, at `angle` (radians, 0 level to π/2 on top) of an ellipse.
    OnSkull { half_width_mm: f64, top_mm: f64, angle: f64 },
    /// Below the widest level: hangs straight down.
    Below { height_mm: f64 },
}

/// The middle of a zone.
pub(super) fn root_of(zone: Zone, skull: &Skull, measures: &Measures) -> Root {
    let on = |half_width_mm: f64, degrees: f64| Root::OnSkull {
        half_width_mm,
        top_mm: skull.top_mm,
        angle: degrees.to_radians(),
    };
    let hairline = (0.475 * measures.face_mm / skull.top_mm).min(0.98).asin().to_degrees();
    match zone {
        Zone::Fringe => on(skull.half_length_mm, hairline),
        Zone::Top => on(skull.half_breadth_mm, 75.0),
        Zone::Crown => on(skull.half_length_mm, 62.0),
        Zone::LeftSide | Zone::RightSide => on(skull.half_breadth_mm, 18.0),
        Zone::BackUpper => on(skull.half_length_mm, 25.0),
        Zone::BackLower => Root::Below { height_mm: -0.08 * measures.face_mm },
        Zone::Nape => Root::Below { height_mm: -0.28 * measures.face_mm },
    }
}

impl Root {
    pub fn height_mm(&self) -> f64 {
        match *self {
            Self::OnSkull { top_mm, angle, .. } => top_mm * angle.sin(),
            Self::Below { height_mm } => height_mm,
        }
    }

    /// Height at which hair of this worn length ends, mm: the inverse of [`Root::reach_mm`].
    fn height_after_mm(&self, worn_mm: f64) -> f64 {
        match *self {
            Self::OnSkull { half_width_mm, top_mm, angle } => {
                let to_level = arc(half_width_mm, top_mm, 0.0, angle);
                if worn_mm >= to_level {
                    return to_level - worn_mm;
                }
                // The way down grows as the end sinks, so halving the bracket finds the angle.
                let (mut low, mut high) = (0.0, angle);
                for _ in 0..50 {
                    let middle = 0.5 * (low + high);
                    if arc(half_width_mm, top_mm, middle, angle) > worn_mm {
                        low = middle;
                    } else {
                        high = middle;
                    }
                }
                top_mm * (0.5 * (low + high)).sin()
            }
            Self::Below { height_mm } => height_mm - worn_mm,
        }
    }

    /// Worn length from here down to `height_mm`; none if that is above the root.
    pub fn reach_mm(&self, height_mm: f64) -> Option<f64> {
        if height_mm >= self.height_mm() {
            return None;
        }
        Some(match *self {
            Self::OnSkull { half_width_mm, top_mm, angle } => {
                let lower = (height_mm.max(0.0) / top_mm).asin();
                arc(half_width_mm, top_mm, lower, angle) + (-height_mm).max(0.0)
            }
            Self::Below { height_mm: root } => root - height_mm,
        })
    }
}

/// Height above the ear canals at which a zone's hair ends when it is worn at `worn_mm`, mm.
pub fn landing_height_mm(measures: &Measures, zone: Zone, worn_mm: f64) -> f64 {
    root_of(zone, &Skull::of(measures), measures).height_after_mm(worn_mm)
}

/// Arc length of the ellipse (a·cos, b·sin) between two angles, by Simpson's rule.
fn arc(a: f64, b: f64, from: f64, to: f64) -> f64 {
    let speed = |angle: f64| (a * angle.sin()).hypot(b * angle.cos());
    let step = (to - from) / f64::from(ARC_STEPS);
    let inner: f64 =
        (1..ARC_STEPS).map(|i| if i % 2 == 1 { 4.0 } else { 2.0 } * speed(from + step * f64::from(i))).sum();
    (speed(from) + inner + speed(to)) * step / 3.0
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::{Figure, Point};

    #[test]
    fn a_round_head_has_round_arcs() {
        assert!((arc(80.0, 80.0, 0.0, PI / 2.0) - 40.0 * PI).abs() < 1e-9);
        // Ramanujan's second approximation for the whole ellipse, good to 1e-9 at this flatness.
        let (a, b) = (95.0_f64, 75.0_f64);
        let h = ((a - b) / (a + b)).powi(2);
        let whole = PI * (a + b) * (1.0 + 3.0 * h / (10.0 + (4.0 - 3.0 * h).sqrt()));
        assert!((4.0 * arc(a, b, 0.0, PI / 2.0) - whole).abs() < 1e-5);
    }

    #[test]
    fn the_solved_skull_measures_as_the_tape_did() {
        let m = Measures::default();
        let skull = Skull::of(&m);
        let girth = 4.0 * arc(skull.half_length_mm, skull.half_breadth_mm, 0.0, PI / 2.0);
        assert!((girth - m.girth_mm).abs() < 1e-6);
        let over = 2.0 * arc(skull.half_breadth_mm, skull.top_mm, 0.0, PI / 2.0);
        assert!((over - m.over_top_mm).abs() < 1e-6);
    }

    #[test]
    fn lower_points_take_longer_hair_and_a_longer_neck_moves_the_body_only() {
        let figure = Figure::of(&Measures::default());
        for zone in &figure.zones {
            let lengths: Vec<_> = zone.reaches.iter().map(|r| r.worn_mm).collect();
            assert!(lengths.windows(2).all(|w| w[0] < w[1]), "{:?}", zone.zone);
        }
        let longer = Figure::of(&Measures { neck_mm: 95.0, ..Measures::default() });
        let moved =
            |point| longer.reach_mm(Zone::Nape, point).unwrap() - figure.reach_mm(Zone::Nape, point).unwrap();
        assert!(moved(Point::Chin).abs() < 1e-9);
        assert!((moved(Point::Collarbone) - 20.0).abs() < 1e-9);
        assert_eq!(figure.reach_mm(Zone::Nape, Point::Brow), None, "a point above the root is no target");
    }

    #[test]
    fn hair_that_reaches_a_point_ends_at_its_height() {
        let m = Measures { face_mm: 172.0, ..Measures::default() };
        let figure = Figure::of(&m);
        for zone in &figure.zones {
            for reach in &zone.reaches {
                let height = landing_height_mm(&m, zone.zone, reach.worn_mm);
                assert!(
                    (height - reach.point.height_mm(&m)).abs() < 1e-6,
                    "{:?} {:?}",
                    zone.zone,
                    reach.point
                );
            }
        }
    }
}
