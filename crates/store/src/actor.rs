//! Who asks, and what they may do.

use crate::UnknownKey;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// What a person may do in their house.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Role {
    /// Everything, and the audit.
    Owner,
    /// Clients and visits.
    Stylist,
    /// Clients and visits, beside a stylist.
    Trainee,
    /// Clients, and looks at visits.
    Desk,
}

impl Role {
    /// The name in the database.
    pub(crate) fn key(self) -> &'static str {
        match self {
            Self::Owner => "owner",
            Self::Stylist => "stylist",
            Self::Trainee => "trainee",
            Self::Desk => "desk",
        }
    }

    /// Whether visits may be started and their stages filled in.
    pub fn may_edit_visits(self) -> bool {
        self != Self::Desk
    }

    /// Whether the audit may be read.
    pub fn may_read_audit(self) -> bool {
        self == Self::Owner
    }
}

impl TryFrom<String> for Role {
    type Error = UnknownKey;

    fn try_from(key: String) -> Result<Self, UnknownKey> {
        let all = [Self::Owner, Self::Stylist, Self::Trainee, Self::Desk];
        all.into_iter().find(|role| role.key() == key).ok_or(UnknownKey(key))
    }
}

/// Who asks, and for which house.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Actor {
    /// The house every row must belong to.
    pub house_id: Uuid,
    /// The person.
    pub person_id: Uuid,
    /// What they may do.
    pub role: Role,
}
