//! Lays the hair of each root into the cells it passes.

use super::begins::{Begins, RingBegins};
use super::cell::{Below, Laid, OverDirection};
use super::field::{Field, LEAST_ROWS, Passing};
use super::flow::{Amount, Ends, Flow, RowStep};
use super::worn::Worn;
use crate::drape::cells::{CAP_ROWS, CAP_STEP};
use crate::drape::lie::RISE_RADIUS_MM;
use crate::drape::path::{Hang, Path, Piece};
use crate::drape::profile::{TERMS, decayed_slowest, fourth_powers, grown, grown_on};
use crate::drape::{AZIMUTHS, LEVEL_MM};
use crate::hair::Hair;
use rayon::prelude::*;

/// Share of its height where it leaves the head at which hair runs round the head on the mean.
const TURNED_SHARE: f64 = 0.7;
/// Share of its length by which hair goes down from which on it hangs freely: what little it is held up changes no outline.
const HANGS_FREELY: f64 = 0.999;

/// Eighths of a root's hair that still pass somewhere, below which it is rounding.
const STILL_PASSES: f64 = 1e-6;
/// Rows over the head in a millimetre along the scalp.
const CAP_ROWS_PER_MM: f64 = 1.0 / (CAP_STEP * RISE_RADIUS_MM);
/// Rows below it, and levels, in a millimetre of height.
const LEVELS_PER_MM: f64 = 1.0 / LEVEL_MM;

/// Least height a piece is taken to lie over, mm.
const LEAST_DROP_MM: f64 = 0.1;
/// Least share of its length by which hair is taken to go down where it is asked what it covers.
const LEAST_DOWN: f64 = 0.05;

/// What is laid into cells. Hair that hangs straight down is noted at both its ends, and summed over the rows at last.
pub(super) struct Sums {
    over: Vec<[OverDirection; AZIMUTHS]>,
    below: Vec<[Below; AZIMUTHS]>,
    /// What begins in each row below the head: nothing in most.
    begins: Vec<Vec<Begins>>,
    above: Vec<Passing>,
    /// Mass in each row below the head, and what hangs on upwards from there.
    mass: Vec<(f64, Amount)>,
    /// e^(−height/τ) of the upper edge of each row below the head, for the longest τ.
    edges: Vec<f64>,
}

/// A height with its e^(height/τ) for the longest τ: those of many ends come from one another by
/// multiplying.
#[derive(Clone, Copy)]
struct Height {
    mm: f64,
    decayed: f64,
}

impl Height {
    fn of(mm: f64) -> Self {
        Self { mm, decayed: decayed_slowest(-mm) }
    }

    /// So much lower, given e^(−mm/τ).
    fn lower(&self, by_mm: f64, decayed: f64) -> Self {
        Self { mm: self.mm - by_mm, decayed: self.decayed * decayed }
    }
}

/// How much higher than at its end on one of its paths hair ends that takes several, mm.
fn raised_mm(path: &Path, worn: &Worn, off: f64) -> f64 {
    let hang = path.to_shoulders.as_ref().unwrap_or(&path.to_the_end);
    let free = worn.longest_mm - hang.from_mm - off;
    if free <= 0.0 || worn.longest_mm > hang.to_mm + off {
        return 0.0;
    }
    worn.longest_end.y - (hang.height_mm - free * worn.lie.hangs())
}

impl Sums {
    pub fn new(rows: usize, levels: usize) -> Self {
        Self {
            over: vec![[OverDirection::default(); AZIMUTHS]; CAP_ROWS],
            below: vec![[Below::default(); AZIMUTHS]; rows],
            begins: vec![Vec::new(); rows],
            above: vec![Passing::default(); levels],
            mass: vec![(0.0, Amount::default()); rows],
            edges: (0..rows).map(|row| decayed_slowest(-(row as f64) * LEVEL_MM)).collect(),
        }
    }

