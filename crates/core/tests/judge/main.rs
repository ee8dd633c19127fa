//! What is found in a cut, and on which heads.
#![allow(clippy::panic, clippy::unwrap_used, reason = "a test that can't go on says so by failing")]

mod pairs;

use pairs::{Pair, all_layers, asked, fine, pairs, request, ringlets, straight, with};
use serde_json::{Value, json};
use spirel_core::fall::{AsWorn, ends, fall};
use spirel_core::judge::{Becomes, FindingCode, Uncut, rules};
use spirel_core::plan::{FallRequest, Plan};
use spirel_core::stop::Stop;
use std::collections::BTreeMap;

fn pair(code: FindingCode) -> Pair {
    pairs().into_iter().find(|pair| pair.code == code).unwrap()
}

fn said(request: &FallRequest) -> Vec<FindingCode> {
    request.answer().unwrap().findings.iter().map(|finding| finding.code).collect()
}

#[test]
fn every_finding_is_found_where_it_is_by_construction_and_not_beside_it() {
    let all = pairs();
    assert_eq!(all.iter().map(|pair| pair.code).collect::<Vec<_>>(), FindingCode::ALL);
    let failed: Vec<_> = all
        .iter()
        .map(|pair| {
            let of = |asked| request(asked).severities().unwrap()[&pair.code];
            (pair.code, of(&pair.with), of(&pair.without))
        })
        .filter(|(_, has, hasnt)| *has < 0.6 || *hasnt > 0.4)
        .collect();
    assert!(failed.is_empty(), "{failed:?}");
}

#[test]
fn a_severity_never_jumps_when_a_length_an_elevation_a_share_or_a_depth_moves_by_a_small_step() {
    let of = |name: &str, value: f64| -> Value {
        let figure = |at: &str, usual: f64| if at == name { value } else { usual };
        json!([
            {"region": "everything", "state": {"moisture": "wet", "comb": "wide"},
             "kind": {"perimeter": {"behind": {"point": "shoulder", "below_mm": figure("line", 0.0)}, "worn": true}}},
            {"region": "everything", "state": {"moisture": "wet", "comb": "wide"}, "kind": {"sections": {
                "layout": {"along": "horizontal", "thickness_mm": 20.0, "from": "nape_centre"},
                "hold": {"elevation_deg": figure("elevation", 80.0)}, "guide": {"travelling": {}},
                "length": {"held_mm": figure("length", 260.0)}}}},
            {"region": "everything", "technique": {"kind": "slide", "share": figure("share", 0.4), "depth_mm": figure("depth", 90.0)},
             "kind": {"weight": {"along": "horizontal", "thickness_mm": 20.0, "from": "nape_centre"}}}
        ])
    };
    let said = json!({"reasons": ["flat", "growing_out"]});
    let wish = json!({"risk": 0.05, "open_face": true, "zones": {
        "fringe": {"lands": {"point": "chin"}, "shortest": {"point": "lip"}}, "nape": {"lands": {"point": "collarbone"}}}});
    for reading in [ringlets(), straight(), fine()] {
        let on = |moves: &Value| {
            let asked = asked(reading.clone(), moves.as_array().unwrap());
            request(&with(
                with(with(asked, "talk", said.clone()), "aim", wish.clone()),
                "ties_back",
                json!(true),
            ))
        };
        let hair = on(&of("", 0.0)).head().grow().unwrap();
        let uncut = Uncut::of(&hair, fall(&hair, &hair.lengths));
        let at = |name: &str, value: f64| -> BTreeMap<FindingCode, f64> {
            on(&of(name, value)).severities_on(&hair, &uncut, &Stop::never()).unwrap()
        };
        // Each from here, by a millimetre, a degree or a percent.
        let sweeps = [
            ("line", -20.0, 1.0),
            ("elevation", 60.0, 1.0),
            ("length", 200.0, 1.0),
            ("share", 0.3, 0.01),
            ("depth", 60.0, 1.0),
        ];
        for (name, from, step) in sweeps {
            let mut before = at(name, from);
            for i in 1..=10 {
                let now = at(name, from + step * f64::from(i));
                for (code, severity) in &now {
                    let jump = (severity - before[code]).abs();
                    assert!(jump <= 0.05, "{name} {i}: {code:?} {} {severity}", before[code]);
                }
                before = now;
            }
        }
    }
}

