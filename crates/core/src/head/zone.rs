//! The zones of the head.

use serde::de::Error;
use serde::{Deserialize, Deserializer, Serialize};
use std::borrow::Cow;

/// The zones read one at a time, in walking order round the head: front, left, back, right.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Zone {
    /// Front hairline between the temples.
    Fringe,
    /// From behind the fringe to the crown.
    Top,
    /// Where the hair turns.
    Crown,
    /// Client's left, above the ear.
    LeftSide,
    /// Back of the head above the occipital bone.
    BackUpper,
    /// Back of the head below the occipital bone.
    BackLower,
    /// The hairline at the neck.
    Nape,
    /// Client's right, above the ear.
    RightSide,
}

impl Zone {
    /// Every zone in walking order.
    pub const ALL: [Self; 8] = [
        Self::Fringe,
        Self::Top,
        Self::Crown,
        Self::LeftSide,
        Self::BackUpper,
        Self::BackLower,
        Self::Nape,
        Self::RightSide,
    ];

    /// Its place in walking order, which is the order they are declared in.
    pub(crate) fn number(self) -> usize {
        self as usize
    }

    /// The name used in documents.
    pub fn key(self) -> &'static str {
        match self {
            Self::Fringe => "fringe",
            Self::Top => "top",
            Self::Crown => "crown",
            Self::LeftSide => "left_side",
            Self::BackUpper => "back_upper",
            Self::BackLower => "back_lower",
            Self::Nape => "nape",
            Self::RightSide => "right_side",
        }
    }

    /// The zone of that name.
    fn of_key(key: &str) -> Option<Self> {
        Self::ALL.into_iter().find(|zone| zone.key() == key)
    }

    /// The zone on the other side, for those that have one.
    pub fn mirrored(self) -> Option<Self> {
        match self {
            Self::LeftSide => Some(Self::RightSide),
            Self::RightSide => Some(Self::LeftSide),
            _ => None,
        }
    }
}

impl<'de> Deserialize<'de> for Zone {
    /// Read as text, not as an enum: only so do readers that report the path of a fault see the name of the zone.
    fn deserialize<D: Deserializer<'de>>(deserializer: D) -> Result<Self, D::Error> {
        const KNOWN: &[&str] =
            &["fringe", "top", "crown", "left_side", "back_upper", "back_lower", "nape", "right_side"];
        let key = Cow::<str>::deserialize(deserializer)?;
        Self::of_key(&key).ok_or_else(|| D::Error::unknown_variant(&key, KNOWN))
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn zones_are_numbered_in_walking_order() {
        assert!(Zone::ALL.into_iter().enumerate().all(|(place, zone)| zone.number() == place));
    }
}
