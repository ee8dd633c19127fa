//! Kills server and database in turns while eight people write, and counts what became of what was acknowledged.
//!
//! `cargo run --release --package spirel --features demo --example kills -- 20`: each writer edits a figure of its own, one edit
//! after the other; an edit whose answer is lost is sent again under its key. At the end each figure must be what its last
//! acknowledged edit wrote, and the document must have exactly one version for each edit.
#![allow(clippy::print_stdout, reason = "a command that prints what it measured")]

#[allow(dead_code, reason = "another trial uses the rest")]
mod trial;

use reqwest::{Client, StatusCode};
use serde_json::{Value, json};
use spirel_core::head::Zone;
use std::sync::Arc;
use std::sync::atomic::{AtomicBool, AtomicU32, Ordering};
use std::time::{Duration, Instant};
use tokio::time::sleep;
use trial::{Server, new_visit, processes, signal, signed_in};
use uuid::Uuid;

const WRITERS: usize = 8;
const PORT: u16 = 8477;

#[derive(Default)]
struct Counted {
    acknowledged: AtomicU32,
    repeated: AtomicU32,
    refused: AtomicU32,
}

/// Writes one figure again and again until it is to stop; what it last had acknowledged.
async fn write(
    url: String,
    client: Client,
    person: Value,
    visit: String,
    zone: Zone,
    stop: Arc<AtomicBool>,
    counted: Arc<Counted>,
) -> u32 {
    let name = serde_json::to_value(zone).unwrap_or_default();
    let path = format!("{url}/api/visits/{visit}/stages/read");
    let mut last = 0;
    while !stop.load(Ordering::Relaxed) {
        let next = last + 1;
        let before = if last == 0 { Value::Null } else { json!(10 + last) };
        let operation =
            json!({"path": ["zones", name, "stretched_mm"], "before": before, "value": 10 + next});
        let edit = json!({"key": Uuid::now_v7(), "person": person, "operations": [operation]});
        loop {
            match client.patch(&path).json(&edit).timeout(Duration::from_secs(5)).send().await {
                Ok(answer) if answer.status() == StatusCode::OK => break,
                Ok(answer) if answer.status() == StatusCode::SERVICE_UNAVAILABLE => {
                    counted.refused.fetch_add(1, Ordering::Relaxed);
                }
                Ok(answer) => panic!("{zone:?} {next}: {} {:?}", answer.status(), answer.text().await),
                Err(_) => {
                    counted.repeated.fetch_add(1, Ordering::Relaxed);
                }
            }
            sleep(Duration::from_millis(100)).await;
        }
        counted.acknowledged.fetch_add(1, Ordering::Relaxed);
        last = next % 2000;
        if last == 0 {
            break;
        }
    }
    last
}

#[tokio::main]
async fn main() {
    let kills: u32 = std::env::args().nth(1).and_then(|n| n.parse().ok()).unwrap_or(20);
    let folder = tempfile::Builder::new().prefix("spirel-kills-").tempdir().expect("a folder");
    let data = folder.path().canonicalize().expect("it is there");
    let mut server = Server::start(&data, PORT);
    let url = server.url.clone();
    let (client, person) = signed_in(&url, "ivo@saltmarsh.example").await;
    let visit = new_visit(&url, &client, "Nell").await;
    let (stop, counted) = (Arc::new(AtomicBool::new(false)), Arc::new(Counted::default()));
    let writers: Vec<_> = (0..WRITERS)
        .map(|i| {
            let (url, client, person) = (url.clone(), client.clone(), person.clone());
            tokio::spawn(write(
                url,
                client,
                person,
                visit.clone(),
                Zone::ALL[i],
                stop.clone(),
                counted.clone(),
            ))
        })
        .collect();
    let mut slowest = Duration::ZERO;
    for kill in 0..kills {
        sleep(Duration::from_millis(700 + u64::from(kill * 137 % 900))).await;
        let began = Instant::now();
        let before = counted.acknowledged.load(Ordering::Relaxed);
        match kill % 3 {
            // The database alone, then the shell that holds it, then the server with a start anew.
            0 => signal("-KILL", &processes("/usr/sbin/mariadbd", &data)),
            1 => signal("-KILL", &processes("sh", &data)),
            _ => {
                drop(server);
                server = Server::start(&data, PORT);
            }
        }
        while counted.acknowledged.load(Ordering::Relaxed) < before + WRITERS as u32 {
            sleep(Duration::from_millis(20)).await;
            assert!(began.elapsed() < Duration::from_secs(120), "nothing is saved after kill {kill}");
        }
        slowest = slowest.max(began.elapsed());
    }
    stop.store(true, Ordering::Relaxed);
    let mut last = Vec::new();
    for writer in writers {
        last.push(writer.await.expect("no writer is refused for good"));
    }
    let whole: Value = client
        .get(format!("{url}/api/visits/{visit}"))
        .send()
        .await
        .expect("answered")
        .json()
        .await
        .expect("JSON");
    let read = whole["documents"].as_array().and_then(|all| all.iter().find(|one| one["stage"] == "read"));
    let read = read.expect("a reading");
    let mut lost = 0;
    for (zone, last) in Zone::ALL.iter().zip(&last) {
        let name = serde_json::to_value(zone).unwrap_or_default();
        let found = &read["body"]["zones"][name.as_str().unwrap_or_default()]["stretched_mm"];
        lost += u32::from(found.as_f64() != Some(f64::from(10 + last)));
    }
    let acknowledged = counted.acknowledged.load(Ordering::Relaxed);
    let versions = read["version"].as_u64().unwrap_or(0);
    println!("kills: {kills} (database, its shell, server in turns), writers: {WRITERS}");
    println!(
        "edits acknowledged: {acknowledged}, sent again: {}, told to wait: {}",
        counted.repeated.load(Ordering::Relaxed),
        counted.refused.load(Ordering::Relaxed)
    );
    println!(
        "figures lost: {lost}, versions beyond one an edit: {}",
        versions as i64 - i64::from(acknowledged)
    );
    println!("slowest return to work: {:.1} s", slowest.as_secs_f64());
    server.stop();
    let left = processes("/usr/sbin/mariadbd", &data);
    println!("databases left running: {}", left.len());
    assert!(lost == 0 && versions == u64::from(acknowledged) && left.is_empty());
}
