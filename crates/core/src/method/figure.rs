//! Figures that are free in a method: where they stand in its cut, how far they may go, and where a search for them begins.

use crate::head::Zone;
use serde::{Deserialize, Serialize};

/// What a figure is.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum FigureUnit {
    /// A height, mm below the chin. It is written as a place: the nearest point of face or body, and how far below it.
    BelowChinMm,
    /// A worn length, mm.
    WornMm,
    /// Another length, mm.
    Mm,
    /// An angle, degrees.
    Deg,
    /// A share, 0 to 1.
    Share,
}

impl FigureUnit {
    /// Whether it says how long hair is left: what a search for lengths turns.
    pub fn is_length(self) -> bool {
        matches!(self, Self::BelowChinMm | Self::WornMm | Self::Mm)
    }

    /// Step by which a search feels its way.
    pub fn step(self) -> f64 {
        match self {
            Self::BelowChinMm | Self::WornMm | Self::Mm => 3.0,
            Self::Deg => 3.0,
            Self::Share => 0.03,
        }
    }

    /// What hands can tell apart.
    pub fn rounded(self, value: f64) -> f64 {
        match self {
            Self::BelowChinMm | Self::WornMm | Self::Mm => value.round(),
            Self::Deg => 5.0 * (value / 5.0).round(),
            Self::Share => (value * 50.0).round() / 50.0,
        }
    }
}

/// Where a search begins.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = FigureStart))]
#[serde(untagged, deny_unknown_fields)]
pub enum Start {
    /// At a value.
    Value {
        /// It.
        value: f64,
    },
    /// At what is wished for these zones, on the mean over those of them that have a wish; where none has, at a share of what is there.
    Wish {
        /// The zones.
        wish: Vec<Zone>,
        /// The share; all of it if left out.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        otherwise: Option<f64>,
    },
}

/// Where a figure stands in the cut.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = FigureBinding))]
#[serde(deny_unknown_fields)]
pub struct Binding {
    /// JSON pointer into the cut.
    pub path: String,
    /// So much more is written there.
    #[serde(default, skip_serializing_if = "is_nothing")]
    pub plus: f64,
}

#[expect(clippy::trivially_copy_pass_by_ref, reason = "serde hands a reference")]
fn is_nothing(plus: &f64) -> bool {
    *plus == 0.0
}

/// A figure that is free.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct FreeFigure {
    /// What it is called.
    pub name: String,
    /// What it is.
    pub unit: FigureUnit,
    /// Least value.
    pub least: f64,
    /// Greatest value.
    pub greatest: f64,
    /// Where a search begins.
    pub start: Start,
    /// Where it stands.
    pub at: Vec<Binding>,
}
