//! Prints the tables of docs/accuracy.md about findings: what is found over clients × cuts that ship and over the methods on the
//! heads they are for, what it costs, and, with `cures`, what takes it away.
//!
//! `cargo run --release -p spirel-core --example findings -- crates/server/src/demo/houses.json [cures]`
#![allow(clippy::print_stdout, clippy::panic, reason = "what it prints is what it is for")]

#[allow(dead_code, reason = "other examples grow heads themselves")]
mod heads;
#[path = "heads/methods.rs"]
mod methods;

use heads::reading;
use serde_json::Value;
use spirel_core::cut::{Lever, cut, shipped};
use spirel_core::fall::fall;
use spirel_core::judge::{FindingCode, Uncut};
use spirel_core::plan::FallRequest;
use spirel_core::stop::Stop;
use std::collections::BTreeMap;
use std::time::Instant;

/// Every client's last reading with every cut that ships; whether that cut is planned for them.
fn pairs(houses: &Value) -> Vec<(String, bool, FallRequest)> {
    let clients = houses
        .as_array()
        .into_iter()
        .flatten()
        .flat_map(|house| house["clients"].as_array().into_iter().flatten());
    let mut all = Vec::new();
    for client in clients {
        let mut visits = client["visits"].as_array().into_iter().flatten();
        let Some(visit) = visits.rfind(|visit| !visit["read"].is_null()) else { continue };
        for listed in shipped() {
            let reading = serde_json::from_value(visit["read"].clone()).expect("a reading");
            let mut request = FallRequest::new(reading, listed.cut.clone());
            request.talk = serde_json::from_value(visit["talk"].clone()).ok();
            request.aim = serde_json::from_value(visit["aim"].clone()).ok();
            if let Some(talk) = &request.talk {
                (request.worn, request.front_straight, request.climate) =
                    (talk.worn, talk.front_straight, talk.climate);
            }
            all.push((format!("{} {}", client["name"], listed.key), visit["cut"] == listed.key, request));
        }
    }
    all
}

fn main() {
    let path = std::env::args().nth(1).expect("a file of houses");
    let houses = serde_json::from_str(&std::fs::read_to_string(path).expect("it can be read")).expect("JSON");
    let pairs = pairs(&houses);
    let methods = methods::methods();
    let mut said: BTreeMap<FindingCode, [u32; 4]> = BTreeMap::new();
    let (mut cut_and_fall, mut judging) = (0.0, 0.0);
    for (_, planned, request) in &pairs {
        for finding in request.answer().expect("possible").findings {
            let counts = said.entry(finding.code).or_default();
            counts[0] += 1;
            counts[1] += u32::from(*planned);
        }
        // The same head: cut and fall alone, and with all severities.
        let hair = request.head().grow().expect("possible");
        let uncut = Uncut::of(&hair, fall(&hair, &hair.lengths));
        let begun = Instant::now();
        let lengths = cut(&hair, &request.plan.cut).expect("possible").lengths;
        std::hint::black_box(fall(&hair, &lengths));
        let alone = begun.elapsed().as_secs_f64();
        let begun = Instant::now();
        std::hint::black_box(request.severities_on(&hair, &uncut, &Stop::never()).expect("possible"));
        cut_and_fall += alone;
        judging += begun.elapsed().as_secs_f64() - alone;
    }
    for (name, request) in &methods {
        let found = request.answer().expect("possible").findings;
        let codes: Vec<String> =
            found.iter().map(|finding| format!("{:?} {:.1}", finding.code, finding.measure)).collect();
        println!("{name} | {}", codes.join(", "));
        found.iter().for_each(|finding| said.entry(finding.code).or_default()[2] += 1);
    }
    let planned = pairs.iter().filter(|(_, planned, _)| *planned).count();
    println!(
        "\n| finding | of {} clients × cuts | of {planned} planned | of {} methods |",
        pairs.len(),
        methods.len()
    );
    for (code, [all, own, methods, _]) in &said {
        println!("| {code:?} | {all} | {own} | {methods} |");
    }
    println!("\nall findings over cut and fall: {:.2}", judging / cut_and_fall);
    if std::env::args().nth(2).is_some() {
        cures(&pairs);
    }
}

fn cures(pairs: &[(String, bool, FallRequest)]) {
    let mut by_code: BTreeMap<FindingCode, (u32, u32)> = BTreeMap::new();
    let mut by_lever: BTreeMap<Lever, u32> = BTreeMap::new();
    let (mut lost, mut seconds) = (Vec::new(), Vec::new());
    // Every third: each takes some seconds.
    for (_, _, request) in pairs.iter().step_by(3) {
        let begun = Instant::now();
        let judged = request.judge().expect("possible");
        seconds.push(begun.elapsed().as_secs_f64());
        for finding in judged.findings.iter().take(7) {
            let counts = by_code.entry(finding.code).or_default();
            counts.0 += 1;
            if let Some(first) = finding.cures.first() {
                counts.1 += 1;
                *by_lever.entry(first.lever).or_default() += 1;
                lost.push((-first.longer_mm).max(0.0));
            }
        }
    }
    for (code, (all, cured)) in &by_code {
        println!("| {code:?} | {cured} of {all} |");
    }
    let (all, cured) = by_code.values().fold((0, 0), |(all, cured), (a, c)| (all + a, cured + c));
    println!("cured: {cured} of {all}; by lever {by_lever:?}");
    let median = |mut values: Vec<f64>| {
        values.sort_by(f64::total_cmp);
        values.get(values.len() / 2).copied().unwrap_or_default()
    };
    println!("median length lost {:.1} mm; median {:.2} s a plan", median(lost), median(seconds));
}
