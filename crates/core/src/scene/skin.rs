//! The outer skin of the worn hair.

use super::grid;
use crate::fall::{AZIMUTHS, Surface};
use crate::head::Vec3;

/// Hair thinner than this over the head makes no skin, mm.
const THINNEST_MM: f64 = 1.0;
/// Less cover than this makes none either: single ends.
const THINNEST_COVER: f64 = 0.15;

/// Corners and triangles of the skin of a head of hair, open where there is none, such as before the face.
pub(super) fn skin(surface: &Surface) -> (Vec<Vec3>, Vec<u32>) {
    let rows = surface.rows();
    let mut points: Vec<Vec3> = Vec::with_capacity(rows * AZIMUTHS + 1);
    for row in 0..rows {
        points.extend((0..AZIMUTHS).map(|i| surface.point(row, i)));
    }
    let there = |row: usize, i: usize| {
        let (thick, cover) = surface.thick_mm(row, i % AZIMUTHS);
        thick > THINNEST_MM && cover > THINNEST_COVER
    };
    let all = |row: usize, i: usize| {
        there(row, i) && there(row, i + 1) && there(row + 1, i) && there(row + 1, i + 1)
    };
    let mut indices = grid(rows, AZIMUTHS, all);
    // The cap over the first ring.
    let top = points.len() as u32;
    points.push(Vec3::new(0.0, surface.top_mm(), 0.0));
    for i in (0..AZIMUTHS).filter(|i| there(0, *i) && there(0, i + 1)) {
        indices.extend([top, i as u32, ((i + 1) % AZIMUTHS) as u32]);
    }
    (points, indices)
}
