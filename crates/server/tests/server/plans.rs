//! A plan's fall, its drawing and its scene, as the browser asks for them.

use crate::app::{App, Browser, refused};
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

/// Everything that is asked of a plan.
const PATHS: [&str; 4] =
    ["/api/compute/fall", "/api/compute/judge", "/api/compute/outlines", "/api/compute/scene"];

async fn stylist() -> (App, Browser) {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    (app, ivo)
}

async fn request(ivo: &Browser, key: &str) -> Value {
    let cuts = ivo.read("/api/cuts").await;
    let cut = cuts.as_array().unwrap().iter().find(|shipped| shipped["key"] == key).unwrap()["cut"].clone();
    let zone = json!({"stretched_mm": 420.0, "sprung_mm": 300.0});
    json!({"reading": {"zones": {"top": zone, "nape": zone}}, "plan": {"cut": cut}, "show_move": 1})
}

#[tokio::test]
async fn a_plan_goes_out_as_numbers_as_a_drawing_and_as_a_scene() {
    let (_app, ivo) = stylist().await;
    let request = request(&ivo, "breakwater").await;
    let fall: Value = ivo.post("/api/compute/fall", &request).await.json().await.unwrap();
    assert!(fall["moves"][1]["sections"].as_array().unwrap().len() > 3);
    assert_eq!(fall["moves"][0]["sections"], json!([]), "only the move that is shown has its sections drawn");

    let drawing = ivo.post("/api/compute/outlines", &request).await;
    assert_eq!(drawing.headers()["content-type"], "image/svg+xml");
    let svg = drawing.text().await.unwrap();
    for name in ["front-before", "front-after", "side-after", "top-before", "top-after"] {
        assert!(svg.contains(&format!("id=\"{name}\"")), "{name}");
    }

    let scene = ivo.post("/api/compute/scene", &request).await;
    assert_eq!(scene.headers()["content-type"], "model/gltf-binary");
    let bytes = scene.bytes().await.unwrap();
    assert_eq!(&bytes[..4], b"glTF");
    // The header gives how long the whole file is.
    assert_eq!(u32::from_le_bytes(bytes[8..12].try_into().unwrap()) as usize, bytes.len());
}

#[tokio::test]
async fn what_is_found_about_a_plan_is_cured_by_what_is_offered() {
    let (_app, ivo) = stylist().await;
    let mut request = request(&ivo, "quay_school").await;
    request["reading"]["skull"] = json!({"occiput": -1.0});
    let fall: Value = ivo.post("/api/compute/fall", &request).await.json().await.unwrap();
    assert_eq!(fall["findings"][0]["code"], "choppy_back");
    let judged: Value = ivo.post("/api/compute/judge", &request).await.json().await.unwrap();
    let found = &judged["findings"][0];
    assert!(found["confidence"].as_f64().unwrap() > 0.5 && !found["steps"].as_array().unwrap().is_empty());
    let cures = found["cures"].as_array().unwrap();
    assert!(!cures.is_empty());
    for cure in cures {
        request["plan"]["cut"] = cure["cut"].clone();
        let fall: Value = ivo.post("/api/compute/fall", &request).await.json().await.unwrap();
        let left = fall["findings"].as_array().unwrap();
        assert!(left.iter().all(|left| left["code"] != "choppy_back"), "{}", cure["lever"]);
    }
}

