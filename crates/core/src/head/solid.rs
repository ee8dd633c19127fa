//! What hair can't pass through: skull and face, neck and trunk.

use super::body::Body;
use super::form::{HeadForm, Vec3};
use super::{Measures, Point, skin_mm};

/// Half breadth and depth of a neck, and how far behind the ears its middle lies, mm; ordinary adult means.
const NECK_MM: (f64, f64, f64) = (52.0, 54.0, -18.0);
/// Height at which the neck begins under the skull, mm.
const NECK_FROM_MM: f64 = -30.0;
/// A client's head and body as one solid.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Solid<'a> {
    pub form: &'a HeadForm,
    pub measures: &'a Measures,
    pub body: &'a Body,
}

impl Solid<'_> {
    /// The place itself, or if it lies in the solid or nearer than so much, the nearest one outside along the way it is pushed out:
    /// from the middle of the head, from the axis of face and neck, to front or back of the trunk.
    pub fn outside(&self, place: &Vec3, clear_mm: f64) -> Vec3 {
        let trunk = self.off_the_trunk(place, clear_mm);
        if trunk.y >= 0.0 {
            let out = trunk.try_normalize(1e-9).unwrap_or_else(Vec3::y);
            let least = self.form.point(&out).norm() + clear_mm;
            return if trunk.norm() < least { out * least } else { trunk };
        }
        let chin = Point::Chin.height_mm(self.measures);
        let face = if trunk.y > chin {
            off_the_axis(&trunk, 0.0, |azimuth| {
                skin_mm(self.form, self.measures, azimuth, trunk.y) + clear_mm
            })
        } else {
            trunk
        };
        if face.y > NECK_FROM_MM {
            return face;
        }
        let (breadth, depth, middle) = NECK_MM;
        off_the_axis(&face, middle, |azimuth| {
            let (sin, cos) = azimuth.sin_cos();
            (sin / breadth).hypot(cos / depth).recip() + clear_mm
        })
    }

    fn off_the_trunk(&self, place: &Vec3, clear_mm: f64) -> Vec3 {
        let deep = self.body.half_depth_mm(place.x, place.y);
        if deep <= 0.0 || place.z.abs() >= deep + clear_mm {
            return *place;
        }
        let side = if place.z < 0.0 { -1.0 } else { 1.0 };
        Vec3::new(place.x, place.y, side * (deep + clear_mm))
    }
}

/// A place that lies at least so far from an upright axis behind the ears.
fn off_the_axis(place: &Vec3, middle: f64, least: impl Fn(f64) -> f64) -> Vec3 {
    let (x, z) = (place.x, place.z - middle);
    let radius = x.hypot(z);
    let azimuth = x.atan2(z);
    let least = least(azimuth);
    if radius >= least {
        return *place;
    }
    let (sin, cos) = azimuth.sin_cos();
    Vec3::new(least * sin, place.y, middle + least * cos)
}
