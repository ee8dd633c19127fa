//! Lines one pixel wide in the middle of what is set (Zhang, Suen 1984, Commun. ACM 27, 236).

use super::picture::Mask;

/// The mask, thinned. Whether a pixel goes depends on its neighbours alone, so one that stays is looked at again only when one of
/// them has gone: the work grows with the pixels, however thick what they show is.
pub(super) fn thinned(mask: &Mask) -> Mask {
    let mut mask = mask.clone();
    let set = |mask: &Mask| (0..mask.set.len()).filter(|i| mask.set[*i]).collect::<Vec<_>>();
    // To be looked at in the first pass and in the second, and for which a pixel is waiting.
    let mut waiting = [set(&mask), set(&mask)];
    let mut waits = [mask.set.clone(), mask.set.clone()];
    while waiting.iter().any(|pixels| !pixels.is_empty()) {
        for (pass, second) in [false, true].into_iter().enumerate() {
            let looked_at = std::mem::take(&mut waiting[pass]);
            for i in &looked_at {
                waits[pass][*i] = false;
            }
            let gone: Vec<usize> =
                looked_at.into_iter().filter(|i| mask.set[*i] && can_go(mask.round(*i), second)).collect();
            for i in &gone {
                mask.set[*i] = false;
            }
            for near in gone.iter().flat_map(|i| mask.neighbours(*i)).collect::<Vec<_>>() {
                for (pixels, waits) in waiting.iter_mut().zip(&mut waits) {
                    if mask.set[near] && !waits[near] {
                        waits[near] = true;
                        pixels.push(near);
                    }
                }
            }
        }
    }
    // Pixels in the corners of stairs have three neighbours where no lines meet: one after the other they go.
    for i in set(&mask) {
        if is_stair(mask.round(i)) {
            mask.set[i] = false;
        }
    }
    mask
}

/// Whether a pixel only fills the corner between two neighbours that touch anyway.
fn is_stair([n, ne, e, se, s, sw, w, nw]: [bool; 8]) -> bool {
    let corner = |one: bool, other: bool, far: [bool; 3]| one && other && !far.contains(&true);
    corner(n, e, [s, w, sw])
        || corner(e, s, [n, w, nw])
        || corner(s, w, [n, e, ne])
        || corner(w, n, [e, s, se])
}

/// Whether a pixel with these neighbours lies on the edge that this pass takes away, and nothing falls apart without it.
fn can_go(around: [bool; 8], second: bool) -> bool {
    let [n, _, e, _, s, _, w, _] = around;
    let neighbours = around.iter().filter(|set| **set).count();
    // Open to the south-east first, then to the north-west.
    let edge = if second { !(n && w && (e || s)) } else { !(e && s && (n || w)) };
    (2..=6).contains(&neighbours) && edge && changes(around) == 1
}

/// How often, once round, a pixel that isn't set is followed by one that is.
fn changes(around: [bool; 8]) -> usize {
    (0..8).filter(|i| !around[*i] && around[(i + 1) % 8]).count()
}

#[cfg(test)]
mod tests {
    use super::*;

    /// The same as the definition has it: every pixel is looked at in every pass.
    fn by_definition(mask: &Mask) -> Mask {
        let mut mask = mask.clone();
        loop {
            let before = mask.count();
            for second in [false, true] {
                let set = (0..mask.set.len()).filter(|i| mask.set[*i]);
                let gone: Vec<usize> = set.filter(|i| can_go(mask.round(*i), second)).collect();
                gone.into_iter().for_each(|i| mask.set[i] = false);
            }
            if mask.count() == before {
                break;
            }
        }
        for i in 0..mask.set.len() {
            if mask.set[i] && is_stair(mask.round(i)) {
                mask.set[i] = false;
            }
        }
        mask
    }

    #[test]
    fn looking_only_where_something_went_thins_as_the_definition_does() {
        let side = 96;
        for seed in 0..6_u64 {
            // Blots of all sizes that run into each other, and the picture's edge.
            let blots: Vec<(f64, f64, f64)> = (0..14)
                .map(|i| {
                    let turn = |k: u64| ((seed * 31 + i * 7 + k) as f64 * 0.618_034).fract();
                    (turn(1) * side as f64, turn(2) * side as f64, 1.0 + 14.0 * turn(3))
                })
                .collect();
            let inside = |i: usize| {
                let (x, y) = ((i % side) as f64, (i / side) as f64);
                blots.iter().any(|(bx, by, r)| (x - bx).hypot(y - by) < *r)
            };
            let mask = Mask { side, set: (0..side * side).map(inside).collect() };
            assert_eq!(thinned(&mask), by_definition(&mask), "{seed}");
        }
    }
}
