//! The line of the ends: where it lies, and hair moved until it lies where it was seen.

use super::search::Moved;
use crate::drape::Drape;
use crate::eased::eased;
use crate::fall::{AsWorn, End, Worn, ends, ends_of, worn_at};
use crate::hair::{Hair, SHARES, ShareLengths};
use crate::reading::LinePoint;
use nalgebra::{DMatrix, DVector};
use rayon::prelude::*;
use std::f64::consts::TAU;

/// Share of the hair of a sector whose ends are seen as its line: single long hairs are no line, and layers aren't it.
const IN_LINE: f64 = 0.125;
/// One of so many ends is put in order at a time, from the lowest up: mostly that is enough.
const SORTED_OF: usize = 5;
/// Half the angle of a sector, radians: a hand's width at the back of the head.
const SECTOR: f64 = 0.45;
/// How far above the line hair still belongs to it, mm.
const LINE_BAND_MM: f64 = 60.0;
/// How far round from a measured point its say reaches, radians.
const REACH: f64 = 0.6;
/// How many times as far as it lay off at first a point is moved altogether at most. Beside a shoulder hair that is made longer slides off to
/// front and back, and no line can be laid: it must not be pulled at for ever.
const MOST_TIMES: f64 = 3.0;
/// How much shorter or longer than read a strand is made for the line's sake, as a share: what asks for more contradicts
/// the zones, and is better said than hidden.
const MOST_MOVED: f64 = 0.4;
/// Hair that is held up and goes down by less than this of its length is made longer as if it were that.
const LEAST_HANGS: f64 = 0.3;

/// How much each strand has to say of the line in the sector round an azimuth, strands leaving the head at these azimuths.
fn sector(around: &[f64], azimuth: f64) -> Vec<f64> {
    around.iter().map(|leaves| (1.0 - turn(leaves - azimuth).abs() / SECTOR).max(0.0)).collect()
}

/// Height of the line in a sector, mm: of its lowest ends. None where no hair ends.
fn line_mm(sector: &[f64], ends: &[End]) -> Option<f64> {
    let mut inside: Vec<(f64, f64)> = ends
        .iter()
        .filter(|end| sector[end.strand] > 0.0)
        .map(|end| (end.at.y, end.volume_mm2 * sector[end.strand]))
        .collect();
    let all: f64 = inside.iter().map(|(_, hairs)| hairs).sum();
    // The mean of the lowest eighth changes evenly while hair is moved, where a single end would jump.
    let mut volume = IN_LINE * all;
    let mut moment = 0.0;
    let mut higher = &mut inside[..];
    // Only the lowest ends are put in order, as many as it takes.
    while volume > 0.0 && !higher.is_empty() {
        let lowest = higher.len().div_ceil(SORTED_OF);
        higher.select_nth_unstable_by(lowest - 1, |a, b| a.0.total_cmp(&b.0));
        let (low, rest) = higher.split_at_mut(lowest);
        low.sort_unstable_by(|a, b| a.0.total_cmp(&b.0));
        for (height, hairs) in low {
            moment += *height * hairs.min(volume);
            volume -= hairs.min(volume);
        }
        higher = rest;
    }
    (all > 0.0).then(|| moment / (IN_LINE * all))
}

/// Height of the line at each of some points, mm.
pub(super) fn heights_mm(hair: &Hair, points: &[LinePoint]) -> Vec<Option<f64>> {
    let all = ends(hair, &AsWorn::of(hair, &hair.lengths));
    let around = around(hair);
    points.iter().map(|point| line_mm(&sector(&around, point.at.azimuth()), &all)).collect()
}

/// The azimuth at which each strand leaves the head. This, and not where it ends, decides to which line it belongs: hair
/// that just reaches a shoulder slides off it to front or back.
fn around(hair: &Hair) -> Vec<f64> {
    let azimuth = |drape: &Drape| drape.leave().x.atan2(drape.leave().z);
    hair.drapes.par_iter().with_min_len(256).map(azimuth).collect()
}

/// An angle from −π to π.
fn turn(angle: f64) -> f64 {
    angle - TAU * (angle / TAU).round()
}

/// A point of the line.
struct Laid {
    azimuth: f64,
    sector: Vec<f64>,
    /// Where it was measured, and where the line lay there before anything was moved, mm.
    wanted_mm: f64,
    lay_mm: f64,
}

