//! What ordinary heads of hair measure when they are worn: the table of docs/accuracy.md, held.
#![allow(clippy::unwrap_used, reason = "a test that can't go on says so by failing")]

use spirel_core::fall::{Fall, fall};
use spirel_core::grow::HairRequest;
use spirel_core::hair::{Hair, ShareLengths};
use spirel_core::head::{Place, Point, Vec3, Zone};
use spirel_core::reading::{RawReading, RawZoneReading, SharpEdge, WidthClass, WornWidth};
use spirel_core::section::Region;

fn reading(stretched_mm: f64, sprung_mm: f64, width: WidthClass, hairs_per_cm2: f64) -> RawReading {
    let zone = RawZoneReading {
        width_class: Some(width),
        strands: 5,
        ..RawZoneReading::measured(stretched_mm, sprung_mm)
    };
    let zones = Zone::ALL.into_iter().map(|z| (z.into(), zone)).collect();
    RawReading { zones, hairs_per_cm2, ..RawReading::default() }
}

fn head(stretched_mm: f64, sprung_mm: f64, width: WidthClass, hairs_per_cm2: f64) -> Hair {
    HairRequest::new(reading(stretched_mm, sprung_mm, width, hairs_per_cm2)).grow().unwrap()
}

fn cut_to(hair: &Hair, worn_mm: impl Fn(usize) -> f64) -> Vec<ShareLengths> {
    let cut = |i: usize| {
        let strand = &hair.strands[i];
        let fibre = strand.model.fibre_from_worn(worn_mm(i), strand.worn).unwrap();
        hair.lengths[i].map(|length| length.min(fibre))
    };
    (0..hair.strands.len()).map(cut).collect()
}

fn to_the_shoulder(hair: &Hair) -> Vec<ShareLengths> {
    let height = Point::Shoulder.height_mm(&hair.measures);
    cut_to(hair, |i| hair.worn_to_height_mm(i, height).unwrap())
}

fn line_mm(fall: &Fall) -> f64 {
    fall.perimeter_mm.iter().flatten().copied().fold(f64::MAX, f64::min)
}

#[test]
fn straight_hair_in_one_length_is_a_narrow_column() {
    let hair = head(500.0, 497.0, WidthClass::Medium, 180.0);
    let fallen = fall(&hair, &to_the_shoulder(&hair));
    let (temples, line) = (fallen.front.width_at_mm(40.0), fallen.front.width_at_mm(line_mm(&fallen) + 30.0));
    assert!((165.0..190.0).contains(&temples) && line - temples < 25.0, "{temples} {line}");
    assert!((line_mm(&fallen) - Point::Shoulder.height_mm(&hair.measures)).abs() < 2.0);
}

#[test]
fn thick_ringlets_in_one_length_are_a_triangle_and_round_layers_turn_it_over_and_lift_the_top() {
    let hair = head(600.0, 300.0, WidthClass::Medium, 240.0);
    let one_length = fall(&hair, &to_the_shoulder(&hair));
    let (temples, line) =
        (one_length.front.width_at_mm(40.0), one_length.front.width_at_mm(line_mm(&one_length) + 30.0));
    assert!((260.0..300.0).contains(&temples) && (350.0..450.0).contains(&line), "{temples} {line}");
    assert!(line / one_length.front.width_at_mm(60.0) > 1.35);
    let layered = fall(&hair, &cut_to(&hair, |_| 150.0));
    let lift = layered.front.heights_mm[0] - one_length.front.heights_mm[0];
    assert!((20.0..50.0).contains(&lift), "{lift}");
    assert!(layered.widest_at_mm > one_length.widest_at_mm + 60.0);
}

#[test]
fn tight_coils_are_a_ball_and_the_top_too() {
    let hair = head(400.0, 110.0, WidthClass::Medium, 180.0);
    let fallen = fall(&hair, &cut_to(&hair, |_| 100.0));
    let top = fallen.front.heights_mm[0] - hair.form.top_mm();
    // At the height of the temples the bare head is narrower than at the ears.
    let side = 0.5 * fallen.front.width_at_mm(40.0) - 0.95 * hair.form.radius_mm(&Vec3::x());
    // At the nape, where hair is rooted below the head, it stands off as far.
    let behind =
        |height: f64| fallen.side.other_mm[fallen.side.heights_mm.iter().position(|h| *h == height).unwrap()];
    let nape = behind(-40.0) - hair.form.radius_mm(&-Vec3::z());
    assert!(
        (70.0..105.0).contains(&top) && (70.0..105.0).contains(&side) && nape > 70.0,
        "{top} {side} {nape}"
    );
}

