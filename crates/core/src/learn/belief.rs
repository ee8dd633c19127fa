//! A zone's parameters with their uncertainty.

use crate::constants::{
    PRIOR_PITCH, PRIOR_PITCH_LOGIT_SD, PRIOR_RADIUS_LN_SD, PRIOR_RADIUS_MM, PRIOR_SOFTENING_LN_SD,
    PRIOR_STIFFNESS_LN_SD,
};
use crate::fibre::LengthModel;
use crate::tolerance;
use nalgebra::{Matrix4, Vector4};

/// What is believed of one zone's hair: a Gaussian over ln(loop radius), logit(pitch), ln(stiffness), ln(softening).
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Belief {
    pub(super) mean: Vector4<f64>,
    pub(super) covariance: Matrix4<f64>,
    pub(super) diameter_um: f64,
}

impl Belief {
    /// What is believed of hair of this width before it is measured.
    pub fn prior(diameter_um: f64) -> Self {
        let pitch = PRIOR_PITCH.value;
        let sd = Vector4::new(
            PRIOR_RADIUS_LN_SD.value,
            PRIOR_PITCH_LOGIT_SD.value,
            PRIOR_STIFFNESS_LN_SD.value,
            PRIOR_SOFTENING_LN_SD.value,
        );
        Self {
            mean: Vector4::new(PRIOR_RADIUS_MM.value.ln(), (pitch / (1.0 - pitch)).ln(), 0.0, 0.0),
            covariance: Matrix4::from_diagonal(&sd.component_mul(&sd)),
            diameter_um,
        }
    }

    /// The most probable hair.
    pub fn model(&self) -> LengthModel {
        self.model_at(&self.mean)
    }

    pub(super) fn model_at(&self, parameters: &Vector4<f64>) -> LengthModel {
        LengthModel {
            loop_radius_mm: parameters[0].exp(),
            natural_pitch: 1.0 / (1.0 + (-parameters[1]).exp()),
            diameter_um: self.diameter_um,
            stiffness: parameters[2].exp(),
            softening: parameters[3].exp(),
        }
    }

    /// Standard error of a number computed from the hair, by its slope in each parameter.
    pub fn sd_of(&self, number: impl Fn(&LengthModel) -> f64) -> f64 {
        self.variance_along(&self.slopes(number)).sqrt()
    }

    /// Slopes of a number in the four parameters, by central differences.
    pub(crate) fn slopes(&self, number: impl Fn(&LengthModel) -> f64) -> Vector4<f64> {
        slopes(&self.mean, |at| number(&self.model_at(at)))
    }

    /// Variance of a number with these slopes.
    pub(crate) fn variance_along(&self, slopes: &Vector4<f64>) -> f64 {
        slopes.dot(&(self.covariance * slopes)).max(0.0)
    }
}

pub(super) fn slopes(at: &Vector4<f64>, number: impl Fn(&Vector4<f64>) -> f64) -> Vector4<f64> {
    Vector4::from_fn(|i, _| {
        let step = Vector4::ith(i, tolerance::DERIVATIVE);
        (number(&(at + step)) - number(&(at - step))) / (2.0 * tolerance::DERIVATIVE)
    })
}
