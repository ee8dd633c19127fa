//! Where lines stop.

use super::picture::{AROUND, Mask};

/// Pixels along the edge of the picture in which nothing is taken for an end: a line that leaves the picture goes on.
const EDGE_PX: usize = 3;

/// Ends of the lines of a thinned mask, without those of spurs: lines shorter than `spur_px` that hang on another.
pub(super) fn ends(lines: &Mask, spur_px: f64) -> u32 {
    let inside = |i: usize| {
        let within = |at: usize| at >= EDGE_PX && at + EDGE_PX < lines.side;
        within(i % lines.side) && within(i / lines.side)
    };
    let is_end = |i: &usize| lines.set[*i] && inside(*i) && is_tip(lines.round(*i));
    let mut way_of = vec![0; lines.set.len()];
    let tips = (0..lines.set.len()).filter(is_end).enumerate();
    tips.filter(|(number, i)| !is_spur(lines, *i, spur_px, &mut way_of, 1 + *number as u32)).count() as u32
}

/// Whether a line stops here: one neighbour, or two that touch.
fn is_tip(around: [bool; 8]) -> bool {
    let neighbours = around.iter().filter(|set| **set).count();
    neighbours == 1 || neighbours == 2 && (0..8).any(|i| around[i] && around[(i + 1) % 8])
}

/// Whether the line from an end meets a fork before it is so long, or is no longer as a whole. `way_of` says of each pixel on the
/// way of which number it was last.
fn is_spur(lines: &Mask, end: usize, spur_px: f64, way_of: &mut [u32], number: u32) -> bool {
    let mut here = end;
    way_of[end] = number;
    let mut length = 0.0;
    while length < spur_px {
        let (x, y) = ((here % lines.side) as isize, (here / lines.side) as isize);
        // Straight steps first: a slanting one beside them is the same way.
        let step = [0, 2, 4, 6, 1, 3, 5, 7].into_iter().find_map(|k| {
            let (dx, dy) = AROUND[k];
            let next =
                lines.at(x + dx, y + dy).then(|| (y + dy) as usize * lines.side + (x + dx) as usize)?;
            (way_of[next] != number)
                .then_some((next, if k % 2 == 0 { 1.0 } else { std::f64::consts::SQRT_2 }))
        });
        let Some((next, far)) = step else { return true };
        way_of[next] = number;
        here = next;
        length += far;
        if lines.round(next).iter().filter(|set| **set).count() > 2 {
            return true;
        }
    }
    false
}

#[cfg(test)]
mod tests {
    use super::*;

    fn drawn(rows: &[&str]) -> Mask {
        let side = 24;
        let mut set = vec![false; side * side];
        for (y, row) in rows.iter().enumerate() {
            for (x, c) in row.chars().enumerate() {
                set[(y + 5) * side + x + 5] = c == '#';
            }
        }
        Mask { side, set }
    }

    #[test]
    fn a_line_has_two_ends_a_ring_none_and_a_spur_none() {
        assert_eq!(ends(&drawn(&["##########"]), 3.0), 2);
        assert_eq!(ends(&drawn(&["#", " #", "  #", "   ####"]), 3.0), 2);
        assert_eq!(ends(&drawn(&[" ### ", "#   #", "#   #", "#   #", " ### "]), 3.0), 0);
        let spurred = drawn(&["      #      ", "      #      ", "#############"]);
        assert_eq!(ends(&spurred, 3.0), 2, "a spur of two");
        let arm = "      #      ";
        let forked = drawn(&[arm, arm, arm, arm, arm, arm, "#############"]);
        assert_eq!(ends(&forked, 3.0), 3, "a line of its own");
    }

    #[test]
    fn a_line_that_leaves_the_picture_has_no_end_there() {
        let mut lines = drawn(&[]);
        for x in 0..12 {
            lines.set[12 * lines.side + x] = true;
        }
        assert_eq!(ends(&lines, 3.0), 1);
    }
}
