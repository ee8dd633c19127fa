//! Hairs counted on a picture, through the API and from the command line.

use crate::app::{App, Browser, refused};
use reqwest::{Method, Response, StatusCode};
use serde_json::Value;
use spirel_core::scope::{DrawnScalp, SIDE_PX, look, png_of_grey};
use std::process::Command;

const SCALP: DrawnScalp =
    DrawnScalp { hairs_per_cm2: 150.0, width_um: 70.0, loop_radius_mm: 20.0, hair: 60.0, skin: 190.0 };

async fn sent(browser: &Browser, query: &str, kind: &str, body: Vec<u8>) -> Response {
    let path = format!("/api/compute/count{query}");
    browser.ask(Method::POST, &path).header("content-type", kind).body(body).send().await.unwrap()
}

#[tokio::test]
async fn a_picture_is_counted_and_what_is_no_picture_is_refused_at_its_field() {
    let app = App::start().await;
    let ivo = app.signed_in("ivo@saltmarsh.example").await;
    let seen = look(&SCALP, 4);
    let png = png_of_grey(&seen.grey, SIDE_PX as u32).unwrap();
    let counted: Value = sent(&ivo, "", "image/png", png.clone()).await.json().await.unwrap();
    let number = |key: &str| counted[key].as_f64().unwrap();
    assert!(
        (number("hairs_per_cm2") - f64::from(seen.hairs)).abs() < 3.0 * number("sd_per_cm2"),
        "{counted}"
    );
    // The same picture of a square half as wide shows hair four times as dense.
    let closer: Value = sent(&ivo, "?side_mm=5", "image/png", png.clone()).await.json().await.unwrap();
    assert!((closer["hairs_per_cm2"].as_f64().unwrap() / number("hairs_per_cm2") - 4.0).abs() < 1e-9);

    let blank = png_of_grey(&[128; 400 * 400], 400).unwrap();
    let small = png_of_grey(&[128; 100], 10).unwrap();
    for (query, body, field, said) in [
        ("", blank, "picture", "clean the lens"),
        ("", small, "picture", "must be from 300"),
        ("", b"no picture".to_vec(), "picture", "can't be read as PNG"),
        ("", png[..png.len() / 2].to_vec(), "picture", "can't be read as PNG"),
        ("?side_mm=0", png.clone(), "side_mm", "must be from 3"),
    ] {
        let problem =
            refused(sent(&ivo, query, "image/png", body).await, StatusCode::UNPROCESSABLE_ENTITY).await;
        assert_eq!(problem["fields"][0]["field"], field, "{problem}");
        assert!(problem["detail"].as_str().unwrap().contains(said), "{problem}");
    }
    // A colour picture is larger than any visit and is taken; what is larger than any picture is not.
    let mut rgb = Vec::new();
    let mut encoder = png::Encoder::new(&mut rgb, SIDE_PX as u32, SIDE_PX as u32);
    encoder.set_color(png::ColorType::Rgb);
    encoder.set_compression(png::Compression::NoCompression);
    let pixels: Vec<u8> = seen.grey.iter().flat_map(|grey| [*grey; 3]).collect();
    encoder.write_header().unwrap().write_image_data(&pixels).unwrap();
    assert!(rgb.len() > 1 << 20);
    let same: Value = sent(&ivo, "", "image/png", rgb).await.json().await.unwrap();
    assert_eq!(same, counted);
    refused(sent(&ivo, "", "image/png", vec![0; 13 << 20]).await, StatusCode::PAYLOAD_TOO_LARGE).await;
    let problem = refused(sent(&ivo, "", "application/json", png).await, StatusCode::BAD_REQUEST).await;
    assert_eq!(problem["fields"][0]["message"]["args"]["what"]["text"], "image/png");
}

#[test]
fn the_stand_in_for_a_scope_is_counted_from_the_command_line() {
    let folder = tempfile::tempdir().unwrap();
    let file = folder.path().join("scalp.png");
    let spirel = |arguments: &[&str]| {
        let out = Command::new(env!("CARGO_BIN_EXE_spirel")).args(arguments).arg(&file).output().unwrap();
        (out.status.success(), String::from_utf8(out.stdout).unwrap(), String::from_utf8(out.stderr).unwrap())
    };
    let (done, said, _) = spirel(&["stand-in", "scope", "--hairs-per-cm2", "110", "--seed", "9"]);
    assert!(done, "{said}");
    let there: f64 = said.split(' ').next().unwrap().parse().unwrap();
    let (done, said, _) = spirel(&["compute", "count"]);
    assert!(done);
    let counted: Value = serde_json::from_str(&said).unwrap();
    assert!((counted["hairs_per_cm2"].as_f64().unwrap() / there - 1.0).abs() < 0.2, "{said} {there}");

    let (done, _, said) = spirel(&["stand-in", "scope", "--hairs-per-cm2", "NaN"]);
    assert!(!done && said.contains("must be a number from 20 to 400"), "{said}");
    std::fs::write(&file, "no picture").unwrap();
    let (done, _, said) = spirel(&["compute", "count"]);
    assert!(!done && said.contains("can't be read as PNG"), "{said}");
}
