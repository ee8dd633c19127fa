//! A patch of the head that has been measured well enough to compute with.

use super::figure::ZoneFigure;
use super::strands::Strands;
use super::{CurlWord, RawZoneReading, WidthClass};
use crate::constants::TAPE_SD_MM;
use crate::error::{FieldErrors, Problem};
use crate::fibre::Moisture;
use crate::message::Message;

/// Strands that are worth measuring: beyond it the error falls by less than a tape shows.
pub(crate) const WORTH_MEASURING: u32 = 5;

/// What was seen of a patch's curl.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct CurlSeen {
    /// Width of a loop at the free end, mm.
    pub loop_mm: Option<f64>,
    /// Turns along a strand.
    pub turns: Option<f64>,
    /// In a word, where no loop was measured.
    pub word: Option<CurlWord>,
}

/// A patch that has been measured: possible, and complete enough to compute with. How long it is must be known, and
/// something of how much it curls: a length let go, or what the eye saw.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct ZoneReading {
    /// How long its hair is, mm of fibre.
    pub present_mm: f64,
    /// The shortest of it, where that was measured, mm.
    pub shortest_mm: Option<f64>,
    /// The strands that were measured pulled straight, mm. Another length than `present_mm` where they are of a patch
    /// that this one is like.
    pub stretched_mm: f64,
    /// Those let go, mm, where they were.
    pub sprung_mm: Option<f64>,
    /// Moisture at which `sprung_mm` was measured.
    pub moisture: Moisture,
    /// Water of hair that is dry in the air it was measured in, g/g.
    pub dry_water_g_per_g: f64,
    /// Let go when wet, mm.
    pub wet_sprung_mm: Option<f64>,
    /// Fibre diameter, µm; medium where it wasn't read.
    pub diameter_um: f64,
    /// Whether all but its length was read on another patch, whose hair it is like.
    pub read_elsewhere: bool,
    /// Strands averaged.
    pub strands: u32,
    /// Strands that would average out the errors of reading as well, had each been read once.
    pub readings: f64,
    /// How much strands of the patch differ: standard deviation of the logit of sprung over stretched.
    pub strands_differ: f64,
    /// The curl as the eye judged it.
    pub curl: CurlSeen,
    /// One standard error of a reading of the stretched length, mm.
    pub stretched_sd_mm: f64,
    /// One standard error of a reading of the sprung length, mm.
    pub sprung_sd_mm: f64,
    /// One standard error of a reading of the sprung length when wet, mm.
    pub wet_sprung_sd_mm: f64,
    /// Whether strands were read more than once, so that those errors are this hand's own.
    pub read_again: bool,
}

impl ZoneReading {
    /// The same averages, had they been of so many strands.
    #[must_use]
    pub fn of_strands(self, strands: u32) -> Self {
        Self { strands, readings: f64::from(strands), ..self }
    }
}

impl TryFrom<&RawZoneReading> for ZoneReading {
    type Error = FieldErrors;

    /// A patch by itself, in the usual air. One that is like another is only known beside it
    /// ([`RawReading::patch`](super::RawReading::patch)).
    fn try_from(raw: &RawZoneReading) -> Result<Self, FieldErrors> {
        raw.check()?;
        let mut faults = FieldErrors::default();
        if let Some(like) = raw.like {
            faults.push("like", Message::new("fault-like-not-given").with("like", like.message()).into());
        }
        if raw.stretched_mm.is_none() {
            faults.push("stretched_mm", Problem::Missing);
        }
        if !raw.tells_the_curl() {
            faults.push("sprung_mm", Problem::Missing);
        }
        let class = raw.width_class.unwrap_or(WidthClass::Medium);
        let own_sd = |source: Option<super::Source>| source.map_or(TAPE_SD_MM.value, |source| source.sd);
        let sds = (own_sd(raw.with.of(ZoneFigure::StretchedMm)), own_sd(raw.with.of(ZoneFigure::SprungMm)));
        let strands = Strands::of((raw.stretched_mm.unwrap_or_default(), raw.sprung_mm), sds, raw);
        faults.or(Self {
            present_mm: strands.stretched_mm,
            shortest_mm: raw.shortest_mm,
            stretched_mm: strands.stretched_mm,
            sprung_mm: strands.sprung_mm,
            moisture: raw.moisture,
            dry_water_g_per_g: Moisture::Dry.water_g_per_g(),
            wet_sprung_mm: raw.wet_sprung_mm,
            diameter_um: raw.width_um.unwrap_or(class.diameter_um()),
            read_elsewhere: false,
            strands: strands.count,
            readings: strands.readings,
            strands_differ: strands.differ,
            curl: CurlSeen {
                loop_mm: raw.loop_mm,
                turns: raw.turns,
                word: raw.curl.filter(|_| raw.loop_mm.is_none()),
            },
            stretched_sd_mm: strands.sds.0,
            sprung_sd_mm: strands.sds.1,
            wet_sprung_sd_mm: own_sd(raw.with.of(ZoneFigure::WetSprungMm)),
            read_again: strands.read_again,
        })
    }
}
