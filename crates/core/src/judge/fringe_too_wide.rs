//! A fringe that grows from outside the brows: it covers the temples, and what is missing there is missing from the sides.
//!
//! A fringe is what a cut left so short that it ends on the face. The measure is how far outside the brows its outermost
//! hair roots. Where the hair beside it is as short there is no fringe but a crop.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::head::{Landmark, Point};
use crate::message::Arg;

/// Outermost share of the fringe whose mean is asked.
const OUTERMOST: f64 = 0.1;
/// Length that has to have gone for hair to be of a fringe that was cut, mm.
const CUT_MM: (f64, f64) = (10.0, 30.0);
/// Azimuth up to which hair lies before the face, degrees.
const BEFORE_FACE: (f64, f64) = (65.0, 45.0);
/// Share of all hair that makes a fringe.
const FRINGE: (f64, f64) = (0.005, 0.02);
/// How far outside the brows the hair beside a fringe grows, mm, and how much of it hangs where there is one.
const BESIDE_MM: f64 = 15.0;
const HANGS: (f64, f64) = (0.3, 0.6);

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let hair = head.hair;
    let brow = Landmark::BrowLeft.point(&hair.form, &hair.hairline).x;
    let [nose, chin] = [Point::NoseTip, Point::Chin].map(|point| point.height_mm(&hair.measures));
    let mut fringe = Vec::new();
    let (mut all, mut beside, mut hangs) = (0.0, 1e-9, 0.0);
    for (i, strand) in hair.strands.iter().enumerate() {
        all += strand.hairs;
        if strand.root.at.z > 0.0 && strand.root.at.x.abs() > brow + BESIDE_MM {
            beside += strand.hairs;
            hangs += strand.hairs * ramp(head.worn.0[i].longest_end.y, nose, chin);
        }
        let end = head.worn.mean_end(i);
        if end.z <= 0.0 || end.y < chin {
            continue;
        }
        let gone = hair.lengths[i].mean() - head.lengths[i].mean();
        let weight = strand.hairs
            * ramp(gone, CUT_MM.0, CUT_MM.1)
            * ramp(end.x.abs().atan2(end.z).to_degrees(), BEFORE_FACE.0, BEFORE_FACE.1)
            * ramp(end.y, chin, nose)
            * ramp(strand.root.at.z, 20.0, 50.0);
        if weight > 0.0 {
            fringe.push((strand.root.at.x.abs(), weight, strand.root.at));
        }
    }
    let whole: f64 = fringe.iter().map(|(_, weight, _)| weight).sum();
    let counts = ramp(whole / all, FRINGE.0, FRINGE.1) * ramp(hangs / beside, HANGS.0, HANGS.1);
    if counts == 0.0 {
        return None;
    }
    fringe.sort_by(|one, other| other.0.total_cmp(&one.0));
    let at = fringe[0].2;
    let (mut left, mut sum) = (OUTERMOST * whole, 0.0);
    for (x, weight, _) in fringe {
        let takes = weight.min(left);
        sum += takes * x;
        left -= takes;
        if left <= 0.0 {
            break;
        }
    }
    let outside = sum / (OUTERMOST * whole) - brow;
    Some(Measured::new(outside, at).counting(counts).with("outside", Arg::Mm(outside.max(0.0))))
}
