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
    points: Vec<Vec3>,
    /// Length of the way to each point, mm.
    at: Vec<f64>,
    /// Its last point, and the length of the way to it, mm. They stand here once more because most hair ends below, and
    /// looking them up among the points of thousands of ways costs more than all else.
    hangs_from: (Vec3, f64),
    /// Which point it leaves the head at.
    leaves: usize,
    /// How much its growth goes against its fall, 0 to 1.
    against: f64,
    /// What it passes on the way to its last point.
    stops: Vec<Stop>,
}

/// A level that a way passes. There are a hundred on a way and thousands of ways, so they are kept small.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(super) struct Stop {
    /// Length of the way to it, mm.
    pub way_mm: f64,
    /// Distance from the axis, mm.
    pub radius_mm: f32,
    /// How many times as long as it is high the way is here.
    pub longer: f32,
    /// The two cells nearest to it, and the share of the first.
    pub cells: [u8; 2],
    pub share: f32,
}

/// Least sine of a descent: nearly level hair is taken to lie at 20°, or a thin layer would seem endlessly wide.
const LEAST_DESCENT: f64 = 0.35;

impl Stop {
    /// A stop so far along at a place where the way goes down by this sine.
    pub fn new(way_mm: f64, place: &Vec3, descent: f64) -> Self {
        let [(one, share), (other, _)] = cells_of(place.x, place.z);
        Self {
            way_mm,
            radius_mm: place.x.hypot(place.z) as f32,
            longer: (1.0 / descent.max(LEAST_DESCENT)) as f32,
            cells: [one as u8, other as u8],
            share: share as f32,
        }
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
    strands.par_iter().map(|strand| Drape::of(scalp, body, part, growth, &strand.root)).collect()
}

impl Drape {
    fn of(scalp: &Scalp, body: &Body, part: PartLine, growth: &[Growth], root: &Root) -> Self {
        let parts = part.nearest(scalp, &root.at);
        let away = Vec3::new(root.at.x - parts.x, 0.0, root.at.z - parts.z);
        let away = if away.norm() > 1e-9 { away.normalize() } else { Vec3::zeros() };
        let mut way = Self {
            points: Vec::with_capacity(96),
            at: Vec::with_capacity(96),
            hangs_from: (root.at, 0.0),
            leaves: 0,
            against: 0.0,
            stops: Vec::new(),
        };
        way.points.push(root.at);
        way.at.push(0.0);
        way.over_the_scalp(scalp, root.normal, away, growth);
        way.leaves = way.points.len() - 1;
        way.over_the_shoulders(body);
        way.hangs_from = (way.end(), way.at[way.at.len() - 1]);
        way.stops = way.stop_at_levels();
        // Thousands of ways are kept as long as a head is.
        way.points.shrink_to_fit();
        way.at.shrink_to_fit();
        way.stops.shrink_to_fit();
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
        let way = (p - self.end()).norm();
        self.at.push(self.at[self.at.len() - 1] + way);
        self.points.push(p);
    }

    fn end(&self) -> Vec3 {
        self.points[self.points.len() - 1]
    }

    /// Where it leaves the head.
    pub fn leave(&self) -> Vec3 {
        self.points[self.leaves]
    }

    /// How much its growth goes against its fall at the root, 0 to 1.
    pub fn against(&self) -> f64 {
        self.against
    }

    /// How long it lies on the scalp, mm.
    pub fn on_scalp_mm(&self) -> f64 {
        self.at[self.leaves]
    }

    /// The place so far along the way, mm.
    pub fn place(&self, way_mm: f64) -> Vec3 {
        let (last, way_to_last) = self.hangs_from;
        if way_mm >= way_to_last {
            return last - Vec3::y() * (way_mm - way_to_last);
        }
        let next = self.at.partition_point(|at| *at <= way_mm);
        if next == 0 {
            return self.points[0];
        }
        let share = (way_mm - self.at[next - 1]) / (self.at[next] - self.at[next - 1]);
        self.points[next - 1].lerp(&self.points[next], share)
    }

    /// The last point of the way, from which it goes straight down, and the length of the way to it, mm.
    pub fn hangs_from(&self) -> (Vec3, f64) {
        self.hangs_from
    }

    /// Number of the highest level (of [`LEVEL_MM`]) that is passed on the way to its last point, and each that is
    /// passed from there down.
    pub(super) fn stops(&self) -> (i32, &[Stop]) {
        ((self.points[0].y / LEVEL_MM).floor() as i32, &self.stops)
    }

    fn stop_at_levels(&self) -> Vec<Stop> {
        let mut stops = Vec::with_capacity(2 * self.points.len());
        let (mut level, _) = self.stops();
        for (pair, at) in self.points.windows(2).zip(self.at.windows(2)) {
            let (drop, run) = (pair[0].y - pair[1].y, at[1] - at[0]);
            while drop > 0.0 && f64::from(level) * LEVEL_MM >= pair[1].y {
                let share = (pair[0].y - f64::from(level) * LEVEL_MM) / drop;
                stops.push(Stop::new(at[0] + share * run, &pair[0].lerp(&pair[1], share), drop / run));
                level -= 1;
            }
        }
        stops
    }

    /// The first part of the way, so long, as points.
    pub fn line(&self, length_mm: f64) -> Vec<Vec3> {
        let within = self.points.iter().zip(&self.at).take_while(|(_, at)| **at < length_mm).map(|(p, _)| *p);
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
        let zones = BTreeMap::from([(Zone::Top, RawZoneReading::measured(300.0, 290.0))]);
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
                let place = drape.place(stop.way_mm);
                assert!((place.y - LEVEL_MM * f64::from(highest - i as i32)).abs() < 1e-6);
                assert!((place.x.hypot(place.z) - f64::from(stop.radius_mm)).abs() < 1e-4);
                assert!((1.0..=1.0 / LEAST_DESCENT + 1e-6).contains(&f64::from(stop.longer)));
                assert!(stop.way_mm <= way + 1e-9);
            }
            let lowest = LEVEL_MM * f64::from(highest - stops.len() as i32 + 1);
            assert!(lowest >= last.y - 1e-9 && lowest - LEVEL_MM < last.y + 1e-9);
        }
    }
}
