//! Twisted sections held to a point of the face.

use super::Layout;
use crate::error::{FieldErrors, Problem};
use crate::hair::Hair;
use crate::head::{Point, Vec3};
use crate::section::Half;
use serde::{Deserialize, Serialize};

/// How far past the point hair is cut, mm.
const PAST_MM: (f64, f64) = (-100.0, 400.0);

/// Sections that are twisted, drawn tight to a point of the face, and cut there: what grows further off stays longer.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Gathered {
    /// The sections.
    pub layout: Layout,
    /// The point; of the face, not of the body.
    pub to: Point,
    /// Which side's, for points that a face has two of: the client's left if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub side: Option<Half>,
    /// How far past the point it is cut, mm, −100 (before it) to 400.
    #[serde(default)]
    pub past_mm: f64,
}

impl Gathered {
    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.take("layout", self.layout.check());
        faults.range("past_mm", self.past_mm, PAST_MM, "mm");
        if self.to.is_of_the_body() {
            let why = "lies on the body; name a point of the face".into();
            faults.push("to", Problem::Contradicts { why });
        }
        faults.or(())
    }

    #[must_use]
    pub(super) fn mirrored(self) -> Self {
        Self { layout: self.layout.mirrored(), side: Some(self.of_side().other()), ..self }
    }

    /// The side it is drawn to.
    pub(super) fn of_side(&self) -> Half {
        self.side.unwrap_or(Half::Left)
    }

    /// Where the hand is.
    pub(super) fn hand(&self, hair: &Hair) -> Option<Vec3> {
        let place = self.to.place(&hair.form, &hair.measures)?;
        let sign = if self.of_side() == Half::Right { -1.0 } else { 1.0 };
        Some(Vec3::new(sign * place.x, place.y, place.z))
    }
}
