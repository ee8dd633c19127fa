//! The scalp as a smooth star-shaped surface, solved from what a tape gives and what the hand feels.
//!
//! In the direction d (a unit vector from between the ear canals) the surface lies at
//! R(d) = E(d)·(1 + Σ aᵢ·exp(κ(d·uᵢ − 1))): an ellipsoid whose upper and lower half have heights of their own, which
//! is C¹ where they meet, times two felt bumps, at the occipital bone and at the crown.

use super::Measures;
use crate::error::FieldErrors;
use crate::fibre::search::zero_between;
use crate::message::{Arg, Message};
use crate::tolerance;
use nalgebra::Vector3;
use serde::{Deserialize, Serialize};
use std::f64::consts::{PI, TAU};

/// A point or direction of the head: x the client's left, y up, z forward, mm.
pub type Vec3 = Vector3<f64>;

/// Breadth over length of an ordinary head, 150 : 190.
const BREADTH_OVER_LENGTH: f64 = 150.0 / 190.0;
/// Depth of the skull below the ear canals over its height above them.
const DEPTH_OVER_HEIGHT: f64 = 0.95;
/// How far the fullest occiput and the highest crown stand out, as a share of the radius there.
const OCCIPUT_SHARE: f64 = 0.06;
const CROWN_SHARE: f64 = 0.04;
/// Sharpness κ of a bump: it has fallen to half about 28° from its middle.
const SHARPNESS: f64 = 6.0;
/// Steps of a tape round or over the head (trapezoid rule on a closed curve, so the error is below 1e-6 mm).
const TAPE_STEPS: u32 = 720;
/// Heights above the ear canals, as shares of the half breadth, between which a head is possible.
const HEIGHT_SHARES: (f64, f64) = (0.7, 2.4);

/// What the hand feels of the skull.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields, default)]
pub struct SkullForm {
    /// Back of the head, −1 flat to 1 full.
    pub occiput: f64,
    /// Crown, −1 low to 1 high.
    pub crown: f64,
}

impl SkullForm {
    /// Checks the ranges.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("occiput", self.occiput, (-1.0, 1.0), "");
        faults.range("crown", self.crown, (-1.0, 1.0), "");
        faults.or(())
    }
}

/// A solved head.
#[derive(Debug, Clone, PartialEq)]
pub struct HeadForm {
    half_breadth_mm: f64,
    half_length_mm: f64,
    top_mm: f64,
    depth_mm: f64,
    /// How far each felt bump stands out, as a share of the radius, and the direction of its middle.
    bumps: [(f64, Vec3); 2],
}

/// Middles of the bumps: the occipital bone a little above the ear canals, the crown where the top turns down.
fn bumps(skull: SkullForm) -> [(f64, Vec3); 2] {
    [
        (OCCIPUT_SHARE * skull.occiput, Vec3::new(0.0, 0.25, -1.0).normalize()),
        (CROWN_SHARE * skull.crown, Vec3::new(0.0, 1.0, -0.75).normalize()),
    ]
}

impl HeadForm {
    /// The head on which a tape reads these measures. Measures that no head can have together are named.
    pub fn of(measures: &Measures, skull: SkullForm) -> Result<Self, FieldErrors> {
        skull.check()?;
        // The girth runs in the plane y = 0, where the height plays no part, and grows as the head does: first the one, then
        // the other.
        let flat = |half_length_mm: f64| Self {
            half_breadth_mm: BREADTH_OVER_LENGTH * half_length_mm,
            half_length_mm,
            top_mm: half_length_mm,
            depth_mm: half_length_mm,
            bumps: bumps(skull),
        };
        let flat = flat(measures.girth_mm / flat(1.0).girth_mm());
        let with_top = |top_mm: f64| Self { top_mm, depth_mm: DEPTH_OVER_HEIGHT * top_mm, ..flat.clone() };
        let over = |top_mm: f64| with_top(top_mm).over_top_mm() - measures.over_top_mm;
        let [low, high] = [HEIGHT_SHARES.0, HEIGHT_SHARES.1]
            .map(|share| share * flat.half_breadth_mm)
            .map(|mm| (mm, over(mm)));
        let impossible = |id: &str| {
            let problem = Message::new(id).with("girth", Arg::Mm(measures.girth_mm)).into();
            let mut faults = FieldErrors::default();
            faults.push("over_top_mm", problem);
            Err(faults)
        };
        if low.1 > 0.0 {
            return impossible("fault-too-short-for-girth");
        }
        if high.1 < 0.0 {
            return impossible("fault-too-long-for-girth");
        }
        Ok(with_top(zero_between(low, high, tolerance::LENGTH_MM, over)))
    }

