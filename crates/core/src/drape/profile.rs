//! How much hair lies in a millimetre of its worn height, by the distance from its end.
//!
//! A curl is closed at its end and pulled open above: a worn millimetre near the end holds more fibre, and fibre that needs
//! more volume, than one near the root. Both are plain functions of the height h above the end, whatever the length of the
//! hair, because pull grows from the end upwards. They are kept as sums of exponentials in h with coefficients of one
//! sign, so that what thousands of hairs of any length put into a column of cells is summed by a recurrence from cell to
//! cell, exactly, and nothing can come out negative.

use crate::fibre::Rod;
use nalgebra::{Matrix4, SMatrix, SVector, Vector4};
use std::f64::consts::TAU;

/// Decay lengths of the sums, mm of worn height. Four, a factor of four apart, follow the opening of wave, ringlet and
/// coil to about two parts in a hundred, and all of them follow from one exponential ([`fourth_powers`]).
pub(crate) const DECAY_MM: [f64; TERMS] = [10.0, 40.0, 160.0, 640.0];
/// Number of decaying terms.
pub(crate) const TERMS: usize = 4;

/// Fibre lengths at which the law is asked, mm: each twice the one before.
const NODES: usize = 11;
const FIRST_MM: f64 = 1.5;
/// Loops larger than this are bends in hair that is as good as straight, mm.
const LARGEST_LOOP_MM: f64 = 100.0;
/// Loops of which half nest in their neighbours': with 12 waves flare at a line by 1.3 times at most. Brushed out hairs are out
/// of phase, and few nest.
const NESTING_LOOPS: f64 = 12.0;
const LOOSE_LOOPS: f64 = 4.0;
/// Length in mm that is added to each node's before its error is counted in shares of it: ends shorter than that
/// matter to no outline.
const LEAST_MM: f64 = 4.0;

/// What each term adds up to at each node, as the errors are weighed.
type Rows = SMatrix<f64, NODES, TERMS>;

/// Share of the longest decay up to which a piece of a path is short.
const SHORT: f64 = 0.0625;

/// Decaying coefficients, one a term.
pub(crate) type Terms = [f64; TERMS];

/// The fibre in a worn millimetre at height h above the end is 1 + Σ fibreⱼ·e^(−h/τⱼ), mm, and what is closed of it,
/// (1 − x²)²/x, is Σ closedⱼ·e^(−h/τⱼ).
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct Profile {
    pub(crate) fibre: Terms,
    pub(crate) closed: Terms,
}

impl Profile {
    /// The profile of hair that hangs as this rod does.
    pub fn of(rod: &Rod, nests: bool) -> Self {
        let nodes: [f64; NODES] = std::array::from_fn(|i| FIRST_MM * f64::from(1_u32 << i));
        let coiled = coiled(rod, nests);
        // Within a quarter turn of its end a hair has bent, and no loop has closed.
        let quarter = 0.25 * TAU * rod.radius_mm.min(LARGEST_LOOP_MM);
        // The end, then half way to each node and the node itself.
        let mut asked = [quarter; 2 * NODES + 1];
        let mut from = 0.0;
        for (half, fibre) in (1..).step_by(2).zip(nodes) {
            asked[half] += 0.5 * (from + fibre);
            asked[half + 1] += fibre;
            from = fibre;
        }
        let hanging = rod.helices(&asked);
        let closed = hanging.map(|(_, x)| coiled * (1.0 - x * x).powi(2));
        // Simpson's rule from node to node; the first from the very end.
        let mut sum = 0.0;
        let mut from = 0.0;
        let at: [_; NODES] = std::array::from_fn(|i| {
            let (low, half, high) = (2 * i, 2 * i + 1, 2 * i + 2);
            sum += (nodes[i] - from) / 6.0 * (closed[low] + 4.0 * closed[half] + closed[high]);
            from = nodes[i];
            // As a spiral, whatever its length: this is the end of long hair. Short hair hangs as a hook, deeper than that, and is
            // scaled to its fibre where it is used.
            (hanging[high].0 - hanging[0].0, from, sum)
        });
        let weights = nodes.map(|fibre| 1.0 / (fibre + LEAST_MM));
        let rows = Rows::from_fn(|i, k| weights[i] * DECAY_MM[k] * -(-at[i].0 / DECAY_MM[k]).exp_m1());
        let fit = |wanted: &dyn Fn(&(f64, f64, f64)) -> f64| {
            Terms::from(not_negative(&rows, &SVector::from_fn(|i, _| weights[i] * wanted(&at[i]))))
        };
        Self { fibre: fit(&|(height, fibre, _)| fibre - height), closed: fit(&|(_, _, closed)| *closed) }
    }

