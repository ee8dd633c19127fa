//! How far hair stands out: the volume in each cell, stacked on the head.

use super::cell::Below;
use super::field::{Field, LEAST_ROWS};
use super::fill::fill;
use super::worn::AsWorn;
use crate::constants::LINE_SHARE;
use crate::drape::cells::{CAP_ROWS, CAP_STEP, RINGS, azimuth_of, elevation_of, height_of};
use crate::drape::lie::RISE_RADIUS_MM;
use crate::drape::{AZIMUTHS, LEVEL_MM, Shell};
use crate::hair::{Hair, ShareLengths};
use crate::head::Vec3;
use rayon::prelude::*;
use std::f64::consts::TAU;

/// Layers of fibre, side by side, from which on the outline is counted in full: one closed layer. With less it is drawn in,
/// so that single stray ends make no outline.
const FULL: f64 = 1.0;
/// How many times more hair covers that stands and is seen from the side.
const ON_END: f64 = 4.0;
/// Steepest slope at which hair stays piled on hair beside it: steeper, it slides off.
const STEEPEST: f64 = 1.2;
/// Hairs times their width that pass somewhere, mm, below which they are rounding.
const ROUNDING: f64 = 1e-6;
/// Rows on either side of the ears' height between which the outline is mixed, and how often.
const MIXED_ROWS: usize = 5;
const MIXES: usize = 4;
/// Sweeps in which it slides.
const SLIDES: usize = 12;

/// How far hair stands out, over the head and below it.
#[derive(Debug, Clone)]
pub(crate) struct Surface {
    /// Where its outside lies: rows over the head, then below it, by azimuth.
    pub(super) outer: Vec<[Vec3; AZIMUTHS]>,
    /// How closed the hair is, 0 to 1: 1 where its outline could not be distinguished from a solid one.
    pub(super) cover: Vec<[f64; AZIMUTHS]>,
    /// Height of the perimeter by azimuth, mm; none where there is no hair.
    pub(super) perimeter: [Option<f64>; AZIMUTHS],
    /// Height of the outline on top, mm.
    pub(super) top_mm: f64,
}

impl Surface {
    /// Stacks the field on the head.
    pub(super) fn of(field: &Field, shell: &Shell) -> Self {
        let rows = CAP_ROWS + field.below.len();
        let mut thick = vec![[0.0; AZIMUTHS]; CAP_ROWS];
        let mut cover = vec![[0.0; AZIMUTHS]; CAP_ROWS];
        let wedge = TAU / AZIMUTHS as f64;
        for row in 0..CAP_ROWS {
            for i in 0..AZIMUTHS {
                let (cell, bare) = (&field.over[row][i], &shell.cap[row][i]);
                if cell.volume() <= 0.0 {
                    continue;
                }
                // No hair stands off further than it is long.
                let lies = bare.height_mm(cell.volume()).min(cell.longest_mm());
                cover[row][i] = (cell.cover_mm2() / (FULL * bare.area_mm2)).min(1.0);
                // What lies over the head is drawn in where little of it does; hair that stands is seen on end, row behind row.
                let stands = cell.stand_mm() * (ON_END * cover[row][i]).min(1.0);
                thick[row][i] = cover[row][i] * lies + stands;
            }
        }
        slide(&mut thick, &cover);
        let stands = field.over[CAP_ROWS - 1].map(|cell| cell.stand_mm());
        let around: [(f64, f64); AZIMUTHS] = std::array::from_fn(|i| azimuth_of(i).sin_cos());
        let mut outer: Vec<[Vec3; AZIMUTHS]> = (0..CAP_ROWS)
            .map(|row| std::array::from_fn(|i| shell.cap[row][i].at + shell.cap[row][i].out * thick[row][i]))
            .collect();
        let perimeter = std::array::from_fn(|i| perimeter(field, &outer, i));
        let below = (CAP_ROWS..rows).into_par_iter().with_min_len(LEAST_ROWS).map(|row| {
            let height = height_of(row);
            let bare = shell.at(height);
            let mut cover = [0.0; AZIMUTHS];
            let outer = std::array::from_fn(|i| {
                let cell = &field.below[row - CAP_ROWS][i];
                let (head, inner) = (bare.radius_mm(i), bare.inner_mm(i));
                // As over the head no hair stands off further than it is long.
                let full = stacked(cell, inner, stands[i], wedge).min(cell.reaches_mm() + stands[i]);
                let mut radius = head;
                if full > inner {
                    // The outline ends at the perimeter; what hangs below it is wisps.
                    let ends = perimeter[i].unwrap_or(f64::INFINITY);
                    let above = ((height - ends) / LEVEL_MM + 0.5).clamp(0.0, 1.0);
                    let closed = (cell.cover_mm() / (FULL * wedge * full)).min(1.0) * above;
                    cover[i] = closed;
                    radius = if head > 0.0 {
                        head.max(inner * closed) + closed * (full - inner.max(head))
                    } else {
                        full
                    };
                }
                let (sin, cos) = around[i];
                Vec3::new(radius * sin, height, radius * cos)
            });
            (outer, cover)
        });
        for (at, covered) in below.collect::<Vec<_>>() {
            outer.push(at);
            cover.push(covered);
        }
        mix_at_the_ears(&mut outer);
        // The middle of the first ring.
        let top_mm = outer[0].iter().map(|p| p.y).sum::<f64>() / AZIMUTHS as f64;
        Self { outer, cover, perimeter, top_mm }
    }

