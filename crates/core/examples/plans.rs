//! Prints the tables of docs/accuracy.md about plans: what is proposed for every client with a wish of a file of houses, beside the
//! best cut that ships, as many random tries, and one method alone; and, with `many`, how often each method comes first over 200
//! simulated heads and wishes.
//!
//! `cargo run --release -p spirel-core --example plans -- crates/server/src/demo/houses.json [each|widths|threads]`
//! `cargo run --release -p spirel-core --example plans -- many`
#![allow(clippy::print_stdout, clippy::expect_used, reason = "what it prints is what it is for")]

use rand::rngs::SmallRng;
use rand::{RngExt, SeedableRng};
use serde_json::{Value, json};
use spirel_core::cut::{Cut, cut, shipped};
use spirel_core::fall::fall;
use spirel_core::head::{Place, Point};
use spirel_core::judge::Uncut;
use spirel_core::mark::WidthAim;
use spirel_core::method::methods;
use spirel_core::planner::{PlanAnswer, PlanRequest};
use spirel_core::stop::Stop;
use std::collections::BTreeMap;
use std::time::Instant;

fn median(mut values: Vec<f64>, share: f64) -> f64 {
    values.sort_by(f64::total_cmp);
    values.get(((values.len() - 1) as f64 * share).round() as usize).copied().unwrap_or_default()
}

/// Every client with a wish: as it is, and with layers besides.
fn clients(houses: &Value) -> Vec<(String, PlanRequest)> {
    let all = houses
        .as_array()
        .into_iter()
        .flatten()
        .flat_map(|house| house["clients"].as_array().into_iter().flatten());
    let mut asked = Vec::new();
    for client in all {
        let mut visits = client["visits"].as_array().into_iter().flatten();
        let Some(visit) = visits.rfind(|visit| !visit["read"].is_null() && !visit["aim"].is_null()) else {
            continue;
        };
        let name = client["name"].as_str().unwrap_or_default();
        let reading = serde_json::from_value(visit["read"].clone()).expect("a reading");
        let mut request =
            PlanRequest::new(reading, serde_json::from_value(visit["aim"].clone()).expect("an aim"));
        request.talk = serde_json::from_value(visit["talk"].clone()).ok();
        asked.push((name.to_owned(), request.clone()));
        // The second wish: the top a third shorter than the hair there is, the rest as wished.
        let hair = request.of(Cut::default()).head().grow().expect("possible");
        let before = fall(&hair, &hair.lengths);
        for zone in &before.zones {
            use spirel_core::head::Zone;
            if matches!(zone.zone, Zone::Top | Zone::Crown) {
                let wish = json!({"worn_mm": (0.66 * zone.worn_mm).max(20.0)});
                request.aim.zones.insert(zone.zone, serde_json::from_value(wish).expect("a wish"));
            }
        }
        asked.push((format!("{name}, layered"), request));
    }
    asked
}

fn print(answer: &PlanAnswer) {
    for plan in &answer.proposals {
        let figures: Vec<String> =
            plan.figures.iter().map(|f| format!("{} {:.2}", f.name, f.value)).collect();
        let found: Vec<String> =
            plan.findings.iter().map(|f| format!("{:?} {:.2}", f.code, f.severity)).collect();
        let s = &plan.score;
        println!(
            "    {:20} rms {:5.1} total {:.2} = wish {:.2} find {:.2} min {:.2} hair {:.2} suits {:.2} | {} | {} | {:.0} min",
            plan.method,
            s.wish_rms_mm,
            s.total,
            s.wishes,
            s.findings,
            s.minutes,
            s.hair,
            s.suits,
            figures.join(", "),
            found.join(", "),
            plan.minutes
        );
    }
    for other in &answer.considered {
        println!("      - {}: {}", other.method, other.why_not);
    }
}