    /// Fibre in the lowest `height_mm`, mm, given e^(−h/τ) of it.
    pub(crate) fn fibre_mm(&self, height_mm: f64, decayed: &Terms) -> f64 {
        height_mm + sum(&self.fibre, decayed)
    }

    /// Closed fibre in the same, mm.
    #[cfg(test)]
    fn closed_mm(&self, height_mm: f64) -> f64 {
        sum(&self.closed, &decayed(height_mm))
    }
}

/// How far loops keep their neighbours away, 0 to 1: by how many of them its own weight leaves closed. Waves are a few long bends
/// that nest in each other; ringlets and coils, of many, don't.
fn coiled(rod: &Rod, nests: bool) -> f64 {
    let loops = rod.characteristic_length_mm() / (TAU * rod.radius_mm);
    let half = if nests { NESTING_LOOPS } else { LOOSE_LOOPS };
    loops * loops / (loops * loops + half * half)
}

/// e^(−h/τ) for each term.
pub(crate) fn decayed(height_mm: f64) -> Terms {
    fourth_powers(decayed_slowest(height_mm))
}

/// The same for the term that decays over the longest height.
pub(crate) fn decayed_slowest(height_mm: f64) -> f64 {
    (-height_mm / DECAY_MM[TERMS - 1]).exp()
}

/// e^(h/τ) for each term.
pub(crate) fn grown(height_mm: f64) -> Terms {
    fourth_powers(decayed_slowest(-height_mm))
}

/// [`grown`] over a piece of a path. Most are short against the longest decay: there a few terms of the series, in pairs, are as
/// exact as the exponential and sooner there.
pub(crate) fn grown_on(piece_mm: f64) -> Terms {
    let x = piece_mm * (1.0 / DECAY_MM[TERMS - 1]);
    if x.abs() > SHORT {
        return grown(piece_mm);
    }
    let (square, pair) = (x * x, |constant: f64, slope: f64| constant + slope * x);
    let low = pair(1.0, 1.0) + square * pair(1.0 / 2.0, 1.0 / 6.0);
    let high = pair(1.0 / 24.0, 1.0 / 120.0) + square * pair(1.0 / 720.0, 1.0 / 5040.0);
    fourth_powers(low + square * square * high)
}

/// The last of the terms and, as decay lengths are a factor of four apart, each before it as the fourth power of the next.
pub(crate) fn fourth_powers(last: f64) -> Terms {
    let mut terms = [last; TERMS];
    for i in (0..TERMS - 1).rev() {
        let square = terms[i + 1] * terms[i + 1];
        terms[i] = square * square;
    }
    terms
}

fn sum(terms: &Terms, decayed: &Terms) -> f64 {
    terms.iter().zip(DECAY_MM).zip(decayed).map(|((term, decay), left)| term * decay * (1.0 - left)).sum()
}

/// Least squares with no negative coefficient, by the active sets of Lawson and Hanson (Solving Least Squares Problems,
/// 1974, chapter 23). The problem is convex, so there is one answer, and it follows what is asked without a jump.
fn not_negative(rows: &Rows, targets: &SVector<f64, NODES>) -> Vector4<f64> {
    let square = rows.tr_mul(rows);
    let right = rows.tr_mul(targets);
    let mut found = Vector4::zeros();
    let mut free = [false; TERMS];
    // Every round frees a term and lowers the error, so no set of free terms comes twice, and there are 2^4 of them.
    for _ in 0..1 << TERMS {
        let pull = right - square * found;
        // A term that pulls by less than rounding stays at nothing.
        let pulls = |i: &usize| !free[*i] && pull[*i] > 1e-12 * right[*i].abs();
        let Some(next) = (0..TERMS).filter(pulls).max_by(|i, k| pull[*i].total_cmp(&pull[*k])) else { break };
        free[next] = true;
        while free.contains(&true) {
            let wanted = solved(&square, &right, &free);
            // As far as the first free term that would fall below nothing lets it go; that term is free no more.
            let stop = (0..TERMS)
                .filter(|i| free[*i] && wanted[*i] <= 0.0)
                .map(|i| (i, found[i] / (found[i] - wanted[i])))
                .min_by(|one, other| one.1.total_cmp(&other.1));
            let Some((first, share)) = stop else {
                found = wanted;
                break;
            };
            found += share * (wanted - found);
            found[first] = 0.0;
            free[first] = false;
        }
    }
    found
}

