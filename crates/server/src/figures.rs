//! Every figure of a zone as it was measured: who, when, with what. A correction is a row of its own.

use chrono::{DateTime, Utc};
use serde::Serialize;
use serde_json::Value;
use spirel_core::reading::Zone;
use spirel_store::Document;
use utoipa::ToSchema;

/// Figures of a zone, in the order in which they are shown.
const FIELDS: [&str; 8] = [
    "stretched_mm",
    "sprung_mm",
    "wet_sprung_mm",
    "loop_mm",
    "turns",
    "width_um",
    "hairs_per_cm2",
    "strands",
];

/// One figure as somebody measured it.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct FigureRow {
    /// Which figure of the zone.
    pub field: String,
    /// The figure; none where it was taken out again.
    pub value: Option<f64>,
    /// One standard error that an instrument stated; none where it was measured by hand.
    pub instrument_sd: Option<f64>,
    /// Who saved it.
    pub by: String,
    /// When.
    pub at: DateTime<Utc>,
}

/// What was measured in a zone over all versions of a reading, oldest first.
pub fn figures(versions: &[Document], zone: Zone) -> Vec<FigureRow> {
    let mut rows: Vec<FigureRow> = Vec::new();
    for version in versions {
        let read = &version.body["zones"][zone.key()];
        for field in FIELDS {
            let value = read[field].as_f64();
            let sd = read["with"][field]["sd"].as_f64();
            let before = rows.iter().rev().find(|row| row.field == field);
            if before.map_or((None, None), |row| (row.value, row.instrument_sd)) == (value, sd) {
                continue;
            }
            rows.push(FigureRow {
                field: field.to_owned(),
                value,
                instrument_sd: sd,
                by: version.saved_by.clone(),
                at: version.saved_at,
            });
        }
    }
    // One strand is what is taken for granted.
    rows.retain(|row| row.field != "strands" || row.value != Some(1.0));
    rows
}

/// A zone as it is asked for in an address.
pub fn zone_named(key: &str) -> Option<Zone> {
    serde_json::from_value(Value::from(key)).ok()
}

#[cfg(test)]
mod tests {
    use super::*;
    use serde_json::json;
    use spirel_store::Stage;

    fn version(number: u32, by: &str, top: Value) -> Document {
        let body = json!({"zones": {"top": top}});
        let at = DateTime::from_timestamp(1_700_000_000 + i64::from(number), 0).expect("a time");
        Document { stage: Stage::Read, version: number, body, saved_by: by.into(), saved_at: at }
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
        let rows = figures(&versions, Zone::Top);
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
        assert!(figures(&versions, Zone::Nape).is_empty());
        assert_eq!((zone_named("nape"), zone_named("knee")), (Some(Zone::Nape), None));
    }
}