    /// How far it reaches from the axis by azimuth, mm.
    pub(super) fn reach_mm(&self) -> [f64; AZIMUTHS] {
        let furthest = self.outer.iter().fold([0.0_f64; AZIMUTHS], |furthest, row| {
            std::array::from_fn(|i| furthest[i].max(row[i].x * row[i].x + row[i].z * row[i].z))
        });
        furthest.map(f64::sqrt)
    }

    /// The surface of hair worn at these fibre lengths.
    pub fn worn(hair: &Hair, lengths: &[ShareLengths]) -> Self {
        Self::of(&fill(hair, &AsWorn::of(hair, lengths).0), &hair.shell)
    }
}

/// How far a place lies from the axis, mm.
pub(super) fn from_axis_mm(p: &Vec3) -> f64 {
    (p.x * p.x + p.z * p.z).sqrt()
}

/// Over the head hair is stacked on an area, below it on a height, and what lies across the border is counted on either side of
/// it: there the outline is mixed up and down as the hair is everywhere else.
fn mix_at_the_ears(outer: &mut [[Vec3; AZIMUTHS]]) {
    let (first, last) = (CAP_ROWS - MIXED_ROWS, (CAP_ROWS + MIXED_ROWS).min(outer.len()));
    for _ in 0..MIXES {
        for i in 0..AZIMUTHS {
            let radii: Vec<f64> = outer[first..last].iter().map(|row| from_axis_mm(&row[i])).collect();
            for (three, row) in radii.windows(3).zip(first + 1..) {
                let mixed = 0.25 * three[0] + 0.5 * three[1] + 0.25 * three[2];
                let p = &mut outer[row][i];
                *p = Vec3::new(p.x * mixed / three[1], p.y, p.z * mixed / three[1]);
            }
        }
    }
}

/// Hair piled over one place slides off until it lies no steeper than it can. Only hair slides, and only onto hair: at its
/// edge a ball of coils stands as it stands.
fn slide(thick: &mut [[f64; AZIMUTHS]], cover: &[[f64; AZIMUTHS]]) {
    let rows = thick.len();
    let down = STEEPEST * RISE_RADIUS_MM * CAP_STEP;
    for _ in 0..SLIDES {
        let before = thick.to_vec();
        let mut lies = true;
        for row in 0..rows {
            let across = STEEPEST * RISE_RADIUS_MM * elevation_of(row).cos() * TAU / AZIMUTHS as f64;
            for i in (0..AZIMUTHS).filter(|i| cover[row][*i] >= 1.0) {
                let here = before[row][i];
                let moves = |row: usize, cell: usize, most: f64| {
                    let over = before[row][cell] - here;
                    if over.abs() <= most || cover[row][cell] < 1.0 {
                        return 0.0;
                    }
                    0.125 * (over.abs() - most) * over.signum()
                };
                let (one, other) = ((i + 1) % AZIMUTHS, (i + AZIMUTHS - 1) % AZIMUTHS);
                let beside = moves(row, one, across) + moves(row, other, across);
                // Above the first row lies the same row on the other side of the top.
                let above = if row == 0 { (0, (i + AZIMUTHS / 2) % AZIMUTHS) } else { (row - 1, i) };
                let along = moves(above.0, above.1, down)
                    + if row + 1 < rows { moves(row + 1, i, down) } else { 0.0 };
                thick[row][i] = here + beside + along;
                lies &= beside == 0.0 && along == 0.0;
            }
        }
        if lies {
            return;
        }
    }
}

/// Outer radius of the hair of a cell below the head, mm: ring by ring from the inside, each lying where it hangs or on
/// what is already there, whichever is further out.
fn stacked(cell: &Below, inner: f64, stands: f64, wedge: f64) -> f64 {
    (0..RINGS).filter(|ring| cell.volume(*ring) > 0.0).fold(inner, |filled, ring| {
        let Some(at_mm) = cell.at_mm(ring) else { return filled };
        let from = filled.max(at_mm + stands);
        (from * from + 2.0 * cell.volume(ring) / wedge).sqrt()
    })
}

