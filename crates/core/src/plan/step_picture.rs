//! A step as a small drawn head: its section shaded, how the hair is held as an arrow, and the guide or perimeter as a line.

use crate::cut::{Move, MoveKind, MoveReport, SectionShape};
use crate::error::FieldErrors;
use crate::hair::Hair;
use crate::head::{HeadView, Scalp, Vec3, Zone, from_drawn, lattice, rings, zone_at};
use crate::section::{NamedSection, Region, RegionTest};
use crate::stop::{Stop, Unfinished};
use serde::Serialize;

/// Directions asked to tell from which side a section shows most: one for about two square centimetres.
const ASKED: usize = 400;
/// A usual side is taken for a better one down to this share of what that shows.
const AS_GOOD: f64 = 0.9;
/// Places along a subsection where an arrow is tried, and how far behind the edge of what is seen one may still stand.
const ALONG: usize = 5;
pub(super) const BEHIND_MM: f64 = -15.0;
/// Longest arrow that is drawn, mm: it shows where hair is held to, not how long it is.
const ARROW_MM: f32 = 60.0;
/// Half the length of a perimeter as it is drawn, mm.
const PERIMETER_MM: f64 = 105.0;

/// A step as a drawn head, mm to the right and down from the ear canals.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StepPicture {
    /// The side from which its section shows best.
    pub view: HeadView,
    /// The edges of the section: rings, to be filled where an odd number of them lies round a place.
    pub section: Vec<Vec<[f32; 2]>>,
    /// From a root towards the hand that holds its hair, of the subsection that shows it best.
    pub held: Option<[[f32; 2]; 2]>,
    /// What is seen of the first subsection, whose hair is the guide; of a perimeter its line.
    pub guide: Vec<[f32; 2]>,
}

impl StepPicture {
    /// The picture of a move with what it did.
    pub fn of(hair: &Hair, move_: &Move, report: &MoveReport) -> Result<Self, FieldErrors> {
        let section = Seen::of(hair.scalp(), &move_.region)?;
        let view = section.best_view();
        let guided = report.sections.first().filter(|_| move_.has_guide());
        let guide = match &move_.kind {
            MoveKind::Perimeter(line) => {
                let down = -line.behind.height_mm(&hair.measures) as f32;
                // From above a perimeter is no line.
                let across = PERIMETER_MM as f32;
                if view == HeadView::Above { Vec::new() } else { vec![[-across, down], [across, down]] }
            }
            _ => guided.map_or(Vec::new(), |shape| on_the_side(view, &shape.base)),
        };
        Ok(Self { view, section: section.rings(view), held: arrow(view, &report.sections), guide })
    }
}

/// A section with a name on a drawn head.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SectionPicture {
    /// Its name.
    pub named: NamedSection,
    /// The same as an expression.
    pub region: Region,
    /// The picture.
    pub picture: StepPicture,
}

impl Hair {
    /// Every section that has a name, as it lies on this head.
    pub fn named_sections(&self, stop: &Stop) -> Result<Vec<SectionPicture>, Unfinished> {
        let of = |named: NamedSection| {
            stop.go_on()?;
            let region = named.region();
            let section = Seen::of(self.scalp(), &region)?;
            let view = section.best_view();
            let picture = StepPicture { view, section: section.rings(view), held: None, guide: Vec::new() };
            Ok(SectionPicture { named, region, picture })
        };
        NamedSection::ALL.into_iter().map(of).collect()
    }
}

pub(super) fn page(view: HeadView, place: &Vec3) -> [f32; 2] {
    view.drawn(place).map(|mm| mm as f32)
}

/// What is seen of a line on the scalp.
fn on_the_side(view: HeadView, line: &[[f32; 3]]) -> Vec<[f32; 2]> {
    let places = line.iter().map(from_drawn);
    places.filter(|place| place.dot(&view.eye()) > BEHIND_MM).map(|place| page(view, &place)).collect()
}

