//! Prints how well hairs are counted on pictures whose true count is known: docs/accuracy.md.

#![allow(clippy::print_stdout, reason = "what it prints is what it is for")]

#[path = "../tests/counting/pictures.rs"]
mod pictures;

use pictures::{looked, middle};
use spirel_core::scope::{DrawnScalp, HairCount};

const PICTURES: u64 = 200;

fn main() {
    let looked = looked(PICTURES);
    let within = |share: f64, error: fn(&(DrawnScalp, f64, HairCount)) -> f64| {
        100.0 * middle(looked.iter().map(error).collect(), share)
    };
    println!("| | error of the count | error of the width |\n|---|---|---|");
    for (said, share) in
        [("half of the pictures within", 0.5), ("nine in ten within", 0.9), ("all within", 1.0)]
    {
        let count = within(share, |(_, hairs, found)| (found.hairs_per_cm2 / hairs - 1.0).abs());
        let width = within(share, |(scalp, _, found)| (found.width_um / scalp.width_um - 1.0).abs());
        println!("| {said} | {count:.1} % | {width:.1} % |");
    }
}
