//! What is known of one zone's hair, and conversions between its four lengths.

use super::search::zero_between;
use super::state::softened_shares;
use super::{Curl, HeldState, Material, Rod, WornStyle};
use crate::constants::{DENSITY_KG_M3, SHEAR_DRY_GPA, YOUNGS_DRY_GPA};
use crate::tolerance;

/// Longest fibre any conversion answers with, mm. A length that would need more is said not to be reachable.
const LONGEST_FIBRE_MM: f64 = 20_000.0;

/// One zone's hair as the extension law sees it. Clumping and rubbing make a lock behave like a stiffer or softer
/// fibre than a single hair, so the stiffness is a fitted multiple of the material's.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct LengthModel {
    /// Natural radius of curvature, mm.
    pub loop_radius_mm: f64,
    /// Natural pitch, 0 to below 1.
    pub natural_pitch: f64,
    /// Fibre diameter, µm.
    pub diameter_um: f64,
    /// Stiffness of a clumped hair over that of the bare fibre.
    pub stiffness: f64,
    /// Exponent on the softening by water: 1 as for bare fibres, 0 for hair that water doesn't soften.
    pub softening: f64,
}

impl LengthModel {
    /// The elastic spiral at `water_g_per_g`, with curvature at `curvature_share` of the natural.
    pub fn rod(&self, water_g_per_g: f64, curvature_share: f64) -> Rod {
        let (youngs, shear) = softened_shares(water_g_per_g);
        let material = Material {
            diameter_um: self.diameter_um,
            youngs_gpa: YOUNGS_DRY_GPA.value * youngs,
            shear_gpa: SHEAR_DRY_GPA.value * shear,
            density_kg_m3: DENSITY_KG_M3.value,
            weight_factor: 1.0 + water_g_per_g,
        };
        let curl =
            Curl { loop_radius_mm: self.loop_radius_mm / curvature_share, natural_pitch: self.natural_pitch };
        let mut rod = Rod::new(material, curl);
        rod.scale_mn *= self.stiffness * youngs.powf(self.softening - 1.0);
        rod
    }

    /// Free length at `water_g_per_g` of a hair of `fibre_mm`, mm.
    pub fn hanging_mm(&self, fibre_mm: f64, water_g_per_g: f64) -> f64 {
        self.rod(water_g_per_g, 1.0).hanging_mm(fibre_mm, 0.0)
    }

    /// Dry, styled length of a hair of `fibre_mm`, mm.
    pub fn worn_mm(&self, fibre_mm: f64, style: WornStyle) -> f64 {
        self.rod(0.0, style.curvature_share()).hanging_mm(fibre_mm, 0.0)
    }

    /// The fibre that is `worn_mm` long when worn, mm; none if no hair of this kind gets there.
    pub fn fibre_from_worn(&self, worn_mm: f64, style: WornStyle) -> Option<f64> {
        reachable(self.rod(0.0, style.curvature_share()).fibre_hanging_mm(worn_mm, 0.0))
    }

    /// The fibre that hangs `hanging_mm` at `water_g_per_g`, mm; none if no hair of this kind gets there.
    pub fn fibre_from_hanging(&self, hanging_mm: f64, water_g_per_g: f64) -> Option<f64> {
        reachable(self.rod(water_g_per_g, 1.0).fibre_hanging_mm(hanging_mm, 0.0))
    }

    /// How far from the scalp, in `state`, the point lies that is `fibre_mm` along a hair of `present_mm`, mm.
    pub fn held_mm(&self, fibre_mm: f64, present_mm: f64, state: HeldState) -> f64 {
        HeldHair::of(state).held_mm(self, fibre_mm, present_mm)
    }

    /// The fibre from scalp to the point held at `held_mm`, mm; none if the hair doesn't reach it. Uncombed, many points of
    /// a closed loop lie equally deep: then it is one of them.
    pub fn fibre_from_held(&self, held_mm: f64, present_mm: f64, state: HeldState) -> Option<f64> {
        HeldHair::of(state).fibre_mm(self, held_mm, present_mm)
    }
}

/// What a [`HeldState`] amounts to in numbers, so that a hand that strays from it can be computed too.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(crate) struct HeldHair {
    pub water_g_per_g: f64,
    pub pull_mn: f64,
}

impl HeldHair {
    pub fn of(state: HeldState) -> Self {
        Self { water_g_per_g: state.moisture.water_g_per_g(), pull_mn: state.comb.pull_mn() }
    }

    pub fn held_mm(&self, model: &LengthModel, fibre_mm: f64, present_mm: f64) -> f64 {
        self.length_mm(&model.rod(self.water_g_per_g, 1.0), fibre_mm, present_mm)
    }

    /// The hair below the mark hung on it before the fingers closed: no comb leaves it less open than that.
    fn length_mm(&self, rod: &Rod, fibre_mm: f64, present_mm: f64) -> f64 {
        rod.hanging_mm(fibre_mm, self.pull_mn.max(rod.weight_mn_mm * (present_mm - fibre_mm)))
    }

    pub fn fibre_mm(&self, model: &LengthModel, held_mm: f64, present_mm: f64) -> Option<f64> {
        let rod = model.rod(self.water_g_per_g, 1.0);
        let combed = rod.fibre_hanging_mm(held_mm, self.pull_mn);
        if rod.weight_mn_mm * (present_mm - combed) <= self.pull_mn {
            return reachable(combed);
        }
        rod.fibre_hung_mm(held_mm, present_mm, combed).or_else(|| {
            fibre_reaching(held_mm, LONGEST_FIBRE_MM, |fibre| self.length_mm(&rod, fibre, present_mm))
        })
    }
}

fn reachable(fibre_mm: f64) -> Option<f64> {
    (fibre_mm <= LONGEST_FIBRE_MM).then_some(fibre_mm)
}

/// An x in (0, `highest`] where `f`, with 0 < f(x) ≤ x, reaches `target`; none if the increasing `f` doesn't.
fn fibre_reaching(target: f64, highest: f64, f: impl Fn(f64) -> f64) -> Option<f64> {
    if target <= 0.0 {
        return (target == 0.0).then_some(0.0);
    }
    let mut low = target;
    let mut f_low = f(low) - target;
    if f_low >= 0.0 {
        return Some(low);
    }
    let mut high = (1.5 * target).min(highest);
    let mut f_high = f(high) - target;
    while f_high < 0.0 {
        if high >= highest {
            return None;
        }
        (low, f_low) = (high, f_high);
        high = (2.0 * high).min(highest);
        f_high = f(high) - target;
    }
    Some(zero_between((low, f_low), (high, f_high), tolerance::LENGTH_MM, |x| f(x) - target))
}
