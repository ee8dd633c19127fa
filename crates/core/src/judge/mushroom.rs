//! Widest high up, and narrow below the ears.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::message::Arg;

/// Share of the height, from the top, that is its upper part.
const UPPER: f64 = 0.45;
/// Where the narrow part is measured, mm above the ear canals.
const NECK_MM: f64 = -40.0;
/// Lowest points of the perimeter between which there comes to be hair at the neck.
const LONG_ENOUGH_MM: (f64, f64) = (NECK_MM - 10.0, NECK_MM - 40.0);
/// Levels that are tried, mm.
const STEP_MM: f64 = 5.0;

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let (low, top) = (head.low_mm()?, head.top_mm());
    let counts = ramp(low, LONG_ENOUGH_MM.0, LONG_ENOUGH_MM.1);
    if counts == 0.0 {
        return None;
    }
    let lowest_upper = top - UPPER * (top - low);
    let levels = (0..).map(|i| top - STEP_MM * f64::from(i)).take_while(|height| *height > lowest_upper);
    let (wide, height) = levels
        .chain([lowest_upper])
        .map(|height| (head.width_mm(height), height))
        .max_by(|one, other| one.0.total_cmp(&other.0))?;
    let narrow = head.width_mm(NECK_MM);
    if narrow <= 0.0 {
        return None;
    }
    // Hair that is as wide further down is no cap on a stalk.
    let below = head.fall.front.heights_mm.iter().zip(head.fall.front.widths_mm());
    let wide_below = below.filter(|(at, _)| **at < NECK_MM).map(|(_, width)| width).fold(narrow, f64::max);
    Some(
        Measured::new(wide / wide_below, head.beside(height))
            .counting(counts)
            .with("wide", Arg::Mm(wide))
            .with("narrow", Arg::Mm(wide_below)),
    )
}
