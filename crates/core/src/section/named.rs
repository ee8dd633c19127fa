//! Sections that have a name in the trade, by the partings that bound them.

use super::parting::Parting;
use super::region::Region;
use crate::head::{Landmark, Zone};
use serde::{Deserialize, Serialize};

/// How wide a halo round the hairline is, mm.
const HALO_MM: f64 = 30.0;

/// A section with a name.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum NamedSection {
    /// All the hair.
    Everything,
    /// From the apex to both recessions.
    FringeTriangle,
    /// The top, as it is read.
    Top,
    /// Above the parietal ridge, in front of the crown.
    Horseshoe,
    /// A diamond on top, from the front hairline over the parietal ridges to the crown.
    Diamond,
    /// Both sides, as they are read.
    Sides,
    /// Both panels beside the face: in front of the ear-to-ear parting, below the parietal ridge.
    Panels,
    /// The crown.
    Crown,
    /// Along the hairline.
    Halo,
    /// Behind the ear-to-ear parting, above the occipital bone.
    BackAbove,
    /// Below the occipital bone.
    BackBelow,
    /// The nape.
    Nape,
}

impl NamedSection {
    /// Every one, from the front to the nape.
    pub const ALL: [Self; 12] = [
        Self::Everything,
        Self::FringeTriangle,
        Self::Top,
        Self::Horseshoe,
        Self::Diamond,
        Self::Sides,
        Self::Panels,
        Self::Crown,
        Self::Halo,
        Self::BackAbove,
        Self::BackBelow,
        Self::Nape,
    ];

    /// The same as an expression.
    pub fn region(self) -> Region {
        use Landmark::{
            Apex, Crown, EarTopLeft, EarTopRight, HairlineCentre, NapeCentre, Occipital, ParietalLeft,
            ParietalRight, RecessionLeft, RecessionRight,
        };
        let side = |through: &[Landmark], with| Region::SideOf { parting: Parting::through(through), with };
        let in_front = || side(&[EarTopLeft, Apex, EarTopRight], HairlineCentre);
        let below_the_occipital = || side(&[EarTopLeft, Occipital, EarTopRight], NapeCentre);
        let horseshoe = || side(&[ParietalLeft, Crown, ParietalRight], Apex);
        let not = |region| Region::Not(Box::new(region));
        match self {
            Self::Everything => Region::Everything,
            Self::FringeTriangle => Region::All(vec![
                in_front(),
                side(&[Apex, RecessionLeft], HairlineCentre),
                side(&[Apex, RecessionRight], HairlineCentre),
            ]),
            Self::Top => Region::Zone(Zone::Top),
            Self::Horseshoe => horseshoe(),
            Self::Diamond => Region::All(vec![
                side(&[HairlineCentre, ParietalLeft], Apex),
                side(&[HairlineCentre, ParietalRight], Apex),
                side(&[ParietalLeft, Crown], Apex),
                side(&[ParietalRight, Crown], Apex),
            ]),
            Self::Sides => Region::Any(vec![Region::Zone(Zone::LeftSide), Region::Zone(Zone::RightSide)]),
            Self::Panels => Region::All(vec![in_front(), not(horseshoe())]),
            Self::Crown => Region::Zone(Zone::Crown),
            Self::Halo => Region::Edge { within_mm: HALO_MM },
            Self::BackAbove => Region::All(vec![not(in_front()), not(below_the_occipital())]),
            Self::BackBelow => below_the_occipital(),
            Self::Nape => Region::Zone(Zone::Nape),
        }
    }

    /// The one that is this expression.
    pub fn of(region: &Region) -> Option<Self> {
        Self::ALL.into_iter().find(|named| named.region() == *region)
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::grow::HairRequest;
    use crate::hair::Hair;
    use crate::head::Vec3;
    use crate::reading::{RawReading, RawZoneReading};

    fn ordinary() -> Hair {
        let zones = Zone::ALL.map(|zone| (zone.into(), RawZoneReading::measured(300.0, 290.0))).into();
        HairRequest::new(RawReading { zones, ..RawReading::default() }).grow().expect("possible")
    }

    fn held(hair: &Hair, named: NamedSection) -> Vec<Vec3> {
        let test = named.region().on(&hair.scalp()).expect("it lies on the head");
        let roots = hair.strands.iter().map(|strand| &strand.root);
        roots.filter(|root| test.holds(&hair.scalp(), &root.at, root.zone)).map(|root| root.at).collect()
    }

    #[test]
    fn each_holds_hair_where_its_name_says_and_both_sides_alike() {
        let hair = ordinary();
        let all = hair.strands.len();
        for named in NamedSection::ALL {
            let roots = held(&hair, named);
            assert!(roots.len() * 60 > all, "{named:?} holds {}", roots.len());
            assert!(named == NamedSection::Everything || roots.len() * 10 < all * 9, "{named:?}");
            let left = roots.iter().filter(|at| at.x > 0.0).count();
            assert!(left.abs_diff(roots.len() - left) * 10 < roots.len() + 20, "{named:?}: {left}");
            assert_eq!(NamedSection::of(&named.region()), Some(named));
        }
        let mean = |named, axis: usize| {
            let roots = held(&hair, named);
            roots.iter().map(|at| at[axis]).sum::<f64>() / roots.len() as f64
        };
        let (up, forward) = (1, 2);
        assert!(mean(NamedSection::FringeTriangle, forward) > mean(NamedSection::Horseshoe, forward));
        assert!(mean(NamedSection::BackAbove, up) > mean(NamedSection::BackBelow, up) + 40.0);
        assert!(mean(NamedSection::BackBelow, up) > mean(NamedSection::Nape, up));
        assert!(held(&hair, NamedSection::FringeTriangle).iter().all(|at| at.z > 0.0));
        assert!(held(&hair, NamedSection::Diamond).len() < held(&hair, NamedSection::Horseshoe).len());
    }

    #[test]
    fn sections_of_different_parts_share_no_hair() {
        let hair = ordinary();
        let apart = [
            (NamedSection::Sides, NamedSection::Crown),
            (NamedSection::Panels, NamedSection::Horseshoe),
            (NamedSection::Panels, NamedSection::BackAbove),
            (NamedSection::Sides, NamedSection::Nape),
            (NamedSection::BackAbove, NamedSection::BackBelow),
            (NamedSection::FringeTriangle, NamedSection::BackAbove),
        ];
        for (one, other) in apart {
            let held_by_one = held(&hair, one);
            assert!(!held(&hair, other).iter().any(|at| held_by_one.contains(at)), "{one:?} {other:?}");
        }
    }
}
