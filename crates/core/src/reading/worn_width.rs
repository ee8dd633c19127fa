//! How wide the worn hair stands at one height: by callipers, or between two rulers held upright.

use crate::error::FieldErrors;
use crate::head::Place;
use serde::{Deserialize, Serialize};

/// Widths of worn hair with the head in it, mm.
const WIDTH_MM: (f64, f64) = (100.0, 900.0);

/// The worn hair's width from left to right at a height.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct WornWidth {
    /// From the outermost hair on one side to that on the other, mm, 100 to 900.
    pub width_mm: f64,
    /// The height at which it was measured.
    pub at: Place,
}

impl WornWidth {
    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("width_mm", self.width_mm, WIDTH_MM, "mm");
        faults.take("at", self.at.check());
        faults.or(())
    }
}
