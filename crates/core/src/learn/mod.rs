//! What the measures say about one zone's hair, and how sure that is.
//!
//! Four parameters describe a zone ([`Belief`]): loop radius, pitch, clumped stiffness, and how much water softens it.
//! Before anything is measured they follow the population ([`constants`](crate::constants)); each measured pair
//! (stretched, sprung) moves them. The estimate is the most probable one, found by damped Gauss-Newton steps on the
//! logarithms, and its uncertainty is the Gaussian of the same curvature (Laplace's approximation; see e.g. MacKay,
//! *Information Theory, Inference, and Learning Algorithms*, chapter 27).
//!
//! What a stylist's hand leaves on a strand with each comb is fitted the same way ([`Hand`]).
//!
//! [`allowance`] turns the uncertainty of a landing into the extra that is left for a chosen risk.

mod allowance;
mod belief;
mod fit;
mod hand;

pub use allowance::{allowance_mm, risk_factor};
pub use belief::Belief;
pub use fit::{curl_off, either_loop_mm, fit, once_let_go, shrinkage};
pub use hand::Hand;