    /// A ball, on which what hands do has a closed form.
    #[cfg(test)]
    pub(crate) fn ball(radius_mm: f64) -> Self {
        Self {
            half_breadth_mm: radius_mm,
            half_length_mm: radius_mm,
            top_mm: radius_mm,
            depth_mm: radius_mm,
            bumps: bumps(SkullForm::default()),
        }
    }

    /// Distance of the surface from the origin in the direction of `d`, mm. `d` need not be of unit length.
    pub fn radius_mm(&self, d: &Vec3) -> f64 {
        d.norm() * self.times_out(d)
    }

    /// The surface point in the direction of `d`, mm.
    pub fn point(&self, d: &Vec3) -> Vec3 {
        d * self.times_out(d)
    }

    /// How many times `d`, of any length, goes into the way to the surface: on an ellipsoid that takes no length.
    fn times_out(&self, d: &Vec3) -> f64 {
        let ellipsoid = 1.0 / d.dot(&self.over_axes(d)).sqrt();
        if self.is_smooth() {
            return ellipsoid;
        }
        let bump: f64 = self.bumps_at(&(d / d.norm())).map(|(rise, _)| rise).sum();
        (1.0 + bump) * ellipsoid
    }

    /// Whether it is an ellipsoid without bumps.
    fn is_smooth(&self) -> bool {
        self.bumps.iter().all(|(share, _)| *share == 0.0)
    }

    /// The vector `d` with each part over the square of the half axis it lies along, 1/mm for each of it.
    fn over_axes(&self, d: &Vec3) -> Vec3 {
        let height = if d.y >= 0.0 { self.top_mm } else { self.depth_mm };
        let axes = Vec3::new(self.half_breadth_mm, height, self.half_length_mm);
        d.component_div(&axes.component_mul(&axes))
    }

    /// By how much each bump rises in the direction of the unit vector `d`, and its middle.
    fn bumps_at(&self, d: &Vec3) -> impl Iterator<Item = (f64, Vec3)> {
        self.bumps
            .into_iter()
            .filter(|(share, _)| *share != 0.0)
            .map(move |(share, at)| (share * (SHARPNESS * (d.dot(&at) - 1.0)).exp(), at))
    }

    /// Unit outward normal where the surface is met in the direction of `d`: the gradient of |p|/R(p).
    pub fn normal(&self, d: &Vec3) -> Vec3 {
        if self.is_smooth() {
            return self.over_axes(d).normalize();
        }
        let d = d / d.norm();
        let over = self.over_axes(&d);
        let (mut bump, mut slope) = (0.0, Vec3::zeros());
        for (rise, at) in self.bumps_at(&d) {
            bump += rise;
            slope += (at - d * d.dot(&at)) * (SHARPNESS * rise);
        }
        (over * (1.0 + bump) - slope * d.dot(&over)).normalize()
    }

    /// Whether a point lies inside the head.
    pub fn holds(&self, p: &Vec3) -> bool {
        p.norm_squared() > 0.0 && self.times_out(p) > 1.0
    }

    /// Scalp area in the direction of the unit vector `d` per solid angle, mm² per sr.
    pub fn area_per_sr(&self, d: &Vec3) -> f64 {
        self.radius_mm(d).powi(2) / self.normal(d).dot(d)
    }

