//! Edits of a document: operations on paths, each of which says what stood there before. Edits of different figures merge; two
//! edits of the same figure clash.
//!
//! An operation is a compare-and-set: it applies where its path still holds what it held when the change was made, or holds
//! the new value already. So the order in which disjoint edits arrive doesn't matter, and a repeated one changes nothing.

use crate::error::{FieldErrors, Problem};
use crate::message::{Arg, Message};
use serde::{Deserialize, Serialize};
use serde_json::{Map, Value};
use std::collections::{HashMap, HashSet};

/// Most operations of one edit: sixty moves that take the place of sixty others.
pub const MOST_OPERATIONS: usize = 1000;

/// Longest path of an operation; no document is as deep.
pub const LONGEST_PATH: usize = 16;

/// Deepest nesting of a value, and of a document that is kept: what the database accepts of JSON.
pub const DEEPEST: usize = 30;

/// Most entries of a list or names of a group within a value; no document has as many.
pub const MOST_ENTRIES: usize = 500;

/// Most values within the values of one edit, counted with those that hold others: three hundred times what the largest cut that
/// ships has.
pub const MOST_VALUES: usize = 60_000;

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

/// Checks that there are operations, that they are as many, as deep and as wide as a document can need, and that a member of a
/// list has the id that its path names.
pub fn check(operations: &[Operation]) -> Result<(), FieldErrors> {
    let mut faults = FieldErrors::default();
    if operations.is_empty() {
        faults.push("operations", Problem::Missing);
    }
    if operations.len() > MOST_OPERATIONS {
        faults.push("operations", Problem::too_many(MOST_OPERATIONS));
        return Err(faults);
    }
    let mut values_left = MOST_VALUES;
    for (i, operation) in operations.iter().enumerate() {
        let mut fault = |field: &str, problem| faults.push(format!("operations.{i}.{field}"), problem);
        if operation.path.is_empty() {
            fault("path", Problem::Missing);
        }
        if operation.path.len() > LONGEST_PATH {
            fault("path", Problem::too_many(LONGEST_PATH));
        }
        for (field, value) in [("before", &operation.before), ("value", &operation.value)] {
            if let Err(problem) = bounded(value, &mut values_left) {
                fault(field, problem);
            }
        }
        if !names_its_member(operation) {
            fault("value", Problem::contradicts("fault-other-member"));
        }
        if values_left == 0 {
            break;
        }
    }
    faults.or(())
}

/// Whether a value is no deeper and no wider than a document can be. It is walked level by level, so that its depth is no
/// recursion's.
fn bounded(value: &Value, values_left: &mut usize) -> Result<(), Problem> {
    let mut level = vec![value];
    for _ in 0..DEEPEST {
        let Some(left) = values_left.checked_sub(level.len()) else {
            *values_left = 0;
            return Err(Problem::too_many(MOST_VALUES));
        };
        *values_left = left;
        let mut below = Vec::new();
        for value in level {
            let entries = value.as_array().map_or(0, Vec::len) + value.as_object().map_or(0, Map::len);
            if entries > MOST_ENTRIES {
                return Err(Problem::too_many(MOST_ENTRIES));
            }
            below.extend(value.as_array().into_iter().flatten());
            below.extend(value.as_object().into_iter().flat_map(Map::values));
        }
        if below.is_empty() {
            return Ok(());
        }
        level = below;
    }
    Err(Message::new("fault-nested").with("most", Arg::Number(DEEPEST as f64)).into())
}

/// Whether a member that is put into a list is the one that the path names.
fn names_its_member(Operation { path, value, .. }: &Operation) -> bool {
    let [.., list, key] = &path[..] else { return true };
    let identity = LISTS.iter().find(|(name, _)| name == list).map(|(_, identity)| *identity);
    match identity {
        Some(identity) if identity != Identity::Word && key != ORDER && value.is_object() => {
            key_of(value, identity) == *key
        }
        _ => true,
    }
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
            // Each pair is compared once: comparing from both sides would double the work with every level.
            one.iter().all(|(name, value)| same(value, other.get(name).unwrap_or(&Value::Null)))
                && other.iter().all(|(name, value)| value.is_null() || one.contains_key(name))
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
        let with: HashSet<&String> = with.iter().collect();
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

    fn operation(path: &[&str], value: Value) -> Operation {
        let path = path.iter().map(|name| (*name).to_owned()).collect();
        Operation { path, before: Value::Null, value }
    }

    /// An object that holds an object, so many levels deep.
    fn nested(levels: usize) -> Value {
        (0..levels).fold(json!({"x": 1}), |value, _| json!({ "a": value }))
    }

    #[test]
    fn values_are_compared_once_however_deep_they_are() {
        // Each level was once compared from both sides: sixty levels took for ever.
        assert!(same(&nested(120), &nested(120)) && !same(&nested(120), &nested(119)));
        let (one, more) = (json!({"a": {"b": null, "c": 1}}), json!({"a": {"c": 1.0}, "d": null}));
        assert!(same(&one, &more) && same(&more, &one));
        let (one, more) = (json!({"a": 1}), json!({"a": 1, "b": 0}));
        assert!(!same(&one, &more) && !same(&more, &one));
    }

    #[test]
    fn an_edit_is_as_deep_wide_and_large_as_a_document_can_need() {
        let faults = |operations: &[Operation]| check(operations).err().unwrap_or_default().0;
        let fields = |operations: &[Operation]| -> Vec<String> {
            faults(operations).into_iter().map(|fault| fault.field).collect()
        };
        assert_eq!(fields(&[]), ["operations"]);
        assert!(fields(&[operation(&["note"], nested(DEEPEST - 2))]).is_empty());
        assert_eq!(fields(&[operation(&["note"], nested(DEEPEST))]), ["operations.0.value"]);
        assert!(fields(&[operation(&["note"], json!(vec![0; MOST_ENTRIES]))]).is_empty());
        assert_eq!(fields(&[operation(&["note"], json!(vec![0; MOST_ENTRIES + 1]))]), ["operations.0.value"]);
        assert_eq!(fields(&[operation(&[], json!(1))]), ["operations.0.path"]);
        let large = vec![operation(&["note"], json!(vec![vec![0; 400]; 100])); 2];
        assert_eq!(fields(&large), ["operations.1.value"]);
    }

    #[test]
    fn a_member_has_the_id_that_its_path_names() {
        let wrong = |path: &[&str], value| check(&[operation(path, value)]).is_err();
        assert!(wrong(&["cut", "moves", "8"], json!({"id": 9})));
        assert!(wrong(&["cut", "moves", "8"], json!({"name": "without"})));
        assert!(!wrong(&["cut", "moves", "8"], json!({"id": 8})));
        assert!(wrong(&["line", "nape"], json!({"at": "left_ear"})));
        assert!(!wrong(&["cut", "moves", "8", "state"], json!({"comb": "wide"})));
        assert!(!wrong(&["cut", "moves", "order"], json!(["8"])));
        assert!(!wrong(&["reasons", "flat"], json!(true)));
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
