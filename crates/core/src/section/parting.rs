//! A parting: a plane through landmarks, straight or zigzag.

use super::Anchor;
use crate::error::{FieldErrors, Problem};
use crate::head::{Landmark, Scalp, Vec3};
use serde::{Deserialize, Serialize};
use std::f64::consts::PI;

/// Sine of the least angle between the lines to a parting's points, about 2°: below it they don't say which way it runs.
const LEAST_SPREAD: f64 = 0.035;
/// Amplitude of a zigzag, mm.
const ZIGZAG_MM: (f64, f64) = (1.0, 30.0);

/// Where hair is parted. Two landmarks: straight from one to the other, square to the scalp. Three: the plane through them.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Parting {
    /// Two or three landmarks, or places so far from one; none where it is the client's own parting.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(value_type = Vec<super::AnchorForm>))]
    pub through: Vec<Anchor>,
    /// Along the client's own parting, as it was read.
    #[serde(default, skip_serializing_if = "is_false")]
    pub own: bool,
    /// How far the teeth of a zigzag go to either side, mm, 1 to 30; a tooth is twice as long. Straight if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub zigzag_mm: Option<f64>,
}

fn is_false(flag: &bool) -> bool {
    !flag
}

/// A parting laid on a head.
#[derive(Debug, Clone, Copy)]
pub struct Cutting {
    normal: Vec3,
    offset: f64,
    along: Vec3,
    zigzag_mm: Option<f64>,
}

impl Parting {
    /// A straight parting.
    pub fn through(landmarks: &[Landmark]) -> Self {
        Self { through: landmarks.iter().copied().map(Anchor::from).collect(), own: false, zigzag_mm: None }
    }

    /// The client's own parting.
    pub fn own() -> Self {
        Self { through: Vec::new(), own: true, zigzag_mm: None }
    }

    /// The same parting on the other side of the head; the client's own is where it is.
    #[must_use]
    pub fn mirrored(&self) -> Self {
        Self { through: self.through.iter().map(|l| l.mirrored()).collect(), ..self.clone() }
    }

    /// Lays it on a head; points that don't say which way it runs are a fault.
    pub fn on(&self, scalp: &Scalp) -> Result<Cutting, FieldErrors> {
        let mut faults = FieldErrors::default();
        if let Some(zigzag) = self.zigzag_mm {
            faults.range("zigzag_mm", zigzag, ZIGZAG_MM, "mm");
        }
        for (i, anchor) in self.through.iter().enumerate() {
            faults.take(&format!("through.{i}"), anchor.check());
        }
        if self.own {
            if !self.through.is_empty() {
                faults.push("through", Problem::contradicts("fault-two-partings"));
            }
            return faults.or(Cutting {
                normal: Vec3::x(),
                offset: scalp.part_mm,
                along: Vec3::z(),
                zigzag_mm: self.zigzag_mm,
            });
        }
        if !faults.0.is_empty() {
            return Err(faults);
        }
        let points: Vec<Vec3> = self.through.iter().map(|anchor| anchor.point(scalp)).collect();
        let (from, one, other) = match points[..] {
            // The plane through the middle of the head meets the scalp squarely.
            [a, b] => (Vec3::zeros(), a, b),
            [a, b, c] => (a, b, c),
            _ => {
                faults.push("through", Problem::contradicts("fault-parting-landmarks"));
                return Err(faults);
            }
        };
        let normal = (one - from).cross(&(other - from));
        let spread = normal.norm() / ((one - from).norm() * (other - from).norm());
        if spread.is_nan() || spread < LEAST_SPREAD {
            faults.push("through", Problem::contradicts("fault-parting-in-line"));
        }
        let normal = normal.normalize();
        let along = (points[points.len() - 1] - points[0]).normalize();
        faults.or(Cutting { normal, offset: normal.dot(&from), along, zigzag_mm: self.zigzag_mm })
    }
}

impl Cutting {
    /// How far a point lies from the parting, mm, with the sign of its side.
    pub fn side_mm(&self, p: &Vec3) -> f64 {
        let straight = self.normal.dot(p) - self.offset;
        match self.zigzag_mm {
            None => straight,
            Some(amplitude) => {
                // A triangle wave of the place along the parting.
                let phase = self.along.dot(p) * PI / (2.0 * amplitude);
                straight - amplitude * (2.0 / PI) * phase.sin().asin()
            }
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::{mirror, ordinary_head as head};

    #[test]
    fn a_centre_part_tells_left_from_right_by_the_distance_from_the_middle() {
        let (form, hairline) = head();
        let scalp = Scalp::plain(&form, &hairline);
        let middle =
            Parting::through(&[Landmark::HairlineCentre, Landmark::Crown]).on(&scalp).expect("it runs");
        for landmark in Landmark::ALL {
            let at = scalp.point(landmark);
            assert!((middle.side_mm(&at).abs() - at.x.abs()).abs() < 1e-9, "{landmark:?}");
        }
        let (left, right) = (scalp.point(Landmark::TempleLeft), scalp.point(Landmark::TempleRight));
        assert!(middle.side_mm(&left) * middle.side_mm(&right) < 0.0);
    }

    #[test]
    fn a_parting_runs_through_its_landmarks() {
        let (form, hairline) = head();
        let scalp = Scalp::plain(&form, &hairline);
        for through in [
            vec![Landmark::Apex, Landmark::MastoidLeft],
            vec![Landmark::ParietalLeft, Landmark::Crown, Landmark::ParietalRight],
            vec![Landmark::RecessionLeft, Landmark::Occipital, Landmark::RecessionRight],
        ] {
            let parting = Parting::through(&through);
            let cutting = parting.on(&scalp).expect("it runs");
            for landmark in through {
                assert!(cutting.side_mm(&scalp.point(landmark)).abs() < 1e-9, "{landmark:?}");
            }
        }
    }

    #[test]
    fn a_zigzag_stays_within_its_amplitude_and_uses_all_of_it() {
        let (form, hairline) = head();
        let scalp = Scalp::plain(&form, &hairline);
        let straight = Parting::through(&[Landmark::EarTopLeft, Landmark::Apex, Landmark::EarTopRight]);
        let zigzag = Parting { zigzag_mm: Some(6.0), ..straight.clone() };
        let (straight, zigzag) = (straight.on(&scalp).expect("it runs"), zigzag.on(&scalp).expect("it runs"));
        let away: Vec<f64> = (0..400)
            .map(|i| {
                let p = Vec3::new(f64::from(i) * 0.3 - 60.0, 100.0, 10.0);
                zigzag.side_mm(&p) - straight.side_mm(&p)
            })
            .collect();
        let most = away.iter().copied().fold(0.0, f64::max);
        let least = away.iter().copied().fold(0.0, f64::min);
        assert!(most <= 6.0 + 1e-9 && least >= -6.0 - 1e-9);
        assert!(most > 5.7 && least < -5.7, "{least} {most}");
    }

    #[test]
    fn the_mirror_image_of_a_parting_parts_the_mirror_image() {
        let (form, hairline) = head();
        let scalp = Scalp::plain(&form, &hairline);
        let parting = Parting::through(&[Landmark::BrowLeft, Landmark::Crown, Landmark::MastoidLeft]);
        let (one, other) =
            (parting.on(&scalp).expect("it runs"), parting.mirrored().on(&scalp).expect("it runs"));
        for landmark in Landmark::ALL {
            let at = scalp.point(landmark);
            assert!((one.side_mm(&at).abs() - other.side_mm(&mirror(&at)).abs()).abs() < 1e-9);
        }
    }
}