/// The least squares of the free terms alone, the others nothing.
fn solved(square: &Matrix4<f64>, right: &Vector4<f64>, free: &[bool; TERMS]) -> Vector4<f64> {
    let both = |i, k| if free[i] && free[k] { square[(i, k)] } else { f64::from(u8::from(i == k)) };
    let asked = Vector4::from_fn(|i, _| if free[i] { right[i] } else { 0.0 });
    Matrix4::from_fn(both).cholesky().map_or_else(Vector4::zeros, |factors| factors.solve(&asked))
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::fibre::LengthModel;
    use proptest::array::{uniform4, uniform11};
    use proptest::prelude::*;

    fn rod(radius: f64, pitch: f64) -> Rod {
        let model = LengthModel {
            loop_radius_mm: radius,
            natural_pitch: pitch,
            diameter_um: 70.0,
            stiffness: 1.0,
            softening: 1.0,
        };
        model.rod(0.0, 1.0)
    }

    #[test]
    fn short_pieces_grow_as_long_ones_do() {
        for piece in [-90.0, -14.0, 0.0, 1e-3, 3.5, 14.0, 39.9, 40.1, 700.0] {
            for (by_series, exact) in grown_on(piece).into_iter().zip(grown(piece)) {
                assert!((by_series / exact - 1.0).abs() < 1e-12, "{piece}: {by_series} {exact}");
            }
        }
    }

    #[test]
    fn the_sums_hold_the_fibre_that_hangs_in_a_height() {
        for (radius, pitch) in [(1e6, 0.3), (60.0, 0.3), (20.0, 0.3), (8.0, 0.3), (3.0, 0.2), (1.5, 0.1)] {
            let rod = rod(radius, pitch);
            let profile = Profile::of(&rod, true);
            for fibre in [40.0, 130.0, 310.0, 700.0] {
                let quarter = 0.25 * TAU * radius.min(LARGEST_LOOP_MM);
                let height = rod.helix_mm(fibre + quarter, 0.0) - rod.helix_mm(quarter, 0.0);
                let held = profile.fibre_mm(height, &decayed(height));
                assert!((held / fibre - 1.0).abs() < 0.05, "{radius} {fibre}: {held}");
                // The closed part by a fine sum of its own.
                let coiled = coiled(&rod, true);
                let steps = 2000;
                let closed: f64 = (0..steps)
                    .map(|i| {
                        let x = rod.extension(
                            rod.weight_mn_mm * (quarter + fibre * (f64::from(i) + 0.5) / f64::from(steps)),
                        );
                        coiled * (1.0 - x * x).powi(2) * fibre / f64::from(steps)
                    })
                    .sum();
                let off = (profile.closed_mm(height) - closed).abs() / fibre;
                assert!(off < 0.05, "{radius} {fibre}: {} {closed}", profile.closed_mm(height));
            }
        }
    }

    proptest! {
        // What makes a point the least of a convex problem: no term left that could lower the error.
        #[test]
        fn no_term_of_the_fit_could_lower_its_error(cells in uniform11(uniform4(0.01..10.0)), targets in uniform11(-1.0..3.0)) {
            let rows = Rows::from_fn(|i, k| cells[i][k]);
            let targets = SVector::from(targets);
            let found = not_negative(&rows, &targets);
            let pull = rows.tr_mul(&(targets - rows * found));
            for (term, pull) in found.iter().zip(&pull) {
                prop_assert!(*term >= 0.0 && *pull < 1e-9 && (*term == 0.0 || *pull > -1e-9), "{found} {pull}");
            }
        }
    }

    #[test]
    fn one_exponential_tells_all_terms() {
        for height in [0.0, 3.0, 47.0, 800.0] {
            for ((decays, grows), decay) in decayed(height).iter().zip(grown(height)).zip(DECAY_MM) {
                assert!((decays / (-height / decay).exp() - 1.0).abs() < 1e-12, "{height} {decay}");
                assert!((decays * grows - 1.0).abs() < 1e-12);
            }
        }
    }

    #[test]
    fn straight_hair_has_a_millimetre_in_a_millimetre_and_a_curl_has_more_at_its_end() {
        let straight = Profile::of(&rod(1e6, 0.3), true);
        assert!(straight.fibre.iter().chain(&straight.closed).all(|term| *term < 1e-2), "{straight:?}");
        let ringlet = Profile::of(&rod(8.0, 0.3), true);
        let at = |h: f64| 1.0 + ringlet.fibre.iter().zip(decayed(h)).map(|(a, e)| a * e).sum::<f64>();
        assert!(at(0.0) > 1.3 * at(250.0), "{} {}", at(0.0), at(250.0));
    }
}
