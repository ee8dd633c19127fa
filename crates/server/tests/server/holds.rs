//! What one request, one hand or one house can do to all others: nothing.

use crate::app::{App, Browser, refused};
use reqwest::{Method, Response, StatusCode};
use serde_json::{Value, json};
use spirel::http::Settings;
use std::time::Duration;
use tokio::io::{AsyncReadExt, AsyncWriteExt};
use tokio::net::TcpStream;
use tokio::time::timeout;
use uuid::Uuid;

const IVO: &str = "ivo@saltmarsh.example";
/// Longer than anything here takes on a slow machine: what waits for itself waits for ever.
const FOR_EVER: Duration = Duration::from_secs(120);

async fn with_threads(threads: usize) -> App {
    App::with(Settings {
        threads: Some(threads),
        sign_ins_per_minute: 1000.try_into().unwrap(),
        ..Settings::default()
    })
    .await
}

/// A head that nobody has asked for yet.
fn head(number: u32, roots: u32) -> Value {
    let zone = json!({"stretched_mm": 300.0 + f64::from(number), "sprung_mm": 200.0});
    let line = json!([{"at": "back", "lies": {"point": "shoulder"}}]);
    json!({"reading": {"zones": {"top": zone, "nape": zone}, "line": line}, "roots": roots})
}

fn plan(number: u32, region: &Value) -> Value {
    let perimeter = json!({"region": region, "kind": {"perimeter": {"behind": {"point": "shoulder"}}}});
    let cut = json!({"format": "spirel.cut", "version": 3, "name": "One", "moves": [perimeter]});
    json!({"reading": head(number, 4096)["reading"], "plan": {"cut": cut}})
}

async fn visit_of(ivo: &Browser, name: &str) -> String {
    let client = ivo.client(name).await;
    let begun = ivo.post(&format!("/api/clients/{client}/visits"), &json!({"on_date": "2026-03-14"})).await;
    begun.json::<Value>().await.unwrap()["id"].as_str().unwrap().to_owned()
}

#[tokio::test]
async fn a_region_is_as_deep_and_wide_as_can_be_computed_said_and_saved() {
    let app = App::start().await;
    let ivo = app.signed_in(IVO).await;
    let visit = visit_of(&ivo, "Nell Tidewater").await;
    let nested = |levels: usize| (1..levels).fold(json!("everything"), |region, _| json!({ "not": region }));
    let alternating = |levels: usize| {
        (1..levels).fold(json!("everything"), |region, level| {
            if level % 2 == 0 { json!({ "all": [region] }) } else { json!({ "any": [region, "everything"] }) }
        })
    };
    let mut base = 0;
    for (region, possible) in [
        // One request of this kind once overflowed the stack and ended the process.
        (json!({"all": vec!["everything"; 15_000]}), false),
        (json!({"any": vec![json!({"all": ["everything"]}); 190]}), false),
        (nested(31), false),
        (nested(9), false),
        (nested(8), true),
        (alternating(8), true),
        (json!({"all": vec!["everything"; 150]}), true),
    ] {
        let asked = plan(1, &region);
        for path in ["/api/compute/fall", "/api/compute/scene"] {
            let answer = ivo.post(path, &asked).await;
            if possible {
                assert_eq!(answer.status(), StatusCode::OK, "{path}");
            } else {
                let problem = refused(answer, StatusCode::UNPROCESSABLE_ENTITY).await;
                assert_eq!(problem["fields"][0]["field"], "plan.cut.moves.0.region");
            }
        }
        let save = json!({"base_version": base, "document": asked["plan"]});
        let saved = ivo.put(&format!("/api/visits/{visit}/stages/plan"), &save).await;
        let status = if possible { StatusCode::OK } else { StatusCode::UNPROCESSABLE_ENTITY };
        assert_eq!(saved.status(), status, "what can be computed can be saved, and nothing else");
        base += u32::from(possible);
    }
    assert_eq!(ivo.get(&format!("/api/visits/{visit}")).await.status(), StatusCode::OK);
}

/// The stage of a new visit, and an edit of it.
struct Stage {
    ivo: Browser,
    person: Value,
    path: String,
}

