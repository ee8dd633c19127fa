//! A move as one describes it to a colleague: a title, the section, then how it is held and cut. Messages of the catalogue,
//! with the move's own figures as their values.

use super::{
    Branch, Cut, FingerShape, Fingers, FirstLength, Gathered, Guide, Hold, Layout, Move, MoveKind,
    OverDirection, Pattern, Pause, Sections, Technique, TechniqueKind,
};
use crate::head::{Landmark, Place};
use crate::message::{Arg, Message};
use crate::section::{Along, Anchor, NamedSection, Parting, Region, Side};
use serde::Serialize;

/// A move in messages.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Step {
    /// Its name, or what kind of move it is.
    pub title: Message,
    /// Which hair it is done to; nothing where it is done to none.
    pub section: Option<Message>,
    /// How it is done, sentence by sentence.
    pub lines: Vec<Message>,
}

/// The moves of a cut in messages.
pub fn steps(cut: &Cut) -> Vec<Step> {
    cut.moves.iter().map(step).collect()
}

fn step(move_: &Move) -> Step {
    let kind = match &move_.kind {
        MoveKind::Perimeter(_) => "perimeter",
        MoveKind::Sections(_) => "sections",
        MoveKind::Gathered(_) => "gathered",
        MoveKind::Weight(_) => "weight",
        MoveKind::Recoil(_) => "recoil",
        MoveKind::Pause(Pause::Look { .. }) => "look",
        MoveKind::Pause(Pause::Product { .. }) => "product",
        MoveKind::Pause(Pause::Dry { .. }) => "dry",
    };
    let title = match move_.name.as_str() {
        "" => Message::word("step-title", kind),
        name => Message::new("step-title-named").with("name", name),
    };
    let is_pause = matches!(move_.kind, MoveKind::Pause(_));
    let mut lines = how(move_);
    if move_.technique.kind != TechniqueKind::Blunt && !is_pause && !matches!(move_.kind, MoveKind::Weight(_))
    {
        lines.push(Message::new("step-technique").with("technique", technique(&move_.technique)));
    }
    lines.extend(move_.pattern.iter().flat_map(pattern));
    if let Some(stance) = move_.stance {
        lines.push(Message::word("step-stance", stance.side));
    }
    if let Some(later) = move_.banked_until {
        lines.push(Message::new("step-banked").with("move", number(later + 1)));
    }
    if move_.mirrored {
        lines.push(Message::new("step-mirrored"));
    }
    Step { title, section: (!is_pause).then(|| region(&move_.region)), lines }
}

/// How a kind of move is done.
fn how(move_: &Move) -> Vec<Message> {
    let state = move_.state.message();
    match &move_.kind {
        MoveKind::Perimeter(line) => {
            let mut places = vec![place(line.behind)];
            for (id, other) in [("step-line-side", line.side), ("step-line-front", line.front)] {
                places.extend(other.map(|other| Message::new(id).with("place", place(other))));
            }
            if line.worn {
                places.push(Message::new("step-line-worn"));
            }
            if line.tilt_deg != 0.0 {
                places.push(Message::new("step-line-tilt").with("tilt", Arg::Deg(line.tilt_deg)));
            }
            let cut = Message::new("step-perimeter").with("state", state);
            vec![cut.with_some("line", Message::joined("list-comma", places))]
        }
        MoveKind::Sections(sections) => {
            let mut lines = vec![
                subsections(&sections.layout),
                Message::new("step-hold")
                    .with("elevation", Arg::Deg(sections.hold.elevation_deg))
                    .with("direction", direction(&sections.hold))
                    .with("guide", guide(sections))
                    .with("fingers", fingers(sections.fingers)),
                Message::new("step-length").with("length", length(sections.length)).with("state", state),
            ];
            let drops = sections.drops.unwrap_or_default();
            for (id, left_out) in
                [("step-drops-below", drops.ends_below), ("step-drops-above", drops.ends_above)]
            {
                lines.extend(left_out.map(|left_out| Message::new(id).with("place", place(left_out))));
            }
            lines
        }
        MoveKind::Gathered(gathered) => {
            let id = if gathered.past_mm == 0.0 { "step-twist" } else { "step-twist-past" };
            let twist = Message::new(id)
                .with("point", drawn_to(gathered))
                .with("past", Arg::Mm(gathered.past_mm))
                .with("state", state);
            vec![subsections(&gathered.layout), twist]
        }
        MoveKind::Recoil(recoil) => {
            let draw =
                Message::new("step-recoil").with("share", Arg::Share(recoil.share)).with("state", state);
            vec![subsections(&recoil.layout), draw]
        }
        MoveKind::Weight(layout) => {
            let remove = Message::new("step-weight").with("technique", technique(&move_.technique));
            vec![subsections(layout), remove.with("state", state)]
        }
        MoveKind::Pause(pause) => {
            let (what, note) = match pause {
                Pause::Look { note, .. } => (Message::new("step-look"), note),
                Pause::Product { gives, note } => (Message::word("step-product", gives), note),
                Pause::Dry { by, note } => (Message::word("step-dry", by), note),
            };
            let note = (!note.is_empty()).then(|| Message::new("step-note").with("note", note.as_str()));
            let branches = match pause {
                Pause::Look { branches, .. } => branches.as_slice(),
                _ => &[],
            };
            let branch = |branch: &Branch| {
                Message::new("step-branch")
                    .with("seen", branch.seen.as_str())
                    .with("then", branch.then.as_str())
            };
            std::iter::once(what).chain(note).chain(branches.iter().map(branch)).collect()
        }
    }
}

