//! Seventeen ways of working, written as cuts, each with the head it is for.

use serde_json::{Value, json};
use spirel_core::cut::Cut;
use spirel_core::plan::FallRequest;
use spirel_core::reading::{RawReading, WidthClass};

use super::reading;

fn part(through: [&str; 3], with: &str) -> Value {
    json!({"side_of": {"parting": {"through": through}, "with": with}})
}

fn front() -> Value {
    part(["ear_top_left", "apex", "ear_top_right"], "hairline_centre")
}

fn back() -> Value {
    json!({"not": front()})
}

fn top() -> Value {
    part(["parietal_left", "crown", "parietal_right"], "apex")
}

fn all(parts: &[Value]) -> Value {
    json!({"all": parts})
}

fn sides() -> Value {
    json!({"any": [{"zone": "left_side"}, {"zone": "right_side"}]})
}

fn state(moisture: &str, comb: &str) -> Value {
    json!({"moisture": moisture, "comb": comb})
}

fn line(state: Value, point: &str, below_mm: f64, worn: bool) -> Value {
    json!({"region": "everything", "state": state,
           "kind": {"perimeter": {"behind": {"point": point, "below_mm": below_mm}, "worn": worn}}})
}

fn sections(
    region: Value,
    state: Value,
    along: Value,
    from: &str,
    hold: Value,
    guide: Value,
    length: Value,
) -> Value {
    json!({"region": region, "state": state, "kind": {"sections": {
        "layout": {"along": along, "thickness_mm": 15.0, "from": from}, "hold": hold, "guide": guide, "length": length}}})
}

/// With the perimeter left out of the hand.
fn spared(mut step: Value, point: &str, below_mm: f64) -> Value {
    step["kind"]["sections"]["drops"] = json!({"ends_below": {"point": point, "below_mm": below_mm}});
    step
}

fn textured(mut step: Value, technique: Value) -> Value {
    step["technique"] = technique;
    step
}

fn weight(region: Value, state: Value, technique: Value) -> Value {
    json!({"region": region, "state": state, "technique": technique,
           "kind": {"weight": {"along": "horizontal", "thickness_mm": 15.0, "from": "nape_centre"}}})
}

fn el(degrees: f64) -> Value {
    json!({"elevation_deg": degrees})
}

fn toward(degrees: f64, to: &str, share: f64) -> Value {
    json!({"elevation_deg": degrees, "over_direction": {"toward": to}, "share": share})
}

fn worn(mm: f64) -> Value {
    json!({"worn_mm": mm})
}

