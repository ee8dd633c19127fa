//! Front hair that no longer reaches the tie.
//!
//! Who ties the hair back for work or sport needs the front and the sides to reach the band: each strand is drawn round
//! the head to the occipital bone, and has to go through the band and hold in it.

use super::head::{Head, Measured};
use super::known::FRONT;
use super::severity::ramp;
use crate::grow::tie_of;
use crate::hair::ShareLengths;
use crate::message::Arg;

/// Hair lacking less than the first is not short, more than the second wholly, mm.
const LACKS_MM: (f64, f64) = (0.0, 6.0);
/// Share of the hair in front that has to have become too short by the cut, %: the rest is no fault of it.
const NEW_PCT: (f64, f64) = (0.0, 4.0);

pub(super) fn measured(head: &Head) -> Option<Measured> {
    if !head.known.ties_back {
        return None;
    }
    let hair = head.hair;
    let tie = tie_of(hair);
    let (mut all, mut short, mut before, mut lacking) = (0.0, 0.0, 0.0, 0.0_f64);
    let mut at = tie;
    for (i, strand) in hair.strands.iter().enumerate() {
        if !FRONT.contains(&strand.root.zone) {
            continue;
        }
        let needs = head.tie_needs_mm()[i];
        let too_short = |lengths: &ShareLengths| -> f64 {
            lengths.shares().map(|(mm, part)| part * ramp(needs - mm, LACKS_MM.0, LACKS_MM.1)).sum()
        };
        all += strand.hairs;
        before += strand.hairs * too_short(&hair.lengths[i]);
        let share = too_short(&head.lengths[i]);
        short += strand.hairs * share;
        let lacks = needs - head.lengths[i].longest();
        if share > 0.0 && lacks > lacking {
            lacking = lacks;
            at = strand.root.at;
        }
    }
    let [short, before] = [short, before].map(|hairs| 100.0 * hairs / f64::max(all, 1e-9));
    Some(
        Measured::new(short, at)
            .counting(ramp(short - before, NEW_PCT.0, NEW_PCT.1))
            .with("share", Arg::Share(short / 100.0))
            .with("lacking", Arg::Mm(lacking)),
    )
}
