//! The extension law by closed forms and properties.
#![allow(clippy::unwrap_used, clippy::print_stdout, reason = "a test that can't go on says so by failing")]

use proptest::prelude::*;
use spirel_core::fibre::{
    Comb, Curl, HangRequest, HeldState, LengthModel, Material, Moisture, Rod, WornStyle,
};
use spirel_core::learn::fit;
use spirel_core::reading::{RawZoneReading, ZoneReading};

fn rod(radius: f64, pitch: f64, weight_factor: f64) -> Rod {
    let material =
        Material { diameter_um: 70.0, youngs_gpa: 3.9, shear_gpa: 1.0, density_kg_m3: 1320.0, weight_factor };
    Rod::new(material, Curl { loop_radius_mm: radius, natural_pitch: pitch })
}

fn model(radius: f64, pitch: f64) -> LengthModel {
    LengthModel {
        loop_radius_mm: radius,
        natural_pitch: pitch,
        diameter_um: 70.0,
        stiffness: 1.0,
        softening: 1.0,
    }
}

#[test]
fn closed_loops_open_from_nothing_and_straighten_at_the_bending_over_the_twisting_force() {
    let rod = rod(8.0, 0.0, 1.0);
    assert!(rod.extension(0.0).abs() < 1e-12);
    let straightens = rod.scale_mn / rod.stiffness_ratio;
    assert_eq!(rod.extension(straightens), 1.0);
    assert!(rod.extension(0.999 * straightens) < 1.0);
    assert_eq!(rod.loop_radius_mm(straightens), 0.0);
    assert!((rod.loop_radius_mm(0.0) - 8.0).abs() < 1e-9);
}

#[test]
fn an_open_spiral_at_rest_has_its_natural_pitch_and_radius() {
    let rod = rod(8.0, 0.6, 1.0);
    assert!((rod.extension(0.0) - 0.6).abs() < 1e-12);
    // A helix of curvature κ0 and inclination x has the radius (1 − x²)/κ0.
    assert!((rod.loop_radius_mm(0.0) - 8.0 * (1.0 - 0.36)).abs() < 1e-9);
}

#[test]
fn a_hair_that_is_straight_at_the_root_loses_half_its_characteristic_length_whatever_it_twists_like() {
    for shear in [0.3, 1.0, 1.7] {
        let material = Material {
            diameter_um: 70.0,
            youngs_gpa: 3.9,
            shear_gpa: shear,
            density_kg_m3: 1320.0,
            weight_factor: 1.0,
        };
        let rod = Rod::new(material, Curl { loop_radius_mm: 40.0, natural_pitch: 0.0 });
        let length = 600.0;
        assert_eq!(rod.extension(rod.weight_mn_mm * length), 1.0);
        let exact = length - 0.5 * rod.characteristic_length_mm();
        assert!((rod.helix_mm(length, 0.0) - exact).abs() < 1e-9, "{shear}");
    }
}

#[test]
fn the_closed_form_of_the_hanging_length_is_the_sum_of_the_extension() {
    for (radius, pitch, pull) in
        [(3.0, 0.0, 0.0), (8.0, 0.3, 0.02), (15.0, 0.7, 0.0), (40.0, 0.0, 0.3), (2.0, 0.2, 4.0)]
    {
        let rod = rod(radius, pitch, 1.8);
        let (length, n) = (300.0, 20_000);
        let h = length / f64::from(n);
        let sum: f64 =
            (0..n).map(|i| rod.extension(pull + rod.weight_mn_mm * (f64::from(i) + 0.5) * h) * h).sum();
        assert!((rod.helix_mm(length, pull) - sum).abs() < 1e-3, "{radius} {pitch} {pull}");
    }
}

#[test]
fn weight_opens_wide_loops_far_more_than_small_ones() {
    let open = |radius: f64| rod(radius, 0.0, 1.0).hanging_mm(300.0, 0.0) / 300.0;
    assert!(open(15.0) > 5.0 * open(3.0), "{} {}", open(15.0), open(3.0));
}

#[test]
fn the_top_of_a_long_curl_is_straighter_than_its_end_and_cutting_lets_it_spring() {
    let rod = rod(10.0, 0.2, 1.0);
    assert!(rod.extension(rod.weight_mn_mm * 400.0) > rod.extension(rod.weight_mn_mm * 40.0) + 0.1);
    let share = |length: f64| rod.hanging_mm(length, 0.0) / length;
    assert!(share(400.0) > share(300.0) && share(300.0) > share(200.0));
}