#[tokio::test]
async fn plans_are_proposed_and_what_one_says_comes_of_its_cut_does() {
    let (_app, ivo) = stylist().await;
    let zone = json!({"stretched_mm": 420.0, "sprung_mm": 340.0});
    let wish = json!({"lands": {"point": "shoulder"}});
    let request = json!({
        "reading": {"zones": {"top": zone, "nape": zone}},
        "aim": {"zones": {"nape": wish, "left_side": wish, "right_side": wish}},
    });
    let answer: Value = ivo.post("/api/compute/plan", &request).await.json().await.unwrap();
    let plans = answer["proposals"].as_array().unwrap();
    assert!((2..=3).contains(&plans.len()) && answer["evaluations"].as_u64().unwrap() > 20);
    let fall = json!({"reading": request["reading"], "plan": {"cut": plans[0]["cut"]}});
    let fall: Value = ivo.post("/api/compute/fall", &fall).await.json().await.unwrap();
    let ends = |zone: &Value| {
        let zones = fall["after"]["zones"].as_array().unwrap();
        zones.iter().find(|fallen| fallen["zone"] == *zone).unwrap()["ends_at_mm"].as_f64().unwrap()
    };
    for zone in plans[0]["zones"].as_array().unwrap() {
        assert!((zone["reached_mm"].as_f64().unwrap() - ends(&zone["zone"])).abs() < 1e-9);
    }
    let known = ivo.read("/api/methods").await;
    let count = |name: &str| known[name].as_array().unwrap().len();
    assert_eq!((count("methods"), count("rules")), (17, 50));
    let mut bad = request.clone();
    bad["methods"] = json!(["guesswork"]);
    let problem = refused(ivo.post("/api/compute/plan", &bad).await, StatusCode::UNPROCESSABLE_ENTITY).await;
    assert_eq!(problem["fields"][0]["field"], "methods.0");
}

#[tokio::test]
async fn what_the_house_objects_to_is_its_owners_to_set_and_what_is_sent_along_decides() {
    let (app, ivo) = stylist().await;
    let mut request = request(&ivo, "quay_school").await;
    request["reading"]["skull"] = json!({"occiput": -0.7});
    let owner = app.signed_in("wren@saltmarsh.example").await;
    let path = "/api/house/thresholds/choppy_back";
    let set = |who: &Browser, value: Value| who.ask(Method::PUT, path).json(&json!({"value": value})).send();
    assert_eq!(set(&ivo, json!(9.0)).await.unwrap().status(), StatusCode::FORBIDDEN);
    let refused = refused(set(&owner, json!(99.0)).await.unwrap(), StatusCode::UNPROCESSABLE_ENTITY).await;
    assert_eq!(refused["fields"][0]["field"], "value");
    assert_eq!(set(&owner, json!(10.0)).await.unwrap().status(), StatusCode::NO_CONTENT);
    assert_eq!(set(&owner, json!(9.5)).await.unwrap().status(), StatusCode::NO_CONTENT);
    let nothing =
        owner.ask(Method::PUT, "/api/house/thresholds/nothing").json(&json!({})).send().await.unwrap();
    assert_eq!(nothing.status(), StatusCode::NOT_FOUND);
    let kept = ivo.read("/api/house/thresholds").await;
    assert_eq!(kept, json!({"choppy_back": 9.5}));
    let codes = |fall: Value| -> Vec<String> {
        let found = fall["findings"].as_array().unwrap().clone();
        found.iter().map(|found| found["code"].as_str().unwrap().to_owned()).collect()
    };
    let usual = codes(ivo.post("/api/compute/fall", &request).await.json().await.unwrap());
    request["thresholds"] = kept;
    let lenient = codes(ivo.post("/api/compute/fall", &request).await.json().await.unwrap());
    assert!(usual.contains(&"choppy_back".to_owned()) && !lenient.contains(&"choppy_back".to_owned()));
    assert_eq!(set(&owner, Value::Null).await.unwrap().status(), StatusCode::NO_CONTENT);
    assert_eq!(ivo.read("/api/house/thresholds").await, json!({}));
    request["thresholds"] = json!({"choppy_back": 1000.0});
    let faults =
        super::app::refused(ivo.post("/api/compute/judge", &request).await, StatusCode::UNPROCESSABLE_ENTITY)
            .await;
    assert_eq!(faults["fields"][0]["field"], "thresholds.choppy_back");
}

