//! The hair as it is: for every client of the demo it agrees with what was measured of it.

use crate::app::App;
use serde_json::{Value, json};

#[tokio::test]
async fn the_hair_of_every_client_lies_and_thins_as_it_was_measured() {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    let clients = ivo.read("/api/clients").await;
    let (mut lines, mut girths): (Vec<f64>, Vec<f64>) = (Vec::new(), Vec::new());
    for client in clients["clients"].as_array().unwrap() {
        let visits = ivo.read(&format!("/api/clients/{}/visits", client["id"].as_str().unwrap())).await;
        let Some(newest) = visits[0]["id"].as_str() else { continue };
        let visit = ivo.read(&format!("/api/visits/{newest}")).await;
        let of = |stage: &str| {
            visit["documents"].as_array().unwrap().iter().find(|d| d["stage"] == stage).cloned()
        };
        let Some(reading) = of("read").map(|read| read["body"].clone()) else { continue };
        if reading["line"].is_null() {
            continue;
        }
        let worn = of("talk").map_or(json!("as_it_springs"), |talk| talk["body"]["worn"].clone());
        let now: Value = ivo
            .post("/api/compute/now", &json!({"reading": reading, "worn": worn}))
            .await
            .json()
            .await
            .unwrap();
        let off = |agreement: &Value| {
            agreement["computed_mm"].as_f64().unwrap_or(f64::INFINITY)
                - agreement["measured_mm"].as_f64().unwrap()
        };
        for agreement in now["agreements"]["line"].as_array().unwrap() {
            assert!(off(agreement).abs() < 5.0, "{}: line {agreement}", client["name"]);
            lines.push(off(agreement).abs());
        }
        for agreement in now["agreements"]["girths"].as_array().unwrap() {
            let share = off(agreement) / agreement["measured_mm"].as_f64().unwrap();
            assert!(share.abs() < 0.05, "{}: girth {agreement}", client["name"]);
            girths.push(share.abs());
        }
    }
    assert!(lines.len() > 40 && girths.len() > 15, "{} {}", lines.len(), girths.len());
    let worst = |all: &[f64]| all.iter().copied().fold(0.0, f64::max);
    // What docs/accuracy.md says.
    assert!(worst(&lines) < 1.0 && worst(&girths) < 0.025, "{} mm, {}", worst(&lines), worst(&girths));
}