#[test]
fn a_measure_is_what_another_way_of_measuring_gives() {
    let found = |code: FindingCode| {
        let request = request(&pair(code).with);
        let answer = request.answer().unwrap();
        let finding = answer.findings.iter().find(|finding| finding.code == code).unwrap().clone();
        (request, answer, finding)
    };
    // A triangle: two widths read off the outline at single heights.
    let (_, answer, triangle) = found(FindingCode::Triangle);
    let low = answer.after.perimeter_mm.iter().flatten().copied().fold(f64::INFINITY, f64::min);
    let ratio = answer.after.front.width_at_mm(low + 30.0) / answer.after.front.width_at_mm(60.0);
    assert!((triangle.measure / ratio - 1.0).abs() < 0.03, "{} {ratio}", triangle.measure);
    // A cap line: the longest empty stretch of a histogram of ends by single millimetres.
    let (request, _, cap) = found(FindingCode::CapLine);
    let hair = request.head().grow().unwrap();
    let lengths = spirel_core::cut::cut(&hair, &request.plan.cut).unwrap().lengths;
    let ends = ends(&hair, &AsWorn::of(&hair, &lengths));
    let all: f64 = ends.iter().map(|end| end.hairs).sum();
    let within = |from: f64, to: f64| {
        ends.iter().filter(|end| (from..to).contains(&end.at.y)).map(|end| end.hairs).sum::<f64>() / all
    };
    let gap = (-500..150)
        .map(f64::from)
        .filter(|from| within(*from, 400.0) >= 0.15)
        .flat_map(|top| (20..400).step_by(5).map(f64::from).map(move |gap| (top, gap)))
        .filter(|(top, gap)| within(top - gap, *top) <= 0.05 && within(-900.0, top - gap) >= 0.15)
        .map(|(_, gap)| gap)
        .fold(0.0, f64::max);
    assert!((cap.measure - gap).abs() < 12.0, "{} {gap}", cap.measure);
    // Sides: the mass of the zones.
    let (_, answer, differ) = found(FindingCode::SidesDiffer);
    let mass =
        |zone: &str| answer.after.zones.iter().find(|fall| json!(fall.zone) == json!(zone)).unwrap().mass_g;
    assert!(
        mass("right_side") > mass("left_side") && differ.place.at[0] < 0.0,
        "the longer side is looked at"
    );
}

#[test]
fn what_is_found_has_its_place_its_steps_and_how_sure_it_is() {
    let judged = request(&pair(FindingCode::CapLine).with).judge().unwrap();
    let cap = judged.findings.iter().find(|found| found.code == FindingCode::CapLine).unwrap();
    assert_eq!((cap.steps.as_slice(), cap.confidence), ([0].as_slice(), Some(1.0)));
    assert!(cap.measure > cap.threshold && cap.before.is_some_and(|before| before < cap.threshold));
    // The one of two steps that makes it.
    let mut two = pair(FindingCode::GuideDrift).with;
    let moves = two["plan"]["cut"]["moves"].as_array_mut().unwrap();
    moves.insert(0, pairs::shoulder_line());
    let drift = request(&two).judge().unwrap();
    assert_eq!(drift.findings.iter().find(|found| found.code == FindingCode::GuideDrift).unwrap().steps, [1]);
    // On the threshold nobody can be sure.
    let rule = FindingCode::Triangle.rule();
    let mut edge = request(&pair(FindingCode::Triangle).with);
    let measure = edge.answer().unwrap().findings[0].measure;
    edge.thresholds.insert(FindingCode::Triangle, measure.min(rule.greatest) - 0.01);
    let confidence = edge.judge().unwrap().findings[0].confidence.unwrap();
    assert!((0.1..1.0).contains(&confidence), "{confidence}");
}

