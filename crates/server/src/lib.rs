//! Carries the core to people: the web application's server, its demo, and the command line.
//!
//! [`http`] is what holds for every request, [`api`] the handlers, [`exchange`] a visit as a file, [`json`] how
//! documents are read so that faults name their field, [`cli`] the commands, [`demo`] the made-up house they can be
//! tried on. Rules and computation are in `spirel-core`, rows in `spirel-store`.

pub mod api;
pub mod cli;
mod contract;
#[cfg(feature = "demo")]
pub mod demo;
pub mod exchange;
mod figures;
pub mod http;
pub mod json;
mod picture;
pub mod schemas;
