//! Plans that are proposed: on heads that a way of working is for and on heads it refuses, against wishes, pins and rules.

mod heads;

use heads::{ask, asked, coils, fine, ringlets, straight, thick, wave};
use rayon::ThreadPoolBuilder;
use serde_json::{Value, json};
use spirel_core::cut::{Cut, MoveKind, TechniqueKind};
use spirel_core::fall::fall;
use spirel_core::fibre::{Moisture, WornStyle};
use spirel_core::head::Zone;
use spirel_core::judge::Uncut;
use spirel_core::method::methods;
use spirel_core::planner::{PlanAnswer, PlanRequest};
use spirel_core::stop::Stop;
use std::collections::BTreeSet;

/// A head each way of working is for, and one it refuses.
fn for_and_not(key: &str) -> (PlanRequest, PlanRequest) {
    let shoulder = || json!({"lands": {"point": "shoulder"}});
    let line = |point: &str| {
        let at = json!({"lands": {"point": point}});
        json!({"nape": at, "back_lower": at, "left_side": at, "right_side": at})
    };
    let layered = |point: &str, top_mm: f64| {
        let mut zones = line(point);
        zones["top"] = json!({"worn_mm": top_mm});
        zones["crown"] = json!({"worn_mm": top_mm});
        zones
    };
    let fringe = || json!({"fringe": {"lands": {"point": "brow"}}});
    let kept = || json!({"nape": shoulder()});
    let (yes, no) = match key {
        "level_line" => ((wave(), line("shoulder"), "tidy"), (coils(), line("chin"), "tidy")),
        "pointed_line" => ((thick(), line("chin"), "tidy"), (ringlets(), line("shoulder"), "tidy")),
        "solid_texture" => ((thick(), line("shoulder"), "heavy"), (fine(), line("shoulder"), "heavy")),
        "wet_line_dry_layers" => (
            (ringlets(), layered("shoulder", 170.0), "wide_at_the_bottom"),
            (straight(), line("chin"), "tidy"),
        ),
        "worn_state_curl" => ((ringlets(), kept(), "tidy"), (straight(), kept(), "tidy")),
        "face_twists" => ((ringlets(), line("shoulder"), "frizzy"), (straight(), line("shoulder"), "frizzy")),
        "round_layers" => {
            ((wave(), layered("shoulder", 180.0), "heavy"), (straight(), line("cheekbone"), "tidy"))
        }
        "all_to_centre" => ((fine(), line("shoulder"), "flat"), (coils(), line("chin"), "flat")),
        "concave_round" => ((coils(), line("chin"), "change"), (straight(), line("chin"), "change")),
        "square_base" => {
            ((wave(), layered("shoulder", 200.0), "heavy"), (coils(), layered("lip", 60.0), "tidy"))
        }
        "curly_bob" => ((coils(), line("chin"), "tidy"), (straight(), line("chin"), "tidy")),
        "stacked_nape" => ((fine(), line("lip"), "tidy"), (fine(), line("armpit"), "tidy")),
        "detached_crown" => ((fine(), kept(), "flat"), (thick(), kept(), "flat")),
        "blunt_base" => {
            ((fine(), layered("shoulder", 220.0), "thin_ends"), (ringlets(), line("shoulder"), "tidy"))
        }
        "propped_inside" => ((fine(), line("shoulder"), "flat"), (coils(), line("chin"), "flat")),
        "dry_refresh" => ((wave(), kept(), "growing_out"), (wave(), line("lip"), "tidy")),
        "fringe_and_frame" => ((straight(), fringe(), "change"), (straight(), line("shoulder"), "change")),
        other => panic!("{other} has no heads"),
    };
    let one = |(reading, zones, reason): (Value, Value, &str)| {
        let mut request = asked(reading, zones, reason);
        request["methods"] = json!([key]);
        ask(request)
    };
    let no_wish_of_its_own = |mut request: PlanRequest| {
        if key == "dry_refresh" || key == "worn_state_curl" || key == "detached_crown" {
            // Where it already is.
            if let Some(wish) = request.aim.zones.get_mut(&spirel_core::head::Zone::Nape) {
                wish.lands = wish.lands.map(|at| spirel_core::head::Place { below_mm: 300.0, ..at });
            }
        }
        request
    };
    let refused = if key == "dry_refresh" { one(no) } else { no_wish_of_its_own(one(no)) };
    (no_wish_of_its_own(one(yes)), refused)
}

