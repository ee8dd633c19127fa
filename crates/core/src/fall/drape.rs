//! The way a strand takes from its root down.

use crate::hair::{PartLine, Strand};
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
    /// Which point it leaves the head at.
    leaves: usize,
}

/// The ways of all strands. They depend on head and part, not on any cut.
pub fn drape_all(scalp: &Scalp, body: &Body, part: PartLine, strands: &[Strand]) -> Vec<Drape> {
    strands.par_iter().map(|strand| Drape::of(scalp, body, part, &strand.root)).collect()
}

impl Drape {
    fn of(scalp: &Scalp, body: &Body, part: PartLine, root: &Root) -> Self {
        let parts = part.nearest(scalp, &root.at);
        let away = Vec3::new(root.at.x - parts.x, 0.0, root.at.z - parts.z);
        let away = if away.norm() > 1e-9 { away.normalize() } else { Vec3::zeros() };
        let mut way = Self { points: vec![root.at], at: vec![0.0], leaves: 0 };
        way.over_the_scalp(scalp, root.normal, away);
        way.leaves = way.points.len() - 1;
        way.over_the_shoulders(body);
        way
    }

    /// Down the scalp and away from the part until the scalp turns under.
    fn over_the_scalp(&mut self, scalp: &Scalp, mut normal: Vec3, away: Vec3) {
        for _ in 0..MOST_STEPS {
            if normal.y <= 0.0 {
                return;
            }
            let wish = away - Vec3::y();
            let along = wish - normal * normal.dot(&wish);
            if along.norm() < 1e-9 {
                return;
            }
            let p = self.end();
            let next = scalp.form.point(&(p + along.normalize() * STEP_MM));
            if next.y >= p.y {
                return;
            }
            self.push(next);
            normal = scalp.form.normal(&next);
        }
    }

    /// Where hair hangs above the trunk it is carried to the front or the back of it.
    fn over_the_shoulders(&mut self, body: &Body) {
        let leave = self.end();
        let side = if leave.z < 0.0 { -1.0 } else { 1.0 };
        let lowest = body.waist_mm;
        let mut y = leave.y - LEVEL;
        while y > lowest {
            let depth = body.half_depth_mm(leave.x, y);
            if depth > leave.z.abs() {
                // Down to where it touches it hangs straight.
                if self.points.len() - 1 == self.leaves && y + LEVEL < leave.y {
                    self.push(Vec3::new(leave.x, y + LEVEL, leave.z));
                }
                self.push(Vec3::new(leave.x, y, side * depth));
            }
            y -= LEVEL;
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

    /// How long it lies on the scalp, mm.
    pub fn on_scalp_mm(&self) -> f64 {
        self.at[self.leaves]
    }

    /// The place so far along the way, mm.
    pub fn place(&self, way_mm: f64) -> Vec3 {
        let last = self.points.len() - 1;
        let next = self.at.partition_point(|at| *at <= way_mm);
        if next > last {
            return self.points[last] - Vec3::y() * (way_mm - self.at[last]);
        }
        if next == 0 {
            return self.points[0];
        }
        let share = (way_mm - self.at[next - 1]) / (self.at[next] - self.at[next - 1]);
        self.points[next - 1].lerp(&self.points[next], share)
    }

    /// Every level of height (a multiple of `step_mm`) that a hair of this length passes on its way down: the level's
    /// number, the length of the way to it, the place, and the sine of the descent there.
    pub fn levels(&self, length_mm: f64, step_mm: f64, mut visit: impl FnMut(i32, f64, &Vec3, f64)) {
        let mut from = (self.points[0], 0.0);
        let mut level = (from.0.y / step_mm).floor() as i32;
        let ends = self.place(length_mm);
        let inner = self.points.iter().copied().zip(self.at.iter().copied()).skip(1);
        for to in inner.take_while(|(_, at)| *at < length_mm).chain([(ends, length_mm)]) {
            let (drop, run) = (from.0.y - to.0.y, to.1 - from.1);
            while drop > 0.0 && f64::from(level) * step_mm >= to.0.y {
                let share = (from.0.y - f64::from(level) * step_mm) / drop;
                visit(level, from.1 + share * run, &from.0.lerp(&to.0, share), drop / run);
                level -= 1;
            }
            from = to;
        }
    }

    /// The first part of the way, so long, as points.
    pub fn line(&self, length_mm: f64) -> Vec<Vec3> {
        let within = self.points.iter().zip(&self.at).take_while(|(_, at)| **at < length_mm).map(|(p, _)| *p);
        within.chain([self.place(length_mm)]).collect()
    }
}

/// Step down the shoulders, mm.
const LEVEL: f64 = 5.0;

#[cfg(test)]
mod tests {
    use super::*;
    use crate::hair::{Hair, HairRequest};
    use crate::reading::{RawReading, RawZoneReading, Zone};
    use std::collections::BTreeMap;

    fn hair(part_mm: f64) -> Hair {
        let zones = BTreeMap::from([(Zone::Top, RawZoneReading::measured(300.0, 290.0))]);
        let reading = RawReading { zones, ..RawReading::default() };
        let part = PartLine { left_mm: part_mm };
        HairRequest { part, roots: 1024, ..HairRequest::new(reading) }.grow().expect("possible")
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
            let mut last: Option<i32> = None;
            drape.levels(400.0, 5.0, |level, way, place, sine| {
                assert!((place.y - 5.0 * f64::from(level)).abs() < 1e-9);
                assert!((drape.place(way) - place).norm() < 1e-6);
                assert!((0.0..=1.0 + 1e-9).contains(&sine));
                assert!(last.is_none_or(|last| last == level + 1));
                last = Some(level);
            });
            let ends = drape.place(400.0).y;
            let last = last.expect("it passes some");
            assert!(5.0 * f64::from(last) >= ends - 1e-9 && 5.0 * f64::from(last - 1) < ends + 1e-9);
        }
    }
}
