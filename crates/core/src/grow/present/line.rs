//! The line of the ends: where it lies, and hair moved until it lies where it was seen.

use crate::fall::{AsWorn, End, Worn, ends, ends_of, worn_at};
use crate::hair::{Hair, SHARES, ShareLengths};
use crate::reading::LinePoint;
use rayon::prelude::*;
use std::f64::consts::TAU;

/// Share of the hair of a sector whose ends are seen as its line: single long hairs are no line, and layers aren't it.
const IN_LINE: f64 = 0.125;
/// Half the angle of a sector, radians: a hand's width at the back of the head.
const SECTOR: f64 = 0.45;
/// How far above the line hair still belongs to it, mm.
const LINE_BAND_MM: f64 = 60.0;
/// How far round from a measured point its say reaches, radians.
const REACH: f64 = 0.6;
/// Distance of the line from where it was measured that is close enough, mm.
const CLOSE_MM: f64 = 1.0;
/// Every so many-th strand is asked, and how often the line is moved at most: first on few, then on all.
const MOVES: [(usize, usize); 2] = [(4, 12), (1, 8)];
/// How many times as far as it still lies off a point is moved next at most, and at least.
const MOST_GAIN: f64 = 3.0;
const LEAST_GAIN: f64 = 0.2;
/// How many times as far as it lay off at first a point is moved altogether at most. Beside a shoulder hair that is made longer slides off to
/// front and back, and no line can be laid: it must not be pulled at for ever.
const MOST_TIMES: f64 = 3.0;
/// How much shorter or longer than read a strand is made for the line's sake, as a share: what asks for more contradicts
/// the zones, and is better said than hidden.
const MOST_MOVED: f64 = 0.4;
/// Hair that is held up and goes down by less than this of its length is made longer as if it were that.
const LEAST_HANGS: f64 = 0.3;

/// Height of the line in the sector round an azimuth, mm: of its lowest ends, strands leaving the head at these azimuths. None
/// where no hair ends.
fn line_mm(around: &[f64], ends: &[End], azimuth: f64) -> Option<f64> {
    let mut inside: Vec<(f64, f64)> = ends
        .iter()
        .filter_map(|end| {
            let off = turn(around[end.strand] - azimuth).abs();
            (off < SECTOR).then(|| (end.at.y, end.volume_mm2 * (1.0 - off / SECTOR)))
        })
        .collect();
    inside.sort_by(|a, b| a.0.total_cmp(&b.0));
    let all: f64 = inside.iter().map(|(_, hairs)| hairs).sum();
    // The mean of the lowest eighth changes evenly while hair is moved, where a single end would jump.
    let mut volume = IN_LINE * all;
    let mut moment = 0.0;
    for (height, hairs) in inside {
        moment += height * hairs.min(volume);
        volume -= hairs.min(volume);
    }
    (all > 0.0).then(|| moment / (IN_LINE * all))
}

/// Height of the line at each of some points, mm.
pub(super) fn heights_mm(hair: &Hair, points: &[LinePoint]) -> Vec<Option<f64>> {
    let all = ends(hair, &AsWorn::of(hair, &hair.lengths));
    let around: Vec<f64> = (0..hair.strands.len()).map(|i| leaves(hair, i)).collect();
    points.iter().map(|point| line_mm(&around, &all, point.at.azimuth())).collect()
}

/// The azimuth at which a strand leaves the head. This, and not where it ends, decides to which line it belongs: hair
/// that just reaches a shoulder slides off it to front or back.
fn leaves(hair: &Hair, strand: usize) -> f64 {
    let leave = hair.drapes[strand].leave();
    leave.x.atan2(leave.z)
}

/// An angle from −π to π.
fn turn(angle: f64) -> f64 {
    angle - TAU * (angle / TAU).round()
}

/// A point of the line.
#[derive(Clone)]
struct Laid {
    azimuth: f64,
    /// Where it was measured, and where the line lay there before anything was moved, mm.
    wanted_mm: f64,
    lay_mm: f64,
    /// How far hair is moved up for it, mm, and how far it is off then.
    up_mm: f64,
    off_mm: f64,
    /// How many times as far as it is off it is moved next.
    gain: f64,
}

impl Laid {
    /// Looks where the line lies after a move.
    fn look(&mut self, line_mm: Option<f64>) {
        let off = self.wanted_mm - line_mm.unwrap_or(self.wanted_mm);
        // Where hair lies on a shoulder it comes up by less than it is moved, beside one that is moved by more.
        self.gain = if off * self.off_mm < 0.0 {
            (0.5 * self.gain).max(LEAST_GAIN)
        } else if off.abs() > 0.5 * self.off_mm.abs() {
            (1.5 * self.gain).min(MOST_GAIN)
        } else {
            self.gain
        };
        self.off_mm = off;
    }

    /// Moves the hair here by what the line is still off.
    fn follow(&mut self) {
        let most = LINE_BAND_MM + MOST_TIMES * (self.wanted_mm - self.lay_mm).abs();
        self.up_mm = (self.up_mm + self.gain * self.off_mm).clamp(-most, most);
    }
}

