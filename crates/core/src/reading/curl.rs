//! How tightly hair curls, as the eye judges it: the width of a loop, the turns along a strand, or a word.

use crate::constants::{CURL_STEP, STRAIGHT_RADIUS_MM};
use crate::fibre::LengthModel;
use serde::{Deserialize, Serialize};
use std::f64::consts::TAU;

/// Plain words for curl, from none to the tightest. Each is a loop radius: a step tighter than the one before it by an even
/// ratio, over the span that loops of human hair are found in (De la Mettrie et al. 2007, Human Biology 79).
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum CurlWord {
    /// Hangs straight.
    Straight,
    /// Bends once over its length.
    Bend,
    /// Waves.
    Wave,
    /// Rings wider than a finger.
    Ringlet,
    /// Rings about as wide as a pencil.
    Coil,
    /// Rings narrower than a pencil.
    TightCoil,
    /// Turns so tight that it seems to run in corners.
    Zigzag,
}

impl CurlWord {
    /// Every word, least curl first.
    pub const ALL: [Self; 7] =
        [Self::Straight, Self::Bend, Self::Wave, Self::Ringlet, Self::Coil, Self::TightCoil, Self::Zigzag];

    /// Loop radius that stands for it, mm.
    pub fn loop_radius_mm(self) -> f64 {
        STRAIGHT_RADIUS_MM.value / CURL_STEP.value.powi(self as i32)
    }
}

/// A strand of a kind of curl, to be drawn in its true size.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CurlPicture {
    /// The word.
    pub word: CurlWord,
    /// Width of its loops, mm.
    pub loop_mm: f64,
    /// The strand, [across, down] from the root, mm.
    pub line: Vec<[f64; 2]>,
}

/// Fibre of a strand in the pictures, mm; of rings, which half a turn doesn't show, as much as so many turns take if that is no
/// more than a strand can be drawn with.
const PICTURED_MM: f64 = 40.0;
const PICTURED_TURNS: f64 = 1.8;
const MOST_PICTURED_MM: f64 = 140.0;
/// Pitch and width of the hair in them: of ordinary hair.
const PICTURED_PITCH: f64 = 0.3;
const PICTURED_UM: f64 = 70.0;

/// A strand of each word, hanging.
pub fn curl_pictures() -> Vec<CurlPicture> {
    let picture = |word: CurlWord| {
        let hair = LengthModel {
            loop_radius_mm: word.loop_radius_mm(),
            natural_pitch: PICTURED_PITCH,
            diameter_um: PICTURED_UM,
            stiffness: 1.0,
            softening: 1.0,
        };
        let rod = hair.rod(0.0, 1.0);
        let short = |[x, y]: [f64; 2]| [x, y].map(|mm| (mm * 100.0).round() / 100.0);
        let turns_mm = PICTURED_TURNS * TAU * word.loop_radius_mm();
        let fibre_mm = if turns_mm <= MOST_PICTURED_MM { turns_mm.max(PICTURED_MM) } else { PICTURED_MM };
        let line = rod.line(fibre_mm, 0.0).into_iter().map(short).collect();
        CurlPicture { word, loop_mm: 2.0 * rod.loop_radius_mm(0.0), line }
    };
    CurlWord::ALL.into_iter().map(picture).collect()
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn each_word_is_tighter_than_the_one_before_it_and_so_is_its_picture() {
        let pictures = curl_pictures();
        assert_eq!(pictures.len(), 7);
        for pair in pictures.windows(2) {
            assert!(pair[0].loop_mm > 1.5 * pair[1].loop_mm);
        }
        // A picture shows rings as rings: the line comes back across the middle of its loops at least three times.
        for picture in &pictures[CurlWord::Ringlet as usize..] {
            let across: Vec<f64> = picture.line.iter().map(|p| p[0]).collect();
            let (low, high) =
                across.iter().fold((f64::MAX, f64::MIN), |(low, high), x| (low.min(*x), high.max(*x)));
            let middle = 0.5 * (low + high);
            let crossings = across.windows(2).filter(|pair| (pair[0] > middle) != (pair[1] > middle)).count();
            assert!(crossings >= 3, "{:?}: {crossings}", picture.word);
        }
        let deep = |picture: &CurlPicture| picture.line.iter().map(|p| p[1]).fold(0.0, f64::max);
        assert!(pictures.iter().all(|picture| deep(picture) < 80.0), "none is too long to be shown");
        let depth = pictures[0].line.iter().map(|p| p[1]).fold(0.0, f64::max);
        assert!(depth > 0.9 * PICTURED_MM, "straight hangs straight: {depth}");
    }
}
