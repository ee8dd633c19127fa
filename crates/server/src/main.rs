//! The one binary.

use clap::Parser;
use spirel::cli::Command;
use std::process::ExitCode;

fn main() -> ExitCode {
    Command::parse().run()
}
