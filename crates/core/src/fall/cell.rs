//! What a cell of the field holds.

use crate::drape::cells::RINGS;

/// Room (mm²) and width (mm) in a cell below which what is left there is rounding: a single hair is ten thousand times as
/// much.
const ROUNDING: f64 = 1e-6;

/// How many numbers a cell over the head holds, and how many one below it.
const OVER: usize = 5;
const BELOW: usize = PASSES + 5;

/// How far hair that hangs freely may lie off the head, mm: as far as it likes.
const FREE_MM: f64 = 2000.0;

/// Numbers that are summed, mixed and spread alike, whatever they count.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(super) struct Cell<const N: usize>(pub [f64; N]);

/// A cell over the head. Its volume is a volume, mm³.
pub(super) type OverDirection = Cell<OVER>;

/// A cell below the head. What it holds is level sections by ring, mm²: volume, section and moment of each, then what passes.
pub(super) type Below = Cell<BELOW>;

/// How many numbers a ring has, and where what passes begins.
const OF_RING: usize = 3;
const PASSES: usize = OF_RING * RINGS;

/// What a piece of hair lays into cells below the head, a share of it into each.
pub(super) struct Laid {
    ring: usize,
    fills: [f64; OF_RING],
    passes: [f64; BELOW - PASSES],
}

impl<const N: usize> Default for Cell<N> {
    fn default() -> Self {
        Self([0.0; N])
    }
}

impl<const N: usize> Cell<N> {
    pub fn add(&mut self, other: &Self) {
        self.0.iter_mut().zip(other.0).for_each(|(sum, more)| *sum += more);
    }

    /// Adds so many times another.
    pub fn add_times(&mut self, other: &Self, times: f64) {
        add_times(&mut self.0, &other.0, times);
    }

    pub fn times(&self, by: f64) -> Self {
        Self(self.0.map(|number| number * by))
    }

    /// Half of it and a quarter of each of two neighbours. The neighbours are added first, so that the mirror image is
    /// the same to the last bit.
    pub fn between(&self, one: &Self, other: &Self) -> Self {
        Self(std::array::from_fn(|i| 0.5 * self.0[i] + 0.25 * (one.0[i] + other.0[i])))
    }
}

fn add_times<const N: usize>(sums: &mut [f64; N], more: &[f64; N], times: f64) {
    sums.iter_mut().zip(more).for_each(|(sum, more)| *sum += times * more);
}

impl OverDirection {
    /// What a piece of hair lays over the head: the volume it takes, mm³, the fibre that covers the scalp, mm², and how much of that
    /// crosses a cell, mm; how long the hair is and how far it stands off by itself, mm.
    pub fn of(volume: f64, cover_mm2: f64, width_mm: f64, longest_mm: f64, stand_mm: f64) -> Self {
        Self([volume, cover_mm2, width_mm, volume * longest_mm, volume * stand_mm])
    }

    /// Room that hair takes, mm³.
    pub fn volume(&self) -> f64 {
        self.0[0]
    }

    /// Fibre that covers it, mm².
    pub fn cover_mm2(&self) -> f64 {
        self.0[1]
    }

    /// Hairs that pass times their width, mm.
    pub fn width_mm(&self) -> f64 {
        self.0[2]
    }

    /// Mean worn length of the hair that takes its volume, mm.
    pub fn longest_mm(&self) -> f64 {
        if self.volume() > 0.0 { self.0[3] / self.volume() } else { 0.0 }
    }

    /// The same with as much crossing it as another cell.
    pub fn crossed_as(mut self, other: &Self) -> Self {
        self.0[2] = other.0[2];
        self
    }

    /// How far that hair stands off by itself, mm.
    pub fn stand_mm(&self) -> f64 {
        if self.volume() > 0.0 { self.0[4] / self.volume() } else { 0.0 }
    }
}

impl Laid {
    /// Volume, mm², and a section of fibre, mm², with its distance from the axis times that, in a ring, of hair that can't stand
    /// off the head further than this, mm.
    pub fn within(ring: usize, volume: f64, section: f64, moment: f64, reach_mm: f64) -> Self {
        Self { ring, fills: [volume, section, moment], passes: [0.0, 0.0, 0.0, volume * reach_mm, 0.0] }
    }

