//! What is found in a cut, and on which heads.
#![allow(clippy::unwrap_used, reason = "a test that can't go on says so by failing")]

use spirel_core::cut::{
    Cut, CutFormat, Fingers, FirstLength, Guide, Hold, Layout, Move, MoveKind, Sections, shipped,
};
use spirel_core::fibre::WornStyle;
use spirel_core::head::{Landmark, SkullForm, Zone};
use spirel_core::judge::{Finding, FindingCode, Found};
use spirel_core::plan::{Cure, FallRequest, Lever, Plan};
use spirel_core::reading::{RawReading, RawZoneReading};
use spirel_core::section::{Along, Region};
use spirel_core::stop::Stop;
use spirel_core::talk::Climate;
use spirel_core::units::LengthUnit;

/// Even layers of this length all over, held square to the head in sections so thick.
fn layers(held_mm: f64, thickness_mm: f64) -> Cut {
    let sections = Sections {
        layout: Layout::new(Along::Vertical, thickness_mm, Landmark::NapeCentre),
        hold: Hold::at(90.0),
        guide: Guide::TRAVELLING,
        fingers: Fingers::default(),
        length: FirstLength::HeldMm(held_mm),
        drops: None,
    };
    let moves = vec![Move::new(Region::Everything, MoveKind::Sections(sections))];
    Cut { format: CutFormat::Cut, version: 3, name: "test".into(), purpose: String::new(), moves }
}

fn request(cut: Cut, occiput: f64, sprung_mm: f64) -> FallRequest {
    let zone = RawZoneReading { strands: 5, ..RawZoneReading::measured(300.0, sprung_mm) };
    let zones = Zone::ALL.into_iter().map(|z| (z.into(), zone)).collect();
    FallRequest {
        reading: RawReading { zones, skull: SkullForm { occiput, crown: 0.0 }, ..RawReading::default() },
        worn: WornStyle::default(),
        front_straight: false,
        climate: Climate::default(),
        ties_back: false,
        plan: Plan::of(cut),
        show_move: None,
        show_section: None,
        unit: LengthUnit::Cm,
    }
}

fn choppy(cut: Cut, occiput: f64) -> Option<Finding> {
    let found = request(cut, occiput, 290.0).answer().unwrap().findings;
    found.into_iter().find(|finding| finding.code() == FindingCode::ChoppyBack)
}

#[test]
fn short_layers_show_as_steps_over_a_flat_back_and_not_over_a_full_one() {
    let found = choppy(layers(60.0, 20.0), -1.0).expect("short layers over a flat back");
    assert!(choppy(layers(60.0, 20.0), 1.0).is_none(), "a full back affords them");
    assert!(found.measure >= found.threshold);
    assert_eq!(found.moves, [0], "the move that layers it is named");
    assert!(found.at[2] < -80.0 && found.at[0].abs() < 2.0, "in the middle of the back: {:?}", found.at);
    let Found::ChoppyBack { ends_pct, turns_deg, step_mm, thin_enough_mm } = found.found else { panic!() };
    assert!((0.0..100.0).contains(&ends_pct) && turns_deg > 0.0 && step_mm > 0.0, "{found:?}");
    assert!((5.0..20.0).contains(&thin_enough_mm.expect("thinner sections help")), "{found:?}");
}

#[test]
fn what_cures_steps_over_a_flat_back_cures_them() {
    assert!(choppy(layers(130.0, 20.0), -1.0).is_none(), "longer layers");
    assert!(choppy(layers(60.0, 5.0), -1.0).is_none(), "thinner sections");
    let mut off = layers(60.0, 20.0);
    off.moves[0].off = true;
    assert!(choppy(off, -1.0).is_none(), "not cut at all");
    let worse = |held| choppy(layers(held, 20.0), -1.0).map_or(0.0, |found| found.measure);
    assert!(worse(40.0) > worse(60.0), "the shorter, the choppier");
}

