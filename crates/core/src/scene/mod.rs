//! A plan on its head as a scene in space, that any viewer of open 3D formats can show.
//!
//! [`scene`] gathers what there is to see as named [`ScenePart`]s: the head with its lines, the body, the worn hair now and
//! after the cut as locks, and the sections of one move with the hand, the hair held taut, and the
//! guide. [`Scene::glb`] writes it as binary glTF.

mod bust;
mod glb;
mod hand;
mod ribbons;

use crate::cut::SectionShape;
use crate::hair::{Hair, ShareLengths};
use crate::head::{Vec3, drawn, from_drawn, taut_line};
use crate::lock::{Lock, locks};

/// Locks drawn of each state.
const LOCKS: usize = 450;

/// How far behind its canal an ear reaches, and half as far in front of it, mm; so many locks over it hide it.
const EAR_MM: f32 = 30.0;
/// Half the height of one, mm.
const HALF_EAR_MM: f32 = 30.0;
const COVERING: usize = 4;
/// Strands of held hair between two points of a section that are drawn, and the points of each.
const STRANDS: usize = 4;
const HELD_POINTS: usize = 8;

/// What is drawn, how, and in which colour.
#[derive(Debug, Clone, PartialEq)]
pub struct ScenePart {
    /// What it is: also the name of its node.
    pub name: &'static str,
    /// Red, green, blue, opacity, 0 to 1, linear.
    pub colour: [f32; 4],
    /// Corners, mm.
    pub points: Vec<[f32; 3]>,
    /// Unit normals of a surface, point for point; empty for lines.
    pub normals: Vec<[f32; 3]>,
    /// How much of its colour each point has, where that differs: of hair. It is seen from both sides.
    pub shades: Vec<f32>,
    /// Corners of triangles, three by three, or ends of lines, two by two.
    pub indices: Vec<u32>,
}

impl ScenePart {
    /// To be filled.
    fn empty(name: &'static str, colour: [f32; 4]) -> Self {
        let (points, normals, shades, indices) = Default::default();
        Self { name, colour, points, normals, shades, indices }
    }
}

/// A scene: parts in the frame of the head, mm.
#[derive(Debug, Clone, PartialEq)]
pub struct Scene {
    /// Its parts, in the order in which they are best drawn.
    pub parts: Vec<ScenePart>,
}

/// The scene of a head of hair, as it is and at other lengths, with some sections of a move and the one they
/// follow.
pub fn scene(
    hair: &Hair,
    after: &[ShareLengths],
    guide: Option<&SectionShape>,
    sections: &[SectionShape],
) -> Scene {
    let [now, after] = [&hair.lengths, after].map(|lengths| locks(hair, lengths, LOCKS));
    let curves = |pick: fn(&SectionShape) -> &Vec<[f32; 3]>, of: &[SectionShape]| {
        of.iter().map(pick).filter(|line| line.len() > 1).cloned().collect::<Vec<_>>()
    };
    // Ears that hair covers would stand through it. A cut covers none that weren't.
    let covered = [1.0, -1.0].map(|hand| covers_ear(&after, hand));
    let bust = bust::bust(hair, covered, lies_on_shoulders(hair, &now) || lies_on_shoulders(hair, &after));
    // One hand holds one section: the last that is shown. Its hair is drawn, of those before it only how it was held.
    let (in_hand, before) = sections.split_last().map_or((None, sections), |(last, rest)| (Some(last), rest));
    let held_by = in_hand.and_then(hand::held);
    let held = in_hand.map(|section| held_hair(hair, section)).unwrap_or_default();
    let held_before = before.iter().flat_map(|section| {
        section
            .base
            .iter()
            .zip(&section.hand)
            .map(|(from, to)| taut(hair, &from_drawn(from), &from_drawn(to)))
    });
    let mut parts = vec![
        closed("head", SKIN, bust.head),
        closed("scalp", SCALP, bust::scalp(hair)),
        closed("body", BODY, bust.body),
        lines("head lines", INK, bust.lines),
        lines("section", AIM, curves(|section| &section.base, sections)),
        lines("hand", AIM, curves(|section| &section.hand, sections)),
        lines("held before", AIM, held_before.collect()),
        lines("guide", INK, guide.map(|section| vec![section.hand.clone()]).unwrap_or_default()),
        tubes("fingers", FINGERS, held_by.iter().flat_map(|held| &held.fingers)),
        tubes("comb", COMB, held_by.iter().flat_map(|held| &held.comb)),
        ribbons::strands("held hair", HAIR, &held),
        ribbons::ribbons("hair now", HAIR, &now),
        ribbons::ribbons("hair after", HAIR, &after),
    ];
    parts.retain(|part| !part.indices.is_empty());
    Scene { parts }
}

/// Whether hair lies over an ear: the client's left (1) or right (−1).
fn covers_ear(locks: &[Lock], hand: f32) -> bool {
    // It falls past the ear canal.
    let over = |way: &[[f32; 3]]| {
        let [[x, above, z], [_, below, _]] = [way[0], way[1]];
        hand * x > 0.0 && above > 0.0 && below <= 0.0 && (-EAR_MM..0.5 * EAR_MM).contains(&z)
    };
    // Cropped hair beside the ear covers nothing of it.
    let far = |lock: &&Lock| lock.line[0][1] - lock.line[lock.line.len() - 1][1] > HALF_EAR_MM;
    locks.iter().filter(far).filter(|lock| lock.line.windows(2).any(over)).count() >= COVERING
}

