//! How far what is written of a step may go: the same for who writes it and for what turns it.

/// Elevations, degrees.
pub(super) const ELEVATION_DEG: (f64, f64) = (0.0, 180.0);
/// How far the fingers open, degrees.
pub(super) const SLANT_DEG: (f64, f64) = (-75.0, 75.0);
/// Shares of a distance.
pub(super) const SHARE: (f64, f64) = (0.0, 1.0);
/// Shares of the hair that a technique takes from, and how deep, mm.
pub(super) const TECHNIQUE_SHARE: (f64, f64) = (0.0, 0.9);
pub(super) const DEPTH_MM: (f64, f64) = (0.0, 400.0);
/// Thickness of a subsection, mm.
pub(super) const THICKNESS_MM: (f64, f64) = (3.0, 120.0);
