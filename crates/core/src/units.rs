//! Units people read (centimetres, inches) and what can be read on a comb.

use crate::constants::{COMB_STEP_INCH_MM, COMB_STEP_MM};
use serde::{Deserialize, Serialize};

/// Millimetres in an inch, by definition.
pub const MM_PER_INCH: f64 = 25.4;

/// The unit in which a person reads lengths.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum LengthUnit {
    /// Centimetres.
    #[default]
    Cm,
    /// Inches.
    Inch,
}

impl LengthUnit {
    /// Smallest step readable on a comb with this unit, mm.
    pub fn comb_step_mm(self) -> f64 {
        match self {
            Self::Cm => COMB_STEP_MM.value,
            Self::Inch => COMB_STEP_INCH_MM.value,
        }
    }

    /// A length for people: "12.5 cm", "4.9 in".
    pub fn say(self, mm: f64) -> String {
        match self {
            Self::Cm => format!("{:.1} cm", mm / 10.0),
            Self::Inch => format!("{:.1} in", mm / MM_PER_INCH),
        }
    }

    /// `mm` moved up to the next step that can be read on a comb. Up, never down: hair can't be put back.
    pub fn comb_mark_mm(self, mm: f64) -> f64 {
        let step = self.comb_step_mm();
        // A mark that is already on a step stays there, though f64 division may put it a hair above.
        ((mm / step - 1e-9).ceil() * step).max(0.0)
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_comb_mark_is_never_below_the_length_and_less_than_a_step_above() {
        for unit in [LengthUnit::Cm, LengthUnit::Inch] {
            for i in 0..4000 {
                let mm = f64::from(i) * 0.37;
                let mark = unit.comb_mark_mm(mm);
                assert!(mark >= mm - 1e-6 && mark < mm + unit.comb_step_mm(), "{mm}");
            }
        }
        assert_eq!(LengthUnit::Cm.comb_mark_mm(150.0), 150.0);
        assert_eq!(LengthUnit::Inch.say(254.0), "10.0 in");
    }
}
