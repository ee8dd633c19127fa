//! Places on face and body that hair is measured to.

use super::{Measures, Point};
use crate::error::FieldErrors;
use serde::{Deserialize, Serialize};

/// How far a place may lie from its point, mm.
const OFFSET_MM: (f64, f64) = (-150.0, 600.0);

/// A place on face or body: a point, or so far below it.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Place {
    /// The point.
    pub point: Point,
    /// How far below it, mm, −150 to 600 (below the waist there is no point); negative is above.
    #[serde(default)]
    pub below_mm: f64,
}

impl Place {
    /// Checks how far it lies from its point.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("below_mm", self.below_mm, OFFSET_MM, "mm");
        faults.or(())
    }

    /// A height as the nearest point of face or body, and how far below that it lies.
    pub fn nearest(height_mm: f64, measures: &Measures) -> Self {
        let off = |point: &Point| (point.height_mm(measures) - height_mm).abs();
        let near = Point::ALL.into_iter().min_by(|one, other| off(one).total_cmp(&off(other)));
        let point = near.unwrap_or(Point::Chin);
        Self { point, below_mm: (point.height_mm(measures) - height_mm).max(OFFSET_MM.0) }
    }

    /// Its height above the ear canals, mm.
    pub fn height_mm(&self, measures: &Measures) -> f64 {
        self.point.height_mm(measures) - self.below_mm
    }
}
