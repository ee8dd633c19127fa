//! The fall: where worn hair comes to lie, how far it stands out, and what can be told from that.
//!
//! Hair falls from the part over the scalp ([`Drape`]), leaves the head where it turns under, hangs, and comes to lie on
//! the shoulders. In each cell of a field of azimuth and height ([`Field`]) the room that hair takes is its fibre
//! divided by how far the curl is open and by the packing; stacked outside the head, that makes the outline.
//! [`fall`] sums it up: outlines, light through the ends, mass and length by zone, the perimeter.

mod drape;
mod ends;
mod field;
mod outline;
mod result;
mod shell;
mod svg;

pub use drape::{Drape, drape_all};
pub use ends::{End, ends};
pub use outline::Outline;
pub(crate) use outline::Surface;
pub(crate) use result::fall_as_worn;
pub use result::{AsWorn, Fall, LevelShare, ZoneFall, fall, worn_lines};
pub use shell::Shell;
pub use svg::svg;

/// Cells round the head.
pub const AZIMUTHS: usize = 72;
/// Height of a cell, mm.
pub const LEVEL_MM: f64 = 5.0;
