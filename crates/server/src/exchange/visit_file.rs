//! The JSON form of a visit. Which client it is of stays outside: the file can be handed on.

use crate::http::Refusal;
use crate::json;
use chrono::NaiveDate;
use serde::de::DeserializeOwned;
use serde::{Deserialize, Serialize};
use serde_json::Value;
use spirel_core::mark::Aim;
use spirel_core::plan::Plan;
use spirel_core::reading::RawReading;
use spirel_core::talk::Talk;
use spirel_core::{FieldErrors, Problem};
use spirel_store::{Stage, Visit};
use utoipa::ToSchema;

/// The version written and the only one read so far.
const VERSION: u16 = 1;

/// Tells the file from any other.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize, ToSchema)]
pub enum VisitFormat {
    /// A Spirel visit.
    #[serde(rename = "spirel.visit")]
    Visit,
}

/// A visit as a file.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct VisitFile {
    /// Always `spirel.visit`.
    pub format: VisitFormat,
    /// Version of the format: 1.
    pub version: u16,
    /// Day of the visit.
    pub on_date: NaiveDate,
    /// What was said.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub talk: Option<Talk>,
    /// What was measured.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub read: Option<RawReading>,
    /// What is wished.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub aim: Option<Aim>,
    /// What is cut.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub plan: Option<Plan>,
}

impl VisitFile {
    /// A visit on a day of which nothing is known yet.
    pub fn on(on_date: NaiveDate) -> Self {
        Self {
            format: VisitFormat::Visit,
            version: VERSION,
            on_date,
            talk: None,
            read: None,
            aim: None,
            plan: None,
        }
    }

    /// The file of a stored visit.
    pub fn of(visit: &Visit) -> Result<Self, Refusal> {
        Ok(Self {
            talk: stored(visit, Stage::Talk)?,
            read: stored(visit, Stage::Read)?,
            aim: stored(visit, Stage::Aim)?,
            plan: stored(visit, Stage::Plan)?,
            ..Self::on(visit.on_date)
        })
    }

    /// Reads a file and checks all that is in it; each fault comes with its line.
    pub fn read(text: &str) -> Result<Self, Refusal> {
        let file: Self = json::read(text.as_bytes()).map_err(Refusal::Unreadable)?;
        file.check().map_err(|faults| Refusal::in_file(text, faults))?;
        Ok(file)
    }

    /// The text of the file.
    pub fn to_text(&self) -> String {
        // Every member is plain data with text keys, which always has a JSON form.
        let mut text = serde_json::to_string_pretty(self).unwrap_or_default();
        text.push('\n');
        text
    }

    /// The documents of the stages in it.
    pub fn documents(&self) -> serde_json::Result<Vec<(Stage, Value)>> {
        let forms = [
            (Stage::Talk, self.talk.as_ref().map(serde_json::to_value)),
            (Stage::Read, self.read.as_ref().map(serde_json::to_value)),
            (Stage::Aim, self.aim.as_ref().map(serde_json::to_value)),
            (Stage::Plan, self.plan.as_ref().map(serde_json::to_value)),
        ];
        let given = forms.into_iter().filter_map(|(stage, body)| Some(body?.map(|body| (stage, body))));
        given.collect()
    }

    /// Checks all that is in it.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if self.version != VERSION {
            faults.push("version", Problem::Unknown { given: self.version.to_string() });
        }
        faults.take("talk", self.talk.as_ref().map_or(Ok(()), Talk::check));
        faults.take("read", self.read.as_ref().map_or(Ok(()), RawReading::check));
        faults.take("aim", self.aim.as_ref().map_or(Ok(()), Aim::check));
        faults.take("plan", self.plan.as_ref().map_or(Ok(()), Plan::check));
        faults.or(())
    }
}

fn stored<T: DeserializeOwned>(visit: &Visit, stage: Stage) -> Result<Option<T>, Refusal> {
    let document = visit.documents.iter().find(|document| document.stage == stage);
    document.map(|document| serde_json::from_value(document.body.clone())).transpose().map_err(|error| {
        tracing::error!(%error, "a stored document has an unknown shape");
        Refusal::Defect
    })
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
    fn a_fault_in_a_file_has_its_field_and_line() {
        let text = full().replace("0.1e3", "450").replace("300.1,", "\n300.1,\n");
        let Err(Refusal::Fields(faults)) = VisitFile::read(&text) else { panic!("it was taken") };
        let at: Vec<_> = faults.iter().map(|f| (f.field.as_str(), f.line)).collect();
        assert_eq!(at, [("read.zones.nape.sprung_mm", Some(5))]);
        let newer = full().replace("\"version\": 1", "\"version\": 9");
        assert!(matches!(VisitFile::read(&newer), Err(Refusal::Fields(f)) if f[0].field == "version"));
        let other = full().replace("spirel.visit", "other");
        assert!(matches!(VisitFile::read(&other), Err(Refusal::Unreadable(_))));
    }
}
