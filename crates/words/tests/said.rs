//! Whatever core says has words: every message is in the catalogue, and every gap in it is filled.

use spirel_core::cut::{shipped, steps};
use spirel_core::fibre::{Comb, HeldState, Moisture};
use spirel_core::mark::MarkRequest;
use spirel_core::reading::RawZoneReading;
use spirel_core::units::LengthUnit;
use spirel_core::{FieldErrors, Message, Problem};
use spirel_words::{Lengths, say};

fn whole(message: &Message, unit: LengthUnit) -> String {
    let said = say(message, Lengths::In(unit));
    assert!(!said.contains(['[', ']', '{', '}']), "{said}");
    let other = if unit == LengthUnit::Cm { " in." } else { " cm" };
    assert!(!said.contains(other), "another unit was asked for: {said}");
    said
}

#[test]
fn every_step_of_every_cut_that_ships() {
    for shipped in shipped() {
        for step in steps(&shipped.cut) {
            for unit in [LengthUnit::Cm, LengthUnit::Inch] {
                step.lines.iter().chain(&step.section).chain([&step.title]).for_each(|message| {
                    whole(message, unit);
                });
            }
        }
    }
}

#[test]
fn a_step_reads_as_a_colleague_would_tell_it() {
    let cut = &shipped().iter().find(|shipped| shipped.key == "breakwater").expect("it ships").cut;
    let step = &steps(cut)[1];
    let said = |message: &Message| whole(message, LengthUnit::Cm);
    assert_eq!(
        said(step.section.as_ref().expect("it has hair")),
        "behind the ear-to-ear parting, below the parietal ridge"
    );
    let lines: Vec<String> = step.lines.iter().map(said).collect();
    assert_eq!(lines[0], "Vertical subsections of 2.2 cm, starting at the middle of the nape.");
    assert_eq!(
        lines[1],
        "Elevation 80° to the head, on base; travelling guide; fingers straight, at 20°, longer towards the middle of the \
         nape."
    );
    assert_eq!(lines[2], "First length 10.5 cm worn, wet on a wide comb.");
}

#[test]
fn every_reason_of_marks_in_every_state() {
    for (stretched, sprung, strands) in
        [(300.0, 45.0, 1), (300.0, 150.0, 2), (300.0, 297.0, 5), (140.0, 70.0, 2)]
    {
        for moisture in Moisture::ALL {
            for comb in Comb::ALL {
                let reading = RawZoneReading { strands, ..RawZoneReading::measured(stretched, sprung) };
                let state = Some(HeldState { moisture, comb });
                let request =
                    MarkRequest { state, shortest_worn_mm: Some(40.0), ..MarkRequest::new(reading, 60.0) };
                for reason in request.answer().into_iter().flat_map(|answer| answer.reasons) {
                    let said = whole(&reason, LengthUnit::Inch);
                    assert!(
                        said.starts_with(char::is_uppercase) || said.starts_with(char::is_numeric),
                        "{said}"
                    );
                }
            }
        }
    }
}

#[test]
fn every_kind_of_fault() {
    let mut faults = FieldErrors::default();
    faults.range("a", 0.0, (3.0, 120.0), "mm");
    faults.range("a", 0.0, (10.0, 300.0), "µm");
    faults.range("a", 2.0, (0.0, 0.9), "share");
    faults.range("a", f64::NAN, (0.0, 1.0), "");
    faults.text("a", "four", 3);
    faults.push("a", Problem::Missing);
    faults.push("a", Problem::too_many(8));
    faults.push("a", Problem::LongerThan { other: "again.0.stretched_mm".into() });
    faults.push("a", Problem::Unknown { given: "b".into(), known: vec!["c".into(), "d".into()] });
    faults.push("a", Problem::contradicts("fault-not-square"));
    let said: Vec<String> =
        faults.0.iter().map(|fault| whole(&fault.problem.message(), LengthUnit::Cm)).collect();
    assert_eq!(
        said,
        [
            "must be from 0.3 cm to 12.0 cm",
            "must be from 10 to 300 µm",
            "must be from 0 to 90 %",
            "must be a finite number",
            "can hold at most 3 characters",
            "is needed",
            "can hold at most 8 entries",
            "can't be longer than “Stretched”",
            "is not known here: b; known are c, d",
            "is not square",
        ]
    );
}
