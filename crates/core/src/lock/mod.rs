//! Locks: a few hundred ribbons of hair that stand for all of it when it is drawn.
//!
//! A lock runs where the fall lays its hair ([`crate::fall`]), winds as that hair is worn ([`curl`]), fills the volume of all hair
//! ([`fill`]), and keeps outside head, neck and shoulders. [`choose`] spreads them evenly, and [`look`] is how they lie beside
//! each other; every picture of hair is made of them.

mod choose;
mod curl;
mod fill;
mod look;
mod ribbon;

pub(crate) use ribbon::frame;
pub use ribbon::{Lock, locks};
