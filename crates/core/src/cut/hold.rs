//! How a section is held, guided and cut along.

use super::sections::Section;
use crate::error::FieldErrors;
use crate::head::{Landmark, Vec3};
use crate::section::Scalp;
use serde::{Deserialize, Serialize};

/// Lifts, degrees.
const LIFT: (f64, f64) = (0.0, 180.0);
/// Steps by which a floating guide moves out, mm.
const STEP_MM: (f64, f64) = (-50.0, 50.0);
/// Slant of the fingers, degrees.
const SLANT: (f64, f64) = (-75.0, 75.0);

/// Lift and direction of a section.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Hold {
    /// Lift from the natural fall, degrees: 0 falls, 90 stands square to the scalp, 180 straight up.
    pub lift_deg: f64,
    /// Where it is carried to.
    #[serde(default)]
    pub over: Over,
}

/// Where a section is carried to before it is cut.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Over {
    /// It stays over its own base.
    #[default]
    OwnBase,
    /// To the section before it.
    Previous,
    /// To the middle plane of the head.
    Centre,
    /// To a landmark.
    Landmark(Landmark),
    /// To the plane through three landmarks.
    Plane([Landmark; 3]),
}

/// What a section's length follows.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", deny_unknown_fields)]
pub enum Guide {
    /// The guide travels along: each section is as long as the one before, plus what the hand adds each time.
    Travelling {
        /// What is added by mistake from one section to the next, mm: 0 for a hand that copies exactly.
        #[serde(default)]
        drift_mm: f64,
    },
    /// The guide stays where the first section was cut; all others are brought to it.
    Stationary,
    /// Each section runs past the one before by a step.
    Floating {
        /// The step, mm.
        step_mm: f64,
    },
    /// No guide: each section is measured afresh.
    #[default]
    Free,
}

/// How the fingers lie.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields, default)]
pub struct Fingers {
    /// The line they follow.
    pub shape: FingerShape,
    /// How far they open from that line, degrees: hair gets longer towards `longer_toward`.
    #[serde(skip_serializing_if = "is_zero")]
    pub slant_deg: f64,
    /// The end at which hair stays longer.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub longer_toward: Option<Landmark>,
}

fn is_zero(number: &f64) -> bool {
    *number == 0.0
}

/// The line the fingers follow.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum FingerShape {
    /// Curved along the head.
    #[default]
    AlongHead,
    /// Straight, from one end of the section to the other.
    Straight,
    /// Straight and parallel to the floor.
    Level,
}

impl Hold {
    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("lift_deg", self.lift_deg, LIFT, "°");
        faults.take("over", self.over.check());
        faults.or(())
    }

    /// Unit vector in which hair of this lift leaves the scalp at the direction `d`.
    pub(super) fn away(&self, scalp: &Scalp, d: &Vec3) -> Vec3 {
        let normal = scalp.form.normal(d);
        let up = Vec3::y();
        // On top of the head nothing is downhill: there hair falls to the back.
        let tangent = |v: Vec3| v - normal * normal.dot(&v);
        let downhill = tangent(-up);
        let falls = if downhill.norm() > 1e-6 { downhill } else { tangent(-Vec3::z()) }.normalize();
        let lift = self.lift_deg.to_radians();
        if self.lift_deg <= 90.0 {
            falls * lift.cos() + normal * lift.sin()
        } else {
            // From square to the scalp on to straight up, by equal angles.
            let whole = normal.dot(&up).clamp(-1.0, 1.0).acos();
            if whole < 1e-9 {
                return normal;
            }
            let turned = whole * (self.lift_deg - 90.0) / 90.0;
            (normal * (whole - turned).sin() + up * turned.sin()) / whole.sin()
        }
    }
}

impl Over {
    #[must_use]
    pub(super) fn mirrored(self) -> Self {
        match self {
            Self::Landmark(landmark) => Self::Landmark(landmark.mirrored()),
            Self::Plane(through) => Self::Plane(through.map(Landmark::mirrored)),
            other => other,
        }
    }

    /// The direction over which hair based at `d` is held, `own` being its place along the section.
    pub(super) fn base(self, scalp: &Scalp, d: Vec3, own: f64, previous: Option<&Section>) -> Vec3 {
        match self {
            Self::OwnBase => d,
            Self::Previous => previous.map_or(d, |section| section.base(own)),
            Self::Centre => {
                let middle = Vec3::new(0.0, d.y, d.z);
                if middle.norm() > 1e-9 { middle.normalize() } else { Vec3::y() }
            }
            Self::Landmark(landmark) => scalp.direction(landmark),
            Self::Plane(through) => {
                let [a, b, c] = through.map(|landmark| scalp.point(landmark));
                let Some(across) = (b - a).cross(&(c - a)).try_normalize(1e-6) else { return d };
                let p = scalp.form.point(&d);
                (p - across * across.dot(&(p - a))).try_normalize(1e-6).unwrap_or(d)
            }
        }
    }

