//! Left and right that are unlike though nobody wished it.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::head::{Vec3, Zone};
use crate::message::Arg;

/// A wish for sides so far from each other, mm, is a wish for unlike sides.
const WISHED_MM: (f64, f64) = (10.0, 3.0);

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let perimeter = &head.fall.perimeter_mm;
    let count = perimeter.len();
    let pairs = (0..count / 2).filter_map(|i| Some((perimeter[i]?, perimeter[count - 1 - i]?, i)));
    let (mut sum, mut pairs_seen) = (0.0, 0.0);
    for (left, right, _) in pairs {
        sum += left - right;
        pairs_seen += 1.0;
    }
    if pairs_seen == 0.0 {
        return None;
    }
    let line_mm = sum / pairs_seen;
    let mass = |side: f64| -> f64 {
        let strands = head.hair.strands.iter().zip(head.lengths);
        let of = strands.filter(|(strand, _)| strand.root.at.x * side > 0.0);
        of.map(|(strand, lengths)| strand.mass_g_per_mm() * lengths.mean()).sum()
    };
    let (left, right) = (mass(1.0), mass(-1.0));
    let mass_pct = 100.0 * (left - right) / (0.5 * (left + right)).max(1e-9);
    let measure = line_mm.abs().max(mass_pct.abs());
    // The longer or heavier side is the one to look at.
    let longer_left = if line_mm.abs() >= mass_pct.abs() { line_mm < 0.0 } else { mass_pct > 0.0 };
    let side = if longer_left { 1.0 } else { -1.0 };
    let at = head.beside(head.low_mm()? + 10.0);
    Some(
        Measured::new(measure, Vec3::new(side * at.x, at.y, at.z))
            .counting(ramp(wished_apart_mm(head), WISHED_MM.0, WISHED_MM.1))
            .with("line", Arg::Mm(line_mm.abs()))
            .with("mass", Arg::Share(mass_pct.abs() / 100.0))
            .with("side", if longer_left { "left" } else { "right" }),
    )
}

/// How far apart the two sides were wished, mm.
fn wished_apart_mm(head: &Head) -> f64 {
    let wish = |zone| {
        let wish = head.known.aim.zones.get(&zone)?;
        let lands = wish.lands.map(|place| -place.height_mm(&head.hair.measures));
        lands.or(wish.worn_mm)
    };
    match (wish(Zone::LeftSide), wish(Zone::RightSide)) {
        (Some(left), Some(right)) => (left - right).abs(),
        _ => 0.0,
    }
}
