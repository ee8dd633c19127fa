//! A method with its figures and choices written into its cut.

use super::document::{Method, Variant};
use super::figure::FigureUnit;
use crate::cut::Cut;
use crate::head::{Measures, Place, Point};
use serde_json::json;

/// A height, mm below the chin, as a place.
fn place(below_chin_mm: f64, measures: &Measures) -> Place {
    Place::nearest(Point::Chin.height_mm(measures) - below_chin_mm, measures)
}

impl Method {
    /// The cut with these options and values; none where that is no cut.
    pub fn filled(&self, options: &[&Variant], values: &[f64], measures: &Measures) -> Option<Cut> {
        let mut cut = serde_json::to_value(&self.cut).ok()?;
        let settings = options.iter().flat_map(|option| &option.set);
        for setting in settings {
            *cut.pointer_mut(&setting.path)? = setting.value.clone();
        }
        for (figure, value) in self.figures.iter().zip(values) {
            for binding in &figure.at {
                let value = value + binding.plus;
                *cut.pointer_mut(&binding.path)? = match figure.unit {
                    FigureUnit::BelowChinMm => serde_json::to_value(place(value, measures)).ok()?,
                    _ => json!(value),
                };
            }
        }
        let cut: Cut = serde_json::from_value(cut).ok()?;
        cut.check().ok().map(|()| cut)
    }
}
