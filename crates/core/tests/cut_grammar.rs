//! Less usual moves: twists to the face, planes, weight from below, and hair that grows a way of its own.
#![allow(clippy::unwrap_used, reason = "a test that can't go on says so by failing")]

use proptest::prelude::*;
use spirel_core::cut::{
    Cut, CutFormat, Drops, Fingers, FirstLength, Gathered, Guide, Hold, Layout, Move, MoveKind, MoveNote,
    OverDirection, Sections, Technique, TechniqueKind, cut, steps,
};
use spirel_core::fall::{Fall, fall};
use spirel_core::fibre::{Comb, HeldState, Moisture};
use spirel_core::grow::HairRequest;
use spirel_core::hair::{Hair, ShareLengths};
use spirel_core::head::{Growth, GrowthDirection, Landmark, Place, Point, Zone, taut_mm};
use spirel_core::reading::{RawReading, RawZoneReading};
use spirel_core::section::{Along, Region, Side};

const WET: HeldState = HeldState { moisture: Moisture::Wet, comb: Comb::Medium };

fn request(growth: Vec<Growth>) -> HairRequest {
    let zone = RawZoneReading { strands: 5, ..RawZoneReading::measured(320.0, 250.0) };
    let zones = Zone::ALL.into_iter().map(|name| (name.into(), zone)).collect();
    HairRequest { roots: 1024, ..HairRequest::new(RawReading { zones, growth, ..RawReading::default() }) }
}

fn head() -> Hair {
    request(vec![]).grow().unwrap()
}

fn movement(region: Region, kind: MoveKind) -> Move {
    Move { state: WET, ..Move::new(region, kind) }
}

fn one(only: Move) -> Cut {
    Cut {
        format: CutFormat::Cut,
        version: 3,
        name: "test".into(),
        purpose: String::new(),
        moves: vec![Move { id: 1, ..only }],
    }
}

fn layout(along: Along, from: Landmark) -> Layout {
    Layout::new(along, 25.0, from)
}

fn twist(to: Point, side: Option<Side>, past_mm: f64) -> MoveKind {
    let layout = layout(Along::Profile, Landmark::HairlineCentre);
    MoveKind::Gathered(Gathered { side, past_mm, ..Gathered::to(layout, to) })
}

fn mean(lengths: &ShareLengths) -> f64 {
    lengths.mean()
}

#[test]
fn hair_that_ends_too_low_drops_out_of_the_hand_little_by_little_and_the_rest_is_parted_as_before() {
    let hair = head();
    let layers = |below_mm: Option<f64>| {
        let drops = below_mm.map(|below_mm| Drops {
            ends_below: Some(Place { point: Point::Shoulder, below_mm }),
            ends_above: None,
        });
        let sections = Sections {
            layout: layout(Along::Horizontal, Landmark::NapeCentre),
            hold: Hold::at(90.0),
            guide: Guide::TRAVELLING,
            fingers: Fingers::default(),
            length: FirstLength::HeldMm(150.0),
            drops,
        };
        cut(&hair, &one(movement(Region::Everything, MoveKind::Sections(sections)))).unwrap()
    };
    let (all, none) = (layers(None), layers(Some(-150.0)));
    assert_eq!(none.lengths, hair.lengths, "everything ends below that");
    assert_eq!(
        none.moves[0].notes,
        [MoveNote::ReachesNoHair],
        "hair grows there, it is only out of the hand"
    );
    let mut last = f64::INFINITY;
    let mut partly = 0;
    for step in 0..=80 {
        let some = layers(Some(-150.0 + 5.0 * f64::from(step)));
        let mass = hair.mass_g(&some.lengths);
        assert!(mass <= last + 1e-9, "the lower what drops out ends, the more is cut");
        last = mass;
        for (kept, cut) in some.lengths.iter().zip(&all.lengths) {
            // Where all of a root's hair drops or stays it is as before or as without drops; at the border some shares are.
            let stays: f64 = kept.shares().filter(|(mm, _)| *mm > cut[0]).map(|(_, part)| part).sum();
            partly += usize::from(stays > 1e-9 && stays < 1.0 - 1e-9);
        }
    }
    assert_eq!(last, hair.mass_g(&all.lengths), "nothing ends so low");
    assert!(partly > 50, "{partly}");
}

