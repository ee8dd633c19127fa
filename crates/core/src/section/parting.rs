//! A parting: a plane through landmarks, straight or zigzag.

use super::Scalp;
use crate::error::{FieldErrors, Problem};
use crate::head::{Landmark, Vec3};
use serde::{Deserialize, Serialize};
use std::f64::consts::PI;

/// Sine of the least angle between the lines to a parting's points, about 2°: below it they don't say which way it runs.
const LEAST_SPREAD: f64 = 0.035;
/// Amplitude of a zigzag, mm.
const ZIGZAG_MM: (f64, f64) = (1.0, 30.0);

/// Where hair is parted. Two landmarks: straight from one to the other, square to the scalp. Three: the plane through them.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Parting {
    /// Two or three landmarks.
    pub through: Vec<Landmark>,
    /// How far the teeth of a zigzag go to either side, mm, 1 to 30; a tooth is twice as long. Straight if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub zigzag_mm: Option<f64>,
}

/// A parting laid on a head.
#[derive(Debug, Clone, Copy)]
pub struct Cutting {
    normal: Vec3,
    offset: f64,
    along: Vec3,
    zigzag_mm: Option<f64>,
}

impl Parting {
    /// A straight parting.
    pub fn through(landmarks: &[Landmark]) -> Self {
        Self { through: landmarks.to_vec(), zigzag_mm: None }
    }

    /// The same parting on the other side of the head.
    #[must_use]
    pub fn mirrored(&self) -> Self {
        Self { through: self.through.iter().map(|l| l.mirrored()).collect(), ..self.clone() }
    }

    /// Lays it on a head; points that don't say which way it runs are a fault.
    pub fn on(&self, scalp: &Scalp) -> Result<Cutting, FieldErrors> {
        let mut faults = FieldErrors::default();
        if let Some(zigzag) = self.zigzag_mm {
            faults.range("zigzag_mm", zigzag, ZIGZAG_MM, "mm");
        }
        let points: Vec<Vec3> = self.through.iter().map(|l| scalp.point(*l)).collect();
        let (from, one, other) = match points[..] {
            // The plane through the middle of the head meets the scalp squarely.
            [a, b] => (Vec3::zeros(), a, b),
            [a, b, c] => (a, b, c),
            _ => {
                let why = "a parting runs through two or three landmarks".into();
                faults.push("through", Problem::Contradicts { why });
                return Err(faults);
            }
        };
        let normal = (one - from).cross(&(other - from));
        let spread = normal.norm() / ((one - from).norm() * (other - from).norm());
        if spread.is_nan() || spread < LEAST_SPREAD {
            let why = "these landmarks lie in one line and don't say which way the parting runs".into();
            faults.push("through", Problem::Contradicts { why });
        }
        let normal = normal.normalize();
        let along = (points[points.len() - 1] - points[0]).normalize();
        faults.or(Cutting { normal, offset: normal.dot(&from), along, zigzag_mm: self.zigzag_mm })
    }
}

impl Cutting {
    /// How far a point lies from the parting, mm, with the sign of its side.
    pub fn side_mm(&self, p: &Vec3) -> f64 {
        let straight = self.normal.dot(p) - self.offset;
        match self.zigzag_mm {
            None => straight,
            Some(amplitude) => {
                // A triangle wave of the place along the parting.
                let phase = self.along.dot(p) * PI / (2.0 * amplitude);
                straight - amplitude * (2.0 / PI) * phase.sin().asin()
            }
        }
    }
}
