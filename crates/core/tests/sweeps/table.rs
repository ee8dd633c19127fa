//! Small steps of each parameter of a cut, and what is looked at meanwhile.

use serde_json::{Value, json};
use spirel_core::cut::{Cut, cut};
use spirel_core::fall::{Fall, fall};
use spirel_core::grow::HairRequest;
use spirel_core::hair::Hair;
use spirel_core::head::Zone;
use spirel_core::reading::{RawReading, RawZoneReading};

/// A parameter, and from where to where it runs by what step.
pub struct Sweep {
    pub name: &'static str,
    /// The move it is in, or the moves.
    of: fn(f64) -> Value,
    pub from: f64,
    pub to: f64,
    pub step: f64,
}

fn sections(hold: Value, guide: Value, length: Value, more: Value) -> Value {
    let mut sections = json!({
        "layout": {"along": "horizontal", "thickness_mm": 15.0, "from": "nape_centre"},
        "hold": hold, "guide": guide, "length": length,
    });
    for (name, value) in more.as_object().into_iter().flatten() {
        sections[name] = value.clone();
    }
    json!({"name": "Swept", "region": "everything", "state": {"moisture": "wet", "comb": "wide"},
           "kind": {"sections": sections}})
}

fn plain(lift: f64) -> Value {
    json!({"elevation_deg": lift})
}

fn travelling() -> Value {
    json!({"travelling": {}})
}

/// Up the back from the nape, the fingers square to the hair.
fn upright(lift: f64) -> Value {
    let mut swept = sections(plain(lift), travelling(), json!({"held_mm": 120.0}), json!({}));
    let held = &mut swept["kind"]["sections"];
    held["layout"] = json!({"along": "vertical", "thickness_mm": 15.0, "from": "nape_centre"});
    held["fingers"] = json!({"shape": "square_to_hair"});
    swept
}

fn weight(technique: Value) -> Value {
    json!({"name": "Swept", "region": "everything", "state": {"moisture": "dry", "comb": "wide"},
           "technique": technique,
           "kind": {"weight": {"along": "vertical", "thickness_mm": 15.0, "from": "nape_centre"}}})
}

fn perimeter(line: Value) -> Value {
    json!({"name": "Swept", "region": "everything", "state": {"moisture": "wet", "comb": "wide"},
           "kind": {"perimeter": line}})
}

