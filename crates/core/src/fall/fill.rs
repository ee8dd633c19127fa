//! Fills the cells with hair.

use super::field::Field;
use super::lay::Sums;
use super::spread::spread;
use super::worn::Worn;
use crate::drape::LEVEL_MM;
use crate::hair::Hair;
use rayon::prelude::*;

/// Least strands summed in one go, and most goes. Neither looks at the threads, so sums are the same on any number of
/// them; each go has cells of its own, so there are few.
const CHUNK: usize = 2048;
const CHUNKS: usize = 4;

/// The field of hair worn like this.
pub(super) fn fill(hair: &Hair, worn: &[Worn]) -> Field {
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
    let mut field: Field = all.field();
    spread(&mut field, &hair.shell);
    field
}
