//! A head of hair asked for as a document, and its making.

use super::blend::{Density, Grown};
use super::present::agree;
use super::spots::Spots;
use super::{Blend, Hair, Lengths, SHARES, Strand};
use crate::error::{FieldErrors, Problem};
use crate::fall::{Shell, drape_all};
use crate::fibre::WornStyle;
use crate::head::{Body, Hairline, HeadForm, Landmark, Vec3, roots};
use crate::reading::RawReading;
use crate::section::Scalp;
use crate::talk::{Climate, Wearing};
use serde::{Deserialize, Serialize};

/// Guide roots that can be asked for.
const ROOTS: (f64, f64) = (256.0, 65_536.0);
/// How far from the middle a part can lie, mm.
const PART_MM: (f64, f64) = (-60.0, 60.0);

fn usual_roots() -> u32 {
    4096
}

/// Where the hair parts: a line from the front hairline to the crown, so far to the client's left of the middle.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields, default)]
pub struct PartLine {
    /// Offset to the client's left, mm, −60 to 60.
    pub left_mm: f64,
}

impl Default for PartLine {
    fn default() -> Self {
        Self { left_mm: 0.0 }
    }
}

/// A head of hair.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct HairRequest {
    /// What was measured.
    pub reading: RawReading,
    /// How it is worn.
    #[serde(default)]
    pub worn: WornStyle,
    /// Whether the front is smoothed, whatever the rest is.
    #[serde(default)]
    pub front_straight: bool,
    /// The air it is worn in.
    #[serde(default)]
    pub climate: Climate,
    /// About how many guide roots, 256 to 65,536: 4,096 while editing.
    #[serde(default = "usual_roots")]
    pub roots: u32,
}

impl HairRequest {
    /// A reading on an ordinary head.
    pub fn new(reading: RawReading) -> Self {
        Self {
            reading,
            worn: WornStyle::default(),
            front_straight: false,
            climate: Climate::default(),
            roots: usual_roots(),
        }
    }

    /// Checks every field but how the measures fit together.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("roots", f64::from(self.roots), ROOTS, "");
        faults.take("reading", self.reading.check());
        faults.or(())
    }

    /// The head of hair.
    pub fn grow(&self) -> Result<Hair, FieldErrors> {
        let mut faults = self.check().err().unwrap_or_default();
        let read = self.reading.read_patches();
        if read.is_empty() {
            faults.push("reading.zones", Problem::Missing);
        }
        let Some(measures) = faults.take("reading.measures", self.reading.measures.filled()) else {
            return Err(faults);
        };
        let form = faults.take("reading.measures", HeadForm::of(&measures, self.reading.felt));
        let Some(form) = form.filter(|_| faults.0.is_empty()) else { return Err(faults) };
        let hairline = Hairline::of(&form, &measures);
        let density = Density::of(&self.reading, &hairline);
        let scalp = Scalp { form: &form, hairline: &hairline };
        let spots = Spots::on(&self.reading.spots, &scalp);
        // Girths tell how the ends thin out better than a guess does.
        let taper = if self.reading.girths.len() > 1 { 0.0 } else { self.reading.taper };
        let blend = Blend::of(&read, taper, &hairline);
        let wearing = Wearing { front_straight: self.front_straight, ..Wearing::alike(self.worn) };
        let mut lengths = Vec::new();
        let strands: Vec<Strand> = roots(&form, &hairline, self.roots as usize)
            .into_iter()
            .map(|root| {
                let d = root.at.normalize();
                let Grown { model, length_mm, layered } = blend.at(&d);
                lengths.push(spots.weakened(&root.at, thinned(length_mm, layered)));
                let hairs = root.area_mm2 / 100.0 * density.at(&d) * spots.growing(&root.at);
                Strand { root, model, hairs, worn: wearing.of(root.zone) }
            })
            .collect();
        let body = Body::of(&measures);
        let mut hair = Hair {
            drapes: drape_all(&scalp, &body, self.reading.part, &self.reading.growth, &strands),
            shell: Shell::of(&form),
            part: self.reading.part,
            frizz: self.climate.frizz(),
            measures,
            body,
            strands,
            lengths,
            form,
            hairline,
        };
        agree(&mut hair, &self.reading);
        Ok(hair)
    }
}

/// Lengths of the shares of a strand, even from the longest to the shortest.
fn thinned(longest_mm: f64, layered: f64) -> Lengths {
    std::array::from_fn(|i| longest_mm * (1.0 - layered * i as f64 / (SHARES - 1) as f64))
}

impl PartLine {
    pub(crate) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("left_mm", self.left_mm, PART_MM, "mm");
        faults.or(())
    }

    /// The point of the part nearest to a place, seen from above: hair falls away from it.
    pub(crate) fn nearest(self, scalp: &Scalp, p: &Vec3) -> Vec3 {
        let front = scalp.point(Landmark::HairlineCentre).z;
        let crown = -0.45 * front;
        Vec3::new(self.left_mm, 0.0, p.z.clamp(crown, front))
    }
}
