//! From the zones that were read to the hair at any place between them.

use crate::fibre::LengthModel;
use crate::head::{Hairline, Vec3, zone_centre};
use crate::learn;
use crate::reading::{RawReading, Zone, ZoneReading};

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
        let mut sums = [0.0; 7];
        for ((_, model, length), weight) in
            self.zones.iter().zip(weights(d, || self.zones.iter().map(|z| &z.0)))
        {
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

/// The say that each of some zones has in the direction of the unit vector `d`. Weights are taken relative to the nearest
/// zone, so that they never all vanish.
fn weights<'a, I>(d: &'a Vec3, centres: impl Fn() -> I) -> impl Iterator<Item = f64>
where
    I: Iterator<Item = &'a Vec3>,
{
    let angle = |centre: &Vec3| d.dot(centre).clamp(-1.0, 1.0).acos();
    let nearest = centres().map(angle).fold(f64::INFINITY, f64::min);
    centres().map(move |centre| ((nearest * nearest - angle(centre).powi(2)) / (REACH * REACH)).exp())
}

/// How dense hair grows: what was counted, and the usual where nothing was.
#[derive(Debug, Clone)]
pub(super) struct Density {
    usual: f64,
    zones: Vec<(Vec3, f64)>,
}

impl Density {
    /// Of a reading that has been checked.
    pub fn of(reading: &RawReading, hairline: &Hairline) -> Self {
        let usual = reading.hairs_per_cm2;
        let counted = |zone: Zone| reading.zones.get(&zone).and_then(|raw| raw.hairs_per_cm2);
        let zones = if Zone::ALL.into_iter().all(|zone| counted(zone).is_none()) {
            Vec::new()
        } else {
            Zone::ALL
                .into_iter()
                .map(|zone| (zone_centre(zone, hairline), counted(zone).unwrap_or(usual)))
                .collect()
        };
        Self { usual, zones }
    }

    /// Hairs on a square centimetre in the direction of the unit vector `d`: a geometric mean, weighted as [`Blend::at`]
    /// weights.
    pub fn at(&self, d: &Vec3) -> f64 {
        if self.zones.is_empty() {
            return self.usual;
        }
        let mut sums = (0.0, 0.0);
        for ((_, density), weight) in self.zones.iter().zip(weights(d, || self.zones.iter().map(|z| &z.0))) {
            sums = (sums.0 + weight, sums.1 + weight * density.ln());
        }
        (sums.1 / sums.0).exp()
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::hair::HairRequest;
    use crate::reading::RawZoneReading;

    fn reading(counts: &[(Zone, f64)]) -> RawReading {
        let zones = Zone::ALL.into_iter().map(|zone| {
            let counted = counts.iter().find(|(of, _)| *of == zone).map(|(_, count)| *count);
            (zone, RawZoneReading { hairs_per_cm2: counted, ..RawZoneReading::measured(200.0, 150.0) })
        });
        RawReading { zones: zones.collect(), ..RawReading::default() }
    }

    #[test]
    fn where_nothing_was_counted_hair_is_as_dense_as_usual_and_elsewhere_as_counted() {
        let grow = |counts: &[(Zone, f64)]| {
            HairRequest { roots: 512, ..HairRequest::new(reading(counts)) }.grow().expect("possible")
        };
        let density = |counts: &[(Zone, f64)], zone: Zone| {
            let hair = grow(counts);
            let of = |f: &dyn Fn(&crate::hair::Strand) -> f64| -> f64 {
                hair.strands.iter().filter(|strand| strand.root.zone == zone).map(f).sum()
            };
            100.0 * of(&|strand| strand.hairs) / of(&|strand| strand.root.area_mm2)
        };
        assert!((density(&[], Zone::Nape) - 180.0).abs() < 1e-9);
        let all: Vec<_> = Zone::ALL.into_iter().map(|zone| (zone, 240.0)).collect();
        assert!((density(&all, Zone::Crown) - 240.0).abs() < 1e-9);
        let thin = [(Zone::LeftSide, 90.0)];
        assert!((90.0..135.0).contains(&density(&thin, Zone::LeftSide)));
        assert!((175.0..180.1).contains(&density(&thin, Zone::RightSide)), "the other side keeps its own");
    }
}
