//! Ends that light comes through, well above the perimeter.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::message::Arg;

/// Lowest points of the perimeter between which hair comes to have ends that hang: round a short shape light comes through anyway.
const LONG_ENOUGH_MM: (f64, f64) = (-90.0, -150.0);

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let low = head.low_mm()?;
    let from = head.fall.see_through_below_mm;
    Some(
        Measured::new(from - low, head.beside(low + 0.5 * (from - low).max(0.0)))
            .counting(ramp(low, LONG_ENOUGH_MM.0, LONG_ENOUGH_MM.1))
            .with("length", Arg::Mm((from - low).max(0.0))),
    )
}
