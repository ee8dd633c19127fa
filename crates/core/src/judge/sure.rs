//! How sure a finding is: in what share of the heads that the reading allows it is found.
//!
//! Eight heads are grown whose spring and density stray from what was read as far as strands of one zone and counts do, along
//! a low-discrepancy sequence: the same eight each time.

use super::head::Uncut;
use super::trial::Trial;
use super::{FindingCode, Known};
use crate::constants::STRAND_LOGIT_SD;
use crate::cut::Cut;
use crate::fall::fall;
use crate::grow::HairRequest;
use crate::stop::{Stop, Unfinished};
use rayon::prelude::*;

/// Heads that are tried, and their roots.
const HEADS: usize = 8;
const ROOTS: u32 = 700;
/// Standard deviation of the logarithm of a density that was estimated.
const DENSITY_LN_SD: f64 = 0.12;
/// Strands that a spring is the mean of where nobody said how many.
const USUAL_STRANDS: f64 = 3.0;
/// Steps of the sequence for spring and density: powers of the plastic number.
const STEPS: [f64; 2] = [0.754_877_666_246_693, 0.569_840_290_998_053];

/// A number that is normally distributed where `u` is even between 0 and 1: within 1 % up to two and a half standard deviations
/// (the logistic approximation of Bowling et al. 2009, J. Ind. Eng. Manag. 2).
fn normal(u: f64) -> f64 {
    (u / (1.0 - u)).ln() / 1.702
}

/// The head that the reading allows of this number.
fn strayed(request: &HairRequest, number: usize) -> HairRequest {
    let mut strayed = HairRequest { roots: ROOTS, ..request.clone() };
    let at = |step: f64| normal((0.5 + step * (number + 1) as f64).fract().clamp(0.02, 0.98));
    let [spring, density] = STEPS.map(at);
    for zone in strayed.reading.zones.values_mut() {
        let sd = STRAND_LOGIT_SD.value / f64::from(zone.strands.max(1)).max(USUAL_STRANDS).sqrt();
        if let (Some(stretched), Some(sprung)) = (zone.stretched_mm, zone.sprung_mm)
            && sprung > 0.0
            && sprung < stretched
        {
            let logit = (sprung / (stretched - sprung)).ln() + sd * spring * USUAL_STRANDS.sqrt();
            let by = stretched / (1.0 + (-logit).exp()) / sprung;
            zone.sprung_mm = Some(sprung * by);
            zone.wet_sprung_mm = zone.wet_sprung_mm.map(|wet| (wet * by).min(stretched));
        }
        zone.hairs_per_cm2 =
            zone.hairs_per_cm2.map(|hairs| (hairs * (DENSITY_LN_SD * density).exp()).clamp(20.0, 400.0));
    }
    strayed.reading.hairs_per_cm2 =
        (strayed.reading.hairs_per_cm2 * (DENSITY_LN_SD * density).exp()).clamp(60.0, 400.0);
    strayed
}

/// In what share of the heads that a reading allows each finding is said.
pub(super) fn shares(
    request: &HairRequest,
    cut: &Cut,
    known: &Known,
    stop: &Stop,
) -> Result<[f64; FindingCode::COUNT], Unfinished> {
    let tried: Vec<Option<[bool; FindingCode::COUNT]>> = (0..HEADS)
        .into_par_iter()
        .map(|number| -> Result<_, Unfinished> {
            // A head that can't be says nothing.
            let hair = match strayed(request, number).grow_until(stop) {
                Ok(hair) => hair,
                Err(Unfinished::Faults(_)) => return Ok(None),
                Err(stopped) => return Err(stopped),
            };
            let uncut = Uncut::of(&hair, fall(&hair, &hair.lengths));
            let outcome = Trial::on(&hair, &uncut, known, stop).of(cut)?;
            Ok(outcome.map(|outcome| FindingCode::ALL.map(|code| outcome.says(code))))
        })
        .collect::<Result<_, _>>()?;
    let known: Vec<_> = tried.into_iter().flatten().collect();
    let share = |code: FindingCode| {
        known.iter().filter(|says| says[code as usize]).count() as f64 / known.len().max(1) as f64
    };
    Ok(FindingCode::ALL.map(share))
}
