//! What is known of a head, a talk and an aim, as numbers.

use crate::fall::{Fall, ZoneFall};
use crate::fibre::WornStyle;
use crate::hair::{Hair, Strand};
use crate::head::{GrowthDirection, Landmark, Point, Zone};
use crate::mark::Aim;
use crate::reading::{RawReading, SpotKind};
use crate::talk::{ComingFor, FringeWish, Talk};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// What is known. What either is or isn't is 1 or 0.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Fact {
    /// Share of its length that dry hair loses when it springs, over all hair.
    Shrinkage,
    /// The same at the crown.
    ShrinkageCrown,
    /// Mean width of a strand, µm.
    DiameterUm,
    /// Hairs on a square centimetre, over the whole scalp.
    HairsPerCm2,
    /// Cross-section of all fibres on a square centimetre, mm².
    BulkMm2PerCm2,
    /// Density of the sides as a share of that of the back.
    SideShare,
    /// Where the line behind will lie, mm below the chin.
    LineBelowChinMm,
    /// How much higher the line is wished than it lies, mm, where it goes up most.
    LineOffMm,
    /// How much more goes on top than at the line, mm.
    LayersMm,
    /// How long the top is worn when it is as wished, mm.
    TopWornMm,
    /// Most that goes anywhere, mm.
    OffMm,
    /// How much higher the nape is wished than the sides, mm.
    NapeAboveSideMm,
    /// A fringe is worn or wished.
    FringeWished,
    /// A fringe is grown out.
    GrowsFringeOut,
    /// The face should stay open.
    OpenFace,
    /// It is worn as it curls.
    WornCurly,
    /// It is worn smooth or brushed out.
    WornSmooth,
    /// The front is always smoothed.
    FrontSmooth,
    /// It is tied back for work or sport.
    TiesBack,
    /// Minutes a day the client spends on it.
    MinutesADay,
    /// The client is a minor.
    Minor,
    /// They came because it is flat.
    ComesForFlat,
    /// Because it is heavy.
    ComesForHeavy,
    /// Because it is frizzy.
    ComesForFrizzy,
    /// Because it is wide at the bottom.
    ComesForWideAtTheBottom,
    /// Because of thin ends.
    ComesForThinEnds,
    /// To grow something out.
    ComesForGrowingOut,
    /// To have it tidied.
    ComesForTidy,
    /// For a change.
    ComesForChange,
    /// How far the part lies off the centre, mm.
    PartOffMm,
    /// Back of the head, −1 flat to 1 full.
    Occiput,
    /// How much shorter the shortest eighth of the hair is, as a share.
    Taper,
    /// The ends are weak: they taper, or can be seen through.
    WeakEnds,
    /// Hair at the front is thin, breaks or grows back.
    WeakFront,
    /// There is a whorl at the crown.
    CrownWhorl,
    /// Height below the chin from which light comes through, mm.
    SeeThroughBelowChinMm,
}

/// Facts by name; what isn't known is left out.
#[derive(Debug, Clone, PartialEq, Default)]
pub struct Facts(BTreeMap<Fact, f64>);

/// How much goes in a zone by its wish, mm: negative where hair is too short for it.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Goes {
    /// Which zone.
    pub zone: Zone,
    /// How much.
    pub off_mm: f64,
    /// As it is.
    pub now: ZoneFall,
}

impl Goes {
    /// Of every zone with a wish.
    pub fn by(aim: &Aim, hair: &Hair, before: &Fall) -> Vec<Self> {
        let of = |now: &ZoneFall| {
            let wish = aim.zones.get(&now.zone)?;
            let off_mm = match (wish.lands, wish.worn_mm) {
                (Some(place), _) => place.height_mm(&hair.measures) - now.ends_at_mm,
                (None, Some(worn)) => now.worn_mm - worn,
                (None, None) => return None,
            };
            Some(Self { zone: now.zone, off_mm, now: *now })
        };
        before.zones.iter().filter_map(of).collect()
    }

    /// Height at which its hair should end, mm.
    pub fn height_mm(&self) -> f64 {
        self.now.ends_at_mm + self.off_mm
    }

    /// Worn length that asks for, mm.
    pub fn worn_mm(&self) -> f64 {
        (self.now.worn_mm - self.off_mm).max(2.0)
    }
}

