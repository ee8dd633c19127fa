//! A head of hair asked for as a document, and its making.

use super::blend::Density;
use super::spots::Spots;
use super::{Blend, Growth, Hair, Lengths, SHARES, Strand};
use crate::constants::HAIRS_PER_CM2;
use crate::error::{FieldErrors, Problem};
use crate::fall::{Shell, drape_all};
use crate::fibre::WornStyle;
use crate::head::{Body, Felt, Hairline, HeadForm, Landmark, Vec3, roots};
use crate::reading::{DENSITY, RawReading, Zone, ZoneReading};
use crate::section::Scalp;
use serde::{Deserialize, Serialize};

/// Guide roots that can be asked for.
const ROOTS: (f64, f64) = (256.0, 65_536.0);
/// How much shorter than the longest the shortest of a strand's shares can be.
const TAPER: (f64, f64) = (0.0, 0.8);
/// How far from the middle a part can lie, mm.
const PART_MM: (f64, f64) = (-60.0, 60.0);

fn usual_roots() -> u32 {
    4096
}

fn usual_density() -> f64 {
    HAIRS_PER_CM2.value
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
    /// What was measured: tape and zones.
    pub reading: RawReading,
    /// What the hand feels of the skull.
    #[serde(default)]
    pub felt: Felt,
    /// How it is worn.
    #[serde(default)]
    pub worn: WornStyle,
    /// Where it parts.
    #[serde(default)]
    pub part: PartLine,
    /// Where it grows a way of its own; at most 12 places.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub growth: Vec<Growth>,
    /// Hairs on a square centimetre where none were counted, 20 to 500.
    #[serde(default = "usual_density")]
    pub hairs_per_cm2: f64,
    /// How much shorter than the longest the shortest eighth of each strand is, as a share, 0 (blunt ends) to 0.8 (grown
    /// out and broken).
    #[serde(default)]
    pub taper: f64,
    /// About how many guide roots, 256 to 65,536: 4,096 while editing.
    #[serde(default = "usual_roots")]
    pub roots: u32,
}

impl HairRequest {
    /// A reading on an ordinary head.
    pub fn new(reading: RawReading) -> Self {
        Self {
            reading,
            felt: Felt::default(),
            worn: WornStyle::default(),
            part: PartLine::default(),
            growth: Vec::new(),
            hairs_per_cm2: usual_density(),
            taper: 0.0,
            roots: usual_roots(),
        }
    }

    /// Checks every field but how the measures fit together.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("hairs_per_cm2", self.hairs_per_cm2, DENSITY, "1/cm²");
        faults.range("taper", self.taper, TAPER, "");
        faults.range("roots", f64::from(self.roots), ROOTS, "");
        faults.range("part.left_mm", self.part.left_mm, PART_MM, "mm");
        faults.take("growth", Growth::check(&self.growth));
        faults.take("felt", self.felt.check());
        faults.take("reading", self.reading.check());
        faults.or(())
    }

    /// The head of hair.
    pub fn grow(&self) -> Result<Hair, FieldErrors> {
        let mut faults = self.check().err().unwrap_or_default();
        let read: Vec<(Zone, ZoneReading)> = self
            .reading
            .zones
            .iter()
            .filter_map(|(zone, raw)| Some((*zone, ZoneReading::try_from(raw).ok()?)))
            .collect();
        if read.is_empty() {
            faults.push("reading.zones", Problem::Missing);
        }
        let Some(measures) = faults.take("reading.measures", self.reading.measures.filled()) else {
            return Err(faults);
        };
        let form = faults.take("reading.measures", HeadForm::of(&measures, self.felt));
        let Some(form) = form.filter(|_| faults.0.is_empty()) else { return Err(faults) };
        let hairline = Hairline::of(&form, &measures);
        let blend = Blend::of(&read, &hairline);
        let density = Density::of(&self.reading, self.hairs_per_cm2, &hairline);
        let scalp = Scalp { form: &form, hairline: &hairline };
        let spots = Spots::on(&self.reading.spots, &scalp);
        let mut lengths = Vec::new();
        let strands: Vec<Strand> = roots(&form, &hairline, self.roots as usize)
            .into_iter()
            .map(|root| {
                let d = root.at.normalize();
                let (model, length) = blend.at(&d);
                lengths.push(spots.weakened(&root.at, thinned(length, self.taper)));
                let hairs = root.area_mm2 / 100.0 * density.at(&d) * spots.growing(&root.at);
                Strand { root, model, hairs }
            })
            .collect();
        let body = Body::of(&measures);
        Ok(Hair {
            drapes: drape_all(&scalp, &body, self.part, &self.growth, &strands),
            shell: Shell::of(&form),
            part: self.part,
            worn: self.worn,
            measures,
            body,
            strands,
            lengths,
            form,
            hairline,
        })
    }
}

/// Lengths of the shares of a strand that thins out evenly towards its ends.
fn thinned(longest_mm: f64, taper: f64) -> Lengths {
    std::array::from_fn(|i| longest_mm * (1.0 - taper * i as f64 / (SHARES - 1) as f64))
}

impl PartLine {
    /// The point of the part nearest to a place, seen from above: hair falls away from it.
    pub(crate) fn nearest(self, scalp: &Scalp, p: &Vec3) -> Vec3 {
        let front = scalp.point(Landmark::HairlineCentre).z;
        let crown = -0.45 * front;
        Vec3::new(self.left_mm, 0.0, p.z.clamp(crown, front))
    }
}