/// Widths at the chin, wished narrower and wider than the first proposal has them without a wish: the width that is reached.
fn widths(houses: &Value) {
    println!("| client | without a wish, mm | 20 narrower: misses by | 20 wider: misses by |");
    let mut off = Vec::new();
    let at = Place { point: Point::Chin, below_mm: 0.0 };
    for (name, request) in clients(houses) {
        let hair = request.of(Cut::default()).head().grow().expect("possible");
        let uncut = Uncut::of(&hair, fall(&hair, &hair.lengths));
        let chin = at.height_mm(&hair.measures);
        let first = |request: &PlanRequest| {
            let answer = request.propose_on(&hair, &uncut, &Stop::never(), &|_| {}).expect("possible");
            let cut_ = answer.proposals.into_iter().next()?.cut;
            let result = cut(&hair, &cut_).expect("it was computed before");
            let front = fall(&hair, &result.lengths).front;
            front.hangs_below(chin).then(|| front.width_about_mm(chin))
        };
        let Some(without) = first(&request) else { continue };
        let misses = |by: f64| {
            let mut wished = request.clone();
            wished.aim.widths = vec![WidthAim { at, width_mm: without + by }];
            first(&wished).map(|reached| reached - without - by)
        };
        let (narrower, wider) = (misses(-20.0), misses(20.0));
        off.extend(narrower.into_iter().chain(wider).map(f64::abs));
        let said = |value: Option<f64>| value.map_or("–".to_owned(), |value| format!("{value:+.0}"));
        println!("| {name} | {without:.0} | {} | {} |", said(narrower), said(wider));
    }
    let within = off.iter().filter(|off| **off <= 10.0).count();
    println!("within 10 mm: {within} of {}; median {:.0} mm", off.len(), median(off.clone(), 0.5));
}

/// Seconds of a proposal on so many threads, as multiples of one cut and fall on one of them.
fn threads(houses: &Value) {
    println!("| client | one cut and fall, s | 1 thread, times | 2 | 4 |");
    for (name, request) in clients(houses).into_iter().step_by(4) {
        let hair = request.of(Cut::default()).head().grow().expect("possible");
        let uncut = Uncut::of(&hair, fall(&hair, &hair.lengths));
        let on = |threads: usize, work: &(dyn Fn() + Sync)| {
            let pool = rayon::ThreadPoolBuilder::new().num_threads(threads).build().expect("possible");
            let begun = Instant::now();
            pool.install(work);
            begun.elapsed().as_secs_f64()
        };
        let one = on(1, &|| {
            for listed in shipped() {
                let _ = cut(&hair, &listed.cut).map(|result| fall(&hair, &result.lengths));
            }
        }) / shipped().len() as f64;
        let whole = || drop(request.propose_on(&hair, &uncut, &Stop::never(), &|_| {}).expect("possible"));
        let times = [1, 2, 4].map(|threads| format!("{:.0}", on(threads, &whole) / one));
        println!("| {name} | {one:.3} | {} |", times.join(" | "));
    }
}

