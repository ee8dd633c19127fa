//! Reading JSON so that a fault names the field it is in, and the line it stands on.

use serde::de::{DeserializeOwned, IgnoredAny};
use serde_json::error::Category;
use serde_json::value::RawValue;
use serde_path_to_error::{Path, Segment};
use spirel_core::{FieldError, Problem};
use std::collections::BTreeMap;

/// JSON that could not be read.
#[derive(Debug, Clone, PartialEq)]
pub enum Unreadable {
    /// Not JSON at all.
    Broken {
        /// What the reader expected.
        why: String,
        /// Line, from 1.
        line: usize,
        /// Column, from 1.
        column: usize,
    },
    /// JSON, but not of the shape that is asked for.
    Misshapen {
        /// Where and how.
        fault: FieldError,
        /// Line, from 1.
        line: usize,
    },
}

impl Unreadable {
    /// Bytes that are no text.
    pub fn not_text() -> Self {
        Self::Broken { why: "it is not UTF-8 text".into(), line: 1, column: 1 }
    }
}

/// Reads a document of a known shape.
pub fn read<T: DeserializeOwned>(bytes: &[u8]) -> Result<T, Unreadable> {
    let mut reader = serde_json::Deserializer::from_slice(bytes);
    let value = serde_path_to_error::deserialize(&mut reader)
        .map_err(|e| unreadable(bytes, &dotted(e.path()), e.inner()))?;
    reader.end().map_err(|e| unreadable(bytes, "", &e))?;
    Ok(value)
}

/// A path as every fault has it: names and numbers with dots between.
fn dotted(path: &Path) -> String {
    let part = |segment: &Segment| match segment {
        Segment::Seq { index } => Some(index.to_string()),
        Segment::Map { key } => Some(key.clone()),
        Segment::Enum { variant } => Some(variant.clone()),
        Segment::Unknown => None,
    };
    path.iter().filter_map(part).collect::<Vec<_>>().join(".")
}

fn unreadable(bytes: &[u8], path: &str, error: &serde_json::Error) -> Unreadable {
    let said = error.to_string();
    let why = said.rfind(" at line ").map_or(said.as_str(), |end| &said[..end]);
    // A number where a word belongs, or a number no float can hold, is reported as if the text were broken.
    let is_json = || serde_json::from_slice::<IgnoredAny>(bytes).is_ok();
    if error.classify() != Category::Data && !is_json() {
        return Unreadable::Broken { why: why.to_owned(), line: error.line(), column: error.column() };
    }
    Unreadable::Misshapen { fault: misshapen(path, why), line: error.line() }
}

/// The fault behind a reader's sentence. Only the sentence distinguishes a missing field from a wrong kind of value.
fn misshapen(path: &str, why: &str) -> FieldError {
    // What stands between backticks: the name itself, then those that are known.
    let mut named = why.split('`').skip(1).step_by(2).map(str::to_owned);
    let name = named.next().unwrap_or_default();
    let below = |name: &str| if path.is_empty() { name.to_owned() } else { format!("{path}.{name}") };
    if why.starts_with("missing field") {
        return FieldError::new(below(&name), Problem::Missing);
    }
    if why.starts_with("unknown field") {
        // The path already ends in the field's own name.
        let field = if path.is_empty() { name.clone() } else { path.to_owned() };
        return FieldError::new(field, Problem::Unknown { given: name, known: named.collect() });
    }
    if why.starts_with("unknown variant") {
        return FieldError::new(path, Problem::Unknown { given: name, known: named.collect() });
    }
    if why.starts_with("number out of range") {
        return FieldError::new(path, Problem::NotANumber);
    }
    if why == "expected value" {
        return FieldError::new(path, Problem::contradicts("fault-must-be-word"));
    }
    let expected = why.rsplit("expected ").next().unwrap_or_default();
    let most = expected.strip_prefix("at most ").and_then(|rest| rest.split(' ').next()?.parse().ok());
    if let Some(most) = most {
        return FieldError::new(path, Problem::TooMany { most });
    }
    if ["f64", "u32", "u16", "i64"].contains(&expected) {
        return FieldError::new(path, Problem::NotANumber);
    }
    FieldError::new(path, Problem::contradicts(expected_kind(expected)))
}

/// What a reader expected.
fn expected_kind(expected: &str) -> &'static str {
    let is = |word: &str| expected.contains(word);
    if is("a day") {
        "fault-must-be-day"
    } else if is("a colour") {
        "fault-must-be-colour"
    } else if is("string") || is("str") && !is("struct") {
        "fault-must-be-text"
    } else if is("boolean") || is("bool") {
        "fault-must-be-bool"
    } else if is("sequence") || is("array") || is("tuple") {
        "fault-must-be-list"
    } else if is("struct") || is("map") || is("object") {
        "fault-must-be-group"
    } else if is("landmark") {
        "fault-must-be-landmark"
    } else if is("variant") || is("enum") {
        "fault-must-be-variant"
    } else {
        "fault-must-be-other"
    }
}

