//! Saving under a lock, and a visit as a file.

use crate::app::{App, refused};
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};
use spirel_core::reading::{FigureKind, ZoneFigure};
use spirel_core::stage::{Stage, StageDocuments};
use std::collections::BTreeSet;

const JSON: (&str, &str) = ("content-type", "application/json");

#[tokio::test]
async fn whoever_saves_second_is_shown_what_stands() {
    let app = App::start().await;
    let wren = app.signed_in("wren@saltmarsh.example").await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    let path = format!("/api/visits/{}/stages/read", wren.visit("Bastian Crook").await);
    let save =
        |sprung: f64| json!({"base_version": 1, "document": {"zones": {"top": {"sprung_mm": sprung}}}});
    let first: Value = wren.put(&path, &save(41.0)).await.json().await.unwrap();
    assert_eq!((&first["version"], &first["saved_by"]), (&json!(2), &json!("Wren Calloway")));
    let problem = refused(ivo.put(&path, &save(42.0)).await, StatusCode::CONFLICT).await;
    assert_eq!(problem["current"]["body"]["zones"]["top"]["sprung_mm"], 41.0);
    assert_eq!(problem["current"]["version"], 2);
    assert!(problem["detail"].as_str().unwrap().starts_with("Wren Calloway"));
    // The same save again, as after a lost answer, lands once.
    let again: Value = wren.put(&path, &save(41.0)).await.json().await.unwrap();
    assert_eq!(again["version"], 2);
}

#[tokio::test]
async fn every_table_of_the_demo_comes_back_as_the_zones_it_was_made_from() {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    for name in ["Tova Quill", "Sunniva Drake", "Bastian Crook", "Pip Lanner"] {
        let visit = ivo.visit(name).await;
        let table = ivo.get(&format!("/api/visits/{visit}/export.csv")).await.text().await.unwrap();
        let taken: Value = ivo.post("/api/compute/csv", &json!({"text": table})).await.json().await.unwrap();
        assert_eq!(taken["refused"], json!([]), "{name}");
        let file: Value = ivo.read(&format!("/api/visits/{visit}/export.json")).await;
        let untouched = json!({"moisture": "dry", "strands": 1});
        for (zone, read) in taken["zones"].as_object().unwrap() {
            let was = &file["read"]["zones"][zone];
            assert_eq!(read, if was.is_null() { &untouched } else { was }, "{name} {zone}");
        }
    }
    let none = ivo.post("/api/compute/csv", &json!({"text": ""})).await;
    let problem = refused(none, StatusCode::UNPROCESSABLE_ENTITY).await;
    assert_eq!(problem["fields"][0]["field"], "text");
}

#[tokio::test]
async fn what_was_seen_of_the_curl_comes_back_out_of_its_table() {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    let visit = ivo.visit("Bastian Crook").await;
    let nape = json!({"stretched_mm": 180.0, "sprung_mm": 90.0, "moisture": "dry", "strands": 1,
        "loop_mm": 11.5, "turns": 6.0, "curl": "coil"});
    let save = json!({"base_version": 1, "document": {"zones": {"nape": nape}}});
    assert_eq!(ivo.put(&format!("/api/visits/{visit}/stages/read"), &save).await.status(), StatusCode::OK);
    let table = ivo.get(&format!("/api/visits/{visit}/export.csv")).await.text().await.unwrap();
    let taken: Value = ivo.post("/api/compute/csv", &json!({"text": table})).await.json().await.unwrap();
    assert_eq!((&taken["zones"]["nape"], &taken["refused"]), (&nape, &json!([])));
}

