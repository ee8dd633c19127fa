//! The locks of a plan's hair, to be drawn.

use super::FallRequest;
use crate::cut::{Cut, cut_until};
use crate::error::FieldErrors;
use crate::fibre::Moisture;
use crate::hair::Hair;
use crate::judge::aimed;
use crate::lock::{Lock, locks};
use crate::mark::Aim;
use crate::stop::{Stop, Unfinished};
use serde::{Deserialize, Serialize};

/// How many locks can be asked for.
const COUNT: (f64, f64) = (120.0, 1200.0);

/// Which hair is meant.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum HairState {
    /// As it is now.
    Now,
    /// After the plan's cut.
    After,
    /// As the aim wishes it.
    Aimed,
}

/// What is asked to draw hair.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct LocksRequest {
    /// The head and the plan.
    pub on: FallRequest,
    /// Which hair.
    pub state: HairState,
    /// The aim, where its hair is asked for.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub aim: Option<Aim>,
    /// How wet it is: as it is worn if it is dry, and left to hang if it isn't.
    #[serde(default)]
    pub moisture: Moisture,
    /// About how many locks, 120 to 1,200.
    pub count: u32,
}

impl LocksRequest {
    /// The locks, on a head that was grown before.
    pub fn answer_on(&self, hair: &Hair, stop: &Stop) -> Result<Vec<Lock>, Unfinished> {
        let mut faults = FieldErrors::default();
        faults.range("count", f64::from(self.count), COUNT, "");
        let aim = self.aim.clone().unwrap_or_default();
        if self.state == HairState::Aimed {
            faults.take("aim", aim.check());
        }
        faults.or(())?;
        let cut = |field: &str, cut: &Cut| {
            let done = cut_until(hair, cut, stop).map_err(|unfinished| unfinished.under(field));
            done.map(|result| result.lengths)
        };
        let lengths = match self.state {
            HairState::Now => hair.lengths.clone(),
            HairState::After => cut("on.plan.cut", &self.on.plan.cut)?,
            HairState::Aimed => cut("aim", &aimed(&aim))?,
        };
        stop.go_on()?;
        let count = self.count as usize;
        Ok(match self.moisture {
            Moisture::Dry => locks(hair, &lengths, count),
            wet => locks(&hair.wetted(wet), &lengths, count),
        })
    }
}
