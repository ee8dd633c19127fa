//! What was read of a zone, in short.

use crate::fibre::{LengthModel, WornStyle};
use crate::head::Patch;
use crate::learn::{self, Belief};
use crate::reading::{RawReading, RawZoneReading, WORTH_MEASURING, WidthClass, ZoneReading};
use serde::{Deserialize, Serialize};

/// Length taken off to see how the rest springs, mm.
const TAKEN_OFF_MM: f64 = 50.0;

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

pub(super) fn one_patch(reading: &RawReading, patch: Patch) -> ZoneSummary {
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
    use crate::head::Zone;
    use crate::summary::summarise;

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
}