#[tokio::test]
async fn a_reading_is_told_beside_the_last_one_before_it_to_the_house_alone() {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    let (client, visit) = (ivo.client("Tova Quill").await, ivo.visit("Tova Quill").await);
    let path = format!("/api/visits/{visit}/since-last");
    let told = ivo.read(&path).await;
    let all = ivo.read(&format!("/api/clients/{client}/visits")).await;
    assert_eq!(told["since"], all[1]["on_date"], "the visit before the newest");
    let zone = &told["zones"][0];
    assert!(zone["shrinkage"]["before"].is_number() && zone["stretched_mm"]["sure"].is_boolean(), "{zone}");
    // The first reading of a client has none before it.
    let first = all.as_array().unwrap().last().unwrap()["id"].as_str().unwrap().to_owned();
    let none = ivo.read(&format!("/api/visits/{first}/since-last")).await;
    assert_eq!((&none["since"], &none["zones"]), (&Value::Null, &json!([])));
    let stranger = app.signed_in("sela@gannet.example").await;
    refused(stranger.get(&path).await, StatusCode::NOT_FOUND).await;
}

#[tokio::test]
async fn pictures_to_compare_with_come_as_they_are_asked_for() {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    let curls = ivo.read("/api/curls").await;
    assert_eq!(curls.as_array().unwrap().len(), 7);
    assert!(curls[6]["loop_mm"].as_f64().unwrap() < 3.0);
    let scalp = ivo.get("/api/densities/180").await;
    assert_eq!(scalp.headers()["content-type"], "image/png");
    for odd in ["/api/densities/20", "/api/densities/many"] {
        assert_eq!(ivo.get(odd).await.status(), StatusCode::NOT_FOUND, "{odd}");
    }
}

#[tokio::test]
async fn who_measured_what_and_when_is_told_figure_by_figure_to_the_house_alone() {
    let app = App::start().await;
    let wren = app.signed_in("wren@saltmarsh.example").await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    let visit = ivo.visit("Bastian Crook").await;
    let zone = |sprung: f64, with: Value| json!({"zones": {"nape": {"stretched_mm": 180.0, "sprung_mm": sprung, "with": with}}});
    for (browser, base, document) in
        [(&ivo, 1, zone(90.0, json!({}))), (&wren, 2, zone(84.0, json!({"sprung_mm": {"sd": 1.0}})))]
    {
        let body = json!({"base_version": base, "document": document});
        assert_eq!(
            browser.put(&format!("/api/visits/{visit}/stages/read"), &body).await.status(),
            StatusCode::OK
        );
    }
    let path = format!("/api/visits/{visit}/figures/nape");
    let rows = ivo.read(&path).await;
    let said: Vec<_> = rows
        .as_array()
        .unwrap()
        .iter()
        .map(|row| (row["field"].as_str().unwrap(), row["value"].as_f64(), row["by"].as_str().unwrap()))
        .collect();
    let expected = [
        ("stretched_mm", Some(180.0), "Ivo Tarrant"),
        ("sprung_mm", Some(90.0), "Ivo Tarrant"),
        ("sprung_mm", Some(84.0), "Wren Calloway"),
    ];
    assert_eq!(said, expected);
    assert_eq!(rows[2]["instrument_sd"], 1.0);

    let knee = format!("/api/visits/{visit}/figures/knee");
    refused(ivo.get(&knee).await, StatusCode::NOT_FOUND).await;
    let sela = app.signed_in("sela@gannet.example").await;
    refused(sela.get(&path).await, StatusCode::NOT_FOUND).await;
}

#[tokio::test]
async fn every_visit_of_the_demo_goes_out_as_a_file_and_comes_back_the_same() {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    let target = ivo.client("Nell Tidewater").await;
    let mut seen = 0;
    for client in ivo.read("/api/clients").await["clients"].as_array().unwrap() {
        let visits = ivo.read(&format!("/api/clients/{}/visits", client["id"].as_str().unwrap())).await;
        for visit in visits.as_array().unwrap() {
            let out = ivo.get(&format!("/api/visits/{}/export.json", visit["id"].as_str().unwrap())).await;
            let name = out.headers()["content-disposition"].to_str().unwrap().to_owned();
            assert!(name.starts_with("attachment; filename=\"visit-20"), "{name}");
            let file = out.text().await.unwrap();
            assert!(!file.contains(client["name"].as_str().unwrap()), "a file lies about: no name in it");
            let import = ivo.ask(Method::POST, &format!("/api/clients/{target}/import"));
            let back = import.header(JSON.0, JSON.1).body(file.clone()).send().await.unwrap();
            assert_eq!(back.status(), StatusCode::CREATED);
            let back: Value = back.json().await.unwrap();
            let again = ivo.get(&format!("/api/visits/{}/export.json", back["id"].as_str().unwrap())).await;
            assert_eq!(again.text().await.unwrap(), file);
            seen += 1;
        }
    }
    assert!(seen > 12, "{seen}");
}

