//! A scalp with a known number of hairs, as a scope would show it: makes the picture of a square of scalp from how many hairs really grow there.
//!
//! Hairs leave the skin in small groups that keep their distance, run roughly one way, bend, lie over each other and
//! leave the sharp depth after a few millimetres. The picture has uneven light, patchy skin, and noise.

use rand::rngs::StdRng;
use rand::{RngExt, SeedableRng};
use rand_distr::{Distribution, Normal};
use std::f64::consts::{PI, TAU};

/// A scalp to look at.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct DrawnScalp {
    /// Hairs on a square centimetre.
    pub hairs_per_cm2: f64,
    /// Width of a hair, µm.
    pub width_um: f64,
    /// Radius of its loops, mm.
    pub loop_radius_mm: f64,
    /// Brightness of hair, 0 to 255.
    pub hair: f64,
    /// Brightness of skin, 0 to 255.
    pub skin: f64,
}

/// What the scope saw.
#[derive(Debug, Clone, PartialEq)]
pub struct Seen {
    /// Brightness, row by row.
    pub grey: Vec<u8>,
    /// Hairs that really leave the skin in it.
    pub hairs: u32,
}

/// Pixels along a side.
pub const SIDE_PX: usize = 800;
/// Length of a side, mm.
pub const SIDE_MM: f64 = 10.0;
const PX_PER_MM: f64 = SIDE_PX as f64 / SIDE_MM;
/// Skin round the picture from which hairs reach into it, mm.
const MARGIN_MM: f64 = 4.0;
/// Shares of groups of one to four hairs.
const GROUPS: [f64; 4] = [0.3, 0.45, 0.2, 0.05];
/// How far from the middle of their group hairs leave the skin, mm.
const GROUP_MM: f64 = 0.16;
/// Length that is seen of a hair, mm: mean and spread, and the share over which it fades.
const SEEN_MM: (f64, f64) = (1.9, 0.45);
const FADES: f64 = 0.3;
/// Spread of the way hairs run, degrees, of groups and within one.
const WAY_DEG: (f64, f64) = (18.0, 14.0);

/// The picture. The same seed gives the same picture.
pub fn look(scalp: &DrawnScalp, seed: u64) -> Seen {
    let mut chance = StdRng::seed_from_u64(seed);
    let mut canvas =
        Canvas { grey: vec![scalp.skin; SIDE_PX * SIDE_PX], covers: vec![UNCOVERED; SIDE_PX * SIDE_PX] };
    canvas.light_and_patches(&mut chance, scalp.skin);
    let mut hairs = 0;
    let normal = |spread: f64| Normal::new(0.0, spread).expect("a finite spread");
    let per_group: f64 = GROUPS.iter().enumerate().map(|(i, share)| (i + 1) as f64 * share).sum();
    // Groups stand on a lattice that is shaken by a third of its step: they keep their distance and make no rows.
    let step = (100.0 * per_group / scalp.hairs_per_cm2).sqrt();
    let flow = chance.random_range(0.0..TAU);
    let cells = ((SIDE_MM + 2.0 * MARGIN_MM) / step).ceil() as i32;
    for cell in 0..cells * cells {
        let shaken = |k: i32, chance: &mut StdRng| {
            f64::from(k) * step - MARGIN_MM + step * (0.5 + normal(0.33).sample(chance))
        };
        let middle = (shaken(cell % cells, &mut chance), shaken(cell / cells, &mut chance));
        let way = flow + normal(WAY_DEG.0).sample(&mut chance).to_radians();
        for _ in 0..group(chance.random_range(0.0..1.0)) {
            let (turn, out) = (chance.random_range(0.0..TAU), GROUP_MM * chance.random_range(0.3..1.0));
            let root = (middle.0 + out * turn.cos(), middle.1 + out * turn.sin());
            let inside = |at: f64| (0.0..SIDE_MM).contains(&at);
            hairs += u32::from(inside(root.0) && inside(root.1));
            let hair = Hair {
                root,
                way: way + normal(WAY_DEG.1).sample(&mut chance).to_radians(),
                // A loop is seen from any side: its bend in the picture is at most that of the loop.
                bend: chance.random_range(-1.0..1.0) / scalp.loop_radius_mm,
                length: (SEEN_MM.0 + normal(SEEN_MM.1).sample(&mut chance)).max(0.6),
                width: 1e-3 * scalp.width_um * (1.0 + normal(0.12).sample(&mut chance)).max(0.5),
                grey: scalp.hair + normal(6.0).sample(&mut chance),
            };
            canvas.draw(&hair);
        }
    }
    let noise = normal(5.0);
    let grey = canvas.grey.iter().map(|g| (g + noise.sample(&mut chance)).clamp(0.0, 255.0) as u8).collect();
    Seen { grey, hairs }
}

