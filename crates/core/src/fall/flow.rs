//! What passes along a path: the hair of a root from its longest share's root to its ends.

use super::worn::Worn;
use crate::drape::LEVEL_MM;
use crate::drape::profile::{DECAY_MM, TERMS, Terms, decayed};
use crate::hair::{Hair, SHARES};

/// Decaying amounts at the upper edge of a row, and one that doesn't decay.
#[derive(Debug, Clone, Copy, Default)]
pub(super) struct Amount {
    steady: f64,
    decaying: Terms,
}

impl Amount {
    pub fn add(&mut self, other: &Self, times: f64) {
        self.steady += times * other.steady;
        for (sum, more) in self.decaying.iter_mut().zip(other.decaying) {
            *sum += times * more;
        }
    }

    /// What of it lies in a row whose lower edge it crosses, a millimetre of height, and what leaves at the upper edge.
    pub fn through(&mut self, step: &RowStep) -> f64 {
        let mut mean = self.steady;
        for ((decaying, mean_share), left) in self.decaying.iter_mut().zip(step.mean).zip(step.left) {
            mean += *decaying * mean_share;
            *decaying *= left;
        }
        mean
    }

    /// So many times of it.
    pub fn times(&self, by: f64) -> Self {
        Self { steady: by * self.steady, decaying: self.decaying.map(|term| by * term) }
    }

    /// The same with its terms decayed to these shares.
    pub fn decayed(&self, to: &Terms) -> Self {
        Self { steady: self.steady, decaying: std::array::from_fn(|i| self.decaying[i] * to[i]) }
    }

    /// The same with so much of its terms.
    pub fn closing(&self, share: f64) -> Self {
        Self { steady: self.steady, decaying: self.decaying.map(|term| share * term) }
    }

    /// What of it lies in a height that it hangs up from, given e^(−height/τ) of it.
    pub fn within(&self, height_mm: f64, decayed: &Terms) -> f64 {
        let terms = self.decaying.iter().zip(DECAY_MM).zip(decayed);
        self.steady * height_mm + terms.map(|((a, decay), left)| a * decay * (1.0 - left)).sum::<f64>()
    }
}

/// How amounts pass a whole row.
pub(super) struct RowStep {
    left: Terms,
    mean: Terms,
}

impl RowStep {
    pub fn new() -> Self {
        let left = decayed(LEVEL_MM);
        let mean = std::array::from_fn(|i| DECAY_MM[i] / LEVEL_MM * (1.0 - left[i]));
        Self { left, mean }
    }
}

/// The hair of a root as it is laid down one of its paths: what still passes, from the root down.
pub(super) struct Flow {
    /// What a worn millimetre of all shares would take at their ends: volume (mm²) and mass (g/mm).
    pub volume: Amount,
    pub mass: Amount,
    /// What decays of both, summed from far up to the ends: mm³ and g.
    volume_in_all: Terms,
    mass_in_all: Terms,
    /// What of the volume is beyond the usual.
    beyond_in_all: Terms,
    /// Fibre width (mm) and section (mm²) of a share.
    pub width_mm: f64,
    pub section_mm2: f64,
    pub stand_mm: f64,
    pub longest_mm: f64,
    /// Shares that passed where the piece that is laid begins.
    pub entering: f64,
    /// Shares that still pass: how many; with what makes them exact how many and how long; and decayed to the root.
    pub passing: f64,
    pub lengths_mm: f64,
    pub exact: f64,
    pub exact_mm: f64,
    pub decayed: Terms,
    /// The last of these and the first as far as a lock lets what is shorter than itself close.
    closing: f64,
    closing_decayed: Terms,
}

