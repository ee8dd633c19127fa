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
    fn a_landmark_alone_is_written_as_its_name() {
        let read = |text: &str| serde_json::from_str::<Anchor>(text);
        assert_eq!(read("\"apex\"").expect("a landmark"), Landmark::Apex.into());
        assert_eq!(serde_json::to_string(&Anchor::from(Landmark::Apex)).expect("text"), "\"apex\"");
        let off = read("{\"at\": \"apex\", \"behind_mm\": 20}").expect("an offset");
        assert_eq!(read(&serde_json::to_string(&off).expect("text")).expect("the same"), off);
        assert!(read("\"chimney\"").expect_err("unknown").to_string().contains("apex"));
    }
}
