//! The states hair is cut in (moisture, comb) and worn in (style).

use crate::constants::{
    CURVATURE_BRUSHED, CURVATURE_DIFFUSED, CURVATURE_SMOOTHED, PULL_FINE_MN, PULL_MEDIUM_MN, PULL_WIDE_MN,
    SHEAR_WET_SHARE, WATER_DAMP, WATER_DRY, WATER_WET, WATER_WHEN_SOAKED, YOUNGS_WET_SHARE,
};
use crate::message::{Message, name_of};
use serde::{Deserialize, Serialize};

/// How much water the hair holds.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Moisture {
    /// Dried through.
    #[default]
    Dry,
    /// Towel-damp.
    Damp,
    /// Wet and combed.
    Wet,
}

impl Moisture {
    /// Every moisture, driest first.
    pub const ALL: [Self; 3] = [Self::Dry, Self::Damp, Self::Wet];

    /// Water, g per g of dry hair.
    pub fn water_g_per_g(self) -> f64 {
        match self {
            Self::Dry => WATER_DRY.value,
            Self::Damp => WATER_DAMP.value,
            Self::Wet => WATER_WET.value,
        }
    }
}

/// Young's and shear modulus at `water_g_per_g`, as shares of the dry moduli.
///
/// They fall linearly until the fibre is soaked; water beyond that sits on the surface and only adds weight. Hair in air
/// drier than the usual holds less than none, and is stiffer.
pub(super) fn softened_shares(water_g_per_g: f64) -> (f64, f64) {
    let soaked = (water_g_per_g / WATER_WHEN_SOAKED.value).min(1.0);
    let share = |wet: f64| 1.0 - (1.0 - wet) * soaked;
    (share(YOUNGS_WET_SHARE.value), share(SHEAR_WET_SHARE.value))
}

/// What holds the hair to length while it is cut.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Comb {
    /// Nothing pulls: cut where it hangs, curl by curl.
    None,
    /// Wide teeth, little pull.
    #[default]
    Wide,
    /// Medium teeth.
    Medium,
    /// Fine teeth, tight.
    Fine,
}

impl Comb {
    /// Every comb, least pull first.
    pub const ALL: [Self; 4] = [Self::None, Self::Wide, Self::Medium, Self::Fine];

    /// Pull on one fibre, mN.
    pub fn pull_mn(self) -> f64 {
        match self {
            Self::None => 0.0,
            Self::Wide => PULL_WIDE_MN.value,
            Self::Medium => PULL_MEDIUM_MN.value,
            Self::Fine => PULL_FINE_MN.value,
        }
    }
}

/// The state hair is in while it is cut.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct HeldState {
    /// Moisture.
    pub moisture: Moisture,
    /// Comb.
    pub comb: Comb,
}

impl HeldState {
    /// The state in words.
    pub fn message(self) -> Message {
        Message::new(format!("states-{}_{}", name_of(self.moisture), name_of(self.comb)))
    }

    /// Every state in which hair is cut. Wet hair is always combed: uncombed it holds any shape it is pushed into.
    pub fn all() -> impl Iterator<Item = Self> {
        Moisture::ALL.into_iter().flat_map(|moisture| {
            Comb::ALL
                .into_iter()
                .filter(move |comb| *comb != Comb::None || moisture != Moisture::Wet)
                .map(move |comb| Self { moisture, comb })
        })
    }
}

/// How the client wears the hair on most days.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum WornStyle {
    /// Left to dry as it springs.
    #[default]
    AsItSprings,
    /// Dried with a diffuser.
    Diffused,
    /// Brushed out.
    BrushedOut,
    /// Smoothed with brush or iron.
    Smoothed,
}

impl WornStyle {
    /// Curvature left in the style, as a share of the natural.
    pub fn curvature_share(self) -> f64 {
        match self {
            Self::AsItSprings => 1.0,
            Self::Diffused => CURVATURE_DIFFUSED.value,
            Self::BrushedOut => CURVATURE_BRUSHED.value,
            Self::Smoothed => CURVATURE_SMOOTHED.value,
        }
    }
}
