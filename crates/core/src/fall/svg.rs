//! The outlines as a picture.

use super::{Fall, Outline};
use std::f64::consts::TAU;
use std::fmt::Write;

/// Room round each view, mm.
const MARGIN: f64 = 20.0;
const BEFORE: &str = "fill=\"none\" stroke=\"#14202a\" stroke-dasharray=\"4 3\"";
const AFTER: &str = "fill=\"#c4d3e8\" stroke=\"#1f5fbf\"";

/// The worn outline from the front, from the side and from above, before and after, as an SVG document in millimetres.
pub fn svg(before: &Fall, after: &Fall) -> String {
    let half = [before, after]
        .iter()
        .flat_map(|fall| [&fall.front, &fall.side])
        .flat_map(|outline| outline.one_mm.iter().chain(&outline.other_mm))
        .copied()
        .fold(0.0, f64::max)
        + MARGIN;
    let top = before.front.heights_mm[0].max(after.front.heights_mm[0]) + MARGIN;
    let bottom = before.lowest_mm.min(after.lowest_mm).min(-120.0) - MARGIN;
    let (width, height) = (4.0 * half, top - bottom + 2.0 * half);
    let mut out = format!(
        "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{width:.0}mm\" height=\"{height:.0}mm\" \
         viewBox=\"0 0 {width:.1} {height:.1}\">\n"
    );
    let views =
        [("front", &before.front, &after.front, half), ("side", &before.side, &after.side, 3.0 * half)];
    for (name, was, is, middle) in views {
        for (state, outline, style) in [("before", was, BEFORE), ("after", is, AFTER)] {
            // Writing to a string can't fail.
            let _ =
                writeln!(out, "<path id=\"{name}-{state}\" {style} d=\"{}\"/>", path(outline, middle, top));
        }
    }
    // From above, below the view from the front; the face looks down the page.
    for (state, fall, style) in [("before", before, BEFORE), ("after", after, AFTER)] {
        let steps = fall.top_mm.len() as f64;
        let at = |(i, reach): (usize, &f64)| {
            let (sin, cos) = (TAU * (i as f64 + 0.5) / steps).sin_cos();
            format!("{:.1} {:.1}", half + reach * sin, top - bottom + half + reach * cos)
        };
        let points: Vec<String> = fall.top_mm.iter().enumerate().map(at).collect();
        let _ = writeln!(out, "<path id=\"top-{state}\" {style} d=\"M{}Z\"/>", points.join("L"));
    }
    out.push_str("</svg>\n");
    out
}

/// Down one side and up the other.
fn path(outline: &Outline, middle: f64, top: f64) -> String {
    let one = outline.heights_mm.iter().zip(&outline.one_mm).map(|(y, x)| (middle + x, top - y));
    let other = outline.heights_mm.iter().zip(&outline.other_mm).rev().map(|(y, x)| (middle - x, top - y));
    let points: Vec<String> = one.chain(other).map(|(x, y)| format!("{x:.1} {y:.1}")).collect();
    format!("M{}Z", points.join("L"))
}
