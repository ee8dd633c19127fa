//! Front hair that no longer reaches the tie.
//!
//! Who ties the hair back for work or sport needs the front and the sides to reach the band: each strand is drawn round
//! the head to the occipital bone, and has to go through the band and hold in it.

use super::{Finding, Found, Judged};
use crate::constants::TIE_HOLD_MM;
use crate::grow::tie_of;
use crate::head::{Zone, drawn, taut_mm};

/// Share of the hair in front that slips from any tie and is nobody's fault, %.
const SLIPS_PCT: f64 = 10.0;
/// Hair lacking less than this is not called short, mm.
const LACKS_MM: f64 = 1.0;

pub(super) fn not_reached(judged: &Judged) -> Option<Finding> {
    if !judged.ties_back {
        return None;
    }
    let hair = judged.hair;
    let tie = tie_of(hair);
    let (mut all, mut short, mut lacking, mut before) = (0.0, 0.0, 0.0_f64, 0.0);
    let mut strands = Vec::new();
    let mut worst = None;
    for (i, strand) in hair.strands.iter().enumerate() {
        if !matches!(strand.root.zone, Zone::Fringe | Zone::LeftSide | Zone::RightSide) {
            continue;
        }
        let needs = taut_mm(&hair.form, &strand.root.at, &strand.root.normal, &tie) + TIE_HOLD_MM.value;
        let share_of = |lengths: &crate::hair::ShareLengths| {
            lengths.shares().filter(|(mm, _)| mm + LACKS_MM < needs).map(|(_, part)| part).sum::<f64>()
        };
        all += strand.hairs;
        before += strand.hairs * share_of(&hair.lengths[i]);
        let share = share_of(&judged.lengths[i]);
        if share > 0.0 {
            short += strand.hairs * share;
            strands.push(i);
            let longest = judged.lengths[i].longest();
            if needs - longest > lacking {
                lacking = needs - longest;
                worst = Some(strand.root.at);
            }
        }
    }
    let (measure, before) = (100.0 * short / f64::max(all, 1e-9), 100.0 * before / f64::max(all, 1e-9));
    // What was too short before is no fault of the cut.
    if measure < SLIPS_PCT || measure - before < 1.0 {
        return None;
    }
    let found = Found::TieNotReached { short_pct: measure, lacking_mm: lacking };
    Some(Finding {
        text: found.text(),
        remedy: found.remedy(),
        found,
        measure,
        threshold: SLIPS_PCT,
        at: drawn(&worst.unwrap_or(tie)),
        moves: judged.layered_by(&strands).into_iter().map(|(number, _)| number).collect(),
    })
}
