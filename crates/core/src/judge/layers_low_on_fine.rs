//! Layers in fine hair below the occipital bone: ends live there, and fine hair has few.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::cut::MoveKind;
use crate::head::{Landmark, Vec3};
use crate::message::Arg;
use crate::section::RegionTest;

/// Thickness over which a hair is no longer fine, µm.
const FINE_UM: (f64, f64) = (62.0, 56.0);
/// Elevation over which a hold comes to layer, degrees: at 45 half.
const LAYERS: (f64, f64) = (0.0, 90.0);
/// Length that has to have gone for a hair to have been layered, mm.
const CUT_MM: (f64, f64) = (2.0, 12.0);
/// How far above the perimeter it ends then, mm: what a line cut is no layer.
const ABOVE_MM: (f64, f64) = (15.0, 75.0);

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let hair = head.hair;
    let scalp = hair.scalp();
    let bone = Landmark::Occipital.point(&hair.form, &hair.hairline).y;
    let layering: Vec<(u32, f64, Vec<RegionTest>)> = head
        .moves()
        .filter_map(|(number, move_, _)| {
            let MoveKind::Sections(sections) = &move_.kind else { return None };
            let layers = ramp(sections.hold.elevation_deg, LAYERS.0, LAYERS.1);
            let sides = [Some(move_.region.clone()), move_.mirrored.then(|| move_.region.mirrored())];
            let tests = sides.into_iter().flatten().filter_map(|region| region.on(&scalp).ok()).collect();
            (layers > 0.0).then_some((number, layers, tests))
        })
        .collect();
    if layering.is_empty() {
        return None;
    }
    let low = head.low_mm()?;
    let (mut all, mut layered) = (0.0, 0.0);
    let mut by = vec![0.0; layering.len()];
    let mut at = Vec3::zeros();
    for (i, strand) in hair.strands.iter().enumerate().filter(|(_, strand)| strand.root.at.y < bone) {
        let fine = strand.hairs * ramp(strand.model.diameter_um, FINE_UM.0, FINE_UM.1);
        all += strand.hairs;
        let gone = hair.lengths[i].longest() - head.lengths[i].longest();
        let above = head.worn.0[i].longest_end.y - low;
        let weight = fine * ramp(gone, CUT_MM.0, CUT_MM.1) * ramp(above, ABOVE_MM.0, ABOVE_MM.1);
        if weight == 0.0 {
            continue;
        }
        let mut most = 0.0;
        for ((_, layers, tests), by) in layering.iter().zip(&mut by) {
            if tests.iter().any(|test| test.holds(&scalp, &strand.root.at, strand.root.zone)) {
                *by += weight * layers;
                most = f64::max(most, *layers);
            }
        }
        layered += weight * most;
        at += strand.root.at * weight * most;
    }
    if layered == 0.0 {
        return None;
    }
    let share = layered / all;
    let steps =
        layering.iter().zip(&by).filter(|(_, by)| **by > 0.3 * layered).map(|((number, ..), _)| *number);
    let at = at / layered;
    Some(Measured::new(100.0 * share, Vec3::new(0.0, at.y, at.z)).by(steps).with("share", Arg::Share(share)))
}
