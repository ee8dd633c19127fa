//! Growing a head of hair from what was read of it.
//!
//! A reading knows a few zones; between their middles every property changes smoothly ([`Blend`]). What was measured of the
//! head as a whole (girths, the perimeter, the worn width) is met afterwards ([`agreements`]). [`ZonePaths`] say how long
//! hair must be worn to end at a height.

mod blend;
mod doubts;
mod present;
mod reach;
mod request;
mod spots;
mod width;

pub use blend::Blend;
pub use doubts::{Doubt, Unmeasured};
pub(crate) use present::tie_of;
pub use present::{Agreement, Agreements, HairNow, agreements};
pub use reach::ZonePaths;
pub use request::HairRequest;