#[test]
fn what_is_offered_cures_and_brings_nothing() {
    let mut cured = 0;
    for code in
        [FindingCode::ChoppyBack, FindingCode::CapLine, FindingCode::Triangle, FindingCode::TensionHigh]
    {
        let asked = request(&pair(code).with);
        let known = asked.severities().unwrap();
        let judged = asked.judge().unwrap();
        let found = judged.findings.iter().find(|found| found.code == code).unwrap();
        assert!(found.cures.len() <= 3);
        for cure in &found.cures {
            cured += 1;
            let left = said(&FallRequest { plan: Plan::of(cure.cut.clone()), ..asked.clone() });
            assert!(!left.contains(&code), "{code:?} {}", cure.text);
            assert!(left.iter().all(|code| known[code] >= 0.5), "{code:?} {}: {left:?}", cure.text);
            assert!(!cure.steps.is_empty() && cure.cut.check().is_ok());
        }
    }
    assert!(cured >= 3, "{cured}");
}

#[test]
fn a_house_is_as_lenient_as_it_says_within_what_is_plausible() {
    let mut asked = request(&pair(FindingCode::ChoppyBack).with);
    assert!(said(&asked).contains(&FindingCode::ChoppyBack));
    let rule = FindingCode::ChoppyBack.rule();
    asked.thresholds.insert(FindingCode::ChoppyBack, rule.greatest);
    assert!(!said(&asked).contains(&FindingCode::ChoppyBack));
    asked.thresholds.insert(FindingCode::ChoppyBack, rule.greatest + 1.0);
    assert_eq!(asked.answer().unwrap_err().0[0].field, "thresholds.choppy_back");
    assert_eq!(rules().len(), FindingCode::COUNT);
}

#[test]
fn weight_that_is_banked_is_found_only_once_the_step_that_takes_it_is_done() {
    let mut corner = pair(FindingCode::HeavyCorner).with;
    let moves = corner["plan"]["cut"]["moves"].as_array_mut().unwrap();
    // The corner is left by a line round the left side, until a step that comes to take it.
    let mut keeps = pairs::line(json!({"zone": "left_side"}), "collarbone", 150.0);
    keeps["banked_until"] = json!(2);
    moves.insert(0, keeps);
    moves.push(pairs::line(json!("everything"), "collarbone", 150.0));
    let mut asked = request(&corner);
    let has = |asked: &FallRequest| said(asked).contains(&FindingCode::HeavyCorner);
    assert!(has(&asked), "it was never taken");
    asked.done = Some(2);
    assert!(!has(&asked), "it is left on purpose");
    asked.plan.cut.moves[0].banked_until = None;
    assert!(has(&asked));
}

#[test]
fn what_the_client_came_for_is_answered_with_what_is_left_of_it() {
    let talk = json!({"reasons": ["wide_at_the_bottom", "heavy", "change"]});
    let becomes = |moves: &[Value]| {
        let lenient = with(asked(ringlets(), moves), "thresholds", json!({"triangle": 1.15}));
        let asked = request(&with(lenient, "talk", talk.clone()));
        asked.answer().unwrap().talk.iter().map(|answer| answer.becomes).collect::<Vec<_>>()
    };
    // In the order in which reasons are kept; a change is no complaint.
    assert_eq!(becomes(&[])[0], Becomes::Same);
    let guided = json!({"region": "everything", "state": {"moisture": "dry", "comb": "wide"}, "kind": {"sections": {
        "layout": {"along": "vertical", "thickness_mm": 20.0, "from": "apex"}, "hold": {"elevation_deg": 90.0},
        "guide": "stationary", "length": {"worn_mm": 110.0}}}});
    // Uncut, this hair is no triangle; a line makes it one, and everything brought to one guide takes that back.
    assert_eq!(becomes(&[pairs::shoulder_line()])[1], Becomes::More);
    assert_eq!(becomes(&[pairs::shoulder_line(), guided])[1], Becomes::NotSeen);
    let even = becomes(&[all_layers(200.0)]);
    assert_eq!(even[0], Becomes::Less, "{even:?}");
}

#[test]
fn nothing_is_found_of_a_promise_before_anything_is_cut_and_a_broken_plan_is_named() {
    let wish = pair(FindingCode::WishMissed).with;
    let mut asked = request(&wish);
    asked.plan.cut.moves.clear();
    assert!(!said(&asked).contains(&FindingCode::WishMissed));
    let mut broken = request(&wish);
    broken.plan.cut.version = 9;
    assert_eq!(broken.judge().unwrap_err().0[0].field, "plan.cut.version");
    let mut broken = request(&wish);
    broken.aim.as_mut().unwrap().risk = 7.0;
    assert_eq!(broken.judge().unwrap_err().0[0].field, "aim.risk");
}
