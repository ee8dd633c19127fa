//! The way a strand takes from its root down.

use super::LEVEL_MM;
use super::shell::cells_of;
use crate::hair::{Growth, PartLine, Strand};
use crate::head::{Body, Root, Vec3};
use crate::section::Scalp;
use rayon::prelude::*;

/// Step along the scalp, mm.
const STEP_MM: f64 = 4.0;
/// Most steps: far more than the longest way down a head.
const MOST_STEPS: usize = 120;

/// A way down: over the scalp, off it, and over the shoulders. After its last point it goes straight down.
#[derive(Debug, Clone, PartialEq)]
pub struct Drape {
    points: Vec<Point>,
    /// Its last point, and the length of the way to it, mm. They stand here once more because most hair ends below, and
    /// looking them up among the points of thousands of ways costs more than all else.
    hangs_from: (Vec3, f64),
    /// Which point it leaves the head at.
    leaves: usize,
    /// How much its growth goes against its fall, 0 to 1.
    against: f64,
    /// Number of the level at its root or the next one below.
    highest: i32,
    /// What it passes on the way to its last point, from that level down.
    stops: Vec<Stop>,
    /// Its root and its last point, as if they were levels.
    ends: [Stop; 2],
}

/// A point of a way.
#[derive(Debug, Clone, Copy, PartialEq)]
struct Point {
    at: Vec3,
    /// Length of the way to it, mm.
    way_mm: f64,
}

/// A level that a way passes. There are a hundred on a way and thousands of ways, and fetching them is most of what a
/// fall costs, so they are kept small: to a ten-thousandth of a millimetre.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(super) struct Stop {
    /// Length of the way to it, mm.
    pub way_mm: f32,
    /// Distance from the axis, mm.
    pub radius_mm: f32,
    /// How many times as long as it is high the way is here.
    pub longer: f32,
    /// The two cells nearest to it, and the share of the first, of [`WHOLE`].
    cells: [u8; 2],
    share: u16,
}

/// All of a share.
const WHOLE: f64 = u16::MAX as f64;

/// Least sine of a descent: nearly level hair is taken to lie at 20°, or a thin layer would seem endlessly wide.
const LEAST_DESCENT: f64 = 0.35;

impl Stop {
    /// A stop so far along at a place where the way goes down by this sine.
    pub fn new(way_mm: f64, place: &Vec3, descent: f64) -> Self {
        let [(one, share), (other, _)] = cells_of(place.x, place.z);
        Self {
            way_mm: way_mm as f32,
            radius_mm: place.x.hypot(place.z) as f32,
            longer: (1.0 / descent.max(LEAST_DESCENT)) as f32,
            cells: [one as u8, other as u8],
            share: (share * WHOLE).round() as u16,
        }
    }

    /// The two cells nearest to it, with the share of each.
    pub fn cells(&self) -> [(usize, f64); 2] {
        let share = f64::from(self.share) / WHOLE;
        [(usize::from(self.cells[0]), share), (usize::from(self.cells[1]), 1.0 - share)]
    }
}

/// The ways of all strands. They depend on head and part, not on any cut.
pub fn drape_all(
    scalp: &Scalp,
    body: &Body,
    part: PartLine,
    growth: &[Growth],
    strands: &[Strand],
) -> Vec<Drape> {
    let mut all: Vec<Drape> =
        strands.par_iter().map(|strand| Drape::of(scalp, body, part, growth, &strand.root)).collect();
    // Every fall walks through all of them in order: laid one behind the other they come out of memory far faster.
    all.iter_mut().for_each(|drape| drape.stops = drape.stops.as_slice().to_vec());
    all.iter_mut().for_each(|drape| drape.points = drape.points.as_slice().to_vec());
    all
}

impl Drape {
    fn of(scalp: &Scalp, body: &Body, part: PartLine, growth: &[Growth], root: &Root) -> Self {
        let parts = part.nearest(scalp, &root.at);
        let away = Vec3::new(root.at.x - parts.x, 0.0, root.at.z - parts.z);
        let away = if away.norm() > 1e-9 { away.normalize() } else { Vec3::zeros() };
        let mut way = Self {
            points: Vec::with_capacity(96),
            hangs_from: (root.at, 0.0),
            leaves: 0,
            against: 0.0,
            highest: (root.at.y / LEVEL_MM).floor() as i32,
            stops: Vec::new(),
            ends: [Stop::new(0.0, &root.at, 1.0); 2],
        };
        way.points.push(Point { at: root.at, way_mm: 0.0 });
        way.over_the_scalp(scalp, root.normal, away, growth);
        way.leaves = way.points.len() - 1;
        way.over_the_shoulders(body);
        let last = way.points[way.points.len() - 1];
        way.hangs_from = (last.at, last.way_mm);
        way.stops = way.stop_at_levels();
        way.ends[1] = Stop::new(last.way_mm, &last.at, 1.0);
        way
    }

