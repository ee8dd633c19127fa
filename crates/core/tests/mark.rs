//! The mark: round trips, what must follow from physics and from risk, and refusal of impossible input.
#![allow(clippy::unwrap_used, clippy::print_stdout, reason = "a test that can't go on says so by failing")]

use proptest::prelude::*;
use spirel_core::Arg;
use spirel_core::fibre::{Comb, HeldState, Moisture, WornStyle};
use spirel_core::head::{Patch, Place, Point, Zone};
use spirel_core::mark::{
    Aim, MarkRequest, MarkSheet, MarkTask, Outcome, SheetZone, StateMark, ZoneAim, find_mark, mark_sheet,
};
use spirel_core::reading::{CurlWord, RawReading, RawZoneReading, RoomAir, WidthClass, ZoneReading};
use spirel_core::summary::summarise;
use spirel_core::talk::{Climate, Wearing};
use spirel_core::units::LengthUnit;
use spirel_core::{Problem, learn};

fn read(stretched: f64, sprung: f64, strands: u32) -> RawZoneReading {
    RawZoneReading { strands, ..RawZoneReading::measured(stretched, sprung) }
}

fn ask(reading: RawZoneReading, target: f64, moisture: Moisture, comb: Comb) -> MarkRequest {
    MarkRequest { state: Some(HeldState { moisture, comb }), ..MarkRequest::new(reading, target) }
}

#[test]
fn cutting_at_the_mark_without_extra_lands_on_the_target_in_every_state() {
    let reading = read(300.0, 150.0, 5);
    for state in HeldState::all() {
        let request = MarkRequest { state: Some(state), ..MarkRequest::new(reading, 120.0) };
        let task = request.task().unwrap();
        let mark = task.in_state(state).unwrap();
        let model = task.model();
        let fibre = model.fibre_from_held(mark.held_without_allowance_mm, 300.0, state).unwrap();
        let lands = model.worn_mm(fibre, WornStyle::AsItSprings);
        assert!((lands - 120.0).abs() < 0.5, "{state:?} lands at {lands}");
    }
}

#[test]
fn the_fitted_hair_hangs_as_it_was_measured() {
    for (stretched, sprung) in
        [(300.0, 150.0), (300.0, 40.0), (200.0, 20.0), (300.0, 270.0), (500.0, 350.0), (80.0, 60.0)]
    {
        let zone = ZoneReading::try_from(&read(stretched, sprung, 10)).unwrap();
        let worn = learn::fit(&zone).model().worn_mm(stretched, WornStyle::AsItSprings);
        assert!((worn - sprung).abs() < 3.0, "{stretched}/{sprung}: {worn}");
    }
}

#[test]
fn a_wet_pair_teaches_how_far_water_opens_this_hair() {
    let mut raw = read(300.0, 150.0, 10);
    let before = learn::fit(&ZoneReading::try_from(&raw).unwrap());
    raw.wet_sprung_mm = Some(190.0);
    let after = learn::fit(&ZoneReading::try_from(&raw).unwrap());
    let wet = Moisture::Wet.water_g_per_g();
    let (told, untold) = (after.model().hanging_mm(300.0, wet), before.model().hanging_mm(300.0, wet));
    assert!((told - 190.0).abs() < (untold - 190.0).abs());
    assert!(after.sd_of(|m| m.hanging_mm(250.0, wet)) < before.sd_of(|m| m.hanging_mm(250.0, wet)));
}

#[test]
fn more_strands_need_less_extra() {
    let allowance = |strands| {
        find_mark(&ask(read(300.0, 150.0, strands), 120.0, Moisture::Wet, Comb::Wide)).unwrap().allowance_mm
    };
    assert!(allowance(1) > allowance(3) && allowance(3) > allowance(10));
}

#[test]
fn taking_less_risk_leaves_more() {
    let allowance = |risk| {
        find_mark(&MarkRequest { risk, ..ask(read(300.0, 150.0, 5), 120.0, Moisture::Wet, Comb::Wide) })
            .unwrap()
            .allowance_mm
    };
    assert!(allowance(0.01) > allowance(0.05) && allowance(0.05) > allowance(0.2));
    assert!(allowance(0.5) < 0.02, "an even chance needs no extra");
}

