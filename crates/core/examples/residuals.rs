//! Prints how far the demo's aims end from their points in the fall, and its worn lines from where they were seen:
//! docs/accuracy.md.

#![allow(clippy::print_stdout, reason = "what it prints is what it is for")]

use serde_json::Value;
use spirel_core::fall::fall;
use spirel_core::grow::{HairRequest, agreements};
use spirel_core::mark::{Aim, mark_sheet};
use spirel_core::reading::RawReading;
use spirel_core::talk::{Talk, Wearing};
use spirel_core::units::LengthUnit;

fn documents<'a>(value: &'a Value, name: &str, found: &mut Vec<(String, &'a Value)>) {
    match value {
        Value::Object(map) => {
            let name = map.get("name").and_then(Value::as_str).unwrap_or(name);
            if map.get("read").is_some_and(Value::is_object) {
                found.push((name.to_owned(), value));
            }
            map.values().for_each(|value| documents(value, name, found));
        }
        Value::Array(all) => all.iter().for_each(|value| documents(value, name, found)),
        _ => {}
    }
}

fn main() {
    let path = concat!(env!("CARGO_MANIFEST_DIR"), "/../server/src/demo/houses.json");
    let houses: Value =
        serde_json::from_str(&std::fs::read_to_string(path).expect("the demo")).expect("JSON");
    let mut found = Vec::new();
    documents(&houses, "", &mut found);
    let mut worst = 0.0_f64;
    let mut all = Vec::new();
    for (name, visit) in found {
        let reading: RawReading = serde_json::from_value(visit["read"].clone()).expect("a reading");
        let talk: Talk = serde_json::from_value(visit["talk"].clone()).unwrap_or_default();
        let request = HairRequest {
            worn: talk.worn,
            front_straight: talk.front_straight,
            climate: talk.climate,
            ..HairRequest::new(reading.clone())
        };
        let Ok(hair) = request.grow() else { continue };
        for (kind, off) in
            [("line", agreements(&hair, &reading).line), ("girth", agreements(&hair, &reading).girths)]
        {
            for (i, agreement) in off.iter().enumerate() {
                println!(
                    "{name}: {kind} {i} measured {:.1} computed {:.1?}",
                    agreement.measured_mm, agreement.computed_mm
                );
            }
        }
        let Ok(aim) = serde_json::from_value::<Aim>(visit["aim"].clone()) else { continue };
        let wearing = Wearing { fringe: false, ..talk.wearing() };
        let sheet = mark_sheet(&reading, &aim, wearing, LengthUnit::Cm).expect("possible");
        for zone in sheet.zones.iter().filter(|zone| zone.patch.half.is_none()) {
            let (Some(mark), Some(wish)) = (&zone.result, aim.zones.get(&zone.zone)) else { continue };
            // A wish by worn length names no place to end at.
            let Some(lands) = wish.lands else { continue };
            // Cut at the mark without its allowance: all hair of the zone worn at the length that was aimed.
            let mut worn = hair.lengths.clone();
            for (lengths, strand) in worn.iter_mut().zip(&hair.strands) {
                if strand.root.zone == zone.zone
                    && let Some(fibre) = strand.model.fibre_from_worn(mark.target_mm, strand.worn)
                {
                    *lengths = spirel_core::hair::ShareLengths::all(fibre);
                }
            }
            let ends = fall(&hair, &worn)
                .zones
                .iter()
                .find(|known| known.zone == zone.zone)
                .expect("a zone")
                .ends_at_mm;
            let off = ends - lands.height_mm(&hair.measures);
            worst = worst.max(off.abs());
            all.push(off.abs());
            println!(
                "{name}: {:?} aimed {:.1} worn {:.1} ends {ends:.1} off {off:.2}",
                zone.zone,
                lands.height_mm(&hair.measures),
                mark.target_mm
            );
        }
    }
    all.sort_by(f64::total_cmp);
    println!("{} aims, worst {worst:.2} mm, half within {:.2} mm", all.len(), all[all.len() / 2]);
}
