//! Every cut that ships, broken at every place in every way: what is wrong is said where it is, and nothing panics.

use super::{Unreadable, read};
use serde_json::{Value, json};
use spirel_core::Problem;
use spirel_core::cut::{Cut, cut, shipped};
use spirel_core::grow::HairRequest;
use spirel_core::hair::Hair;
use spirel_core::head::Zone;
use spirel_core::reading::{RawReading, RawZoneReading};
use spirel_words::{Lengths, say};
use std::collections::BTreeMap;

/// Paths of all values of a document, as names and numbers.
fn places(value: &Value, at: &[String], all: &mut Vec<Vec<String>>) {
    all.push(at.to_vec());
    let below = |name: &str| [at, &[name.to_owned()]].concat();
    match value {
        Value::Object(members) => members.iter().for_each(|(name, value)| places(value, &below(name), all)),
        Value::Array(list) => {
            list.iter().enumerate().for_each(|(i, value)| places(value, &below(&i.to_string()), all));
        }
        _ => {}
    }
}

fn value_at<'a>(document: &'a mut Value, place: &[String]) -> &'a mut Value {
    place.iter().fold(document, |value, name| match value {
        Value::Array(list) => &mut list[name.parse::<usize>().expect("a number")],
        other => &mut other[name.as_str()],
    })
}

fn small_head() -> Hair {
    let zones = BTreeMap::from([(Zone::Top.into(), RawZoneReading::measured(300.0, 200.0))]);
    let reading = RawReading { zones, ..RawReading::default() };
    HairRequest { roots: 256, ..HairRequest::new(reading) }.grow().expect("possible")
}

#[test]
fn a_cut_broken_anywhere_is_refused_where_it_is_broken() {
    let hair = small_head();
    let wrong =
        [json!(null), json!("nonsense"), json!(-1e300), json!([1, "x"]), json!({"nonsense": 1}), json!(true)];
    let (mut refused, mut taken) = (0, 0);
    for ship in shipped() {
        let whole = serde_json::to_value(&ship.cut).expect("plain data");
        let mut all = Vec::new();
        places(&whole, &[], &mut all);
        for place in all {
            for instead in &wrong {
                let mut broken = whole.clone();
                *value_at(&mut broken, &place) = instead.clone();
                let text = serde_json::to_vec(&broken).expect("plain data");
                let faults = match read::<Cut>(&text) {
                    Err(Unreadable::Misshapen { fault, .. }) => {
                        let said = say(&fault.problem.message(), Lengths::Mm);
                        let of_the_language = [
                            "struct",
                            "enum",
                            "variant",
                            "f64",
                            "u32",
                            "sequence",
                            "untagged",
                            "invalid type",
                            "`",
                        ];
                        assert!(!of_the_language.iter().any(|word| said.contains(word)), "{said}");
                        if let Problem::Unknown { known, .. } = &fault.problem {
                            assert!(!known.is_empty(), "{fault}");
                        }
                        vec![fault.field]
                    }
                    Err(broken) => panic!("{broken:?}: it is JSON"),
                    // What reads as a cut may still be impossible.
                    Ok(read) => match cut(&hair, &read) {
                        Ok(_) => {
                            taken += 1;
                            continue;
                        }
                        Err(faults) => faults.0.into_iter().map(|fault| fault.field).collect(),
                    },
                };
                refused += 1;
                // The fault is named at the place, above it where a choice is made by what it holds, or in what is
                // now missing or unknown below it.
                let place = place.join(".");
                let near = |field: &String| {
                    place.starts_with(field.as_str()) || field.starts_with(place.as_str()) || {
                        let above = place.rsplit_once('.').map_or("", |(above, _)| above);
                        field.starts_with(above)
                    }
                };
                assert!(faults.iter().any(near), "{} at {place} with {instead}: {faults:?}", ship.key);
            }
        }
    }
    assert!(refused > 5000 && taken >= 50, "{refused} refused, {taken} taken");
}

#[test]
fn a_cut_that_breaks_off_anywhere_is_said_to_be_broken_with_its_line() {
    let text = serde_json::to_string_pretty(&shipped()[0].cut).expect("plain data");
    for end in 0..text.len() - 1 {
        if let Some(part) = text.get(..end) {
            let said = read::<Cut>(part.as_bytes()).expect_err("it isn't whole");
            let lines = part.matches('\n').count() + 1;
            assert!(matches!(said, Unreadable::Broken { line, .. } if line <= lines), "{end}: {said:?}");
        }
    }
}

#[test]
fn a_cut_of_another_version_says_which_it_is() {
    let mut document = serde_json::to_value(&shipped()[0].cut).expect("plain data");
    document["version"] = json!(7);
    let cut = read::<Cut>(document.to_string().as_bytes()).expect("it has the shape");
    let faults = cut.check().expect_err("another version");
    assert_eq!(faults.0[0].field, "version");
    assert!(faults.to_string().contains('7'), "{faults}");
}
