//! The front of the head below the hair: where points of the face lie in space.
//!
//! The scalp's own form is an ellipsoid there, too narrow for a face. Level sections of a face are taken as
//! superellipses that narrow towards the chin; proportions are those of the artistic canon, good to about a centimetre,
//! which is what a hand that holds hair to a nose or a chin keeps.

use super::Measures;
use super::form::{HeadForm, Vec3, direction};
use super::point::Point;
use crate::eased::eased;
use std::f64::consts::PI;

/// How much narrower and flatter a face is at the chin than between the ears.
const NARROWER: f64 = 0.3;
const FLATTER: f64 = 0.06;
/// Share of the way down a face at which the chin begins to round under, and how far.
const ROUNDS_FROM: f64 = 0.8;
const ROUNDS_BY: f64 = 0.25;
/// How much squarer than an ellipse a level section is at the chin: its exponent there is 2 and this.
const SQUARER: f64 = 0.4;

/// Horizontal distance of the skin from the axis at an azimuth (radians from the front) and a height, mm. Above the
/// ear canals and behind it is the scalp's own; below the chin there is none, and the chin's is given.
pub fn skin_mm(form: &HeadForm, measures: &Measures, azimuth: f64, height_mm: f64) -> f64 {
    let own = |height: f64| {
        let p = form.point(&direction(azimuth, form.elevation_at(azimuth, height)));
        p.x.hypot(p.z)
    };
    if height_mm >= 0.0 {
        return own(height_mm);
    }
    let chin = Point::Chin.height_mm(measures);
    let down = (height_mm / chin).clamp(0.0, 1.0);
    let (wide, long) = (form.radius_mm(&Vec3::x()), form.radius_mm(&Vec3::z()));
    let under = ((down - ROUNDS_FROM) / (1.0 - ROUNDS_FROM)).max(0.0);
    let rounded = 1.0 - ROUNDS_BY * under * under;
    let (across, forward) =
        (wide * (1.0 - NARROWER * down * down) * rounded, long * (1.0 - FLATTER * down) * rounded);
    let (sin, cos) = azimuth.sin_cos();
    let square = 2.0 + SQUARER * down;
    let face = ((sin.abs() / across).powf(square) + (cos.abs() / forward).powf(square)).powf(-1.0 / square);
    // From the ears backwards the face gives way to the skull.
    let back = own(height_mm.max(chin));
    back + eased((cos + 0.35) / 0.7) * (face - back)
}

impl Point {
    /// Where it lies in space, mm; none for points of the body. Points of both sides are given on the left.
    pub fn place(self, form: &HeadForm, measures: &Measures) -> Option<Vec3> {
        let (degrees, out_mm) = match self {
            Self::Brow => (0.0, 3.0),
            Self::Cheekbone => (48.0, 0.0),
            Self::EarLobe => (94.0, 6.0),
            Self::NoseTip => (0.0, 20.0),
            Self::Lip => (0.0, 7.0),
            Self::NapeLine => (180.0, 0.0),
            Self::JawCorner => (72.0, 0.0),
            Self::Chin => (0.0, 6.0),
            Self::Shoulder | Self::Collarbone | Self::Armpit | Self::MidBack | Self::Waist => return None,
        };
        let azimuth = degrees * PI / 180.0;
        let height = self.height_mm(measures);
        let radius = skin_mm(form, measures, azimuth, height) + out_mm;
        Some(Vec3::new(radius * azimuth.sin(), height, radius * azimuth.cos()))
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::SkullForm;

    fn head() -> (HeadForm, Measures) {
        let measures = Measures::default();
        (HeadForm::of(&measures, SkullForm::default()).expect("an ordinary head"), measures)
    }

    #[test]
    fn a_face_joins_the_scalp_and_narrows_to_the_chin() {
        let (form, measures) = head();
        for degrees in [0, 30, 60, 90, 130, 180] {
            let azimuth = f64::from(degrees).to_radians();
            let at = |height| skin_mm(&form, &measures, azimuth, height);
            assert!((at(-1e-6) - at(1e-6)).abs() < 0.01, "{degrees}: no step at the ears");
            assert!(at(Point::Chin.height_mm(&measures)) < at(0.0), "{degrees}");
        }
        let width =
            |share: f64| skin_mm(&form, &measures, PI / 2.0, share * Point::Chin.height_mm(&measures));
        assert!(width(0.3) > width(0.6) && width(0.6) > width(0.95));
    }

    #[test]
    fn points_of_the_face_lie_in_front_and_those_of_the_body_are_not_given() {
        let (form, measures) = head();
        for point in Point::ALL {
            let Some(at) = point.place(&form, &measures) else {
                assert!(point.height_mm(&measures) < Point::Chin.height_mm(&measures), "{point:?}");
                continue;
            };
            assert!((at.y - point.height_mm(&measures)).abs() < 1e-9);
            assert!(!form.holds(&(at * 1.02)), "{point:?} lies outside the skull");
        }
        let z = |point: Point| point.place(&form, &measures).expect("of the face").z;
        assert!(z(Point::NoseTip) > z(Point::Lip) && z(Point::Lip) > z(Point::Cheekbone));
    }
}
