//! How the hair of one root comes to lie: its paths, and where on them a worn length ends.

use super::lie::{Lie, Turn};
use super::path::{Ground, Path};
use crate::constants::{FRINGE_FALLS_MM, FRINGE_PARTS_MM};
use crate::eased::eased;
use crate::fibre::search::zero_between;
use crate::head::{Body, Growth, Landmark, PartLine, Root, Scalp, Vec3};
use crate::tolerance;
use rayon::prelude::*;

/// How far behind the front hairline hair can fall as a fringe, how far to either side at the hairline, and over what it
/// gives way to hair that falls with the parting, mm.
const FRINGE_DEEP_MM: f64 = 55.0;
const FRINGE_HALF_MM: f64 = 58.0;
const FRINGE_EDGE_MM: f64 = 14.0;
/// A path that would carry less than this share of a strand is left out.
const LEAST_SHARE: f64 = 1e-3;

/// The paths of a root's hair. Short hair over the forehead falls forward, long hair there goes with the parting.
#[derive(Debug, Clone, PartialEq)]
pub struct Drape {
    parted: Path,
    forward: Option<Box<Forward>>,
}

#[derive(Debug, Clone, PartialEq)]
struct Forward {
    path: Path,
    /// Share of the hair here that falls forward while it is short.
    share: f64,
}

/// The paths of all strands. They depend on head, parting and growth, not on any cut.
pub fn drape_all(
    scalp: &Scalp,
    body: &Body,
    part: PartLine,
    growth: &[Growth],
    roots: &[Root],
) -> Vec<Drape> {
    let ground = Ground { scalp: *scalp, body, part, growth };
    roots.par_iter().map(|root| Drape::of(&ground, root)).collect()
}

impl Drape {
    fn of(ground: &Ground, root: &Root) -> Self {
        let share = fringe_share(&ground.scalp, &root.at);
        let forward =
            (share > LEAST_SHARE).then(|| Box::new(Forward { path: Path::forward(ground, root), share }));
        Self { parted: Path::parted(ground, root), forward }
    }

    /// The path of hair that goes with the parting, as all hair but a fringe does.
    pub fn main(&self) -> &Path {
        &self.parted
    }

    /// The path that most of the hair of this worn length takes.
    pub fn path(&self, worn_mm: f64) -> &Path {
        self.paths(worn_mm).max_by(|a, b| a.1.total_cmp(&b.1)).map_or(&self.parted, |(path, _)| path)
    }

    /// The paths with the share of hair of this worn length that takes each.
    pub(crate) fn paths(&self, worn_mm: f64) -> impl Iterator<Item = (&Path, f64)> {
        let share = self.forward.as_ref().map_or(0.0, |forward| {
            let (falls, parts) = (FRINGE_FALLS_MM.value, FRINGE_PARTS_MM.value);
            forward.share * (1.0 - eased((worn_mm - falls) / (parts - falls)))
        });
        let forward = self.forward.as_ref().filter(|_| share > 0.0).map(|forward| (&forward.path, share));
        [(&self.parted, 1.0 - share)].into_iter().filter(|(_, share)| *share > 0.0).chain(forward)
    }

    /// Share of hair of this worn length that goes with the parting.
    pub(crate) fn parts(&self, worn_mm: f64) -> f64 {
        self.paths(worn_mm)
            .filter(|(path, _)| std::ptr::eq(*path, &self.parted))
            .map(|(_, share)| share)
            .sum()
    }

    /// Where the point lies that is `worn_mm` from the root along hair of `whole_mm` that lies like this, mm.
    pub fn place(&self, lie: &Lie, whole_mm: f64, worn_mm: f64) -> Vec3 {
        self.place_from(lie, &lie.turn(&self.parted), whole_mm, worn_mm)
    }

    /// The same where it is known where it leaves the head as it goes with the parting.
    pub(crate) fn place_from(&self, lie: &Lie, turn: &Turn, whole_mm: f64, worn_mm: f64) -> Vec3 {
        if self.forward.is_none() {
            return on_path(&self.parted, lie, turn, worn_mm);
        }
        let on = |path: &Path| {
            let turn = if std::ptr::eq(path, &self.parted) { *turn } else { lie.turn(path) };
            on_path(path, lie, &turn, worn_mm)
        };
        self.paths(whole_mm).map(|(path, share)| on(path) * share).sum()
    }

    /// Worn length down to where hair that lies like this leaves the head, mm.
    pub fn on_head_mm(&self, lie: &Lie) -> f64 {
        lie.turn(&self.parted).worn_mm
    }

    /// Whether short hair here falls over the forehead.
    pub fn can_fall_forward(&self) -> bool {
        self.forward.is_some()
    }

    /// Length at which hair that lies like this and hangs from the head ends at a line, `below` being how far the line lies
    /// below a place the hair hangs from, mm; none where it lies above where the hair leaves the head.
    pub fn length_to_line_mm(&self, lie: &Lie, below: impl Fn(&Vec3) -> f64) -> Option<f64> {
        let on = |path: &Path| {
            let below = below(&path.leave());
            (below > 0.0).then(|| lie.turn(path).worn_mm + path.down_mm(below) / lie.hangs())
        };
        let parted = on(&self.parted)?;
        let Some(forward) = &self.forward else { return Some(parted) };
        let forward = on(&forward.path)?;
        // How much of it falls forward depends on how long it is.
        let mixed = |length: f64| {
            let parts = self.parts(length);
            parts * parted + (1.0 - parts) * forward - length
        };
        let (low, high) = (parted.min(forward), parted.max(forward));
        if high - low < tolerance::LENGTH_MM {
            return Some(low);
        }
        Some(zero_between((low, mixed(low)), (high, mixed(high)), tolerance::LENGTH_MM, mixed))
    }

    /// Where it leaves the head.
    pub fn leave(&self) -> Vec3 {
        self.parted.leave()
    }

    /// How much its growth goes against its fall at the root, 0 to 1.
    pub fn against(&self) -> f64 {
        self.parted.against()
    }
}

fn on_path(path: &Path, lie: &Lie, turn: &Turn, worn_mm: f64) -> Vec3 {
    let (arc, rise) = lie.at(turn, path, worn_mm);
    let (place, out) = path.place_and_out(arc);
    place + out * rise
}

/// Share of the hair rooted here that is a fringe's: a triangle behind the front hairline.
fn fringe_share(scalp: &Scalp, at: &Vec3) -> f64 {
    let front = scalp.point(Landmark::HairlineCentre);
    if at.z < 0.0 || at.y < 0.0 {
        return 0.0;
    }
    let behind = scalp.hairline.above(&at.normalize()) * at.norm();
    let half = FRINGE_HALF_MM * front.norm() / 130.0 * (1.0 - 0.6 * behind / FRINGE_DEEP_MM);
    eased((FRINGE_DEEP_MM - behind) / FRINGE_EDGE_MM + 0.5)
        * eased((half - at.x.abs()) / FRINGE_EDGE_MM + 0.5)
}
