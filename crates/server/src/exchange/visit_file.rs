//! The JSON form of a visit. Which client it is of stays outside: the file can be handed on.

use super::ExchangeError;
use crate::json;
use serde::de::DeserializeOwned;
use serde::{Deserialize, Serialize};
use serde_json::{Map, Value};
use spirel_core::stage::{Stage, StageDocument};
use spirel_core::{FieldErrors, Problem, for_each_stage};
use spirel_store::{Day, Visit};
use std::borrow::Cow;
use utoipa::ToSchema;

/// The version written. Version 1, which kept what is known of head and hair in the plan, is read, too.
const VERSION: u16 = 2;

/// Tells the file from any other.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize, ToSchema)]
pub enum VisitFormat {
    /// A Spirel visit.
    #[serde(rename = "spirel.visit")]
    Visit,
}

macro_rules! visit_file {
    ($($(#[$doc:meta])* $name:ident: $stage:ident($document:ty),)+) => {
        /// A visit as a file.
        #[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
        #[serde(deny_unknown_fields)]
        pub struct VisitFile {
            /// Always `spirel.visit`.
            pub format: VisitFormat,
            /// Version of the format: 2; 1 is read, too.
            pub version: u16,
            /// Day of the visit.
            pub on_date: Day,
            $(
                $(#[$doc])*
                #[serde(default, skip_serializing_if = "Option::is_none")]
                pub $name: Option<$document>,
            )+
        }

        impl VisitFile {
            /// A visit on a day of which nothing is known yet.
            pub fn on(on_date: Day) -> Self {
                Self { format: VisitFormat::Visit, version: VERSION, on_date, $($name: None,)+ }
            }

            /// The file of a stored visit.
            pub fn of(visit: &Visit) -> Result<Self, ExchangeError> {
                Ok(Self { $($name: stored(visit, Stage::$stage)?,)+ ..Self::on(visit.on_date) })
            }

            /// The documents of the stages in it.
            pub fn documents(&self) -> serde_json::Result<Vec<(Stage, Value)>> {
                let forms = [$((Stage::$stage, self.$name.as_ref().map(serde_json::to_value)),)+];
                let given = forms.into_iter().filter_map(|(stage, body)| Some(body?.map(|body| (stage, body))));
                given.collect()
            }

            /// Checks the documents.
            fn check_documents(&self, faults: &mut FieldErrors) {
                $(faults.take(stringify!($name), self.$name.as_ref().map_or(Ok(()), StageDocument::check));)+
            }
        }
    };
}

for_each_stage!(visit_file);

impl VisitFile {
    /// Reads a file and checks all that is in it; each fault comes with its line.
    pub fn read(text: &str) -> Result<Self, ExchangeError> {
        let now = upgraded(text);
        let file: Self = json::read(now.as_bytes()).map_err(ExchangeError::Unreadable)?;
        file.check().map_err(|faults| ExchangeError::in_file(text, faults))?;
        Ok(file)
    }

    /// The text of the file.
    pub fn to_text(&self) -> String {
        // Every member is plain data with text keys, which always has a JSON form.
        let mut text = serde_json::to_string_pretty(self).unwrap_or_default();
        text.push('\n');
        text
    }

    /// Checks all that is in it.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if self.version != VERSION {
            faults.push(
                "version",
                Problem::Unknown { given: self.version.to_string(), known: vec![VERSION.to_string()] },
            );
        }
        self.check_documents(&mut faults);
        faults.or(())
    }
}

/// The text in the form that is written today. A text that isn't of an older one stays as it is.
fn upgraded(text: &str) -> Cow<'_, str> {
    let Ok(mut file) = serde_json::from_str::<Value>(text) else { return text.into() };
    if file["version"] != 1 {
        return text.into();
    }
    file["version"] = VERSION.into();
    if let Some(Value::Object(plan)) = file.get_mut("plan") {
        let cut = plan.remove("cut");
        let head = std::mem::take(plan);
        plan.extend(cut.map(|cut| ("cut".to_owned(), cut)));
        if file["read"].is_null() {
            file["read"] = Value::Object(Map::new());
        }
        if let Value::Object(read) = &mut file["read"] {
            read.extend(head);
        }
    }
    file.to_string().into()
}

