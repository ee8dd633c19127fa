//! Neck and shoulders: what long hair comes to lie on.

use super::Measures;
use super::point::Point;

/// Half depth of the trunk from the collarbone down, mm, and how far below the shoulder's top it is reached.
pub(crate) const TRUNK_HALF_DEPTH_MM: f64 = 95.0;
const ROUNDING_MM: f64 = 110.0;
/// Half breadth of the shoulders over half the head's girth.
const SHOULDER_SHARE: f64 = 0.34;
/// Drop of the shoulder line from neck to arm, mm.
const SLOPE_MM: f64 = 45.0;

/// The trunk below the neck: a rounded slab across the shoulders, sloping down to the arms.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Body {
    shoulder_mm: f64,
    half_breadth_mm: f64,
    /// Height of the lowest named point, the waist, mm.
    pub waist_mm: f64,
}

impl Body {
    /// The body these measures describe.
    pub fn of(measures: &Measures) -> Self {
        Self {
            shoulder_mm: Point::Shoulder.height_mm(measures),
            half_breadth_mm: SHOULDER_SHARE * measures.girth_mm,
            waist_mm: Point::Waist.height_mm(measures),
        }
    }

    /// The top of the shoulders beside the neck, mm.
    pub fn shoulder_mm(&self) -> f64 {
        self.shoulder_mm
    }

    /// Half the breadth of the shoulders, mm.
    pub fn shoulders_mm(&self) -> f64 {
        self.half_breadth_mm
    }

    /// How far the trunk reaches to either hand at a height, mm; 0 above the shoulders.
    pub fn half_breadth_mm(&self, y: f64) -> f64 {
        self.half_breadth_mm * ((self.shoulder_mm - y) / SLOPE_MM).clamp(0.0, 1.0)
    }

    /// Half depth of the trunk at a place across it and a height, mm; 0 above the shoulders and beside them.
    pub fn half_depth_mm(&self, x: f64, y: f64) -> f64 {
        let across = x.abs() / self.half_breadth_mm;
        if across >= 1.0 {
            return 0.0;
        }
        let below = self.shoulder_mm - SLOPE_MM * across - y;
        if below <= 0.0 {
            return 0.0;
        }
        // Rounded at the line of the shoulder and where the full depth is reached, so that hair slides off without a corner.
        let t = (below / ROUNDING_MM).min(1.0);
        TRUNK_HALF_DEPTH_MM * (0.5 * std::f64::consts::PI * t).sin().powi(2)
    }
}
