//! Every figure of a zone as it was measured: who, when, with what. A correction is a row of its own.

use chrono::{DateTime, Utc};
use serde::Serialize;
use serde_json::{Value, json};
use spirel_core::head::Patch;
use spirel_core::reading::{RawZoneReading, ZoneFigure};
use spirel_store::PartVersion;
use utoipa::ToSchema;

/// Of each further strand.
const OF_STRAND: [ZoneFigure; 2] = [ZoneFigure::StretchedMm, ZoneFigure::SprungMm];

/// One figure as somebody measured it.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct FigureRow {
    /// Which figure of the zone; of further strands with their number, from 0: `again.0.sprung_mm`.
    pub field: String,
    /// The figure; neither that nor a word where it was taken out again.
    pub value: Option<f64>,
    /// The word, of what is said in words.
    pub word: Option<String>,
    /// One standard error that an instrument stated; none where it was measured by hand.
    pub instrument_sd: Option<f64>,
    /// Who saved it.
    pub by: String,
    /// When.
    pub at: DateTime<Utc>,
}

/// What was measured in a patch, by all versions of what was read there, oldest first.
pub fn figures(versions: &[PartVersion]) -> Vec<FigureRow> {
    let mut rows: Vec<FigureRow> = Vec::new();
    let strands = |version: &PartVersion| version.part["again"].as_array().map_or(0, Vec::len);
    let most = versions.iter().map(strands).max().unwrap_or_default();
    let further = (0..most)
        .flat_map(|i| OF_STRAND.map(|figure| (format!("again.{i}.{}", figure.key()), Some(i), figure.key())));
    let own = ZoneFigure::ALL.iter().map(|figure| (figure.key().to_owned(), None, figure.key()));
    let fields: Vec<_> = own.chain(further).collect();
    // What is taken for granted was not measured: it begins no row, and a figure taken out goes back to it.
    let granted = json!(RawZoneReading::default());
    for version in versions {
        let read = &version.part;
        for (field, strand, member) in &fields {
            let said = match &strand.map_or(read, |i| &read["again"][i])[member] {
                Value::Null if strand.is_none() => &granted[member],
                said => said,
            };
            let row = FigureRow {
                field: field.clone(),
                value: said.as_f64(),
                word: said.as_str().map(str::to_owned),
                instrument_sd: strand.map_or(&read["with"], |_| &Value::Null)[member]["sd"].as_f64(),
                by: version.saved_by.clone(),
                at: version.saved_at,
            };
            let before = rows.iter().rev().find(|row| row.field == *field);
            let stands = before.map_or_else(
                || (granted[field].as_f64(), granted[field].as_str().map(str::to_owned), None),
                |row| (row.value, row.word.clone(), row.instrument_sd),
            );
            if stands != (row.value, row.word.clone(), row.instrument_sd) {
                rows.push(row);
            }
        }
    }
    rows
}

/// A zone, or half of one, as it is asked for in an address.
pub fn patch_named(key: &str) -> Option<Patch> {
    serde_json::from_value(Value::from(key)).ok()
}

#[cfg(test)]
mod tests {
    use super::*;
    use spirel_core::head::Zone;

    fn version(number: u32, by: &str, part: Value) -> PartVersion {
        let at = DateTime::from_timestamp(1_700_000_000 + i64::from(number), 0).expect("a time");
        PartVersion { version: number, part, saved_by: by.into(), saved_at: at }
    }

    #[test]
    fn a_correction_is_a_row_of_its_own_and_what_stayed_is_none() {
        let versions = [
            version(1, "Ivo", json!({"stretched_mm": 300.0, "strands": 1})),
            version(2, "Ivo", json!({"stretched_mm": 300.0, "sprung_mm": 150.0, "strands": 1})),
            version(
                3,
                "Wren",
                json!({"stretched_mm": 310.5, "sprung_mm": 150.0, "strands": 4,
                "with": {"stretched_mm": {"sd": 1.0}}}),
            ),
            version(
                4,
                "Wren",
                json!({"stretched_mm": 310.5, "strands": 4, "with": {"stretched_mm": {"sd": 1.0}}}),
            ),
        ];
        let rows = figures(&versions);
        let said: Vec<_> = rows
            .iter()
            .map(|row| (row.field.as_str(), row.value, row.instrument_sd, row.by.as_str()))
            .collect();
        assert_eq!(
            said,
            [
                ("stretched_mm", Some(300.0), None, "Ivo"),
                ("sprung_mm", Some(150.0), None, "Ivo"),
                ("stretched_mm", Some(310.5), Some(1.0), "Wren"),
                ("strands", Some(4.0), None, "Wren"),
                ("sprung_mm", None, None, "Wren"),
            ]
        );
        assert!(figures(&[]).is_empty());
        assert_eq!((patch_named("nape"), patch_named("knee")), (Some(Zone::Nape.into()), None));
    }

    #[test]
    fn words_and_further_strands_are_rows_too() {
        let versions = [
            version(1, "Ivo", json!({"curl": "coil", "moisture": "dry"})),
            version(
                2,
                "Wren",
                json!({"curl": "ringlet", "moisture": "damp", "again": [{"stretched_mm": 300.0, "sprung_mm": 140.0}]}),
            ),
            version(
                3,
                "Wren",
                json!({"curl": "ringlet", "moisture": "damp", "again": [{"stretched_mm": 300.0, "sprung_mm": 144.0}]}),
            ),
        ];
        let rows = figures(&versions);
        let said: Vec<_> = rows
            .iter()
            .map(|row| (row.field.as_str(), row.value, row.word.as_deref(), row.by.as_str()))
            .collect();
        assert_eq!(
            said,
            [
                ("curl", None, Some("coil"), "Ivo"),
                ("curl", None, Some("ringlet"), "Wren"),
                ("moisture", None, Some("damp"), "Wren"),
                ("again.0.stretched_mm", Some(300.0), None, "Wren"),
                ("again.0.sprung_mm", Some(140.0), None, "Wren"),
                ("again.0.sprung_mm", Some(144.0), None, "Wren"),
            ]
        );
    }
}
