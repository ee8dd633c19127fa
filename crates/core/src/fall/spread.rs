//! Spreads the hair of each cell over its neighbours.

use super::cell::{Below, Cell, OverDirection};
use super::field::{Field, LEAST_ROWS};
use crate::drape::cells::{CAP_ROWS, elevation_of};
use crate::drape::lie::RISE_RADIUS_MM;
use crate::drape::{AZIMUTHS, Shell};
use rayon::prelude::*;
use std::f64::consts::TAU;

/// How far guide strands are spread over their neighbours, standard deviation, mm.
const SPREAD_MM: f64 = 10.0;
/// Share of its thickness by which hair is pushed to the side by the hair beside it.
const PUSHED_SHARE: f64 = 1.5;
/// Share of the way round a head that has hair.
const HAIRY_SHARE: f64 = 0.75;

/// Spreads each cell over its neighbours: so far that guide strands stand for the hair between them, and as far again as
/// its share of the thickness of the hair, which pushes itself to the side as it pushes itself out; that only onto hair, so
/// that the face stays free. And one cell up and down: over the head and below it rows hold different things, so each is
/// mixed by itself.
pub(super) fn spread(field: &mut Field, shell: &Shell) {
    let Field { over, below, .. } = field;
    rayon::join(|| over_the_head(over, shell), || below_it(below));
}

fn over_the_head(rows: &mut [[OverDirection; AZIMUTHS]], shell: &Shell) {
    debug_assert_eq!(rows.len(), CAP_ROWS);
    rows.par_iter_mut().with_min_len(LEAST_ROWS).enumerate().for_each(|(number, row)| {
        let cap = &shell.cap[number];
        let area: f64 = cap.iter().map(|cell| cell.area_mm2).sum();
        let volume: f64 = row.iter().map(|cell| cell.volume()).sum();
        let swells = (1.0 + 3.0 * volume / (HAIRY_SHARE * area * RISE_RADIUS_MM)).cbrt();
        let thick = RISE_RADIUS_MM * (swells - 1.0);
        let apart = elevation_of(number).cos() * RISE_RADIUS_MM * TAU / AZIMUTHS as f64;
        let hairy = std::array::from_fn(|i| (row[i].cover_mm2() / cap[i].area_mm2).min(1.0));
        round(row, &hairy, thick, apart);
    });
    // Rows hold what lies on areas of different size.
    let scale = |rows: &mut [[OverDirection; AZIMUTHS]], by: fn(f64) -> f64| {
        for (number, row) in rows.iter_mut().enumerate() {
            let times = by(elevation_of(number).cos());
            row.iter_mut().for_each(|cell| *cell = cell.times(times));
        }
    };
    scale(rows, f64::recip);
    for _ in 0..2 {
        // How much passes is known better than to a row: that is not mixed.
        up_and_down(rows, |mixed, here| mixed.crossed_as(here));
    }
    scale(rows, |area| area);
}

fn below_it(rows: &mut [[Below; AZIMUTHS]]) {
    rows.par_iter_mut().with_min_len(LEAST_ROWS).for_each(|row| {
        let volume: f64 = row.iter().map(|cell| cell.all_volume()).sum();
        let outer = (RISE_RADIUS_MM.powi(2) + 2.0 * volume / (HAIRY_SHARE * TAU)).sqrt();
        let apart = RISE_RADIUS_MM * TAU / AZIMUTHS as f64;
        let hairy = std::array::from_fn(|i| (row[i].cover_mm() / apart).min(1.0));
        round(row, &hairy, outer - RISE_RADIUS_MM, apart);
    });
    up_and_down(rows, |mixed, here| mixed.passed_as(here));
}

/// Round a row of hair so thick, whose cells lie so far apart, mm.
fn round<const N: usize>(row: &mut [Cell<N>; AZIMUTHS], hairy: &[f64; AZIMUTHS], thick: f64, apart: f64) {
    // Half the variance of the spread, in cells, is what a step of diffusion conducts; two steps make it smooth.
    let (spread, pushed) = (SPREAD_MM / apart, PUSHED_SHARE * thick / apart);
    let between = |i: usize| {
        let both = hairy[i] * hairy[(i + 1) % AZIMUTHS];
        0.25 * (spread * spread + pushed * pushed * both)
    };
    let ring = Ring::of(&std::array::from_fn(between));
    for _ in 0..2 {
        ring.diffuse(row);
    }
}

/// At the first and the last row the missing neighbour is the row itself.
fn up_and_down<const N: usize>(
    rows: &mut [[Cell<N>; AZIMUTHS]],
    keep: impl Fn(Cell<N>, &Cell<N>) -> Cell<N>,
) {
    // What stood in the row above before it was mixed.
    let Some(mut above) = rows.first().copied() else { return };
    for i in 0..rows.len() {
        let (done, rest) = rows.split_at_mut(i + 1);
        let row = &mut done[i];
        for (azimuth, (cell, above)) in row.iter_mut().zip(&mut above).enumerate() {
            let here = *cell;
            let below = rest.first().map_or(&here, |row| &row[azimuth]);
            *cell = keep(here.between(above, below), &here);
            *above = here;
        }
    }
}