    pub fn add(&mut self, other: &Self) {
        for (to, from) in self.over.iter_mut().flatten().zip(other.over.iter().flatten()) {
            to.add(from);
        }
        let below = self.below.par_iter_mut().zip(&other.below);
        let begins = self.begins.par_iter_mut().zip(&other.begins);
        below.zip(begins).with_min_len(LEAST_ROWS).for_each(|((below, more), (begins, more_begin))| {
            below.iter_mut().zip(more).for_each(|(to, from)| to.add(from));
            if begins.is_empty() {
                begins.clone_from(more_begin);
            } else {
                begins.iter_mut().zip(more_begin).for_each(|(to, from)| to.add(from));
            }
        });
        for (to, from) in self.mass.iter_mut().zip(&other.mass) {
            to.0 += from.0;
            to.1.add(&from.1, 1.0);
        }
        for (to, from) in self.above.iter_mut().zip(&other.above) {
            to.cover_mm += from.cover_mm;
            to.mass_g_per_mm += from.mass_g_per_mm;
        }
    }

    /// Adds the hair of a root to the cells it passes.
    pub fn lay(&mut self, hair: &Hair, i: usize, worn: &Worn) {
        if worn.longest_mm <= 0.0 {
            return;
        }
        for (path, share) in hair.drapes[i].paths(worn.longest_mm) {
            let mut flow = Flow::of(hair, i, worn, share);
            self.root(path, &flow);
            let mut bundles = worn.bundles().peekable();
            let parted = std::ptr::eq(path, hair.drapes[i].main());
            let turn = if parted { worn.turn } else { worn.lie.turn(path) };
            let on_head = path.on_head_mm();
            // Hair that rides high has further to go where the head turns, so pieces are as long as they are turned.
            let (worn_mm, arc_mm) = if worn.longest_mm >= turn.worn_mm {
                (turn.worn_mm, on_head)
            } else {
                (worn.longest_mm, worn.lie.at(&turn, path, worn.longest_mm).0)
            };
            let high = TURNED_SHARE * worn.lie.at(&turn, path, worn_mm).1;
            let longer = worn_mm / (arc_mm * (1.0 + high * path.bend())).max(1e-3 * worn_mm);
            let mut end = |flow: &mut Flow, s: f64| {
                while let Some((first, many)) = bundles.next_if(|(first, _)| worn.lengths[*first] <= s) {
                    flow.pass(worn, first, -many);
                }
                flow.passing > STILL_PASSES
            };
            let mut at = (0.0, [1.0; TERMS]);
            let mut before = flow.below(0.0, &at.1);
            let beyond_usual = hair.packing.beyond_usual() > 0.0;
            let mut beyond = if beyond_usual { flow.beyond_below(&at.1) } else { 0.0 };
            let mut passes = true;
            for piece in path.on_head() {
                let step = (f64::from(piece.arc_mm) + high * f64::from(piece.turn)) * longer;
                // Hair that stands upright ends within its first piece.
                let step = step.min(worn.longest_mm - at.0 + 1.0);
                let s = at.0 + step;
                let grows = grown_on(step);
                let there = std::array::from_fn(|k| at.1[k] * grows[k]);
                flow.entering = flow.passing;
                passes = end(&mut flow, s);
                let after = flow.below(s, &there);
                // Towards the top hair takes no more room than is usual.
                if beyond_usual {
                    let beyond_after = flow.beyond_below(&there);
                    before.0 -= hair.up(f64::from(piece.height_mm)) * (beyond - beyond_after);
                    beyond = beyond_after;
                }
                self.piece(piece, &flow, (before, after), step);
                (at, before) = ((s, there), after);
                if !passes {
                    break;
                }
            }
            if !passes {
                continue;
            }
            let off = turn.worn_mm - on_head;
            // Hair on its way from one path to another ends between their ends.
            let raised = if share < 1.0 { raised_mm(path, worn, off) } else { 0.0 };
            let raise = |hang: &Hang| Hang { height_mm: hang.height_mm + raised, ..*hang };
            if let Some(hang) = &path.to_shoulders {
                self.hangs(&raise(hang), off, worn, &flow);
            }
            if !path.over_shoulders().is_empty() {
                let touches = path.to_shoulders.map_or(on_head, |hang| hang.to_mm) + off;
                if end(&mut flow, touches) {
                    self.over_shoulders(path, touches, &mut flow, &mut end);
                }
            }
            if end(&mut flow, path.to_the_end.from_mm + off) {
                self.hangs(&raise(&path.to_the_end), off, worn, &flow);
            }
        }
    }

