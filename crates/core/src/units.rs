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

    /// A length for people: "12.5 cm", "4⅞ in".
    pub fn say(self, mm: f64) -> String {
        match self {
            Self::Cm => format!("{:.1} cm", mm / 10.0),
            Self::Inch => format!("{} in", in_eighths(mm)),
        }
    }

    /// `mm` moved up to the next step that can be read on a comb. Up, never down: hair can't be put back.
    pub fn comb_mark_mm(self, mm: f64) -> f64 {
        let step = self.comb_step_mm();
        // A mark that is already on a step stays there, though f64 division may put it a hair above.
        ((mm / step - 1e-9).ceil() * step).max(0.0)
    }
}

/// Inches as they are read on a comb: whole ones and the nearest eighth.
fn in_eighths(mm: f64) -> String {
    const EIGHTHS: [&str; 8] = ["", "⅛", "¼", "⅜", "½", "⅝", "¾", "⅞"];
    let eighths = (8.0 * mm / MM_PER_INCH).round();
    let sign = if eighths < 0.0 { "-" } else { "" };
    let size = eighths.abs() as u64;
    match (size / 8, EIGHTHS[(size % 8) as usize]) {
        (0, "") => "0".to_owned(),
        (0, part) => format!("{sign}{part}"),
        (whole, part) => format!("{sign}{whole}{part}"),
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn inches_are_said_as_they_are_read_on_a_comb() {
        for (inches, said) in [
            (18.875, "18⅞ in"),
            (4.9, "4⅞ in"),
            (10.0, "10 in"),
            (0.49, "½ in"),
            (0.01, "0 in"),
            (-1.25, "-1¼ in"),
        ] {
            assert_eq!(LengthUnit::Inch.say(MM_PER_INCH * inches), said);
        }
    }

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
    }
}
