//! Where the zones and their halves are seen on the drawn head: outlines of what this client's scalp shows from a side.
//!
//! A zone is all that lies nearer to its middle than to another's, above the hairline; what is seen of it from a side is one
//! piece without hollows but for the hairline, so its edge is met once along each great circle out of its middle.

use super::form::{HeadForm, Vec3};
use super::hairline::Hairline;
use super::patch::{Patch, ZoneHalf};
use super::roots::{halfway, lattice, zone_at, zone_centre};
use serde::{Deserialize, Serialize};
use std::f64::consts::{PI, TAU};

/// Points round an outline.
const ROUND: usize = 60;
/// Steps outward in search of the edge, radians, and halvings of the one that crosses it: to 0.02 mm on a scalp.
const STRIDE: f64 = 0.07;
const HALVINGS: usize = 9;
/// Directions tried for the middle of what is seen: one for about a square centimetre.
const TRIED: usize = 1000;
/// Least share of them that a patch must fill to be drawn: slivers at the edge can't be pressed.
const LEAST: usize = 4;

/// A side from which the head is drawn.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum HeadView {
    /// From the client's left: the face looks left.
    Left,
    /// From the client's right: the face looks right.
    Right,
    /// From behind.
    Behind,
    /// From above: the face looks down the page.
    Above,
    /// From the front.
    Front,
    /// From between the front and the client's left: three quarters of the face.
    FrontLeft,
    /// From between the front and the client's right.
    FrontRight,
}

impl HeadView {
    /// Every view.
    pub const ALL: [Self; 7] =
        [Self::Left, Self::Right, Self::Behind, Self::Above, Self::Front, Self::FrontLeft, Self::FrontRight];
    /// How far from the front the view between front and left is turned, degrees.
    const FRONT_LEFT_TURN: f64 = 40.0;
    /// The views that sections are drawn in; of two that show as much the earlier is the usual one.
    pub(crate) const SECTIONS: [Self; 4] = [Self::Left, Self::Right, Self::Behind, Self::Above];
    /// The views that zones are drawn in.
    const ZONES: [Self; 3] = [Self::Left, Self::Right, Self::Behind];

    /// How far from the front it is turned towards the client's left, degrees; none from above.
    pub fn turn_deg(self) -> Option<f64> {
        Some(match self {
            Self::Front => 0.0,
            Self::FrontLeft => Self::FRONT_LEFT_TURN,
            Self::Left => 90.0,
            Self::Behind => 180.0,
            Self::Right => 270.0,
            Self::FrontRight => -Self::FRONT_LEFT_TURN,
            Self::Above => return None,
        })
    }

    /// The direction towards whoever looks.
    pub(crate) fn eye(self) -> Vec3 {
        let Some(turn) = self.turn_deg() else { return Vec3::y() };
        let (sin, cos) = turn.to_radians().sin_cos();
        Vec3::new(sin, 0.0, cos)
    }

    /// The directions to the right and down the page.
    pub(crate) fn page(self) -> [Vec3; 2] {
        match self {
            Self::Above => [Vec3::x(), Vec3::z()],
            _ => [Vec3::y().cross(&self.eye()), -Vec3::y()],
        }
    }

    /// A place as it is drawn, mm: to the right and down from the ear canals.
    pub(crate) fn drawn(self, place: &Vec3) -> [f64; 2] {
        self.page().map(|axis| axis.dot(place))
    }
}

/// What is seen of a patch from a side.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PatchOutline {
    /// From which side.
    pub view: HeadView,
    /// Which patch.
    pub patch: Patch,
    /// Its edge, mm to the right and down from the ear canals.
    pub edge: Vec<[f64; 2]>,
    /// Its middle.
    pub middle: [f64; 2],
}

/// The edge between the halves of a zone: the direction into one of them, and how far along it the other ends.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(crate) struct Seam {
    /// Unit vector along the scalp, at the zone's middle, into the half.
    pub into: Vec3,
    /// Its dot product with directions on the seam.
    pub at: f64,
}

