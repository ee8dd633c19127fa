//! A lock in its place.

use super::choose::{Chosen, chosen};
use super::curl::wound;
use super::fill::{Line, fill};
use super::look::{Look, Own};
use crate::fall::{Levels, Worn, worn_as};
use crate::hair::{Hair, ShareLengths};
use crate::head::{Solid, Vec3, Zone, drawn};
use rayon::prelude::*;
use serde::Serialize;
use std::f64::consts::{PI, TAU};

/// Least distance of a lock's line from head and body, mm.
const CLEAR_MM: f64 = 1.5;
/// Hair shorter than this is not drawn as a lock, mm.
const LEAST_MM: f64 = 2.0;
/// Hairs on a square centimetre at which locks just meet.
const MEET_PER_CM2: f64 = 150.0;
/// How wide a lock is that winds at least so far (radians): a share of the radius of its loops, and so much, mm.
const LEAST_TURN: f64 = 4.0;
const LOOP_SHARE: f64 = 0.24;
const LOOP_MM: f64 = 1.2;
/// How far a lock has turned where its hair is gathered into it, radians, and the bounds of the share of its length at which that is.
const GATHER_TURN: f64 = 0.4 * TAU;
const LEAST_GATHERED_AT: f64 = 0.02;
const MOST_GATHERED_AT: f64 = 10.0;
/// Widest that a lock is, as a share of its length: cropped hair stands as single tufts.
const WIDEST_SHARE: f64 = 0.3;
/// By how many times the loops of a lock that stands are wider at its end than they would be among others that hang, at most; and
/// how much of that its width has.
const MOST_FANNED: f64 = 2.2;
const FANNED_WIDTH: f64 = 0.25;
/// How far a lock that stands bends aside on its way, as a share of the room that it has, and how far round itself from its root to
/// its end, radians: straight ones would stand like the bristles of a brush.
const BENDS_SHARE: f64 = 0.7;
const BENDS_ROUND: f64 = 1.2 * TAU;
/// How far from the parting hair that stands is held from both sides, mm.
const BOTH_SIDES_MM: f64 = 65.0;
/// How far up the scalp must face where it is.
const LEAST_UP: f64 = 0.5;
/// How wide a wisp is, and how far out it strays at most, mm.
const WISP_MM: f64 = 1.0;
const STRAYS_MM: f64 = 9.0;

/// A lock as it is drawn.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Lock {
    /// Where it grows.
    pub zone: Zone,
    /// Its line from the root to the longest end, as it winds, mm (x the client's left, y up, z forward).
    pub line: Vec<[f32; 3]>,
    /// How wide it is at its root, mm.
    pub root_mm: f32,
    /// How wide it is once its hair is gathered, mm.
    pub width_mm: f32,
    /// Share of its length from which on it is; that may be beyond its end.
    pub gathered_at: f32,
    /// Shares of its length at which its shortest, mean and longest hair ends.
    pub ends: [f32; 3],
}

impl Lock {
    /// How wide it would be so far along if none of its hair ended, mm.
    pub fn width_at(&self, along: f32) -> f32 {
        self.root_mm + (self.width_mm - self.root_mm) * (along / self.gathered_at).min(1.0)
    }

    /// How far along it a share of its hair ends, from its shortest to its longest: half of it at its mean.
    pub fn reach(&self, share: f32) -> f32 {
        let [shortest, mean, longest] = self.ends;
        let (from, to, at) = if share < 0.5 { (shortest, mean, share) } else { (mean, longest, share - 0.5) };
        from + 2.0 * at * (to - from)
    }

    /// Share of its hair that is still there so far along, 0 to 1: all of it down to its shortest, half at its mean.
    pub fn left_at(&self, along: f32) -> f32 {
        let [shortest, mean, longest] = self.ends;
        let between = |from: f32, to: f32| ((along - from) / (to - from).max(1e-6)).clamp(0.0, 1.0);
        if along <= mean { 1.0 - 0.5 * between(shortest, mean) } else { 0.5 * (1.0 - between(mean, longest)) }
    }
}

/// About so many locks for hair at these fibre lengths, as it is worn.
pub fn locks(hair: &Hair, lengths: &[ShareLengths], count: usize) -> Vec<Lock> {
    let (surface, mut wound) = rayon::join(
        || Levels::worn(hair, lengths),
        || {
            let chosen = chosen(hair, bulk(hair, count));
            let one = |chosen: &Chosen| wind(hair, chosen, &lengths[chosen.strand]);
            let (locks, wisps): (Vec<_>, Vec<_>) = chosen.par_iter().filter_map(one).unzip();
            let all: (Vec<Line>, Vec<Lock>) = locks.into_iter().chain(wisps.into_iter().flatten()).unzip();
            all
        },
    );
    let (lines, locks) = (&mut wound.0, wound.1);
    fill(lines, &surface);
    let solid = Solid { form: &hair.form, measures: &hair.measures, body: &hair.body };
    let outside = |(lock, line): (Lock, &Line)| Lock {
        line: line.points.iter().map(|place| drawn(&solid.outside(place, CLEAR_MM))).collect(),
        ..lock
    };
    locks.into_par_iter().zip(lines).map(|(lock, line)| outside((lock, line))).collect()
}