#[test]
fn every_way_of_working_is_proposed_on_a_head_it_is_for_and_refuses_another() {
    let mut wrong = Vec::new();
    for shipped in methods() {
        let (yes, no) = for_and_not(shipped.key);
        let for_it = yes.propose().expect("possible");
        match for_it.proposals.first() {
            Some(plan) if plan.method == shipped.key && !plan.why.is_empty() => {}
            other => {
                wrong.push(format!("{} is not proposed: {other:?} {:?}", shipped.key, for_it.considered))
            }
        }
        let refused = no.propose().expect("possible");
        let said = refused.considered.iter().any(|other| other.method == shipped.key);
        if !refused.proposals.is_empty() || !said {
            wrong.push(format!("{} does not refuse", shipped.key));
        }
    }
    assert!(wrong.is_empty(), "{wrong:#?}");
}

fn line_at(point: &str) -> Value {
    let at = json!({"lands": {"point": point}});
    json!({"nape": at, "back_lower": at, "left_side": at, "right_side": at})
}

#[test]
fn wishes_that_can_be_had_are_met_by_several_ways_each_with_its_reasons() {
    let layered = |top: f64| {
        let mut zones = line_at("shoulder");
        zones["top"] = json!({"worn_mm": top});
        zones["crown"] = json!({"worn_mm": top});
        zones
    };
    for (reading, zones, reason) in [
        (straight(), line_at("chin"), "tidy"),
        (fine(), line_at("shoulder"), "flat"),
        (wave(), layered(190.0), "heavy"),
        (ringlets(), layered(170.0), "wide_at_the_bottom"),
        (coils(), line_at("chin"), "change"),
    ] {
        let answer = ask(asked(reading, zones, reason)).propose().expect("possible");
        let ways: BTreeSet<&str> = answer.proposals.iter().map(|plan| plan.method.as_str()).collect();
        assert!(ways.len() == answer.proposals.len() && ways.len() >= 2, "{ways:?}");
        let first = &answer.proposals[0];
        assert!(first.score.wish_rms_mm < 6.0, "{} {:?}", first.method, first.zones);
        assert!(answer.proposals.windows(2).all(|two| two[0].score.total <= two[1].score.total));
        let named = answer.proposals.len() + answer.considered.len();
        assert_eq!(named, methods().len(), "every method is proposed, or it is said why not");
        assert!(!first.states.is_empty() && first.minutes > 5.0);
    }
}

#[test]
fn a_plan_is_the_same_bit_for_bit_on_any_number_of_threads_and_ends_when_nobody_waits() {
    let request = ask(asked(wave(), line_at("shoulder"), "heavy"));
    let on = |threads: usize| -> PlanAnswer {
        let pool = ThreadPoolBuilder::new().num_threads(threads).build().expect("threads");
        pool.install(|| request.propose().expect("possible"))
    };
    let one = on(1);
    assert_eq!(one, on(2));
    assert_eq!(one, on(4));
    let hair = request.of(Cut::default()).head().grow().expect("possible");
    let uncut = Uncut::of(&hair, fall(&hair, &hair.lengths));
    let stop = Stop::never();
    stop.stop();
    assert!(request.propose_on(&hair, &uncut, &stop, &|_| {}).is_err());
}

