//! What a fibre is made of and how it is curled.

use crate::constants::GRAVITY;
use std::f64::consts::PI;

/// Millinewtons per square millimetre in a gigapascal.
const MN_PER_MM2_IN_GPA: f64 = 1e6;

/// A round elastic fibre.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Material {
    /// Diameter, µm.
    pub diameter_um: f64,
    /// Young's modulus, GPa.
    pub youngs_gpa: f64,
    /// Shear modulus, GPa.
    pub shear_gpa: f64,
    /// Density, kg/m³.
    pub density_kg_m3: f64,
    /// Weight with its water as a multiple of the dry weight.
    pub weight_factor: f64,
}

impl Material {
    /// Bending stiffness EI = E·π·d⁴/64, mN·mm².
    pub fn bending_stiffness(&self) -> f64 {
        self.youngs_gpa * MN_PER_MM2_IN_GPA * PI * self.diameter_mm().powi(4) / 64.0
    }

    /// Torsional over bending stiffness, GJ/EI = 2G/E for a round fibre.
    pub fn stiffness_ratio(&self) -> f64 {
        2.0 * self.shear_gpa / self.youngs_gpa
    }

    /// Weight per length with its water, mN/mm.
    pub fn weight_per_length(&self) -> f64 {
        let kg_per_mm = self.density_kg_m3 * 1e-9 * PI / 4.0 * self.diameter_mm().powi(2);
        kg_per_mm * GRAVITY.value * 1e3 * self.weight_factor
    }

    fn diameter_mm(&self) -> f64 {
        self.diameter_um * 1e-3
    }
}

/// The shape a fibre takes when nothing acts on it.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Curl {
    /// Radius of curvature R0, mm: the radius of the loop when the pitch is zero.
    pub loop_radius_mm: f64,
    /// How open the spiral is, axial advance per length, 0 (closed loops) to below 1 (straight).
    pub natural_pitch: f64,
}