/// Every method: its name, and its cut on a head it is for.
pub fn methods() -> Vec<(&'static str, FallRequest)> {
    let wave = || reading(420.0, 375.0, WidthClass::Fine, 170.0);
    let thick = || reading(420.0, 410.0, WidthClass::Medium, 240.0);
    let ringlets = || reading(600.0, 330.0, WidthClass::Medium, 220.0);
    let coils = || reading(300.0, 130.0, WidthClass::Medium, 220.0);
    let fine = || reading(380.0, 370.0, WidthClass::Fine, 140.0);
    let (wet, wet_fine, damp, dry) =
        (state("wet", "wide"), state("wet", "fine"), state("damp", "wide"), state("dry", "wide"));
    let travelling = || json!({"travelling": {}});
    let of = |name, reading: RawReading, moves: Vec<Value>| {
        let cut = json!({"format": "spirel.cut", "version": 3, "name": name, "moves": moves});
        let cut: Cut = serde_json::from_value(cut).unwrap_or_else(|why| panic!("{name}: {why}"));
        (name, FallRequest::new(reading, cut))
    };
    let twist = |region: Value, point: &str| {
        json!({"region": region, "mirrored": true, "state": damp, "kind": {"gathered": {
            "layout": {"along": "horizontal", "thickness_mm": 15.0, "from": "hairline_centre", "piece_mm": 30.0}, "to": point, "past_mm": 40.0}}})
    };
    vec![
        of("1 level line", wave(), vec![line(wet.clone(), "shoulder", 0.0, true)]),
        of(
            "2 all-pointed sleek line",
            thick(),
            vec![
                textured(
                    line(wet_fine.clone(), "collarbone", 0.0, false),
                    json!({"kind": "point", "share": 0.5, "depth_mm": 12.0}),
                ),
                weight(
                    json!({"zone": "back_lower"}),
                    dry.clone(),
                    json!({"kind": "thin", "share": 0.2, "depth_mm": 60.0, "deeper_below": 1.0}),
                ),
            ],
        ),
        of(
            "3 texture between solid layers",
            thick(),
            vec![{
                let mut step = textured(
                    line(wet_fine.clone(), "shoulder", 20.0, false),
                    json!({"kind": "point", "share": 0.5, "depth_mm": 10.0}),
                );
                step["pattern"] = json!({"every": 2, "last_solid": true});
                step
            }],
        ),
        of(
            "4 wet line, dry layers",
            ringlets(),
            vec![
                line(wet.clone(), "shoulder", 20.0, true),
                spared(
                    sections(
                        back(),
                        dry.clone(),
                        json!("vertical"),
                        "nape_centre",
                        el(90.0),
                        travelling(),
                        worn(170.0),
                    ),
                    "shoulder",
                    -25.0,
                ),
                spared(
                    sections(
                        front(),
                        dry.clone(),
                        json!("vertical"),
                        "apex",
                        toward(90.0, "forward", 0.3),
                        travelling(),
                        worn(190.0),
                    ),
                    "shoulder",
                    -25.0,
                ),
            ],
        ),
        of(
            "5 worn-state long curl",
            ringlets(),
            vec![json!({"region": "everything", "state": state("dry", "none"), "kind": {"recoil": {
                "layout": {"along": "horizontal", "thickness_mm": 40.0, "from": "nape_centre"}, "share": 0.75}}})],
        ),
        of(
            "6 twists by face points",
            ringlets(),
            vec![line(damp.clone(), "collarbone", 0.0, true), twist(json!({"zone": "left_side"}), "chin")],
        ),
        of(
            "7 round layers, line spared",
            ringlets(),
            vec![
                line(wet.clone(), "collarbone", 0.0, true),
                spared(
                    sections(
                        back(),
                        wet.clone(),
                        json!("vertical"),
                        "nape_centre",
                        el(90.0),
                        travelling(),
                        worn(200.0),
                    ),
                    "collarbone",
                    -30.0,
                ),
                spared(
                    sections(
                        front(),
                        wet.clone(),
                        json!("vertical"),
                        "apex",
                        toward(90.0, "back", 0.3),
                        travelling(),
                        worn(220.0),
                    ),
                    "collarbone",
                    -30.0,
                ),
            ],
        ),
        of(
            "8 all to the centre",
            fine(),
            vec![spared(
                sections(
                    front(),
                    state("damp", "fine"),
                    json!("vertical"),
                    "hairline_centre",
                    el(90.0),
                    json!("stationary"),
                    worn(230.0),
                ),
                "shoulder",
                0.0,
            )],
        ),
        of(
            "9 concave round with fringe",
            coils(),
            vec![
                sections(
                    back(),
                    damp.clone(),
                    json!("vertical"),
                    "nape_centre",
                    el(90.0),
                    travelling(),
                    worn(95.0),
                ),
                sections(
                    front(),
                    damp.clone(),
                    json!({"diagonal": {"lower_in_front_deg": 30.0}}),
                    "apex",
                    el(60.0),
                    travelling(),
                    worn(110.0),
                ),
            ],
        ),
        of(
            "10 square from base weight",
            wave(),
            vec![line(damp.clone(), "shoulder", 0.0, true), {
                let mut step = spared(
                    sections(
                        top(),
                        damp.clone(),
                        json!("vertical"),
                        "crown",
                        el(90.0),
                        travelling(),
                        worn(210.0),
                    ),
                    "shoulder",
                    -20.0,
                );
                step["kind"]["sections"]["fingers"] = json!({"shape": "vertical"});
                step
            }],
        ),
        of(
            "11 curly bob, weight at cheek",
            coils(),
            vec![
                line(wet.clone(), "chin", 10.0, true),
                sections(
                    back(),
                    wet.clone(),
                    json!("vertical"),
                    "nape_centre",
                    el(45.0),
                    travelling(),
                    worn(90.0),
                ),
            ],
        ),
        of(
            "12 stacked nape",
            fine(),
            vec![
                line(damp.clone(), "chin", 0.0, true),
                sections(
                    json!({"any": [{"zone": "nape"}, {"zone": "back_lower"}]}),
                    damp.clone(),
                    json!("vertical"),
                    "nape_centre",
                    el(35.0),
                    travelling(),
                    worn(60.0),
                ),
            ],
        ),
        of(
            "13 detached crown",
            fine(),
            vec![sections(
                json!({"zone": "crown"}),
                dry.clone(),
                json!({"diagonal": {"lower_in_front_deg": 20.0}}),
                "crown",
                el(60.0),
                json!({"floating": {"step_mm": 4.0}}),
                worn(200.0),
            )],
        ),
        of(
            "14 blunt base, detached top",
            fine(),
            vec![
                line(dry.clone(), "shoulder", 0.0, true),
                textured(
                    sections(
                        top(),
                        dry.clone(),
                        json!("vertical"),
                        "crown",
                        json!({"elevation_deg": 150.0, "over_direction": "centre"}),
                        travelling(),
                        worn(240.0),
                    ),
                    json!({"kind": "point", "share": 0.5, "depth_mm": 10.0}),
                ),
            ],
        ),
        of(
            "15 propped inside",
            fine(),
            vec![
                line(wet.clone(), "shoulder", 10.0, true),
                weight(
                    all(&[top(), json!({"not": {"zone": "fringe"}})]),
                    dry.clone(),
                    json!({"kind": "brick", "share": 0.08}),
                ),
            ],
        ),
        of(
            "16 dry refresh",
            wave(),
            vec![
                weight(
                    json!({"zone": "nape"}),
                    dry.clone(),
                    json!({"kind": "skim", "share": 0.2, "depth_mm": 40.0}),
                ),
                weight(
                    json!({"zone": "back_upper"}),
                    dry.clone(),
                    json!({"kind": "back_cut", "share": 0.25, "depth_mm": 20.0}),
                ),
                weight(sides(), dry.clone(), json!({"kind": "slide", "share": 0.15, "depth_mm": 50.0})),
            ],
        ),
        of(
            "17 fringe and frame",
            fine(),
            vec![sections(
                part(["brow_left", "apex", "brow_right"], "hairline_centre"),
                dry.clone(),
                json!("vertical"),
                "hairline_centre",
                el(20.0),
                json!("stationary"),
                worn(95.0),
            )],
        ),
    ]
}
