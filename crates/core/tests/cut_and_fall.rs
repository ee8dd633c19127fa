//! What a cut does and how it falls: the behaviours that every head of hair must show.
#![allow(clippy::unwrap_used, reason = "a test that can't go on says so by failing")]

use proptest::prelude::*;
use spirel_core::cut::{
    Cut, CutFormat, FallLine, Fingers, FirstLength, Guide, Hold, Layout, Move, MoveKind, OverDirection,
    Sections, Technique, TechniqueKind, cut, steps,
};
use spirel_core::fall::{AsWorn, Fall, fall};
use spirel_core::fibre::{Comb, HeldState, LengthModel, Moisture};
use spirel_core::grow::HairRequest;
use spirel_core::hair::{Hair, ShareLengths};
use spirel_core::head::{Landmark, Place, Point, SkullForm, Zone, mirror};
use spirel_core::reading::{RawReading, RawZoneReading, WidthClass};
use spirel_core::section::{Along, Region, Side};
use spirel_core::talk::Climate;

const DRY: HeldState = HeldState { moisture: Moisture::Dry, comb: Comb::None };
const STRAIGHT: f64 = 0.995;

/// A head all of one hair.
fn even(stretched_mm: f64, share: f64, width: WidthClass, roots: u32) -> HairRequest {
    let zone = RawZoneReading {
        width_class: Some(width),
        strands: 5,
        ..RawZoneReading::measured(stretched_mm, share * stretched_mm)
    };
    let zones = Zone::ALL.into_iter().map(|z| (z.into(), zone)).collect();
    HairRequest { roots, ..HairRequest::new(RawReading { zones, ..RawReading::default() }) }
}

