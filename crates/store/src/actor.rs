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

/// Something that not everybody may do.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Act {
    /// Start visits and fill their stages in.
    EditVisits,
    /// Read who changed what.
    ReadAudit,
    /// Set how the house judges.
    SetHouse,
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

    /// What people of that role may do beyond looking at clients and visits, and adding clients.
    pub fn rights(self) -> &'static [Act] {
        match self {
            Self::Owner => &[Act::EditVisits, Act::ReadAudit, Act::SetHouse],
            Self::Stylist | Self::Trainee => &[Act::EditVisits],
            Self::Desk => &[],
        }
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
