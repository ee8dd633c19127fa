//! Weak spots: places of the scalp where hair is thin, broken, growing back, or to be left in peace.

use super::most::MOST_SPOTS;
use crate::error::{FieldErrors, Problem};
use crate::head::Landmark;
use serde::{Deserialize, Serialize};

const REACH_MM: (f64, f64) = (5.0, 120.0);
const STRENGTH: (f64, f64) = (0.0, 1.0);
/// What is the matter at a place.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum SpotKind {
    /// Less hair grows.
    Thin,
    /// None grows on a scar.
    Scar,
    /// Hair is broken off at many lengths.
    Breakage,
    /// Short new hair among the long.
    Regrowth,
    /// Worn tied tightly here.
    TightTying,
    /// Sore, scaly or open skin.
    SoreSkin,
}

/// A weak spot.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Spot {
    /// Distinguishes it from the others of its list, 1 to 2⁵³ − 1; it is given one if it has none.
    #[serde(default, skip_serializing_if = "crate::member::is_none")]
    pub id: u64,
    /// What is the matter.
    pub kind: SpotKind,
    /// Its middle.
    pub at: Landmark,
    /// How far from its middle it has faded to a third, mm, 5 to 120.
    #[serde(default = "usual_reach")]
    pub reach_mm: f64,
    /// How much of the hair in its middle it concerns, 0 to 1.
    #[serde(default = "usual_strength")]
    pub strength: f64,
}

crate::member::members!(Spot);

impl Default for Spot {
    /// Thin hair at a temple.
    fn default() -> Self {
        Self {
            id: 0,
            kind: SpotKind::Thin,
            at: Landmark::TempleLeft,
            reach_mm: usual_reach(),
            strength: usual_strength(),
        }
    }
}

fn usual_reach() -> f64 {
    30.0
}

fn usual_strength() -> f64 {
    0.5
}

/// Something to be careful about, said short and left to those who are licensed to judge it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Caution {
    /// Skin that is sore: stop there, and refer.
    SoreSkin,
    /// Tight tying on a hairline that is thin or breaks.
    TightTying,
    /// A thin place: if it came suddenly or in patches, refer.
    ThinPlace,
}

impl Spot {
    /// Checks a head's weak spots.
    pub(super) fn check(all: &[Self]) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if all.len() > MOST_SPOTS {
            faults.push("spots", Problem::too_many(MOST_SPOTS));
        }
        for (i, spot) in all.iter().enumerate() {
            faults.range(&format!("spots.{i}.reach_mm"), spot.reach_mm, REACH_MM, "mm");
            faults.range(&format!("spots.{i}.strength"), spot.strength, STRENGTH, "");
        }
        faults.or(())
    }
}

/// What to be careful about, in order of weight, each once.
pub(crate) fn cautions(spots: &[Spot]) -> Vec<Caution> {
    let has = |kind: SpotKind| spots.iter().any(|spot| spot.kind == kind && spot.strength > 0.0);
    [
        (Caution::SoreSkin, has(SpotKind::SoreSkin)),
        (Caution::TightTying, has(SpotKind::TightTying)),
        (Caution::ThinPlace, has(SpotKind::Thin)),
    ]
    .into_iter()
    .filter_map(|(caution, holds)| holds.then_some(caution))
    .collect()
}

#[cfg(test)]
mod tests {
    use super::*;

    fn spot(kind: SpotKind, strength: f64) -> Spot {
        Spot { id: 0, kind, at: Landmark::TempleLeft, reach_mm: 30.0, strength }
    }

    #[test]
    fn each_caution_is_said_once_and_the_gravest_first() {
        let spots =
            [SpotKind::Thin, SpotKind::Thin, SpotKind::SoreSkin, SpotKind::Scar].map(|k| spot(k, 0.5));
        assert_eq!(cautions(&spots), [Caution::SoreSkin, Caution::ThinPlace]);
        assert!(cautions(&[spot(SpotKind::TightTying, 0.0), spot(SpotKind::Breakage, 1.0)]).is_empty());
    }

    #[test]
    fn spots_out_of_reason_are_refused_where_they_stand() {
        let bad = [spot(SpotKind::Thin, 0.5), spot(SpotKind::Thin, 1.5)];
        assert_eq!(Spot::check(&bad).expect_err("too strong").0[0].field, "spots.1.strength");
        let wide = Spot { reach_mm: f64::NAN, ..spot(SpotKind::Scar, 0.5) };
        assert_eq!(Spot::check(&[wide]).expect_err("no number").0[0].field, "spots.0.reach_mm");
        assert_eq!(Spot::check(&[spot(SpotKind::Scar, 0.5); 21]).expect_err("too many").0[0].field, "spots");
    }
}
