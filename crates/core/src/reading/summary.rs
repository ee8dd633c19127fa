//! What a reading amounts to so far: shrinkage by zone, what is missing, and how sure the computed hair is.

use super::spot::cautions;
use super::{Caution, GatheredHair, RawReading, Soaks, SpotKind, Zone, ZoneReading, gathered, girth};
use crate::constants::STRAND_LOGIT_SD;
use crate::fibre::{Moisture, WornStyle};
use crate::head::{Hairline, HeadForm, Landmark, drawn};
use crate::learn;
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
        most: Zone,
        /// Where it shrinks least.
        least: Zone,
        /// By how much more of its length, as a share.
        by: f64,
    },
    /// Taking length off lets the rest spring up by itself.
    Springs {
        /// Where most.
        zone: Zone,
        /// By how much, mm, when 50 mm of hair are taken off.
        mm: f64,
    },
    /// Curly hair that hardly springs when length is taken off: what is cut is what goes.
    Stubborn {
        /// Where least.
        zone: Zone,
    },
    /// It takes up water at once or hardly at all: how it hangs wet is its own, and not every zone was measured wet.
    SoaksOddly {
        /// At once.
        fast: bool,
        /// Zones that were read and not measured wet.
        unmeasured: u32,
    },
    /// The curl that was seen is not the one the lengths tell: one of them wants measuring again.
    CurlDisagrees {
        /// Where most.
        zone: Zone,
        /// Whether it was seen looser than the lengths say, or tighter.
        looser: bool,
    },
    /// Strands of a zone differ by far more than strands do.
    StrandsDiffer {
        /// Where most.
        zone: Zone,
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
    /// No sprung length: no mark can be computed.
    Sprung,
    /// No fibre width: medium is assumed.
    Width,
}

/// One zone of a reading.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ZoneSummary {
    /// Which zone.
    pub zone: Zone,
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
    /// How many strands it rests on.
    pub strands: Option<u32>,
    /// By how much of their length those differ in what they lose when let go, one standard deviation.
    pub strands_differ: Option<f64>,
    /// Standard errors by which the curl that was seen is looser than the lengths say.
    pub curl_off: Option<f64>,
}

/// A mark that belongs on a picture of the head.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HeadMark {
    /// What is there: a weak spot, or hair that grows a way of its own.
    pub what: MarkedAs,
    /// Its number in the reading's list, from 0.
    pub number: u32,
    /// Its middle on the scalp, mm (x the client's left, y up, z forward).
    pub at: [f32; 3],
    /// How far it reaches, mm.
    pub reach_mm: f64,
    /// How strong it is, 0 to 1.
    pub strength: f64,
}

/// A point of the head that marks are put to.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LandmarkPlace {
    /// Which.
    pub landmark: Landmark,
    /// Where on the scalp, mm (x the client's left, y up, z forward).
    pub at: [f32; 3],
}

/// Kinds of marks.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum MarkedAs {
    /// A weak spot.
    Spot(SpotKind),
    /// A swirl or cowlick.
    Growth,
}

/// A reading in short.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ReadingSummary {
    /// Every zone in walking order.
    pub zones: Vec<ZoneSummary>,
    /// How many zones are complete.
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
    let shrinkage_of = |zone: Zone| {
        let complete = reading.zones.get(&zone).and_then(|raw| ZoneReading::try_from(raw).ok());
        complete.map(|z| z.shrinkage())
    };
    let zones: Vec<_> = Zone::ALL.into_iter().map(|zone| one_zone(reading, zone)).collect();
    let complete = zones.iter().filter(|z| z.shrinkage.is_some()).count();
    let sides_differ_by = shrinkage_of(Zone::LeftSide)
        .zip(shrinkage_of(Zone::RightSide))
        .map(|(left, right)| left - right)
        .filter(|difference| difference.abs() > SIDES_DIFFER);
    let gathered = girth::check(&reading.girths).ok().and_then(|()| gathered(&reading.girths));
    let unusual = unusual(&zones, gathered.as_ref(), reading);
    let head = head_of(reading);
    ReadingSummary {
        unusual,
        zones,
        complete: complete as u32,
        sides_differ_by,
        gathered,
        cautions: cautions(&reading.spots),
        marks: head.as_ref().map(|head| marks(reading, head)).unwrap_or_default(),
        landmarks: head.as_ref().map(|(form, hairline)| places(form, hairline)).unwrap_or_default(),
    }
}

/// The head that was measured and felt, if there can be one.
fn head_of(reading: &RawReading) -> Option<(HeadForm, Hairline)> {
    let measures = reading.measures.filled().ok()?;
    let form = HeadForm::of(&measures, reading.felt).ok()?;
    let hairline = Hairline::of(&form, &measures);
    Some((form, hairline))
}

