//! Further strands of a zone, and strands measured once more: what they differ by is how sure the zone can be.

use super::figure::ZoneFigure;
use super::most::MOST_STRANDS;
use crate::error::{FieldErrors, Problem};
use crate::member::identify;
use serde::{Deserialize, Serialize};

/// A strand pulled straight and let go, in the state the zone's first was.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct StrandPair {
    /// Distinguishes it from the others of its list, 1 to 2⁵³ − 1; it is given one if it has none.
    #[serde(default, skip_serializing_if = "crate::member::is_none")]
    pub id: u64,
    /// Pulled straight, mm, 10 to 2,500.
    pub stretched_mm: f64,
    /// Let go, mm, 2 to 2,500.
    pub sprung_mm: f64,
    /// Whether it is the strand before it once more: that shows how well it is read, not how much strands differ.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub same: bool,
}

crate::member::members!(StrandPair);

/// Up to nine further strands.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[serde(try_from = "Vec<StrandPair>", into = "Vec<StrandPair>")]
pub struct Again {
    pairs: [Option<StrandPair>; MOST_STRANDS],
}

impl Again {
    /// The strands in the order they were measured.
    pub fn pairs(&self) -> impl Iterator<Item = StrandPair> {
        self.pairs.into_iter().flatten()
    }

    pub(super) fn is_empty(&self) -> bool {
        self.pairs().next().is_none()
    }

    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        for (i, pair) in self.pairs().enumerate() {
            let lengths =
                [(ZoneFigure::StretchedMm, pair.stretched_mm), (ZoneFigure::SprungMm, pair.sprung_mm)];
            for (figure, length) in lengths {
                faults.range(
                    &format!("{i}.{}", figure.key()),
                    length,
                    figure.rule().range,
                    figure.rule().unit,
                );
            }
            if pair.sprung_mm > pair.stretched_mm {
                faults.push(
                    format!("{i}.sprung_mm"),
                    Problem::LongerThan { other: format!("again.{i}.stretched_mm") },
                );
            }
        }
        faults.or(())
    }
}

impl TryFrom<Vec<StrandPair>> for Again {
    type Error = String;

    fn try_from(mut list: Vec<StrandPair>) -> Result<Self, String> {
        if list.len() > MOST_STRANDS {
            // For whoever reads documents: the number identifies the fault (`Problem::TooMany`).
            return Err(format!("expected at most {MOST_STRANDS} entries"));
        }
        identify(&mut list);
        let mut pairs = [None; MOST_STRANDS];
        pairs.iter_mut().zip(list).for_each(|(place, pair)| *place = Some(pair));
        Ok(Self { pairs })
    }
}

impl From<Again> for Vec<StrandPair> {
    fn from(again: Again) -> Self {
        again.pairs().collect()
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn strands_are_kept_in_order_and_no_more_than_nine() {
        let pair = |n: usize| StrandPair {
            id: n as u64 + 1,
            stretched_mm: 300.0 + n as f64,
            sprung_mm: 150.0,
            same: false,
        };
        let list: Vec<StrandPair> = (0..9).map(pair).collect();
        let again = Again::try_from(list.clone()).expect("nine");
        assert_eq!(Vec::from(again), list);
        assert!(Again::try_from((0..10).map(pair).collect::<Vec<_>>()).is_err());
        assert!(Again::default().is_empty() && !again.is_empty());
    }

    #[test]
    fn a_strand_that_is_longer_let_go_than_pulled_is_named_by_its_number() {
        let fine = StrandPair { id: 0, stretched_mm: 300.0, sprung_mm: 150.0, same: false };
        let odd = StrandPair { id: 0, stretched_mm: 300.0, sprung_mm: 310.0, same: false };
        let faults = Again::try_from(vec![fine, odd]).expect("two").check().expect_err("one is impossible");
        assert_eq!(faults.0[0].field, "1.sprung_mm");
    }
}
