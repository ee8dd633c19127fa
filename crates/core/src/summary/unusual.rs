//! What is unusual about a head of hair.

use super::ZoneSummary;
use crate::constants::STRAND_LOGIT_SD;
use crate::fibre::Moisture;
use crate::head::Patch;
use crate::learn;
use crate::reading::{GatheredHair, RawReading, RawZoneReading, Soaks};
use serde::{Deserialize, Serialize};

/// Shares of length that zones of one head may differ by before they ask for marks of their own.
const ZONES_DIFFER: f64 = 0.2;
/// Spring, when length is taken off, from which on it is worth saying, mm.
const SPRINGS_MM: f64 = 6.0;
/// Share of its length hair must lose when let go to be called curly, and the spring below which such hair is stubborn, mm.
const CURLY: f64 = 0.3;
const STUBBORN_MM: f64 = 2.5;
/// Water beyond that of hair in the usual air from which on it changes how the hair hangs by more than reading does, g/g.
const WATER_WORTH_SAYING: f64 = 0.04;
/// Standard errors from which on what was seen of the curl contradicts the lengths.
const DISAGREES: f64 = 3.0;
/// Times what strands of a zone usually differ by from which on it is worth saying.
const FAR_APART: f64 = 1.6;
/// Share of their length by which they must differ, too: nearly straight hair is far apart in nothing.
const APART: f64 = 0.04;
/// Share of the way to its ends at which half of the hair must still be there, or it is too long for its density.
const FULL_TO: f64 = 0.75;

/// What is unusual about a head of hair and bears on the cut.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "kind", rename_all = "snake_case")]
pub enum Unusual {
    /// Patterns differ by zone.
    ZonesDiffer {
        /// Where it shrinks most.
        most: Patch,
        /// Where it shrinks least.
        least: Patch,
        /// By how much more of its length, as a share.
        by: f64,
    },
    /// Taking length off lets the rest spring up by itself.
    Springs {
        /// Where most.
        patch: Patch,
        /// By how much, mm, when 50 mm of hair are taken off.
        mm: f64,
    },
    /// Curly hair that hardly springs when length is taken off: what is cut is what goes.
    Stubborn {
        /// Where least.
        patch: Patch,
    },
    /// It takes up water at once or hardly at all: how it hangs wet is its own, and not every zone was measured wet.
    SoaksOddly {
        /// At once.
        fast: bool,
        /// Zones that were read and not measured wet.
        unmeasured: u32,
    },
    /// The air of the room was damper or drier than the usual: lengths let go dry are taken as of hair in that air.
    AirApart {
        /// Damper.
        damp: bool,
        /// Relative humidity, %.
        humidity_pct: f64,
    },
    /// The curl that was seen is not the one the lengths tell: one of them wants measuring again.
    CurlDisagrees {
        /// Where most.
        patch: Patch,
        /// Whether it was seen looser than the lengths say, or tighter.
        looser: bool,
    },
    /// Its lengths tell two curls alike: loops seen or turns counted would tell which.
    CurlEither {
        /// Where.
        patch: Patch,
        /// Width of a loop, the tighter one, mm …
        tighter_mm: f64,
        /// … and the looser one.
        looser_mm: f64,
    },
    /// Strands of a zone differ by far more than strands do.
    StrandsDiffer {
        /// Where most.
        patch: Patch,
        /// One standard deviation of the share of length they lose.
        by: f64,
    },
    /// Hair too long for its density: half of it ends well above its ends.
    LongForDensity {
        /// How far half of it reaches from the tie, mm.
        strong_mm: f64,
        /// How far the last girth lies from the tie, mm.
        longest_mm: f64,
    },
}

