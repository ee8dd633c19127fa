//! Fibre width by feel.

use crate::constants::{WIDTH_COARSE_UM, WIDTH_FINE_UM, WIDTH_MEDIUM_UM};
use serde::{Deserialize, Serialize};

/// Fibre width by feel.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum WidthClass {
    /// Under 60 µm: hardly felt between the fingers.
    Fine,
    /// 60 to 80 µm.
    Medium,
    /// Over 80 µm: felt like a thread.
    Coarse,
}

impl WidthClass {
    /// Every class, finest first.
    pub const ALL: [Self; 3] = [Self::Fine, Self::Medium, Self::Coarse];

    /// Diameter that stands for the class, µm.
    pub fn diameter_um(self) -> f64 {
        match self {
            Self::Fine => WIDTH_FINE_UM.value,
            Self::Medium => WIDTH_MEDIUM_UM.value,
            Self::Coarse => WIDTH_COARSE_UM.value,
        }
    }
}
