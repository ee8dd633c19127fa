//! What a stage of a visit keeps.

use chrono::{DateTime, Utc};
use serde::Serialize;
use serde_json::Value;
use spirel_core::stage::Stage;

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
