//! The room hair takes, by azimuth and height.

use super::drape::Stop;
use super::{AZIMUTHS, Drape, LEVEL_MM};
use crate::constants::{PACKING_RADIUS_MM, PACKING_STRAIGHT};
use crate::hair::{Hair, Lengths, SHARES, Strand};
use rayon::prelude::*;

/// Least strands summed in one go, and most goes. Neither looks at the threads, so sums are the same on any number of
/// them; each go has cells of its own, so there are few.
const CHUNK: usize = 2048;
const CHUNKS: usize = 4;
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
    fn add(&mut self, other: &Self) {
        for ring in 0..RINGS {
            self.room_mm2[ring] += other.room_mm2[ring];
            self.moment_mm3[ring] += other.moment_mm3[ring];
        }
        self.width_mm += other.width_mm;
        self.mass_g_per_mm += other.mass_g_per_mm;
        self.scalp_mm2 += other.scalp_mm2;
        self.stand_mm3 += other.stand_mm3;
    }

    /// Half of it and a quarter of each of two neighbours. The neighbours are added first, so that the mirror image is
    /// the same to the last bit.
    fn between(&self, one: &Self, other: &Self) -> Self {
        let mix = |here: f64, one: f64, other: f64| 0.5 * here + 0.25 * (one + other);
        let rings = |of: fn(&Self) -> &[f64; RINGS]| {
            let mut out = [0.0; RINGS];
            for (ring, out) in out.iter_mut().enumerate() {
                *out = mix(of(self)[ring], of(one)[ring], of(other)[ring]);
            }
            out
        };
        Self {
            room_mm2: rings(|cell| &cell.room_mm2),
            moment_mm3: rings(|cell| &cell.moment_mm3),
            width_mm: mix(self.width_mm, one.width_mm, other.width_mm),
            mass_g_per_mm: mix(self.mass_g_per_mm, one.mass_g_per_mm, other.mass_g_per_mm),
            scalp_mm2: mix(self.scalp_mm2, one.scalp_mm2, other.scalp_mm2),
            stand_mm3: mix(self.stand_mm3, one.stand_mm3, other.stand_mm3),
        }
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
    /// The longest of them, mm.
    pub longest_mm: f64,
    /// Height at which that ends, mm.
    pub lowest_mm: f64,
}

/// Worn lengths. Shares of one length are worked out once.
pub(super) fn worn(strand: &Strand, drape: &Drape, lengths: &Lengths) -> Worn {
    let mut out = Worn { lengths: [0.0; SHARES], open: [1.0; SHARES], longest_mm: 0.0, lowest_mm: 0.0 };
    let mut last = (f64::NAN, 0.0);
    for (i, &fibre) in lengths.iter().enumerate() {
        if fibre != last.0 {
            last = (fibre, if fibre > 0.0 { strand.model.worn_mm(fibre, strand.worn) } else { 0.0 });
        }
        out.lengths[i] = last.1;
        out.open[i] = if fibre > 0.0 { (last.1 / fibre).clamp(0.02, 1.0) } else { 1.0 };
        out.longest_mm = out.longest_mm.max(last.1);
    }
    out.lowest_mm = drape.place(out.longest_mm).y;
    out
}

/// Worn lengths of a whole head.
pub(super) fn all_worn(hair: &Hair, lengths: &[Lengths]) -> Vec<Worn> {
    let one = |i: usize| worn(&hair.strands[i], &hair.drapes[i], &lengths[i]);
    (0..hair.strands.len()).into_par_iter().with_min_len(64).map(one).collect()
}

/// Share of the room that is fibre, of hair of this loop radius (mm) that is so far open. A loop that is pulled open is
/// narrower by the share that is left to open, and pushes its neighbours less far away.
///
/// In damp air single fibres leave their locks: curls take so much more room (`frizz`), hair that is open none.
fn packing(loop_radius_mm: f64, open: f64, frizz: f64) -> f64 {
    let closed = (1.0 - open * open).max(0.0);
    let radius = loop_radius_mm * closed.sqrt();
    PACKING_STRAIGHT.value / ((1.0 + radius / (radius + PACKING_RADIUS_MM.value)) * (1.0 + frizz * closed))
}

