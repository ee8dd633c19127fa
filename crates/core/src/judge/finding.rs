//! One thing found, as it is answered.

use super::FindingCode;
use super::head::{Head, Measured};
use super::offer::Cure;
use super::place::FindingPlace;
use crate::message::{Message, name_of};
use serde::Serialize;

/// One thing found.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Finding {
    /// What it is.
    pub code: FindingCode,
    /// How bad it is, 0 to 1; it is said from a half on.
    pub severity: f64,
    /// In what share of the heads that the reading allows it is found, 0 to 1; none where that was not asked.
    pub confidence: Option<f64>,
    /// How much of it, in the unit of its rule.
    pub measure: f64,
    /// From where on it is said.
    pub threshold: f64,
    /// How much of it the hair had before it was cut; none where uncut hair cannot have it.
    pub before: Option<f64>,
    /// Where it is worst.
    #[serde(rename = "where")]
    pub place: FindingPlace,
    /// Numbers, from 0, of the steps that cause it; none where the hair has it whatever is cut, or nobody asked.
    pub steps: Vec<u32>,
    /// What is seen, and why.
    pub text: Message,
    /// What takes it away, the smallest change first; none where nobody asked.
    pub cures: Vec<Cure>,
}

pub(super) fn of(head: &Head, code: FindingCode, measured: &Measured, severity: f64) -> Finding {
    let nothing = crate::cut::Cut::default();
    let before = code
        .is_of_the_shape()
        .then(|| super::measured(&head.before(&nothing), code).map(|measured| measured.measure))
        .flatten();
    let place = head.spot(measured.at);
    let text = measured.figures.iter().fold(
        Message::new(format!("finding-{}", name_of(code)))
            .with("zone", Message::word("step-zone", place.zone)),
        |text, (name, figure)| text.with(name, figure.clone()),
    );
    Finding {
        code,
        severity,
        confidence: None,
        measure: measured.measure,
        threshold: head.known.threshold(code),
        before,
        place,
        steps: measured.steps.clone(),
        text,
        cures: Vec::new(),
    }
}