fn number(number: u32) -> Arg {
    Arg::Number(f64::from(number))
}

fn place(place: Place) -> Message {
    let point = Message::word("point", place.point);
    let (id, mm) = match place.below_mm {
        0.0 => ("step-place-at", 0.0),
        mm if mm > 0.0 => ("step-place-below", mm),
        mm => ("step-place-above", -mm),
    };
    Message::new(id).with("point", point).with("length", Arg::Mm(mm))
}

fn landmark(landmark: Landmark) -> Message {
    Message::word("landmark", landmark)
}

/// A parting that has a name, with landmarks that tell its two sides apart.
struct NamedParting {
    name: &'static str,
    through: [Landmark; 3],
    first: &'static [Landmark],
    second: &'static [Landmark],
}

const NAMED: [NamedParting; 3] = [
    NamedParting {
        name: "ear-to-ear",
        through: [Landmark::EarTopLeft, Landmark::Apex, Landmark::EarTopRight],
        first: &[Landmark::HairlineCentre, Landmark::TempleLeft, Landmark::TempleRight],
        second: &[Landmark::Occipital, Landmark::NapeCentre, Landmark::Crown],
    },
    NamedParting {
        name: "ridge",
        through: [Landmark::ParietalLeft, Landmark::Crown, Landmark::ParietalRight],
        first: &[Landmark::Apex],
        second: &[Landmark::Occipital, Landmark::NapeCentre],
    },
    NamedParting {
        name: "occipital",
        through: [Landmark::EarTopLeft, Landmark::Occipital, Landmark::EarTopRight],
        first: &[Landmark::Apex, Landmark::Crown],
        second: &[Landmark::NapeCentre],
    },
];

/// The side of a parting that has a name, or the other one.
fn named_side(parting: &Parting, with: Landmark, other: bool) -> Option<Message> {
    let named = NAMED.iter().find(|named| *parting == Parting::through(&named.through))?;
    let is_first = named.first.contains(&with);
    if !is_first && !named.second.contains(&with) {
        return None;
    }
    let side = if is_first != other { "first" } else { "second" };
    Some(Message::new(format!("step-side-{}-{side}", named.name)))
}

fn region(region: &Region) -> Message {
    let nothing = || Message::new("step-region-nothing");
    // What is no more than one part has its own words below.
    if let (Some(named), Region::All(_)) = (NamedSection::of(region), region) {
        return Message::word("section", named);
    }
    match region {
        Region::Everything => Message::new("step-region-everything"),
        Region::Half(side) => Message::word("step-half", side),
        Region::Zone(zone) => Message::word("step-zone", zone),
        Region::Edge { within_mm } => Message::new("step-region-edge").with("length", Arg::Mm(*within_mm)),
        Region::SideOf { parting, with } => named_side(parting, *with, false).unwrap_or_else(|| {
            Message::new("step-region-side").with("with", landmark(*with)).with("parting", parted(parting))
        }),
        Region::All(parts) => {
            Message::joined("list-comma", parts.iter().map(self::region)).unwrap_or_else(nothing)
        }
        Region::Any(parts) => Message::listed(parts.iter().map(self::region)).unwrap_or_else(nothing),
        Region::Not(part) => {
            let named = match &**part {
                Region::SideOf { parting, with } => named_side(parting, *with, true),
                _ => None,
            };
            named.unwrap_or_else(|| Message::new("step-region-not").with("region", self::region(part)))
        }
    }
}

