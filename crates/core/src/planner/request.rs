//! What is asked of the planner.

use crate::cut::Cut;
use crate::error::{FieldErrors, Problem};
use crate::fibre::Moisture;
use crate::head::Zone;
use crate::judge::Thresholds;
use crate::mark::Aim;
use crate::method::{RuleSettings, methods};
use crate::plan::FallRequest;
use crate::reading::RawReading;
use crate::talk::Talk;
use crate::units::LengthUnit;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// Minutes that there can be, and most pins.
const MINUTES: (f64, f64) = (5.0, 480.0);
const MOST_PINS: usize = 60;

/// What is asked to have plans proposed.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct PlanRequest {
    /// What was measured.
    pub reading: RawReading,
    /// The wishes.
    pub aim: Aim,
    /// What was said, where it is known: it also says how the hair is worn.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub talk: Option<Talk>,
    /// What must stay.
    #[serde(default)]
    pub pins: Pins,
    /// Keys of the methods that may be proposed; all of them if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub methods: Option<Vec<String>>,
    /// Minutes at hand, 5 to 480.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub minutes: Option<f64>,
    /// What the house thinks of the rules.
    #[serde(default)]
    pub rules: RuleSettings,
    /// Thresholds of the house, by finding.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub thresholds: Thresholds,
    /// Only lengths are solved, and one plan is carried out: a first answer.
    #[serde(default)]
    pub quick: bool,
    /// Unit of the words.
    #[serde(default)]
    pub unit: LengthUnit,
}

/// What must stay as it is.
#[derive(Debug, Clone, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields, default)]
pub struct Pins {
    /// A cut that is solved again by the lengths of its own steps, instead of methods.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub cut: Option<Cut>,
    /// Numbers, from 0, of its steps whose length stays; at most sixty.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub held: Vec<u32>,
    /// No weight is taken out, and no technique thins the ends.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    pub no_thinning: bool,
    /// Everything is cut in this state.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub moisture: Option<Moisture>,
    /// Steps that cut most of these zones are cut in these states.
    #[serde(skip_serializing_if = "BTreeMap::is_empty")]
    pub states: BTreeMap<Zone, Moisture>,
}

impl PlanRequest {
    /// Plans for a reading and a wish.
    pub fn new(reading: RawReading, aim: Aim) -> Self {
        Self {
            reading,
            aim,
            talk: None,
            pins: Pins::default(),
            methods: None,
            minutes: None,
            rules: RuleSettings::default(),
            thresholds: Thresholds::new(),
            quick: false,
            unit: LengthUnit::default(),
        }
    }

    /// Checks what needs no head.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.take("aim", self.aim.check());
        if let Some(talk) = &self.talk {
            faults.take("talk", talk.check());
        }
        if let Some(minutes) = self.minutes {
            faults.range("minutes", minutes, MINUTES, "");
        }
        for (i, key) in self.methods.iter().flatten().enumerate() {
            if !methods().iter().any(|shipped| shipped.key == key) {
                let known = methods().iter().map(|shipped| shipped.key.to_owned()).collect();
                faults.push(format!("methods.{i}"), Problem::Unknown { given: key.clone(), known });
            }
        }
        if self.pins.held.len() > MOST_PINS {
            faults.push("pins.held", Problem::too_many(MOST_PINS));
        }
        let steps = self.pins.cut.as_ref().map_or(0, |cut| cut.moves.len());
        for (i, step) in self.pins.held.iter().enumerate().take(MOST_PINS) {
            if *step as usize >= steps {
                let max = (steps as f64 - 1.0).max(0.0);
                let fault = Problem::OutOfRange { min: 0.0, max, unit: String::new() };
                faults.push(format!("pins.held.{i}"), fault);
            }
        }
        if let Some(cut) = &self.pins.cut {
            faults.take("pins.cut", cut.check());
        }
        faults.take("rules", self.rules.check());
        faults.or(())
    }

    /// The same as what is asked of a plan's fall.
    pub fn of(&self, cut: Cut) -> FallRequest {
        let mut request = FallRequest::new(self.reading.clone(), cut);
        if let Some(talk) = &self.talk {
            (request.worn, request.front_straight, request.climate, request.ties_back) =
                (talk.worn, talk.front_straight, talk.climate, talk.ties_back);
        }
        request.aim = Some(self.aim.clone());
        request.talk.clone_from(&self.talk);
        request.thresholds.clone_from(&self.thresholds);
        request.unit = self.unit;
        request
    }
}
