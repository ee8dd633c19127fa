//! Outlines of the worn hair.

use super::field::{Cell, Field, all_worn};
use super::shell::azimuth_of;
use super::{AZIMUTHS, LEVEL_MM, Shell};
use crate::hair::{Hair, Lengths};
use crate::head::Vec3;
use serde::Serialize;
use std::f64::consts::TAU;

/// How far hair stands out, by height and azimuth.
#[derive(Debug, Clone)]
pub(crate) struct Surface {
    pub(super) highest: i32,
    /// Outer radius of hair or head, mm, by level from the highest down, then azimuth; 0 where there is neither.
    pub(super) outer: Vec<[f64; AZIMUTHS]>,
    /// How closed the hair is, 0 to 1: 1 where its outline could not be told from a solid one.
    pub(super) cover: Vec<[f64; AZIMUTHS]>,
    /// The same of hair or head.
    solid: Vec<[f64; AZIMUTHS]>,
    /// Height of the outline on top, mm.
    pub(super) top_mm: f64,
}

/// Layers of fibre, side by side, from which on the outline is counted in full: one closed layer. With less it is drawn in, so that single
/// stray ends make no outline.
const FULL: f64 = 1.0;

impl Surface {
    /// Stacks the field outside the head.
    pub(super) fn of(field: &Field, shell: &Shell, head_top_mm: f64) -> Self {
        let wedge = TAU / AZIMUTHS as f64;
        let mut stands = [0.0; AZIMUTHS];
        let mut outer = Vec::with_capacity(field.rows.len());
        let mut cover = Vec::with_capacity(field.rows.len());
        let mut solid = Vec::with_capacity(field.rows.len());
        for (row, level) in field.rows.iter().zip((i32::MIN..=field.highest).rev()) {
            let mut radii = [0.0; AZIMUTHS];
            let mut covers = [0.0; AZIMUTHS];
            let mut solids = [0.0; AZIMUTHS];
            for (i, cell) in row.iter().enumerate() {
                let head = shell.radius_mm(level, i);
                // Hair that hangs lies on hair that stood off where it left the head.
                if cell.scalp_mm2 > 1.0 {
                    stands[i] = cell.stand_mm3 / cell.scalp_mm2;
                }
                radii[i] = head;
                let full = stacked(cell, head, stands[i], wedge);
                if full > head {
                    covers[i] = (cell.width_mm / (FULL * wedge * full)).min(1.0);
                    radii[i] = if head > 0.0 { head + covers[i] * (full - head) } else { full };
                }
                solids[i] = if head > 0.0 { 1.0 } else { covers[i] };
            }
            outer.push(radii);
            cover.push(covers);
            solid.push(solids);
        }
        // On top hair lies level: its thickness is what it would be wide at the least descent, times that.
        let near_top = (10.0 / LEVEL_MM) as usize;
        let thick = outer.get(near_top).map_or(0.0, |row| {
            let level = field.highest - near_top as i32;
            let over = row.iter().enumerate().map(|(i, r)| r - shell.radius_mm(level, i));
            over.sum::<f64>() / AZIMUTHS as f64 * 0.35
        });
        Self { highest: field.highest, outer, cover, solid, top_mm: head_top_mm + thick }
    }

    /// The surface of hair worn at these fibre lengths.
    pub fn worn(hair: &Hair, lengths: &[Lengths]) -> Self {
        Self::of(&Field::of(hair, &all_worn(hair, lengths)), &hair.shell, hair.form.top_mm())
    }

    pub(super) fn height_mm(&self, row: usize) -> f64 {
        f64::from(self.level(row)) * LEVEL_MM
    }

    /// Rows, from the top down.
    pub fn rows(&self) -> usize {
        self.outer.len()
    }

    /// Number of the level of a row.
    pub fn level(&self, row: usize) -> i32 {
        self.highest - row as i32
    }

    /// Height of the outline on top, mm.
    pub fn top_mm(&self) -> f64 {
        self.top_mm
    }

    /// How far hair or head stands out in a cell, mm, and how closed the hair is, 0 to 1.
    pub fn outer_mm(&self, row: usize, cell: usize) -> (f64, f64) {
        (self.outer[row][cell], self.cover[row][cell])
    }

    /// Where that is.
    pub fn point(&self, row: usize, cell: usize) -> Vec3 {
        let (sin, cos) = azimuth_of(cell).sin_cos();
        let out = self.outer[row][cell];
        Vec3::new(out * sin, self.height_mm(row), out * cos)
    }
}

