//! Instruments: where the browser finds them, what their values are understood as, and the shape of their messages.

use crate::app::{App, refused};
use reqwest::StatusCode;
use serde_json::{Value, from_value, json};
use spirel::http::Settings;
use spirel::schemas;
use spirel_instruments::bench::Bench;

#[tokio::test]
async fn a_browser_is_told_where_instruments_are_and_may_listen_only_there() {
    let with = |instruments: Option<&str>| Settings {
        sign_ins_per_minute: 1000.try_into().unwrap(),
        instruments: instruments.map(str::to_owned),
        ..Settings::default()
    };
    for address in [None, Some("ws://127.0.0.1:8421")] {
        let app = App::with(with(address)).await;
        let ivo = app.signed_in("ivo@saltmarsh.example").await;
        let response = ivo.get("/api/instruments").await;
        let policy = response.headers()["content-security-policy"].to_str().unwrap().to_owned();
        let listens = policy.split("; ").find(|part| part.starts_with("connect-src")).unwrap().to_owned();
        let expected =
            address.map_or("connect-src 'self'".to_owned(), |at| format!("connect-src 'self' {at}"));
        assert_eq!(listens, expected);
        assert_eq!(response.json::<Value>().await.unwrap(), json!({ "address": address }));
        refused(app.browser().get("/api/instruments").await, StatusCode::UNAUTHORIZED).await;
    }
}

#[tokio::test]
async fn a_value_is_taken_for_what_it_is_or_refused_at_its_field() {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    let comb = |value: Value, pull: f64| json!({"measured": {"quantity": "length", "value": value, "unit": "cm", "pull_cn": pull}});
    let taken: Value =
        ivo.post("/api/compute/instrument", &comb(json!(24.5), 40.0)).await.json().await.unwrap();
    assert_eq!((&taken["field"], &taken["read"]["stretched_mm"]), (&json!("stretched_mm"), &json!(245.0)));

    for (body, field) in [
        (comb(json!(24.5), 9.0), "measured.pull_cn"),
        (comb(json!(9000.0), 40.0), "measured.value"),
        (comb(json!("long"), 40.0), "measured.value"),
        (json!({"measured": {"quantity": "smell", "value": 1, "unit": "cm"}}), "measured.quantity"),
        (json!({"measured": {"quantity": "length", "value": 1, "unit": "ell"}}), "measured.unit"),
        (json!({"zone": "nape", "measured": {"quantity": "width", "value": 60, "unit": "µm"}}), "zone"),
    ] {
        let answer = ivo.post("/api/compute/instrument", &body).await;
        let problem = refused(answer, StatusCode::UNPROCESSABLE_ENTITY).await;
        assert_eq!(problem["fields"][0]["field"], field, "{problem}");
    }
}

#[test]
fn every_message_of_the_stand_ins_has_the_shape_that_is_described() {
    let described = |name: &str| {
        let (_, schema) = schemas::all().into_iter().find(|(file, _)| *file == name).unwrap();
        jsonschema::validator_for(&schema).unwrap()
    };
    let (sent, heard) =
        (described("instrument-from-app.schema.json"), described("instrument-to-app.schema.json"));
    let mut bench = Bench::new(5);
    let mut kinds = std::collections::BTreeSet::new();
    let devices = ["comb-1", "gauge-1", "scope-1", "meter-1", "room-1"];
    let on = |kind: &str, rest: Value| {
        devices.map(|device| {
            let mut message = json!({"type": kind, "device": device});
            message.as_object_mut().unwrap().extend(rest.as_object().unwrap().clone());
            message
        })
    };
    let talk = [json!({"type": "hello", "version": 1}), json!({"type": "unpair", "device": "lamp"})]
        .into_iter()
        .chain(on("pair", json!({})))
        .chain(on("press", json!({"zone": "top", "pulled": true})))
        .chain(on("press", json!({"long": true})))
        .chain(on("zero", json!({})))
        .chain(on("set", json!({"reach": "away", "battery_pct": 50.0})))
        .chain(on("unpair", json!({})));
    for message in talk {
        assert!(sent.is_valid(&message), "{message}");
        for (_, answer) in bench.hear(1, from_value(message).unwrap()) {
            let answer = json!(answer);
            assert!(heard.is_valid(&answer), "{answer}");
            kinds.insert(answer["type"].as_str().unwrap().to_owned());
        }
    }
    assert_eq!(
        kinds.into_iter().collect::<Vec<_>>(),
        ["back", "device", "hello", "picture", "refused", "value"]
    );
}
