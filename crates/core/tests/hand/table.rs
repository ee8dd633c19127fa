//! What a hand would find on computed heads, as named numbers: each case varies what a stylist would vary first.

#[path = "../../examples/heads/mod.rs"]
mod heads;

pub use heads::{head, reading};
use spirel_core::cut::{Cut, CutResult, cut};
use spirel_core::fall::{AsWorn, Fall, fall};
use spirel_core::fibre::WornStyle;
use spirel_core::grow::HairRequest;
use spirel_core::hair::{Hair, ShareLengths};
use spirel_core::head::{Place, Point, Vec3, Zone};
use spirel_core::reading::{RawReading, RawZoneReading, WidthClass, WornWidth};

/// What is said of a case, and its number.
pub type Line = (String, f64);

/// A cut of one move after another, each as it is written.
pub fn cut_of(moves: &str) -> Option<Cut> {
    let text = format!(r#"{{"format": "spirel.cut", "version": 3, "name": "case", "moves": [{moves}]}}"#);
    serde_json::from_str(&text).ok()
}

pub fn done(hair: &Hair, moves: &str) -> Option<CutResult> {
    cut(hair, &cut_of(moves)?).ok()
}

pub const WET: &str = r#""state": {"moisture": "wet", "comb": "wide"}"#;

/// A line worn so far below a point.
pub fn worn_line(point: &str, below: f64) -> String {
    format!(
        r#"{{"region": "everything", {WET}, "kind": {{"perimeter": {{"behind": {{"point": "{point}", "below_mm": {below}}}, "worn": true}}}}}}"#
    )
}

/// The same on the comb.
pub fn combed_line(point: &str, below: f64) -> String {
    worn_line(point, below).replace("true", "false")
}

/// Sections; `rest` says of them what is not layout.
pub fn sections(region: &str, along: &str, from: &str, rest: &str) -> String {
    format!(
        r#"{{"region": {region}, {WET}, "kind": {{"sections": {{"layout": {{"along": {along}, "thickness_mm": 12, "from": "{from}"}}, {rest}}}}}}}"#
    )
}

/// Weight taken everywhere.
pub fn weight(kind: &str, share: f64, depth: f64) -> String {
    format!(
        r#"{{"region": "everything", {WET}, "kind": {{"weight": {{"along": "horizontal", "thickness_mm": 20, "from": "nape_centre"}}}}, "technique": {{"kind": "{kind}", "share": {share}, "depth_mm": {depth}}}}}"#
    )
}

pub fn line_mm(fall: &Fall) -> f64 {
    fall.perimeter_mm.iter().flatten().copied().fold(f64::MAX, f64::min)
}

fn cover(fall: &Fall, height: f64) -> f64 {
    let covers: Vec<f64> = fall.levels.iter().map(|level| level.mass_g_per_mm).collect();
    let at = fall.levels.iter().position(|level| level.height_mm <= height).unwrap_or(covers.len() - 1);
    covers[at]
}

/// Mean length of the hair of some zones, mm.
fn mean_of(hair: &Hair, lengths: &[ShareLengths], zones: &[Zone]) -> f64 {
    let all: Vec<f64> = hair
        .strands
        .iter()
        .zip(lengths)
        .filter(|(strand, _)| zones.contains(&strand.root.zone))
        .map(|(_, lengths)| lengths[0])
        .collect();
    all.iter().sum::<f64>() / all.len() as f64
}

pub fn small_shares() -> Vec<Line> {
    let mut lines = Vec::new();
    let straight = head(500.0, 497.0, WidthClass::Medium, 180.0);
    let whole = fall(&straight, &done(&straight, &worn_line("shoulder", 0.0)).expect("a line").lengths);
    let at = line_mm(&whole) + 12.0;
    for share in [0.005, 0.02, 0.04, 0.08] {
        let moves = format!("{}, {}", worn_line("shoulder", 0.0), weight("brick", share, 80.0));
        let after = fall(&straight, &done(&straight, &moves).expect("bricks").lengths);
        let gone = 1.0 - cover(&after, at) / cover(&whole, at);
        lines.push((format!("1 {share} taken to 80 mm: gone 12 mm above the line, share"), gone));
    }
    let ringlets = head(600.0, 300.0, WidthClass::Medium, 240.0);
    let before = fall(&ringlets, &done(&ringlets, &worn_line("shoulder", 0.0)).expect("a line").lengths);
    let moves = format!("{}, {}", worn_line("shoulder", 0.0), weight("brick", 0.04, 80.0));
    let after = fall(&ringlets, &done(&ringlets, &moves).expect("bricks").lengths);
    let at = line_mm(&before) + 30.0;
    lines.push((
        "1 0.04 taken to 80 mm: ringlets narrower at the line, mm".into(),
        before.front.width_at_mm(at) - after.front.width_at_mm(at),
    ));
    let fine = head(330.0, 315.0, WidthClass::Fine, 140.0);
    let flat = fall(&fine, &fine.lengths).front.heights_mm[0];
    for (share, stub) in [(0.1, 25.0), (0.3, 25.0), (0.3, 50.0)] {
        let after = done(&fine, &weight("brick", share, stub)).expect("bricks");
        let lifted = fall(&fine, &after.lengths).front.heights_mm[0] - flat;
        lines.push((format!("1 bricks of {share} with stubs of {stub} mm lift fine hair, mm"), lifted));
    }
    lines
}

pub fn upright_sections() -> Vec<Line> {
    let hair = head(400.0, 397.0, WidthClass::Medium, 180.0);
    let region = r#"{"any": [{"zone": "nape"}, {"zone": "back_lower"}]}"#;
    let mut lines = Vec::new();
    for (name, along, shape) in [
        ("horizontal", "\"horizontal\"", "along_head"),
        ("upright, along the head", "\"vertical\"", "along_head"),
        ("upright, square to the hair", "\"vertical\"", "square_to_hair"),
    ] {
        for elevation in [0.0, 20.0, 60.0, 90.0, 120.0] {
            let first = if elevation > 90.0 { 90.0 } else { 30.0 };
            let rest = format!(
                r#""hold": {{"elevation_deg": {elevation}}}, "guide": {{"travelling": {{}}}}, "fingers": {{"shape": "{shape}"}}, "length": {{"held_mm": {first}}}"#
            );
            let mean = done(&hair, &sections(region, along, "nape_centre", &rest))
                .map_or(f64::NAN, |after| mean_of(&hair, &after.lengths, &[Zone::Nape, Zone::BackLower]));
            lines.push((format!("2 {name} at {elevation}°, first {first} mm: mean, mm"), mean));
        }
    }
    lines
}

pub fn outline() -> Vec<Line> {
    let mut lines = Vec::new();
    for density in [240.0, 300.0] {
        let hair = head(600.0, 300.0, WidthClass::Medium, density);
        let mut before = None::<Vec<Option<f64>>>;
        let (mut jump, mut least) = (0.0_f64, f64::MAX);
        for below in (26..=80).step_by(2) {
            let after = done(&hair, &combed_line("shoulder", f64::from(below))).expect("a line");
            let fallen = fall(&hair, &after.lengths);
            let held: f64 = mass_in_levels(&fallen);
            least = least.min(held / fallen.mass_g);
            if let Some(before) = &before {
                for (was, is) in before.iter().zip(&fallen.perimeter_mm) {
                    if let (Some(was), Some(is)) = (was, is) {
                        jump = jump.max((was - is).abs());
                    }
                }
            }
            before = Some(fallen.perimeter_mm.clone());
        }
        lines.push((format!("3 ringlets of {density}/cm²: the perimeter jumps in 2 mm by, mm"), jump));
        lines.push((format!("3 ringlets of {density}/cm²: share of the mass in the levels, least"), least));
    }
    let straight = head(500.0, 497.0, WidthClass::Medium, 180.0);
    let chin = fall(&straight, &done(&straight, &worn_line("chin", 0.0)).expect("a line").lengths);
    lines.push((
        "3 chin line, straight: drawn below the lowest end by, mm".into(),
        chin.lowest_mm - line_mm(&chin),
    ));
    lines
}

/// Mass between the levels, by trapezes, g.
pub fn mass_in_levels(fall: &Fall) -> f64 {
    let per_level = |pair: &[spirel_core::fall::LevelShare]| {
        0.5 * (pair[0].mass_g_per_mm + pair[1].mass_g_per_mm) * (pair[0].height_mm - pair[1].height_mm)
    };
    fall.levels.windows(2).map(per_level).sum()
}

pub fn brushed() -> Vec<Line> {
    let mut lines = Vec::new();
    for (name, stretched, sprung) in
        [("waves", 450.0, 345.0), ("ringlets", 450.0, 250.0), ("straight", 450.0, 447.0)]
    {
        let request = HairRequest::new(reading(stretched, sprung, WidthClass::Medium, 180.0));
        let grown = |worn| HairRequest { worn, ..request.clone() }.grow().expect("possible");
        let (sprung, brushed) = (grown(WornStyle::AsItSprings), grown(WornStyle::BrushedOut));
        let fallen = |hair: &Hair| fall(hair, &hair.lengths);
        let (before, after) = (fallen(&sprung), fallen(&brushed));
        for height in [40.0, -60.0, -150.0] {
            lines.push((
                format!("4 {name} brushed out: wider at {height}, times"),
                after.front.width_at_mm(height) / before.front.width_at_mm(height),
            ));
        }
        let worn = |fall: &Fall| fall.zones.iter().map(|zone| zone.worn_mm).sum::<f64>();
        lines.push((format!("4 {name} brushed out: longer, times"), worn(&after) / worn(&before)));
    }
    lines
}

pub fn over_directed() -> Vec<Line> {
    let hair = head(500.0, 497.0, WidthClass::Medium, 180.0);
    let mut lines = Vec::new();
    for (name, over) in [
        ("toward forward", r#"{"toward": "forward"}"#),
        ("to the front hairline", r#"{"landmark": "hairline_centre"}"#),
        ("to the apex", r#"{"landmark": "apex"}"#),
    ] {
        for (what, length) in [("held", r#"{"held_mm": 130}"#), ("worn", r#"{"worn_mm": 130}"#)] {
            let rest = format!(
                r#""hold": {{"elevation_deg": 90, "over_direction": {over}}}, "guide": "free", "length": {length}"#
            );
            let after = done(&hair, &sections("\"everything\"", "\"horizontal\"", "nape_centre", &rest))
                .expect("cut");
            let longest = after
                .lengths
                .iter()
                .zip(&hair.strands)
                .filter(|(_, strand)| strand.root.at.z.abs() > -1.0)
                .map(|(lengths, _)| lengths[0])
                .fold(0.0, f64::max);
            lines.push((format!("5 130 {what} {name}: longest, mm"), longest));
            lines.push((
                format!("5 130 {what} {name}: mean behind, mm"),
                mean_of(&hair, &after.lengths, &[Zone::BackUpper, Zone::BackLower]),
            ));
        }
    }
    lines
}

pub fn dome() -> Vec<Line> {
    let mut lines = Vec::new();
    let at = Place { point: Point::JawCorner, below_mm: 0.0 };
    for (name, width, room) in [
        ("medium ringlets", WidthClass::Medium, None),
        ("medium ringlets, 400 mm wide at the jaw", WidthClass::Medium, Some(400.0)),
        ("coarse ringlets", WidthClass::Coarse, None),
        ("coarse ringlets, 400 mm wide at the jaw", WidthClass::Coarse, Some(400.0)),
    ] {
        let plain = reading(480.0, 270.0, width, 220.0);
        let worn_width = room.map(|width_mm| WornWidth { width_mm, at });
        let hair = HairRequest::new(RawReading { worn_width, ..plain }).grow().expect("possible");
        let rest = r#""hold": {"elevation_deg": 90}, "guide": "stationary", "length": {"worn_mm": 160}"#;
        let layers =
            done(&hair, &sections("\"everything\"", "\"horizontal\"", "apex", rest)).expect("layers");
        for (what, lengths) in [("in layers", &layers.lengths), ("uncut", &hair.lengths)] {
            let fallen = fall(&hair, lengths);
            let top = fallen.front.heights_mm[0];
            lines.push((format!("6 {name}, {what}: lift of the top, mm"), top - hair.form.top_mm()));
            // A ball of 100 mm is 89 mm wide 10 mm below its top, and 120 mm 20 mm below.
            for below in [10.0, 20.0, 40.0] {
                let width = fallen.front.width_at_mm(top - below);
                lines.push((format!("6 {name}, {what}: width {below} mm below the top, mm"), width));
            }
            let jaw = fallen.front.width_at_mm(at.height_mm(&hair.measures));
            lines.push((format!("6 {name}, {what}: width at the jaw, mm"), jaw));
        }
    }
    lines
}

pub fn flare() -> Vec<Line> {
    let mut lines = Vec::new();
    for share in [0.99, 0.9, 0.84, 0.78, 0.74, 0.7, 0.6, 0.52, 0.45] {
        let hair = head(600.0, 600.0 * share, WidthClass::Medium, 180.0);
        let fallen = fall(&hair, &done(&hair, &worn_line("shoulder", 0.0)).expect("a line").lengths);
        let (line, temples) =
            (fallen.front.width_at_mm(line_mm(&fallen) + 10.0), fallen.front.width_at_mm(40.0));
        lines.push((
            format!("7 share {share}: width 10 mm above the shoulder line over that at the temples"),
            line / temples,
        ));
    }
    lines
}

pub fn joined() -> Vec<Line> {
    let hair = head(400.0, 397.0, WidthClass::Medium, 180.0);
    let top_mean = |slant: f64| {
        let first = sections(
            r#"{"zone": "back_upper"}"#,
            "\"horizontal\"",
            "nape_centre",
            r#""hold": {"elevation_deg": 90}, "guide": {"travelling": {}}, "length": {"held_mm": 120}"#,
        );
        let rest = format!(
            r#""hold": {{"elevation_deg": 90}}, "guide": {{"travelling": {{}}}}, "fingers": {{"slant_deg": {slant}, "longer_toward": "apex"}}, "length": {{"like_move": 0}}"#
        );
        let joined = sections(r#"{"zone": "crown"}"#, "\"vertical\"", "crown", &rest);
        let after = done(&hair, &format!("{first}, {joined}")).expect("joined");
        mean_of(&hair, &after.lengths, &[Zone::Crown])
    };
    [0.0, 15.0, 35.0]
        .into_iter()
        .map(|slant| {
            (format!("8 joined at the crown, fingers slanted by {slant}°: mean, mm"), top_mean(slant))
        })
        .collect()
}

pub fn techniques() -> Vec<Line> {
    let hair = head(450.0, 440.0, WidthClass::Medium, 180.0);
    let whole = fall(&hair, &done(&hair, &worn_line("shoulder", 0.0)).expect("a line").lengths);
    let mut lines = Vec::new();
    for kind in ["thin", "point", "slide", "back_cut", "skim", "tease", "twist", "notch"] {
        let moves = format!("{}, {}", worn_line("shoulder", 0.0), weight(kind, 0.4, 60.0));
        let after = fall(&hair, &done(&hair, &moves).expect("worked").lengths);
        lines.push((format!("9 {kind}, 0.4 over 60 mm: taken, g"), whole.mass_g - after.mass_g));
        lines.push((
            format!("9 {kind}, 0.4 over 60 mm: left 12 mm above the line, share"),
            cover(&after, line_mm(&whole) + 12.0) / cover(&whole, line_mm(&whole) + 12.0),
        ));
        lines.push((
            format!("9 {kind}, 0.4 over 60 mm: left 45 mm above the line, share"),
            cover(&after, line_mm(&whole) + 45.0) / cover(&whole, line_mm(&whole) + 45.0),
        ));
    }
    lines
}

pub fn short() -> Vec<Line> {
    let mut lines = Vec::new();
    for (name, length, width, density) in [
        ("medium", 14.0, WidthClass::Medium, 180.0),
        ("medium", 30.0, WidthClass::Medium, 180.0),
        ("medium", 60.0, WidthClass::Medium, 180.0),
        ("medium", 120.0, WidthClass::Medium, 180.0),
        ("medium", 300.0, WidthClass::Medium, 180.0),
        ("coarse dense", 14.0, WidthClass::Coarse, 260.0),
        ("fine", 30.0, WidthClass::Fine, 140.0),
    ] {
        let hair = head(length, length * 0.995, width, density);
        let fallen = fall(&hair, &hair.lengths);
        lines.push((
            format!("10 straight, {name}, {length} mm: top, mm"),
            fallen.front.heights_mm[0] - hair.form.top_mm(),
        ));
        lines.push((
            format!("10 straight, {name}, {length} mm: side at the temples, mm"),
            0.5 * fallen.front.width_at_mm(40.0) - 0.95 * hair.form.radius_mm(&Vec3::x()),
        ));
    }
    lines
}

pub fn combs() -> Vec<Line> {
    use spirel_core::fibre::{Comb, HeldState, Moisture};
    let hair = head(600.0, 330.0, WidthClass::Medium, 180.0);
    let strand = &hair.strands[0];
    [Comb::None, Comb::Wide, Comb::Medium, Comb::Fine]
        .into_iter()
        .map(|comb| {
            let state = HeldState { moisture: Moisture::Damp, comb };
            let fibre = strand.model.fibre_from_held(100.0, 600.0, state).expect("reached");
            (format!("11 damp, 100 mm held, {comb:?}: fibre, mm"), fibre)
        })
        .collect()
}

pub fn branch() -> Vec<Line> {
    let mut lines = Vec::new();
    for (stretched, sprung) in
        [(120.0, 70.0), (100.0, 80.0), (100.0, 40.0), (90.0, 60.0), (60.0, 40.0), (150.0, 120.0)]
    {
        let (mut before, mut most) = (None::<f64>, 0.0_f64);
        for um in 50..=100 {
            let zone = RawZoneReading {
                width_um: Some(f64::from(um)),
                strands: 5,
                ..RawZoneReading::measured(stretched, sprung)
            };
            let zones = Zone::ALL.into_iter().map(|z| (z.into(), zone)).collect();
            let reading = RawReading { zones, ..RawReading::default() };
            let hair = HairRequest { roots: 256, ..HairRequest::new(reading) }.grow().expect("possible");
            let lowest = fall(&hair, &hair.lengths).lowest_mm;
            most = before.map_or(most, |before| most.max((before - lowest).abs()));
            before = Some(lowest);
        }
        lines.push((format!("12 curls of {stretched} sprung {sprung}, a micrometre wider: the lowest end moves by at most, mm"), most));
    }
    lines
}

pub fn past_square() -> Vec<Line> {
    let hair = head(400.0, 397.0, WidthClass::Medium, 180.0);
    let rest = r#""hold": {"elevation_deg": 150}, "guide": {"travelling": {}}, "length": {"held_mm": 150}"#;
    let after = done(&hair, &sections("\"everything\"", "\"horizontal\"", "nape_centre", rest)).expect("cut");
    let least = after.lengths.iter().map(|lengths| lengths[0]).fold(f64::MAX, f64::min);
    vec![
        ("13 150° from the nape: shortest left, mm".into(), least),
        ("13 150° from the nape: what is said of it".into(), after.moves[0].notes.len() as f64),
    ]
}

pub fn nape() -> Vec<Line> {
    [120.0, 150.0, 180.0, 210.0, 240.0, 270.0, 300.0]
        .into_iter()
        .map(|density| {
            let hair = head(480.0, 270.0, WidthClass::Medium, density);
            let moves = format!(
                r#"{{"region": "everything", {WET}, "kind": {{"sections": {{"layout": {{"along": "horizontal", "thickness_mm": 12, "from": "nape_centre"}}, "hold": {{"elevation_deg": 90}}, "guide": "free", "length": {{"worn_mm": 70}}}}}}}}"#
            );
            let fallen = fall(&hair, &done(&hair, &moves).expect("cut").lengths);
            let nape = fallen.zones.iter().find(|zone| zone.zone == Zone::Nape).expect("a nape");
            (format!("14 ringlets worn 70 mm, {density}/cm²: ends of the nape at, mm"), nape.ends_at_mm)
        })
        .collect()
}

pub fn zones_as_read() -> Vec<Line> {
    let mut lines = Vec::new();
    let mut told = |name: &str, zones: &[(Zone, f64)]| {
        let mut reading = reading(300.0, 290.0, WidthClass::Medium, 180.0);
        for (zone, length) in zones {
            reading.zones.insert((*zone).into(), RawZoneReading::measured(*length, length * 0.97));
        }
        let hair = HairRequest::new(reading).grow().expect("possible");
        for (zone, read) in Zone::ALL
            .map(|zone| (zone, zones.iter().find(|(of, _)| *of == zone).map_or(300.0, |(_, length)| *length)))
        {
            let (mut sum, mut weight) = (0.0, 0.0);
            for (strand, lengths) in
                hair.strands.iter().zip(&hair.lengths).filter(|(strand, _)| strand.root.zone == zone)
            {
                sum += strand.hairs * lengths[0];
                weight += strand.hairs;
            }
            lines.push((format!("15 {name}: {zone:?} over what was read"), sum / weight / read));
        }
    };
    told("fringe 170", &[(Zone::Fringe, 170.0)]);
    told("undercut 30", &[(Zone::Nape, 30.0), (Zone::BackLower, 30.0)]);
    told(
        "layers",
        &[(Zone::Top, 150.0), (Zone::Crown, 170.0), (Zone::Fringe, 140.0), (Zone::BackUpper, 220.0)],
    );
    told("one side longer", &[(Zone::LeftSide, 360.0)]);
    lines
}

/// Each zone cut combed down, wet on a wide comb, along the line that Mark advises for a point, without any allowance: how far off
/// the point its hair ends, mm.
pub fn combed_lines() -> Vec<Line> {
    use spirel_core::fibre::{Comb, HeldState, Moisture};
    use spirel_core::mark::{Aim, ZoneAim, mark_sheet};
    let mut lines = Vec::new();
    for (name, stretched, sprung, density) in [
        ("straight", 600.0, 597.0, 180.0),
        ("waves", 600.0, 450.0, 180.0),
        ("ringlets", 600.0, 330.0, 180.0),
        ("dense ringlets", 600.0, 300.0, 260.0),
        ("coils", 700.0, 230.0, 180.0),
    ] {
        let read = reading(stretched, sprung, WidthClass::Medium, density);
        let hair = HairRequest::new(read.clone()).grow().expect("possible");
        for point in [Point::Chin, Point::Shoulder] {
            let place = Place { point, below_mm: 0.0 };
            let aim =
                Aim { zones: Zone::ALL.map(|zone| (zone, ZoneAim::landing(place))).into(), ..Aim::default() };
            let sheet = mark_sheet(&read, &aim, Default::default(), Default::default()).expect("possible");
            for zone in &sheet.zones {
                let wet = HeldState { moisture: Moisture::Wet, comb: Comb::Wide };
                let Some(state) =
                    zone.result.iter().flat_map(|result| &result.states).find(|one| one.state == wet)
                else {
                    continue;
                };
                let (Some(mark), Some(below)) = (&state.mark, state.line_below_mm) else { continue };
                // What doesn't reach the point is cut by no line.
                if mark.fibre_for_target_mm > stretched {
                    continue;
                }
                let below = below - (mark.comb_mm - mark.held_without_allowance_mm);
                let moves = format!(
                    r#"{{"region": {{"zone": "{}"}}, {WET}, "kind": {{"perimeter": {{"behind": {{"point": "{}", "below_mm": {below}}}}}}}}}"#,
                    zone.zone.key(),
                    serde_json::to_value(point).expect("a name").as_str().expect("a name"),
                );
                let Some(after) = done(&hair, &moves) else { continue };
                let worn = AsWorn::of(&hair, &after.lengths);
                let cut = |i: &usize| {
                    hair.strands[*i].root.zone == zone.zone && after.lengths[*i] != hair.lengths[*i]
                };
                let cut: Vec<f64> = (0..hair.strands.len()).filter(cut).map(|i| worn.mean_end(i).y).collect();
                // Where most of a zone is too short to get there, what gets there is not its mean.
                let whole = hair.strands.iter().filter(|strand| strand.root.zone == zone.zone).count();
                if 2 * cut.len() < whole {
                    continue;
                }
                let ends = cut.iter().sum::<f64>() / cut.len() as f64;
                let off = ends - place.height_mm(&hair.measures);
                lines.push((format!("16 {name}, {point:?}, {:?}: off the point, mm", zone.zone), off));
            }
        }
    }
    lines
}
