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

/// The golden section.
const GOLDEN: f64 = 0.618_033_988_749_894_9;

/// Locks as one part.
pub(super) fn ribbons(name: &'static str, colour: [f32; 4], locks: &[Lock]) -> ScenePart {
    let mut part = ScenePart::empty(name, colour);
    for (number, lock) in all_over_first(locks).enumerate() {
        let line: Vec<Vec3> = lock.line.iter().map(from_drawn).collect();
        let first = part.points.len() as u32;
        let own = own_shade(number);
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
        part.indices.extend(strip(first, line.len()));
    }
    part
}

/// All of them in an order of which every beginning is spread over the head as they all are: who is slow may draw fewer. Those
/// come first whose number, times the golden section, leaves least: they lie about as far from each other (Steinhaus' three gaps).
fn all_over_first(locks: &[Lock]) -> impl Iterator<Item = &Lock> {
    let left = |number: usize| (number as f64 * GOLDEN).fract();
    let mut order: Vec<usize> = (0..locks.len()).collect();
    order.sort_by(|one, other| left(*one).total_cmp(&left(*other)));
    order.into_iter().map(|number| &locks[number])
}

/// Strands of hair that is held taut, each between two lines, as one part.
pub(super) fn strands(name: &'static str, colour: [f32; 4], edges: &[[Vec<Vec3>; 2]]) -> ScenePart {
    let mut part = ScenePart::empty(name, colour);
    for (number, [one, other]) in edges.iter().enumerate() {
        let first = part.points.len() as u32;
        let (from, to) = (0.5 * (one[0] + other[0]), 0.5 * (one[one.len() - 1] + other[other.len() - 1]));
        for (one, other) in one.iter().zip(other) {
            let across = (one - other).try_normalize(1e-9).unwrap_or_else(Vec3::x);
            let faces = (to - from).cross(&across).try_normalize(1e-9).unwrap_or_else(Vec3::z);
            for (place, side) in [(one, 1.0), (other, -1.0)] {
                part.points.push(drawn(place));
                let normal = (faces + across * (side * ROUND)).normalize();
                part.normals.push([normal.x, normal.y, normal.z].map(|x| x as f32));
                part.shades.push(own_shade(number));
            }
        }
        part.indices.extend(strip(first, one.len()));
    }
    part
}

/// How light a lock is. Neighbours are far apart in number, so that any even run of shades mixes them.
fn own_shade(number: usize) -> f32 {
    1.0 - UNEVEN * (number * 3 % SHADES) as f32 / (SHADES - 1) as f32
}

/// Triangles of a strip of so many pairs of corners, from its first corner on.
fn strip(first: u32, pairs: usize) -> impl Iterator<Item = u32> {
    (1..pairs as u32).flat_map(move |k| {
        let at = first + 2 * (k - 1);
        [at, at + 1, at + 2, at + 2, at + 1, at + 3]
    })
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::Zone;

    #[test]
    fn every_lock_is_drawn_once_and_every_beginning_is_spread_as_all_of_them_are() {
        for count in [0, 1, 2, 7, 144, 450, 901] {
            let lock = |number: usize| Lock {
                zone: Zone::Top,
                line: vec![[number as f32, 0.0, 0.0]; 2],
                root_mm: 1.0,
                width_mm: 1.0,
                gathered_at: 1.0,
                ends: [1.0; 3],
            };
            let locks: Vec<Lock> = (0..count).map(lock).collect();
            let order: Vec<usize> = all_over_first(&locks).map(|lock| lock.line[0][0] as usize).collect();
            let mut all = order.clone();
            all.sort_unstable();
            assert!(all.iter().copied().eq(0..count));
            for one_in in [2, 3, 5] {
                let mut few = order[..count / one_in].to_vec();
                few.sort_unstable();
                let widest = few.windows(2).map(|pair| pair[1] - pair[0]).max().unwrap_or(0);
                assert!(widest <= 2 * one_in, "{count}, one in {one_in}: {widest}");
            }
        }
    }
}
