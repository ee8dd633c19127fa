//! Which strands stand for a head: spread evenly over the scalp, each for the hair round it.

use crate::hair::Hair;
use crate::head::roots;
use rayon::prelude::*;

/// A strand that stands for the hair round it.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(super) struct Chosen {
    /// Its number.
    pub strand: usize,
    /// Scalp it stands for, mm².
    pub area_mm2: f64,
    /// Hairs that grow there.
    pub hairs: f64,
}

/// About so many of them. Each strand of the head counts for the nearest place of a coarser, even spread; the nearest of
/// those stands for all.
pub(super) fn chosen(hair: &Hair, count: usize) -> Vec<Chosen> {
    let places: Vec<_> =
        roots(&hair.form, &hair.hairline, count).iter().map(|root| root.at.normalize()).collect();
    let nearest = |strand: &crate::hair::Strand| {
        let out = strand.root.at.normalize();
        // Some million comparisons: they are of plain numbers, none of which can be missing.
        let mut best = (0, f64::NEG_INFINITY);
        for (i, place) in places.iter().enumerate() {
            let near = place.dot(&out);
            if near > best.1 {
                best = (i, near);
            }
        }
        best
    };
    let near: Vec<(usize, f64)> = hair.strands.par_iter().with_min_len(64).map(nearest).collect();
    let mut all: Vec<Option<(Chosen, f64)>> = vec![None; places.len()];
    for (i, ((place, how_near), strand)) in near.iter().zip(&hair.strands).enumerate() {
        let none = (Chosen { strand: i, area_mm2: 0.0, hairs: 0.0 }, f64::NEG_INFINITY);
        let (chosen, best) = all[*place].get_or_insert(none);
        chosen.area_mm2 += strand.root.area_mm2;
        chosen.hairs += strand.hairs;
        if how_near > best {
            (chosen.strand, *best) = (i, *how_near);
        }
    }
    all.into_iter().flatten().map(|(chosen, _)| chosen).collect()
}
