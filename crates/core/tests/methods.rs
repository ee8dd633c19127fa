//! Three ways of working written down as cuts, and cuts of the format's first version still read.
#![allow(clippy::unwrap_used, reason = "a test that can't go on says so by failing")]

use spirel_core::cut::{Cut, CutResult, Move, MoveKind, MoveNote, cut, shipped};
use spirel_core::fall::{Fall, fall};
use spirel_core::grow::HairRequest;
use spirel_core::hair::Hair;
use spirel_core::head::{PartLine, Zone};
use spirel_core::reading::{RawReading, RawZoneReading, WidthClass};
use std::path::Path;

fn ringlets() -> Hair {
    let zone = RawZoneReading {
        width_class: Some(WidthClass::Medium),
        strands: 5,
        ..RawZoneReading::measured(620.0, 330.0)
    };
    let zones = Zone::ALL.into_iter().map(|z| (z.into(), zone)).collect();
    let reading = RawReading { zones, part: PartLine { left_mm: 25.0 }, ..RawReading::default() };
    HairRequest { roots: 2048, ..HairRequest::new(reading) }.grow().unwrap()
}

fn read(path: &Path) -> Cut {
    serde_json::from_str(&std::fs::read_to_string(path).unwrap())
        .unwrap_or_else(|why| panic!("{}: {why}", path.display()))
}

fn method(name: &str) -> Cut {
    let path = format!("{}/tests/methods/{name}.json", env!("CARGO_MANIFEST_DIR"));
    let method = read(Path::new(&path));
    method.check().unwrap();
    method
}

fn carried_out(hair: &Hair, method: &Cut) -> (CutResult, Fall) {
    let result = cut(hair, method).unwrap();
    for (move_, report) in method.moves.iter().zip(&result.moves) {
        if !matches!(move_.kind, MoveKind::Pause(_)) {
            assert!(report.taken_g > 0.0 && report.notes.is_empty(), "{}: {:?}", move_.name, report.notes);
        }
    }
    let fallen = fall(hair, &result.lengths);
    (result, fallen)
}

fn worn(fall: &Fall, zone: Zone) -> f64 {
    fall.zones.iter().find(|known| known.zone == zone).unwrap().worn_mm
}

#[test]
fn a_wet_line_with_dry_layers_turns_a_triangle_over() {
    let hair = ringlets();
    let method = method("wet_line_dry_layers");
    let mut line_only = method.clone();
    line_only.moves.truncate(1);
    let (_, triangle) = carried_out(&hair, &line_only);
    let (_, layered) = carried_out(&hair, &method);
    assert!(
        layered.widest_at_mm > triangle.widest_at_mm + 30.0,
        "{} {}",
        layered.widest_at_mm,
        triangle.widest_at_mm
    );
    assert!(layered.front.heights_mm[0] > triangle.front.heights_mm[0] + 5.0, "the top lifts");
    // Held forward, the sides keep more length towards the back than in front: held straight out they don't.
    let mut wrong = method.clone();
    for move_ in &mut wrong.moves[2..4] {
        if let MoveKind::Sections(sections) = &mut move_.kind {
            sections.hold.share = 0.0;
        }
    }
    let (_, square) = carried_out(&hair, &wrong);
    assert!((worn(&layered, Zone::LeftSide) - worn(&square, Zone::LeftSide)).abs() > 3.0);
}

#[test]
fn twists_give_lengths_that_grow_from_the_middle_of_the_face_and_spread_within_a_twist() {
    let hair = ringlets();
    let method = method("twists_by_face_points");
    let (result, fallen) = carried_out(&hair, &method);
    assert!(worn(&fallen, Zone::Fringe) < worn(&fallen, Zone::BackLower));
    let mut untwisted = method.clone();
    for move_ in &mut untwisted.moves {
        if let MoveKind::Gathered(gathered) = &mut move_.kind {
            gathered.turns = 0.0;
        }
    }
    let (plain, _) = carried_out(&hair, &untwisted);
    let mass = |result: &CutResult| hair.mass_g(&result.lengths);
    assert!(mass(&result) > mass(&plain) + 0.5, "what winds round the outside stays longer");
}

#[test]
fn a_concave_shape_is_short_at_the_crown_and_its_fringe_ends_below_the_brow() {
    let hair = ringlets();
    let method = method("concave_with_fringe");
    let (_, fallen) = carried_out(&hair, &method);
    assert!(worn(&fallen, Zone::Crown) < worn(&fallen, Zone::BackLower), "short to long");
    assert!(worn(&fallen, Zone::Fringe) < worn(&fallen, Zone::LeftSide) + 60.0);
    // The fingers set the profile: laid along the head they leave another length at the nape.
    let mut along = method.clone();
    along.moves.truncate(1);
    let concave = cut(&hair, &along).unwrap().lengths;
    if let MoveKind::Sections(sections) = &mut along.moves[0].kind {
        sections.fingers = spirel_core::cut::Fingers::default();
    }
    let even = cut(&hair, &along).unwrap().lengths;
    assert!(concave.iter().zip(&even).any(|(a, b)| (a[0] - b[0]).abs() > 10.0));
}

#[test]
fn cuts_of_earlier_versions_are_read_and_carried_out() {
    let hair = ringlets();
    let of_version = |version: u16| -> Vec<Cut> {
        let folder = format!("{}/tests/version_{version}", env!("CARGO_MANIFEST_DIR"));
        std::fs::read_dir(folder).unwrap().map(|file| read(&file.unwrap().path())).collect()
    };
    for old in of_version(1) {
        assert_eq!(old.version, 3, "{}", old.name);
        old.check().unwrap();
        cut(&hair, &old).unwrap();
    }
    // Version 2 had other names for the same things: what ships now does what was read from it, whatever its steps are called.
    let nameless = |cut: &Cut| {
        let moves = cut.moves.iter().map(|move_| Move { name: String::new(), ..move_.clone() }).collect();
        Cut { name: String::new(), purpose: String::new(), moves, ..cut.clone() }
    };
    let second = of_version(2);
    let as_read = |old: &&Cut| shipped().iter().any(|ships| nameless(&ships.cut) == nameless(old));
    // Two have been written anew: their sides are brought to one guide.
    let anew: Vec<&str> = second.iter().filter(|old| !as_read(old)).map(|old| old.name.as_str()).collect();
    assert_eq!(anew.len(), 2, "{anew:?}");
    assert_eq!((of_version(1).len(), second.len()), (14, 14));
}

#[test]
fn a_step_that_does_nothing_says_why() {
    let hair = ringlets();
    let mut plan = method("wet_line_dry_layers");
    plan.moves.truncate(1);
    plan.moves[0].state.comb = spirel_core::fibre::Comb::None;
    let notes = |plan: &Cut| cut(&hair, plan).unwrap().moves[0].notes.clone();
    assert_eq!(notes(&plan), [MoveNote::WetWithoutComb]);
    plan.moves[0].state = Default::default();
    plan.moves[0].region = serde_json::from_str(r#"{"all": [{"half": "left"}, {"half": "right"}]}"#).unwrap();
    assert_eq!(notes(&plan), [MoveNote::EmptyRegion]);
}
