//! The figure that heights and lengths are drawn on.

use super::Measures;
use super::form::{HeadForm, Vec3};
use super::hairline::Hairline;
use super::outline::{PatchOutline, outlines};
use super::patch::Patch;
use super::person::{PersonView, person};
use super::point::Point;
use crate::head::Zone;
use serde::{Deserialize, Serialize};

/// A point at its height.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FigurePoint {
    /// Which point.
    pub point: Point,
    /// Height above the ear canals, mm.
    pub height_mm: f64,
}

/// A zone's root on the figure, and the worn length that reaches each point below it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FigureZone {
    /// Which zone.
    pub zone: Zone,
    /// Height of the middle of the zone above the ear canals, mm.
    pub root_height_mm: f64,
    /// Worn length to each point this zone can hang to.
    pub reaches: Vec<Reach>,
}

/// The worn length from a zone to a point.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Reach {
    /// The point.
    pub point: Point,
    /// Worn length, mm.
    pub worn_mm: f64,
}

/// The client's figure as it is drawn: the head over named heights, and the worn length from each zone to each of them.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Figure {
    /// Half the breadth of the head, mm.
    pub half_breadth_mm: f64,
    /// Half the length of the head, mm.
    pub half_length_mm: f64,
    /// Height of the top of the head above the ear canals, mm.
    pub top_mm: f64,
    /// Height of the front hairline, mm.
    pub hairline_mm: f64,
    /// Points, highest first.
    pub points: Vec<FigurePoint>,
    /// Zones in walking order.
    pub zones: Vec<FigureZone>,
    /// The person as they are drawn from each side.
    pub person: Vec<PersonView>,
    /// What is seen of each zone that is read whole, and of each half that is read, from each side.
    pub outlines: Vec<PatchOutline>,
}

impl Figure {
    /// The figure of a head, with the worn lengths that its hair must have.
    pub(crate) fn new(
        form: &HeadForm,
        hairline: &Hairline,
        measures: &Measures,
        zones: Vec<FigureZone>,
        patches: &[Patch],
    ) -> Self {
        Self {
            half_breadth_mm: form.radius_mm(&Vec3::x()),
            half_length_mm: form.radius_mm(&Vec3::z()),
            top_mm: form.top_mm(),
            hairline_mm: 0.475 * measures.face_mm,
            points: Self::points(measures),
            zones,
            person: person(form, hairline, measures),
            outlines: outlines(patches, form, hairline),
        }
    }

    /// Every point at its height, highest first.
    pub(crate) fn points(measures: &Measures) -> Vec<FigurePoint> {
        let at = |point: Point| FigurePoint { point, height_mm: point.height_mm(measures) };
        let mut points: Vec<FigurePoint> = Point::ALL.into_iter().map(at).collect();
        points.sort_by(|a, b| b.height_mm.total_cmp(&a.height_mm));
        points
    }

    /// Worn length from `zone` to `point`, mm; none if the point lies above where the zone's hair starts.
    pub fn reach_mm(&self, zone: Zone, point: Point) -> Option<f64> {
        let zone = self.zones.iter().find(|z| z.zone == zone)?;
        zone.reaches.iter().find(|r| r.point == point).map(|r| r.worn_mm)
    }
}