#[test]
fn the_extra_keeps_its_promise_when_hair_is_drawn_from_the_belief() {
    // A grid through the Gaussian of the hair itself: of equally likely hairs, about 1 in 20 lands short.
    let request = ask(read(300.0, 150.0, 1), 120.0, Moisture::Wet, Comb::Fine);
    let task = request.task().unwrap();
    let mark = task.in_state(HeldState { moisture: Moisture::Wet, comb: Comb::Fine }).unwrap();
    // Fine and wet, the fibre left is the held length; so the landing's spread is that of the worn length.
    let sd = task.belief.sd_of(|m| m.worn_mm(mark.held_mm, WornStyle::AsItSprings));
    assert!((sd - mark.spread.hair_mm).abs() < 0.05 * sd, "{sd} {}", mark.spread.hair_mm);
    let expected = task.model().worn_mm(mark.held_mm, WornStyle::AsItSprings);
    assert!((expected - 120.0 - mark.allowance_mm).abs() < 0.1);
    assert!((mark.allowance_mm / mark.spread.sd_mm() - 1.645).abs() < 0.05);
}

#[test]
fn a_tight_coil_is_advised_dry_and_straight_hair_wet() {
    let coil = find_mark(&MarkRequest::new(read(300.0, 45.0, 5), 38.0)).unwrap();
    assert_eq!(coil.state, HeldState { moisture: Moisture::Dry, comb: Comb::None });
    let straight = find_mark(&MarkRequest::new(read(300.0, 297.0, 5), 200.0)).unwrap();
    assert_eq!(straight.state.moisture, Moisture::Wet);
}

#[test]
fn hair_that_is_too_short_is_told_how_long_to_wait_and_short_cuts_say_what_comes_off() {
    let short = find_mark(&ask(read(200.0, 100.0, 5), 150.0, Moisture::Wet, Comb::Wide)).unwrap();
    let Outcome::TooShort { days } = short.outcome else { panic!("{:?}", short.outcome) };
    assert!((days * 0.35 - (short.fibre_for_target_mm - 200.0)).abs() < 1e-9);
    let cut = find_mark(&ask(read(300.0, 150.0, 5), 80.0, Moisture::Wet, Comb::Wide)).unwrap();
    let Outcome::Cut { off_mm } = cut.outcome else { panic!("{:?}", cut.outcome) };
    assert!((off_mm + cut.lengths.fibre_mm - 300.0).abs() < 1e-9);
    assert!(cut.lands_low_mm < cut.lengths.worn_mm && cut.lengths.worn_mm < cut.lands_high_mm);
    assert!(cut.cut_at_target_lands_mm.unwrap() < 60.0, "what is cut at 80 on the comb springs far above it");
}

#[test]
fn reasons_hold_the_numbers_of_this_mark() {
    let request =
        MarkRequest { shortest_worn_mm: Some(100.0), ..MarkRequest::new(read(300.0, 150.0, 2), 120.0) };
    let answer = request.answer().unwrap();
    assert!(answer.reasons.len() >= 6);
    let springs = answer.reasons.iter().find(|r| r.id == "reason-springs").unwrap();
    assert_eq!(springs.args["stretched"], Arg::Mm(300.0));
    assert_eq!((&springs.args["sprung"], &springs.args["share"]), (&Arg::Mm(150.0), &Arg::Share(0.5)));
}

