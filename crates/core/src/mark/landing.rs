//! How far the landing may stray when a zone is cut at a mark in a given state.

use crate::constants::{CUT_SD_MM, LAW_SD_SHARE, STYLING_LOGIT_SD, WATER_SD_SHARE};
use crate::fibre::{HeldHair, LengthModel, WornStyle};
use crate::learn::Belief;
use serde::{Deserialize, Serialize};

/// Least slope of the held length that is divided by: below a hundredth, a millimetre on the comb is ten
/// centimetres of fibre and the state can't be cut in anyway; the range is then as wide.
const LEAST_SLOPE: f64 = 0.01;
/// Moisture of hair called dry still follows the room: standard deviation, g per g.
const ROOM_WATER_SD: f64 = 0.02;

/// Standard errors of a landing by what causes them, worn mm.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LandingRange {
    /// The hair is known only so well.
    pub hair_mm: f64,
    /// The hand pulls more or less than meant.
    pub pull_mm: f64,
    /// The hair is wetter or drier than meant.
    pub moisture_mm: f64,
    /// The same hair dries differently from day to day.
    pub styling_mm: f64,
    /// The extension law itself, over the length that it converts.
    pub law_mm: f64,
    /// The cut is not exactly at the mark.
    pub cut_mm: f64,
}

impl LandingRange {
    /// All of it together, worn mm.
    pub fn sd_mm(&self) -> f64 {
        [self.hair_mm, self.pull_mm, self.moisture_mm, self.styling_mm, self.law_mm, self.cut_mm]
            .iter()
            .map(|sd| sd * sd)
            .sum::<f64>()
            .sqrt()
    }
}

/// The spread of hair that is left uncut: nothing is held, so only the hair itself and the day's styling stray.
pub(super) fn uncut(belief: &Belief, style: WornStyle, fibre_mm: f64) -> LandingRange {
    let worn_mm = belief.model().worn_mm(fibre_mm, style);
    LandingRange {
        hair_mm: belief.sd_of(|model| model.worn_mm(fibre_mm, style)),
        pull_mm: 0.0,
        moisture_mm: 0.0,
        styling_mm: styling_mm(worn_mm, fibre_mm),
        law_mm: 0.0,
        cut_mm: 0.0,
    }
}

/// What styling strays by: most where a hair is half open, nothing where it is straight or fully sprung.
fn styling_mm(worn_mm: f64, fibre_mm: f64) -> f64 {
    STYLING_LOGIT_SD.value * worn_mm * (1.0 - worn_mm / fibre_mm)
}

/// The spread of the landing when hair of `present_mm` is cut so that `fibre_mm` should remain, held like this by a hand whose
/// pull strays by so much in its logarithm.
///
/// What is fixed is the held length h; the fibre left is p(h, hair) and lands at worn(p, hair). So the slope in a
/// property of the hair is ∂worn/∂θ − k·∂held/∂θ with k = (∂worn/∂p)/(∂held/∂p): where held and worn are alike, the
/// two cancel.
pub(crate) fn spread(
    belief: &Belief,
    (hold, pull_ln_sd): (HeldHair, f64),
    style: WornStyle,
    fibre_mm: f64,
    present_mm: f64,
) -> LandingRange {
    let model = belief.model();
    let worn = |m: &LengthModel, fibre: f64| m.worn_mm(fibre, style);
    let held = |m: &LengthModel, hold: HeldHair, fibre: f64| hold.held_mm(m, fibre, present_mm);

    let step = 1e-3 * fibre_mm;
    let slope = |f: &dyn Fn(f64) -> f64| (f(fibre_mm + step) - f(fibre_mm - step)) / (2.0 * step);
    let worn_slope = slope(&|fibre| worn(&model, fibre));
    let held_slope = slope(&|fibre| held(&model, hold, fibre)).max(LEAST_SLOPE);
    let k = worn_slope / held_slope;

    let by_hair = belief.slopes(|m| worn(m, fibre_mm) - k * held(m, hold, fibre_mm));
    // Finite changes of one standard error: pull and moisture stray far enough for slopes to mislead.
    let strayed = |lower: HeldHair, upper: HeldHair| {
        0.5 * k * (held(&model, upper, fibre_mm) - held(&model, lower, fibre_mm)).abs()
    };
    let pull = |sign: f64| HeldHair { pull_mn: hold.pull_mn * (sign * pull_ln_sd).exp(), ..hold };
    let water_sd = (WATER_SD_SHARE.value * hold.water_g_per_g).max(ROOM_WATER_SD);
    let water =
        |sign: f64| HeldHair { water_g_per_g: (hold.water_g_per_g + sign * water_sd).max(0.0), ..hold };

    let worn_mm = worn(&model, fibre_mm);
    let held_mm = held(&model, hold, fibre_mm);
    LandingRange {
        hair_mm: belief.variance_along(&by_hair).sqrt(),
        pull_mm: strayed(pull(-1.0), pull(1.0)),
        moisture_mm: strayed(water(-1.0), water(1.0)),
        styling_mm: styling_mm(worn_mm, fibre_mm),
        law_mm: LAW_SD_SHARE.value * (held_mm - worn_mm).abs(),
        cut_mm: CUT_SD_MM.value * k,
    }
}