pub const SWEEPS: &[Sweep] = &[
    Sweep {
        name: "length held, mm",
        from: 140.0,
        to: 160.0,
        step: 0.5,
        of: |x| sections(plain(90.0), travelling(), json!({"held_mm": x}), json!({})),
    },
    Sweep {
        name: "length worn, mm",
        from: 120.0,
        to: 140.0,
        step: 0.25,
        of: |x| sections(plain(90.0), travelling(), json!({"worn_mm": x}), json!({})),
    },
    Sweep {
        name: "length it ends at, mm",
        from: 0.0,
        to: 20.0,
        step: 0.25,
        of: |x| {
            sections(
                plain(45.0),
                travelling(),
                json!({"ends_at": {"point": "shoulder", "below_mm": x}}),
                json!({}),
            )
        },
    },
    Sweep {
        name: "lift, degrees",
        from: 30.0,
        to: 100.0,
        step: 0.1,
        of: |x| sections(plain(x), travelling(), json!({"held_mm": 120.0}), json!({})),
    },
    Sweep {
        name: "guide's share",
        from: 0.2,
        to: 0.8,
        step: 0.005,
        of: |x| {
            sections(
                plain(45.0),
                json!({"travelling": {"guide_share": x}}),
                json!({"held_mm": 120.0}),
                json!({}),
            )
        },
    },
    Sweep {
        name: "drift, mm",
        from: -2.0,
        to: 2.0,
        step: 0.02,
        of: |x| {
            sections(
                plain(90.0),
                json!({"travelling": {"drift_mm": x}}),
                json!({"held_mm": 120.0}),
                json!({}),
            )
        },
    },
    Sweep {
        name: "step of a floating guide, mm",
        from: 0.0,
        to: 4.0,
        step: 0.05,
        of: |x| {
            sections(plain(90.0), json!({"floating": {"step_mm": x}}), json!({"held_mm": 120.0}), json!({}))
        },
    },
    Sweep {
        name: "share of the way over",
        from: 0.2,
        to: 0.8,
        step: 0.002,
        of: |x| {
            let hold = json!({"elevation_deg": 90.0, "over_direction": {"landmark": "crown"}, "share": x});
            sections(hold, travelling(), json!({"held_mm": 150.0}), json!({}))
        },
    },
    Sweep {
        name: "head tilt, degrees",
        from: 0.0,
        to: 30.0,
        step: 0.5,
        of: |x| {
            let hold = json!({"elevation_deg": 30.0, "tilt": {"forward_deg": x, "left_deg": 0.0}});
            sections(hold, travelling(), json!({"held_mm": 120.0}), json!({}))
        },
    },
    Sweep {
        name: "slant of the fingers, degrees",
        from: 0.0,
        to: 30.0,
        step: 0.5,
        of: |x| {
            let fingers = json!({"shape": "straight", "slant_deg": x, "longer_toward": "temple_left"});
            sections(plain(90.0), travelling(), json!({"held_mm": 150.0}), json!({"fingers": fingers}))
        },
    },
    Sweep {
        name: "bow of the fingers, mm",
        from: -20.0,
        to: 20.0,
        step: 0.5,
        of: |x| {
            let fingers = json!({"shape": "straight", "bow_mm": x});
            sections(plain(90.0), travelling(), json!({"held_mm": 150.0}), json!({"fingers": fingers}))
        },
    },
    Sweep {
        name: "thickness of a section, mm",
        from: 14.0,
        to: 16.0,
        step: 0.1,
        of: |x| {
            let mut swept = sections(plain(30.0), travelling(), json!({"held_mm": 120.0}), json!({}));
            swept["kind"]["sections"]["layout"]["thickness_mm"] = json!(x);
            swept
        },
    },
    Sweep {
        name: "drops what ends below, mm",
        from: 12.0,
        to: 22.0,
        step: 0.02,
        of: |x| {
            let drops = json!({"ends_below": {"point": "collarbone", "below_mm": x}});
            sections(plain(90.0), travelling(), json!({"held_mm": 150.0}), json!({"drops": drops}))
        },
    },
    Sweep {
        name: "line below the shoulder, worn, mm",
        from: -10.0,
        to: 10.0,
        step: 0.25,
        of: |x| perimeter(json!({"behind": {"point": "shoulder", "below_mm": x}, "worn": true})),
    },
    Sweep {
        name: "line below the shoulder, combed, mm",
        from: -10.0,
        to: 10.0,
        step: 0.5,
        of: |x| perimeter(json!({"behind": {"point": "shoulder", "below_mm": x}})),
    },
    Sweep {
        name: "tilt of the head under a line, degrees",
        from: 0.0,
        to: 20.0,
        step: 0.5,
        of: |x| perimeter(json!({"behind": {"point": "shoulder"}, "tilt_deg": x})),
    },
    Sweep {
        name: "share thinned",
        from: 0.05,
        to: 0.5,
        step: 0.0005,
        of: |x| weight(json!({"kind": "thin", "share": x, "depth_mm": 80.0})),
    },
    Sweep {
        name: "small share thinned",
        from: 0.0,
        to: 0.05,
        step: 0.0002,
        of: |x| weight(json!({"kind": "thin", "share": x, "depth_mm": 80.0})),
    },
    Sweep {
        name: "lift of upright sections, fingers square, degrees",
        from: 30.0,
        to: 120.0,
        step: 0.25,
        of: |x| upright(x),
    },
    Sweep {
        name: "depth thinned, mm",
        from: 20.0,
        to: 120.0,
        step: 0.5,
        of: |x| weight(json!({"kind": "thin", "share": 0.3, "depth_mm": x})),
    },
    Sweep {
        name: "share slid",
        from: 0.05,
        to: 0.5,
        step: 0.0005,
        of: |x| weight(json!({"kind": "slide", "share": x, "depth_mm": 80.0})),
    },
    Sweep {
        name: "stubs of bricks, mm",
        from: 20.0,
        to: 80.0,
        step: 0.5,
        of: |x| weight(json!({"kind": "brick", "share": 0.2, "depth_mm": x})),
    },
    Sweep {
        name: "bias below, share",
        from: 0.0,
        to: 1.0,
        step: 0.005,
        of: |x| weight(json!({"kind": "thin", "share": 0.3, "depth_mm": 80.0, "under": x})),
    },
    Sweep {
        name: "deeper below, share",
        from: 0.0,
        to: 1.0,
        step: 0.005,
        of: |x| weight(json!({"kind": "thin", "share": 0.3, "depth_mm": 80.0, "deeper_below": x})),
    },
    Sweep {
        name: "turns of a twist",
        from: 0.0,
        to: 20.0,
        step: 0.1,
        of: |x| {
            let layout =
                json!({"along": "vertical", "thickness_mm": 25.0, "from": "nape_centre", "piece_mm": 25.0});
            json!({"name": "Swept", "region": "everything", "state": {"moisture": "wet", "comb": "wide"},
               "kind": {"gathered": {"layout": layout, "toward": "forward", "drawn_mm": 250.0, "turns": x}}})
        },
    },
    Sweep {
        name: "drawn, mm",
        from: 200.0,
        to: 240.0,
        step: 0.25,
        of: |x| {
            let layout =
                json!({"along": "vertical", "thickness_mm": 25.0, "from": "nape_centre", "piece_mm": 25.0});
            json!({"name": "Swept", "region": "everything", "state": {"moisture": "wet", "comb": "wide"},
               "kind": {"gathered": {"layout": layout, "toward": "down", "drawn_mm": x}}})
        },
    },
    Sweep {
        name: "share that springs back",
        from: 0.4,
        to: 0.9,
        step: 0.005,
        of: |x| {
            let layout =
                json!({"along": "vertical", "thickness_mm": 25.0, "from": "nape_centre", "piece_mm": 25.0});
            let layers = sections(plain(90.0), travelling(), json!({"held_mm": 200.0}), json!({}));
            json!([layers, {"name": "Swept", "region": "everything", "state": {"moisture": "dry", "comb": "wide"},
               "kind": {"recoil": {"layout": layout, "share": x}}}])
        },
    },
];

