//! Handlers, by what they are about. They parse, ask store or core, and answer; they hold no rules.

pub mod audit;
pub mod clients;
pub mod compute;
pub mod edits;
pub mod exchange;
pub mod health;
pub mod house_rules;
pub mod instruments;
pub mod session;
pub mod thresholds;
pub mod visits;