/// The lines, from 1, on which the values at dotted paths begin; of each the deepest part that is there if not all of it is. A
/// value is read once, however many paths lead into it.
pub fn lines_of(text: &str, paths: &[&str]) -> Vec<usize> {
    let mut begins = vec![0; paths.len()];
    find(text, text, paths.iter().copied().enumerate().collect(), &mut begins);
    let ends: Vec<usize> = text.match_indices('\n').map(|(place, _)| place).collect();
    begins.iter().map(|place| ends.partition_point(|end| end < place) + 1).collect()
}

/// Notes where the value `at` begins for each path that leads to or into it, then looks for what it holds.
fn find(text: &str, at: &str, paths: Vec<(usize, &str)>, begins: &mut [usize]) {
    // Every value is a slice of the text itself, so its place is the distance between the two.
    let place = (at.as_ptr() as usize).saturating_sub(text.as_ptr() as usize).min(text.len());
    let mut inside: BTreeMap<&str, Vec<(usize, &str)>> = BTreeMap::new();
    for (number, path) in paths {
        begins[number] = place;
        let (name, rest) = path.split_once('.').unwrap_or((path, ""));
        if !name.is_empty() {
            inside.entry(name).or_default().push((number, rest));
        }
    }
    if inside.is_empty() {
        return;
    }
    if let Ok(members) = serde_json::from_str::<BTreeMap<String, &RawValue>>(at) {
        for (name, paths) in inside {
            if let Some(value) = members.get(name) {
                find(text, value.get(), paths, begins);
            }
        }
    } else if let Ok(elements) = serde_json::from_str::<Vec<&RawValue>>(at) {
        for (name, paths) in inside {
            if let Some(value) = name.parse().ok().and_then(|number: usize| elements.get(number)) {
                find(text, value.get(), paths, begins);
            }
        }
    }
}

#[cfg(test)]
mod broken_cuts;

#[cfg(test)]
mod tests {
    use super::*;
    use spirel_core::reading::RawReading;

    fn fault(text: &str) -> Unreadable {
        read::<RawReading>(text.as_bytes()).expect_err("it is not a reading")
    }

    fn at(field: &str, problem: Problem, line: usize) -> Unreadable {
        Unreadable::Misshapen { fault: FieldError::new(field, problem), line }
    }

    #[test]
    fn a_wrong_value_is_named_with_its_path_and_line() {
        let text = "{\n\"zones\": {\"nape\": {\n\"sprung_mm\": \"NaN\"}}}";
        assert_eq!(fault(text), at("zones.nape.sprung_mm", Problem::NotANumber, 3));
        let text = "{\"zones\": {\"nape\": {\"sprung\": 3}}}";
        let Unreadable::Misshapen { fault: found, .. } = fault(text) else { panic!("it is JSON") };
        let Problem::Unknown { given, known } = &found.problem else { panic!("{found:?}") };
        assert_eq!((found.field.as_str(), given.as_str()), ("zones.nape.sprung", "sprung"));
        assert!(known.iter().any(|name| name == "sprung_mm"), "{known:?}");
        let text = "{\"zones\": {\"tail\": {}}}";
        let Unreadable::Misshapen { fault: found, .. } = fault(text) else { panic!("it is JSON") };
        assert!(found.to_string().starts_with("zones.tail fault-unknown-known(given: tail, known: fringe, "));
        let text = "{\"zones\": {\"nape\": {\"sprung_mm\": 1e999}}}";
        assert_eq!(fault(text), at("zones.nape.sprung_mm", Problem::NotANumber, 1));
        let text = "{\"zones\": {\"nape\": {\"moisture\": 3}}}";
        let word = Problem::contradicts("fault-must-be-word");
        assert_eq!(fault(text), at("zones.nape.moisture", word, 1));
        let strands = ["{\"stretched_mm\": 300, \"sprung_mm\": 150}"; 10].join(",");
        let text = format!("{{\"zones\": {{\"nape\": {{\"again\": [{strands}]}}}}}}");
        assert_eq!(fault(&text), at("zones.nape.again", Problem::TooMany { most: 9 }, 1));
        let missing = read::<crate::api::clients::ClientDraft>(b"{}").expect_err("a name is needed");
        assert_eq!(missing, at("name", Problem::Missing, 1));
    }

    #[test]
    fn broken_json_is_told_from_a_wrong_shape() {
        for text in ["{\n\"zones\": {", "{\"zones\": NaN}", "{} {}", ""] {
            assert!(
                matches!(fault(text), Unreadable::Broken { line: 0..=2, .. }),
                "{text}: {:?}",
                fault(text)
            );
        }
    }

    #[test]
    fn the_line_of_a_path_is_where_its_value_begins() {
        let text = "{\n  \"read\": {\n    \"zones\": {\n      \"nape\": {\"sprung_mm\": 1}\n    }\n  }\n}";
        let paths = ["read.zones.nape.sprung_mm", "aim", "read.zones.nape.stretched_mm", "read", ""];
        assert_eq!(lines_of(text, &paths), [4, 1, 4, 2, 1], "a missing field lies in its parent");
        assert_eq!(lines_of("not json", &["a"]), [1]);
        assert_eq!(lines_of("{\"moves\": [1,\n2,\n{\"off\":\n3}]}", &["moves.2.off", "moves.7"]), [4, 1]);
        assert!(lines_of(text, &[]).is_empty());
    }
}