fn places(form: &HeadForm, hairline: &Hairline) -> Vec<LandmarkPlace> {
    let place = |landmark: Landmark| LandmarkPlace { landmark, at: drawn(&landmark.point(form, hairline)) };
    Landmark::ALL.into_iter().map(place).collect()
}

fn marks(reading: &RawReading, (form, hairline): &(HeadForm, Hairline)) -> Vec<HeadMark> {
    let mark = |what, number: usize, at: Landmark, reach_mm, strength| HeadMark {
        what,
        number: number as u32,
        at: drawn(&at.point(form, hairline)),
        reach_mm,
        strength,
    };
    let spots = reading.spots.iter().enumerate();
    let growth = reading.growth.iter().enumerate();
    spots
        .map(|(i, spot)| mark(MarkedAs::Spot(spot.kind), i, spot.at, spot.reach_mm, spot.strength))
        .chain(growth.map(|(i, each)| mark(MarkedAs::Growth, i, each.at, each.reach_mm, each.strength)))
        .collect()
}

fn unusual(zones: &[ZoneSummary], gathered: Option<&GatheredHair>, reading: &RawReading) -> Vec<Unusual> {
    let mut found = Vec::new();
    let read = || zones.iter().filter_map(|zone| Some((zone.zone, zone.shrinkage?, zone.springs_mm?)));
    let most = read().max_by(|a, b| a.1.total_cmp(&b.1));
    let least = read().min_by(|a, b| a.1.total_cmp(&b.1));
    if let (Some(most), Some(least)) = (most, least)
        && most.1 - least.1 > ZONES_DIFFER
    {
        found.push(Unusual::ZonesDiffer { most: most.0, least: least.0, by: most.1 - least.1 });
    }
    match read().max_by(|a, b| a.2.total_cmp(&b.2)) {
        Some((zone, _, mm)) if mm > SPRINGS_MM => found.push(Unusual::Springs { zone, mm }),
        _ => {
            let curly = read().filter(|zone| zone.1 > CURLY).min_by(|a, b| a.2.total_cmp(&b.2));
            found.extend(
                curly.filter(|zone| zone.2 < STUBBORN_MM).map(|zone| Unusual::Stubborn { zone: zone.0 }),
            );
        }
    }
    let dry_only = |zone: &&ZoneSummary| {
        let raw = reading.zones.get(&zone.zone);
        zone.shrinkage.is_some()
            && raw.is_some_and(|raw| raw.wet_sprung_mm.is_none() && raw.moisture != Moisture::Wet)
    };
    let unmeasured = zones.iter().filter(dry_only).count() as u32;
    match reading.surface.soaks() {
        Some(soaks @ (Soaks::Fast | Soaks::Slow)) if unmeasured > 0 => {
            found.push(Unusual::SoaksOddly { fast: soaks == Soaks::Fast, unmeasured });
        }
        _ => {}
    }
    let off = zones.iter().filter_map(|zone| Some((zone.zone, zone.curl_off?)));
    if let Some((zone, off)) = off.max_by(|a, b| a.1.abs().total_cmp(&b.1.abs()))
        && off.abs() > DISAGREES
    {
        found.push(Unusual::CurlDisagrees { zone, looser: off > 0.0 });
    }
    let apart = reading.zones.iter().filter_map(|(zone, raw)| {
        let read = ZoneReading::try_from(raw).ok()?;
        Some((*zone, read.strands_differ, read.shrinkage()))
    });
    if let Some((zone, differ, shrinkage)) = apart.max_by(|a, b| a.1.total_cmp(&b.1))
        && differ > FAR_APART * STRAND_LOGIT_SD.value
        && differ * shrinkage * (1.0 - shrinkage) > APART
    {
        found.push(Unusual::StrandsDiffer { zone, by: differ * shrinkage * (1.0 - shrinkage) });
    }
    if let (Some(GatheredHair { strong_mm, strong_sd_mm: Some(_), .. }), Some(last)) =
        (gathered, reading.girths.last())
        && *strong_mm < FULL_TO * last.from_tie_mm
    {
        found.push(Unusual::LongForDensity { strong_mm: *strong_mm, longest_mm: last.from_tie_mm });
    }
    found
}

