//! Hair held away from the head and cut along the fingers, as it is written down.

use super::hold::{Fingers, Guide, Hold, OverDirection};
use super::layout::Layout;
use crate::error::{FieldErrors, Problem};
use crate::head::Place;
use serde::{Deserialize, Serialize};

/// Lengths that can be asked for, mm.
const LENGTH_MM: (f64, f64) = (2.0, 2000.0);
/// Hair held away from the head and cut along the fingers.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Sections {
    /// The sections.
    pub layout: Layout,
    /// Lift and direction.
    pub hold: Hold,
    /// What their length follows.
    #[serde(default)]
    pub guide: Guide,
    /// How the fingers lie.
    #[serde(default)]
    pub fingers: Fingers,
    /// How long the first is cut.
    pub length: FirstLength,
    /// Hair that stays out of the hand by where it ends.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub drops: Option<Drops>,
}

/// How long the first section is cut, over the middle of its base.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", deny_unknown_fields)]
pub enum FirstLength {
    /// From scalp to fingers, as it is held, mm.
    HeldMm(f64),
    /// As long as it should be when worn, mm; the hold is worked out.
    WornMm(f64),
    /// So much less than it is now, as it is held, mm.
    ShorterMm(f64),
    /// So long that it ends here when it is worn.
    EndsAt(Place),
    /// By the hair beside it that an earlier step cut (its number, from 0).
    LikeMove(u32),
    /// By the hair beside it, outside the region, that is there already.
    LikeBeside,
}

/// Hair that drops out of the hand by where its ends lie when it is worn, wherever it grows.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields, default)]
pub struct Drops {
    /// What ends below here stays out of the hand: the perimeter is left alone.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub ends_below: Option<Place>,
    /// What ends above here stays out of the hand.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub ends_above: Option<Place>,
}

impl Drops {
    fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        for (name, place) in [("ends_below", self.ends_below), ("ends_above", self.ends_above)] {
            if let Some(place) = place {
                faults.take(name, place.check());
            }
        }
        faults.or(())
    }
}

impl Sections {
    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.take("layout", self.layout.check());
        faults.take("hold", self.hold.check());
        faults.take("guide", self.guide.check());
        faults.take("fingers", self.fingers.check());
        match self.length {
            FirstLength::HeldMm(mm) => faults.range("length.held_mm", mm, LENGTH_MM, "mm"),
            FirstLength::WornMm(mm) => faults.range("length.worn_mm", mm, LENGTH_MM, "mm"),
            FirstLength::ShorterMm(mm) => faults.range("length.shorter_mm", mm, (0.0, LENGTH_MM.1), "mm"),
            FirstLength::EndsAt(place) => {
                faults.take("length.ends_at", place.check());
            }
            FirstLength::LikeMove(_) | FirstLength::LikeBeside => {}
        }
        if self.layout.piece_mm.is_some() {
            faults.push("layout.piece_mm", Problem::contradicts("fault-pieces"));
        }
        if let Some(drops) = &self.drops {
            faults.take("drops", drops.check());
        }
        if self.guide == Guide::Stationary && self.hold.over_direction != OverDirection::OwnBase {
            faults.push("hold.over_direction", Problem::contradicts("fault-stationary-over"));
        }
        faults.or(())
    }

    #[must_use]
    pub(super) fn mirrored(&self) -> Self {
        Self {
            layout: self.layout.mirrored(),
            hold: self.hold.mirrored(),
            fingers: self.fingers.mirrored(),
            ..self.clone()
        }
    }
}
