//! The room hair takes, by cell: over the head by elevation, below it by height, round it by azimuth.

use super::cells::{CAP_ROWS, CAP_STEP, RINGS, elevation_of};
use super::lie::RISE_RADIUS_MM;
use super::path::{Hang, Piece};
use super::profile::{DECAY_MM, TERMS, Terms};
use super::worn::Worn;
use super::{AZIMUTHS, LEVEL_MM, Shell};
use crate::hair::{Hair, SHARES};
use rayon::prelude::*;
use std::f64::consts::TAU;
use std::sync::LazyLock;

/// Least strands summed in one go, and most goes. Neither looks at the threads, so sums are the same on any number of
/// them; each go has cells of its own, so there are few.
const CHUNK: usize = 2048;
const CHUNKS: usize = 4;
/// How far guide strands are spread over their neighbours, standard deviation, mm.
const SPREAD_MM: f64 = 10.0;
/// Share of its thickness by which hair is pushed to the side by the hair beside it.
const PUSHED_SHARE: f64 = 1.5;
/// Share of its height where it leaves the head at which hair runs round the head on the mean.
const TURNED_SHARE: f64 = 0.7;
/// Share of its length by which hair goes down from which on it hangs freely: what little it is held up changes no outline.
const HANGS_FREELY: f64 = 0.999;
/// Share of the way round a head that has hair.
const HAIRY_SHARE: f64 = 0.75;
/// Room (mm²) and width (mm) in a cell below which what is left there is rounding: a single hair is ten thousand times as
/// much.
const ROUNDING: f64 = 1e-6;

/// What is in a cell. Over the head rooms are volumes, mm³, all in the first ring; below it they are level sections, mm².
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub(super) struct Cell {
    /// Room that hair takes, by ring.
    pub room: [f64; RINGS],
    /// Section of fibre, mm², and the same times its distance from the axis.
    pub section: [f64; RINGS],
    pub moment: [f64; RINGS],
    /// Hairs that pass times their width, mm: on the mean over the cell, and at its upper edge.
    pub width_mm: f64,
    pub entering_mm: f64,
    /// Over the head, fibre that covers it, mm².
    pub cover_mm2: f64,
    /// Room times the worn length of the hair that takes it, and times how far that stands off by itself.
    pub reach: f64,
    pub stand: f64,
}

/// How many numbers a cell holds.
const NUMBERS: usize = 3 * RINGS + 5;

impl Cell {
    fn numbers(&self) -> [f64; NUMBERS] {
        let mut out = [0.0; NUMBERS];
        out[..RINGS].copy_from_slice(&self.room);
        out[RINGS..2 * RINGS].copy_from_slice(&self.section);
        out[2 * RINGS..3 * RINGS].copy_from_slice(&self.moment);
        out[3 * RINGS..].copy_from_slice(&[
            self.width_mm,
            self.entering_mm,
            self.cover_mm2,
            self.reach,
            self.stand,
        ]);
        out
    }

    fn from(numbers: &[f64; NUMBERS]) -> Self {
        let rings = |from: usize| std::array::from_fn(|i| numbers[from + i]);
        let [width_mm, entering_mm, cover_mm2, reach, stand] =
            std::array::from_fn(|i| numbers[3 * RINGS + i]);
        Self {
            room: rings(0),
            section: rings(RINGS),
            moment: rings(2 * RINGS),
            width_mm,
            entering_mm,
            cover_mm2,
            reach,
            stand,
        }
    }

    fn add(&mut self, other: &Self) {
        let (mut sum, more) = (self.numbers(), other.numbers());
        sum.iter_mut().zip(more).for_each(|(sum, more)| *sum += more);
        *self = Self::from(&sum);
    }

    /// Half of it and a quarter of each of two neighbours. The neighbours are added first, so that the mirror image is
    /// the same to the last bit.
    fn between(&self, one: &Self, other: &Self) -> Self {
        let (here, one, other) = (self.numbers(), one.numbers(), other.numbers());
        Self::from(&std::array::from_fn(|i| 0.5 * here[i] + 0.25 * (one[i] + other[i])))
    }

