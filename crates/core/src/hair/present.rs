//! The hair as it is now: lengths that agree with what was measured of the head as a whole.
//!
//! Zones say how long a strand is in their middle. How far the ends thin out is told by girths of the gathered hair, and
//! where the line lies by points of it. Both are met one after the other: shares of every strand are made shorter until
//! the gathered hair thins as measured, then hair near the line is moved until the line lies where it was seen.

use super::{Hair, Lengths, SHARES, Strand};
use crate::cut::taut_mm;
use crate::fall::{AsWorn, End, Fall, ends, ends_of, fall, worn_as};
use crate::head::{Landmark, Vec3};
use crate::reading::{Girth, LinePoint, RawReading};
use rayon::prelude::*;
use serde::Serialize;
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
/// How often a line is laid on hair that thins out as measured.
const ROUNDS: usize = 3;
/// How far the tie stands off the head, mm.
const TIE_OFF_MM: f64 = 12.0;

/// A measured figure beside the same of the computed hair.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Agreement {
    /// As measured, mm.
    pub measured_mm: f64,
    /// Of the computed hair, mm; none where no hair reaches.
    pub computed_mm: Option<f64>,
}

/// How well the computed hair agrees with what was measured as a whole.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Agreements {
    /// Heights of the line above the ear canals, in the order in which its points were given.
    pub line: Vec<Agreement>,
    /// Girths, in the order in which they were given.
    pub girths: Vec<Agreement>,
    /// The worn width, where one was measured.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub width: Option<Agreement>,
}

/// The hair as it is.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HairNow {
    /// How it falls.
    pub fall: Fall,
    /// How well that agrees with what was measured of it as a whole.
    pub agreements: Agreements,
}

impl HairNow {
    /// Of hair that was grown from this reading.
    pub fn of(hair: &Hair, reading: &RawReading) -> Self {
        Self { fall: fall(hair, &hair.lengths), agreements: agreements(hair, reading) }
    }
}

/// How well hair agrees with the reading it was grown from.
pub fn agreements(hair: &Hair, reading: &RawReading) -> Agreements {
    let all = ends(hair, &AsWorn::of(hair, &hair.lengths));
    let around: Vec<f64> = (0..hair.strands.len()).map(|i| leaves(hair, i)).collect();
    let line = reading.line.iter().map(|point| Agreement {
        measured_mm: point.lies.height_mm(&hair.measures),
        computed_mm: line_mm(&around, &all, point.at.azimuth()),
    });
    let gathered = (reading.girths.len() > 1).then(|| Tie::of(hair, &reading.girths).gathered(hair));
    let first = reading.girths.first().map_or(0.0, |girth| girth.girth_mm);
    let girths = gathered.iter().flat_map(|gathering| {
        let shares = gathering.shares(&WHOLE);
        reading.girths.iter().zip(shares).map(|(girth, share)| Agreement {
            measured_mm: girth.girth_mm,
            computed_mm: Some(first * share.sqrt()),
        })
    });
    let width = reading.worn_width.map(|measured| {
        let computed = fall(hair, &hair.lengths).front.width_at_mm(measured.at.height_mm(&hair.measures));
        Agreement { measured_mm: measured.width_mm, computed_mm: (computed > 0.0).then_some(computed) }
    });
    Agreements { line: line.collect(), girths: girths.collect(), width }
}

/// Makes the hair agree with girths and line of a reading that has been checked.
pub(super) fn agree(hair: &mut Hair, reading: &RawReading) {
    let tie = (reading.girths.len() > 1).then(|| Tie::of(hair, &reading.girths));
    let Some(tie) = tie else {
        lay_line(hair, &reading.line, &[]);
        return;
    };
    let grown = hair.lengths.clone();
    let mut profile = tie.gathered(hair).fitted();
    let mut moved = Vec::new();
    for round in 0..ROUNDS {
        if round > 0 {
            // What was moved for the line changes what the tie gathers a little.
            thin(hair, &profile.map(f64::recip));
            profile = tie.gathered(hair).fitted();
        }
        // Always from the hair as the zones say it grows: what is moved round by round would be moved further than may be.
        hair.lengths.clone_from(&grown);
        thin(hair, &profile);
        moved = lay_line(hair, &reading.line, &moved);
    }
}

fn thin(hair: &mut Hair, profile: &Profile) {
    for lengths in &mut hair.lengths {
        for (length, share) in lengths.iter_mut().zip(profile) {
            *length *= share;
        }
    }
}

