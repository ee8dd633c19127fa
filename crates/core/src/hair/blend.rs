//! From the zones that were read to the hair at any place between them.

use crate::fibre::LengthModel;
use crate::head::{Hairline, Vec3, zone_centre};
use crate::learn;
use crate::reading::{Zone, ZoneReading};

/// Angle over which a zone's say falls off, radians: about half the distance of neighbouring zones.
const REACH: f64 = 0.42;

/// Zones that were read, ready to be asked.
#[derive(Debug, Clone)]
pub struct Blend {
    zones: Vec<(Vec3, LengthModel, f64)>,
}

impl Blend {
    /// Fits each zone. At least one must have been read.
    pub fn of(readings: &[(Zone, ZoneReading)], hairline: &Hairline) -> Self {
        let fitted = readings.iter().map(|(zone, reading)| {
            (zone_centre(*zone, hairline), learn::fit(reading).model(), reading.stretched_mm)
        });
        Self { zones: fitted.collect() }
    }

    /// Kind of hair and present fibre length, mm, in the direction of the unit vector `d`: a mean of the zones, each
    /// with the weight exp(−(angle/reach)²), so that nothing jumps. Sizes are averaged in their logarithms.
    pub fn at(&self, d: &Vec3) -> (LengthModel, f64) {
        let angle = |centre: &Vec3| d.dot(centre).clamp(-1.0, 1.0).acos();
        // Weights are taken relative to the nearest zone, so that they never all vanish.
        let nearest = self.zones.iter().map(|(centre, ..)| angle(centre)).fold(f64::INFINITY, f64::min);
        let mut sums = [0.0; 7];
        for (centre, model, length) in &self.zones {
            let weight = ((nearest * nearest - angle(centre).powi(2)) / (REACH * REACH)).exp();
            let values = [
                1.0,
                model.loop_radius_mm.ln(),
                model.natural_pitch,
                model.diameter_um.ln(),
                model.stiffness.ln(),
                model.softening,
                length.ln(),
            ];
            for (sum, value) in sums.iter_mut().zip(values) {
                *sum += weight * value;
            }
        }
        let mean = |i: usize| sums[i] / sums[0];
        let model = LengthModel {
            loop_radius_mm: mean(1).exp(),
            natural_pitch: mean(2),
            diameter_um: mean(3).exp(),
            stiffness: mean(4).exp(),
            softening: mean(5),
        };
        (model, mean(6).exp())
    }
}
