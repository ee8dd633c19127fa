//! The person that carries the hair, drawn in the client's own proportions.
//!
//! One sketch ([`sketch`]) says what an ordinary adult looks like from the front, from the left and from above; [`fit`] moves each
//! of its points to where the client's measures put it; [`shape`] fills what lies between the sides, so that the same person is
//! seen from any angle and stands in space.

mod fit;
mod shape;
mod sketch;

use super::outline::HeadView;
use super::rings::rings;
use super::{Hairline, HeadForm, Measures, Vec3};
use fit::{Fit, mirrored, runs};
use kurbo::BezPath;
use serde::{Deserialize, Serialize};
pub(crate) use shape::Shape;
use shape::{broad, fits, profile};
use sketch::*;
use std::f64::consts::TAU;

/// What a line of the drawn person is: filled skin, body or feature, or one of three weights of line.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Ink {
    /// Neck and trunk.
    Body,
    /// Head and face.
    Head,
    /// An ear.
    Ear,
    /// The lips.
    Lips,
    /// A brow.
    Brow,
    /// A strong line.
    Firm,
    /// An ordinary line.
    Fine,
    /// A line that is hardly seen.
    Faint,
}

/// Lines of one ink.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PersonPart {
    /// What they are.
    pub ink: Ink,
    /// Each through these points, mm to the right and down from the ear canals.
    pub lines: Vec<Vec<[f32; 2]>>,
}

/// The person as they are drawn from a side.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PersonView {
    /// From which side.
    pub view: HeadView,
    /// What is drawn, from behind to in front.
    pub parts: Vec<PersonPart>,
    /// The edges of the scalp that hair grows on: to be filled where an odd number of them lies round a place.
    pub scalp: Vec<Vec<[f32; 2]>>,
}

/// The person from every side.
pub(crate) fn person(form: &HeadForm, hairline: &Hairline, measures: &Measures) -> Vec<PersonView> {
    let sketched = Sketched { form, hairline, measures, shape: Shape::new(form, hairline, measures) };
    let seen = |view: HeadView| PersonView {
        view,
        parts: sketched.from(view),
        scalp: rings(form, view, |d| hairline.above(d) >= 0.0),
    };
    HeadView::ALL.map(seen).into()
}

/// Lines of the face in space and of those ears, left and right, that aren't covered by hair, mm, a little off the skin.
pub(crate) fn face_in_space(
    shape: &Shape,
    form: &HeadForm,
    measures: &Measures,
    covered: [bool; 2],
) -> Vec<Vec<Vec3>> {
    let (front, side) = fits(form, measures);
    let bare = [1.0, -1.0].into_iter().zip(covered).filter(|(_, covered)| !covered);
    let ears = bare.flat_map(|(hand, _)| {
        let lines = EAR_SIDE.iter().flat_map(|line| runs(&side.path(line.path)));
        lines.map(move |run| run.iter().map(|at| ear(form, hand, at)).collect()).collect::<Vec<_>>()
    });
    let face = FACE_LINES.iter().filter(|line| line.ink != Ink::Faint).flat_map(|line| paths(&front, line));
    let on_skin = |at: &kurbo::Point| shape.skin(at.x, at.y) + Vec3::z() * 0.8;
    face.map(|run| run.iter().map(on_skin).collect()).chain(ears).collect()
}

/// An ear that is seen from the left, in space: it stands out behind where it begins.
fn ear(form: &HeadForm, hand: f64, at: &kurbo::Point) -> Vec3 {
    let beside = form.radius_mm(&Vec3::x()) - 1.0;
    Vec3::new(hand * (beside + 0.4 * (at.x - 4.0).max(0.0)), -at.y, -at.x)
}

/// The runs of a line, and of its mirror image if it has one.
fn paths(fit: &Fit, line: &Line) -> Vec<Vec<kurbo::Point>> {
    let path = fit.path(line.path);
    let mut all = runs(&path);
    if line.both {
        all.extend(runs(&mirrored(&path)));
    }
    all
}

struct Sketched<'a> {
    form: &'a HeadForm,
    hairline: &'a Hairline,
    measures: &'a Measures,
    shape: Shape<'a>,
}