    /// All room in it.
    pub fn all_room(&self) -> f64 {
        self.room.iter().sum()
    }

    fn without_rounding(&mut self) {
        for ring in 0..RINGS {
            if self.room[ring] < ROUNDING {
                (self.room[ring], self.section[ring], self.moment[ring]) = (0.0, 0.0, 0.0);
            }
        }
        if self.width_mm < ROUNDING {
            (self.width_mm, self.entering_mm) = (0.0, 0.0);
        }
    }
}

/// What passes a height above the ears, by levels upwards.
#[derive(Debug, Clone, Copy, Default)]
pub(super) struct Passing {
    pub width_mm: f64,
    pub mass_g_per_mm: f64,
}

/// Cells by row, over the head and then below it, and by azimuth.
#[derive(Debug, Clone)]
pub(super) struct Field {
    pub rows: Vec<[Cell; AZIMUTHS]>,
    /// What passes the level of this number and the next, from the ears' height up.
    pub above: Vec<Passing>,
    /// Mass per height by row below the head, g/mm.
    pub mass_below: Vec<f64>,
}

impl Field {
    /// The field of hair worn like this.
    pub fn of(hair: &Hair, worn: &[Worn]) -> Self {
        let lowest = worn
            .iter()
            .zip(&hair.strands)
            .map(|(worn, strand)| strand.root.at.y - worn.longest_mm)
            .fold(0.0, f64::min);
        // A piece of a path reaches at most its own length further than the hair, and is shared with the row below.
        let rows = (-lowest / LEVEL_MM).ceil() as usize + 5;
        let levels = (hair.form.top_mm() / LEVEL_MM).ceil() as usize + 1;
        let count = hair.strands.len();
        let chunk = count.div_ceil(CHUNKS).max(CHUNK);
        let parts: Vec<Sums> = (0..count.div_ceil(chunk))
            .into_par_iter()
            .map(|part| {
                let mut sums = Sums::new(rows, levels);
                for (i, worn) in worn.iter().enumerate().skip(part * chunk).take(chunk) {
                    sums.lay(hair, i, worn);
                }
                sums
            })
            .collect();
        let mut parts = parts.into_iter();
        let mut all = parts.next().unwrap_or_else(|| Sums::new(rows, levels));
        for part in parts {
            all.add(&part);
        }
        let (mut rows, above, mass_below) = all.cells();
        smooth(&mut rows, &hair.shell);
        Self { rows, above, mass_below }
    }
}

/// Decaying amounts at the upper edge of a row, and one that doesn't decay.
#[derive(Debug, Clone, Copy, Default)]
struct Amount {
    steady: f64,
    decaying: Terms,
}

impl Amount {
    fn add(&mut self, other: &Self, times: f64) {
        self.steady += times * other.steady;
        for (sum, more) in self.decaying.iter_mut().zip(other.decaying) {
            *sum += times * more;
        }
    }

    /// What of it lies in a row whose lower edge it crosses, a millimetre of height, and what leaves at the upper edge.
    fn through(&mut self, step: &RowStep) -> f64 {
        let mut mean = self.steady;
        for ((decaying, mean_share), left) in self.decaying.iter_mut().zip(step.mean).zip(step.left) {
            mean += *decaying * mean_share;
            *decaying *= left;
        }
        mean
    }

    /// What of it lies in the upper `part_mm` of a row, spread over the row, and what is left of it at the upper edge.
    fn part_of_row(&self, part_mm: f64) -> (f64, Self) {
        let mut mean = self.steady * part_mm;
        let mut left = *self;
        for (decaying, decay) in left.decaying.iter_mut().zip(DECAY_MM) {
            let share = (-part_mm / decay).exp();
            mean += *decaying * decay * (1.0 - share);
            *decaying *= share;
        }
        (mean / LEVEL_MM, left)
    }
}