#[test]
fn fine_hair_is_flat_and_seen_through_when_a_third_of_it_is_left() {
    let hair = head(330.0, 315.0, WidthClass::Fine, 140.0);
    let whole = fall(&hair, &cut_to(&hair, |_| 300.0));
    assert!(whole.front.heights_mm[0] - hair.form.top_mm() < 6.0);
    let mut layered = cut_to(&hair, |_| 110.0);
    for lengths in &mut layered {
        lengths.iter_mut().skip(3).for_each(|length| *length *= 0.3);
    }
    let thin = fall(&hair, &layered);
    let low = thin.levels.iter().rfind(|level| level.height_mm > line_mm(&thin) + 20.0).unwrap();
    assert!(low.light > 0.25, "{}", low.light);
}

#[test]
fn a_third_taken_from_inside_makes_ringlets_narrower() {
    let hair = head(600.0, 300.0, WidthClass::Medium, 240.0);
    let whole = to_the_shoulder(&hair);
    let mut taken = whole.clone();
    for lengths in &mut taken {
        lengths.iter_mut().step_by(3).for_each(|length| *length *= 0.3);
    }
    let (before, after) = (fall(&hair, &whole), fall(&hair, &taken));
    for height in [60.0, 0.0, -60.0, -110.0] {
        let (wide, narrow) = (before.front.width_at_mm(height), after.front.width_at_mm(height));
        assert!(narrow <= wide + 0.5, "{height}: {wide} {narrow}");
    }
    assert!(after.width_mm < 0.97 * before.width_mm, "{} {}", before.width_mm, after.width_mm);
}

#[test]
fn outputs_move_smoothly_when_hair_is_cut_by_a_millimetre_more() {
    let hair =
        HairRequest { roots: 1024, ..HairRequest::new(reading(600.0, 330.0, WidthClass::Medium, 200.0)) }
            .grow()
            .unwrap();
    let numbers = |worn: f64| {
        let fallen = fall(&hair, &cut_to(&hair, |_| worn));
        [line_mm(&fallen), fallen.width_mm, fallen.front.heights_mm[0], fallen.lowest_mm, fallen.mass_g]
    };
    let mut before = numbers(170.0);
    for step in 1..=20 {
        let now = numbers(170.0 + 0.5 * f64::from(step));
        for (i, (was, is)) in before.iter().zip(now).enumerate() {
            assert!((is - was).abs() < f64::max(1.5, 0.01 * was.abs()), "{i} at {step}: {was} {is}");
        }
        before = now;
    }
}

#[test]
fn one_worn_width_fits_the_room_that_curls_take() {
    let plain = reading(600.0, 320.0, WidthClass::Medium, 200.0);
    let at = Place { point: Point::JawCorner, below_mm: 0.0 };
    let grown =
        |reading: RawReading| HairRequest { roots: 2048, ..HairRequest::new(reading) }.grow().unwrap();
    let width = |hair: &Hair| fall(hair, &hair.lengths).front.width_at_mm(at.height_mm(&hair.measures));
    let usual = width(&grown(plain.clone()));
    for wanted in [0.85 * usual, 1.12 * usual] {
        let told = RawReading { worn_width: Some(WornWidth { width_mm: wanted, at }), ..plain.clone() };
        let found = width(&grown(told));
        assert!((found - wanted).abs() < 8.0, "{usual} {wanted} {found}");
    }
}

#[test]
fn a_fringe_that_was_read_short_is_short_to_its_edge_and_no_further() {
    let mut short = reading(300.0, 290.0, WidthClass::Medium, 180.0);
    short.zones.insert(Zone::Fringe.into(), RawZoneReading::measured(170.0, 165.0));
    let triangle: Region = serde_json::from_str(
        r#"{"side_of": {"parting": {"through": ["brow_left", "apex", "brow_right"]}, "with": "hairline_centre"}}"#,
    )
    .unwrap();
    short.edges.push(SharpEdge { patch: Zone::Fringe.into(), within: triangle.clone() });
    let hair = HairRequest { roots: 2048, ..HairRequest::new(short) }.grow().unwrap();
    let test = triangle.on(&hair.scalp()).unwrap();
    for (strand, lengths) in hair.strands.iter().zip(&hair.lengths) {
        let inside = test.holds(&hair.scalp(), &strand.root.at, strand.root.zone);
        let wanted = if inside { 170.0 } else { 300.0 };
        assert!((lengths[0] - wanted).abs() < 1e-6, "{} at {}", lengths[0], strand.root.at);
    }
}