    /// Elevation (radians) at which the surface lies at `height_mm` above the ear canals, at this azimuth.
    pub fn elevation_at(&self, azimuth: f64, height_mm: f64) -> f64 {
        if !self.is_smooth() {
            let (low, high) = (-0.5 * PI, 0.5 * PI);
            let over = |elevation: f64| self.point(&direction(azimuth, elevation)).y - height_mm;
            let (below, above) = (over(low), over(high));
            return match (below < 0.0, above > 0.0) {
                (true, true) => zero_between((low, below), (high, above), tolerance::ELEVATION, over),
                (false, _) => low,
                (true, false) => high,
            };
        }
        // Of an ellipsoid: how far out it is where it is so high.
        let (sin, cos) = azimuth.sin_cos();
        let half_height = if height_mm >= 0.0 { self.top_mm } else { self.depth_mm };
        let share = (height_mm / half_height).clamp(-1.0, 1.0);
        let level =
            (1.0 - share * share).sqrt() / (sin / self.half_breadth_mm).hypot(cos / self.half_length_mm);
        (share * half_height).atan2(level)
    }

    /// Height of the top of the head above the ear canals, mm.
    pub fn top_mm(&self) -> f64 {
        self.point(&Vec3::y()).y
    }

    fn girth_mm(&self) -> f64 {
        self.tape_mm(0.0, TAU, |angle| Vec3::new(angle.sin(), 0.0, angle.cos()))
    }

    fn over_top_mm(&self) -> f64 {
        self.tape_mm(0.0, PI, |angle| Vec3::new(angle.cos(), angle.sin(), 0.0))
    }

    /// Length of a tape laid on the surface along a curve of directions, mm.
    fn tape_mm(&self, from: f64, to: f64, along: impl Fn(f64) -> Vec3) -> f64 {
        let at = |i: u32| self.point(&along(from + (to - from) * f64::from(i) / f64::from(TAPE_STEPS)));
        let points: Vec<Vec3> = (0..=TAPE_STEPS).map(at).collect();
        // Chords fall short of the curve by a share that Richardson's step takes away.
        let chords = |step: usize| -> f64 {
            points.windows(step + 1).step_by(step).map(|over| (over[step] - over[0]).norm()).sum()
        };
        (4.0 * chords(1) - chords(2)) / 3.0
    }
}

/// The direction at an azimuth from the front towards the client's left and an elevation, radians.
pub fn direction(azimuth: f64, elevation: f64) -> Vec3 {
    Vec3::new(elevation.cos() * azimuth.sin(), elevation.sin(), elevation.cos() * azimuth.cos())
}

/// A point as it is handed out to be drawn: to a tenth of a millimetre.
pub fn drawn(p: &Vec3) -> [f32; 3] {
    [p.x, p.y, p.z].map(|mm| (mm * 10.0).round() as f32 / 10.0)
}

/// A point that was handed out.
pub(crate) fn from_drawn(p: &[f32; 3]) -> Vec3 {
    Vec3::from(p.map(f64::from))
}

#[cfg(test)]
mod tests {
    use super::*;

    fn ordinary() -> HeadForm {
        HeadForm::of(&Measures::default(), SkullForm::default()).expect("an ordinary head")
    }

    #[test]
    fn a_tape_reads_on_the_solved_head_what_it_was_solved_from() {
        for skull in [
            SkullForm::default(),
            SkullForm { occiput: -1.0, crown: 1.0 },
            SkullForm { occiput: 1.0, crown: -1.0 },
        ] {
            for measures in [Measures::default(), Measures::child()] {
                let form = HeadForm::of(&measures, skull).expect("possible");
                assert!((form.girth_mm() - measures.girth_mm).abs() < 1e-6);
                assert!((form.over_top_mm() - measures.over_top_mm).abs() < 1e-6);
            }
        }
    }

    #[test]
    fn the_adult_mean_has_the_length_and_breadth_of_the_surveys() {
        let form = ordinary();
        assert!((2.0 * form.half_length_mm - 200.0).abs() < 12.0, "{form:?}");
        assert!((2.0 * form.half_breadth_mm - 155.0).abs() < 8.0, "{form:?}");
    }

