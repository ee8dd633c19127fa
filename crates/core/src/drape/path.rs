//! The bare path a strand follows from its root down: over the scalp or the forehead, off the head, over the shoulders.
//!
//! Paths know the head, the parting and the directions of growth, and nothing of any cut. How far the hair rises off its
//! path is another question ([`super::Lie`]).

use super::LEVEL_MM;
use super::cells::Cells;
use super::profile::decayed_slowest;
use crate::head::{Body, Growth, PartLine, Root, Scalp, TRUNK_HALF_DEPTH_MM, Vec3};

/// Step along the scalp, mm.
pub(crate) const STEP_MM: f64 = 7.0;
/// Length of the first of the pieces of a path on the head that the field sees, by how much each is longer than the one
/// before, and of the longest, mm: upright curls end within the first, and long hair needs no finer ones than that by which
/// guide strands are spread.
const FIRST_PIECE_MM: f64 = 3.5;
const PIECE_GROWS_MM: f64 = 3.5;
const LONGEST_PIECE_MM: f64 = 14.0;
/// Most steps: far more than the longest path down a head.
const MOST_STEPS: usize = 120;
/// How far from its root hair still grows its own way rather than falls, mm: about the length over which its weight bends it.
const GROWS_MM: f64 = 35.0;
/// How far before the ears hair leaves the head that comes down on the chest where it hung. Before the ears it hangs two to three
/// times as deep as it is wide, and on the chest it lies as flat as the chest: what left further back comes out to the side, what left further
/// forward in to the middle, by at most such a share of its way there.
const CHEST_MM: f64 = 15.0;
const MOST_IN: f64 = 0.5;
/// Least length over which hair is taken to ride on other hair, mm: shorter, it is as at its root.
pub(crate) const LEAST_RIDE_MM: f64 = 1.0;
/// Growth weaker than this share of the fall bends nothing.
const NO_BEND: f64 = 1e-6;

/// A path: after its last point it goes straight down.
#[derive(Debug, Clone, PartialEq)]
pub struct Path {
    points: Vec<Point>,
    /// The point it hangs down from, how far along it touches the shoulders (never, if it hangs clear of them), and the last
    /// point. They stand here once more because most hair ends below the head, and looking them up among the points of
    /// thousands of paths costs more than all else.
    leaves: Point,
    touches_mm: f64,
    last: Point,
    /// Length of the path down to which it rides over hair that is rooted below it, mm.
    on_head_mm: f64,
    ride: Ride,
    /// Where that ends.
    leave: Vec3,
    /// How much its growth goes against its fall at the root, 0 to 1.
    against: f64,
    /// How far from the parting its root lies, mm.
    parts_mm: f64,
    /// By how much it turns on the head, radians a millimetre.
    bend: f64,
    /// Pieces on the head, from short to long, then pieces over the shoulders; and how many lie on the head. They stand together
    /// because to look them up costs more than to work with them.
    pieces: Vec<Piece>,
    on_head_pieces: usize,
    /// Where it hangs straight down between head and shoulders, if it does and goes over them, and where it does without end.
    pub(crate) to_shoulders: Option<Hang>,
    pub(crate) to_the_end: Hang,
}

/// How far hair rides over other hair at most.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(crate) struct Ride {
    pub mm: f64,
    /// e^(mm/τ) for the longest τ of its profile.
    pub grown: f64,
}

/// A point of a path.
#[derive(Debug, Clone, Copy, PartialEq)]
struct Point {
    at: Vec3,
    /// Which way is out: the scalp's normal, level where it hangs.
    out: Vec3,
    /// Length of the path to it, mm.
    arc_mm: f64,
}

/// A short piece of a path, as the field sees it.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(crate) struct Piece {
    /// How long it is, mm.
    pub arc_mm: f32,
    /// By how much it turns, radians.
    pub turn: f32,
    /// How far it goes down, mm.
    pub drop_mm: f32,
    /// Height of its middle, mm.
    pub height_mm: f32,
    pub cells: Cells,
}

/// A stretch that hangs straight down.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(crate) struct Hang {
    /// Length of the path at which it begins and ends, mm.
    pub from_mm: f64,
    pub to_mm: f64,
    /// Height at which it begins, mm.
    pub height_mm: f64,
    pub cells: Cells,
}

impl Hang {
    /// From a place so far along.
    fn without_end(at: &Vec3, from_mm: f64) -> Self {
        Self { from_mm, to_mm: f64::INFINITY, height_mm: at.y.min(0.0), cells: Cells::below(at) }
    }
}