/// How many hairs a group has.
fn group(chance: f64) -> usize {
    let mut left = chance;
    GROUPS
        .iter()
        .position(|share| {
            left -= share;
            left < 0.0
        })
        .map_or(GROUPS.len(), |i| i + 1)
}

struct Hair {
    root: (f64, f64),
    way: f64,
    bend: f64,
    length: f64,
    width: f64,
    grey: f64,
}

struct Canvas {
    grey: Vec<f64>,
    /// How strongly each pixel is covered by the hair that is drawn: the most of what any step of it covers, and how far
    /// off its middle, in half widths.
    covers: Vec<(f64, f64)>,
}

const UNCOVERED: (f64, f64) = (0.0, f64::INFINITY);

impl Canvas {
    /// Darker to one side and to the corners, and skin in patches of a millimetre.
    fn light_and_patches(&mut self, chance: &mut StdRng, skin: f64) {
        let (towards, fall) = (chance.random_range(0.0..TAU), chance.random_range(0.04..0.12));
        let waves: Vec<[f64; 4]> = (0..12)
            .map(|_| {
                let (way, long) = (chance.random_range(0.0..PI), chance.random_range(0.8..3.0));
                let turn = TAU / (long * PX_PER_MM);
                [
                    way.cos() * turn,
                    way.sin() * turn,
                    chance.random_range(0.0..TAU),
                    chance.random_range(0.2..1.2),
                ]
            })
            .collect();
        for (i, grey) in self.grey.iter_mut().enumerate() {
            let (x, y) = ((i % SIDE_PX) as f64, (i / SIDE_PX) as f64);
            let (u, v) = (x / SIDE_PX as f64 - 0.5, y / SIDE_PX as f64 - 0.5);
            let light = 1.0 - fall * (u * towards.cos() + v * towards.sin()) - 0.25 * (u * u + v * v);
            let patches: f64 = waves.iter().map(|[a, b, at, high]| high * (a * x + b * y + at).sin()).sum();
            *grey = skin * light + patches;
        }
    }

    /// Draws a hair over what is there: a rounded edge of a pixel, a paler streak where the light meets its back, and
    /// fainter towards where it leaves the sharp depth.
    fn draw(&mut self, hair: &Hair) {
        let half = 0.5 * hair.width * PX_PER_MM;
        let steps = (hair.length * PX_PER_MM).ceil() as usize;
        let (mut x, mut y, mut way) = (hair.root.0 * PX_PER_MM, hair.root.1 * PX_PER_MM, hair.way);
        let mut touched = Vec::new();
        for step in 0..steps {
            let along = step as f64 / steps as f64;
            let strength = ((1.0 - along) / FADES).min(1.0);
            let reach = half.ceil() as i64 + 1;
            for dy in -reach..=reach {
                for dx in -reach..=reach {
                    let (px, py) = (x.round() as i64 + dx, y.round() as i64 + dy);
                    if !(0..SIDE_PX as i64).contains(&px) || !(0..SIDE_PX as i64).contains(&py) {
                        continue;
                    }
                    let away = (px as f64 - x).hypot(py as f64 - y);
                    let cover = strength * (half + 0.5 - away).clamp(0.0, 1.0);
                    let index = py as usize * SIDE_PX + px as usize;
                    let there = &mut self.covers[index];
                    if there.1 == f64::INFINITY {
                        touched.push(index);
                    }
                    there.0 = there.0.max(cover);
                    there.1 = there.1.min(away / half);
                }
            }
            x += way.cos();
            y += way.sin();
            way += hair.bend / PX_PER_MM;
        }
        for index in touched {
            let (cover, off) = std::mem::replace(&mut self.covers[index], UNCOVERED);
            let streak = 14.0 * (-(off * off) / 0.1).exp();
            self.grey[index] += cover * (hair.grey + streak - self.grey[index]);
        }
    }
}
