//! Input that can't be: each fault is said at its field, nothing is saved, nothing breaks.

use crate::app::{App, Browser, refused};
use reqwest::{Method, Response, StatusCode};
use serde_json::{Value, json};

fn reading(zone: Value) -> Value {
    json!({"base_version": 0, "document": {"zones": {"nape": zone}}})
}

fn cut(moves: Value) -> Value {
    json!({"format": "spirel.cut", "version": 1, "name": "", "moves": moves})
}

async fn stylist() -> (App, Browser) {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    (app, ivo)
}

async fn new_visit(ivo: &Browser) -> String {
    let client = ivo.client("Nell Tidewater").await;
    let begun = ivo.post(&format!("/api/clients/{client}/visits"), &json!({"on_date": "2026-03-14"})).await;
    begun.json::<Value>().await.unwrap()["id"].as_str().unwrap().to_owned()
}

#[tokio::test]
async fn a_measure_that_cannot_be_is_refused_at_its_field_and_nothing_is_saved() {
    let (_app, ivo) = stylist().await;
    let visit = new_visit(&ivo).await;
    let table = [
        (json!({"stretched_mm": -300.0}), "stretched_mm", "out_of_range"),
        (json!({"stretched_mm": 0}), "stretched_mm", "out_of_range"),
        (json!({"stretched_mm": "NaN"}), "stretched_mm", "not_a_number"),
        (json!({"stretched_mm": null, "sprung_mm": true}), "sprung_mm", "not_a_number"),
        (json!({"stretched_mm": 10_000.0}), "stretched_mm", "out_of_range"),
        (json!({"stretched_mm": 150.0, "sprung_mm": 300.0}), "sprung_mm", "longer_than"),
        (json!({"stretched_mm": 150.0, "wet_sprung_mm": 150.1}), "wet_sprung_mm", "longer_than"),
        (json!({"width_um": 5.0}), "width_um", "out_of_range"),
        (json!({"strands": 0}), "strands", "out_of_range"),
        (json!({"strands": -1}), "strands", "not_a_number"),
        (json!({"hairs_per_cm2": 5.0}), "hairs_per_cm2", "out_of_range"),
        (json!({"hairs_per_cm2": 501.0}), "hairs_per_cm2", "out_of_range"),
        (json!({"width_class": "thick"}), "width_class", "unknown"),
        (json!({"moisture": 3}), "moisture", "contradicts"),
        (json!({"colour": "red"}), "colour", "contradicts"),
        (json!({"shade": "red"}), "shade", "unknown"),
    ];
    for (zone, field, kind) in table {
        let response = ivo.put(&format!("/api/visits/{visit}/stages/read"), &reading(zone.clone())).await;
        let problem = refused(response, StatusCode::UNPROCESSABLE_ENTITY).await;
        let fault = &problem["fields"][0];
        assert_eq!(fault["field"], format!("document.zones.nape.{field}"), "{zone}: {problem}");
        assert_eq!(fault["problem"]["kind"], kind, "{zone}: {problem}");
    }
    assert_eq!(ivo.read(&format!("/api/visits/{visit}")).await["documents"], json!([]));
}

#[tokio::test]
async fn a_visit_on_a_day_that_no_calendar_has_is_refused_and_the_list_can_still_be_read() {
    let (_app, ivo) = stylist().await;
    let client = ivo.client("Nell Tidewater").await;
    let visits = format!("/api/clients/{client}/visits");
    for day in ["+10000-01-01", "-0001-01-01", "0000-00-00", "1899-12-31", "2200-01-01", "2026-02-30", "soon"]
    {
        let begun =
            refused(ivo.post(&visits, &json!({"on_date": day})).await, StatusCode::UNPROCESSABLE_ENTITY)
                .await;
        assert_eq!(begun["fields"][0]["field"], "on_date", "{day}: {begun}");
        assert!(begun["detail"].as_str().unwrap().contains("from 1900 to 2199"), "{begun}");
        let file = json!({"format": "spirel.visit", "version": 2, "on_date": day});
        let import = ivo.post(&format!("/api/clients/{client}/import"), &file).await;
        let import = refused(import, StatusCode::UNPROCESSABLE_ENTITY).await;
        assert_eq!(import["fields"][0]["field"], "on_date", "{day}: {import}");
    }
    assert_eq!(ivo.read(&visits).await, json!([]));
}