/// Mean height at which the lowest small share of the hair of an azimuth ends, mm.
///
/// Below the head that is exact. What ends below a height is what passes it and what is rooted below it; the mean of the ends of
/// the lowest share q of N hairs lies ∫ min(ends below y, q·N) dy / q·N below a height that q·N of them end below. Within a row
/// what passes is a step between what enters and what leaves it. Where fewer than that end below the ears, the rest of them ends
/// over the head.
fn perimeter(field: &Field, cap: &[[Vec3; AZIMUTHS]], i: usize) -> Option<f64> {
    let over = |row: usize| field.over[row][i].width_mm();
    let below = || field.below.iter().map(|row| &row[i]);
    let mut rooted: f64 = below().map(|cell| cell.rooted_mm()).sum();
    let enters = below().next().map_or(0.0, |cell| cell.entering_mm());
    let all =
        (0..CAP_ROWS).map(over).chain(below().map(|cell| cell.width_mm())).fold(enters + rooted, f64::max);
    if all <= ROUNDING {
        return None;
    }
    let enough = LINE_SHARE.value * all;
    let ends_below = enters + rooted;
    let leaving = below().skip(1).map(|cell| cell.entering_mm()).chain([0.0]);
    let down: f64 = below()
        .zip(leaving)
        .map(|(cell, leaving)| {
            let top = cell.entering_mm() + rooted;
            rooted -= cell.rooted_mm();
            let bottom = leaving + rooted;
            let mean = cell.width_mm() + rooted + 0.5 * cell.rooted_mm();
            if bottom >= enough {
                enough
            } else if top < enough {
                mean.min(enough)
            } else {
                let share = ((mean - bottom) / (top - bottom)).clamp(0.0, 1.0);
                share * enough + (1.0 - share) * bottom
            }
        })
        .sum();
    let lower = -LEVEL_MM * down / enough;
    if ends_below >= enough {
        return Some(lower);
    }
    let Some(last) = (0..CAP_ROWS).rposition(|row| over(row) >= enough) else { return Some(lower) };
    let height = |row: usize| cap[row][i].y;
    let share = if last + 1 == CAP_ROWS {
        0.0
    } else {
        (over(last) - enough) / (over(last) - over(last + 1)).max(f64::MIN_POSITIVE)
    };
    let over_the_head = height(last) + share * (height((last + 1).min(CAP_ROWS - 1)) - height(last));
    Some(lower + (1.0 - ends_below / enough) * over_the_head)
}

#[cfg(test)]
mod tests {
    use super::super::cell::Laid;
    use super::*;

    /// A cell with hair in one ring only.
    fn cell(ring: usize, volume: f64, at_mm: f64) -> Below {
        let mut cell = Below::default();
        cell.lay(&Laid::hanging(ring, volume, volume, volume * at_mm), 1.0);
        cell
    }

    #[test]
    fn a_full_ring_of_hair_has_the_area_it_takes() {
        let wedge = TAU / AZIMUTHS as f64;
        let outer = stacked(&cell(2, 500.0, 80.0), 0.0, 0.0, wedge);
        let area = 0.5 * wedge * (outer * outer - 80.0 * 80.0);
        assert!((area - 500.0).abs() < 1e-9);
        assert_eq!(stacked(&Below::default(), 93.0, 0.0, wedge), 93.0, "a bare head is a bare head");
    }

    #[test]
    fn hair_inside_fills_the_hollow_before_it_pushes_out_what_hangs_further_out() {
        let wedge = TAU / AZIMUTHS as f64;
        let mut both = cell(0, 100.0, 58.0);
        both.add(&cell(3, 200.0, 85.0));
        let alone = stacked(&cell(3, 200.0, 85.0), 0.0, 0.0, wedge);
        assert!((stacked(&both, 0.0, 0.0, wedge) - alone).abs() < 1e-9, "there is volume inside");
        both.add(&cell(0, 3900.0, 58.0));
        assert!(stacked(&both, 0.0, 0.0, wedge) > alone + 5.0, "now it pushes");
    }

    #[test]
    fn hair_slides_off_a_heap_and_none_is_lost() {
        let mut thick = vec![[10.0; AZIMUTHS]; 30];
        thick[20][5] = 120.0;
        let all = |thick: &[[f64; AZIMUTHS]]| thick.iter().flatten().sum::<f64>();
        let before = all(&thick);
        slide(&mut thick, &vec![[1.0; AZIMUTHS]; 30]);
        assert!(thick[20][5] < 100.0 && thick[20][6] > 12.0);
        assert!((all(&thick) - before).abs() < 1e-9);
    }
}