fn main() {
    let path = std::env::args().nth(1).expect("a file of houses, or many");
    if path == "many" {
        return many();
    }
    let each = std::env::args().nth(2).is_some();
    let houses: Value =
        serde_json::from_str(&std::fs::read_to_string(path).expect("it can be read")).expect("JSON");
    match std::env::args().nth(2).as_deref() {
        Some("widths") => return widths(&houses),
        Some("threads") => return threads(&houses),
        _ => {}
    }
    let mut random = SmallRng::seed_from_u64(1);
    let mut columns: [Vec<f64>; 4] = Default::default();
    let (mut times, mut falls, mut evaluations) = (Vec::new(), Vec::new(), Vec::new());
    println!(
        "| client | first proposal | rms, mm | worst zone, mm | findings | best that ships, mm | random, mm | one method, mm |"
    );
    for (name, request) in clients(&houses) {
        let hair = request.of(Cut::default()).head().grow().expect("possible");
        let uncut = Uncut::of(&hair, fall(&hair, &hair.lengths));
        let before = fall(&hair, &hair.lengths);
        let begun = Instant::now();
        let answer = request.propose_on(&hair, &uncut, &Stop::never(), &|_| {}).expect("possible");
        times.push(begun.elapsed().as_secs_f64());
        let begun = Instant::now();
        let missed = |tried: &Cut| {
            cut(&hair, tried).ok().and_then(|result| {
                request.aim.missed_mm(&fall(&hair, &result.lengths), &before, &hair.measures)
            })
        };
        let ships: Vec<f64> = shipped().iter().filter_map(|listed| missed(&listed.cut)).collect();
        falls.push(begun.elapsed().as_secs_f64() / ships.len() as f64);
        evaluations.push(f64::from(answer.evaluations));
        let mut alone = request.clone();
        alone.methods = Some(vec!["round_layers".to_owned()]);
        let alone = alone.propose_on(&hair, &uncut, &Stop::never(), &|_| {}).expect("possible");
        let mut coarse = request.of(Cut::default()).head();
        coarse.roots = 1024;
        let coarse = coarse.grow().expect("possible");
        let coarse_before = fall(&coarse, &coarse.lengths);
        let mut best = (f64::INFINITY, Cut::default());
        for _ in 0..answer.evaluations {
            let method = &methods()[random.random_range(0..methods().len())].method;
            let values: Vec<f64> = method
                .figures
                .iter()
                .map(|f| random.random_range(f.least..=f.greatest.min(f.least + 600.0)))
                .collect();
            let Some(tried) = method.filled(&[], &values, &coarse.measures) else { continue };
            let Ok(result) = cut(&coarse, &tried) else { continue };
            let off = request
                .aim
                .missed_mm(&fall(&coarse, &result.lengths), &coarse_before, &coarse.measures)
                .unwrap_or_default();
            if off < best.0 {
                best = (off, tried);
            }
        }
        let first = answer.proposals.first();
        let row = [
            first.map(|plan| plan.score.wish_rms_mm),
            ships.into_iter().reduce(f64::min),
            missed(&best.1),
            alone.proposals.first().map(|plan| plan.score.wish_rms_mm),
        ];
        for (column, value) in columns.iter_mut().zip(row) {
            column.extend(value);
        }
        let said = |value: Option<f64>| value.map_or("–".to_owned(), |value| format!("{value:.1}"));
        let worst = first.and_then(|plan| {
            plan.zones.iter().max_by(|a, b| a.shorter_mm.abs().total_cmp(&b.shorter_mm.abs()))
        });
        println!(
            "| {name} | {} | {} | {} | {} | {} | {} | {} |",
            first.map_or("none", |plan| &plan.method),
            said(row[0]),
            worst.map_or(String::new(), |zone| format!("{:?} {:+.0}", zone.zone, zone.shorter_mm)),
            first.map_or(0, |plan| plan.findings.len()),
            said(row[1]),
            said(row[2]),
            said(row[3])
        );
        if each {
            print(&answer);
        }
    }
    for (name, column) in ["first proposal", "best that ships", "random", "one method"].iter().zip(&columns) {
        println!(
            "{name}: of {}, median {:.1}, nine in ten {:.1}, worst {:.1} mm",
            column.len(),
            median(column.clone(), 0.5),
            median(column.clone(), 0.9),
            median(column.clone(), 1.0)
        );
    }
    println!(
        "seconds: median {:.2}, worst {:.2}; one cut and fall {:.3}; evaluations: median {:.0}",
        median(times.clone(), 0.5),
        median(times, 1.0),
        median(falls, 0.5),
        median(evaluations, 0.5)
    );
}

