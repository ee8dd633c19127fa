//! Regrowth without hair of its length beside it: what stands alone stands up.
//!
//! Asked is hair that was short before anything was cut, of a length that stands rather than lies, whose neighbours are
//! several times as long. Layers that come near its length take it in.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::head::Zone;
use crate::message::Arg;

/// Length up to which new hair stands, mm.
const STANDS_MM: (f64, f64) = (160.0, 90.0);
/// How many times as long its neighbours are where it has none of its length.
const LONGER: (f64, f64) = (1.8, 3.0);

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let mut zones = [(0.0, 0.0); Zone::ALL.len()];
    let mut worst = [(0.0, 0); Zone::ALL.len()];
    for (i, strand) in head.hair.strands.iter().enumerate() {
        let (before, now) = (&head.hair.lengths[i], &head.lengths[i]);
        let zone = strand.root.zone.number();
        zones[zone].0 += strand.hairs;
        if before.is_even() {
            continue;
        }
        let longest = before.longest();
        let stands = |(mm, part): (f64, f64)| {
            let new = ramp(longest / mm.max(1e-9), LONGER.0, LONGER.1);
            part * new
                * ramp(mm, STANDS_MM.0, STANDS_MM.1)
                * ramp(now.longest() / mm.max(1e-9), LONGER.0, LONGER.1)
        };
        let alone = strand.hairs * before.shares().filter(|(mm, _)| *mm > 0.0).map(stands).sum::<f64>();
        zones[zone].1 += alone;
        if alone > worst[zone].0 {
            worst[zone] = (alone, i);
        }
    }
    let share = |(all, alone): (f64, f64)| alone / f64::max(all, 1e-9);
    let zone = (0..zones.len()).max_by(|a, b| share(zones[*a]).total_cmp(&share(zones[*b])))?;
    let share = share(zones[zone]);
    if share == 0.0 {
        return None;
    }
    let root = &head.hair.strands[worst[zone].1].root;
    Some(Measured::new(100.0 * share, root.at + root.normal * 20.0).with("share", Arg::Share(share)))
}
