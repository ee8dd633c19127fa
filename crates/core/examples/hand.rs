//! Prints what a hand would find on computed heads: the table of docs/accuracy.md. A name's beginning chooses among the cases.

#![allow(clippy::print_stdout, reason = "what it prints is what it is for")]

#[path = "../tests/hand/table.rs"]
mod table;

fn main() {
    for (name, number) in table::lines() {
        println!("{name}: {number:.3}");
    }
}