/// Whether hair comes down to the shoulders.
fn lies_on_shoulders(hair: &Hair, locks: &[Lock]) -> bool {
    locks.iter().flat_map(|lock| &lock.line).any(|[_, y, _]| f64::from(*y) < hair.body.shoulder_mm())
}

/// The way of hair that is held, from its root to the hand.
fn taut(hair: &Hair, from: &Vec3, to: &Vec3) -> Vec<[f32; 3]> {
    taut_line(&hair.form, from, to).iter().map(drawn).collect()
}

/// A section's hair as it is held: from side to side of its base, drawn together to the line of the hand.
fn held_hair(hair: &Hair, section: &SectionShape) -> Vec<[Vec<Vec3>; 2]> {
    let ends: Vec<(Vec3, Vec3)> =
        section.base.iter().zip(&section.hand).map(|(from, to)| (from_drawn(from), from_drawn(to))).collect();
    let between = |pair: &[(Vec3, Vec3)]| {
        let ((from, to), (next_from, next_to)) = (pair[0], pair[1]);
        let edge = |i: usize| {
            let share = i as f64 / STRANDS as f64;
            let root = hair.form.point(&from.lerp(&next_from, share));
            let path = taut_line(&hair.form, &root, &to.lerp(&next_to, share));
            evenly(&path, HELD_POINTS)
        };
        (0..STRANDS).map(|i| [edge(i), edge(i + 1)]).collect::<Vec<_>>()
    };
    ends.windows(2).flat_map(between).collect()
}

/// So many places along a line, evenly spread from its first to its last.
fn evenly(line: &[Vec3], count: usize) -> Vec<Vec3> {
    let length: f64 = line.windows(2).map(|ends| (ends[1] - ends[0]).norm()).sum();
    (0..count).map(|k| hand::on(line, length * k as f64 / (count - 1) as f64)).collect()
}

/// The colours have the meanings they have in every view: ink for what is, plum for what the hand is to do.
const INK: [f32; 4] = [0.02, 0.03, 0.04, 1.0];
const SKIN: [f32; 4] = [0.80, 0.66, 0.55, 1.0];
const BODY: [f32; 4] = [0.72, 0.72, 0.70, 1.0];
/// In the shade of the hair that grows on it.
const SCALP: [f32; 4] = [0.062, 0.027, 0.013, 1.0];
/// Brown, where nothing colours it otherwise.
const HAIR: [f32; 4] = [0.19, 0.084, 0.039, 1.0];
/// A hand that isn't the client's, and its comb.
const FINGERS: [f32; 4] = [0.62, 0.42, 0.33, 1.0];
const COMB: [f32; 4] = [0.05, 0.07, 0.09, 1.0];
const AIM: [f32; 4] = [0.356, 0.015, 0.147, 1.0];

/// Lines through points, as pairs of ends.
fn lines(name: &'static str, colour: [f32; 4], lines: Vec<Vec<[f32; 3]>>) -> ScenePart {
    let mut part = ScenePart::empty(name, colour);
    for line in lines {
        let first = part.points.len() as u32;
        part.indices.extend((1..line.len() as u32).flat_map(|i| [first + i - 1, first + i]));
        part.points.extend(line);
    }
    part
}

/// A surface with normals averaged, by area, over the triangles that meet at a corner.
fn surface(name: &'static str, colour: [f32; 4], points: Vec<Vec3>, indices: Vec<u32>) -> ScenePart {
    let mut normals = vec![Vec3::zeros(); points.len()];
    for corner in indices.chunks_exact(3) {
        let [a, b, c] = [corner[0], corner[1], corner[2]].map(|i| points[i as usize]);
        let area = (b - a).cross(&(c - a));
        for i in corner {
            normals[*i as usize] += area;
        }
    }
    let unit = |n: &Vec3| n.try_normalize(1e-12).unwrap_or_else(Vec3::y);
    ScenePart {
        name,
        colour,
        normals: normals.iter().map(unit).map(|n| [n.x, n.y, n.z].map(|part| part as f32)).collect(),
        points: points.iter().map(drawn).collect(),
        shades: Vec::new(),
        indices,
    }
}

/// A surface of rings, from the top down, each from the front round by the client's left.
fn closed(name: &'static str, colour: [f32; 4], rings: Vec<Vec<Vec3>>) -> ScenePart {
    let columns = rings[0].len();
    let indices = grid(rings.len(), columns);
    surface(name, colour, rings.into_iter().flatten().collect(), indices)
}

/// Tubes as one surface.
fn tubes<'a>(
    name: &'static str,
    colour: [f32; 4],
    tubes: impl Iterator<Item = &'a Vec<Vec<Vec3>>>,
) -> ScenePart {
    let (mut points, mut indices) = (Vec::new(), Vec::new());
    for tube in tubes {
        let first = points.len() as u32;
        indices.extend(grid(tube.len(), tube[0].len()).into_iter().map(|i| first + i));
        points.extend(tube.iter().flatten().copied());
    }
    surface(name, colour, points, indices)
}

/// Triangles between rings of points, facing out.
fn grid(rows: usize, columns: usize) -> Vec<u32> {
    let at = |row: usize, column: usize| (row * columns + column % columns) as u32;
    let mut indices = Vec::new();
    for row in 0..rows - 1 {
        for column in 0..columns {
            let (a, b) = (at(row, column), at(row, column + 1));
            let (c, d) = (at(row + 1, column), at(row + 1, column + 1));
            indices.extend([a, c, b, b, c, d]);
        }
    }
    indices
}
