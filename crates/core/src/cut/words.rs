//! A move in trade words, made from its data.
//!
//! The words stand in `moves.en.json`; this only chooses among them and fills in lengths and angles.

use super::{
    Cut, FingerShape, FirstLength, Gathered, Guide, Hold, Layout, Move, MoveKind, Over, Pattern, Pause,
    Sections, Technique, TechniqueKind,
};
use crate::fibre::HeldState;
use crate::head::{Landmark, Place};
use crate::section::{Along, Anchor, Parting, Region, Side};
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
            MoveKind::Perimeter(_) => "perimeter",
            MoveKind::Sections(_) => "sections",
            MoveKind::Gathered(_) => "gathered",
            MoveKind::Weight(_) => "weight",
            MoveKind::Recoil(_) => "recoil",
            MoveKind::Pause(Pause::Look { .. }) => "look",
            MoveKind::Pause(Pause::Product { .. }) => "product",
            MoveKind::Pause(Pause::Dry { .. }) => "dry",
        };
        let title = if each.name.is_empty() { text(&format!("title.{key}"), &[]) } else { each.name.clone() };
        let mut parts = vec![self.way(each)];
        let cuts = !matches!(each.way, MoveKind::Weight(_) | MoveKind::Pause(_));
        if each.technique.kind != TechniqueKind::Blunt && cuts {
            parts.push(text("technique", &[("technique", self.technique(&each.technique))]));
        }
        if let Some(pattern) = &each.pattern {
            parts.push(self.pattern(pattern));
        }
        if let Some(stance) = each.stance {
            parts.push(text("stance", &[("side", word("side", stance.side))]));
        }
        if let Some(later) = each.banked_until {
            parts.push(text("banked", &[("move", (later + 1).to_string())]));
        }
        if each.mirrored {
            parts.push(text("mirrored", &[]));
        }
        Phrase { title, text: parts.join(" ") }
    }

    fn way(&self, each: &Move) -> String {
        let region = self.region(&each.region);
        match &each.way {
            MoveKind::Perimeter(line) => {
                let mut places = vec![self.place(line.behind)];
                for (key, place) in [("line.side", line.side), ("line.front", line.front)] {
                    places.extend(place.map(|place| text(key, &[("place", self.place(place))])));
                }
                if line.worn {
                    places.push(text("line.worn", &[]));
                }
                if line.tilt_deg != 0.0 {
                    places.push(text("line.tilt", &[("tilt", degrees(line.tilt_deg))]));
                }
                let gaps = [("state", state(each.state)), ("region", region), ("line", places.join(", "))];
                text("way.perimeter", &gaps)
            }
            MoveKind::Sections(sections) => {
                let gaps = [
                    ("state", state(each.state)),
                    ("region", region),
                    ("layout", self.layout(&sections.layout)),
                    ("lift", degrees(sections.hold.lift_deg)),
                    ("over", held(&sections.hold)),
                    ("guide", self.guide(sections.guide)),
                    ("fingers", self.fingers(sections)),
                    ("length", self.length(sections.length)),
                ];
                let said = text("way.sections", &gaps);
                let drops = sections.drops.unwrap_or_default();
                let left_out = [("drops.below", drops.ends_below), ("drops.above", drops.ends_above)];
                let left_out = left_out.into_iter().filter_map(|(key, place)| Some((key, place?)));
                left_out.fold(said, |said, (key, place)| {
                    format!("{said} {}", text(key, &[("place", self.place(place))]))
                })
            }
            MoveKind::Gathered(gathered) => {
                let gaps = [
                    ("state", state(each.state)),
                    ("region", region),
                    ("layout", self.layout(&gathered.layout)),
                    ("point", self.pointed(gathered)),
                    ("past", self.mm(gathered.past_mm)),
                ];
                text(if gathered.past_mm == 0.0 { "way.gathered" } else { "way.gathered_past" }, &gaps)
            }
            MoveKind::Recoil(recoil) => {
                let gaps = [
                    ("state", state(each.state)),
                    ("region", region),
                    ("layout", self.layout(&recoil.layout)),
                    ("share", format!("{:.0} %", 100.0 * recoil.share)),
                ];
                text("way.recoil", &gaps)
            }
            MoveKind::Pause(pause) => {
                let (key, kind, note) = match pause {
                    Pause::Look { note } => ("way.look", String::new(), note),
                    Pause::Product { gives, note } => ("way.product", word("gives", gives), note),
                    Pause::Dry { by, note } => ("way.dry", word("drying", by), note),
                };
                text(key, &[("kind", kind), ("note", note.clone())]).trim().to_owned()
            }
            MoveKind::Weight(layout) => {
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
                text("region.side_of", &[("with", landmark(*with)), ("parting", self.parted(parting))])
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
        let key = match (layout.every, layout.piece_mm) {
            (_, Some(_)) => "layout.pieces",
            (1, None) => "layout.all",
            _ => "layout.every",
        };
        let gaps = [
            ("along", along),
            ("thickness", self.mm(layout.thickness_mm)),
            ("from", landmark(layout.from)),
            ("every", layout.every.to_string()),
            ("piece", layout.piece_mm.map(|mm| self.mm(mm)).unwrap_or_default()),
        ];
        text(key, &gaps)
    }

    fn guide(&self, guide: Guide) -> String {
        match guide {
            Guide::Travelling { drift_mm, .. } if drift_mm != 0.0 => {
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
            FingerShape::Vertical => "fingers.vertical",
        };
        let shape = text(shape, &[]);
        let shape = match fingers.bow_mm {
            0.0 => shape,
            bow => {
                let key = if bow > 0.0 { "fingers.convex" } else { "fingers.concave" };
                format!("{shape} {}", text(key, &[("bow", self.mm(bow.abs()))]))
            }
        };
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
            FirstLength::EndsAt(place) => return text("length.ends_at", &[("place", self.place(place))]),
            FirstLength::LikeMove(earlier) => {
                return text("length.like_move", &[("move", (earlier + 1).to_string())]);
            }
            FirstLength::LikeBeside => return text("length.like_beside", &[]),
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
        let mut said = text(key, &gaps);
        for (key, more) in [("amount.under", technique.under), ("amount.deeper", technique.deeper_below)] {
            if more != 0.0 {
                said = text(key, &[("technique", said)]);
            }
        }
        said
    }

    fn pattern(&self, pattern: &Pattern) -> String {
        let key = match (pattern.every, pattern.last_solid) {
            (1, false) => "pattern.each",
            (1, true) => "pattern.each_last",
            (_, false) => "pattern.every",
            (_, true) => "pattern.every_last",
        };
        let said = text(key, &[("every", pattern.every.to_string())]);
        match &pattern.within {
            Some(region) => format!("{said} {}", text("pattern.within", &[("region", self.region(region))])),
            None => said,
        }
    }

    fn parted(&self, parting: &Parting) -> String {
        let key = match (parting.own, parting.zigzag_mm) {
            (true, None) => "parting.own",
            (true, Some(_)) => "parting.own_zigzag",
            (false, None) => "parting.straight",
            (false, Some(_)) => "parting.zigzag",
        };
        let names: Vec<String> = parting.through.iter().map(|anchor| self.anchored(anchor)).collect();
        text(key, &[("points", names.join(&text("parting.join", &[])))])
    }

    /// A landmark, and how far from it.
    fn anchored(&self, anchor: &Anchor) -> String {
        let off = anchor.0;
        let ways = [
            ("behind", "before", off.behind_mm),
            ("above", "below", off.above_mm),
            ("left_of", "right_of", off.left_mm),
        ];
        ways.into_iter().filter(|(_, _, mm)| *mm != 0.0).fold(landmark(off.at), |said, (one, other, mm)| {
            let key = format!("anchor.{}", if mm > 0.0 { one } else { other });
            text(&key, &[("length", self.mm(mm.abs())), ("landmark", said)])
        })
    }

    fn pointed(&self, gathered: &Gathered) -> String {
        let Some(to) = gathered.to else {
            let toward = gathered.toward.map(|toward| word("direction", toward)).unwrap_or_default();
            let drawn = self.mm(gathered.drawn_mm.unwrap_or_default());
            return text("place.drawn", &[("direction", toward), ("length", drawn)]);
        };
        let side = match gathered.of_side() {
            _ if !to.is_paired() => "place.at",
            Side::Left => "place.left",
            Side::Right => "place.right",
        };
        text(side, &[("point", word("point", to))])
    }
}

fn state(state: HeldState) -> String {
    text("state", &[("moisture", word("moisture", state.moisture)), ("comb", word("comb", state.comb))])
}

fn landmark(landmark: Landmark) -> String {
    word("landmark", landmark)
}

/// Where hair is carried, how far of the way, and how the head is tilted.
fn held(hold: &Hold) -> String {
    let mut said = over(hold.over);
    if hold.share != 1.0 && hold.over != Over::OwnBase {
        said = text("over.share", &[("over", said), ("share", format!("{:.0} %", 100.0 * hold.share))]);
    }
    for (key, tilt) in [("tilt.forward", hold.tilt.forward_deg), ("tilt.left", hold.tilt.left_deg)] {
        if tilt != 0.0 {
            let key = if tilt > 0.0 { key.to_owned() } else { format!("{key}_other") };
            said = format!("{said}, {}", text(&key, &[("tilt", degrees(tilt.abs()))]));
        }
    }
    said
}

fn over(over: Over) -> String {
    match over {
        Over::Plane(through) => {
            let names = through.map(landmark).join(&text("parting.join", &[]));
            text("over.plane", &[("points", names)])
        }
        Over::Landmark(to) => text("over.landmark", &[("landmark", landmark(to))]),
        Over::Toward(direction) => text("over.toward", &[("direction", word("direction", direction))]),
        plain => word("over", plain),
    }
}