#[test]
fn impossible_readings_are_refused_at_the_field() {
    let cases: [(RawZoneReading, f64, &str); 8] = [
        (read(-1.0, 10.0, 1), 50.0, "reading.stretched_mm"),
        (read(0.0, 10.0, 1), 50.0, "reading.stretched_mm"),
        (read(10_000.0, 100.0, 1), 50.0, "reading.stretched_mm"),
        (read(100.0, 120.0, 1), 50.0, "reading.sprung_mm"),
        (read(100.0, f64::NAN, 1), 50.0, "reading.sprung_mm"),
        (read(100.0, 50.0, 0), 50.0, "reading.strands"),
        (RawZoneReading::default(), 50.0, "reading.stretched_mm"),
        (read(100.0, 50.0, 1), f64::INFINITY, "target_worn_mm"),
    ];
    for (reading, target, field) in cases {
        let faults = MarkRequest::new(reading, target).task().unwrap_err();
        assert_eq!(faults.0[0].field, field, "{faults}");
    }
    let longer = MarkRequest::new(read(100.0, 120.0, 1), 50.0).task().unwrap_err();
    assert_eq!(longer.0[0].problem, Problem::LongerThan { other: "stretched_mm".into() });
}

fn full_reading() -> RawReading {
    let mut reading = RawReading::default();
    for zone in Zone::ALL {
        reading.zones.insert(
            zone.into(),
            RawZoneReading { width_class: Some(WidthClass::Fine), ..read(320.0, 200.0, 3) },
        );
    }
    reading
}

#[test]
fn a_sheet_has_a_mark_for_what_is_read_and_aimed_and_says_what_the_rest_lacks() {
    let mut reading = full_reading();
    reading.zones.remove(&Zone::Crown.into());
    let mut aim = Aim::default();
    let chin = ZoneAim::landing(Place { point: Point::Chin, below_mm: 0.0 });
    for zone in [Zone::LeftSide, Zone::RightSide, Zone::Crown] {
        aim.zones.insert(zone, chin);
    }
    aim.zones.insert(Zone::Nape, ZoneAim::landing(Place { point: Point::Brow, below_mm: 0.0 }));
    let sheet = mark_sheet(&reading, &aim, Wearing::default(), LengthUnit::Cm).unwrap();
    let zone = |zone| sheet.zones.iter().find(|z| z.zone == zone).unwrap();
    let (left, right) = (zone(Zone::LeftSide), zone(Zone::RightSide));
    assert_eq!(left.result, right.result, "equal sides get equal marks");
    assert_eq!(left.result.as_ref().unwrap().states.len(), HeldState::all().count());
    assert!(zone(Zone::Crown).missing.iter().any(|m| m.field == "reading.zones.crown.stretched_mm"));
    assert!(zone(Zone::Top).missing.iter().any(|m| m.field == "aim.zones.top"));
    assert!(zone(Zone::Nape).missing.iter().any(|m| m.field == "aim.zones.nape.lands"));
}

fn chin_all_round() -> Aim {
    let chin = ZoneAim::landing(Place { point: Point::Chin, below_mm: 0.0 });
    Aim { zones: Zone::ALL.map(|zone| (zone, chin)).into(), ..Aim::default() }
}

#[test]
fn a_wish_by_worn_length_asks_for_what_a_wish_by_place_comes_to() {
    let reading = full_reading();
    let by_place = mark_sheet(&reading, &chin_all_round(), Wearing::default(), LengthUnit::Cm).unwrap();
    let mut aim = Aim::default();
    for zone in &by_place.zones {
        let worn_mm = zone.result.as_ref().map(|result| result.target_mm);
        aim.zones.insert(zone.zone, ZoneAim { worn_mm, ..ZoneAim::default() });
    }
    let by_length = mark_sheet(&reading, &aim, Wearing::default(), LengthUnit::Cm).unwrap();
    // Only a place has a line below it.
    let states = |sheet: &MarkSheet| -> Vec<StateMark> {
        let results = sheet.zones.iter().filter_map(|zone| zone.result.clone());
        results.flat_map(|result| result.states).collect()
    };
    assert!(states(&by_place).iter().any(|state| state.line_below_mm.is_some()));
    assert!(states(&by_length).iter().all(|state| state.line_below_mm.is_none()));
    let without = |sheet: &MarkSheet| -> Vec<StateMark> {
        states(sheet).into_iter().map(|state| StateMark { line_below_mm: None, ..state }).collect()
    };
    assert_eq!(without(&by_place), without(&by_length));
}