#[test]
fn what_is_pinned_stays_and_the_rest_is_solved_round_it() {
    let mut request = ask(asked(thick(), line_at("shoulder"), "heavy"));
    request.pins.no_thinning = true;
    request.pins.moisture = Some(Moisture::Dry);
    for plan in request.propose().expect("possible").proposals {
        for move_ in plan.cut.moves.iter().filter(|move_| !move_.off) {
            let weight = matches!(move_.kind, MoveKind::Weight(_));
            assert!(!weight && move_.technique.kind == TechniqueKind::Blunt, "{}", plan.method);
            assert!(matches!(move_.kind, MoveKind::Pause(_)) || move_.state.moisture == Moisture::Dry);
        }
    }
    // A cut of two lines is solved again with the first one held.
    let at = |below: f64| json!({"point": "chin", "below_mm": below});
    let line = |half: &str, below: f64| json!({"region": {"half": half}, "kind": {"perimeter": {"behind": at(below), "worn": true}}});
    let cut = json!({"format": "spirel.cut", "version": 3, "name": "two", "moves": [line("left", 10.0), line("right", 10.0)]});
    let mut again = asked(straight(), line_at("shoulder"), "tidy");
    again["pins"] = json!({"cut": cut, "held": [0]});
    let plan = ask(again).propose().expect("possible").proposals.remove(0);
    let below = |i: usize| match &plan.cut.moves[i].kind {
        MoveKind::Perimeter(line) => line.behind.below_mm,
        _ => panic!("it stays a line"),
    };
    assert_eq!(below(0), 10.0);
    assert!(below(1) > 40.0, "{}", below(1));
}

#[test]
fn what_is_wished_of_width_and_of_time_is_answered() {
    let asked = |name: &str, value: Value| {
        let mut request = asked(ringlets(), line_at("shoulder"), "heavy");
        request["methods"] = json!(["round_layers", "square_base", "dry_refresh"]);
        match name {
            "widths" => request["aim"]["widths"] = json!([{"at": {"point": "chin"}, "width_mm": value}]),
            _ => request[name] = value,
        }
        ask(request).propose().expect("possible").proposals.remove(0)
    };
    let width = |wish: f64| asked("widths", json!(wish)).widths[0].reached_mm;
    let (narrow, wide) = (width(190.0), width(300.0));
    assert!(wide > narrow + 3.0, "{narrow} {wide}");
    let (short, long) = (asked("minutes", json!(15.0)).minutes, asked("minutes", json!(240.0)).minutes);
    assert!(short < long || (short - long).abs() < 1e-9, "{short} {long}");
}

#[test]
fn full_ends_a_state_by_zone_and_other_ways_of_wearing_are_answered() {
    let mut request = asked(ringlets(), line_at("shoulder"), "heavy");
    request["methods"] = json!(["round_layers", "level_line", "all_to_centre"]);
    let light = |ends: Value| {
        let mut request = request.clone();
        request["aim"]["ends_mm"] = ends;
        ask(request).propose().expect("possible").proposals.remove(0).ends_mm
    };
    let (free, full) = (light(Value::Null), light(json!(0.0)));
    assert!(full <= free + 1e-9, "{full} {free}");
    let mut pinned = request.clone();
    pinned["pins"] = json!({"states": {"nape": "dry"}});
    for plan in ask(pinned).propose().expect("possible").proposals {
        let nape = plan.states.iter().find(|state| state.zone == Zone::Nape).expect("it is cut");
        assert_eq!(nape.moisture, Moisture::Dry, "{}", plan.method);
    }
    request["aim"]["also_worn"] = json!(["smoothed", "as_it_springs"]);
    request["talk"]["part"] = json!("moves");
    for plan in ask(request.clone()).propose().expect("possible").proposals {
        let ways: Vec<_> = plan.other_ways.iter().map(|way| (way.worn, way.other_parting)).collect();
        // As it springs is how it is worn anyway.
        assert_eq!(ways, [(Some(WornStyle::Smoothed), false), (None, true)]);
        let found = plan.other_ways.iter().any(|way| !way.findings.is_empty());
        assert!(plan.score.other_ways > 0.0 || !found);
        let by_parts = plan.score.wishes
            + plan.score.widths
            + plan.score.ends
            + plan.score.findings
            + plan.score.other_ways
            + plan.score.minutes
            + plan.score.hair
            + plan.score.suits;
        assert!((plan.score.total - by_parts).abs() < 1e-9);
    }
    request["aim"]["ends_mm"] = json!(-3.0);
    request["aim"]["also_worn"] = json!(["smoothed", "smoothed", "smoothed", "smoothed"]);
    let faults = ask(request).propose().expect_err("neither can be").0;
    let fields: Vec<&str> = faults.iter().map(|fault| fault.field.as_str()).collect();
    assert_eq!(fields, ["aim.ends_mm", "aim.also_worn"]);
}