    /// Notes where hair is rooted that grows below the head.
    fn root(&mut self, path: &Path, flow: &Flow) {
        let height = path.root_mm();
        if height >= 0.0 {
            return;
        }
        let row = ((-height * LEVELS_PER_MM) as usize).min(self.below.len() - 1);
        // Where it hangs: there it passes.
        for (azimuth, share) in path.to_the_end.cells.azimuths() {
            self.below[row][azimuth].root(share * flow.width_mm * flow.passing);
        }
    }

    /// Adds what lies over the shoulders, which it touches after this worn length.
    fn over_shoulders(
        &mut self,
        path: &Path,
        touches_mm: f64,
        flow: &mut Flow,
        mut end: impl FnMut(&mut Flow, f64) -> bool,
    ) {
        let (mut s, mut there) = (touches_mm, grown(touches_mm));
        let mut before = flow.below(s, &there);
        for piece in path.over_shoulders() {
            let arc_mm = f64::from(piece.arc_mm);
            s += arc_mm;
            let grows = grown_on(arc_mm);
            there = std::array::from_fn(|k| there[k] * grows[k]);
            flow.entering = flow.passing;
            let passes = end(flow, s);
            let after = flow.below(s, &there);
            // What lies on a shoulder piles up there, and takes no more volume to the side than what hangs.
            let upright = f64::from(piece.drop_mm / piece.arc_mm);
            let piled = (before.0 + (after.0 - before.0) * (1.0 - upright), before.1, before.2);
            self.piece(piece, flow, (piled, after), arc_mm);
            before = after;
            if !passes {
                break;
            }
        }
    }

    fn piece(
        &mut self,
        piece: &Piece,
        flow: &Flow,
        (before, after): ((f64, f64, f64), (f64, f64, f64)),
        worn_mm: f64,
    ) {
        let (volume, mass, length) = (before.0 - after.0, before.1 - after.1, before.2 - after.2);
        let per_mm = 1.0 / worn_mm.max(1e-9);
        self.count_at_levels(piece, flow.width_mm * length, mass);
        let cells = &piece.cells;
        let cover = flow.width_mm * length;
        if cells.rows()[0].0 < CAP_ROWS {
            // Rows over the head are lengths along the scalp.
            let crosses = f64::from(piece.arc_mm) * per_mm * CAP_ROWS_PER_MM;
            let laid = OverDirection::of(volume, cover, cover * crosses, flow.longest_mm, flow.stand_mm);
            for (row, row_share) in cells.rows() {
                for (azimuth, share) in cells.azimuths() {
                    self.over[row][azimuth].add_times(&laid, share * row_share);
                }
            }
            return;
        }
        let section = flow.section_mm2 * length;
        let moment = section * f64::from(cells.radius_mm);
        let drop = (f64::from(piece.drop_mm) * per_mm).abs();
        let laid = Laid::within(usize::from(cells.ring), volume, section, moment, flow.longest_mm).passing(
            drop * cover,
            drop * flow.width_mm * flow.entering * worn_mm,
            cover,
        );
        for (row, row_share) in cells.rows() {
            let (row, row_share) = (row - CAP_ROWS, row_share * LEVELS_PER_MM);
            self.mass[row].0 += row_share * mass;
            for (azimuth, share) in cells.azimuths() {
                self.below[row][azimuth].lay(&laid, share * row_share);
            }
        }
    }