/// How amounts pass a whole row.
struct RowStep {
    left: Terms,
    mean: Terms,
}

impl RowStep {
    fn new() -> Self {
        let left = DECAY_MM.map(|decay| (-LEVEL_MM / decay).exp());
        let mean = std::array::from_fn(|i| DECAY_MM[i] / LEVEL_MM * (1.0 - left[i]));
        Self { left, mean }
    }
}

#[derive(Debug, Clone, Copy, Default)]
struct RingBegins {
    room: Amount,
    section: f64,
    moment: f64,
}

/// What begins at the upper edge of a row and hangs on upwards.
#[derive(Debug, Clone, Copy, Default)]
struct Begins {
    rings: [RingBegins; RINGS],
    width_mm: f64,
}

/// What is laid into cells. Hair that hangs straight down is noted at both its ends, and summed over the rows at last.
struct Sums {
    cells: Vec<[Cell; AZIMUTHS]>,
    begins: Vec<[Begins; AZIMUTHS]>,
    above: Vec<Passing>,
    /// Mass in each row below the head, and what hangs on upwards from there.
    mass: Vec<(f64, Amount)>,
}

/// The hair of a root as it is laid down one of its paths: what still passes, from the root down.
struct Flow {
    /// What a worn millimetre of all shares would take at their ends: room (mm²) and mass (g/mm).
    room: Amount,
    mass: Amount,
    /// Fibre width (mm) and section (mm²) of a share.
    width_mm: f64,
    section_mm2: f64,
    stand_mm: f64,
    longest_mm: f64,
    /// Shares that passed where the piece that is laid begins.
    entering: f64,
    /// Shares that still pass: how many; with what makes them exact how many and how long; and decayed to the root.
    passing: f64,
    lengths_mm: f64,
    exact: f64,
    exact_mm: f64,
    decayed: Terms,
}

impl Flow {
    fn of(hair: &Hair, i: usize, worn: &Worn, share: f64) -> Self {
        let strand = &hair.strands[i];
        let (steady, decaying) = hair.packing.terms(strand);
        let section_mm2 = share * strand.hairs / SHARES as f64 * strand.section_mm2();
        let mass = share * strand.mass_g_per_mm() / SHARES as f64;
        let mut flow = Self {
            room: Amount { steady: section_mm2 * steady, decaying: decaying.map(|term| section_mm2 * term) },
            mass: Amount { steady: mass, decaying: strand.profile.fibre.map(|term| mass * term) },
            width_mm: share * strand.hairs / SHARES as f64 * 1e-3 * strand.model.diameter_um,
            section_mm2,
            stand_mm: worn.lie.stand_mm,
            longest_mm: worn.longest_mm,
            entering: 0.0,
            passing: 0.0,
            lengths_mm: 0.0,
            exact: 0.0,
            exact_mm: 0.0,
            decayed: [0.0; TERMS],
        };
        worn.bundles().for_each(|(first, many)| flow.pass(worn, first, many as f64));
        flow
    }

    /// Lets a bundle pass, or (with a negative number of shares) end.
    fn pass(&mut self, worn: &Worn, first: usize, many: f64) {
        let (length, exact) = (worn.lengths[first], worn.exact[first]);
        self.passing += many;
        self.lengths_mm += many * length;
        self.exact += many * exact;
        self.exact_mm += many * exact * length;
        for (sum, decayed) in self.decayed.iter_mut().zip(&worn.decayed[first]) {
            *sum += many * exact * decayed;
        }
    }

    /// What lies below a worn length `s` of what passes there: room (mm³) and mass (g), given e^(s/τ); and worn length, mm.
    fn below(&self, s: f64, grown: &Terms) -> (f64, f64, f64) {
        let steady = self.exact_mm - self.exact * s;
        let (mut room, mut mass) = (self.room.steady * steady, self.mass.steady * steady);
        for i in 0..TERMS {
            let left = DECAY_MM[i] * (self.exact - self.decayed[i] * grown[i]);
            room += self.room.decaying[i] * left;
            mass += self.mass.decaying[i] * left;
        }
        (room, mass, self.lengths_mm - self.passing * s)
    }