/// What paths are laid on.
pub(crate) struct Ground<'a> {
    pub scalp: Scalp<'a>,
    pub body: &'a Body,
    pub part: PartLine,
    pub growth: &'a [Growth],
}

impl Path {
    /// The path of hair that falls away from the parting.
    pub(crate) fn parted(ground: &Ground, root: &Root) -> Self {
        let parts = ground.part.nearest(&ground.scalp, &root.at);
        let away = Vec3::new(root.at.x - parts.x, 0.0, root.at.z - parts.z);
        let path = Self::of(ground, root, away.try_normalize(1e-9).unwrap_or_else(Vec3::zeros));
        Self { parts_mm: away.norm(), ..path }
    }

    /// The path of a fringe: forward over the forehead.
    pub(crate) fn forward(ground: &Ground, root: &Root) -> Self {
        // A little to its own side, as the forehead turns.
        Self::of(ground, root, Vec3::new(0.4 * root.at.x / root.at.norm(), 0.0, 1.0).normalize() * 1.5)
    }

    fn of(ground: &Ground, root: &Root, away: Vec3) -> Self {
        let first = Point { at: root.at, out: root.normal, arc_mm: 0.0 };
        let mut path = Self {
            points: Vec::with_capacity(64),
            leaves: first,
            touches_mm: f64::INFINITY,
            last: first,
            on_head_mm: 0.0,
            ride: Ride { mm: 0.0, grown: 1.0 },
            leave: root.at,
            against: 0.0,
            parts_mm: f64::INFINITY,
            bend: 0.0,
            pieces: Vec::with_capacity(32),
            on_head_pieces: 0,
            to_shoulders: None,
            to_the_end: Hang::without_end(&root.at, 0.0),
        };
        path.points.push(first);
        path.over_the_scalp(ground, away);
        let leaves = path.points.len() - 1;
        path.on_head_mm = path.points[leaves].arc_mm.max(path.hairy_mm(&ground.scalp));
        let mm = path.on_head_mm.max(LEAST_RIDE_MM);
        path.ride = Ride { mm, grown: decayed_slowest(-mm) };
        let turn = angle(&path.points[0].out, &path.points[leaves].out);
        path.bend = turn / path.on_head_mm.max(STEP_MM);
        path.leaves = path.points[leaves];
        path.last = path.leaves;
        if path.leaves.at.y <= 0.0 {
            path.leaves.out = level(&path.leaves.out);
        }
        path.over_the_shoulders(ground.body, leaves);
        path.last = *path.end();
        path.touches_mm = path.points.get(leaves + 1).map_or(f64::INFINITY, |point| point.arc_mm);
        path.leave = path.place(path.on_head_mm);
        path.lay_pieces(leaves);
        path.points.shrink_to_fit();
        path.pieces.shrink_to_fit();
        path
    }

    /// Down the scalp and away from the parting, bent by how it grows, down to the ears' height.
    fn over_the_scalp(&mut self, ground: &Ground, away: Vec3) {
        let scalp = &ground.scalp;
        for _ in 0..MOST_STEPS {
            let (p, normal) = (self.end().at, self.end().out);
            if p.y <= 0.0 {
                return;
            }
            if normal.y <= 0.0 {
                // The scalp turns under: from here it hangs.
                self.push(Vec3::new(p.x, p.y - STEP_MM, p.z), level(&normal));
                continue;
            }
            let wish = away - Vec3::y();
            let falls = (wish - normal * normal.dot(&wish)).try_normalize(1e-9).unwrap_or_else(Vec3::zeros);
            let arc = self.end().arc_mm;
            let own = (-arc / GROWS_MM).exp();
            let bend: Vec3 = ground.growth.iter().map(|growth| growth.bend(scalp, &p, &normal)).sum();
            if arc == 0.0 && bend.norm() > NO_BEND {
                let strength = bend.norm().min(1.0);
                self.against = strength * 0.5 * (1.0 - bend.normalize().dot(&falls));
            }
            // Near the root growth has its way, even uphill; further along the hair falls.
            let heading = falls + bend * own;
            let Some(heading) = heading.try_normalize(NO_BEND).or_else(|| falls.try_normalize(NO_BEND))
            else {
                return;
            };
            let next = scalp.form.point(&(p + heading * STEP_MM));
            let out = scalp.form.normal(&next);
            self.push(next, out);
        }
    }

