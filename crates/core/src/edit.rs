//! Edits of a document: operations on paths, each of which says what stood there before. Edits of different figures merge; two
//! edits of the same figure clash.
//!
//! An operation is a compare-and-set: it applies where its path still holds what it held when the change was made, or holds
//! the new value already. So the order in which disjoint edits arrive doesn't matter, and a repeated one changes nothing.

use crate::error::{FieldErrors, Problem};
use serde::{Deserialize, Serialize};
use serde_json::{Map, Value};
use std::collections::HashMap;

/// Most operations of one edit: sixty moves that take the place of sixty others.
pub const MOST_OPERATIONS: usize = 1000;

/// Longest path of an operation; no document is as deep.
pub const LONGEST_PATH: usize = 16;

/// Name at the end of a list's path under which the order of its members stands.
pub const ORDER: &str = "order";

/// How the members of a list are distinguished.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Identity {
    /// By the id they are given.
    Id,
    /// By the place they are measured at; only one stands there.
    At,
    /// By the zone or half they belong to; it has only one.
    Patch,
    /// A set of words: each is itself.
    Word,
}

/// The lists whose members are edited one by one. Any other list is one figure: its order and members belong together.
pub const LISTS: &[(&str, Identity)] = &[
    ("moves", Identity::Id),
    ("spots", Identity::Id),
    ("growth", Identity::Id),
    ("girths", Identity::Id),
    ("combs", Identity::Id),
    ("again", Identity::Id),
    ("line", Identity::At),
    ("edges", Identity::Patch),
    ("reasons", Identity::Word),
    ("treatments", Identity::Word),
    ("events", Identity::Word),
    ("noted", Identity::Word),
];

/// Members that are one figure although they are objects: nested logic of a section.
pub const WHOLE: &[&str] = &["region"];

/// A change of one figure of a document.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Operation {
    /// Names from the top of the document; of a member of a list what distinguishes it; `order` for the order of a list.
    #[cfg_attr(feature = "schema", schema(min_items = 1, max_items = 16))]
    pub path: Vec<String>,
    /// What stood there when it was changed; null: nothing.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(value_type = serde_json::Value))]
    pub before: Value,
    /// What is to stand there; null: nothing.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(value_type = serde_json::Value))]
    pub value: Value,
}

/// Checks that operations are as many and as deep as a document can need.
pub fn check(operations: &[Operation]) -> Result<(), FieldErrors> {
    let mut faults = FieldErrors::default();
    if operations.len() > MOST_OPERATIONS {
        faults.push("operations", Problem::too_many(MOST_OPERATIONS));
    }
    let deep = operations.iter().position(|operation| operation.path.len() > LONGEST_PATH);
    if let Some(i) = deep {
        faults.push(format!("operations.{i}.path"), Problem::too_many(LONGEST_PATH));
    }
    faults.or(())
}

/// The document after all operations, or the numbers of those that clash with what it holds.
pub fn apply(document: &Value, operations: &[Operation]) -> Result<Value, Vec<usize>> {
    let mut changed = document.clone();
    let clashes: Vec<usize> = (0..operations.len())
        .filter(|&i| !set(&mut changed, "", &operations[i].path, &operations[i]))
        .collect();
    if clashes.is_empty() { Ok(changed) } else { Err(clashes) }
}

/// Whether two values are the same: numbers by their value, and null is the same as nothing.
pub fn same(one: &Value, other: &Value) -> bool {
    match (one, other) {
        (Value::Number(one), Value::Number(other)) => one.as_f64() == other.as_f64(),
        (Value::Array(one), Value::Array(other)) => {
            one.len() == other.len() && one.iter().zip(other).all(|(one, other)| same(one, other))
        }
        (Value::Object(one), Value::Object(other)) => {
            let known = |a: &Map<String, Value>, b: &Map<String, Value>| {
                a.iter().all(|(name, value)| same(value, b.get(name).unwrap_or(&Value::Null)))
            };
            known(one, other) && known(other, one)
        }
        _ => one == other,
    }
}

/// Carries out an operation below a value of that name; whether it could be.
fn set(node: &mut Value, name: &str, path: &[String], operation: &Operation) -> bool {
    let Some((key, rest)) = path.split_first() else { return false };
    if node.is_null() && operation.value.is_null() {
        // What is to go is gone.
        return true;
    }
    let identity = LISTS.iter().find(|(list, _)| *list == name).map(|(_, identity)| *identity);
    if let Some(identity) = identity
        && (node.is_null() || node.is_array())
    {
        if node.is_null() {
            *node = Value::Array(Vec::new());
        }
        return node
            .as_array_mut()
            .is_some_and(|members| set_member(members, identity, key, rest, operation));
    }
    if node.is_null() {
        *node = Value::Object(Map::new());
    }
    let Some(members) = node.as_object_mut() else { return false };
    let member = members.entry(key.as_str()).or_insert(Value::Null);
    let done =
        if rest.is_empty() { compare_and_set(member, operation) } else { set(member, key, rest, operation) };
    // A zone whose last figure is removed leaves no empty shell behind.
    if member.is_null() || (operation.value.is_null() && member.as_object().is_some_and(Map::is_empty)) {
        members.remove(key);
    }
    done
}