    /// Down the scalp and away from the part, bent by how it grows, until the scalp turns under.
    fn over_the_scalp(&mut self, scalp: &Scalp, mut normal: Vec3, away: Vec3, growth: &[Growth]) {
        for step in 0..MOST_STEPS {
            if normal.y <= 0.0 {
                return;
            }
            let wish = away - Vec3::y();
            let falls = wish - normal * normal.dot(&wish);
            let p = self.end();
            let bend: Vec3 = growth.iter().map(|each| each.bend(scalp, &p, &normal)).sum();
            if step == 0 && bend.norm() > 1e-9 && falls.norm() > 1e-9 {
                let strength = bend.norm().min(1.0);
                self.against = strength * 0.5 * (1.0 - bend.normalize().dot(&falls.normalize()));
            }
            // Growth bends the fall; uphill it can't carry hair that is long enough to fall at all.
            let ways = [falls.try_normalize(1e-9).unwrap_or_else(Vec3::zeros) + bend, falls];
            let next = ways
                .iter()
                .filter_map(|way| way.try_normalize(1e-9))
                .map(|way| scalp.form.point(&(p + way * STEP_MM)))
                .find(|next| next.y < p.y);
            let Some(next) = next else { return };
            self.push(next);
            normal = scalp.form.normal(&next);
        }
    }

    /// Where hair hangs above the trunk it is carried to the front or the back of it.
    fn over_the_shoulders(&mut self, body: &Body) {
        let leave = self.end();
        let side = if leave.z < 0.0 { -1.0 } else { 1.0 };
        let lowest = body.waist_mm;
        let mut y = leave.y - LEVEL_MM;
        while y > lowest {
            let depth = body.half_depth_mm(leave.x, y);
            if depth > leave.z.abs() {
                // Down to where it touches it hangs straight.
                if self.points.len() - 1 == self.leaves && y + LEVEL_MM < leave.y {
                    self.push(Vec3::new(leave.x, y + LEVEL_MM, leave.z));
                }
                self.push(Vec3::new(leave.x, y, side * depth));
            }
            y -= LEVEL_MM;
        }
    }

    fn push(&mut self, p: Vec3) {
        let last = &self.points[self.points.len() - 1];
        let way_mm = last.way_mm + (p - last.at).norm();
        self.points.push(Point { at: p, way_mm });
    }

    fn end(&self) -> Vec3 {
        self.points[self.points.len() - 1].at
    }

    /// Where it leaves the head.
    pub fn leave(&self) -> Vec3 {
        self.points[self.leaves].at
    }

    /// How much its growth goes against its fall at the root, 0 to 1.
    pub fn against(&self) -> f64 {
        self.against
    }

    /// How long it lies on the scalp, mm.
    pub fn on_scalp_mm(&self) -> f64 {
        self.points[self.leaves].way_mm
    }

    /// The place so far along the way, mm.
    pub fn place(&self, way_mm: f64) -> Vec3 {
        let (last, way_to_last) = self.hangs_from;
        if way_mm >= way_to_last {
            return last - Vec3::y() * (way_mm - way_to_last);
        }
        let next = self.after(way_mm);
        if next == 0 {
            return self.points[0].at;
        }
        let (before, after) = (&self.points[next - 1], &self.points[next]);
        before.at.lerp(&after.at, (way_mm - before.way_mm) / (after.way_mm - before.way_mm))
    }

    /// The first point further along than this, which lies before the last.
    ///
    /// Halving would fetch half a dozen places from memory. But points lie a step apart on the scalp, and at least a
    /// level apart below it, so counting from the top or from the end comes close.
    fn after(&self, way_mm: f64) -> usize {
        let (_, way_to_last) = self.hangs_from;
        let on_scalp = (way_mm.max(0.0) / STEP_MM) as usize;
        let mut next = if on_scalp < self.leaves {
            on_scalp
        } else {
            let from_end = ((way_to_last - way_mm) / LEVEL_MM).ceil() as usize;
            (self.points.len() - 1).saturating_sub(from_end).max(self.leaves)
        };
        while next > 0 && self.points[next - 1].way_mm > way_mm {
            next -= 1;
        }
        while self.points[next].way_mm <= way_mm {
            next += 1;
        }
        next
    }

