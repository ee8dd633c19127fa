//! How many entries a list of a reading may have.

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
