//! A landmark, or a place so far from one.

use crate::error::FieldErrors;
use crate::head::{Landmark, Scalp, Vec3};
use serde::de::value::{MapAccessDeserializer, StrDeserializer};
use serde::de::{MapAccess, Visitor};
use serde::{Deserialize, Deserializer, Serialize, Serializer};
use std::fmt;

/// How far from its landmark a place may lie, mm.
const OFF_MM: (f64, f64) = (-150.0, 150.0);
/// Step in which a way along the scalp is gone, mm.
const STEP_MM: f64 = 2.0;
/// Nearer to a landmark than this a place is the landmark; nearer than this it may be given from a landmark that isn't the nearest.
const SNAP_MM: f64 = 5.0;
const NEAR_MM: f64 = 60.0;
/// Rounds of the search for a place's offsets, and how far it may be off at the end, mm.
const ROUNDS: usize = 12;
const CLOSE_MM: f64 = 1.5;

/// A place on the scalp: a landmark, or so far from one along the scalp. A landmark alone is written as its name.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Anchor(pub Offset);

/// A landmark and how far from it along the scalp, mm.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Offset {
    /// The landmark.
    pub at: Landmark,
    /// So far behind it, mm, −150 to 150; negative is in front.
    #[serde(default)]
    pub behind_mm: f64,
    /// So far above it, mm.
    #[serde(default)]
    pub above_mm: f64,
    /// So far to the client's left of it, mm.
    #[serde(default)]
    pub left_mm: f64,
}

/// How it is written, for the schema.
#[cfg(feature = "schema")]
#[derive(Serialize, utoipa::ToSchema)]
#[schema(as = Anchor)]
#[serde(untagged)]
pub enum AnchorForm {
    /// A landmark by its name.
    Landmark(Landmark),
    /// A place so far from one.
    Offset(Offset),
}

impl From<Landmark> for Anchor {
    fn from(at: Landmark) -> Self {
        Self(Offset { at, behind_mm: 0.0, above_mm: 0.0, left_mm: 0.0 })
    }
}

impl Anchor {
    /// The landmark it is given from.
    pub fn landmark(&self) -> Landmark {
        self.0.at
    }

    /// Whether it is the landmark itself.
    pub fn is_landmark(&self) -> bool {
        *self == Self::from(self.0.at)
    }

    /// The same place on the other side of the head.
    #[must_use]
    pub fn mirrored(&self) -> Self {
        Self(Offset { at: self.0.at.mirrored(), left_mm: -self.0.left_mm, ..self.0 })
    }

    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("behind_mm", self.0.behind_mm, OFF_MM, "mm");
        faults.range("above_mm", self.0.above_mm, OFF_MM, "mm");
        faults.range("left_mm", self.0.left_mm, OFF_MM, "mm");
        faults.or(())
    }

    /// A place of the scalp: a landmark, or in whole millimetres so far from one. Where `from` lies near it is given from there,
    /// else from the nearest landmark.
    pub fn of_place(scalp: &Scalp, place: &Vec3, from: Landmark) -> Self {
        let apart = |at: Landmark| (scalp.point(at) - place).norm();
        let mut landmarks = Landmark::ALL;
        landmarks.sort_by(|one, other| apart(*one).total_cmp(&apart(*other)));
        let nearest = landmarks[0];
        if apart(nearest) < SNAP_MM {
            return nearest.into();
        }
        let first = Some(from).filter(|from| apart(*from) < NEAR_MM);
        let found = first.into_iter().chain(landmarks).find_map(|at| Self::given_from(scalp, at, place));
        found.unwrap_or(nearest.into())
    }

    /// A place by its offsets from a landmark: along the scalp there, so two of the three (Newton).
    fn given_from(scalp: &Scalp, at: Landmark, place: &Vec3) -> Option<Self> {
        let normal = scalp.form.normal(&scalp.point(at)).abs();
        let offset = |[one, other]: [f64; 2]| {
            let (behind_mm, above_mm, left_mm) = if normal.y >= normal.x.max(normal.z) {
                (one, 0.0, other)
            } else if normal.x >= normal.z {
                (one, other, 0.0)
            } else {
                (0.0, one, other)
            };
            Self(Offset { at, behind_mm, above_mm, left_mm })
        };
        let up = scalp.form.normal(place);
        let across = up.cross(&Vec3::y()).try_normalize(1e-3).unwrap_or_else(Vec3::x);
        let axes = [across, up.cross(&across)];
        let off = |by: [f64; 2]| axes.map(|axis| axis.dot(&(offset(by).point(scalp) - place)));
        let mut by = [0.0, 0.0];
        for _ in 0..ROUNDS {
            let [e, f] = off(by);
            let (one, other) = (off([by[0] + 1.0, by[1]]), off([by[0], by[1] + 1.0]));
            let [a, b, c, d] = [one[0] - e, other[0] - e, one[1] - f, other[1] - f];
            let wide = a * d - b * c;
            if wide.abs() < 1e-3 {
                return None;
            }
            by = [by[0] - (d * e - b * f) / wide, by[1] - (a * f - c * e) / wide];
            if !by.iter().all(|mm| (OFF_MM.0..=OFF_MM.1).contains(mm)) {
                return None;
            }
        }
        let found = offset(by.map(f64::round));
        ((found.point(scalp) - place).norm() < CLOSE_MM).then_some(found)
    }

    /// Where it lies, mm.
    pub fn point(&self, scalp: &Scalp) -> Vec3 {
        let moved = |from: Vec3, toward: Vec3, mm: f64| {
            let steps = (mm.abs() / STEP_MM).ceil();
            (0..steps as usize).fold(from, |p, _| {
                let normal = scalp.form.normal(&p);
                let along =
                    (toward - normal * normal.dot(&toward)).try_normalize(1e-6).unwrap_or_else(Vec3::zeros);
                scalp.form.point(&(p + along * (mm / steps)))
            })
        };
        let behind = moved(scalp.point(self.0.at), -Vec3::z(), self.0.behind_mm);
        let above = moved(behind, Vec3::y(), self.0.above_mm);
        moved(above, Vec3::x(), self.0.left_mm)
    }
}

