//! The cut as it is made at the chair.

use crate::error::FieldErrors;
use serde::{Deserialize, Serialize};

/// What is kept of a cut while it is made: nothing yet.
#[derive(Debug, Clone, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct CutRecord {}

impl CutRecord {
    /// There is nothing in it that could be wrong.
    pub fn check(&self) -> Result<(), FieldErrors> {
        Ok(())
    }
}