const FRONT: [Landmark; 7] = [
    Landmark::HairlineCentre,
    Landmark::RecessionLeft,
    Landmark::RecessionRight,
    Landmark::TempleLeft,
    Landmark::TempleRight,
    Landmark::BrowLeft,
    Landmark::BrowRight,
];
/// Shares of the taper and light from which on ends are weak.
const WEAK_TAPER: f64 = 0.3;

impl Facts {
    /// Those given, for tests and for rules on their own.
    pub fn given(facts: impl IntoIterator<Item = (Fact, f64)>) -> Self {
        Self(facts.into_iter().collect())
    }

    /// One of them.
    pub fn get(&self, fact: Fact) -> Option<f64> {
        self.0.get(&fact).copied()
    }

    /// Of a head of hair as it falls now, and of what was said.
    pub fn of(reading: &RawReading, hair: &Hair, before: &Fall, talk: Option<&Talk>, aim: &Aim) -> Self {
        let mut facts = BTreeMap::new();
        let flag = |yes: bool| if yes { 1.0 } else { 0.0 };
        facts.extend(of_hair(hair));
        let chin = Point::Chin.height_mm(&hair.measures);
        let goes = Goes::by(aim, hair, before);
        let over = |zones: &[Zone], of: &dyn Fn(&Goes) -> f64| {
            goes.iter().filter(|goes| zones.contains(&goes.zone)).map(of).reduce(f64::max)
        };
        let now = |zone: Zone| before.zones.iter().find(|known| known.zone == zone).copied();
        let behind = [Zone::Nape, Zone::BackLower];
        let sides = [Zone::LeftSide, Zone::RightSide];
        let line = behind
            .iter()
            .find_map(|zone| over(&[*zone], &Goes::height_mm))
            .or_else(|| over(&sides, &Goes::height_mm))
            .or_else(|| now(Zone::BackLower).map(|zone| zone.ends_at_mm));
        facts.extend(line.map(|height| (Fact::LineBelowChinMm, chin - height)));
        let off = |zones: &[Zone]| over(zones, &|goes: &Goes| goes.off_mm);
        let line_off =
            off(&[Zone::Nape, Zone::BackLower, Zone::LeftSide, Zone::RightSide]).unwrap_or(0.0).max(0.0);
        facts.insert(Fact::LineOffMm, line_off);
        let top = [Zone::Top, Zone::Crown];
        facts.insert(Fact::LayersMm, off(&top).map_or(0.0, |top| top - line_off));
        let top_worn = over(&top, &Goes::worn_mm).or_else(|| now(Zone::Top).map(|zone| zone.worn_mm));
        facts.extend(top_worn.map(|mm| (Fact::TopWornMm, mm)));
        facts.insert(Fact::OffMm, off(&Zone::ALL).unwrap_or(0.0).max(0.0));
        if let (Some(nape), Some(side)) =
            (over(&[Zone::Nape], &Goes::height_mm), over(&sides, &Goes::height_mm))
        {
            facts.insert(Fact::NapeAboveSideMm, nape - side);
        }
        facts.insert(Fact::OpenFace, flag(aim.open_face));
        facts.insert(Fact::PartOffMm, reading.part.left_mm.abs());
        facts.insert(Fact::Occiput, reading.skull.occiput);
        facts.insert(Fact::Taper, reading.taper);
        facts.insert(Fact::SeeThroughBelowChinMm, chin - before.see_through_below_mm);
        let weak = |spot: &crate::reading::Spot| {
            matches!(spot.kind, SpotKind::Thin | SpotKind::Breakage | SpotKind::Regrowth)
                && FRONT.contains(&spot.at)
        };
        facts.insert(Fact::WeakFront, flag(reading.spots.iter().any(weak)));
        let whorl = reading.growth.iter().any(|growth| {
            growth.at == Landmark::Crown && !matches!(growth.direction, GrowthDirection::Toward(_))
        });
        facts.insert(Fact::CrownWhorl, flag(whorl));
        let fringe_wish = aim.zones.contains_key(&Zone::Fringe);
        let fringe = talk.map(|talk| talk.fringe).unwrap_or_default();
        let grows = fringe == FringeWish::GrowingOut;
        facts.insert(Fact::FringeWished, flag(fringe.is_worn() || (fringe_wish && !grows)));
        facts.insert(Fact::GrowsFringeOut, flag(grows));
        let thin = talk.is_some_and(|talk| talk.reasons.contains(&ComingFor::ThinEnds));
        facts.insert(Fact::WeakEnds, flag(thin || reading.taper >= WEAK_TAPER));
        facts.extend(talk.into_iter().flat_map(of_talk));
        Self(facts)
    }
}