    #[test]
    fn a_full_occiput_stands_out_behind_and_only_there() {
        let skull = |occiput| {
            HeadForm::of(&Measures::default(), SkullForm { occiput, crown: 0.0 }).expect("possible")
        };
        let (flat, full) = (skull(-1.0), skull(1.0));
        let behind = Vec3::new(0.0, 0.2, -1.0);
        let over_front = |form: &HeadForm| form.radius_mm(&behind) / form.radius_mm(&Vec3::z());
        assert!(over_front(&full) - over_front(&flat) > 0.08);
        assert!((flat.radius_mm(&Vec3::y()) - full.radius_mm(&Vec3::y())).abs() < 2.0);
    }

    #[test]
    fn the_surface_is_smooth_and_its_normal_is_the_ellipsoids_where_that_is_known() {
        let form = ordinary();
        for i in 0..200 {
            let d = direction(f64::from(i) * 0.7, (f64::from(i) * 0.31).sin() * 1.4);
            let p = form.point(&d);
            let height = if p.y >= 0.0 { form.top_mm } else { form.depth_mm };
            let exact = Vec3::new(
                p.x / form.half_breadth_mm.powi(2),
                p.y / height.powi(2),
                p.z / form.half_length_mm.powi(2),
            );
            assert!((form.normal(&d) - exact.normalize()).norm() < 1e-12, "{d}");
        }
        let step = form.normal(&direction(1.0, 1e-7)) - form.normal(&direction(1.0, -1e-7));
        assert!(step.norm() < 1e-5, "no edge where the halves meet");
    }

    #[test]
    fn the_normal_of_a_head_with_bumps_is_the_slope_of_its_surface() {
        for skull in [SkullForm { occiput: 1.0, crown: -1.0 }, SkullForm { occiput: -1.0, crown: 1.0 }] {
            let form = HeadForm::of(&Measures::default(), skull).expect("possible");
            let level = |p: Vec3| p.norm() / form.radius_mm(&p);
            for i in 0..200 {
                let d = direction(f64::from(i) * 0.7, 0.05 + (f64::from(i) * 0.31).sin().abs() * 1.4);
                let slope = |axis: usize| {
                    let step = Vec3::ith(axis, 1e-5);
                    level(d + step) - level(d - step)
                };
                let by_differences = Vec3::new(slope(0), slope(1), slope(2)).normalize();
                assert!((form.normal(&d) - by_differences).norm() < 1e-7, "{d}");
            }
        }
    }

    #[test]
    fn the_elevation_of_a_height_is_where_the_surface_is_so_high() {
        for skull in [SkullForm::default(), SkullForm { occiput: 1.0, crown: -1.0 }] {
            let form = HeadForm::of(&Measures::default(), skull).expect("possible");
            for i in 0..200 {
                let azimuth = f64::from(i) * 0.7;
                let elevation = (f64::from(i) * 0.31).sin() * 1.5;
                let height = form.point(&direction(azimuth, elevation)).y;
                assert!(
                    (form.elevation_at(azimuth, height) - elevation).abs() < 1e-6,
                    "{azimuth} {elevation}"
                );
            }
            assert!((form.elevation_at(1.0, 900.0) - 0.5 * PI).abs() < 1e-9, "above the head is its top");
            assert!((form.elevation_at(1.0, -900.0) + 0.5 * PI).abs() < 1e-9);
        }
    }

    #[test]
    fn measures_that_no_head_can_have_together_are_named() {
        for (girth_mm, over_top_mm, says) in
            [(690.0, 245.0, "fault-too-short-for-girth"), (480.0, 470.0, "fault-too-long-for-girth")]
        {
            let measures = Measures { girth_mm, over_top_mm, ..Measures::default() };
            let faults = HeadForm::of(&measures, SkullForm::default()).expect_err(says);
            assert_eq!(faults.0[0].field, "over_top_mm");
            assert!(format!("{faults:?}").contains(says), "{faults:?}");
        }
        let faults =
            HeadForm::of(&Measures::default(), SkullForm { occiput: 3.0, crown: 0.0 }).expect_err("range");
        assert_eq!(faults.0[0].field, "occiput");
    }
}
