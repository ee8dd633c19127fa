//! Hair that grows a way of its own: swirls, cowlicks, and the direction a zone grows in.

use crate::error::{FieldErrors, Problem};
use crate::head::{Landmark, Scalp, Vec3};
use serde::{Deserialize, Serialize};

/// How far a growth reaches, mm, and how strong it is.
const REACH_MM: (f64, f64) = (10.0, 120.0);
const STRENGTH: (f64, f64) = (0.0, 1.0);
/// How many of them a head can have.
pub const MOST_GROWTHS: usize = 12;
/// How far a swirl turns from straight outward, as cosine and sine of about 55°: its hair runs out as it runs round.
const SPIRAL: (f64, f64) = (0.57, 0.82);
/// How much a growth of full strength outweighs falling.
const OUTWEIGHS: f64 = 3.0;

/// Hair round a landmark that grows a way of its own.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Growth {
    /// Distinguishes it from the others of its list, 1 to 2⁵³ − 1; it is given one if it has none.
    #[serde(default, skip_serializing_if = "crate::member::is_none")]
    pub id: u64,
    /// Its middle.
    pub at: Landmark,
    /// In which direction it grows.
    #[serde(alias = "way")]
    pub direction: GrowthDirection,
    /// How far from its middle it has fallen to a third, mm, 10 to 120.
    #[serde(default = "usual_reach")]
    pub reach_mm: f64,
    /// How strong it is, 0 to 1: at 1 it goes against the fall.
    #[serde(default = "usual_strength")]
    pub strength: f64,
}

crate::member::members!(Growth);

fn usual_reach() -> f64 {
    45.0
}

fn usual_strength() -> f64 {
    0.6
}

impl Default for Growth {
    /// A whorl at the crown, clockwise.
    fn default() -> Self {
        Self {
            id: 0,
            at: Landmark::Crown,
            direction: GrowthDirection::Clockwise,
            reach_mm: usual_reach(),
            strength: usual_strength(),
        }
    }
}

/// Which way hair grows.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum GrowthDirection {
    /// A swirl, clockwise as it is looked at.
    Clockwise,
    /// A swirl the other way.
    Anticlockwise,
    /// Towards a landmark.
    Toward(Landmark),
}

impl Growth {
    /// The same on the other side of the head.
    #[must_use]
    pub fn mirrored(self) -> Self {
        let direction = match self.direction {
            GrowthDirection::Clockwise => GrowthDirection::Anticlockwise,
            GrowthDirection::Anticlockwise => GrowthDirection::Clockwise,
            GrowthDirection::Toward(landmark) => GrowthDirection::Toward(landmark.mirrored()),
        };
        Self { at: self.at.mirrored(), direction, ..self }
    }