/// Outer radius of the hair of a cell, mm: ring by ring from the inside, each lying where it hangs or on what is already
/// there, whichever is further out.
fn stacked(cell: &Cell, head: f64, stands: f64, wedge: f64) -> f64 {
    cell.room_mm2.iter().zip(&cell.moment_mm3).filter(|(room, _)| **room > 0.0).fold(
        head,
        |filled, (room, moment)| {
            let inner = filled.max(moment / room + stands);
            (inner * inner + 2.0 * room / wedge).sqrt()
        },
    )
}

/// An outline seen from one side: for each height how far hair or head reach to either hand, mm.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Outline {
    /// Heights above the ear canals, mm, from the top down.
    pub heights_mm: Vec<f64>,
    /// Reach towards the client's left (front and back view) or the front (side view), mm; negative where all that is
    /// there lies on the other side of the middle.
    pub one_mm: Vec<f64>,
    /// Reach the other way, mm, counted that way.
    pub other_mm: Vec<f64>,
}

impl Outline {
    /// Across the shoulders: left one way, right the other.
    pub(super) fn across(surface: &Surface) -> Self {
        Self::seen(surface, f64::sin)
    }

    /// From the side: front one way, back the other.
    pub(super) fn from_the_side(surface: &Surface) -> Self {
        Self::seen(surface, f64::cos)
    }

    fn seen(surface: &Surface, share: impl Fn(f64) -> f64) -> Self {
        let mut out = Self { heights_mm: vec![surface.top_mm], one_mm: vec![0.0], other_mm: vec![0.0] };
        let shares: [f64; AZIMUTHS] = std::array::from_fn(|i| share(azimuth_of(i)));
        for row in 0..surface.outer.len() {
            let there = || (0..AZIMUTHS).filter(|i| surface.solid[row][*i] > 0.0);
            let at = |i: usize| surface.outer[row][i] * shares[i];
            let (sum, weight) = there().fold((0.0, 0.0), |(sum, weight), i| {
                let solid = surface.solid[row][i];
                (sum + solid * at(i), weight + solid)
            });
            if weight == 0.0 {
                continue;
            }
            // Hair that is hardly there draws the outline hardly out of the middle of what is.
            let middle = sum / weight;
            let drawn = |i: usize| middle + surface.solid[row][i] * (at(i) - middle);
            out.heights_mm.push(surface.height_mm(row));
            out.one_mm.push(there().map(drawn).fold(middle, f64::max));
            out.other_mm.push(-there().map(drawn).fold(middle, f64::min));
        }
        out
    }

    /// Whole width by height, mm.
    pub fn widths_mm(&self) -> impl DoubleEndedIterator<Item = f64> + ExactSizeIterator + '_ {
        self.one_mm.iter().zip(&self.other_mm).map(|(one, other)| one + other)
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    /// A cell with hair in one ring only.
    fn cell(ring: usize, room_mm2: f64, at_mm: f64) -> Cell {
        let mut cell = Cell::default();
        cell.room_mm2[ring] = room_mm2;
        cell.moment_mm3[ring] = room_mm2 * at_mm;
        cell
    }

    #[test]
    fn a_full_ring_of_hair_has_the_area_it_takes() {
        let wedge = TAU / AZIMUTHS as f64;
        let outer = stacked(&cell(2, 500.0, 80.0), 0.0, 0.0, wedge);
        let area = 0.5 * wedge * (outer * outer - 80.0 * 80.0);
        assert!((area - 500.0).abs() < 1e-9);
        assert_eq!(stacked(&Cell::default(), 93.0, 0.0, wedge), 93.0, "a bare head is a bare head");
    }

    #[test]
    fn hair_inside_fills_the_hollow_before_it_pushes_out_what_hangs_further_out() {
        let wedge = TAU / AZIMUTHS as f64;
        let mut both = cell(0, 100.0, 58.0);
        both.room_mm2[3] = 200.0;
        both.moment_mm3[3] = 200.0 * 85.0;
        let alone = stacked(&cell(3, 200.0, 85.0), 0.0, 0.0, wedge);
        assert!((stacked(&both, 0.0, 0.0, wedge) - alone).abs() < 1e-9, "there is room inside");
        both.room_mm2[0] = 4000.0;
        both.moment_mm3[0] = 4000.0 * 58.0;
        assert!(stacked(&both, 0.0, 0.0, wedge) > alone + 5.0, "now it pushes");
    }
}
