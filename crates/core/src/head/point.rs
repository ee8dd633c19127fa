//! The points of face and body that people relate length to, and their heights.

use super::Measures;
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
