//! Hair that was to be kept and is gone: below the shortest length that was accepted, while it is being grown out, or a
//! fringe that nobody wished.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::fall::{Fall, ZoneFall};
use crate::head::{Point, Vec3, Zone, zone_centre};
use crate::message::{Arg, Message};
use crate::talk::{ComingFor, FringeWish};

/// Length that goes with every trim while hair is grown out, worn mm.
const TRIM_MM: f64 = 10.0;

pub(super) fn measured(head: &Head) -> Option<Measured> {
    head.moves().next()?;
    Zone::ALL
        .into_iter()
        .filter_map(|zone| of(head, zone))
        .max_by(|a, b| (a.measure * a.counts).total_cmp(&(b.measure * b.counts)))
}

fn of(head: &Head, zone: Zone) -> Option<Measured> {
    let (hair, known) = (head.hair, head.known);
    let fall =
        |fall: &Fall| -> Option<ZoneFall> { fall.zones.iter().find(|known| known.zone == zone).copied() };
    let (now, before) = (fall(head.fall)?, fall(&head.uncut.fall)?);
    let wish = known.aim.zones.get(&zone);
    let gone = before.worn_mm - now.worn_mm;
    // Below the shortest accepted, on the mean of its shortest eighth; what was shorter before is no loss.
    let below = wish.and_then(|wish| {
        let drop = |place: crate::head::Place| now.ends_at_mm - place.height_mm(&hair.measures);
        let lost = wish.shortest_worn_mm.map(|worn| worn - now.worn_mm).or(wish.shortest.map(drop))?;
        Some(lost.min(gone))
    });
    let grown_out = known.reasons.contains(&ComingFor::GrowingOut)
        || (zone == Zone::Fringe && known.fringe == FringeWish::GrowingOut);
    let grown_out = grown_out.then_some(gone - TRIM_MM);
    // A fringe that nobody wished: hair that came down past the mouth and now ends on the face.
    let unwished = zone == Zone::Fringe
        && wish.is_none_or(|wish| wish.lands.is_none() && wish.worn_mm.is_none())
        && (known.fringe == FringeWish::None || !known.aim.zones.is_empty() && !known.fringe.is_worn());
    let [lip, chin] = [Point::Lip, Point::Chin].map(|point| point.height_mm(&hair.measures));
    let on_face = ramp(now.ends_at_mm, chin, lip) * ramp(before.ends_at_mm, lip, chin);
    let unwished = unwished.then_some(gone * on_face);
    let lost = [below, grown_out, unwished].into_iter().flatten().reduce(f64::max)?;
    let middle = hair.form.point(&zone_centre(zone, &hair.hairline));
    Some(
        Measured::new(lost, Vec3::new(middle.x, now.ends_at_mm, middle.z))
            .with("zone", Message::word("step-zone", zone))
            .with("lost", Arg::Mm(gone.max(0.0)))
            .with("over", Arg::Mm(lost.max(0.0))),
    )
}