/// How many of so many locks are no wisps.
pub(super) fn bulk(hair: &Hair, count: usize) -> usize {
    let strays: f64 = hair.strands.iter().map(|strand| Look::of(strand).strays).sum();
    (count as f64 / (1.0 + strays / hair.strands.len().max(1) as f64)).round() as usize
}

/// A lock on its way into its place: the line that it would take if there were no other.
type Placed = (Line, Lock);

/// A lock, and the wisp that strays from it.
fn wind(hair: &Hair, chosen: &Chosen, lengths: &ShareLengths) -> Option<(Placed, Option<Placed>)> {
    let i = chosen.strand;
    let strand = &hair.strands[i];
    let worn = worn_as(hair, i, lengths);
    if worn.longest_mm < LEAST_MM {
        return None;
    }
    let look = Look::of(strand).standing(worn.lie.held_up);
    let own = Own::of(i, strand, &look);
    let fibre_mm = lengths.iter().copied().fold(0.0, f64::max);
    let winds = wound(&strand.worn_rod, fibre_mm);
    let along_mm: Vec<f64> = winds.iter().map(|point| point.along * worn.longest_mm).collect();
    let upright = held_upright(hair, i, &worn);
    let (root, out) = (strand.root.at, strand.root.normal);
    let place = |mm: &f64| {
        let from_root = worn.place(hair, i, *mm) - root;
        // As high as before: where it ends is the fall's to say.
        let high = if out.y > LEAST_UP { out * (from_root.y / out.y) } else { from_root };
        root + from_root.lerp(&high, upright)
    };
    let axis: Vec<Vec3> = along_mm.iter().map(place).collect();
    // Hair that stands fans out from the head, and so do its loops.
    let fanned = axis[axis.len() - 1].norm() / axis[0].norm().max(1.0);
    let fanned = 1.0 + worn.lie.held_up * (fanned - 1.0).clamp(0.0, MOST_FANNED - 1.0);
    // As much scalp as it would cover at the density at which locks meet; wound up it is no wider than shows its loops.
    let meets = (100.0 * chosen.hairs / MEET_PER_CM2).sqrt().min(WIDEST_SHARE * worn.longest_mm);
    let loops = winds.iter().map(|point| point.radius_mm).fold(0.0, f64::max);
    let wound_up = winds.last().is_some_and(|end| end.turned > LEAST_TURN);
    let width = if wound_up { meets.min(LOOP_SHARE * loops + LOOP_MM) } else { meets };
    let turned = winds.last().map_or(0.0, |end| end.turned);
    let gathered = winds.iter().find(|point| point.turned >= GATHER_TURN).map_or_else(
        || (GATHER_TURN / turned.max(f64::MIN_POSITIVE)).min(MOST_GATHERED_AT),
        |point| point.along,
    );
    let gathered = look.gathered_at.map_or(gathered, |at| gathered.min(at));
    let lock = Lock {
        zone: strand.root.zone,
        line: Vec::new(),
        root_mm: meets as f32,
        // Its loops fill the room; it is only so much wider that they still show.
        width_mm: (look.width * width * (1.0 + FANNED_WIDTH * (fanned - 1.0))) as f32,
        gathered_at: gathered.max(LEAST_GATHERED_AT) as f32,
        ends: ends(&worn),
    };
    // Round the axis; a wisp so far out from it at the end.
    let winding = |own: &Own, lock: &Lock, strays_mm: Option<f64>| Line {
        points: (0..axis.len())
            .map(|k| {
                let (across, out) = frame(&axis, k);
                let (sin, cos) = (own.phase + own.hand * winds[k].turned).sin_cos();
                let stray = out * strays_mm.unwrap_or(0.0) * winds[k].along.powi(2);
                let radius = winds[k].radius_mm * own.loops * (1.0 + (fanned - 1.0) * winds[k].along);
                // It ends where its hair does.
                let (aside, ahead) = (own.bends_to + own.hand * BENDS_ROUND * winds[k].along).sin_cos();
                let bends = BENDS_SHARE * worn.lie.held_up * meets * (PI * winds[k].along).sin();
                axis[k] + (out * cos + across * sin) * radius + (out * ahead + across * aside) * bends + stray
            })
            .collect(),
        along_mm: along_mm.clone(),
        half_mm: 0.5 * f64::from(lock.width_mm),
        wisp: strays_mm.is_some(),
    };
    let wisp = own.strays.map(|share| {
        let width = WISP_MM.min(width) as f32;
        let lock = Lock { root_mm: width, width_mm: width, ..lock.clone() };
        (winding(&own.wisp(), &lock, Some(share * STRAYS_MM)), lock)
    });
    Some(((winding(&own, &lock, None), lock), wisp))
}

