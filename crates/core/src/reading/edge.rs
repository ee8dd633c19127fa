//! Where the hair of a zone ends sharply: a fringe, an undercut, a corner.

use super::RawReading;
use super::most::MOST_EDGES;
use crate::error::{FieldErrors, Problem};
use crate::head::{Patch, Scalp};
use crate::section::Region;
use serde::{Deserialize, Serialize};

/// Hair that is as long as was read in a zone right to an edge, and not beyond it. Everywhere else lengths pass smoothly
/// from zone to zone.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct SharpEdge {
    /// The zone, or half of one, that was read.
    pub patch: Patch,
    /// All hair that is as long as there.
    pub within: Region,
}

impl RawReading {
    /// Checks edges on a head of ordinary measures: whether landmarks make a parting doesn't depend on them.
    pub(super) fn check_edges(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if self.edges.len() > MOST_EDGES {
            faults.push("edges", Problem::too_many(MOST_EDGES));
            return Err(faults);
        }
        let measures = crate::head::Measures::default();
        let form = crate::head::HeadForm::of(&measures, crate::head::SkullForm::default())?;
        let hairline = crate::head::Hairline::of(&form, &measures);
        for (i, edge) in self.edges.iter().enumerate() {
            faults.take(&format!("edges.{i}.within"), edge.within.on(&Scalp::plain(&form, &hairline)));
        }
        faults.or(())
    }
}
