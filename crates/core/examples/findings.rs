//! Prints what is found about cuts on heads: `cargo run --release -p spirel-core --example findings -- heads.json [cures]`.
#![allow(clippy::print_stdout, reason = "what it prints is what it is for")]

use serde_json::Value;
use spirel_core::cut::shipped;
use spirel_core::plan::FallRequest;

fn main() {
    let path = std::env::args().nth(1).expect("a file of houses");
    let houses: Value =
        serde_json::from_str(&std::fs::read_to_string(path).expect("it can be read")).expect("JSON");
    for client in houses
        .as_array()
        .into_iter()
        .flatten()
        .flat_map(|house| house["clients"].as_array().cloned().unwrap_or_default())
    {
        let Some(visit) = client["visits"]
            .as_array()
            .and_then(|visits| visits.iter().rfind(|visit| !visit["read"].is_null()))
        else {
            continue;
        };
        for listed in shipped() {
            let reading = serde_json::from_value(visit["read"].clone()).expect("a reading");
            let mut request = FallRequest::new(reading, listed.cut.clone());
            request.talk = serde_json::from_value(visit["talk"].clone()).ok();
            request.aim = serde_json::from_value(visit["aim"].clone()).ok();
            if let Some(talk) = &request.talk {
                (request.worn, request.front_straight, request.climate) =
                    (talk.worn, talk.front_straight, talk.climate);
            }
            if std::env::args().nth(2).is_some() {
                let begun = std::time::Instant::now();
                let answer = request.judge().expect("possible");
                for f in &answer.findings {
                    let cures: Vec<String> = f
                        .cures
                        .iter()
                        .map(|c| {
                            format!(
                                "{:?} {} {:?} {:+.0}mm {:+.0}min",
                                c.lever, c.amount, c.steps, c.longer_mm, c.minutes
                            )
                        })
                        .collect();
                    println!(
                        "{} | {} | {:?} {:.1} s{:.2} c{:.2} by {:?} | {}",
                        client["name"],
                        listed.key,
                        f.code,
                        f.measure,
                        f.severity,
                        f.confidence.unwrap_or(-1.0),
                        f.steps,
                        cures.join("; ")
                    );
                }
                println!(
                    "  took {:.2} s; talk {:?}",
                    begun.elapsed().as_secs_f64(),
                    answer.talk.iter().map(|t| t.text.to_string()).collect::<Vec<_>>()
                );
                continue;
            }
            let answer = request.answer().expect("possible");
            let said: Vec<String> = answer
                .findings
                .iter()
                .map(|f| {
                    format!(
                        "{:?} {:.1}/{:.1} s{:.2} b{:.1}",
                        f.code,
                        f.measure,
                        f.threshold,
                        f.severity,
                        f.before.unwrap_or(-1.0)
                    )
                })
                .collect();
            println!("{} | {} | {}", client["name"], listed.key, said.join("; "));
        }
    }
}
