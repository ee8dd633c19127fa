//! Conditions on facts.

use super::fact::{Fact, Facts};
use serde::{Deserialize, Serialize};

/// A condition. What is not known fulfils none, and no contrary of one.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(untagged, deny_unknown_fields)]
pub enum When {
    /// A fact lies between two values.
    Fact {
        /// Which.
        fact: Fact,
        /// Least value that fulfils it.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        at_least: Option<f64>,
        /// Greatest value that fulfils it.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        at_most: Option<f64>,
    },
    /// All of them hold.
    All {
        /// They.
        #[cfg_attr(feature = "schema", schema(no_recursion))]
        all: Vec<When>,
    },
    /// One of them holds.
    Any {
        /// They.
        #[cfg_attr(feature = "schema", schema(no_recursion))]
        any: Vec<When>,
    },
    /// It doesn't hold.
    Not {
        /// It.
        #[cfg_attr(feature = "schema", schema(no_recursion))]
        not: Box<When>,
    },
}

impl When {
    /// Whether it holds.
    pub fn holds(&self, facts: &Facts) -> bool {
        self.asked(facts) == Some(true)
    }

    /// Whether it holds, where that is known.
    fn asked(&self, facts: &Facts) -> Option<bool> {
        match self {
            Self::Fact { fact, at_least, at_most } => {
                let value = facts.get(*fact)?;
                Some(at_least.is_none_or(|least| value >= least) && at_most.is_none_or(|most| value <= most))
            }
            Self::All { all } => all.iter().try_fold(true, |so_far, when| Some(so_far && when.asked(facts)?)),
            Self::Any { any } => Some(any.iter().any(|when| when.holds(facts))),
            Self::Not { not } => Some(!not.asked(facts)?),
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn what_is_not_known_fulfils_no_condition_and_no_contrary() {
        let facts = Facts::given([(Fact::Shrinkage, 0.4)]);
        let read =
            |text: &str| -> bool { serde_json::from_str::<When>(text).expect("a condition").holds(&facts) };
        assert!(read(r#"{"fact": "shrinkage", "at_least": 0.3, "at_most": 0.4}"#));
        assert!(!read(r#"{"fact": "shrinkage", "at_most": 0.3}"#));
        assert!(read(r#"{"not": {"fact": "shrinkage", "at_most": 0.3}}"#));
        assert!(!read(r#"{"fact": "minutes_a_day", "at_most": 10}"#));
        assert!(!read(r#"{"not": {"fact": "minutes_a_day", "at_most": 10}}"#));
        assert!(read(r#"{"any": [{"fact": "minutes_a_day"}, {"fact": "shrinkage"}]}"#));
        assert!(!read(r#"{"all": [{"fact": "minutes_a_day"}, {"fact": "shrinkage"}]}"#));
        assert!(serde_json::from_str::<When>(r#"{"fact": "colour"}"#).is_err());
    }
}
