//! The CSV form of a visit: a row a zone, or half of one, with what was read, what is wished and the advised mark. Lengths are mm.
//! Strands measured one by one don't go into a row a zone: the JSON has them.
//! It holds names of ours and numbers only, so no cell can be taken for a formula.

use super::VisitFile;
use crate::http::Refusal;
use serde::Serialize;
use spirel_core::FieldErrors;
use spirel_core::fibre::{Comb, Moisture};
use spirel_core::head::Patch;
use spirel_core::head::Point;
use spirel_core::mark::{Mark, MarkSheet, Outcome, SheetZone, mark_sheet};
use spirel_core::reading::{CurlWord, WidthClass};
use spirel_core::talk::Talk;
use spirel_core::units::LengthUnit;

/// One zone.
#[derive(Serialize)]
struct Row {
    zone: Patch,
    like: Option<Patch>,
    stretched_mm: Option<f64>,
    shortest_mm: Option<f64>,
    sprung_mm: Option<f64>,
    wet_sprung_mm: Option<f64>,
    read_moisture: Option<Moisture>,
    strands: Option<u32>,
    width_um: Option<f64>,
    width_class: Option<WidthClass>,
    hairs_per_cm2: Option<f64>,
    loop_mm: Option<f64>,
    turns: Option<f64>,
    curl: Option<CurlWord>,
    lands_at: Option<Point>,
    below_mm: Option<f64>,
    target_worn_mm: Option<f64>,
    advised_moisture: Option<Moisture>,
    advised_comb: Option<Comb>,
    outcome: Option<&'static str>,
    held_mm: Option<f64>,
    comb_mm: Option<f64>,
    allowance_mm: Option<f64>,
    fibre_after_mm: Option<f64>,
    worn_after_mm: Option<f64>,
    lands_low_mm: Option<f64>,
    lands_high_mm: Option<f64>,
}

/// The table of a visit, its marks read on a comb of `unit`.
pub fn csv_of(file: &VisitFile, unit: LengthUnit) -> Result<String, Refusal> {
    let sheet = sheet_of(file, unit)?;
    let mut table = csv::Writer::from_writer(Vec::new());
    for marked in &sheet.zones {
        table.serialize(row(file, marked)).map_err(|_| Refusal::Defect)?;
    }
    let bytes = table.into_inner().map_err(|_| Refusal::Defect)?;
    String::from_utf8(bytes).map_err(|_| Refusal::Defect)
}

fn sheet_of(file: &VisitFile, unit: LengthUnit) -> Result<MarkSheet, FieldErrors> {
    let worn = file.talk.as_ref().map(Talk::wearing).unwrap_or_default();
    mark_sheet(&file.read.clone().unwrap_or_default(), &file.aim.clone().unwrap_or_default(), worn, unit)
}

fn row(file: &VisitFile, marked: &SheetZone) -> Row {
    let read = file.read.as_ref().and_then(|read| read.zones.get(&marked.patch));
    let lands = file.aim.as_ref().and_then(|aim| aim.zones.get(&marked.zone)).and_then(|wish| wish.lands);
    let result = marked.result.as_ref();
    let mark: Option<Mark> = result.and_then(|result| {
        let advised = result.advised?;
        result.states.iter().find(|state| state.state == advised)?.mark
    });
    Row {
        zone: marked.patch,
        like: read.and_then(|r| r.like),
        stretched_mm: read.and_then(|r| r.stretched_mm),
        shortest_mm: read.and_then(|r| r.shortest_mm),
        sprung_mm: read.and_then(|r| r.sprung_mm),
        wet_sprung_mm: read.and_then(|r| r.wet_sprung_mm),
        read_moisture: read.map(|r| r.moisture),
        strands: read.map(|r| r.strands),
        width_um: read.and_then(|r| r.width_um),
        width_class: read.and_then(|r| r.width_class),
        hairs_per_cm2: read.and_then(|r| r.hairs_per_cm2),
        loop_mm: read.and_then(|r| r.loop_mm),
        turns: read.and_then(|r| r.turns),
        curl: read.and_then(|r| r.curl),
        lands_at: lands.map(|place| place.point),
        below_mm: lands.map(|place| place.below_mm),
        target_worn_mm: result.map(|r| r.target_mm),
        advised_moisture: mark.map(|m| m.state.moisture),
        advised_comb: mark.map(|m| m.state.comb),
        outcome: mark.map(|m| match m.outcome {
            Outcome::Cut { .. } => "cut",
            Outcome::Leave => "leave",
            Outcome::TooShort { .. } => "too_short",
        }),
        held_mm: mark.map(|m| m.held_mm),
        comb_mm: mark.map(|m| m.comb_mm),
        allowance_mm: mark.map(|m| m.allowance_mm),
        fibre_after_mm: mark.map(|m| m.lengths.fibre_mm),
        worn_after_mm: mark.map(|m| m.lengths.worn_mm),
        lands_low_mm: mark.map(|m| m.lands_low_mm),
        lands_high_mm: mark.map(|m| m.lands_high_mm),
    }
}