#[test]
fn twisted_hair_is_held_as_long_as_its_way_to_the_point() {
    let hair = head();
    let region = Region::Zone(Zone::Fringe);
    let lengths = cut(&hair, &one(movement(region, twist(Point::NoseTip, None, 0.0)))).unwrap().lengths;
    let nose = Point::NoseTip.place(&hair.form, &hair.measures).unwrap();
    let mut cut_ones = 0;
    for (strand, lengths) in hair.strands.iter().zip(&lengths).filter(|(s, _)| s.root.zone == Zone::Fringe) {
        let path_mm = taut_mm(&hair.form, &strand.root.at, &strand.root.normal, &nose);
        let held = strand.model.held_mm(mean(lengths), 320.0, WET);
        if mean(lengths) < 319.0 {
            assert!((held - path_mm).abs() < 1e-6, "{held} {path_mm}");
            cut_ones += 1;
        } else {
            assert!(held <= path_mm + 1e-6, "it didn't reach");
        }
    }
    assert!(cut_ones > 40, "{cut_ones}");
}

#[test]
fn twists_past_the_point_are_longer_by_that_and_grow_longer_backwards() {
    let hair = head();
    let region = || Region::Any(vec![Region::Zone(Zone::Fringe), Region::Zone(Zone::Top)]);
    let lengths = |past| cut(&hair, &one(movement(region(), twist(Point::Lip, None, past)))).unwrap().lengths;
    let (at, past) = (lengths(0.0), lengths(30.0));
    let mut cut_ones: Vec<(f64, f64)> = Vec::new();
    for (i, strand) in hair.strands.iter().enumerate() {
        if mean(&past[i]) < 319.0 && mean(&at[i]) < mean(&past[i]) {
            let held = |lengths: &ShareLengths| strand.model.held_mm(mean(lengths), 320.0, WET);
            assert!((held(&past[i]) - held(&at[i]) - 30.0).abs() < 1e-6);
            cut_ones.push((strand.root.at.z, mean(&at[i])));
        }
    }
    cut_ones.sort_by(|a, b| a.0.total_cmp(&b.0));
    let quarter = cut_ones.len() / 4;
    let average = |some: &[(f64, f64)]| some.iter().map(|(_, mm)| mm).sum::<f64>() / some.len() as f64;
    assert!(quarter > 20, "{quarter}");
    let (behind, front) = (average(&cut_ones[..quarter]), average(&cut_ones[3 * quarter..]));
    assert!(behind > front + 20.0, "{behind} {front}");
}

#[test]
fn a_twist_to_one_side_is_mirrored_to_the_other_and_the_body_is_no_face() {
    let hair = head();
    let mut move_ = movement(Region::Half(Side::Left), twist(Point::Cheekbone, Some(Side::Left), 40.0));
    move_.mirrored = true;
    let lengths = cut(&hair, &one(move_)).unwrap().lengths;
    let half = lengths.len() / 2;
    for i in 0..half {
        assert!((mean(&lengths[i]) - mean(&lengths[half + i])).abs() < 1e-9);
    }
    let bad = one(movement(Region::Everything, twist(Point::Waist, None, 900.0)));
    let faults = cut(&hair, &bad).unwrap_err();
    let fields: Vec<&str> = faults.0.iter().map(|fault| fault.field.as_str()).collect();
    assert_eq!(fields, ["moves.0.kind.gathered.past_mm", "moves.0.kind.gathered.to"]);
}