    /// Counts a piece at the levels above the ears that it lies at, as long as it is there.
    fn count_at_levels(&mut self, piece: &Piece, cover_mm2: f64, mass_g: f64) {
        let (middle, drop) = (f64::from(piece.height_mm), f64::from(piece.drop_mm).abs().max(LEAST_DROP_MM));
        let (low, high) = (middle - 0.5 * drop, middle + 0.5 * drop);
        if high <= 0.0 {
            return;
        }
        let highest = self.above.len() - 1;
        let per_drop = LEVELS_PER_MM / drop;
        let first = (low * LEVELS_PER_MM).max(0.0) as usize;
        for number in first..=((high * LEVELS_PER_MM) as usize).min(highest) {
            let floor = number as f64 * LEVEL_MM;
            let share = (high.min(floor + LEVEL_MM) - low.max(floor)).max(0.0) * per_drop;
            self.above[number].cover_mm += share * cover_mm2;
            self.above[number].mass_g_per_mm += share * mass_g;
        }
    }

    /// Notes a hanging stretch: where bundles end in it (or leave it below), and where it begins.
    fn hangs(&mut self, hang: &Hang, off: f64, worn: &Worn, flow: &Flow) {
        let (from, to) = (hang.from_mm + off, hang.to_mm + off);
        let down = worn.lie.hangs();
        if down < HANGS_FREELY {
            self.stands_out(hang, from, down, worn, flow);
            return;
        }
        let from_root = decayed_slowest(-from);
        let (volume, mass) = flow.passing(&fourth_powers(from_root));
        let top = Ends { volume, mass, count: flow.passing, longer: 1.0 };
        let begins = Height::of(hang.height_mm);
        let through = decayed_slowest(to - from);
        let to_root = from_root / through;
        self.note(hang, flow, &begins, &top, -1.0);
        let mut leaves = Ends::none(1.0);
        for (first, many) in worn.bundles().filter(|(first, _)| worn.lengths[*first] > from) {
            let length = worn.lengths[first];
            let exact = many * worn.exact[first];
            let volume = flow.volume.closing(worn.closing[first]).times(exact);
            let mass = flow.mass.times(exact);
            if length > to {
                let left = fourth_powers(worn.slowest(first) * to_root);
                leaves.add(&Ends {
                    volume: volume.decayed(&left),
                    mass: mass.decayed(&left),
                    count: many,
                    longer: 1.0,
                });
            } else {
                let ends = Ends { volume, mass, count: many, longer: 1.0 };
                let lower = begins.lower(length - from, worn.slowest(first) * from_root);
                self.note(hang, flow, &lower, &ends, 1.0);
            }
        }
        if leaves.count > 0.0 {
            self.note(hang, flow, &begins.lower(to - from, through), &leaves, 1.0);
        }
    }

    /// The same of hair that is held up and goes down by less than it is long.
    fn stands_out(&mut self, hang: &Hang, from: f64, down: f64, worn: &Worn, flow: &Flow) {
        let longer = 1.0 / down.max(LEAST_DOWN);
        let (begins, from_root) = (Height::of(hang.height_mm), decayed_slowest(-from));
        let mut top = Ends::none(longer);
        for (first, many) in worn.bundles().filter(|(first, _)| worn.lengths[*first] > from) {
            let (length, exact) = (worn.lengths[first] - from, many * worn.exact[first]);
            let goes_down = decayed_slowest(down * length);
            let lower = begins.lower(down * length, goes_down);
            let decays = fourth_powers(goes_down);
            let true_decays = fourth_powers(worn.slowest(first) * from_root);
            // All of it over the lower height, so much denser that none is lost.
            let of = |of: &Amount| {
                let lower = of.within(down * length, &decays).max(f64::MIN_POSITIVE);
                let times = exact * of.within(length, &true_decays) / lower;
                (of.times(times), of.decayed(&decays).times(times))
            };
            let ((volume, room_above), (mass, mass_above)) =
                (of(&flow.volume.closing(worn.closing[first])), of(&flow.mass));
            self.note(hang, flow, &lower, &Ends { volume, mass, count: many, longer }, 1.0);
            top.add(&Ends { volume: room_above, mass: mass_above, count: many, longer });
        }
        self.note(hang, flow, &begins, &top, -1.0);
    }

