//! A move in trade words, made from its data.
//!
//! The words stand in `moves.en.json`; this only chooses among them and fills in lengths and angles.

use super::{
    Cut, FingerShape, FirstLength, Gathered, Guide, Layout, Move, Over, Sections, Technique, TechniqueKind,
    Way,
};
use crate::fibre::HeldState;
use crate::head::Landmark;
use crate::mark::Place;
use crate::section::{Along, Half, Parting, Region};
use crate::units::LengthUnit;
use serde::Serialize;
use std::collections::BTreeMap;
use std::sync::LazyLock;

static ENGLISH: LazyLock<BTreeMap<String, String>> = LazyLock::new(|| {
    serde_json::from_str(include_str!("moves.en.json")).expect("the wording file that ships is valid")
});

/// What is said of a move.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Phrase {
    /// Its name, or what kind of move it is.
    pub title: String,
    /// How it is done.
    pub text: String,
}

/// The moves of a cut in words, lengths in `unit`.
pub fn phrases(cut: &Cut, unit: LengthUnit) -> Vec<Phrase> {
    let say = Say { unit };
    cut.moves.iter().map(|each| say.each(each)).collect()
}

struct Say {
    unit: LengthUnit,
}

/// A text with its gaps filled. A text that is missing shows its key: a test sees to it that none is.
fn text(key: &str, gaps: &[(&str, String)]) -> String {
    let template = ENGLISH.get(key).cloned().unwrap_or_else(|| format!("[{key}]"));
    gaps.iter().fold(template, |text, (name, value)| text.replace(&format!("{{{name}}}"), value))
}

/// The word for a plain choice: its name in documents is its key.
fn word(kind: &str, choice: impl Serialize) -> String {
    let name = serde_json::to_value(choice).unwrap_or_default();
    text(&format!("{kind}.{}", name.as_str().unwrap_or_default()), &[])
}

fn degrees(angle: f64) -> String {
    format!("{angle:.0}°")
}

impl Say {
    fn mm(&self, mm: f64) -> String {
        self.unit.say(mm)
    }

    fn each(&self, each: &Move) -> Phrase {
        let key = match &each.way {
            Way::Perimeter(_) => "perimeter",
            Way::Sections(_) => "sections",
            Way::Gathered(_) => "gathered",
            Way::Weight(_) => "weight",
        };
        let title = if each.name.is_empty() { text(&format!("title.{key}"), &[]) } else { each.name.clone() };
        let mut parts = vec![self.way(each)];
        if each.technique.kind != TechniqueKind::Blunt && !matches!(each.way, Way::Weight(_)) {
            parts.push(text("technique", &[("technique", self.technique(&each.technique))]));
        }
        if each.mirrored {
            parts.push(text("mirrored", &[]));
        }
        Phrase { title, text: parts.join(" ") }
    }

    fn way(&self, each: &Move) -> String {
        let region = self.region(&each.region);
        match &each.way {
            Way::Perimeter(line) => {
                let mut places = vec![self.place(line.behind)];
                for (key, place) in [("line.side", line.side), ("line.front", line.front)] {
                    places.extend(place.map(|place| text(key, &[("place", self.place(place))])));
                }
                if line.tilt_deg != 0.0 {
                    places.push(text("line.tilt", &[("tilt", degrees(line.tilt_deg))]));
                }
                let gaps = [("state", state(each.state)), ("region", region), ("line", places.join(", "))];
                text("way.perimeter", &gaps)
            }
            Way::Sections(sections) => {
                let gaps = [
                    ("state", state(each.state)),
                    ("region", region),
                    ("layout", self.layout(&sections.layout)),
                    ("lift", degrees(sections.hold.lift_deg)),
                    ("over", over(sections.hold.over)),
                    ("guide", self.guide(sections.guide)),
                    ("fingers", self.fingers(sections)),
                    ("length", self.length(sections.length)),
                ];
                text("way.sections", &gaps)
            }
            Way::Gathered(gathered) => {
                let gaps = [
                    ("state", state(each.state)),
                    ("region", region),
                    ("layout", self.layout(&gathered.layout)),
                    ("point", pointed(gathered)),
                    ("past", self.mm(gathered.past_mm)),
                ];
                text(if gathered.past_mm == 0.0 { "way.gathered" } else { "way.gathered_past" }, &gaps)
            }
            Way::Weight(layout) => {
                let gaps = [
                    ("state", state(each.state)),
                    ("region", region),
                    ("layout", self.layout(layout)),
                    ("technique", self.technique(&each.technique)),
                ];
                text("way.weight", &gaps)
            }
        }
    }

    fn place(&self, place: Place) -> String {
        let point = word("point", place.point);
        match place.below_mm {
            0.0 => text("place.at", &[("point", point)]),
            mm if mm > 0.0 => text("place.below", &[("point", point), ("length", self.mm(mm))]),
            mm => text("place.above", &[("point", point), ("length", self.mm(-mm))]),
        }
    }

