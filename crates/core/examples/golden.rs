//! Prints what comes of all shipped cuts and of the demo's marks, to the last digit: tests/golden.

#![allow(clippy::print_stdout, reason = "what it prints is what it is for")]

#[path = "../tests/golden/table.rs"]
mod table;

fn main() {
    for (name, numbers) in table::lines() {
        let numbers: Vec<String> = numbers.iter().map(f64::to_string).collect();
        println!("{name}: {}", numbers.join(" "));
    }
}
