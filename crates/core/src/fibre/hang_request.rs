//! The bare question "how does this fibre hang?".

use super::{Curl, Material, Regime, Rod};
use crate::error::FieldErrors;
use serde::{Deserialize, Serialize};

/// One bare fibre with explicit material, so that anyone can check the law against another solver.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
#[allow(non_snake_case)] // GPa is written as the unit is written.
pub struct HangRequest {
    /// Fibre diameter, µm, 10 to 300.
    pub diameter_um: f64,
    /// Natural loop radius (radius of curvature), mm, 0.1 to 10,000.
    pub loop_radius_mm: f64,
    /// Natural pitch, 0 (closed loops) to 0.99.
    #[serde(default)]
    pub natural_pitch: f64,
    /// Fibre length, mm, 1 to 3,000.
    pub fibre_length_mm: f64,
    /// Young's modulus, GPa, 0.01 to 100.
    pub youngs_GPa: f64,
    /// Shear modulus, GPa, from 0.01 to two thirds of Young's modulus.
    pub shear_GPa: f64,
    /// Density, kg/m³, 100 to 10,000.
    pub density_kg_m3: f64,
    /// Weight with its water over the dry weight, 1 to 10.
    #[serde(default = "one")]
    pub weight_factor: f64,
    /// Pull at the free end, mN, 0 to 1,000.
    #[serde(default)]
    pub tip_pull_mN: f64,
}

fn one() -> f64 {
    1.0
}

/// How a bare fibre hangs.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HangResult {
    /// Depth of the lowest point below the root, mm.
    pub hanging_mm: f64,
    /// Depth of the free end below the root, mm; negative when it curls up above the root.
    pub tip_mm: f64,
    /// Axial extension at the root, 0 (closed loops) to 1 (straight).
    pub extension_at_root: f64,
    /// Radius of the loop at the free end, mm; zero when it is pulled straight.
    pub loop_radius_at_tip_mm: f64,
    /// Which of the three ways of hanging this is.
    pub regime: Regime,
}

impl HangRequest {
    /// Checks every field; the fault names the field and its range.
    pub fn rod(&self) -> Result<Rod, FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("diameter_um", self.diameter_um, (10.0, 300.0), "µm");
        faults.range("loop_radius_mm", self.loop_radius_mm, (0.1, 10_000.0), "mm");
        faults.range("natural_pitch", self.natural_pitch, (0.0, 0.99), "");
        faults.range("fibre_length_mm", self.fibre_length_mm, (1.0, 3000.0), "mm");
        faults.range("youngs_GPa", self.youngs_GPa, (0.01, 100.0), "GPa");
        // Above two thirds (GJ = 4/3 EI) the spiral snaps instead of opening; no round elastic fibre is there.
        let stiffest = if self.youngs_GPa.is_finite() { self.youngs_GPa * 2.0 / 3.0 } else { 100.0 };
        faults.range("shear_GPa", self.shear_GPa, (0.01, stiffest), "GPa");
        faults.range("density_kg_m3", self.density_kg_m3, (100.0, 10_000.0), "kg/m³");
        faults.range("weight_factor", self.weight_factor, (1.0, 10.0), "");
        faults.range("tip_pull_mN", self.tip_pull_mN, (0.0, 1000.0), "mN");
        let curl = Curl { loop_radius_mm: self.loop_radius_mm, natural_pitch: self.natural_pitch };
        let material = Material {
            diameter_um: self.diameter_um,
            youngs_gpa: self.youngs_GPa,
            shear_gpa: self.shear_GPa,
            density_kg_m3: self.density_kg_m3,
            weight_factor: self.weight_factor,
        };
        faults.or(Rod::new(material, curl))
    }

    /// How the fibre hangs.
    pub fn hang(&self) -> Result<HangResult, FieldErrors> {
        let rod = self.rod()?;
        let (length, pull) = (self.fibre_length_mm, self.tip_pull_mN);
        Ok(HangResult {
            hanging_mm: rod.hanging_mm(length, pull),
            tip_mm: rod.tip_mm(length, pull),
            extension_at_root: rod.extension(pull + rod.weight_mn_mm * length),
            loop_radius_at_tip_mm: rod.loop_radius_mm(pull),
            regime: rod.regime(length, pull),
        })
    }
}