impl Stage {
    async fn of(app: &App, stage: &str) -> Self {
        let ivo = app.signed_in(IVO).await;
        let person = ivo.read("/api/session").await["id"].clone();
        let visit = visit_of(&ivo, "Nell Tidewater").await;
        Self { ivo, person, path: format!("/api/visits/{visit}/stages/{stage}") }
    }

    async fn edit_as(&self, key: Uuid, operations: Value) -> Response {
        let body = json!({"key": key, "person": self.person, "operations": operations});
        self.ivo.ask(Method::PATCH, &self.path).json(&body).send().await.unwrap()
    }

    async fn edit(&self, operations: Value) -> Response {
        self.edit_as(Uuid::now_v7(), operations).await
    }
}

#[tokio::test]
async fn an_edit_is_compared_in_time_that_grows_with_it_and_bounded_before_it_is_carried_out() {
    let app = App::start().await;
    let talk = Stage::of(&app, "talk").await;
    let nested = |levels: usize| (0..levels).fold(json!({"x": 1}), |value, _| json!({ "a": value }));
    // Two of these once took a worker for ever: each level doubled the work.
    let deep = json!([{"path": ["notes"], "value": nested(60)}, {"path": ["notes"], "before": nested(60), "value": 1}]);
    let within = nested(25);
    let known = json!([{"path": ["notes"], "before": "", "value": within}, {"path": ["notes"], "before": within, "value": within}]);
    let wide = json!([{"path": ["reasons"], "value": vec!["flat"; 90_000]}]);
    let other = json!([{"path": ["zones", "nape", "again", "8"], "value": {"id": 9, "sprung_mm": 5}}]);
    for operations in [deep, known, wide, other, json!([])] {
        let answer = timeout(FOR_EVER, talk.edit(operations)).await.expect("an answer");
        refused(answer, StatusCode::UNPROCESSABLE_ENTITY).await;
    }
    assert_eq!(
        talk.edit(json!([{"path": ["notes"], "before": "", "value": "dry ends"}])).await.status(),
        StatusCode::OK
    );
}

#[tokio::test]
async fn a_key_is_one_edits_in_the_house_and_one_that_changed_nothing_has_landed() {
    let app = App::start().await;
    let (talk, read) = (Stage::of(&app, "talk").await, Stage::of(&app, "read").await);
    let key = Uuid::now_v7();
    let write = |before: Value, value: Value| json!([{"path": ["notes"], "before": before, "value": value}]);
    assert_eq!(talk.edit(write(json!(""), json!("dry ends"))).await.status(), StatusCode::OK);
    let same = write(json!(""), json!("dry ends"));
    assert_eq!(talk.edit_as(key, same.clone()).await.status(), StatusCode::OK);
    assert_eq!(talk.edit(write(json!("dry ends"), json!(""))).await.status(), StatusCode::OK);
    let repeated: Value = talk.edit_as(key, same).await.json().await.unwrap();
    assert_eq!(repeated["body"]["notes"], "", "a repeat doesn't undo what came since");
    let elsewhere = json!([{"path": ["hairs_per_cm2"], "before": 180, "value": 200}]);
    refused(read.edit_as(key, elsewhere).await, StatusCode::CONFLICT).await;
}

#[tokio::test]
async fn sixteen_hands_in_one_document_all_land() {
    let app = App::start().await;
    let read = Stage::of(&app, "read").await;
    let zones = ["top", "crown", "fringe", "left_side", "right_side", "back_upper", "back_lower", "nape"];
    let figures = ["stretched_mm", "width_um"];
    let edits = zones.iter().flat_map(|zone| figures.map(|figure| (zone, figure))).map(|(zone, figure)| {
        read.edit(
            json!([{"path": ["zones", zone, figure], "value": if figure == "width_um" { 70 } else { 300 }}]),
        )
    });
    for answer in futures_util::future::join_all(edits).await {
        assert_eq!(answer.status(), StatusCode::OK);
    }
}