/// How much of the way it leans to its own side a lock stands upright because hair that stands beyond the parting holds it, too:
/// between standing locks no parting opens.
fn held_upright(hair: &Hair, strand: usize, worn: &Worn) -> f64 {
    let drape = &hair.drapes[strand];
    let near = (-(drape.main().parts_mm() / BOTH_SIDES_MM).powi(2)).exp();
    let stands = 1.0 - (worn.longest_mm / worn.turn.worn_mm.max(LEAST_MM)).min(1.0).powi(4);
    worn.lie.held_up.sqrt() * near * stands * drape.parts(worn.longest_mm)
}

/// Two unit vectors square to the axis at one of its points: across, and away from the head.
pub(crate) fn frame(axis: &[Vec3], k: usize) -> (Vec3, Vec3) {
    let (before, after) = (axis[k.saturating_sub(1)], axis[(k + 1).min(axis.len() - 1)]);
    let runs = (after - before).try_normalize(1e-9).unwrap_or_else(|| -Vec3::y());
    let from_head = Vec3::new(axis[k].x, 0.3 * axis[k].y.max(0.0), axis[k].z);
    let out = (from_head - runs * runs.dot(&from_head)).try_normalize(1e-9).unwrap_or_else(Vec3::x);
    (runs.cross(&out), out)
}