/// What is unusual about zones summed up, gathered hair and the rest of a reading.
pub(super) fn unusual(
    zones: &[ZoneSummary],
    gathered: Option<&GatheredHair>,
    reading: &RawReading,
) -> Vec<Unusual> {
    let mut found = Vec::new();
    let read = || zones.iter().filter_map(|zone| Some((zone.patch, zone.shrinkage?, zone.springs_mm?)));
    let most = read().max_by(|a, b| a.1.total_cmp(&b.1));
    let least = read().min_by(|a, b| a.1.total_cmp(&b.1));
    if let (Some(most), Some(least)) = (most, least)
        && most.1 - least.1 > ZONES_DIFFER
    {
        found.push(Unusual::ZonesDiffer { most: most.0, least: least.0, by: most.1 - least.1 });
    }
    match read().max_by(|a, b| a.2.total_cmp(&b.2)) {
        Some((patch, _, mm)) if mm > SPRINGS_MM => found.push(Unusual::Springs { patch, mm }),
        _ => {
            let curly = read().filter(|zone| zone.1 > CURLY).min_by(|a, b| a.2.total_cmp(&b.2));
            found.extend(
                curly.filter(|zone| zone.2 < STUBBORN_MM).map(|zone| Unusual::Stubborn { patch: zone.0 }),
            );
        }
    }
    let dry_only = |zone: &&ZoneSummary| {
        let raw = reading.zones.get(&zone.patch);
        zone.shrinkage.is_some()
            && zone.like.is_none()
            && raw.is_some_and(|raw| raw.wet_sprung_mm.is_none() && raw.moisture != Moisture::Wet)
    };
    let unmeasured = zones.iter().filter(dry_only).count() as u32;
    match reading.surface.soaks() {
        Some(soaks @ (Soaks::Fast | Soaks::Slow)) if unmeasured > 0 => {
            found.push(Unusual::SoaksOddly { fast: soaks == Soaks::Fast, unmeasured });
        }
        _ => {}
    }
    let let_go_dry = |raw: &RawZoneReading| raw.sprung_mm.is_some() && raw.moisture == Moisture::Dry;
    let water = reading.room.dry_water_g_per_g();
    if let Some(humidity_pct) = reading.room.humidity_pct
        && water.abs() > WATER_WORTH_SAYING
        && reading.zones.values().any(let_go_dry)
    {
        found.push(Unusual::AirApart { damp: water > 0.0, humidity_pct });
    }
    let own = || zones.iter().filter(|zone| zone.like.is_none());
    let off = own().filter_map(|zone| Some((zone.patch, zone.curl_off?)));
    if let Some((patch, off)) = off.max_by(|a, b| a.1.abs().total_cmp(&b.1.abs()))
        && off.abs() > DISAGREES
    {
        found.push(Unusual::CurlDisagrees { patch, looser: off > 0.0 });
    }
    let either = own().filter_map(|zone| {
        let (tighter_mm, looser_mm) = learn::either_loop_mm(&reading.patch(zone.patch).ok()?)?;
        Some(Unusual::CurlEither { patch: zone.patch, tighter_mm, looser_mm })
    });
    found.extend(either.take(1));
    let apart = own().filter_map(|zone| {
        Some((zone.patch, reading.patch(zone.patch).ok()?.strands_differ, zone.strands_differ?))
    });
    if let Some((patch, differ, by)) = apart.max_by(|a, b| a.1.total_cmp(&b.1))
        && differ > FAR_APART * STRAND_LOGIT_SD.value
        && by > APART
    {
        found.push(Unusual::StrandsDiffer { patch, by });
    }
    if let (Some(GatheredHair { strong_mm, strong_sd_mm: Some(_), .. }), Some(last)) =
        (gathered, reading.girths.last())
        && *strong_mm < FULL_TO * last.from_tie_mm
    {
        found.push(Unusual::LongForDensity { strong_mm: *strong_mm, longest_mm: last.from_tie_mm });
    }
    found
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::Zone;
    use crate::reading::{Girth, RawZoneReading};
    use crate::summary::summarise;

    fn unusual_of(lengths: impl Fn(Zone) -> (f64, f64), girths: &[(f64, f64)]) -> Vec<Unusual> {
        let zones = Zone::ALL.map(|zone| {
            let (stretched, sprung) = lengths(zone);
            (zone.into(), RawZoneReading { strands: 5, ..RawZoneReading::measured(stretched, sprung) })
        });
        let girths =
            girths.iter().map(|&(from_tie_mm, girth_mm)| Girth { id: 0, from_tie_mm, girth_mm }).collect();
        summarise(&RawReading { zones: zones.into(), girths, ..RawReading::default() }).unusual
    }

    #[test]
    fn hair_that_soaks_oddly_asks_for_wet_measures_until_they_are_there() {
        use crate::reading::{Feel, HairSurface};
        let found = |soaks_s, wet_sprung_mm| {
            let raw = RawZoneReading { wet_sprung_mm, ..RawZoneReading::measured(300.0, 180.0) };
            let surface = HairSurface { feel: Feel::Dry, soaks_s: Some(soaks_s) };
            summarise(&RawReading {
                zones: [(Zone::Top.into(), raw)].into(),
                surface,
                ..RawReading::default()
            })
            .unusual
        };
        let asks =
            |found: &[Unusual]| found.iter().any(|unusual| matches!(unusual, Unusual::SoaksOddly { .. }));
        assert!(found(2.0, None).contains(&Unusual::SoaksOddly { fast: true, unmeasured: 1 }));
        assert!(found(300.0, None).contains(&Unusual::SoaksOddly { fast: false, unmeasured: 1 }));
        assert!(!asks(&found(20.0, None)), "as usual");
        assert!(!asks(&found(2.0, Some(240.0))), "it was measured wet");
    }

    #[test]
    fn strands_that_differ_and_curl_that_contradicts_the_lengths_are_said() {
        use crate::reading::{Again, StrandPair};
        let kinds = |raw: RawZoneReading| {
            summarise(&RawReading { zones: [(Zone::Top.into(), raw)].into(), ..RawReading::default() })
                .unusual
        };
        let pairs = [90.0, 230.0, 100.0].map(|sprung_mm| StrandPair {
            id: 0,
            stretched_mm: 300.0,
            sprung_mm,
            same: false,
        });
        let again = Again::try_from(pairs.to_vec()).expect("three");
        let apart = kinds(RawZoneReading { again, ..RawZoneReading::measured(300.0, 200.0) });
        assert!(
            apart
                .iter()
                .any(|unusual| matches!(unusual, Unusual::StrandsDiffer { patch: Patch { zone: Zone::Top, .. }, by } if *by > 0.1))
        );
        let looser = kinds(RawZoneReading {
            loop_mm: Some(380.0),
            strands: 10,
            ..RawZoneReading::measured(100.0, 20.0)
        });
        assert!(
            looser.contains(&Unusual::CurlDisagrees { patch: Zone::Top.into(), looser: true }),
            "{looser:?}"
        );
    }

    #[test]
    fn air_that_changes_how_dry_hair_hangs_is_said() {
        use crate::reading::RoomAir;
        let found = |pct: f64, raw: RawZoneReading| {
            let room = RoomAir { humidity_pct: Some(pct), ..RoomAir::default() };
            let zones = [(Zone::Top.into(), raw)].into();
            let found = summarise(&RawReading { zones, room, ..RawReading::default() }).unusual;
            found.into_iter().find_map(|unusual| match unusual {
                Unusual::AirApart { damp, .. } => Some(damp),
                _ => None,
            })
        };
        let dry = RawZoneReading::measured(300.0, 180.0);
        assert_eq!([85.0, 55.0, 25.0].map(|pct| found(pct, dry)), [Some(true), None, Some(false)]);
        let wet = RawZoneReading { moisture: Moisture::Wet, ..dry };
        assert_eq!(found(85.0, wet), None, "wet hair is wet in any air");
    }

    #[test]
    fn even_hair_that_hardly_curls_is_nothing_unusual() {
        assert!(unusual_of(|_| (300.0, 292.0), &[]).is_empty());
    }

    #[test]
    fn patterns_that_differ_are_said_with_their_zones() {
        let found = unusual_of(|zone| (300.0, if zone == Zone::Nape { 140.0 } else { 270.0 }), &[]);
        let differs = found.iter().find_map(|unusual| match unusual {
            Unusual::ZonesDiffer { most, least, by } => Some((*most, *least, *by)),
            _ => None,
        });
        let (most, least, by) = differs.expect("they differ");
        assert!(most.zone == Zone::Nape && least.zone != Zone::Nape && (by - 13.0 / 30.0).abs() < 1e-9);
    }

    #[test]
    fn long_waves_spring_when_cut_and_tight_coils_do_not() {
        let waves = unusual_of(|_| (500.0, 400.0), &[]);
        assert!(
            waves.iter().any(|unusual| matches!(unusual, Unusual::Springs { mm, .. } if *mm > 6.0)),
            "{waves:?}"
        );
        let coils = unusual_of(|_| (160.0, 45.0), &[]);
        assert!(coils.iter().any(|unusual| matches!(unusual, Unusual::Stubborn { .. })), "{coils:?}");
    }

    #[test]
    fn hair_of_which_half_ends_far_above_the_ends_is_too_long_for_its_density() {
        let thin = unusual_of(|_| (300.0, 292.0), &[(0.0, 90.0), (100.0, 60.0), (200.0, 30.0)]);
        assert!(matches!(thin[..], [Unusual::LongForDensity { longest_mm: 200.0, .. }]), "{thin:?}");
        let full = unusual_of(|_| (300.0, 292.0), &[(0.0, 90.0), (100.0, 88.0), (200.0, 80.0)]);
        assert!(full.is_empty(), "{full:?}");
    }
}
