//! The room hair takes, by azimuth and height.

use super::drape::Stop;
use super::shell::cells_of;
use super::{AZIMUTHS, Drape, LEVEL_MM};
use crate::constants::{PACKING_RADIUS_MM, PACKING_STRAIGHT};
use crate::fibre::WornStyle;
use crate::hair::{Hair, Lengths, SHARES, Strand};
use rayon::prelude::*;

/// Strands summed in one go. A fixed number, so that sums are the same on any number of threads.
const CHUNK: usize = 2048;
/// Share of its free length by which a strand stands off the scalp: hair leaves it at about 30°.
const STAND_SHARE: f64 = 0.5;

/// Rings by distance from the axis into which a cell is divided: hair that hangs further in fills the hollow under the
/// head first and only then pushes out what hangs further out.
pub(super) const RINGS: usize = 6;
const INNERMOST_MM: f64 = 55.0;
const RING_MM: f64 = 9.0;

/// What is in a cell.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub(super) struct Cell {
    /// Horizontal section of the room hair takes, mm², by ring.
    pub room_mm2: [f64; RINGS],
    /// The same times its distance from the axis, mm³.
    pub moment_mm3: [f64; RINGS],
    /// Hairs times their width, mm.
    pub width_mm: f64,
    /// Mass per height, g/mm.
    pub mass_g_per_mm: f64,
    /// Scalp of the roots in it, mm², and the same times how far their hair stands off.
    pub scalp_mm2: f64,
    pub stand_mm3: f64,
}

impl Cell {
    fn add(&mut self, other: &Self, weight: f64) {
        for ring in 0..RINGS {
            self.room_mm2[ring] += weight * other.room_mm2[ring];
            self.moment_mm3[ring] += weight * other.moment_mm3[ring];
        }
        self.width_mm += weight * other.width_mm;
        self.mass_g_per_mm += weight * other.mass_g_per_mm;
        self.scalp_mm2 += weight * other.scalp_mm2;
        self.stand_mm3 += weight * other.stand_mm3;
    }

    /// Takes away what is only left of hair that has ended.
    fn without_rounding(&mut self) {
        for (room, moment) in self.room_mm2.iter_mut().zip(&mut self.moment_mm3) {
            if *room < ROUNDING {
                (*room, *moment) = (0.0, 0.0);
            }
        }
        if self.width_mm < ROUNDING {
            (self.width_mm, self.mass_g_per_mm) = (0.0, 0.0);
        }
    }
}

/// Cells by level, from `highest` down, then by azimuth.
#[derive(Debug, Clone)]
pub(super) struct Field {
    pub highest: i32,
    pub rows: Vec<[Cell; AZIMUTHS]>,
}

/// One strand as it is worn.
#[derive(Debug, Clone, Copy)]
pub(super) struct Worn {
    /// Worn length of each share, mm.
    pub lengths: Lengths,
    /// How far each is open.
    pub open: Lengths,
}

/// Worn lengths. Shares of one length are worked out once.
pub(super) fn worn(strand: &Strand, lengths: &Lengths, style: WornStyle) -> Worn {
    let mut out = Worn { lengths: [0.0; SHARES], open: [1.0; SHARES] };
    let mut last = (f64::NAN, 0.0);
    for (i, &fibre) in lengths.iter().enumerate() {
        if fibre != last.0 {
            last = (fibre, if fibre > 0.0 { strand.model.worn_mm(fibre, style) } else { 0.0 });
        }
        out.lengths[i] = last.1;
        out.open[i] = if fibre > 0.0 { (last.1 / fibre).clamp(0.02, 1.0) } else { 1.0 };
    }
    out
}

/// Worn lengths of a whole head.
pub(super) fn all_worn(hair: &Hair, lengths: &[Lengths]) -> Vec<Worn> {
    let one = |(strand, lengths): (&Strand, &Lengths)| worn(strand, lengths, hair.worn);
    hair.strands.par_iter().zip(lengths).with_min_len(64).map(one).collect()
}

/// Share of the room that is fibre, of hair of this loop radius (mm) that is so far open. A loop that is pulled open is
/// narrower by the share that is left to open, and pushes its neighbours less far away.
fn packing(loop_radius_mm: f64, open: f64) -> f64 {
    let radius = loop_radius_mm * (1.0 - open * open).max(0.0).sqrt();
    PACKING_STRAIGHT.value / (1.0 + radius / (radius + PACKING_RADIUS_MM.value))
}

