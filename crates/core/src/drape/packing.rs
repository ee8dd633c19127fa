//! How much volume hair takes: its fibre over the share of the volume that is fibre.

use super::profile::{Profile, Terms};
use crate::constants::{PACKING_BRUSHED, PACKING_CURL, PACKING_STRAIGHT};
use crate::fibre::WornStyle;

/// The packing of a client's hair: φ = 0.09/(1 + β(1 − x²)²).
///
/// What is closed keeps its neighbours away, and they are as closed as it is: the volume goes with the square. With 1 − x² alone no
/// β gives ringlets that lie close above and wide at their ends, and coils that stand up, at once (docs/accuracy.md).
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Packing {
    /// By how many times fully closed curls take more volume than straight hair, β.
    pub curl: f64,
    /// By how much more volume what is closed takes than in the usual air, as a share.
    pub frizz: f64,
}

impl Packing {
    /// That of hair nothing is known of.
    pub fn usual(frizz: f64) -> Self {
        Self { curl: PACKING_CURL.value, frizz }
    }

    /// The same on top of the head, by how far up towards it, 0 to 1. A width that is measured lower down tells of what hangs
    /// there: what it says beyond the usual lifts no top.
    pub(crate) fn towards_the_top(&self, up: f64) -> Self {
        Self { curl: self.curl - up * self.beyond_usual(), ..*self }
    }

    /// By how much more closed curls take than is usual, 0 if not.
    pub(crate) fn beyond_usual(&self) -> f64 {
        (self.curl - PACKING_CURL.value).max(0.0)
    }

    /// Room that closed curls take beyond the usual in a worn millimetre over the section of the fibre, as coefficients of what
    /// decays from the end upwards.
    pub(crate) fn beyond_terms(&self, worn: WornStyle, profile: &Profile) -> Terms {
        let beyond = self.beyond_usual() * (1.0 + self.frizz) * loose(worn) / PACKING_STRAIGHT.value;
        profile.closed.map(|closed| beyond * closed)
    }

    /// Volume in a worn millimetre over the section of the fibre: a part that is there all the way, and the coefficients of
    /// what decays from the end upwards.
    pub(crate) fn terms(&self, worn: WornStyle, profile: &Profile) -> (f64, Terms) {
        let straight = 1.0 / PACKING_STRAIGHT.value;
        let closed = self.curl * (1.0 + self.frizz) * loose(worn);
        let term = |i: usize| straight * (profile.fibre[i] + closed * profile.closed[i]);
        (straight, std::array::from_fn(term))
    }
}

/// By how many times more room closed curls take that are worn like this. Brushing dissolves the locks: single fibres lie out of
/// phase and keep each other away.
fn loose(worn: WornStyle) -> f64 {
    if worn == WornStyle::BrushedOut { PACKING_BRUSHED.value } else { 1.0 }
}