    /// Checks a head's growths.
    pub(crate) fn check(all: &[Self]) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if all.len() > MOST_GROWTHS {
            faults.push("", Problem::too_many(MOST_GROWTHS));
        }
        for (i, growth) in all.iter().enumerate() {
            faults.range(&format!("{i}.reach_mm"), growth.reach_mm, REACH_MM, "mm");
            faults.range(&format!("{i}.strength"), growth.strength, STRENGTH, "");
            if growth.direction == GrowthDirection::Toward(growth.at) {
                faults.push(format!("{i}.direction.toward"), Problem::contradicts("fault-growth-to-itself"));
            }
        }
        faults.or(())
    }

    /// Which way it bends hair at a place of the scalp with this normal: a tangent as long as it is strong there.
    pub(crate) fn bend(&self, scalp: &Scalp, place: &Vec3, normal: &Vec3) -> Vec3 {
        let middle = scalp.point(self.at);
        let off = place - middle;
        let weight = OUTWEIGHS * self.strength * (-(off.norm() / self.reach_mm).powi(2)).exp();
        let tangent = |v: Vec3| (v - normal * normal.dot(&v)).try_normalize(1e-6).unwrap_or_else(Vec3::zeros);
        let out = tangent(off);
        let round = normal.cross(&out);
        let flow = match self.direction {
            GrowthDirection::Anticlockwise => out * SPIRAL.0 + round * SPIRAL.1,
            GrowthDirection::Clockwise => out * SPIRAL.0 - round * SPIRAL.1,
            GrowthDirection::Toward(landmark) => tangent(scalp.point(landmark) - place),
        };
        flow * weight
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::grow::HairRequest;
    use crate::hair::Hair;
    use crate::head::{Zone, mirror};
    use crate::reading::{RawReading, RawZoneReading};
    use std::collections::BTreeMap;

    fn hair(growth: Vec<Growth>) -> Hair {
        let zones = BTreeMap::from([(Zone::Top.into(), RawZoneReading::measured(300.0, 290.0))]);
        let reading = RawReading { zones, growth, ..RawReading::default() };
        HairRequest { roots: 1024, ..HairRequest::new(reading) }.grow().expect("possible")
    }

    fn swirl(direction: GrowthDirection) -> Growth {
        Growth { id: 0, at: Landmark::Crown, direction, reach_mm: 45.0, strength: 0.9 }
    }

    /// Mean turn of the ways about the crown, radians: positive is anticlockwise as it is looked at.
    fn turning(hair: &Hair) -> f64 {
        let crown = hair.scalp().point(Landmark::Crown);
        let normal = hair.form.normal(&crown);
        let near = hair.strands.iter().zip(&hair.drapes).filter(|(strand, _)| {
            let off = (strand.root.at - crown).norm();
            (8.0..40.0).contains(&off)
        });
        let turn = |(strand, drape): (&crate::hair::Strand, &crate::drape::Drape)| {
            let (from, to) = (strand.root.at - crown, drape.main().place(20.0) - crown);
            normal.dot(&from.cross(&to)).atan2(from.dot(&to))
        };
        let turns: Vec<f64> = near.map(turn).collect();
        turns.iter().sum::<f64>() / turns.len() as f64
    }

    #[test]
    fn a_swirl_turns_the_hair_round_it_and_its_mirror_image_the_other_way() {
        let plain = turning(&hair(vec![]));
        let one = turning(&hair(vec![swirl(GrowthDirection::Anticlockwise)]));
        let other = turning(&hair(vec![swirl(GrowthDirection::Clockwise)]));
        assert!(plain.abs() < 0.02, "{plain}");
        assert!(one > 0.15 && (one + other).abs() < 0.02, "{one} {other}");
    }

    #[test]
    fn the_mirror_image_of_a_growth_gives_the_mirror_image_of_the_fall() {
        let growth = vec![
            swirl(GrowthDirection::Clockwise),
            Growth {
                direction: GrowthDirection::Toward(Landmark::TempleLeft),
                at: Landmark::BrowLeft,
                ..swirl(GrowthDirection::Clockwise)
            },
        ];
        let (one, other) = (hair(growth.clone()), hair(growth.into_iter().map(Growth::mirrored).collect()));
        let half = one.drapes.len() / 2;
        for i in 0..half {
            for arc_mm in [20.0, 90.0, 250.0] {
                let (a, b) =
                    (one.drapes[i].main().place(arc_mm), other.drapes[half + i].main().place(arc_mm));
                assert!((a - mirror(&b)).norm() < 1e-9, "{i} {arc_mm}: {a} {b}");
            }
        }
    }

    #[test]
    fn hair_that_grows_against_its_fall_stands_up_more() {
        let up = Growth {
            id: 0,
            at: Landmark::HairlineCentre,
            direction: GrowthDirection::Toward(Landmark::Apex),
            reach_mm: 40.0,
            strength: 1.0,
        };
        let (plain, cowlick) = (hair(vec![]), hair(vec![up]));
        let at_front = |hair: &Hair| {
            let middle = hair.scalp().point(Landmark::HairlineCentre);
            let near = hair.strands.iter().zip(&hair.drapes);
            near.filter(|(strand, _)| (strand.root.at - middle).norm() < 25.0)
                .map(|(_, drape)| drape.against())
                .fold(0.0, f64::max)
        };
        assert_eq!(at_front(&plain), 0.0);
        assert!(at_front(&cowlick) > 0.4, "{}", at_front(&cowlick));
    }

    #[test]
    fn impossible_growths_are_named() {
        let bad = Growth {
            direction: GrowthDirection::Toward(Landmark::Crown),
            strength: 2.0,
            ..swirl(GrowthDirection::Clockwise)
        };
        let faults = Growth::check(&[swirl(GrowthDirection::Clockwise), bad]).expect_err("twice impossible");
        let fields: Vec<&str> = faults.0.iter().map(|fault| fault.field.as_str()).collect();
        assert_eq!(fields, ["1.strength", "1.direction.toward"]);
        assert!(Growth::check(&[bad; 13]).is_err());
    }
}