    /// Where hair hangs above the trunk it is carried to the front or the back of it. On the chest it lies flat: what left the head
    /// further back lies further out.
    fn over_the_shoulders(&mut self, body: &Body, leaves: usize) {
        let leave = self.points[leaves].at;
        let out = level(&self.points[leaves].out);
        let side = if leave.z < 0.0 { -1.0 } else { 1.0 };
        let spreads = if leave.z < 0.0 {
            0.0
        } else {
            (CHEST_MM - leave.z).max(-MOST_IN * leave.x.abs()) * leave.x.signum()
        };
        let mut y = leave.y - LEVEL_MM;
        let mut before = 0.0;
        while y > body.waist_mm {
            let depth = body.half_depth_mm(leave.x, y);
            if depth > leave.z.abs() {
                // Down the front or the back of the trunk it hangs straight again.
                if depth == before {
                    return;
                }
                before = depth;
                // Down to where it touches it hangs straight.
                if self.points.len() - 1 == leaves && y + LEVEL_MM < leave.y {
                    self.push(Vec3::new(leave.x, y + LEVEL_MM, leave.z), out);
                }
                let share = (depth - leave.z.abs()) / (TRUNK_HALF_DEPTH_MM - leave.z.abs());
                let x = leave.x + share * spreads;
                self.push(Vec3::new(x, y, side * body.half_depth_mm(x, y).max(leave.z.abs())), out);
            }
            y -= LEVEL_MM;
        }
    }

    /// Length of the path under which hair still grows, mm.
    fn hairy_mm(&self, scalp: &Scalp) -> f64 {
        let edge = |point: &Point| scalp.hairline.above(&point.at.normalize()) * point.at.norm();
        let inside = self.points.iter().rposition(|point| edge(point) > 0.0);
        let Some(last) = inside else { return 0.0 };
        let here = edge(&self.points[last]);
        match self.points.get(last + 1) {
            Some(next) => {
                let share = here / (here - edge(next)).max(1e-9);
                self.points[last].arc_mm + share * (next.arc_mm - self.points[last].arc_mm)
            }
            // Below the ears' height the edge of the hair goes on under the path.
            None => self.points[last].arc_mm + here,
        }
    }

    /// Length of the path down to the ears' height, mm; 0 of hair rooted below it.
    fn to_the_ears_mm(&self) -> f64 {
        let Some(next) = self.points.iter().position(|point| point.at.y <= 0.0) else { return f64::INFINITY };
        let Some(above) = next.checked_sub(1).map(|above| &self.points[above]) else { return 0.0 };
        let below = &self.points[next];
        above.arc_mm + (below.arc_mm - above.arc_mm) * above.at.y / (above.at.y - below.at.y)
    }

    /// Cuts the path into what the field sees.
    fn lay_pieces(&mut self, leaves: usize) {
        let (mut from, mut long) = (0.0, FIRST_PIECE_MM);
        let ears_mm = self.to_the_ears_mm();
        while from < self.on_head_mm - 1e-9 {
            let mut to = (from + long).min(self.on_head_mm);
            // Over the head and below it cells hold different things: no piece lies in both.
            if from + 1e-9 < ears_mm {
                to = to.min(ears_mm);
            } else {
                to = to.min(from + LEVEL_MM);
            }
            self.pieces.push(self.piece(from, to));
            from = to;
            long = (long + PIECE_GROWS_MM).min(LONGEST_PIECE_MM);
        }
        self.on_head_pieces = self.pieces.len();
        let begin = self.on_head_mm;
        let last = self.end().arc_mm.max(begin);
        self.to_the_end = Hang::without_end(&self.place(last), last);
        let mut from = begin;
        if self.touches_mm > begin && self.touches_mm < last {
            from = self.touches_mm;
            self.to_shoulders = Some(Hang { to_mm: from, ..Hang::without_end(&self.place(begin), begin) });
        }
        for point in leaves + 1..self.points.len() {
            let to = self.points[point].arc_mm;
            if to > from {
                self.pieces.push(self.piece(from, to));
                from = to;
            }
        }
    }

    fn piece(&self, from: f64, to: f64) -> Piece {
        let ((a, out), (b, out_after)) = (self.place_and_out(from), self.place_and_out(to));
        let middle = self.place(0.5 * (from + to));
        Piece {
            arc_mm: (to - from) as f32,
            turn: angle(&out, &out_after) as f32,
            drop_mm: (a.y - b.y) as f32,
            height_mm: middle.y as f32,
            cells: Cells::at(&middle),
        }
    }

