//! The hair as it is now: lengths that agree with what was measured of the head as a whole.
//!
//! Zones give the length of a strand in their middle. How far the ends thin out follows from girths of the gathered hair, and
//! where the line lies by points of it. Both are met one after the other: shares of every strand are made shorter until
//! the gathered hair thins as measured, then hair near the line is moved until the line lies where it was seen.

mod line;
mod search;
mod tie;

use crate::fall::{Fall, fall};
use crate::hair::{Hair, ShareLengths};
use crate::reading::RawReading;
use crate::stop::{Stop, Stopped};
use search::Moved;
use serde::Serialize;
pub(crate) use tie::tie_of;
use tie::{GirthProfile, Tie};

/// Every so many-th strand is asked first.
const PART: usize = 4;
/// How often a line is laid on hair that thins out as measured, at most.
const ROUNDS: usize = 3;
/// Share by which a girth may be off when hair agrees with it.
const GIRTH_CLOSE: f64 = 0.015;

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
    let computed = line::heights_mm(hair, &reading.line);
    let line = reading.line.iter().zip(computed).map(|(point, computed_mm)| Agreement {
        measured_mm: point.lies.height_mm(&hair.measures),
        computed_mm,
    });
    let tie = (reading.girths.len() > 1).then(|| Tie::of(hair, &reading.girths));
    let first = reading.girths.first().map_or(0.0, |girth| girth.girth_mm);
    let girths = tie.iter().flat_map(|tie| {
        reading.girths.iter().zip(tie.shares(hair)).map(|(girth, share)| Agreement {
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

/// Makes the hair agree with girths and line of a reading that has been checked: how is searched on a part of the strands, and
/// mended on all.
pub(super) fn agree(hair: &mut Hair, reading: &RawReading, stop: &Stop) -> Result<(), Stopped> {
    let start = if reading.line.is_empty() {
        Start::default()
    } else {
        rounds(&mut hair.every(PART), reading, Start::default(), stop)?
    };
    rounds(hair, reading, start, stop).map(drop)
}

/// What was found, to begin with where more hair is asked.
#[derive(Default)]
struct Start {
    /// How many times as long as girths alone would have it each share is left, because of what the line takes or adds.
    beside_line: Option<GirthProfile>,
    moved: Option<Moved>,
}

/// Thins hair out and lays its line in turns until both agree.
fn rounds(hair: &mut Hair, reading: &RawReading, start: Start, stop: &Stop) -> Result<Start, Stopped> {
    stop.go_on()?;
    let tie = (reading.girths.len() > 1).then(|| Tie::of(hair, &reading.girths));
    let Some(tie) = tie else {
        let moved = line::lay(hair, &reading.line, start.moved);
        return Ok(Start { moved: Some(moved), beside_line: None });
    };
    let grown = hair.lengths.clone();
    let alone = tie.fitted(hair);
    let mut profile =
        start.beside_line.map_or(alone, |times| std::array::from_fn(|k| (times[k] * alone[k]).min(1.0)));
    let mut moved = start.moved;
    let mut best: Option<(f64, Vec<ShareLengths>, Start)> = None;
    for round in 0..ROUNDS {
        stop.go_on()?;
        if round > 0 {
            // What was moved for the line changes what the tie gathers a little.
            thin(hair, &profile.map(f64::recip));
            profile = tie.fitted(hair);
        }
        // Always from the hair as the zones say it grows: what is moved round by round would be moved further than may be.
        hair.lengths.clone_from(&grown);
        thin(hair, &profile);
        let now = line::lay(hair, &reading.line, moved);
        let off = tie.off(hair);
        moved = Some(now.clone());
        if best.as_ref().is_none_or(|(least, ..)| off < *least) {
            let beside_line = Some(std::array::from_fn(|k| profile[k] / alone[k]));
            best = Some((off, hair.lengths.clone(), Start { beside_line, moved: Some(now) }));
        }
        if off < GIRTH_CLOSE || reading.line.is_empty() {
            break;
        }
    }
    Ok(best.map_or_else(Start::default, |(_, lengths, found)| {
        hair.lengths = lengths;
        found
    }))
}

fn thin(hair: &mut Hair, profile: &GirthProfile) {
    for lengths in &mut hair.lengths {
        for (length, share) in lengths.iter_mut().zip(profile) {
            *length *= share;
        }
    }
}
