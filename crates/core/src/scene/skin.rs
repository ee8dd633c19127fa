//! The outer skin of the worn hair.

use crate::drape::AZIMUTHS;
use crate::fall::Surface;
use crate::head::Vec3;

/// Hair thinner than this over the head makes no skin, mm.
const THINNEST_MM: f64 = 1.0;
/// Less cover than this makes none either: single ends.
const THINNEST_COVER: f64 = 0.15;

/// Corners and triangles of the skin of a head of hair, open where there is none, such as before the face. Down each azimuth it
/// goes as far as the perimeter there, so that its edge runs as the hair does and not by the rows of cells.
pub(super) fn skin(surface: &Surface) -> (Vec<Vec3>, Vec<u32>) {
    let rows = surface.rows();
    let mut points: Vec<Vec3> = Vec::with_capacity(rows * AZIMUTHS + 1);
    for row in 0..rows {
        points.extend((0..AZIMUTHS).map(|i| surface.point(row, i)));
    }
    let there = |row: usize, i: usize| {
        let (thick, cover) = surface.thick_mm(row, i);
        thick > THINNEST_MM && cover > THINNEST_COVER
    };
    // The first and last row with hair of each azimuth, the last one drawn to the perimeter.
    let runs: Vec<Option<(usize, usize)>> = (0..AZIMUTHS)
        .map(|i| {
            let first = (0..rows).find(|row| there(*row, i))?;
            let last = (0..rows).rfind(|row| there(*row, i))?;
            if last + 1 == rows {
                return Some((first, last));
            }
            let (above, below) = (surface.point(last, i), surface.point(last + 1, i));
            let ends = surface.perimeter_mm(i).unwrap_or(above.y).clamp(below.y, above.y.max(below.y));
            let share = if above.y > below.y { (above.y - ends) / (above.y - below.y) } else { 0.0 };
            // What the hair there stands off by it does to its end.
            points[(last + 1) * AZIMUTHS + i] =
                Vec3::new(above.x, above.y + share * (below.y - above.y), above.z);
            Some((first, last + 1))
        })
        .collect();
    let at = |row: usize, i: usize| (row * AZIMUTHS + i) as u32;
    let mut indices = Vec::new();
    for i in 0..AZIMUTHS {
        let next = (i + 1) % AZIMUTHS;
        let (Some((from, to)), Some((next_from, next_to))) = (runs[i], runs[next]) else { continue };
        for row in from.max(next_from)..to.max(next_to) {
            let (here, beside) = (row.min(to), row.min(next_to));
            if row < to {
                indices.extend([at(here, i), at(row + 1, i), at(beside, next)]);
            }
            if row < next_to {
                indices.extend([at(beside, next), at((row + 1).min(to), i), at(row + 1, next)]);
            }
        }
    }
    // The cap over the first ring.
    let top = points.len() as u32;
    points.push(Vec3::new(0.0, surface.top_mm(), 0.0));
    for i in (0..AZIMUTHS).filter(|i| there(0, *i) && there(0, (i + 1) % AZIMUTHS)) {
        indices.extend([top, i as u32, ((i + 1) % AZIMUTHS) as u32]);
    }
    (points, indices)
}
