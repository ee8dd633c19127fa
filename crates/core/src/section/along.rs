//! Which way subsections lie.

use crate::error::FieldErrors;
use crate::head::{Landmark, Scalp, Vec3};
use serde::{Deserialize, Serialize};
use std::f64::consts::PI;

/// Slopes of a diagonal, degrees.
const SLOPE: (f64, f64) = (-80.0, 80.0);

/// Which way subsections lie on the head.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", deny_unknown_fields)]
pub enum Along {
    /// Level, one above the other.
    Horizontal,
    /// Upright, like the segments of an orange about the top of the head.
    Vertical,
    /// From front to back, one beside the other.
    Profile,
    /// From ear to ear, one behind the other.
    Crosswise,
    /// Level ones tilted: `lower_in_front_deg` down towards the face, negative down towards the nape.
    Diagonal {
        /// Degrees, −80 to 80.
        lower_in_front_deg: f64,
    },
    /// Radiating from a landmark.
    Pivot {
        /// The landmark.
        round: Landmark,
    },
}

/// Two angles on the head: across the subsections, and along each.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Chart {
    pole: Vec3,
    zero: Vec3,
    quarter: Vec3,
    meridians: bool,
}

impl Along {
    /// The same on the other side of the head.
    #[must_use]
    pub fn mirrored(self) -> Self {
        match self {
            Self::Pivot { round } => Self::Pivot { round: round.mirrored() },
            other => other,
        }
    }

    /// Checks the slope.
    pub fn check(self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if let Self::Diagonal { lower_in_front_deg } = self {
            faults.range("diagonal.lower_in_front_deg", lower_in_front_deg, SLOPE, "°");
        }
        faults.or(())
    }

    /// The chart of a region whose middle lies in the direction `middle`: its seam is turned away from there.
    pub fn chart(self, scalp: &Scalp, middle: &Vec3) -> Chart {
        let (pole, meridians) = match self {
            Self::Horizontal => (Vec3::y(), false),
            Self::Vertical => (Vec3::y(), true),
            Self::Profile => (Vec3::x(), false),
            Self::Crosswise => (Vec3::z(), false),
            Self::Diagonal { lower_in_front_deg } => {
                let (sin, cos) = lower_in_front_deg.to_radians().sin_cos();
                (Vec3::new(0.0, cos, sin), false)
            }
            Self::Pivot { round } => (scalp.direction(round), true),
        };
        // A middle at the pole leaves open where the seam should be: then it lies behind, or below.
        let flat = |v: &Vec3| v - pole * pole.dot(v);
        let zero = [*middle, Vec3::z(), Vec3::y()]
            .iter()
            .map(flat)
            .find(|v| v.norm() > 0.2)
            .unwrap_or_else(Vec3::x)
            .normalize();
        Chart { pole, zero, quarter: pole.cross(&zero), meridians }
    }
}

impl Chart {
    /// Angles across and along, radians, of the unit vector `d`.
    pub fn angles(&self, d: &Vec3) -> (f64, f64) {
        let latitude = d.dot(&self.pole).clamp(-1.0, 1.0).asin();
        let longitude = d.dot(&self.quarter).atan2(d.dot(&self.zero));
        if self.meridians { (longitude, latitude) } else { (latitude, longitude) }
    }

    /// The unit vector at these angles.
    pub fn direction(&self, across: f64, along: f64) -> Vec3 {
        let (latitude, longitude) = if self.meridians { (along, across) } else { (across, along) };
        // Past the pole a meridian comes down on the other side.
        let (up, out) = latitude.clamp(-PI / 2.0, PI / 2.0).sin_cos();
        let (sin, cos) = longitude.sin_cos();
        self.pole * up + (self.zero * cos + self.quarter * sin) * out
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::{Hairline, HeadForm, Measures, SkullForm, direction, mirror};

    #[test]
    fn a_chart_and_its_inverse_agree_and_mirror() {
        let measures = Measures::default();
        let form = HeadForm::of(&measures, SkullForm::default()).expect("ordinary");
        let hairline = Hairline::of(&form, &measures);
        let scalp = Scalp::plain(&form, &hairline);
        let ways = [
            Along::Horizontal,
            Along::Vertical,
            Along::Profile,
            Along::Crosswise,
            Along::Diagonal { lower_in_front_deg: 30.0 },
            Along::Pivot { round: Landmark::MastoidLeft },
        ];
        for along in ways {
            let middle = direction(2.0, 0.4);
            let chart = along.chart(&scalp, &middle);
            let mirrored = along.mirrored().chart(&scalp, &mirror(&middle));
            for i in 0..50 {
                let d = direction(f64::from(i) * 0.37, (f64::from(i) * 0.21).sin());
                let (across, along_it) = chart.angles(&d);
                assert!((chart.direction(across, along_it) - d).norm() < 1e-9, "{along:?}");
                let (other_across, other_along) = mirrored.angles(&mirror(&d));
                let back = mirror(&mirrored.direction(other_across, other_along));
                assert!((back - d).norm() < 1e-9, "{along:?}");
            }
        }
    }
}
