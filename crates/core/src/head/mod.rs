//! The client's head and figure: where the points lie that people relate length to, and how much worn hair it
//! takes to get there from each zone.
//!
//! First form: the skull is an ellipsoid solved from two tape measures, points of face and body lie at heights that
//! follow the client's face, neck and back measures, and hair follows the skull down to its widest level and hangs
//! from there. What neck and shoulders carry is not yet counted.

mod figure;
mod measures;
mod reach;

pub use figure::{Figure, FigurePoint, FigureZone, Point};
pub use measures::{Measures, RawMeasures};
pub use reach::landing_height_mm;
