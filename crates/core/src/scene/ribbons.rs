//! Locks as ribbons: a strip of triangles each, rounded by its normals, thinner as its hair ends.

use super::ScenePart;
use crate::head::{Vec3, drawn, from_drawn};
use crate::lock::Lock;

/// How far the normals of a ribbon's edges lean to its sides, as a share of the way out: it is lit as if it were round.
const ROUND: f64 = 0.7;
/// Shade of a lock at its root and at the least, and from how far along on it is in full light.
const ROOT_SHADE: f32 = 0.45;
const LIT_FROM: f32 = 0.35;
/// How much darker the darkest lock is than the lightest, and how many shades there are.
const UNEVEN: f32 = 0.45;
const SHADES: usize = 7;

/// Locks as one part.
pub(super) fn ribbons(name: &'static str, colour: [f32; 4], locks: &[Lock]) -> ScenePart {
    let mut part = ScenePart {
        name,
        colour,
        points: Vec::new(),
        normals: Vec::new(),
        shades: Vec::new(),
        indices: Vec::new(),
    };
    for (number, lock) in locks.iter().enumerate() {
        let line: Vec<Vec3> = lock.line.iter().map(from_drawn).collect();
        let first = part.points.len() as u32;
        // Neighbours are far apart in number, so that any even run of shades mixes them.
        let own = 1.0 - UNEVEN * (number * 3 % SHADES) as f32 / (SHADES - 1) as f32;
        for k in 0..line.len() {
            let along = k as f32 / (line.len() - 1) as f32;
            let half = 0.5 * f64::from(lock.width_at(along) * lock.left_at(along).sqrt());
            let (across, out) = crate::lock::frame(&line, k);
            let shade = own * (ROOT_SHADE + (1.0 - ROOT_SHADE) * (along / LIT_FROM).min(1.0));
            for side in [1.0, -1.0] {
                part.points.push(drawn(&(line[k] + across * (side * half))));
                let normal = (out + across * (side * ROUND)).normalize();
                part.normals.push([normal.x, normal.y, normal.z].map(|x| x as f32));
                part.shades.push(shade);
            }
        }
        for k in 0..line.len() as u32 - 1 {
            let at = first + 2 * k;
            part.indices.extend([at, at + 1, at + 2, at + 2, at + 1, at + 3]);
        }
    }
    part
}