/// Moves hair near the line up or down until the line lies where it was measured, or as near as it will, beginning with how far
/// it was moved before; returns how far each point was moved, mm. How far is found on a part of the strands, then mended on all.
pub(super) fn lay(hair: &mut Hair, points: &[LinePoint], before: &[f64]) -> Vec<f64> {
    if points.is_empty() {
        return Vec::new();
    }
    let read = AsWorn::of(hair, &hair.lengths);
    let around: Vec<f64> = (0..hair.strands.len()).map(|i| leaves(hair, i)).collect();
    let all = ends(hair, &read);
    let mut laid: Vec<Laid> = points
        .iter()
        .enumerate()
        .map(|(i, point)| {
            let (azimuth, wanted_mm) = (point.at.azimuth(), point.lies.height_mm(&hair.measures));
            // Where no hair ends there is nothing to move.
            let lay_mm = line_mm(&around, &all, azimuth).unwrap_or(wanted_mm);
            let up_mm = before.get(i).copied().unwrap_or_default();
            Laid { azimuth, wanted_mm, lay_mm, up_mm, off_mm: 0.0, gain: 1.0 }
        })
        .collect();
    let worst = |laid: &[Laid]| laid.iter().map(|at| at.off_mm.abs()).fold(0.0, f64::max);
    // Where it was laid before it is nearly right, and mended on all at once.
    for (every, most) in MOVES.into_iter().skip(usize::from(!before.is_empty())) {
        let half = (hair.strands.len() / 2).max(1);
        let asked: Vec<usize> =
            (0..hair.strands.len()).filter(|i| (i % half).is_multiple_of(every)).collect();
        let here = &*hair;
        let mut best: Option<Vec<Laid>> = None;
        for _ in 0..most {
            let moves = |i: &usize| {
                let worn = moved(here, *i, around[*i], &read.0[*i], &laid);
                ends_of(here, *i, &worn_at(here, *i, worn)).collect::<Vec<_>>()
            };
            let ends: Vec<End> = asked.par_iter().flat_map_iter(moves).collect();
            laid.par_iter_mut().for_each(|at| at.look(line_mm(&around, &ends, at.azimuth)));
            if best.as_ref().is_none_or(|best| worst(&laid) < worst(best)) {
                best = Some(laid.clone());
            }
            if worst(&laid) < CLOSE_MM {
                break;
            }
            laid.iter_mut().for_each(Laid::follow);
        }
        laid = best.unwrap_or(laid);
        laid.iter_mut().for_each(|at| at.gain = 1.0);
    }
    let here = &*hair;
    let fibre = |i: usize| fibre_of(here, i, &read.0[i], &moved(here, i, around[i], &read.0[i], &laid));
    hair.lengths = (0..here.strands.len()).into_par_iter().map(fibre).collect();
    laid.iter().map(|at| at.up_mm).collect()
}

/// How long a strand is worn, mm, that is worn like this as it was read and is moved with the line.
fn moved(hair: &Hair, strand: usize, azimuth: f64, read: &Worn, laid: &[Laid]) -> ShareLengths {
    let (rod, fibre) = (&hair.strands[strand].worn_rod, &hair.lengths[strand]);
    let mut lengths = read.lengths;
    for share in 0..SHARES {
        if share > 0 && read.lengths[share] == read.lengths[share - 1] {
            lengths[share] = lengths[share - 1];
            continue;
        }
        let was = read.lengths[share];
        let up = raised(azimuth, read.end(hair, strand, share).y, laid);
        let wanted = (was - up / read.lie.hangs().max(LEAST_HANGS)).max(0.0);
        // Hair opens as it is longer: what changes by a share changes by no more than that in fibre.
        let far = (wanted - was).abs() > MOST_MOVED * was;
        let bound = |by: f64| rod.hanging_mm((1.0 + by) * fibre[share], 0.0);
        lengths[share] = if far { wanted.clamp(bound(-MOST_MOVED), bound(MOST_MOVED)) } else { wanted };
    }
    lengths
}

/// The fibre of a strand that is worn at these lengths and was worn like this as it was read, mm.
fn fibre_of(hair: &Hair, strand: usize, read: &Worn, worn: &ShareLengths) -> ShareLengths {
    let (rod, mut fibre) = (&hair.strands[strand].worn_rod, hair.lengths[strand]);
    for share in 0..SHARES {
        if worn[share] != read.lengths[share] {
            let (least, most) = ((1.0 - MOST_MOVED) * fibre[share], (1.0 + MOST_MOVED) * fibre[share]);
            fibre[share] = rod.fibre_hanging_mm(worn[share], 0.0).clamp(least, most);
        }
    }
    fibre
}

/// How far hair that ended here goes up with the line, mm.
fn raised(azimuth: f64, end_mm: f64, laid: &[Laid]) -> f64 {
    let (mut says, mut sum) = (0.0, 0.0);
    for at in laid {
        let aside = turn(azimuth - at.azimuth) / REACH;
        let says_here = (-aside * aside).exp();
        // Hair well above the line is of the layers and stays; a line that goes up takes along what it meets.
        let band = LINE_BAND_MM + (at.wanted_mm - at.lay_mm).max(0.0);
        let above = ((end_mm - at.lay_mm) / band).clamp(0.0, 1.0);
        says += says_here;
        sum += says_here * at.up_mm * (1.0 - above * above * (3.0 - 2.0 * above));
    }
    if says < 1e-3 { 0.0 } else { sum / says.max(1.0) }
}