#[tokio::test]
async fn a_head_that_many_ask_for_at_once_is_grown_once_and_nothing_waits_for_itself() {
    // Work once waited on its own threads for a head that another piece of work grew there: on three threads and more all of
    // them waited for each other.
    let app = with_threads(4).await;
    let ivo = app.signed_in(IVO).await;
    for round in 0..4 {
        let asked = plan(100 + round, &json!("everything"));
        let all = (0..8).map(|i| {
            let path = ["/api/compute/fall", "/api/compute/scene"][i % 2];
            ivo.post(path, &asked)
        });
        let all = timeout(FOR_EVER, futures_util::future::join_all(all)).await.expect("all are answered");
        assert!(all.iter().all(|answer| answer.status() == StatusCode::OK));
    }
}

#[tokio::test]
async fn who_leaves_takes_no_place_and_who_asks_too_much_is_told_when_to_come_again() {
    let app = with_threads(2).await;
    let ivo = app.signed_in(IVO).await;
    let cookie = app.cookie(IVO).await;
    // Forty who leave: their questions are dropped where they wait, and stopped where they are worked on.
    for number in 0..40 {
        let body = head(200 + number, 16_384).to_string();
        let mut stream = TcpStream::connect(app.address()).await.unwrap();
        let request = format!(
            "POST /api/compute/now HTTP/1.1\r\nhost: localhost\r\ncookie: {cookie}\r\n\
             content-type: application/json\r\ncontent-length: {}\r\n\r\n{body}",
            body.len()
        );
        stream.write_all(request.as_bytes()).await.unwrap();
        tokio::time::sleep(Duration::from_millis(5)).await;
        drop(stream);
    }
    let mut first = ivo.post("/api/compute/now", &head(300, 1024)).await;
    // The server may not have read yet that all of them have left.
    for _ in 0..20 {
        if first.status() == StatusCode::OK {
            break;
        }
        first = ivo.post("/api/compute/now", &head(300, 1024)).await;
    }
    assert_eq!(first.status(), StatusCode::OK);
    // Forty who stay: as many wait as can be served soon.
    let all = (0..40).map(|number| {
        let (ivo, asked) = (&ivo, head(400 + number, 8192));
        async move { ivo.post("/api/compute/now", &asked).await }
    });
    let all = timeout(FOR_EVER, futures_util::future::join_all(all)).await.expect("all are answered");
    let (served, sent_away): (Vec<_>, Vec<_>) =
        all.into_iter().partition(|answer| answer.status() == StatusCode::OK);
    // On a slow machine some of those who may wait are sent away in the end, too.
    assert!(served.len() >= 4 && !sent_away.is_empty(), "{} {}", served.len(), sent_away.len());
    for answer in sent_away {
        assert_eq!(answer.headers()["retry-after"], "1");
        assert_eq!(refused(answer, StatusCode::SERVICE_UNAVAILABLE).await["code"], "busy");
    }
}

#[tokio::test]
async fn a_view_that_asks_again_gives_up_what_it_asked_before() {
    let app = with_threads(2).await;
    let ivo = app.signed_in(IVO).await;
    let view = Uuid::now_v7().to_string();
    let ask = |number: u32| {
        let asked = ivo.ask(Method::POST, "/api/compute/now").header("spirel-view", &view);
        asked.json(&head(500 + number, 16_384)).send()
    };
    let all = futures_util::future::join_all((0..6).map(ask)).await;
    let codes: Vec<_> = all.into_iter().map(|answer| answer.unwrap().status()).collect();
    let served = codes.iter().filter(|code| **code == StatusCode::OK).count();
    let given_up = codes.iter().filter(|code| **code == StatusCode::CONFLICT).count();
    assert!(served >= 1 && given_up >= 3 && served + given_up == codes.len(), "{codes:?}");
}