/// The longest arrow on the page from a root that is seen to the hand.
fn arrow(view: HeadView, sections: &[SectionShape]) -> Option<[[f32; 2]; 2]> {
    let eye = view.eye();
    let arrows = sections.iter().flat_map(|shape| {
        let last = shape.hand.len().min(shape.base.len()).saturating_sub(1);
        (0..=ALONG)
            .map(move |i| i * last / ALONG)
            .filter_map(move |i| Some((shape.base.get(i)?, shape.hand.get(i)?)))
    });
    let drawn = arrows
        .map(|(root, hand)| (from_drawn(root), from_drawn(hand)))
        .filter(|(root, _)| root.dot(&eye) > BEHIND_MM)
        .map(|(root, hand)| [page(view, &root), page(view, &hand)]);
    let length = |[[ax, ay], [bx, by]]: &[[f32; 2]; 2]| (bx - ax).hypot(by - ay);
    let longest = drawn.max_by(|one, other| length(one).total_cmp(&length(other)))?;
    let [[ax, ay], [bx, by]] = longest;
    let share = (ARROW_MM / length(&longest).max(1e-6)).min(1.0);
    Some([[ax, ay], [ax + share * (bx - ax), ay + share * (by - ay)]])
}

/// A region on a head that is looked at.
pub(super) struct Seen<'a> {
    scalp: Scalp<'a>,
    test: RegionTest,
}

impl<'a> Seen<'a> {
    /// A region that can be laid on a head.
    pub(super) fn of(scalp: Scalp<'a>, region: &Region) -> Result<Self, FieldErrors> {
        Ok(Self { scalp, test: region.on(&scalp)? })
    }

    /// Whether hair that grows in a direction belongs to it.
    fn holds(&self, zone_of: &impl Fn(&Vec3) -> Zone, d: &Vec3) -> bool {
        self.scalp.hairline.above(d) >= 0.0
            && self.test.holds(&self.scalp, &self.scalp.form.point(d), zone_of(d))
    }

    /// The side from which most of it is seen, as large as it is drawn.
    pub(super) fn best_view(&self) -> HeadView {
        let zone_of = zone_at(self.scalp.hairline);
        let within: Vec<Vec3> = lattice(ASKED).filter(|d| self.holds(&zone_of, d)).collect();
        let shown =
            HeadView::SECTIONS.map(|view| within.iter().map(|d| d.dot(&view.eye()).max(0.0)).sum::<f64>());
        let most = shown.iter().copied().fold(0.0, f64::max);
        let usual = HeadView::SECTIONS.into_iter().zip(shown).find(|(_, shown)| *shown >= AS_GOOD * most);
        usual.map_or(HeadView::Left, |(view, _)| view)
    }

