//! What weak spots do to the hair that is there: less of it, or shorter shares.

use crate::hair::{SHARES, ShareLengths};
use crate::head::{Scalp, Vec3};
use crate::reading::{Spot, SpotKind};

/// Share of its length that the shortest eighth has lost where all hair is broken.
const MOST_BROKEN: f64 = 0.8;
/// Shares of a strand that grow back where hair grows back, and the share of the length that new hair still lacks.
const NEW_SHARES: usize = 2;
const NEW_LACKS: f64 = 0.85;

/// Weak spots with their places, mm.
pub(super) struct Spots(Vec<(Vec3, Spot)>);

impl Spots {
    pub fn on(spots: &[Spot], scalp: &Scalp) -> Self {
        Self(spots.iter().map(|spot| (scalp.point(spot.at), *spot)).collect())
    }

    /// Share of the usual hairs that grow at a place, 0 to 1.
    pub fn growing(&self, place: &Vec3) -> f64 {
        let left = self.at(place).map(|(kind, weight)| match kind {
            SpotKind::Thin | SpotKind::Scar => 1.0 - weight,
            _ => 1.0,
        });
        left.product()
    }

    /// The lengths of a strand there, mm.
    pub fn weakened(&self, place: &Vec3, mut lengths: ShareLengths) -> ShareLengths {
        for (kind, weight) in self.at(place) {
            for (i, length) in lengths.iter_mut().enumerate() {
                *length *= match kind {
                    SpotKind::Breakage | SpotKind::TightTying => {
                        1.0 - MOST_BROKEN * weight * i as f64 / (SHARES - 1) as f64
                    }
                    SpotKind::Regrowth if i + NEW_SHARES >= SHARES => 1.0 - NEW_LACKS * weight,
                    _ => 1.0,
                };
            }
        }
        lengths
    }

    /// Each spot, and how much of it there is at a place, 0 to 1.
    fn at(&self, place: &Vec3) -> impl Iterator<Item = (SpotKind, f64)> {
        self.0.iter().map(move |(middle, spot)| {
            let off = (place - middle).norm() / spot.reach_mm;
            (spot.kind, spot.strength * (-off * off).exp())
        })
    }
}

#[cfg(test)]
mod tests {
    use crate::grow::HairRequest;
    use crate::hair::Hair;
    use crate::head::{Landmark, Vec3, Zone};
    use crate::reading::{RawReading, RawZoneReading, Spot, SpotKind};
    use std::collections::BTreeMap;

    fn hair(spots: &[Spot]) -> Hair {
        let zones = BTreeMap::from([(Zone::Top.into(), RawZoneReading::measured(300.0, 240.0))]);
        let reading = RawReading { zones, spots: spots.to_vec(), ..RawReading::default() };
        HairRequest { roots: 1024, ..HairRequest::new(reading) }.grow().expect("possible")
    }

    fn spot(kind: SpotKind, strength: f64) -> Spot {
        Spot { id: 0, kind, at: Landmark::TempleLeft, reach_mm: 30.0, strength }
    }

    #[test]
    fn a_weak_spot_changes_the_hair_there_and_none_on_the_other_side() {
        let whole = hair(&[]);
        let at = Landmark::TempleLeft.point(&whole.form, &whole.hairline);
        let near = |p: &Vec3| (p - at).norm() < 12.0;
        for kind in
            [SpotKind::Thin, SpotKind::Scar, SpotKind::Breakage, SpotKind::Regrowth, SpotKind::TightTying]
        {
            let weak = hair(&[spot(kind, 0.8)]);
            let mut compared = 0;
            for (i, (one, other)) in whole.strands.iter().zip(&weak.strands).enumerate() {
                let p = one.root.at;
                let mass = |hair: &Hair| hair.strands[i].hairs * hair.lengths[i].iter().sum::<f64>();
                if near(&p) {
                    assert!(mass(&weak) < 0.95 * mass(&whole), "{kind:?}");
                    assert!(weak.lengths[i].iter().all(|length| *length > 0.0) && other.hairs > 0.0);
                    compared += 1;
                } else if p.x < 0.0 {
                    assert!((mass(&weak) / mass(&whole) - 1.0).abs() < 1e-3, "{kind:?}");
                }
            }
            assert!(compared > 3, "{compared}");
        }
    }

    #[test]
    fn sore_skin_changes_no_hair_and_a_spot_of_no_strength_is_none() {
        let whole = hair(&[]);
        for harmless in
            [spot(SpotKind::SoreSkin, 1.0), spot(SpotKind::Thin, 0.0), spot(SpotKind::Breakage, 0.0)]
        {
            let other = hair(&[harmless]);
            assert_eq!(whole.lengths, other.lengths);
            assert!(whole.strands.iter().zip(&other.strands).all(|(a, b)| a.hairs == b.hairs));
        }
    }
}
