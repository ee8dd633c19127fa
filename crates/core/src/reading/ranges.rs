//! Ranges of what is measured, and how many entries a list of it may have.

/// Longest and shortest strand that is taken, mm. The longest hair of adults stays under 2.5 m with few exceptions.
pub(super) const STRETCHED_MM: (f64, f64) = (10.0, 2500.0);
pub(super) const SPRUNG_MM: (f64, f64) = (2.0, 2500.0);
pub(super) const LOOP_MM: (f64, f64) = (0.5, 400.0);
pub(super) const TURNS: (f64, f64) = (0.25, 300.0);
pub(super) const WIDTH_UM: (f64, f64) = (20.0, 180.0);
/// Hairs on a square centimetre that are taken.
pub(super) const DENSITY: (f64, f64) = (20.0, 500.0);
pub(super) const STRANDS: (f64, f64) = (1.0, 50.0);

/// Most girths that are taken.
pub const MOST_GIRTHS: usize = 6;
/// Most strands laid on combs.
pub const MOST_COMBS: usize = 12;
/// Most sharp edges.
pub const MOST_EDGES: usize = 8;
/// Most weak spots.
pub const MOST_SPOTS: usize = 20;
/// Most strands that are kept beside the first.
pub const MOST_STRANDS: usize = 9;
