//! Twisted sections held to a point of the face.

use super::carried::Carried;
use super::{Direction, Hold, Layout, OverDirection};
use crate::error::{FieldErrors, Problem};
use crate::hair::Hair;
use crate::head::{Point, Vec3};
use crate::section::Side;
use serde::{Deserialize, Serialize};
use std::f64::consts::{PI, TAU};

/// How far past the point hair is cut, mm.
const PAST_MM: (f64, f64) = (-100.0, 400.0);

/// Turns of a twist.
const TURNS: (f64, f64) = (0.0, 60.0);
/// How far a twist is drawn.
const DRAWN_MM: (f64, f64) = (2.0, 1000.0);
/// Share of a tight twist that is fibre: round fibres side by side, a little loose.
const TWIST_PACKING: f64 = 0.6;

/// Sections that are twisted and drawn tight, to a point of the face or so far in a direction, and cut there: what grows
/// further off stays longer, and so does what winds round the outside of the twist.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Gathered {
    /// The sections.
    pub layout: Layout,
    /// The point; of the face, not of the body. None where it is drawn in a direction.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub to: Option<Point>,
    /// Which side's, for points that a face has two of: the client's left if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub side: Option<Side>,
    /// The direction it is drawn in, each section from its own middle, where no point is named.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub toward: Option<Direction>,
    /// How far it is drawn in that direction, mm, 2 to 1,000.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub drawn_mm: Option<f64>,
    /// How many times it is turned, 0 to 60. The outside of a twist has further to go, so its hair is left longer.
    #[serde(default, skip_serializing_if = "is_zero")]
    pub turns: f64,
    /// How far past the point it is cut, mm, −100 (before it) to 400.
    #[serde(default)]
    pub past_mm: f64,
}

fn is_zero(number: &f64) -> bool {
    *number == 0.0
}

impl Gathered {
    /// Sections drawn to a point and cut there.
    pub fn to(layout: Layout, to: Point) -> Self {
        Self { layout, to: Some(to), side: None, toward: None, drawn_mm: None, turns: 0.0, past_mm: 0.0 }
    }

    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.take("layout", self.layout.check());
        faults.range("past_mm", self.past_mm, PAST_MM, "mm");
        faults.range("turns", self.turns, TURNS, "");
        if let Some(drawn) = self.drawn_mm {
            faults.range("drawn_mm", drawn, DRAWN_MM, "mm");
        }
        match (self.to, self.toward) {
            (Some(to), None) if to.is_of_the_body() => {
                faults.push("to", Problem::contradicts("fault-on-body"));
            }
            (Some(_), None) => {}
            (None, Some(_)) => {
                if self.drawn_mm.is_none() {
                    faults.push("drawn_mm", Problem::Missing);
                }
            }
            (None, None) => faults.push("to", Problem::Missing),
            (Some(_), Some(_)) => {
                faults.push("toward", Problem::contradicts("fault-twist-both"));
            }
        }
        faults.or(())
    }

    #[must_use]
    pub(super) fn mirrored(self) -> Self {
        Self {
            layout: self.layout.mirrored(),
            side: Some(self.of_side().other()),
            toward: self.toward.map(Direction::mirrored),
            ..self
        }
    }

    /// The side it is drawn to.
    pub(super) fn of_side(&self) -> Side {
        self.side.unwrap_or(Side::Left)
    }

    /// Where the hand is that holds hair rooted round a place of the scalp.
    pub(super) fn hand(&self, hair: &Hair, middle: &Vec3) -> Option<Vec3> {
        if let Some(toward) = self.toward {
            let (scalp, d) = (hair.scalp(), middle.try_normalize(1e-9)?);
            let hold = Hold { over_direction: OverDirection::Toward(toward), ..Hold::at(90.0) };
            return Some(Carried::of(&scalp, &hold, d, d).hand(&scalp, self.drawn_mm?));
        }
        let place = self.to?.place(&hair.form, &hair.measures)?;
        let sign = if self.of_side() == Side::Right { -1.0 } else { 1.0 };
        Some(Vec3::new(sign * place.x, place.y, place.z))
    }

    /// Length of hair that winds round a twist of this length at a share of its radius, mm: as long as the helix it lies
    /// on. The twist is as thick as the sections of its fibres ask for.
    pub(super) fn wound_mm(&self, length_mm: f64, fibre_mm2: f64, out_share: f64) -> f64 {
        let radius = (fibre_mm2 / (PI * TWIST_PACKING)).sqrt() * out_share.min(1.0);
        length_mm.hypot(TAU * radius * self.turns)
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::Landmark;
    use crate::section::Along;

    #[test]
    fn the_outside_of_a_twist_is_longer_by_its_helix() {
        let layout = Layout {
            along: Along::Profile,
            thickness_mm: 20.0,
            from: Landmark::HairlineCentre,
            every: 1,
            skip: 0,
            piece_mm: Some(20.0),
        };
        let twist = Gathered {
            layout,
            to: None,
            side: None,
            toward: Some(Direction::Forward),
            drawn_mm: Some(150.0),
            turns: 10.0,
            past_mm: 0.0,
        };
        assert!(twist.check().is_ok());
        // By hand: 720 hairs of 70 µm are 2.77 mm², a twist of 1.21 mm; ten turns wind 76 mm round 150.
        let outside = twist.wound_mm(150.0, 2.77, 1.0);
        assert!((outside - 150f64.hypot(76.2)).abs() < 0.5, "{outside}");
        assert_eq!(twist.wound_mm(150.0, 2.77, 0.0), 150.0, "its middle is straight");
        let neither = Gathered { toward: None, ..twist };
        assert_eq!(neither.check().expect_err("no point").0[0].field, "to");
    }
}
