//! A section with the places that its partings run through on a drawn head, and what becomes of it where one of them is moved.

use super::StepPicture;
use super::step_picture::{BEHIND_MM, Seen, page};
use crate::error::FieldErrors;
use crate::grow::HairRequest;
use crate::hair::Hair;
use crate::head::{HeadView, Landmark, Scalp, Vec3, lattice};
use crate::section::{Anchor, Region};
use serde::{Deserialize, Serialize};
use std::f64::consts::TAU;

/// How far from the ear canals a place on the page may lie, mm.
const PAGE_MM: (f64, f64) = (-500.0, 500.0);
/// Directions looked at for the place under a point of the page, and the turns in which the nearest of them is then improved, radians.
const LOOKED: usize = 1500;
const FIRST_TURN: f64 = 0.05;
const LAST_TURN: f64 = 1e-5;
/// Ways along the scalp that are tried each time.
const WAYS: usize = 8;

/// What is asked to show a section's partings, and to move one.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct PartedRequest {
    /// The head.
    pub on: HairRequest,
    /// The section.
    pub region: Region,
    /// From which side; left out, from where it shows best.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub view: Option<HeadView>,
    /// The end of a parting that is moved.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub moved: Option<MovedEnd>,
}

/// An end of a parting, moved on the page.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct MovedEnd {
    /// Which one: its number in the section.
    pub end: u32,
    /// Where it is moved to, mm to the right and down from the ear canals, −500 to 500.
    pub to: [f64; 2],
}

/// A section on a drawn head, with its partings to be moved.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PartedSection {
    /// The section, as it is or has become.
    pub region: Region,
    /// The picture.
    pub picture: StepPicture,
    /// The ends of its partings that are seen there.
    pub ends: Vec<PartingEnd>,
}

/// A place that partings of a section run through.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PartingEnd {
    /// Its number in the section.
    pub end: u32,
    /// The landmark that it is, or is given from.
    pub landmark: Landmark,
    /// Whether it is that landmark.
    pub is_landmark: bool,
    /// Where it is drawn, mm to the right and down from the ear canals.
    pub at: [f32; 2],
}

impl PartedRequest {
    /// The section on a head that was grown before.
    pub fn answer_on(&self, hair: &Hair) -> Result<PartedSection, FieldErrors> {
        let scalp = hair.scalp();
        let mut faults = FieldErrors::default();
        faults.take("region", self.region.on(&scalp));
        faults.clone().or(())?;
        let mut region = self.region.clone();
        let places: Vec<Anchor> = region.anchors().into_iter().map(|anchor| *anchor).collect();
        if let Some(moved) = &self.moved {
            faults.range("moved.end", f64::from(moved.end), (0.0, places.len().max(1) as f64 - 1.0), "");
            for (axis, mm) in moved.to.iter().enumerate() {
                faults.range(&format!("moved.to.{axis}"), *mm, PAGE_MM, "mm");
            }
        }
        let mut faults = faults.or(FieldErrors::default())?;
        let view = match self.view {
            Some(view) => view,
            None => Seen::of(scalp, &region)?.best_view(),
        };
        if let Some((moved, was)) =
            self.moved.as_ref().and_then(|moved| Some((moved, places.get(moved.end as usize)?)))
        {
            let to = under(&scalp, view, moved.to);
            let before = region.clone();
            move_end(&mut region, &scalp, *was, to);
            // Where partings would no longer run, they stay.
            if faults.take("region", region.on(&scalp)).is_none() {
                region = before;
            }
        }
        let seen = Seen::of(scalp, &region)?;
        let picture = StepPicture { view, section: seen.rings(view), held: None, guide: Vec::new() };
        Ok(PartedSection { ends: ends(&mut region, &scalp, view), region, picture })
    }
}

/// The places that partings run through and that are seen from a side; one that several share once.
fn ends(region: &mut Region, scalp: &Scalp, view: HeadView) -> Vec<PartingEnd> {
    let mut shown: Vec<(Anchor, PartingEnd)> = Vec::new();
    for (end, anchor) in region.anchors().into_iter().enumerate() {
        let place = anchor.point(scalp);
        if place.dot(&view.eye()) < BEHIND_MM || shown.iter().any(|(known, _)| known == anchor) {
            continue;
        }
        let (landmark, is_landmark) = (anchor.landmark(), anchor.is_landmark());
        shown.push((*anchor, PartingEnd { end: end as u32, landmark, is_landmark, at: page(view, &place) }));
    }
    shown.into_iter().map(|(_, end)| end).collect()
}

