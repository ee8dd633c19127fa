//! Who gets in, who doesn't, and what the headers of every answer are.

use crate::app::{App, PASSWORD, refused};
use reqwest::{Method, StatusCode};
use serde_json::json;
use spirel::http::Settings;

const WREN: &str = "wren@saltmarsh.example";

#[tokio::test]
async fn the_cookie_is_kept_from_scripts_and_other_sites_and_is_new_at_every_sign_in() {
    let app = App::start().await;
    let browser = app.browser();
    let first = browser.sign_in(WREN, PASSWORD).await;
    let cookie = first.headers()["set-cookie"].to_str().unwrap().to_owned();
    for word in ["HttpOnly", "SameSite=Strict", "Path=/", "Max-Age="] {
        assert!(cookie.contains(word), "{cookie}");
    }
    assert_eq!(first.json::<serde_json::Value>().await.unwrap()["name"], "Wren Calloway");

    let token = cookie.split(';').next().unwrap().to_owned();
    let again = browser.sign_in(WREN, PASSWORD).await;
    assert_ne!(again.headers()["set-cookie"].to_str().unwrap().split(';').next().unwrap(), token);
    let with_old =
        app.browser().ask(Method::GET, "/api/session").header("cookie", token).send().await.unwrap();
    refused(with_old, StatusCode::UNAUTHORIZED).await;
    assert_eq!(browser.get("/api/session").await.status(), StatusCode::OK);
}

#[tokio::test]
async fn nothing_but_health_and_pages_is_answered_to_who_is_not_signed_in() {
    let app = App::start().await;
    let browser = app.browser();
    for path in ["/health/live", "/health/ready"] {
        assert_eq!(browser.get(path).await.status(), StatusCode::NO_CONTENT);
    }
    for path in ["/api/session", "/api/clients", "/api/audit"] {
        let problem = refused(browser.get(path).await, StatusCode::UNAUTHORIZED).await;
        assert_eq!(problem["code"], "not_signed_in");
    }
    let problem = refused(browser.sign_in(WREN, "no").await, StatusCode::UNAUTHORIZED).await;
    assert_eq!(problem["code"], "wrong_password");
    let unknown = refused(browser.sign_in("x@saltmarsh.example", "no").await, StatusCode::UNAUTHORIZED).await;
    assert_eq!(problem["detail"], unknown["detail"], "who is known here is not told");
    let empty = refused(browser.sign_in("", "").await, StatusCode::UNPROCESSABLE_ENTITY).await;
    assert_eq!(
        (&empty["fields"][0]["field"], &empty["fields"][1]["field"]),
        (&json!("email"), &json!("password"))
    );
    refused(browser.get("/api/nothing").await, StatusCode::NOT_FOUND).await;
}

#[tokio::test]
async fn signing_out_ends_this_session_and_everywhere_ends_them_all() {
    let app = App::start().await;
    let (chair, desk, tablet) =
        (app.signed_in(WREN).await, app.signed_in(WREN).await, app.signed_in(WREN).await);
    assert_eq!(
        chair.ask(Method::DELETE, "/api/session").send().await.unwrap().status(),
        StatusCode::NO_CONTENT
    );
    assert_eq!(chair.get("/api/session").await.status(), StatusCode::UNAUTHORIZED);
    assert_eq!(desk.get("/api/session").await.status(), StatusCode::OK);
    assert_eq!(
        desk.ask(Method::DELETE, "/api/sessions").send().await.unwrap().status(),
        StatusCode::NO_CONTENT
    );
    assert_eq!(tablet.get("/api/session").await.status(), StatusCode::UNAUTHORIZED);
}

#[tokio::test]
async fn too_many_sign_ins_are_refused_for_a_while() {
    let app = App::with(Settings { sign_ins_per_minute: 3.try_into().unwrap(), ..Settings::default() }).await;
    let browser = app.browser();
    for _ in 0..3 {
        refused(browser.sign_in(WREN, "guess").await, StatusCode::UNAUTHORIZED).await;
    }
    let late = browser.sign_in(WREN, PASSWORD).await;
    assert_eq!(late.headers()["retry-after"], "60");
    assert_eq!(refused(late, StatusCode::TOO_MANY_REQUESTS).await["code"], "too_many_tries");
}

