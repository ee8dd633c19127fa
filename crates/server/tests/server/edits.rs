//! Edits: disjoint ones merge, the same figure clashes, a repeated one lands once, and other screens hear of them in order.

use crate::app::{App, Browser, refused};
use reqwest::{Method, Response, StatusCode};
use serde_json::{Value, json};
use std::time::Duration;
use tokio::time::timeout;
use uuid::Uuid;

struct Hand {
    browser: Browser,
    person: Value,
    stage: String,
}

/// Two people of one house at the same client's reading.
async fn two() -> (App, String, [Hand; 2]) {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    let wren = app.signed_in("wren@saltmarsh.example").await;
    let client = ivo.client("Nell Tidewater").await;
    let begun = ivo.post(&format!("/api/clients/{client}/visits"), &json!({"on_date": "2026-03-14"})).await;
    let visit = begun.json::<Value>().await.unwrap()["id"].as_str().unwrap().to_owned();
    let mut hands = Vec::new();
    for browser in [ivo, wren] {
        let person = browser.read("/api/session").await["id"].clone();
        hands.push(Hand { browser, person, stage: format!("/api/visits/{visit}/stages/read") });
    }
    (app, visit, hands.try_into().unwrap_or_else(|_| panic!("two")))
}

impl Hand {
    async fn edit_as(&self, key: Uuid, operations: Value) -> Response {
        let body = json!({"key": key, "person": self.person, "operations": operations});
        self.browser.ask(Method::PATCH, &self.stage).json(&body).send().await.unwrap()
    }

    async fn edit(&self, operations: Value) -> Response {
        self.edit_as(Uuid::now_v7(), operations).await
    }

    async fn saved(&self, operations: Value) -> Value {
        let answer = self.edit(operations).await;
        assert_eq!(answer.status(), StatusCode::OK);
        answer.json().await.unwrap()
    }
}

fn nape(figure: &str, before: &Value, value: &Value) -> Value {
    json!([{"path": ["zones", "nape", figure], "before": before, "value": value}])
}

#[tokio::test]
async fn disjoint_edits_merge_and_of_the_same_figure_the_second_is_shown_the_first() {
    let (_app, _, [ivo, wren]) = two().await;
    assert_eq!(ivo.saved(nape("stretched_mm", &Value::Null, &json!(200))).await["version"], 1);
    let both = wren.saved(nape("width_um", &Value::Null, &json!(70))).await;
    let zone = &both["body"]["zones"]["nape"];
    assert_eq!((&zone["stretched_mm"], &zone["width_um"]), (&json!(200.0), &json!(70.0)));
    assert_eq!(both["saved_by"], "Wren Calloway");

    ivo.saved(nape("stretched_mm", &json!(200), &json!(210))).await;
    let clash =
        refused(wren.edit(nape("stretched_mm", &json!(200), &json!(205))).await, StatusCode::CONFLICT).await;
    assert_eq!(clash["current"]["body"]["zones"]["nape"]["stretched_mm"], 210.0);
    assert_eq!(
        (&clash["current"]["version"], &clash["current"]["saved_by"]),
        (&json!(3), &json!("Ivo Tarrant"))
    );

    // Both at once, on a list: neither is lost.
    let spot = |id: u64, at: &str| json!([{"path": ["spots", id.to_string()], "value": {"id": id, "kind": "scar", "at": at}}]);
    let (one, other) = tokio::join!(ivo.saved(spot(7, "crown")), wren.saved(spot(8, "apex")));
    let last = if one["version"].as_u64() > other["version"].as_u64() { one } else { other };
    assert_eq!(last["body"]["spots"].as_array().unwrap().len(), 2, "{last}");
    assert_eq!(last["version"], 5);
}

#[tokio::test]
async fn an_edit_lands_once_however_often_it_comes() {
    let (_app, visit, [ivo, wren]) = two().await;
    let key = Uuid::now_v7();
    let first = ivo.edit_as(key, nape("stretched_mm", &Value::Null, &json!(200))).await;
    assert_eq!(first.status(), StatusCode::OK);
    wren.saved(nape("stretched_mm", &json!(200), &json!(190))).await;
    let again: Value =
        ivo.edit_as(key, nape("stretched_mm", &Value::Null, &json!(200))).await.json().await.unwrap();
    assert_eq!(
        (&again["version"], &again["body"]["zones"]["nape"]["stretched_mm"]),
        (&json!(2), &json!(190.0))
    );
    // Under its key another one is no repetition: it is not taken for what landed, and what it says is not lost.
    let more = json!([
        {"path": ["zones", "nape", "stretched_mm"], "before": null, "value": 200},
        {"path": ["zones", "nape", "sprung_mm"], "before": null, "value": 150},
    ]);
    let clash = refused(ivo.edit_as(key, more).await, StatusCode::CONFLICT).await;
    assert_eq!(clash["current"]["version"], 2);
    assert_eq!(clash["current"]["body"]["zones"]["nape"]["sprung_mm"], Value::Null);
    // What changes nothing makes no version.
    assert_eq!(ivo.saved(nape("stretched_mm", &json!(5), &json!(190))).await["version"], 2);
    assert_eq!(ivo.browser.read(&format!("/api/visits/{visit}")).await["documents"][0]["version"], 2);
}