    fn region(&self, region: &Region) -> String {
        let joined = |key: &str, parts: &[Region]| {
            let said: Vec<String> = parts.iter().map(|part| self.region(part)).collect();
            said.join(&text(key, &[]))
        };
        match region {
            Region::Everything => text("region.everything", &[]),
            Region::Half(half) => word("half", half),
            Region::Zone(zone) => word("zone", zone),
            Region::Edge { within_mm } => text("region.edge", &[("length", self.mm(*within_mm))]),
            Region::SideOf { parting, with } => {
                text("region.side_of", &[("with", landmark(*with)), ("parting", parted(parting))])
            }
            Region::All(parts) => joined("region.and", parts),
            Region::Any(parts) => joined("region.or", parts),
            Region::Not(part) => text("region.not", &[("region", self.region(part))]),
        }
    }

    fn layout(&self, layout: &Layout) -> String {
        let along = match layout.along {
            Along::Diagonal { lower_in_front_deg: slope } => {
                let key = if slope >= 0.0 { "along.diagonal_forward" } else { "along.diagonal_back" };
                text(key, &[("slope", degrees(slope.abs()))])
            }
            Along::Pivot { round } => text("along.pivot", &[("round", landmark(round))]),
            plain => word("along", plain),
        };
        let key = if layout.every > 1 { "layout.every" } else { "layout.all" };
        let gaps = [
            ("along", along),
            ("thickness", self.mm(layout.thickness_mm)),
            ("from", landmark(layout.from)),
            ("every", layout.every.to_string()),
        ];
        text(key, &gaps)
    }

    fn guide(&self, guide: Guide) -> String {
        match guide {
            Guide::Travelling { drift_mm } if drift_mm != 0.0 => {
                text("guide.drifting", &[("length", self.mm(drift_mm))])
            }
            Guide::Travelling { .. } => text("guide.travelling", &[]),
            Guide::Stationary => text("guide.stationary", &[]),
            Guide::Floating { step_mm } => text("guide.floating", &[("length", self.mm(step_mm))]),
            Guide::Free => text("guide.free", &[]),
        }
    }

    fn fingers(&self, sections: &Sections) -> String {
        let fingers = sections.fingers;
        let shape = match fingers.shape {
            FingerShape::AlongHead => "fingers.along_head",
            FingerShape::Straight => "fingers.straight",
            FingerShape::Level => "fingers.level",
        };
        let shape = text(shape, &[]);
        match fingers.longer_toward {
            Some(end) if fingers.slant_deg != 0.0 => {
                let gaps = [("shape", shape), ("slant", degrees(fingers.slant_deg)), ("end", landmark(end))];
                text("fingers.slanted", &gaps)
            }
            _ => shape,
        }
    }

    fn length(&self, length: FirstLength) -> String {
        let (key, mm) = match length {
            FirstLength::HeldMm(mm) => ("length.held", mm),
            FirstLength::WornMm(mm) => ("length.worn", mm),
            FirstLength::ShorterMm(0.0) => ("length.kept", 0.0),
            FirstLength::ShorterMm(mm) => ("length.shorter", mm),
        };
        text(key, &[("length", self.mm(mm))])
    }

    fn technique(&self, technique: &Technique) -> String {
        let (share, depth) = technique.amounts();
        let gaps = [
            ("kind", word("technique", technique.kind)),
            ("share", format!("{:.0} %", 100.0 * share)),
            ("depth", self.mm(depth)),
        ];
        let key = if technique.kind == TechniqueKind::Brick { "amount.stubs" } else { "amount.depth" };
        let said = text(key, &gaps);
        if technique.under == 0.0 { said } else { text("amount.under", &[("technique", said)]) }
    }
}

fn state(state: HeldState) -> String {
    text("state", &[("moisture", word("moisture", state.moisture)), ("comb", word("comb", state.comb))])
}

fn pointed(gathered: &Gathered) -> String {
    let side = match gathered.of_side() {
        _ if !gathered.to.is_paired() => "place.at",
        Half::Left => "place.left",
        Half::Right => "place.right",
    };
    text(side, &[("point", word("point", gathered.to))])
}

fn landmark(landmark: Landmark) -> String {
    word("landmark", landmark)
}

fn over(over: Over) -> String {
    match over {
        Over::Plane(through) => {
            let names = through.map(landmark).join(&text("parting.join", &[]));
            text("over.plane", &[("points", names)])
        }
        Over::Landmark(to) => text("over.landmark", &[("landmark", landmark(to))]),
        plain => word("over", plain),
    }
}

fn parted(parting: &Parting) -> String {
    let names: Vec<String> = parting.through.iter().map(|l| landmark(*l)).collect();
    let key = if parting.zigzag_mm.is_some() { "parting.zigzag" } else { "parting.straight" };
    text(key, &[("points", names.join(&text("parting.join", &[])))])
}