impl Field {
    /// The field of hair worn at these lengths.
    pub fn of(hair: &Hair, drapes: &[Drape], worn: &[Worn]) -> Self {
        let highest = hair.shell.highest;
        let ends = |(drape, worn): (&Drape, &Worn)| {
            let longest = worn.lengths.iter().copied().fold(0.0, f64::max);
            drape.place(longest).y
        };
        let lowest = drapes.iter().zip(worn).map(ends).fold(0.0, f64::min);
        let rows = (highest - (lowest / LEVEL_MM).floor() as i32 + 1).max(1) as usize;
        let parts: Vec<Sums> = (0..hair.strands.len().div_ceil(CHUNK))
            .into_par_iter()
            .map(|part| {
                let mut sums = Sums::new(highest, rows);
                for i in part * CHUNK..((part + 1) * CHUNK).min(hair.strands.len()) {
                    sums.lay(hair, &hair.strands[i], &drapes[i], &worn[i]);
                }
                sums
            })
            .collect();
        let mut parts = parts.into_iter();
        let mut all = parts.next().unwrap_or_else(|| Sums::new(highest, rows));
        for part in parts {
            all.add(&part);
        }
        Self { highest, rows: smooth(&all.cells()) }
    }
}

/// What is laid into cells. Hair that hangs straight down is the same in every cell it passes: it is noted where it
/// begins and where it has ended, and summed over the rows at last.
struct Sums {
    highest: i32,
    passes: Vec<[Cell; AZIMUTHS]>,
    begins: Vec<[Cell; AZIMUTHS]>,
}

/// Fibre width (mm) and room (mm²) in a cell below which what is left there is rounding: a single hair is ten thousand
/// times as much.
const ROUNDING: f64 = 1e-6;

impl Sums {
    fn new(highest: i32, rows: usize) -> Self {
        let none = || vec![[Cell::default(); AZIMUTHS]; rows];
        Self { highest, passes: none(), begins: none() }
    }

    fn add(&mut self, other: &Self) {
        let each = |to: &mut Vec<[Cell; AZIMUTHS]>, from: &[[Cell; AZIMUTHS]]| {
            for (cell, more) in to.iter_mut().flatten().zip(from.iter().flatten()) {
                cell.add(more, 1.0);
            }
        };
        each(&mut self.passes, &other.passes);
        each(&mut self.begins, &other.begins);
    }

    fn cells(mut self) -> Vec<[Cell; AZIMUTHS]> {
        let mut hangs = [Cell::default(); AZIMUTHS];
        for (row, begins) in self.passes.iter_mut().zip(&self.begins) {
            for ((cell, hangs), begins) in row.iter_mut().zip(&mut hangs).zip(begins) {
                hangs.add(begins, 1.0);
                cell.add(hangs, 1.0);
                cell.without_rounding();
            }
        }
        self.passes
    }

    fn row(&self, level: i32) -> Option<usize> {
        usize::try_from(self.highest - level).ok().filter(|row| *row < self.passes.len())
    }

    /// Adds a strand to the cells its shares pass.
    fn lay(&mut self, hair: &Hair, strand: &Strand, drape: &Drape, worn: &Worn) {
        let bundles = bundles(strand, worn);
        let longest = worn.lengths.iter().copied().fold(0.0, f64::max);
        let (highest, stops) = drape.stops();
        for (level, stop) in (i32::MIN..=highest).rev().zip(stops) {
            if stop.way_mm >= longest {
                return self.stand(hair, strand, drape, worn);
            }
            let Some(row) = self.row(level) else { continue };
            let there = bundles.iter().filter(|bundle| bundle.ends_mm > stop.way_mm);
            let sum = there.fold(Bundle::default(), |sum, bundle| sum.plus(bundle, f64::from(stop.longer)));
            put(&mut self.passes[row], stop, &sum, 1.0);
        }
        // From its last point on a hair hangs over one place: it is noted in the first row it passes there and, the
        // other way, in the row after its last.
        let (from, way) = drape.hangs_from();
        let first = highest - stops.len() as i32;
        let over = Stop::new(way, &from, 1.0);
        for bundle in bundles.iter().filter(|bundle| bundle.ends_mm > way) {
            let below = ((from.y - (bundle.ends_mm - way)) / LEVEL_MM).ceil() as i32 - 1;
            let Some(row) = self.row(first).filter(|_| below < first) else { continue };
            put(&mut self.begins[row], &over, bundle, 1.0);
            if let Some(row) = self.row(below) {
                put(&mut self.begins[row], &over, bundle, -1.0);
            }
        }
        self.stand(hair, strand, drape, worn);
    }

