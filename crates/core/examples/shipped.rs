//! Prints every cut that ships on three heads: docs/accuracy.md.

#![allow(clippy::print_stdout, reason = "what it prints is what it is for")]

mod heads;

use heads::head;
use spirel_core::cut::{cut, shipped};
use spirel_core::fall::fall;
use spirel_core::reading::WidthClass;

fn main() {
    let heads = [
        ("straight thick", head(480.0, 470.0, WidthClass::Coarse, 220.0)),
        ("ringlets", head(600.0, 320.0, WidthClass::Medium, 200.0)),
        ("tight coils", head(400.0, 120.0, WidthClass::Medium, 180.0)),
    ];
    println!(
        "| cut | head | widest, at (mm) | top (mm) | at the temples | 30 mm above the line | line (mm) | off (%) | notes |\n|---|---|---|---|---|---|---|---|---|"
    );
    for (name, hair) in &heads {
        let row = |key: &str, lengths: &[_], notes: String| {
            let f = fall(hair, lengths);
            let low = f.perimeter_mm.iter().flatten().copied().fold(f64::MAX, f64::min);
            // Nothing off is told as nothing, not as less than nothing by rounding.
            let off = (100.0 * (1.0 - f.mass_g / hair.mass_g(&hair.lengths))).max(0.0);
            println!(
                "| {key} | {name} | {:.0} at {:.0} | {:.0} | {:.0} | {:.0} | {low:.0} | {off:.0} | {notes} |",
                f.width_mm,
                f.widest_at_mm,
                f.front.heights_mm[0],
                f.front.width_at_mm(40.0),
                f.front.width_at_mm(low + 30.0)
            );
        };
        row("uncut", &hair.lengths, String::new());
        for shipped in shipped() {
            let result = cut(hair, &shipped.cut).expect("it can be carried out");
            let notes = result
                .moves
                .iter()
                .enumerate()
                .flat_map(|(i, m)| m.notes.iter().map(move |n| format!("{i}:{n:?}")))
                .collect::<Vec<_>>()
                .join(" ");
            row(shipped.key, &result.lengths, notes);
        }
    }
}
