//! A strand laid on the stylist's own comb: what their hand leaves on it.

use super::most::MOST_COMBS;
use crate::error::{FieldErrors, Problem};
use crate::fibre::{Comb, HeldState};
use crate::head::Patch;
use serde::{Deserialize, Serialize};

/// Lengths of a strand, mm.
const LENGTH_MM: (f64, f64) = (20.0, 2000.0);

/// How long a strand is on a comb that is held as for cutting.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct CombReading {
    /// Distinguishes it from the others of its list, 1 to 2⁵³ − 1; it is given one if it has none.
    #[serde(default, skip_serializing_if = "crate::member::is_none")]
    pub id: u64,
    /// Where the strand grows.
    pub patch: Patch,
    /// The comb, and how moist the strand was.
    pub state: HeldState,
    /// Its length pulled straight, mm, 20 to 2,000.
    pub stretched_mm: f64,
    /// Its length from the scalp to the comb as it would be cut, mm.
    pub held_mm: f64,
}

crate::member::members!(CombReading);

/// Checks those that are given.
pub(super) fn check(combs: &[CombReading]) -> Result<(), FieldErrors> {
    let mut faults = FieldErrors::default();
    if combs.len() > MOST_COMBS {
        faults.push("combs", Problem::too_many(MOST_COMBS));
    }
    for (i, reading) in combs.iter().enumerate() {
        faults.range(&format!("combs.{i}.stretched_mm"), reading.stretched_mm, LENGTH_MM, "mm");
        faults.range(&format!("combs.{i}.held_mm"), reading.held_mm, LENGTH_MM, "mm");
        if reading.held_mm > reading.stretched_mm {
            faults.push(format!("combs.{i}.held_mm"), Problem::LongerThan { other: "stretched_mm".into() });
        }
        if reading.state.comb == Comb::None {
            faults.push(format!("combs.{i}.state.comb"), Problem::Missing);
        }
    }
    faults.or(())
}