    /// The last point of the way, from which it goes straight down, and the length of the way to it, mm.
    pub fn hangs_from(&self) -> (Vec3, f64) {
        self.hangs_from
    }

    /// Number of the highest level (of [`LEVEL_MM`]) that is passed on the way to its last point, and each that is
    /// passed from there down.
    pub(super) fn stops(&self) -> (i32, &[Stop]) {
        (self.highest, &self.stops)
    }

    /// Its root and its last point, from where it hangs straight down, as if they were levels.
    pub(super) fn ends(&self) -> &[Stop; 2] {
        &self.ends
    }

    fn stop_at_levels(&self) -> Vec<Stop> {
        let mut stops = Vec::with_capacity(2 * self.points.len());
        let mut level = self.highest;
        for pair in self.points.windows(2) {
            let [from, to] = pair else { continue };
            let (drop, run) = (from.at.y - to.at.y, to.way_mm - from.way_mm);
            while drop > 0.0 && f64::from(level) * LEVEL_MM >= to.at.y {
                let share = (from.at.y - f64::from(level) * LEVEL_MM) / drop;
                stops.push(Stop::new(from.way_mm + share * run, &from.at.lerp(&to.at, share), drop / run));
                level -= 1;
            }
        }
        stops
    }

    /// The first part of the way, so long, as points.
    pub fn line(&self, length_mm: f64) -> Vec<Vec3> {
        let within = self.points.iter().take_while(|point| point.way_mm < length_mm).map(|point| point.at);
        within.chain([self.place(length_mm)]).collect()
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::hair::{Hair, HairRequest};
    use crate::reading::{RawReading, RawZoneReading, Zone};
    use std::collections::BTreeMap;

    fn hair(part_mm: f64) -> Hair {
        let zones = BTreeMap::from([(Zone::Top.into(), RawZoneReading::measured(300.0, 290.0))]);
        let reading = RawReading { zones, part: PartLine { left_mm: part_mm }, ..RawReading::default() };
        HairRequest { roots: 1024, ..HairRequest::new(reading) }.grow().expect("possible")
    }

    #[test]
    fn a_way_goes_down_all_the_time_and_never_inside_the_head() {
        let hair = hair(25.0);
        for drape in &hair.drapes {
            let line = drape.line(600.0);
            assert!(line.windows(2).all(|pair| pair[1].y < pair[0].y + 1e-9));
            for p in line.iter().filter(|p| p.y > 0.0) {
                assert!(p.norm() > hair.form.radius_mm(p) - 0.5, "{p}");
            }
            let length: f64 = line.windows(2).map(|pair| (pair[1] - pair[0]).norm()).sum();
            assert!((length - 600.0).abs() < 1e-6);
        }
    }

    #[test]
    fn hair_falls_away_from_the_part() {
        let hair = hair(25.0);
        for (strand, drape) in hair.strands.iter().zip(&hair.drapes) {
            let at = strand.root.at;
            let beside = at.z.abs() < 30.0 && at.y > 90.0;
            if beside && (at.x - 25.0).abs() > 8.0 {
                assert_eq!(drape.leave().x > 25.0, at.x > 25.0, "{at}");
            }
        }
    }

    #[test]
    fn levels_are_passed_one_by_one_at_the_length_that_leads_to_them() {
        let hair = hair(0.0);
        for drape in hair.drapes.iter().step_by(17) {
            let (highest, stops) = drape.stops();
            let (last, way) = drape.hangs_from();
            for (i, stop) in stops.iter().enumerate() {
                let place = drape.place(f64::from(stop.way_mm));
                assert!((place.y - LEVEL_MM * f64::from(highest - i as i32)).abs() < 1e-4);
                assert!((place.x.hypot(place.z) - f64::from(stop.radius_mm)).abs() < 1e-4);
                assert!((1.0..=1.0 / LEAST_DESCENT + 1e-6).contains(&f64::from(stop.longer)));
                assert!(f64::from(stop.way_mm) <= way + 1e-4);
                assert!((stop.cells().iter().map(|(_, share)| share).sum::<f64>() - 1.0).abs() < 1e-12);
            }
            let lowest = LEVEL_MM * f64::from(highest - stops.len() as i32 + 1);
            assert!(lowest >= last.y - 1e-9 && lowest - LEVEL_MM < last.y + 1e-9);
        }
    }
}