/// Height of the line in the sector round an azimuth, mm: of its lowest ends, strands leaving the head at these azimuths. None
/// where no hair ends.
fn line_mm(around: &[f64], ends: &[End], azimuth: f64) -> Option<f64> {
    let mut inside: Vec<(f64, f64)> = ends
        .iter()
        .filter_map(|end| {
            let off = turn(around[end.strand] - azimuth).abs();
            (off < SECTOR).then(|| (end.at.y, end.room_mm2 * (1.0 - off / SECTOR)))
        })
        .collect();
    inside.sort_by(|a, b| a.0.total_cmp(&b.0));
    let all: f64 = inside.iter().map(|(_, hairs)| hairs).sum();
    // The mean of the lowest eighth changes evenly while hair is moved, where a single end would jump.
    let mut room = IN_LINE * all;
    let mut moment = 0.0;
    for (height, hairs) in inside {
        moment += height * hairs.min(room);
        room -= hairs.min(room);
    }
    (all > 0.0).then(|| moment / (IN_LINE * all))
}

/// The azimuth at which a strand leaves the head. Whose line it belongs to is told by this, and not by where it ends: hair
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
/// it was moved before; says how far each point was moved, mm. How far is found on a part of the strands, then mended on all.
fn lay_line(hair: &mut Hair, points: &[LinePoint], before: &[f64]) -> Vec<f64> {
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
    for (every, most) in MOVES {
        let half = (hair.strands.len() / 2).max(1);
        let asked: Vec<usize> =
            (0..hair.strands.len()).filter(|i| (i % half).is_multiple_of(every)).collect();
        let here = &*hair;
        let mut best: Option<Vec<Laid>> = None;
        for _ in 0..most {
            let moves = |i: &usize| {
                let worn = worn_as(here, *i, &moved(here, *i, around[*i], &read, &laid));
                ends_of(here, *i, &worn).collect::<Vec<_>>()
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
    let lengths = (0..here.strands.len()).into_par_iter().map(|i| moved(here, i, around[i], &read, &laid));
    hair.lengths = lengths.collect();
    laid.iter().map(|at| at.up_mm).collect()
}

/// The lengths of a strand, as it is worn the way it was read, moved with the line.
fn moved(hair: &Hair, strand: usize, azimuth: f64, read: &AsWorn, laid: &[Laid]) -> Lengths {
    let (grown, before) = (&hair.strands[strand], &read.0[strand]);
    let mut last = (f64::NAN, 0.0);
    let mut lengths = hair.lengths[strand];
    for (share, fibre) in lengths.iter_mut().enumerate() {
        if *fibre != last.0 {
            let up = raised(azimuth, before.end(hair, strand, share).y, laid);
            let worn = (before.lengths[share] - up / before.lie.hangs().max(LEAST_HANGS)).max(0.0);
            let new = (up != 0.0).then(|| grown.model.fibre_from_worn(worn, grown.worn)).flatten();
            let bounded = |new: f64| new.clamp((1.0 - MOST_MOVED) * *fibre, (1.0 + MOST_MOVED) * *fibre);
            last = (*fibre, new.map_or(*fibre, bounded));
        }
        *fibre = last.1;
    }
    lengths
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

/// Where hair is tied: off the occipital bone.
pub(crate) fn tie_of(hair: &Hair) -> Vec3 {
    let bone = Landmark::Occipital.point(&hair.form, &hair.hairline);
    bone * (1.0 + TIE_OFF_MM / bone.norm())
}

/// Hair gathered in one tie at the occipital bone.
struct Gathering {
    /// For each girth and each eighth of the strands: how much of its length it must keep to reach the girth, ascending,
    /// with the hairs up to it.
    keeps: Vec<Vec<Vec<(f64, f64)>>>,
    /// The measured share at each girth of what is in the first.
    wanted: Vec<f64>,
}

/// How much of its length each eighth of every strand keeps, falling.
type Profile = [f64; SHARES];

/// All of it.
const WHOLE: Profile = [1.0; SHARES];

/// What it takes to be in each girth of hair that is tied, whatever its length.
struct Tie {
    /// For each girth, how long each strand must be to reach it, mm of fibre; endless if none of its kind does.
    reaches: Vec<Vec<f64>>,
    /// The measured share at each girth of what is in the first.
    wanted: Vec<f64>,
}

impl Tie {
    fn of(hair: &Hair, girths: &[Girth]) -> Self {
        let tie = tie_of(hair);
        let drawn = |strand: &Strand| taut_mm(&hair.form, &strand.root.at, &strand.root.normal, &tie);
        let drawn: Vec<f64> = hair.strands.par_iter().map(drawn).collect();
        let reaches = girths.iter().map(|girth| {
            let below = |strand: &Strand| {
                strand.model.fibre_from_hanging(girth.from_tie_mm, 0.0).unwrap_or(f64::INFINITY)
            };
            hair.strands.par_iter().zip(&drawn).map(|(strand, drawn)| drawn + below(strand)).collect()
        });
        let first = girths.first().map_or(1.0, |girth| girth.girth_mm);
        let wanted = girths.iter().map(|girth| (girth.girth_mm / first).powi(2).min(1.0));
        Self { reaches: reaches.collect(), wanted: wanted.collect() }
    }

    /// The hair as it is in it.
    fn gathered(&self, hair: &Hair) -> Gathering {
        let keeps = |reaches: &Vec<f64>, share: usize| -> Vec<(f64, f64)> {
            let strands = hair.strands.iter().zip(&hair.lengths).zip(reaches);
            let mut keeps: Vec<(f64, f64)> = strands
                .filter(|(_, reaches)| reaches.is_finite())
                .map(|((strand, lengths), reaches)| (reaches / lengths[share].max(1e-9), strand.hairs))
                .collect();
            keeps.sort_by(|a, b| a.0.total_cmp(&b.0));
            let mut hairs = 0.0;
            for each in &mut keeps {
                hairs += each.1;
                each.1 = hairs;
            }
            keeps
        };
        let girth =
            |reaches: &Vec<f64>| (0..SHARES).into_par_iter().map(|share| keeps(reaches, share)).collect();
        Gathering { keeps: self.reaches.par_iter().map(girth).collect(), wanted: self.wanted.clone() }
    }
}

impl Gathering {
    /// Share of the hair in the first girth that reaches each of them.
    fn shares(&self, profile: &Profile) -> Vec<f64> {
        let reaching = |keeps: &Vec<Vec<(f64, f64)>>| -> f64 {
            let hairs = |(keeps, share): (&Vec<(f64, f64)>, &f64)| match keeps
                .partition_point(|(keep, _)| keep <= share)
            {
                0 => 0.0,
                n => keeps[n - 1].1,
            };
            keeps.iter().zip(profile).map(hairs).sum()
        };
        let first = self.keeps.first().map_or(0.0, reaching);
        self.keeps.iter().map(|keeps| if first > 0.0 { reaching(keeps) / first } else { 0.0 }).collect()
    }

    /// The profile with which the hair thins out as measured: least squares of the relative errors of girths, found by
    /// moving one share at a time by ever smaller steps.
    fn fitted(&self) -> Profile {
        let cost = |profile: &Profile| -> f64 {
            let shares = self.shares(profile);
            let fits = shares
                .iter()
                .zip(&self.wanted)
                .map(|(have, wanted)| (have.sqrt() / wanted.sqrt().max(1e-3) - 1.0).powi(2));
            // Of profiles that fit alike the evenest is taken.
            let bends = profile.windows(3).map(|three| (three[0] - 2.0 * three[1] + three[2]).powi(2));
            fits.sum::<f64>() + EVENNESS * bends.sum::<f64>() + FULL_LENGTH * (1.0 - profile[0]).powi(2)
        };
        let even =
            |taper: f64| -> Profile { std::array::from_fn(|k| 1.0 - taper * k as f64 / (SHARES - 1) as f64) };
        let mut best = (0..=20)
            .map(|i| even(f64::from(i) * 0.045))
            .map(|profile| (cost(&profile), profile))
            .min_by(|a, b| a.0.total_cmp(&b.0))
            .unwrap_or((f64::INFINITY, even(0.0)));
        let mut step = 0.08;
        while step > 1e-3 {
            let mut better = false;
            for k in 0..SHARES {
                for by in [step, -step] {
                    let mut tried = best.1;
                    // A share that is moved pushes its neighbours along: the profile never rises.
                    let to = (tried[k] + by).clamp(LEAST_SHARE, 1.0);
                    tried[k] = to;
                    tried[..k].iter_mut().for_each(|share| *share = share.max(to));
                    tried[k..].iter_mut().for_each(|share| *share = share.min(to));
                    let found = cost(&tried);
                    if found < best.0 {
                        best = (found, tried);
                        better = true;
                    }
                }
            }
            if !better {
                step *= 0.5;
            }
        }
        best.1
    }
}

/// How much a bend of the profile weighs against an error of a girth.
const EVENNESS: f64 = 1e-3;
/// How much it weighs that the longest share is shorter than the strand that was read.
const FULL_LENGTH: f64 = 0.02;
/// Shortest share of a strand that is taken to be there.
const LEAST_SHARE: f64 = 0.05;