fn stored<T: DeserializeOwned>(visit: &Visit, stage: Stage) -> serde_json::Result<Option<T>> {
    let document = visit.documents.iter().find(|document| document.stage == stage);
    document.map(|document| serde_json::from_value(document.body.clone())).transpose()
}

#[cfg(test)]
mod tests {
    use super::*;

    fn full() -> String {
        r#"{"format": "spirel.visit", "version": 1, "on_date": "2026-03-14",
            "talk": {"reasons": ["flat"], "notes": "émoji 🌊 \" \\ \u0001"},
            "read": {"measures": {"girth_mm": 571.3}, "zones": {"nape": {"stretched_mm": 300.1, "sprung_mm": 0.1e3, "strands": 3}}},
            "aim": {"risk": 0.05, "zones": {"nape": {"lands": {"point": "shoulder", "below_mm": -0.30000000000000004}}}}}"#
            .to_owned()
    }

    #[test]
    fn what_is_written_is_read_back_to_the_last_digit() {
        let once = VisitFile::read(&full()).expect("a good file");
        let text = once.to_text();
        let twice = VisitFile::read(&text).expect("our own file");
        assert_eq!(once, twice);
        assert_eq!(text, twice.to_text());
        assert!(text.contains("-0.30000000000000004"));
    }

    #[test]
    fn a_file_of_version_1_is_read_with_its_head_out_of_the_plan() {
        let cut = r#"{"format": "spirel.cut", "version": 1, "name": "Line", "moves": []}"#;
        let plan =
            format!(r#""plan": {{"cut": {cut}, "felt": {{"occiput": -0.8, "crown": 0.0}}, "taper": 0.25}}"#);
        let old = full().replacen("\"aim\":", &format!("{plan},\n\"aim\":"), 1);
        let file = VisitFile::read(&old).expect("version 1");
        let read = file.read.clone().expect("it has a reading");
        assert_eq!((read.skull.occiput, read.taper, read.zones.len()), (-0.8, 0.25, 1));
        assert_eq!(file.plan.clone().expect("it has a plan").cut.name, "Line");
        assert_eq!(VisitFile::read(&file.to_text()).expect("version 2"), file);
        // A file without a reading keeps what its plan knew.
        let bare = format!(r#"{{"format": "spirel.visit", "version": 1, "on_date": "2026-03-14", {plan}}}"#);
        assert_eq!(VisitFile::read(&bare).expect("version 1").read.expect("from the plan").taper, 0.25);
        // Version 2 keeps nothing of the head in a plan.
        let mixed = old.replace("\"version\": 1, \"on_date\"", "\"version\": 2, \"on_date\"");
        assert!(matches!(VisitFile::read(&mixed), Err(ExchangeError::Unreadable(_))));
    }

    #[test]
    fn a_fault_in_a_file_has_its_field_and_line() {
        let text = full().replace("0.1e3", "450").replace("300.1,", "\n300.1,\n");
        let Err(ExchangeError::Faults { listed: faults, .. }) = VisitFile::read(&text) else {
            panic!("it was taken")
        };
        let at: Vec<_> = faults.iter().map(|(fault, line)| (fault.field.as_str(), *line)).collect();
        assert_eq!(at, [("read.zones.nape.sprung_mm", 5)]);
        let newer = full().replace("\"version\": 1", "\"version\": 9");
        assert!(
            matches!(VisitFile::read(&newer), Err(ExchangeError::Faults { listed, .. }) if listed[0].0.field == "version")
        );
        let other = full().replace("spirel.visit", "other");
        assert!(matches!(VisitFile::read(&other), Err(ExchangeError::Unreadable(_))));
    }
}
