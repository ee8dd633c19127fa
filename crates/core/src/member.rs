//! Members of lists in documents: each has an id that stays while it is moved or changed, so that two people's edits find it.

use serde::{Deserialize, Deserializer};
use std::collections::HashSet;

/// The greatest id, 2⁵³ − 1: JSON readers that keep numbers as f64 keep it exactly.
pub const GREATEST_ID: u64 = (1 << 53) - 1;

/// A member of a list.
pub trait Member {
    /// Its id, 0 while it has none.
    fn id(&mut self) -> &mut u64;
}

/// Implements [`Member`] for types with a field `id`.
macro_rules! members {
    ($($name:ty),+) => {
        $(impl $crate::member::Member for $name {
            fn id(&mut self) -> &mut u64 {
                &mut self.id
            }
        })+
    };
}
pub(crate) use members;

/// Whether an id isn't given.
#[expect(clippy::trivially_copy_pass_by_ref, reason = "serde hands a reference")]
pub(crate) fn is_none(id: &u64) -> bool {
    *id == 0
}

/// Gives an id to members that have none, or one that stands twice: the least that is free, in their order. So whoever reads
/// the same list gives the same ids.
pub fn identify<M: Member>(members: &mut [M]) {
    let mut known = HashSet::new();
    let mut without = Vec::new();
    for member in members {
        let id = *member.id();
        if id == 0 || id > GREATEST_ID || !known.insert(id) {
            without.push(member);
        }
    }
    let mut free = (1..).filter(|id| !known.contains(id));
    for (member, id) in without.into_iter().zip(&mut free) {
        *member.id() = id;
    }
}

/// Reads a list and gives ids to members that have none.
pub(crate) fn identified<'de, D: Deserializer<'de>, M: Member + Deserialize<'de>>(
    deserializer: D,
) -> Result<Vec<M>, D::Error> {
    let mut members = Vec::deserialize(deserializer)?;
    identify(&mut members);
    Ok(members)
}

#[cfg(test)]
mod tests {
    use super::*;

    struct Named {
        id: u64,
    }

    members!(Named);

    #[test]
    fn every_member_ends_with_an_id_of_its_own_and_those_that_had_one_keep_it() {
        let ids = |given: &[u64]| {
            let mut all: Vec<Named> = given.iter().map(|&id| Named { id }).collect();
            identify(&mut all);
            all.iter().map(|named| named.id).collect::<Vec<_>>()
        };
        assert_eq!(ids(&[0, 0, 0]), [1, 2, 3]);
        assert_eq!(ids(&[7, 0, 1, 7, u64::MAX]), [7, 2, 1, 3, 4]);
        assert_eq!(ids(&[GREATEST_ID]), [GREATEST_ID]);
    }
}
