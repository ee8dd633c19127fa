//! How many hairs grow on a square centimetre, counted on a picture of the scalp.
//!
//! Every hair that is seen has two ends, where it leaves the skin and where it leaves the picture's sharp depth. Half the
//! number of ends is the number of hairs, whatever their length and bend; a hair that reaches out of the picture has one
//! end in it, and so has, as often, one that reaches in. What is missed are ends that lie under or against another hair.
//! If hairs lie anywhere alike, that share follows from how much of the skin is covered (the covered share of a Boolean
//! model; Chiu, Stoyan, Kendall, Mead, *Stochastic Geometry and its Applications*, 3rd ed., ch. 3); hairs that leave the
//! skin together hide a further share of each other, the same in thick hair and thin.
//!
//! [`look`] draws a scalp with a known number of hairs, to compare with and to test the count by.
//!
//! [`segment`] separates hair from skin, [`thin`] draws each hair as a line one pixel wide, [`ends`] finds where lines stop.

mod distance;
mod drawn;
mod ends;
mod picture;
mod png;
mod segment;
mod thin;

pub use drawn::{DrawnScalp, SIDE_MM, SIDE_PX, Seen, look};
pub use picture::{Picture, SCOPE_SIDE_MM, SCOPE_SIDE_PX};
pub use png::png_of_grey;

use crate::constants::{SCOPE_BLUR_PX, SCOPE_FREE_SHARE, SCOPE_SD_SHARE, SCOPE_WIDTH_SD_SHARE};
use crate::error::{FieldError, FieldErrors, Problem};
use crate::stop::{Stop, Unfinished};
use serde::Serialize;

/// What a picture shows.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HairCount {
    /// Hairs on a square centimetre.
    pub hairs_per_cm2: f64,
    /// One standard error of it.
    pub sd_per_cm2: f64,
    /// Share of the skin that is covered by hair, 0 to 1.
    pub covered: f64,
    /// Middle width of a hair in the picture, µm.
    pub width_um: f64,
    /// One standard error of it.
    pub width_sd_um: f64,
}

/// Free lines shorter than so many widths of a hair are roughness of the edge of another.
const SPUR_WIDTHS: f64 = 1.2;
/// Share of the skin that may be covered: beyond it hairs can't be separated.
const MOST_COVERED: f64 = 0.6;

/// Counts the hairs of a picture. A picture without contrast, or so full that no skin is seen, is refused.
pub fn count(picture: &Picture) -> Result<HairCount, FieldErrors> {
    count_until(picture, &Stop::never()).map_err(Unfinished::faults)
}

/// The same, given up between phases where nobody waits any more.
pub fn count_until(picture: &Picture, stop: &Stop) -> Result<HairCount, Unfinished> {
    let contradicts =
        |id: &str| Err(FieldErrors(vec![FieldError::new("picture", Problem::contradicts(id))]).into());
    stop.go_on()?;
    const NOTHING: &str = "fault-picture-no-hair";
    let Some(mask) = segment::hair(picture) else { return contradicts(NOTHING) };
    let covered = mask.share();
    if covered > MOST_COVERED {
        return contradicts("fault-picture-no-skin");
    }
    stop.go_on()?;
    let lines = thin::thinned(&mask);
    stop.go_on()?;
    let half_px = distance::to_skin(&mask);
    let mut widths: Vec<f32> =
        half_px.iter().zip(&lines.set).filter(|(_, set)| **set).map(|(half, _)| 2.0 * half).collect();
    if widths.is_empty() {
        return contradicts(NOTHING);
    }
    widths.sort_by(f32::total_cmp);
    let width_px = f64::from(widths[widths.len() / 2]);
    let ends = f64::from(ends::ends(&lines, SPUR_WIDTHS * width_px));
    // An end is hidden on another hair, before one by less than a spur is long, and so near one that both run together.
    let reach = 1.0 + SPUR_WIDTHS + SCOPE_BLUR_PX.value / width_px;
    let seen = SCOPE_FREE_SHARE.value * (1.0 - covered).powf(reach);
    let hairs_per_cm2 = 0.5 * ends / seen / picture.area_cm2();
    let width_um = 1e3 * width_px * picture.mm_per_px();
    Ok(HairCount {
        hairs_per_cm2,
        sd_per_cm2: SCOPE_SD_SHARE.value * hairs_per_cm2,
        covered,
        width_um,
        width_sd_um: SCOPE_WIDTH_SD_SHARE.value * width_um,
    })
}

#[cfg(test)]
mod tests {
    use super::*;

    const SIDE: usize = 400;

    /// Skin under light that falls off to one side, with straight bars of 7 pixels' width across it, apart from each other.
    fn bars(skin: f64, hair: f64, count: usize) -> Picture {
        let mut grey = vec![0; SIDE * SIDE];
        for (i, pixel) in grey.iter_mut().enumerate() {
            let (x, y) = (i % SIDE, i / SIDE);
            let light = 1.0 - 0.25 * x as f64 / SIDE as f64 - 0.1 * y as f64 / SIDE as f64;
            let row = y / 24;
            let in_bar = row < count && (9..16).contains(&(y % 24)) && (40 + row..300).contains(&x);
            *pixel = (light * if in_bar { hair } else { skin }) as u8;
        }
        Picture::new(&grey, 5.0).expect("a square picture")
    }

    #[test]
    fn bars_apart_are_counted_each_dark_or_light_whatever_the_light() {
        for (skin, hair) in [(200.0, 60.0), (110.0, 210.0), (230.0, 170.0)] {
            let picture = bars(skin, hair, 12);
            let mask = segment::hair(&picture).expect("bars stand out");
            let lines = thin::thinned(&mask);
            assert_eq!(ends::ends(&lines, 7.0), 24, "{skin} {hair}");
            let found = count(&picture).expect("bars are counted");
            assert!((found.width_um / 87.5 - 1.0).abs() < 0.15, "7 px of 12.5 µm: {}", found.width_um);
            let covered = 12.0 * 7.0 * 255.0 / (SIDE * SIDE) as f64;
            assert!((found.covered / covered - 1.0).abs() < 0.08, "{} {covered}", found.covered);
        }
    }

    #[test]
    fn twice_the_bars_count_as_twice_the_hairs_but_for_what_they_hide() {
        let of = |bars_seen| count(&bars(200.0, 60.0, bars_seen)).expect("bars are counted");
        let (some, twice) = (of(7), of(14));
        let hidden = ((1.0 - some.covered) / (1.0 - twice.covered)).powf(1.0 + SPUR_WIDTHS + 0.75 / 6.6);
        let share = twice.hairs_per_cm2 / some.hairs_per_cm2;
        assert!((share / (2.0 * hidden) - 1.0).abs() < 0.01, "{share} {hidden}");
    }

    #[test]
    fn what_lies_inside_is_as_far_from_the_skin_as_it_is_deep() {
        let mask = segment::hair(&bars(200.0, 60.0, 3)).expect("bars stand out");
        let half_px = distance::to_skin(&mask);
        let middle = f64::from(half_px[(24 + 12) * SIDE + 150]);
        assert!((middle - 3.0).abs() < 1.0, "{middle}");
        assert!(half_px.iter().zip(&mask.set).all(|(far, set)| (*far > 0.0) == *set));
    }
}
