//! The picture of a scalp scope.

use crate::error::{FieldErrors, Problem};

/// Sides that are accepted, pixels.
pub const SCOPE_SIDE_PX: (f64, f64) = (300.0, 2000.0);
/// Sides that are accepted, mm.
pub const SCOPE_SIDE_MM: (f64, f64) = (3.0, 30.0);

/// A square of scalp in shades of grey.
#[derive(Debug, Clone, PartialEq)]
pub struct Picture {
    side_px: usize,
    side_mm: f64,
    /// Brightness from 0 (black) to 1, row by row.
    grey: Vec<f32>,
}

impl Picture {
    /// A picture of a square of so many mm, brightness 0 to 255, row by row.
    pub fn new(grey: &[u8], side_mm: f64) -> Result<Self, FieldErrors> {
        let side_px = (grey.len() as f64).sqrt().round() as usize;
        let mut faults = FieldErrors::default();
        faults.range("side_mm", side_mm, SCOPE_SIDE_MM, "mm");
        faults.range("picture", side_px as f64, SCOPE_SIDE_PX, "px");
        if side_px * side_px != grey.len() {
            faults.push("picture", Problem::contradicts("fault-not-square"));
        }
        faults.or(())?;
        Ok(Self { side_px, side_mm, grey: grey.iter().map(|g| f32::from(*g) / 255.0).collect() })
    }

    /// Pixels along a side.
    pub fn side_px(&self) -> usize {
        self.side_px
    }

    /// Length of a pixel, mm.
    pub fn mm_per_px(&self) -> f64 {
        self.side_mm / self.side_px as f64
    }

    /// Skin it shows, cm².
    pub fn area_cm2(&self) -> f64 {
        self.side_mm * self.side_mm / 100.0
    }

    pub(super) fn grey(&self) -> &[f32] {
        &self.grey
    }
}

/// Pixels that are set, in a square.
#[derive(Debug, Clone, PartialEq)]
pub(super) struct Mask {
    pub side: usize,
    pub set: Vec<bool>,
}

impl Mask {
    /// How many are set.
    pub fn count(&self) -> usize {
        self.set.iter().filter(|set| **set).count()
    }

    /// Share that is set.
    pub fn share(&self) -> f64 {
        self.count() as f64 / self.set.len() as f64
    }

    /// Whether the pixel is set; none are beyond the edge.
    pub fn at(&self, x: isize, y: isize) -> bool {
        let side = self.side as isize;
        (0..side).contains(&x) && (0..side).contains(&y) && self.set[(y * side + x) as usize]
    }

    /// The places of the pixels round one that lie in the picture.
    pub fn neighbours(&self, index: usize) -> impl Iterator<Item = usize> + use<> {
        let side = self.side as isize;
        let (x, y) = ((index % self.side) as isize, (index / self.side) as isize);
        let inside = move |at: isize| (0..side).contains(&at);
        AROUND
            .into_iter()
            .map(move |(dx, dy)| (x + dx, y + dy))
            .filter(move |(x, y)| inside(*x) && inside(*y))
            .map(move |(x, y)| (y * side + x) as usize)
    }

    /// The eight pixels round one, clockwise from the one above.
    pub fn round(&self, index: usize) -> [bool; 8] {
        let (x, y) = ((index % self.side) as isize, (index / self.side) as isize);
        AROUND.map(|(dx, dy)| self.at(x + dx, y + dy))
    }
}

/// Steps to the eight neighbours, clockwise from the one above.
pub(super) const AROUND: [(isize, isize); 8] =
    [(0, -1), (1, -1), (1, 0), (1, 1), (0, 1), (-1, 1), (-1, 0), (-1, -1)];