    /// Three landmarks make a plane if no two are the same: none of them lie in line.
    fn check(self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if let Self::Plane([a, b, c]) = self
            && (a == b || b == c || a == c)
        {
            let why = "names a landmark twice; a plane needs three".into();
            faults.push("plane", crate::Problem::Contradicts { why });
        }
        faults.or(())
    }
}

impl Guide {
    pub(super) fn check(self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        match self {
            Self::Travelling { drift_mm } => faults.range("travelling.drift_mm", drift_mm, STEP_MM, "mm"),
            Self::Floating { step_mm } => faults.range("floating.step_mm", step_mm, STEP_MM, "mm"),
            Self::Stationary | Self::Free => {}
        }
        faults.or(())
    }

    /// What is added to the first section's length in the section of this number, mm.
    pub(super) fn added_mm(self, number: usize) -> f64 {
        match self {
            Self::Travelling { drift_mm: step } | Self::Floating { step_mm: step } => step * number as f64,
            Self::Stationary | Self::Free => 0.0,
        }
    }
}

impl Fingers {
    #[must_use]
    pub(super) fn mirrored(self) -> Self {
        Self { longer_toward: self.longer_toward.map(Landmark::mirrored), ..self }
    }

    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("slant_deg", self.slant_deg, SLANT, "°");
        if self.slant_deg != 0.0 && self.longer_toward.is_none() {
            faults.push("longer_toward", crate::Problem::Missing);
        }
        faults.or(())
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::{Felt, Hairline, HeadForm, Measures, direction};

    fn head() -> (HeadForm, Hairline) {
        let measures = Measures::default();
        let form = HeadForm::of(&measures, Felt::default()).expect("an ordinary head");
        let hairline = Hairline::of(&form, &measures);
        (form, hairline)
    }

    fn away(lift_deg: f64, d: &Vec3) -> Vec3 {
        let (form, hairline) = head();
        Hold { lift_deg, over: Over::OwnBase }.away(&Scalp { form: &form, hairline: &hairline }, d)
    }

    #[test]
    fn a_lift_of_90_is_square_to_the_scalp_0_lies_on_it_and_180_is_straight_up() {
        let (form, _) = head();
        for i in 0..60 {
            let d = direction(f64::from(i) * 0.9, (f64::from(i) * 0.37).sin());
            let normal = form.normal(&d);
            assert!((away(90.0, &d) - normal).norm() < 1e-9);
            assert!(away(0.0, &d).dot(&normal).abs() < 1e-9);
            assert!(away(0.0, &d).y <= 1e-9, "it falls");
            assert!((away(180.0, &d) - Vec3::y()).norm() < 1e-6);
        }
    }

    #[test]
    fn a_lift_turns_evenly_and_stays_of_unit_length() {
        let d = direction(2.0, 0.3);
        let mut last = away(0.0, &d);
        for step in 1..=36 {
            let now = away(5.0 * f64::from(step), &d);
            assert!((now.norm() - 1.0).abs() < 1e-9);
            let turned = now.dot(&last).clamp(-1.0, 1.0).acos().to_degrees();
            assert!(turned > 0.5 && turned < 6.0, "{step}: {turned}");
            last = now;
        }
    }

    #[test]
    fn what_the_hand_adds_counts_sections() {
        assert_eq!(Guide::Floating { step_mm: 3.0 }.added_mm(4), 12.0);
        assert_eq!(Guide::Travelling { drift_mm: -1.5 }.added_mm(2), -3.0);
        assert_eq!(Guide::Stationary.added_mm(9), 0.0);
        assert_eq!(Guide::Free.added_mm(9), 0.0);
    }

    #[test]
    fn hair_carried_to_the_middle_is_held_over_the_middle() {
        let (form, hairline) = head();
        let scalp = Scalp { form: &form, hairline: &hairline };
        let d = direction(1.2, 0.6);
        let over = Over::Centre.base(&scalp, d, 0.5, None);
        assert!(over.x.abs() < 1e-12 && (over.norm() - 1.0).abs() < 1e-12);
        assert_eq!(Over::OwnBase.base(&scalp, d, 0.5, None), d);
        assert_eq!(Over::Previous.base(&scalp, d, 0.5, None), d, "the first section has none before it");
        let over_ears = [Landmark::EarTopLeft, Landmark::Apex, Landmark::EarTopRight];
        let on_plane = form.point(&Over::Plane(over_ears).base(&scalp, d, 0.5, None));
        let [a, b, c] = over_ears.map(|landmark| scalp.point(landmark));
        let off = (b - a).cross(&(c - a)).normalize().dot(&(on_plane - a));
        assert!(off.abs() < 2.0, "carried to the plane over the ears: {off} mm off it");
        let twice = Hold { lift_deg: 90.0, over: Over::Plane([Landmark::Apex; 3]) };
        assert_eq!(twice.check().expect_err("no plane").0[0].field, "over.plane");
        let crown = Over::Landmark(Landmark::Crown).base(&scalp, d, 0.5, None);
        assert_eq!(crown, Landmark::Crown.direction(&hairline));
    }
}
