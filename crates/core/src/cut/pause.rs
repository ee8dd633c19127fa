//! Steps that cut nothing: something is put into the hair, it is dried, or a plan waits and is looked at.

use crate::error::{FieldErrors, Problem};
use serde::{Deserialize, Serialize};

/// Longest note.
const NOTE: u32 = 500;
/// Most branches of a look.
const MOST_BRANCHES: usize = 6;

/// What is done while nothing is cut. It has its place in the order of a cut; a planner gives it its meaning.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", deny_unknown_fields)]
pub enum Pause {
    /// The cut waits until it has been looked at: a first guide let fall, a dry look.
    Look {
        /// What is looked at and decided.
        #[serde(default)]
        note: String,
        /// What is done then, by what is seen; at most six.
        #[serde(default, skip_serializing_if = "Vec::is_empty")]
        branches: Vec<Branch>,
    },
    /// Something goes into the hair.
    Product {
        /// What it gives.
        gives: ProductGives,
        /// Which and how.
        #[serde(default)]
        note: String,
    },
    /// The hair is dried.
    Dry {
        /// In which way.
        by: DryingMethod,
        /// How.
        #[serde(default)]
        note: String,
    },
}

/// What is done after a look, if this is seen.
#[derive(Debug, Clone, PartialEq, Eq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Branch {
    /// What is seen.
    pub seen: String,
    /// What is done then.
    pub then: String,
}

/// What a product gives the hair while it is cut.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum ProductGives {
    /// Slip: comb and razor pull less.
    Slip,
    /// Hold: it stays as it is laid.
    Hold,
    /// Moisture, as misting gives.
    Moisture,
}

/// How hair is dried.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum DryingMethod {
    /// In the air.
    Air,
    /// Under a diffuser held still.
    Diffuser,
    /// Flat round the head to its natural fall.
    FlatWrap,
    /// Section by section over a brush.
    Brush,
}

impl Pause {
    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if let Self::Look { branches, .. } = self {
            if branches.len() > MOST_BRANCHES {
                faults.push("branches", Problem::too_many(MOST_BRANCHES));
            }
            for (i, branch) in branches.iter().enumerate().take(MOST_BRANCHES) {
                faults.text(&format!("branches.{i}.seen"), &branch.seen, NOTE);
                faults.text(&format!("branches.{i}.then"), &branch.then, NOTE);
            }
        }
        let (Self::Look { note, .. } | Self::Product { note, .. } | Self::Dry { note, .. }) = self;
        faults.text("note", note, NOTE);
        faults.or(())
    }
}