    /// An amount of all that passes at a worn length, given e^(s/τ).
    fn amount(&self, of: &Amount, grown: &Terms) -> Amount {
        Amount {
            steady: of.steady * self.exact,
            decaying: std::array::from_fn(|i| of.decaying[i] * self.decayed[i] * grown[i]),
        }
    }
}

fn grown(s: f64) -> Terms {
    DECAY_MM.map(|decay| (s / decay).exp())
}

/// The same from a table, for the short steps of a path, to a few parts in a million.
fn grown_by(step_mm: f64) -> Terms {
    let place = step_mm * STEPS_A_MM;
    let i = place as usize;
    match GROWN.get(i..i + 2) {
        Some([low, high]) => {
            let share = place - i as f64;
            std::array::from_fn(|k| low[k] + share * (high[k] - low[k]))
        }
        _ => grown(step_mm),
    }
}

const STEPS_A_MM: f64 = 20.0;
static GROWN: LazyLock<Vec<Terms>> =
    LazyLock::new(|| (0..1200).map(|i| grown(f64::from(i) / STEPS_A_MM)).collect());

impl Sums {
    fn new(rows: usize, levels: usize) -> Self {
        Self {
            cells: vec![[Cell::default(); AZIMUTHS]; CAP_ROWS + rows],
            begins: vec![[Begins::default(); AZIMUTHS]; rows],
            above: vec![Passing::default(); levels],
            mass: vec![(0.0, Amount::default()); rows],
        }
    }

    fn add(&mut self, other: &Self) {
        for (to, from) in self.cells.iter_mut().flatten().zip(other.cells.iter().flatten()) {
            to.add(from);
        }
        for (to, from) in self.begins.iter_mut().flatten().zip(other.begins.iter().flatten()) {
            for (to, from) in to.rings.iter_mut().zip(&from.rings) {
                to.room.add(&from.room, 1.0);
                to.section += from.section;
                to.moment += from.moment;
            }
            to.width_mm += from.width_mm;
        }
        for (to, from) in self.mass.iter_mut().zip(&other.mass) {
            to.0 += from.0;
            to.1.add(&from.1, 1.0);
        }
        for (to, from) in self.above.iter_mut().zip(&other.above) {
            to.width_mm += from.width_mm;
            to.mass_g_per_mm += from.mass_g_per_mm;
        }
    }

