//! What a reading amounts to so far: shrinkage by zone, what is missing, and how sure the computed hair is.

mod change;
mod on_head;

pub use change::{Change, ZoneChange, changes};
pub use on_head::{HeadMark, LandmarkPlace, MarkedAs};

use crate::constants::STRAND_LOGIT_SD;
use crate::fibre::{LengthModel, Moisture, WornStyle};
use crate::head::{Patch, Zone};
use crate::learn::{self, Belief};
use crate::reading::{
    Caution, GatheredHair, RawReading, RawZoneReading, Soaks, WORTH_MEASURING, WidthClass, ZoneReading,
    cautions,
};
use serde::{Deserialize, Serialize};

/// Shares of length that left and right may differ by before it is worth saying: more than strands of one zone do.
const SIDES_DIFFER: f64 = 0.08;

/// Shares of length that zones of one head may differ by before they ask for marks of their own.
const ZONES_DIFFER: f64 = 0.2;
/// Length taken off to see how the rest springs, mm, and by how much it springs when it is worth saying, mm.
const TAKEN_OFF_MM: f64 = 50.0;
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

/// Something a zone still lacks.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Gap {
    /// No stretched length: no mark can be computed.
    Stretched,
    /// No sprung length: no mark can be computed, unless the curl was seen; then it is far from sure.
    Sprung,
    /// No fibre width: medium is assumed.
    Width,
    /// The hair it is like has not been read yet: no mark can be computed.
    Like,
}

/// One zone of a reading, or half of one.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ZoneSummary {
    /// Which zone, or half of one.
    pub patch: Patch,
    /// The patch whose hair it is like.
    pub like: Option<Patch>,
    /// What is missing.
    pub gaps: Vec<Gap>,
    /// Share of length lost when let go, 0 to 1.
    pub shrinkage: Option<f64>,
    /// Loop radius the measures point to, mm.
    pub loop_radius_mm: Option<f64>,
    /// By how much the rest springs up, worn, when 50 mm of hair are taken off, mm.
    pub springs_mm: Option<f64>,
    /// One standard error of the worn length this hair would be computed to have at its present length, mm.
    pub worn_sd_mm: Option<f64>,
    /// The same if nothing but its width were known.
    pub unread_sd_mm: Option<f64>,
    /// The same once a strand let go is measured, where none was.
    pub let_go_sd_mm: Option<f64>,
    /// The same once so many strands are measured as are worth it, where fewer were.
    pub more_sd_mm: Option<f64>,
    /// By how much a mark that takes a quarter of the worn length off would move if the hair, taken for medium, turned out
    /// fine or coarse, mm of fibre.
    pub width_moves_mm: Option<f64>,
    /// How many strands it rests on.
    pub strands: Option<u32>,
    /// By how much of their length those differ in what they lose when let go, one standard deviation.
    pub strands_differ: Option<f64>,
    /// One standard error of reading a length let go, mm, where strands were read more than once.
    pub read_sd_mm: Option<f64>,
    /// Standard errors by which the curl that was seen is looser than the lengths say.
    pub curl_off: Option<f64>,
}

/// A reading in short.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ReadingSummary {
    /// Every zone in walking order; both halves of one that is read in halves.
    pub zones: Vec<ZoneSummary>,
    /// How many of them are known well enough to compute with.
    pub complete: u32,
    /// Left minus right shrinkage, when both are read and differ by more than strands of one zone do.
    pub sides_differ_by: Option<f64>,
    /// What is unusual.
    pub unusual: Vec<Unusual>,
    /// How far the hair is full, from girths without faults.
    pub gathered: Option<GatheredHair>,
    /// What to be careful about, the gravest first.
    pub cautions: Vec<Caution>,
    /// Weak spots and swirls where they lie on this client's head; none where its measures contradict each other.
    pub marks: Vec<HeadMark>,
    /// Points that marks can be put to; none there, either.
    pub landmarks: Vec<LandmarkPlace>,
}

