//! How locks lie beside each other: what falls in with its neighbours, what clings together, and what strays.
//!
//! Where their hair runs and ends is the fall's to say; this is only what tells one worn style, or wet hair, from another to the
//! eye. All figures are ours, chosen by looking.

use crate::fibre::{Moisture, WornStyle};
use crate::hair::Strand;
use rand::rngs::StdRng;
use rand::{RngExt, SeedableRng};
use std::f64::consts::TAU;

/// How much further than its lock's a wisp's loops may be.
const LOOSER: f64 = 1.3;

/// How far out of step and how uneven locks are that stand: crowded coils find room where they can, and fall in with nothing.
const STANDING_OUT_OF_PHASE: f64 = 0.5;
const STANDING_UNEVEN: f64 = 0.3;

/// How locks of a kind of hair look.
#[derive(Debug, Clone, Copy)]
pub(super) struct Look {
    /// How much of a turn the phases of neighbours differ by: curls beside each other fall in with each other.
    out_of_phase: f64,
    /// How much wider or narrower one lock's loops are than another's.
    uneven: f64,
    /// Its width over that at which locks would just meet.
    pub width: f64,
    /// Share of its length at which its hair is gathered whether it winds or not.
    pub gathered_at: Option<f64>,
    /// Share of locks from which a wisp strays: a few hairs that keep apart.
    pub strays: f64,
}

const SPRUNG: Look = Look { out_of_phase: 0.08, uneven: 0.1, width: 1.0, gathered_at: None, strays: 0.03 };
/// Dried from below and in handfuls: curls set each as it lay, bouncier and less in step.
const DIFFUSED: Look = Look { out_of_phase: 0.18, uneven: 0.2, width: 1.0, gathered_at: None, strays: 0.06 };
/// Single fibres, none in step.
const BRUSHED: Look = Look { out_of_phase: 0.5, uneven: 0.42, width: 1.0, gathered_at: None, strays: 0.1 };
const SMOOTHED: Look = Look { out_of_phase: 0.12, uneven: 0.14, width: 1.0, gathered_at: None, strays: 0.01 };
/// Water draws what lies together into cords with gaps between them.
const WET: Look = Look { out_of_phase: 0.05, uneven: 0.1, width: 0.55, gathered_at: Some(0.3), strays: 0.0 };

impl Look {
    pub fn of(strand: &Strand) -> Self {
        match (strand.moisture, strand.worn) {
            (Moisture::Wet | Moisture::Damp, _) => WET,
            (_, WornStyle::AsItSprings) => SPRUNG,
            (_, WornStyle::Diffused) => DIFFUSED,
            (_, WornStyle::BrushedOut) => BRUSHED,
            (_, WornStyle::Smoothed) => SMOOTHED,
        }
    }

    /// The same of hair that its neighbours hold up so much, 0 to 1.
    pub fn standing(self, held_up: f64) -> Self {
        let more = |own: f64, standing: f64| own + held_up * (standing - own).max(0.0);
        Self {
            out_of_phase: more(self.out_of_phase, STANDING_OUT_OF_PHASE),
            uneven: more(self.uneven, STANDING_UNEVEN),
            ..self
        }
    }
}

/// What sets one lock apart from its neighbours.
pub(super) struct Own {
    /// 1 or −1: which way it winds.
    pub hand: f64,
    /// Where it begins to, radians.
    pub phase: f64,
    /// Its loops over the usual ones.
    pub loops: f64,
    /// To which side it bends first, radians round it.
    pub bends_to: f64,
    /// Whether a wisp strays from it, and how far out, as a share of the most.
    pub strays: Option<f64>,
}

impl Own {
    /// Of the strand with this number: phases run evenly over the head.
    pub fn of(number: usize, strand: &Strand, look: &Look) -> Self {
        // The same each time for the same strand.
        let mut scattered = StdRng::seed_from_u64(number as u64);
        let mut one = || 2.0 * scattered.random::<f64>() - 1.0;
        let at = &strand.root.at;
        let runs = (0.021 * at.x).sin() + (0.017 * at.y).sin() + (0.019 * at.z).sin();
        let (hand, phase, loops) =
            (one().signum(), TAU * (runs + look.out_of_phase * one()), 1.0 + look.uneven * one());
        let (chance, out) = (0.5 * (1.0 + one()), 0.5 * (1.0 + one()));
        let bends_to = 0.5 * TAU * one();
        Self { hand, phase, loops, bends_to, strays: (chance < look.strays).then_some(out) }
    }

