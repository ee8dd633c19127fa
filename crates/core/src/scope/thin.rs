//! Lines one pixel wide in the middle of what is set (Zhang, Suen 1984, Commun. ACM 27, 236).

use super::picture::Mask;

/// The mask, thinned.
pub(super) fn thinned(mask: &Mask) -> Mask {
    let mut mask = mask.clone();
    let mut alive: Vec<usize> = (0..mask.set.len()).filter(|i| mask.set[*i]).collect();
    loop {
        let before = alive.len();
        for second in [false, true] {
            let gone: Vec<usize> = alive.iter().copied().filter(|i| can_go(mask.round(*i), second)).collect();
            for i in gone {
                mask.set[i] = false;
            }
            alive.retain(|i| mask.set[*i]);
        }
        if alive.len() == before {
            break;
        }
    }
    // Pixels in the corners of stairs have three neighbours where no lines meet: one after the other they go.
    for i in alive {
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