    /// The same of hair that hangs freely.
    pub fn hanging(ring: usize, volume: f64, section: f64, moment: f64) -> Self {
        Self::within(ring, volume, section, moment, FREE_MM)
    }

    /// The same with hairs times their width that pass, mm: on the mean over the cell, at its upper edge, and as it covers.
    pub fn passing(mut self, width_mm: f64, entering_mm: f64, cover_mm: f64) -> Self {
        self.passes[..3].copy_from_slice(&[width_mm, entering_mm, cover_mm]);
        self
    }
}

impl Below {
    /// Adds a share of what is laid.
    pub fn lay(&mut self, laid: &Laid, share: f64) {
        let ring = OF_RING * laid.ring;
        if let Some(fills) = self.0[ring..].first_chunk_mut() {
            add_times(fills, &laid.fills, share);
        }
        if let Some(passes) = self.0.last_chunk_mut() {
            add_times(passes, &laid.passes, share);
        }
    }

    /// Area that hair fills in a ring, mm².
    pub fn volume(&self, ring: usize) -> f64 {
        self.0[OF_RING * ring]
    }

    fn section(&self, ring: usize) -> f64 {
        self.0[OF_RING * ring + 1]
    }

    fn moment(&self, ring: usize) -> f64 {
        self.0[OF_RING * ring + 2]
    }

    /// Room in all rings, mm².
    pub fn all_volume(&self) -> f64 {
        (0..RINGS).map(|ring| self.volume(ring)).sum()
    }

    /// Mean distance from the axis of the fibre in a ring, mm; none where there is no fibre.
    pub fn at_mm(&self, ring: usize) -> Option<f64> {
        let section = self.section(ring);
        (section > 0.0).then(|| self.moment(ring) / section)
    }

    /// Hairs that pass times their width, mm: on the mean over the cell.
    pub fn width_mm(&self) -> f64 {
        self.0[PASSES]
    }

    /// The same at its upper edge.
    pub fn entering_mm(&self) -> f64 {
        self.0[PASSES + 1]
    }

    /// How far from the axis its hair can reach on the mean, mm: where it lies, and as far as it can stand off.
    pub fn reaches_mm(&self) -> f64 {
        let sum = |of: fn(&Self, usize) -> f64| (0..RINGS).map(|ring| of(self, ring)).sum::<f64>();
        let (volume, section) = (self.all_volume(), sum(Self::section));
        if volume > 0.0 && section > 0.0 {
            sum(Self::moment) / section + self.0[PASSES + 3] / volume
        } else {
            0.0
        }
    }

    /// Fibre that covers it, mm² for each millimetre of its height: as much as passes it where hair hangs, more where it
    /// stands out.
    pub fn cover_mm(&self) -> f64 {
        self.0[PASSES + 2]
    }

    /// Adds hairs times their width that are rooted in it, mm.
    pub fn root(&mut self, width_mm: f64) {
        self.0[PASSES + 4] += width_mm;
    }

    /// Hairs times their width that are rooted in it, mm.
    pub fn rooted_mm(&self) -> f64 {
        self.0[PASSES + 4]
    }

    /// Adds hairs times their width that pass it, mm: on the mean, at its upper edge, and as it covers.
    pub fn pass(&mut self, width_mm: f64, entering_mm: f64, cover_mm: f64) {
        for (sum, more) in self.0[PASSES..].iter_mut().zip([width_mm, entering_mm, cover_mm]) {
            *sum += more;
        }
    }

    /// The same with as much passing it as another cell.
    pub fn passed_as(mut self, other: &Self) -> Self {
        self.0[PASSES..PASSES + 2].copy_from_slice(&other.0[PASSES..PASSES + 2]);
        self.0[PASSES + 4] = other.0[PASSES + 4];
        self
    }

    pub fn without_rounding(&mut self) {
        for ring in 0..RINGS {
            if self.volume(ring) < ROUNDING {
                self.0[OF_RING * ring..][..OF_RING].fill(0.0);
            }
        }
        if self.cover_mm() < ROUNDING {
            self.0[PASSES..PASSES + 3].fill(0.0);
        }
    }
}
