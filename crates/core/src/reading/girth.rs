//! How far the hair is full: girths of all hair gathered in one bundle, at several distances from where it is tied.

use super::most::MOST_GIRTHS;
use crate::constants::GIRTH_SD_MM;
use crate::error::{FieldErrors, Problem};
use serde::{Deserialize, Serialize};

const FROM_TIE_MM: (f64, f64) = (0.0, 2000.0);
const GIRTH_MM: (f64, f64) = (5.0, 400.0);
/// Share by which a girth may exceed one nearer to the tie before it can't be right: a tape slips by as much.
const SLIP: f64 = 0.08;
/// Share of the hair that makes a length strong.
const STRONG: f64 = 0.5;

/// One girth of the bundle.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Girth {
    /// Distinguishes it from the others of its list, 1 to 2⁵³ − 1; it is given one if it has none.
    #[serde(default, skip_serializing_if = "crate::member::is_none")]
    pub id: u64,
    /// How far down from the tie, mm, 0 to 2,000.
    pub from_tie_mm: f64,
    /// Round the bundle, mm, 5 to 400.
    pub girth_mm: f64,
}

crate::member::members!(Girth);

/// What the girths tell.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GatheredHair {
    /// Share of the hair at the first girth that reaches each of them, 0 to 1.
    pub shares: Vec<f64>,
    /// The strong length: how far from the tie half of the hair still reaches, mm.
    pub strong_mm: f64,
    /// One standard error of it, mm; none where half of the hair reaches past the last girth.
    pub strong_sd_mm: Option<f64>,
}

/// Checks girths that are given.
pub(super) fn check(girths: &[Girth]) -> Result<(), FieldErrors> {
    let mut faults = FieldErrors::default();
    if girths.len() > MOST_GIRTHS {
        faults.push("girths", Problem::too_many(MOST_GIRTHS));
    }
    for (i, girth) in girths.iter().enumerate() {
        let at = |field: &str| format!("girths.{i}.{field}");
        faults.range(&at("from_tie_mm"), girth.from_tie_mm, FROM_TIE_MM, "mm");
        faults.range(&at("girth_mm"), girth.girth_mm, GIRTH_MM, "mm");
        let Some(before) = i.checked_sub(1).map(|before| girths[before]) else { continue };
        if girth.from_tie_mm <= before.from_tie_mm {
            faults.push(at("from_tie_mm"), Problem::contradicts("fault-girth-order"));
        }
        if girth.girth_mm > (1.0 + SLIP) * before.girth_mm {
            faults.push(at("girth_mm"), Problem::contradicts("fault-girth-thicker"));
        }
    }
    faults.or(())
}

/// How far the hair is full, from girths that have been checked; none from fewer than two.
///
/// The section of a bundle goes with the square of its girth, and, hair being packed alike along it, with the number of
/// hairs in it. Between two girths the share is taken to change evenly.
pub fn gathered(girths: &[Girth]) -> Option<GatheredHair> {
    let (first, last) = (girths.first()?, girths.last()?);
    if girths.len() < 2 {
        return None;
    }
    let shares: Vec<f64> =
        girths.iter().map(|girth| (girth.girth_mm / first.girth_mm).powi(2).min(1.0)).collect();
    let falls = shares.windows(2).position(|pair| pair[1] < STRONG && pair[0] >= STRONG);
    let Some(i) = falls else {
        return Some(GatheredHair { shares, strong_mm: last.from_tie_mm, strong_sd_mm: None });
    };
    let (above, below) = (girths[i], girths[i + 1]);
    let slope = (shares[i] - shares[i + 1]) / (below.from_tie_mm - above.from_tie_mm);
    let strong_mm = above.from_tie_mm + (shares[i] - STRONG) / slope;
    // A girth read wrong by so much changes the share by twice as much of it, at the tie and where it is half.
    let there = first.girth_mm * STRONG.sqrt();
    let share_sd = 2.0 * STRONG * GIRTH_SD_MM.value * (first.girth_mm.powi(-2) + there.powi(-2)).sqrt();
    Some(GatheredHair { shares, strong_mm, strong_sd_mm: Some(share_sd / slope) })
}

#[cfg(test)]
mod tests {
    use super::*;

    fn of(pairs: &[(f64, f64)]) -> Vec<Girth> {
        pairs.iter().map(|&(from_tie_mm, girth_mm)| Girth { id: 0, from_tie_mm, girth_mm }).collect()
    }

    #[test]
    fn a_bundle_that_never_thins_is_strong_to_its_end_and_one_girth_tells_nothing() {
        let even = gathered(&of(&[(0.0, 90.0), (200.0, 90.0), (400.0, 88.0)])).expect("three girths");
        assert_eq!((even.strong_mm, even.strong_sd_mm), (400.0, None));
        assert!(gathered(&of(&[(0.0, 90.0)])).is_none() && gathered(&[]).is_none());
    }

    #[test]
    fn the_strong_length_of_a_bundle_that_thins_evenly_is_half_its_length() {
        // Hair whose share falls evenly from all to nothing over 500 mm: girths go with its root.
        let girth = |at: f64| (at, 100.0 * (1.0 - at / 500.0).sqrt());
        let even = of(&[0.0, 90.0, 210.0, 330.0, 410.0, 480.0].map(girth));
        let found = gathered(&even).expect("six girths");
        assert!((found.strong_mm - 250.0).abs() < 1e-9, "{found:?}");
        // By hand: 2 mm at 100 and at 70.7 mm are shares of 0.02 and 0.028 twice; half of 0.049 mm⁻¹ over 1/500.
        let expected = 500.0 * 2.0 * (0.02_f64.powi(2) + 0.028_284_f64.powi(2)).sqrt() * 0.5;
        assert!(
            (found.strong_sd_mm.expect("it thins") / expected - 1.0).abs() < 1e-3,
            "{found:?} {expected}"
        );
        assert!((found.shares[2] - 0.58).abs() < 1e-9);
    }

    #[test]
    fn girths_out_of_order_or_out_of_reason_are_refused_where_they_stand() {
        let refused = |pairs: &[(f64, f64)]| check(&of(pairs)).expect_err("impossible").0[0].field.clone();
        assert_eq!(refused(&[(0.0, 90.0), (0.0, 80.0)]), "girths.1.from_tie_mm");
        assert_eq!(refused(&[(0.0, 90.0), (100.0, 120.0)]), "girths.1.girth_mm");
        assert_eq!(refused(&[(0.0, 2.0)]), "girths.0.girth_mm");
        assert_eq!(refused(&[(f64::NAN, 90.0)]), "girths.0.from_tie_mm");
        let seven: Vec<_> = (0..7).map(|i| (100.0 * f64::from(i), 90.0)).collect();
        assert_eq!(refused(&seven), "girths");
        assert!(check(&of(&[(0.0, 90.0), (100.0, 93.0)])).is_ok(), "a tape slips");
    }
}
