//! Regions: expressions of the sides of partings.

use super::{Anchor, Cutting, Parting};
use crate::error::{FieldErrors, Problem};
use crate::head::{Landmark, Scalp, Vec3, Zone};
use crate::message::{Arg, Message};
use serde::{Deserialize, Serialize};

/// Deepest nesting of a region: no document can exhaust the stack, and what is computed can be saved (the database takes JSON
/// that is about thirty deep).
const DEEPEST: usize = 8;
/// Most parts of a region, with those that hold others.
const MOST_PARTS: usize = 200;
/// Most places that a parting runs through.
const MOST_PLACES: usize = 3;
/// Distance in mm from a parting below which a landmark doesn't tell its sides apart.
const ON_THE_LINE_MM: f64 = 0.5;
/// Widths of a spared edge, mm.
const EDGE_MM: (f64, f64) = (1.0, 120.0);

/// A side of the head, as the client has it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Side {
    /// The client's left.
    Left,
    /// The client's right.
    Right,
}

/// A part of the hair.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", deny_unknown_fields)]
pub enum Region {
    /// All of it.
    Everything,
    /// The side of a parting on which a landmark lies.
    SideOf {
        /// The parting.
        parting: Parting,
        /// A landmark on the side meant.
        with: Landmark,
    },
    /// One half of the head.
    Half(Side),
    /// One of the zones that are read.
    Zone(Zone),
    /// The edge: hair that grows within so many mm of the hairline.
    Edge {
        /// Width, mm, 1 to 120.
        within_mm: f64,
    },
    /// Where all of these meet.
    #[cfg_attr(feature = "schema", schema(no_recursion))]
    All(Vec<Region>),
    /// Where any of these is.
    #[cfg_attr(feature = "schema", schema(no_recursion))]
    Any(Vec<Region>),
    /// Everything but this.
    #[cfg_attr(feature = "schema", schema(no_recursion))]
    Not(Box<Region>),
}

/// A region laid on a head.
#[derive(Debug, Clone)]
pub enum RegionTest {
    /// Everything, or nothing.
    Constant(bool),
    /// The side of a parting with this sign.
    Side(Cutting, f64),
    /// x of this sign.
    Half(f64),
    /// A zone.
    Zone(Zone),
    /// Within this of the edge, mm.
    Edge(f64),
    /// All.
    All(Vec<RegionTest>),
    /// Any.
    Any(Vec<RegionTest>),
    /// Not.
    Not(Box<RegionTest>),
}

impl Side {
    /// The other one.
    #[must_use]
    pub fn other(self) -> Self {
        match self {
            Self::Left => Self::Right,
            Self::Right => Self::Left,
        }
    }
}

impl Region {
    /// The side of a straight parting on which a landmark lies.
    pub fn side_of(through: &[Landmark], with: Landmark) -> Self {
        Self::SideOf { parting: Parting::through(through), with }
    }

    /// The same region on the other side of the head.
    #[must_use]
    pub fn mirrored(&self) -> Self {
        match self {
            Self::Everything | Self::Edge { .. } => self.clone(),
            Self::SideOf { parting, with } => {
                Self::SideOf { parting: parting.mirrored(), with: with.mirrored() }
            }
            Self::Half(half) => Self::Half(half.other()),
            Self::Zone(zone) => Self::Zone(zone.mirrored().unwrap_or(*zone)),
            Self::All(parts) => Self::All(parts.iter().map(Self::mirrored).collect()),
            Self::Any(parts) => Self::Any(parts.iter().map(Self::mirrored).collect()),
            Self::Not(part) => Self::Not(Box::new(part.mirrored())),
        }
    }

    /// The places that its partings run through, from the first parting to the last.
    pub fn anchors(&mut self) -> Vec<&mut Anchor> {
        match self {
            Self::SideOf { parting, .. } => parting.through.iter_mut().collect(),
            Self::All(parts) | Self::Any(parts) => parts.iter_mut().flat_map(Self::anchors).collect(),
            Self::Not(part) => part.anchors(),
            Self::Everything | Self::Half(_) | Self::Zone(_) | Self::Edge { .. } => Vec::new(),
        }
    }