/// Sums up a reading that has been checked; zones with faults count as not read.
pub fn summarise(reading: &RawReading) -> ReadingSummary {
    let zones: Vec<_> = reading.patches().map(|patch| one_patch(reading, patch)).collect();
    let complete = zones.iter().filter(|z| z.shrinkage.is_some()).count();
    // A side that is read in halves counts by their mean.
    let shrinkage_of = |side: Zone| {
        let read = zones.iter().filter(|each| each.patch.zone == side).filter_map(|each| each.shrinkage);
        let (sum, count) = read.fold((0.0, 0), |(sum, count), share| (sum + share, count + 1));
        (count > 0).then(|| sum / f64::from(count))
    };
    let sides_differ_by = shrinkage_of(Zone::LeftSide)
        .zip(shrinkage_of(Zone::RightSide))
        .map(|(left, right)| left - right)
        .filter(|difference| difference.abs() > SIDES_DIFFER);
    let gathered = reading.gathered();
    let unusual = unusual(&zones, gathered.as_ref(), reading);
    let head = on_head::head_of(reading);
    ReadingSummary {
        unusual,
        zones,
        complete: complete as u32,
        sides_differ_by,
        gathered,
        cautions: cautions(&reading.spots),
        marks: head.as_ref().map(|head| on_head::marks(reading, head)).unwrap_or_default(),
        landmarks: head.as_ref().map(on_head::places).unwrap_or_default(),
    }
}