#[test]
fn a_zone_has_one_wish_and_what_contradicts_it_is_said_at_its_field() {
    let place = Some(Place { point: Point::Chin, below_mm: 0.0 });
    let none = ZoneAim::default();
    let cases = [
        (none, "lands"),
        (ZoneAim { lands: place, worn_mm: Some(80.0), ..none }, "worn_mm"),
        (ZoneAim { lands: place, shortest_worn_mm: Some(80.0), ..none }, "shortest_worn_mm"),
        (ZoneAim { worn_mm: Some(80.0), shortest: place, ..none }, "shortest"),
        (ZoneAim { worn_mm: Some(1.0), ..none }, "worn_mm"),
        (ZoneAim { worn_mm: Some(80.0), shortest_worn_mm: Some(2001.0), ..none }, "shortest_worn_mm"),
    ];
    for (wish, field) in cases {
        let aim = Aim { zones: [(Zone::Nape, wish)].into(), ..Aim::default() };
        let faults = aim.check().expect_err("a contradiction").0;
        assert_eq!(faults.len(), 1, "{faults:?}");
        assert_eq!(faults[0].field, format!("zones.nape.{field}"));
    }
    // Whether the shortest is shorter is checked with the head.
    let wish = ZoneAim { worn_mm: Some(80.0), shortest_worn_mm: Some(90.0), ..none };
    let aim = Aim { zones: [(Zone::Nape, wish)].into(), ..Aim::default() };
    let sheet = mark_sheet(&full_reading(), &aim, Wearing::default(), LengthUnit::Cm).unwrap();
    let nape = sheet.zones.iter().find(|zone| zone.zone == Zone::Nape).unwrap();
    assert!(nape.missing.iter().any(|gap| gap.field == "aim.zones.nape.shortest_worn_mm"));
}

#[test]
fn coils_that_stand_can_be_wished_by_how_long_they_are_worn_and_hair_that_hangs_is_not_held_up() {
    let coils = RawZoneReading { strands: 5, ..RawZoneReading::measured(220.0, 54.0) };
    let zones = Zone::ALL.into_iter().map(|zone| (zone.into(), coils)).collect();
    let reading = RawReading { zones, ..RawReading::default() };
    let wish = ZoneAim { worn_mm: Some(45.0), ..ZoneAim::default() };
    let aim = Aim { zones: Zone::ALL.map(|zone| (zone, wish)).into(), ..Aim::default() };
    let sheet = mark_sheet(&reading, &aim, Wearing::default(), LengthUnit::Cm).unwrap();
    for zone in &sheet.zones {
        let present = zone.present.expect("it is read");
        assert!(present.held_up > 0.8, "{present:?}");
        assert!(present.worn_mm > 45.0 && zone.result.as_ref().unwrap().advised.is_some(), "it can be cut");
    }
    // By a place the same hair is asked for far longer than it is, because it comes down to none.
    let cheek = ZoneAim::landing(Place { point: Point::Cheekbone, below_mm: 0.0 });
    let aim = Aim { zones: [(Zone::LeftSide, cheek)].into(), ..Aim::default() };
    let sheet = mark_sheet(&reading, &aim, Wearing::default(), LengthUnit::Cm).unwrap();
    let side = sheet.zones.iter().find(|zone| zone.zone == Zone::LeftSide).unwrap();
    assert!(side.result.as_ref().unwrap().target_mm > 1.5 * side.present.unwrap().worn_mm);
    let hanging = mark_sheet(&full_reading(), &chin_all_round(), Wearing::default(), LengthUnit::Cm).unwrap();
    let side = hanging.zones.iter().find(|zone| zone.zone == Zone::LeftSide).unwrap();
    assert!(side.present.unwrap().held_up < 0.2);
}

fn patch(key: &str) -> Patch {
    serde_json::from_value(serde_json::json!(key)).unwrap()
}

