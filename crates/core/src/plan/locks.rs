//! The locks of a plan's hair, to be drawn.

use super::FallRequest;
use super::aimed::aimed;
use crate::cut::cut;
use crate::error::FieldErrors;
use crate::fibre::Moisture;
use crate::hair::Hair;
use crate::lock::{Lock, locks};
use crate::mark::Aim;
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
    pub fn answer_on(&self, hair: &Hair) -> Result<Vec<Lock>, FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("count", f64::from(self.count), COUNT, "");
        let lengths = match self.state {
            HairState::Now => Some(hair.lengths.clone()),
            HairState::After => {
                faults.take("on.plan.cut", cut(hair, &self.on.plan.cut)).map(|result| result.lengths)
            }
            HairState::Aimed => {
                let aim = self.aim.clone().unwrap_or_default();
                let checked = faults.take("aim", aim.check());
                checked
                    .and_then(|()| faults.take("aim", cut(hair, &aimed(&aim))))
                    .map(|result| result.lengths)
            }
        };
        let lengths = faults.or(lengths.unwrap_or_default())?;
        let count = self.count as usize;
        Ok(match self.moisture {
            Moisture::Dry => locks(hair, &lengths, count),
            wet => locks(&hair.wetted(wet), &lengths, count),
        })
    }
}
