//! Wide at the bottom and flat on top.
//!
//! Curls open above under what hangs from them and close at their ends: one length of them is widest near the perimeter.
//! The measure is the width two fingers above the perimeter over that
//! above the ears.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::message::Arg;

/// How far above the perimeter the lower width is taken, and above the ears the upper, mm.
const ABOVE_LINE_MM: f64 = 30.0;
const ABOVE_EAR_MM: f64 = 60.0;
/// Heights of the lower width between which hair comes to be long enough to be wide below, mm.
const LONG_ENOUGH_MM: (f64, f64) = (10.0, -30.0);

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let below = head.low_mm()? + ABOVE_LINE_MM;
    let (lower, upper) = (head.width_mm(below), head.width_mm(ABOVE_EAR_MM));
    let counts = ramp(below, LONG_ENOUGH_MM.0, LONG_ENOUGH_MM.1);
    if upper <= 0.0 || counts == 0.0 {
        return None;
    }
    Some(
        Measured::new(lower / upper, head.beside(below))
            .counting(counts)
            .with("below", Arg::Mm(lower))
            .with("above", Arg::Mm(upper)),
    )
}
