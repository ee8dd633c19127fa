//! Choppy steps over a flat back.
//!
//! Where layers end over the back of the head, hair that ends takes its thickness with it: the shorter the layers, the
//! greater the share of the hair that ends within a hand's breadth. On a round head the outline turns in anyway, and the
//! eye takes the steps for that turn; on a flat one nothing else turns, and each line of ends is seen. The measure is the
//! share of the hair that ends over two fingers, for each degree by which the scalp turns in over them.

use super::{Finding, Found, Judged, THINNEST_MM};
use crate::constants::{CHOPPY_SHARE, CHOPPY_STEP_MM};
use crate::fall::{End, ends};
use crate::head::{HeadForm, Landmark, Vec3, drawn};
use std::f64::consts::PI;

/// Heights over the occipital bone between which a back is flat or full, mm.
const BACK_MM: (f64, f64) = (-25.0, 35.0);
/// How far round from the middle of the back, radians.
const HALF_WIDTH: f64 = 35.0 * PI / 180.0;
/// Length over which the head's turn is compared, mm: two fingers.
const LOOK_MM: f64 = 30.0;
/// A head that turns less than this over the same length counts as turning so much, degrees.
const LEAST_TURN_DEG: f64 = 0.5;

pub(super) fn choppy_back(judged: &Judged) -> Option<Finding> {
    let hair = judged.hair;
    let bone = Landmark::Occipital.point(&hair.form, &hair.hairline).y;
    let (low, high) = (bone + BACK_MM.0, bone + BACK_MM.1);
    let behind: Vec<End> = ends(hair, judged.worn)
        .into_iter()
        .filter(|end| end.at.x.abs().atan2(-end.at.z) < HALF_WIDTH)
        .collect();
    let there: Vec<&End> = behind.iter().filter(|end| (low..high).contains(&end.at.y)).collect();
    let volume: f64 = there.iter().map(|end| end.volume_mm2).sum();
    let passes = |end: &&End| hair.strands[end.strand].root.at.y > bone && end.at.y < bone;
    let passing: f64 = behind.iter().filter(passes).map(|end| end.volume_mm2).sum();
    if volume <= 0.0 || passing <= 0.0 {
        return None;
    }
    let middle = there.iter().map(|end| end.at * end.volume_mm2).sum::<Vec3>() / volume;
    // What ends for each millimetre of height: of the volume all hair takes, and of its thickness.
    let ended = volume / (high - low);
    let thinner = ended / (2.0 * HALF_WIDTH * middle.x.hypot(middle.z));
    // Were it to go on like this, so much would have ended over two fingers.
    let steps = 100.0 * (1.0 - (-ended * LOOK_MM / passing).exp());
    let turns = turn_deg(&hair.form, low, high).max(LEAST_TURN_DEG);

    let strands: Vec<usize> = there.iter().map(|end| end.strand).collect();
    let moves = judged.layered_by(&strands);
    let thickness = moves.iter().map(|(_, thickness)| *thickness).fold(0.0, f64::max);
    let step = thinner * thickness;
    let measure = steps / turns;
    if measure < CHOPPY_SHARE.value || step < CHOPPY_STEP_MM.value {
        return None;
    }
    let thin_enough_mm = CHOPPY_STEP_MM.value / thinner;
    let found = Found::ChoppyBack {
        ends_pct: steps,
        turns_deg: turns,
        step_mm: step,
        thin_enough_mm: (thin_enough_mm >= f64::from(THINNEST_MM)).then_some(thin_enough_mm),
    };
    Some(Finding {
        text: found.text(),
        remedy: found.remedy(),
        found,
        measure,
        threshold: CHOPPY_SHARE.value,
        at: drawn(&middle),
        moves: moves.into_iter().map(|(number, _)| number).collect(),
    })
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
