//! What is wrong with an input, said at the field it is wrong in.

use crate::message::{Arg, Message};
use serde::{Deserialize, Serialize};
use std::fmt;

/// The kinds of fault an input can have, for programs; [`message`](Problem::message) is for people.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "kind", rename_all = "snake_case")]
pub enum Problem {
    /// A number outside the range that hair, tools or heads can have.
    OutOfRange {
        /// Smallest value taken.
        min: f64,
        /// Largest value taken.
        max: f64,
        /// Unit of both, as it is written: "mm", "µm", "g/g", "mN", or empty; "share" of a part of a whole, which is said in per cent.
        unit: String,
    },
    /// Not a number, or not finite.
    NotANumber,
    /// One measure contradicts another.
    LongerThan {
        /// The field it must not be longer than.
        other: String,
    },
    /// Something that must be given is not there.
    Missing,
    /// Text longer than is kept.
    TooLong {
        /// Most characters kept.
        max_characters: u32,
    },
    /// A name that is not one of those known here.
    Unknown {
        /// What was given.
        given: String,
        /// Those that are known; none where they can't be listed.
        #[serde(default, skip_serializing_if = "Vec::is_empty")]
        known: Vec<String>,
    },
    /// A list with more entries than are kept.
    TooMany {
        /// Most entries kept.
        most: u32,
    },
    /// Two answers that can't both hold.
    Contradicts {
        /// Why.
        message: Message,
    },
}

impl Problem {
    /// A contradiction with a message without values.
    pub fn contradicts(id: &str) -> Self {
        Message::new(id).into()
    }

    /// A list that is too long.
    pub fn too_many(most: usize) -> Self {
        Self::TooMany { most: u32::try_from(most).unwrap_or(u32::MAX) }
    }

    /// What is wrong, said of the field.
    pub fn message(&self) -> Message {
        let number = |number: u32| Arg::Number(f64::from(number));
        match self {
            Self::OutOfRange { min, max, unit } => {
                let per_cent = |share: f64| Arg::Number((100.0 * share).round());
                let (id, of, unit): (_, fn(f64) -> Arg, _) = match unit.as_str() {
                    "mm" => ("fault-out_of_range", Arg::Mm, "mm"),
                    "" => ("fault-out_of_range", Arg::Number, ""),
                    "share" => ("fault-out_of_range-unit", per_cent, "%"),
                    unit => ("fault-out_of_range-unit", Arg::Number, unit),
                };
                Message::new(id).with("min", of(*min)).with("max", of(*max)).with("unit", unit)
            }
            Self::NotANumber => Message::new("fault-not_a_number"),
            Self::LongerThan { other } => {
                let name = other.rsplit('.').next().unwrap_or_default();
                Message::new("fault-longer_than").with("other", Message::word("fields", name))
            }
            Self::Missing => Message::new("fault-missing"),
            Self::TooLong { max_characters } => {
                Message::new("fault-too_long").with("most", number(*max_characters))
            }
            Self::TooMany { most } => Message::new("fault-too_many").with("most", number(*most)),
            Self::Unknown { given, known } if known.is_empty() => {
                Message::new("fault-unknown").with("given", given.as_str())
            }
            Self::Unknown { given, known } => Message::new("fault-unknown-known")
                .with("given", given.as_str())
                .with("known", known.join(", ")),
            Self::Contradicts { message } => message.clone(),
        }
    }
}

impl From<Message> for Problem {
    fn from(message: Message) -> Self {
        Self::Contradicts { message }
    }
}

/// For logs and tests; people read the words of the catalogue.
impl fmt::Display for Problem {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        write!(f, "{}", self.message())
    }
}

/// One fault, and the dotted path of the field it is in, such as `zones.left_side.sprung_mm`.
#[derive(Debug, Clone, PartialEq, thiserror::Error)]
#[error("{field} {problem}")]
pub struct FieldError {
    /// Dotted path from the top of the document.
    pub field: String,
    /// What is wrong with it.
    pub problem: Problem,
}

impl FieldError {
    /// A fault at `field`.
    pub fn new(field: impl Into<String>, problem: Problem) -> Self {
        Self { field: field.into(), problem }
    }

    /// The same fault seen from the document that holds this one under `parent`.
    #[must_use]
    pub fn under(mut self, parent: &str) -> Self {
        // A fault of the whole document is the parent's own.
        self.field =
            if self.field.is_empty() { parent.to_owned() } else { format!("{parent}.{}", self.field) };
        self
    }
}

/// Every fault of a document at once, so that a person mends them in one go. Never empty when returned as an error.
#[derive(Debug, Clone, PartialEq, Default, thiserror::Error)]
#[error("{}", .0.iter().map(ToString::to_string).collect::<Vec<_>>().join("; "))]
pub struct FieldErrors(pub Vec<FieldError>);

impl FieldErrors {
    /// Keeps the value of a good result and the faults of a bad one, whose fields stand under `parent`.
    pub fn take<T>(&mut self, parent: &str, result: Result<T, FieldErrors>) -> Option<T> {
        match result {
            Ok(value) => Some(value),
            Err(faults) => {
                self.0.extend(faults.0.into_iter().map(|e| e.under(parent)));
                None
            }
        }
    }

    /// Notes a fault unless `value` is a finite number from `min` to `max`.
    pub fn range(&mut self, field: &str, value: f64, (min, max): (f64, f64), unit: &str) {
        if !value.is_finite() {
            self.0.push(FieldError::new(field, Problem::NotANumber));
        } else if value < min || value > max {
            let unit = unit.to_owned();
            self.0.push(FieldError::new(field, Problem::OutOfRange { min, max, unit }));
        }
    }

    /// Notes a fault if `text` has more characters than `max`, is more than one line, or holds signs that nobody can see or type:
    /// of a name, an address.
    pub fn line(&mut self, field: &str, text: &str, max: u32) {
        if text.contains(['\n', '\r', '\u{85}', '\u{2028}', '\u{2029}']) {
            self.push(field, Problem::contradicts("fault-one-line"));
        } else if text.contains(char::is_control) {
            self.push(field, Problem::contradicts("fault-control"));
        }
        self.text(field, text, max);
    }

    /// Notes a fault if `text` has more characters than `max`.
    pub fn text(&mut self, field: &str, text: &str, max: u32) {
        if text.chars().count() > max as usize {
            let problem = Problem::TooLong { max_characters: max };
            self.0.push(FieldError::new(field, problem));
        }
    }

    /// Notes a fault.
    pub fn push(&mut self, field: impl Into<String>, problem: Problem) {
        self.0.push(FieldError::new(field, problem));
    }

    /// `value` if nothing is wrong, else everything that is.
    pub fn or<T>(self, value: T) -> Result<T, Self> {
        if self.0.is_empty() { Ok(value) } else { Err(self) }
    }
}
