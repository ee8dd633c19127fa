//! Hair left at half its length or less: stubs that stick out, and nothing below them.
//!
//! Props are meant to be short, and few. Of each zone the share is asked of hair that a cut left at hardly more than half of
//! the hair it grows among.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::head::Zone;
use crate::message::Arg;

/// Share of its length down to which hair is not deep yet, and from which on it is.
const DEEP: (f64, f64) = (0.72, 0.55);
/// Longest hair at which depth begins to matter, mm: of a crop nothing sticks out.
const LONG_MM: (f64, f64) = (60.0, 120.0);

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let mut zones = [(0.0, 0.0); Zone::ALL.len()];
    let mut worst = [(0.0, 0); Zone::ALL.len()];
    for (i, strand) in head.hair.strands.iter().enumerate() {
        let deep = |lengths: &crate::hair::ShareLengths| -> f64 {
            let longest = lengths.longest().max(1e-9);
            let long = ramp(longest, LONG_MM.0, LONG_MM.1);
            long * lengths.shares().map(|(mm, part)| part * ramp(mm / longest, DEEP.0, DEEP.1)).sum::<f64>()
        };
        let cut = (deep(&head.lengths[i]) - deep(&head.hair.lengths[i])).max(0.0);
        let zone = strand.root.zone.number();
        zones[zone].0 += strand.hairs;
        zones[zone].1 += strand.hairs * cut;
        if strand.hairs * cut > worst[zone].0 {
            worst[zone] = (strand.hairs * cut, i);
        }
    }
    let share = |(all, deep): (f64, f64)| deep / f64::max(all, 1e-9);
    let zone = (0..zones.len()).max_by(|a, b| share(zones[*a]).total_cmp(&share(zones[*b])))?;
    let share = share(zones[zone]);
    let at = head.worn.mean_end(worst[zone].1);
    Some(Measured::new(100.0 * share, at).with("share", Arg::Share(share)))
}
