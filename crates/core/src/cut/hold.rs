//! How a section is held, guided and cut along.

use super::ranges::{ELEVATION_DEG, SHARE, SLANT_DEG};
use crate::error::{FieldErrors, Problem};
use crate::head::{Landmark, Scalp, Vec3};
use serde::{Deserialize, Serialize};

/// Steps by which a floating guide moves out, mm.
const STEP_MM: (f64, f64) = (-50.0, 50.0);
/// How far the line of the fingers bows, mm.
const BOW_MM: (f64, f64) = (-80.0, 80.0);
/// How far the head is tilted, degrees.
const TILT: (f64, f64) = (-60.0, 60.0);

/// Elevation and over-direction of a subsection.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Hold {
    /// Elevation from the natural fall, degrees: 0 falls, 90 stands square to the scalp, 180 straight up.
    #[serde(alias = "lift_deg")]
    pub elevation_deg: f64,
    /// Where it is over-directed to.
    #[serde(default)]
    #[serde(alias = "over")]
    pub over_direction: OverDirection,
    /// Which share of the distance there, 0 to 1: all of it if left out.
    #[serde(default = "whole", skip_serializing_if = "is_whole")]
    pub share: f64,
    /// How the client's head is tilted meanwhile.
    #[serde(default, skip_serializing_if = "HeadTilt::is_upright")]
    pub tilt: HeadTilt,
}

pub(super) fn whole() -> f64 {
    1.0
}

fn is_whole(share: &f64) -> bool {
    *share == 1.0
}

/// How a head is tilted: the plumb line then runs another way through it.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields, default)]
pub struct HeadTilt {
    /// Forward, chin to chest, degrees, −60 to 60.
    pub forward_deg: f64,
    /// To the client's left shoulder, degrees, −60 to 60.
    pub left_deg: f64,
}

impl HeadTilt {
    fn is_upright(&self) -> bool {
        *self == Self::default()
    }

    /// Which way is up in the frame of the head.
    pub(super) fn up(&self) -> Vec3 {
        let ((sin, cos), (sin_left, cos_left)) =
            (self.forward_deg.to_radians().sin_cos(), self.left_deg.to_radians().sin_cos());
        Vec3::new(-sin_left, cos_left * cos, -cos_left * sin)
    }
}

/// A direction in the room, seen from the client.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Direction {
    /// Towards where the face looks.
    Forward,
    /// Straight back.
    Back,
    /// Straight up.
    Up,
    /// Straight down.
    Down,
    /// To the client's left.
    Left,
    /// To the client's right.
    Right,
    /// Straight out from the head where it grows.
    Out,
}

impl Direction {
    /// The unit vector, where hair grows whose scalp faces this way.
    pub(super) fn vector(self, normal: &Vec3) -> Vec3 {
        match self {
            Self::Out => *normal,
            Self::Forward => Vec3::z(),
            Self::Back => -Vec3::z(),
            Self::Up => Vec3::y(),
            Self::Down => -Vec3::y(),
            Self::Left => Vec3::x(),
            Self::Right => -Vec3::x(),
        }
    }

    #[must_use]
    pub(super) fn mirrored(self) -> Self {
        match self {
            Self::Left => Self::Right,
            Self::Right => Self::Left,
            other => other,
        }
    }
}

/// Where a section is carried to before it is cut.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum OverDirection {
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
    /// Over its own base, but pulled this way.
    Toward(Direction),
}

/// What a section's length follows.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", deny_unknown_fields)]
pub enum Guide {
    /// The guide travels along: the ends of the section before are picked up with the next one, both are held together over
    /// the middle between their roots, and the fingers close where the guide ends.
    Travelling {
        /// What is added by mistake from one section to the next, mm: 0 for a hand that copies exactly.
        #[serde(default)]
        drift_mm: f64,
        /// Share of the hair in the hand that is guide, 0 to 1: the more of it, the nearer to its roots both are held. Half
        /// if left out.
        #[serde(default = "half", skip_serializing_if = "is_half")]
        guide_share: f64,
    },
    /// The guide stays where the first section was cut; all others are brought to it.
    Stationary,
    /// As travelling, but the hand closes a step past the end of the guide.
    Floating {
        /// The step, mm.
        step_mm: f64,
    },
    /// No guide: each section is measured on itself.
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
    /// How far the line bows out between its ends, mm, −80 to 80: hair is longer (convex) or, below 0, shorter (concave) in
    /// the middle.
    #[serde(skip_serializing_if = "is_zero")]
    pub bow_mm: f64,
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
    /// Straight and upright.
    Vertical,
    /// Square to the hair they hold, wherever along the section: held low that stacks, at 90° it is uniform, past 90° it is
    /// shorter above. The length is that over the place nearest to where the sections start.
    SquareToHair,
}