#[tokio::test]
async fn a_file_with_a_fault_is_refused_whole_with_field_and_line() {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    let file = ivo
        .get(&format!("/api/visits/{}/export.json", ivo.visit("Tova Quill").await))
        .await
        .text()
        .await
        .unwrap();
    let client = ivo.client("Nell Tidewater").await;
    let import = async |text: String| {
        let ask = ivo.ask(Method::POST, &format!("/api/clients/{client}/import"));
        ask.header(JSON.0, JSON.1).body(text).send().await.unwrap()
    };
    let line = |needle: &str| file.lines().position(|line| line.contains(needle)).unwrap() + 1;
    let stretched = file.lines().find(|line| line.contains("\"stretched_mm\"")).unwrap().to_owned();

    let wrong = refused(
        import(file.replacen(&stretched, "\"stretched_mm\": -4.0,", 1)).await,
        StatusCode::UNPROCESSABLE_ENTITY,
    )
    .await;
    assert_eq!(wrong["fields"][0]["line"], line("\"stretched_mm\""), "{wrong}");
    assert!(wrong["fields"][0]["field"].as_str().unwrap().ends_with(".stretched_mm"), "{wrong}");
    let unknown = refused(
        import(file.replacen("\"read\": {", "\"read\": {\n\"hue\": 3,", 1)).await,
        StatusCode::UNPROCESSABLE_ENTITY,
    )
    .await;
    assert_eq!(unknown["fields"][0]["field"], "read.hue");
    let cut_off = refused(import(file[..file.len() / 2].to_owned()).await, StatusCode::BAD_REQUEST).await;
    assert!(cut_off["fields"][0]["line"].as_u64().unwrap() > 1, "{cut_off}");
    let newer = import(file.replacen("\"version\": 2", "\"version\": 3", 1)).await;
    assert_eq!(refused(newer, StatusCode::UNPROCESSABLE_ENTITY).await["fields"][0]["field"], "version");
    assert_eq!(ivo.read(&format!("/api/clients/{client}/visits")).await, json!([]), "nothing came in");
}

#[tokio::test]
async fn the_table_of_a_visit_has_a_row_a_zone_and_the_marks_the_page_shows() {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    let visit = ivo.visit("Sunniva Drake").await;
    let out = ivo.get(&format!("/api/visits/{visit}/export.csv")).await;
    assert_eq!(out.headers()["content-type"], "text/csv; charset=utf-8");
    let table = out.text().await.unwrap();
    let mut rows = csv::Reader::from_reader(table.as_bytes());
    let columns = rows.headers().unwrap().clone();
    let at = |name: &str| columns.iter().position(|column| column == name).unwrap();
    let rows: Vec<csv::StringRecord> = rows.records().map(Result::unwrap).collect();
    assert_eq!(rows.len(), 8);

    let documents = ivo.read(&format!("/api/visits/{visit}")).await;
    let body = |stage: &str| {
        let all = documents["documents"].as_array().unwrap();
        all.iter().find(|document| document["stage"] == stage).unwrap()["body"].clone()
    };
    let request =
        json!({"reading": body("read"), "aim": body("aim"), "worn": body("talk")["worn"], "unit": "cm"});
    let sheet: Value = ivo.post("/api/compute/marks", &request).await.json().await.unwrap();
    let mut compared = 0;
    for zone in sheet["zones"].as_array().unwrap() {
        let row = rows.iter().find(|row| row[at("zone")] == zone["zone"]).unwrap();
        let Some(result) = zone["result"].as_object() else {
            assert_eq!(&row[at("comb_mm")], "");
            continue;
        };
        let states = result["states"].as_array().unwrap();
        let advised = states.iter().find(|state| state["state"] == result["advised"]).unwrap();
        let held: f64 = row[at("held_mm")].parse().unwrap();
        assert_eq!(held, advised["mark"]["held_mm"].as_f64().unwrap());
        compared += 1;
    }
    assert!(compared > 0);
}

