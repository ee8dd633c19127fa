//! The hanging law against full rod equilibria solved elsewhere; the figures stand in docs/accuracy.md.
#![allow(clippy::unwrap_used, clippy::print_stdout, reason = "a test that can't go on says so by failing")]

use serde::Deserialize;
use spirel_core::fibre::{HangRequest, Regime};
use std::path::Path;

#[derive(Deserialize)]
#[allow(non_snake_case)]
struct Row {
    diameter_um: f64,
    loop_radius_mm: f64,
    fibre_length_mm: f64,
    tip_pull_mN: f64,
    youngs_GPa: f64,
    shear_GPa: f64,
    density_kg_m3: f64,
    weight_factor: f64,
    lowest_point_over_length: f64,
    tip_over_length: f64,
}

impl Row {
    fn request(&self) -> HangRequest {
        HangRequest {
            diameter_um: self.diameter_um,
            loop_radius_mm: self.loop_radius_mm,
            natural_pitch: 0.0,
            fibre_length_mm: self.fibre_length_mm,
            youngs_GPa: self.youngs_GPa,
            shear_GPa: self.shear_GPa,
            density_kg_m3: self.density_kg_m3,
            weight_factor: self.weight_factor,
            tip_pull_mN: self.tip_pull_mN,
        }
    }
}

/// Errors of one regime: as a share of fibre length, and of the hanging length itself.
#[derive(Default)]
struct Errors {
    of_length: Vec<f64>,
    of_hanging: Vec<f64>,
    tip_of_length: Vec<f64>,
}

fn median(values: &[f64]) -> f64 {
    let mut sorted = values.to_vec();
    sorted.sort_by(f64::total_cmp);
    sorted[sorted.len() / 2]
}

fn worst(values: &[f64]) -> f64 {
    values.iter().copied().fold(0.0, f64::max)
}

impl Errors {
    fn row(&self, name: &str) -> String {
        format!(
            "| {name} | {} | {:.2} % | {:.2} % | {:.2} % | {:.1} % | {:.2} % | {:.2} % |",
            self.of_length.len(),
            100.0 * median(&self.of_length),
            100.0 * worst(&self.of_length),
            100.0 * median(&self.of_hanging),
            100.0 * worst(&self.of_hanging),
            100.0 * median(&self.tip_of_length),
            100.0 * worst(&self.tip_of_length),
        )
    }
}

#[test]
fn the_law_agrees_with_full_rods_as_the_documentation_says() {
    let (mut hook, mut spiral, mut straight, mut all) =
        (Errors::default(), Errors::default(), Errors::default(), Errors::default());
    let mut squares = 0.0;
    let rows: Vec<Row> = csv::Reader::from_path("tests/data/hanging-curl.csv")
        .unwrap()
        .deserialize()
        .collect::<Result<_, _>>()
        .unwrap();
    for row in &rows {
        let answer = row.request().hang().unwrap();
        let of_length = (answer.hanging_mm / row.fibre_length_mm - row.lowest_point_over_length).abs();
        let tip = (answer.tip_mm / row.fibre_length_mm - row.tip_over_length).abs();
        squares += of_length * of_length;
        let regime = match answer.regime {
            Regime::Hook => &mut hook,
            Regime::Spiral => &mut spiral,
            Regime::StraightAtRoot => &mut straight,
        };
        for errors in [regime, &mut all] {
            errors.of_length.push(of_length);
            errors.of_hanging.push(of_length / row.lowest_point_over_length);
            errors.tip_of_length.push(tip);
        }
    }
    let rms = (squares / rows.len() as f64).sqrt();
    let table = [
        hook.row("hook"),
        spiral.row("spiral"),
        straight.row("straight at root"),
        all.row("all"),
        format!("Root mean square over all rows: {:.2} % of the fibre length.", 100.0 * rms),
    ];
    println!("{}", table.join("\n"));

    assert!(rms < 0.0095, "root mean square {rms}");
    assert!(worst(&all.of_length) < 0.045);
    assert!(median(&straight.of_length) < 0.002);

    let docs = Path::new(env!("CARGO_MANIFEST_DIR")).join("../../docs/accuracy.md");
    let docs = std::fs::read_to_string(docs).expect("docs/accuracy.md");
    for line in &table {
        assert!(docs.contains(line.as_str()), "docs/accuracy.md should say:\n{}", table.join("\n"));
    }
}
