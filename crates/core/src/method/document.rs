//! The document of a method.

use super::figure::FreeFigure;
use super::when::When;
use crate::cut::Cut;
use crate::error::{FieldErrors, Problem};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use std::collections::BTreeMap;

/// The version written.
const VERSION: u16 = 1;
/// Most figures and choices of one.
const MOST: usize = 12;

/// Tells the document from any other.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum MethodFormat {
    /// A Spirel method.
    #[serde(rename = "spirel.method")]
    Method,
}

/// A way of working.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Method {
    /// Always `spirel.method`.
    pub format: MethodFormat,
    /// Version of the format: 1.
    pub version: u16,
    /// What it is called.
    pub name: String,
    /// What is done, in one or two sentences.
    pub sentence: String,
    /// For whom it is.
    pub suits: Vec<Clause>,
    /// What it refuses.
    #[serde(default)]
    pub refuses: Vec<Clause>,
    /// Which side it takes in each dispute.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub schools: BTreeMap<String, String>,
    /// It goes with any other: its steps are done after theirs, where they leave its region alone.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub module: bool,
    /// What is free; at most twelve.
    pub figures: Vec<FreeFigure>,
    /// What is chosen; at most twelve.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub choices: Vec<Choice>,
    /// Its steps.
    pub cut: Cut,
}

/// A condition with its reason.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = MethodClause))]
#[serde(deny_unknown_fields)]
pub struct Clause {
    /// When it holds.
    pub when: When,
    /// Why.
    pub reason: String,
    /// How much it counts among others, 0.1 to 3; 0.5 if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub counts: Option<f64>,
}

impl Clause {
    /// How much it counts.
    pub fn weight(&self) -> f64 {
        self.counts.unwrap_or(0.5)
    }
}

/// What can be done in one way or another.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = MethodChoice))]
#[serde(deny_unknown_fields)]
pub struct Choice {
    /// What is chosen.
    pub name: String,
    /// The ways; the first is the usual one.
    pub options: Vec<Variant>,
}

/// One way.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = MethodVariant))]
#[serde(deny_unknown_fields)]
pub struct Variant {
    /// What it is called.
    pub name: String,
    /// It is only tried where this holds.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub when: Option<When>,
    /// What it changes in the cut.
    pub set: Vec<Setting>,
}

/// A value written into a cut.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = MethodSetting))]
#[serde(deny_unknown_fields)]
pub struct Setting {
    /// JSON pointer into the cut.
    pub path: String,
    /// What is written there.
    #[cfg_attr(feature = "schema", schema(value_type = Object))]
    pub value: Value,
}

impl Method {
    /// Checks what needs no head.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if self.version != VERSION {
            faults.push(
                "version",
                Problem::Unknown { given: self.version.to_string(), known: vec![VERSION.to_string()] },
            );
        }
        faults.line("name", &self.name, 120);
        faults.text("sentence", &self.sentence, 1000);
        for (name, count) in [("figures", self.figures.len()), ("choices", self.choices.len())] {
            if count > MOST {
                faults.push(name, Problem::too_many(MOST));
            }
        }
        faults.take("cut", self.cut.check());
        let cut = serde_json::to_value(&self.cut).unwrap_or_default();
        for (i, figure) in self.figures.iter().enumerate() {
            if figure.least > figure.greatest {
                faults.push(format!("figures.{i}.least"), Problem::LongerThan { other: "greatest".into() });
            }
            for (k, binding) in figure.at.iter().enumerate() {
                if cut.pointer(&binding.path).is_none() {
                    let unknown = Problem::Unknown { given: binding.path.clone(), known: Vec::new() };
                    faults.push(format!("figures.{i}.at.{k}.path"), unknown);
                }
            }
        }
        faults.or(())
    }
}
