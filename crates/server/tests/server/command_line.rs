//! The commands, through the real binary.

use serde_json::{Value, json};
use std::io::Write;
use std::process::{Command, Output, Stdio};

fn spirel(arguments: &[&str], input: &str) -> Output {
    let mut child = Command::new(env!("CARGO_BIN_EXE_spirel"))
        .args(arguments)
        .stdin(Stdio::piped())
        .stdout(Stdio::piped())
        .stderr(Stdio::piped())
        .spawn()
        .unwrap();
    let mut stdin = child.stdin.take().unwrap();
    let input = input.to_owned();
    // Written aside: a batch answers before it has read everything.
    let writer = std::thread::spawn(move || stdin.write_all(input.as_bytes()));
    let out = child.wait_with_output().unwrap();
    let _ = writer.join().unwrap();
    out
}

fn text(bytes: &[u8]) -> String {
    String::from_utf8(bytes.to_vec()).unwrap()
}

/// A closed loop too stiff to be opened, and a straight fibre: both have answers known in advance.
fn fibre(loop_radius_mm: f64, weight_factor: f64) -> Value {
    json!({"diameter_um": 70.0, "loop_radius_mm": loop_radius_mm, "fibre_length_mm": 250.0, "youngs_GPa": 3.9,
        "shear_GPa": 1.0, "density_kg_m3": 1320.0, "weight_factor": weight_factor, "tip_pull_mN": 0.0})
}

#[test]
fn one_mark_is_computed_from_one_document_and_lands_on_its_target() {
    let ask = json!({"reading": {"stretched_mm": 500.0, "sprung_mm": 250.0, "strands": 3}, "target_worn_mm": 120.0,
        "state": {"moisture": "wet", "comb": "wide"}});
    let out = spirel(&["compute", "mark"], &ask.to_string());
    assert!(out.status.success(), "{}", text(&out.stderr));
    let answer: Value = serde_json::from_slice(&out.stdout).unwrap();
    let mark = &answer["mark"];
    let number = |value: &Value| value.as_f64().unwrap();
    // Read off the next line of the comb, half a centimetre at most.
    let beyond = number(&mark["lengths"]["worn_mm"]) - number(&mark["allowance_mm"]) - 120.0;
    assert!((0.0..5.0).contains(&beyond), "{mark}");
    assert!(number(&mark["held_without_allowance_mm"]) > 200.0, "wet and combed it is longer than worn");
    assert!(!answer["reasons"].as_array().unwrap().is_empty());
}

