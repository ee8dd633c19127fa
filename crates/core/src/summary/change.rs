//! How a reading differs from an earlier one of the same client.

use crate::head::Patch;
use crate::learn;
use crate::reading::{RawReading, ZoneReading};
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

/// A zone, or half of one, that was read both times.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ZoneChange {
    /// Which zone, or half of one.
    pub patch: Patch,
    /// Stretched length, mm.
    pub stretched_mm: Change,
    /// Share of its length it loses when let go.
    pub shrinkage: Change,
    /// Hairs on a square centimetre, where they were counted both times.
    pub hairs_per_cm2: Option<Change>,
}

/// The zones that were read both times, in walking order.
pub fn changes(before: &RawReading, now: &RawReading) -> Vec<ZoneChange> {
    let both = |patch: Patch| {
        let (then, read) = (before.patch(patch).ok()?, now.patch(patch).ok()?);
        let change =
            |before: f64, now: f64, sd: f64| Change { before, now, sure: (now - before).abs() > SURE * sd };
        let length_sd = |read: &ZoneReading| read.stretched_sd_mm / read.readings.sqrt();
        let shrinkage = |read: &ZoneReading| learn::shrinkage(read, &learn::fit(read));
        let ((share_then, sd_then), (share, sd)) = (shrinkage(&then), shrinkage(&read));
        Some(ZoneChange {
            patch,
            stretched_mm: change(then.present_mm, read.present_mm, length_sd(&then).hypot(length_sd(&read))),
            shrinkage: change(share_then, share, sd_then.hypot(sd)),
            hairs_per_cm2: before.counted(patch).zip(now.counted(patch)).map(|(before, now)| Change {
                before,
                now,
                sure: (now / before).ln().abs() > COUNTS_DIFFER,
            }),
        })
    };
    now.patches().filter_map(both).collect()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::Zone;
    use crate::reading::RawZoneReading;

    fn reading(stretched: f64, sprung: f64, count: Option<f64>) -> RawReading {
        let zone = RawZoneReading {
            strands: 5,
            hairs_per_cm2: count,
            ..RawZoneReading::measured(stretched, sprung)
        };
        RawReading { zones: [(Zone::Top.into(), zone)].into(), ..RawReading::default() }
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