impl Sketched<'_> {
    fn from(&self, view: HeadView) -> Vec<PersonPart> {
        let (front, side) = fits(self.form, self.measures);
        let all = |fit: &Fit, lines: &[Line]| -> Vec<PersonPart> {
            lines.iter().map(|line| part(line.ink, paths(fit, line))).collect()
        };
        let path = |ink, path: &BezPath| vec![part(ink, runs(path))];
        match view {
            HeadView::Front => [
                path(Ink::Body, &front.path(TRUNK)),
                all(&front, &BODY_LINES),
                all(&front, &EARS),
                path(Ink::Head, &broad(self.form, &front, FACE_FRONT)),
                all(&front, &FACE_LINES),
                all(&front, &[NOSE]),
            ]
            .concat(),
            HeadView::Behind => [
                all(&front, &EARS),
                path(Ink::Head, &broad(self.form, &front, NECK_BEHIND)),
                path(Ink::Body, &front.path(TRUNK)),
            ]
            .concat(),
            HeadView::Left | HeadView::Right => {
                let left = [
                    path(Ink::Body, &side.path(TRUNK_SIDE)),
                    path(Ink::Head, &profile(self.form, self.hairline, &side)),
                    all(&side, &EAR_SIDE),
                    all(&side, &SIDE_LINES),
                ]
                .concat();
                if view == HeadView::Left { left } else { left.into_iter().map(turned_over).collect() }
            }
            HeadView::FrontLeft | HeadView::FrontRight => {
                let left = self.three_quarters(&front, &side);
                if view == HeadView::FrontLeft { left } else { left.into_iter().map(turned_over).collect() }
            }
            HeadView::Above => self.above(&front),
        }
    }

    /// From between front and left: what the sketch shows from the front lies on the skin, and the nose shows its edge.
    fn three_quarters(&self, front: &Fit, side: &Fit) -> Vec<PersonPart> {
        let eye = HeadView::FrontLeft.eye();
        let drawn = |place: &Vec3| HeadView::FrontLeft.drawn(place);
        let [head, trunk] = self.shape.outlines(&eye);
        let closed = |ink, outline: Vec<[f64; 2]>| PersonPart {
            ink,
            lines: vec![outline.iter().chain(outline.first()).map(rounded).collect()],
        };
        let seen = |line: &Line| {
            let on_skin = |run: Vec<kurbo::Point>| -> Vec<Vec3> {
                run.iter().map(|at| self.shape.skin(at.x, at.y)).collect()
            };
            let visible = |place: &&Vec3| self.shape.faces(place).dot(&eye) > 0.0;
            let drawn = |run: Vec<Vec3>| run.iter().filter(visible).map(|p| rounded(&drawn(p))).collect();
            let lines = paths(front, line).into_iter().map(on_skin).map(drawn);
            PersonPart { ink: line.ink, lines: lines.filter(|line: &Vec<_>| line.len() > 1).collect() }
        };
        let edge = runs(&side.path(NOSE_EDGE)).into_iter().map(|run| {
            run.iter().map(|at| rounded(&drawn(&Vec3::new(0.0, -at.y, -at.x)))).collect::<Vec<_>>()
        });
        let nose = PersonPart { ink: Ink::Fine, lines: edge.collect() };
        let ears = EAR_SIDE.iter().map(|line| {
            let of = |run: Vec<kurbo::Point>| {
                run.iter().map(|at| rounded(&drawn(&ear(self.form, 1.0, at)))).collect()
            };
            PersonPart { ink: line.ink, lines: runs(&side.path(line.path)).into_iter().map(of).collect() }
        });
        [closed(Ink::Body, trunk), closed(Ink::Head, head)]
            .into_iter()
            .chain(FACE_LINES.iter().map(seen))
            .chain([nose, seen(&NOSE_WING)])
            .chain(ears)
            .collect()
    }

    fn above(&self, front: &Fit) -> Vec<PersonPart> {
        let (breadth, length) = (self.form.radius_mm(&Vec3::x()), self.form.radius_mm(&Vec3::z()));
        let round = (0..=72).map(|i| {
            let (sin, cos) = (TAU * f64::from(i) / 72.0).sin_cos();
            rounded(&[breadth * sin, length * cos])
        });
        let across = |x: f64| front.place(kurbo::Point::new(x, sketch::FRONT_HEIGHTS[4].1)).x / x;
        let (shoulders, nose) = (Fit::flat(across(HALF_SHOULDERS)), Fit::flat(1.0));
        let mut nose = runs(&nose.path(NOSE_ABOVE));
        for at in nose.iter_mut().flatten() {
            at.y *= length / HALF_LENGTH;
        }
        vec![
            part(Ink::Body, paths(&shoulders, &SHOULDERS_ABOVE)),
            part(Ink::Head, nose),
            PersonPart { ink: Ink::Head, lines: vec![round.collect()] },
        ]
    }
}

