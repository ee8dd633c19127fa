//! The cells of the field: over the head by elevation, below it by height, and round it by azimuth.

use super::{AZIMUTHS, LEVEL_MM};
use crate::head::Vec3;
use std::f64::consts::{FRAC_PI_2, TAU};

/// Rows over the head, from the top down to the ears' height.
pub(crate) const CAP_ROWS: usize = 30;
/// Height of such a row, radians.
pub(crate) const CAP_STEP: f64 = FRAC_PI_2 / CAP_ROWS as f64;
/// Rings by distance from the axis into which cells below the head are divided: hair that hangs further in fills the hollow
/// under the head first and only then pushes out what hangs further out.
pub(crate) const RINGS: usize = 5;
const INNERMOST_MM: f64 = 60.0;
const RING_MM: f64 = 9.0;
/// All of a share.
const WHOLE: f64 = u16::MAX as f64;
const PER_WHOLE: f64 = 1.0 / WHOLE;

/// Two rows and two azimuths between which something lies, with the share of the first of each.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(crate) struct Cells {
    rows: [u16; 2],
    azimuths: [u8; 2],
    row_share: u16,
    azimuth_share: u16,
    /// The ring, and how far from the axis.
    pub ring: u8,
    pub radius_mm: f32,
}

impl Cells {
    /// The cells round a place, which belongs to the rows over the head from the ears' height up.
    pub fn at(p: &Vec3) -> Self {
        if p.y < 0.0 {
            return Self::below(p);
        }
        let from_top = FRAC_PI_2 - p.y.atan2(p.x.hypot(p.z));
        let row = (from_top / CAP_STEP - 0.5).clamp(0.0, (CAP_ROWS - 1) as f64);
        Self::between(p, row, 0, CAP_ROWS - 1)
    }

    /// The cells below the head; a place above it counts as lying at its lower edge.
    pub fn below(p: &Vec3) -> Self {
        let row = (-p.y / LEVEL_MM - 0.5).max(0.0);
        Self::between(p, row, CAP_ROWS, usize::from(u16::MAX) - CAP_ROWS)
    }

    fn between(p: &Vec3, row: f64, first: usize, most: usize) -> Self {
        let upper = (row as usize).min(most);
        let [(one, share), (other, _)] = azimuths_of(p.x, p.z);
        let radius = p.x.hypot(p.z);
        Self {
            rows: [upper, (upper + 1).min(most)].map(|row| (first + row) as u16),
            azimuths: [one as u8, other as u8],
            row_share: ((1.0 - (row - upper as f64).min(1.0)) * WHOLE).round() as u16,
            azimuth_share: (share * WHOLE).round() as u16,
            ring: if first == 0 {
                0
            } else {
                (((radius - INNERMOST_MM) / RING_MM).max(0.0) as u8).min(RINGS as u8 - 1)
            },
            radius_mm: radius as f32,
        }
    }

    /// The two azimuths, with the share of each.
    pub fn azimuths(&self) -> [(usize, f64); 2] {
        let share = f64::from(self.azimuth_share) * PER_WHOLE;
        [(usize::from(self.azimuths[0]), share), (usize::from(self.azimuths[1]), 1.0 - share)]
    }

    /// The two rows, with the share of each.
    pub fn rows(&self) -> [(usize, f64); 2] {
        let share = f64::from(self.row_share) * PER_WHOLE;
        [(usize::from(self.rows[0]), share), (usize::from(self.rows[1]), 1.0 - share)]
    }
}

/// Elevation of the middle of a row over the head, radians.
pub(crate) fn elevation_of(row: usize) -> f64 {
    FRAC_PI_2 - (row as f64 + 0.5) * CAP_STEP
}

/// Height of the middle of a row below the head, mm.
pub(crate) fn height_of(row: usize) -> f64 {
    -((row - CAP_ROWS) as f64 + 0.5) * LEVEL_MM
}

/// Middle of a cell, radians from the front towards the client's left.
///
/// Cells lie symmetrically about the middle plane, so that a symmetrical head has a symmetrical field.
pub(crate) fn azimuth_of(cell: usize) -> f64 {
    (cell as f64 + 0.5) * TAU / AZIMUTHS as f64
}

/// The two cells nearest to a place, with the share each has of what is there.
pub(crate) fn azimuths_of(x: f64, z: f64) -> [(usize, f64); 2] {
    let turn = x.abs().atan2(z) / TAU * AZIMUTHS as f64 - 0.5;
    let below = turn.floor();
    let share = turn - below;
    // Left and right are distinguished last, so that mirror images fall into mirrored cells to the last bit.
    let cell = |number: f64| {
        let number = (number as isize).rem_euclid(AZIMUTHS as isize) as usize;
        if x >= 0.0 { number } else { AZIMUTHS - 1 - number }
    };
    [(cell(below), 1.0 - share), (cell(below + 1.0), share)]
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_place_is_shared_by_its_two_nearest_azimuths_and_mirrors() {
        for i in 0..360 {
            let azimuth = f64::from(i).to_radians() + 0.001;
            let (x, z) = azimuth.sin_cos();
            let cells = azimuths_of(x, z);
            assert!((cells[0].1 + cells[1].1 - 1.0).abs() < 1e-12);
            // The mean of the two middles, weighted, is the azimuth itself.
            let turn: f64 = cells
                .iter()
                .map(|(cell, share)| {
                    let off = azimuth_of(*cell) - azimuth;
                    share * (off - TAU * (off / TAU).round())
                })
                .sum();
            assert!(turn.abs() < 1e-9, "{i} {turn}");
            for ((cell, share), (other, same)) in cells.iter().zip(azimuths_of(-x, z)) {
                assert_eq!((AZIMUTHS - 1 - cell, *share), (other, same));
            }
        }
    }

    #[test]
    fn a_place_below_the_head_is_shared_by_the_rows_whose_middles_it_lies_between() {
        for y in [-2.5, -13.0, -101.0] {
            let rows = Cells::at(&Vec3::new(70.0, y, 20.0)).rows();
            let mean: f64 = rows.iter().map(|(row, share)| share * height_of(*row)).sum();
            assert!((mean - y).abs() < 1e-3, "{y} {rows:?}");
        }
        let above = Cells::at(&Vec3::new(0.0, 120.0, 20.0)).rows();
        assert!(above.iter().all(|(row, _)| *row < CAP_ROWS));
    }
}
