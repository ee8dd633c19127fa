//! The fall: where worn hair comes to lie, how far it stands out, and what follows from that.
//!
//! Each root's hair is laid along its [drape](crate::drape). Each cell of a field over and below the head sums the volume it
//! takes; stacked on the head it makes the surface. [`fall`] sums it up: outlines, light through the ends, mass
//! and length by zone, the perimeter. What Aim promises at a face point and where the fall ends are the same paths.

mod begins;
mod cell;
mod ends;
mod field;
mod fill;
mod flow;
mod lay;
mod outline;
mod result;
mod spread;
mod surface;
mod svg;
mod worn;

pub(crate) use ends::ends_of;
pub use ends::{End, ends};
pub(crate) use outline::Levels;
pub use outline::Outline;
pub use result::{Fall, LevelShare, ZoneFall, fall};
pub(crate) use result::{fall_as_worn, zones};
pub use svg::svg;
pub use worn::AsWorn;
pub(crate) use worn::{Worn, combed, hang_at, lie_at, worn as worn_as, worn_at};
