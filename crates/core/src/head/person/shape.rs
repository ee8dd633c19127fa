//! The person in the round: level sections that fill what the sketch shows from the front and from the left.

use super::fit::{Fit, across, runs, through};
use super::sketch::{
    CHEEKS, FACE_FRONT, FACE_SIDE, FRONT_HEIGHTS, HALF_BREADTH, HALF_LENGTH, NOSE_HALF, SIDE_HEIGHTS, TRUNK,
    TRUNK_SIDE,
};
use crate::eased::eased;
use crate::head::outline::skull;
use crate::head::{Hairline, HeadForm, Measures, Vec3, direction};
use kurbo::{BezPath, PathEl};
use std::f64::consts::{FRAC_PI_2, PI, TAU};

/// Points of a ring: its chords sag by less than a fifth of a millimetre.
const ROUND: usize = 96;
/// Rings of the skull, and heights between those of face and trunk, mm.
const SKULL_RINGS: usize = 24;
const STEP_MM: f64 = 3.0;
/// Height in the sketch from which on the chin rounds under, and between heights there, mm.
const CHIN_FROM_MM: f64 = 108.0;
const CHIN_STEP_MM: f64 = 0.8;
const TRUNK_STEP_MM: f64 = 6.0;
/// Height over which the skull goes over into the face, mm.
const JOINS_MM: f64 = 30.0;
/// Exponent of a level section of the face in front: cheeks are fuller than an ellipse.
const FULLER: f64 = 2.25;
/// How much squarer than an ellipse a section of the trunk is at the shoulders.
const SQUARER: f64 = 2.6;
/// Of the trunk no more than this is drawn, mm down from the ear canals.
const TRUNK_TO_MM: f64 = 620.0;

/// A level section.
#[derive(Debug, Clone, Copy)]
struct Level {
    /// Height, mm down from the ear canals.
    down: f64,
    /// Half its breadth, how far forward and back it reaches (z), and where it is broadest.
    half: f64,
    front: f64,
    back: f64,
    middle: f64,
    /// How far nose, lips and chin stand out in the middle, and over which half breadth.
    out: f64,
    out_half: f64,
}

/// Head, neck and trunk of a client.
pub(crate) struct Shape<'a> {
    form: &'a HeadForm,
    face: Vec<Level>,
    trunk: Vec<Level>,
}

/// What fits the sketch to a client, from the front and from the left.
pub(super) fn fits(form: &HeadForm, measures: &Measures) -> (Fit, Fit) {
    (
        Fit::new(form, measures, &FRONT_HEIGHTS, form.radius_mm(&Vec3::x()) / HALF_BREADTH),
        Fit::new(form, measures, &SIDE_HEIGHTS, form.radius_mm(&Vec3::z()) / HALF_LENGTH),
    )
}

/// The head from the left: the client's own skull, and the face under it.
pub(super) fn profile(form: &HeadForm, hairline: &Hairline, side: &Fit) -> BezPath {
    joined(skull(form, hairline).into_iter().map(|[x, y]| kurbo::Point::new(x, y)), side, FACE_SIDE)
}

/// The head from the front or behind: the client's own skull above the ears, and what of the sketch lies under it.
pub(super) fn broad(form: &HeadForm, front: &Fit, under: &str) -> BezPath {
    let at = |i: usize| {
        let (sin, cos) = (PI * i as f64 / ROUND as f64).sin_cos();
        let place = form.point(&Vec3::new(-cos, sin, 0.0));
        kurbo::Point::new(place.x, -place.y)
    };
    joined((0..=ROUND).map(at), front, under)
}

/// A skull through these points and on along a path of the sketch, closed.
fn joined(skull: impl Iterator<Item = kurbo::Point>, fit: &Fit, path: &str) -> BezPath {
    let lines = skull.enumerate().map(|(i, at)| if i == 0 { PathEl::MoveTo(at) } else { PathEl::LineTo(at) });
    let rest = fit.path(&format!("M0 0 {path}"));
    lines.chain(rest.elements()[1..].iter().copied()).chain([PathEl::ClosePath]).collect()
}