impl Serialize for Anchor {
    fn serialize<S: Serializer>(&self, serializer: S) -> Result<S::Ok, S::Error> {
        if self.is_landmark() { self.0.at.serialize(serializer) } else { self.0.serialize(serializer) }
    }
}

impl<'de> Deserialize<'de> for Anchor {
    fn deserialize<D: Deserializer<'de>>(deserializer: D) -> Result<Self, D::Error> {
        struct Either;
        impl<'de> Visitor<'de> for Either {
            type Value = Anchor;

            fn expecting(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
                f.write_str("a landmark, or a landmark with an offset")
            }

            fn visit_str<E: serde::de::Error>(self, name: &str) -> Result<Anchor, E> {
                Landmark::deserialize(StrDeserializer::new(name)).map(Anchor::from)
            }

            fn visit_map<A: MapAccess<'de>>(self, map: A) -> Result<Anchor, A::Error> {
                Offset::deserialize(MapAccessDeserializer::new(map)).map(Anchor)
            }
        }
        deserializer.deserialize_any(Either)
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::{Hairline, HeadForm, Measures, SkullForm};

    #[test]
    fn an_offset_is_gone_along_the_scalp_and_mirrors() {
        let measures = Measures::default();
        let form = HeadForm::of(&measures, SkullForm::default()).expect("ordinary");
        let hairline = Hairline::of(&form, &measures);
        let scalp = Scalp::plain(&form, &hairline);
        let front = Landmark::HairlineCentre;
        let behind = Anchor(Offset { behind_mm: 30.0, ..Anchor::from(front).0 });
        let (from, to) = (scalp.point(front), behind.point(&scalp));
        // A chord of 30 mm of arc on a head falls short by less than half a millimetre.
        assert!(((to - from).norm() - 30.0).abs() < 0.6 && to.z < from.z && to.x.abs() < 1e-9, "{to}");
        let aside = Anchor(Offset { left_mm: 20.0, above_mm: 10.0, ..Anchor::from(Landmark::TempleLeft).0 });
        let mirror = crate::head::mirror(&aside.mirrored().point(&scalp));
        assert!((mirror - aside.point(&scalp)).norm() < 1e-9);
    }

    #[test]
    fn a_place_is_given_from_a_landmark_near_it_to_the_millimetre() {
        let measures = Measures::default();
        let form = HeadForm::of(&measures, SkullForm::default()).expect("ordinary");
        let hairline = Hairline::of(&form, &measures);
        let scalp = Scalp::plain(&form, &hairline);
        for at in Landmark::ALL {
            assert_eq!(Anchor::of_place(&scalp, &scalp.point(at), Landmark::Apex), at.into(), "itself");
        }
        let mut given = 0;
        for direction in crate::head::lattice(300).filter(|d| hairline.above(d) >= 0.0) {
            let place = form.point(&direction);
            let from = Landmark::Crown;
            let found = Anchor::of_place(&scalp, &place, from);
            found.check().expect("it may be written");
            let off = (found.point(&scalp) - place).norm();
            let most = if found.is_landmark() { SNAP_MM } else { CLOSE_MM };
            assert!(off < most, "{found:?} lies {off} mm off");
            let near = (scalp.point(from) - place).norm();
            given += usize::from(found.landmark() == from);
            assert!(found.is_landmark() || near > NEAR_MM || found.landmark() == from, "{near}");
        }
        assert!(given > 10);
    }

    #[test]
    fn a_landmark_alone_is_written_as_its_name() {
        let read = |text: &str| serde_json::from_str::<Anchor>(text);
        assert_eq!(read("\"apex\"").expect("a landmark"), Landmark::Apex.into());
        assert_eq!(serde_json::to_string(&Anchor::from(Landmark::Apex)).expect("text"), "\"apex\"");
        let off = read("{\"at\": \"apex\", \"behind_mm\": 20}").expect("an offset");
        assert_eq!(read(&serde_json::to_string(&off).expect("text")).expect("the same"), off);
        assert!(read("\"chimney\"").expect_err("unknown").to_string().contains("apex"));
    }
}
