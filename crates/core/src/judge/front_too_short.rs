//! A front that may land shorter than is accepted: the spring is known only so well, and what is off is off.
//!
//! The chance to land above the shortest accepted length is the chance the client takes where the forecast lies so many
//! standard errors below it. The measure is how much longer it should be left for that.

use super::head::{Head, Measured};
use super::known::FRONT;
use crate::cut::{Move, MoveKind};
use crate::fibre::HeldState;
use crate::head::{Vec3, Zone, zone_centre};
use crate::learn::risk_factor;
use crate::mark::landing;
use crate::message::Arg;

/// Length that a cut has to have taken off a zone for the chance to be one of the cut, mm.
const CUT_MM: f64 = 1.0;

pub(super) fn measured(head: &Head) -> Option<Measured> {
    FRONT.into_iter().filter_map(|zone| of(head, zone)).max_by(|a, b| a.measure.total_cmp(&b.measure))
}

fn of(head: &Head, zone: Zone) -> Option<Measured> {
    let (known, hair) = (head.known, head.hair);
    let wish = known.aim.zones.get(&zone)?;
    let (_, belief) = known.front.iter().find(|(known, _)| *known == zone)?;
    let now = head.fall.zones.iter().find(|fall| fall.zone == zone)?;
    let before = head.uncut.fall.zones.iter().find(|fall| fall.zone == zone)?;
    if before.fibre_mm - now.fibre_mm < CUT_MM {
        return None;
    }
    // Above the shortest accepted place by so much worn hair.
    let shortest_mm = match (wish.shortest_worn_mm, wish.shortest) {
        (Some(worn), _) => worn,
        (None, Some(place)) => now.worn_mm - (place.height_mm(&hair.measures) - now.ends_at_mm),
        (None, None) => return None,
    };
    let scalp = hair.scalp();
    let middle = scalp.form.point(&zone_centre(zone, &hair.hairline));
    let covers = |region: &crate::section::Region| {
        region.on(&scalp).is_ok_and(|test| test.holds(&scalp, &middle, zone))
    };
    let shortens = |move_: &Move| !matches!(move_.kind, MoveKind::Weight(_)) && covers(&move_.region);
    let last = head.moves().map(|(_, move_, _)| move_).filter(|move_| shortens(move_)).last();
    let state = last.map_or(HeldState::default(), |move_| move_.state);
    let style = hair.strands.iter().find(|strand| strand.root.zone == zone)?.worn;
    let hold = (hair.hand.hold(state), hair.hand.stray(state.comb));
    let sd = landing::spread(belief, hold, style, now.fibre_mm, before.fibre_mm).sd_mm();
    let lacks = shortest_mm + risk_factor(known.aim.risk) * sd - now.worn_mm;
    let at = Vec3::new(middle.x, now.ends_at_mm, middle.z);
    Some(
        Measured::new(lacks, at)
            .with("lacks", Arg::Mm(lacks.max(0.0)))
            .with("range", Arg::Mm(sd))
            .with("risk", Arg::Share(known.aim.risk)),
    )
}
