//! How the hair is parted off: partings, regions made of them, and the subsections a region is taken in.
//!
//! A [`Parting`] is a plane through named landmarks, straight or zigzag. A [`Region`] is an expression of the sides of
//! partings. [`Along`] is the direction of subsections: each is a family of meridians or of parallels about some
//! pole, so a subsection and the place along it are two angles ([`Chart`]).

mod along;
mod anchor;
mod named;
mod parting;
mod region;

pub use along::{Along, Chart};
#[cfg(feature = "schema")]
pub use anchor::AnchorForm;
pub use anchor::{Anchor, Offset};
pub use named::NamedSection;
pub use parting::{Cutting, Parting};
pub use region::{Region, RegionTest, Side};
