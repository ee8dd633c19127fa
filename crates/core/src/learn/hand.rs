//! What a stylist's own hand leaves on a strand with each comb, fitted from strands laid on it.

use super::fit;
use crate::constants::{HAND_LN_SD, PULL_LN_SD, STRAND_LOGIT_SD, TAPE_SD_MM};
use crate::fibre::{Comb, HeldHair, HeldState, LengthModel};
use crate::reading::{CombReading, RawReading};

/// Pulls are looked for so many standard errors to either side of the usual one, by halving this often.
const WIDEST_SDS: f64 = 4.0;
const HALVINGS: u32 = 60;
/// Step of the slope of a length in the logarithm of the pull.
const STEP: f64 = 1e-3;

/// The logarithm of how many times as hard as usual a hand pulls with each comb, and one standard error of it.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Hand {
    combs: [(f64, f64); Comb::ALL.len()],
}

impl Default for Hand {
    /// A hand of which nothing was measured.
    fn default() -> Self {
        Self { combs: [(0.0, HAND_LN_SD.value); Comb::ALL.len()] }
    }
}

impl Hand {
    /// The hand that laid these strands on its combs. A strand of hair that was not read is left out.
    pub fn of(reading: &RawReading) -> Self {
        let mut hand = Self::default();
        for (known, comb) in hand.combs.iter_mut().zip(Comb::ALL) {
            let of_comb: Vec<Strand> = reading
                .combs
                .iter()
                .filter(|comb_reading| comb_reading.state.comb == comb)
                .filter_map(|comb_reading| Strand::of(reading, comb_reading))
                .collect();
            if !of_comb.is_empty() {
                *known = fitted(&of_comb);
            }
        }
        hand
    }

    /// What is held in a state by this hand.
    pub(crate) fn hold(&self, state: HeldState) -> HeldHair {
        let usual = HeldHair::of(state);
        HeldHair { pull_mn: usual.pull_mn * self.known(state.comb).0.exp(), ..usual }
    }

    /// How far a pull strays from that: by how little is known of the hand, and from time to time.
    pub(crate) fn stray(&self, comb: Comb) -> f64 {
        self.known(comb).1.hypot(PULL_LN_SD.value)
    }

    fn known(&self, comb: Comb) -> (f64, f64) {
        let index = Comb::ALL.iter().position(|other| *other == comb).unwrap_or(0);
        self.combs[index]
    }
}

/// A strand on the comb with the hair it is of.
struct Strand {
    model: LengthModel,
    usual: HeldHair,
    read: CombReading,
    sd_mm: f64,
}

impl Strand {
    fn of(reading: &RawReading, read: &CombReading) -> Option<Self> {
        let model = fit(&reading.patch(read.patch).ok()?).model();
        let usual = HeldHair::of(read.state);
        let held = usual.held_mm(&model, read.stretched_mm, read.stretched_mm);
        // Strands of a zone differ, most where they are half open.
        let differ = STRAND_LOGIT_SD.value * held * (1.0 - held / read.stretched_mm).max(0.0);
        Some(Self { model, usual, read: *read, sd_mm: TAPE_SD_MM.value.hypot(differ) })
    }

    fn held_mm(&self, ln_times: f64) -> f64 {
        let hold = HeldHair { pull_mn: self.usual.pull_mn * ln_times.exp(), ..self.usual };
        hold.held_mm(&self.model, self.read.stretched_mm, self.read.stretched_mm)
    }

    fn slope(&self, ln_times: f64) -> f64 {
        (self.held_mm(ln_times + STEP) - self.held_mm(ln_times - STEP)) / (2.0 * STEP)
    }
}

/// The most probable pull, between what hands usually leave and what was measured, and its standard error.
fn fitted(strands: &[Strand]) -> (f64, f64) {
    let prior = HAND_LN_SD.value;
    // How fast the misfit falls: it does until the most probable pull is reached.
    let falls = |at: f64| {
        let data: f64 = strands
            .iter()
            .map(|s| (s.read.held_mm - s.held_mm(at)) * s.slope(at) / (s.sd_mm * s.sd_mm))
            .sum();
        data - at / (prior * prior)
    };
    let (mut low, mut high) = (-WIDEST_SDS * prior, WIDEST_SDS * prior);
    for _ in 0..HALVINGS {
        let middle = 0.5 * (low + high);
        if falls(middle) > 0.0 { low = middle } else { high = middle }
    }
    let at = 0.5 * (low + high);
    let precision =
        1.0 / (prior * prior) + strands.iter().map(|s| (s.slope(at) / s.sd_mm).powi(2)).sum::<f64>();
    (at, precision.recip().sqrt())
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::fibre::Moisture;
    use crate::head::Zone;
    use crate::reading::RawZoneReading;

    fn reading(combs: Vec<CombReading>) -> RawReading {
        let zone = RawZoneReading { strands: 5, ..RawZoneReading::measured(300.0, 150.0) };
        RawReading { zones: [(Zone::Crown.into(), zone)].into(), combs, ..RawReading::default() }
    }

    #[test]
    fn a_hand_that_pulls_harder_is_found_from_a_strand_on_its_comb() {
        let plain = reading(vec![]);
        let model = fit(&plain.patch(Zone::Crown.into()).expect("read")).model();
        let state = HeldState { moisture: Moisture::Dry, comb: Comb::Wide };
        let usual = HeldHair::of(state);
        let held =
            |times: f64| HeldHair { pull_mn: usual.pull_mn * times, ..usual }.held_mm(&model, 300.0, 300.0);
        let of = |times: f64| {
            let strand = CombReading {
                id: 0,
                patch: Zone::Crown.into(),
                state,
                stretched_mm: 300.0,
                held_mm: held(times),
            };
            Hand::of(&reading(vec![strand]))
        };
        let (hard, soft) = (of(2.5), of(0.5));
        // The more it differs from the usual hand, the more of it is believed.
        assert!(
            hard.hold(state).pull_mn > 1.08 * usual.pull_mn && hard.hold(state).pull_mn < 2.5 * usual.pull_mn
        );
        assert!(soft.hold(state).pull_mn < 0.95 * usual.pull_mn);
        assert!(hard.stray(Comb::Wide) < Hand::default().stray(Comb::Wide));
        assert_eq!(
            hard.hold(HeldState { comb: Comb::Fine, ..state }),
            HeldHair::of(HeldState { comb: Comb::Fine, ..state })
        );
        assert!((of(1.0).hold(state).pull_mn / usual.pull_mn - 1.0).abs() < 0.01);
    }
}