    fn push(&mut self, at: Vec3, out: Vec3) {
        let last = self.end();
        let arc_mm = last.arc_mm + (at - last.at).norm();
        self.points.push(Point { at, out, arc_mm });
    }

    fn end(&self) -> &Point {
        &self.points[self.points.len() - 1]
    }

    /// Height of its root, mm.
    pub(crate) fn root_mm(&self) -> f64 {
        self.points[0].at.y
    }

    /// Its pieces on the head, from short to long.
    pub(crate) fn on_head(&self) -> &[Piece] {
        &self.pieces[..self.on_head_pieces]
    }

    /// Its pieces over the shoulders.
    pub(crate) fn over_shoulders(&self) -> &[Piece] {
        &self.pieces[self.on_head_pieces..]
    }

    /// Length down to which it rides over hair rooted below it, mm.
    pub fn on_head_mm(&self) -> f64 {
        self.on_head_mm
    }

    /// How far hair on it rides over other hair at most.
    pub(crate) fn ride(&self) -> Ride {
        self.ride
    }

    /// How much its growth goes against its fall at the root, 0 to 1.
    pub fn against(&self) -> f64 {
        self.against
    }

    /// Length of the path from where it leaves the head to where it is so much lower, mm: longer where it goes over a shoulder.
    pub(crate) fn down_mm(&self, below_mm: f64) -> f64 {
        if below_mm <= self.touches_mm - self.on_head_mm {
            return below_mm;
        }
        let height = self.leave.y - below_mm;
        if height <= self.last.at.y {
            return self.last.arc_mm - self.on_head_mm + self.last.at.y - height;
        }
        // From the last point up: growth may lead uphill near the root.
        let above = self.points.iter().rposition(|point| point.at.y > height).unwrap_or(0);
        let (above, below) = (&self.points[above], &self.points[above + 1]);
        let share = (above.at.y - height) / (above.at.y - below.at.y);
        above.arc_mm + share * (below.arc_mm - above.arc_mm) - self.on_head_mm
    }

    /// How far from the parting its root lies, seen from above, mm; a fringe has none.
    pub(crate) fn parts_mm(&self) -> f64 {
        self.parts_mm
    }

    /// By how much it turns on the head on average, radians a millimetre.
    pub(crate) fn bend(&self) -> f64 {
        self.bend
    }

    /// The place so far along, mm.
    pub fn place(&self, arc_mm: f64) -> Vec3 {
        self.place_and_out(arc_mm).0
    }

    /// The place so far along, mm, and which way is out there.
    pub(crate) fn place_and_out(&self, arc_mm: f64) -> (Vec3, Vec3) {
        let hangs = if arc_mm >= self.last.arc_mm {
            Some(&self.last)
        } else {
            (arc_mm >= self.leaves.arc_mm && arc_mm < self.touches_mm).then_some(&self.leaves)
        };
        if let Some(from) = hangs {
            let out = if from.at.y > 0.0 { from.out } else { level(&from.out) };
            return (from.at - Vec3::y() * (arc_mm - from.arc_mm), out);
        }
        // Points on the head lie a step apart, so counting from the top comes close.
        let mut next = ((arc_mm.max(0.0) / STEP_MM) as usize).min(self.points.len() - 1);
        while next > 0 && self.points[next - 1].arc_mm > arc_mm {
            next -= 1;
        }
        while self.points[next].arc_mm <= arc_mm {
            next += 1;
        }
        if next == 0 {
            return (self.points[0].at, self.points[0].out);
        }
        let (before, after) = (&self.points[next - 1], &self.points[next]);
        let share = (arc_mm - before.arc_mm) / (after.arc_mm - before.arc_mm);
        (before.at.lerp(&after.at, share), before.out.lerp(&after.out, share).normalize())
    }

    /// Where it stops being borne by the head.
    pub fn leave(&self) -> Vec3 {
        self.leave
    }
}

/// The angle between two unit vectors, radians.
fn angle(a: &Vec3, b: &Vec3) -> f64 {
    a.cross(b).norm().atan2(a.dot(b))
}

/// A direction without its upward part.
fn level(v: &Vec3) -> Vec3 {
    Vec3::new(v.x, 0.0, v.z).try_normalize(1e-9).unwrap_or_else(Vec3::z)
}