/// The same with hair that has no bend at all, which no measure can say.
fn dead_straight(length_mm: f64, roots: u32) -> Hair {
    let mut hair = even(length_mm, STRAIGHT, WidthClass::Coarse, roots).grow().unwrap();
    for strand in &mut hair.strands {
        *strand = strand.of_kind(LengthModel { loop_radius_mm: 1e6, ..strand.model });
    }
    hair
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

fn movement(region: Region, kind: MoveKind, state: HeldState) -> Move {
    Move { state, ..Move::new(region, kind) }
}

fn line(point: Point) -> MoveKind {
    MoveKind::Perimeter(FallLine::level(Place { point, below_mm: 0.0 }))
}

fn layers(along: Along, from: Landmark, elevation_deg: f64, guide: Guide, held_mm: f64) -> Sections {
    Sections {
        layout: Layout::new(along, 20.0, from),
        hold: Hold::at(elevation_deg),
        guide,
        fingers: Fingers::default(),
        length: FirstLength::HeldMm(held_mm),
        drops: None,
    }
}

const TRAVELLING: Guide = Guide::TRAVELLING;

fn mean(lengths: &ShareLengths) -> f64 {
    lengths.mean()
}

fn after(hair: &Hair, move_: Move) -> Vec<ShareLengths> {
    cut(hair, &one(move_)).unwrap().lengths
}

/// Where strands end when worn, mm above the ear canals, of those that were cut.
fn ends(hair: &Hair, lengths: &[ShareLengths]) -> Vec<f64> {
    let worn = AsWorn::of(hair, lengths);
    (0..lengths.len())
        .filter(|i| mean(&lengths[*i]) < mean(&hair.lengths[*i]) - 1e-9)
        .map(|i| worn.mean_end(i).y)
        .collect()
}

#[test]
fn straight_hair_held_square_along_the_head_is_cut_to_one_length() {
    let hair = dead_straight(300.0, 2048);
    let mut sections = layers(Along::Horizontal, Landmark::Apex, 90.0, TRAVELLING, 100.0);
    sections.layout.thickness_mm = 10.0;
    let lengths = after(&hair, movement(Region::Everything, MoveKind::Sections(sections), DRY));
    for (strand, lengths) in hair.strands.iter().zip(&lengths) {
        let held = strand.model.held_mm(mean(lengths), 300.0, DRY);
        assert!((held / 100.0 - 1.0).abs() < 0.02, "{} at {}", held, strand.root.at);
    }
}

#[test]
fn a_guide_that_stays_on_top_pushes_length_down_and_spares_the_perimeter() {
    let hair = dead_straight(235.0, 2048);
    let sections = layers(Along::Horizontal, Landmark::Apex, 90.0, Guide::Stationary, 90.0);
    let lengths = after(&hair, movement(Region::Everything, MoveKind::Sections(sections), DRY));
    let ring = |low: f64, high: f64| {
        let inside: Vec<f64> = hair
            .strands
            .iter()
            .zip(&lengths)
            .filter(|(strand, _)| (low..high).contains(&strand.root.at.y))
            .map(|(_, lengths)| mean(lengths))
            .collect();
        inside.iter().sum::<f64>() / inside.len() as f64
    };
    let rings = [ring(110.0, 130.0), ring(90.0, 110.0), ring(60.0, 90.0), ring(20.0, 60.0)];
    assert!(rings.windows(2).all(|pair| pair[1] > pair[0] + 3.0), "{rings:?}");
    for (strand, lengths) in hair.strands.iter().zip(&lengths) {
        if strand.root.at.y < -20.0 {
            assert!((mean(lengths) - 235.0).abs() < 1e-9, "the nape doesn't reach the hand");
        }
    }
}

#[test]
fn a_square_line_on_straight_hair_is_level_and_on_curls_comes_up_where_they_spring() {
    let straight = dead_straight(420.0, 2048);
    let heights = ends(&straight, &after(&straight, movement(Region::Everything, line(Point::Chin), DRY)));
    assert!(heights.len() > 1500);
    let (low, high) =
        (heights.iter().copied().fold(f64::MAX, f64::min), heights.iter().copied().fold(f64::MIN, f64::max));
    assert!(high - low < 1.0, "{low} {high}");

    // Curls on one side only, cut wet with a fine comb to the same line.
    let mut request = even(420.0, STRAIGHT, WidthClass::Medium, 2048);
    let curl = RawZoneReading { strands: 5, ..RawZoneReading::measured(420.0, 230.0) };
    request.reading.zones.insert(Zone::LeftSide.into(), curl);
    let mixed = request.grow().unwrap();
    let wet = HeldState { moisture: Moisture::Wet, comb: Comb::Fine };
    let lengths = after(&mixed, movement(Region::Everything, line(Point::Chin), wet));
    let chin = Point::Chin.height_mm(&mixed.measures);
    let worn = AsWorn::of(&mixed, &lengths);
    let lift = |zone: Zone| {
        let of: Vec<f64> = (0..lengths.len())
            .filter(|i| mixed.strands[*i].root.zone == zone)
            .map(|i| worn.mean_end(i).y - chin)
            .collect();
        of.iter().sum::<f64>() / of.len() as f64
    };
    assert!(lift(Zone::LeftSide) > 40.0, "{}", lift(Zone::LeftSide));
    assert!(lift(Zone::RightSide).abs() < 12.0, "{}", lift(Zone::RightSide));
    // Each strand comes up by what its own hair is shorter worn than held.
    for (i, strand) in mixed.strands.iter().enumerate() {
        if mean(&lengths[i]) < 419.0 && !mixed.drapes[i].can_fall_forward() {
            // Combed down it lies flat: the path, hardly longer for the straight hair below it.
            let path = mixed.drapes[i].main().on_head_mm() + mixed.drapes[i].leave().y - chin;
            let held = strand.model.held_mm(mean(&lengths[i]), 420.0, wet);
            assert!(held > path - 0.01 && held < path + 16.0, "{held} {path}");
        }
    }
}

/// The hair cut to worn lengths, strand by strand.
fn worn_to(hair: &Hair, worn_mm: impl Fn(usize) -> f64) -> Vec<ShareLengths> {
    let cut = |i: usize| {
        let strand = &hair.strands[i];
        let fibre = strand.model.fibre_from_worn(worn_mm(i), strand.worn).unwrap();
        hair.lengths[i].map(|length| length.min(fibre))
    };
    (0..hair.strands.len()).map(cut).collect()
}

/// Share of the way from the top of the outline down to its lowest end at which it is widest.
fn widest_share(fall: &Fall) -> f64 {
    (fall.front.heights_mm[0] - fall.widest_at_mm) / (fall.front.heights_mm[0] - fall.lowest_mm)
}

#[test]
fn one_length_on_thick_curls_is_a_triangle_and_round_layers_lift_its_widest_point() {
    let mut request = even(600.0, 0.5, WidthClass::Medium, 4096);
    request.reading.hairs_per_cm2 = 240.0;
    let hair = request.grow().unwrap();
    let bluntly = fall(
        &hair,
        &worn_to(&hair, |i| hair.worn_to_height_mm(i, Point::Shoulder.height_mm(&hair.measures)).unwrap()),
    );
    assert!(widest_share(&bluntly) > 0.8, "{} of the way down", widest_share(&bluntly));
    let layered = fall(&hair, &worn_to(&hair, |_| 150.0));
    assert!(
        layered.widest_at_mm > bluntly.widest_at_mm + 10.0,
        "{} {}",
        layered.widest_at_mm,
        bluntly.widest_at_mm
    );
    assert!(layered.mass_g < bluntly.mass_g);
}

#[test]
fn hair_carried_away_from_where_it_grows_is_as_long_as_its_section_was_to_be() {
    let hair = even(330.0, STRAIGHT, WidthClass::Coarse, 2048).grow().unwrap();
    let region = Region::All(vec![Region::Half(Side::Left), Region::Zone(Zone::LeftSide)]);
    let held = |over| {
        let mut sections = layers(Along::Vertical, Landmark::TempleLeft, 90.0, Guide::Free, 120.0);
        sections.hold.over_direction = over;
        after(&hair, movement(region.clone(), MoveKind::Sections(sections), DRY))
    };
    let (own, back) = (held(OverDirection::OwnBase), held(OverDirection::Landmark(Landmark::MastoidLeft)));
    let mut compared = 0;
    for (i, strand) in hair.strands.iter().enumerate() {
        if strand.root.zone != Zone::LeftSide {
            continue;
        }
        // A length belongs to the section's own hair, wherever it is carried: over a section it differs by how much further
        // each root is from the hand than its middle.
        let reached = strand.model.held_mm(mean(&back[i]), 330.0, DRY);
        assert!((reached - 120.0).abs() < 16.0, "{reached} at {}", strand.root.at);
        compared += usize::from((reached - strand.model.held_mm(mean(&own[i]), 330.0, DRY)).abs() > 1.0);
    }
    assert!(compared > 20);
}

#[test]
fn what_falls_and_what_is_left_make_up_what_was_there() {
    let hair = even(360.0, 0.6, WidthClass::Medium, 1024).grow().unwrap();
    let mut plan = one(movement(Region::Everything, line(Point::Shoulder), DRY));
    let round = layers(Along::Vertical, Landmark::NapeCentre, 90.0, TRAVELLING, 150.0);
    let mut textured = movement(Region::Everything, MoveKind::Sections(round.clone()), DRY);
    textured.technique = Technique::usual(TechniqueKind::Slide);
    plan.moves.push(textured);
    let mut weight = movement(Region::Zone(Zone::BackLower), MoveKind::Weight(round.layout), DRY);
    weight.technique = Technique::usual(TechniqueKind::Thin);
    plan.moves.push(weight);
    let result = cut(&hair, &plan).unwrap();
    let taken: f64 = result.moves.iter().map(|move_| move_.taken_g).sum();
    let (before, left) = (hair.mass_g(&hair.lengths), hair.mass_g(&result.lengths));
    assert!(result.moves.iter().all(|move_| move_.taken_g > 0.0));
    assert!((before - left - taken).abs() < 1e-6);
    let by_zone: f64 = fall(&hair, &result.lengths).zones.iter().map(|zone| zone.mass_g).sum();
    assert!((by_zone - left).abs() < 1e-6);
    // By hand: 330 mm of 180 hairs a cm² of 70 µm on this scalp.
    let area: f64 = hair.strands.iter().map(|strand| strand.root.area_mm2).sum();
    let section = std::f64::consts::PI * 0.035_f64.powi(2);
    let expected = area / 100.0 * 180.0 * section * 360.0 * 1320e-6;
    assert!((before / expected - 1.0).abs() < 1e-6, "{before} {expected}");
}

#[test]
fn the_mirror_image_of_a_plan_gives_the_mirror_image_of_the_head() {
    let hair = even(340.0, 0.6, WidthClass::Medium, 1024).grow().unwrap();
    let region = Region::side_of(&[Landmark::Apex, Landmark::EarTopLeft], Landmark::TempleLeft);
    let region = Region::All(vec![region, Region::Half(Side::Left)]);
    for along in
        [Along::Vertical, Along::Horizontal, Along::Profile, Along::Pivot { round: Landmark::EarTopLeft }]
    {
        let mut sections = layers(along, Landmark::TempleLeft, 70.0, Guide::Floating { step_mm: 4.0 }, 90.0);
        sections.fingers.slant_deg = 20.0;
        sections.fingers.longer_toward = Some(Landmark::TempleLeft);
        let left = movement(region.clone(), MoveKind::Sections(sections.clone()), DRY);
        let both = Move { mirrored: true, ..left.clone() };
        let (left, both) = (after(&hair, left), after(&hair, both));
        let half = hair.strands.len() / 2;
        for i in 0..half {
            assert_eq!(mirror(&hair.strands[i].root.at), hair.strands[half + i].root.at);
            assert!((mean(&left[i]) - mean(&both[i])).abs() < 1e-9);
            assert!((mean(&both[i]) - mean(&both[half + i])).abs() < 1e-9, "{along:?}");
        }
        let fallen = fall(&hair, &both);
        for (one, other) in fallen.front.one_mm.iter().zip(&fallen.front.other_mm) {
            assert!((one - other).abs() < 1e-9, "{along:?} {one} {other}");
        }
    }
}

#[test]
fn the_number_of_threads_changes_nothing() {
    let run = |threads| {
        let pool = rayon::ThreadPoolBuilder::new().num_threads(threads).build().unwrap();
        pool.install(|| {
            let hair = even(340.0, 0.5, WidthClass::Medium, 2048).grow().unwrap();
            let round =
                MoveKind::Sections(layers(Along::Vertical, Landmark::NapeCentre, 90.0, TRAVELLING, 120.0));
            let lengths = after(&hair, movement(Region::Everything, round, DRY));
            let fallen = fall(&hair, &lengths);
            (lengths, fallen)
        })
    };
    assert_eq!(run(1), run(3));
}

#[test]
fn more_roots_change_outlines_and_masses_hardly() {
    let run = |roots| {
        let hair = even(340.0, 0.5, WidthClass::Medium, roots).grow().unwrap();
        let round =
            MoveKind::Sections(layers(Along::Vertical, Landmark::NapeCentre, 90.0, TRAVELLING, 130.0));
        fall(&hair, &after(&hair, movement(Region::Everything, round, DRY)))
    };
    let (some, twice) = (run(4096), run(8192));
    assert!((some.mass_g / twice.mass_g - 1.0).abs() < 0.01);
    for (name, a, b) in [("front", &some.front, &twice.front), ("side", &some.side, &twice.side)] {
        // Below an eighth of the fullness there are only single ends, which move an outline by up to 3 mm.
        let rows = some.levels.iter().rposition(|level| level.fullness >= 0.125).unwrap();
        let worst = (1..rows).map(|i| (a.one_mm[i] - b.one_mm[i]).abs()).fold(0.0, f64::max);
        let at = (1..rows).find(|i| (a.one_mm[*i] - b.one_mm[*i]).abs() == worst).map(|i| a.heights_mm[i]);
        assert!(worst < 3.0, "{name} {worst} mm at {at:?}");
    }
}

#[test]
fn short_hair_that_props_and_a_fuller_back_stand_out_further() {
    let width = |stretched| {
        let hair = even(stretched, STRAIGHT, WidthClass::Coarse, 2048).grow().unwrap();
        fall(&hair, &hair.lengths)
    };
    let at = |fall: &Fall, height: f64| {
        let row = fall.front.heights_mm.iter().position(|y| *y <= height).unwrap();
        fall.front.one_mm[row]
    };
    assert!(at(&width(40.0), 30.0) > at(&width(12.0), 30.0), "a cropped head is narrower");
    let back = |occiput| {
        let mut request = even(200.0, STRAIGHT, WidthClass::Fine, 2048);
        request.reading.skull = SkullForm { occiput, crown: 0.0 };
        let hair = request.grow().unwrap();
        let fallen = fall(&hair, &hair.lengths);
        let row = fallen.side.heights_mm.iter().position(|y| *y <= 20.0).unwrap();
        fallen.side.other_mm[row]
    };
    assert!(back(1.0) > back(-1.0) + 4.0);
}

#[test]
fn thinner_hair_lets_more_light_through_and_thinned_ends_are_seen_through_from_higher_up() {
    let fallen = |hairs_per_cm2, technique: Technique| {
        let mut request = even(380.0, STRAIGHT, WidthClass::Fine, 2048);
        request.reading.hairs_per_cm2 = hairs_per_cm2;
        let hair = request.grow().unwrap();
        let mut move_ = movement(Region::Everything, line(Point::Collarbone), DRY);
        move_.technique = technique;
        fall(&hair, &after(&hair, move_))
    };
    let low = |fall: &Fall| fall.levels[fall.levels.len() - 8].light;
    let (dense, sparse) = (fallen(220.0, Technique::default()), fallen(60.0, Technique::default()));
    assert!(low(&sparse) > low(&dense));
    let slid =
        Technique { share: Some(0.9), depth_mm: Some(150.0), ..Technique::usual(TechniqueKind::Slide) };
    let tapered = fallen(60.0, slid);
    assert!(tapered.see_through_below_mm >= sparse.see_through_below_mm);
    assert!(tapered.strong_to_mm > sparse.strong_to_mm);
}

#[test]
fn faults_name_the_move_and_the_field() {
    let hair = even(300.0, 0.6, WidthClass::Medium, 512).grow().unwrap();
    let bad_region = Region::side_of(&[Landmark::Apex, Landmark::Apex], Landmark::Crown);
    let mut plan = one(movement(Region::Everything, line(Point::Chin), DRY));
    plan.moves.push(movement(bad_region, line(Point::Chin), DRY));
    let faults = cut(&hair, &plan).unwrap_err();
    assert_eq!(faults.0[0].field, "moves.1.region.side_of.parting.through");
    let mut sections = layers(Along::Vertical, Landmark::Apex, 300.0, TRAVELLING, 100.0);
    sections.layout.thickness_mm = 0.0;
    let faults = one(movement(Region::Everything, MoveKind::Sections(sections), DRY)).check().unwrap_err();
    let fields: Vec<&str> = faults.0.iter().map(|f| f.field.as_str()).collect();
    assert_eq!(
        fields,
        ["moves.0.kind.sections.layout.thickness_mm", "moves.0.kind.sections.hold.elevation_deg"]
    );
    let on_the_line = Region::side_of(&[Landmark::Apex, Landmark::HairlineCentre], Landmark::Crown);
    let faults = cut(&hair, &one(movement(on_the_line, line(Point::Chin), DRY))).unwrap_err();
    assert_eq!(faults.0[0].field, "moves.0.region.side_of.with");
}

fn any_landmark() -> impl Strategy<Value = Landmark> {
    (0..Landmark::ALL.len()).prop_map(|i| Landmark::ALL[i])
}

fn any_region() -> impl Strategy<Value = Region> {
    let leaf = prop_oneof![
        Just(Region::Everything),
        Just(Region::Half(Side::Left)),
        (0..8usize).prop_map(|i| Region::Zone(Zone::ALL[i])),
        (5.0..60.0).prop_map(|within_mm| Region::Edge { within_mm }),
        (any_landmark(), any_landmark(), any_landmark()).prop_map(|(a, b, c)| Region::side_of(&[a, b], c)),
    ];
    leaf.prop_recursive(2, 6, 3, |inner| {
        prop_oneof![
            proptest::collection::vec(inner.clone(), 1..3).prop_map(Region::All),
            proptest::collection::vec(inner.clone(), 1..3).prop_map(Region::Any),
            inner.prop_map(|region| Region::Not(Box::new(region))),
        ]
    })
}

fn any_along() -> impl Strategy<Value = Along> {
    prop_oneof![
        Just(Along::Horizontal),
        Just(Along::Vertical),
        Just(Along::Profile),
        Just(Along::Crosswise),
        (-80.0..80.0).prop_map(|lower_in_front_deg| Along::Diagonal { lower_in_front_deg }),
        any_landmark().prop_map(|round| Along::Pivot { round }),
    ]
}

fn any_sections() -> impl Strategy<Value = Sections> {
    let over = prop_oneof![
        Just(OverDirection::OwnBase),
        Just(OverDirection::Previous),
        Just(OverDirection::Centre),
        any_landmark().prop_map(OverDirection::Landmark)
    ];
    let guide = prop_oneof![
        Just(TRAVELLING),
        Just(Guide::Free),
        (-20.0..20.0).prop_map(|step_mm| Guide::Floating { step_mm })
    ];
    let fingers = (0..3u8, -70.0..70.0, any_landmark()).prop_map(|(shape, slant_deg, end)| Fingers {
        shape: serde_json::from_value(["along_head", "straight", "level"][shape as usize].into()).unwrap(),
        slant_deg,
        longer_toward: Some(end),
        bow_mm: 0.0,
    });
    let length = prop_oneof![
        (2.0..400.0).prop_map(FirstLength::HeldMm),
        (2.0..400.0).prop_map(FirstLength::WornMm),
        (0.0..400.0).prop_map(FirstLength::ShorterMm)
    ];
    (any_along(), 8.0..80.0, any_landmark(), 0.0..180.0, over, guide, fingers, length).prop_map(
        |(along, thickness_mm, from, elevation_deg, over, guide, fingers, length)| Sections {
            layout: Layout::new(along, thickness_mm, from),
            hold: Hold { over_direction: over, ..Hold::at(elevation_deg) },
            guide,
            fingers,
            length,
            drops: None,
        },
    )
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(150))]

    /// Whatever is asked, nothing gets longer, nothing is negative or not a number, and the document reads back the same.
    #[test]
    fn any_cut_leaves_possible_hair(region in any_region(), sections in any_sections(), mirrored in any::<bool>(), share in 0.2..0.99) {
        let hair = even(300.0, share, WidthClass::Medium, 256).grow().unwrap();
        let mut move_ = movement(region, MoveKind::Sections(sections), DRY);
        move_.mirrored = mirrored;
        move_.technique = Technique::usual(TechniqueKind::Point);
        let plan = one(move_);
        let text = serde_json::to_string(&plan).unwrap();
        prop_assert_eq!(&serde_json::from_str::<Cut>(&text).unwrap(), &plan);
        prop_assert!(steps(&plan)[0].lines.len() > 2, "{:?}", steps(&plan));
        // A region may not say which way its parting runs: then that is what is answered.
        if let Ok(result) = cut(&hair, &plan) {
            for (after, before) in result.lengths.iter().zip(&hair.lengths) {
                for (after, before) in after.iter().zip(before.iter()) {
                    prop_assert!(after.is_finite() && *after >= 0.0 && after <= before);
                }
            }
            let fallen = fall(&hair, &result.lengths);
            prop_assert!(fallen.levels.iter().all(|level| level.light.is_finite() && level.mass_g_per_mm.is_finite()));
            prop_assert!(fallen.zones.iter().all(|zone| zone.ends_at_mm.is_finite() && zone.worn_mm >= 0.0));
            prop_assert!(fallen.front.one_mm.iter().chain(&fallen.side.other_mm).all(|mm| mm.is_finite()));
        }
    }
}