pub const OUTPUTS: [&str; 9] =
    ["line", "widest", "at", "top", "temples", "strong to", "see-through", "mass %", "zones worn"];

/// What is looked at: heights and widths, mm; mass, % of all.
fn outputs(fall: &Fall, mass_g: f64) -> Vec<f64> {
    let line = fall.perimeter_mm.iter().flatten().copied().fold(f64::MAX, f64::min);
    let mut all = vec![
        line,
        fall.width_mm,
        fall.widest_at_mm,
        fall.front.heights_mm[0],
        fall.front.width_at_mm(40.0),
        fall.strong_to_mm,
        fall.see_through_below_mm,
        100.0 * fall.mass_g / mass_g,
    ];
    all.extend(fall.zones.iter().map(|zone| zone.worn_mm));
    all
}

/// What is looked at where a parameter is so much.
pub fn at(hair: &Hair, sweep: &Sweep, value: f64) -> Vec<f64> {
    let swept = (sweep.of)(value);
    let moves = if swept.is_array() { swept } else { json!([swept]) };
    let document = json!({"format": "spirel.cut", "version": 3, "name": "Sweep", "moves": moves});
    let plan: Cut = serde_json::from_value(document).unwrap_or_else(|why| panic!("{}: {why}", sweep.name));
    let result = cut(hair, &plan).unwrap_or_else(|faults| panic!("{}: {faults}", sweep.name));
    outputs(&fall(hair, &result.lengths), hair.mass_g(&hair.lengths))
}

/// A head of waves of one length.
pub fn head(roots: u32) -> Hair {
    let read = RawZoneReading { strands: 3, ..RawZoneReading::measured(600.0, 380.0) };
    let zones = Zone::ALL.into_iter().map(|zone| (zone.into(), read)).collect();
    HairRequest { roots, ..HairRequest::new(RawReading { zones, ..RawReading::default() }) }
        .grow()
        .expect("possible")
}