#[cfg(test)]
mod tests {
    use crate::drape::Drape;
    use crate::grow::HairRequest;
    use crate::hair::Hair;
    use crate::head::{PartLine, Zone};
    use crate::reading::{RawReading, RawZoneReading};
    use std::collections::BTreeMap;

    fn hair(part_mm: f64) -> Hair {
        let zones = BTreeMap::from([(Zone::Top.into(), RawZoneReading::measured(300.0, 290.0))]);
        let reading = RawReading { zones, part: PartLine { left_mm: part_mm }, ..RawReading::default() };
        HairRequest { roots: 1024, ..HairRequest::new(reading) }.grow().expect("possible")
    }

    fn paths(hair: &Hair) -> impl Iterator<Item = &super::Path> {
        hair.drapes.iter().map(Drape::main)
    }

    #[test]
    fn a_path_is_as_long_as_its_arc_says_and_never_inside_the_head() {
        let hair = hair(25.0);
        for path in paths(&hair) {
            let places: Vec<_> = (0..=600).map(|mm| path.place(f64::from(mm))).collect();
            for p in places.iter().filter(|p| p.y > 0.0) {
                assert!(p.norm() > hair.form.radius_mm(p) - 0.5, "{p}");
            }
            let length: f64 = places.windows(2).map(|pair| (pair[1] - pair[0]).norm()).sum();
            assert!((length - 600.0).abs() < 1.0, "{length}");
        }
    }

    #[test]
    fn a_path_is_longer_to_a_height_below_the_shoulders_than_that_is_low() {
        let hair = hair(0.0);
        let mut longest: f64 = 0.0;
        for path in paths(&hair) {
            for below in [20.0, 140.0, 190.0, 320.0] {
                let down = path.down_mm(below);
                let end = path.place(path.on_head_mm() + down);
                assert!((path.leave().y - below - end.y).abs() < 1e-6, "{below}: {down} {end}");
                longest = longest.max(down - below);
            }
        }
        assert!(longest > 10.0, "{longest}");
    }

    #[test]
    fn hair_comes_down_on_the_chest_flat_and_wide_and_on_the_back_as_it_hangs() {
        let hair = hair(0.0);
        let before = |path: &&super::Path| path.leave().z > 5.0 && path.leave().x > 40.0;
        let spread = |of: &dyn Fn(&super::Path) -> f64| {
            let all = || paths(&hair).filter(before).map(of);
            all().fold(f64::MIN, f64::max) - all().fold(f64::MAX, f64::min)
        };
        let on_chest = |path: &super::Path| path.place(path.on_head_mm() + 400.0);
        assert!(spread(&|path| on_chest(path).x) > 1.7 * spread(&|path| path.leave().x));
        assert!(spread(&|path| on_chest(path).z) < 0.3 * spread(&|path| path.leave().z));
        for path in paths(&hair) {
            let (from, to) = (path.leave(), on_chest(path));
            assert!(to.x * from.x >= 0.0, "{from} {to}");
            assert!(from.z > -5.0 || (to.x - from.x).abs() < 1e-9, "{from} {to}");
        }
    }

    #[test]
    fn hair_falls_away_from_the_part() {
        let hair = hair(25.0);
        for (strand, path) in hair.strands.iter().zip(paths(&hair)) {
            let at = strand.root.at;
            let beside = at.z.abs() < 30.0 && at.y > 90.0;
            if beside && (at.x - 25.0).abs() > 8.0 {
                assert_eq!(path.leave().x > 25.0, at.x > 25.0, "{at}");
            }
        }
    }

    #[test]
    fn pieces_and_hanging_stretches_make_up_the_path() {
        let hair = hair(0.0);
        for path in paths(&hair).step_by(17) {
            let long =
                |pieces: &[super::Piece]| pieces.iter().map(|piece| f64::from(piece.arc_mm)).sum::<f64>();
            let on_head = long(path.on_head());
            assert!((on_head - path.on_head_mm()).abs() < 1e-3);
            let mut at = path.on_head_mm();
            if let Some(hang) = path.to_shoulders {
                assert!((hang.from_mm - at).abs() < 1e-9);
                at = hang.to_mm;
            }
            at += long(path.over_shoulders());
            let hang = path.to_the_end;
            assert!((hang.from_mm - at).abs() < 1e-3 && hang.to_mm == f64::INFINITY, "{hang:?} {at}");
        }
    }
}
