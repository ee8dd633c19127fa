//! What is read by itself: a zone, or one half of a zone whose hair is not all of one kind.

use super::Zone;
use serde::de::Error;
use serde::{Deserialize, Deserializer, Serialize, Serializer};
use std::borrow::Cow;
use std::fmt;

/// One side of a zone that is read in halves.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub enum Half {
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

impl Half {
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

const ACROSS: [Half; 2] = [Half::Left, Half::Right];
const ALONG: [Half; 2] = [Half::Front, Half::Behind];
const DOWN: [Half; 2] = [Half::Upper, Half::Under];

/// A zone, or one half of it. In documents its name is the zone's, and of a half the zone's and the half's:
/// `left_side`, `left_side_front`.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub struct Patch {
    /// The zone.
    pub zone: Zone,
    /// Which half of it; none for all of it.
    pub half: Option<Half>,
}

impl Patch {
    /// The name used in documents.
    pub fn key(self) -> Cow<'static, str> {
        match self.half {
            None => self.zone.key().into(),
            Some(half) => format!("{}_{}", self.zone.key(), half.key()).into(),
        }
    }

    /// The patch of that name.
    fn of_key(key: &str) -> Option<Self> {
        Zone::ALL.into_iter().flat_map(|zone| zone.patches()).find(|patch| patch.key() == key)
    }

    /// The other half of its zone.
    pub fn other_half(self) -> Option<Self> {
        let half = self.half?;
        let [one, other] = self.zone.halvings().iter().find(|way| way.contains(&half))?;
        Some(Self { half: Some(if half == *one { *other } else { *one }), ..self })
    }
}

impl Zone {
    /// The ways in which it can be halved: those in which it is wide enough on every head.
    pub(crate) fn halvings(self) -> &'static [[Half; 2]] {
        match self {
            Self::Fringe | Self::Top | Self::Crown => &[ACROSS, ALONG],
            Self::LeftSide | Self::RightSide => &[ALONG, DOWN],
            Self::BackUpper | Self::BackLower => &[ACROSS, DOWN],
            Self::Nape => &[ACROSS],
        }
    }

    /// All of it, and every half it can have.
    fn patches(self) -> impl Iterator<Item = Patch> {
        let halves = self.halvings().iter().flatten().copied().map(Some);
        std::iter::once(None).chain(halves).map(move |half| Patch { zone: self, half })
    }
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
            let known: Vec<String> =
                Zone::ALL.into_iter().flat_map(Zone::patches).map(|patch| format!("`{patch}`")).collect();
            D::Error::custom(format_args!("unknown variant `{key}`, expected one of {}", known.join(", ")))
        })
    }
}

#[cfg(feature = "schema")]
mod schema {
    use super::{Patch, Zone};
    use utoipa::openapi::{ObjectBuilder, RefOr, Schema, Type};

    impl utoipa::ToSchema for Patch {}

    impl utoipa::PartialSchema for Patch {
        fn schema() -> RefOr<Schema> {
            let names = Zone::ALL.into_iter().flat_map(Zone::patches).map(|patch| patch.key().into_owned());
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
        let all: Vec<Patch> = Zone::ALL.into_iter().flat_map(Zone::patches).collect();
        let names: BTreeSet<_> = all.iter().map(|patch| patch.key()).collect();
        assert_eq!((all.len(), names.len()), (38, 38));
        assert!(all.iter().all(|patch| Patch::of_key(&patch.key()) == Some(*patch)));
        for unknown in ["knee", "left_side_left", "nape_upper", "left_side_", ""] {
            assert_eq!(Patch::of_key(unknown), None, "{unknown}");
        }
    }

    #[test]
    fn halves_are_each_others_other_half_and_of_the_same_zone() {
        for patch in Zone::ALL.into_iter().flat_map(Zone::patches) {
            let Some(other) = patch.other_half() else {
                assert_eq!(patch.half, None);
                continue;
            };
            assert!(other != patch && other.zone == patch.zone && other.other_half() == Some(patch));
        }
    }
}
