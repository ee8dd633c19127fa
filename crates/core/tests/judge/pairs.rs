//! For each finding a head and a cut that have it by construction, and the nearest that hasn't.

use serde_json::{Value, json};
use spirel_core::judge::FindingCode as F;
use spirel_core::plan::FallRequest;

/// A finding, what has it, and what hasn't.
pub struct Pair {
    pub code: F,
    pub with: Value,
    pub without: Value,
}

pub fn reading(stretched: f64, sprung: f64, width: &str, density: f64) -> Value {
    let zone = json!({"stretched_mm": stretched, "sprung_mm": sprung, "strands": 5, "width_class": width});
    let names = ["fringe", "top", "crown", "left_side", "right_side", "back_upper", "back_lower", "nape"];
    let zones: serde_json::Map<String, Value> =
        names.iter().map(|name| ((*name).to_owned(), zone.clone())).collect();
    json!({"zones": zones, "hairs_per_cm2": density})
}

pub fn straight() -> Value {
    reading(500.0, 497.0, "medium", 180.0)
}

pub fn ringlets() -> Value {
    reading(600.0, 300.0, "medium", 240.0)
}

pub fn fine() -> Value {
    reading(350.0, 340.0, "fine", 130.0)
}

pub fn line(region: Value, point: &str, below_mm: f64) -> Value {
    json!({"region": region, "state": {"moisture": "dry", "comb": "wide"},
           "kind": {"perimeter": {"behind": {"point": point, "below_mm": below_mm}, "worn": true}}})
}

pub fn shoulder_line() -> Value {
    line(json!("everything"), "shoulder", 0.0)
}

fn layers(region: Value, elevation_deg: f64, length: Value) -> Value {
    json!({"region": region, "state": {"moisture": "dry", "comb": "wide"}, "kind": {"sections": {
        "layout": {"along": "vertical", "thickness_mm": 20.0, "from": "crown"},
        "hold": {"elevation_deg": elevation_deg}, "guide": "free", "length": length}}})
}

pub fn all_layers(worn_mm: f64) -> Value {
    layers(json!("everything"), 90.0, json!({"worn_mm": worn_mm}))
}

fn weight(region: Value, technique: Value) -> Value {
    json!({"region": region, "state": {"moisture": "dry", "comb": "wide"}, "technique": technique,
           "kind": {"weight": {"along": "horizontal", "thickness_mm": 20.0, "from": "nape_centre"}}})
}

fn part(through: [&str; 3], with: &str) -> Value {
    json!({"side_of": {"parting": {"through": through}, "with": with}})
}

pub fn asked(reading: Value, moves: &[Value]) -> Value {
    json!({"reading": reading, "plan": {"cut": {"format": "spirel.cut", "version": 3, "name": "tried", "moves": moves}}})
}

pub fn with(mut request: Value, name: &str, value: Value) -> Value {
    request[name] = value;
    request
}

fn aim(zone: &str, wish: Value) -> Value {
    json!({"risk": 0.05, "zones": {zone: wish}})
}

pub fn request(of: &Value) -> FallRequest {
    serde_json::from_value(of.clone()).unwrap_or_else(|why| panic!("{why}: {of}"))
}