impl<'a> Shape<'a> {
    pub fn new(form: &'a HeadForm, hairline: &Hairline, measures: &Measures) -> Self {
        let (front, side) = fits(form, measures);
        let profile = runs(&profile(form, hairline, &side));
        let facing = runs(&broad(form, &front, FACE_FRONT));
        let steps = |from: f64, to: f64, step: f64| {
            (0..=((to - from) / step) as usize).map(move |i| from + step * i as f64)
        };
        // From the forehead to under the chin; across the page from the left lies −z.
        // Closer together under the chin, where they end.
        let heights = steps(-42.0, CHIN_FROM_MM, STEP_MM).chain(steps(
            CHIN_FROM_MM + CHIN_STEP_MM,
            126.4,
            CHIN_STEP_MM,
        ));
        let face = heights.filter_map(|sketched| {
            let down = side.place(kurbo::Point::new(0.0, sketched)).y;
            let (forward, backward) = across(&profile, down).map(|(least, most)| (-least, -most))?;
            let half = across(&facing, down).map_or(2.0, |(_, most)| most);
            let cheeks = through(&CHEEKS, sketched) * form.radius_mm(&Vec3::z()) / HALF_LENGTH;
            let middle = (0.5 * (cheeks + backward)).max(0.0);
            let out_half = through(&NOSE_HALF, sketched) * form.radius_mm(&Vec3::x()) / HALF_BREADTH;
            Some(Level { down, half, front: cheeks, back: backward, middle, out: forward - cheeks, out_half })
        });
        let face = face.collect();
        let (broad, deep) = (runs(&front.path(TRUNK)), runs(&side.path(TRUNK_SIDE)));
        let from = front.place(kurbo::Point::new(0.0, 71.0)).y;
        let trunk = steps(from, TRUNK_TO_MM, TRUNK_STEP_MM).filter_map(|down| {
            let half = across(&broad, down).map(|(_, most)| most)?;
            let (front, back) = across(&deep, down).map(|(least, most)| (-least, -most))?;
            let middle = 0.5 * (front + back);
            Some(Level { down, half, front, back, middle, out: 0.0, out_half: 1.0 })
        });
        let trunk = trunk.collect();
        Self { form, face, trunk }
    }

    /// Where the skin of the face lies in front at a place that is seen from the front.
    pub fn skin(&self, x: f64, down: f64) -> Vec3 {
        let level = self.face_at(down);
        let off = (x / level.half.max(1.0)).abs().min(1.0);
        let deep = (1.0 - off.powf(FULLER)).powf(1.0 / FULLER);
        let z = level.middle + (level.front - level.middle) * deep + level.stands_out(x);
        Vec3::new(x, -down, z)
    }

    /// Which way the skin faces there, without nose and lips.
    pub fn faces(&self, place: &Vec3) -> Vec3 {
        let level = self.face_at(-place.y);
        let deep = (level.front - level.middle).max(1.0);
        let on = self.skin(place.x, -place.y).z - level.stands_out(place.x) - level.middle;
        Vec3::new(place.x / (level.half * level.half).max(1.0), 0.0, on / (deep * deep))
    }

    fn face_at(&self, down: f64) -> Level {
        let next = self.face.partition_point(|level| level.down < down).clamp(1, self.face.len() - 1);
        let (a, b) = (self.face[next - 1], self.face[next]);
        a.between(&b, ((down - a.down) / (b.down - a.down)).clamp(0.0, 1.0))
    }

