//! Prints by how much each output moves at most when a parameter of a cut moves by a small step: docs/accuracy.md.

#![allow(clippy::print_stdout, reason = "what it prints is what it is for")]

#[path = "../tests/sweeps/table.rs"]
mod table;

use table::{OUTPUTS, SWEEPS, at, head};

fn main() {
    let hair = head(4096);
    println!("| parameter | from, to, step | {} | in all |", OUTPUTS.join(" | "));
    println!("|---|---|{}---|", "---|".repeat(OUTPUTS.len()));
    for sweep in SWEEPS {
        let steps = ((sweep.to - sweep.from) / sweep.step).round() as usize;
        let all: Vec<Vec<f64>> =
            (0..=steps).map(|i| at(&hair, sweep, sweep.from + i as f64 * sweep.step)).collect();
        let mut jumps = vec![0.0_f64; OUTPUTS.len()];
        for pair in all.windows(2) {
            for (i, (was, is)) in pair[0].iter().zip(&pair[1]).enumerate() {
                let jump = &mut jumps[i.min(OUTPUTS.len() - 1)];
                *jump = jump.max((is - was).abs());
            }
        }
        let in_all = all[0].iter().zip(&all[steps]).map(|(a, b)| (b - a).abs()).fold(0.0, f64::max);
        let jumps: Vec<String> = jumps.iter().map(|jump| format!("{jump:.2}")).collect();
        println!(
            "| {} | {}, {}, {} | {} | {in_all:.1} |",
            sweep.name,
            sweep.from,
            sweep.to,
            sweep.step,
            jumps.join(" | ")
        );
    }
}
