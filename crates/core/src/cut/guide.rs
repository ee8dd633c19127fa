//! How a guide guides: the hand that closes where the ends of the section before are.
//!
//! The guide is hair. Picked up with the next section, both are held together over a place between their roots, in the
//! direction of the lift, and the fingers close where the guide ends. With the roots h apart along the scalp, the guide L long
//! and the hand ℓ from the place between (midway), on a flat scalp
//!
//! L² = (ℓ sin θ)² + (ℓ cos θ − h/2)² and the next length Lₙ² = (ℓ sin θ)² + (ℓ cos θ + h/2)²,
//!
//! to first order Lₙ = L + h·cos θ: one level line at 0°, graduation between, uniform layers at 90°, shorter above than below
//! past it. On the round head both are taut paths.

use super::carried::Carried;
use super::hand_line::{HandLine, shares};
use super::hold::{Guide, Hold};
use super::subsection::Subsection;
use crate::head::{Scalp, Vec3, taut_mm};
use rayon::prelude::*;

/// Distance between unit vectors, of which places are as near as one another: a finger's breadth on the head.
const AS_NEAR: f64 = 0.15;

/// Points of a hand that are found in one go.
const AT_ONCE: usize = 9;

/// The hair that guides: where it is rooted beside the next section, and how long it is held.
pub(super) struct GuideHair {
    roots: Vec<Vec3>,
    lengths_mm: Vec<f64>,
}

impl GuideHair {
    /// Hair rooted in these directions, one for each share of the way along the next section.
    pub fn new(roots: Vec<Vec3>, lengths_mm: Vec<f64>) -> Self {
        Self { roots, lengths_mm }
    }

    /// The ends of a section as it was cut at a hand, beside the next section.
    pub fn of(scalp: &Scalp, section: &Subsection, hand: &HandLine, next: &Subsection) -> Self {
        let lengths: Vec<f64> = shares()
            .zip(&hand.points)
            .map(|(share, fingers)| {
                let root = section.base(share);
                taut_mm(scalp.form, &scalp.form.point(&root), &scalp.form.normal(&root), fingers)
            })
            .collect();
        // Lengths are interpolated, not the hand: its chords cut corners, and what each section loses would add up.
        let length = |share: f64| {
            let place = share * (lengths.len() - 1) as f64;
            let i = (place as usize).min(lengths.len() - 2);
            lengths[i] + (place - i as f64) * (lengths[i + 1] - lengths[i])
        };
        let beside = shares().map(|share| section.share_at(next.along(share)));
        let (roots, lengths_mm) = beside.map(|share| (section.base(share), length(share))).unzip();
        Self { roots, lengths_mm }
    }

    /// The share of the way along the next section at which it is nearest: of several that are as near, the middle.
    pub fn nearest(&self, next: &Subsection) -> f64 {
        let apart: Vec<f64> =
            shares().zip(&self.roots).map(|(share, root)| (next.base(share) - root).norm()).collect();
        let least = apart.iter().copied().fold(f64::INFINITY, f64::min);
        let near = shares().zip(&apart).filter(|(_, apart)| **apart <= least + AS_NEAR);
        let off = |share: f64| (share - 0.5).abs();
        near.map(|(share, _)| share).min_by(|a, b| off(*a).total_cmp(&off(*b))).unwrap_or(0.5)
    }