#[test]
fn halves_have_marks_of_their_own_and_a_zone_that_is_like_another_the_mark_of_its_hair() {
    let mut reading = full_reading();
    let whole = mark_sheet(&reading, &chin_all_round(), Wearing::default(), LengthUnit::Cm).unwrap();
    let left = reading.zones.remove(&patch("left_side")).unwrap();
    reading.zones.insert(patch("left_side_front"), RawZoneReading { sprung_mm: Some(120.0), ..left });
    reading.zones.insert(patch("left_side_behind"), left);
    let joined = RawZoneReading { like: Some(patch("back_upper")), ..RawZoneReading::default() };
    reading.zones.insert(patch("back_lower"), RawZoneReading { stretched_mm: Some(240.0), ..joined });
    let sheet = mark_sheet(&reading, &chin_all_round(), Wearing::default(), LengthUnit::Cm).unwrap();
    assert_eq!((whole.zones.len(), sheet.zones.len()), (8, 9));
    let of =
        |sheet: &MarkSheet, key: &str| sheet.zones.iter().find(|z| z.patch == patch(key)).unwrap().clone();
    let fibre = |zone: &SheetZone| {
        let result = zone.result.as_ref().unwrap();
        let wide = HeldState { moisture: Moisture::Wet, comb: Comb::Wide };
        result.states.iter().find(|s| s.state == wide).unwrap().mark.unwrap().fibre_for_target_mm
    };
    let (before, behind) = (of(&whole, "left_side"), of(&sheet, "left_side_behind"));
    let target = |zone: &SheetZone| zone.result.as_ref().unwrap().target_mm;
    // The zone's hair rides on other hair than before, so that the same point asks for a little more of it.
    assert!((target(&behind) - target(&before)).abs() < 12.0, "{} {}", target(&behind), target(&before));
    assert_eq!(behind.result.as_ref().unwrap().advised, before.result.as_ref().unwrap().advised);
    let front = of(&sheet, "left_side_front");
    assert!(front.zone == Zone::LeftSide && fibre(&front) > fibre(&behind) + 20.0, "curlier in front");
    let lower = of(&sheet, "back_lower");
    assert_eq!(lower.present.unwrap().fibre_mm, 240.0);
    let says = |zone: &SheetZone, code: &str| {
        zone.result.as_ref().unwrap().states[4]
            .reasons
            .iter()
            .any(|reason| reason.id == format!("reason-{code}"))
    };
    assert!(says(&lower, "springs_elsewhere") && says(&behind, "springs"));
    let extra = |zone: &SheetZone| zone.result.as_ref().unwrap().states[4].mark.unwrap().allowance_mm;
    assert!(
        extra(&lower) > 1.1 * extra(&of(&whole, "back_lower")),
        "hair read elsewhere is known less surely"
    );
}

#[test]
fn a_fringe_is_left_longer_because_less_of_a_chance_is_taken_in_it() {
    let marks = |fringe| {
        let wearing = Wearing { fringe, ..Wearing::default() };
        mark_sheet(&full_reading(), &chin_all_round(), wearing, LengthUnit::Cm).unwrap().zones
    };
    let (with, without) = (marks(true), marks(false));
    assert_eq!(with[1..], without[1..], "the rest of the head is as it was");
    let extra = |zone: &SheetZone| {
        let state = &zone.result.as_ref().unwrap().states[4];
        (state.mark.unwrap().allowance_mm, state.reasons.iter().any(|r| r.id == "reason-fringe_is_seen"))
    };
    let ((more, said), (usual, unsaid)) = (extra(&with[0]), extra(&without[0]));
    assert!(more > 1.1 * usual && said && !unsaid, "{more} {usual}");
}

#[test]
fn curls_that_damp_air_widens_ride_higher_and_are_left_longer_for_the_same_line() {
    let target = |climate| {
        let wearing = Wearing { climate, ..Wearing::default() };
        let sheet = mark_sheet(&full_reading(), &chin_all_round(), wearing, LengthUnit::Cm).unwrap();
        sheet.zones.iter().map(|zone| zone.result.as_ref().unwrap().target_mm).sum::<f64>()
    };
    assert!(target(Climate::Damp) > target(Climate::NotSaid) + 0.2);
}

