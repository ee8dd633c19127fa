//! How the hair is parted off: partings, regions made of them, and the subsections a region is taken in.
//!
//! A [`Parting`] is a plane through named landmarks, straight or zigzag. A [`Region`] is an expression of the sides of
//! partings. [`Along`] says which way subsections lie: every way is a family of meridians or of parallels about some
//! pole, so a subsection and the place along it are two angles ([`Chart`]).

mod along;
mod anchor;
mod parting;
mod region;

pub use along::{Along, Chart};
#[cfg(feature = "schema")]
pub use anchor::AnchorForm;
pub use anchor::{Anchor, Offset};
pub use parting::{Cutting, Parting};
pub use region::{Half, Region, RegionTest};

use crate::head::{Hairline, HeadForm, Landmark, Vec3};

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
