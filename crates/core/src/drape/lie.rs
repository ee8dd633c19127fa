//! How far hair rises off the bare path it follows.
//!
//! Hair can't lie denser than its packing. Where n hairs of section A grow on an area and take 1/(x·φ) times their section
//! for each worn millimetre, a strand has to ride over all that is rooted below it: it leaves the scalp at sin α = n·A/(φ·x).
//! On a round head there is more volume further out, so its height c after a worn length s solves
//! ((R + c)³ − R³)/3R² = s·sin α, and is at most s: hair that is denser than that stands upright.

use super::path::Path;
use crate::tolerance;

/// Radius of an ordinary head, mm, on which hair spreads out as it rises.
pub(crate) const RISE_RADIUS_MM: f64 = 92.0;
/// Hair that hangs by less than this share of its length never comes down to where it would leave the head.
const LEAST_HANGS: f64 = 1e-3;
/// Least square of how far hair spreads beyond its crowding with which the search for that place begins.
const LEAST_SPREAD: f64 = 0.2;
/// Worn length, mm, over which the rise from stiffness alone is reached.
const STAND_OVER_MM: f64 = 15.0;

/// The cube root of 1 + x, by logarithm: twice as quick as by itself, and as exact as anything here needs.
pub(crate) fn cube_root_of_one_and(x: f64) -> f64 {
    (x.ln_1p() / 3.0).exp()
}

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
    /// Height over the bare path after a worn length, mm.
    fn rise(&self, worn_mm: f64) -> f64 {
        let out = cube_root_of_one_and(3.0 * self.crowding * worn_mm / RISE_RADIUS_MM);
        (RISE_RADIUS_MM * (out - 1.0)).min(worn_mm)
    }

    /// How far along a bare path that is, mm. On a path that turns by `bend` radians a millimetre, hair further out has
    /// further to go.
    fn run(&self, worn_mm: f64, bend: f64) -> f64 {
        let rise = self.rise(worn_mm);
        let flat = ((worn_mm - rise) * (worn_mm + rise)).max(0.0).sqrt();
        flat / (1.0 + 0.5 * rise * bend) * self.hangs()
    }

    /// Where hair that lies like this leaves the head on a path.
    ///
    /// With t = rise/crowding, the worn length is t·p(t), p = 1 + ct/R + (ct/R)²/3, and what it has run along the path after
    /// it is that path's length where t²(p² − c²)·hangs² = along²·(1 + ½·ct·bend)². The difference of the two sides is a
    /// polynomial in t whose coefficients change sign once, however crowded the hair is: it has one zero, and Newton's method
    /// finds it from anywhere right of where it turns up.
    pub(crate) fn turn(&self, path: &Path) -> Turn {
        self.turn_near(path, None)
    }

    /// The same where it is known where about as crowded hair does.
    pub(crate) fn turn_near(&self, path: &Path, near: Option<&Turn>) -> Turn {
        let along = path.on_head_mm();
        if along <= 0.0 {
            return Turn { worn_mm: 0.0, rise_mm: 0.0 };
        }
        let (c, hangs) = (self.crowding, self.hangs().max(LEAST_HANGS));
        // The coefficients of p, and half the bend.
        let (first, per_bend) = (c / RISE_RADIUS_MM, 0.5 * c * path.bend());
        let second = first * first / 3.0;
        let spread = |t: f64| 1.0 + t * (first + t * second);
        let mut t = near.filter(|_| c > 0.0).map_or_else(
            || {
                // As far as it would have to go at the height it rises to on the way, were it not steeper there than it is.
                let flat = along / hangs;
                let p = spread(flat);
                flat * (1.0 + per_bend * flat) / (p * p - c * c).max(LEAST_SPREAD).sqrt()
            },
            |near| near.rise_mm / c,
        );
        for _ in 0..tolerance::STEPS {
            let (p, p_slope) = (spread(t), first + 2.0 * t * second);
            let (runs, wider) = (hangs * hangs * t, along * (1.0 + per_bend * t));
            let over = runs * t * (p * p - c * c) - wider * wider;
            let half_slope = runs * (p * p - c * c + t * p * p_slope) - wider * along * per_bend;
            let step = if half_slope > 0.0 { 0.5 * over / half_slope } else { -t };
            t -= step;
            if step.abs() < tolerance::ON_HEAD_MM {
                break;
            }
        }
        Turn { worn_mm: t * spread(t), rise_mm: c * t }
    }

    /// How far hair that is free of the head goes down for each millimetre of it.
    pub(crate) fn hangs(&self) -> f64 {
        1.0 - self.held_up
    }

    /// Place along the bare path and height over it, mm, of the point that is `worn_mm` from the root.
    pub(crate) fn at(&self, turn: &Turn, path: &Path, worn_mm: f64) -> (f64, f64) {
        let stand = self.stand_mm * (1.0 - (-worn_mm / STAND_OVER_MM).exp());
        if worn_mm >= turn.worn_mm {
            // What is held up stands out on past the edge of the hair, too, instead of hanging.
            let free = worn_mm - turn.worn_mm;
            (path.on_head_mm() + free * self.hangs(), turn.rise_mm + free * self.held_up + stand)
        } else {
            (self.run(worn_mm, path.bend()), self.rise(worn_mm) + stand)
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
            let rise = lie(crowding).rise(1e-6);
            assert!((rise / 1e-6 - crowding).abs() < 1e-6);
        }
        assert_eq!(lie(1.7).rise(10.0), 10.0, "denser hair stands upright");
    }

    #[test]
    fn a_ball_of_tight_coils_holds_the_volume_it_takes() {
        // By hand: 180 hairs of 70 µm a cm², 333 mm of fibre worn at 100 mm, packed at 0.0139.
        let crowding = 1.8 * std::f64::consts::PI * 0.035_f64.powi(2) / (0.3 * 0.0139);
        let rise = lie(crowding).rise(100.0);
        let volume =
            ((RISE_RADIUS_MM + rise).powi(3) - RISE_RADIUS_MM.powi(3)) / (3.0 * RISE_RADIUS_MM.powi(2));
        assert!((volume - 100.0 * crowding).abs() < 1e-6 && (70.0..90.0).contains(&rise), "{rise}");
    }

    #[test]
    fn hair_leaves_the_head_where_it_has_run_down_its_path_however_crowded_it_is() {
        let zones = std::collections::BTreeMap::from([(
            crate::head::Zone::Top.into(),
            crate::reading::RawZoneReading::measured(300.0, 290.0),
        )]);
        let reading = crate::reading::RawReading { zones, ..Default::default() };
        let hair = crate::grow::HairRequest { roots: 256, ..crate::grow::HairRequest::new(reading) };
        let hair = hair.grow().expect("possible");
        for path in hair.drapes.iter().map(crate::drape::Drape::main).filter(|path| path.on_head_mm() > 0.0) {
            for crowding in [0.0, 0.05, 0.5, 0.95, 1.0, 1.3, 3.0] {
                for held_up in [0.0, 0.3, 0.9] {
                    let lie = Lie { crowding, stand_mm: 0.0, held_up };
                    let turn = lie.turn(path);
                    let run = lie.run(turn.worn_mm, path.bend());
                    assert!((run - path.on_head_mm()).abs() < 1e-6, "{lie:?}: {run} {}", path.on_head_mm());
                    assert!((lie.rise(turn.worn_mm) - turn.rise_mm).abs() < 1e-6);
                }
            }
        }
    }
}
