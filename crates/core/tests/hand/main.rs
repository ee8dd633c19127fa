//! What a hand would find on computed heads: the table of docs/accuracy.md, held. Each case varies what it is about.
#![allow(clippy::unwrap_used, reason = "a test that can't go on says so by failing")]

mod table;

use spirel_core::cut::MoveNote;
use spirel_core::fall::fall;
use spirel_core::fibre::{Comb, HeldState, Moisture};
use spirel_core::head::{Place, Point, Zone};
use spirel_core::mark::{Aim, ZoneAim, mark_sheet};
use spirel_core::reading::WidthClass;
use spirel_core::talk::Wearing;
use spirel_core::units::LengthUnit;
use table::{Line, sections};

/// The numbers whose names begin like this.
fn of(lines: &[Line], name: &str) -> Vec<f64> {
    let found: Vec<f64> =
        lines.iter().filter(|(own, _)| own.starts_with(name)).map(|(_, number)| *number).collect();
    assert!(!found.is_empty(), "{name}");
    found
}

fn one(lines: &[Line], name: &str) -> f64 {
    let found = of(lines, name);
    assert_eq!(found.len(), 1, "{name}");
    found[0]
}

#[test]
fn a_share_is_that_share_however_small_and_bricks_lift_the_more_the_shorter_they_are() {
    let lines = table::small_shares();
    for share in [0.005, 0.02, 0.04, 0.08] {
        let gone = one(&lines, &format!("1 {share} taken to 80 mm: gone"));
        assert!((gone - share).abs() < 0.002, "{share}: {gone}");
    }
    assert!(one(&lines, "1 0.04 taken to 80 mm: ringlets narrower") < 9.0);
    let [few, many, long] = of(&lines, "1 bricks")[..] else { panic!() };
    assert!(many > 2.0 && few > 0.1 && few < 0.5 * many && long < 0.5 * many, "{few} {many} {long}");
}

#[test]
fn upright_sections_held_square_answer_to_the_elevation_as_level_ones_do() {
    let lines = table::upright_sections();
    let of = |name: &str| of(&lines, &format!("2 {name} at"));
    let (level, along, square) =
        (of("horizontal"), of("upright, along the head"), of("upright, square to the hair"));
    assert!(square[0] > square[1] && square[1] > square[2] && square[2] > square[3] + 10.0, "{square:?}");
    assert!((square[3] - 30.0).abs() < 1.0, "uniform at 90°: {square:?}");
    assert!(square[4] < 75.0 && along[4] > 88.0, "past it shorter above: {square:?}");
    // A level section is as thick as it is: half of that is how much longer its first guide is than its lowest hair.
    for (level, square) in level.iter().zip(&square) {
        assert!((level - square).abs() < 9.0, "{level} {square}");
    }
    assert!(along[..4].iter().all(|mm| (mm - 30.5).abs() < 1.0), "{along:?}");
}

#[test]
fn no_outline_loses_hair_and_none_is_drawn_below_the_lowest_end() {
    let lines = table::outline();
    assert!(of(&lines, "3 ringlets").chunks(2).all(|pair| pair[0] < 14.0 && pair[1] > 0.995), "{lines:?}");
    assert!(one(&lines, "3 chin line").abs() < 1.0, "{lines:?}");
}

#[test]
fn brushing_out_widens_everywhere_and_lengthens_by_some_per_cent_at_most() {
    let lines = table::brushed();
    for kind in ["waves", "ringlets"] {
        assert!(
            of(&lines, &format!("4 {kind} brushed out: wider")).iter().all(|times| *times > 1.0),
            "{lines:?}"
        );
        assert!((1.0..1.06).contains(&one(&lines, &format!("4 {kind} brushed out: longer"))), "{lines:?}");
    }
    let [waves, .., ringlets] =
        ["waves", "ringlets"].map(|kind| of(&lines, &format!("4 {kind} brushed out: wider"))[2]);
    assert!(ringlets > waves + 0.05, "the more curl the more: {waves} {ringlets}");
}