fn parted(parting: &Parting) -> Message {
    let run = match Message::joined("step-to", parting.through.iter().map(anchored)) {
        Some(points) if !parting.own => Message::new("step-parting").with("points", points),
        _ => Message::new("step-parting-own"),
    };
    match parting.zigzag_mm {
        Some(_) => Message::new("step-parting-zigzag").with("parting", run),
        None => run,
    }
}

/// A landmark, and how far from it.
fn anchored(anchor: &Anchor) -> Message {
    let offset = anchor.0;
    let offsets = [
        ("behind", "before", offset.behind_mm),
        ("above", "below", offset.above_mm),
        ("left", "right", offset.left_mm),
    ];
    offsets.into_iter().filter(|(_, _, mm)| *mm != 0.0).fold(landmark(offset.at), |at, (one, other, mm)| {
        Message::word("step-off", if mm > 0.0 { one } else { other })
            .with("length", Arg::Mm(mm.abs()))
            .with("landmark", at)
    })
}

fn subsections(layout: &Layout) -> Message {
    let along = match layout.along {
        Along::Horizontal => Message::new("step-along-horizontal"),
        Along::Vertical => Message::new("step-along-vertical"),
        Along::Profile => Message::new("step-along-profile"),
        Along::Crosswise => Message::new("step-along-crosswise"),
        Along::Diagonal { lower_in_front_deg: slope } => {
            let id = if slope >= 0.0 { "step-along-diagonal-forward" } else { "step-along-diagonal-back" };
            Message::new(id).with("slope", Arg::Deg(slope.abs()))
        }
        Along::Pivot { round } => Message::new("step-along-pivot").with("round", landmark(round)),
    };
    let id = match (layout.every, layout.piece_mm) {
        (_, Some(_)) => "step-subsections-pieces",
        (1, None) => "step-subsections",
        _ => "step-subsections-every",
    };
    Message::new(id)
        .with("along", along)
        .with("thickness", Arg::Mm(layout.thickness_mm))
        .with("from", landmark(layout.from))
        .with("every", number(layout.every))
        .with("piece", Arg::Mm(layout.piece_mm.unwrap_or_default()))
}

fn guide(sections: &Sections) -> Message {
    match sections.guide {
        Guide::Travelling { drift_mm, .. } if drift_mm != 0.0 => {
            Message::new("step-guide-drifting").with("length", Arg::Mm(drift_mm))
        }
        Guide::Travelling { .. } => Message::new("step-guide-travelling"),
        Guide::Stationary => Message::new("step-guide-stationary"),
        Guide::Floating { step_mm } => Message::new("step-guide-floating").with("length", Arg::Mm(step_mm)),
        Guide::Free => Message::new("step-guide-free"),
    }
}

fn fingers(fingers: Fingers) -> Message {
    let mut all = vec![Message::new(match fingers.shape {
        FingerShape::AlongHead => "step-fingers-along",
        FingerShape::Straight => "step-fingers-straight",
        FingerShape::Level => "step-fingers-level",
        FingerShape::Vertical => "step-fingers-vertical",
        FingerShape::SquareToHair => "step-fingers-square",
    })];
    if fingers.bow_mm != 0.0 {
        let id = if fingers.bow_mm > 0.0 { "step-fingers-convex" } else { "step-fingers-concave" };
        all.push(Message::new(id).with("bow", Arg::Mm(fingers.bow_mm.abs())));
    }
    if let Some(end) = fingers.longer_toward.filter(|_| fingers.slant_deg != 0.0) {
        let slanted = Message::new("step-fingers-slanted").with("slant", Arg::Deg(fingers.slant_deg));
        all.push(slanted.with("end", landmark(end)));
    }
    Message::joined("list-comma", all).unwrap_or_else(|| Message::new("step-fingers-along"))
}

