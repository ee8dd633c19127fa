//! Choppy steps over a flat back.
//!
//! Where layers end over the back of the head, hair that ends takes its thickness with it: the shorter the layers, the
//! greater the share of the hair that ends within a hand's breadth. On a round head the outline turns in anyway, and the
//! eye takes the steps for that turn; on a flat one nothing else turns, and each line of ends is seen. The measure is the
//! share of the hair that ends over two fingers, for each degree by which the scalp turns in over them.

use super::head::{Head, Measured};
use super::severity::ramp;
use crate::constants::CHOPPY_STEP_MM;
use crate::cut::{Move, MoveKind};
use crate::fall::End;
use crate::head::{HeadForm, Landmark, Vec3};
use crate::message::Arg;
use std::f64::consts::PI;

/// Heights over the occipital bone between which a back is flat or full, mm.
const BACK_MM: (f64, f64) = (-25.0, 35.0);
/// How far round from the middle of the back, radians.
const HALF_WIDTH: f64 = 35.0 * PI / 180.0;
/// How far the edges of that window are blurred, radians and mm.
const EDGE: f64 = 5.0 * PI / 180.0;
const EDGE_MM: f64 = 8.0;
/// Length over which the head's turn is compared, mm: two fingers.
const LOOK_MM: f64 = 30.0;
/// A head that turns less than this over the same length counts as turning so much, degrees.
const LEAST_TURN_DEG: f64 = 0.5;

/// Share of the hair that ends there, %, below which there are no layers to show.
const LAYERS_PCT: (f64, f64) = (1.0, 5.0);

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let hair = head.hair;
    let bone = Landmark::Occipital.point(&hair.form, &hair.hairline).y;
    let (low, high) = (bone + BACK_MM.0, bone + BACK_MM.1);
    // Ends come into the window and leave it by and by.
    let there = |end: &End| {
        ramp(end.at.x.abs().atan2(-end.at.z), HALF_WIDTH + EDGE, HALF_WIDTH - EDGE)
            * ramp(end.at.y, low - EDGE_MM, low + EDGE_MM)
            * ramp(end.at.y, high + EDGE_MM, high - EDGE_MM)
    };
    let (mut volume, mut passing, mut middle) = (0.0, 0.0, Vec3::zeros());
    let mut strands = Vec::new();
    for end in head.ends().iter().filter(|end| end.at.z < 0.0) {
        let weight = end.volume_mm2 * there(end);
        volume += weight;
        middle += end.at * weight;
        if weight > 0.0 {
            strands.push(end.strand);
        }
        let behind = ramp(end.at.x.abs().atan2(-end.at.z), HALF_WIDTH + EDGE, HALF_WIDTH - EDGE);
        let over = ramp(hair.strands[end.strand].root.at.y, bone - EDGE_MM, bone + EDGE_MM);
        passing += end.volume_mm2 * behind * over * ramp(end.at.y, bone + EDGE_MM, bone - EDGE_MM);
    }
    if volume <= 0.0 || passing <= 0.0 {
        return None;
    }
    let middle = middle / volume;
    // What ends for each millimetre of height: of the volume all hair takes, and of its thickness.
    let ended = volume / (high - low);
    let thinner = ended / (2.0 * HALF_WIDTH * middle.x.hypot(middle.z));
    // Were it to go on like this, so much would have ended over two fingers.
    let ends = 100.0 * (1.0 - (-ended * LOOK_MM / passing).exp());
    let turns = turn_deg(&hair.form, low, high).max(LEAST_TURN_DEG);
    let moves = layered_by(head, &strands);
    let thickness = moves.iter().map(|(_, thickness)| *thickness).fold(0.0, f64::max);
    let step = thinner * thickness;
    let counts = ramp(ends, LAYERS_PCT.0, LAYERS_PCT.1);
    // Steps that nobody sees count as far as they are seen.
    let seen = (step / CHOPPY_STEP_MM.value).min(1.0);
    Some(
        Measured::new(ends / turns * seen, middle)
            .counting(counts)
            .with("ends", Arg::Share(ends / 100.0))
            .with("turns", Arg::Deg(turns))
            .with("step", Arg::Mm(step))
            .by(moves.into_iter().map(|(number, _)| number)),
    )
}

/// The steps that shortened most of these strands, by number, and how thick their sections are, mm.
fn layered_by(head: &Head, strands: &[usize]) -> Vec<(u32, f64)> {
    let scalp = head.hair.scalp();
    let covers = |move_: &Move| {
        let sides = [Some(move_.region.clone()), move_.mirrored.then(|| move_.region.mirrored())];
        let tests: Vec<_> = sides.into_iter().flatten().filter_map(|region| region.on(&scalp).ok()).collect();
        let held = |i: &&usize| {
            let root = &head.hair.strands[**i].root;
            tests.iter().any(|test| test.holds(&scalp, &root.at, root.zone))
        };
        2 * strands.iter().filter(held).count() > strands.len()
    };
    let layering =
        head.moves().filter(|(_, move_, _)| !matches!(move_.kind, MoveKind::Weight(_) | MoveKind::Recoil(_)));
    layering
        .filter_map(|(number, move_, _)| Some((number, move_.layout()?.thickness_mm, move_)))
        .filter(|(.., move_)| covers(move_))
        .map(|(number, thickness, _)| (number, thickness))
        .collect()
}

/// By how much the middle of the back turns in over [`LOOK_MM`], degrees, between two heights.
fn turn_deg(form: &HeadForm, low: f64, high: f64) -> f64 {
    let at = |height: f64| {
        let point = form.point(&crate::head::direction(PI, form.elevation_at(PI, height)));
        let normal = form.normal(&point);
        (point, normal.y.atan2(-normal.z))
    };
    let ((above, up), (below, down)) = (at(high), at(low));
    (up - down).to_degrees() * LOOK_MM / (above - below).norm()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::{Measures, SkullForm};

    #[test]
    fn a_full_back_turns_more_than_a_flat_one_and_a_ball_as_its_radius_says() {
        let turn = |occiput| {
            let form =
                HeadForm::of(&Measures::default(), SkullForm { occiput, crown: 0.0 }).expect("possible");
            turn_deg(&form, -10.0, 50.0)
        };
        assert!(turn(-1.0) < turn(0.0) && turn(0.0) < turn(1.0));
        // An ellipse of these half axes, whose curvature at the end of the long one is length over height squared.
        let form = HeadForm::of(&Measures::default(), SkullForm::default()).expect("possible");
        let (back, top) = (form.radius_mm(&-Vec3::z()), form.top_mm());
        let expected = (back / (top * top) * LOOK_MM).to_degrees();
        assert!((turn_deg(&form, 0.0, 4.0) / expected - 1.0).abs() < 0.01, "{expected}");
    }
}