#[test]
fn over_directed_hair_is_as_long_as_its_section_was_to_be() {
    let lines = table::over_directed();
    for mean in of(&lines, "5 130 held").chunks(2).chain(of(&lines, "5 130 worn").chunks(2)) {
        assert!(mean[0] < 150.0 && (mean[1] - 131.5).abs() < 3.0, "{lines:?}");
    }
    // What is too short to get there is said.
    let hair = table::head(500.0, 497.0, WidthClass::Medium, 180.0);
    let noted = |length: f64| {
        let rest = format!(
            r#""hold": {{"elevation_deg": 90, "over_direction": {{"landmark": "hairline_centre"}}}}, "guide": "free", "length": {{"held_mm": {length}}}"#
        );
        let back = sections(r#"{"zone": "back_lower"}"#, "\"horizontal\"", "nape_centre", &rest);
        table::done(&hair, &back).unwrap().moves[0].notes.contains(&MoveNote::TooShortToCarry)
    };
    assert!(noted(130.0) && !noted(420.0));
    // Fingers square to it hold it no further than it is long, either.
    let rest = r#""hold": {"elevation_deg": 90, "over_direction": {"landmark": "hairline_centre"}}, "guide": "free", "fingers": {"shape": "square_to_hair"}, "length": {"held_mm": 130}"#;
    let square =
        table::done(&hair, &sections("\"everything\"", "\"vertical\"", "nape_centre", rest)).unwrap();
    let back = |i: &usize| hair.strands[*i].root.zone == Zone::BackLower;
    let longest =
        (0..hair.strands.len()).filter(back).map(|i| square.lengths[i].longest()).fold(0.0, f64::max);
    assert!(longest < 230.0, "{longest}");
}

#[test]
fn layered_ringlets_lift_to_a_dome_and_a_width_at_the_jaw_is_not_paid_for_on_top() {
    let lines = table::dome();
    let lift = |name: &str| one(&lines, &format!("6 {name}: lift"));
    for kind in ["medium ringlets", "coarse ringlets"] {
        let (usual, wide) = (
            lift(&format!("{kind}, in layers")),
            lift(&format!("{kind}, 400 mm wide at the jaw, in layers")),
        );
        assert!(usual > lift(&format!("{kind}, uncut")) + 3.0 && usual < 50.0, "{lines:?}");
        assert!((0.0..8.0).contains(&(wide - usual)), "{kind}: {usual} {wide}");
    }
    // No peak: as wide 10 mm below the top as a ball of a head and its hair is.
    for width in lines.iter().filter(|(name, _)| name.contains("width 10 mm below")).map(|(_, mm)| *mm) {
        assert!(width > 88.0, "{lines:?}");
    }
    let jaw = of(&lines, "6 medium ringlets, 400 mm wide at the jaw, uncut: width at the jaw");
    assert!((jaw[0] - 400.0).abs() < 12.0, "{jaw:?}");
}

#[test]
fn a_line_flares_the_more_the_curlier_and_waves_by_three_tenths_at_most() {
    let lines = table::flare();
    let flare = |share: &str| one(&lines, &format!("7 share {share}:"));
    assert!((flare("0.99") - 1.1).abs() < 0.03);
    let waves = ["0.99", "0.9", "0.84", "0.78", "0.74", "0.7", "0.6"].map(flare);
    assert!(waves.windows(2).all(|pair| pair[1] > pair[0]), "{waves:?}");
    assert!(waves[5] < 1.31, "{waves:?}");
    assert!(flare("0.6") > 1.35 && flare("0.52") > 1.35, "ringlets more");
}

#[test]
fn slanted_fingers_slant_a_joined_guide() {
    let lines = table::joined();
    let [none, some, more] = of(&lines, "8 joined")[..] else { panic!() };
    assert!((none - 120.0).abs() < 1.0 && some > none + 0.5 && more > some + 1.0, "{lines:?}");
}

#[test]
fn techniques_at_one_share_and_depth_leave_different_hair() {
    let lines = table::techniques();
    let left: Vec<(f64, f64)> = ["thin", "point", "slide", "back_cut", "skim", "tease", "twist", "notch"]
        .map(|kind| {
            let of = |what: &str| one(&lines, &format!("9 {kind}, 0.4 over 60 mm: {what}"));
            (of("left 12 mm"), of("left 45 mm"))
        })
        .into();
    for (i, one) in left.iter().enumerate() {
        for other in &left[i + 1..] {
            assert!((one.0 - other.0).abs() + (one.1 - other.1).abs() > 0.01, "{left:?}");
        }
    }
    assert!(
        of(&lines, "9 thin")[0] > of(&lines, "9 notch")[0]
            && of(&lines, "9 tease")[0] > of(&lines, "9 slide")[0]
    );
}

#[test]
fn short_straight_hair_stands_on_top_and_long_lies() {
    let lines = table::short();
    let top = |name: &str| one(&lines, &format!("10 straight, {name} mm: top"));
    assert!(
        top("medium, 30") > 15.0 && top("medium, 14") > 7.0 && top("fine, 30") < top("medium, 30"),
        "{lines:?}"
    );
    assert!(top("medium, 120") < 10.0 && top("medium, 300") < 5.0, "{lines:?}");
}

#[test]
fn no_comb_leaves_more_fibre_than_no_comb_at_all() {
    let lines = table::combs();
    let all = of(&lines, "11 damp");
    assert!(all.windows(2).all(|pair| pair[1] <= pair[0] + 1e-9), "{lines:?}");
    let hair = table::head(600.0, 330.0, WidthClass::Medium, 180.0);
    let model = hair.strands[0].model;
    for held in [40.0, 90.0, 200.0, 400.0] {
        for moisture in [Moisture::Dry, Moisture::Damp] {
            let fibre = |comb| model.fibre_from_held(held, 600.0, HeldState { moisture, comb }).unwrap();
            assert!(fibre(Comb::Wide) <= fibre(Comb::None) + 1e-6, "{held} {moisture:?}");
            let state = HeldState { moisture, comb: Comb::Wide };
            assert!(
                (model.held_mm(fibre(Comb::Wide), 600.0, state) - held).abs() < 1e-3,
                "{held} {moisture:?}"
            );
        }
    }
}

#[test]
fn a_micrometre_moves_short_curls_by_little() {
    // Where a reading tells two curls alike it says so: `learn::fit` holds that.
    for (name, most) in table::branch() {
        assert!(most < 4.0, "{name} {most}");
    }
}

#[test]
fn a_hand_that_comes_down_to_the_scalp_far_from_where_it_began_says_so() {
    let lines = table::past_square();
    assert!(
        one(&lines, "13 150° from the nape: shortest") < 20.0
            && one(&lines, "13 150° from the nape: what") == 1.0
    );
    let hair = table::head(400.0, 397.0, WidthClass::Medium, 180.0);
    let noted = |elevation: f64| {
        let rest = format!(
            r#""hold": {{"elevation_deg": {elevation}}}, "guide": {{"travelling": {{}}}}, "length": {{"held_mm": 150}}"#
        );
        let cut =
            table::done(&hair, &sections("\"everything\"", "\"horizontal\"", "nape_centre", &rest)).unwrap();
        (cut.moves[0].notes.contains(&MoveNote::RunsShort), cut.moves[0].shortest_held_mm.unwrap())
    };
    assert!(noted(150.0).0 && noted(150.0).1 < 20.0 && !noted(90.0).0 && noted(90.0).1 > 140.0);
}

#[test]
fn short_ringlets_hang_from_the_nape_at_any_density_a_little_less_where_it_is_high() {
    let ends = of(&table::nape(), "14 ringlets");
    // Their roots lie 45 mm below the ears on the mean, so that hair that hangs ends at −115.
    assert!(ends.windows(2).all(|pair| pair[1] > pair[0] && pair[1] < pair[0] + 6.0), "{ends:?}");
    assert!(ends[0] < -110.0 && ends[6] < -90.0, "{ends:?}");
}

#[test]
fn a_zone_is_as_long_as_it_was_read() {
    let lines = table::zones_as_read();
    assert!(lines.iter().all(|(_, over)| (over - 1.0).abs() < 0.03), "{lines:?}");
}

#[test]
fn a_line_combed_down_and_cut_as_mark_advises_lands_at_its_point() {
    let (mut within, mut all) = (0, 0);
    for (_, off) in table::combed_lines() {
        within += usize::from(off.abs() <= 3.0);
        all += 1;
    }
    assert!(all > 60 && within * 100 >= 94 * all, "{within} of {all}");
    // The advice is the way that the zone's own hair takes.
    let hair = table::reading(600.0, 300.0, WidthClass::Medium, 180.0);
    let aim = Aim {
        zones: [(Zone::BackLower, ZoneAim::landing(Place { point: Point::Shoulder, below_mm: 0.0 }))].into(),
        ..Aim::default()
    };
    let sheet = mark_sheet(&hair, &aim, Wearing::default(), LengthUnit::Cm).unwrap();
    let zone = sheet.zones.iter().find(|zone| zone.zone == Zone::BackLower).unwrap();
    for state in &zone.result.as_ref().unwrap().states {
        let (Some(mark), Some(below)) = (&state.mark, state.line_below_mm) else { continue };
        // By what it springs at least, as it lies flatter on the comb than it is worn.
        let springs = mark.held_without_allowance_mm - zone.result.as_ref().unwrap().target_mm;
        assert!(below > springs && below < springs + 200.0, "{:?}: {below} {springs}", state.state);
    }
}

#[test]
fn a_twist_can_be_drawn_straight_out_from_the_head() {
    let hair = table::head(400.0, 397.0, WidthClass::Medium, 180.0);
    let twist = r#"{"region": "everything", "state": {"moisture": "dry", "comb": "wide"}, "kind": {"gathered": {"layout": {"along": "vertical", "thickness_mm": 20, "from": "nape_centre", "piece_mm": 20}, "toward": "out", "drawn_mm": 150}}}"#;
    let after = table::done(&hair, twist).unwrap();
    let lengths: Vec<f64> = after.lengths.iter().map(|lengths| lengths[0]).collect();
    // Each piece from its own middle: as long everywhere, but for what grows beside it.
    let mean = lengths.iter().sum::<f64>() / lengths.len() as f64;
    assert!((mean - 150.0).abs() < 3.0 && lengths.iter().all(|mm| (140.0..165.0).contains(mm)), "{mean}");
    assert!(fall(&hair, &after.lengths).mass_g < fall(&hair, &hair.lengths).mass_g);
}
