//! An aim as a cut: what the wishes would look like, before anybody has said how they are to be cut.

use crate::cut::{
    Cut, FallLine, Fingers, FirstLength, Guide, HeadTilt, Hold, Layout, Move, MoveKind, OverDirection,
    Sections,
};
use crate::head::{Landmark, Zone};
use crate::mark::{Aim, ZoneAim};
use crate::section::{Along, Region};

/// Sections so thick, mm: each is measured on itself, so that fewer would do as well.
const THICK_MM: f64 = 20.0;

/// Every zone that has a wish ends where it should, or is as long as it should be all over.
pub(crate) fn aimed(aim: &Aim) -> Cut {
    let moves = aim.zones.iter().filter_map(|(zone, wish)| step(*zone, wish)).collect();
    Cut { moves, ..Cut::default() }
}

fn step(zone: Zone, wish: &ZoneAim) -> Option<Move> {
    let kind = match (wish.lands, wish.worn_mm) {
        (Some(place), _) => MoveKind::Perimeter(FallLine { worn: true, ..FallLine::level(place) }),
        (None, Some(mm)) => MoveKind::Sections(Sections {
            layout: Layout {
                along: Along::Horizontal,
                thickness_mm: THICK_MM,
                from: Landmark::NapeCentre,
                every: 1,
                skip: 0,
                piece_mm: None,
            },
            hold: Hold {
                elevation_deg: 90.0,
                over_direction: OverDirection::default(),
                share: 1.0,
                tilt: HeadTilt::default(),
            },
            guide: Guide::Free,
            fingers: Fingers::default(),
            length: FirstLength::WornMm(mm),
            drops: None,
        }),
        (None, None) => return None,
    };
    Some(Move::new(Region::Zone(zone), kind))
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::cut::cut;
    use crate::fall::AsWorn;
    use crate::grow::HairRequest;
    use crate::head::{Place, Point};
    use crate::reading::{RawReading, RawZoneReading};

    #[test]
    fn hair_ends_where_a_zone_should_land_or_is_as_long_as_it_should_be_and_the_rest_is_left() {
        let zones = Zone::ALL.map(|zone| (zone.into(), RawZoneReading::measured(450.0, 330.0))).into();
        let hair = HairRequest::new(RawReading { zones, ..RawReading::default() }).grow().expect("possible");
        let chin = ZoneAim::landing(Place { point: Point::Chin, below_mm: 0.0 });
        let short = ZoneAim { worn_mm: Some(120.0), ..ZoneAim::default() };
        let aim = Aim { zones: [(Zone::LeftSide, chin), (Zone::Crown, short)].into(), ..Aim::default() };
        let after = cut(&hair, &aimed(&aim)).expect("possible").lengths;
        let worn = AsWorn::of(&hair, &after);
        let height = Point::Chin.height_mm(&hair.measures);
        for (i, strand) in hair.strands.iter().enumerate() {
            match strand.root.zone {
                Zone::LeftSide => {
                    let end = worn.0[i].longest_end.y;
                    assert!((end - height).abs() < 3.0 || after[i] == hair.lengths[i], "{end} {height}");
                }
                Zone::Crown => {
                    let long = worn.0[i].longest_mm;
                    assert!((long - 120.0).abs() < 12.0, "{long}");
                }
                _ => assert_eq!(after[i], hair.lengths[i]),
            }
        }
    }
}