fn compare_and_set(present: &mut Value, operation: &Operation) -> bool {
    if same(present, &operation.value) {
        return true;
    }
    let unchanged = same(present, &operation.before);
    if unchanged {
        *present = operation.value.clone();
    }
    unchanged
}

fn set_member(
    members: &mut Vec<Value>,
    identity: Identity,
    key: &str,
    rest: &[String],
    operation: &Operation,
) -> bool {
    if key == ORDER && rest.is_empty() {
        return reorder(members, identity, operation);
    }
    let place = members.iter().position(|member| key_of(member, identity) == key);
    if !rest.is_empty() {
        // A figure of a member that somebody removed.
        return match place {
            Some(place) => set(&mut members[place], "", rest, operation),
            None => operation.value.is_null(),
        };
    }
    let mut member = match place {
        Some(_) if identity == Identity::Word => Value::Bool(true),
        Some(place) => members[place].clone(),
        None => Value::Null,
    };
    if !compare_and_set(&mut member, operation) {
        return false;
    }
    if identity == Identity::Word && !member.is_null() {
        member = Value::from(key);
    }
    match (place, member) {
        (Some(place), Value::Null) => {
            members.remove(place);
        }
        (Some(place), member) => members[place] = member,
        (None, Value::Null) => {}
        (None, member) => members.push(member),
    }
    true
}

/// Puts members in another order. One that the order doesn't name stays behind the one it followed.
fn reorder(members: &mut Vec<Value>, identity: Identity, operation: &Operation) -> bool {
    let present: Vec<String> = members.iter().map(|member| key_of(member, identity)).collect();
    let (Some(before), Some(wanted)) = (keys(&operation.before), keys(&operation.value)) else {
        return false;
    };
    let common = |of: &[String], with: &[String]| -> Vec<String> {
        of.iter().filter(|key| with.contains(key)).cloned().collect()
    };
    let unchanged = common(&present, &before) == common(&before, &present);
    if !unchanged && common(&present, &wanted) != common(&wanted, &present) {
        return false;
    }
    let places: HashMap<&String, usize> = wanted.iter().enumerate().map(|(i, key)| (key, i)).collect();
    let mut last = None;
    let mut all: Vec<(Option<usize>, Value)> = Vec::new();
    for (key, member) in present.iter().zip(members.drain(..)) {
        last = places.get(key).copied().or(last);
        all.push((last, member));
    }
    // The sort is stable, so one that isn't named keeps behind the one before it.
    all.sort_by_key(|(place, _)| *place);
    members.extend(all.into_iter().map(|(_, member)| member));
    true
}

fn keys(order: &Value) -> Option<Vec<String>> {
    order.as_array()?.iter().map(|key| key.as_str().map(str::to_owned)).collect()
}

/// What distinguishes a member of a list.
fn key_of(member: &Value, identity: Identity) -> String {
    let found = match identity {
        Identity::Id => &member["id"],
        Identity::At => &member["at"],
        Identity::Patch => &member["patch"],
        Identity::Word => member,
    };
    found.as_str().map_or_else(|| found.to_string(), str::to_owned)
}

#[cfg(test)]
mod tests {
    use super::*;
    use serde_json::json;

    /// Cases that the browser's half of this is tested on, too.
    const CASES: &str = include_str!("edit_cases.json");

    #[test]
    fn edits_do_what_the_shared_cases_say() {
        let cases: Vec<Value> = serde_json::from_str(CASES).expect("cases");
        for case in &cases {
            let operations: Vec<Operation> =
                serde_json::from_value(case["operations"].clone()).expect("operations");
            match apply(&case["document"], &operations) {
                Ok(changed) => assert!(same(&changed, &case["after"]), "{}: {changed}", case["name"]),
                Err(clashes) => assert_eq!(json!(clashes), case["clashes"], "{}", case["name"]),
            }
        }
        assert!(cases.len() > 12);
    }

    #[test]
    fn an_edit_that_is_repeated_changes_nothing_more_and_disjoint_ones_land_in_either_order() {
        let cases: Vec<Value> = serde_json::from_str(CASES).expect("cases");
        for case in cases.iter().filter(|case| case["after"] != Value::Null) {
            let operations: Vec<Operation> =
                serde_json::from_value(case["operations"].clone()).expect("operations");
            assert!(
                same(&apply(&case["after"], &operations).expect("it has landed"), &case["after"]),
                "{}",
                case["name"]
            );
            let other = [Operation { path: vec!["elsewhere".into()], before: Value::Null, value: json!(1) }];
            let [one, two] = [[&operations[..], &other], [&other, &operations[..]]].map(|order| {
                apply(&apply(&case["document"], order[0]).expect("first"), order[1]).expect("second")
            });
            assert!(same(&one, &two), "{}", case["name"]);
        }
    }
}