fn half() -> f64 {
    0.5
}

fn is_half(share: &f64) -> bool {
    *share == 0.5
}

impl Hold {
    /// Hair held on base at an elevation, the head upright.
    pub fn at(elevation_deg: f64) -> Self {
        Self { elevation_deg, over_direction: OverDirection::OwnBase, share: 1.0, tilt: HeadTilt::default() }
    }

    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("elevation_deg", self.elevation_deg, ELEVATION_DEG, "°");
        faults.take("over_direction", self.over_direction.check());
        faults.range("share", self.share, SHARE, "share");
        faults.range("tilt.forward_deg", self.tilt.forward_deg, TILT, "°");
        faults.range("tilt.left_deg", self.tilt.left_deg, TILT, "°");
        faults.or(())
    }

    #[must_use]
    pub(super) fn mirrored(self) -> Self {
        let tilt = HeadTilt { left_deg: -self.tilt.left_deg, ..self.tilt };
        Self { over_direction: self.over_direction.mirrored(), tilt, ..self }
    }

    /// Where over the scalp hair is held that would be held over the direction `d`, given the section before.
    pub(super) fn base(&self, scalp: &Scalp, d: Vec3, before: Option<Vec3>) -> Vec3 {
        let to = self.over_direction.base(scalp, d, before);
        (d * (1.0 - self.share) + to * self.share).try_normalize(1e-9).unwrap_or(to)
    }

    /// Unit vector in which hair of this elevation leaves the scalp at the direction `d`.
    pub(super) fn away(&self, scalp: &Scalp, d: &Vec3) -> Vec3 {
        let normal = scalp.form.normal(d);
        let up = self.tilt.up();
        // Hair lies on the scalp while that slopes down, and hangs free where it turns under. On the very top of the head
        // nothing is downhill: there hair falls to the back.
        let downhill = -up + normal * normal.dot(&up).max(0.0);
        let falls =
            downhill.try_normalize(1e-6).unwrap_or_else(|| (-Vec3::z() + normal * normal.z).normalize());
        let lifted = if self.elevation_deg <= 90.0 {
            turned(&falls, &normal, self.elevation_deg / 90.0)
        } else {
            // From square to the scalp on to straight up, by equal angles.
            turned(&normal, &up, (self.elevation_deg - 90.0) / 90.0)
        };
        match self.over_direction {
            OverDirection::Toward(direction) => turned(&lifted, &direction.vector(&normal), self.share),
            _ => lifted,
        }
    }
}

/// The unit vector a share of the way from one to another, by equal angles.
fn turned(from: &Vec3, to: &Vec3, share: f64) -> Vec3 {
    let (whole_sin, whole_cos) = (from.cross(to).norm(), from.dot(to));
    if whole_sin < 1e-9 {
        return if share < 0.5 { *from } else { *to };
    }
    let (sin, cos) = (share * whole_sin.atan2(whole_cos)).sin_cos();
    (from * (whole_sin * cos - whole_cos * sin) + to * sin) / whole_sin
}

impl OverDirection {
    #[must_use]
    pub(super) fn mirrored(self) -> Self {
        match self {
            Self::Landmark(landmark) => Self::Landmark(landmark.mirrored()),
            Self::Plane(through) => Self::Plane(through.map(Landmark::mirrored)),
            Self::Toward(direction) => Self::Toward(direction.mirrored()),
            other => other,
        }
    }

    /// The direction over which hair based at `d` is held, `before` being the base of the section before beside it.
    fn base(self, scalp: &Scalp, d: Vec3, before: Option<Vec3>) -> Vec3 {
        match self {
            Self::OwnBase | Self::Toward(_) => d,
            Self::Previous => before.unwrap_or(d),
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
            faults.push("plane", Problem::contradicts("fault-plane"));
        }
        faults.or(())
    }
}

impl Guide {
    pub(super) fn check(self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        match self {
            Self::Travelling { drift_mm, guide_share } => {
                faults.range("travelling.drift_mm", drift_mm, STEP_MM, "mm");
                faults.range("travelling.guide_share", guide_share, SHARE, "share");
            }
            Self::Floating { step_mm } => faults.range("floating.step_mm", step_mm, STEP_MM, "mm"),
            Self::Stationary | Self::Free => {}
        }
        faults.or(())
    }

