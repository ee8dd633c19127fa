//! How many hairs grow on a square centimetre, counted on a picture of the scalp.
//!
//! Every hair that is seen has two ends, where it leaves the skin and where it leaves the picture's sharp depth. Half the
//! number of ends is the number of hairs, whatever their length and bend; a hair that reaches out of the picture has one
//! end in it, and so has, as often, one that reaches in. What is missed are ends that lie under or against another hair.
//! If hairs lie anywhere alike, that share follows from how much of the skin is covered (the covered share of a Boolean
//! model; Chiu, Stoyan, Kendall, Mead, *Stochastic Geometry and its Applications*, 3rd ed., ch. 3); hairs that leave the
//! skin together hide a further share of each other, the same in thick hair and thin.
//!
//! [`segment`] tells hair from skin, [`thin`] draws each hair as a line one pixel wide, [`ends`] finds where lines stop.

mod distance;
mod ends;
mod picture;
mod segment;
mod thin;

pub use picture::Picture;

use crate::constants::{SCOPE_BLUR_PX, SCOPE_FREE_SHARE, SCOPE_SD_SHARE};
use crate::error::{FieldErrors, Problem};
use serde::Serialize;

/// What a picture tells.
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
}

/// Free lines shorter than so many widths of a hair are roughness of the edge of another.
const SPUR_WIDTHS: f64 = 1.2;
/// Share of the skin that may be covered: beyond it hairs can't be told apart.
const MOST_COVERED: f64 = 0.6;

/// Counts the hairs of a picture. A picture without contrast, or so full that no skin is seen, is refused.
pub fn count(picture: &Picture) -> Result<HairCount, FieldErrors> {
    let contradicts = |why: &str| {
        let mut faults = FieldErrors::default();
        faults.push("picture", Problem::Contradicts { why: why.into() });
        Err(faults)
    };
    const NOTHING: &str = "shows no hair that stands out from the skin; clean the lens or move the light";
    let Some(mask) = segment::hair(picture) else { return contradicts(NOTHING) };
    let covered = mask.share();
    if covered > MOST_COVERED {
        return contradicts("shows hardly any skin; part the hair and hold it flat");
    }
    let lines = thin::thinned(&mask);
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
    Ok(HairCount {
        hairs_per_cm2,
        sd_per_cm2: SCOPE_SD_SHARE.value * hairs_per_cm2,
        covered,
        width_um: 1e3 * width_px * picture.mm_per_px(),
    })
}
