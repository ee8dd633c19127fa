//! The patches of a head beside each other: which there are, and what one that is like another takes from it.

use super::{RawReading, ZoneReading};
use crate::error::FieldErrors;
use crate::head::{Patch, Zone, ZoneHalf};
use crate::message::Message;

impl RawReading {
    /// The patches that are read, in walking order: zones, and both halves of a zone of which one is named.
    pub fn patches(&self) -> impl Iterator<Item = Patch> {
        Zone::ALL.into_iter().flat_map(|zone| {
            let named = |halves: &[ZoneHalf; 2]| {
                self.zones
                    .keys()
                    .any(|patch| patch.zone == zone && patch.half.is_some_and(|half| halves.contains(&half)))
            };
            match zone.halvings().iter().map(|halving| halving.halves()).find(named) {
                Some(halves) => halves.map(Some).to_vec(),
                None => vec![None],
            }
            .into_iter()
            .map(move |half| Patch { zone, half })
        })
    }

    /// What is known of a patch: what was read there, or how long it is there and what was read where its hair is alike.
    /// In the air of the room.
    pub fn patch(&self, patch: Patch) -> Result<ZoneReading, FieldErrors> {
        let own = self.zones.get(&patch).copied().unwrap_or_default();
        let read = match own.like {
            None => ZoneReading::try_from(&own)?,
            Some(like) => {
                own.check()?;
                let there = self.zones.get(&like).copied().unwrap_or_default();
                let hair = ZoneReading::try_from(&there).map_err(|_| {
                    let mut faults = FieldErrors::default();
                    faults.push(
                        "like",
                        Message::new("fault-like-not-read").with("like", like.message()).into(),
                    );
                    faults
                })?;
                // Alike is not the same: its mean may differ from that of the hair that was read by as much as strands do.
                let length = own.stretched_mm.map(|own_mm| (own_mm, own.shortest_mm));
                let (present_mm, shortest_mm) =
                    length.unwrap_or((hair.present_mm, own.shortest_mm.or(hair.shortest_mm)));
                ZoneReading {
                    present_mm,
                    shortest_mm: shortest_mm.filter(|shortest| *shortest <= present_mm),
                    read_elsewhere: true,
                    strands: 1,
                    ..hair
                }
            }
        };
        Ok(ZoneReading { dry_water_g_per_g: self.room.dry_water_g_per_g(), ..read })
    }

    /// The patches that are known well enough to compute with, in walking order.
    pub fn read_patches(&self) -> Vec<(Patch, ZoneReading)> {
        self.patches().filter_map(|patch| Some((patch, self.patch(patch).ok()?))).collect()
    }

    /// Hairs counted on a square centimetre there, or where its hair is alike.
    pub fn counted(&self, patch: Patch) -> Option<f64> {
        let own = self.zones.get(&patch)?;
        own.hairs_per_cm2.or_else(|| self.zones.get(&own.like?)?.hairs_per_cm2)
    }

