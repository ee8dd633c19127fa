//! What a tape gives, and the ordinary adult means that stand in for what it doesn't.

use crate::error::FieldErrors;
use serde::{Deserialize, Serialize};

/// Tape measures taken so far, mm.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RawMeasures {
    /// Round the head above brow and occipital bone, 400 to 700 mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub girth_mm: Option<f64>,
    /// Ear canal to ear canal over the top, 240 to 450 mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub over_top_mm: Option<f64>,
    /// Front hairline to chin, 110 to 260 mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub face_mm: Option<f64>,
    /// Chin down to the collarbone, standing straight, 20 to 160 mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub neck_mm: Option<f64>,
    /// Collarbone down to the waist, 150 to 600 mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub torso_mm: Option<f64>,
}

/// Measures with nothing missing, mm.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Measures {
    /// Round the head.
    pub girth_mm: f64,
    /// Ear canal to ear canal over the top.
    pub over_top_mm: f64,
    /// Front hairline to chin.
    pub face_mm: f64,
    /// Chin to collarbone.
    pub neck_mm: f64,
    /// Collarbone to waist.
    pub torso_mm: f64,
}

impl Default for Measures {
    /// Ordinary adult means (rounded from published anthropometric surveys).
    fn default() -> Self {
        Self { girth_mm: 565.0, over_top_mm: 345.0, face_mm: 185.0, neck_mm: 75.0, torso_mm: 370.0 }
    }
}

impl Measures {
    /// Ordinary means of a child of seven (rounded from published growth surveys).
    pub fn child() -> Self {
        Self { girth_mm: 522.0, over_top_mm: 325.0, face_mm: 158.0, neck_mm: 55.0, torso_mm: 265.0 }
    }
}

impl RawMeasures {
    /// Checks what is given.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        let given = [
            ("girth_mm", self.girth_mm, (400.0, 700.0)),
            ("over_top_mm", self.over_top_mm, (240.0, 450.0)),
            ("face_mm", self.face_mm, (110.0, 260.0)),
            ("neck_mm", self.neck_mm, (20.0, 160.0)),
            ("torso_mm", self.torso_mm, (150.0, 600.0)),
        ];
        for (field, value, range) in given {
            if let Some(value) = value {
                faults.range(field, value, range, "mm");
            }
        }
        faults.or(())
    }

    /// The checked measures, with means for what is missing.
    pub fn filled(&self) -> Result<Measures, FieldErrors> {
        self.check()?;
        let mean = Measures::default();
        Ok(Measures {
            girth_mm: self.girth_mm.unwrap_or(mean.girth_mm),
            over_top_mm: self.over_top_mm.unwrap_or(mean.over_top_mm),
            face_mm: self.face_mm.unwrap_or(mean.face_mm),
            neck_mm: self.neck_mm.unwrap_or(mean.neck_mm),
            torso_mm: self.torso_mm.unwrap_or(mean.torso_mm),
        })
    }
}