#[test]
fn a_faulty_document_is_answered_by_its_faults_and_a_failing_exit() {
    let out = spirel(&["compute", "mark"], r#"{"reading": {"stretched_mm": -1}, "target_worn_mm": 120}"#);
    assert!(!out.status.success());
    assert_eq!(text(&out.stdout), "");
    let said: Value = serde_json::from_slice(&out.stderr).unwrap();
    assert_eq!(said["error"][0]["field"], "reading.stretched_mm");
    let out = spirel(&["compute", "hang"], "{\n\"diameter_um\": ");
    assert!(text(&out.stderr).contains("line 2"), "{}", text(&out.stderr));
}

#[test]
fn a_batch_answers_each_line_in_its_place_and_the_same_as_one_by_one() {
    let good = fibre(8.0, 1.0);
    let mut lines: Vec<String> =
        (0..3000).map(|i| fibre(2.0 + f64::from(i) * 0.01, 1.0).to_string()).collect();
    lines[1500] = "not json".into();
    lines[7] = good.to_string();
    let out = spirel(&["compute", "hang", "--batch"], &(lines.join("\n") + "\n\n"));
    assert!(!out.status.success(), "one line was faulty");
    let answers: Vec<Value> =
        text(&out.stdout).lines().map(|line| serde_json::from_str(line).unwrap()).collect();
    assert_eq!(answers.len(), 3000, "an empty line is no question");
    assert!(answers[1500]["error"][0]["message"].as_str().unwrap().contains("not valid JSON"));
    let alone = spirel(&["compute", "hang"], &good.to_string());
    assert_eq!(answers[7], serde_json::from_slice::<Value>(&alone.stdout).unwrap());
    // A wider loop is opened further by the same weight.
    let hanging = |i: usize| answers[i]["hanging_mm"].as_f64().unwrap();
    assert!(hanging(2999) > hanging(1000) && hanging(1000) > hanging(0));
}

#[test]
fn a_hanging_rod_that_is_straight_at_its_root_follows_the_closed_form() {
    let out = spirel(&["compute", "hang"], &fibre(60.0, 1.0).to_string());
    let answer: Value = serde_json::from_slice(&out.stdout).unwrap();
    assert_eq!(answer["regime"], "straight_at_root");
    // Depth of the end: L − EI·κ0²/(2w).
    let area = std::f64::consts::PI * 0.035_f64.powi(2);
    let bending = 3.9e3 * std::f64::consts::PI * 0.07_f64.powi(4) / 64.0;
    let weight = area * 1320e-9 * 9.80665;
    let expected = 250.0 - bending / 60.0_f64.powi(2) / (2.0 * weight);
    let got = answer["tip_mm"].as_f64().unwrap();
    assert!((got - expected).abs() < 0.02, "{got} {expected}");
}

#[test]
fn a_cut_falls_on_a_head_and_is_drawn() {
    let shipped = &spirel_core::cut::shipped()[0].cut;
    let zone = json!({"stretched_mm": 450.0, "sprung_mm": 400.0});
    let ask =
        json!({"reading": {"zones": {"top": zone, "nape": zone}}, "plan": {"cut": shipped}, "show_move": 0});
    let folder = tempfile::tempdir().unwrap();
    let picture = folder.path().join("fall.svg");
    let scene = folder.path().join("fall.glb");
    let files = ["--svg", picture.to_str().unwrap(), "--glb", scene.to_str().unwrap()];
    let out = spirel(&[&["compute", "fall"], &files[..]].concat(), &ask.to_string());
    assert!(out.status.success(), "{}", text(&out.stderr));
    let answer: Value = serde_json::from_slice(&out.stdout).unwrap();
    let mass = |when: &str| answer[when]["mass_g"].as_f64().unwrap();
    let taken: f64 =
        answer["moves"].as_array().unwrap().iter().map(|move_| move_["taken_g"].as_f64().unwrap()).sum();
    assert!(taken > 1.0 && (mass("before") - mass("after") - taken).abs() < 1e-6);
    let svg = std::fs::read_to_string(picture).unwrap();
    assert!(
        svg.starts_with("<svg")
            && svg.contains("front-after")
            && svg.contains("top-after")
            && !svg.contains("NaN")
    );
    assert_eq!(&std::fs::read(scene).unwrap()[..4], b"glTF");

    let out = spirel(&["compute", "fall"], &ask.to_string().replace("\"slide\"", "\"slice\""));
    assert!(!out.status.success());
    let said: Value = serde_json::from_slice(&out.stderr).unwrap();
    assert_eq!(said["error"][0]["field"], "plan.cut.moves.1.technique.kind");
}

#[test]
fn a_database_that_cannot_be_reached_and_a_busy_address_are_said_plainly() {
    let away = spirel(&["migrate", "--database-url", "mysql://nobody@127.0.0.1:1/none"], "");
    assert!(!away.status.success());
    assert!(text(&away.stderr).starts_with("spirel: "), "{}", text(&away.stderr));
    let taken = std::net::TcpListener::bind("127.0.0.1:0").unwrap();
    let address = taken.local_addr().unwrap().to_string();
    let busy = spirel(&["serve", "--bind", &address, "--data", "/nonexistent/never"], "");
    assert!(!busy.status.success());
    assert!(text(&busy.stderr).contains("Choose another with --bind"), "{}", text(&busy.stderr));
}

#[test]
fn the_made_up_house_is_served_to_this_machine_alone_unless_that_is_asked_for() {
    let out = spirel(&["demo", "--bind", "0.0.0.0:0"], "");
    assert!(
        !out.status.success() && text(&out.stderr).contains("--beyond-loopback"),
        "{}",
        text(&out.stderr)
    );
}
