//! The fall: where worn hair comes to lie, how far it stands out, and what can be told from that.
//!
//! A root's hair follows a path ([`Path`]) away from the parting, or forward over the forehead where it is a fringe, over
//! the scalp, off the head and over the shoulders. It rides over what is rooted below it ([`Lie`]): crowded curls leave the
//! scalp steeply, straight hair hardly at all. A curl is open above and closed at its end ([`Profile`]), so the room it takes
//! ([`Packing`]) grows towards the ends. Each cell of a field over and below the head sums that room; stacked on the head it
//! makes the surface ([`Surface`]). [`fall`] sums it up: outlines, light through the ends, mass and length by zone, the
//! perimeter. What Aim promises at a face point and where the fall ends are the same paths ([`Drape`]).

mod cell;
mod cells;
mod drape;
mod ends;
mod field;
mod flow;
mod lay;
mod lie;
mod outline;
mod packing;
mod path;
mod profile;
mod result;
mod shell;
mod spread;
mod surface;
mod svg;
mod worn;

pub use drape::{Drape, drape_all};
pub(crate) use ends::ends_of;
pub use ends::{End, ends};
pub use lie::Lie;
pub use outline::Outline;
pub use packing::Packing;
pub use path::Path;
pub use profile::Profile;
pub(crate) use result::fall_as_worn;
pub use result::{Fall, LevelShare, ZoneFall, fall, worn_lines};
pub use shell::Shell;
pub(crate) use surface::Surface;
pub use svg::svg;
pub use worn::AsWorn;
pub(crate) use worn::{Worn, combed, lie_at, worn as worn_as, worn_at};

/// Cells round the head.
pub const AZIMUTHS: usize = 72;
/// Height of a cell, mm.
pub const LEVEL_MM: f64 = 5.0;
