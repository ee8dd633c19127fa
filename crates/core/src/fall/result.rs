//! What can be told from the fall.

use super::field::{Field, Worn, all_worn};
use super::outline::Surface;
use super::{AZIMUTHS, Outline};
use crate::constants::SEE_THROUGH;
use crate::hair::{Hair, Lengths, SHARES};
use crate::head::drawn;
use crate::reading::Zone;
use rayon::prelude::*;
use serde::Serialize;
use std::f64::consts::TAU;

/// Share of the fullest height at which hair still counts as strong.
const STRONG_SHARE: f64 = 0.5;
/// Share of the greatest width that still counts as widest.
const STILL_WIDEST: f64 = 0.99;
/// Strands that are handed out as lines to draw.
const LINES: usize = 160;

/// A zone as it is worn.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ZoneFall {
    /// Which zone.
    pub zone: Zone,
    /// Mean fibre length, mm.
    pub fibre_mm: f64,
    /// Mean worn length, mm.
    pub worn_mm: f64,
    /// Mean length of its shortest eighth, worn, mm.
    pub shortest_worn_mm: f64,
    /// Height above the ear canals at which its hair ends on average, mm.
    pub ends_at_mm: f64,
    /// Mass of its hair, g.
    pub mass_g: f64,
}

/// A share by height.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LevelShare {
    /// Height above the ear canals, mm.
    pub height_mm: f64,
    /// Share of light that comes through one layer of the hair here, 0 to 1.
    pub light: f64,
    /// Fibre width here as a share of the fullest height.
    pub fullness: f64,
    /// Mass per millimetre of height, g/mm.
    pub mass_g_per_mm: f64,
}

/// The fall of a head of hair.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Fall {
    /// From the front (and, mirrored, from behind): left one way, right the other.
    pub front: Outline,
    /// From the side: front one way, back the other.
    pub side: Outline,
    /// From above: greatest reach by azimuth, mm, from the front towards the client's left in even steps.
    pub top_mm: Vec<f64>,
    /// Height of the perimeter by azimuth, mm, in the same steps; none where there is no hair.
    pub perimeter_mm: Vec<Option<f64>>,
    /// Light, fullness and mass by height, from the top down.
    pub levels: Vec<LevelShare>,
    /// Zones in walking order.
    pub zones: Vec<ZoneFall>,
    /// Mass of all hair, g.
    pub mass_g: f64,
    /// Lowest height at which hair is as wide as anywhere, to 1 %, mm.
    pub widest_at_mm: f64,
    /// The greatest width from left to right, mm.
    pub width_mm: f64,
    /// Lowest height at which hair is still half as full as at its fullest, mm.
    pub strong_to_mm: f64,
    /// Height below which light comes through, mm.
    pub see_through_below_mm: f64,
    /// Lowest end, mm.
    pub lowest_mm: f64,
    /// Some strands as lines to draw, mm.
    pub lines: Vec<Vec<[f32; 3]>>,
}

/// How long the shares of every strand are as the client wears them.
pub struct AsWorn(pub(super) Vec<Worn>);

impl AsWorn {
    /// Of hair at these fibre lengths.
    pub fn of(hair: &Hair, lengths: &[Lengths]) -> Self {
        Self(all_worn(hair, lengths))
    }
}

/// The fall of hair at these fibre lengths, worn as the client wears it.
pub fn fall(hair: &Hair, lengths: &[Lengths]) -> Fall {
    fall_as_worn(hair, lengths, &AsWorn::of(hair, lengths))
}

/// The same where it is known how long they are worn.
pub(crate) fn fall_as_worn(hair: &Hair, lengths: &[Lengths], AsWorn(worn): &AsWorn) -> Fall {
    let field = Field::of(hair, worn);
    let surface = Surface::of(&field, &hair.shell, hair.form.top_mm());
    let front = Outline::across(&surface);
    let levels = levels(&field, &surface);
    let width_mm = front.widths_mm().fold(0.0, f64::max);
    let widest = front.widths_mm().rposition(|width| width >= STILL_WIDEST * width_mm).unwrap_or(0);
    let lowest = |holds: &dyn Fn(&LevelShare) -> bool| {
        levels.iter().rev().find(|level| holds(level)).map_or(hair.form.top_mm(), |level| level.height_mm)
    };
    Fall {
        widest_at_mm: front.heights_mm[widest],
        width_mm,
        side: Outline::from_the_side(&surface),
        top_mm: (0..AZIMUTHS).map(|i| surface.outer.iter().map(|row| row[i]).fold(0.0, f64::max)).collect(),
        perimeter_mm: perimeter(&field, &surface),
        zones: zones(hair, lengths, worn),
        mass_g: hair.mass_g(lengths),
        strong_to_mm: lowest(&|level| level.fullness >= STRONG_SHARE),
        see_through_below_mm: lowest(&|level| level.light <= SEE_THROUGH.value),
        lowest_mm: worn.iter().map(|worn| worn.lowest_mm).fold(f64::INFINITY, f64::min),
        lines: lines(hair, worn, LINES),
        front,
        levels,
    }
}