fn unusual(zones: &[ZoneSummary], gathered: Option<&GatheredHair>, reading: &RawReading) -> Vec<Unusual> {
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

fn one_patch(reading: &RawReading, patch: Patch) -> ZoneSummary {
    let raw = reading.zones.get(&patch).copied().unwrap_or_default();
    let read = reading.patch(patch).ok();
    let nothing = ZoneSummary {
        patch,
        like: raw.like,
        gaps: gaps(&raw, read.is_some()),
        shrinkage: None,
        loop_radius_mm: None,
        springs_mm: None,
        worn_sd_mm: None,
        unread_sd_mm: None,
        let_go_sd_mm: None,
        more_sd_mm: None,
        width_moves_mm: None,
        strands: None,
        strands_differ: None,
        read_sd_mm: None,
        curl_off: None,
    };
    let Some(read) = read else { return nothing };
    let belief = learn::fit(&read);
    let present = read.present_mm;
    let worn_sd = |belief: &Belief| belief.sd_of(|model| model.worn_mm(present, WornStyle::AsItSprings));
    let (shrinkage, _) = learn::shrinkage(&read, &belief);
    ZoneSummary {
        shrinkage: Some(shrinkage),
        loop_radius_mm: Some(belief.model().loop_radius_mm),
        springs_mm: Some(springs_mm(&belief.model(), present)),
        worn_sd_mm: Some(worn_sd(&belief)),
        unread_sd_mm: Some(worn_sd(&Belief::prior(read.diameter_um))),
        let_go_sd_mm: learn::once_let_go(&read, &belief).map(|read| worn_sd(&learn::fit(&read))),
        more_sd_mm: (read.sprung_mm.is_some() && !read.read_elsewhere && read.strands < WORTH_MEASURING)
            .then(|| worn_sd(&learn::fit(&read.of_strands(WORTH_MEASURING)))),
        width_moves_mm: nothing.gaps.contains(&Gap::Width).then(|| width_moves_mm(&read)).flatten(),
        strands: Some(read.strands),
        strands_differ: Some(read.strands_differ * shrinkage * (1.0 - shrinkage)),
        read_sd_mm: read.read_again.then_some(read.sprung_sd_mm),
        curl_off: learn::curl_off(&read),
        ..nothing
    }
}

fn gaps(raw: &RawZoneReading, known: bool) -> Vec<Gap> {
    if raw.like.is_some() {
        return if known { Vec::new() } else { vec![Gap::Like] };
    }
    [
        (Gap::Stretched, raw.stretched_mm.is_none()),
        (Gap::Sprung, raw.sprung_mm.is_none()),
        (Gap::Width, raw.width_um.is_none() && raw.width_class.is_none()),
    ]
    .into_iter()
    .filter_map(|(gap, open)| open.then_some(gap))
    .collect()
}

/// By how much a mark that takes a quarter of the worn length off moves with the width of the hair, mm.
fn width_moves_mm(read: &ZoneReading) -> Option<f64> {
    let mark = |class: WidthClass| {
        let model = learn::fit(&ZoneReading { diameter_um: class.diameter_um(), ..*read }).model();
        let worn = model.worn_mm(read.present_mm, WornStyle::AsItSprings);
        model.fibre_from_worn(0.75 * worn, WornStyle::AsItSprings)
    };
    let medium = mark(WidthClass::Medium)?;
    Some((mark(WidthClass::Fine)? - medium).abs().max((mark(WidthClass::Coarse)? - medium).abs()))
}

/// By how much the same part of the hair springs up, worn, when what hangs from it is taken off, mm.
fn springs_mm(model: &LengthModel, present_mm: f64) -> f64 {
    let worn = |fibre: f64| model.worn_mm(fibre, WornStyle::AsItSprings);
    let off = TAKEN_OFF_MM.min(0.5 * present_mm);
    let rest = present_mm - off;
    worn(present_mm) * rest / present_mm - worn(rest)
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::reading::{Girth, RawZoneReading};

    fn unusual_of(lengths: impl Fn(Zone) -> (f64, f64), girths: &[(f64, f64)]) -> Vec<Unusual> {
        let zones = Zone::ALL.map(|zone| {
            let (stretched, sprung) = lengths(zone);
            (zone.into(), RawZoneReading { strands: 5, ..RawZoneReading::measured(stretched, sprung) })
        });
        let girths = girths.iter().map(|&(from_tie_mm, girth_mm)| Girth { from_tie_mm, girth_mm }).collect();
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
        let asks = |found: &[Unusual]| found.iter().any(|each| matches!(each, Unusual::SoaksOddly { .. }));
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
        let pairs =
            [90.0, 230.0, 100.0].map(|sprung_mm| StrandPair { stretched_mm: 300.0, sprung_mm, same: false });
        let again = Again::try_from(pairs.to_vec()).expect("three");
        let apart = kinds(RawZoneReading { again, ..RawZoneReading::measured(300.0, 200.0) });
        assert!(
            apart
                .iter()
                .any(|each| matches!(each, Unusual::StrandsDiffer { patch: Patch { zone: Zone::Top, .. }, by } if *by > 0.1))
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
            found.into_iter().find_map(|each| match each {
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
    fn what_is_missing_comes_with_what_it_would_change() {
        let zone = |raw: RawZoneReading| {
            let zones = [(Zone::Top.into(), raw)].into();
            summarise(&RawReading { zones, ..RawReading::default() }).zones.swap_remove(1)
        };
        let one = zone(RawZoneReading::measured(300.0, 160.0));
        let (now, more) = (one.worn_sd_mm.unwrap(), one.more_sd_mm.unwrap());
        assert!(more < 0.8 * now && one.let_go_sd_mm.is_none());
        let five = zone(RawZoneReading { strands: 5, ..RawZoneReading::measured(300.0, 160.0) });
        assert!(
            (five.worn_sd_mm.unwrap() - more).abs() < 1e-9 && five.more_sd_mm.is_none(),
            "as was promised"
        );
        let moves = one.width_moves_mm.unwrap();
        assert!(moves > 0.0 && moves < 30.0, "{moves}");
        let felt =
            RawZoneReading { width_class: Some(WidthClass::Fine), ..RawZoneReading::measured(300.0, 160.0) };
        assert_eq!(zone(felt).width_moves_mm, None);
        let seen = zone(RawZoneReading {
            sprung_mm: None,
            loop_mm: Some(30.0),
            ..RawZoneReading::measured(300.0, 160.0)
        });
        assert!(seen.let_go_sd_mm.unwrap() < 0.5 * seen.worn_sd_mm.unwrap() && seen.more_sd_mm.is_none());
    }

    #[test]
    fn even_hair_that_hardly_curls_is_nothing_unusual() {
        assert!(unusual_of(|_| (300.0, 292.0), &[]).is_empty());
    }

    #[test]
    fn patterns_that_differ_are_said_with_their_zones() {
        let found = unusual_of(|zone| (300.0, if zone == Zone::Nape { 140.0 } else { 270.0 }), &[]);
        let differs = found.iter().find_map(|each| match each {
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
            waves.iter().any(|each| matches!(each, Unusual::Springs { mm, .. } if *mm > 6.0)),
            "{waves:?}"
        );
        let coils = unusual_of(|_| (160.0, 45.0), &[]);
        assert!(coils.iter().any(|each| matches!(each, Unusual::Stubborn { .. })), "{coils:?}");
    }

    #[test]
    fn hair_of_which_half_ends_far_above_the_ends_is_too_long_for_its_density() {
        let thin = unusual_of(|_| (300.0, 292.0), &[(0.0, 90.0), (100.0, 60.0), (200.0, 30.0)]);
        assert!(matches!(thin[..], [Unusual::LongForDensity { longest_mm: 200.0, .. }]), "{thin:?}");
        let full = unusual_of(|_| (300.0, 292.0), &[(0.0, 90.0), (100.0, 88.0), (200.0, 80.0)]);
        assert!(full.is_empty(), "{full:?}");
    }
}
