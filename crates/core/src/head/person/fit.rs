//! The sketch in the client's own proportions: heights by the named points, the head by its own scale, the body by its shoulders'.

use super::sketch::{FRONT_HEIGHTS, HALF_SHOULDERS, TOP};
use crate::head::{Body, HeadForm, Measures, Point};
use kurbo::{Affine, BezPath, PathEl};

/// Furthest that straight pieces run from the curve they stand for, mm.
const SAG_MM: f64 = 0.15;

/// Where the client's measures put a place of the sketch.
pub(super) struct Fit {
    /// Heights in the sketch and the client's own, highest first, mm down from the ear canals.
    heights: Vec<(f64, f64)>,
    /// How much wider head and body are than the sketch's.
    head: f64,
    body: f64,
    /// Heights in the sketch between which the one scale goes over into the other.
    over: (f64, f64),
}

impl Fit {
    pub fn new(form: &HeadForm, measures: &Measures, heights: &[(Point, f64); 6], head: f64) -> Self {
        let own = heights.iter().map(|(point, sketched)| (*sketched, -point.height_mm(measures)));
        let at = |wanted| heights.iter().find(|(point, _)| *point == wanted).map_or(0.0, |(_, y)| *y);
        Self {
            heights: std::iter::once((TOP, -form.top_mm())).chain(own).collect(),
            head,
            body: Body::of(measures).shoulders_mm() / HALF_SHOULDERS,
            over: (at(Point::Lip), at(Point::Shoulder)),
        }
    }

    /// Of what is seen from above, where no height shows.
    pub fn flat(across: f64) -> Self {
        Self {
            heights: Vec::new(),
            head: across,
            body: across,
            over: (FRONT_HEIGHTS[2].1, FRONT_HEIGHTS[4].1),
        }
    }

    pub fn place(&self, at: kurbo::Point) -> kurbo::Point {
        let share = ((at.y - self.over.0) / (self.over.1 - self.over.0)).clamp(0.0, 1.0);
        kurbo::Point::new(at.x * (self.head + share * (self.body - self.head)), through(&self.heights, at.y))
    }

    /// A path of the sketch, moved.
    pub fn path(&self, path: &str) -> BezPath {
        // The sketch is ours and is parsed by a test.
        let sketched = BezPath::from_svg(path).unwrap_or_default();
        let at = |point| self.place(point);
        let moved = |element: PathEl| match element {
            PathEl::MoveTo(a) => PathEl::MoveTo(at(a)),
            PathEl::LineTo(a) => PathEl::LineTo(at(a)),
            PathEl::QuadTo(a, b) => PathEl::QuadTo(at(a), at(b)),
            PathEl::CurveTo(a, b, c) => PathEl::CurveTo(at(a), at(b), at(c)),
            PathEl::ClosePath => PathEl::ClosePath,
        };
        sketched.into_iter().map(moved).collect()
    }
}

/// Straight between known places, and on with the same scale beyond them.
pub(super) fn through(known: &[(f64, f64)], value: f64) -> f64 {
    let Some([first, .., last]) = known.get(..).filter(|known| known.len() > 1) else { return value };
    if value >= last.0 {
        return last.1 + value - last.0;
    }
    if value <= first.0 {
        let (a, b) = (known[0], known[1]);
        return a.1 + (value - a.0) * (b.1 - a.1) / (b.0 - a.0);
    }
    let next = known.iter().position(|(from, _)| value <= *from).unwrap_or(1).max(1);
    let (a, b) = (known[next - 1], known[next]);
    a.1 + (value - a.0) / (b.0 - a.0) * (b.1 - a.1)
}

/// The mirror image of a path across the middle of the page.
pub(super) fn mirrored(path: &BezPath) -> BezPath {
    Affine::FLIP_X * path
}

/// A path as runs of straight pieces.
pub(super) fn runs(path: &BezPath) -> Vec<Vec<kurbo::Point>> {
    let mut runs: Vec<Vec<kurbo::Point>> = Vec::new();
    kurbo::flatten(path, SAG_MM, |element| match element {
        PathEl::MoveTo(a) => runs.push(vec![a]),
        PathEl::LineTo(a) => runs.last_mut().map_or((), |run| run.push(a)),
        PathEl::ClosePath => runs.last_mut().map_or((), |run| run.push(run[0])),
        // Flattened paths have no curves.
        PathEl::QuadTo(..) | PathEl::CurveTo(..) => {}
    });
    runs
}

/// How far across closed or open runs reach at a height: least and most.
pub(super) fn across(runs: &[Vec<kurbo::Point>], y: f64) -> Option<(f64, f64)> {
    let sides = runs.iter().flat_map(|run| run.windows(2)).filter(|side| (side[0].y > y) != (side[1].y > y));
    let crossed = sides.map(|side| {
        let share = (y - side[0].y) / (side[1].y - side[0].y);
        side[0].x + share * (side[1].x - side[0].x)
    });
    crossed.fold(None, |reach, x| {
        let (least, most) = reach.unwrap_or((x, x));
        Some((x.min(least), x.max(most)))
    })
}