#[tokio::test]
async fn an_edit_that_cannot_be_is_refused_at_its_field_and_anothers_is_not_saved() {
    let (_app, visit, [ivo, wren]) = two().await;
    let problem = refused(
        ivo.edit(nape("stretched_mm", &Value::Null, &json!(9))).await,
        StatusCode::UNPROCESSABLE_ENTITY,
    )
    .await;
    assert_eq!(problem["fields"][0]["field"], "document.zones.nape.stretched_mm");
    let problem = refused(
        ivo.edit(nape("colour", &Value::Null, &json!("red"))).await,
        StatusCode::UNPROCESSABLE_ENTITY,
    )
    .await;
    assert_eq!(problem["fields"][0]["field"], "document.zones.nape.colour");
    let many = vec![json!({"path": ["notes"], "value": 1}); 1001];
    let problem = refused(ivo.edit(json!(many)).await, StatusCode::UNPROCESSABLE_ENTITY).await;
    assert_eq!(problem["fields"][0]["field"], "operations");
    let deep = json!([{"path": vec!["a"; 200_000], "value": 1}]);
    let problem = refused(ivo.edit(deep).await, StatusCode::UNPROCESSABLE_ENTITY).await;
    assert_eq!(problem["fields"][0]["field"], "operations.0.path");
    refused(ivo.edit(json!([{"path": [], "value": {}}])).await, StatusCode::UNPROCESSABLE_ENTITY).await;

    let left = Hand { browser: ivo.browser, person: wren.person.clone(), stage: ivo.stage.clone() };
    let problem =
        refused(left.edit(nape("stretched_mm", &Value::Null, &json!(200))).await, StatusCode::FORBIDDEN)
            .await;
    assert_eq!(problem["code"], "anothers_edit");
    assert_eq!(wren.browser.read(&format!("/api/visits/{visit}")).await["documents"], json!([]));
}

/// Reads events until there is one with data; its id and data.
async fn next_event(line: &mut Response, rest: &mut String) -> (String, Value) {
    loop {
        while let Some((event, after)) = rest.clone().split_once("\n\n") {
            after.clone_into(rest);
            let field =
                |name: &str| event.lines().find_map(|line| line.strip_prefix(name)).map(str::to_owned);
            if let (Some(id), Some(data)) = (field("id: "), field("data: ")) {
                return (id, serde_json::from_str(&data).unwrap());
            }
        }
        let chunk =
            timeout(Duration::from_secs(120), line.chunk()).await.expect("an event").unwrap().expect("open");
        rest.push_str(std::str::from_utf8(&chunk).unwrap());
    }
}

#[tokio::test]
async fn another_screen_hears_of_edits_in_order_and_of_those_it_missed() {
    let (app, visit, [ivo, wren]) = two().await;
    let mut line = wren.browser.get("/api/edits").await;
    assert_eq!(line.headers()["content-type"], "text/event-stream");
    let greeting = line.chunk().await.unwrap().unwrap();
    assert!(greeting.starts_with(b"retry: "), "{greeting:?}");
    ivo.saved(nape("stretched_mm", &Value::Null, &json!(200))).await;
    let mut rest = String::new();
    let (first, heard) = next_event(&mut line, &mut rest).await;
    assert_eq!(
        (&heard["visit"], &heard["stage"], &heard["version"], &heard["saved_by"]),
        (&json!(visit), &json!("read"), &json!(1), &json!("Ivo Tarrant"))
    );
    drop(line);

    for length in [201, 202] {
        ivo.saved(nape("stretched_mm", &json!(length - 1), &json!(length))).await;
    }
    let again = wren.browser.ask(Method::GET, "/api/edits").header("last-event-id", &first).send().await;
    let (mut line, mut rest) = (again.unwrap(), String::new());
    for version in [2, 3] {
        assert_eq!(next_event(&mut line, &mut rest).await.1["version"], version);
    }

    // Another house hears nothing of it, and who isn't signed in isn't let in.
    let pell = app.signed_in("sela@gannet.example").await;
    let mut other = pell.get("/api/edits").await;
    other.chunk().await.unwrap();
    ivo.saved(nape("stretched_mm", &json!(202), &json!(203))).await;
    assert_eq!(next_event(&mut line, &mut rest).await.1["version"], 4);
    assert!(timeout(Duration::from_millis(700), other.chunk()).await.is_err());
    refused(app.browser().get("/api/edits").await, StatusCode::UNAUTHORIZED).await;
}
