//! Weight that is left on purpose is no fault before the step that takes it.

use super::FindingCode;
use super::head::{Head, Measured};

/// Whether a finding is about weight that a step has banked until one that was not carried out yet.
pub(super) fn is_kept_back(head: &Head, code: FindingCode, measured: &Measured) -> bool {
    let (Some(done), true) = (head.known.done, code.is_weight()) else { return false };
    let scalp = head.hair.scalp();
    let d = head.hair.strands.iter().enumerate().min_by(|(i, _), (j, _)| {
        let off = |i: usize| (head.worn.mean_end(i) - measured.at).norm();
        off(*i).total_cmp(&off(*j))
    });
    let Some((_, strand)) = d else { return false };
    head.cut
        .moves
        .iter()
        .filter(|move_| !move_.off && move_.banked_until.is_some_and(|until| until >= done))
        .any(|move_| {
            let sides = [Some(move_.region.clone()), move_.mirrored.then(|| move_.region.mirrored())];
            sides
                .into_iter()
                .flatten()
                .filter_map(|region| region.on(&scalp).ok())
                .any(|test| test.holds(&scalp, &strand.root.at, strand.root.zone))
        })
}
