//! From one thing over to another.

/// From 0 to 1 without a corner: level at both ends, and beyond them.
pub(crate) fn eased(share: f64) -> f64 {
    let t = share.clamp(0.0, 1.0);
    t * t * (3.0 - 2.0 * t)
}
