//! Hair drawn down until most of it springs back: only the long tail that stays in the hand is cut.

use super::Layout;
use crate::error::FieldErrors;
use serde::{Deserialize, Serialize};

/// Shares of the hair that may spring back first.
const SHARE: (f64, f64) = (0.05, 0.98);

/// Sections drawn down through the fingers until a share of the hair has sprung out of them; what is left is cut there.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Recoil {
    /// The sections.
    pub layout: Layout,
    /// Share that springs back before it is cut, 0.05 to 0.98.
    pub share: f64,
}

impl Recoil {
    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.take("layout", self.layout.check());
        faults.range("share", self.share, SHARE, "share");
        faults.or(())
    }

    /// Length at which a share of the hair has slipped out of the fingers, of lengths with their hairs. Straight between
    /// lengths, so that nothing jumps.
    pub(super) fn closes_at_mm(&self, mut hair: Vec<(f64, f64)>) -> f64 {
        hair.sort_by(|a, b| a.0.total_cmp(&b.0));
        let all: f64 = hair.iter().map(|(_, hairs)| hairs).sum();
        let mut slipped = 0.0;
        let mut before = (0.0, 0.0);
        for (length, hairs) in hair {
            // Half of the hair of one length lies before it, half after.
            let here = (slipped + 0.5 * hairs) / all;
            if here >= self.share {
                let share = (self.share - before.1) / (here - before.1).max(1e-12);
                return before.0 + share * (length - before.0);
            }
            slipped += hairs;
            before = (length, here);
        }
        before.0
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::Landmark;
    use crate::section::Along;

    #[test]
    fn fingers_close_where_the_share_that_was_asked_for_has_slipped_out() {
        let layout = Layout {
            along: Along::Vertical,
            thickness_mm: 20.0,
            from: Landmark::NapeCentre,
            every: 1,
            skip: 0,
            piece_mm: Some(20.0),
        };
        let even: Vec<(f64, f64)> = (1..=100).map(|mm| (f64::from(mm), 2.0)).collect();
        let at = |share| Recoil { layout, share }.closes_at_mm(even.clone());
        assert!((at(0.8) - 80.5).abs() < 1e-9 && (at(0.25) - 25.5).abs() < 1e-9);
        assert!(at(0.811) > at(0.81));
    }
}
