//! Every figure of a zone as it was measured: who, when, with what. A correction is a row of its own.

use chrono::{DateTime, Utc};
use serde::Serialize;
use serde_json::Value;
use spirel_core::head::Patch;
use spirel_store::PartVersion;
use utoipa::ToSchema;

/// What is said of a zone, in the order in which it is shown: figures, and words.
const FIELDS: [&str; 13] = [
    "like",
    "stretched_mm",
    "shortest_mm",
    "sprung_mm",
    "wet_sprung_mm",
    "loop_mm",
    "turns",
    "curl",
    "width_um",
    "width_class",
    "hairs_per_cm2",
    "moisture",
    "strands",
];
/// Of each further strand.
const OF_STRAND: [&str; 2] = ["stretched_mm", "sprung_mm"];

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
    let further =
        (0..most).flat_map(|i| OF_STRAND.map(|field| (format!("again.{i}.{field}"), Some(i), field)));
    let fields: Vec<_> =
        FIELDS.map(|field| (field.to_owned(), None, field)).into_iter().chain(further).collect();
    for version in versions {
        let read = &version.part;
        for (field, strand, member) in &fields {
            let said = strand.map_or(read, |i| &read["again"][i])[member].clone();
            let row = FigureRow {
                field: field.clone(),
                value: said.as_f64(),
                word: said.as_str().map(str::to_owned),
                instrument_sd: strand.map_or(&read["with"], |_| &Value::Null)[member]["sd"].as_f64(),
                by: version.saved_by.clone(),
                at: version.saved_at,
            };
            let before = rows.iter().rev().find(|row| row.field == *field);
            let stands =
                before.map_or((None, None, None), |row| (row.value, row.word.clone(), row.instrument_sd));
            if stands != (row.value, row.word.clone(), row.instrument_sd) {
                rows.push(row);
            }
        }
    }
    // One dry strand is what is taken for granted.
    rows.retain(|row| {
        (row.field != "strands" || row.value != Some(1.0))
            && (row.field != "moisture" || row.word.as_deref().is_some_and(|word| word != "dry"))
    });
    rows
}

/// A zone, or half of one, as it is asked for in an address.
pub fn patch_named(key: &str) -> Option<Patch> {
    serde_json::from_value(Value::from(key)).ok()
}

#[cfg(test)]
mod tests {
    use super::*;
    use serde_json::json;
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