fn part(ink: Ink, runs: Vec<Vec<kurbo::Point>>) -> PersonPart {
    let drawn = |run: &Vec<kurbo::Point>| run.iter().map(|at| rounded(&[at.x, at.y])).collect();
    PersonPart { ink, lines: runs.iter().map(drawn).collect() }
}

/// As fine as is drawn: a tenth of a millimetre.
fn rounded(at: &[f64; 2]) -> [f32; 2] {
    at.map(|mm| ((mm * 10.0).round() / 10.0) as f32)
}

fn turned_over(mut part: PersonPart) -> PersonPart {
    for at in part.lines.iter_mut().flatten() {
        at[0] = -at[0];
    }
    part
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::{Point, SkullForm};

    fn drawn(measures: &Measures) -> (HeadForm, Vec<PersonView>) {
        let form = HeadForm::of(measures, SkullForm::default()).expect("possible");
        let hairline = Hairline::of(&form, measures);
        let person = person(&form, &hairline, measures);
        (form, person)
    }

    /// Least and most across and down of one ink.
    fn bounds(person: &[PersonView], view: HeadView, ink: Ink) -> [[f32; 2]; 2] {
        let seen = person.iter().find(|seen| seen.view == view).expect("every view is drawn");
        let parts = seen.parts.iter().filter(|part| part.ink == ink);
        let all: Vec<[f32; 2]> = parts.flat_map(|part| part.lines.iter().flatten().copied()).collect();
        assert!(!all.is_empty() && all.iter().flatten().all(|mm| mm.is_finite()), "{view:?} {ink:?}");
        [0, 1].map(|i| {
            all.iter().fold([f32::MAX, f32::MIN], |[least, most], at| [least.min(at[i]), most.max(at[i])])
        })
    }

    #[test]
    fn every_path_of_the_sketch_can_be_read() {
        let lines: [&[Line]; 6] =
            [&EARS, &BODY_LINES, &[NOSE, NOSE_WING], &FACE_LINES, &EAR_SIDE, &SIDE_LINES];
        let lines = lines.into_iter().flatten().map(|line| line.path);
        let outlines = [TRUNK, TRUNK_SIDE, NOSE_EDGE, NOSE_ABOVE, SHOULDERS_ABOVE.path];
        for path in lines.chain(outlines) {
            assert!(BezPath::from_svg(path).is_ok_and(|path| path.elements().len() > 1), "{path}");
        }
        for path in [FACE_SIDE, FACE_FRONT, NECK_BEHIND] {
            assert!(BezPath::from_svg(&format!("M0 0 {path}")).is_ok(), "{path}");
        }
    }

    #[test]
    fn the_head_is_the_clients_own_from_every_side() {
        for measures in [Measures::default(), Measures::child()] {
            let (form, person) = drawn(&measures);
            let near =
                |a: f32, b: f64, what: &str| assert!((f64::from(a) - b).abs() < 2.0, "{what}: {a} {b}");
            use HeadView::{Behind, Front, FrontLeft, FrontRight, Left, Right};
            for view in [Front, FrontLeft, FrontRight, Left, Right] {
                let [_, [top, chin]] = bounds(&person, view, Ink::Head);
                near(top, -form.top_mm(), "top");
                assert!((f64::from(chin) + Point::Chin.height_mm(&measures)).abs() < 6.0, "{view:?}: {chin}");
            }
            let [[right, left], _] = bounds(&person, Front, Ink::Head);
            near(left, form.radius_mm(&Vec3::x()), "breadth");
            assert!((left + right).abs() < 0.2, "the same on both sides");
            // Hair lies on the scalp: where it is seen edge on, no more of the head shows.
            for view in [Front, Behind] {
                let seen = person.iter().find(|seen| seen.view == view).expect("every view is drawn");
                let across = |lines: &[Vec<[f32; 2]>]| {
                    let above = lines.iter().flatten().filter(|[_, down]| (-90.0..-60.0).contains(down));
                    above.map(|[x, _]| *x).fold(0.0, f32::max)
                };
                let head = seen.parts.iter().find(|part| part.ink == Ink::Head).expect("drawn");
                near(across(&head.lines), across(&seen.scalp).into(), "temples");
            }
            let [[nose, back], _] = bounds(&person, Left, Ink::Head);
            near(back, form.radius_mm(&-Vec3::z()), "back of the head");
            assert!(f64::from(-nose) > form.radius_mm(&Vec3::z()) + 10.0, "the nose stands out");
            assert_eq!(bounds(&person, Right, Ink::Head)[0], [-back, -nose], "a mirror image");
        }
        let (_, adult) = drawn(&Measures::default());
        let (_, child) = drawn(&Measures::child());
        let shoulders = |person: &[PersonView]| bounds(person, HeadView::Front, Ink::Body)[0][1];
        assert!(shoulders(&adult) > shoulders(&child) + 10.0);
    }

    #[test]
    fn between_front_and_left_the_head_is_as_broad_as_its_level_sections_are_seen() {
        let (form, person) = drawn(&Measures::default());
        let [[least, most], _] = bounds(&person, HeadView::FrontLeft, Ink::Head);
        // Of an ellipse with these half axes, by the width of its projection.
        let (sin, cos) = 40.0_f64.to_radians().sin_cos();
        let (a, b) = (form.radius_mm(&Vec3::x()), form.radius_mm(&Vec3::z()));
        let half = (a * cos).hypot(b * sin);
        assert!((f64::from(most) - half).abs() < 4.0, "{most} {half}");
        assert!((f64::from(-least) - half).abs() < 6.0, "{least} {half}");
        let [[from, to], _] = bounds(&person, HeadView::FrontLeft, Ink::Lips);
        assert!(
            to < 0.0 && from > least,
            "the mouth lies towards the side that the face is turned to, on it"
        );
        let [[ear, _], _] = bounds(&person, HeadView::FrontLeft, Ink::Ear);
        assert!(ear > 40.0, "the near ear is seen");
        let [_, [brow, _]] = bounds(&person, HeadView::FrontLeft, Ink::Brow);
        let [_, [straight, _]] = bounds(&person, HeadView::Front, Ink::Brow);
        assert!((brow - straight).abs() < 1.0, "turning moves nothing up or down");
    }

    #[test]
    fn in_space_the_skin_has_no_gap_and_the_features_lie_on_it() {
        let measures = Measures::default();
        let form = HeadForm::of(&measures, SkullForm::default()).expect("possible");
        let hairline = Hairline::of(&form, &measures);
        let shape = Shape::new(&form, &hairline, &measures);
        for rings in [shape.head(), shape.trunk()] {
            for pair in rings.windows(2) {
                assert_eq!(pair[0].len(), pair[1].len());
                assert!(pair[0][0].y > pair[1][0].y, "from the top down");
            }
        }
        // Over the seam from the skull into the face, all round.
        let head = shape.head();
        let seam = head.iter().position(|ring| ring[0].y < -1.0).expect("there is a face");
        for (above, below) in head[seam - 1].iter().zip(&head[seam]) {
            let (out, down) = (above.xz().norm() - below.xz().norm(), above.y - below.y);
            assert!(out.abs() < 1.0 + 0.4 * down, "{above:?} {below:?}");
        }
        for line in face_in_space(&shape, &form, &measures, [false; 2]) {
            assert!(line.len() > 1 && line.iter().all(|p| p.x.is_finite() && p.z.is_finite()));
        }
        let (cheek, nose) = (shape.skin(45.0, 30.0), shape.skin(0.0, 30.0));
        assert!(nose.z > cheek.z + 15.0);
    }
}
