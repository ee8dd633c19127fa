//! Heights of the points of face and body, and the figure they are drawn on.

use super::Measures;
use super::form::{HeadForm, Vec3};
use super::hairline::Hairline;
use super::outline::{PatchOutline, outlines, skull};
use super::patch::Patch;
use crate::head::Zone;
use serde::{Deserialize, Serialize};

/// A point of face or body that people relate length to, from the top down.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Point {
    /// Top of the brow.
    Brow,
    /// Widest point of the cheekbone.
    Cheekbone,
    /// Lower end of the ear.
    EarLobe,
    /// Tip of the nose.
    NoseTip,
    /// Between the lips.
    Lip,
    /// Hairline at the neck.
    NapeLine,
    /// Corner of the jaw.
    JawCorner,
    /// Under the chin.
    Chin,
    /// Top of the shoulder beside the neck.
    Shoulder,
    /// Collarbone.
    Collarbone,
    /// Fold of the armpit.
    Armpit,
    /// Lower end of the shoulder blades.
    MidBack,
    /// Waist.
    Waist,
}

impl Point {
    /// Every point, highest first on an ordinary figure.
    pub const ALL: [Self; 13] = [
        Self::Brow,
        Self::Cheekbone,
        Self::EarLobe,
        Self::NoseTip,
        Self::Lip,
        Self::NapeLine,
        Self::JawCorner,
        Self::Chin,
        Self::Shoulder,
        Self::Collarbone,
        Self::Armpit,
        Self::MidBack,
        Self::Waist,
    ];

    /// Whether it lies below the head.
    pub fn is_of_the_body(self) -> bool {
        matches!(self, Self::Shoulder | Self::Collarbone | Self::Armpit | Self::MidBack | Self::Waist)
    }

    /// Whether a face has it on both sides.
    pub fn is_paired(self) -> bool {
        matches!(self, Self::Cheekbone | Self::EarLobe | Self::JawCorner)
    }

    /// Height above the ear canals, mm; below them is negative.
    ///
    /// The face is divided from hairline to chin by the thirds of the artistic canon, with the ear canal at 0.475 of
    /// it; neck and back are divided in fixed shares between chin, collarbone and waist.
    pub fn height_mm(self, m: &Measures) -> f64 {
        let face = |share: f64| (0.475 - share) * m.face_mm;
        let chin = face(1.0);
        let collarbone = chin - m.neck_mm;
        match self {
            Self::Brow => face(1.0 / 3.0),
            Self::Cheekbone => face(0.50),
            Self::EarLobe => face(0.60),
            Self::NoseTip => face(0.63),
            Self::Lip => face(0.78),
            Self::NapeLine => face(0.82),
            Self::JawCorner => face(0.86),
            Self::Chin => chin,
            Self::Shoulder => chin - 0.7 * m.neck_mm,
            Self::Collarbone => collarbone,
            Self::Armpit => collarbone - 0.3 * m.torso_mm,
            Self::MidBack => collarbone - 0.5 * m.torso_mm,
            Self::Waist => collarbone - m.torso_mm,
        }
    }
}

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
    /// The skull from the left, from the front hairline over the top to the nape: mm to the right and down from the ear canals.
    pub skull: Vec<[f64; 2]>,
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
            skull: skull(form, hairline),
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