    /// Adds the hair of a root to the cells it passes.
    fn lay(&mut self, hair: &Hair, i: usize, worn: &Worn) {
        if worn.longest_mm <= 0.0 {
            return;
        }
        for (path, share) in hair.drapes[i].paths(worn.longest_mm) {
            let mut flow = Flow::of(hair, i, worn, share);
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
                    flow.pass(worn, first, -(many as f64));
                }
                flow.passing > 0.5
            };
            let mut at = (0.0, [1.0; TERMS]);
            let mut before = flow.below(0.0, &at.1);
            let mut passes = true;
            for piece in &path.on_head {
                let step = (f64::from(piece.arc_mm) + high * f64::from(piece.turn)) * longer;
                // Hair that stands upright ends within its first piece.
                let step = step.min(worn.longest_mm - at.0 + 1.0);
                let s = at.0 + step;
                let grows = grown_by(step);
                let there = std::array::from_fn(|k| at.1[k] * grows[k]);
                flow.entering = flow.passing;
                passes = end(&mut flow, s);
                let after = flow.below(s, &there);
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
            self.hangs(&path.hangs[0], off, worn, &flow);
            for piece in &path.over_shoulders {
                let s = f64::from(piece.end_mm) + off;
                let from = s - f64::from(piece.arc_mm);
                if !end(&mut flow, from) {
                    break;
                }
                let before = flow.below(from, &grown(from));
                flow.entering = flow.passing;
                let passes = end(&mut flow, s);
                let after = flow.below(s, &grown(s));
                // What lies on a shoulder piles up there, and takes no more room to the side than what hangs.
                let upright = f64::from(piece.drop_mm / piece.arc_mm);
                let piled = (before.0 + (after.0 - before.0) * (1.0 - upright), before.1, before.2);
                self.piece(piece, &flow, (piled, after), s - from);
                if !passes {
                    break;
                }
            }
            if let Some(hang) = path.hangs.get(1)
                && end(&mut flow, hang.from_mm + off)
            {
                self.hangs(hang, off, worn, &flow);
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
        let (room, mass, length) = (before.0 - after.0, before.1 - after.1, before.2 - after.2);
        let entering = flow.entering;
        let drop = f64::from(piece.drop_mm) / worn_mm.max(1e-9);
        let height = f64::from(piece.height_mm);
        if height > 0.0 {
            let highest = self.above.len() - 1;
            let level = &mut self.above[((height / LEVEL_MM) as usize).min(highest)];
            level.width_mm += flow.width_mm * length * drop.abs() / LEVEL_MM;
            level.mass_g_per_mm += mass / LEVEL_MM;
        }
        let cells = &piece.cells;
        for (row, share) in cells.rows() {
            if row >= CAP_ROWS {
                self.mass[row - CAP_ROWS].0 += share * mass / LEVEL_MM;
            }
        }
        let cap = cells.rows()[0].0 < CAP_ROWS;
        // Below the head rows are levels of so many mm, above it lengths along the scalp.
        let row_mm = if cap { 1.0 } else { LEVEL_MM };
        let passing = if cap {
            f64::from(piece.arc_mm) / worn_mm.max(1e-9) / (CAP_STEP * RISE_RADIUS_MM)
        } else {
            drop.abs() / LEVEL_MM
        };
        for (row, row_share) in cells.rows() {
            if row_share == 0.0 {
                continue;
            }
            for (azimuth, share) in cells.azimuths() {
                let share = share * row_share;
                let cell = &mut self.cells[row][azimuth];
                let room = share * room / row_mm;
                let width = share * flow.width_mm * length;
                cell.width_mm += width * passing;
                if cap {
                    cell.room[0] += room;
                    cell.cover_mm2 += width;
                    cell.reach += room * flow.longest_mm;
                    cell.stand += room * flow.stand_mm;
                } else {
                    let ring = usize::from(cells.ring);
                    let section = share * flow.section_mm2 * length / row_mm;
                    cell.room[ring] += room;
                    cell.section[ring] += section;
                    cell.moment[ring] += section * f64::from(cells.radius_mm);
                    cell.entering_mm += share * flow.width_mm * entering * passing * worn_mm;
                }
            }
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
        let all = grown(from);
        let top = Ends {
            room: flow.amount(&flow.room, &all),
            mass: flow.amount(&flow.mass, &all),
            count: flow.passing,
        };
        self.note(hang, flow, hang.height_mm, &top, -1.0);
        for (first, many) in worn.bundles().filter(|(first, _)| worn.lengths[*first] > from) {
            let (length, many) = (worn.lengths[first], many as f64);
            let exact = many * worn.exact[first];
            let past = (length - to).max(0.0);
            let scaled = |of: &Amount| {
                let left = |i: usize| if past > 0.0 { (-past / DECAY_MM[i]).exp() } else { 1.0 };
                Amount {
                    steady: of.steady * exact,
                    decaying: std::array::from_fn(|i| of.decaying[i] * exact * left(i)),
                }
            };
            let ends = Ends { room: scaled(&flow.room), mass: scaled(&flow.mass), count: many };
            self.note(hang, flow, hang.height_mm - (length.min(to) - from), &ends, 1.0);
        }
    }

    /// The same of hair that is held up and goes down by less than it is long.
    fn stands_out(&mut self, hang: &Hang, from: f64, down: f64, worn: &Worn, flow: &Flow) {
        for (first, many) in worn.bundles().filter(|(first, _)| worn.lengths[*first] > from) {
            let (length, exact) = (worn.lengths[first] - from, many as f64 * worn.exact[first]);
            let (lower, upper) = (hang.height_mm - down * length, hang.height_mm);
            let decays = super::profile::decayed(down * length);
            let true_decays = super::profile::decayed(length);
            // All of it over the lower height, so much denser that none is lost.
            let of = |of: &Amount| {
                let held = |length: f64, decays: &Terms| {
                    of.steady * length
                        + (0..TERMS).map(|i| of.decaying[i] * DECAY_MM[i] * (1.0 - decays[i])).sum::<f64>()
                };
                let times =
                    exact * held(length, &true_decays) / held(down * length, &decays).max(f64::MIN_POSITIVE);
                let below =
                    Amount { steady: times * of.steady, decaying: of.decaying.map(|term| times * term) };
                let above =
                    Amount { decaying: std::array::from_fn(|i| below.decaying[i] * decays[i]), ..below };
                (below, above)
            };
            let ((room, room_above), (mass, mass_above)) = (of(&flow.room), of(&flow.mass));
            let count = many as f64;
            self.note(hang, flow, lower, &Ends { room, mass, count }, 1.0);
            self.note(hang, flow, upper, &Ends { room: room_above, mass: mass_above, count }, -1.0);
        }
    }

    /// Notes what passes upwards from a height on: in the rest of its row, and in all above.
    fn note(&mut self, hang: &Hang, flow: &Flow, height_mm: f64, ends: &Ends, sign: f64) {
        let row = ((-height_mm / LEVEL_MM).max(0.0) as usize).min(self.begins.len() - 1);
        let part = -(row as f64) * LEVEL_MM - height_mm;
        let (room, room_left) = ends.room.part_of_row(part);
        let (mass, mass_left) = ends.mass.part_of_row(part);
        let part_share = part / LEVEL_MM;
        let ring = usize::from(hang.cells.ring);
        for (azimuth, share) in hang.cells.azimuths() {
            let share = share * sign;
            let count = share * ends.count;
            let section = count * flow.section_mm2;
            let moment = section * f64::from(hang.cells.radius_mm);
            let cell = &mut self.cells[CAP_ROWS + row][azimuth];
            cell.room[ring] += share * room;
            cell.section[ring] += section * part_share;
            cell.moment[ring] += moment * part_share;
            cell.width_mm += count * flow.width_mm * part_share;
            let begins = &mut self.begins[row][azimuth];
            begins.rings[ring].room.add(&room_left, share);
            begins.rings[ring].section += section;
            begins.rings[ring].moment += moment;
            begins.width_mm += count * flow.width_mm;
        }
        self.mass[row].0 += sign * mass;
        self.mass[row].1.add(&mass_left, sign);
    }

    fn cells(mut self) -> (Vec<[Cell; AZIMUTHS]>, Vec<Passing>, Vec<f64>) {
        let step = RowStep::new();
        let mut hangs = [Begins::default(); AZIMUTHS];
        for (row, begins) in self.cells[CAP_ROWS..].iter_mut().zip(&self.begins).rev() {
            for ((cell, hangs), begins) in row.iter_mut().zip(&mut hangs).zip(begins) {
                for (ring, (hangs, begins)) in hangs.rings.iter_mut().zip(&begins.rings).enumerate() {
                    cell.room[ring] += hangs.room.through(&step);
                    cell.section[ring] += hangs.section;
                    cell.moment[ring] += hangs.moment;
                    hangs.room.add(&begins.room, 1.0);
                    hangs.section += begins.section;
                    hangs.moment += begins.moment;
                }
                cell.width_mm += hangs.width_mm;
                hangs.width_mm += begins.width_mm;
                cell.entering_mm += hangs.width_mm;
            }
        }
        self.cells.iter_mut().flatten().for_each(Cell::without_rounding);
        let mut hanging = Amount::default();
        for (mass, begins) in self.mass.iter_mut().rev() {
            *mass += hanging.through(&step);
            hanging.add(begins, 1.0);
        }
        let mass = self.mass.iter().map(|(mass, _)| mass.max(0.0)).collect();
        (self.cells, self.above, mass)
    }
}

/// What ends, or begins, at a height.
struct Ends {
    room: Amount,
    mass: Amount,
    count: f64,
}

/// Spreads each cell over its neighbours: so far that guide strands stand for the hair between them, and as far again as
/// its share of the thickness of the hair, which pushes itself to the side as it pushes itself out; that only onto hair, so
/// that the face stays free. And one cell up and down.
fn smooth(rows: &mut [[Cell; AZIMUTHS]], shell: &Shell) {
    for (number, row) in rows.iter_mut().enumerate() {
        let room: f64 = row.iter().map(Cell::all_room).sum();
        let cap = shell.cap.get(number);
        let (radius, thick) = if let Some(cap) = cap {
            let area: f64 = cap.iter().map(|cell| cell.area_mm2).sum();
            let spread = (1.0 + 3.0 * room / (HAIRY_SHARE * area * RISE_RADIUS_MM)).cbrt();
            (elevation_of(number).cos() * RISE_RADIUS_MM, RISE_RADIUS_MM * (spread - 1.0))
        } else {
            let outer = (RISE_RADIUS_MM.powi(2) + 2.0 * room / (HAIRY_SHARE * TAU)).sqrt();
            (RISE_RADIUS_MM, outer - RISE_RADIUS_MM)
        };
        let apart = radius * TAU / AZIMUTHS as f64;
        let hairy: [f64; AZIMUTHS] = std::array::from_fn(|i| match cap {
            Some(cap) => (row[i].cover_mm2 / cap[i].area_mm2).min(1.0),
            None => (row[i].width_mm / apart).min(1.0),
        });
        // Half the variance of the spread, in cells, is what a step of diffusion conducts; two steps make it smooth.
        let (spread, pushed) = (SPREAD_MM / apart, PUSHED_SHARE * thick / apart);
        let between = |i: usize| {
            let both = hairy[i] * hairy[(i + 1) % AZIMUTHS];
            0.25 * (spread * spread + pushed * pushed * both)
        };
        let conducts: [f64; AZIMUTHS] = std::array::from_fn(between);
        for _ in 0..2 {
            diffuse(row, &conducts);
        }
    }
    // Over the head and below it rows hold different things: each is smoothed by itself, over the head by area.
    let (cap, below) = rows.split_at_mut(CAP_ROWS);
    let scale = |cap: &mut [[Cell; AZIMUTHS]], by: fn(f64) -> f64| {
        for (number, row) in cap.iter_mut().enumerate() {
            let times = by(elevation_of(number).cos());
            row.iter_mut().for_each(|cell| *cell = Cell::from(&cell.numbers().map(|number| number * times)));
        }
    };
    scale(cap, f64::recip);
    up_and_down(cap);
    up_and_down(cap);
    scale(cap, |area| area);
    up_and_down(below);
}

/// At the first and the last row the missing neighbour is the row itself.
fn up_and_down(rows: &mut [[Cell; AZIMUTHS]]) {
    let Some(mut above) = rows.first().copied() else { return };
    for i in 0..rows.len() {
        let below = rows[(i + 1).min(rows.len() - 1)];
        let here = rows[i];
        for (((cell, here), above), below) in rows[i].iter_mut().zip(&here).zip(&above).zip(&below) {
            // Where hair ends is known better than to a row: that is not spread.
            let (width_mm, entering_mm) = (cell.width_mm, cell.entering_mm);
            *cell = Cell { width_mm, entering_mm, ..here.between(above, below) };
        }
        above = here;
    }
}

/// A step of diffusion round a row: what cell i conducts to the next is conducts[i]. Solved as it will be afterwards, so that
/// a step may be as long as it likes: a cyclic tridiagonal system (Sherman and Morrison's way of cutting the ring).
fn diffuse(row: &mut [Cell; AZIMUTHS], conducts: &[f64; AZIMUTHS]) {
    const LAST: usize = AZIMUTHS - 1;
    let seam = conducts[LAST];
    // With the ring cut, the first and last cell keep their own; what the seam conducts is put back at the end.
    let gamma = -(1.0 + conducts[0] + seam);
    let diagonal: [f64; AZIMUTHS] = std::array::from_fn(|i| {
        let own = 1.0 + conducts[i] + conducts[(i + LAST) % AZIMUTHS];
        match i {
            0 => own - gamma,
            LAST => own - seam * seam / gamma,
            _ => own,
        }
    });
    let mut numbers: [[f64; NUMBERS]; AZIMUTHS] = std::array::from_fn(|i| row[i].numbers());
    let mut ring = [0.0; AZIMUTHS];
    (ring[0], ring[LAST]) = (gamma, -seam);
    let mut ahead = [0.0; AZIMUTHS];
    for i in 0..AZIMUTHS {
        let behind = if i == 0 { 0.0 } else { conducts[i - 1] };
        let carried = if i == 0 { 0.0 } else { ahead[i - 1] };
        let pivot = diagonal[i] - behind * carried;
        ahead[i] = if i == LAST { 0.0 } else { conducts[i] / pivot };
        if i > 0 {
            ring[i] += behind * ring[i - 1];
            let before = numbers[i - 1];
            for (number, before) in numbers[i].iter_mut().zip(before) {
                *number += behind * before;
            }
        }
        ring[i] /= pivot;
        numbers[i].iter_mut().for_each(|number| *number /= pivot);
    }
    for i in (0..LAST).rev() {
        ring[i] += ahead[i] * ring[i + 1];
        let after = numbers[i + 1];
        for (number, after) in numbers[i].iter_mut().zip(after) {
            *number += ahead[i] * after;
        }
    }
    let back = -seam / gamma;
    let whole = 1.0 + ring[0] + back * ring[LAST];
    let share: [f64; NUMBERS] = std::array::from_fn(|k| (numbers[0][k] + back * numbers[LAST][k]) / whole);
    for i in 0..AZIMUTHS {
        row[i] = Cell::from(&std::array::from_fn(|k| numbers[i][k] - share[k] * ring[i]));
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn diffusion_keeps_what_there_is_and_spreads_it_evenly_to_both_sides() {
        let mut row = [Cell::default(); AZIMUTHS];
        row[0].width_mm = 3.0;
        let conducts = [2.5; AZIMUTHS];
        diffuse(&mut row, &conducts);
        let all: f64 = row.iter().map(|cell| cell.width_mm).sum();
        assert!((all - 3.0).abs() < 1e-12);
        for i in 1..AZIMUTHS {
            assert!((row[i].width_mm - row[AZIMUTHS - i].width_mm).abs() < 1e-12);
            // What stands in the middle of a row is what solves the equation there.
            let (before, after) = (row[i - 1].width_mm, row[(i + 1) % AZIMUTHS].width_mm);
            assert!((6.0 * row[i].width_mm - 2.5 * (before + after)).abs() < 1e-9, "{i}");
        }
    }

    #[test]
    fn nothing_is_conducted_onto_a_bare_face() {
        let mut row = [Cell::default(); AZIMUTHS];
        (20..50).for_each(|i| row[i].width_mm = 1.0);
        let conducts = std::array::from_fn(|i| if (20..49).contains(&i) { 40.0 } else { 0.0 });
        diffuse(&mut row, &conducts);
        assert!(row.iter().enumerate().all(|(i, cell)| (20..50).contains(&i) || cell.width_mm.abs() < 1e-12));
    }
}
