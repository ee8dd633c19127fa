//! Named places of the scalp, as functions of the form.

use super::form::{HeadForm, Vec3, direction};
use super::hairline::Hairline;
use serde::{Deserialize, Serialize};
use std::f64::consts::PI;

/// A place on the scalp that partings run through and hair is carried to.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Landmark {
    /// Highest point of the head.
    Apex,
    /// Where the top turns down behind.
    Crown,
    /// The bone at the back.
    Occipital,
    /// Middle of the front hairline.
    HairlineCentre,
    /// Middle of the nape hairline.
    NapeCentre,
    /// Above the brow at the front hairline, left.
    BrowLeft,
    /// The same, right.
    BrowRight,
    /// Where the front hairline goes back furthest, left.
    RecessionLeft,
    /// The same, right.
    RecessionRight,
    /// Hairline at the temple, left.
    TempleLeft,
    /// The same, right.
    TempleRight,
    /// Hairline above the ear, left.
    EarTopLeft,
    /// The same, right.
    EarTopRight,
    /// Hairline behind the ear, over the mastoid bone, left.
    MastoidLeft,
    /// The same, right.
    MastoidRight,
    /// Corner of the nape hairline, left.
    NapeCornerLeft,
    /// The same, right.
    NapeCornerRight,
    /// Where the side turns into the top, above the ear, left.
    ParietalLeft,
    /// The same, right.
    ParietalRight,
}

impl Landmark {
    /// Every landmark.
    pub const ALL: [Self; 19] = [
        Self::Apex,
        Self::Crown,
        Self::Occipital,
        Self::HairlineCentre,
        Self::NapeCentre,
        Self::BrowLeft,
        Self::BrowRight,
        Self::RecessionLeft,
        Self::RecessionRight,
        Self::TempleLeft,
        Self::TempleRight,
        Self::EarTopLeft,
        Self::EarTopRight,
        Self::MastoidLeft,
        Self::MastoidRight,
        Self::NapeCornerLeft,
        Self::NapeCornerRight,
        Self::ParietalLeft,
        Self::ParietalRight,
    ];

    /// The same place on the other side of the head.
    #[must_use]
    pub fn mirrored(self) -> Self {
        match self {
            Self::BrowLeft => Self::BrowRight,
            Self::BrowRight => Self::BrowLeft,
            Self::RecessionLeft => Self::RecessionRight,
            Self::RecessionRight => Self::RecessionLeft,
            Self::TempleLeft => Self::TempleRight,
            Self::TempleRight => Self::TempleLeft,
            Self::EarTopLeft => Self::EarTopRight,
            Self::EarTopRight => Self::EarTopLeft,
            Self::MastoidLeft => Self::MastoidRight,
            Self::MastoidRight => Self::MastoidLeft,
            Self::NapeCornerLeft => Self::NapeCornerRight,
            Self::NapeCornerRight => Self::NapeCornerLeft,
            Self::ParietalLeft => Self::ParietalRight,
            Self::ParietalRight => Self::ParietalLeft,
            middle => middle,
        }
    }

    /// Unit direction in which it lies.
    pub fn direction(self, hairline: &Hairline) -> Vec3 {
        // Exactly in the middle, so that a mirrored plan is exactly the mirror image.
        let middle = |degrees: f64| {
            let (sin, cos) = degrees.to_radians().sin_cos();
            Vec3::new(0.0, sin, cos)
        };
        match self {
            Self::Apex => Vec3::y(),
            Self::Crown => middle(128.0),
            Self::Occipital => middle(172.0),
            Self::HairlineCentre => middle(hairline.elevation(0.0).to_degrees()),
            Self::NapeCentre => middle(180.0 - hairline.elevation(PI).to_degrees()),
            Self::ParietalLeft => direction(PI / 2.0, 42.0_f64.to_radians()),
            Self::BrowLeft => hairline.direction(20.0),
            Self::RecessionLeft => hairline.direction(36.0),
            Self::TempleLeft => hairline.direction(64.0),
            Self::EarTopLeft => hairline.direction(92.0),
            Self::MastoidLeft => hairline.direction(116.0),
            Self::NapeCornerLeft => hairline.direction(152.0),
            right => mirror(&right.mirrored().direction(hairline)),
        }
    }

    /// The point on the scalp, mm.
    pub fn point(self, form: &HeadForm, hairline: &Hairline) -> Vec3 {
        form.point(&self.direction(hairline))
    }
}

/// The mirror image of a point or direction.
pub fn mirror(p: &Vec3) -> Vec3 {
    Vec3::new(-p.x, p.y, p.z)
}