fn mean(lengths: &Lengths) -> f64 {
    lengths.iter().sum::<f64>() / SHARES as f64
}

/// Light through one layer: Beer–Lambert on summed fibre width per width of hair, along the outer edge.
fn levels(field: &Field, surface: &Surface) -> Vec<LevelShare> {
    let wedge = TAU / AZIMUTHS as f64;
    let fullest =
        field.rows.iter().map(|row| row.iter().map(|c| c.width_mm).sum::<f64>()).fold(0.0, f64::max);
    let level = |(row, cells): (usize, &[super::field::Cell; AZIMUTHS])| {
        let width: f64 = cells.iter().map(|cell| cell.width_mm).sum();
        let edge: f64 = (0..AZIMUTHS).map(|i| surface.cover[row][i] * wedge * surface.outer[row][i]).sum();
        LevelShare {
            height_mm: surface.height_mm(row),
            light: if edge > 0.0 { (-width / edge).exp() } else { 1.0 },
            fullness: if fullest > 0.0 { width / fullest } else { 0.0 },
            mass_g_per_mm: cells.iter().map(|cell| cell.mass_g_per_mm).sum(),
        }
    };
    field.rows.iter().enumerate().map(level).collect()
}

/// The lowest height at each azimuth to which hair still holds back light.
fn perimeter(field: &Field, surface: &Surface) -> Vec<Option<f64>> {
    let wedge = TAU / AZIMUTHS as f64;
    let enough = -SEE_THROUGH.value.ln();
    (0..AZIMUTHS)
        .map(|i| {
            let dense = |row: &usize| {
                surface.cover[*row][i] > 0.0
                    && field.rows[*row][i].width_mm > enough * wedge * surface.outer[*row][i]
            };
            (0..field.rows.len()).rev().find(dense).map(|row| surface.height_mm(row))
        })
        .collect()
}

fn zones(hair: &Hair, lengths: &[Lengths], worn: &[Worn]) -> Vec<ZoneFall> {
    let of = |zone: Zone| {
        // Sums of hairs, and of what is averaged over them.
        let mut hairs = 0.0;
        let mut sums = [0.0; 4];
        let mut mass_g = 0.0;
        for (i, strand) in hair.strands.iter().enumerate().filter(|(_, strand)| strand.root.zone == zone) {
            let (fibre, long) = (mean(&lengths[i]), mean(&worn[i].lengths));
            let shortest = worn[i].lengths.iter().copied().fold(f64::INFINITY, f64::min);
            let values = [fibre, long, shortest, hair.drapes[i].place(long).y];
            sums.iter_mut().zip(values).for_each(|(sum, value)| *sum += strand.hairs * value);
            hairs += strand.hairs;
            mass_g += strand.mass_g_per_mm() * fibre;
        }
        let [fibre_mm, worn_mm, shortest_worn_mm, ends_at_mm] = sums.map(|sum| sum / f64::max(hairs, 1e-9));
        ZoneFall { zone, fibre_mm, worn_mm, shortest_worn_mm, ends_at_mm, mass_g }
    };
    Zone::ALL.into_par_iter().map(of).collect()
}

/// About so many strands of hair worn at these fibre lengths, as lines, mm.
pub fn worn_lines(hair: &Hair, lengths: &[Lengths], count: usize) -> Vec<Vec<[f32; 3]>> {
    lines(hair, &all_worn(hair, lengths), count)
}

/// Every so many-th strand, at its mean length.
fn lines(hair: &Hair, worn: &[Worn], count: usize) -> Vec<Vec<[f32; 3]>> {
    let step = (hair.strands.len() / count).max(1);
    (0..hair.strands.len())
        .step_by(step)
        .map(|i| {
            let line = hair.drapes[i].line(mean(&worn[i].lengths));
            let last = line.len() - 1;
            line.iter().enumerate().filter(|(k, _)| k % 3 == 0 || *k == last).map(|(_, p)| drawn(p)).collect()
        })
        .collect()
}
