//! How long a step takes: its subsections parted, combed and held, and the line along which it is cut.
//!
//! Our own estimate of an even pace, until a stylist's log says better.

use super::{Move, MoveKind, MoveReport, TechniqueKind};
use crate::constants::{LINE_S_PER_DM, SUBSECTION_S, TEXTURE_S};
use crate::head::from_drawn;

/// Half round a head at the shoulders, mm: what a line is cut along on one side.
const LINE_MM: f64 = 300.0;
/// Thickness of the sections a line is let down in, mm.
const LET_DOWN_MM: f64 = 25.0;

/// Minutes that a step takes; a pause takes none of the hands' time.
pub fn minutes(move_: &Move, report: &MoveReport) -> f64 {
    let (count, line_mm) = match &move_.kind {
        MoveKind::Pause(_) => return 0.0,
        // Let down from the nape to the top, and cut along what is down.
        MoveKind::Perimeter(_) => {
            let sections = (120.0 / LET_DOWN_MM) * report.share.clamp(0.1, 1.0) * 2.0;
            (sections, sections * LINE_MM * report.share.clamp(0.1, 1.0))
        }
        _ => {
            let long = |shape: &super::SectionShape| -> f64 {
                shape.base.windows(2).map(|two| (from_drawn(&two[1]) - from_drawn(&two[0])).norm()).sum()
            };
            (report.sections.len() as f64, report.sections.iter().map(long).sum())
        }
    };
    let textured = move_.technique.kind != TechniqueKind::Blunt || matches!(move_.kind, MoveKind::Weight(_));
    let each = SUBSECTION_S.value + if textured { TEXTURE_S.value } else { 0.0 };
    (count * each + line_mm / 100.0 * LINE_S_PER_DM.value) / 60.0
}