fn length(length: FirstLength) -> Message {
    let (id, mm) = match length {
        FirstLength::HeldMm(mm) => ("step-length-held", mm),
        FirstLength::WornMm(mm) => ("step-length-worn", mm),
        FirstLength::ShorterMm(0.0) => ("step-length-kept", 0.0),
        FirstLength::ShorterMm(mm) => ("step-length-shorter", mm),
        FirstLength::EndsAt(at) => return Message::new("step-length-ends").with("place", place(at)),
        FirstLength::LikeMove(earlier) => {
            return Message::new("step-length-like-move").with("move", number(earlier + 1));
        }
        FirstLength::LikeBeside => return Message::new("step-length-like-beside"),
    };
    Message::new(id).with("length", Arg::Mm(mm))
}

fn technique(technique: &Technique) -> Message {
    let (share, depth) = technique.amounts();
    let id = if technique.kind == TechniqueKind::Brick { "step-amount-stubs" } else { "step-amount" };
    let whole = Message::new(id)
        .with("technique", Message::word("technique", technique.kind))
        .with("share", Arg::Share(share))
        .with("depth", Arg::Mm(depth));
    [("step-amount-under", technique.under), ("step-amount-deeper", technique.deeper_below)]
        .into_iter()
        .filter(|(_, more)| *more != 0.0)
        .fold(whole, |whole, (id, _)| Message::new(id).with("technique", whole))
}

fn pattern(pattern: &Pattern) -> impl Iterator<Item = Message> {
    let id = match (pattern.every, pattern.last_solid) {
        (1, false) => "step-pattern-all",
        (1, true) => "step-pattern-all-last",
        (_, false) => "step-pattern-every",
        (_, true) => "step-pattern-every-last",
    };
    let within = pattern
        .within
        .as_ref()
        .map(|within| Message::new("step-pattern-within").with("region", region(within)));
    std::iter::once(Message::new(id).with("every", number(pattern.every))).chain(within)
}

/// Where a twist is drawn to.
fn drawn_to(gathered: &Gathered) -> Message {
    let Some(to) = gathered.to else {
        let direction = gathered
            .toward
            .map_or_else(|| Message::new("step-region-nothing"), |toward| Message::word("direction", toward));
        let drawn = Arg::Mm(gathered.drawn_mm.unwrap_or_default());
        return Message::new("step-drawn").with("direction", direction).with("length", drawn);
    };
    let id = match gathered.of_side() {
        _ if !to.is_paired() => "step-place-at",
        Side::Left => "step-place-left",
        Side::Right => "step-place-right",
    };
    Message::new(id).with("point", Message::word("point", to))
}

/// Where hair is over-directed to, what share of the distance, and how the head is tilted.
fn direction(hold: &Hold) -> Message {
    let over = match hold.over_direction {
        OverDirection::OwnBase => Message::new("step-over-base"),
        OverDirection::Previous => Message::new("step-over-previous"),
        OverDirection::Centre => Message::new("step-over-centre"),
        OverDirection::Landmark(to) => Message::new("step-over-landmark").with("landmark", landmark(to)),
        OverDirection::Plane([first, second, third]) => Message::new("step-over-plane")
            .with("first", landmark(first))
            .with("second", landmark(second))
            .with("third", landmark(third)),
        OverDirection::Toward(direction) => {
            Message::new("step-over-toward").with("direction", Message::word("direction", direction))
        }
    };
    let mut all = vec![over];
    if hold.share != 1.0 && hold.over_direction != OverDirection::OwnBase {
        all.push(Message::new("step-over-share").with("share", Arg::Share(hold.share)));
    }
    let tilts = [
        ("step-tilt-forward", "step-tilt-back", hold.tilt.forward_deg),
        ("step-tilt-left", "step-tilt-right", hold.tilt.left_deg),
    ];
    for (one, other, tilt) in tilts.into_iter().filter(|(.., tilt)| *tilt != 0.0) {
        all.push(Message::new(if tilt > 0.0 { one } else { other }).with("tilt", Arg::Deg(tilt.abs())));
    }
    Message::joined("list-comma", all).unwrap_or_else(|| Message::new("step-over-base"))
}
