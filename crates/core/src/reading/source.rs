//! With what a figure was measured, and how far that can be off.

use super::figure::ZoneFigure;
use crate::error::{FieldErrors, Problem};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// Standard errors that are accepted, in the unit of the figure.
const SD: (f64, f64) = (0.01, 100.0);

/// An instrument's word on one figure.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Source {
    /// One standard error as the instrument states it, in the unit of the figure, 0.01 to 100.
    pub sd: f64,
}

/// The figures of a zone that an instrument gave. One that is typed by hand afterwards is no longer among them.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[serde(from = "BTreeMap<ZoneFigure, Source>", into = "BTreeMap<ZoneFigure, Source>")]
pub struct Sources([Option<Source>; ZoneFigure::ALL.len()]);

impl Sources {
    /// What measured a figure, if an instrument did.
    pub fn of(&self, figure: ZoneFigure) -> Option<Source> {
        self.0[figure as usize]
    }

    /// The same with what measured a figure.
    #[must_use]
    pub fn with(mut self, figure: ZoneFigure, source: Source) -> Self {
        self.0[figure as usize] = Some(source);
        self
    }

    fn given(&self) -> impl Iterator<Item = (ZoneFigure, Source)> {
        ZoneFigure::ALL.iter().filter_map(|figure| Some((*figure, self.of(*figure)?)))
    }

    pub(super) fn is_empty(&self) -> bool {
        self.given().next().is_none()
    }

    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        for (figure, source) in self.given() {
            if figure.rule().instrument.is_none() {
                faults.push(figure.key(), Problem::contradicts("fault-no-instrument"));
            }
            faults.range(&format!("{}.sd", figure.key()), source.sd, SD, "");
        }
        faults.or(())
    }
}

impl From<BTreeMap<ZoneFigure, Source>> for Sources {
    fn from(given: BTreeMap<ZoneFigure, Source>) -> Self {
        given.into_iter().fold(Self::default(), |all, (figure, source)| all.with(figure, source))
    }
}

impl From<Sources> for BTreeMap<ZoneFigure, Source> {
    fn from(sources: Sources) -> Self {
        sources.given().collect()
    }
}
