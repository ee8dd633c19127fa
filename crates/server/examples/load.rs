//! What fifty and two hundred people at once cost: visits read, figures saved, marks and falls on heads of their own.
//!
//! `cargo run --release --package spirel --features demo --example load`
#![allow(clippy::print_stdout, reason = "a command that prints what it measured")]

#[allow(dead_code, reason = "another trial uses the rest")]
mod trial;

use reqwest::{Client, RequestBuilder};
use serde_json::{Value, json};
use std::time::{Duration, Instant};
use trial::{Server, new_visit, signed_in};
use uuid::Uuid;

const PORT: u16 = 8478;
/// How long each kind of question is asked.
const FOR: Duration = Duration::from_secs(10);
/// How long a person rests between two questions.
const REST: Duration = Duration::from_millis(400);

#[derive(Clone)]
struct User {
    client: Client,
    person: Value,
    visit: String,
    number: usize,
}

fn asked(kind: &str, url: &str, user: &User, turn: u32) -> RequestBuilder {
    let zone = json!({"stretched_mm": 250 + user.number, "sprung_mm": 180});
    let zones = json!({"top": zone, "nape": zone, "left_side": zone, "right_side": zone});
    match kind {
        "visit" => user.client.get(format!("{url}/api/visits/{}", user.visit)),
        "save" => {
            let before = if turn == 0 { json!("") } else { json!(format!("{}", turn - 1)) };
            let operation = json!({"path": ["notes"], "before": before, "value": format!("{turn}")});
            let edit = json!({"key": Uuid::now_v7(), "person": user.person, "operations": [operation]});
            user.client.patch(format!("{url}/api/visits/{}/stages/talk", user.visit)).json(&edit)
        }
        "mark" => {
            let question = json!({"reading": {"stretched_mm": 300 + user.number, "sprung_mm": 150, "strands": 3},
                "target_worn_mm": 120});
            user.client.post(format!("{url}/api/compute/mark")).json(&question)
        }
        _ => {
            let perimeter =
                json!({"region": "everything", "kind": {"perimeter": {"behind": {"point": "shoulder"}}}});
            let cut = json!({"format": "spirel.cut", "version": 3, "name": "", "moves": [perimeter]});
            let question = json!({"reading": {"zones": zones}, "plan": {"cut": cut}});
            user.client.post(format!("{url}/api/compute/fall")).json(&question)
        }
    }
}

#[tokio::main]
async fn main() {
    let folder = tempfile::Builder::new().prefix("spirel-load-").tempdir().expect("a folder");
    let server = Server::start(&folder.path().canonicalize().expect("it is there"), PORT);
    let url = server.url.clone();
    let mut users = Vec::new();
    for number in 0..200 {
        let email = ["ivo@saltmarsh.example", "wren@saltmarsh.example", "sela@gannet.example"][number % 3];
        let (client, person) = signed_in(&url, email).await;
        let visit = new_visit(&url, &client, "").await;
        users.push(User { client, person, visit, number });
    }
    println!(
        "| users | asked | answered | told to wait | found closed | p50, ms | p99, ms | memory, at most, MB |"
    );
    println!("|---|---|---|---|---|---|---|---|");
    let mut turns = vec![0; users.len()];
    for count in [50, 200] {
        for kind in ["visit", "save", "mark", "fall"] {
            let began = Instant::now();
            let hands: Vec<_> = users[..count]
                .iter()
                .cloned()
                .zip(turns.clone())
                .map(|(user, from)| {
                    let url = url.clone();
                    tokio::spawn(async move {
                        let (mut times, mut waits, mut closed, mut turn) = (Vec::new(), 0, 0, from);
                        tokio::time::sleep(REST * user.number as u32 / 200).await;
                        while began.elapsed() < FOR {
                            let at = Instant::now();
                            // An idle connection that the server has closed is found out by asking, as browsers do.
                            let Ok(answer) = asked(kind, &url, &user, turn).send().await else {
                                closed += 1;
                                continue;
                            };
                            let status = answer.status().as_u16();
                            answer.bytes().await.expect("a body");
                            match status {
                                200 => {
                                    times.push(at.elapsed());
                                    turn += 1;
                                }
                                503 => waits += 1,
                                other => panic!("{kind}: {other}"),
                            }
                            tokio::time::sleep(REST).await;
                        }
                        (times, waits, closed, turn)
                    })
                })
                .collect();
            let (mut times, mut waits, mut closed) = (Vec::new(), 0, 0);
            for (number, hand) in hands.into_iter().enumerate() {
                let (took, waited, found_closed, turn) = hand.await.expect("no panic");
                times.extend(took);
                waits += waited;
                closed += found_closed;
                if kind == "save" {
                    turns[number] = turn;
                }
            }
            times.sort();
            let at = |share: f64| {
                let place = (share * (times.len().max(1) - 1) as f64) as usize;
                times.get(place).map_or(0.0, Duration::as_secs_f64) * 1e3
            };
            let most = server.memory_mb().1;
            println!(
                "| {count} | {kind} | {} | {waits} | {closed} | {:.0} | {:.0} | {most} |",
                times.len(),
                at(0.5),
                at(0.99)
            );
        }
    }
    server.stop();
}
