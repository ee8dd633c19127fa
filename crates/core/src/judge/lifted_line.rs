//! A perimeter that lifts off its smooth course: the head was bent, an ear pushed it, or it was elevated by mistake.
//!
//! The line is where the hair ends that the perimeter alone has cut, however layers shorten it afterwards. Its course is the
//! smoothest line that the most of it follows: a level, a slope to the front, and a roundness, laid along the lower parts of
//! it. What rises over it on the mean over two fingers is a lift.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::cut::{CutResult, MoveKind, cut};
use crate::fall::worn_as;
use crate::head::Vec3;
use crate::message::Arg;
use nalgebra::{Matrix3, Vector3};
use std::f64::consts::TAU;

/// How far round from the front a perimeter is one: in front of it lies the face.
const FROM_DEG: f64 = 60.0;
/// Rounds of fitting, and how much less what rises over the course counts in the next.
const ROUNDS: usize = 8;
const RISES_MM: f64 = 3.0;
/// Sectors round the head.
const SECTORS: usize = 48;
/// Length that has to have gone, mm, and share of the hair that is cut that a sector must have for its line to be known.
const CUT_MM: f64 = 2.0;
const FEWEST: f64 = 0.002;
/// Places over whose mean a lift is taken.
const SMOOTHED: i64 = 1;

pub(super) fn measured(head: &Head) -> Option<Measured> {
    // Without a line that was cut there is none that could have lifted.
    let line = |kind: &MoveKind| matches!(kind, MoveKind::Perimeter(_));
    if !head.moves().any(|(_, move_, _)| line(&move_.kind)) {
        return None;
    }
    let lowest = line_mm(head);
    let count = lowest.len() as i64;
    let azimuth = |i: i64| (i as f64 + 0.5) * TAU / count as f64;
    let places: Vec<(i64, f64)> = (0..count)
        .filter(|i| azimuth(*i).cos() < FROM_DEG.to_radians().cos())
        .filter_map(|i| Some((i, lowest[i as usize]?)))
        .collect();
    if places.len() < 12 {
        return None;
    }
    let basis = |i: i64| {
        let a = azimuth(i);
        Vector3::new(1.0, a.cos(), (2.0 * a).cos())
    };
    let mut course = Vector3::new(places.iter().map(|(_, y)| y).sum::<f64>() / places.len() as f64, 0.0, 0.0);
    for _ in 0..ROUNDS {
        let (mut normal, mut right) = (Matrix3::identity() * 1e-9, Vector3::zeros());
        for (i, y) in &places {
            let b = basis(*i);
            let over = (y - b.dot(&course)).max(0.0) / RISES_MM;
            let weight = 1.0 / (1.0 + over * over);
            normal += weight * b * b.transpose();
            right += weight * b * *y;
        }
        course = normal.lu().solve(&right)?;
    }
    let lift = |middle: i64| {
        let near = places.iter().filter(|(i, _)| (i - middle).abs() <= SMOOTHED);
        let (sum, seen) =
            near.fold((0.0, 0.0), |(sum, seen), (i, y)| (sum + y - basis(*i).dot(&course), seen + 1.0));
        if seen < 2.0 * SMOOTHED as f64 { 0.0 } else { sum / seen }
    };
    let (measure, at) = places.iter().map(|(i, _)| (lift(*i), *i)).max_by(|a, b| a.0.total_cmp(&b.0))?;
    let height = basis(at).dot(&course);
    let (sin, cos) = azimuth(at).sin_cos();
    let out = 0.5 * head.width_mm(height + 20.0);
    let steps = head.moves().filter(|(_, move_, _)| line(&move_.kind)).map(|(number, ..)| number);
    // Above the ears there is no line.
    let counts = ramp(height, 20.0, -20.0);
    Some(
        Measured::new(measure, Vec3::new(out * sin, height, out * cos))
            .counting(counts)
            .with("lift", Arg::Mm(measure.max(0.0)))
            .by(steps),
    )
}

/// Mean height of what the perimeter cut in each sector, mm, by where hair leaves the head; none where it cut hardly any.
fn line_mm(head: &Head) -> Vec<Option<f64>> {
    let mut line = head.cut.clone();
    line.moves.retain(|move_| move_.is_line() && !move_.off);
    let hair = head.few();
    let Ok(CutResult { lengths, .. }) = cut(hair, &line) else { return Vec::new() };
    let mut sectors = [(0.0, 0.0); SECTORS];
    for (i, strand) in hair.strands.iter().enumerate() {
        let gone = hair.lengths[i].longest() - lengths[i].longest();
        if gone < CUT_MM {
            continue;
        }
        let leaves = hair.drapes[i].leave();
        let turn = (leaves.x.atan2(leaves.z) / TAU).rem_euclid(1.0);
        let sector = &mut sectors[((turn * SECTORS as f64) as usize).min(SECTORS - 1)];
        sector.0 += strand.hairs * worn_as(hair, i, &lengths[i]).longest_end.y;
        sector.1 += strand.hairs;
    }
    let all: f64 = sectors.iter().map(|(_, hairs)| hairs).sum();
    let low = |(sum, hairs): (f64, f64)| (hairs > FEWEST * all).then(|| sum / hairs);
    sectors.into_iter().map(low).collect()
}