    /// A guide that is copied exactly.
    pub const TRAVELLING: Self = Self::Travelling { drift_mm: 0.0, guide_share: 0.5 };

    /// For a guide that is picked up with each section: how far past its end the hand closes, mm, and the guide's share of
    /// what is held.
    pub(super) fn carried(self) -> Option<(f64, f64)> {
        match self {
            Self::Travelling { drift_mm, guide_share } => Some((drift_mm, guide_share)),
            Self::Floating { step_mm } => Some((step_mm, half())),
            Self::Stationary | Self::Free => None,
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
        faults.range("slant_deg", self.slant_deg, SLANT_DEG, "°");
        faults.range("bow_mm", self.bow_mm, BOW_MM, "mm");
        if self.slant_deg != 0.0 && self.longer_toward.is_none() {
            faults.push("longer_toward", crate::Problem::Missing);
        }
        faults.or(())
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::{direction, ordinary_head as head};

    fn away(elevation_deg: f64, d: &Vec3) -> Vec3 {
        let (form, hairline) = head();
        Hold::at(elevation_deg).away(&Scalp::plain(&form, &hairline), d)
    }

    #[test]
    fn an_elevation_of_90_is_square_to_the_scalp_0_lies_on_it_and_180_is_straight_up() {
        let (form, _) = head();
        for i in 0..60 {
            let d = direction(f64::from(i) * 0.9, (f64::from(i) * 0.37).sin());
            let normal = form.normal(&d);
            assert!((away(90.0, &d) - normal).norm() < 1e-9);
            if normal.y > 0.0 {
                assert!(away(0.0, &d).dot(&normal).abs() < 1e-9, "it lies on the scalp");
            } else {
                assert!((away(0.0, &d) + Vec3::y()).norm() < 1e-9, "it hangs");
            }
            assert!(away(0.0, &d).y <= 1e-9, "it falls");
            assert!((away(180.0, &d) - Vec3::y()).norm() < 1e-6);
        }
    }

    #[test]
    fn an_elevation_turns_evenly_and_stays_of_unit_length() {
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
    fn a_head_bent_forward_falls_another_way_and_a_direction_turns_the_hold_by_its_share() {
        let (form, hairline) = head();
        let scalp = Scalp::plain(&form, &hairline);
        let d = direction(1.0, 0.6);
        let bent = Hold { tilt: HeadTilt { forward_deg: 30.0, left_deg: 0.0 }, ..Hold::at(180.0) };
        assert!((bent.away(&scalp, &d) - Vec3::new(0.0, 30f64.to_radians().cos(), -0.5)).norm() < 1e-9);
        let back = |share| {
            Hold { over_direction: OverDirection::Toward(Direction::Back), share, ..Hold::at(90.0) }
                .away(&scalp, &d)
        };
        assert!((back(0.0) - form.normal(&d)).norm() < 1e-9);
        assert!((back(1.0) + Vec3::z()).norm() < 1e-9);
        let angle = |a: Vec3, b: Vec3| a.dot(&b).clamp(-1.0, 1.0).acos();
        assert!((angle(back(0.5), back(0.0)) - angle(back(0.5), back(1.0))).abs() < 1e-6);
    }

    #[test]
    fn hair_carried_to_the_middle_is_held_over_the_middle() {
        let (form, hairline) = head();
        let scalp = Scalp::plain(&form, &hairline);
        let d = direction(1.2, 0.6);
        let over = OverDirection::Centre.base(&scalp, d, None);
        assert!(over.x.abs() < 1e-12 && (over.norm() - 1.0).abs() < 1e-12);
        assert_eq!(OverDirection::OwnBase.base(&scalp, d, None), d);
        assert_eq!(OverDirection::Previous.base(&scalp, d, None), d, "the first section has none before it");
        let over_ears = [Landmark::EarTopLeft, Landmark::Apex, Landmark::EarTopRight];
        let on_plane = form.point(&OverDirection::Plane(over_ears).base(&scalp, d, None));
        let [a, b, c] = over_ears.map(|landmark| scalp.point(landmark));
        let off = (b - a).cross(&(c - a)).normalize().dot(&(on_plane - a));
        assert!(off.abs() < 2.0, "carried to the plane over the ears: {off} mm off it");
        let twice = Hold { over_direction: OverDirection::Plane([Landmark::Apex; 3]), ..Hold::at(90.0) };
        assert_eq!(twice.check().expect_err("no plane").0[0].field, "over_direction.plane");
        let crown = OverDirection::Landmark(Landmark::Crown).base(&scalp, d, None);
        assert_eq!(crown, Landmark::Crown.direction(&hairline));
    }
}