#[tokio::test]
async fn a_screen_that_was_away_hears_of_every_edit_and_one_that_signs_out_of_nothing_more() {
    let app = App::start().await;
    let talk = Stage::of(&app, "talk").await;
    let last = talk.ivo.get("/api/edits").await;
    let greeting = String::from_utf8(first_bytes(last).await).unwrap();
    let from: u64 = greeting.split("id: ").nth(1).unwrap().trim().parse().unwrap();
    for turn in 0..660 {
        let before = if turn == 0 { json!("") } else { json!(format!("{}", turn - 1)) };
        let write = json!([{"path": ["notes"], "before": before, "value": format!("{turn}")}]);
        assert_eq!(talk.edit(write).await.status(), StatusCode::OK);
    }
    let mut stream =
        talk.ivo.ask(Method::GET, "/api/edits").header("last-event-id", from).send().await.unwrap();
    let mut heard = String::new();
    while heard.matches("data: ").count() < 660 {
        let more = timeout(FOR_EVER, stream.chunk()).await.expect("it goes on").unwrap().expect("it goes on");
        heard.push_str(std::str::from_utf8(&more).unwrap());
    }
    let numbers: Vec<u64> =
        heard.lines().filter_map(|line| line.strip_prefix("id: ")?.parse().ok()).skip(1).collect();
    assert_eq!(numbers, (from + 1..=from + 660).collect::<Vec<_>>(), "none is skipped");

    let other = Stage::of(&app, "talk").await;
    talk.ivo.ask(Method::DELETE, "/api/session").send().await.unwrap();
    assert_eq!(
        other.edit(json!([{"path": ["notes"], "before": "", "value": "unheard"}])).await.status(),
        StatusCode::OK
    );
    // What comes until it ends is the rest of the last edit that was heard, or a comment on a slow machine.
    while let Some(more) = timeout(FOR_EVER, stream.chunk()).await.expect("it ends").unwrap() {
        heard.push_str(std::str::from_utf8(&more).unwrap());
    }
    assert_eq!(heard.matches("data: ").count(), 660, "{}", &heard[heard.len() - 600..]);
}

async fn first_bytes(mut answer: Response) -> Vec<u8> {
    answer.chunk().await.unwrap().unwrap().to_vec()
}

#[tokio::test]
async fn what_is_asked_for_twice_under_a_key_is_made_once() {
    let app = App::start().await;
    let ivo = app.signed_in(IVO).await;
    let twice = |path: String, body: Value| {
        let ivo = &ivo;
        async move {
            let mut ids = Vec::new();
            for _ in 0..2 {
                let asked = ivo.ask(Method::POST, &path).header("idempotency-key", "a lost answer");
                let made = asked.json(&body).send().await.unwrap();
                assert_eq!(made.status(), StatusCode::CREATED);
                ids.push(made.json::<Value>().await.unwrap()["id"].as_str().unwrap().to_owned());
            }
            assert_eq!(ids[0], ids[1]);
            ids.remove(0)
        }
    };
    let client = twice("/api/clients".into(), json!({"name": "Twice Asked", "consent": true})).await;
    let visits = format!("/api/clients/{client}/visits");
    twice(visits.clone(), json!({"on_date": "2026-03-14"})).await;
    let file = json!({"format": "spirel.visit", "version": 1, "on_date": "2026-03-15"});
    twice(format!("/api/clients/{client}/import"), file).await;
    assert_eq!(ivo.read(&visits).await.as_array().unwrap().len(), 2);
    assert_eq!(ivo.read("/api/clients?search=Twice").await["total"], 1);
    let other = ivo.ask(Method::POST, "/api/clients").header("idempotency-key", "a lost answer");
    let other = other.json(&json!({"name": "Another", "consent": true})).send().await.unwrap();
    let problem = refused(other, StatusCode::UNPROCESSABLE_ENTITY).await;
    assert_eq!(problem["fields"][0]["field"], "idempotency-key");
}

#[tokio::test]
async fn a_body_that_comes_too_slowly_is_not_waited_for() {
    let app = App::start().await;
    let mut stream = TcpStream::connect(app.address()).await.unwrap();
    let head = "POST /api/session HTTP/1.1\r\nhost: localhost\r\ncontent-type: application/json\r\ncontent-length: 900\r\n\r\n{";
    stream.write_all(head.as_bytes()).await.unwrap();
    let mut answer = vec![0; 12];
    timeout(FOR_EVER, stream.read_exact(&mut answer)).await.expect("an answer").unwrap();
    assert_eq!(answer, b"HTTP/1.1 408");
}
