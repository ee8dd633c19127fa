//! A head of hair asked for as a document, and its making.

use super::Blend;
use super::blend::{Density, Grown};
use super::present::agree;
use super::spots::Spots;
use super::width;
use crate::drape::{Packing, Shell, drape_all};
use crate::error::{FieldErrors, Problem};
use crate::fibre::WornStyle;
use crate::hair::{Hair, SHARES, ShareLengths, Strand};
use crate::head::{Body, Figure, Hairline, HeadForm, Measures, Patch, Root, Scalp, Zone, roots};
use crate::learn::Hand;
use crate::reading::{RawReading, RawZoneReading, ZoneReading};
use crate::section::RegionTest;
use crate::stop::{Stop, Unfinished};
use crate::talk::{Climate, Wearing};
use rayon::prelude::*;
use serde::{Deserialize, Serialize};

/// Guide roots that can be asked for: four times as many as a fine head has are no finer, and cost a gigabyte.
const ROOTS: (f64, f64) = (256.0, 16_384.0);
fn usual_roots() -> u32 {
    4096
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
    /// About how many guide roots, 256 to 16,384: 4,096 while editing.
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
        self.grow_until(&Stop::never()).map_err(Unfinished::faults)
    }

    /// The same, given up between phases where nobody waits any more.
    pub fn grow_until(&self, stop: &Stop) -> Result<Hair, Unfinished> {
        let mut faults = self.check().err().unwrap_or_default();
        let read = self.reading.read_patches();
        if read.is_empty() {
            faults.push("reading.zones", Problem::Missing);
        }
        let Some(measures) = faults.take("reading.measures", self.reading.measures.filled()) else {
            return Err(faults.into());
        };
        faults.or(())?;
        stop.go_on()?;
        let mut hair = self.grown(&read, measures, self.roots as usize)?;
        stop.go_on()?;
        hair.packing = self.packing(&read, measures, stop)?;
        agree(&mut hair, &self.reading, stop)?;
        Ok(hair)
    }

    /// Hair enough to say along which paths a zone's hair falls, as it is in a plan; of a reading that may have gaps. Where
    /// nothing was read yet it is ordinary hair.
    pub fn paths(&self, measures: &Measures) -> Result<Hair, FieldErrors> {
        let mut read = self.reading.read_patches();
        let packing = if read.is_empty() {
            Packing::usual(self.climate.frizz())
        } else {
            self.packing(&read, *measures, &Stop::never()).map_err(Unfinished::faults)?
        };
        if read.is_empty() {
            let (stretched, sprung) = USUAL_MM;
            let usual = ZoneReading::try_from(&RawZoneReading::measured(stretched, sprung))?;
            read = vec![(Zone::Top.into(), usual)];
        }
        Ok(Hair { packing, ..self.grown(&read, *measures, PATH_ROOTS)? })
    }

    /// How much volume the hair takes, by the worn width if one was measured. Found on few roots: a width is good to a
    /// millimetre or two with them.
    fn packing(
        &self,
        read: &[(Patch, ZoneReading)],
        measures: Measures,
        stop: &Stop,
    ) -> Result<Packing, Unfinished> {
        let Some(measured) = &self.reading.worn_width else {
            return Ok(Packing::usual(self.climate.frizz()));
        };
        let mut few = self.grown(read, measures, PATH_ROOTS)?;
        agree(&mut few, &self.reading, stop)?;
        stop.go_on()?;
        width::agree(&mut few, measured);
        Ok(few.packing)
    }

    /// The figure of this head. Only the measures must be possible; zones that can't be are as if nobody had read them.
    pub fn figure(&self) -> Result<Figure, FieldErrors> {
        let mut faults = FieldErrors::default();
        let measures = faults.take("reading.measures", self.reading.measures.filled());
        match measures {
            Some(measures) => {
                let patches: Vec<Patch> = self.reading.patches().collect();
                Ok(self.paths(&measures)?.figure(&patches))
            }
            None => Err(faults),
        }
    }

    /// Hair as the zones say it grows.
    fn grown(
        &self,
        read: &[(Patch, ZoneReading)],
        measures: Measures,
        count: usize,
    ) -> Result<Hair, FieldErrors> {
        let mut faults = FieldErrors::default();
        let form = faults.take("reading.measures", HeadForm::of(&measures, self.reading.skull));
        let Some(form) = form else { return Err(faults) };
        let hairline = Hairline::of(&form, &measures);
        let density = Density::of(&self.reading, &hairline);
        let scalp = Scalp { part_mm: self.reading.part.left_mm, ..Scalp::plain(&form, &hairline) };
        let spots = Spots::on(&self.reading.spots, &scalp);
        // Girths tell how the ends thin out better than a guess does.
        let taper = if self.reading.girths.len() > 1 { 0.0 } else { self.reading.taper };
        let mut blend = Blend::of(read, taper, &hairline);
        let wearing = Wearing { front_straight: self.front_straight, ..Wearing::alike(self.worn) };
        let edges: Vec<(Patch, RegionTest)> = self
            .reading
            .edges
            .iter()
            .filter(|edge| read.iter().any(|(patch, _)| *patch == edge.patch))
            .filter_map(|edge| Some((edge.patch, edge.within.on(&scalp).ok()?)))
            .collect();
        let roots = roots(&form, &hairline, count);
        let outside = |root: &&Root| !edges.iter().any(|(_, edge)| edge.holds(&scalp, &root.at, root.zone));
        let told = |root: &Root| {
            let d = root.at.normalize();
            (d, root.zone, root.area_mm2 * density.at(&d))
        };
        // As many on either side.
        let (half, step) = ((roots.len() / 2).max(1), count.div_ceil(ASKED));
        let evenly = roots.iter().enumerate().filter(|(i, _)| (i % half).is_multiple_of(step));
        let asked: Vec<_> = evenly.map(|(_, root)| root).filter(outside).map(told).collect();
        let sharp: Vec<Patch> = edges.iter().map(|(patch, _)| *patch).collect();
        blend.keep_means(&asked, &sharp);
        let grown = |root: &Root| {
            let d = root.at.normalize();
            let inside = edges.iter().find(|(_, region)| region.holds(&scalp, &root.at, root.zone));
            let Grown { model, length_mm, layered } =
                blend.with_edges(&d, &edges, inside.map(|(patch, _)| *patch));
            let lengths = spots.weakened(&root.at, thinned(length_mm, layered));
            let hairs = root.area_mm2 / 100.0 * density.at(&d) * spots.growing(&root.at);
            (Strand::new(*root, model, hairs, wearing.of(root.zone)), lengths)
        };
        let (strands, lengths): (Vec<Strand>, Vec<ShareLengths>) = roots.par_iter().map(grown).unzip();
        let body = Body::of(&measures);
        Ok(Hair {
            drapes: drape_all(&scalp, &body, self.reading.part, &self.reading.growth, &roots),
            shell: Shell::of(&form),
            part: self.reading.part,
            packing: Packing::usual(self.climate.frizz()),
            hand: Hand::of(&self.reading),
            measures,
            body,
            strands,
            lengths,
            form,
            hairline,
        })
    }
}

/// Roots that are asked how long a zone is on the mean.
const ASKED: usize = 4096;
/// Roots that are enough to say where the hair of a zone ends on average: to a millimetre or two.
const PATH_ROOTS: usize = 1024;
/// A strand of ordinary hair where none was read, stretched and let go, mm.
const USUAL_MM: (f64, f64) = (300.0, 290.0);

/// Lengths of the shares of a strand, even from the longest to the shortest.
fn thinned(longest_mm: f64, layered: f64) -> ShareLengths {
    let share = |i: usize| longest_mm * (1.0 - layered * i as f64 / (SHARES - 1) as f64);
    std::array::from_fn(share).into()
}
