//! A hole beside or behind the ear: there grows least, and equal cuts leave least.
//!
//! Counted is fibre, the thickness of all hairs that hang past the ear, on the scalp it hangs from, by the way round the head
//! at which it leaves it: shoulders that part the ends make no hole. Of the two sides the emptier one.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::head::Vec3;
use crate::message::Arg;

/// What hangs lower than this hangs past the ear, mm; what ends higher than the other not at all.
const PAST_MM: (f64, f64) = (-10.0, -40.0);
/// The place of the hole and its neighbours, degrees from the front.
const HOLE: (f64, f64) = (75.0, 120.0);
const NEIGHBOURS: [(f64, f64); 2] = [(50.0, 75.0), (120.0, 150.0)];
/// How far a sector's edge is blurred, degrees.
const BLUR: f64 = 10.0;
/// Share of all hair that must hang past the ears for a hole to be one there.
const HANGS: (f64, f64) = (0.05, 0.2);

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let within = |degrees: f64, (from, to): (f64, f64)| {
        ramp(degrees, from - 0.5 * BLUR, from + 0.5 * BLUR) * ramp(degrees, to + 0.5 * BLUR, to - 0.5 * BLUR)
    };
    let (mut all, mut hanging) = (0.0, 0.0);
    // On the left and on the right: in the hole, in front of it and behind it; fibre, and scalp it could hang from.
    let mut sides = [[(0.0, 1e-9); 3]; 2];
    for (i, strand) in head.hair.strands.iter().enumerate() {
        let leaves = head.leaves_deg(i);
        let degrees = leaves.abs();
        for (sums, sector) in
            sides[usize::from(leaves < 0.0)].iter_mut().zip([HOLE, NEIGHBOURS[0], NEIGHBOURS[1]])
        {
            sums.1 += strand.root.area_mm2 * within(degrees, sector);
        }
    }
    for end in head.ends() {
        let strand = &head.hair.strands[end.strand];
        let width = end.hairs * strand.model.diameter_um;
        let hangs = width * ramp(end.at.y, PAST_MM.0, PAST_MM.1);
        all += width;
        hanging += hangs;
        let leaves = head.leaves_deg(end.strand);
        let degrees = leaves.abs();
        for (sums, sector) in
            sides[usize::from(leaves < 0.0)].iter_mut().zip([HOLE, NEIGHBOURS[0], NEIGHBOURS[1]])
        {
            sums.0 += hangs * within(degrees, sector);
        }
    }
    if hanging <= 0.0 {
        return None;
    }
    let share = |side: [(f64, f64); 3]| {
        let [hole, before, behind] = side.map(|(fibre, scalp)| fibre / scalp);
        hole / (0.5 * (before + behind)).max(1e-9)
    };
    let [left, right] = sides.map(share);
    let (least, sign) = if left <= right { (left, 1.0) } else { (right, -1.0) };
    let height = 0.5 * (PAST_MM.1 + head.low_mm()?.min(PAST_MM.1));
    let (sin, cos) = (0.5 * (HOLE.0 + HOLE.1)).to_radians().sin_cos();
    let out = 0.5 * head.width_mm(height);
    Some(
        Measured::new(100.0 * least, Vec3::new(sign * out * sin, height, out * cos))
            .counting(ramp(hanging / all, HANGS.0, HANGS.1))
            .with("share", Arg::Share(least)),
    )
}