impl Field {
    /// The field of hair worn at these lengths.
    pub fn of(hair: &Hair, worn: &[Worn]) -> Self {
        let highest = hair.shell.highest;
        let lowest = worn.iter().map(|worn| worn.lowest_mm).fold(0.0, f64::min);
        let rows = (highest - (lowest / LEVEL_MM).floor() as i32 + 1).max(1) as usize;
        let count = hair.strands.len();
        let chunk = count.div_ceil(CHUNKS).max(CHUNK);
        let parts: Vec<Sums> = (0..count.div_ceil(chunk))
            .into_par_iter()
            .map(|part| {
                let mut sums = Sums::new(highest, rows);
                let mut bundles = Vec::with_capacity(SHARES);
                for (i, worn) in worn.iter().enumerate().skip(part * chunk).take(chunk) {
                    bundle(&hair.strands[i], worn, hair.frizz, &mut bundles);
                    sums.lay(hair, i, worn, &bundles);
                }
                sums
            })
            .collect();
        let mut parts = parts.into_iter();
        let mut all = parts.next().unwrap_or_else(|| Sums::new(highest, rows));
        for part in parts {
            all.add(&part);
        }
        let mut rows = all.cells();
        smooth(&mut rows);
        Self { highest, rows }
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
                cell.add(more);
            }
        };
        each(&mut self.passes, &other.passes);
        each(&mut self.begins, &other.begins);
    }

    fn cells(mut self) -> Vec<[Cell; AZIMUTHS]> {
        let mut hangs = [Cell::default(); AZIMUTHS];
        for (row, begins) in self.passes.iter_mut().zip(&self.begins) {
            for ((cell, hangs), begins) in row.iter_mut().zip(&mut hangs).zip(begins) {
                hangs.add(begins);
                cell.add(hangs);
                cell.without_rounding();
            }
        }
        self.passes
    }

    fn row(&self, level: i32) -> Option<usize> {
        usize::try_from(self.highest - level).ok().filter(|row| *row < self.passes.len())
    }

    /// Adds a strand to the cells its shares pass.
    fn lay(&mut self, hair: &Hair, strand: usize, worn: &Worn, bundles: &[Bundle]) {
        let drape = &hair.drapes[strand];
        self.stand(&hair.strands[strand], drape, worn);
        let (highest, stops) = drape.stops();
        // What passes is the same until a bundle ends.
        let (mut passing, mut until) = (Bundle::default(), 0.0);
        for (level, stop) in (i32::MIN..=highest).rev().zip(stops) {
            let way_mm = f64::from(stop.way_mm);
            if way_mm >= worn.longest_mm {
                return;
            }
            if way_mm >= until {
                passing = Bundle { ends_mm: f64::INFINITY, ..Bundle::default() };
                bundles
                    .iter()
                    .filter(|bundle| bundle.ends_mm > way_mm)
                    .for_each(|bundle| passing.join(bundle));
                until = passing.ends_mm;
            }
            let Some(row) = self.row(level) else { continue };
            put(&mut self.passes[row], stop, &passing, f64::from(stop.longer), 1.0);
        }
        // From its last point on a hair hangs over one place: it is noted in the first row it passes there and, the
        // other way, in the row after its last.
        let (from, way) = drape.hangs_from();
        let first = highest - stops.len() as i32;
        let [_, over] = drape.ends();
        for bundle in bundles.iter().filter(|bundle| bundle.ends_mm > way) {
            let below = ((from.y - (bundle.ends_mm - way)) / LEVEL_MM).ceil() as i32 - 1;
            let Some(row) = self.row(first).filter(|_| below < first) else { continue };
            put(&mut self.begins[row], over, bundle, 1.0, 1.0);
            if let Some(row) = self.row(below) {
                put(&mut self.begins[row], over, bundle, 1.0, -1.0);
            }
        }
    }

    /// How far hair stands off by its own stiffness: fully while it is shorter than the length over which its weight
    /// bends it, ever less beyond. What grows against its fall stands up to twice as far.
    fn stand(&mut self, strand: &Strand, drape: &Drape, worn: &Worn) {
        let rod = strand.model.rod(0.0, strand.worn.curvature_share());
        let bending = (rod.scale_mn * rod.radius_mm * rod.radius_mm / rod.weight_mn_mm).cbrt();
        let mean = worn.lengths.iter().sum::<f64>() / SHARES as f64;
        let stands = STAND_SHARE * (1.0 + drape.against()) * mean / (1.0 + (mean / bending).powi(2));
        let Some(row) = self.row(drape.stops().0) else { return };
        let [root, _] = drape.ends();
        for (cell, share) in root.cells() {
            let cell = &mut self.passes[row][cell];
            cell.scalp_mm2 += share * strand.root.area_mm2;
            cell.stand_mm3 += share * strand.root.area_mm2 * stands;
        }
    }
}