#[test]
fn of_the_cuts_that_ship_only_the_cropped_nape_steps_on_a_flat_back_and_none_on_a_full_one() {
    let found = |occiput: f64| -> Vec<&str> {
        let steps = |cut: &Cut| !request(cut.clone(), occiput, 200.0).answer().unwrap().findings.is_empty();
        shipped().iter().filter(|shipped| steps(&shipped.cut)).map(|shipped| shipped.key).collect()
    };
    assert_eq!(found(-1.0), ["quay_school"]);
    assert_eq!(found(1.0), Vec::<&str>::new());
}

#[test]
fn who_ties_back_is_told_when_the_front_no_longer_reaches_and_by_how_much() {
    let found = |held_mm: f64, ties_back: bool| {
        let request = FallRequest { ties_back, ..request(layers(held_mm, 20.0), 0.0, 290.0) };
        request
            .answer()
            .unwrap()
            .findings
            .into_iter()
            .find(|finding| finding.code() == FindingCode::TieNotReached)
    };
    let short = found(120.0, true).expect("12 cm don't reach from the brow to the back");
    assert!(short.measure > 50.0 && short.moves == [0], "{short:?}");
    assert!(found(120.0, false).is_none(), "nobody ties it");
    assert!(found(290.0, true).is_none(), "it was 30 cm and loses next to nothing");
    // The remedy holds: with what is lacking left on it reaches, but for what was too short before.
    let Found::TieNotReached { lacking_mm, .. } = short.found else { panic!() };
    assert!(found(120.0 + lacking_mm + 1.0, true).is_none_or(|rest| rest.measure < 0.3 * short.measure));
}

fn cures(request: &FallRequest) -> Vec<Cure> {
    request.cures_on(&request.head().grow().unwrap(), &Stop::never()).unwrap()
}

#[test]
fn a_cure_cures_and_a_millimetre_less_of_it_does_not() {
    let steps = request(layers(60.0, 20.0), -1.0, 290.0);
    let offered = cures(&steps);
    assert_eq!(offered.iter().map(|cure| cure.lever).collect::<Vec<_>>(), [Lever::Longer, Lever::Thinner]);
    let tie = FallRequest { ties_back: true, ..request(layers(190.0, 20.0), 0.0, 290.0) };
    for (asked, cure) in
        offered.iter().map(|cure| (&steps, cure)).chain(cures(&tie).iter().map(|cure| (&tie, cure)))
    {
        let left = |cut: Cut| FallRequest { plan: Plan::of(cut), ..asked.clone() }.answer().unwrap().findings;
        assert!(left(cure.cut.clone()).is_empty() && cure.moves == [0], "{:?}", cure.lever);
        let MoveKind::Sections(mut sections) = cure.cut.moves[0].kind.clone() else { panic!("it is held") };
        match (cure.lever, &mut sections.length) {
            (Lever::Longer, FirstLength::HeldMm(length)) => *length -= 1.0,
            _ => sections.layout.thickness_mm += 1.0,
        }
        let mut less = cure.cut.clone();
        less.moves[0].kind = MoveKind::Sections(sections);
        assert!(!left(less).is_empty(), "{} mm is the least", cure.amount_mm);
    }
}

#[test]
fn where_no_small_change_cures_the_move_is_left_out() {
    // Hair cut to 6 cm all over no longer reaches the tie, nor does it with 10 cm more.
    let short = FallRequest { ties_back: true, ..request(layers(60.0, 20.0), 1.0, 290.0) };
    let found = short.answer().unwrap().findings;
    assert!(found.iter().any(|finding| finding.code() == FindingCode::TieNotReached));
    let all = cures(&short);
    let only = all.iter().find(|cure| cure.code == FindingCode::TieNotReached).expect("one cure");
    assert_eq!((only.lever, &only.moves, only.cut.moves[0].off), (Lever::Without, &vec![0], true));
}

#[test]
fn where_nothing_is_found_nothing_is_offered_and_a_broken_plan_is_named() {
    assert!(cures(&request(layers(60.0, 20.0), 1.0, 290.0)).is_empty());
    let mut broken = request(layers(60.0, 20.0), -1.0, 290.0);
    broken.plan.cut.version = 9;
    let refused = broken.cures_on(&broken.head().grow().unwrap(), &Stop::never()).unwrap_err().faults();
    assert_eq!(refused.0[0].field, "plan.cut.version");
}