    /// Of the wisp that strays from it.
    pub fn wisp(&self) -> Self {
        Self { phase: self.phase + 0.5 * TAU, loops: LOOSER * self.loops, ..*self }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::fall::AsWorn;
    use crate::grow::HairRequest;
    use crate::hair::Hair;
    use crate::head::{Landmark, Vec3, Zone};
    use crate::lock::choose::chosen;
    use crate::lock::ribbon::bulk;
    use crate::lock::{Lock, locks};
    use crate::reading::{RawReading, RawZoneReading, Spot, SpotKind};

    const COUNT: usize = 900;

    fn hair(sprung_mm: f64, worn: WornStyle, spots: Vec<Spot>) -> Hair {
        let zones = Zone::ALL.map(|zone| (zone.into(), RawZoneReading::measured(300.0, sprung_mm))).into();
        let reading = RawReading { zones, spots, ..RawReading::default() };
        HairRequest { roots: 2048, worn, ..HairRequest::new(reading) }.grow().expect("possible")
    }

    fn lowest(all: &[Lock]) -> f32 {
        all.iter().map(|lock| lock.line[lock.line.len() - 1][1]).fold(0.0, f32::min)
    }

    fn thin(all: &[Lock]) -> usize {
        all.iter().filter(|lock| lock.root_mm <= 1.0).count()
    }

    #[test]
    fn wisps_stray_from_hair_that_is_loose_and_from_none_that_is_wet() {
        let of = |worn| {
            let hair = hair(200.0, worn, vec![]);
            thin(&locks(&hair, &hair.lengths, COUNT))
        };
        let (smoothed, sprung) = (of(WornStyle::Smoothed), of(WornStyle::AsItSprings));
        let (diffused, brushed) = (of(WornStyle::Diffused), of(WornStyle::BrushedOut));
        assert!(
            smoothed < sprung && sprung < diffused && diffused < brushed,
            "{smoothed} {sprung} {diffused}"
        );
        assert!(brushed * 8 < COUNT, "{brushed}");
        let wet = hair(200.0, WornStyle::BrushedOut, vec![]).wetted(Moisture::Wet);
        assert_eq!(thin(&locks(&wet, &wet.lengths, COUNT)), 0);
    }

    #[test]
    fn wet_curls_hang_lower_closer_and_in_cords_and_wet_straight_hair_no_lower() {
        let ringlets = hair(180.0, WornStyle::AsItSprings, vec![]);
        let wet = ringlets.wetted(Moisture::Wet);
        let (dry_locks, wet_locks) =
            (locks(&ringlets, &ringlets.lengths, COUNT), locks(&wet, &wet.lengths, COUNT));
        assert!(
            lowest(&wet_locks) < lowest(&dry_locks) - 25.0,
            "{} {}",
            lowest(&wet_locks),
            lowest(&dry_locks)
        );
        let widest =
            |all: &[Lock]| all.iter().flat_map(|lock| &lock.line).map(|p| p[0].abs()).fold(0.0, f32::max);
        assert!(
            widest(&wet_locks) < widest(&dry_locks) - 10.0,
            "{} {}",
            widest(&wet_locks),
            widest(&dry_locks)
        );
        let covered = |all: &[Lock]| all.iter().map(|lock| f64::from(lock.width_at(1.0))).sum::<f64>();
        assert!(covered(&wet_locks) < 0.8 * covered(&dry_locks));
        let damp = ringlets.wetted(Moisture::Damp);
        let damp = lowest(&locks(&damp, &damp.lengths, COUNT));
        assert!(lowest(&wet_locks) < damp && damp < lowest(&dry_locks), "{damp}");
        let straight = hair(298.0, WornStyle::AsItSprings, vec![]);
        let soaked = straight.wetted(Moisture::Wet);
        let low = |hair: &Hair| lowest(&locks(hair, &hair.lengths, COUNT));
        assert!((low(&straight) - low(&soaked)).abs() < 12.0, "{} {}", low(&straight), low(&soaked));
        assert_eq!(low(&straight), low(&straight.wetted(Moisture::Dry)));
    }

    #[test]
    fn a_weak_spot_shows_in_the_locks_that_grow_there() {
        let at = Landmark::TempleLeft;
        let spot = |kind| vec![Spot { id: 0, kind, at, reach_mm: 30.0, strength: 0.9 }];
        let whole = hair(298.0, WornStyle::AsItSprings, vec![]);
        let place = whole.scalp().point(at);
        let near = |hair: &Hair| {
            let all = locks(hair, &hair.lengths, COUNT);
            let there = |lock: &&Lock| {
                let root = crate::head::from_drawn(&lock.line[0]);
                lock.root_mm > 1.0 && (root - place).norm() < 20.0
            };
            let those: Vec<_> = all.iter().filter(there).cloned().collect();
            assert!(those.len() >= 3, "{}", those.len());
            those
        };
        let mean = |all: &[Lock], of: fn(&Lock) -> f32| all.iter().map(of).sum::<f32>() / all.len() as f32;
        let thin = near(&hair(298.0, WornStyle::AsItSprings, spot(SpotKind::Thin)));
        assert!(mean(&thin, |lock| lock.root_mm) < 0.75 * mean(&near(&whole), |lock| lock.root_mm));
        let broken = near(&hair(298.0, WornStyle::AsItSprings, spot(SpotKind::Breakage)));
        assert!(mean(&broken, |lock| lock.ends[0]) < 0.6 * mean(&near(&whole), |lock| lock.ends[0]));
    }

    #[test]
    fn cropped_hair_stands_in_tufts_that_are_longer_than_they_are_wide() {
        let hair = hair(180.0, WornStyle::AsItSprings, vec![]);
        let cropped = vec![crate::hair::ShareLengths::all(12.0); hair.strands.len()];
        assert!(locks(&hair, &cropped, COUNT).iter().all(|lock| lock.root_mm.max(lock.width_mm) < 4.0));
    }

    #[test]
    fn what_stands_bends_aside_on_its_way_and_what_hangs_does_not() {
        // How far the middle of a lock lies to the side of where its hair would run alone, mm. Out from the head it may be carried.
        let aside = |sprung_mm: f64, fibre_mm: f64| {
            let hair = hair(sprung_mm, WornStyle::AsItSprings, vec![]);
            let lengths = vec![crate::hair::ShareLengths::all(fibre_mm); hair.strands.len()];
            let worn = AsWorn::of(&hair, &lengths);
            let (all, chosen) = (locks(&hair, &lengths, COUNT), chosen(&hair, bulk(&hair, COUNT)));
            let off =
                all.iter().zip(&chosen).filter(|(lock, _)| lock.line[0][1] < 80.0).map(|(lock, chosen)| {
                    let n = lock.line.len();
                    let middle = &lock.line[2 * n / 5..3 * n / 5];
                    let mean = middle.iter().map(crate::head::from_drawn).sum::<Vec3>() / middle.len() as f64;
                    let worn = &worn.0[chosen.strand];
                    let alone = worn.place(&hair, chosen.strand, 0.5 * worn.longest_mm);
                    (mean.x * alone.z - mean.z * alone.x).abs() / alone.xz().norm()
                });
            let off: Vec<f64> = off.collect();
            assert!(off.len() > 100, "{}", off.len());
            off.iter().sum::<f64>() / off.len() as f64
        };
        let (stands, hangs) = (aside(75.0, 240.0), aside(298.0, 240.0));
        assert!(stands > 2.5 && hangs < 1.0, "{stands} {hangs}");
    }

    #[test]
    fn what_stands_fans_out_to_its_ends_and_what_hangs_does_not() {
        // Room across a lock at a share of its length: how far one of its loops reaches to both sides.
        let across = |lock: &Lock, share: f64| {
            let at = (share * lock.line.len() as f64) as usize;
            let near = &lock.line[at - 3..at + 3];
            let mean: [f32; 3] = std::array::from_fn(|i| near.iter().map(|p| p[i]).sum::<f32>() / 6.0);
            near.iter().map(|p| (0..3).map(|i| (p[i] - mean[i]).powi(2)).sum::<f32>().sqrt()).sum::<f32>()
                / 6.0
        };
        let wider = |sprung_mm: f64, fibre_mm: f64| {
            let hair = hair(sprung_mm, WornStyle::AsItSprings, vec![]);
            let all =
                locks(&hair, &vec![crate::hair::ShareLengths::all(fibre_mm); hair.strands.len()], COUNT);
            let long = |lock: &&Lock| lock.line.len() > 40 && lock.root_mm > 1.0 && lock.line[0][1] > 60.0;
            let ratios: Vec<f32> =
                all.iter().filter(long).map(|lock| across(lock, 0.85) / across(lock, 0.4)).collect();
            assert!(ratios.len() > 50, "{}", ratios.len());
            ratios.iter().sum::<f32>() / ratios.len() as f32
        };
        let (stands, hangs) = (wider(75.0, 240.0), wider(75.0, 900.0));
        assert!(stands > 1.0 && stands > hangs + 0.1, "{stands} {hangs}");
    }
}