    /// Checks that it is no deeper and has no more parts than a section can need. All else that goes over a region calls itself
    /// for its parts, so this comes first; it doesn't.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        let (mut parts, mut seen) = (vec![(self, 1)], 0);
        while let Some((region, depth)) = parts.pop() {
            seen += 1;
            if seen > MOST_PARTS {
                faults.push("", Problem::too_many(MOST_PARTS));
                break;
            }
            if depth > DEEPEST {
                let nested = Message::new("fault-nested").with("most", Arg::Number(DEEPEST as f64));
                faults.push("", nested.into());
                break;
            }
            match region {
                Self::All(below) | Self::Any(below) if below.len() > MOST_PARTS => {
                    faults.push("", Problem::too_many(MOST_PARTS));
                    break;
                }
                Self::All(below) | Self::Any(below) => {
                    parts.extend(below.iter().map(|part| (part, depth + 1)));
                }
                Self::Not(part) => parts.push((part, depth + 1)),
                Self::SideOf { parting, .. } if parting.through.len() > MOST_PLACES => {
                    faults.push("", Problem::too_many(MOST_PLACES));
                    break;
                }
                Self::Everything
                | Self::SideOf { .. }
                | Self::Half(_)
                | Self::Zone(_)
                | Self::Edge { .. } => {}
            }
        }
        faults.or(())
    }

    /// Lays it on a head.
    pub fn on(&self, scalp: &Scalp) -> Result<RegionTest, FieldErrors> {
        self.check()?;
        self.laid(scalp)
    }

    fn laid(&self, scalp: &Scalp) -> Result<RegionTest, FieldErrors> {
        let mut faults = FieldErrors::default();
        let several = |name: &str, parts: &[Self]| -> Result<Vec<RegionTest>, FieldErrors> {
            let mut faults = FieldErrors::default();
            let laid: Vec<_> = parts
                .iter()
                .enumerate()
                .filter_map(|(i, part)| faults.take(&format!("{name}.{i}"), part.laid(scalp)))
                .collect();
            faults.or(laid)
        };
        let test = match self {
            Self::Everything => Some(RegionTest::Constant(true)),
            Self::Half(Side::Left) => Some(RegionTest::Half(1.0)),
            Self::Half(Side::Right) => Some(RegionTest::Half(-1.0)),
            Self::Zone(zone) => Some(RegionTest::Zone(*zone)),
            Self::Edge { within_mm } => {
                faults.range("edge.within_mm", *within_mm, EDGE_MM, "mm");
                Some(RegionTest::Edge(*within_mm))
            }
            Self::SideOf { parting, with } => {
                faults.take("side_of.parting", parting.on(scalp)).map(|cutting| {
                    let side = cutting.side_mm(&scalp.point(*with));
                    if side.abs() < ON_THE_LINE_MM {
                        faults.push("side_of.with", Problem::contradicts("fault-on-parting"));
                    }
                    RegionTest::Side(cutting, side.signum())
                })
            }
            Self::All(parts) => Some(RegionTest::All(several("all", parts)?)),
            Self::Any(parts) => Some(RegionTest::Any(several("any", parts)?)),
            Self::Not(part) => {
                faults.take("not", part.laid(scalp)).map(|test| RegionTest::Not(Box::new(test)))
            }
        };
        faults.or(test.unwrap_or(RegionTest::Constant(false)))
    }
}

