//! Locks fill the volume of all hair.
//!
//! Few locks stand for much hair, and each lies where its own root's hair lies alone: stacked, hair stands out further, and
//! what is heaped slides off. What the outermost locks lack to the surface of the fall they are carried out by, and those
//! under them in proportion.

use crate::drape::{AZIMUTHS, LEVEL_MM};
use crate::fall::Levels;
use crate::head::Vec3;
use std::f64::consts::TAU;

/// Furthest that locks are carried in or out, mm.
const MOST_MM: (f64, f64) = (-30.0, 45.0);
/// Share of the way out to the outermost locks from which on others are carried out with them.
const FROM_SHARE: f64 = 0.45;
/// Length from the root over which a lock comes to be carried out in full, mm.
const ROOT_MM: f64 = 35.0;
/// Cells to either side that count as one with a cell: round the head, and up and down.
const BESIDE: usize = 2;

/// By height and azimuth.
type Cells = Vec<[f64; AZIMUTHS]>;

/// A lock's line with how far along it each point lies, mm.
pub(super) struct Line {
    pub points: Vec<Vec3>,
    pub along_mm: Vec<f64>,
}

/// Carries locks to the surface of their hair.
pub(super) fn fill(lines: &mut [Line], surface: &Levels) {
    let Some(top) = surface.heights_mm.first().copied() else { return };
    let rows = surface.heights_mm.len();
    let row_of = |p: &Vec3| (((top - p.y) / LEVEL_MM).round().max(0.0) as usize).min(rows - 1);
    let mut reach: Cells = vec![[0.0; AZIMUTHS]; rows];
    for p in lines.iter().flat_map(|line| &line.points) {
        let cell = &mut reach[row_of(p)][azimuth(p)];
        *cell = cell.max(p.x.hypot(p.z));
    }
    let reach = around(&reach, |near| near.fold(0.0, f64::max));
    let lacks: Cells = (0..rows)
        .map(|row| {
            std::array::from_fn(|i| {
                let (radius, solid) = surface.radii[row][i];
                let there = reach[row][i];
                if there > 0.0 { solid * (radius - there).clamp(MOST_MM.0, MOST_MM.1) } else { 0.0 }
            })
        })
        .collect();
    let lacks = around(&lacks, |near| {
        let (sum, count) = near.fold((0.0, 0.0), |(sum, count), lack| (sum + lack, count + 1.0));
        sum / count
    });
    for line in lines {
        for (p, along) in line.points.iter_mut().zip(&line.along_mm) {
            let (row, i, radius) = (row_of(p), azimuth(p), p.x.hypot(p.z));
            if radius <= 0.0 || reach[row][i] <= 0.0 {
                continue;
            }
            let outer = ((radius / reach[row][i] - FROM_SHARE) / (1.0 - FROM_SHARE)).clamp(0.0, 1.0);
            let out = lacks[row][i] * outer * (along / ROOT_MM).min(1.0);
            (p.x, p.z) = (p.x * (1.0 + out / radius), p.z * (1.0 + out / radius));
        }
    }
}

fn azimuth(p: &Vec3) -> usize {
    (p.x.atan2(p.z).rem_euclid(TAU) / TAU * AZIMUTHS as f64) as usize % AZIMUTHS
}

/// Each cell out of it and those about it.
fn around(cells: &Cells, of: impl Fn(&mut dyn Iterator<Item = f64>) -> f64) -> Cells {
    let one = |row: usize| {
        let rows = row.saturating_sub(BESIDE)..=(row + BESIDE).min(cells.len() - 1);
        std::array::from_fn(|i| {
            let beside = |k: usize| (i + AZIMUTHS + k - BESIDE) % AZIMUTHS;
            let mut near = rows.clone().flat_map(|row| (0..=2 * BESIDE).map(move |k| cells[row][beside(k)]));
            of(&mut near)
        })
    };
    (0..cells.len()).map(one).collect()
}
