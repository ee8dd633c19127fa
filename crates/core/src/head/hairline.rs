//! The edge of the hair: its elevation by azimuth.

use super::Measures;
use super::form::{HeadForm, Vec3, direction};
use crate::eased::eased;
use std::f64::consts::PI;

/// Height of the nape hairline below the ear canals, as a share of the face (where the neck hairline is a point too).
const NAPE_SHARE: f64 = 0.82 - 0.475;
/// Height of the front hairline above the ear canals, as a share of the face.
const FRONT_SHARE: f64 = 0.475;

/// A closed curve round the head, symmetrical, smooth, given by its elevation above the ear canals.
#[derive(Debug, Clone, PartialEq)]
pub struct Hairline {
    /// Azimuth from the front and elevation, radians, from front to back.
    knots: Vec<(f64, f64)>,
}

impl Hairline {
    /// The hairline of this head: front and nape at the heights the face gives, back at the temples, round the ear.
    pub fn of(form: &HeadForm, measures: &Measures) -> Self {
        let front = form.elevation_at(0.0, (FRONT_SHARE * measures.face_mm).min(0.9 * form.top_mm()));
        let nape = form.elevation_at(PI, -NAPE_SHARE * measures.face_mm);
        let rad = f64::to_radians;
        let knots = vec![
            (0.0, front),
            (rad(36.0), front + rad(3.0)),
            (rad(64.0), 0.55 * front),
            (rad(80.0), rad(-2.0)),
            (rad(92.0), rad(10.0)),
            (rad(116.0), rad(-8.0)),
            (rad(152.0), nape + rad(5.0)),
            (PI, nape),
        ];
        Self { knots }
    }

    /// Elevation of the edge at an azimuth, radians; the same on both sides.
    ///
    /// Between knots the curve eases in and out, so that it has no corner and never swings past a knot.
    pub fn elevation(&self, azimuth: f64) -> f64 {
        let at = azimuth.abs().min(PI);
        let next = self.knots.partition_point(|(a, _)| *a < at).clamp(1, self.knots.len() - 1);
        let ((a0, e0), (a1, e1)) = (self.knots[next - 1], self.knots[next]);
        e0 + (e1 - e0) * eased((at - a0) / (a1 - a0))
    }

    /// Direction of the edge at an azimuth in degrees.
    pub fn direction(&self, degrees: f64) -> Vec3 {
        let azimuth = degrees.to_radians();
        direction(azimuth, self.elevation(azimuth))
    }

    /// How far above the edge a direction lies, radians; negative outside the hair.
    pub fn above(&self, d: &Vec3) -> f64 {
        let elevation = d.y.atan2(d.x.hypot(d.z));
        elevation - self.elevation(d.x.abs().atan2(d.z))
    }
}