/// Whatever figures there are: one that is added goes into the table and the history and comes back without a line here.
#[tokio::test]
async fn every_figure_of_a_zone_comes_back_out_of_its_table_and_stands_in_its_history() {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    let visit = ivo.visit("Bastian Crook").await;
    let mut nape = json!({"moisture": "dry", "strands": 1});
    for figure in ZoneFigure::ALL.iter().filter(|figure| figure.rule().kind != FigureKind::Place) {
        let (least, greatest) = figure.rule().range;
        // No length is longer than another may be: all are the least that all can be.
        nape[figure.key()] = match figure.rule().kind {
            FigureKind::Word => figure.words().pop().unwrap(),
            FigureKind::Colour => json!("#7a5238"),
            FigureKind::Length => json!(least.max(10.0)),
            _ if figure.key() == "strands" => json!(3),
            _ => json!(f64::midpoint(least, greatest)),
        };
    }
    let save = json!({"base_version": 1, "document": {"zones": {"nape": nape}}});
    assert_eq!(ivo.put(&format!("/api/visits/{visit}/stages/read"), &save).await.status(), StatusCode::OK);
    let table = ivo.get(&format!("/api/visits/{visit}/export.csv")).await.text().await.unwrap();
    let taken: Value = ivo.post("/api/compute/csv", &json!({"text": table})).await.json().await.unwrap();
    assert_eq!((&taken["zones"]["nape"], &taken["refused"]), (&nape, &json!([])));
    let history = ivo.read(&format!("/api/visits/{visit}/figures/nape")).await;
    let said: BTreeSet<&str> =
        history.as_array().unwrap().iter().map(|row| row["field"].as_str().unwrap()).collect();
    assert_eq!(said, nape.as_object().unwrap().keys().map(String::as_str).collect());
}

/// Whatever stages there are: one that is added is kept, listed, exported and read back without a line here.
#[tokio::test]
async fn every_stage_is_saved_listed_exported_and_read_again() {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    let client = ivo.client("Bastian Crook").await;
    let begun = ivo.post(&format!("/api/clients/{client}/visits"), &json!({"on_date": "2026-03-14"})).await;
    let visit: Value = begun.json().await.unwrap();
    let visit = visit["id"].as_str().unwrap();
    let empty = serde_json::to_value(StageDocuments::default()).unwrap();
    for stage in Stage::ALL {
        let path = format!("/api/visits/{visit}/stages/{}", stage.key());
        let save = json!({"base_version": 0, "document": empty[stage.key()]});
        let saved: Value = ivo.put(&path, &save).await.json().await.unwrap();
        assert_eq!((&saved["stage"], &saved["version"]), (&json!(stage), &json!(1)), "{stage:?}");
        let odd = json!({"base_version": 1, "document": {"no_such_field": 1}});
        refused(ivo.put(&path, &odd).await, StatusCode::UNPROCESSABLE_ENTITY).await;
    }
    let nowhere = format!("/api/visits/{visit}/stages/nowhere");
    refused(ivo.put(&nowhere, &json!({"base_version": 0, "document": {}})).await, StatusCode::NOT_FOUND)
        .await;
    let listed = ivo.read(&format!("/api/clients/{client}/visits")).await;
    let row = listed.as_array().unwrap().iter().find(|row| row["id"] == visit).unwrap();
    let reached: Vec<_> = row["stages"].as_object().unwrap().values().collect();
    assert_eq!(reached, vec![&json!(1); Stage::ALL.len()]);
    let file = ivo.read(&format!("/api/visits/{visit}/export.json")).await;
    let again: Value = ivo.post(&format!("/api/clients/{client}/import"), &file).await.json().await.unwrap();
    assert_eq!(again["documents"].as_array().unwrap().len(), Stage::ALL.len());
    assert!(Stage::ALL.iter().all(|stage| file[stage.key()] == empty[stage.key()]));
}