#[test]
fn a_tight_coil_hardly_answers_to_its_weight_and_a_wave_does() {
    // Half as much weight again: how much of the fibre's length does it hang lower?
    let answer = |radius: f64| {
        (rod(radius, 0.1, 1.5).hanging_mm(300.0, 0.0) - rod(radius, 0.1, 1.0).hanging_mm(300.0, 0.0)) / 300.0
    };
    assert!(answer(1.5) < 0.005, "{}", answer(1.5));
    assert!(answer(12.0) > 0.05, "{}", answer(12.0));
}

#[test]
fn the_choice_of_comb_matters_as_it_does_in_the_hand() {
    let held =
        |m: &LengthModel, moisture, comb| m.held_mm(300.0, 300.0, HeldState { moisture, comb }) / 300.0;
    // A ringlet, 300 mm stretched and 150 mm let go.
    let reading = ZoneReading::try_from(&RawZoneReading::measured(300.0, 150.0)).unwrap();
    let ringlet = fit(&reading).model();
    let wide = (held(&ringlet, Moisture::Dry, Comb::Wide), held(&ringlet, Moisture::Wet, Comb::Wide));
    assert!((0.70..0.88).contains(&wide.0) && (0.88..0.96).contains(&wide.1), "{wide:?}");
    for moisture in [Moisture::Dry, Moisture::Wet] {
        assert!(held(&ringlet, moisture, Comb::Fine) > 0.99);
        let of = |comb| held(&ringlet, moisture, comb);
        assert!(of(Comb::Wide) < of(Comb::Medium) && of(Comb::Medium) < of(Comb::Fine));
    }
    // A wide comb holds a tight coil far less.
    let coil = model(2.0, 0.1);
    assert!(held(&coil, Moisture::Dry, Comb::Wide) < 0.5, "{}", held(&coil, Moisture::Dry, Comb::Wide));
    assert!(held(&coil, Moisture::Dry, Comb::None) < held(&coil, Moisture::Dry, Comb::Wide));
    assert!(held(&coil, Moisture::Dry, Comb::Fine) > 0.9, "{}", held(&coil, Moisture::Dry, Comb::Fine));
}

#[test]
fn a_smoothed_head_is_worn_longer_than_one_left_to_spring() {
    let m = model(8.0, 0.2);
    let worn = |style| m.worn_mm(250.0, style);
    assert!(worn(WornStyle::Diffused) < worn(WornStyle::AsItSprings));
    assert!(worn(WornStyle::AsItSprings) < worn(WornStyle::BrushedOut));
    assert!(worn(WornStyle::BrushedOut) < worn(WornStyle::Smoothed));
}

#[test]
fn a_bare_fibre_with_a_bad_field_is_refused_at_that_field() {
    let good = HangRequest {
        diameter_um: 70.0,
        loop_radius_mm: 8.0,
        natural_pitch: 0.0,
        fibre_length_mm: 200.0,
        youngs_GPa: 3.9,
        shear_GPa: 1.0,
        density_kg_m3: 1320.0,
        weight_factor: 1.0,
        tip_pull_mN: 0.0,
    };
    assert!(good.hang().is_ok());
    let cases = [
        (HangRequest { diameter_um: -1.0, ..good }, "diameter_um"),
        (HangRequest { loop_radius_mm: f64::NAN, ..good }, "loop_radius_mm"),
        (HangRequest { natural_pitch: 1.0, ..good }, "natural_pitch"),
        (HangRequest { fibre_length_mm: f64::INFINITY, ..good }, "fibre_length_mm"),
        (HangRequest { shear_GPa: 3.0, ..good }, "shear_GPa"),
        (HangRequest { tip_pull_mN: -0.1, ..good }, "tip_pull_mN"),
    ];
    for (request, field) in cases {
        let faults = request.hang().unwrap_err();
        assert_eq!(faults.0[0].field, field);
    }
}

fn any_rod() -> impl Strategy<Value = Rod> {
    (20.0..150.0, 0.3..500.0, 0.0..0.98, 0.05..20.0, 0.05..0.66, 1.0..3.0).prop_map(
        |(diameter_um, loop_radius_mm, natural_pitch, youngs_gpa, shear_share, weight_factor): (
            f64,
            f64,
            f64,
            f64,
            f64,
            f64,
        )| {
            let shear_gpa = youngs_gpa * shear_share;
            let material =
                Material { diameter_um, youngs_gpa, shear_gpa, density_kg_m3: 1320.0, weight_factor };
            Rod::new(material, Curl { loop_radius_mm, natural_pitch })
        },
    )
}

