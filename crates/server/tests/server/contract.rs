//! What is committed as the contract is what the program speaks, and its examples hold.

use crate::app::App;
use serde_json::{Value, json};
use spirel::schemas;
use std::fs;
use std::path::{Path, PathBuf};
use std::process::Command;

fn root() -> PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR")).join("../..")
}

fn committed(path: &str) -> String {
    fs::read_to_string(root().join("docs").join(path)).unwrap_or_else(|e| panic!("docs/{path}: {e}"))
}

fn valid(schema: &str, document: &Value) {
    let schema: Value = serde_json::from_str(&committed(&format!("formats/{schema}"))).unwrap();
    let validator = jsonschema::draft202012::new(&schema).unwrap();
    let faults: Vec<String> =
        validator.iter_errors(document).map(|e| format!("{} {e}", e.instance_path())).collect();
    assert_eq!(faults, Vec::<String>::new());
}

#[test]
fn the_committed_descriptions_are_the_programs_own() {
    let again = "run `make contract` and commit what changed";
    assert!(committed("openapi.json").trim_end() == schemas::openapi_text().unwrap(), "{again}");
    let contract = fs::read_to_string(root().join("web/src/api/contract.gen.json")).unwrap();
    assert!(contract == schemas::contract_text().unwrap(), "{again}");
    for (name, schema) in schemas::all() {
        assert_eq!(
            committed(&format!("formats/{name}")),
            schemas::text_of(&schema).unwrap(),
            "{name}: {again}"
        );
    }
}

#[tokio::test]
async fn what_goes_out_follows_its_schema() {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    for name in ["Tova Quill", "Kit Bowline", "Sunniva Drake"] {
        let visit = ivo.visit(name).await;
        valid("visit.schema.json", &ivo.read(&format!("/api/visits/{visit}/export.json")).await);
    }
    let cuts = ivo.read("/api/cuts").await;
    for shipped in cuts.as_array().unwrap() {
        valid("cut.schema.json", &shipped["cut"]);
        let zone = json!({"stretched_mm": 400.0, "sprung_mm": 300.0});
        let request =
            json!({"reading": {"zones": {"top": zone}}, "plan": {"cut": shipped["cut"]}, "show_move": 0});
        valid("fall-request.schema.json", &request);
        let answer = ivo.post("/api/compute/fall", &request).await;
        valid("fall-answer.schema.json", &answer.json().await.unwrap());
    }
    let request = json!({"reading": {"stretched_mm": 300.0, "sprung_mm": 150.0}, "target_worn_mm": 120.0});
    valid("mark-request.schema.json", &request);
    valid("mark-answer.schema.json", &ivo.post("/api/compute/mark", &request).await.json().await.unwrap());
}

#[test]
fn a_schema_tells_a_wrong_document_from_a_right_one() {
    let schema: Value = serde_json::from_str(&committed("formats/mark-request.schema.json")).unwrap();
    let validator = jsonschema::draft202012::new(&schema).unwrap();
    let zone = json!({"stretched_mm": 300.0, "sprung_mm": 150.0});
    assert!(validator.is_valid(&json!({"reading": zone, "target_worn_mm": 120.0})));
    assert!(!validator.is_valid(&json!({"reading": zone})));
    assert!(!validator.is_valid(&json!({"reading": zone, "target_worn_mm": "120"})));
    assert!(!validator.is_valid(&json!({"reading": zone, "target_worn_mm": 120.0, "colour": 1})));
}

/// An example that is shown in the description of the formats.
fn example(heading: &str) -> Value {
    let text = committed("formats/README.md");
    let below = text.split(heading).nth(1).unwrap();
    let example = below.split("```json").nth(1).and_then(|rest| rest.split("```").next()).unwrap();
    serde_json::from_str(example).unwrap()
}

#[test]
fn the_zones_in_the_documentation_are_ones_that_are_taken() {
    let reading: spirel_core::reading::RawReading =
        serde_json::from_value(json!({"zones": example("## Zones of a reading")})).unwrap();
    assert_eq!(reading.check(), Ok(()));
    assert_eq!(reading.read_patches().len(), 4);
}

#[test]
fn the_move_in_the_documentation_is_one_that_is_taken() {
    let example = example("## A move");
    let cut = json!({"format": "spirel.cut", "version": 1, "name": "example", "moves": [example]});
    let schema: Value = serde_json::from_str(&committed("formats/cut.schema.json")).unwrap();
    assert!(jsonschema::draft202012::new(&schema).unwrap().is_valid(&cut));
    let read: spirel_core::cut::Cut = serde_json::from_value(cut).unwrap();
    assert_eq!(read.check(), Ok(()));
}

/// The core stays pure: what it is built from can't reach a network, a database or a web framework.
/// What a package is made of, by name.
fn parts_of(package: &str, with: &[&str]) -> Vec<String> {
    let cargo = std::env::var("CARGO").unwrap_or_else(|_| "cargo".into());
    let out = Command::new(cargo)
        .args(["tree", "--offline", "--package", package, "--edges", "normal", "--prefix", "none"])
        .args(with)
        .current_dir(root())
        .output()
        .unwrap();
    assert!(out.status.success(), "{}", String::from_utf8_lossy(&out.stderr));
    let tree = String::from_utf8_lossy(&out.stdout);
    assert!(tree.starts_with(&format!("{package} ")), "{tree}");
    tree.lines().map(|line| line.split(' ').next().unwrap_or_default().to_owned()).collect()
}

#[test]
fn a_salons_binary_has_no_stand_ins_in_it() {
    assert!(!parts_of("spirel", &[]).contains(&"spirel-instruments".to_owned()));
    assert!(parts_of("spirel", &["--features", "demo"]).contains(&"spirel-instruments".to_owned()));
}

#[test]
fn the_core_pulls_in_nothing_that_does_input_or_output() {
    for name in parts_of("spirel-core", &["--features", "schema"]) {
        let forbidden = ["tokio", "sqlx", "actix", "mio", "reqwest", "hyper", "socket2"];
        assert!(!forbidden.iter().any(|crate_name| name.starts_with(crate_name)), "{name}");
    }
}
