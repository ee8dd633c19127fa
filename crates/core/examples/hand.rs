//! Prints what a hand would find on computed heads: the table of docs/accuracy.md.

#![allow(clippy::print_stdout, reason = "what it prints is what it is for")]

#[path = "../tests/hand/table.rs"]
mod table;

/// All cases, in the order of the table.
const CASES: &[fn() -> Vec<table::Line>] = &[
    table::small_shares,
    table::upright_sections,
    table::outline,
    table::brushed,
    table::over_directed,
    table::dome,
    table::flare,
    table::joined,
    table::techniques,
    table::short,
    table::combs,
    table::branch,
    table::past_square,
    table::nape,
    table::zones_as_read,
    table::combed_lines,
];

fn main() {
    for (name, number) in CASES.iter().flat_map(|cases| cases()) {
        println!("{name}: {number:.3}");
    }
}