#[test]
fn hair_carried_to_a_plane_grows_longer_with_its_distance_from_it() {
    let hair = head();
    let through = [Landmark::EarTopLeft, Landmark::Apex, Landmark::EarTopRight];
    let sections = Sections {
        layout: layout(Along::Crosswise, Landmark::Apex),
        hold: Hold { over_direction: OverDirection::Plane(through), ..Hold::at(90.0) },
        guide: Guide::TRAVELLING,
        fingers: Fingers::default(),
        length: FirstLength::HeldMm(100.0),
        drops: None,
    };
    let lengths =
        cut(&hair, &one(movement(Region::Everything, MoveKind::Sections(sections)))).unwrap().lengths;
    let [a, b, c] = through.map(|landmark| hair.scalp().point(landmark));
    let across = (b - a).cross(&(c - a)).normalize();
    let near: Vec<f64> = by_distance(&hair, &lengths, |off| off < 15.0, &across, &a);
    let far: Vec<f64> = by_distance(&hair, &lengths, |off| (45.0..70.0).contains(&off), &across, &a);
    let average = |all: &[f64]| all.iter().sum::<f64>() / all.len() as f64;
    assert!(near.len() > 30 && far.len() > 30);
    assert!(average(&far) > average(&near) + 15.0, "{} {}", average(&far), average(&near));
}

fn by_distance(
    hair: &Hair,
    lengths: &[ShareLengths],
    within: impl Fn(f64) -> bool,
    across: &spirel_core::head::Vec3,
    from: &spirel_core::head::Vec3,
) -> Vec<f64> {
    let on_top = hair.strands.iter().zip(lengths).filter(|(strand, _)| strand.root.at.y > 60.0);
    on_top.filter(|(s, _)| within(across.dot(&(s.root.at - from)).abs())).map(|(_, l)| mean(l)).collect()
}

#[test]
fn weight_taken_from_below_is_as_much_and_lies_lower() {
    let hair = head();
    let weigh = |under| {
        let mut move_ =
            movement(Region::Everything, MoveKind::Weight(layout(Along::Vertical, Landmark::NapeCentre)));
        move_.technique = Technique { share: Some(0.4), under, ..Technique::usual(TechniqueKind::Thin) };
        cut(&hair, &one(move_)).unwrap()
    };
    let (even, below) = (weigh(0.0), weigh(1.0));
    assert!((even.moves[0].taken_g / below.moves[0].taken_g - 1.0).abs() < 0.1);
    let taken = |lengths: &[ShareLengths], low: bool| {
        let there = hair.strands.iter().zip(lengths).filter(|(strand, _)| (strand.root.at.y < 30.0) == low);
        there.map(|(_, l)| 320.0 - mean(l)).sum::<f64>()
    };
    assert!(taken(&below.lengths, true) > 1.1 * taken(&even.lengths, true));
    assert!(taken(&below.lengths, false) < taken(&even.lengths, false));
}

#[test]
fn a_cowlick_in_the_fringe_moves_its_fall_and_no_other_zone() {
    let cowlick = Growth {
        id: 0,
        at: Landmark::BrowLeft,
        direction: GrowthDirection::Toward(Landmark::BrowRight),
        reach_mm: 35.0,
        strength: 1.0,
    };
    let (plain, bent) = (head(), request(vec![cowlick]).grow().unwrap());
    let middle = plain.scalp().point(Landmark::BrowLeft);
    let (mut near, mut far) = (0.0_f64, 0.0_f64);
    for (strand, (a, b)) in plain.strands.iter().zip(plain.drapes.iter().zip(&bent.drapes)) {
        let moved = (a.main().place(60.0) - b.main().place(60.0)).norm();
        let off = (strand.root.at - middle).norm();
        if off < 25.0 {
            near = near.max(moved);
        } else if off > 160.0 {
            far = far.max(moved);
        }
    }
    assert!(near > 8.0 && far < 0.5, "{near} {far}");
    let fallen = fall(&bent, &bent.lengths);
    assert!((fallen.mass_g - fall(&plain, &plain.lengths).mass_g).abs() < 1e-9, "hair moves, none is lost");
}

#[test]
fn ends_that_have_thinned_out_weigh_less_and_let_light_through_from_higher_up() {
    let thinning = |taper| {
        let mut request = request(vec![]);
        request.reading.taper = taper;
        request.grow()
    };
    let with = |taper| thinning(taper).unwrap();
    let (blunt, thin) = (with(0.0), with(0.6));
    // The shares run evenly from the whole length to 0.4 of it: 0.7 on the whole.
    assert!((thin.mass_g(&thin.lengths) / blunt.mass_g(&blunt.lengths) - 0.7).abs() < 1e-9);
    let (solid, worn_out) = (fall(&blunt, &blunt.lengths), fall(&thin, &thin.lengths));
    assert!(worn_out.see_through_below_mm > solid.see_through_below_mm);
    assert!(worn_out.strong_to_mm > solid.strong_to_mm + 15.0);
    let thin_part = |fallen: &Fall| fallen.see_through_below_mm - fallen.lowest_mm;
    assert!(thin_part(&worn_out) > thin_part(&solid) + 10.0);
    assert_eq!(thinning(0.9).unwrap_err().0[0].field, "reading.taper");
}

