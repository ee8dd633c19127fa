//! Pictures of scalps whose true count is known, and what is counted on them.

use rayon::prelude::*;
use spirel_core::scope::{DrawnScalp, HairCount, Picture, SIDE_MM, count, look};

/// Hair on skin: black on pale, brown on pale, fair on pale, white on brown, black on brown.
pub const SHADES: [(f64, f64); 5] =
    [(45.0, 190.0), (90.0, 205.0), (140.0, 210.0), (205.0, 110.0), (35.0, 105.0)];
pub const WIDTHS_UM: [f64; 4] = [50.0, 65.0, 80.0, 95.0];
pub const LOOPS_MM: [f64; 4] = [1000.0, 20.0, 6.0, 2.5];

/// All shades, widths and bends in turn, and densities from 70 to 300 in no order.
pub fn scalp(number: u64, of: u64) -> DrawnScalp {
    let i = number as usize;
    let (hair, skin) = SHADES[i % 5];
    DrawnScalp {
        hairs_per_cm2: 70.0 + 230.0 * ((number * 37) % of) as f64 / of as f64,
        width_um: WIDTHS_UM[i / 5 % 4],
        loop_radius_mm: LOOPS_MM[i / 20 % 4],
        hair,
        skin,
    }
}

pub fn counted(grey: &[u8]) -> HairCount {
    count(&Picture::new(grey, SIDE_MM).expect("a square picture")).expect("hair is seen")
}

/// So many scalps, each with the hairs that are really there and what was found.
pub fn looked(pictures: u64) -> Vec<(DrawnScalp, f64, HairCount)> {
    let one = |number: u64| {
        let scalp = scalp(number, pictures);
        let seen = look(&scalp, number);
        (scalp, f64::from(seen.hairs), counted(&seen.grey))
    };
    (0..pictures).into_par_iter().map(one).collect()
}

/// The one of some that so great a share of them is no greater than.
pub fn middle(mut of: Vec<f64>, share: f64) -> f64 {
    of.sort_by(f64::total_cmp);
    of[(share * (of.len() - 1) as f64).round() as usize]
}
