//! What is read from the fall.

use super::Outline;
use super::field::Field;
use super::fill::fill;
use super::outline::Levels;
use super::surface::Surface;
use super::worn::AsWorn;
use crate::constants::{LIGHT_CLUMPING, SEE_THROUGH};
use crate::drape::cells::azimuths_of;
use crate::drape::{AZIMUTHS, LEVEL_MM};
use crate::hair::{Hair, ShareLengths};
use crate::head::Zone;
use serde::Serialize;
use std::f64::consts::TAU;

/// Share of the fullest height at which hair still counts as strong.
const STRONG_SHARE: f64 = 0.5;
/// Share of the greatest width that still counts as widest.
const STILL_WIDEST: f64 = 0.99;
/// How many times steeper than on one side of the widest level the outline is taken to fall on the other.
const STEEPER: f64 = 3.0;
/// Share of what is enough within which a measure is about enough.
const ABOUT: f64 = 0.1;

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
    /// Lowest end where single hairs hang below the perimeter, by azimuth, mm.
    pub wisps_mm: Vec<Option<f64>>,
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
}

impl Fall {
    /// Worn length on the mean over some zones, mm.
    pub fn worn_mm(&self, zones: &[Zone]) -> f64 {
        let known: Vec<f64> =
            self.zones.iter().filter(|zone| zones.contains(&zone.zone)).map(|zone| zone.worn_mm).collect();
        known.iter().sum::<f64>() / known.len().max(1) as f64
    }
}

/// The fall of hair at these fibre lengths, worn as the client wears it.
pub fn fall(hair: &Hair, lengths: &[ShareLengths]) -> Fall {
    fall_as_worn(hair, lengths, &AsWorn::of(hair, lengths))
}

/// The same where it is known how long they are worn.
pub(crate) fn fall_as_worn(hair: &Hair, lengths: &[ShareLengths], worn: &AsWorn) -> Fall {
    let field = fill(hair, &worn.0);
    // What is read from single strands goes on beside what one thread does with the field.
    let ((surface, around, levels, (front, side), wisps_mm), zones) = rayon::join(
        || {
            let surface = Surface::of(&field, &hair.shell);
            let seen = || {
                let around = Levels::of(&surface, &hair.shell);
                let levels = levels(&field, &around, lowest_mm(worn));
                let sides = (Outline::across(&around), Outline::from_the_side(&around));
                (around, levels, sides)
            };
            let ((around, levels, sides), wisps) = rayon::join(seen, || wisps(worn, &surface));
            (surface, around, levels, sides, wisps)
        },
        || zones(hair, lengths, worn),
    );
    let (width_mm, widest_at_mm) = widest(&front);
    // Wisps hang below the outline: how far hair is strong is asked of what has one.
    let drawn = &levels[..around.heights_mm.len()];
    let down_to = |measure: fn(&LevelShare) -> f64, enough: f64| down_to(drawn, &around, measure, enough);
    Fall {
        widest_at_mm,
        width_mm,
        side,
        top_mm: surface.reach_mm().to_vec(),
        wisps_mm,
        perimeter_mm: surface.perimeter.to_vec(),
        mass_g: zones.iter().map(|zone| zone.mass_g).sum(),
        strong_to_mm: down_to(|level| level.fullness, STRONG_SHARE),
        see_through_below_mm: down_to(|level| 1.0 - level.light, 1.0 - SEE_THROUGH.value),
        lowest_mm: lowest_mm(worn),
        zones,
        front,
        levels,
    }
}