impl Seam {
    /// The seam of a half.
    pub fn of(patch: Patch, hairline: &Hairline) -> Option<Self> {
        let middle = zone_centre(patch.zone, hairline);
        let toward = match patch.half? {
            ZoneHalf::Left => Vec3::x(),
            ZoneHalf::Right => -Vec3::x(),
            ZoneHalf::Front => Vec3::z(),
            ZoneHalf::Behind => -Vec3::z(),
            ZoneHalf::Upper => Vec3::y(),
            ZoneHalf::Under => -Vec3::y(),
        };
        let into = (toward - middle * toward.dot(&middle)).normalize();
        Some(Self { into, at: halfway(patch.zone, &into, hairline) })
    }
}

/// The middle line of the skull from the left, from the front hairline over the top to the nape.
pub(crate) fn skull(form: &HeadForm, hairline: &Hairline) -> Vec<[f64; 2]> {
    let (front, nape) = (hairline.elevation(0.0), PI - hairline.elevation(PI));
    let at = |i: usize| {
        let (sin, cos) = (front + (nape - front) * i as f64 / ROUND as f64).sin_cos();
        HeadView::Left.drawn(&form.point(&Vec3::new(0.0, sin, cos)))
    };
    (0..=ROUND).map(at).collect()
}

/// Whether a direction lies in a patch.
fn test(patch: Patch, hairline: &Hairline) -> impl Fn(&Vec3) -> bool {
    let seam = Seam::of(patch, hairline);
    let nearest = zone_at(hairline);
    move |d| {
        hairline.above(d) >= 0.0
            && nearest(d) == patch.zone
            && seam.is_none_or(|seam| d.dot(&seam.into) >= seam.at)
    }
}

/// The outlines of some patches from every side from which they are seen.
pub(crate) fn outlines(patches: &[Patch], form: &HeadForm, hairline: &Hairline) -> Vec<PatchOutline> {
    let tried: Vec<Vec3> = lattice(TRIED).collect();
    let outlines = patches.iter().flat_map(|patch| {
        let holds = test(*patch, hairline);
        let within: Vec<&Vec3> = tried.iter().filter(|d| holds(d)).collect();
        HeadView::ZONES.map(|view| {
            let eye = view.eye();
            let seen = |d: &Vec3| d.dot(&eye) >= 0.0 && holds(d);
            let visible: Vec<&Vec3> = within.iter().copied().filter(|d| d.dot(&eye) >= 0.0).collect();
            let sum: Vec3 = visible.iter().copied().sum();
            let middle = sum.try_normalize(1e-9).filter(|middle| visible.len() >= LEAST && seen(middle))?;
            let drawn = |d: &Vec3| view.drawn(&form.point(d));
            let edge = edge(&middle, seen).iter().map(drawn).collect();
            Some(PatchOutline { view, patch: *patch, edge, middle: drawn(&middle) })
        })
    });
    outlines.flatten().collect()
}

