//! The line under a cap: a height with hardly any ends in it, below the ends of a short top.
//!
//! Sorted by height, what is asked is over how much of it the next twentieth of all ends is spread, wherever enough ends lie
//! above and below.

use super::head::{Head, Measured};
use crate::message::Arg;

/// Share of the ends that may lie in the gap.
const IN_GAP: f64 = 0.05;
/// Share of them that has to lie above it, and below it.
const ABOVE: f64 = 0.15;
const BELOW: f64 = 0.15;

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let mut ends: Vec<(f64, f64)> = head.ends().iter().map(|end| (end.at.y, end.hairs)).collect();
    ends.sort_by(|one, other| other.0.total_cmp(&one.0));
    let all: f64 = ends.iter().map(|(_, hairs)| hairs).sum();
    if all <= 0.0 {
        return None;
    }
    // Shares of all ends that lie above each, and where the share after the gap is reached.
    let mut above = Vec::with_capacity(ends.len());
    let mut sum = 0.0;
    for (_, hairs) in &ends {
        above.push((sum + 0.5 * hairs) / all);
        sum += hairs;
    }
    let mut then = 0;
    let (mut gap, mut middle, mut over) = (0.0, ends[0].0, 0.0);
    for (i, share) in above.iter().enumerate() {
        while then + 1 < above.len() && above[then] < share + IN_GAP {
            then += 1;
        }
        if *share < ABOVE || share + IN_GAP > 1.0 - BELOW {
            continue;
        }
        // Between two ends the height is straight in the share.
        let before = then.saturating_sub(1);
        let part = (share + IN_GAP - above[before]) / (above[then] - above[before]).max(1e-12);
        let lower = ends[before].0 + part.clamp(0.0, 1.0) * (ends[then].0 - ends[before].0);
        if ends[i].0 - lower > gap {
            (gap, middle, over) = (ends[i].0 - lower, 0.5 * (ends[i].0 + lower), *share);
        }
    }
    Some(Measured::new(gap, head.beside(middle)).with("gap", Arg::Mm(gap)).with("above", Arg::Share(over)))
}