fn ends(worn: &Worn) -> [f32; 3] {
    let shortest = worn.lengths.iter().copied().fold(f64::INFINITY, f64::min);
    let mean = worn.lengths.mean();
    [shortest, mean, worn.longest_mm].map(|mm| (mm / worn.longest_mm) as f32)
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::cut::{cut, shipped};
    use crate::fall::{AsWorn, fall};
    use crate::grow::HairRequest;
    use crate::reading::{RawReading, RawZoneReading};

    const COUNT: usize = 600;

    /// Heads of straight hair, waves, ringlets and coils, each as it is and after a cut.
    fn heads() -> Vec<(&'static str, Hair, Vec<ShareLengths>)> {
        let kinds = [
            ("straight", 430.0, 426.0),
            ("waves", 430.0, 370.0),
            ("ringlets", 430.0, 260.0),
            ("coils", 330.0, 100.0),
        ];
        kinds
            .into_iter()
            .flat_map(|(name, stretched, sprung)| {
                let zones =
                    Zone::ALL.map(|zone| (zone.into(), RawZoneReading::measured(stretched, sprung))).into();
                let reading = RawReading { zones, ..RawReading::default() };
                let hair = HairRequest::new(reading).grow().expect("possible");
                let one_length =
                    &shipped().iter().find(|listed| listed.key == "tidelines").expect("it ships").cut;
                let after = cut(&hair, one_length).expect("possible").lengths;
                [(name, hair.clone(), hair.lengths.clone()), (name, hair, after)]
            })
            .collect()
    }

    #[test]
    fn about_as_many_as_were_asked_for_stand_for_all_hair_and_are_the_same_each_time() {
        for (name, hair, lengths) in heads() {
            let all = locks(&hair, &lengths, COUNT);
            assert!(all.len().abs_diff(COUNT) * 20 < COUNT, "{name}: {}", all.len());
            assert_eq!(all, locks(&hair, &lengths, COUNT), "{name}");
            let chosen = chosen(&hair, bulk(&hair, COUNT));
            let (hairs, whole): (f64, f64) =
                (chosen.iter().map(|c| c.hairs).sum(), hair.strands.iter().map(|s| s.hairs).sum());
            assert!((hairs - whole).abs() < 1e-6 * whole);
            let areas: Vec<f64> = chosen.iter().map(|c| c.area_mm2).collect();
            let mean = areas.iter().sum::<f64>() / areas.len() as f64;
            let uneven = areas.iter().filter(|area| **area < 0.3 * mean || **area > 2.0 * mean).count();
            assert!(
                uneven * 20 < areas.len(),
                "{name}: {uneven} of {} stand for far more or less",
                areas.len()
            );
        }
    }

    #[test]
    fn none_runs_through_head_neck_or_shoulders() {
        for (name, hair, lengths) in heads() {
            let solid = Solid { form: &hair.form, measures: &hair.measures, body: &hair.body };
            for lock in locks(&hair, &lengths, COUNT) {
                for place in lock.line.iter().map(crate::head::from_drawn) {
                    let moved = (solid.outside(&place, 0.0) - place).norm();
                    assert!(moved < 0.2, "{name}: {place:?} lies {moved} mm inside");
                }
            }
        }
    }

    #[test]
    fn each_ends_as_low_as_the_fall_says_its_hair_does() {
        for (name, hair, lengths) in heads() {
            let worn = AsWorn::of(&hair, &lengths);
            let all = locks(&hair, &lengths, COUNT);
            let chosen = chosen(&hair, bulk(&hair, COUNT));
            let off: Vec<f64> = all
                .iter()
                .zip(&chosen)
                .map(|(lock, chosen)| {
                    f64::from(lock.line[lock.line.len() - 1][1]) - worn.0[chosen.strand].longest_end.y
                })
                .collect();
            let far = off.iter().filter(|off| off.abs() > 3.0).count();
            let most = off.iter().fold(0.0_f64, |most, off| most.max(off.abs()));
            assert!(far * 50 <= off.len() && most < 8.0, "{name}: {far} of {}, {most}", off.len());
        }
    }

    #[test]
    fn a_parting_opens_between_locks_that_lie_and_none_between_those_that_stand() {
        // How far locks beside the parting lean, as a share of how far their hair would without those beyond it.
        let leans = |stretched, sprung| {
            let zones =
                Zone::ALL.map(|zone| (zone.into(), RawZoneReading::measured(stretched, sprung))).into();
            let reading = RawReading { zones, ..RawReading::default() };
            let hair = HairRequest::new(reading).grow().expect("possible");
            let worn = AsWorn::of(&hair, &hair.lengths);
            let (all, chosen) = (locks(&hair, &hair.lengths, COUNT), chosen(&hair, bulk(&hair, COUNT)));
            let beside = all.iter().zip(&chosen).filter_map(|(lock, chosen)| {
                let root = hair.strands[chosen.strand].root.at;
                let end = f64::from(lock.line[lock.line.len() - 1][0]);
                let near = root.x.abs() < 12.0 && (-30.0..40.0).contains(&root.z);
                near.then(|| ((end - root.x).abs(), (worn.0[chosen.strand].longest_end.x - root.x).abs()))
            });
            let (lock, hair) = beside.fold((0.0, 0.0), |sum, lean| (sum.0 + lean.0, sum.1 + lean.1));
            lock / hair
        };
        let (coils, straight) = (leans(640.0, 190.0), leans(520.0, 516.0));
        assert!(coils < 0.45 && straight > 0.9, "{coils} {straight}");
    }

    #[test]
    fn together_they_fill_the_outline() {
        for (name, hair, lengths) in heads() {
            let fallen = fall(&hair, &lengths);
            let all = locks(&hair, &lengths, COUNT);
            // Of thin ends and of the last row an outline says little: it is drawn in where hair is sparse.
            let enough = |height: f64| {
                let level = fallen.levels.iter().find(|level| level.height_mm == height);
                level.is_some_and(|level| level.fullness > 0.5)
            };
            let top = fallen.front.heights_mm[0];
            let bottom = fallen.perimeter_mm.iter().flatten().copied().fold(0.0, f64::min);
            // Wisps make no outline.
            let bulk: Vec<&Lock> = all.iter().filter(|lock| lock.root_mm > 1.0).collect();
            type Out = fn(&[f32; 3]) -> f32;
            let sides: [(&str, Out, &[f64], &[f64]); 3] = [
                ("left", |p| p[0], &fallen.front.heights_mm, &fallen.front.one_mm),
                ("right", |p| -p[0], &fallen.front.heights_mm, &fallen.front.other_mm),
                ("back", |p| -p[2], &fallen.side.heights_mm, &fallen.side.other_mm),
            ];
            for (side, out, heights, outline) in sides {
                let reach = |height: f64| {
                    let near = |p: &&[f32; 3]| (f64::from(p[1]) - height).abs() < 6.0;
                    let of = |lock: &&Lock| {
                        let half = 0.5 * lock.width_mm;
                        lock.line.iter().filter(near).map(|p| f64::from(out(p) + half)).fold(0.0, f64::max)
                    };
                    bulk.iter().map(of).fold(0.0, f64::max)
                };
                let off: Vec<(f64, f64)> = (heights.iter().zip(outline))
                    .filter(|(height, _)| (bottom + 10.0..top - 10.0).contains(*height) && enough(**height))
                    .map(|(height, outline)| (*height, reach(*height) - outline))
                    .collect();
                let far: Vec<_> = off.iter().filter(|(_, off)| off.abs() > 8.0).collect();
                assert!(
                    far.is_empty() && off.len() > 20,
                    "{name}, {side}: {} of {}: {far:?}",
                    far.len(),
                    off.len()
                );
            }
        }
    }
}
