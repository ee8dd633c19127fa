//! The tone of the hair, for drawing only: nothing that is computed depends on it.

use serde::{Deserialize, Serialize};
use std::fmt;

/// A natural tone, darkest first.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum HairTone {
    /// Black.
    Black,
    /// Dark brown.
    DarkBrown,
    /// Brown.
    Brown,
    /// Light brown.
    LightBrown,
    /// Red.
    Red,
    /// Dark blond.
    DarkBlond,
    /// Blond.
    Blond,
    /// Grey.
    Grey,
    /// White.
    White,
}

impl HairTone {
    /// Every tone.
    pub const ALL: [Self; 9] = [
        Self::Black,
        Self::DarkBrown,
        Self::Brown,
        Self::LightBrown,
        Self::Red,
        Self::DarkBlond,
        Self::Blond,
        Self::Grey,
        Self::White,
    ];
}

/// Any colour: red, green and blue, written `#rrggbb` in hexadecimal.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(value_type = String, pattern = "^#[0-9a-fA-F]{6}$", example = "#7a5238"))]
#[serde(try_from = "String", into = "String")]
pub struct HairColour([u8; 3]);

impl TryFrom<String> for HairColour {
    type Error = String;

    fn try_from(written: String) -> Result<Self, String> {
        let digits = written.strip_prefix('#').filter(|digits| digits.len() == 6);
        let part = |digits: &str, at: usize| u8::from_str_radix(digits.get(2 * at..2 * at + 2)?, 16).ok();
        digits
            // A sign is a digit to the parser.
            .filter(|digits| digits.bytes().all(|byte| byte.is_ascii_hexdigit()))
            .and_then(|digits| Some(Self([part(digits, 0)?, part(digits, 1)?, part(digits, 2)?])))
            .ok_or_else(|| {
                "a colour is written #rrggbb, two hexadecimal digits each for red, green and blue".into()
            })
    }
}

impl From<HairColour> for String {
    fn from(colour: HairColour) -> Self {
        colour.to_string()
    }
}

impl fmt::Display for HairColour {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        let [red, green, blue] = self.0;
        write!(f, "#{red:02x}{green:02x}{blue:02x}")
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_colour_is_read_in_either_case_written_in_small_letters_and_refused_in_words_otherwise() {
        let read = |written: &str| serde_json::from_value::<HairColour>(written.into());
        assert_eq!(read("#7A5238").expect("a colour"), HairColour([0x7a, 0x52, 0x38]));
        assert_eq!(serde_json::to_value(HairColour([0, 10, 255])).expect("it is written"), "#000aff");
        for other in ["7a5238", "#7a52", "#7a523", "#+a5238", "#7a52ßß", "red", ""] {
            let said = read(other).expect_err(other).to_string();
            assert!(said.contains("#rrggbb"), "{said}");
        }
    }
}