    /// How far hair stands off by its own stiffness: fully while it is shorter than the length over which its weight
    /// bends it, ever less beyond. What grows against its fall stands up to twice as far.
    fn stand(&mut self, hair: &Hair, strand: &Strand, drape: &Drape, worn: &Worn) {
        let rod = strand.model.rod(0.0, hair.worn.curvature_share());
        let bending = (rod.scale_mn * rod.radius_mm * rod.radius_mm / rod.weight_mn_mm).cbrt();
        let mean = worn.lengths.iter().sum::<f64>() / SHARES as f64;
        let stands = STAND_SHARE * (1.0 + drape.against()) * mean / (1.0 + (mean / bending).powi(2));
        let root = strand.root.at;
        let Some(row) = self.row((root.y / LEVEL_MM).floor() as i32) else { return };
        for (cell, share) in cells_of(root.x, root.z) {
            let cell = &mut self.passes[row][cell];
            cell.scalp_mm2 += share * strand.root.area_mm2;
            cell.stand_mm3 += share * strand.root.area_mm2 * stands;
        }
    }
}

/// Adds what passes a stop to the two cells nearest to it, so many times.
fn put(row: &mut [Cell; AZIMUTHS], stop: &Stop, what: &Bundle, times: f64) {
    let radius = f64::from(stop.radius_mm);
    let ring = (((radius - INNERMOST_MM) / RING_MM).max(0.0) as usize).min(RINGS - 1);
    let share = f64::from(stop.share);
    for (cell, share) in stop.cells.into_iter().zip([share, 1.0 - share]) {
        let (cell, share) = (&mut row[usize::from(cell)], share * times);
        cell.room_mm2[ring] += share * what.room_mm2;
        cell.moment_mm3[ring] += share * radius * what.room_mm2;
        cell.width_mm += share * what.width_mm;
        cell.mass_g_per_mm += share * what.mass_g_per_mm;
    }
}

/// Shares of a strand that end at the same length.
#[derive(Default)]
pub(super) struct Bundle {
    /// How long, worn, mm.
    pub ends_mm: f64,
    /// Room across the strand, mm²; fibre width, mm; mass per length of the way, g/mm.
    pub room_mm2: f64,
    width_mm: f64,
    mass_g_per_mm: f64,
}

impl Bundle {
    /// With another that lies beside it, on a way so many times as long as it is high.
    fn plus(self, other: &Self, longer: f64) -> Self {
        Self {
            ends_mm: self.ends_mm.max(other.ends_mm),
            room_mm2: self.room_mm2 + longer * other.room_mm2,
            width_mm: self.width_mm + other.width_mm,
            mass_g_per_mm: self.mass_g_per_mm + longer * other.mass_g_per_mm,
        }
    }
}

pub(super) fn bundles(strand: &Strand, worn: &Worn) -> Vec<Bundle> {
    let hairs = strand.hairs / SHARES as f64;
    let mut out: Vec<Bundle> = Vec::with_capacity(SHARES);
    for (ends_mm, open) in worn.lengths.into_iter().zip(worn.open) {
        let room_mm2 = hairs * strand.section_mm2() / (open * packing(strand.model.loop_radius_mm, open));
        let width_mm = hairs * 1e-3 * strand.model.diameter_um;
        let mass_g_per_mm = strand.mass_g_per_mm() / SHARES as f64 / open;
        match out.last_mut() {
            Some(last) if last.ends_mm == ends_mm => {
                last.room_mm2 += room_mm2;
                last.width_mm += width_mm;
                last.mass_g_per_mm += mass_g_per_mm;
            }
            _ => out.push(Bundle { ends_mm, room_mm2, width_mm, mass_g_per_mm }),
        }
    }
    out
}

