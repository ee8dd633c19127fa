//! The CSV form of a visit: a row a zone, or half of one, with what was read, what is wished and the advised mark. Lengths are mm.
//! Strands measured one by one don't go into a row a zone: the JSON has them.
//! It holds names of ours and numbers only, so no cell can be taken for a formula.

use super::{ExchangeError, VisitFile};
use serde::Serialize;
use serde_json::{Value, json};
use spirel_core::FieldErrors;
use spirel_core::fibre::{Comb, Moisture};
use spirel_core::head::Point;
use spirel_core::mark::{Mark, MarkSheet, Outcome, SheetZone, mark_sheet};
use spirel_core::reading::ZoneFigure;
use spirel_core::talk::Talk;
use spirel_core::units::LengthUnit;

/// What is wished and advised for a zone, beside what was read.
#[derive(Serialize)]
struct Advice {
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

const ADVICE: [&str; 13] = [
    "lands_at",
    "below_mm",
    "target_worn_mm",
    "advised_moisture",
    "advised_comb",
    "outcome",
    "held_mm",
    "comb_mm",
    "allowance_mm",
    "fibre_after_mm",
    "worn_after_mm",
    "lands_low_mm",
    "lands_high_mm",
];

/// The table of a visit, its marks read on a comb of `unit`.
pub fn csv_of(file: &VisitFile, unit: LengthUnit) -> Result<String, ExchangeError> {
    let sheet = sheet_of(file, unit)?;
    let mut table = csv::WriterBuilder::new().has_headers(false).from_writer(Vec::new());
    let figures = ZoneFigure::ALL.iter().map(|figure| figure.key());
    let headings: Vec<&str> = std::iter::once("zone").chain(figures).chain(ADVICE).collect();
    table.serialize(headings)?;
    for marked in &sheet.zones {
        let read = json!(file.read.as_ref().and_then(|read| read.zones.get(&marked.patch)));
        let read: Vec<Option<&Value>> = ZoneFigure::ALL.iter().map(|figure| read.get(figure.key())).collect();
        table.serialize((marked.patch, read, advice(file, marked)))?;
    }
    let bytes = table.into_inner().map_err(|error| csv::Error::from(error.into_error()))?;
    // Every cell is text.
    Ok(String::from_utf8_lossy(&bytes).into_owned())
}

fn sheet_of(file: &VisitFile, unit: LengthUnit) -> Result<MarkSheet, FieldErrors> {
    let worn = file.talk.as_ref().map(Talk::wearing).unwrap_or_default();
    mark_sheet(&file.read.clone().unwrap_or_default(), &file.aim.clone().unwrap_or_default(), worn, unit)
}

fn advice(file: &VisitFile, marked: &SheetZone) -> Advice {
    let lands = file.aim.as_ref().and_then(|aim| aim.zones.get(&marked.zone)).and_then(|wish| wish.lands);
    let result = marked.result.as_ref();
    let mark: Option<Mark> = result.and_then(|result| {
        let advised = result.advised?;
        result.states.iter().find(|state| state.state == advised)?.mark
    });
    Advice {
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
