//! Locks fill the volume of all hair.
//!
//! Few locks stand for much hair, and each lies where its own root's hair lies alone: stacked, hair stands out further, and
//! what is heaped slides off. What the outermost locks lack to the surface of the fall they are carried out by, and those
//! under them in proportion; loops that stick out of it are drawn in.

use crate::drape::{AZIMUTHS, LEVEL_MM};
use crate::fall::Levels;
use crate::head::Vec3;
use std::f64::consts::TAU;
use std::ops::RangeInclusive;

/// Furthest that locks are carried out at once, mm.
const MOST_MM: f64 = 45.0;
/// Share of what they lie beyond the surface by which they are drawn in at once: loops aren't pressed flat.
const DRAWN_IN: f64 = 0.7;
/// How often: what neighbours lack is evened out, so that once is too little where the surface bends.
const PASSES: usize = 2;
/// Share of the way out to the outermost locks from which on others are carried out with them.
const FROM_SHARE: f64 = 0.45;
/// Length from the root over which a lock comes to be carried out in full, mm.
const ROOT_MM: f64 = 35.0;
/// Length of a lock to either side that moves as one, mm.
const TOGETHER_MM: f64 = 12.0;
/// How solid hair is at least where its surface is one to go by.
const SOLID: f64 = 0.3;

/// By height and azimuth; nothing where there is no lock.
type Cells = Vec<[Option<f64>; AZIMUTHS]>;

/// A lock's line with how far along it each point lies, and half its width, mm.
pub(super) struct Line {
    pub points: Vec<Vec3>,
    pub along_mm: Vec<f64>,
    pub half_mm: f64,
    /// Whether it is a wisp, which makes no outline.
    pub wisp: bool,
}

/// A point of a lock, which moves in its cell alone: how far its outside lies from the axis, and the surface there, mm.
struct Spot {
    row: usize,
    azimuth: usize,
    reach_mm: f64,
    surface_mm: f64,
    solid: f64,
    wisp: bool,
    /// How much of what lacks there it is carried out by at most: little near its root.
    carried: f64,
}

/// Carries locks to the surface of their hair.
pub(super) fn fill(lines: &mut [Line], surface: &Levels) {
    if surface.heights_mm.is_empty() {
        return;
    }
    let mut spots: Vec<Vec<Spot>> = lines
        .iter()
        .map(|line| {
            let points = line.points.iter().zip(&line.along_mm);
            points.map(|(p, along)| spot(line, p, (along / ROOT_MM).min(1.0), surface)).collect()
        })
        .collect();
    for _ in 0..PASSES {
        let lacks = lacks(spots.iter().flatten(), surface);
        for (line, spots) in lines.iter().zip(&mut spots) {
            let moves: Vec<f64> = spots.iter().map(|spot| carried(spot, &lacks)).collect();
            for (spot, mm) in spots.iter_mut().zip(together(&line.along_mm, &moves)) {
                spot.reach_mm += mm;
            }
        }
    }
    for (line, spots) in lines.iter_mut().zip(&spots) {
        for (p, spot) in line.points.iter_mut().zip(spots) {
            let (was, is) = (from_axis(p), (spot.reach_mm - line.half_mm).max(0.0));
            if was > 0.0 {
                (p.x, p.z) = (p.x * is / was, p.z * is / was);
            }
        }
    }
}

/// How far a point lies from the upright axis of the head, mm. Not by hypot, which guards against what no head is: numbers beyond 10¹⁵⁰.
fn from_axis(p: &Vec3) -> f64 {
    (p.x * p.x + p.z * p.z).sqrt()
}

fn spot(line: &Line, p: &Vec3, carried: f64, surface: &Levels) -> Spot {
    let row = ((surface.heights_mm[0] - p.y) / LEVEL_MM).round().max(0.0) as usize;
    let row = row.min(surface.heights_mm.len() - 1);
    let azimuth = (p.x.atan2(p.z).rem_euclid(TAU) / TAU * AZIMUTHS as f64) as usize % AZIMUTHS;
    let (surface_mm, solid) = surface.radii[row][azimuth];
    let reach_mm = from_axis(p) + line.half_mm;
    Spot { row, azimuth, reach_mm, surface_mm, solid, wisp: line.wisp, carried }
}

/// What the outermost locks lack to the surface, mm, each to where it lies itself: a ball of hair turns in within a few rows, so
/// that how far out its neighbours reach says little.
fn lacks<'a>(spots: impl Iterator<Item = &'a Spot>, surface: &Levels) -> Cells {
    let mut least: Cells = vec![[None; AZIMUTHS]; surface.heights_mm.len()];
    for spot in spots.filter(|spot| spot.solid >= SOLID && !spot.wisp) {
        let lack = (spot.surface_mm - spot.reach_mm).clamp(0.0, MOST_MM);
        // Points of a lock lie further apart than rows.
        for row in beside(spot.row, least.len()) {
            let cell = &mut least[row][spot.azimuth];
            *cell = Some(cell.map_or(lack, |least| least.min(lack)));
        }
    }
    (0..least.len()).map(|row| std::array::from_fn(|i| mean_about(&least, row, i))).collect()
}

/// How far a point is carried out, or drawn in, mm.
fn carried(spot: &Spot, lacks: &Cells) -> f64 {
    let beyond = spot.reach_mm - spot.surface_mm;
    if spot.solid >= SOLID && beyond > 0.0 {
        return if spot.wisp { 0.0 } else { -DRAWN_IN * beyond };
    }
    lacks[spot.row][spot.azimuth].map_or(0.0, |lack| {
        let outermost = (spot.surface_mm - lack).max(f64::MIN_POSITIVE);
        let outer = ((spot.reach_mm / outermost - FROM_SHARE) / (1.0 - FROM_SHARE)).clamp(0.0, 1.0);
        spot.solid * lack * outer * spot.carried
    })
}

/// What is carried, on the mean over so much of its lock on either side: loops keep their shape.
fn together(along_mm: &[f64], moves: &[f64]) -> Vec<f64> {
    let (mut from, mut to, mut sum) = (0, 0, 0.0);
    along_mm
        .iter()
        .map(|here| {
            while to < moves.len() && along_mm[to] <= here + TOGETHER_MM {
                sum += moves[to];
                to += 1;
            }
            while along_mm[from] < here - TOGETHER_MM {
                sum -= moves[from];
                from += 1;
            }
            sum / (to - from) as f64
        })
        .collect()
}

/// A row and those beside it.
fn beside(row: usize, rows: usize) -> RangeInclusive<usize> {
    row.saturating_sub(1)..=(row + 1).min(rows - 1)
}

/// The mean of a cell and those about it in which there is a lock.
fn mean_about(cells: &Cells, row: usize, azimuth: usize) -> Option<f64> {
    let azimuths = [azimuth + AZIMUTHS - 1, azimuth, azimuth + 1].map(|i| i % AZIMUTHS);
    let near = beside(row, cells.len()).flat_map(|row| azimuths.map(|i| cells[row][i])).flatten();
    let (sum, count) = near.fold((0.0, 0.0), |(sum, count), lack| (sum + lack, count + 1.0));
    (count > 0.0).then(|| sum / count)
}