    /// Its edges as they are drawn from a side.
    pub(super) fn rings(&self, view: HeadView) -> Vec<Vec<[f32; 2]>> {
        let zone_of = zone_at(self.scalp.hairline);
        rings(self.scalp.form, view, |d| self.holds(&zone_of, d))
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::cut::{cut, shipped};
    use crate::grow::HairRequest;
    use crate::head::Landmark;
    use crate::reading::{RawReading, RawZoneReading};
    use crate::section::{Region, Side};

    fn ordinary_hair() -> Hair {
        let zones = [(Zone::Top.into(), RawZoneReading::measured(400.0, 260.0))].into();
        HairRequest::new(RawReading { zones, ..RawReading::default() }).grow().expect("an ordinary head")
    }

    /// Whether a drawn place lies inside the rings: by the crossings of a line to the right.
    fn inside(rings: &[Vec<[f32; 2]>], [x, y]: [f32; 2]) -> bool {
        let sides = rings.iter().flat_map(|ring| ring.iter().zip(ring.iter().cycle().skip(1)));
        let crossed = sides.filter(|([ax, ay], [bx, by])| {
            (*ay > y) != (*by > y) && x < ax + (y - ay) / (by - ay) * (bx - ax)
        });
        crossed.count() % 2 == 1
    }

    #[test]
    fn what_is_shaded_is_the_hair_of_the_section() {
        let hair = ordinary_hair();
        let scalp = hair.scalp();
        let ring = Region::All(vec![
            Region::Not(Box::new(Region::Zone(Zone::Crown))),
            Region::Not(Box::new(Region::Edge { within_mm: 20.0 })),
        ]);
        let regions = [
            Region::Everything,
            Region::Half(Side::Right),
            Region::Zone(Zone::Top),
            Region::Edge { within_mm: 30.0 },
            ring,
        ];
        for region in regions {
            let seen = Seen::of(scalp, &region).expect("it can be laid");
            for view in HeadView::SECTIONS {
                let rings = seen.rings(view);
                let (mut asked, mut right) = (0, 0);
                for strand in hair.strands.iter().filter(|strand| strand.root.normal.dot(&view.eye()) > 0.15)
                {
                    let root = &strand.root;
                    asked += 1;
                    right += usize::from(
                        inside(&rings, page(view, &root.at)) == seen.test.holds(&scalp, &root.at, root.zone),
                    );
                }
                // Cells of 6 mm round off corners and edges.
                assert!(right * 100 >= 91 * asked, "{region:?} {view:?}: {right} of {asked}");
            }
        }
    }

    #[test]
    fn a_section_is_shown_from_the_side_where_most_of_it_lies() {
        let hair = ordinary_hair();
        let scalp = hair.scalp();
        let view = |region: Region| Seen::of(scalp, &region).expect("it can be laid").best_view();
        assert_eq!(view(Region::Everything), HeadView::Behind);
        assert_eq!(view(Region::Half(Side::Right)), HeadView::Right);
        assert_eq!(view(Region::Zone(Zone::LeftSide)), HeadView::Left);
        assert_eq!(view(Region::Zone(Zone::Top)), HeadView::Above);
        assert_eq!(view(Region::Zone(Zone::Nape)), HeadView::Behind);
        let behind = Region::side_of(
            &[Landmark::EarTopLeft, Landmark::Apex, Landmark::EarTopRight],
            Landmark::Occipital,
        );
        assert_eq!(view(behind), HeadView::Behind);
    }

    #[test]
    fn every_step_of_every_shipped_cut_has_its_picture() {
        let hair = ordinary_hair();
        for listed in shipped() {
            let result = cut(&hair, &listed.cut).expect("it ships");
            for (move_, report) in listed.cut.moves.iter().zip(&result.moves) {
                let picture = StepPicture::of(&hair, move_, report).expect("it was cut");
                assert!(!picture.section.is_empty(), "{}: {:?}", listed.key, move_.region);
                let held = report.sections.iter().any(|shape| !shape.hand.is_empty());
                assert_eq!(picture.held.is_some(), held, "{}: {move_:?}", listed.key);
            }
        }
    }

    #[test]
    fn an_arrow_stands_at_the_elevation_at_which_hair_is_held() {
        let hair = ordinary_hair();
        let at = |elevation_deg: f64| {
            let mut layers = shipped()
                .iter()
                .flat_map(|listed| &listed.cut.moves)
                .find(|move_| matches!(move_.kind, MoveKind::Sections(_)))
                .expect("a cut with layers ships")
                .clone();
            layers.region = Region::Zone(Zone::BackUpper);
            let MoveKind::Sections(sections) = &mut layers.kind else { unreachable!() };
            sections.hold.elevation_deg = elevation_deg;
            sections.hold.over_direction = crate::cut::OverDirection::OwnBase;
            let mut plan = shipped()[0].cut.clone();
            plan.moves = vec![layers.clone()];
            let report = &cut(&hair, &plan).expect("a possible cut").moves[0];
            let [[_, from], [_, to]] = arrow(HeadView::Left, &report.sections).expect("hair is held");
            from - to
        };
        let rise = [0.0, 45.0, 90.0, 135.0].map(at);
        assert!(rise.windows(2).all(|pair| pair[1] > pair[0] + 10.0), "{rise:?}");
    }
}
