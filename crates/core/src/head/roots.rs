//! Guide roots: points spread evenly over the scalp, each standing for the hair round it.

use super::form::{HeadForm, Vec3};
use super::hairline::Hairline;
use super::landmark::mirror;
use crate::head::Zone;
use std::f64::consts::PI;

/// The golden angle, radians: the turn from one point of a spherical Fibonacci lattice to the next.
const GOLDEN_ANGLE: f64 = PI * (3.0 - 2.236_067_977_499_79);

/// One guide root.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Root {
    /// Where it is, mm.
    pub at: Vec3,
    /// Unit outward normal of the scalp.
    pub normal: Vec3,
    /// Scalp it stands for, mm².
    pub area_mm2: f64,
    /// The zone it belongs to.
    pub zone: Zone,
}

/// About `count` roots: the client's left half first, then its mirror image in the same order.
///
/// A spherical Fibonacci lattice (Swinbank, Purser 2006, Q. J. R. Meteorol. Soc. 132) is even in solid angle; each root
/// carries the scalp its solid angle covers. One half is made and mirrored, so that the head is exactly symmetrical.
pub fn roots(form: &HeadForm, hairline: &Hairline, count: usize) -> Vec<Root> {
    // First a coarse lattice to see what share of the sphere is hair, then one of the size that gives the count.
    let share = lattice(2000).filter(|d| d.x > 0.0 && hairline.above(d) > 0.0).count() as f64 / 2000.0;
    let points = (count as f64 / (2.0 * share)).round().max(8.0) as usize;
    let solid_angle = 4.0 * PI / points as f64;
    let nearest = zone_at(hairline);
    let left: Vec<Root> = lattice(points)
        .filter(|d| d.x > 0.0 && hairline.above(d) > 0.0)
        .map(|d| Root {
            at: form.point(&d),
            normal: form.normal(&d),
            area_mm2: form.area_per_sr(&d) * solid_angle,
            zone: nearest(&d),
        })
        .collect();
    let right = left.iter().map(|root| Root {
        at: mirror(&root.at),
        normal: mirror(&root.normal),
        zone: root.zone.mirrored().unwrap_or(root.zone),
        ..*root
    });
    left.iter().copied().chain(right).collect()
}

pub(crate) fn lattice(points: usize) -> impl Iterator<Item = Vec3> {
    (0..points).map(move |i| {
        let y = 1.0 - (2.0 * i as f64 + 1.0) / points as f64;
        let (sin, cos) = (GOLDEN_ANGLE * i as f64).sin_cos();
        let r = (1.0 - y * y).sqrt();
        Vec3::new(r * sin, y, r * cos)
    })
}

/// Unit direction of the middle of a zone.
pub fn zone_centre(zone: Zone, hairline: &Hairline) -> Vec3 {
    let middle = |degrees: f64| {
        let (sin, cos) = degrees.to_radians().sin_cos();
        Vec3::new(0.0, sin, cos)
    };
    let front = hairline.elevation(0.0).to_degrees();
    let nape = hairline.elevation(PI).to_degrees();
    match zone {
        Zone::Fringe => middle(front + 8.0),
        Zone::Top => middle(85.0),
        Zone::Crown => middle(122.0),
        Zone::BackUpper => middle(155.0),
        Zone::BackLower => middle(180.0 - 0.4 * nape),
        Zone::Nape => middle(180.0 - 0.9 * nape),
        Zone::LeftSide => Vec3::new(0.93, 0.32, 0.18).normalize(),
        Zone::RightSide => mirror(&zone_centre(Zone::LeftSide, hairline)),
    }
}

/// How far along the unit vector `into` half of a zone's hair lies: where a seam parts it into equal halves.
pub(super) fn halfway(zone: Zone, into: &Vec3, hairline: &Hairline) -> f64 {
    let (left, right) = (zone != Zone::RightSide, zone != Zone::LeftSide);
    let counterpart = if left { zone } else { Zone::LeftSide };
    let nearest = zone_at(hairline);
    let mut along: Vec<f64> = lattice(2000)
        .filter(|d| d.x > 0.0 && hairline.above(d) > 0.0 && nearest(d) == counterpart)
        .flat_map(|d| [left.then_some(d), right.then(|| mirror(&d))])
        .flatten()
        .map(|d| d.dot(into))
        .collect();
    along.sort_by(f64::total_cmp);
    // Of an even number the middle of the middle two, so that the same seam is seen from either side.
    let at = |i: usize| along.get(i).copied().unwrap_or_default();
    0.5 * (at(along.len().saturating_sub(1) / 2) + at(along.len() / 2))
}

/// Asks for the zone whose middle is nearest.
pub(crate) fn zone_at(hairline: &Hairline) -> impl Fn(&Vec3) -> Zone {
    let centres = Zone::ALL.map(|zone| (zone, zone_centre(zone, hairline)));
    move |d| {
        let nearest = centres.iter().max_by(|(_, a), (_, b)| d.dot(a).total_cmp(&d.dot(b)));
        nearest.map_or(Zone::LeftSide, |(zone, _)| *zone)
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::{Landmark, ordinary_head as head};

    #[test]
    fn the_scalp_has_the_area_scalps_have_however_many_roots_stand_for_it() {
        let (form, hairline) = head();
        let area =
            |count| roots(&form, &hairline, count).iter().map(|root| root.area_mm2).sum::<f64>() / 100.0;
        let (coarse, fine) = (area(1024), area(16_384));
        // Adult scalps measure 550 to 800 cm².
        assert!((550.0..800.0).contains(&fine), "{fine} cm²");
        assert!((coarse / fine - 1.0).abs() < 0.01, "{coarse} {fine}");
        let count = roots(&form, &hairline, 4096).len();
        assert!((4000..4200).contains(&count), "{count}");
    }

    #[test]
    fn the_right_half_is_the_mirror_image_of_the_left_and_every_zone_has_hair() {
        let (form, hairline) = head();
        let all = roots(&form, &hairline, 4096);
        let half = all.len() / 2;
        for (left, right) in all[..half].iter().zip(&all[half..]) {
            assert_eq!(mirror(&left.at), right.at);
            assert_eq!(left.zone.mirrored().unwrap_or(left.zone), right.zone);
        }
        for zone in Zone::ALL {
            let share = all.iter().filter(|root| root.zone == zone).count() as f64 / all.len() as f64;
            assert!((0.04..0.32).contains(&share), "{zone:?} {share}");
        }
    }

    #[test]
    fn landmarks_lie_where_their_names_say() {
        let (form, hairline) = head();
        let at = |landmark: Landmark| landmark.point(&form, &hairline);
        assert!(at(Landmark::Apex).y > at(Landmark::Crown).y);
        assert!(at(Landmark::Crown).y > at(Landmark::Occipital).y);
        assert!(at(Landmark::Occipital).y > at(Landmark::NapeCentre).y);
        assert!(
            at(Landmark::RecessionLeft).y > at(Landmark::HairlineCentre).y,
            "the hairline goes back there"
        );
        assert!(at(Landmark::EarTopLeft).x > at(Landmark::BrowLeft).x);
        for landmark in Landmark::ALL {
            assert_eq!(mirror(&at(landmark)), at(landmark.mirrored()), "{landmark:?}");
            let above = hairline.above(&landmark.direction(&hairline));
            assert!(above > -1e-9, "{landmark:?} lies outside the hair by {above}");
        }
    }
}
