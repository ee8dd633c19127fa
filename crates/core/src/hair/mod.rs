//! A whole head of hair: the form, guide roots over it, and at each root what kind of hair grows there, how much of it,
//! and how long it is now.
//!
//! A reading knows a few zones; between their middles every property changes smoothly ([`blend`]). The hair of a root
//! is eight equal shares that may differ in length, so that taking weight is exact bookkeeping ([`Lengths`]).

mod blend;
mod growth;
mod present;
mod request;
mod spots;

pub use blend::Blend;
pub use growth::{Growth, GrowthWay};
pub(crate) use present::tie_of;
pub use present::{Agreement, Agreements, HairNow, agreements};
pub use request::{HairRequest, PartLine};

use crate::fall::{Drape, Shell};
use crate::fibre::{LengthModel, WornStyle};
use crate::head::{Body, Hairline, HeadForm, Measures, Root};
use crate::section::Scalp;

/// Equal shares of a root's hair that may differ in length.
pub const SHARES: usize = 8;

/// Fibre lengths of the eight shares of a root's hair, mm.
pub type Lengths = [f64; SHARES];

/// What grows at a root.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Strand {
    /// Where, and for how much scalp.
    pub root: Root,
    /// What kind of hair.
    pub model: LengthModel,
    /// How many hairs.
    pub hairs: f64,
    /// How it is worn.
    pub worn: WornStyle,
}

impl Strand {
    /// Mass of fibre per length of all its hair, g/mm.
    pub fn mass_g_per_mm(&self) -> f64 {
        self.hairs * self.section_mm2() * crate::constants::DENSITY_KG_M3.value * 1e-6
    }

    /// Cross-section of one fibre, mm².
    pub fn section_mm2(&self) -> f64 {
        std::f64::consts::PI * (0.5e-3 * self.model.diameter_um).powi(2)
    }
}

/// A head of hair before it is cut.
#[derive(Debug, Clone)]
pub struct Hair {
    /// The measures it was made from.
    pub measures: Measures,
    /// The scalp.
    pub form: HeadForm,
    /// Its edge.
    pub hairline: Hairline,
    /// What long hair comes to lie on.
    pub body: Body,
    /// Where the hair parts.
    pub part: PartLine,
    /// By how much more room curls take than in the usual air, as a share.
    pub frizz: f64,
    /// Guide strands: the left half, then its mirror image.
    pub strands: Vec<Strand>,
    /// The way each takes down.
    pub drapes: Vec<Drape>,
    /// The bare head in the cells of the fall.
    pub shell: Shell,
    /// How long each is now.
    pub lengths: Vec<Lengths>,
}

impl Hair {
    /// The head that partings are drawn on.
    pub fn scalp(&self) -> Scalp<'_> {
        Scalp { form: &self.form, hairline: &self.hairline }
    }

    /// How high each of some strands is rooted among them, 0 the lowest and 1 the highest.
    pub(crate) fn heights(&self, among: impl Iterator<Item = usize>) -> impl Fn(usize) -> f64 {
        let y = |i: usize| self.strands[i].root.at.y;
        let (low, high) =
            among.map(y).fold((f64::INFINITY, f64::NEG_INFINITY), |(low, high), y| (low.min(y), high.max(y)));
        move |i| if high > low { (self.strands[i].root.at.y - low) / (high - low) } else { 0.5 }
    }

    /// Mass of all hair of these lengths, g.
    pub fn mass_g(&self, lengths: &[Lengths]) -> f64 {
        let of = |(strand, lengths): (&Strand, &Lengths)| {
            strand.mass_g_per_mm() * lengths.iter().sum::<f64>() / SHARES as f64
        };
        self.strands.iter().zip(lengths).map(of).sum()
    }
}