/// Adds what passes a stop, on a way so many times as long as it is high, to the two cells nearest to it, so many times.
fn put(row: &mut [Cell; AZIMUTHS], stop: &Stop, what: &Bundle, longer: f64, times: f64) {
    let radius = f64::from(stop.radius_mm);
    let ring = (((radius - INNERMOST_MM) / RING_MM).max(0.0) as usize).min(RINGS - 1);
    for (cell, share) in stop.cells() {
        let (cell, share) = (&mut row[cell], share * times);
        let room_mm2 = share * longer * what.room_mm2;
        cell.room_mm2[ring] += room_mm2;
        cell.moment_mm3[ring] += radius * room_mm2;
        cell.width_mm += share * what.width_mm;
        cell.mass_g_per_mm += share * longer * what.mass_g_per_mm;
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
    /// Lays another beside it; the two end where the shorter does.
    fn join(&mut self, other: &Self) {
        self.ends_mm = self.ends_mm.min(other.ends_mm);
        self.room_mm2 += other.room_mm2;
        self.width_mm += other.width_mm;
        self.mass_g_per_mm += other.mass_g_per_mm;
    }
}

/// The bundles of a strand, in place of what was in `out`.
pub(super) fn bundle(strand: &Strand, worn: &Worn, frizz: f64, out: &mut Vec<Bundle>) {
    out.clear();
    let hairs = strand.hairs / SHARES as f64;
    for (ends_mm, open) in worn.lengths.into_iter().zip(worn.open) {
        let share = Bundle {
            ends_mm,
            room_mm2: hairs * strand.section_mm2()
                / (open * packing(strand.model.loop_radius_mm, open, frizz)),
            width_mm: hairs * 1e-3 * strand.model.diameter_um,
            mass_g_per_mm: strand.mass_g_per_mm() / SHARES as f64 / open,
        };
        match out.last_mut() {
            Some(last) if last.ends_mm == ends_mm => last.join(&share),
            _ => out.push(share),
        }
    }
}

/// Spreads each cell a little over its neighbours, so that guide strands stand for the hair between them: binomial
/// weights over four cells to either side, and one up and down.
fn smooth(rows: &mut [[Cell; AZIMUTHS]]) {
    rows.iter_mut().for_each(round);
    // At the first and the last row the missing neighbour is the row itself. The row above is kept as it was.
    let Some(mut above) = rows.first().copied() else { return };
    for i in 0..rows.len() {
        let below = rows[(i + 1).min(rows.len() - 1)];
        let here = rows[i];
        for (((cell, here), above), below) in rows[i].iter_mut().zip(&here).zip(&above).zip(&below) {
            *cell = here.between(above, below);
        }
        above = here;
    }
}

/// Four times a quarter of either neighbour and half of itself, which is binomial over four cells.
fn round(row: &mut [Cell; AZIMUTHS]) {
    for _ in 0..4 {
        let (first, mut before) = (row[0], row[AZIMUTHS - 1]);
        for i in 0..AZIMUTHS {
            let (here, after) = (row[i], if i + 1 < AZIMUTHS { row[i + 1] } else { first });
            row[i] = here.between(&before, &after);
            before = here;
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::hair::HairRequest;
    use crate::reading::{RawReading, RawZoneReading, Zone};
    use std::collections::BTreeMap;

    fn hair(stretched_mm: f64, sprung_mm: f64) -> Hair {
        let zones = BTreeMap::from([(Zone::Top.into(), RawZoneReading::measured(stretched_mm, sprung_mm))]);
        let reading = RawReading { zones, ..RawReading::default() };
        HairRequest { roots: 1024, ..HairRequest::new(reading) }.grow().expect("possible")
    }

    fn field(hair: &Hair) -> Field {
        Field::of(hair, &all_worn(hair, &hair.lengths))
    }

    #[test]
    fn curls_take_more_room_than_straight_hair_and_opened_curls_less() {
        assert!((packing(8.0, 1.0, 0.3) - PACKING_STRAIGHT.value).abs() < 1e-12, "straight is straight");
        assert!(packing(8.0, 0.3, 0.0) < packing(8.0, 0.8, 0.0));
        assert!(packing(8.0, 0.3, 0.25) < packing(8.0, 0.3, 0.0), "damp air opens the margin of curls");
        assert!(packing(30.0, 0.0, 0.0) > 0.5 * PACKING_STRAIGHT.value);
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
                let open = strand.model.worn_mm(hair.lengths[i][0], strand.worn) / hair.lengths[i][0];
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
        let bundled = |lengths: &Lengths| {
            let mut out = Vec::new();
            bundle(&hair.strands[0], &worn(&hair.strands[0], &hair.drapes[0], lengths), 0.0, &mut out);
            out
        };
        let whole = bundled(&lengths);
        assert_eq!(whole.len(), 1);
        lengths[5] *= 0.5;
        let parts = bundled(&lengths);
        assert_eq!(parts.len(), 3, "five, one that is short, two");
        let width: f64 = parts.iter().map(|part| part.width_mm).sum();
        assert!((width - whole[0].width_mm).abs() < 1e-12);
    }
}