fn one_zone(reading: &RawReading, zone: Zone) -> ZoneSummary {
    let raw = reading.zones.get(&zone).copied().unwrap_or_default();
    let mut gaps = Vec::new();
    if raw.stretched_mm.is_none() {
        gaps.push(Gap::Stretched);
    }
    if raw.sprung_mm.is_none() {
        gaps.push(Gap::Sprung);
    }
    if raw.width_um.is_none() && raw.width_class.is_none() {
        gaps.push(Gap::Width);
    }
    let read = ZoneReading::try_from(&raw).ok();
    let belief = read.as_ref().map(learn::fit);
    ZoneSummary {
        zone,
        gaps,
        shrinkage: read.map(|z| z.shrinkage()),
        loop_radius_mm: belief.as_ref().map(|b| b.model().loop_radius_mm),
        springs_mm: belief.as_ref().zip(read).map(|(b, z)| {
            let model = b.model();
            let worn = |fibre: f64| model.worn_mm(fibre, WornStyle::AsItSprings);
            // The same part of the hair, before and after what hung from it was taken off.
            let off = TAKEN_OFF_MM.min(0.5 * z.stretched_mm);
            let rest = z.stretched_mm - off;
            worn(z.stretched_mm) * rest / z.stretched_mm - worn(rest)
        }),
        worn_sd_mm: belief
            .zip(read)
            .map(|(b, z)| b.sd_of(|model| model.worn_mm(z.stretched_mm, WornStyle::AsItSprings))),
        unread_sd_mm: read.map(|z| {
            let unread = learn::Belief::prior(z.diameter_um);
            unread.sd_of(|model| model.worn_mm(z.stretched_mm, WornStyle::AsItSprings))
        }),
        strands: read.map(|z| z.strands),
        strands_differ: read.map(|z| z.strands_differ * z.shrinkage() * (1.0 - z.shrinkage())),
        curl_off: read.as_ref().and_then(learn::curl_off),
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::reading::{Girth, RawZoneReading};

    fn unusual_of(lengths: impl Fn(Zone) -> (f64, f64), girths: &[(f64, f64)]) -> Vec<Unusual> {
        let zones = Zone::ALL.map(|zone| {
            let (stretched, sprung) = lengths(zone);
            (zone, RawZoneReading { strands: 5, ..RawZoneReading::measured(stretched, sprung) })
        });
        let girths = girths.iter().map(|&(from_tie_mm, girth_mm)| Girth { from_tie_mm, girth_mm }).collect();
        summarise(&RawReading { zones: zones.into(), girths, ..RawReading::default() }).unusual
    }

    #[test]
    fn marks_lie_on_the_scalp_on_the_side_they_are_on() {
        use crate::reading::Spot;
        let spot =
            Spot { kind: SpotKind::Breakage, at: Landmark::TempleRight, reach_mm: 25.0, strength: 0.4 };
        let marked = summarise(&RawReading { spots: vec![spot], ..RawReading::default() }).marks;
        let [mark] = &marked[..] else { panic!("one mark") };
        assert_eq!((mark.what, mark.number, mark.reach_mm), (MarkedAs::Spot(SpotKind::Breakage), 0, 25.0));
        let whole = summarise(&RawReading::default());
        assert_eq!(whole.landmarks.len(), Landmark::ALL.len());
        assert!(
            whole.landmarks.iter().any(|each| each.landmark == Landmark::TempleRight && each.at == mark.at)
        );
        assert!(mark.at[0] < -50.0 && mark.at[2] > 0.0, "the client's right temple: {:?}", mark.at);
    }

    #[test]
    fn hair_that_soaks_oddly_asks_for_wet_measures_until_they_are_there() {
        use crate::reading::{Feel, HairSurface};
        let found = |soaks_s, wet_sprung_mm| {
            let raw = RawZoneReading { wet_sprung_mm, ..RawZoneReading::measured(300.0, 180.0) };
            let surface = HairSurface { feel: Feel::Dry, soaks_s: Some(soaks_s) };
            summarise(&RawReading { zones: [(Zone::Top, raw)].into(), surface, ..RawReading::default() })
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
            summarise(&RawReading { zones: [(Zone::Top, raw)].into(), ..RawReading::default() }).unusual
        };
        let pairs = [90.0, 230.0, 100.0].map(|sprung_mm| StrandPair { stretched_mm: 300.0, sprung_mm });
        let again = Again::try_from(pairs.to_vec()).expect("three");
        let apart = kinds(RawZoneReading { again, ..RawZoneReading::measured(300.0, 200.0) });
        assert!(
            apart
                .iter()
                .any(|each| matches!(each, Unusual::StrandsDiffer { zone: Zone::Top, by } if *by > 0.1))
        );
        let looser = kinds(RawZoneReading {
            loop_mm: Some(380.0),
            strands: 10,
            ..RawZoneReading::measured(100.0, 20.0)
        });
        assert!(looser.contains(&Unusual::CurlDisagrees { zone: Zone::Top, looser: true }), "{looser:?}");
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
        assert!(most == Zone::Nape && least != Zone::Nape && (by - 13.0 / 30.0).abs() < 1e-9);
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
