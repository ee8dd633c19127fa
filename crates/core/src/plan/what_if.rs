//! What if one figure of a step were another: how lengths, width, wishes and findings answer to it.

use super::FallRequest;
use crate::cut::Lever;
use crate::error::{FieldErrors, Problem};
use crate::hair::Hair;
use crate::head::{Point, Zone};
use crate::judge::{FindingCode, Trial, coarse};
use crate::stop::{Stop, Stopped, Unfinished};
use rayon::prelude::*;
use serde::{Deserialize, Serialize};

/// What is asked.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct WhatIfRequest {
    /// The head and the plan.
    pub on: FallRequest,
    /// Number of the step, from 0.
    pub step: u32,
    /// What of it is turned; a lever with a range.
    pub lever: Lever,
}

/// What comes of one value.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WhatIf {
    /// By how much the figure is turned, in its unit.
    pub by: f64,
    /// Worn length behind, on the mean over nape and lower back, mm.
    pub line_mm: f64,
    /// Worn length on top, mm.
    pub top_mm: f64,
    /// Width at the chin, mm.
    pub width_mm: f64,
    /// By how much wishes are missed, root mean square, mm; none where nothing is wished.
    pub missed_mm: Option<f64>,
    /// What would be objected to.
    pub findings: Vec<FindingCode>,
}

/// Values that are tried, in strides.
const STRIDES: [f64; 5] = [-2.0, -1.0, 0.0, 1.0, 2.0];

/// A turn that a hand would make to see what it does.
fn stride(lever: Lever) -> Option<f64> {
    match lever {
        Lever::Length | Lever::Depth => Some(10.0),
        Lever::Elevation | Lever::FingerAngle => Some(15.0),
        Lever::OverDirection => Some(0.15),
        Lever::Share => Some(0.1),
        Lever::Thickness => Some(5.0),
        _ => None,
    }
}

impl WhatIfRequest {
    /// The answers on a head that was grown before, from the least to the greatest value; a value that can't be is left out.
    pub fn answer_on(&self, hair: &Hair, stop: &Stop) -> Result<Vec<WhatIf>, Unfinished> {
        self.on.check_said().map_err(|faults| Unfinished::from(faults).under("on"))?;
        let mut faults = FieldErrors::default();
        let Some(move_) = self.on.plan.cut.moves.get(self.step as usize) else {
            let most = self.on.plan.cut.moves.len() as f64;
            faults.push(
                "step",
                Problem::OutOfRange { min: 0.0, max: (most - 1.0).max(0.0), unit: String::new() },
            );
            return Err(faults.into());
        };
        let Some(stride) = stride(self.lever) else {
            faults.push("lever", Problem::contradicts("fault-no-range"));
            return Err(faults.into());
        };
        let (few, uncut) = coarse(hair);
        let known = self.on.known();
        let trial = Trial::on(&few, &uncut, &known, stop);
        let chin = Point::Chin.height_mm(&hair.measures);
        let of = |strides: f64| -> Result<Option<WhatIf>, Stopped> {
            let by = strides * stride;
            let mut cut = self.on.plan.cut.clone();
            if by != 0.0 {
                let Some(turned) = move_.turned(self.lever, by) else { return Ok(None) };
                cut.moves[self.step as usize] = turned;
            }
            let Some(outcome) = trial.of(&cut)? else { return Ok(None) };
            let fall = &outcome.fall;
            let said: Vec<FindingCode> =
                FindingCode::ALL.into_iter().filter(|code| outcome.says(*code)).collect();
            let whole = |code: &FindingCode| !code.is_part_of().iter().any(|whole| said.contains(whole));
            Ok(Some(WhatIf {
                by,
                line_mm: fall.worn_mm(&[Zone::Nape, Zone::BackLower]),
                top_mm: fall.worn_mm(&[Zone::Top, Zone::Crown]),
                width_mm: fall.front.width_about_mm(chin),
                missed_mm: self
                    .on
                    .aim
                    .as_ref()
                    .and_then(|aim| aim.missed_mm(fall, uncut.fall(), &few.measures)),
                findings: said.iter().copied().filter(whole).collect(),
            }))
        };
        let all: Vec<Option<WhatIf>> = STRIDES.into_par_iter().map(of).collect::<Result<_, Stopped>>()?;
        Ok(all.into_iter().flatten().collect())
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::cut::shipped;
    use crate::reading::{RawReading, RawZoneReading};

    #[test]
    fn a_figure_that_leaves_hair_longer_leaves_it_longer_and_what_has_no_range_is_refused() {
        let zones = Zone::ALL.map(|zone| (zone.into(), RawZoneReading::measured(450.0, 440.0))).into();
        let cut = shipped().iter().find(|listed| listed.key == "quay_school").expect("it ships").cut.clone();
        let on = FallRequest::new(RawReading { zones, ..RawReading::default() }, cut);
        let hair = on.head().grow().expect("possible");
        let asked = |step: u32, lever: Lever| WhatIfRequest { on: on.clone(), step, lever };
        let curve = asked(2, Lever::Length).answer_on(&hair, &Stop::never()).expect("possible");
        assert_eq!(curve.iter().map(|point| point.by).collect::<Vec<_>>(), [-20.0, -10.0, 0.0, 10.0, 20.0]);
        assert!(curve.windows(2).all(|two| two[1].top_mm > two[0].top_mm + 3.0), "{curve:?}");
        assert!(curve[0].missed_mm.is_none());
        for bad in [asked(9, Lever::Length), asked(2, Lever::Guide)] {
            assert!(matches!(bad.answer_on(&hair, &Stop::never()), Err(Unfinished::Faults(_))));
        }
    }
}