/// The places where great circles out of the middle leave what is seen.
fn edge(middle: &Vec3, seen: impl Fn(&Vec3) -> bool) -> Vec<Vec3> {
    let side = if middle.y.abs() < 0.9 { Vec3::y() } else { Vec3::z() };
    let one = side.cross(middle).normalize();
    let other = middle.cross(&one);
    (0..ROUND)
        .map(|i| {
            let (sin, cos) = (TAU * i as f64 / ROUND as f64).sin_cos();
            let out = one * cos + other * sin;
            let at = |angle: f64| middle * angle.cos() + out * angle.sin();
            let mut beyond = STRIDE;
            while beyond < PI && seen(&at(beyond)) {
                beyond += STRIDE;
            }
            let mut within = beyond - STRIDE;
            for _ in 0..HALVINGS {
                let between = 0.5 * (within + beyond);
                if seen(&at(between)) { within = between } else { beyond = between }
            }
            at(within)
        })
        .collect()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::{Measures, SkullForm, Zone, mirror, ordinary_head as head, roots};

    /// Whether a drawn place lies inside an outline: by the crossings of a line to the right.
    fn holds(edge: &[[f64; 2]], [x, y]: [f64; 2]) -> bool {
        let sides = edge.iter().zip(edge.iter().cycle().skip(1));
        let crossed = sides.filter(|([ax, ay], [bx, by])| {
            (*ay > y) != (*by > y) && x < ax + (y - ay) / (by - ay) * (bx - ax)
        });
        crossed.count() % 2 == 1
    }

    #[test]
    fn a_place_pressed_on_the_drawing_lies_in_the_zone_that_its_hair_belongs_to() {
        let (form, hairline) = head();
        let zones = Zone::ALL.map(Patch::from);
        let outlines = outlines(&zones, &form, &hairline);
        let (mut asked, mut right) = (0, 0);
        for root in roots(&form, &hairline, 4096) {
            for view in HeadView::ZONES.into_iter().filter(|view| root.at.dot(&view.eye()) > 8.0) {
                let place = view.drawn(&root.at);
                let pressed: Vec<Zone> = outlines
                    .iter()
                    .filter(|outline| outline.view == view && holds(&outline.edge, place))
                    .map(|outline| outline.patch.zone)
                    .collect();
                asked += 1;
                right += usize::from(pressed == [root.zone]);
            }
        }
        // Straight sides between the points of an outline cut off or take in a little, near edges only.
        assert!(asked > 4000 && right * 100 > 97 * asked, "{right} of {asked}");
    }

    #[test]
    fn the_skull_runs_from_the_front_hairline_over_the_top_to_the_nape_and_is_flatter_where_it_was_felt_so() {
        let (form, hairline) = head();
        let line = skull(&form, &hairline);
        let top = line.iter().map(|[_, y]| -y).fold(0.0, f64::max);
        assert!((top - form.top_mm()).abs() < 0.5, "{top}");
        let back = |line: &[[f64; 2]]| line.iter().map(|[x, _]| *x).fold(0.0, f64::max);
        let flatter = SkullForm { occiput: -1.0, crown: 0.0 };
        let flat = HeadForm::of(&Measures::default(), flatter).expect("possible");
        assert!(back(&line) > back(&skull(&flat, &hairline)) + 2.0);
        assert!(line[0][0] < 0.0 && line[0][1] < 0.0 && line[ROUND][0] > 0.0 && line[ROUND][1] > 0.0);
    }

    #[test]
    fn halves_are_seen_from_where_they_lie_and_the_right_is_the_mirror_image_of_the_left() {
        let (form, hairline) = head();
        let half = |zone, half| Patch { zone, half: Some(half) };
        let patches = [
            half(Zone::LeftSide, ZoneHalf::Front),
            half(Zone::LeftSide, ZoneHalf::Behind),
            half(Zone::Nape, ZoneHalf::Left),
            half(Zone::Nape, ZoneHalf::Right),
            half(Zone::BackUpper, ZoneHalf::Upper),
            half(Zone::BackUpper, ZoneHalf::Under),
            Zone::Fringe.into(),
        ];
        let all = outlines(&patches, &form, &hairline);
        let from = |patch: &Patch| -> Vec<HeadView> {
            all.iter().filter(|outline| outline.patch == *patch).map(|outline| outline.view).collect()
        };
        use HeadView::{Behind, Left, Right};
        assert!(from(&patches[0]).contains(&Left) && !from(&patches[0]).contains(&Right));
        assert_eq!(from(&patches[1]), [Left, Behind]);
        assert_eq!((from(&patches[2]), from(&patches[3])), (vec![Left, Behind], vec![Right, Behind]));
        assert_eq!(from(&patches[6]), [Left, Right], "a fringe is not seen from behind");
        let seen = |view, patch| all.iter().find(|o| o.view == view && o.patch == patch).expect("it is seen");
        let (upper, under) = (seen(Behind, patches[4]), seen(Behind, patches[5]));
        assert!(upper.middle[1] < under.middle[1] - 10.0);
        let (one, other) = (seen(Left, patches[2]), seen(Right, patches[3]));
        assert!((one.middle[0] + other.middle[0]).abs() < 1.0, "{:?} {:?}", one.middle, other.middle);
        let mirrored = mirror(&Vec3::new(1.0, 2.0, 3.0));
        assert_eq!(Left.drawn(&Vec3::new(1.0, 2.0, 3.0))[0], -Right.drawn(&mirrored)[0]);
    }
}