/// Moves hair near the line up or down until the line lies where it was measured, or as near as it will, beginning with how it was
/// moved before; returns how it is moved now.
pub(super) fn lay(hair: &mut Hair, points: &[LinePoint], before: Option<Moved>) -> Moved {
    let mut found = before.unwrap_or_else(|| Moved::none(points.len()));
    if points.is_empty() {
        return found;
    }
    let read = AsWorn::of(hair, &hair.lengths);
    let around = around(hair);
    let all = ends(hair, &read);
    let here = &*hair;
    let point = |point: &LinePoint| {
        let (azimuth, wanted_mm) = (point.at.azimuth(), point.lies.height_mm(&here.measures));
        let sector = sector(&around, azimuth);
        // Where no hair ends there is nothing to move.
        let lay_mm = line_mm(&sector, &all).unwrap_or(wanted_mm);
        Laid { azimuth, sector, wanted_mm, lay_mm }
    };
    let laid: Vec<Laid> = points.par_iter().map(point).collect();
    let strands = 0..here.strands.len();
    let along = all.par_chunk_by(|one, next| one.strand == next.strand).flat_map_iter(|ends| {
        let i = ends[0].strand;
        let says = says(around[i], &laid);
        let end = |worn_mm: &f64| ends.iter().find(|end| end.worn_mm == *worn_mm).map_or(0.0, |end| end.at.y);
        let takes = |end: f64| laid.iter().zip(&says).map(move |(at, says)| says * takes_along(at, end));
        read.0[i].lengths.iter().map(end).flat_map(takes).collect::<Vec<_>>()
    });
    let along = DMatrix::from_vec(points.len(), SHARES * strands.len(), along.collect());
    let worn = |i: usize, raised: &DVector<f64>| moved(here, i, &read.0[i], &raised.as_slice()[SHARES * i..]);
    // What ends in no sector is looked at in vain.
    let seen: Vec<usize> = strands.clone().filter(|i| laid.iter().any(|at| at.sector[*i] > 0.0)).collect();
    let off = |up: &DVector<f64>| {
        let raised = along.tr_mul(up);
        let ends = seen.par_iter().flat_map_iter(|&i| {
            let (worn, read) = (worn(i, &raised), read.0[i]);
            let worn = if worn == read.lengths { read } else { worn_at(here, i, worn) };
            ends_of(here, i, &worn).collect::<Vec<_>>()
        });
        let ends: Vec<End> = ends.collect();
        let off = |at: &Laid| line_mm(&at.sector, &ends).map_or(0.0, |lies| at.wanted_mm - lies);
        DVector::from_vec(laid.par_iter().map(off).collect())
    };
    let most: Vec<f64> =
        laid.iter().map(|at| LINE_BAND_MM + MOST_TIMES * (at.wanted_mm - at.lay_mm).abs()).collect();
    found.search(&most, off);
    let raised = along.tr_mul(&found.up_mm);
    let fibre = |i: usize| fibre_of(here, i, &read.0[i], &worn(i, &raised));
    hair.lengths = strands.into_par_iter().map(fibre).collect();
    found
}

/// How long a strand is worn, mm, that is worn like this as it was read and each share of which is raised so far with the line, mm.
fn moved(hair: &Hair, strand: usize, read: &Worn, raised: &[f64]) -> ShareLengths {
    let (rod, fibre) = (&hair.strands[strand].worn_rod, &hair.lengths[strand]);
    let mut lengths = read.lengths;
    for share in 0..SHARES {
        if share > 0 && read.lengths[share] == read.lengths[share - 1] {
            lengths[share] = lengths[share - 1];
            continue;
        }
        let was = read.lengths[share];
        let wanted = (was - raised[share] / read.lie.hangs().max(LEAST_HANGS)).max(0.0);
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

/// What share of the way that each point of the line is moved up hair goes along with it that leaves the head here and ends in it.
fn says(azimuth: f64, laid: &[Laid]) -> Vec<f64> {
    let says = |at: &Laid| {
        let aside = turn(azimuth - at.azimuth) / REACH;
        (-aside * aside).exp()
    };
    let all: Vec<f64> = laid.iter().map(says).collect();
    let sum: f64 = all.iter().sum();
    all.into_iter().map(|says| if sum < 1e-3 { 0.0 } else { says / sum.max(1.0) }).collect()
}

/// What share of that hair goes along that ends at this height.
fn takes_along(at: &Laid, end_mm: f64) -> f64 {
    // Hair well above the line is of the layers and stays; a line that goes up takes along what it meets.
    let band = LINE_BAND_MM + (at.wanted_mm - at.lay_mm).max(0.0);
    1.0 - eased((end_mm - at.lay_mm) / band)
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::Vec3;

    #[test]
    fn the_line_is_the_mean_of_the_lowest_eighth_of_the_room_however_many_ends_that_takes() {
        // A hundred ends a millimetre below each other.
        let line = |room: fn(i32) -> f64| {
            let end = |i: i32| End {
                strand: 0,
                worn_mm: 100.0,
                at: Vec3::new(0.0, -f64::from(i), 0.0),
                volume_mm2: room(i),
                hairs: 1.0,
            };
            line_mm(&[0.5], &(0..100).map(end).collect::<Vec<_>>()).expect("there is hair")
        };
        // By hand: twelve ends from 88 to 99 mm and half of that at 87.
        assert!((line(|_| 1.0) + (1122.0 + 43.5) / 12.5).abs() < 1e-9);
        // The lowest forty take a tenth each: 4 of 8, and the next four the rest.
        assert!((line(|i| if i < 60 { 1.0 } else { 0.1 }) + (318.0 + 230.0) / 8.0).abs() < 1e-9);
        assert_eq!(line_mm(&[0.0], &[]), None);
    }
}
