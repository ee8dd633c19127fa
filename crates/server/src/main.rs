//! The one binary.

use clap::Parser;
use mimalloc::MiMalloc;
use spirel::cli::Command;
use std::process::ExitCode;

/// A fall takes some megabytes and gives them back. This allocator keeps them for the next, where the system's would have the
/// kernel clear them again each time.
#[global_allocator]
static ALLOCATOR: MiMalloc = MiMalloc;

fn main() -> ExitCode {
    Command::parse().run()
}