#[test]
fn what_cannot_be_had_together_has_its_price_and_what_is_met_has_none() {
    // One line all round, and a nape half as long as what hangs over it at the sides.
    let mut wishes = line_at("shoulder");
    wishes["back_lower"] = json!({"lands": {"point": "chin"}});
    let mut torn = asked(straight(), wishes, "tidy");
    torn["methods"] = json!(["level_line"]);
    let plan = ask(torn).propose().expect("possible").proposals.remove(0);
    let trade = plan.trade_off.expect("the line can't be in both places");
    assert!(trade.now_mm.abs() > 5.0 && trade.then_mm.abs() <= trade.now_mm.abs());
    let zone = plan.zones.iter().find(|zone| zone.zone == trade.zone).expect("it is wished");
    let most = plan.zones.iter().map(|zone| zone.shorter_mm.abs()).fold(0.0, f64::max);
    assert!((zone.shorter_mm - trade.now_mm).abs() < 1e-6 && zone.shorter_mm.abs() == most);
    let mut met = asked(straight(), line_at("shoulder"), "tidy");
    met["methods"] = json!(["level_line"]);
    assert_eq!(ask(met).propose().expect("possible").proposals.remove(0).trade_off, None);
}

#[test]
fn a_wish_that_moves_moves_the_plan_no_more_than_it_must() {
    let ends = |below: f64| -> Vec<f64> {
        let at = json!({"lands": {"point": "shoulder", "below_mm": below}});
        let zones = json!({"nape": at, "back_lower": at, "left_side": at, "right_side": at});
        let mut request = asked(wave(), zones, "tidy");
        request["methods"] = json!(["level_line"]);
        let plan = ask(request).propose().expect("possible").proposals.remove(0);
        plan.zones.iter().map(|zone| zone.reached_mm).collect()
    };
    for (one, other) in ends(0.0).iter().zip(ends(5.0)) {
        assert!((one - other - 5.0).abs() < 3.0, "{one} {other}");
    }
}

#[test]
fn rules_that_are_off_are_not_followed_and_what_cannot_be_is_said_at_its_field() {
    let first = |rules: Value| {
        let mut request = asked(ringlets(), line_at("shoulder"), "tidy");
        request["rules"] = rules;
        ask(request).propose().expect("possible").proposals.remove(0)
    };
    let usual = first(json!({}));
    let rule = *usual.follows.first().expect("it follows one");
    let without = first(json!({"off": [rule]}));
    assert!(!without.follows.contains(&rule) && !without.against.contains(&rule));
    // Whoever cuts everything dry has no way of working in which only the layers are dry.
    let mut dry = asked(ringlets(), line_at("shoulder"), "tidy");
    dry["rules"] = json!({"sides": {"state": "all dry"}});
    let answer = ask(dry).propose().expect("possible");
    let refused = |other: &&spirel_core::planner::Considered| other.why_not.id == "plan-considered-side";
    assert!(answer.considered.iter().filter(refused).any(|other| other.method == "wet_line_dry_layers"));
    let mut bad = asked(straight(), line_at("chin"), "tidy");
    bad["methods"] = json!(["guesswork"]);
    bad["minutes"] = json!(1);
    bad["pins"] = json!({"held": [3]});
    bad["rules"] = json!({"off": [400], "sides": {"state": "frozen"}});
    let faults = ask(bad).propose().expect_err("none of it can be").0;
    let fields: BTreeSet<&str> = faults.iter().map(|fault| fault.field.as_str()).collect();
    assert_eq!(
        fields,
        BTreeSet::from(["methods.0", "minutes", "pins.held.0", "rules.off", "rules.sides.state"])
    );
}

#[test]
fn a_wish_longer_than_the_hair_says_how_many_weeks_and_is_held_against_what_is_there() {
    let answer = ask(asked(coils(), line_at("waist"), "growing_out")).propose().expect("possible");
    assert!(
        answer.out_of_reach.iter().any(|far| far.weeks > 20.0 && far.lacks_mm > 50.0),
        "{:?}",
        answer.out_of_reach
    );
    assert!(answer.proposals[0].score.wish_rms_mm < 6.0);
}
