//! The day of a visit.

use chrono::{Datelike, NaiveDate};
use serde::de::Error;
use serde::{Deserialize, Deserializer, Serialize};
use std::fmt;

/// Years a visit can be in: what a calendar of a house can mean, and what a column of dates keeps.
const YEARS: std::ops::RangeInclusive<i32> = 1900..=2199;

/// The day of a visit, from 1900 to 2199.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, sqlx::Type)]
#[sqlx(transparent)]
#[serde(transparent)]
pub struct Day(NaiveDate);

impl Day {
    /// The date, where it is of a year that a visit can be in.
    pub fn new(date: NaiveDate) -> Option<Self> {
        YEARS.contains(&date.year()).then_some(Self(date))
    }
}

impl fmt::Display for Day {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        self.0.fmt(f)
    }
}

impl<'de> Deserialize<'de> for Day {
    fn deserialize<D: Deserializer<'de>>(deserializer: D) -> Result<Self, D::Error> {
        let text = String::deserialize(deserializer)?;
        let day = text.parse().ok().and_then(Self::new);
        day.ok_or_else(|| D::Error::custom("expected a day from 1900 to 2199, as 2026-03-14"))
    }
}

#[cfg(feature = "schema")]
impl utoipa::PartialSchema for Day {
    fn schema() -> utoipa::openapi::RefOr<utoipa::openapi::schema::Schema> {
        utoipa::openapi::ObjectBuilder::new()
            .schema_type(utoipa::openapi::schema::Type::String)
            .format(Some(utoipa::openapi::SchemaFormat::KnownFormat(utoipa::openapi::KnownFormat::Date)))
            .pattern(Some("^(19|20|21)[0-9]{2}-[0-9]{2}-[0-9]{2}$"))
            .description(Some("A day from 1900 to 2199."))
            .into()
    }
}

#[cfg(feature = "schema")]
impl utoipa::ToSchema for Day {}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_day_is_of_a_year_that_the_database_keeps() {
        let read = |text: &str| serde_json::from_str::<Day>(text);
        for text in ["\"1900-01-01\"", "\"2026-03-14\"", "\"2199-12-31\""] {
            let day = read(text).expect("a day");
            assert_eq!(serde_json::to_string(&day).expect("text"), text);
        }
        for text in
            ["\"+10000-01-01\"", "\"1899-12-31\"", "\"2200-01-01\"", "\"2026-02-30\"", "\"soon\"", "7"]
        {
            assert!(read(text).is_err(), "{text}");
        }
    }
}
