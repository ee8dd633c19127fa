//! A whole head of hair: the form, guide roots over it, and at each root what kind of hair grows there, how much of it,
//! and how long it is now.
//!
//! What grows there is [`grow`](crate::grow)'s to say. The hair of a root is shares that may differ in length, so that taking
//! weight is exact bookkeeping ([`ShareLengths`]).

use crate::drape::{Drape, Packing, Profile, Shell, Terms};
use crate::fibre::{LengthModel, Moisture, Rod, WornStyle};
use crate::head::{Body, Hairline, HeadForm, Measures, PartLine, Root, Scalp};
use crate::learn::Hand;
use rayon::prelude::*;

pub use crate::shares::{SHARES, ShareLengths};

/// What grows at a root.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Strand {
    /// Where, and for how much scalp.
    pub root: Root,
    /// What kind of hair.
    pub model: LengthModel,
    /// How many hairs.
    pub hairs: f64,
    /// How it is worn once it is dry.
    pub worn: WornStyle,
    /// How wet it is.
    pub moisture: Moisture,
    /// The spiral it is when it is worn, or as it hangs wet.
    pub worn_rod: Rod,
    /// How much of it lies in a worn millimetre, by the distance from its end.
    pub profile: Profile,
    /// Bending length (B/w)^⅓ of a single hair, mm.
    pub bending_mm: f64,
}

impl Strand {
    /// Some hairs of a kind, dry and worn in a style.
    pub fn new(root: Root, model: LengthModel, hairs: f64, worn: WornStyle) -> Self {
        let rod = model.rod(0.0, worn.curvature_share());
        let nests = worn != WornStyle::BrushedOut;
        let (profile, bending_mm) = (Profile::of(&rod, nests), bending_mm(&rod));
        Self { root, model, hairs, worn, moisture: Moisture::Dry, worn_rod: rod, profile, bending_mm }
    }

    /// The same hairs of another kind.
    #[must_use]
    pub fn of_kind(self, model: LengthModel) -> Self {
        Self::new(self.root, model, self.hairs, self.worn)
    }

    /// The same hairs as they hang at a moisture: water takes any style out.
    fn wetted(&self, moisture: Moisture) -> Self {
        let rod = self.model.rod(moisture.water_g_per_g(), 1.0);
        let (profile, bending_mm) = (Profile::of(&rod, true), bending_mm(&rod));
        Self { moisture, worn_rod: rod, profile, bending_mm, ..*self }
    }

    /// Mass of fibre per length of all its hair, g/mm.
    pub fn mass_g_per_mm(&self) -> f64 {
        self.hairs * self.section_mm2() * crate::constants::DENSITY_KG_M3.value * 1e-6
    }

    /// Cross-section of one fibre, mm².
    pub fn section_mm2(&self) -> f64 {
        std::f64::consts::PI * (0.5e-3 * self.model.diameter_um).powi(2)
    }
}

/// Bending length (B/w)^⅓ of a hair, mm.
fn bending_mm(rod: &Rod) -> f64 {
    (rod.scale_mn * rod.radius_mm * rod.radius_mm / rod.weight_mn_mm).cbrt()
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
    /// How much volume it takes.
    pub packing: Packing,
    /// The hand that combs and holds it.
    pub hand: Hand,
    /// Guide strands: the left half, then its mirror image.
    pub strands: Vec<Strand>,
    /// The way each takes down.
    pub drapes: Vec<Drape>,
    /// The bare head in the cells of the fall.
    pub shell: Shell,
    /// How long each is now.
    pub lengths: Vec<ShareLengths>,
}

impl Hair {
    /// The head that partings are drawn on.
    pub fn scalp(&self) -> Scalp<'_> {
        Scalp { form: &self.form, hairline: &self.hairline, part_mm: self.part.left_mm }
    }

    /// The same head with every so many-th strand of either side, for what is searched on a part of them first.
    pub(crate) fn every(&self, many: usize) -> Self {
        let half = (self.strands.len() / 2).max(1);
        let kept = (0..self.strands.len()).filter(|i| (i % half).is_multiple_of(many));
        let (mut strands, mut drapes, mut lengths) = (Vec::new(), Vec::new(), Vec::new());
        for i in kept {
            strands.push(self.strands[i]);
            drapes.push(self.drapes[i].clone());
            lengths.push(self.lengths[i]);
        }
        Self {
            strands,
            drapes,
            lengths,
            shell: self.shell.clone(),
            hairline: self.hairline.clone(),
            form: self.form.clone(),
            ..*self
        }
    }

    /// The same head with fewer strands, each of which stands for so many: as much hair on as much scalp.
    pub(crate) fn thinned(&self, many: usize) -> Self {
        let mut thinned = self.every(many);
        let area = |strands: &[Strand]| strands.iter().map(|strand| strand.root.area_mm2).sum::<f64>();
        let for_each = area(&self.strands) / area(&thinned.strands).max(1e-9);
        for strand in &mut thinned.strands {
            strand.root.area_mm2 *= for_each;
            strand.hairs *= for_each;
        }
        thinned
    }

    /// The same head with its hair at a moisture, left to hang. Wet fibres cling together: closed curls don't keep each other
    /// away.
    #[must_use]
    pub fn wetted(&self, moisture: Moisture) -> Self {
        if moisture == Moisture::Dry {
            return self.clone();
        }
        let strands =
            self.strands.par_iter().with_min_len(64).map(|strand| strand.wetted(moisture)).collect();
        Self { strands, packing: Packing { curl: 0.0, frizz: 0.0 }, ..self.clone() }
    }

    /// How high each of some strands is rooted among them, 0 the lowest and 1 the highest.
    pub(crate) fn heights(&self, among: impl Iterator<Item = usize>) -> impl Fn(usize) -> f64 {
        let y = |i: usize| self.strands[i].root.at.y;
        let (low, high) =
            among.map(y).fold((f64::INFINITY, f64::NEG_INFINITY), |(low, high), y| (low.min(y), high.max(y)));
        move |i| if high > low { (self.strands[i].root.at.y - low) / (high - low) } else { 0.5 }
    }

    /// Volume of a worn millimetre of a strand over the section of its fibre ([`Packing::terms`]).
    pub(crate) fn volume_terms(&self, strand: &Strand) -> (f64, Terms) {
        self.packing.terms(strand.worn, &strand.profile)
    }

    /// The same where it is rooted.
    pub(crate) fn volume_terms_at_root(&self, strand: &Strand) -> (f64, Terms) {
        if self.packing.beyond_usual() == 0.0 {
            return self.volume_terms(strand);
        }
        self.packing.towards_the_top(self.up(strand.root.at.y)).terms(strand.worn, &strand.profile)
    }

    /// How far a height lies on the way from the ears to the top of the head, 0 to 1.
    pub(crate) fn up(&self, height_mm: f64) -> f64 {
        (height_mm / self.form.top_mm()).clamp(0.0, 1.0)
    }

    /// Mass of all hair of these lengths, g.
    pub fn mass_g(&self, lengths: &[ShareLengths]) -> f64 {
        let of = |(strand, lengths): (&Strand, &ShareLengths)| strand.mass_g_per_mm() * lengths.mean();
        self.strands.iter().zip(lengths).map(of).sum()
    }
}