/// Heads and wishes drawn from a seed.
fn many() {
    let mut random = SmallRng::seed_from_u64(20);
    let mut first: BTreeMap<&str, u32> = methods().iter().map(|shipped| (shipped.key, 0)).collect();
    let (mut among, mut missed, mut found, mut none) = (first.clone(), Vec::new(), 0, 0);
    for _ in 0..200 {
        let mut pick = |all: &[&'static str]| all[random.random_range(0..all.len())];
        let width = pick(&["fine", "fine", "medium", "coarse"]);
        let point = pick(&["lip", "chin", "shoulder", "collarbone", "armpit", "kept"]);
        let reasons = [pick(&[
            "flat",
            "heavy",
            "frizzy",
            "wide_at_the_bottom",
            "thin_ends",
            "growing_out",
            "tidy",
            "change",
        ])];
        let worn = pick(&["as_it_springs", "diffused", "smoothed"]);
        let fringe = pick(&["none", "none", "none", "wants", "growing_out"]);
        let stretched: f64 = random.random_range(300.0..620.0);
        let sprung = stretched * (1.0 - random.random_range(0.01f64..0.55));
        let zone = json!({"stretched_mm": stretched, "sprung_mm": sprung, "width_class": width});
        let names = ["fringe", "top", "crown", "left_side", "right_side", "back_upper", "back_lower", "nape"];
        let zones: serde_json::Map<String, Value> =
            names.iter().map(|name| ((*name).to_owned(), zone.clone())).collect();
        let reading = json!({"zones": zones, "hairs_per_cm2": random.random_range(90.0..250.0), "taper": random.random_range(0.0..0.4),
            "skull": {"occiput": random.random_range(-0.8..0.8)}, "part": {"left_mm": random.random_range(-30.0..30.0)}});
        let mut wishes = json!({});
        if point != "kept" {
            // No hair of the nape ends above its own roots.
            let zones: &[&str] = if point == "lip" {
                &["left_side", "right_side"]
            } else {
                &["nape", "back_lower", "left_side", "right_side"]
            };
            for name in zones {
                wishes[*name] = json!({"lands": {"point": point}});
            }
        }
        if random.random_bool(0.5) {
            // Hair on top that hung below the line would be cut with it.
            let most = match point {
                "lip" => 180.0,
                "chin" => 220.0,
                "shoulder" => 280.0,
                "collarbone" => 320.0,
                "armpit" => 400.0,
                _ => f64::INFINITY,
            };
            let worn = (sprung * random.random_range(0.45..0.9)).min(most);
            wishes["top"] = json!({"worn_mm": worn});
            wishes["crown"] = json!({"worn_mm": worn});
        }
        if fringe == "wants" {
            wishes["fringe"] = json!({"lands": {"point": "cheekbone"}});
        }
        let only_fringe = fringe == "wants" && random.random_bool(0.4);
        if only_fringe {
            wishes = json!({"fringe": {"lands": {"point": "cheekbone"}}});
        }
        let talk = json!({"reasons": reasons, "worn": worn, "fringe": fringe, "ties_back": random.random_bool(0.2), "minutes_a_day": random.random_range(2..30)});
        let request = json!({"reading": reading, "aim": {"zones": wishes, "open_face": random.random_bool(0.2)}, "talk": talk});
        let request: PlanRequest = serde_json::from_value(request).expect("a request");
        let answer = request.propose().expect("possible");
        if let Some(plan) = answer.proposals.first().filter(|plan| plan.score.wish_rms_mm > 6.0) {
            let zones: Vec<String> =
                plan.zones.iter().map(|zone| format!("{:?} {:+.0}", zone.zone, zone.shorter_mm)).collect();
            println!(
                "{} {:.1} mm: {point} {worn} {stretched:.0}→{sprung:.0} {width}: {}",
                plan.method,
                plan.score.wish_rms_mm,
                zones.join(", ")
            );
        }
        for (place, plan) in answer.proposals.iter().enumerate() {
            let key =
                methods().iter().find(|shipped| shipped.key == plan.method).map_or("", |shipped| shipped.key);
            *among.entry(key).or_default() += 1;
            if place == 0 {
                *first.entry(key).or_default() += 1;
                missed.push(plan.score.wish_rms_mm);
                found += plan.findings.len();
            }
        }
        none += u32::from(answer.proposals.is_empty());
    }
    println!("| method | first of 200 | among the three |");
    for (key, count) in &first {
        println!("| {key} | {count} | {} |", among[key]);
    }
    println!(
        "none proposed: {none}; rms median {:.1}, nine in ten {:.1}, worst {:.1} mm; findings of the first {:.2} each",
        median(missed.clone(), 0.5),
        median(missed.clone(), 0.9),
        median(missed, 1.0),
        f64::from(found as u32) / 200.0
    );
}