#[tokio::test]
async fn changes_asked_for_by_another_sites_page_are_refused() {
    let app = App::start().await;
    let wren = app.signed_in(WREN).await;
    for (header, value, allowed) in [
        ("sec-fetch-site", "cross-site", false),
        ("sec-fetch-site", "same-site", false),
        ("sec-fetch-site", "same-origin", true),
        ("origin", "https://elsewhere.example", false),
        ("origin", "null", false),
    ] {
        let change = wren.ask(Method::PUT, "/api/me/length-unit").json(&json!({"length_unit": "inch"}));
        let response = change.header(header, value).send().await.unwrap();
        if allowed {
            assert_eq!(response.status(), StatusCode::NO_CONTENT, "{header}: {value}");
        } else {
            assert_eq!(
                refused(response, StatusCode::FORBIDDEN).await["code"],
                "other_site",
                "{header}: {value}"
            );
        }
    }
}

#[tokio::test]
async fn every_answer_says_what_a_browser_may_do_with_it_and_which_request_it_is_of() {
    let app = App::start().await;
    let browser = app.browser();
    for path in ["/", "/api/clients", "/health/live", "/nothing.js"] {
        let response = browser.get(path).await;
        let headers = response.headers();
        let policy = headers["content-security-policy"].to_str().unwrap();
        assert!(policy.starts_with("default-src 'none'; script-src 'self';"), "{policy}");
        assert!(!policy.contains("script-src 'self' 'unsafe") && !policy.contains("http"), "{policy}");
        assert_eq!(headers["x-content-type-options"], "nosniff");
        assert_eq!(headers["x-frame-options"], "DENY");
        assert!(uuid::Uuid::parse_str(headers["x-request-id"].to_str().unwrap()).is_ok(), "{path}");
    }
}

#[tokio::test]
async fn a_role_does_what_it_is_for() {
    let app = App::start().await;
    let desk = app.signed_in("bram@saltmarsh.example").await;
    let visit = desk.visit("Tova Quill").await;
    let save = json!({"base_version": 1, "document": {}});
    let problem =
        refused(desk.put(&format!("/api/visits/{visit}/stages/talk"), &save).await, StatusCode::FORBIDDEN)
            .await;
    assert_eq!(problem["code"], "not_your_role");
    refused(desk.get("/api/audit").await, StatusCode::FORBIDDEN).await;
    let client = desk.client("Nell Tidewater").await;
    let begin = desk.post(&format!("/api/clients/{client}/visits"), &json!({"on_date": "2026-03-14"})).await;
    refused(begin, StatusCode::FORBIDDEN).await;
    let taken_in = desk.post("/api/clients", &json!({"name": "New One", "consent": true})).await;
    assert_eq!(taken_in.status(), StatusCode::CREATED, "the desk takes clients in");

    let owner = app.signed_in(WREN).await;
    let audit = owner.read("/api/audit").await;
    let newest =
        audit["entries"].as_array().unwrap().iter().find(|entry| entry["entity"] == "client").unwrap();
    assert_eq!((&newest["person"], &newest["action"]), (&json!("Bram Sedge"), &json!("created")));
}

#[tokio::test]
async fn another_house_finds_nothing_of_ours() {
    let app = App::start().await;
    let ours = app.signed_in(WREN).await;
    let (client, visit) = (ours.client("Maren Holt").await, ours.visit("Maren Holt").await);
    let theirs = app.signed_in("sela@gannet.example").await;
    let save = json!({"base_version": 0, "document": {}});
    let day = json!({"on_date": "2026-03-14"});
    let tries = [
        theirs.get(&format!("/api/clients/{client}")).await,
        theirs.get(&format!("/api/clients/{client}/visits")).await,
        theirs.get(&format!("/api/visits/{visit}")).await,
        theirs.get(&format!("/api/visits/{visit}/export.json")).await,
        theirs.get(&format!("/api/visits/{visit}/export.csv")).await,
        theirs.put(&format!("/api/visits/{visit}/stages/talk"), &save).await,
        theirs.put(&format!("/api/visits/{visit}/stages/read"), &save).await,
        theirs.put(&format!("/api/visits/{visit}/stages/aim"), &save).await,
        theirs.post(&format!("/api/clients/{client}/visits"), &day).await,
        theirs
            .post(
                &format!("/api/clients/{client}/import"),
                &json!({"format": "spirel.visit", "version": 1, "on_date": "2026-03-14"}),
            )
            .await,
        theirs.get("/api/visits/not-a-key").await,
    ];
    for response in tries {
        let what = response.url().path().to_owned();
        let problem = refused(response, StatusCode::NOT_FOUND).await;
        assert!(!problem.to_string().contains("Maren"), "{what}");
    }
    assert!(!theirs.read("/api/clients").await.to_string().contains("Maren"));
}
