//! The room hair takes, by cell: over the head by elevation, below it by height, round it by azimuth.

use super::cell::{Below, Over};
use super::lay::{Passing, Sums};
use super::spread::spread;
use super::worn::Worn;
use super::{AZIMUTHS, LEVEL_MM};
use crate::hair::Hair;
use rayon::prelude::*;

/// Least strands summed in one go, and most goes. Neither looks at the threads, so sums are the same on any number of
/// them; each go has cells of its own, so there are few.
const CHUNK: usize = 2048;
const CHUNKS: usize = 4;

/// Cells by row and azimuth.
#[derive(Debug, Clone)]
pub(super) struct Field {
    /// Over the head, from the top down.
    pub over: Vec<[Over; AZIMUTHS]>,
    /// Below it.
    pub below: Vec<[Below; AZIMUTHS]>,
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
        let mut field = all.field();
        spread(&mut field, &hair.shell);
        field
    }
}
