//! A zone that does not end where it was wished, though it could have.
//!
//! Hair that was too short for the wish before is held against what it was: no cut makes it longer.

use super::head::{Head, Measured};
use crate::fall::ZoneFall;
use crate::head::{Vec3, zone_centre};
use crate::message::{Arg, Message};

pub(super) fn measured(head: &Head) -> Option<Measured> {
    head.moves().next()?;
    let hair = head.hair;
    let of = |(zone, wish): (&crate::head::Zone, &crate::mark::ZoneAim)| {
        let fall = |fall: &crate::fall::Fall| -> Option<ZoneFall> {
            fall.zones.iter().find(|known| known.zone == *zone).copied()
        };
        let (now, before) = (fall(head.fall)?, fall(&head.uncut.fall)?);
        let short_mm = wish.lacks_mm(&now, &before, &hair.measures)?;
        let middle = hair.form.point(&zone_centre(*zone, &hair.hairline));
        let at = Vec3::new(middle.x, now.ends_at_mm, middle.z);
        let how = if short_mm > 0.0 { "shorter" } else { "longer" };
        let missed = Measured::new(short_mm.abs(), at)
            .with("zone", Message::word("step-zone", *zone))
            .with("off", Arg::Mm(short_mm.abs()))
            .with("how", how);
        Some(missed)
    };
    head.known.aim.zones.iter().filter_map(of).max_by(|a, b| a.measure.total_cmp(&b.measure))
}