impl RegionTest {
    /// Whether hair rooted here belongs to it.
    pub fn holds(&self, scalp: &Scalp, at: &Vec3, zone: Zone) -> bool {
        match self {
            Self::Constant(answer) => *answer,
            Self::Side(cutting, sign) => cutting.side_mm(at) * sign > 0.0,
            Self::Half(sign) => at.x * sign > 0.0,
            Self::Zone(wanted) => zone == *wanted,
            Self::Edge(within_mm) => scalp.hairline.above(at) * at.norm() < *within_mm,
            Self::All(parts) => parts.iter().all(|part| part.holds(scalp, at, zone)),
            Self::Any(parts) => parts.iter().any(|part| part.holds(scalp, at, zone)),
            Self::Not(part) => !part.holds(scalp, at, zone),
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::{Hairline, HeadForm, Measures, Root, SkullForm, mirror, roots};

    fn everywhere() -> (HeadForm, Hairline, Vec<Root>) {
        let measures = Measures::default();
        let form = HeadForm::of(&measures, SkullForm::default()).expect("an ordinary head");
        let hairline = Hairline::of(&form, &measures);
        let all = roots(&form, &hairline, 600);
        (form, hairline, all)
    }

    /// Some regions of every kind.
    fn several() -> Vec<Region> {
        let top = Region::side_of(
            &[Landmark::ParietalLeft, Landmark::Crown, Landmark::ParietalRight],
            Landmark::Apex,
        );
        let fringe = Region::side_of(
            &[Landmark::BrowLeft, Landmark::Apex, Landmark::BrowRight],
            Landmark::HairlineCentre,
        );
        vec![
            top.clone(),
            Region::Half(Side::Left),
            Region::Zone(Zone::LeftSide),
            Region::Edge { within_mm: 25.0 },
            Region::All(vec![top.clone(), Region::Not(Box::new(fringe.clone()))]),
            Region::Any(vec![fringe, Region::Zone(Zone::Nape)]),
        ]
    }

    #[test]
    fn regions_follow_the_laws_of_sets() {
        let (form, hairline, all) = everywhere();
        let scalp = Scalp::plain(&form, &hairline);
        let holds = |region: &Region, root: &Root| {
            region.on(&scalp).expect("it can be laid").holds(&scalp, &root.at, root.zone)
        };
        for a in several() {
            assert!(all.iter().any(|root| holds(&a, root)), "{a:?} is empty");
            for b in several() {
                let both = Region::All(vec![a.clone(), b.clone()]);
                let either = Region::Any(vec![a.clone(), b.clone()]);
                let neither = Region::Not(Box::new(either.clone()));
                for root in all.iter().step_by(13) {
                    let (in_a, in_b) = (holds(&a, root), holds(&b, root));
                    assert_eq!(holds(&both, root), in_a && in_b);
                    assert_eq!(holds(&either, root), in_a || in_b);
                    assert_eq!(holds(&neither, root), !in_a && !in_b);
                }
            }
        }
    }

    #[test]
    fn the_mirror_image_of_a_region_holds_the_mirror_image() {
        let (form, hairline, all) = everywhere();
        let scalp = Scalp::plain(&form, &hairline);
        for region in several() {
            let (one, other) =
                (region.on(&scalp).expect("laid"), region.mirrored().on(&scalp).expect("laid"));
            for root in &all {
                let zone = root.zone.mirrored().unwrap_or(root.zone);
                let here = one.holds(&scalp, &root.at, root.zone);
                assert_eq!(here, other.holds(&scalp, &mirror(&root.at), zone), "{region:?} at {}", root.at);
            }
        }
    }

    #[test]
    fn the_edge_is_a_strip_along_the_hairline() {
        let (form, hairline, all) = everywhere();
        let scalp = Scalp::plain(&form, &hairline);
        let share = |within_mm| {
            let test = Region::Edge { within_mm }.on(&scalp).expect("laid");
            all.iter().filter(|root| test.holds(&scalp, &root.at, root.zone)).count() as f64
                / all.len() as f64
        };
        assert!(share(10.0) < share(20.0) && share(20.0) < share(40.0));
        assert!(share(120.0) < 1.0 && share(120.0) > 0.8, "{}", share(120.0));
    }

    #[test]
    fn a_region_nested_or_listed_without_end_is_refused() {
        let (form, hairline, _) = everywhere();
        let scalp = Scalp::plain(&form, &hairline);
        let deep = |levels| (1..levels).fold(Region::Everything, |region, _| Region::Not(Box::new(region)));
        let wide = |parts| Region::All(vec![Region::Everything; parts]);
        assert!(deep(DEEPEST).on(&scalp).is_ok() && wide(MOST_PARTS - 1).on(&scalp).is_ok());
        // One of 15,000 parts ended the process once, when it was put into words.
        for region in [deep(DEEPEST + 1), deep(100), wide(MOST_PARTS), wide(15_000)] {
            assert!(region.on(&scalp).is_err() && region.check().is_err());
        }
        let crowded = Region::side_of(&[Landmark::Apex; 4], Landmark::Crown);
        assert!(crowded.check().is_err());
    }
}
