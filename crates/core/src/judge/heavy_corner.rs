//! A heavy corner: more ends in one sector of the head than in those beside it.
//!
//! Counted is the room of what ends below the ears on the scalp it grows from, in sectors that overlap, by the way round the
//! head at which hair leaves it: one length of even hair has the same everywhere.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::head::Vec3;
use crate::message::Arg;

/// Half the width of a sector, and how far off its neighbours are, degrees.
const HALF_WIDTH: f64 = 10.0;
const BESIDE: f64 = 20.0;
/// Middles of the sectors that are asked, degrees from the front to either side.
const FROM: f64 = 60.0;
const TO: f64 = 150.0;
const STEP: f64 = 5.0;
/// Heights between which an end comes to lie at the perimeter, mm.
const LOW_MM: (f64, f64) = (20.0, -20.0);
/// How far above the perimeter an end no longer counts to it, and up to where it does wholly, mm.
const AT_LINE_MM: (f64, f64) = (140.0, 40.0);
/// Share of all hair that has to end below for it to have corners.
const HANGS: (f64, f64) = (0.1, 0.3);

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let mut at: Vec<(f64, f64, f64)> = Vec::with_capacity(head.hair.strands.len());
    let (mut all, mut hanging) = (0.0, 0.0);
    for (i, strand) in head.hair.strands.iter().enumerate() {
        at.push((head.leaves_deg(i), 0.0, strand.root.area_mm2));
    }
    for end in head.ends() {
        let line = line_mm(head, at[end.strand].0);
        let low = end.volume_mm2
            * ramp(end.at.y, LOW_MM.0, LOW_MM.1)
            * ramp(end.at.y - line, AT_LINE_MM.0, AT_LINE_MM.1);
        all += end.volume_mm2;
        hanging += low;
        at[end.strand].1 += low;
    }
    if hanging <= 0.0 {
        return None;
    }
    at.sort_by(|one, other| one.0.total_cmp(&other.0));
    // A tent of weights: ends come into a sector and leave it by and by.
    let sector = |middle: f64| -> (f64, f64) {
        let from = at.partition_point(|(degrees, ..)| *degrees < middle - 2.0 * HALF_WIDTH);
        let near = at[from..].iter().take_while(|(degrees, ..)| *degrees < middle + 2.0 * HALF_WIDTH);
        near.fold((0.0, 1e-9), |(room, scalp), (degrees, low, area)| {
            let weight = 1.0 - (degrees - middle).abs() / (2.0 * HALF_WIDTH);
            (room + weight * low, scalp + weight * area)
        })
    };
    let on_scalp = |(room, scalp): (f64, f64)| room / scalp;
    let count = ((TO - FROM) / STEP) as usize;
    let middles = (0..=count).flat_map(|i| [1.0, -1.0].map(|side| side * (FROM + STEP * i as f64)));
    // Beside next to nothing anything is much.
    let floor = 0.1 * hanging / at.iter().map(|(.., area)| area).sum::<f64>().max(1e-9);
    let (ratio, middle) = middles
        .map(|middle| {
            let ((r0, s0), (r1, s1)) = (sector(middle - BESIDE), sector(middle + BESIDE));
            (on_scalp(sector(middle)) / ((r0 + r1) / (s0 + s1)).max(floor), middle)
        })
        .max_by(|one, other| one.0.total_cmp(&other.0))?;
    let height = head.low_mm()?;
    let (sin, cos) = middle.to_radians().sin_cos();
    let out = 0.5 * head.width_mm(height + 20.0);
    Some(
        Measured::new(ratio, Vec3::new(out * sin, height, out * cos))
            .counting(ramp(hanging / all, HANGS.0, HANGS.1))
            .with("more", Arg::Share(ratio - 1.0)),
    )
}

/// Height of the perimeter that way round from the front, mm.
fn line_mm(head: &Head, degrees: f64) -> f64 {
    let perimeter = &head.fall.perimeter_mm;
    let turn = (degrees / 360.0).rem_euclid(1.0) * perimeter.len() as f64;
    perimeter.get(turn as usize).copied().flatten().unwrap_or_default()
}
