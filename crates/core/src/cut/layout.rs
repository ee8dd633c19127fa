//! How a region is taken in subsections.

use super::ranges::THICKNESS_MM;
use crate::error::FieldErrors;
use crate::head::Landmark;
use crate::section::Along;
use serde::{Deserialize, Serialize};

/// Length of the pieces of one, mm.
const PIECE_MM: (f64, f64) = (5.0, 120.0);
/// How a region is taken in sections.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Layout {
    /// Which way they lie.
    pub along: Along,
    /// How thick each is, mm, 3 to 120.
    pub thickness_mm: f64,
    /// Nearest to where the first is taken. Well inside the region, sections go out from there to both sides.
    pub from: Landmark,
    /// Only every so many-th is worked on, the first being the `skip`-th: 1 takes all.
    #[serde(default = "one", skip_serializing_if = "is_one")]
    pub every: u32,
    /// How many are left out before the first.
    #[serde(default, skip_serializing_if = "is_none")]
    pub skip: u32,
    /// Each is held in pieces so long, mm, 5 to 120, as twists are: as one piece if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub piece_mm: Option<f64>,
}

fn one() -> u32 {
    1
}

fn is_one(n: &u32) -> bool {
    *n == 1
}

fn is_none(n: &u32) -> bool {
    *n == 0
}

impl Layout {
    /// All sections of a thickness, each held as one piece.
    pub fn new(along: Along, thickness_mm: f64, from: Landmark) -> Self {
        Self { along, thickness_mm, from, every: 1, skip: 0, piece_mm: None }
    }

    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.take("along", self.along.check());
        faults.range("thickness_mm", self.thickness_mm, THICKNESS_MM, "mm");
        faults.range("every", f64::from(self.every), (1.0, 10.0), "");
        faults.range("skip", f64::from(self.skip), (0.0, 10.0), "");
        if let Some(piece) = self.piece_mm {
            faults.range("piece_mm", piece, PIECE_MM, "mm");
        }
        faults.or(())
    }

    #[must_use]
    pub(super) fn mirrored(self) -> Self {
        Self { along: self.along.mirrored(), from: self.from.mirrored(), ..self }
    }
}
