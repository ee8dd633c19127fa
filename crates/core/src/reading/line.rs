//! Where the worn line of the hair lies now.

use crate::error::{FieldErrors, Problem};
use crate::head::Place;
use serde::{Deserialize, Serialize};

/// Round the head, where the line is looked at.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum LineAt {
    /// Beside the face, client's left.
    FrontLeft,
    /// Below the left ear.
    SideLeft,
    /// In the middle of the back.
    Back,
    /// Below the right ear.
    SideRight,
    /// Beside the face, client's right.
    FrontRight,
}

impl LineAt {
    /// Angle from the front towards the client's left, radians, −π to π.
    pub fn azimuth(self) -> f64 {
        let degrees: f64 = match self {
            Self::FrontLeft => 45.0,
            Self::SideLeft => 95.0,
            Self::Back => 180.0,
            Self::SideRight => -95.0,
            Self::FrontRight => -45.0,
        };
        degrees.to_radians()
    }
}

/// One point of the line.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct LinePoint {
    /// Where round the head.
    pub at: LineAt,
    /// The height at which the worn hair ends there.
    pub lies: Place,
}

/// Checks points that are given.
pub(super) fn check(points: &[LinePoint]) -> Result<(), FieldErrors> {
    let mut faults = FieldErrors::default();
    for (i, point) in points.iter().enumerate() {
        faults.take(&format!("line.{i}.lies"), point.lies.check());
        if points[..i].iter().any(|before| before.at == point.at) {
            faults.push(format!("line.{i}.at"), Problem::contradicts("fault-given-twice"));
        }
    }
    faults.or(())
}
