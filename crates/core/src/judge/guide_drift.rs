//! A guide whose error adds up: each section is held to the one before it, and copies its mistake.

use super::head::{Head, Measured};
use crate::cut::{Guide, MoveKind};
use crate::head::from_drawn;
use crate::message::Arg;

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let of = |(number, move_, report): (u32, &crate::cut::Move, &crate::cut::MoveReport)| {
        let MoveKind::Sections(sections) = &move_.kind else { return None };
        let Guide::Travelling { drift_mm, .. } = sections.guide else { return None };
        // Sections go out to both sides of the first where that lies inside.
        let after = report.sections.len().saturating_sub(1);
        let at = report.sections.last()?.base.first().map(from_drawn)?;
        let drift = drift_mm.abs() * after as f64;
        let measured = Measured::new(drift, at)
            .by([number])
            .with("drift", Arg::Mm(drift))
            .with("step", Arg::Mm(drift_mm.abs()))
            .with("count", Arg::Number(after as f64));
        Some(measured)
    };
    head.moves().filter_map(of).max_by(|a, b| a.measure.total_cmp(&b.measure))
}