/// Spreads each cell a little over its neighbours, so that guide strands stand for the hair between them: binomial
/// weights, round the head and one cell up and down.
fn smooth(cells: &[[Cell; AZIMUTHS]]) -> Vec<[Cell; AZIMUTHS]> {
    const ROUND: [(usize, f64); 5] =
        [(0, 0.375), (1, 0.25), (AZIMUTHS - 1, 0.25), (2, 0.0625), (AZIMUTHS - 2, 0.0625)];
    let round = |row: &[Cell; AZIMUTHS]| {
        let mut out = [Cell::default(); AZIMUTHS];
        for (i, cell) in out.iter_mut().enumerate() {
            for (step, weight) in ROUND {
                cell.add(&row[(i + step) % AZIMUTHS], weight);
            }
        }
        out
    };
    // Twice, which is binomial again over four cells to either side.
    let rows: Vec<_> = cells.iter().map(|row| round(&round(row))).collect();
    let last = rows.len() - 1;
    (0..rows.len())
        .map(|i| {
            let mut out = [Cell::default(); AZIMUTHS];
            // At the first and the last row the missing neighbour is the row itself.
            for (row, weight) in [(i, 0.5), (i.saturating_sub(1), 0.25), ((i + 1).min(last), 0.25)] {
                for (cell, from) in out.iter_mut().zip(&rows[row]) {
                    cell.add(from, weight);
                }
            }
            out
        })
        .collect()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::hair::HairRequest;
    use crate::reading::{RawReading, RawZoneReading, Zone};
    use std::collections::BTreeMap;

    fn hair(stretched_mm: f64, sprung_mm: f64) -> Hair {
        let zones = BTreeMap::from([(Zone::Top, RawZoneReading::measured(stretched_mm, sprung_mm))]);
        let reading = RawReading { zones, ..RawReading::default() };
        HairRequest { roots: 1024, ..HairRequest::new(reading) }.grow().expect("possible")
    }

    fn field(hair: &Hair) -> Field {
        let worn: Vec<Worn> =
            hair.strands.iter().zip(&hair.lengths).map(|(s, l)| worn(s, l, hair.worn)).collect();
        Field::of(hair, &hair.drapes, &worn)
    }

    #[test]
    fn curls_take_more_room_than_straight_hair_and_opened_curls_less() {
        assert!((packing(8.0, 1.0) - PACKING_STRAIGHT.value).abs() < 1e-12, "straight is straight");
        assert!(packing(8.0, 0.3) < packing(8.0, 0.8));
        assert!(packing(30.0, 0.0) > 0.5 * PACKING_STRAIGHT.value);
    }

    #[test]
    fn below_the_head_all_mass_that_hangs_is_counted_once() {
        let hair = hair(500.0, 480.0);
        let field = field(&hair);
        // Mass in a slice below every root: the hairs that pass it, times their mass per height.
        let height_mm = -120.0;
        let row = (field.highest - (height_mm / LEVEL_MM) as i32) as usize;
        let counted: f64 = field.rows[row].iter().map(|cell| cell.mass_g_per_mm).sum();
        let passing = |i: &usize| hair.drapes[*i].place(480.0).y < height_mm - 10.0;
        let expected: f64 = (0..hair.strands.len())
            .filter(passing)
            .map(|i| {
                let strand = &hair.strands[i];
                let open = strand.model.worn_mm(hair.lengths[i][0], hair.worn) / hair.lengths[i][0];
                strand.mass_g_per_mm() / open
            })
            .sum();
        assert!((counted / expected - 1.0).abs() < 0.02, "{counted} {expected}");
    }

    #[test]
    fn a_symmetrical_head_has_a_symmetrical_field() {
        let field = field(&hair(300.0, 180.0));
        for row in &field.rows {
            for i in 0..AZIMUTHS / 2 {
                let (left, right) = (&row[i], &row[AZIMUTHS - 1 - i]);
                assert!((left.width_mm - right.width_mm).abs() <= 1e-9 * left.width_mm.max(1.0));
                assert!((left.mass_g_per_mm - right.mass_g_per_mm).abs() < 1e-9);
            }
        }
    }

    #[test]
    fn shares_that_end_together_are_laid_together() {
        let hair = hair(300.0, 180.0);
        let mut lengths = hair.lengths[0];
        let whole = bundles(&hair.strands[0], &worn(&hair.strands[0], &lengths, hair.worn));
        assert_eq!(whole.len(), 1);
        lengths[5] *= 0.5;
        let parts = bundles(&hair.strands[0], &worn(&hair.strands[0], &lengths, hair.worn));
        assert_eq!(parts.len(), 3, "five, one that is short, two");
        let width: f64 = parts.iter().map(|part| part.width_mm).sum();
        assert!((width - whole[0].width_mm).abs() < 1e-12);
    }
}
