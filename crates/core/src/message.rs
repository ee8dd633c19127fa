//! What is said to people, without the words: which message of the catalogue (`locales/`), and its arguments.

use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use std::fmt;

/// A message of the catalogue, with its arguments.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Message {
    /// Its name in the catalogue.
    pub id: String,
    /// Its arguments by name.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub args: BTreeMap<String, Arg>,
}

/// A value in a message. Lengths are in mm here and said in the reader's unit.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Arg {
    /// A length, mm.
    Mm(f64),
    /// An angle, degrees.
    Deg(f64),
    /// A share, from 0 to 1, said in percent.
    Share(f64),
    /// A number or a count.
    Number(f64),
    /// A text that a person or a program gave.
    Text(String),
    /// A message within.
    #[cfg_attr(feature = "schema", schema(no_recursion))]
    Message(Message),
    /// Several messages that the message joins: flat, however many they are, so that no list nests its words.
    #[cfg_attr(feature = "schema", schema(no_recursion))]
    Messages(Vec<Message>),
}

/// The argument under which a message that joins others has them. Its words have two, `first` and `second`: whoever says it
/// joins the first two, then what that gives with the third, and so on.
pub const JOINED: &str = "joined";

impl Message {
    /// A message without arguments.
    pub fn new(id: impl Into<String>) -> Self {
        Self { id: id.into(), args: BTreeMap::new() }
    }

    /// The word for a choice: its name in documents ends the message's.
    pub fn word(kind: &str, choice: impl Serialize) -> Self {
        Self::new(format!("{kind}-{}", name_of(choice)))
    }

    /// Several of them joined by a message of two arguments, `first` and `second` ([`JOINED`]). Of none nothing is left, of one
    /// itself.
    pub fn joined(by: &str, all: impl IntoIterator<Item = Self>) -> Option<Self> {
        let mut all: Vec<Self> = all.into_iter().collect();
        if all.len() < 2 { all.pop() } else { Some(Self::new(by).with(JOINED, Arg::Messages(all))) }
    }

    /// Several of them as a list: commas, and an "and" before the last. Of none nothing is left.
    pub fn listed(all: impl IntoIterator<Item = Self>) -> Option<Self> {
        let mut all: Vec<Self> = all.into_iter().collect();
        let last = all.pop()?;
        Self::joined("list-and", Self::joined("list-comma", all).into_iter().chain([last]))
    }

    /// The message with a value more.
    #[must_use]
    pub fn with(mut self, name: &str, value: impl Into<Arg>) -> Self {
        self.args.insert(name.to_owned(), value.into());
        self
    }

    /// The message with a value more, if there is one.
    #[must_use]
    pub fn with_some(self, name: &str, value: Option<impl Into<Arg>>) -> Self {
        match value {
            Some(value) => self.with(name, value),
            None => self,
        }
    }
}

/// The name of a plain choice in documents.
pub(crate) fn name_of(choice: impl Serialize) -> String {
    let name = serde_json::to_value(choice).unwrap_or_default();
    name.as_str().unwrap_or_default().to_owned()
}

impl From<Message> for Arg {
    fn from(message: Message) -> Self {
        Self::Message(message)
    }
}

impl From<String> for Arg {
    fn from(text: String) -> Self {
        Self::Text(text)
    }
}

impl From<&str> for Arg {
    fn from(text: &str) -> Self {
        Self::Text(text.to_owned())
    }
}

/// For logs and tests; people read the words of the catalogue.
impl fmt::Display for Message {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(&self.id)?;
        if self.args.is_empty() {
            return Ok(());
        }
        let args: Vec<String> = self.args.iter().map(|(name, value)| format!("{name}: {value}")).collect();
        write!(f, "({})", args.join(", "))
    }
}

impl fmt::Display for Arg {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match self {
            Self::Mm(mm) => write!(f, "{mm} mm"),
            Self::Deg(deg) => write!(f, "{deg}°"),
            Self::Share(share) => write!(f, "{share}"),
            Self::Number(number) => write!(f, "{number}"),
            Self::Text(text) => f.write_str(text),
            Self::Message(message) => write!(f, "{message}"),
            Self::Messages(all) => {
                write!(f, "[{}]", all.iter().map(Message::to_string).collect::<Vec<_>>().join(", "))
            }
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::Zone;

    #[test]
    fn a_message_holds_args_and_messages() {
        let zones = [Zone::Top, Zone::BackLower, Zone::Nape].map(|zone| Message::word("step-zone", zone));
        let joined = Message::joined("list-and", zones).expect("three of them");
        let whole = Message::new("step-region-edge").with("length", Arg::Mm(12.5)).with("region", joined);
        let said = "step-region-edge(length: 12.5 mm, region: list-and(joined: [step-zone-top, step-zone-back_lower, \
                    step-zone-nape]))";
        assert_eq!(whole.to_string(), said);
        assert_eq!(
            serde_json::to_value(Message::new("a")).expect("plain data"),
            serde_json::json!({ "id": "a" })
        );
        assert_eq!(Message::joined("list-and", []), None);
    }

    #[test]
    fn a_list_is_flat_however_long_it_is() {
        // Lists once nested their words, one level for each entry: 15,000 entries overflowed the stack.
        let many = (0..200_000).map(|_| Message::new("step-region-everything"));
        let listed = Message::listed(many).expect("many");
        let Some(Arg::Messages(ends)) = listed.args.get(JOINED) else { panic!("{:?}", listed.args.keys()) };
        assert_eq!(ends.len(), 2);
        let Some(Arg::Messages(all)) = ends[0].args.get(JOINED) else { panic!("joined by commas") };
        assert_eq!(all.len(), 199_999);
    }
}
