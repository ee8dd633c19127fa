//! Where the hair parts.

use super::{Landmark, Scalp, Vec3};
use crate::error::FieldErrors;
use serde::{Deserialize, Serialize};

/// How far from the middle a part can lie, mm.
const PART_MM: (f64, f64) = (-60.0, 60.0);

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
