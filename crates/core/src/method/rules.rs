//! Advice that holds across methods, as data: a condition, what is then done, why, and the dispute it takes a side in.

use super::fact::Facts;
use super::practice::Practice;
use super::shipped::methods;
use super::when::When;
use crate::cut::Cut;
use crate::error::{FieldErrors, Problem};
use serde::{Deserialize, Serialize};
use std::collections::{BTreeMap, BTreeSet};
use std::sync::LazyLock;

/// One of them.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = PlanRule))]
#[serde(deny_unknown_fields)]
pub struct Rule {
    /// By which it is switched off and on.
    pub number: u32,
    /// When it holds.
    pub when: When,
    /// In words.
    pub condition: String,
    /// What is then done; any of these keeps it.
    pub then: Vec<Practice>,
    /// In words.
    pub advice: String,
    /// Why.
    pub because: String,
    /// The dispute it takes a side in, and the side.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub side: Option<Side>,
}

/// A side of a dispute.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", schema(as = RuleSide))]
pub struct Side {
    /// What is disputed.
    pub topic: String,
    /// The side.
    pub takes: String,
}

/// What a house thinks of them.
#[derive(Debug, Clone, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields, default)]
pub struct RuleSettings {
    /// Numbers of rules that are switched off.
    #[serde(skip_serializing_if = "BTreeSet::is_empty")]
    pub off: BTreeSet<u32>,
    /// The side the house takes, by dispute: rules of another side don't hold.
    #[serde(skip_serializing_if = "BTreeMap::is_empty")]
    pub sides: BTreeMap<String, String>,
}

static RULES: LazyLock<Vec<Rule>> = LazyLock::new(|| {
    serde_json::from_str(include_str!("rules.json")).expect("the rules that ship are valid")
});

/// Every rule.
pub fn rules() -> &'static [Rule] {
    &RULES
}

/// The sides that rules and methods take in a dispute; none where there is no such dispute.
pub fn sides_of(topic: &str) -> impl Iterator<Item = &'static str> {
    let of_rules = rules()
        .iter()
        .filter_map(|rule| rule.side.as_ref())
        .filter(|side| side.topic == topic)
        .map(|side| side.takes.as_str());
    let of_methods = methods().iter().filter_map(|shipped| shipped.method.schools.get(topic));
    let takes: BTreeSet<&str> = of_rules.chain(of_methods.map(String::as_str)).collect();
    takes.into_iter()
}

/// Checks that a dispute has such a side; a fault is at a field.
pub fn check_side(topic: &str, takes: &str, field: &str) -> Result<(), FieldErrors> {
    let mut faults = FieldErrors::default();
    if !sides_of(topic).any(|side| side == takes) {
        let known = sides_of(topic).map(str::to_owned).collect();
        faults.push(field, Problem::Unknown { given: takes.to_owned(), known });
    }
    faults.or(())
}

impl RuleSettings {
    /// Checks that what is named is there.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        for number in &self.off {
            if !rules().iter().any(|rule| rule.number == *number) {
                faults.push("off", Problem::Unknown { given: number.to_string(), known: Vec::new() });
            }
        }
        for (topic, takes) in &self.sides {
            if let Err(fault) = check_side(topic, takes, &format!("sides.{topic}")) {
                faults.0.extend(fault.0);
            }
        }
        faults.or(())
    }

    /// Only what is there: a rule or a side of an older version may be gone.
    pub fn known(mut self) -> Self {
        self.off.retain(|number| rules().iter().any(|rule| rule.number == *number));
        self.sides.retain(|topic, takes| check_side(topic, takes, "sides").is_ok());
        self
    }

    /// The rules that hold for a head.
    pub fn holding<'a>(&'a self, facts: &'a Facts) -> impl Iterator<Item = &'static Rule> + 'a {
        rules().iter().filter(|rule| {
            let other = rule
                .side
                .as_ref()
                .is_some_and(|side| self.sides.get(&side.topic).is_some_and(|takes| *takes != side.takes));
            !self.off.contains(&rule.number) && !other && rule.when.holds(facts)
        })
    }
}

impl Rule {
    /// Whether a cut keeps it; none where it has no step that could.
    pub fn is_kept(&self, cut: &Cut) -> Option<bool> {
        let kept: Vec<bool> = self.then.iter().filter_map(|practice| practice.is_kept(cut)).collect();
        (!kept.is_empty()).then(|| kept.contains(&true))
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn fifty_rules_ship_each_with_its_number_and_every_dispute_has_two_sides() {
        let numbers: Vec<u32> = rules().iter().map(|rule| rule.number).collect();
        assert_eq!(numbers, (1..=50).collect::<Vec<_>>());
        assert!(rules().iter().all(|rule| !rule.then.is_empty() && !rule.because.is_empty()));
    }

    #[test]
    fn a_rule_that_is_off_or_of_another_side_does_not_hold() {
        use super::super::Fact;
        let facts = Facts::given([(Fact::Shrinkage, 0.4), (Fact::WornCurly, 1.0)]);
        let numbers = |settings: &RuleSettings| -> BTreeSet<u32> {
            settings.holding(&facts).map(|rule| rule.number).collect()
        };
        let all = numbers(&RuleSettings::default());
        assert!(all.contains(&3) && all.contains(&7), "{all:?}");
        let off = RuleSettings { off: [7].into(), ..RuleSettings::default() };
        assert_eq!(&all - &numbers(&off), [7].into());
        let sides = RuleSettings {
            sides: [("state".to_owned(), "all dry".to_owned())].into(),
            ..RuleSettings::default()
        };
        assert!(sides.check().is_ok() && !numbers(&sides).contains(&3) && numbers(&sides).contains(&4));
        let unknown =
            RuleSettings { off: [77].into(), sides: [("state".to_owned(), "frozen".to_owned())].into() };
        assert_eq!(unknown.check().expect_err("neither is there").0.len(), 2);
    }
}