/// The greatest width and the lowest height at which hair is as wide as that, to 1 %, mm.
fn widest(front: &Outline) -> (f64, f64) {
    let widths: Vec<f64> = front.widths_mm().collect();
    let Some(most) = (0..widths.len()).max_by(|a, b| widths[*a].total_cmp(&widths[*b])) else {
        return (0.0, 0.0);
    };
    // Between three heights the outline is a parabola, so that nothing jumps by a level; beside an edge only as far as the side
    // that is no edge bends.
    let mut width_mm = widths[most];
    if most > 0 && most + 1 < widths.len() && front.heights_mm[most] - front.heights_mm[most + 1] == LEVEL_MM
    {
        let falls = [widths[most - 1], widths[most + 1]].map(|beside| width_mm - beside);
        let [up, down] = falls.map(|fall| fall.min(STEEPER * falls[0].min(falls[1])));
        if up + down > 0.0 {
            width_mm += (down - up).powi(2) / (8.0 * (up + down));
        }
    }
    let at = lowest_crossing(&front.heights_mm, &widths, STILL_WIDEST * width_mm);
    (width_mm, at.unwrap_or(front.heights_mm[most]))
}

/// Height down to which a measure is as much as this, mm: what lies below the level where it is most, as far as it is enough.
/// Counted in lengths, a share of each where it is about enough, so that nothing jumps from one crossing to another.
fn down_to(levels: &[LevelShare], around: &Levels, measure: fn(&LevelShare) -> f64, enough: f64) -> f64 {
    let share = |level: &LevelShare| ((measure(level) / enough - 1.0) / (2.0 * ABOUT) + 0.5).clamp(0.0, 1.0);
    let Some(most) = (0..levels.len()).max_by(|a, b| measure(&levels[*a]).total_cmp(&measure(&levels[*b])))
    else {
        return around.top_mm;
    };
    // What lies above that level counts as it does there, so that it doesn't matter which of two alike it is.
    let mut shares: Vec<f64> = (0..levels.len()).map(|i| share(&levels[i.max(most)])).collect();
    // A level comes to count as the lowest end leaves it, so that none jumps in or out.
    let last = shares.len() - 1;
    let left = levels[last].height_mm - around.bottom_mm;
    let part = (left / LEVEL_MM).clamp(0.0, 1.0);
    shares[last] = part * shares[last] + (1.0 - part) * shares[last.saturating_sub(1)];
    let between: f64 = shares.windows(2).map(|two| 0.5 * LEVEL_MM * (two[0] + two[1])).sum();
    around.top_mm - shares[0] * (around.top_mm - levels[0].height_mm) - between - shares[last] * left.max(0.0)
}

/// The lowest height, of some from the top down, at which a measure is still as much as this; between two it is straight.
fn lowest_crossing(heights: &[f64], values: &[f64], enough: f64) -> Option<f64> {
    let last = values.iter().rposition(|value| *value >= enough)?;
    let Some((next, height)) = values.get(last + 1).zip(heights.get(last + 1)) else {
        return Some(heights[last]);
    };
    let share = (values[last] - enough) / (values[last] - next).max(f64::MIN_POSITIVE);
    Some(heights[last] + share.min(1.0) * (height - heights[last]))
}

/// The lowest end of all, mm.
fn lowest_mm(worn: &AsWorn) -> f64 {
    worn.0.iter().map(|strand| strand.longest_end.y).fold(f64::INFINITY, f64::min)
}

/// The lowest end at each azimuth where single hairs hang below the perimeter, mm.
fn wisps(worn: &AsWorn, surface: &Surface) -> Vec<Option<f64>> {
    let mut lowest = [f64::INFINITY; AZIMUTHS];
    let highest = surface.perimeter.iter().flatten().copied().fold(f64::NEG_INFINITY, f64::max) - LEVEL_MM;
    // Most hair ends above every line.
    for end in worn.0.iter().map(|strand| &strand.longest_end).filter(|end| end.y < highest) {
        for (azimuth, _) in azimuths_of(end.x, end.z) {
            lowest[azimuth] = lowest[azimuth].min(end.y);
        }
    }
    let below = |(end, line): (&f64, &Option<f64>)| line.filter(|line| *end < line - LEVEL_MM).map(|_| *end);
    lowest.iter().zip(&surface.perimeter).map(below).collect()
}

