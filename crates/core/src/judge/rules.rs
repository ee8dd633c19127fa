//! From where on each measure is objected to, in what unit, and how fast that grows.

use super::FindingCode;
use crate::constants as c;
use crate::constants::Constant;
use serde::Serialize;

/// What a measure is said in.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum FindingUnit {
    /// Millimetres.
    Mm,
    /// Percent.
    Percent,
    /// So many times as much.
    Times,
    /// Percent for each degree.
    PercentPerDegree,
    /// Millimetres of length, or percent of mass.
    MmOrPercent,
}

/// Which side of the threshold is objected to.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Worse {
    /// More is worse.
    Above,
    /// Less is worse.
    Below,
}

/// When a finding is said.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FindingRule {
    /// Which finding.
    pub code: FindingCode,
    /// Unit of measure and threshold.
    pub unit: FindingUnit,
    /// The side that is objected to.
    pub worse: Worse,
    /// Threshold unless the house has set another.
    pub threshold: f64,
    /// Least threshold that a house may set.
    pub least: f64,
    /// Greatest threshold that a house may set.
    pub greatest: f64,
    /// How far from the threshold a measure is wholly free of it, on one side, and as bad as can be, on the other.
    pub slack: f64,
}

const fn rule(code: FindingCode, unit: FindingUnit, worse: Worse, at: Constant, slack: f64) -> FindingRule {
    FindingRule { code, unit, worse, threshold: at.value, least: at.range.0, greatest: at.range.1, slack }
}

/// The rules, in the order of the codes. A slack is at least so wide that a millimetre, a degree or a percent moves no
/// severity by more than a twentieth.
const RULES: [FindingRule; FindingCode::COUNT] = {
    use FindingCode as F;
    use FindingUnit::{Mm, MmOrPercent, Percent, PercentPerDegree, Times};
    use Worse::{Above, Below};
    [
        rule(F::Triangle, Times, Above, c::TRIANGLE_RATIO, 0.35),
        rule(F::Shelf, Percent, Above, c::SHELF_PCT, 25.0),
        rule(F::Mushroom, Times, Above, c::MUSHROOM_RATIO, 0.34),
        rule(F::BroomEnds, Percent, Below, c::BROOM_PCT, 15.0),
        rule(F::SeeThroughEnds, Mm, Above, c::SEE_THROUGH_MM, 45.0),
        rule(F::HoleAtEar, Percent, Below, c::HOLE_PCT, 40.0),
        rule(F::HeavyCorner, Times, Above, c::CORNER_RATIO, 0.5),
        rule(F::CapLine, Mm, Above, c::CAP_LINE_MM, 60.0),
        rule(F::ChoppyBack, PercentPerDegree, Above, c::CHOPPY_SHARE, 4.0),
        rule(F::SidesDiffer, MmOrPercent, Above, c::SIDES_DIFFER, 16.0),
        rule(F::LiftedLine, Mm, Above, c::LIFTED_LINE_MM, 16.0),
        rule(F::FrontTooShort, Mm, Above, c::FRONT_LACKS_MM, 20.0),
        rule(F::FringeTooWide, Mm, Above, c::FRINGE_OUTSIDE_MM, 16.0),
        rule(F::TieNotReached, Percent, Above, c::TIE_SLIPS_PCT, 30.0),
        rule(F::WeightNearSurface, Percent, Above, c::SURFACE_PCT, 15.0),
        rule(F::WeightTooDeep, Percent, Above, c::DEEP_PCT, 20.0),
        rule(F::GuideDrift, Mm, Above, c::DRIFT_MM, 16.0),
        rule(F::LayersLowOnFine, Percent, Above, c::LOW_LAYERS_PCT, 25.0),
        rule(F::TensionHigh, Mm, Above, c::TENSION_MM, 16.0),
        rule(F::MoistureUneven, Mm, Above, c::UNEVEN_MM, 16.0),
        rule(F::Flat, Mm, Below, c::FLAT_MM, 4.0),
        rule(F::RegrowthStands, Percent, Above, c::REGROWTH_PCT, 16.0),
        rule(F::ClosesFace, Percent, Above, c::FACE_CLOSED_PCT, 4.0),
        rule(F::WishMissed, Mm, Above, c::WISH_MM, 20.0),
        rule(F::KeptHairLost, Mm, Above, c::KEPT_MM, 20.0),
    ]
};

/// Every rule, in the order of the codes.
pub fn rules() -> &'static [FindingRule] {
    &RULES
}

impl FindingCode {
    /// The one of this name in documents.
    pub fn named(name: &str) -> Option<Self> {
        Self::ALL.into_iter().find(|code| crate::message::name_of(*code) == name)
    }

    /// When it is said.
    pub fn rule(self) -> &'static FindingRule {
        &RULES[self as usize]
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn every_code_has_its_own_rule_and_a_house_may_set_its_default() {
        for (code, rule) in FindingCode::ALL.into_iter().zip(rules()) {
            assert_eq!((rule.code, code.rule().code), (code, code));
            assert!(rule.least <= rule.threshold && rule.threshold <= rule.greatest && rule.slack > 0.0);
        }
    }
}
