//! How the hair of a root lies over head and body, before it is asked how much of it there is.
//!
//! It follows a path ([`Path`]) away from the parting, or forward over the forehead where it is a fringe, over the scalp, off
//! the head and over the shoulders. It rides over what is rooted below it ([`Lie`]): crowded curls leave the scalp steeply,
//! straight hair hardly at all. A curl is open above and closed at its end ([`Profile`]), so the volume it takes
//! ([`Packing`]) grows towards the ends. A [`Drape`] is the paths that a root's hair can take, by its length.

pub(crate) mod cells;
#[expect(clippy::module_inception, reason = "the folder is named for its main type")]
mod drape;
pub(crate) mod lie;
mod packing;
pub(crate) mod path;
pub(crate) mod profile;
pub(crate) mod shell;

pub use drape::{Drape, drape_all};
pub use lie::Lie;
pub use packing::Packing;
pub use path::Path;
pub use profile::Profile;
pub(crate) use profile::Terms;
pub use shell::Shell;

/// Cells round the head.
pub const AZIMUTHS: usize = 72;
/// Height of a cell, mm.
pub const LEVEL_MM: f64 = 5.0;
