//! The bare head in the cells of the field.

use super::{AZIMUTHS, LEVEL_MM};
use crate::head::HeadForm;
use std::f64::consts::TAU;

/// Horizontal radius of the head by level and azimuth.
#[derive(Debug, Clone)]
pub struct Shell {
    /// Number of the highest level.
    pub highest: i32,
    /// Radius, mm, by level downwards from the highest, then by azimuth; 0 where the head isn't.
    rows: Vec<[f64; AZIMUTHS]>,
}

impl Shell {
    /// The shell of a head, down to where skulls end.
    pub fn of(form: &HeadForm) -> Self {
        let highest = (form.top_mm() / LEVEL_MM).floor() as i32;
        let lowest = (form.point(&-crate::head::Vec3::y()).y * 0.8 / LEVEL_MM).ceil() as i32;
        let row = |level: i32| {
            let mut radii = [0.0; AZIMUTHS];
            for (i, radius) in radii.iter_mut().enumerate() {
                let azimuth = azimuth_of(i);
                let elevation = form.elevation_at(azimuth, f64::from(level) * LEVEL_MM);
                let p = form.point(&crate::head::direction(azimuth, elevation));
                *radius = p.x.hypot(p.z);
            }
            radii
        };
        Self { highest, rows: (lowest..=highest).rev().map(row).collect() }
    }

    /// Radius at a level and azimuth, mm; 0 where the head isn't.
    pub fn radius_mm(&self, level: i32, azimuth: usize) -> f64 {
        usize::try_from(self.highest - level)
            .ok()
            .and_then(|row| self.rows.get(row))
            .map_or(0.0, |row| row[azimuth])
    }
}

/// Middle of a cell, radians from the front towards the client's left.
///
/// Cells lie symmetrically about the middle plane, so that a symmetrical head has a symmetrical field.
pub(super) fn azimuth_of(cell: usize) -> f64 {
    (cell as f64 + 0.5) * TAU / AZIMUTHS as f64
}

/// The two cells nearest to a place, with the share each has of what is there.
pub(super) fn cells_of(x: f64, z: f64) -> [(usize, f64); 2] {
    let turn = x.abs().atan2(z) / TAU * AZIMUTHS as f64 - 0.5;
    let below = turn.floor();
    let share = turn - below;
    // Left and right are told apart last, so that mirror images fall into mirrored cells to the last bit.
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
    fn a_place_is_shared_by_its_two_nearest_cells_and_mirrors() {
        for i in 0..360 {
            let azimuth = f64::from(i).to_radians() + 0.001;
            let (x, z) = azimuth.sin_cos();
            let cells = cells_of(x, z);
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
            for ((cell, share), (other, same)) in cells.iter().zip(cells_of(-x, z)) {
                assert_eq!((AZIMUTHS - 1 - cell, *share), (other, same));
            }
        }
    }
}
