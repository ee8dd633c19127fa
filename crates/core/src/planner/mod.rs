//! Plans proposed for a head, a wish and what must stay: by several ways of working, each with its reasons.
//!
//! A method's figures are solved for the wish on a coarse head, first by lengths alone ([`least_squares`]), then by all that is
//! objected to, by widths, minutes and hair lost ([`score`]); the best of different methods are carried out on the full head.
//! Every candidate is searched on its own, so that the answer is the same bit for bit on any number of threads.

mod answer;
mod candidate;
mod freedom;
mod least_squares;
mod propose;
mod request;
mod score;
mod search;
mod starting;
mod states;
mod target;
mod trade;
mod ways;
mod why;

pub use answer::{
    Considered, FigureValue, OutOfReach, PlanAnswer, Proposal, TradeOff, WayFound, WidthReached, ZoneReached,
    ZoneState,
};
pub use request::{Pins, PlanRequest};
pub use score::Score;
pub use starting::{StartingWish, WishRequest};
