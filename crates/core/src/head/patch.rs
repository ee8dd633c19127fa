//! What is read by itself: a zone, or one half of a zone whose hair is not all of one kind.

use super::Zone;
use crate::message::Message;
use serde::de::Error;
use serde::{Deserialize, Deserializer, Serialize, Serializer};
use std::borrow::Cow;
use std::fmt;

/// One side of a zone that is read in halves.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum ZoneHalf {
    /// Towards the face.
    Front,
    /// Away from the face.
    Behind,
    /// The hair on top of the other half.
    Upper,
    /// The hair below the other half.
    Under,
    /// The client's left.
    Left,
    /// The client's right.
    Right,
}

impl ZoneHalf {
    fn key(self) -> &'static str {
        match self {
            Self::Front => "front",
            Self::Behind => "behind",
            Self::Upper => "upper",
            Self::Under => "under",
            Self::Left => "left",
            Self::Right => "right",
        }
    }
}

/// A way in which a zone can be halved.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Halving {
    /// Into its left and its right.
    Across,
    /// Into its front and what lies behind it.
    Along,
    /// Into its upper layer and what is under it.
    Down,
}

impl Halving {
    /// The halves, in walking order.
    pub fn halves(self) -> [ZoneHalf; 2] {
        match self {
            Self::Across => [ZoneHalf::Left, ZoneHalf::Right],
            Self::Along => [ZoneHalf::Front, ZoneHalf::Behind],
            Self::Down => [ZoneHalf::Upper, ZoneHalf::Under],
        }
    }
}

/// A zone, or one half of it. In documents its name is the zone's, and of a half the zone's and the half's:
/// `left_side`, `left_side_front`.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub struct Patch {
    /// The zone.
    pub zone: Zone,
    /// Which half of it; none for all of it.
    pub half: Option<ZoneHalf>,
}

impl Patch {
    /// Its name in words.
    pub fn message(&self) -> Message {
        let zone = Message::word("zone", self.zone);
        match self.half {
            Some(half) => Message::word("half", half).with("zone", zone),
            None => zone,
        }
    }

    /// The name used in documents.
    pub fn key(self) -> Cow<'static, str> {
        match self.half {
            None => self.zone.key().into(),
            Some(half) => format!("{}_{}", self.zone.key(), half.key()).into(),
        }
    }

    /// The patch of that name.
    fn of_key(key: &str) -> Option<Self> {
        all_patches().find(|patch| patch.key() == key)
    }

    /// The other half of its zone.
    pub fn other_half(self) -> Option<Self> {
        let half = self.half?;
        let halves = self.zone.halvings().iter().map(|halving| halving.halves());
        let [one, other] = halves.into_iter().find(|halves| halves.contains(&half))?;
        Some(Self { half: Some(if half == one { other } else { one }), ..self })
    }
}

impl Zone {
    /// The ways in which it can be halved: those in which it is wide enough on every head.
    pub fn halvings(self) -> &'static [Halving] {
        match self {
            Self::Fringe | Self::Top | Self::Crown => &[Halving::Across, Halving::Along],
            Self::LeftSide | Self::RightSide => &[Halving::Along, Halving::Down],
            Self::BackUpper | Self::BackLower => &[Halving::Across, Halving::Down],
            Self::Nape => &[Halving::Across],
        }
    }

    /// All of it, and every half it can have, each with the way it is halved in.
    pub fn patches(self) -> impl Iterator<Item = (Patch, Option<Halving>)> {
        let half = move |halving: &Halving| {
            let halving = *halving;
            halving.halves().map(|half| (Patch { zone: self, half: Some(half) }, Some(halving)))
        };
        std::iter::once((self.into(), None)).chain(self.halvings().iter().flat_map(half))
    }
}

/// Every zone and every half of one, in walking order.
fn all_patches() -> impl Iterator<Item = Patch> {
    Zone::ALL.into_iter().flat_map(Zone::patches).map(|(patch, _)| patch)
}

impl From<Zone> for Patch {
    fn from(zone: Zone) -> Self {
        Self { zone, half: None }
    }
}

impl fmt::Display for Patch {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(&self.key())
    }
}

impl Serialize for Patch {
    fn serialize<S: Serializer>(&self, serializer: S) -> Result<S::Ok, S::Error> {
        serializer.serialize_str(&self.key())
    }
}

impl<'de> Deserialize<'de> for Patch {
    fn deserialize<D: Deserializer<'de>>(deserializer: D) -> Result<Self, D::Error> {
        let key = Cow::<str>::deserialize(deserializer)?;
        Self::of_key(&key).ok_or_else(|| {
            let known: Vec<String> = all_patches().map(|patch| format!("`{patch}`")).collect();
            D::Error::custom(format_args!("unknown variant `{key}`, expected one of {}", known.join(", ")))
        })
    }
}

#[cfg(feature = "schema")]
mod schema {
    use super::{Patch, all_patches};
    use utoipa::openapi::{ObjectBuilder, RefOr, Schema, Type};

    impl utoipa::ToSchema for Patch {}

    impl utoipa::PartialSchema for Patch {
        fn schema() -> RefOr<Schema> {
            let names = all_patches().map(|patch| patch.key().into_owned());
            ObjectBuilder::new()
                .schema_type(Type::String)
                .description(Some("A zone, or one half of it."))
                .enum_values(Some(names.collect::<Vec<_>>()))
                .into()
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use std::collections::BTreeSet;

    #[test]
    fn every_patch_has_a_name_of_its_own_that_reads_back_as_itself() {
        let all: Vec<Patch> = all_patches().collect();
        let names: BTreeSet<_> = all.iter().map(|patch| patch.key()).collect();
        assert_eq!((all.len(), names.len()), (38, 38));
        assert!(all.iter().all(|patch| Patch::of_key(&patch.key()) == Some(*patch)));
        for unknown in ["knee", "left_side_left", "nape_upper", "left_side_", ""] {
            assert_eq!(Patch::of_key(unknown), None, "{unknown}");
        }
    }

    #[test]
    fn halves_are_each_others_other_half_and_of_the_same_zone() {
        for patch in all_patches() {
            let Some(other) = patch.other_half() else {
                assert_eq!(patch.half, None);
                continue;
            };
            assert!(other != patch && other.zone == patch.zone && other.other_half() == Some(patch));
        }
    }
}