    /// Checks how the patches go together.
    pub(super) fn check_together(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        let read: Vec<Patch> = self.patches().collect();
        for patch in self.zones.keys().filter(|patch| !read.contains(patch)) {
            let other = read.iter().find(|other| other.zone == patch.zone);
            let beside = Message::new("fault-read-beside").with_some("other", other.map(Patch::message));
            faults.push(patch.key(), beside.into());
        }
        for (patch, like) in self.zones.iter().filter_map(|(patch, raw)| Some((patch, raw.like?))) {
            let chained = self.zones.get(&like).is_some_and(|raw| raw.like.is_some());
            let id = match () {
                () if like == *patch => "fault-like-itself",
                () if !read.contains(&like) => "fault-like-not-by-itself",
                () if chained => "fault-like-another",
                () => continue,
            };
            faults.push(format!("{patch}.like"), Message::new(id).with("like", like.message()).into());
        }
        faults.or(())
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::fibre::WornStyle;
    use crate::learn;
    use crate::reading::{RawZoneReading, RoomAir};

    fn patch(key: &str) -> Patch {
        serde_json::from_value(serde_json::json!(key)).expect("a patch")
    }

    fn reading(zones: &[(&str, RawZoneReading)]) -> RawReading {
        RawReading {
            zones: zones.iter().map(|(key, raw)| (patch(key), *raw)).collect(),
            ..RawReading::default()
        }
    }

    fn like(key: &str) -> RawZoneReading {
        RawZoneReading { like: Some(patch(key)), ..RawZoneReading::default() }
    }

    #[test]
    fn naming_one_half_splits_its_zone_and_no_other() {
        let names = |zones: &[(&str, RawZoneReading)]| -> Vec<String> {
            reading(zones).patches().map(|patch| patch.to_string()).collect()
        };
        assert_eq!(names(&[]).len(), 8);
        let split = names(&[("left_side_behind", RawZoneReading::default())]);
        assert_eq!(split.len(), 9);
        assert_eq!(split[3..5], ["left_side_front", "left_side_behind"]);
        assert!(!split.contains(&"left_side".to_owned()) && split.contains(&"right_side".to_owned()));
    }

    #[test]
    fn a_patch_that_is_like_another_has_its_hair_at_a_length_of_its_own() {
        let there = RawZoneReading {
            hairs_per_cm2: Some(210.0),
            strands: 5,
            ..RawZoneReading::measured(300.0, 150.0)
        };
        let read = reading(&[
            ("crown", there),
            ("back_upper", RawZoneReading { stretched_mm: Some(240.0), ..like("crown") }),
            ("back_lower", RawZoneReading { hairs_per_cm2: Some(90.0), ..like("crown") }),
        ]);
        assert_eq!(read.check(), Ok(()));
        let of = |key: &str| read.patch(patch(key)).expect("known");
        let alike = ZoneReading { read_elsewhere: true, strands: 1, ..of("crown") };
        assert_eq!(of("back_upper"), ZoneReading { present_mm: 240.0, ..alike });
        assert_eq!(of("back_lower"), alike, "as long as the hair it is like, while nothing else is said");
        let sd = |key: &str| learn::fit(&of(key)).sd_of(|model| model.worn_mm(300.0, WornStyle::AsItSprings));
        assert!(sd("back_lower") > 1.3 * sd("crown"), "hair that is like another is known less surely");
        assert_eq!(
            ["crown", "back_upper", "back_lower"].map(|key| read.counted(patch(key))),
            [Some(210.0), Some(210.0), Some(90.0)]
        );
    }

    #[test]
    fn what_cannot_go_together_is_said_at_its_field() {
        let fields = |zones: &[(&str, RawZoneReading)]| -> Vec<String> {
            let faults = reading(zones).check().err().unwrap_or_default();
            faults.0.into_iter().map(|fault| fault.field).collect()
        };
        let read = RawZoneReading::measured(300.0, 150.0);
        assert!(fields(&[("top", read), ("crown", like("top"))]).is_empty());
        assert_eq!(fields(&[("top", read), ("top_left", read)]), ["zones.top"]);
        assert_eq!(fields(&[("top_front", read), ("top_left", read)]), ["zones.top_front"]);
        assert_eq!(fields(&[("top", like("top"))]), ["zones.top.like"]);
        assert_eq!(
            fields(&[("top", read), ("crown", like("top")), ("nape", like("crown"))]),
            ["zones.nape.like"]
        );
        assert_eq!(fields(&[("top_left", read), ("crown", like("top"))]), ["zones.crown.like"]);
        let told = RawZoneReading { like: Some(patch("top")), ..read };
        assert_eq!(fields(&[("top", read), ("crown", told)]), ["zones.crown.sprung_mm"]);
    }

    #[test]
    fn a_patch_that_is_like_one_not_read_yet_is_not_read_either() {
        let faults = reading(&[("crown", like("top"))]).patch(patch("crown")).expect_err("nothing is known");
        assert_eq!(faults.0[0].field, "like");
        assert!(reading(&[("crown", like("top"))]).check().is_ok(), "that is a gap, no fault");
    }

    #[test]
    fn hair_read_in_damp_air_holds_water() {
        let mut read = reading(&[("top", RawZoneReading::measured(300.0, 150.0))]);
        assert_eq!(read.patch(patch("top")).expect("read").dry_water_g_per_g, 0.0);
        read.room = RoomAir { humidity_pct: Some(90.0), ..RoomAir::default() };
        assert!(read.patch(patch("top")).expect("read").dry_water_g_per_g > 0.05);
    }
}