    /// Rings of the head from the top down, each from the front round by the client's left.
    pub fn head(&self) -> Vec<Vec<Vec3>> {
        // Not quite from the pole, where all corners would fall together.
        let skull = (0..=SKULL_RINGS).map(|i| {
            let elevation = 0.999 * FRAC_PI_2 * (1.0 - i as f64 / SKULL_RINGS as f64);
            let at = |turn: f64| {
                let place = self.form.point(&direction(turn, elevation));
                let brow = self.face[0].down;
                let out = if place.z > 0.0 && -place.y > brow {
                    let level = self.face_at(-place.y);
                    level.stands_out(place.x)
                } else {
                    0.0
                };
                place + Vec3::z() * out
            };
            turns().map(at).collect()
        });
        let face = self.face.iter().filter(|level| level.down > 0.0).map(|level| {
            let share = eased(level.down / JOINS_MM);
            let at = |turn: f64| {
                let place = level.at(turn, FULLER, 2.0);
                if share >= 1.0 {
                    return place;
                }
                let azimuth = place.x.atan2(place.z);
                let own = self.form.point(&direction(azimuth, self.form.elevation_at(azimuth, -level.down)));
                own + (place - own) * share
            };
            turns().map(at).collect()
        });
        skull.chain(face).collect()
    }

    /// Rings of neck and trunk from the top down.
    pub fn trunk(&self) -> Vec<Vec<Vec3>> {
        self.trunk
            .iter()
            .map(|level| turns().map(|turn| level.at(turn, SQUARER, SQUARER)).collect())
            .collect()
    }

    /// The outlines of head and trunk towards an eye that is level with them: at each height as far as the level section reaches
    /// across the page.
    pub fn outlines(&self, eye: &Vec3) -> [Vec<[f64; 2]>; 2] {
        let reach = |ring: &Vec<Vec3>| {
            let across = ring.iter().map(|place| place.x * eye.z - place.z * eye.x);
            let (least, most) = across
                .fold((f64::INFINITY, f64::NEG_INFINITY), |(least, most), x| (x.min(least), x.max(most)));
            (least, most, -ring[0].y)
        };
        let outline = |levels: Vec<(f64, f64, f64)>| {
            let right = levels.iter().map(|(_, most, down)| [*most, *down]);
            let left = levels.iter().rev().map(|(least, _, down)| [*least, *down]);
            right.chain(left).collect()
        };
        let skull = (0..=2 * SKULL_RINGS).map(|i| {
            // As high as they are alike in breadth.
            let height =
                self.form.top_mm() * (FRAC_PI_2 * i as f64 / (2 * SKULL_RINGS) as f64).cos().max(0.0);
            let at = |turn: f64| self.form.point(&direction(turn, self.form.elevation_at(turn, height)));
            reach(&turns().map(at).collect())
        });
        let head = self.head();
        let face = head[SKULL_RINGS + 1..].iter().map(reach);
        [outline(skull.chain(face).collect()), outline(self.trunk().iter().map(reach).collect())]
    }
}

impl Level {
    fn stands_out(&self, x: f64) -> f64 {
        self.out * (-(x / self.out_half).powi(2)).exp()
    }

    fn at(&self, turn: f64, in_front: f64, behind: f64) -> Vec3 {
        let (sin, cos) = turn.sin_cos();
        let (deep, exponent) =
            if cos > 0.0 { (self.front - self.middle, in_front) } else { (self.middle - self.back, behind) };
        let x = self.half * sin.signum() * sin.abs().powf(2.0 / exponent);
        let out = if cos > 0.0 { self.stands_out(x) } else { 0.0 };
        Vec3::new(x, -self.down, self.middle + deep * cos.signum() * cos.abs().powf(2.0 / exponent) + out)
    }

    fn between(&self, other: &Self, share: f64) -> Self {
        let mix = |a: f64, b: f64| a + share * (b - a);
        Self {
            down: mix(self.down, other.down),
            half: mix(self.half, other.half),
            front: mix(self.front, other.front),
            back: mix(self.back, other.back),
            middle: mix(self.middle, other.middle),
            out: mix(self.out, other.out),
            out_half: mix(self.out_half, other.out_half),
        }
    }
}

/// Angles round the axis, closer together in front, where a face has its features.
fn turns() -> impl Iterator<Item = f64> {
    (0..ROUND).map(|i| {
        let turn = TAU * i as f64 / ROUND as f64;
        let off = if turn > PI { turn - TAU } else { turn };
        off - 0.35 * off.sin() * (1.0 + off.cos()) / 2.0
    })
}
