//! What begins in a row below the head and hangs on upwards.

use super::flow::Amount;
use crate::drape::cells::RINGS;

#[derive(Debug, Clone, Copy, Default)]
pub(super) struct RingBegins {
    pub volume: Amount,
    pub section: f64,
    pub moment: f64,
}

/// What begins at the upper edge of a row and hangs on upwards.
#[derive(Debug, Clone, Copy, Default)]
pub(super) struct Begins {
    pub rings: [RingBegins; RINGS],
    pub width_mm: f64,
    pub cover_mm: f64,
}

impl RingBegins {
    pub fn add(&mut self, other: &Self, times: f64) {
        self.volume.add(&other.volume, times);
        self.section += times * other.section;
        self.moment += times * other.moment;
    }
}

impl Begins {
    pub fn add(&mut self, other: &Self) {
        self.rings.iter_mut().zip(&other.rings).for_each(|(to, from)| to.add(from, 1.0));
        self.width_mm += other.width_mm;
        self.cover_mm += other.cover_mm;
    }
}
