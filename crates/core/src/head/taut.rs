//! The taut path of a strand round the head.

use crate::head::{HeadForm, Vec3};

/// Angle between the directions in which the head is felt, radians: 7.5°, over which a chord falls short of its arc by a
/// hundredth of a millimetre.
const STEP: f64 = std::f64::consts::PI / 24.0;
/// Sine of the angle to the scalp above which a thread leaves it for good: 15°. A bump rises by at most its height
/// times its sharpness, some 5°, on either side of a hollow.
const CLEAR: f64 = 0.26;

/// Length of a thread pulled tight from a point of the scalp, where `normal` points outwards, to a hand outside the head,
/// mm.
///
/// If the head is in the path, the thread lies on it for a part. It is taken to stay in the plane through its two ends
/// and the middle of the head, where the outer path is the convex hull of the ends and the curve between them: exact for
/// a ball, and within a few tenths of a millimetre on heads, whose geodesics hardly leave that plane.
pub fn taut_mm(form: &HeadForm, from: &Vec3, normal: &Vec3, to: &Vec3) -> f64 {
    let straight = (to - from).norm();
    let Some(path) = round(form, from, normal, to) else { return straight };
    let length = |(across, up): (f64, f64)| (across * across + up * up).sqrt();
    path.hull
        .windows(2)
        .map(|pair| length((pair[1].0 - pair[0].0, pair[1].1 - pair[0].1)))
        .sum::<f64>()
        .max(straight)
}

/// The thread itself, as points.
pub fn taut_line(form: &HeadForm, from: &Vec3, to: &Vec3) -> Vec<Vec3> {
    let Some(path) = round(form, from, &form.normal(from), to) else { return vec![*from, *to] };
    path.hull.iter().map(|(along, across)| path.axes[0] * *along + path.axes[1] * *across).collect()
}

/// A path in the plane through its ends and the middle of the head.
struct Round {
    /// Unit vectors towards the root and square to it.
    axes: [Vec3; 2],
    /// Corners along them, mm.
    hull: Vec<(f64, f64)>,
}

/// The path round the head; none where nothing can be in the path.
fn round(form: &HeadForm, from: &Vec3, normal: &Vec3, to: &Vec3) -> Option<Round> {
    let straight = (to - from).norm();
    // A hand well above the scalp at the root: no head rises that steeply, not even from a hollow beside a bump.
    if normal.dot(&(to - from)) >= CLEAR * straight {
        return None;
    }
    let e = from.normalize();
    let across = to - e * e.dot(to);
    // Straight through the middle there is no plane to choose.
    if across.norm() < 1e-9 {
        return None;
    }
    let f = across.normalize();
    let end = to.dot(&f).atan2(to.dot(&e));
    // A chain of points by angle, kept turning one path: the hull of a curve that is seen from its middle.
    let steps = (end / STEP).ceil().max(1.0) as usize;
    let mut hull: Vec<(f64, f64)> = Vec::with_capacity(steps + 1);
    let mut take = |p: (f64, f64)| {
        while let [.., a, b] = hull[..] {
            let turn = (b.0 - a.0) * (p.1 - b.1) - (b.1 - a.1) * (p.0 - b.0);
            if turn > 0.0 {
                break;
            }
            hull.pop();
        }
        hull.push(p);
    };
    take((from.norm(), 0.0));
    let (turn_sin, turn_cos) = (end / steps as f64).sin_cos();
    let (mut sin, mut cos) = (0.0, 1.0);
    for _ in 1..steps {
        // The next direction is the last one, turned by a step.
        (sin, cos) = (sin * turn_cos + cos * turn_sin, cos * turn_cos - sin * turn_sin);
        let radius = form.radius_mm(&(e * cos + f * sin));
        take((radius * cos, radius * sin));
    }
    take((to.dot(&e), to.dot(&f)));
    Some(Round { axes: [e, f], hull })
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::{Measures, SkullForm, direction};
    use std::f64::consts::PI;

    fn form() -> HeadForm {
        HeadForm::of(&Measures::default(), SkullForm::default()).expect("ordinary")
    }

    #[test]
    fn hair_held_off_the_head_runs_straight() {
        let form = form();
        let root = form.point(&direction(0.5, 0.7));
        let hand = root + form.normal(&root) * 120.0;
        assert!((taut_mm(&form, &root, &form.normal(&root), &hand) - 120.0).abs() < 1e-6);
    }

    #[test]
    fn a_thread_that_is_clear_of_the_head_at_its_root_is_clear_of_it_all_the_way() {
        for skull in [SkullForm { occiput: 1.0, crown: -1.0 }, SkullForm { occiput: -1.0, crown: 1.0 }] {
            let form = HeadForm::of(&Measures::default(), skull).expect("possible");
            for i in 0..400 {
                let root = form.point(&direction(f64::from(i) * 0.7, (f64::from(i) * 0.31).sin() * 1.3));
                let normal = form.normal(&root);
                let tangent = normal.cross(&Vec3::new(0.3, (f64::from(i) * 0.9).sin(), 0.7)).normalize();
                let sine = CLEAR + 1e-9;
                let away = tangent * (1.0 - sine * sine).sqrt() + normal * sine;
                for k in 1..40 {
                    assert!(!form.holds(&(root + away * (4.0 * f64::from(k)))), "{root} {k}");
                }
            }
        }
    }

    #[test]
    fn hair_carried_over_the_top_lies_on_it_like_a_tape() {
        let form = form();
        let ear = form.point(&Vec3::x());
        let other = form.point(&-Vec3::x());
        // A touch off the exact opposite, for which there is no plane to choose.
        let hand = other + Vec3::new(0.0, 1e-3, 0.0);
        let path = taut_mm(&form, &ear, &form.normal(&ear), &hand);
        assert!((path - Measures::default().over_top_mm).abs() < 0.6, "{path}");
    }

    #[test]
    fn hair_carried_round_the_front_is_as_long_as_half_the_girth() {
        let form = form();
        let left = form.point(&direction(PI / 2.0, 0.0));
        let right = form.point(&direction(-PI / 2.0 + 1e-4, 0.0));
        let path = taut_mm(&form, &left, &form.normal(&left), &right);
        assert!((path - 0.5 * Measures::default().girth_mm).abs() < 0.6, "{path}");
    }

    #[test]
    fn a_path_is_never_shorter_than_straight_nor_shorter_when_the_hand_moves_out() {
        let form = form();
        for i in 0..200 {
            let (a, b) = (f64::from(i) * 0.7, f64::from(i) * 1.3);
            let root = form.point(&direction(a, (0.3 * a).sin()));
            let d = direction(b, (0.2 * b).cos());
            let near = form.point(&d) + form.normal(&d) * 20.0;
            let far = form.point(&d) + form.normal(&d) * 90.0;
            let (short, long) = (
                taut_mm(&form, &root, &form.normal(&root), &near),
                taut_mm(&form, &root, &form.normal(&root), &far),
            );
            assert!(short >= (near - root).norm() - 1e-9);
            assert!(long >= (far - root).norm() - 1e-9);
            assert!(long > short - 40.0 && short.is_finite());
        }
    }
}