pub fn pairs() -> Vec<Pair> {
    let pair = |code, with, without| Pair { code, with, without };
    let above = part(["ear_top_left", "apex", "ear_top_right"], "hairline_centre");
    let upper = json!({"all": [json!({"not": {"zone": "nape"}}), json!({"not": {"zone": "back_lower"}}),
        json!({"not": {"zone": "left_side"}}), json!({"not": {"zone": "right_side"}})]});
    let beside_ear = json!({"all": [{"half": "left"}, {"not": {"zone": "nape"}}, {"not": {"zone": "back_lower"}},
        {"not": {"zone": "back_upper"}}, {"not": {"zone": "fringe"}}]});
    let fringe_of = |corners: [&str; 2]| part([corners[0], "apex", corners[1]], "hairline_centre");
    let fringe = |corners| layers(fringe_of(corners), 20.0, json!({"worn_mm": 80.0}));
    let drift = |mm: f64| {
        let mut move_ = layers(json!("everything"), 90.0, json!({"held_mm": 200.0}));
        move_["kind"]["sections"]["guide"] = json!({"travelling": {"drift_mm": mm}});
        move_
    };
    let tied = |length: f64| with(asked(straight(), &[all_layers(length)]), "ties_back", json!(true));
    let combed = |moisture: &str, comb: &str| {
        let mut move_ = layers(json!("everything"), 0.0, json!({"held_mm": 400.0}));
        move_["state"] = json!({"moisture": moisture, "comb": comb});
        move_
    };
    let thin = |moisture: &str| {
        let mut move_ = layers(json!("everything"), 90.0, json!({"held_mm": 350.0}));
        move_["state"] = json!({"moisture": moisture, "comb": "wide"});
        move_["kind"]["sections"]["layout"]["thickness_mm"] = json!(5.0);
        move_
    };
    let tilted = |degrees: f64| {
        let mut move_ = shoulder_line();
        move_["kind"]["perimeter"]["worn"] = json!(false);
        move_["kind"]["perimeter"]["tilt_deg"] = json!(degrees);
        move_
    };
    let lifted = |mm: f64| {
        vec![
            line(json!({"not": {"zone": "left_side"}}), "shoulder", 0.0),
            line(json!({"zone": "left_side"}), "shoulder", -mm),
        ]
    };
    let flat = |moves: &[Value]| with(asked(fine(), moves), "talk", json!({"reasons": ["flat"]}));
    let grows_back = || {
        let mut reading = straight();
        reading["spots"] =
            json!([{"kind": "regrowth", "at": "hairline_centre", "reach_mm": 120.0, "strength": 1.0}]);
        reading
    };
    let open = |moves: &[Value]| {
        with(asked(ringlets(), moves), "aim", json!({"risk": 0.05, "open_face": true, "zones": {}}))
    };
    let bounded = |worn: f64| {
        let mut cut = layers(json!({"zone": "fringe"}), 20.0, json!({"worn_mm": worn}));
        cut["state"] = json!({"moisture": "dry", "comb": "none"});
        let wish = aim("fringe", json!({"worn_mm": 140.0, "shortest_worn_mm": 120.0}));
        with(asked(ringlets(), &[cut]), "aim", wish)
    };
    let wished = |below: f64| {
        let wish = aim("nape", json!({"lands": {"point": "shoulder"}}));
        with(asked(straight(), &[line(json!("everything"), "shoulder", below)]), "aim", wish)
    };
    let grown_out = |worn: f64| {
        let cut = layers(json!({"zone": "fringe"}), 20.0, json!({"worn_mm": worn}));
        with(asked(straight(), &[cut]), "talk", json!({"fringe": "growing_out"}))
    };
    vec![
        pair(
            F::Triangle,
            asked(ringlets(), &[shoulder_line()]),
            asked(reading(600.0, 510.0, "medium", 180.0), &[shoulder_line()]),
        ),
        pair(
            F::Shelf,
            asked(ringlets(), &[line(json!("everything"), "chin", 0.0)]),
            asked(straight(), &[line(json!("everything"), "chin", 0.0)]),
        ),
        pair(
            F::Mushroom,
            asked(
                ringlets(),
                &[
                    layers(json!({"not": upper.clone()}), 90.0, json!({"worn_mm": 60.0})),
                    layers(upper.clone(), 90.0, json!({"worn_mm": 100.0})),
                ],
            ),
            asked(ringlets(), &[shoulder_line()]),
        ),
        pair(
            F::BroomEnds,
            asked(
                straight(),
                &[
                    shoulder_line(),
                    weight(json!("everything"), json!({"kind": "thin", "share": 0.9, "depth_mm": 80.0})),
                ],
            ),
            asked(straight(), &[shoulder_line()]),
        ),
        pair(
            F::SeeThroughEnds,
            asked(
                fine(),
                &[weight(json!("everything"), json!({"kind": "thin", "share": 0.8, "depth_mm": 150.0}))],
            ),
            asked(fine(), &[shoulder_line()]),
        ),
        pair(
            F::HoleAtEar,
            asked(straight(), &[layers(beside_ear, 90.0, json!({"worn_mm": 60.0}))]),
            asked(straight(), &[shoulder_line()]),
        ),
        pair(
            F::HeavyCorner,
            asked(
                straight(),
                &[layers(json!({"not": {"zone": "left_side"}}), 90.0, json!({"worn_mm": 150.0}))],
            ),
            asked(straight(), &[all_layers(150.0)]),
        ),
        pair(
            F::CapLine,
            asked(straight(), &[layers(above, 90.0, json!({"worn_mm": 60.0}))]),
            asked(straight(), &[all_layers(150.0)]),
        ),
        pair(
            F::ChoppyBack,
            with(
                asked(
                    reading(300.0, 290.0, "medium", 180.0),
                    &[{
                        let mut cut = layers(json!("everything"), 90.0, json!({"held_mm": 60.0}));
                        cut["kind"]["sections"]["guide"] = json!({"travelling": {}});
                        cut["kind"]["sections"]["layout"]["from"] = json!("nape_centre");
                        cut
                    }],
                ),
                "reading",
                {
                    let mut r = reading(300.0, 290.0, "medium", 180.0);
                    r["skull"] = json!({"occiput": -1.0});
                    r
                },
            ),
            with(asked(reading(300.0, 290.0, "medium", 180.0), &[all_layers(60.0)]), "reading", {
                let mut r = reading(300.0, 290.0, "medium", 180.0);
                r["skull"] = json!({"occiput": 1.0});
                r
            }),
        ),
        pair(
            F::SidesDiffer,
            asked(
                straight(),
                &[line(json!({"half": "left"}), "chin", 0.0), line(json!({"half": "right"}), "chin", 25.0)],
            ),
            asked(straight(), &[line(json!("everything"), "chin", 0.0)]),
        ),
        pair(F::LiftedLine, asked(straight(), &lifted(25.0)), asked(straight(), &[tilted(0.0)])),
        pair(F::FrontTooShort, bounded(122.0), bounded(220.0)),
        pair(
            F::FringeTooWide,
            asked(straight(), &[fringe(["temple_left", "temple_right"])]),
            asked(straight(), &[fringe(["brow_left", "brow_right"])]),
        ),
        pair(F::TieNotReached, tied(120.0), tied(420.0)),
        pair(
            F::WeightNearSurface,
            asked(
                straight(),
                &[weight(json!("everything"), json!({"kind": "slide", "share": 0.5, "depth_mm": 80.0}))],
            ),
            asked(
                straight(),
                &[weight(
                    json!({"zone": "back_lower"}),
                    json!({"kind": "slide", "share": 0.5, "depth_mm": 80.0}),
                )],
            ),
        ),
        pair(
            F::WeightTooDeep,
            asked(
                straight(),
                &[weight(json!("everything"), json!({"kind": "thin", "share": 0.8, "depth_mm": 300.0}))],
            ),
            asked(
                straight(),
                &[weight(json!("everything"), json!({"kind": "thin", "share": 0.3, "depth_mm": 40.0}))],
            ),
        ),
        pair(F::GuideDrift, asked(straight(), &[drift(2.0)]), asked(straight(), &[drift(0.1)])),
        pair(
            F::LayersLowOnFine,
            asked(fine(), &[all_layers(150.0)]),
            asked(fine(), &[layers(json!("everything"), 20.0, json!({"worn_mm": 150.0}))]),
        ),
        pair(
            F::TensionHigh,
            asked(ringlets(), &[combed("dry", "medium")]),
            asked(ringlets(), &[combed("dry", "none")]),
        ),
        pair(F::MoistureUneven, asked(ringlets(), &[thin("wet")]), asked(ringlets(), &[thin("dry")])),
        pair(F::Flat, flat(&[shoulder_line()]), flat(&[all_layers(100.0)])),
        pair(
            F::RegrowthStands,
            asked(grows_back(), &[shoulder_line()]),
            asked(grows_back(), &[all_layers(110.0)]),
        ),
        pair(
            F::ClosesFace,
            open(&[shoulder_line()]),
            open(&[layers(
                json!({"any": [{"zone": "fringe"}, {"zone": "top"}, {"zone": "left_side"}, {"zone": "right_side"}]}),
                90.0,
                json!({"worn_mm": 60.0}),
            )]),
        ),
        pair(F::WishMissed, wished(60.0), wished(0.0)),
        pair(F::KeptHairLost, grown_out(90.0), grown_out(490.0)),
    ]
}
