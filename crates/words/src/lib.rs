//! The words of what the core and the server say. The catalogue is `locales/`, the same that the browser reads; Fluent formats
//! it in both places.

use fluent_bundle::concurrent::FluentBundle;
use fluent_bundle::{FluentArgs, FluentResource, FluentValue};
use spirel_core::message::JOINED;
use spirel_core::units::LengthUnit;
use spirel_core::{Arg, Message};
use std::sync::LazyLock;

/// What the core and the server say in English. The texts of the screen are the browser's alone.
const ENGLISH: [&str; 6] = [
    include_str!("../../../locales/en/words.ftl"),
    include_str!("../../../locales/en/faults.ftl"),
    include_str!("../../../locales/en/findings.ftl"),
    include_str!("../../../locales/en/proposals.ftl"),
    include_str!("../../../locales/en/reasons.ftl"),
    include_str!("../../../locales/en/steps.ftl"),
];

static CATALOGUE: LazyLock<FluentBundle<FluentResource>> = LazyLock::new(|| {
    let mut bundle = FluentBundle::new_concurrent(vec!["en".parse().expect("a language's name")]);
    // Marks for mixed writing directions would only be seen as noise in a terminal.
    bundle.set_use_isolating(false);
    for text in ENGLISH {
        let resource =
            FluentResource::try_new(text.to_owned()).expect("the catalogue that ships can be read");
        bundle.add_resource(resource).expect("each message of the catalogue has a name of its own");
    }
    bundle
});

/// How lengths are said.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Lengths {
    /// In millimetres, as documents keep them.
    Mm,
    /// In a person's unit.
    In(LengthUnit),
}

/// A message in English. One that the catalogue lacks shows its name, a value that is missing its own.
pub fn say(message: &Message, lengths: Lengths) -> String {
    if let Some(Arg::Messages(all)) = message.args.get(JOINED) {
        let joined = all.iter().map(|part| say(part, lengths)).reduce(|first, second| {
            say(&Message::new(message.id.as_str()).with("first", first).with("second", second), lengths)
        });
        return joined.unwrap_or_default();
    }
    let Some(pattern) = CATALOGUE.get_message(&message.id).and_then(|found| found.value()) else {
        return format!("[{}]", message.id);
    };
    let values: FluentArgs =
        message.args.iter().map(|(name, value)| (name.as_str(), valued(value, lengths))).collect();
    CATALOGUE.format_pattern(pattern, Some(&values), &mut Vec::new()).into_owned()
}

fn valued(value: &Arg, lengths: Lengths) -> FluentValue<'static> {
    match value {
        Arg::Mm(mm) => match lengths {
            Lengths::Mm => format!("{mm} mm"),
            Lengths::In(unit) => unit.say(*mm),
        }
        .into(),
        Arg::Deg(deg) => format!("{deg:.0}°").into(),
        Arg::Share(share) => format!("{:.0} %", 100.0 * share).into(),
        Arg::Number(number) => (*number).into(),
        Arg::Text(text) => text.clone().into(),
        Arg::Message(message) => say(message, lengths).into(),
        // Only what joins them knows how: see `say`.
        Arg::Messages(_) => FluentValue::None,
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn lengths_are_said_in_the_readers_unit_and_numbers_choose_the_plural() {
        let springs = Message::new("reason-springs")
            .with("stretched", Arg::Mm(300.0))
            .with("sprung", Arg::Mm(150.0))
            .with("share", Arg::Share(0.496));
        let cm = say(&springs, Lengths::In(LengthUnit::Cm));
        assert_eq!(cm, "Stretched 30.0 cm, sprung 15.0 cm: 50 % shrinkage.");
        assert!(say(&springs, Lengths::In(LengthUnit::Inch)).starts_with("Stretched 11¾ in, sprung 5⅞ in"));
        assert!(say(&springs, Lengths::Mm).starts_with("Stretched 300 mm"));
        let strands = |n| say(&Message::new("reason-from_hair").with("strands", Arg::Number(n)), Lengths::Mm);
        assert!(strands(1.0).contains("one strand has") && strands(3.0).contains("3 strands have"));
    }

    #[test]
    fn a_list_is_joined_from_its_beginning() {
        let zones = ["top", "nape", "crown"].map(|zone| Message::word("step-zone", zone));
        let listed = Message::listed(zones).expect("three");
        assert_eq!(say(&listed, Lengths::Mm), "the top, the nape and the crown");
    }

    #[test]
    fn what_is_missing_is_seen() {
        assert_eq!(say(&Message::new("no-such"), Lengths::Mm), "[no-such]");
        let bare = say(&Message::new("fault-nested"), Lengths::Mm);
        assert!(bare.contains("{$most}"), "{bare}");
    }
}
