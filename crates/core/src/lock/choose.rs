//! Which strands stand for a head: spread evenly over the scalp, each for the hair round it.

use crate::hair::Hair;
use crate::head::{Vec3, roots};
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
/// those stands for all. They come in the order of the spread: every so many-th of them still stands for the whole head.
pub(super) fn chosen(hair: &Hair, count: usize) -> Vec<Chosen> {
    let places = by_height(roots(&hair.form, &hair.hairline, count).iter().map(|root| root.at.normalize()));
    let near: Vec<(usize, f64)> = (hair.strands.par_iter().with_min_len(64))
        .map(|strand| nearest(&places, &strand.root.at.normalize()))
        .collect();
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

/// Directions with their numbers, the lowest first.
fn by_height(directions: impl Iterator<Item = Vec3>) -> Vec<(usize, Vec3)> {
    let mut all: Vec<(usize, Vec3)> = directions.enumerate().collect();
    all.sort_by(|(_, a), (_, b)| a.y.total_cmp(&b.y));
    all
}

/// Which of them is nearest to another, and the cosine of what is between them. Looked for up and down from its height until the height
/// alone is further off than the nearest yet.
fn nearest(places: &[(usize, Vec3)], out: &Vec3) -> (usize, f64) {
    let middle = places.partition_point(|(_, place)| place.y < out.y);
    let mut best = (0, f64::NEG_INFINITY);
    let mut look = |(number, place): &(usize, Vec3)| {
        let (near, high) = (place.dot(out), place.y - out.y);
        if near > best.1 {
            best = (*number, near);
        }
        // Of unit vectors the square of the chord is twice what the cosine lacks.
        high * high <= 2.0 * (1.0 - best.1)
    };
    places[middle..].iter().take_while(|place| look(place)).for_each(drop);
    places[..middle].iter().rev().take_while(|place| look(place)).for_each(drop);
    best
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::grow::HairRequest;
    use crate::head::{Hairline, HeadForm, Measures, SkullForm, Zone};
    use crate::reading::{RawReading, RawZoneReading};

    #[test]
    fn the_nearest_is_the_nearest_of_all() {
        let measures = Measures::default();
        let form = HeadForm::of(&measures, SkullForm::default()).expect("a usual head");
        let hairline = Hairline::of(&form, &measures);
        let directions = |count: usize| -> Vec<Vec3> {
            roots(&form, &hairline, count).iter().map(|root| root.at.normalize()).collect()
        };
        let places = directions(300);
        let sorted = by_height(places.iter().copied());
        for out in directions(1500) {
            let best = places.iter().map(|place| place.dot(&out)).fold(f64::NEG_INFINITY, f64::max);
            let (i, near) = nearest(&sorted, &out);
            assert_eq!((places[i].dot(&out), near), (best, best));
        }
    }

    #[test]
    fn every_so_many_th_still_stands_for_both_sides_and_for_all_heights() {
        let zones = Zone::ALL.map(|zone| (zone.into(), RawZoneReading::measured(300.0, 250.0))).into();
        let hair = HairRequest::new(RawReading { zones, ..RawReading::default() }).grow().expect("possible");
        let all = chosen(&hair, 900);
        for many in [1, 2, 3, 6] {
            let some = || all.iter().step_by(many).map(|chosen| hair.strands[chosen.strand].root.at);
            let share = |of: fn(&Vec3) -> bool| some().filter(of).count() as f64 / some().count() as f64;
            assert!((share(|at| at.x > 0.0) - 0.5).abs() < 0.1, "every {many}: {}", share(|at| at.x > 0.0));
            let high = |at: &Vec3| at.y > 60.0;
            let whole = all.iter().filter(|c| high(&hair.strands[c.strand].root.at)).count() as f64;
            assert!((share(high) - whole / all.len() as f64).abs() < 0.1, "every {many}: {}", share(high));
        }
    }
}
