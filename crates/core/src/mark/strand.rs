//! One strand in its four lengths, as lines to draw: from the same spiral as the numbers.

use super::MarkLengths;
use super::request::TARGET_MM;
use crate::error::FieldErrors;
use crate::fibre::{HeldState, WornStyle};
use crate::head::Patch;
use crate::learn;
use crate::reading::RawReading;
use serde::{Deserialize, Serialize};

/// Which strand, cut to which length, held and worn how.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct StrandRequest {
    /// What was measured.
    pub reading: RawReading,
    /// The zone it is of, or the half of one.
    pub patch: Patch,
    /// Its fibre length after the cut, mm.
    pub fibre_mm: f64,
    /// The state it is held in.
    pub state: HeldState,
    /// How it is worn.
    #[serde(default)]
    pub worn: WornStyle,
}

/// A strand as it lies, in points [across, down] from the root, mm.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StrandLines {
    /// Its four lengths.
    pub lengths: MarkLengths,
    /// Held on the comb.
    pub held: Vec<[f64; 2]>,
    /// Free, at the moisture it is cut at.
    pub hanging: Vec<[f64; 2]>,
    /// Dry and styled.
    pub worn: Vec<[f64; 2]>,
}

impl StrandRequest {
    /// The strand's lines.
    pub fn lines(&self) -> Result<StrandLines, FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.take("reading", self.reading.check());
        let patch = faults.0.is_empty().then(|| self.reading.patch(self.patch));
        let reading = patch.and_then(|read| faults.take(&format!("reading.zones.{}", self.patch), read));
        faults.range("fibre_mm", self.fibre_mm, TARGET_MM, "mm");
        let Some(reading) = reading.filter(|_| faults.0.is_empty()) else {
            return Err(faults);
        };
        let model = learn::fit(&reading).model();
        let hold = learn::Hand::of(&self.reading).hold(self.state);
        let wet = model.rod(hold.water_g_per_g, 1.0);
        let worn = model.rod(0.0, self.worn.curvature_share());
        let fibre_mm = self.fibre_mm;
        let lengths = MarkLengths {
            fibre_mm,
            held_mm: hold.held_mm(&model, fibre_mm, fibre_mm),
            hanging_mm: wet.hanging_mm(fibre_mm, 0.0),
            worn_mm: worn.hanging_mm(fibre_mm, 0.0),
        };
        Ok(StrandLines {
            lengths,
            held: wet.line(fibre_mm, hold.pull_mn),
            hanging: wet.line(fibre_mm, 0.0),
            worn: worn.line(fibre_mm, 0.0),
        })
    }
}