fn of_hair(hair: &Hair) -> impl Iterator<Item = (Fact, f64)> + use<> {
    let over = |of: &dyn Fn(&Strand) -> bool, value: &dyn Fn(usize, &Strand) -> f64| {
        let (sum, hairs) = hair
            .strands
            .iter()
            .enumerate()
            .filter(|(_, strand)| of(strand))
            .fold((0.0, 0.0), |(sum, hairs), (i, strand)| {
                (sum + strand.hairs * value(i, strand), hairs + strand.hairs)
            });
        (hairs > 0.0).then(|| sum / hairs)
    };
    let density = |of: &dyn Fn(&Strand) -> bool, each: &dyn Fn(&Strand) -> f64| {
        let (sum, area) = hair
            .strands
            .iter()
            .filter(|strand| of(strand))
            .fold((0.0, 0.0), |(sum, area), strand| (sum + each(strand), area + strand.root.area_mm2));
        (area > 0.0).then(|| 100.0 * sum / area)
    };
    let lost = |i: usize, strand: &Strand| {
        let fibre = hair.lengths[i].mean();
        1.0 - strand.model.worn_mm(fibre, WornStyle::AsItSprings) / fibre.max(1e-9)
    };
    let all = |_: &Strand| true;
    let hairs = |strand: &Strand| strand.hairs;
    let side = |strand: &Strand| matches!(strand.root.zone, Zone::LeftSide | Zone::RightSide);
    let back = |strand: &Strand| matches!(strand.root.zone, Zone::BackUpper | Zone::BackLower);
    let crown = |strand: &Strand| strand.root.zone == Zone::Crown;
    let sides = density(&side, &hairs).zip(density(&back, &hairs));
    [
        (Fact::Shrinkage, over(&all, &lost)),
        (Fact::ShrinkageCrown, over(&crown, &lost)),
        (Fact::DiameterUm, over(&all, &|_, strand| strand.model.diameter_um)),
        (Fact::HairsPerCm2, density(&all, &hairs)),
        (Fact::BulkMm2PerCm2, density(&all, &|strand| strand.hairs * strand.section_mm2())),
        (Fact::SideShare, sides.filter(|(_, back)| *back > 0.0).map(|(side, back)| side / back)),
    ]
    .into_iter()
    .filter_map(|(fact, value)| Some((fact, value?)))
}

fn of_talk(talk: &Talk) -> impl Iterator<Item = (Fact, f64)> {
    let reasons = [
        (Fact::ComesForFlat, ComingFor::Flat),
        (Fact::ComesForHeavy, ComingFor::Heavy),
        (Fact::ComesForFrizzy, ComingFor::Frizzy),
        (Fact::ComesForWideAtTheBottom, ComingFor::WideAtTheBottom),
        (Fact::ComesForThinEnds, ComingFor::ThinEnds),
        (Fact::ComesForGrowingOut, ComingFor::GrowingOut),
        (Fact::ComesForTidy, ComingFor::Tidy),
        (Fact::ComesForChange, ComingFor::Change),
    ]
    .map(|(fact, reason)| (fact, talk.reasons.contains(&reason)));
    let smooth = matches!(talk.worn, WornStyle::Smoothed | WornStyle::BrushedOut);
    let flags = [
        (Fact::WornCurly, !smooth),
        (Fact::WornSmooth, smooth),
        (Fact::FrontSmooth, talk.front_straight),
        (Fact::TiesBack, talk.ties_back),
        (Fact::Minor, talk.minor),
    ];
    let flags = reasons.into_iter().chain(flags).map(|(fact, yes)| (fact, if yes { 1.0 } else { 0.0 }));
    flags.chain(talk.minutes_a_day.map(|minutes| (Fact::MinutesADay, f64::from(minutes))))
}
