//! Weight beside the face that closes it in, where it should be open.
//!
//! Of the hair in front that comes down past the cheekbone on either side, the innermost tenth bounds what stays free of the
//! face. What ends above lies on the forehead and is a fringe.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::head::{Point, Vec3};
use crate::message::Arg;

/// Innermost share whose mean bounds the face.
const INNERMOST: f64 = 0.1;
/// How far below the cheekbone hair has to come to pass it, mm.
const PASSES_MM: (f64, f64) = (0.0, 20.0);
/// Steps by which the height of the cheekbone is looked for on a hair.
const HALVINGS: usize = 7;

pub(super) fn measured(head: &Head) -> Option<Measured> {
    if !head.known.aim.open_face {
        return None;
    }
    let hair = head.hair;
    let cheek = Point::Cheekbone.height_mm(&hair.measures);
    let mut sides: [Vec<(f64, f64)>; 2] = [Vec::new(), Vec::new()];
    for (i, strand) in hair.strands.iter().enumerate().filter(|(_, strand)| strand.root.at.z > 0.0) {
        let worn = &head.worn.0[i];
        let weight = strand.hairs * ramp(cheek - worn.longest_end.y, PASSES_MM.0, PASSES_MM.1);
        if weight == 0.0 {
            continue;
        }
        // Hair goes down all the way: where it is at the cheekbone is found by halving.
        let (mut above, mut below) = (0.0, worn.longest_mm);
        for _ in 0..HALVINGS {
            let middle = 0.5 * (above + below);
            if worn.place(hair, i, middle).y > cheek { above = middle } else { below = middle }
        }
        let there = worn.place(hair, i, 0.5 * (above + below));
        if there.z > 0.0 {
            sides[usize::from(there.x < 0.0)].push((there.x.abs(), weight));
        }
    }
    let free = |side: &mut Vec<(f64, f64)>| {
        side.sort_by(|one, other| one.0.total_cmp(&other.0));
        let whole: f64 = side.iter().map(|(_, weight)| weight).sum();
        let (mut left, mut sum) = (INNERMOST * whole, 0.0);
        for (x, weight) in side.iter() {
            let takes = weight.min(left);
            sum += takes * x;
            left -= takes;
        }
        (whole > 0.0).then(|| sum / (INNERMOST * whole))
    };
    let [left, right] = sides.each_mut().map(free);
    let (left, right) = (left?, right?);
    let side = if left < right { left } else { -right };
    Some(
        Measured::new(left + right, Vec3::new(side, cheek, 0.4 * head.hair.form.top_mm()))
            .with("free", Arg::Mm(left + right)),
    )
}
