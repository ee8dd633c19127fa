//! Heads and wishes to be planned for.

use serde_json::{Value, json};
use spirel_core::planner::PlanRequest;

fn reading(stretched_mm: f64, sprung_mm: f64, width: &str, hairs_per_cm2: f64) -> Value {
    let zone = json!({"stretched_mm": stretched_mm, "sprung_mm": sprung_mm, "width_class": width});
    let zones = ["fringe", "top", "crown", "left_side", "right_side", "back_upper", "back_lower", "nape"];
    let zones: serde_json::Map<String, Value> =
        zones.iter().map(|name| ((*name).to_owned(), zone.clone())).collect();
    json!({"zones": zones, "hairs_per_cm2": hairs_per_cm2})
}

pub fn straight() -> Value {
    reading(420.0, 415.0, "medium", 180.0)
}

pub fn fine() -> Value {
    reading(380.0, 368.0, "fine", 130.0)
}

pub fn wave() -> Value {
    reading(420.0, 350.0, "fine", 180.0)
}

pub fn thick() -> Value {
    reading(440.0, 430.0, "coarse", 220.0)
}

pub fn ringlets() -> Value {
    reading(560.0, 330.0, "medium", 200.0)
}

pub fn coils() -> Value {
    reading(320.0, 150.0, "medium", 220.0)
}

/// A reading with wishes by zone and a reason to come.
pub fn asked(reading: Value, zones: Value, reason: &str) -> Value {
    json!({"reading": reading, "aim": {"zones": zones}, "talk": {"reasons": [reason]}})
}

pub fn ask(request: Value) -> PlanRequest {
    serde_json::from_value(request).expect("a request")
}
