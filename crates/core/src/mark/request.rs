//! The mark of a single zone, asked and answered as documents: what the command line reads and writes.

use super::reasons::{default_risk, reasons};
use super::zone_mark::{Mark, MarkTask, advised};
use crate::error::{FieldErrors, Problem};
use crate::fibre::{HeldState, WornStyle};
use crate::message::Message;
use crate::reading::{RawZoneReading, ZoneReading};
use crate::units::LengthUnit;
use serde::{Deserialize, Serialize};

/// Worn lengths that can be wished for, mm.
pub const TARGET_MM: (f64, f64) = (2.0, 2000.0);
/// Chances of landing short that can be chosen.
pub(super) const RISKS: (f64, f64) = (0.001, 0.5);

/// One zone, one wish, one state.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct MarkRequest {
    /// What was measured.
    pub reading: RawZoneReading,
    /// Worn length wished, mm, 2 to 2,000.
    pub target_worn_mm: f64,
    /// How it is worn.
    #[serde(default)]
    pub worn: WornStyle,
    /// The state it is cut in; the advised one if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub state: Option<HeldState>,
    /// Chance taken that it lands short of the target, 0.001 to 0.5.
    #[serde(default = "default_risk")]
    pub risk: f64,
    /// Shortest worn length accepted, mm, at most the target.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub shortest_worn_mm: Option<f64>,
    /// Unit in which the comb is read.
    #[serde(default)]
    pub unit: LengthUnit,
}

/// The mark and why.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MarkAnswer {
    /// The mark; none where so little is certain that no extra could keep the promise.
    pub mark: Option<Mark>,
    /// Why, in plain sentences.
    pub reasons: Vec<Message>,
}

impl MarkRequest {
    /// A wish for hair worn as it springs, at the default risk, in the advised state.
    pub fn new(reading: RawZoneReading, target_worn_mm: f64) -> Self {
        Self {
            reading,
            target_worn_mm,
            worn: WornStyle::default(),
            state: None,
            risk: default_risk(),
            shortest_worn_mm: None,
            unit: LengthUnit::default(),
        }
    }

    /// Checks every field.
    pub fn task(&self) -> Result<MarkTask, FieldErrors> {
        let mut faults = FieldErrors::default();
        let reading = faults.take("reading", ZoneReading::try_from(&self.reading));
        faults.range("target_worn_mm", self.target_worn_mm, TARGET_MM, "mm");
        faults.range("risk", self.risk, RISKS, "");
        if let Some(shortest) = self.shortest_worn_mm {
            faults.range("shortest_worn_mm", shortest, TARGET_MM, "mm");
            if shortest > self.target_worn_mm {
                faults.push("shortest_worn_mm", Problem::LongerThan { other: "target_worn_mm".into() });
            }
        }
        match reading {
            Some(reading) if faults.0.is_empty() => Ok(MarkTask {
                shortest_mm: self.shortest_worn_mm,
                unit: self.unit,
                ..MarkTask::new(reading, self.target_worn_mm, self.worn, self.risk)
            }),
            _ => Err(faults),
        }
    }

    /// The mark with its reasons.
    pub fn answer(&self) -> Result<MarkAnswer, FieldErrors> {
        let task = self.task()?;
        let (mark, compared) = match self.state {
            Some(state) => (task.in_state(state), Vec::new()),
            None => {
                let all = task.in_all_states();
                (advised(&all), all)
            }
        };
        let reasons = mark.map(|mark| reasons(&task, &mark, &compared)).unwrap_or_default();
        Ok(MarkAnswer { mark, reasons })
    }
}

/// The mark alone: in the state asked for, or in the advised one.
pub fn find_mark(request: &MarkRequest) -> Result<Mark, FieldErrors> {
    let task = request.task()?;
    let mark = match request.state {
        Some(state) => task.in_state(state),
        None => advised(&task.in_all_states()),
    };
    mark.ok_or_else(|| {
        let mut faults = FieldErrors::default();
        faults.push("target_worn_mm", Problem::contradicts("fault-too-uncertain"));
        faults
    })
}
