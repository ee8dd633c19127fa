//! What a stage of a visit keeps.

use crate::UnknownKey;
use chrono::{DateTime, Utc};
use serde::{Deserialize, Serialize};
use serde_json::Value;

/// A stage that keeps a document.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Stage {
    /// What was said.
    Talk,
    /// What was measured.
    Read,
    /// What is wished.
    Aim,
    /// What is cut.
    Plan,
}

impl Stage {
    /// The name in the database and in addresses.
    pub(crate) fn key(self) -> &'static str {
        match self {
            Self::Talk => "talk",
            Self::Read => "read",
            Self::Aim => "aim",
            Self::Plan => "plan",
        }
    }

    /// The name of the thing in the audit.
    pub(crate) fn entity(self) -> &'static str {
        match self {
            Self::Talk => "talk",
            Self::Read => "reading",
            Self::Aim => "aim",
            Self::Plan => "plan",
        }
    }
}

impl TryFrom<String> for Stage {
    type Error = UnknownKey;

    fn try_from(key: String) -> Result<Self, UnknownKey> {
        let all = [Self::Talk, Self::Read, Self::Aim, Self::Plan];
        all.into_iter().find(|stage| stage.key() == key).ok_or(UnknownKey(key))
    }
}

/// One saved version.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Document {
    /// Its stage.
    pub stage: Stage,
    /// Its version, from 1.
    pub version: u32,
    /// The document in the form its stage gives it.
    #[cfg_attr(feature = "schema", schema(value_type = Object))]
    pub body: Value,
    /// Who saved it.
    pub saved_by: String,
    /// When.
    pub saved_at: DateTime<Utc>,
}
