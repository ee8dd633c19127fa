//! Which sections of a move get its technique, and which stay solid.

use crate::error::FieldErrors;
use crate::section::Region;
use serde::{Deserialize, Serialize};

/// Textured sections come at most so far apart.
const EVERY: (f64, f64) = (1.0, 10.0);

/// Solid and textured sections in turn.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Pattern {
    /// Every so many-th section is textured, 1 to 10: 1 is each, 2 is every second.
    #[serde(default = "one")]
    pub every: u32,
    /// How many stay solid before the first textured one, 0 to 10.
    #[serde(default)]
    pub solid_first: u32,
    /// Whether the last stays solid whatever its turn, so that no texture shows.
    #[serde(default)]
    pub last_solid: bool,
    /// Within a section only hair that grows here is textured, such as behind the ear; all of it if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub within: Option<Region>,
}

fn one() -> u32 {
    1
}

impl Pattern {
    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("every", f64::from(self.every), EVERY, "");
        faults.range("solid_first", f64::from(self.solid_first), (0.0, EVERY.1), "");
        if let Some(within) = &self.within {
            faults.take("within", within.check());
        }
        faults.or(())
    }

    #[must_use]
    pub(super) fn mirrored(&self) -> Self {
        Self { within: self.within.as_ref().map(Region::mirrored), ..self.clone() }
    }

    /// Whether the section of this number of so many is textured.
    pub(super) fn textures(&self, number: usize, last: bool) -> bool {
        let Some(turn) = number.checked_sub(self.solid_first as usize) else { return false };
        turn.is_multiple_of(self.every as usize) && !(last && self.last_solid)
    }
}