fn any_model() -> impl Strategy<Value = LengthModel> {
    (0.5..300.0, 0.01..0.95, 30.0..110.0, 0.3..3.0, 0.5..1.6).prop_map(
        |(loop_radius_mm, natural_pitch, diameter_um, stiffness, softening)| LengthModel {
            loop_radius_mm,
            natural_pitch,
            diameter_um,
            stiffness,
            softening,
        },
    )
}

fn any_state() -> impl Strategy<Value = HeldState> {
    proptest::sample::select(HeldState::all().collect::<Vec<_>>())
}

proptest! {
    #[test]
    fn the_extension_is_the_inverse_of_the_pull(rod in any_rod(), share in 0.001..0.999_f64) {
        let natural = rod.extension(0.0);
        let x = natural + (1.0 - natural) * share;
        let pull = rod.pull_at_mn(x);
        prop_assert!(pull >= 0.0);
        prop_assert!((rod.extension(pull) - x).abs() < 1e-7, "{x} {}", rod.extension(pull));
    }

    #[test]
    fn more_pull_never_holds_it_shorter(rod in any_rod(), pull in 0.0..5.0_f64, more in 0.0..5.0_f64) {
        prop_assert!(rod.extension(pull + more) >= rod.extension(pull) - 1e-12);
        prop_assert!(rod.hanging_mm(200.0, pull + more) >= rod.hanging_mm(200.0, pull) - 1e-6);
    }

    #[test]
    fn a_length_grows_with_its_fibre_and_never_passes_it(rod in any_rod(), length in 1.0..1500.0_f64, more in 0.01..100.0_f64) {
        let hangs = rod.hanging_mm(length, 0.0);
        prop_assert!(hangs.is_finite() && hangs > 0.0 && hangs <= length);
        prop_assert!(rod.hanging_mm(length + more, 0.0) > hangs - 1e-9);
        prop_assert!(rod.tip_mm(length, 0.0) <= length);
    }

    /// The search in the inclination and Newton's method meet a plain halving of the length.
    #[test]
    fn the_fibre_of_a_depth_is_the_one_that_halving_finds(
        rod in any_rod(), depth in 2.0..600.0_f64, pull in prop_oneof![Just(0.0), 1e-4..0.1_f64, 0.1..60.0_f64],
    ) {
        let found = rod.fibre_hanging_mm(depth, pull);
        let (mut low, mut high) = (0.0, 1e7);
        for _ in 0..200 {
            let middle = 0.5 * (low + high);
            if rod.hanging_mm(middle, pull) < depth { low = middle } else { high = middle }
        }
        // Where length hardly grows with fibre, much fibre makes no difference: then the depth is what must agree.
        prop_assert!((found - high).abs() < 1e-6 * found.max(1.0) || (rod.hanging_mm(found, pull) - depth).abs() < 1e-6,
            "{found} {high}: {} of {depth}", rod.hanging_mm(found, pull));
    }

    #[test]
    fn conversions_go_there_and_back_within_a_tenth_of_a_millimetre(
        m in any_model(), fibre in 10.0..800.0_f64, extra in 0.0..400.0_f64, state in any_state(), water in 0.0..1.3_f64,
    ) {
        for style in [WornStyle::AsItSprings, WornStyle::Diffused, WornStyle::BrushedOut, WornStyle::Smoothed] {
            let worn = m.worn_mm(fibre, style);
            let back = m.fibre_from_worn(worn, style).unwrap();
            prop_assert!((m.worn_mm(back, style) - worn).abs() < 1e-6);
            prop_assert!((back - fibre).abs() < 0.1, "worn {fibre} {back}");
        }
        let back = m.fibre_from_hanging(m.hanging_mm(fibre, water), water).unwrap();
        prop_assert!((back - fibre).abs() < 0.1, "hanging {fibre} {back}");
        let (present, held) = (fibre + extra, m.held_mm(fibre, fibre + extra, state));
        let back = m.fibre_from_held(held, present, state).unwrap();
        // Uncombed, many points of a closed loop lie as deep as its lowest: then it is the depth that must agree.
        let as_deep = state.comb == Comb::None && (m.held_mm(back, present, state) - held).abs() < 1e-6;
        prop_assert!((back - fibre).abs() < 0.1 || as_deep, "held {fibre} {back} {state:?}");
    }
}