#[test]
fn damp_air_widens_curls_and_leaves_straight_hair_as_it_is() {
    let width = |sprung: f64, climate| {
        let zones = Zone::ALL
            .into_iter()
            .map(|zone| (zone.into(), RawZoneReading::measured(300.0, sprung)))
            .collect();
        let reading = RawReading { zones, ..RawReading::default() };
        let hair = HairRequest { climate, roots: 1024, ..HairRequest::new(reading) }.grow().unwrap();
        fall(&hair, &hair.lengths).width_mm
    };
    let (damp, usual, dry) =
        (width(160.0, Climate::Damp), width(160.0, Climate::NotSaid), width(160.0, Climate::Dry));
    assert!(damp > usual + 2.0 && dry < usual, "{dry} {usual} {damp}");
    assert!((width(298.0, Climate::Damp) - width(298.0, Climate::NotSaid)).abs() < 2.0);
}

#[test]
fn a_front_that_is_smoothed_hangs_longer_and_the_rest_as_before() {
    let worn = |front_straight| {
        let zones =
            Zone::ALL.into_iter().map(|zone| (zone.into(), RawZoneReading::measured(200.0, 110.0))).collect();
        let reading = RawReading { zones, ..RawReading::default() };
        let hair = HairRequest { front_straight, roots: 1024, ..HairRequest::new(reading) }.grow().unwrap();
        fall(&hair, &hair.lengths).zones.into_iter().map(|zone| (zone.zone, zone.worn_mm)).collect::<Vec<_>>()
    };
    for ((zone, curly), (_, smoothed)) in worn(false).into_iter().zip(worn(true)) {
        if zone == Zone::Fringe {
            assert!(smoothed > 1.3 * curly, "{curly} {smoothed}");
        } else {
            assert_eq!(smoothed, curly, "{zone:?}");
        }
    }
}
