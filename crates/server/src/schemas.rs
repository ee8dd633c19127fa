//! The descriptions that are committed: the API's, and a JSON Schema of each document that is read or written.

use crate::contract::Contract;
use crate::exchange::VisitFile;
use crate::http;
use serde_json::{Map, Value, json};
use spirel_core::cut::Cut;
use spirel_core::devices::{FromApp, ToApp};
use spirel_core::fibre::{HangRequest, HangResult};
use spirel_core::mark::{MarkAnswer, MarkRequest};
use spirel_core::method::Method;
use spirel_core::plan::{FallAnswer, FallRequest, JudgeAnswer};
use spirel_core::planner::{PlanAnswer, PlanRequest};
use spirel_core::scope::HairCount;
use std::path::Path;
use std::{fs, io};
use utoipa::openapi::RefOr;
use utoipa::openapi::schema::Schema;
use utoipa::{PartialSchema, ToSchema};

/// The API's description as it is committed in docs/openapi.json.
pub fn openapi_text() -> serde_json::Result<String> {
    serde_json::to_string_pretty(&http::openapi())
}

/// What the browser has to know beside types, as it is committed in web/src/api/contract.gen.json.
pub fn contract_text() -> serde_json::Result<String> {
    text_of(&serde_json::to_value(Contract::default())?)
}

/// Every schema with its file name.
pub fn all() -> Vec<(&'static str, Value)> {
    vec![
        ("cut.schema.json", schema::<Cut>("A cut: moves over parted hair")),
        ("fall-request.schema.json", schema::<FallRequest>("What `spirel compute fall` reads")),
        ("fall-answer.schema.json", schema::<FallAnswer>("What `spirel compute fall` writes")),
        ("judge-answer.schema.json", schema::<JudgeAnswer>("What `spirel compute judge` writes")),
        (
            "method.schema.json",
            schema::<Method>(
                "A way of working: a cut with free figures, for whom it is, and what it refuses",
            ),
        ),
        ("plan-request.schema.json", schema::<PlanRequest>("What `spirel compute plan` reads")),
        ("plan-answer.schema.json", schema::<PlanAnswer>("What `spirel compute plan` writes")),
        ("hair-count.schema.json", schema::<HairCount>("What `spirel compute count` writes")),
        ("instrument-from-app.schema.json", schema::<FromApp>("What an application tells instruments")),
        ("instrument-to-app.schema.json", schema::<ToApp>("What instruments tell an application")),
        ("visit.schema.json", schema::<VisitFile>("A visit, exported and imported")),
        ("mark-request.schema.json", schema::<MarkRequest>("What `spirel compute mark` reads")),
        ("mark-answer.schema.json", schema::<MarkAnswer>("What `spirel compute mark` writes")),
        ("hang-request.schema.json", schema::<HangRequest>("What `spirel compute hang` reads")),
        ("hang-result.schema.json", schema::<HangResult>("What `spirel compute hang` writes")),
    ]
}

/// Writes them all into `folder`.
pub fn write_all(folder: &Path) -> io::Result<()> {
    fs::create_dir_all(folder)?;
    for (name, schema) in all() {
        fs::write(folder.join(name), text_of(&schema)?)?;
    }
    Ok(())
}

/// A schema as it is committed.
pub fn text_of(schema: &Value) -> serde_json::Result<String> {
    Ok(serde_json::to_string_pretty(schema)? + "\n")
}

/// The JSON Schema (2020-12, which OpenAPI 3.1 uses) of a document, whole in itself.
fn schema<T: ToSchema>(title: &str) -> Value {
    let mut parts: Vec<(String, RefOr<Schema>)> = Vec::new();
    T::schemas(&mut parts);
    let definitions: Map<String, Value> =
        parts.into_iter().map(|(name, part)| (name, local(json!(part)))).collect();
    let mut document = Map::new();
    document.insert("$schema".into(), json!("https://json-schema.org/draft/2020-12/schema"));
    document.insert("title".into(), json!(title));
    if let Value::Object(own) = local(json!(<T as PartialSchema>::schema())) {
        document.extend(own);
    }
    document.insert("$defs".into(), Value::Object(definitions));
    Value::Object(document)
}

/// The same with references into the document itself instead of an API's components.
fn local(value: Value) -> Value {
    match value {
        Value::Object(members) => Value::Object(
            members
                .into_iter()
                .map(|(name, member)| match (name.as_str(), &member) {
                    ("$ref", Value::String(to)) => {
                        (name, json!(to.replace("#/components/schemas/", "#/$defs/")))
                    }
                    _ => (name, local(member)),
                })
                .collect(),
        ),
        Value::Array(items) => Value::Array(items.into_iter().map(local).collect()),
        other => other,
    }
}
