//! The edges of any part of the scalp as it is drawn from a side: a part may have hollows and lie in pieces.
//!
//! They are found by marching squares over what is seen from there (Lorensen, Cline 1987, SIGGRAPH Computer Graphics 21, in the
//! plane).

use super::form::{HeadForm, Vec3};
use super::outline::HeadView;
use contour::ContourBuilder;

/// Cells across the half of the head that is seen: 6 mm each, drawn to about a third of that.
const CELLS: usize = 40;
/// How far the cells reach beyond the edge of what is seen, in radii: the edge itself is then never cut off.
const REACH: f64 = 1.08;

/// Rings round the directions that a part holds, mm to the right and down from the ear canals; to be filled where an odd number
/// of them lies round a place.
pub(crate) fn rings(form: &HeadForm, view: HeadView, holds: impl Fn(&Vec3) -> bool) -> Vec<Vec<[f32; 2]>> {
    let (eye, [right, down]) = (view.eye(), view.page());
    // Beyond the edge of what is seen stands what is on it.
    let direction = |across: f64, along: f64| {
        let beyond = across.hypot(along).max(1.0);
        let (across, along) = (across / beyond, along / beyond);
        let toward = (1.0 - across * across - along * along).max(0.0).sqrt();
        right * across + down * along + eye * toward
    };
    let step = 2.0 * REACH / CELLS as f64;
    let at = |i: usize| -REACH + step * (i as f64 + 0.5);
    let held = |k: usize| holds(&direction(at(k % CELLS), at(k / CELLS)));
    let held: Vec<f64> = (0..CELLS * CELLS).map(|k| f64::from(u8::from(held(k)))).collect();
    let builder =
        ContourBuilder::new(CELLS, CELLS, true).x_origin(-REACH).y_origin(-REACH).x_step(step).y_step(step);
    // Values and threshold are finite and as many as there are cells: nothing can fail.
    let contours = builder.contours(&smoothed(&held), &[0.5]).unwrap_or_default();
    let polygons = contours.iter().flat_map(|contour| contour.geometry().iter());
    let rings = polygons.flat_map(|polygon| std::iter::once(polygon.exterior()).chain(polygon.interiors()));
    let drawn = |x: f64, y: f64| view.drawn(&form.point(&direction(x, y))).map(|mm| mm as f32);
    rings.map(|ring| ring.coords().map(|at| drawn(at.x, at.y)).collect()).collect()
}

/// Each cell with those round it: an edge runs between cells then, not in stairs along them.
fn smoothed(cells: &[f64]) -> Vec<f64> {
    let near = |i: usize| i.saturating_sub(1)..=(i + 1).min(CELLS - 1);
    let mean = |k: usize| {
        let round = near(k / CELLS).flat_map(|y| near(k % CELLS).map(move |x| cells[y * CELLS + x]));
        let (sum, count) = round.fold((0.0, 0), |(sum, count), cell| (sum + cell, count + 1));
        sum / f64::from(count)
    };
    (0..cells.len()).map(mean).collect()
}