#[test]
fn every_kind_of_twist_has_its_message() {
    let ways = [
        (twist(Point::Chin, None, 0.0), "step-twist(past: 0 mm, point: step-place-at(point: point-chin)"),
        (
            twist(Point::Chin, None, 25.0),
            "step-twist-past(past: 25 mm, point: step-place-at(point: point-chin)",
        ),
        (twist(Point::Chin, Some(Side::Right), 0.0), "point: step-place-at(point: point-chin)"),
        (twist(Point::Cheekbone, None, 0.0), "point: step-place-left(point: point-cheekbone)"),
        (twist(Point::JawCorner, Some(Side::Right), 0.0), "point: step-place-right(point: point-jaw_corner)"),
    ];
    for (way, message) in ways {
        let step = &steps(&one(movement(Region::Everything, way)))[0];
        assert!(step.lines[1].to_string().contains(message), "{}", step.lines[1]);
        assert_eq!(step.title.id, "step-title-gathered");
    }
}

fn any_point() -> impl Strategy<Value = Point> {
    prop_oneof![
        Just(Point::Brow),
        Just(Point::Cheekbone),
        Just(Point::NoseTip),
        Just(Point::Chin),
        Just(Point::EarLobe)
    ]
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(60))]

    /// Whatever is twisted, weighed and grown, hair stays possible and the document reads back the same.
    #[test]
    fn any_of_these_leaves_possible_hair(
        to in any_point(), past_mm in -100.0..400.0, strength in 0.0..1.0, reach_mm in 10.0..120.0, under in 0.0..1.0,
        thickness_mm in 8.0..100.0, mirrored in any::<bool>(), clockwise in any::<bool>(),
    ) {
        let direction = if clockwise { GrowthDirection::Clockwise } else { GrowthDirection::Toward(Landmark::Apex) };
        let growth = vec![Growth { id: 0, at: Landmark::Crown, direction, reach_mm, strength }];
        let hair = HairRequest { roots: 256, ..request(growth) }.grow().unwrap();
        let layout = Layout { thickness_mm, ..layout(Along::Profile, Landmark::Apex) };
        let mut twists = movement(
            Region::Half(Side::Right),
            MoveKind::Gathered(Gathered { side: Some(Side::Right), past_mm, ..Gathered::to(layout, to) }),
        );
        (twists.id, twists.mirrored) = (1, mirrored);
        twists.technique = Technique { under, ..Technique::usual(TechniqueKind::Point) };
        let weight = Move {
            id: 2,
            technique: Technique { under, ..Technique::usual(TechniqueKind::Slide) },
            ..movement(Region::Everything, MoveKind::Weight(layout))
        };
        let plan = Cut { moves: vec![twists, weight], ..one(movement(Region::Everything, MoveKind::Weight(layout))) };
        let text = serde_json::to_string(&plan).unwrap();
        prop_assert_eq!(&serde_json::from_str::<Cut>(&text).unwrap(), &plan);
        let result = cut(&hair, &plan).unwrap();
        for (after, before) in result.lengths.iter().zip(&hair.lengths).flat_map(|(after, before)| {
            after.iter().map(|mm| (mm, before.longest()))
        }) {
            prop_assert!(after.is_finite() && *after >= 0.0 && *after <= before);
        }
        let before = hair.mass_g(&hair.lengths);
        let taken: f64 = result.moves.iter().map(|move_| move_.taken_g).sum();
        prop_assert!((before - taken - hair.mass_g(&result.lengths)).abs() < 1e-6);
        let fallen = fall(&hair, &result.lengths);
        prop_assert!(fallen.front.one_mm.iter().chain(&fallen.side.other_mm).chain(&fallen.top_mm).all(|mm| mm.is_finite()));
    }
}
