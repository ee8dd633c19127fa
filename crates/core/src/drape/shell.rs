//! The bare head in the cells of the field.

use super::cells::{CAP_ROWS, CAP_STEP, azimuth_of, elevation_of};
use super::{AZIMUTHS, LEVEL_MM};
use crate::head::{HeadForm, Vec3, direction};
use crate::tolerance;
use std::f64::consts::TAU;

/// Radius of the neck, mm, below which no hair hangs: an ordinary mean.
const NECK_MM: f64 = 55.0;

/// Radius of the sharpest bend of a head that hair fans out over, mm: an ellipsoid is sharper at its top than heads are.
const SHARPEST_MM: f64 = 90.0;

/// The head and neck that hair is stacked on.
#[derive(Debug, Clone)]
pub struct Shell {
    /// Cells over the head.
    pub(crate) cap: Vec<[CapCell; AZIMUTHS]>,
    /// Horizontal radius by height, mm, in levels downwards from `highest`; 0 where the head isn't.
    highest: i32,
    rows: Vec<[f64; AZIMUTHS]>,
}

/// A cell over the head.
#[derive(Debug, Clone, Copy)]
pub(crate) struct CapCell {
    /// Its middle, mm, and which way is out.
    pub at: Vec3,
    pub out: Vec3,
    /// Its area on the scalp, mm².
    pub area_mm2: f64,
    /// What a layer over it holds, mm³: these times its height, the square and the cube of that. The cell widens upwards as
    /// the head turns, along its meridian and round it.
    holds: [f64; 3],
}

impl CapCell {
    fn of(form: &HeadForm, azimuth: f64, elevation: f64) -> Self {
        let d = direction(azimuth, elevation);
        let (upper, lower) = (elevation + 0.5 * CAP_STEP, elevation - 0.5 * CAP_STEP);
        let edges = [upper, lower].map(|elevation| direction(azimuth, elevation));
        let [above, below] = edges.map(|d| form.normal(&d));
        let (at, out) = (form.point(&d), form.normal(&d));
        let wedge = TAU / AZIMUTHS as f64;
        let area_mm2 = form.area_per_sr(&d) * wedge * (upper.sin() - lower.sin());
        let round = at.x.hypot(at.z);
        let along = area_mm2 / (wedge * round);
        let turn = above.cross(&below).norm().asin().min(along / SHARPEST_MM);
        let outward = out.x.hypot(out.z).min(round / SHARPEST_MM);
        let holds = [area_mm2, 0.5 * wedge * (round * turn + along * outward), wedge * outward * turn / 3.0];
        Self { at, out, area_mm2, holds }
    }

    /// Height of the layer over it that holds so much, mm.
    pub fn height_mm(&self, volume_mm3: f64) -> f64 {
        let [a, b, c] = self.holds;
        // The height grows ever more slowly with what is held, so that Newton's method from above can't miss.
        let mut height = volume_mm3 / a;
        for _ in 0..tolerance::STEPS {
            let over = height * (a + height * (b + height * c)) - volume_mm3;
            let step = over / (a + height * (2.0 * b + 3.0 * c * height));
            height -= step;
            if step < tolerance::ON_HEAD_MM {
                break;
            }
        }
        height
    }
}

impl Shell {
    /// The shell of a head, down to where skulls end.
    pub fn of(form: &HeadForm) -> Self {
        let cap = (0..CAP_ROWS)
            .map(|row| std::array::from_fn(|i| CapCell::of(form, azimuth_of(i), elevation_of(row))));
        let highest = (form.top_mm() / LEVEL_MM).floor() as i32;
        let lowest = (form.point(&-Vec3::y()).y * 0.8 / LEVEL_MM).ceil() as i32;
        let row = |level: i32| {
            std::array::from_fn(|i| {
                let azimuth = azimuth_of(i);
                let elevation = form.elevation_at(azimuth, f64::from(level) * LEVEL_MM);
                let p = form.point(&direction(azimuth, elevation));
                p.x.hypot(p.z)
            })
        };
        Self { cap: cap.collect(), highest, rows: (lowest..=highest).rev().map(row).collect() }
    }

    /// The head at a height.
    pub fn at(&self, height_mm: f64) -> ShellRow<'_> {
        let place = f64::from(self.highest) - height_mm / LEVEL_MM;
        if place < 0.0 {
            return ShellRow(None);
        }
        let row = place as usize;
        let share = place - row as f64;
        // Between two heights at which it is; at the last of them as far as that.
        let lower = if share == 0.0 { self.rows.get(row) } else { self.rows.get(row + 1) };
        ShellRow(self.rows.get(row).zip(lower).map(|(upper, lower)| (upper, lower, share)))
    }
}

/// The head at a height: its radii above and below by azimuth, and the share of the lower of them; none where it isn't.
#[derive(Clone, Copy)]
pub struct ShellRow<'a>(Option<(&'a [f64; AZIMUTHS], &'a [f64; AZIMUTHS], f64)>);

impl ShellRow<'_> {
    /// Its radius at an azimuth, mm; 0 where the head isn't.
    pub fn radius_mm(&self, azimuth: usize) -> f64 {
        self.0.map_or(0.0, |(upper, lower, share)| upper[azimuth] * (1.0 - share) + lower[azimuth] * share)
    }

    /// What hair hangs round there, below the head: the head, or the neck, mm.
    pub(crate) fn inner_mm(&self, azimuth: usize) -> f64 {
        self.radius_mm(azimuth).max(NECK_MM)
    }
}
