//! Locks as ribbons: strips of triangles, rounded by their normals, thinner as their hair ends. A wide lock is some strands
//! beside each other, each of which ends where its share of the hair does.

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

/// About how wide a strand of a lock is, mm; how many a lock has at most, and of how many points all of them.
const STRAND_MM: f32 = 2.8;
const MOST_STRANDS: usize = 4;
const MOST_POINTS: usize = 100;
/// Strands are wider than their share, so that nothing shows between them.
const OVERLAP: f32 = 1.3;
/// Share of its lock's length over which a strand comes to a tip, and how wide that is.
const TIP_OVER: f32 = 0.1;
const TIP_SHARE: f32 = 0.25;
/// How much lighter and darker than its lock a strand may be.
const STRAND_SHADES: f32 = 0.17;

/// Locks as one part.
pub(super) fn ribbons(name: &'static str, colour: [f32; 4], locks: &[Lock]) -> ScenePart {
    let mut part = ScenePart::empty(name, colour);
    for (number, lock) in all_over_first(locks).enumerate() {
        let line: Vec<Vec3> = lock.line.iter().map(from_drawn).collect();
        let count = strands_of(lock);
        for strand in 0..count {
            lay_strand(&mut part, lock, &line, own_shade(number), (number, strand, count));
        }
    }
    part
}

/// As how many strands a lock is drawn.
fn strands_of(lock: &Lock) -> usize {
    let wide = lock.width_at(1.0);
    let most = (MOST_POINTS / lock.line.len()).clamp(1, MOST_STRANDS);
    ((wide / STRAND_MM).round() as usize).clamp(1, most)
}

/// Adds a strand of so many of a lock with this number.
fn lay_strand(
    part: &mut ScenePart,
    lock: &Lock,
    line: &[Vec3],
    shade: f32,
    (number, strand, count): (usize, usize, usize),
) {
    // From one edge to the other; which of them is longest is the lock's own.
    let off = (strand as f32 + 0.5) / count as f32 - 0.5;
    let end = match count {
        1 => 1.0,
        _ => lock.reach(((strand + number) % count) as f32 / (count - 1) as f32),
    };
    let own = left(number * MOST_STRANDS + strand) as f32;
    let shade = if count == 1 { shade } else { shade * (1.0 + STRAND_SHADES * (2.0 * own - 1.0)) };
    let share = if count == 1 { 1.0 } else { OVERLAP / count as f32 };
    let last = (line.len() - 1) as f32;
    let first = part.points.len() as u32;
    let mut pairs = 0;
    for k in 0..line.len() {
        let along = (k as f32 / last).min(end);
        let wide = lock.width_at(along);
        let ends = if count == 1 {
            lock.left_at(along).sqrt()
        } else {
            TIP_SHARE + (1.0 - TIP_SHARE) * ((end - along) / TIP_OVER).min(1.0)
        };
        let (across, out) = crate::lock::frame(line, k);
        let before = line[k.saturating_sub(1)];
        let middle = before.lerp(&line[k], f64::from(1.0 - (k as f32 - along * last)));
        let lit = shade * (ROOT_SHADE + (1.0 - ROOT_SHADE) * (along / LIT_FROM).min(1.0));
        for side in [0.5, -0.5] {
            let aside = off + side * share * ends;
            part.points.push(drawn(&(middle + across * f64::from(wide * aside))));
            // The lock as a whole is round.
            let normal = (out + across * (2.0 * f64::from(off + side * share) * ROUND)).normalize();
            part.normals.push([normal.x, normal.y, normal.z].map(|x| x as f32));
            part.shades.push(lit);
        }
        pairs += 1;
        if along >= end {
            break;
        }
    }
    part.indices.extend(strip(first, pairs));
}

/// What a number, times the golden section, leaves: numbers that follow on each other leave what lies far apart.
fn left(number: usize) -> f64 {
    (number as f64 * GOLDEN).fract()
}

/// All of them in an order of which every beginning is spread over the head as they all are: who is slow may draw fewer. Those
/// come first whose number, times the golden section, leaves least: they lie about as far from each other (Steinhaus' three gaps).
fn all_over_first(locks: &[Lock]) -> impl Iterator<Item = &Lock> {
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
        part.indices.extend(strip(first, one.len() as u32));
    }
    part
}

/// How light a lock is. Neighbours are far apart in number, so that any even run of shades mixes them.
fn own_shade(number: usize) -> f32 {
    1.0 - UNEVEN * (number * 3 % SHADES) as f32 / (SHADES - 1) as f32
}

/// Triangles of a strip of so many pairs of corners, from its first corner on.
fn strip(first: u32, pairs: u32) -> impl Iterator<Item = u32> {
    (1..pairs).flat_map(move |k| {
        let at = first + 2 * (k - 1);
        [at, at + 1, at + 2, at + 2, at + 1, at + 3]
    })
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::Zone;

    #[test]
    fn a_wide_lock_is_strands_that_end_where_its_hair_does_and_one_that_winds_is_one_ribbon() {
        let lock = |points: usize, wide: f32| Lock {
            zone: Zone::Top,
            line: (0..points).map(|k| [90.0, 100.0 - 200.0 * k as f32 / (points - 1) as f32, 0.0]).collect(),
            root_mm: wide,
            width_mm: wide,
            gathered_at: 1.0,
            ends: [0.52, 0.75, 1.0],
        };
        let of = |lock: Lock| ribbons("hair", [1.0; 4], &[lock]);
        let fanned = of(lock(20, 10.4));
        // Each strand begins at the root; where it ends is its lowest point.
        let begins = |part: &ScenePart| -> Vec<usize> {
            (0..part.points.len()).step_by(2).filter(|i| part.points[*i][1] == 100.0).collect()
        };
        let first = begins(&fanned);
        assert_eq!(first.len(), 4);
        let mut ends: Vec<f32> = (first.iter().skip(1).copied().chain([fanned.points.len()]))
            .map(|next| (100.0 - fanned.points[next - 1][1]) / 200.0)
            .collect();
        ends.sort_by(f32::total_cmp);
        for (found, end) in ends.iter().zip([0.52, 0.673, 0.833, 1.0]) {
            assert!((found - end).abs() < 0.002, "{ends:?}");
        }
        let across = |part: &ScenePart| {
            let at_root = part.points.iter().filter(|p| p[1] == 100.0).map(|p| p[2]);
            at_root.clone().fold(f32::MIN, f32::max) - at_root.fold(f32::MAX, f32::min)
        };
        assert!((10.4..1.1 * 10.4).contains(&across(&fanned)), "{}", across(&fanned));
        assert_eq!(begins(&of(lock(100, 10.4))).len(), 1);
        let winds = Lock { width_mm: 2.0, gathered_at: 0.1, ..lock(20, 10.4) };
        assert_eq!(begins(&of(winds)).len(), 1);
    }

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