#[test]
fn a_zone_of_which_only_the_curl_was_seen_has_a_mark_with_more_extra_and_says_what_would_help() {
    let seen = RawZoneReading { curl: Some(CurlWord::Ringlet), ..RawZoneReading::default() };
    let answer = |raw: RawZoneReading| MarkRequest::new(raw, 120.0).answer();
    assert_eq!(answer(seen).unwrap_err().0[0].field, "reading.stretched_mm");
    let seen = answer(RawZoneReading { stretched_mm: Some(300.0), ..seen }).unwrap();
    let lands = seen.mark.unwrap();
    let code = |code: &str| seen.reasons.iter().find(|reason| reason.id == format!("reason-{code}"));
    assert!(code("springs").is_none() && code("seems_to_spring").is_some());
    let Arg::Mm(promised) = code("measure_let_go").unwrap().args["allowance"] else { panic!() };
    assert!(promised < 0.8 * lands.allowance_mm, "{promised} {}", lands.allowance_mm);
    let Arg::Share(lost) = code("seems_to_spring").unwrap().args["share"] else { panic!() };
    let measured = answer(read(300.0, 300.0 * (1.0 - lost), 1)).unwrap();
    assert!((measured.mark.unwrap().allowance_mm - promised).abs() < 0.35 * promised);
}

#[test]
fn a_summary_counts_what_is_complete_and_notices_sides_that_differ() {
    let mut reading = full_reading();
    reading.zones.get_mut(&Zone::LeftSide.into()).unwrap().sprung_mm = Some(120.0);
    reading.zones.get_mut(&Zone::Nape.into()).unwrap().sprung_mm = None;
    let summary = summarise(&reading);
    assert_eq!(summary.complete, 7);
    assert!((summary.sides_differ_by.unwrap() - (1.0 - 120.0 / 320.0 - (1.0 - 200.0 / 320.0))).abs() < 1e-12);
}

#[test]
fn the_same_question_has_the_same_answer_bit_for_bit() {
    let request = MarkRequest::new(read(287.0, 133.0, 3), 111.0);
    let say = || serde_json::to_string(&request.answer().unwrap()).unwrap();
    let first = say();
    std::thread::scope(|scope| {
        for _ in 0..4 {
            scope.spawn(|| assert_eq!(say(), first));
        }
    });
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(128))]
    #[test]
    fn any_possible_zone_gets_a_sound_mark_or_none(
        stretched in 20.0..900.0_f64, share in 0.06..1.0_f64, target_share in 0.2..1.3_f64,
        strands in 1u32..20, width in 30.0..110.0_f64, wet in proptest::option::of(0.1..1.0_f64),
        worn in proptest::sample::select(vec![WornStyle::AsItSprings, WornStyle::Diffused, WornStyle::BrushedOut, WornStyle::Smoothed]),
    ) {
        let sprung = (stretched * share).max(2.0);
        let reading = RawZoneReading {
            width_um: Some(width), wet_sprung_mm: wet.map(|w| sprung + (stretched - sprung) * w), ..read(stretched, sprung, strands)
        };
        let request = MarkRequest { worn, ..MarkRequest::new(reading, (sprung * target_share).max(2.0)) };
        let task = request.task().unwrap();
        sound(&task)?;
    }

    #[test]
    fn hair_of_which_only_the_curl_was_seen_and_hair_that_is_like_it_get_sound_marks_or_none_in_any_air(
        stretched in 20.0..900.0_f64, other in 20.0..900.0_f64, loop_mm in 0.5..400.0_f64,
        turns in proptest::option::of(0.25..300.0_f64), width in 30.0..110.0_f64, target_share in 0.1..1.2_f64,
        humidity in proptest::option::of(0.0..=100.0_f64),
        sprung_share in proptest::option::of(0.1..1.0_f64),
    ) {
        let seen = RawZoneReading {
            stretched_mm: Some(stretched), loop_mm: Some(loop_mm), turns, width_um: Some(width),
            sprung_mm: sprung_share.map(|share| stretched * share), ..RawZoneReading::default()
        };
        let alike = RawZoneReading { like: Some(Zone::Top.into()), stretched_mm: Some(other), ..RawZoneReading::default() };
        let reading = RawReading {
            zones: [(Zone::Top.into(), seen), (Zone::Nape.into(), alike)].into(),
            room: RoomAir { humidity_pct: humidity, ..RoomAir::default() },
            ..RawReading::default()
        };
        prop_assert_eq!(reading.check(), Ok(()));
        for (zone, length) in [(Zone::Top, stretched), (Zone::Nape, other)] {
            let read = reading.patch(zone.into()).unwrap();
            prop_assert_eq!(read.present_mm, length);
            sound(&MarkTask::new(read, (target_share * length).max(2.0), WornStyle::AsItSprings, 0.05))?;
        }
        let summary = summarise(&reading);
        let (share, sd) = (summary.zones[1].shrinkage.unwrap(), summary.zones[1].worn_sd_mm.unwrap());
        prop_assert!((-1e-9..=1.0).contains(&share) && sd.is_finite() && sd >= 0.0, "{share} {sd}");
    }
}