impl Flow {
    pub fn of(hair: &Hair, i: usize, worn: &Worn, share: f64) -> Self {
        let strand = &hair.strands[i];
        let (steady, decaying) = hair.volume_terms(strand);
        let section_mm2 = share * strand.hairs / SHARES as f64 * strand.section_mm2();
        let mass = share * strand.mass_g_per_mm() / SHARES as f64;
        let volume = Amount { steady, decaying }.times(section_mm2);
        let mass = Amount { steady: 1.0, decaying: strand.profile.fibre }.times(mass);
        let in_all = |of: &Amount| std::array::from_fn(|i| of.decaying[i] * DECAY_MM[i]);
        let mut flow = Self {
            volume_in_all: in_all(&volume),
            mass_in_all: in_all(&mass),
            beyond_in_all: {
                let beyond = hair.packing.beyond_terms(strand.worn, &strand.profile);
                std::array::from_fn(|i| beyond[i] * section_mm2 * DECAY_MM[i])
            },
            volume,
            mass,
            width_mm: share * strand.hairs / SHARES as f64 * 1e-3 * strand.model.diameter_um,
            section_mm2,
            stand_mm: worn.lie.stand_mm,
            longest_mm: worn.longest_mm,
            entering: 0.0,
            passing: 0.0,
            lengths_mm: 0.0,
            exact: 0.0,
            exact_mm: 0.0,
            decayed: [0.0; TERMS],
            closing: 0.0,
            closing_decayed: [0.0; TERMS],
        };
        worn.bundles().for_each(|(first, many)| flow.pass(worn, first, many));
        flow
    }

    /// Lets a bundle pass, or (with a negative number of shares) end.
    pub fn pass(&mut self, worn: &Worn, first: usize, many: f64) {
        let (length, exact) = (worn.lengths[first], worn.exact[first]);
        self.passing += many;
        self.lengths_mm += many * length;
        self.exact += many * exact;
        self.exact_mm += many * exact * length;
        let closing = many * exact * worn.closing[first];
        self.closing += closing;
        for (i, decayed) in worn.decayed(first).into_iter().enumerate() {
            self.decayed[i] += many * exact * decayed;
            self.closing_decayed[i] += closing * decayed;
        }
    }

    /// What lies below a worn length `s` of what passes there: volume (mm³) and mass (g), given e^(s/τ); and worn length, mm.
    pub fn below(&self, s: f64, grown: &Terms) -> (f64, f64, f64) {
        let steady = self.exact_mm - self.exact * s;
        let (mut volume, mut mass) = (self.volume.steady * steady, self.mass.steady * steady);
        for (i, grown) in grown.iter().enumerate() {
            volume += self.volume_in_all[i] * (self.closing - self.closing_decayed[i] * grown);
            mass += self.mass_in_all[i] * (self.exact - self.decayed[i] * grown);
        }
        (volume, mass, self.lengths_mm - self.passing * s)
    }

    /// Volume beyond the usual that lies below a worn length, mm³, given e^(s/τ) there.
    pub fn beyond_below(&self, grown: &Terms) -> f64 {
        let of = |i: usize| self.beyond_in_all[i] * (self.closing - self.closing_decayed[i] * grown[i]);
        (0..TERMS).map(of).sum()
    }

    /// Volume and mass of all that passes at a worn length, given e^(s/τ).
    pub fn passing(&self, grown: &Terms) -> (Amount, Amount) {
        let amount = |of: &Amount, decayed: &Terms| Amount {
            steady: of.steady * self.exact,
            decaying: std::array::from_fn(|i| of.decaying[i] * decayed[i] * grown[i]),
        };
        (amount(&self.volume, &self.closing_decayed), amount(&self.mass, &self.decayed))
    }
}

/// What ends, or begins, at a height.
pub(super) struct Ends {
    pub volume: Amount,
    pub mass: Amount,
    pub count: f64,
    /// By how many times it is longer than what it goes down.
    pub longer: f64,
}

impl Ends {
    /// Nothing, so many times longer than what it goes down.
    pub fn none(longer: f64) -> Self {
        Self { volume: Amount::default(), mass: Amount::default(), count: 0.0, longer }
    }

    /// Adds what ends at the same height and is as much longer.
    pub fn add(&mut self, other: &Self) {
        self.volume.add(&other.volume, 1.0);
        self.mass.add(&other.mass, 1.0);
        self.count += other.count;
    }
}
