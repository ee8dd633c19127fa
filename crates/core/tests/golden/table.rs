//! What comes of every shipped cut on three heads, and of every mark of the demo, as lines of numbers.

use serde_json::Value;
use spirel_core::cut::{cut, shipped};
use spirel_core::fall::{Fall, fall};
use spirel_core::grow::HairRequest;
use spirel_core::hair::Hair;
use spirel_core::head::Zone;
use spirel_core::mark::{Aim, SheetZone, mark_sheet};
use spirel_core::reading::{RawReading, RawZoneReading, WidthClass};
use spirel_core::talk::Talk;
use spirel_core::units::LengthUnit;

/// Roots of a head: enough to tell any change.
const ROOTS: u32 = 1024;
/// Every so many-th number of an outline.
const EVERY: usize = 7;

/// Where no hair is.
const NO_HAIR: f64 = 9999.0;

/// A name and the numbers of it.
pub type Line = (String, Vec<f64>);

/// All of it.
pub fn lines() -> Vec<Line> {
    let mut lines = Vec::new();
    for (kind, stretched, sprung, width) in [
        ("straight", 450.0, 445.0, WidthClass::Coarse),
        ("ringlets", 450.0, 290.0, WidthClass::Medium),
        ("coils", 300.0, 85.0, WidthClass::Medium),
    ] {
        let hair = head(stretched, sprung, width);
        for shipped in shipped() {
            let after = cut(&hair, &shipped.cut).expect("a shipped cut can be carried out");
            let mut numbers = told(&fall(&hair, &after.lengths));
            numbers.extend(after.moves.iter().flat_map(|one| [one.share, one.cut_share, one.taken_g]));
            lines.push((format!("{kind} {}", shipped.key), numbers));
        }
    }
    lines.extend(demo_marks());
    lines
}

fn head(stretched: f64, sprung: f64, width: WidthClass) -> Hair {
    let read = RawZoneReading {
        width_class: Some(width),
        strands: 4,
        ..RawZoneReading::measured(stretched, sprung)
    };
    let zones = Zone::ALL.into_iter().map(|zone| (zone.into(), read)).collect();
    let reading = RawReading { zones, ..RawReading::default() };
    HairRequest { roots: ROOTS, ..HairRequest::new(reading) }.grow().expect("a possible head")
}

fn told(fall: &Fall) -> Vec<f64> {
    let mut numbers = vec![
        fall.width_mm,
        fall.widest_at_mm,
        fall.strong_to_mm,
        fall.see_through_below_mm,
        fall.lowest_mm,
        fall.mass_g,
    ];
    numbers.extend(fall.perimeter_mm.iter().step_by(EVERY).map(|line| line.unwrap_or(NO_HAIR)));
    for outline in [&fall.front, &fall.side] {
        numbers.extend(outline.one_mm.iter().chain(&outline.other_mm).step_by(EVERY));
    }
    numbers.extend(fall.zones.iter().flat_map(|zone| [zone.worn_mm, zone.ends_at_mm, zone.mass_g]));
    numbers
}

fn demo_marks() -> Vec<Line> {
    let path = concat!(env!("CARGO_MANIFEST_DIR"), "/../server/src/demo/houses.json");
    let houses: Value =
        serde_json::from_str(&std::fs::read_to_string(path).expect("the demo")).expect("JSON");
    let mut visits = Vec::new();
    collect("", &houses, &mut visits);
    let mut lines = Vec::new();
    for (number, (name, visit)) in visits.into_iter().enumerate() {
        let reading: RawReading = serde_json::from_value(visit["read"].clone()).expect("a reading");
        let Ok(aim) = serde_json::from_value::<Aim>(visit["aim"].clone()) else { continue };
        let talk: Talk = serde_json::from_value(visit["talk"].clone()).unwrap_or_default();
        let sheet = mark_sheet(&reading, &aim, talk.wearing(), LengthUnit::Cm).expect("possible");
        let zones = sheet.zones.iter().map(|zone| (format!("{name} {number} {}", zone.patch), marks(zone)));
        lines.extend(zones.filter(|(_, numbers)| !numbers.is_empty()));
    }
    lines
}

/// Every visit with a reading, with the client's name.
fn collect<'a>(name: &str, value: &'a Value, visits: &mut Vec<(String, &'a Value)>) {
    match value {
        Value::Object(map) => {
            let name = map.get("name").and_then(Value::as_str).unwrap_or(name);
            if map.get("read").is_some_and(Value::is_object) {
                visits.push((name.to_owned(), value));
            }
            map.values().for_each(|value| collect(name, value, visits));
        }
        Value::Array(all) => all.iter().for_each(|value| collect(name, value, visits)),
        _ => {}
    }
}

fn marks(zone: &SheetZone) -> Vec<f64> {
    let Some(result) = &zone.result else { return Vec::new() };
    let states = result.states.iter().filter_map(|state| state.mark);
    let mut numbers = vec![result.target_mm, result.target_height_mm];
    numbers
        .extend(states.flat_map(|mark| [mark.held_mm, mark.comb_mm, mark.lands_low_mm, mark.lands_high_mm]));
    numbers
}
