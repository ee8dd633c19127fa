//! A bell or a shelf: ends in a heap at one height, where the outline steps out.
//!
//! A blunt line alone is none: fine hair hangs straight into it. The share of ends within two fingers counts as far as the
//! outline is wider there than a hand above.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::constants::SHELF_STEP_MM;
use crate::message::Arg;

/// Height within which ends lie together, mm.
const TOGETHER_MM: f64 = 20.0;
/// How far above it the outline is compared, mm.
const HAND_MM: f64 = 70.0;
/// Windows of height that are tried overlap by all but so much, mm.
const STEP_MM: f64 = 2.0;
/// Heights of a heap between which hair comes to hang below the ear, where a step out is one, mm.
const BELOW_EAR_MM: (f64, f64) = (30.0, 0.0);

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let mut heights: Vec<(f64, f64)> = head.ends().iter().map(|end| (end.at.y, end.hairs)).collect();
    heights.sort_by(|one, other| one.0.total_cmp(&other.0));
    let all: f64 = heights.iter().map(|(_, hairs)| hairs).sum();
    let (lowest, highest) = (heights.first()?.0, heights.last()?.0);
    if all <= 0.0 {
        return None;
    }
    // A window counts an end fully up to half way out and then less and less, so that none drops out at once.
    let share = |middle: f64| {
        let from = heights.partition_point(|(height, _)| *height < middle - TOGETHER_MM);
        let near = heights[from..].iter().take_while(|(height, _)| *height <= middle + TOGETHER_MM);
        let weight = |off: f64| ramp(off.abs(), 0.75 * TOGETHER_MM, 0.25 * TOGETHER_MM);
        near.map(|(height, hairs)| hairs * weight(height - middle)).sum::<f64>() / all
    };
    let steps = ((highest - lowest) / STEP_MM).ceil() as usize;
    let windows = (0..=steps).map(|i| lowest + STEP_MM * i as f64);
    let step_at =
        |height: f64| 0.5 * (head.width_mm(height + 0.5 * TOGETHER_MM) - head.width_mm(height + HAND_MM));
    let of = |height: f64| {
        let (share, step) = (share(height), step_at(height));
        (100.0 * share * (step / SHELF_STEP_MM.value).clamp(0.0, 1.0), height, share, step)
    };
    let (measure, height, share, step) = windows.map(of).max_by(|a, b| a.0.total_cmp(&b.0))?;
    Some(
        Measured::new(measure, head.beside(height + 0.5 * TOGETHER_MM))
            .counting(ramp(height, BELOW_EAR_MM.0, BELOW_EAR_MM.1))
            .with("ends", Arg::Share(share))
            .with("step", Arg::Mm(step)),
    )
}
