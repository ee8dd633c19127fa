//! Short hair within the surface that everybody sees: weight taken too near the outside of the stack.
//!
//! Hair lies over the hair that grows below it. Of each sector of the head the outermost centimetre of the stack is asked:
//! how much of it was cut at least a finger's breadth shorter than the hair it lies among.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::head::Vec3;
use crate::message::Arg;

/// Thickness of what is seen, mm.
const OUTER_MM: f64 = 10.0;
/// How much shorter than the rest of its hair it sticks out, mm.
const SHORTER_MM: (f64, f64) = (10.0, 20.0);
/// Sectors round the head.
const SECTORS: usize = 24;
/// Usual distance of the outside from the axis, mm.
const RADIUS_MM: f64 = 100.0;

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let hair = head.hair;
    // Uncut shares of one hair differ by what breakage and new hair left: only what a cut took counts.
    let cut_within = |i: usize| -> f64 {
        let longest = head.lengths[i].longest();
        let now: f64 = head.lengths[i]
            .shares()
            .map(|(mm, part)| part * ramp(longest - mm, SHORTER_MM.0, SHORTER_MM.1))
            .sum();
        let longest_before = hair.lengths[i].longest();
        let before: f64 = hair.lengths[i]
            .shares()
            .map(|(mm, part)| part * ramp(longest_before - mm, SHORTER_MM.0, SHORTER_MM.1))
            .sum();
        (now - before).max(0.0)
    };
    let mut sectors: Vec<Vec<(f64, f64, f64, usize)>> = vec![Vec::new(); SECTORS];
    let mut room = vec![0.0; hair.strands.len()];
    let mut hairs = vec![0.0; hair.strands.len()];
    for end in head.ends() {
        room[end.strand] += end.volume_mm2;
        hairs[end.strand] += end.hairs;
    }
    for (i, strand) in hair.strands.iter().enumerate() {
        let at = strand.root.at;
        let turn = (at.x.atan2(at.z) / std::f64::consts::TAU).rem_euclid(1.0);
        sectors[((turn * SECTORS as f64) as usize).min(SECTORS - 1)].push((at.y, room[i], hairs[i], i));
    }
    let slice_mm2 = OUTER_MM * RADIUS_MM * std::f64::consts::TAU / SECTORS as f64;
    let (mut all, mut short) = (0.0, 0.0);
    let (mut most, mut at) = (0.0, Vec3::new(0.0, hair.form.top_mm(), 0.0));
    for sector in &mut sectors {
        sector.sort_by(|one, other| other.0.total_cmp(&one.0));
        let mut over = 0.0;
        for (_, room, hairs, i) in sector.iter() {
            let outer = hairs * ramp(over / slice_mm2, 1.25, 0.75);
            if outer == 0.0 {
                break;
            }
            let cut = outer * cut_within(*i);
            all += outer;
            short += cut;
            if cut > most {
                (most, at) = (cut, head.worn.mean_end(*i));
            }
            over += room;
        }
    }
    let share = short / f64::max(all, 1e-9);
    Some(Measured::new(100.0 * share, at).with("share", Arg::Share(share)))
}
