//! A line that hair is cut to as it hangs.

use crate::error::{FieldErrors, Problem};
use crate::head::{Measures, Place, Vec3};
use serde::{Deserialize, Serialize};

/// How far a head is bent, degrees; forward is positive.
const TILT: (f64, f64) = (-45.0, 60.0);

/// A perimeter: places behind, at the sides and in front, with a smooth line between them. One place alone is a square
/// line; a lower front is longer in front; raised sides make it round.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct FallLine {
    /// Height behind.
    pub behind: Place,
    /// Height in front; as behind if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub front: Option<Place>,
    /// Height at the sides; midway if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub side: Option<Place>,
    /// How far the head is bent forward while the line is cut, degrees, −45 to 60. Upright if left out.
    #[serde(default)]
    pub tilt_deg: f64,
    /// Whether the line is where the hair ends when it is worn: what its spring asks for is left longer, strand by strand. If
    /// not, it is cut along the line as it hangs on the comb, and springs up from there.
    #[serde(default, skip_serializing_if = "is_false")]
    pub worn: bool,
}

fn is_false(flag: &bool) -> bool {
    !flag
}

impl FallLine {
    /// A square line, on the comb.
    pub fn level(place: Place) -> Self {
        Self { behind: place, front: None, side: None, tilt_deg: 0.0, worn: false }
    }

    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        let places = [("behind", Some(self.behind)), ("front", self.front), ("side", self.side)];
        for (name, place) in places {
            if let Some(place) = place {
                faults.take(name, place.check());
            }
        }
        faults.range("tilt_deg", self.tilt_deg, TILT, "°");
        if self.worn && self.tilt_deg != 0.0 {
            faults.push("worn", Problem::contradicts("fault-worn-upright"));
        }
        faults.or(())
    }

    /// Length of hair that leaves the head at `leave` and reaches the line, mm; negative if the line lies above.
    ///
    /// With the head bent by the tilt the hair hangs along the plumb line as it lies in the head's own frame, and the
    /// scissors stay level in the room.
    pub(super) fn below_mm(&self, leave: &Vec3, measures: &Measures) -> f64 {
        let (sin, cos) = self.tilt_deg.to_radians().sin_cos();
        let up = Vec3::new(0.0, cos, -sin);
        // The line is laid through its height at the middle of the neck, whatever way the head is bent.
        let through = Vec3::new(0.0, self.height_mm(leave, measures), 0.0);
        up.dot(&(leave - through))
    }

    /// Height of the line below a point of the head, mm above the ear canals.
    pub fn height_mm(&self, at: &Vec3, measures: &Measures) -> f64 {
        let behind = self.behind.height_mm(measures);
        let front = self.front.map_or(behind, |place| place.height_mm(measures));
        let side = self.side.map_or(0.5 * (behind + front), |place| place.height_mm(measures));
        // Squares of the sine and the cosine of the way round.
        let per_square = 1.0 / (at.x * at.x + at.z * at.z).max(1e-18);
        let (sideways, along) = (at.x * at.x * per_square, at.z * at.z * per_square);
        let end = if at.z > 0.0 { front } else { behind };
        side * sideways + end * along
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::Point;

    fn place(point: Point) -> Place {
        Place { point, below_mm: 0.0 }
    }

    #[test]
    fn a_level_line_is_as_high_everywhere_and_a_longer_front_is_lower_there() {
        let measures = Measures::default();
        let chin = Point::Chin.height_mm(&measures);
        let level = FallLine::level(place(Point::Chin));
        let longer = FallLine { front: Some(place(Point::Collarbone)), ..level };
        for i in 0..36 {
            let (sin, cos) = f64::from(10 * i).to_radians().sin_cos();
            let at = Vec3::new(80.0 * sin, 0.0, 80.0 * cos);
            assert!((level.height_mm(&at, &measures) - chin).abs() < 1e-9);
            assert!(longer.height_mm(&at, &measures) <= chin + 1e-9);
        }
        let front = longer.height_mm(&Vec3::new(0.0, 0.0, 90.0), &measures);
        assert!((front - Point::Collarbone.height_mm(&measures)).abs() < 1e-9);
        assert!((longer.height_mm(&Vec3::new(0.0, 0.0, -90.0), &measures) - chin).abs() < 1e-9);
    }

    #[test]
    fn hair_cut_with_the_head_bent_forward_is_longer_behind_and_shorter_in_front() {
        let measures = Measures::default();
        let upright = FallLine::level(place(Point::Chin));
        let bent = FallLine { tilt_deg: 20.0, ..upright };
        let (front, behind) = (Vec3::new(0.0, 0.0, 90.0), Vec3::new(0.0, 0.0, -90.0));
        let below = |line: &FallLine, at: &Vec3| line.below_mm(at, &measures);
        assert!((below(&upright, &front) + Point::Chin.height_mm(&measures)).abs() < 1e-9);
        assert!(below(&bent, &behind) > below(&upright, &behind) + 15.0, "{}", below(&bent, &behind));
        assert!(below(&bent, &front) < below(&upright, &front) - 15.0);
    }
}
