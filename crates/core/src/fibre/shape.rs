//! The line a hanging hair takes, to be drawn: the same spiral whose length is computed, seen from the side and a
//! little from above.

use super::{Regime, Rod};
use std::f64::consts::TAU;

/// Points a turn is drawn with: the corners then lie within 2 % of the loop.
const POINTS_PER_TURN: f64 = 18.0;
/// Most points of a line: a screen shows no more.
const MOST_POINTS: usize = 2400;
/// How much of a loop's depth shows as height when it is seen from slightly above.
const TILT: f64 = 0.3;

impl Rod {
    /// Points [across, down] from the root to the free end, mm. The lowest lies at the hanging length.
    pub fn line(&self, length_mm: f64, tip_pull_mn: f64) -> Vec<[f64; 2]> {
        let coarse = self.turns(length_mm, tip_pull_mn);
        let points = ((coarse * POINTS_PER_TURN).ceil() as usize + 24).min(MOST_POINTS);
        let step = length_mm / points as f64;
        let planar = self.regime(length_mm, tip_pull_mn) == Regime::Hook;
        let (mut turned, mut depth) = (0.0_f64, 0.0);
        let mut line = vec![[0.0, 0.0]];
        let mut root = None;
        for i in 0..points {
            let below = length_mm - (i as f64 + 0.5) * step;
            let pull = tip_pull_mn + self.weight_mn_mm * below;
            let (extension, turn) = self.opened(pull);
            if planar {
                let (sin, cos) = (turned + 0.5 * step / self.radius_mm).sin_cos();
                let [x, y] = line[line.len() - 1];
                turned += step / self.radius_mm;
                line.push([x + step * sin, y + step * cos]);
                continue;
            }
            let radius = (1.0 - extension * extension).max(0.0).sqrt() / turn.max(f64::MIN_POSITIVE);
            turned += turn * step;
            depth += extension * step;
            let at = [radius * turned.cos(), depth + TILT * radius * turned.sin()];
            let [x0, y0] = *root.get_or_insert([radius, 0.0]);
            line.push([at[0] - x0, at[1] - y0]);
        }
        // Halving the step would move the end by less than a line's width; what is left is scaled away, so that the
        // drawing is exactly as long as the number beside it.
        let lowest = line.iter().map(|p| p[1]).fold(f64::MIN_POSITIVE, f64::max);
        let scale = self.hanging_mm(length_mm, tip_pull_mn) / lowest;
        line.into_iter().map(|[x, y]| [x, y * scale]).collect()
    }

    /// Turns of the whole strand, by the midpoint rule: of an even strand exactly.
    pub fn turns(&self, length_mm: f64, tip_pull_mn: f64) -> f64 {
        const PARTS: u32 = 16;
        let step = length_mm / f64::from(PARTS);
        let turn = |i: u32| self.opened(tip_pull_mn + self.weight_mn_mm * (f64::from(i) + 0.5) * step).1;
        (0..PARTS).map(|i| turn(i) * step / TAU).sum()
    }
}

#[cfg(test)]
mod tests {
    use crate::fibre::{Curl, Material, Rod};

    fn rod(radius: f64, pitch: f64) -> Rod {
        let material = Material {
            diameter_um: 70.0,
            youngs_gpa: 3.9,
            shear_gpa: 1.0,
            density_kg_m3: 1320.0,
            weight_factor: 1.0,
        };
        Rod::new(material, Curl { loop_radius_mm: radius, natural_pitch: pitch })
    }

    #[test]
    fn the_drawn_line_is_as_deep_as_the_hair_hangs_and_no_wider_than_its_loops() {
        for (radius, pitch, length) in
            [(8.0, 0.3, 300.0), (2.0, 0.2, 250.0), (40.0, 0.0, 400.0), (60.0, 0.1, 60.0)]
        {
            let rod = rod(radius, pitch);
            let line = rod.line(length, 0.0);
            let lowest = line.iter().map(|p| p[1]).fold(0.0, f64::max);
            assert!((lowest - rod.hanging_mm(length, 0.0)).abs() < 1e-9, "{radius}");
            let width = line.iter().map(|p| p[0].abs()).fold(0.0, f64::max);
            assert!(width <= 2.0 * radius + 1e-9, "{radius}: {width}");
            assert!(line.iter().flatten().all(|x| x.is_finite()));
        }
    }

    #[test]
    fn loops_are_wider_at_the_end_than_at_the_root() {
        let line = rod(12.0, 0.2).line(350.0, 0.0);
        let spread = |part: &[[f64; 2]]| {
            let (low, high) = part.iter().fold((f64::MAX, f64::MIN), |(l, h), p| (l.min(p[0]), h.max(p[0])));
            high - low
        };
        let third = line.len() / 3;
        assert!(spread(&line[2 * third..]) > 1.2 * spread(&line[..third]));
    }
}