/// Moves a place of a section: all partings that run through it, and in a section that is alike on both sides what mirrors it.
fn move_end(region: &mut Region, scalp: &Scalp, was: Anchor, to: Vec3) {
    let all: Vec<Anchor> = region.anchors().into_iter().map(|anchor| *anchor).collect();
    let both_sides = all.iter().all(|anchor| all.contains(&anchor.mirrored()));
    let in_the_middle = was == was.mirrored();
    let to = if both_sides && in_the_middle { scalp.form.point(&Vec3::new(0.0, to.y, to.z)) } else { to };
    let moved = Anchor::of_place(scalp, &to, was.landmark());
    for anchor in region.anchors() {
        if *anchor == was {
            *anchor = moved;
        } else if both_sides && *anchor == was.mirrored() {
            *anchor = moved.mirrored();
        }
    }
}

/// The place that is drawn at a point of the page, on the side of the head that is seen, or the nearest to it.
fn under(scalp: &Scalp, view: HeadView, [x, y]: [f64; 2]) -> Vec3 {
    let eye = view.eye();
    let off = |d: &Vec3| {
        let [right, down] = view.drawn(&scalp.form.point(d));
        (right - x).hypot(down - y)
    };
    // The head is longer than it is wide: what is seen is told by how its surface faces.
    let faces = |d: &Vec3| scalp.form.normal(d).dot(&eye) > 0.0;
    let seen = lattice(LOOKED).filter(faces);
    let mut best = seen.min_by(|one, other| off(one).total_cmp(&off(other))).unwrap_or(eye);
    let mut turn = FIRST_TURN;
    while turn > LAST_TURN {
        let across = best.cross(&eye).try_normalize(1e-6).unwrap_or_else(Vec3::x);
        let along = best.cross(&across);
        let tried = (0..WAYS).map(|way| {
            let (sin, cos) = (TAU * way as f64 / WAYS as f64).sin_cos();
            (best + (across * cos + along * sin) * turn).normalize()
        });
        let nearest = tried.filter(faces).min_by(|one, other| off(one).total_cmp(&off(other)));
        match nearest.filter(|d| off(d) < off(&best)) {
            Some(nearer) => best = nearer,
            None => turn /= 2.0,
        }
    }
    scalp.form.point(&best)
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::Zone;
    use crate::reading::{RawReading, RawZoneReading};
    use crate::section::{NamedSection, Offset};

    fn asked(region: Region) -> PartedRequest {
        let zones = [(Zone::Top.into(), RawZoneReading::measured(400.0, 260.0))].into();
        let on =
            HairRequest { roots: 512, ..HairRequest::new(RawReading { zones, ..RawReading::default() }) };
        PartedRequest { on, region, view: None, moved: None }
    }

    fn ends_of(answer: &PartedSection) -> Vec<Landmark> {
        answer.ends.iter().map(|end| end.landmark).collect()
    }

    #[test]
    fn a_place_that_is_drawn_lies_under_its_point_of_the_page() {
        let hair = asked(Region::Everything).on.grow().expect("possible");
        let scalp = hair.scalp();
        for view in HeadView::ALL {
            let faces = |d: &Vec3| scalp.form.normal(d).dot(&view.eye()) > 0.1;
            for direction in lattice(100).filter(|d| scalp.hairline.above(d) >= 0.0 && faces(d)) {
                let place = scalp.form.point(&direction);
                let [x, y] = view.drawn(&place);
                let found = under(&scalp, view, [x, y]);
                let [found_x, found_y] = view.drawn(&found);
                let off = (found_x - x).hypot(found_y - y);
                // Near the edge of the head the page tells little of how near a place is.
                assert!(off < 0.1 && (found - place).norm() < 3.0, "{view:?} {place} {found} {off}");
            }
        }
        // Beside the head it is its edge.
        let edge = under(&scalp, HeadView::Behind, [300.0, -60.0]);
        assert!(edge.z.abs() < 25.0 && HeadView::Behind.drawn(&edge)[0] > 60.0, "{edge}");
    }

    #[test]
    fn a_section_shows_the_places_its_partings_run_through_each_once() {
        let request = asked(NamedSection::FringeTriangle.region());
        let hair = request.on.grow().expect("possible");
        let above = PartedRequest { view: Some(HeadView::Above), ..request.clone() };
        let answer = above.answer_on(&hair).expect("it can be laid");
        let shown = ends_of(&answer);
        assert_eq!(shown.iter().filter(|landmark| **landmark == Landmark::Apex).count(), 1);
        assert!(shown.contains(&Landmark::RecessionLeft) && shown.contains(&Landmark::RecessionRight));
        let behind = PartedRequest { view: Some(HeadView::Behind), ..request };
        assert!(
            !ends_of(&behind.answer_on(&hair).expect("it can be laid")).contains(&Landmark::RecessionLeft)
        );
        let zone = asked(Region::Zone(Zone::Crown)).answer_on(&hair).expect("it can be laid");
        assert!(zone.ends.is_empty() && !zone.picture.section.is_empty());
    }

    #[test]
    fn an_end_goes_where_it_is_moved_and_its_mirror_image_with_it() {
        let mut request = asked(NamedSection::Horseshoe.region());
        let hair = request.on.grow().expect("possible");
        let scalp = hair.scalp();
        request.view = Some(HeadView::Left);
        let before = request.answer_on(&hair).expect("it can be laid");
        let end = before.ends.iter().find(|end| end.landmark == Landmark::ParietalLeft).expect("it is seen");
        let to = [f64::from(end.at[0]) + 12.0, f64::from(end.at[1]) + 18.0];
        request.moved = Some(MovedEnd { end: end.end, to });
        let mut after = request.answer_on(&hair).expect("it can be moved");
        let all: Vec<Anchor> = after.region.anchors().into_iter().map(|anchor| *anchor).collect();
        let [left, back, right] = all[..] else { unreachable!() };
        assert!((HeadView::Left.drawn(&left.point(&scalp))[0] - to[0]).abs() < 1.5);
        assert!((HeadView::Left.drawn(&left.point(&scalp))[1] - to[1]).abs() < 1.5);
        assert_eq!((back, right), (Landmark::Crown.into(), left.mirrored()));
        assert_ne!(after.picture, before.picture);

        // The crown stays in the middle, wherever it is dragged.
        let crown = before.ends.iter().find(|end| end.landmark == Landmark::Crown).expect("it is seen");
        request.view = Some(HeadView::Behind);
        request.moved = Some(MovedEnd { end: crown.end, to: [30.0, -60.0] });
        let mut after = request.answer_on(&hair).expect("it can be moved");
        let back = *after.region.anchors()[crown.end as usize];
        assert!(back.point(&scalp).x.abs() < 0.5 && back != Landmark::Crown.into(), "{back:?}");
    }

    #[test]
    fn what_can_not_be_moved_is_a_fault_at_its_field_or_stays() {
        let mut request = asked(NamedSection::Horseshoe.region());
        let hair = request.on.grow().expect("possible");
        request.moved = Some(MovedEnd { end: 3, to: [0.0, f64::NAN] });
        let faults = request.answer_on(&hair).expect_err("neither");
        let fields: Vec<&str> = faults.0.iter().map(|fault| fault.field.as_str()).collect();
        assert_eq!(fields, ["moved.end", "moved.to.1"]);
        let far = Anchor(Offset { behind_mm: 900.0, ..Anchor::from(Landmark::Apex).0 });
        *request.region.anchors()[0] = far;
        let faults = request.answer_on(&hair).expect_err("too far");
        assert!(faults.0[0].field.starts_with("region."), "{faults:?}");

        // One end dragged onto the other would leave no parting.
        let mut request = asked(Region::side_of(&[Landmark::Apex, Landmark::Crown], Landmark::EarTopLeft));
        request.view = Some(HeadView::Above);
        let before = request.answer_on(&hair).expect("it can be laid");
        let [apex, crown] = &before.ends[..] else { unreachable!() };
        request.moved = Some(MovedEnd { end: apex.end, to: crown.at.map(f64::from) });
        assert_eq!(request.answer_on(&hair).expect("it stays").region, before.region);
    }
}