#[tokio::test]
async fn rules_and_sides_of_the_house_are_its_owners_to_set_and_kept() {
    let (app, ivo) = stylist().await;
    let owner = app.signed_in("wren@saltmarsh.example").await;
    let put = |who: &Browser, path: &str, body: Value| {
        who.ask(Method::PUT, &format!("/api/house/{path}")).json(&body).send()
    };
    assert_eq!(put(&ivo, "rules/7", json!({"off": true})).await.unwrap().status(), StatusCode::FORBIDDEN);
    for (path, body) in [
        ("rules/7", json!({"off": true})),
        ("rules/7", json!({"off": true})),
        ("rules/9", json!({"off": true})),
        ("rules/9", json!({"off": false})),
        ("sides/fine%20ends", json!({"takes": "props"})),
        ("sides/fine%20ends", json!({"takes": "blunt"})),
        ("sides/state", json!({"takes": "all dry"})),
        ("sides/state", json!({"takes": null})),
    ] {
        assert_eq!(put(&owner, path, body).await.unwrap().status(), StatusCode::NO_CONTENT, "{path}");
    }
    assert_eq!(ivo.read("/api/house/rules").await, json!({"off": [7], "sides": {"fine ends": "blunt"}}));
    for path in ["rules/77", "sides/weather"] {
        let body = if path.starts_with("rules") { json!({"off": true}) } else { json!({"takes": "sun"}) };
        assert_eq!(put(&owner, path, body).await.unwrap().status(), StatusCode::NOT_FOUND, "{path}");
    }
    let frozen = put(&owner, "sides/state", json!({"takes": "frozen"})).await.unwrap();
    let faults = refused(frozen, StatusCode::UNPROCESSABLE_ENTITY).await;
    assert_eq!(faults["fields"][0]["field"], "takes");
    // Another house has its own.
    let other = app.signed_in("sela@gannet.example").await;
    assert_eq!(other.read("/api/house/rules").await, json!({}));
}

#[tokio::test]
async fn what_cannot_be_planned_is_refused_at_its_field_whatever_is_asked_for() {
    let (_app, ivo) = stylist().await;
    let good = request(&ivo, "breakwater").await;
    let broken = |path: &str, value: Value| {
        let mut request = good.clone();
        *request.pointer_mut(path).unwrap() = value;
        request
    };
    let mut swirled = good.clone();
    swirled["reading"]["growth"] = json!([{"at": "crown", "direction": {"toward": "crown"}}]);
    let mut thinned = good.clone();
    thinned["reading"]["taper"] = json!(0.95);
    let mut twisted = good.clone();
    twisted["plan"]["cut"]["moves"][0]["kind"] = json!({"gathered": {
        "layout": {"along": "profile", "thickness_mm": 20, "from": "apex"}, "to": "waist"
    }});
    let table = [
        (swirled, "reading.growth.0.direction.toward"),
        (thinned, "reading.taper"),
        (twisted, "plan.cut.moves.0.kind.gathered.to"),
        (broken("/plan/cut/version", json!(9)), "plan.cut.version"),
        (broken("/plan/cut/moves/0/region", json!({"zone": "tail"})), "plan.cut.moves.0.region.zone"),
        (broken("/reading/zones/top/sprung_mm", json!(900.0)), "reading.zones.top.sprung_mm"),
    ];
    for (request, field) in table {
        for path in PATHS {
            let problem = refused(ivo.post(path, &request).await, StatusCode::UNPROCESSABLE_ENTITY).await;
            assert_eq!(problem["fields"][0]["field"], field, "{path}: {problem}");
        }
    }
}

#[tokio::test]
async fn nobody_sees_a_plan_without_signing_in() {
    let (app, ivo) = stylist().await;
    let request = request(&ivo, "halo").await;
    for path in PATHS {
        let answer = app.browser().post(path, &request).await;
        assert_eq!(answer.status(), StatusCode::UNAUTHORIZED, "{path}");
    }
}
