//! What is offered against a finding.

use crate::cut::{Cut, Lever};
use crate::message::Message;
use serde::Serialize;

/// A change that cures a finding.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Cure {
    /// What is changed.
    pub lever: Lever,
    /// By how much, in the unit of the lever; 0 where a word is chosen.
    pub amount: f64,
    /// Numbers, from 0, of the steps that are changed.
    pub steps: Vec<u32>,
    /// By how much the hair is longer after it on the mean, mm of fibre; below 0 it is shorter.
    pub longer_mm: f64,
    /// How many minutes more it takes.
    pub minutes: f64,
    /// The change in words.
    pub text: Message,
    /// The cut with the change.
    pub cut: Cut,
}