#[tokio::test]
async fn of_a_file_with_thousands_of_faults_a_hundred_are_listed_with_their_lines() {
    let (_app, ivo) = stylist().await;
    let client = ivo.client("Nell Tidewater").await;
    let weight = json!({"along": "vertical", "thickness_mm": 15.0, "from": "nape_centre"});
    let thinned = json!({"name": "", "region": "everything", "state": {"moisture": "dry", "comb": "wide"},
        "technique": {"kind": "thin", "share": 2.0}, "kind": {"weight": weight}});
    let moves = vec![thinned.to_string(); 3000].join(",\n");
    let cut = format!(r#"{{"format": "spirel.cut", "version": 3, "name": "Many", "moves": [{moves}]}}"#);
    let file = format!(
        r#"{{"format": "spirel.visit", "version": 2, "on_date": "2026-03-14", "plan": {{"cut": {cut}}}}}"#
    );
    let import = ivo.ask(Method::POST, &format!("/api/clients/{client}/import"));
    let answer = import.header("content-type", "application/json").body(file).send().await.unwrap();
    let problem = refused(answer, StatusCode::UNPROCESSABLE_ENTITY).await;
    let fields = problem["fields"].as_array().unwrap();
    assert_eq!(fields.len(), 100, "{problem}");
    assert!(problem["more"].as_u64().unwrap() >= 2900, "{}", problem["more"]);
    let seventh = fields.iter().find(|fault| fault["field"] == "plan.cut.moves.6.technique.share").unwrap();
    assert_eq!(seventh["line"], 7);
    assert_eq!(ivo.read(&format!("/api/clients/{client}/visits")).await, json!([]));
}

#[tokio::test]
async fn every_fault_of_a_document_is_said_at_once_with_the_allowed_range() {
    let (_app, ivo) = stylist().await;
    let visit = new_visit(&ivo).await;
    let zone = json!({"stretched_mm": 5.0, "sprung_mm": 0.5});
    let response = ivo.put(&format!("/api/visits/{visit}/stages/read"), &reading(zone)).await;
    let problem = refused(response, StatusCode::UNPROCESSABLE_ENTITY).await;
    assert_eq!(problem["fields"].as_array().unwrap().len(), 2);
    assert!(problem["detail"].as_str().unwrap().contains("must be from 10 mm to 2500 mm"), "{problem}");
    let message = json!({"id": "fault-out_of_range", "args": {"min": {"mm": 10.0}, "max": {"mm": 2500.0},
        "unit": {"text": "mm"}}});
    assert_eq!(problem["fields"][0]["message"], message);
    assert_eq!(problem["fields"][0]["problem"]["max"], 2500.0);
}

#[tokio::test]
async fn names_may_be_anything_people_write_but_not_endless() {
    let (_app, ivo) = stylist().await;
    for name in ["🌊🦭", "Zélie d’Ørn-Łuk", "名無し", "<script>alert(1)</script>", "'; DROP TABLE client; --"]
    {
        let added = ivo.post("/api/clients", &json!({"name": name, "consent": true})).await;
        assert_eq!(added.status(), StatusCode::CREATED);
        assert_eq!(added.json::<Value>().await.unwrap()["name"], name);
    }
    for (draft, field, kind) in [
        (json!({"name": "", "consent": true}), "name", "missing"),
        (json!({"name": "   ", "consent": true}), "name", "missing"),
        (json!({"name": "x".repeat(121), "consent": true}), "name", "too_long"),
        (json!({"name": "Ada", "note": "x".repeat(10_000), "consent": true}), "note", "too_long"),
        (json!({"name": "Ada", "consent": false}), "consent", "contradicts"),
        (json!({"consent": true}), "name", "missing"),
    ] {
        let problem = refused(ivo.post("/api/clients", &draft).await, StatusCode::UNPROCESSABLE_ENTITY).await;
        assert_eq!(problem["fields"][0]["field"], field, "{problem}");
        assert_eq!(problem["fields"][0]["problem"]["kind"], kind, "{problem}");
    }
}

#[tokio::test]
async fn a_note_of_ten_thousand_characters_is_refused_and_one_of_four_thousand_is_kept() {
    let (_app, ivo) = stylist().await;
    let visit = new_visit(&ivo).await;
    let path = format!("/api/visits/{visit}/stages/talk");
    let talk = |letters: usize| json!({"base_version": 0, "document": {"notes": "é".repeat(letters)}});
    let problem = refused(ivo.put(&path, &talk(10_000)).await, StatusCode::UNPROCESSABLE_ENTITY).await;
    assert_eq!(problem["fields"][0]["field"], "document.notes");
    let kept: Value = ivo.put(&path, &talk(4000)).await.json().await.unwrap();
    assert_eq!(kept["body"]["notes"].as_str().unwrap().chars().count(), 4000);
}

#[tokio::test]
async fn what_is_not_json_is_told_from_what_is_not_announced_as_json() {
    let (_app, ivo) = stylist().await;
    let visit = new_visit(&ivo).await;
    let send = async |announced: &str, body: Vec<u8>| -> Response {
        let put = ivo.ask(Method::PUT, &format!("/api/visits/{visit}/stages/talk"));
        put.header("content-type", announced).body(body).send().await.unwrap()
    };
    let plain = refused(send("text/plain", b"{}".to_vec()).await, StatusCode::BAD_REQUEST).await;
    assert_eq!(
        (&plain["code"], &plain["fields"][0]["field"]),
        (&json!("content_type"), &json!("content-type"))
    );
    for broken in [&b"{\"base_version\": 0,\n \"document\": {"[..], b"", b"NaN", b"\xff", b"[1,"] {
        let problem = refused(send("application/json", broken.to_vec()).await, StatusCode::BAD_REQUEST).await;
        assert_eq!(problem["code"], "broken_json", "{problem}");
        assert!(problem["fields"][0]["line"].is_number(), "{problem}");
    }
    let large = send("application/json", vec![b' '; 2 << 20]).await;
    refused(large, StatusCode::PAYLOAD_TOO_LARGE).await;
    let deep = format!("{}{}", "[".repeat(100_000), "]".repeat(100_000));
    assert!(send("application/json", deep.into_bytes()).await.status().is_client_error());
}

#[tokio::test]
async fn what_is_computed_is_checked_the_same_way() {
    let (_app, ivo) = stylist().await;
    let zone = json!({"stretched_mm": 300.0, "sprung_mm": 150.0});
    for (path, body, field) in [
        ("/api/compute/mark", json!({"reading": zone, "target_worn_mm": -1.0}), "target_worn_mm"),
        ("/api/compute/mark", json!({"reading": {}, "target_worn_mm": 120.0}), "reading.stretched_mm"),
        ("/api/compute/mark", json!({"reading": zone, "target_worn_mm": 120.0, "risk": 2.0}), "risk"),
        ("/api/compute/figure", json!({"girth_mm": 5.0}), "girth_mm"),
        ("/api/compute/marks", json!({"reading": {}, "aim": {"risk": -1.0}}), "aim.risk"),
        ("/api/compute/hang", json!({"diameter_um": 70.0}), "loop_radius_mm"),
        ("/api/compute/fall", json!({"reading": {}, "plan": {"cut": cut(json!([]))}}), "reading.zones"),
        ("/api/compute/fall", json!({"reading": {}, "plan": {"cut": {"name": "x"}}}), "plan.cut.format"),
    ] {
        let problem = refused(ivo.post(path, &body).await, StatusCode::UNPROCESSABLE_ENTITY).await;
        assert_eq!(problem["fields"][0]["field"], field, "{path} {problem}");
    }
    for query in ["page=0", "page=-1", "page=x", "page=99999999999", "search=%F0%9F%8C%8A&page=4000000000"] {
        let status = ivo.get(&format!("/api/clients?{query}")).await.status();
        assert!(status.is_success() || status.is_client_error(), "{query}: {status}");
    }
}

#[tokio::test]
async fn a_plan_that_cannot_be_carried_out_is_refused_at_its_move_and_a_possible_one_is_kept() {
    let (_app, ivo) = stylist().await;
    let path = format!("/api/visits/{}/stages/plan", new_visit(&ivo).await);
    let line = json!({"region": "everything", "kind": {"perimeter": {"behind": {"point": "chin"}}}});
    let save = |moves: Value| json!({"base_version": 0, "document": {"cut": cut(moves)}});
    let mut deep = line.clone();
    deep["technique"] = json!({"kind": "slide", "share": 4.0});
    let problem =
        refused(ivo.put(&path, &save(json!([line, deep]))).await, StatusCode::UNPROCESSABLE_ENTITY).await;
    assert_eq!(problem["fields"][0]["field"], "document.cut.moves.1.technique.share");
    let mut nested = json!("everything");
    for _ in 0..200 {
        nested = json!({"not": nested});
    }
    let mut lost = line.clone();
    lost["region"] = nested;
    let status = ivo.put(&path, &save(json!([lost]))).await.status();
    assert!(status.is_client_error(), "{status}");
    let kept: Value = ivo.put(&path, &save(json!([line]))).await.json().await.unwrap();
    assert_eq!(kept["version"], 1);
}
