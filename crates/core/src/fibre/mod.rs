//! One fibre of curly hair: how far it opens under its own weight, under water and under a comb.
//!
//! A [`Material`] (width, moduli, density, water) and a [`Curl`] (loop radius, pitch) make a [`Rod`], the
//! dimensionless elastic spiral. [`Rod::extension`] is how open it is where a given pull acts;
//! [`Rod::hanging_mm`] sums that along the hair in closed form. [`LengthModel`] holds what is known of one zone's
//! hair and converts between the four lengths, never to be confused:
//!
//! - *fibre*: along the hair, as if pulled straight;
//! - *held*: on the comb, at this moisture and pull ([`HeldState`]);
//! - *hanging*: free, at this moisture;
//! - *worn*: dry and styled as the client wears it ([`WornStyle`]).
//!
//! Sources: Love, *A Treatise on the Mathematical Theory of Elasticity* (helical rods); Miller, Lazarus, Audoly,
//! Reis 2014, Phys. Rev. Lett. 112, 068103 (hanging curls); Robbins, *Chemical and Physical Behavior of Human Hair*.

mod extension;
mod hang_request;
mod hanging;
mod lengths;
mod material;
pub(crate) mod search;
mod shape;
mod state;

pub use extension::Rod;
pub use hang_request::{HangRequest, HangResult};
pub use hanging::Regime;
pub(crate) use lengths::HeldHair;
pub use lengths::LengthModel;
pub use material::{Curl, Material};
pub use state::{Comb, HeldState, Moisture, WornStyle};
