//! Ends like a broom: far thinner than the hair a hand above them.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::message::Arg;

/// How far above the perimeter ends are compared, and with what, mm.
const ENDS_MM: f64 = 20.0;
const FULL_MM: f64 = 100.0;
/// Heights of the upper place between which hair comes to be long enough.
const LONG_ENOUGH_MM: (f64, f64) = (60.0, 20.0);

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let low = head.low_mm()?;
    let counts = ramp(low + FULL_MM, LONG_ENOUGH_MM.0, LONG_ENOUGH_MM.1);
    let full = fullness(head, low + FULL_MM);
    if counts == 0.0 || full <= 0.0 {
        return None;
    }
    let share = fullness(head, low + ENDS_MM) / full;
    Some(
        Measured::new(100.0 * share, head.beside(low + ENDS_MM))
            .counting(counts)
            .with("share", Arg::Share(share)),
    )
}

/// How full hair is at a height, straight between levels.
fn fullness(head: &Head, height_mm: f64) -> f64 {
    let levels = &head.fall.levels;
    let next = levels.partition_point(|level| level.height_mm >= height_mm);
    match (next.checked_sub(1).and_then(|above| levels.get(above)), levels.get(next)) {
        (Some(above), Some(below)) => {
            let share = (above.height_mm - height_mm) / (above.height_mm - below.height_mm).max(1e-9);
            above.fullness + share * (below.fullness - above.fullness)
        }
        (Some(last), None) | (None, Some(last)) => last.fullness,
        (None, None) => 0.0,
    }
}
