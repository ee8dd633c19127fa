//! The server through its production router on a real database, and the command line through the real binary.
#![allow(clippy::unwrap_used, reason = "a test that can't go on says so by failing")]

mod app;
mod bad_input;
mod command_line;
mod contract;
mod counting;
mod doors;
mod edits;
mod holds;
mod instruments;
mod plans;
mod present;

mod visits;
