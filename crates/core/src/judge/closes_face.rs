//! Weight beside the face that closes it in, where it should be open.
//!
//! Of the hair that comes down past the cheekbone, the share is asked that does so before the ears, beside the face. What ends
//! above lies on the forehead and is a fringe.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::head::{Point, Vec3};
use crate::message::Arg;

/// How far below the cheekbone hair has to come to pass it, mm.
const PASSES_MM: (f64, f64) = (0.0, 20.0);
/// Way round from the front up to which hair hangs beside the face, degrees.
const BESIDE_DEG: (f64, f64) = (80.0, 60.0);
/// Halvings by which the height of the cheekbone is looked for on a hair.
const HALVINGS: usize = 7;

pub(super) fn measured(head: &Head) -> Option<Measured> {
    if !head.known.aim.open_face {
        return None;
    }
    let hair = head.hair;
    let cheek = Point::Cheekbone.height_mm(&hair.measures);
    let (mut all, mut beside, mut at) = (0.0, 0.0, Vec3::zeros());
    for (i, strand) in hair.strands.iter().enumerate() {
        all += strand.hairs;
        let worn = &head.worn.0[i];
        let passes = |length: f64| ramp(cheek - hair_end(head, i, length).y, PASSES_MM.0, PASSES_MM.1);
        // In front of the ears grows what can come to hang there.
        if strand.root.at.z < 0.0 || passes(worn.longest_mm) == 0.0 {
            continue;
        }
        let share: f64 = worn.lengths.shares().map(|(mm, part)| part * passes(mm)).sum();
        // Hair goes down all the way: where it is at the cheekbone is found by halving.
        let (mut above, mut below) = (0.0, worn.longest_mm);
        for _ in 0..HALVINGS {
            let middle = 0.5 * (above + below);
            if worn.place(hair, i, middle).y > cheek { above = middle } else { below = middle }
        }
        let there = worn.place(hair, i, 0.5 * (above + below));
        let degrees = there.x.abs().atan2(there.z).to_degrees();
        let weight = strand.hairs * share * ramp(degrees, BESIDE_DEG.0, BESIDE_DEG.1);
        beside += weight;
        at += Vec3::new(there.x.abs(), there.y, there.z) * weight;
    }
    let share = beside / f64::max(all, 1e-9);
    let at = if beside > 0.0 { at / beside } else { Vec3::new(0.0, cheek, 0.0) };
    Some(Measured::new(100.0 * share, at).with("share", Arg::Share(share)))
}

fn hair_end(head: &Head, strand: usize, length_mm: f64) -> Vec3 {
    head.worn.0[strand].place(head.hair, strand, length_mm)
}