/// A step of diffusion round a row: what cell i conducts to the next is `conducts[i]`. Solved as it will be afterwards, so that
/// a step may be as long as it likes: a cyclic tridiagonal system (Sherman and Morrison's way of cutting the ring). What
/// doesn't depend on what is in the cells is worked out once.
struct Ring {
    behind: [f64; AZIMUTHS],
    ahead: [f64; AZIMUTHS],
    per_pivot: [f64; AZIMUTHS],
    /// What a unit in both cells at the seam comes to.
    seam: [f64; AZIMUTHS],
    /// The last cell's weight at the seam, and what the seam's solution comes to there.
    back: f64,
    whole: f64,
}

const LAST: usize = AZIMUTHS - 1;

impl Ring {
    fn of(conducts: &[f64; AZIMUTHS]) -> Self {
        let cut = conducts[LAST];
        // With the ring cut, the first and last cell keep their own; what the seam conducts is put back at the end.
        let gamma = -(1.0 + conducts[0] + cut);
        let mut ring = Self {
            behind: [0.0; AZIMUTHS],
            ahead: [0.0; AZIMUTHS],
            per_pivot: [0.0; AZIMUTHS],
            seam: [0.0; AZIMUTHS],
            back: -cut / gamma,
            whole: 0.0,
        };
        (ring.seam[0], ring.seam[LAST]) = (gamma, -cut);
        for i in 0..AZIMUTHS {
            let own = 1.0 + conducts[i] + conducts[(i + LAST) % AZIMUTHS];
            let own = match i {
                0 => own - gamma,
                LAST => own - cut * cut / gamma,
                _ => own,
            };
            let (behind, carried) = if i == 0 { (0.0, 0.0) } else { (conducts[i - 1], ring.ahead[i - 1]) };
            ring.per_pivot[i] = 1.0 / (own - behind * carried);
            ring.behind[i] = behind;
            ring.ahead[i] = if i == LAST { 0.0 } else { conducts[i] * ring.per_pivot[i] };
            let before = if i == 0 { 0.0 } else { ring.seam[i - 1] };
            ring.seam[i] = (ring.seam[i] + behind * before) * ring.per_pivot[i];
        }
        for i in (0..LAST).rev() {
            ring.seam[i] += ring.ahead[i] * ring.seam[i + 1];
        }
        ring.whole = 1.0 + ring.seam[0] + ring.back * ring.seam[LAST];
        ring
    }

    fn diffuse<const N: usize>(&self, row: &mut [Cell<N>; AZIMUTHS]) {
        let mut before = Cell::default();
        for (i, cell) in row.iter_mut().enumerate() {
            for (number, before) in cell.0.iter_mut().zip(before.0) {
                *number = (*number + self.behind[i] * before) * self.per_pivot[i];
            }
            before = *cell;
        }
        for i in (0..LAST).rev() {
            let after = row[i + 1];
            for (number, after) in row[i].0.iter_mut().zip(after.0) {
                *number += self.ahead[i] * after;
            }
        }
        let (first, last) = (row[0], row[LAST]);
        let share: [f64; N] = std::array::from_fn(|k| (first.0[k] + self.back * last.0[k]) / self.whole);
        for (cell, seam) in row.iter_mut().zip(self.seam) {
            for (number, share) in cell.0.iter_mut().zip(share) {
                *number -= share * seam;
            }
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn diffusion_keeps_what_there_is_and_spreads_it_evenly_to_both_sides() {
        let mut row = [Cell([0.0]); AZIMUTHS];
        row[0].0[0] = 3.0;
        Ring::of(&[2.5; AZIMUTHS]).diffuse(&mut row);
        let all: f64 = row.iter().map(|cell| cell.0[0]).sum();
        assert!((all - 3.0).abs() < 1e-12);
        for i in 1..AZIMUTHS {
            assert!((row[i].0[0] - row[AZIMUTHS - i].0[0]).abs() < 1e-12);
            // What stands in the middle of a row is what solves the equation there.
            let (before, after) = (row[i - 1].0[0], row[(i + 1) % AZIMUTHS].0[0]);
            assert!((6.0 * row[i].0[0] - 2.5 * (before + after)).abs() < 1e-9, "{i}");
        }
    }

    #[test]
    fn nothing_is_conducted_onto_a_bare_face() {
        let mut row = [Cell([0.0]); AZIMUTHS];
        (20..50).for_each(|i| row[i].0[0] = 1.0);
        Ring::of(&std::array::from_fn(|i| if (20..49).contains(&i) { 40.0 } else { 0.0 })).diffuse(&mut row);
        assert!(row.iter().enumerate().all(|(i, cell)| (20..50).contains(&i) || cell.0[0].abs() < 1e-12));
    }
}