    /// Notes what passes upwards from a height on: in the rest of its row, and in all above.
    fn note(&mut self, hang: &Hang, flow: &Flow, height: &Height, ends: &Ends, sign: f64) {
        // What begins over the head passes all rows below it.
        if height.mm > 0.0 {
            return;
        }
        let row = ((-height.mm * LEVELS_PER_MM).max(0.0) as usize).min(self.begins.len() - 1);
        let part = -(row as f64) * LEVEL_MM - height.mm;
        let decays = fourth_powers(self.edges[row] * height.decayed);
        let in_row =
            |amount: &Amount| (amount.within(part, &decays) * LEVELS_PER_MM, amount.decayed(&decays));
        let ((volume, volume_left), (mass, mass_left)) = (in_row(&ends.volume), in_row(&ends.mass));
        let part_share = part * LEVELS_PER_MM;
        let ring = usize::from(hang.cells.ring);
        if self.begins[row].is_empty() {
            self.begins[row].resize(AZIMUTHS, Begins::default());
        }
        let (section, width) = (ends.count * flow.section_mm2, ends.count * flow.width_mm);
        let (moment, cover) = (section * f64::from(hang.cells.radius_mm), width * ends.longer);
        let laid = Laid::hanging(ring, volume, section * part_share, moment * part_share).passing(
            width * part_share,
            0.0,
            cover * part_share,
        );
        let ring_begins = RingBegins { volume: volume_left, section, moment };
        for (azimuth, share) in hang.cells.azimuths() {
            let share = share * sign;
            self.below[row][azimuth].lay(&laid, share);
            let begins = &mut self.begins[row][azimuth];
            begins.rings[ring].add(&ring_begins, share);
            begins.width_mm += share * width;
            begins.cover_mm += share * cover;
        }
        self.mass[row].0 += sign * mass;
        self.mass[row].1.add(&mass_left, sign);
    }

    /// The field of what was laid.
    pub fn field(mut self) -> Field {
        let step = RowStep::new();
        let mut hangs = [Begins::default(); AZIMUTHS];
        for (row, begins) in self.below.iter_mut().zip(&self.begins).rev() {
            for (cell, hangs) in row.iter_mut().zip(&mut hangs) {
                for (ring, hangs) in
                    hangs.rings.iter_mut().enumerate().filter(|(_, hangs)| hangs.section != 0.0)
                {
                    let volume = hangs.volume.through(&step);
                    cell.lay(&Laid::hanging(ring, volume, hangs.section, hangs.moment), 1.0);
                }
                cell.pass(hangs.width_mm, hangs.width_mm, hangs.cover_mm);
            }
            for ((cell, hangs), begins) in row.iter_mut().zip(&mut hangs).zip(begins) {
                hangs.add(begins);
                // At its upper edge what begins in it passes, too.
                cell.pass(0.0, begins.width_mm, 0.0);
            }
            row.iter_mut().for_each(Below::without_rounding);
        }
        let mut hanging = Amount::default();
        for (mass, begins) in self.mass.iter_mut().rev() {
            *mass += hanging.through(&step);
            hanging.add(begins, 1.0);
        }
        let mass_below = self.mass.iter().map(|(mass, _)| mass.max(0.0)).collect();
        Field { over: self.over, below: self.below, above: self.above, mass_below }
    }
}
