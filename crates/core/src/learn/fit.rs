//! From measured pairs to a belief: the most probable parameters and the curvature there.

use super::Belief;
use super::belief::slopes;
use crate::constants::STRAND_LOGIT_SD;
use crate::fibre::{LengthModel, Moisture};
use crate::reading::ZoneReading;
use crate::tolerance;
use nalgebra::{Matrix4, Vector4};

/// One measured sprung length, mm, and its standard error.
struct Observation {
    fibre_mm: f64,
    sprung_mm: f64,
    water_g_per_g: f64,
    sd_mm: f64,
}

impl Observation {
    fn new(reading: &ZoneReading, (sprung_mm, own_sd_mm): (f64, f64), moisture: Moisture) -> Self {
        let strands = f64::from(reading.strands).sqrt();
        let share = sprung_mm / reading.stretched_mm;
        let differ = STRAND_LOGIT_SD.value * sprung_mm * (1.0 - share) / strands;
        Self {
            fibre_mm: reading.stretched_mm,
            sprung_mm,
            water_g_per_g: moisture.water_g_per_g(),
            // Both ends of the pair are read, each with the error of what it is read with.
            sd_mm: (reading.stretched_sd_mm.hypot(own_sd_mm) / strands).hypot(differ),
        }
    }

    /// Standard errors by which the hair hangs longer than it was measured.
    fn residual(&self, model: &LengthModel) -> f64 {
        (model.hanging_mm(self.fibre_mm, self.water_g_per_g) - self.sprung_mm) / self.sd_mm
    }
}

/// What is believed of a zone after it has been measured. Never fails: a checked reading always has a most
/// probable hair.
pub fn fit(reading: &ZoneReading) -> Belief {
    let prior = Belief::prior(reading.diameter_um);
    let mut observations =
        vec![Observation::new(reading, (reading.sprung_mm, reading.sprung_sd_mm), reading.moisture)];
    if let Some(wet) = reading.wet_sprung_mm {
        observations.push(Observation::new(reading, (wet, reading.wet_sprung_sd_mm), Moisture::Wet));
    }
    let precision = prior.covariance.try_inverse().unwrap_or_else(Matrix4::identity);
    let cost = |at: &Vector4<f64>| {
        let off = at - prior.mean;
        let model = prior.model_at(at);
        off.dot(&(precision * off)) + observations.iter().map(|o| o.residual(&model).powi(2)).sum::<f64>()
    };

    let mut at = start(&prior, cost);
    let mut best = cost(&at);
    let mut damping = 1e-3;
    let mut curvature = precision;
    for _ in 0..tolerance::STEPS {
        let mut gradient = precision * (at - prior.mean);
        curvature = precision;
        for o in &observations {
            let slope = slopes(&at, |p| o.residual(&prior.model_at(p)));
            gradient += slope * o.residual(&prior.model_at(&at));
            curvature += slope * slope.transpose();
        }
        let step = match (curvature + Matrix4::from_diagonal(&(curvature.diagonal() * damping))).cholesky() {
            Some(cholesky) => cholesky.solve(&-gradient),
            None => break,
        };
        let trial = cost(&(at + step));
        if trial < best {
            at += step;
            best = trial;
            damping *= 0.2;
        } else {
            damping *= 8.0;
        }
        if step.amax() < tolerance::FIT || damping > 1e12 {
            break;
        }
    }
    Belief {
        mean: at,
        covariance: curvature.try_inverse().unwrap_or(prior.covariance),
        diameter_um: reading.diameter_um,
    }
}

/// The best of a row of loop radii at the prior's other values: hooks and straightened hair make the cost uneven,
/// so the descent starts in the right valley.
fn start(prior: &Belief, cost: impl Fn(&Vector4<f64>) -> f64) -> Vector4<f64> {
    const STARTS: i32 = 17;
    (0..STARTS)
        .map(|i| {
            let mut at = prior.mean;
            at[0] += 0.4 * f64::from(i - STARTS / 2);
            (cost(&at), at)
        })
        .min_by(|a, b| a.0.total_cmp(&b.0))
        .map_or(prior.mean, |(_, at)| at)
}
