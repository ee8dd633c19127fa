//! A client's head as partings are drawn on it.

use super::{Hairline, HeadForm, Landmark, Vec3};

/// The head that partings are drawn on.
#[derive(Debug, Clone, Copy)]
pub struct Scalp<'a> {
    /// The surface.
    pub form: &'a HeadForm,
    /// Its edge.
    pub hairline: &'a Hairline,
    /// How far to the client's left of the middle the hair parts, mm.
    pub part_mm: f64,
}

impl<'a> Scalp<'a> {
    /// A head whose hair parts in the middle.
    pub fn plain(form: &'a HeadForm, hairline: &'a Hairline) -> Self {
        Self { form, hairline, part_mm: 0.0 }
    }

    /// A landmark's point, mm.
    pub fn point(&self, landmark: Landmark) -> Vec3 {
        landmark.point(self.form, self.hairline)
    }

    /// A landmark's direction.
    pub fn direction(&self, landmark: Landmark) -> Vec3 {
        landmark.direction(self.hairline)
    }
}
