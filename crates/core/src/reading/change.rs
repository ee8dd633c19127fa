//! What a reading says beside an earlier one of the same client.

use super::{RawReading, Zone, ZoneReading};
use crate::learn::sprung_sd_mm;
use serde::Serialize;

/// Standard errors of a difference from which on hair has changed and it isn't the measuring.
const SURE: f64 = 2.0;
/// Share by which counts of hairs must differ to be more than counting does.
const COUNTS_DIFFER: f64 = 0.12;

/// A figure then and now.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Change {
    /// At the earlier reading.
    pub before: f64,
    /// Now.
    pub now: f64,
    /// Whether that is more than measuring and other strands explain.
    pub sure: bool,
}

/// A zone that was read both times.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ZoneChange {
    /// Which zone.
    pub zone: Zone,
    /// Stretched length, mm.
    pub stretched_mm: Change,
    /// Share of its length it loses when let go.
    pub shrinkage: Change,
    /// Hairs on a square centimetre, where they were counted both times.
    pub hairs_per_cm2: Option<Change>,
}

/// The zones that were read both times, in walking order.
pub fn changes(before: &RawReading, now: &RawReading) -> Vec<ZoneChange> {
    let both = |zone: Zone| {
        let (old, new) = (before.zones.get(&zone)?, now.zones.get(&zone)?);
        let (then, read) = (ZoneReading::try_from(old).ok()?, ZoneReading::try_from(new).ok()?);
        let change =
            |before: f64, now: f64, sd: f64| Change { before, now, sure: (now - before).abs() > SURE * sd };
        let share_sd = |read: &ZoneReading| sprung_sd_mm(read) / read.stretched_mm;
        let length_sd = |read: &ZoneReading| read.stretched_sd_mm / f64::from(read.strands).sqrt();
        Some(ZoneChange {
            zone,
            stretched_mm: change(
                then.stretched_mm,
                read.stretched_mm,
                length_sd(&then).hypot(length_sd(&read)),
            ),
            shrinkage: change(then.shrinkage(), read.shrinkage(), share_sd(&then).hypot(share_sd(&read))),
            hairs_per_cm2: old.hairs_per_cm2.zip(new.hairs_per_cm2).map(|(before, now)| Change {
                before,
                now,
                sure: (now / before).ln().abs() > COUNTS_DIFFER,
            }),
        })
    };
    Zone::ALL.into_iter().filter_map(both).collect()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::reading::RawZoneReading;

    fn reading(stretched: f64, sprung: f64, count: Option<f64>) -> RawReading {
        let zone = RawZoneReading {
            strands: 5,
            hairs_per_cm2: count,
            ..RawZoneReading::measured(stretched, sprung)
        };
        RawReading { zones: [(Zone::Top, zone)].into(), ..RawReading::default() }
    }

    #[test]
    fn what_measuring_explains_is_no_change_and_what_it_cannot_is() {
        let before = reading(300.0, 180.0, Some(180.0));
        let same = changes(&before, &reading(301.0, 183.0, Some(188.0)));
        assert_eq!(same.len(), 1);
        assert!(
            !same[0].shrinkage.sure && !same[0].stretched_mm.sure && !same[0].hairs_per_cm2.unwrap().sure
        );
        let other = changes(&before, &reading(330.0, 260.0, Some(130.0)));
        assert!(
            other[0].shrinkage.sure && other[0].stretched_mm.sure && other[0].hairs_per_cm2.unwrap().sure
        );
        assert!((other[0].shrinkage.before - 0.4).abs() < 1e-12);
    }

    #[test]
    fn a_zone_read_once_only_has_no_change() {
        assert!(changes(&RawReading::default(), &reading(300.0, 180.0, None)).is_empty());
        assert_eq!(
            changes(&reading(300.0, 180.0, None), &reading(300.0, 180.0, Some(150.0)))[0].hairs_per_cm2,
            None
        );
    }
}
