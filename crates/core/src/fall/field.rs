//! The volume hair takes, by cell: over the head by elevation, below it by height, round it by azimuth.

use super::cell::{Below, OverDirection};
use crate::drape::AZIMUTHS;

/// Least rows that a thread works on in one go.
pub(super) const LEAST_ROWS: usize = 8;

/// Cells by row and azimuth.
#[derive(Debug, Clone)]
pub(super) struct Field {
    /// Over the head, from the top down.
    pub over: Vec<[OverDirection; AZIMUTHS]>,
    /// Below it.
    pub below: Vec<[Below; AZIMUTHS]>,
    /// What passes the level of this number and the next, from the ears' height up.
    pub above: Vec<Passing>,
    /// Mass per height by row below the head, g/mm.
    pub mass_below: Vec<f64>,
}

/// What passes a height above the ears, by levels upwards.
#[derive(Debug, Clone, Copy, Default)]
pub(super) struct Passing {
    /// Fibre that covers a millimetre of that height, mm².
    pub cover_mm: f64,
    pub mass_g_per_mm: f64,
}
