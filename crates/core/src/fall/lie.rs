//! How far hair rises off the bare path it follows.
//!
//! Hair can't lie denser than its packing. Where n hairs of section A grow on an area and take 1/(x·φ) times their section
//! for each worn millimetre, a strand has to ride over all that is rooted below it: it leaves the scalp at sin α = n·A/(φ·x).
//! On a round head there is more room further out, so its height c after a worn length s solves
//! ((R + c)³ − R³)/3R² = s·sin α, and is at most s: hair that is denser than that stands upright.

use super::path::Path;
use crate::fibre::search::zero_by_slope;
use crate::tolerance;

/// Radius of an ordinary head, mm, on which hair spreads out as it rises.
pub(crate) const RISE_RADIUS_MM: f64 = 92.0;
/// Most steps of Newton's method, and the least slope it is tried at.
const NEWTON_STEPS: usize = 12;
const LEAST_SLOPE: f64 = 0.05;
/// Worn length, mm, over which the rise from stiffness alone is reached.
const STAND_OVER_MM: f64 = 15.0;

/// How the hair of one root lies on its path.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct Lie {
    /// n·A/(φ·x) at the root: the sine of the angle at which crowded hair leaves the scalp; above 1 it stands upright.
    pub crowding: f64,
    /// How far stiff hair stands off by itself, mm.
    pub stand_mm: f64,
    /// How much of the way it would lie down its neighbours hold it up, 0 to 1.
    pub held_up: f64,
}

/// Where hair passes from the head to hanging: worn length, and height over the bare path, mm.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub(crate) struct Turn {
    pub worn_mm: f64,
    pub rise_mm: f64,
}

impl Lie {
    /// Height over the bare path after a worn length, mm, and its slope.
    fn rise(&self, worn_mm: f64) -> (f64, f64) {
        // The cube root by logarithm: twice as quick as by itself, and as exact as anything here needs.
        let out = ((3.0 * self.crowding * worn_mm / RISE_RADIUS_MM).ln_1p() / 3.0).exp();
        let rise = RISE_RADIUS_MM * (out - 1.0);
        if rise >= worn_mm { (worn_mm, 1.0) } else { (rise, self.crowding / (out * out)) }
    }

    /// How far along a bare path that is, mm, and its slope. On a path that turns by `bend` radians a millimetre, hair further
    /// out has further to go.
    fn run(&self, worn_mm: f64, bend: f64) -> (f64, f64) {
        let (rise, steep) = self.rise(worn_mm);
        let flat = ((worn_mm - rise) * (worn_mm + rise)).max(0.0).sqrt();
        if flat <= 0.0 {
            return (0.0, 0.0);
        }
        let wider = 1.0 + 0.5 * rise * bend;
        let slope = (worn_mm - rise * steep) / (flat * wider) - 0.5 * flat * steep * bend / (wider * wider);
        (flat / wider * (1.0 - self.held_up), slope * (1.0 - self.held_up))
    }

    /// Where hair that lies like this leaves the head on a path.
    pub(crate) fn turn(&self, path: &Path) -> Turn {
        let along = path.on_head_mm();
        if along <= 0.0 {
            return Turn { worn_mm: 0.0, rise_mm: 0.0 };
        }
        let bend = path.bend();
        // As if it rose evenly: near enough for Newton's method to be there in two or three steps.
        let rises = self.crowding.min(0.9);
        let mut worn_mm =
            along * (1.0 + 0.4 * rises * bend * along) / ((1.0 - rises * rises).sqrt() * self.hangs());
        for _ in 0..NEWTON_STEPS {
            let (run, slope) = self.run(worn_mm, bend);
            if slope <= LEAST_SLOPE {
                break;
            }
            let step = (along - run) / slope;
            worn_mm = (worn_mm + step).max(along);
            if step.abs() < tolerance::TURN_MM {
                return Turn { worn_mm, rise_mm: self.rise(worn_mm).0 };
            }
        }
        // Hair that stands upright has a corner in its run: there the zero is searched for between ends.
        let most = 20.0 * along + 1000.0;
        let worn_mm = zero_by_slope(along, most, 1.5 * along, |worn| {
            let (run, slope) = self.run(worn, bend);
            (along - run, -slope)
        });
        Turn { worn_mm, rise_mm: self.rise(worn_mm).0 }
    }

    /// How far hair that is free of the head goes down for each millimetre of it.
    pub(crate) fn hangs(&self) -> f64 {
        1.0 - self.held_up
    }

    /// Place along the bare path and height over it, mm, of the point that is `worn_mm` from the root.
    pub(super) fn at(&self, turn: &Turn, path: &Path, worn_mm: f64) -> (f64, f64) {
        let stand = self.stand_mm * -(-worn_mm / STAND_OVER_MM).exp_m1();
        if worn_mm >= turn.worn_mm {
            // What is held up stands out on past the edge of the hair, too, instead of hanging.
            let free = worn_mm - turn.worn_mm;
            (path.on_head_mm() + free * self.hangs(), turn.rise_mm + free * self.held_up + stand)
        } else {
            (self.run(worn_mm, path.bend()).0, self.rise(worn_mm).0 + stand)
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn lie(crowding: f64) -> Lie {
        Lie { crowding, stand_mm: 0.0, held_up: 0.2 }
    }

    #[test]
    fn hair_leaves_the_scalp_at_the_angle_its_crowding_asks_for() {
        for crowding in [0.05, 0.3, 0.8] {
            let (rise, slope) = lie(crowding).rise(1e-6);
            assert!((rise / 1e-6 - crowding).abs() < 1e-6 && (slope - crowding).abs() < 1e-6);
        }
        assert_eq!(lie(1.7).rise(10.0).0, 10.0, "denser hair stands upright");
    }

    #[test]
    fn a_ball_of_tight_coils_holds_the_volume_it_takes() {
        // By hand: 180 hairs of 70 µm a cm², 333 mm of fibre worn at 100 mm, packed at 0.0139.
        let crowding = 1.8 * std::f64::consts::PI * 0.035_f64.powi(2) / (0.3 * 0.0139);
        let (rise, _) = lie(crowding).rise(100.0);
        let volume =
            ((RISE_RADIUS_MM + rise).powi(3) - RISE_RADIUS_MM.powi(3)) / (3.0 * RISE_RADIUS_MM.powi(2));
        assert!((volume - 100.0 * crowding).abs() < 1e-6 && (70.0..90.0).contains(&rise), "{rise}");
    }

    #[test]
    fn the_slopes_are_those_of_the_curves() {
        for crowding in [0.1, 0.6, 1.5] {
            for worn in [40.0, 90.0, 300.0] {
                let by_differences =
                    (lie(crowding).run(worn + 1e-4, 0.01).0 - lie(crowding).run(worn - 1e-4, 0.01).0) / 2e-4;
                assert!((lie(crowding).run(worn, 0.01).1 - by_differences).abs() < 1e-5, "{crowding} {worn}");
            }
        }
    }
}