/// No mark of these is longer than the hair, or short of what it promises.
fn sound(task: &MarkTask) -> Result<(), TestCaseError> {
    for (state, mark) in task.in_all_states() {
        let Some(mark) = mark else { continue };
        let lengths = [
            mark.held_mm,
            mark.comb_mm,
            mark.held_without_allowance_mm,
            mark.lands_low_mm,
            mark.lands_high_mm,
            mark.lengths.fibre_mm,
            mark.lengths.held_mm,
            mark.lengths.hanging_mm,
            mark.lengths.worn_mm,
        ];
        for length in lengths {
            prop_assert!(length.is_finite() && length >= 0.0, "{state:?} {mark:?}");
        }
        prop_assert!(mark.allowance_mm > 0.0 && mark.comb_mm >= mark.held_mm - 1e-6);
        prop_assert!(mark.held_mm >= mark.held_without_allowance_mm - 1e-6);
        prop_assert!(mark.lengths.fibre_mm <= task.reading.present_mm + 1e-9, "nothing gets longer");
    }
    Ok(())
}

/// Damp and uncombed, the range of hair that is left alone used to be as wide as that of hair that is cut there, and
/// reached below the wish although nothing is cut.
#[test]
fn hair_that_is_left_alone_strays_only_by_itself_and_its_styling() {
    let reading =
        RawZoneReading { strands: 3, width_um: Some(63.0), ..RawZoneReading::measured(370.0, 214.0) };
    let state = HeldState { moisture: Moisture::Damp, comb: Comb::None };
    let mark = find_mark(&MarkRequest { state: Some(state), ..MarkRequest::new(reading, 172.0) }).unwrap();
    assert_eq!(mark.outcome, Outcome::Leave);
    assert_eq!((mark.spread.pull_mm, mark.spread.moisture_mm, mark.spread.cut_mm), (0.0, 0.0, 0.0));
    assert!(mark.lands_low_mm > 172.0, "{mark:?}");
    // What it is worn at was measured: the range holds it.
    assert!((mark.lands_low_mm..mark.lands_high_mm).contains(&214.0), "{mark:?}");
}

/// Dry and uncombed, the extra used to come out as less on the comb: a longer hook under a lighter tail hung less deep.
#[test]
fn where_more_hair_hangs_less_deep_no_mark_is_given() {
    let (stretched, sprung) = (259.363_399_490_589_5, 28.453_251_604);
    let reading = RawZoneReading {
        width_um: Some(102.727),
        wet_sprung_mm: Some(sprung + (stretched - sprung) * 0.809_816_5),
        ..RawZoneReading::measured(stretched, sprung)
    };
    let request = MarkRequest { worn: WornStyle::Smoothed, ..MarkRequest::new(reading, 24.588) };
    let marks = request.task().unwrap().in_all_states();
    let dry_uncombed = HeldState { moisture: Moisture::Dry, comb: Comb::None };
    assert!(marks.iter().any(|(state, mark)| *state == dry_uncombed && mark.is_none()));
    assert!(marks.iter().filter(|(_, mark)| mark.is_some()).count() >= 9);
}