/// Light through one layer: Beer–Lambert on the fibre that covers a height per width of hair, along the outer edge. Hair clumps
/// into locks and lets more light through than fibres strewn evenly (Nilson 1971, Agric. Meteorol. 8).
///
/// They go on below the outline down to the lowest end, so that they hold all of the mass.
fn levels(field: &Field, around: &Levels, lowest_mm: f64) -> Vec<LevelShare> {
    let wedge = TAU / AZIMUTHS as f64;
    let below = |row: usize| {
        let cells = field.below.get(row).into_iter().flatten();
        (cells.map(|cell| cell.cover_mm()).sum(), field.mass_below.get(row).copied().unwrap_or_default())
    };
    // Levels lie between rows: what covers them is the mean of the rows above and below.
    let covering = |height: f64| {
        let level = (height / LEVEL_MM).round() as i32;
        let row = |level: i32| match usize::try_from(level) {
            Ok(above) => field.above.get(above).map_or((0.0, 0.0), |p| (p.cover_mm, p.mass_g_per_mm)),
            Err(_) => below((-level - 1) as usize),
        };
        let ((c0, m0), (c1, m1)) = (row(level), row(level - 1));
        (0.5 * (c0 + c1), 0.5 * (m0 + m1))
    };
    let last = around.heights_mm.last().copied().unwrap_or_default();
    let wisps = (1..).map(|step| last - f64::from(step) * LEVEL_MM);
    let wisps = wisps.take_while(|height| height + LEVEL_MM > lowest_mm.min(last));
    let heights: Vec<f64> = around.heights_mm.iter().copied().chain(wisps).collect();
    let rows: Vec<(f64, (f64, f64))> = heights.into_iter().map(|height| (height, covering(height))).collect();
    let fullest = rows.iter().map(|(_, (cover, _))| *cover).fold(0.0, f64::max);
    rows.iter()
        .enumerate()
        .map(|(i, (height_mm, (cover, mass)))| {
            let radii = around.radii.get(i).into_iter().flatten();
            let edge: f64 = radii.map(|(radius, solid)| solid * wedge * radius).sum();
            LevelShare {
                height_mm: *height_mm,
                light: if edge > 0.0 { (-LIGHT_CLUMPING.value * cover / edge).exp() } else { 1.0 },
                fullness: if fullest > 0.0 { cover / fullest } else { 0.0 },
                mass_g_per_mm: *mass,
            }
        })
        .collect()
}

/// Zones in walking order.
pub(crate) fn zones(hair: &Hair, lengths: &[ShareLengths], worn: &AsWorn) -> Vec<ZoneFall> {
    // Sums of hairs, of what is averaged over them, and of mass.
    let mut all = Zone::ALL.map(|zone| (zone, 0.0, [0.0; 4], 0.0));
    for ((strand, lengths), worn) in hair.strands.iter().zip(lengths).zip(&worn.0) {
        let (_, hairs, sums, mass_g) = &mut all[strand.root.zone.number()];
        let fibre = lengths.mean();
        let shortest = worn.shortest_mm();
        let values = [fibre, worn.mean_mm(), shortest, worn.mean_end.y];
        sums.iter_mut().zip(values).for_each(|(sum, value)| *sum += strand.hairs * value);
        *hairs += strand.hairs;
        *mass_g += strand.mass_g_per_mm() * fibre;
    }
    let zone = |(zone, hairs, sums, mass_g): (Zone, f64, [f64; 4], f64)| {
        let [fibre_mm, worn_mm, shortest_worn_mm, ends_at_mm] = sums.map(|sum| sum / f64::max(hairs, 1e-9));
        ZoneFall { zone, fibre_mm, worn_mm, shortest_worn_mm, ends_at_mm, mass_g }
    };
    all.map(zone).to_vec()
}
