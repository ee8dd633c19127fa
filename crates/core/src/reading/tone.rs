//! The tone of the hair, for drawing only: nothing that is computed depends on it.

use serde::{Deserialize, Serialize};

/// A natural tone, darkest first.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum HairTone {
    /// Black.
    Black,
    /// Dark brown.
    DarkBrown,
    /// Brown.
    Brown,
    /// Light brown.
    LightBrown,
    /// Red.
    Red,
    /// Dark blond.
    DarkBlond,
    /// Blond.
    Blond,
    /// Grey.
    Grey,
    /// White.
    White,
}

impl HairTone {
    /// Every tone.
    pub const ALL: [Self; 9] = [
        Self::Black,
        Self::DarkBrown,
        Self::Brown,
        Self::LightBrown,
        Self::Red,
        Self::DarkBlond,
        Self::Blond,
        Self::Grey,
        Self::White,
    ];
}