    /// The hand that holds it together with the next section.
    pub fn hand(&self, scalp: &Scalp, hold: &Hold, guide: Guide, next: &Subsection) -> HandLine {
        let (past_mm, guide_share) = guide.carried().unwrap_or((0.0, 0.5));
        let at = |(i, share): (usize, f64)| {
            let (root, before) = (next.base(share), self.roots[i]);
            // Between the points, not the directions: on a head that isn't round those halve the way unevenly.
            let (here, there) = (scalp.form.point(&root), scalp.form.point(&before));
            let middle =
                (here * (1.0 - guide_share) + there * guide_share).try_normalize(1e-9).unwrap_or(root);
            let over = hold.base(scalp, middle, Some(before));
            Carried::of(scalp, hold, before, over).hand_past(scalp, self.lengths_mm[i], past_mm)
        };
        // Each subsection waits for the one before, so that what lies along it is all there is to be done at once.
        let shares: Vec<f64> = shares().collect();
        HandLine::through(shares.par_iter().copied().enumerate().with_min_len(AT_ONCE).map(at).collect())
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::cut::hand_line::Bases;
    use crate::cut::subsection::divide;
    use crate::cut::{Direction, FingerShape, Fingers, HeadTilt, Layout, OverDirection};
    use crate::head::{Hairline, HeadForm, Landmark, Measures, SkullForm, direction};
    use crate::section::Along;

    fn first_hand(scalp: &Scalp, hold: &Hold, fingers: &Fingers, mm: f64, section: &Subsection) -> HandLine {
        let base = |share| section.base(share);
        HandLine::of(scalp, hold, fingers, |_| mm, &Bases { own: base, over: base, from: 0.5 })
    }

    fn hairline() -> Hairline {
        let measures = Measures::default();
        Hairline::of(&HeadForm::of(&measures, SkullForm::default()).expect("ordinary"), &measures)
    }

    /// Mean lengths over the middle of sections so far apart, on a ball, each guided by the one before; and the distance
    /// between them.
    fn chain(
        radius: f64,
        along: Along,
        apart: f64,
        hold: &Hold,
        guide: Guide,
        first: f64,
        fingers: &Fingers,
    ) -> (Vec<f64>, f64) {
        let (form, hairline) = (HeadForm::ball(radius), hairline());
        let scalp = Scalp::plain(&form, &hairline);
        // A patch of roots on the side of the head, eight sections high and wide.
        let half = 4.0 * apart / radius;
        // Where the scalp slopes down, so that what falls lies on it.
        let above = half + if radius > 1e4 { 0.0 } else { 0.02 };
        let grid = (0..40)
            .flat_map(|i| (0..40).map(move |k| (f64::from(i) / 19.5 - 1.0, f64::from(k) / 19.5 - 1.0)));
        let strands: Vec<(usize, Vec3)> = grid
            .enumerate()
            .map(|(i, (a, b))| (i, direction(std::f64::consts::FRAC_PI_2 + a * half, above + b * half)))
            .collect();
        let sections = divide(&Layout::new(along, apart, Landmark::NapeCentre), &scalp, &strands);
        let h = (sections[1].base(0.5).dot(&sections[0].base(0.5)).acos()) * radius;
        let mut hand = first_hand(&scalp, hold, fingers, first, &sections[0]);
        let mut lengths = vec![first];
        for pair in sections.windows(2) {
            hand = GuideHair::of(&scalp, &pair[0], &hand, &pair[1]).hand(&scalp, hold, guide, &pair[1]);
            let root = pair[1].base(0.5);
            let point = form.point(&root);
            lengths.push(taut_mm(&form, &point, &form.normal(&root), &hand.at(0.5)));
        }
        (lengths, h)
    }

    /// The same by plane geometry alone: a circle, taut threads round it by tangents, the hand by halving.
    fn by_plane_geometry(radius: f64, h: f64, elevation_deg: f64, first: f64, count: usize) -> Vec<f64> {
        let at = |angle: f64| (radius * angle.sin(), radius * angle.cos());
        let thread = |root: f64, (x, y): (f64, f64)| {
            let from = at(root);
            let straight = (x - from.0).hypot(y - from.1);
            let clear = (x - from.0) * root.sin() + (y - from.1) * root.cos() >= 0.0;
            if clear {
                return straight;
            }
            let distance = x.hypot(y);
            let touches = (radius / distance).min(1.0).acos();
            (x.atan2(y) - root).abs().max(touches) * radius - touches * radius
                + (distance.powi(2) - radius.powi(2)).max(0.0).sqrt()
        };
        let elevation = elevation_deg.to_radians();
        let mut lengths = vec![first];
        for _ in 1..count {
            let guide = lengths[lengths.len() - 1];
            // The place between at angle 0, the guide's root below it (towards −x), the new one above.
            let (below, above) = (-0.5 * h / radius, 0.5 * h / radius);
            let hand = |reach: f64| (-reach * elevation.cos(), radius + reach * elevation.sin());
            let (mut low, mut high) = (0.5 * h * elevation.cos().max(0.0), guide + h);
            for _ in 0..80 {
                let middle = 0.5 * (low + high);
                if thread(below, hand(middle)) < guide { low = middle } else { high = middle }
            }
            lengths.push(thread(above, hand(low)));
        }
        lengths
    }

    const ELEVATIONS: [f64; 6] = [0.0, 30.0, 45.0, 60.0, 90.0, 135.0];

    #[test]
    fn horizontal_sections_upwards_graduate_as_the_hand_says_on_a_flat_and_on_a_round_scalp() {
        for radius in [1e6, 90.0, 75.0] {
            // Past 90° the hold turns towards straight up, which lies along the scalp on a flat wall only.
            for elevation in ELEVATIONS.into_iter().filter(|elevation| *elevation <= 90.0 || radius > 1e4) {
                let hold = Hold::at(elevation);
                let (lengths, h) = chain(
                    radius,
                    Along::Horizontal,
                    12.0,
                    &hold,
                    Guide::TRAVELLING,
                    150.0,
                    &Fingers::default(),
                );
                let exact = by_plane_geometry(radius, h, elevation, 150.0, lengths.len());
                for (found, exact) in lengths.iter().zip(&exact) {
                    assert!((found - exact).abs() < 0.05, "{radius} {elevation}°: {lengths:?} {exact:?}");
                }
                // To first order each is longer by h·cos θ.
                let steps = lengths.len() as f64 - 1.0;
                let grown = (lengths[lengths.len() - 1] - 150.0) / steps;
                assert!(
                    (grown - h * elevation.to_radians().cos()).abs() < 0.03 * h,
                    "{elevation}° {grown} {h}"
                );
            }
        }
        // Worked by hand on a flat scalp: 12 mm apart at 45°, ℓ = 154.06, so 150 becomes 158.48.
        let (lengths, h) = chain(
            1e6,
            Along::Horizontal,
            12.0,
            &Hold::at(45.0),
            Guide::TRAVELLING,
            150.0,
            &Fingers::default(),
        );
        assert!((lengths[1] - 150.0 - 8.48 * h / 12.0).abs() < 0.02, "{}", lengths[1]);
    }

    #[test]
    fn upright_sections_side_by_side_keep_one_length_at_any_elevation_and_diagonal_ones_lie_between() {
        for elevation in ELEVATIONS {
            let grown = |along| {
                let hold = Hold::at(elevation);
                let (lengths, h) =
                    chain(1e6, along, 12.0, &hold, Guide::TRAVELLING, 150.0, &Fingers::default());
                (lengths[lengths.len() - 1] - 150.0) / (h * (lengths.len() as f64 - 1.0))
            };
            let cos = elevation.to_radians().cos();
            assert!(grown(Along::Vertical).abs() < 0.01, "{elevation}");
            assert!((grown(Along::Horizontal) - cos).abs() < 0.01, "{elevation}");
            // Of a step square to sections at 30° to the floor, cos 30° is upwards.
            let diagonal = grown(Along::Diagonal { lower_in_front_deg: 30.0 });
            assert!(
                (diagonal.abs() - cos.abs()).abs() < 0.35 && diagonal.abs() <= cos.abs() + 0.01,
                "{elevation} {diagonal}"
            );
        }
    }

    #[test]
    fn over_direction_to_the_section_before_adds_up_and_a_larger_share_of_guide_adds_more() {
        let last = |over, guide| {
            let hold = Hold { over_direction: over, ..Hold::at(90.0) };
            let (lengths, _) = chain(1e6, Along::Horizontal, 15.0, &hold, guide, 120.0, &Fingers::default());
            lengths
        };
        let previous = last(OverDirection::Previous, Guide::TRAVELLING);
        // By hand on a flat scalp: held over the root of the guide, each is √(L² + h²).
        let mut exact = 120.0_f64;
        let h = (previous[1].powi(2) - 120f64.powi(2)).sqrt();
        for length in &previous[1..] {
            exact = exact.hypot(h);
            assert!((length - exact).abs() < 0.02, "{previous:?}");
        }
        assert!(previous[previous.len() - 1] > previous[1] + 4.0, "it adds up");
        let share = |guide_share| {
            let guide = Guide::Travelling { drift_mm: 0.0, guide_share };
            *last(OverDirection::OwnBase, guide).last().expect("some")
        };
        assert!(
            (share(0.5) - 120.0).abs() < 0.01
                && share(0.8) > share(0.5) + 1.0
                && share(0.2) < share(0.5) - 1.0
        );
    }

    #[test]
    fn a_floating_guide_moves_out_by_its_step_and_a_drifting_one_by_its_error() {
        for guide in [Guide::Floating { step_mm: 4.0 }, Guide::Travelling { drift_mm: 4.0, guide_share: 0.5 }]
        {
            let (lengths, _) =
                chain(1e6, Along::Horizontal, 12.0, &Hold::at(90.0), guide, 100.0, &Fingers::default());
            for (i, length) in lengths.iter().enumerate() {
                assert!((length - 100.0 - 4.0 * i as f64).abs() < 0.2, "{lengths:?}");
            }
        }
    }

    #[test]
    fn every_finger_line_sets_the_profile_of_the_first_section_that_the_others_follow() {
        let (form, hairline) = (HeadForm::ball(1e6), hairline());
        let scalp = Scalp::plain(&form, &hairline);
        let profile = |fingers: Fingers| {
            let half = 60.0 / 1e6;
            let strands: Vec<(usize, Vec3)> = (0..400)
                .map(|i| {
                    (
                        i,
                        direction(
                            1.57 + half * (f64::from(i as u32 % 20) / 9.5 - 1.0),
                            half * ((i / 20) as f64 / 9.5 - 1.0),
                        ),
                    )
                })
                .collect();
            let sections =
                divide(&Layout::new(Along::Vertical, 12.0, Landmark::NapeCentre), &scalp, &strands);
            let hold = Hold::at(90.0);
            let mut hand = first_hand(&scalp, &hold, &fingers, 100.0, &sections[0]);
            for pair in sections.windows(2) {
                hand = GuideHair::of(&scalp, &pair[0], &hand, &pair[1]).hand(
                    &scalp,
                    &hold,
                    Guide::TRAVELLING,
                    &pair[1],
                );
            }
            let last = &sections[sections.len() - 1];
            [0.0, 0.5, 1.0].map(|share| (hand.at(share) - form.point(&last.base(share))).norm())
        };
        let up = Some(Landmark::Apex);
        for shape in [FingerShape::AlongHead, FingerShape::Straight] {
            let [low, middle, high] =
                profile(Fingers { shape, slant_deg: 20.0, longer_toward: up, bow_mm: 0.0 });
            // Of 120 mm of finger line, half a length times the tangent either way.
            let by = 57.0 * 20f64.to_radians().tan();
            assert!(
                (high - middle - by).abs() < 3.0 && (middle - low - by).abs() < 3.0,
                "{shape:?} {low} {middle} {high}"
            );
        }
        let [low, middle, high] = profile(Fingers { bow_mm: -15.0, ..Fingers::default() });
        assert!(
            (low - 100.0).abs() < 0.5 && (middle - 85.0).abs() < 0.5 && (high - 100.0).abs() < 0.5,
            "concave"
        );
        let [_, middle, _] = profile(Fingers { bow_mm: 15.0, ..Fingers::default() });
        assert!((middle - 115.0).abs() < 0.5, "convex");
    }

    #[test]
    fn a_direction_and_a_tilted_head_change_what_the_guide_gives() {
        let last = |hold: Hold| {
            let (lengths, _) =
                chain(90.0, Along::Vertical, 12.0, &hold, Guide::TRAVELLING, 120.0, &Fingers::default());
            *lengths.last().expect("some")
        };
        let square = last(Hold::at(90.0));
        let back = |share| {
            last(Hold { over_direction: OverDirection::Toward(Direction::Back), share, ..Hold::at(90.0) })
        };
        // From the back forward along the side, held back: what grows further forward stays longer.
        assert!(
            back(0.3) > square + 3.0 && back(0.6) > back(0.3) + 3.0,
            "{square} {} {}",
            back(0.3),
            back(0.6)
        );
        let tilted = |deg| {
            let tilt = HeadTilt { forward_deg: deg, left_deg: 0.0 };
            let (lengths, _) = chain(
                90.0,
                Along::Horizontal,
                12.0,
                &Hold { tilt, ..Hold::at(0.0) },
                Guide::TRAVELLING,
                120.0,
                &Fingers::default(),
            );
            *lengths.last().expect("some")
        };
        assert!((tilted(0.0) - tilted(40.0)).abs() > 2.0, "{} {}", tilted(0.0), tilted(40.0));
    }
}
