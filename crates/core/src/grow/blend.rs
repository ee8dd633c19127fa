//! From the zones that were read to the hair at any place between them.

use crate::fibre::LengthModel;
use crate::head::{Hairline, Patch, Seam, Vec3, Zone, zone_centre};
use crate::learn;
use crate::reading::{RawReading, ZoneReading};
use crate::section::RegionTest;
use rayon::prelude::*;

/// Angle over which a zone's say falls off, radians: a third of the distance of neighbouring zones.
const REACH: f64 = 0.32;

/// Angle within which of its middle a zone is as it was read, radians: a finger's width.
const OWN: f64 = 0.08;

/// Angle over which one half of a zone passes into the other, radians: about a finger's width.
const SEAM: f64 = 0.06;

/// Rounds in which zones are made as long as they were read, the logarithm of the share to which that is kept, and by how much
/// the logarithm of what is said in the middle of one may move.
const KEEPS: usize = 40;
const KEPT_LN: f64 = 0.003;
const MOST_MOVED_LN: f64 = 2.5;

/// Where a patch has its say.
#[derive(Debug, Clone)]
struct Centre {
    /// The middle of its zone.
    zone: Vec3,
    /// Of a half beside which the other was read: where they meet.
    half: Option<Seam>,
}

impl Centre {
    /// Where each of some patches has its say.
    fn all<'a>(patches: &'a [Patch], hairline: &'a Hairline) -> impl Iterator<Item = Self> + 'a {
        patches.iter().map(move |patch| {
            let zone = zone_centre(patch.zone, hairline);
            let both = patch.other_half().is_some_and(|other| patches.contains(&other));
            Self { zone, half: if both { Seam::of(*patch, hairline) } else { None } }
        })
    }
}

/// The say that each of some patches has in the direction of the unit vector `d`: its zone's, exp(−(angle/reach)²), which
/// the halves of a zone share so that nothing jumps where they meet. Taken relative to the nearest zone, so that they never
/// all vanish.
fn weights<'a, I>(d: &'a Vec3, centres: impl Fn() -> I) -> impl Iterator<Item = f64>
where
    I: Iterator<Item = &'a Centre>,
{
    let angle = |centre: &Centre| d.dot(&centre.zone).clamp(-1.0, 1.0).acos();
    let nearest = centres().map(angle).fold(f64::INFINITY, f64::min);
    centres().map(move |centre| {
        let off = angle(centre).powi(2);
        // In the middle of a zone its own reading is as good as all that is said.
        let zone = ((nearest * nearest - off) / (REACH * REACH)).exp() / (off + OWN * OWN);
        zone * centre.half.map_or(1.0, |seam| 1.0 / (1.0 + ((seam.at - d.dot(&seam.into)) / SEAM).exp()))
    })
}

/// Hair as it grows somewhere.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Grown {
    /// What kind.
    pub model: LengthModel,
    /// How long the longest of it is now, mm of fibre.
    pub length_mm: f64,
    /// By how much shorter the shortest is, as a share.
    pub layered: f64,
}

/// Patches that were read, ready to be asked.
#[derive(Debug, Clone)]
pub struct Blend {
    patches: Vec<(Centre, Patch, Grown)>,
}

impl Blend {
    /// Fits each patch. At least one must have been read. Where the shortest was not measured it is shorter by `taper`.
    pub fn of(read: &[(Patch, ZoneReading)], taper: f64, hairline: &Hairline) -> Self {
        let patches: Vec<Patch> = read.iter().map(|(patch, _)| *patch).collect();
        let grown = |read: &ZoneReading| Grown {
            model: learn::fit(read).model(),
            length_mm: read.present_mm,
            layered: read.shortest_mm.map_or(taper, |shortest| 1.0 - shortest / read.present_mm),
        };
        let fitted = Centre::all(&patches, hairline)
            .zip(read)
            .map(|(centre, (patch, read))| (centre, *patch, grown(read)));
        Self { patches: fitted.collect() }
    }

    /// The hair in the direction of the unit vector `d`: a mean of the patches by their say. Sizes are averaged in their
    /// logarithms.
    pub fn at(&self, d: &Vec3) -> Grown {
        self.among(d, |_| true)
    }

    /// The same where some patches end sharply: of the length of `inside` within its edge, and beyond it of a length that patches
    /// with edges have no say in.
    pub(super) fn with_edges(&self, d: &Vec3, edges: &[(Patch, RegionTest)], inside: Option<Patch>) -> Grown {
        let whole = self.at(d);
        let sharp = |patch: Patch| edges.iter().any(|(edge, _)| *edge == patch);
        let length = match inside {
            Some(own) => self.among(d, |patch| patch == own),
            None if self.patches.iter().any(|(_, patch, _)| !sharp(*patch)) => {
                self.among(d, |patch| !sharp(patch))
            }
            None => whole,
        };
        Grown { length_mm: length.length_mm, layered: length.layered, ..whole }
    }

    /// Makes each patch as long on the mean over its roots as it was read: blending alone draws a short zone among long ones out and
    /// its neighbours in. `roots` are asked, with how much hair each is; patches with an edge are as they were read within it.
    pub(super) fn keep_means(&mut self, roots: &[(Vec3, Zone, f64)], sharp: &[Patch]) {
        let soft: Vec<usize> =
            (0..self.patches.len()).filter(|k| !sharp.contains(&self.patches[*k].1)).collect();
        let read: Vec<f64> = soft.iter().map(|k| self.patches[*k].2.length_mm).collect();
        if read.iter().all(|mm| *mm == read[0]) {
            return;
        }
        // What each patch has to say at each root, and which patch's the root is.
        let says = |(d, zone, hairs): &(Vec3, Zone, f64)| {
            let all: Vec<f64> = weights(d, || self.patches.iter().map(|patch| &patch.0)).collect();
            let mut says: Vec<f64> = soft.iter().map(|k| all[*k]).collect();
            let sum: f64 = says.iter().sum();
            says.iter_mut().for_each(|says| *says /= sum);
            let of = |k: &usize| {
                let (centre, patch, _) = &self.patches[soft[*k]];
                patch.zone == *zone && centre.half.is_none_or(|seam| d.dot(&seam.into) > seam.at)
            };
            ((0..soft.len()).find(of), says, *hairs)
        };
        let said: Vec<(Option<usize>, Vec<f64>, f64)> = roots.par_iter().map(says).collect();
        let mut ln: Vec<f64> = read.iter().map(|mm| mm.ln()).collect();
        for _ in 0..KEEPS {
            let mut sums = vec![(0.0, 0.0); soft.len()];
            for (of, says, hairs) in &said {
                if let Some(of) = of {
                    let mm = says.iter().zip(&ln).map(|(says, ln)| says * ln).sum::<f64>().exp();
                    sums[*of].0 += hairs * mm;
                    sums[*of].1 += hairs;
                }
            }
            let mut off = 0.0_f64;
            for ((ln, read), (mm, hairs)) in ln.iter_mut().zip(&read).zip(sums) {
                if hairs > 0.0 {
                    let over = (mm / hairs / read).ln();
                    off = off.max(over.abs());
                    // A zone answers by less than its middle moves.
                    *ln = (*ln - over).clamp(read.ln() - MOST_MOVED_LN, read.ln() + MOST_MOVED_LN);
                }
            }
            if off < KEPT_LN {
                break;
            }
        }
        for (k, ln) in soft.into_iter().zip(ln) {
            self.patches[k].2.length_mm = ln.exp();
        }
    }

    fn among(&self, d: &Vec3, may: impl Fn(Patch) -> bool) -> Grown {
        let mut sums = [0.0; 8];
        let says = weights(d, || self.patches.iter().map(|patch| &patch.0));
        for ((_, patch, Grown { model, length_mm, layered }), weight) in self.patches.iter().zip(says) {
            if !may(*patch) {
                continue;
            }
            let values = [
                1.0,
                model.loop_radius_mm.ln(),
                model.natural_pitch,
                model.diameter_um.ln(),
                model.stiffness.ln(),
                model.softening,
                length_mm.ln(),
                *layered,
            ];
            for (sum, value) in sums.iter_mut().zip(values) {
                *sum += weight * value;
            }
        }
        let mean = |i: usize| sums[i] / sums[0];
        let model = LengthModel {
            loop_radius_mm: mean(1).exp(),
            natural_pitch: mean(2),
            diameter_um: mean(3).exp(),
            stiffness: mean(4).exp(),
            softening: mean(5),
        };
        Grown { model, length_mm: mean(6).exp(), layered: mean(7) }
    }
}

/// How dense hair grows: what was counted, and the usual where nothing was.
#[derive(Debug, Clone)]
pub(super) struct Density {
    usual: f64,
    patches: Vec<(Centre, f64)>,
}

impl Density {
    /// Of a reading that has been checked.
    pub fn of(reading: &RawReading, hairline: &Hairline) -> Self {
        let usual = reading.hairs_per_cm2;
        let patches: Vec<Patch> = reading.patches().collect();
        if patches.iter().all(|patch| reading.counted(*patch).is_none()) {
            return Self { usual, patches: Vec::new() };
        }
        let density = |patch: &Patch| reading.counted(*patch).unwrap_or(usual);
        let counted = Centre::all(&patches, hairline).zip(patches.iter().map(density)).collect();
        Self { usual, patches: counted }
    }

    /// Hairs on a square centimetre in the direction of the unit vector `d`: a geometric mean, weighted as [`Blend::at`]
    /// weights.
    pub fn at(&self, d: &Vec3) -> f64 {
        if self.patches.is_empty() {
            return self.usual;
        }
        let mut sums = (0.0, 0.0);
        let says = weights(d, || self.patches.iter().map(|patch| &patch.0));
        for ((_, density), weight) in self.patches.iter().zip(says) {
            sums = (sums.0 + weight, sums.1 + weight * density.ln());
        }
        (sums.1 / sums.0).exp()
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::grow::HairRequest;
    use crate::head::{HeadForm, Measures, roots};
    use crate::reading::RawZoneReading;

    fn reading(counts: &[(Zone, f64)]) -> RawReading {
        let zones = Zone::ALL.into_iter().map(|zone| {
            let counted = counts.iter().find(|(of, _)| *of == zone).map(|(_, count)| *count);
            (zone.into(), RawZoneReading { hairs_per_cm2: counted, ..RawZoneReading::measured(200.0, 150.0) })
        });
        RawReading { zones: zones.collect(), ..RawReading::default() }
    }

    #[test]
    fn where_nothing_was_counted_hair_is_as_dense_as_usual_and_elsewhere_as_counted() {
        let grow = |counts: &[(Zone, f64)]| {
            HairRequest { roots: 512, ..HairRequest::new(reading(counts)) }.grow().expect("possible")
        };
        let density = |counts: &[(Zone, f64)], zone: Zone| {
            let hair = grow(counts);
            let of = |f: &dyn Fn(&crate::hair::Strand) -> f64| -> f64 {
                hair.strands.iter().filter(|strand| strand.root.zone == zone).map(f).sum()
            };
            100.0 * of(&|strand| strand.hairs) / of(&|strand| strand.root.area_mm2)
        };
        assert!((density(&[], Zone::Nape) - 180.0).abs() < 1e-9);
        let all: Vec<_> = Zone::ALL.into_iter().map(|zone| (zone, 240.0)).collect();
        assert!((density(&all, Zone::Crown) - 240.0).abs() < 1e-9);
        let thin = [(Zone::LeftSide, 90.0)];
        assert!((90.0..135.0).contains(&density(&thin, Zone::LeftSide)));
        assert!((175.0..180.1).contains(&density(&thin, Zone::RightSide)), "the other side keeps its own");
    }

    fn whole() -> (HeadForm, Hairline) {
        let measures = Measures::default();
        let form = HeadForm::of(&measures, Default::default()).expect("ordinary");
        let hairline = Hairline::of(&form, &measures);
        (form, hairline)
    }

    fn named(zones: &[(&str, RawZoneReading)]) -> RawReading {
        let patch = |key: &str| serde_json::from_value(serde_json::json!(key)).expect("a patch");
        let zones = zones.iter().map(|(key, raw)| (patch(key), *raw)).collect();
        RawReading { zones, ..RawReading::default() }
    }

    #[test]
    fn halves_that_are_alike_are_the_whole_zone_and_halves_that_differ_differ_on_their_own_side() {
        let (form, hairline) = whole();
        let (curly, plain) = (RawZoneReading::measured(300.0, 120.0), RawZoneReading::measured(260.0, 240.0));
        let blend =
            |zones: &[(&str, RawZoneReading)]| Blend::of(&named(zones).read_patches(), 0.0, &hairline);
        for (zone, halves) in [
            ("left_side", ["left_side_front", "left_side_behind"]),
            ("left_side", ["left_side_upper", "left_side_under"]),
            ("top", ["top_left", "top_right"]),
            ("crown", ["crown_front", "crown_behind"]),
            ("nape", ["nape_left", "nape_right"]),
            ("back_lower", ["back_lower_upper", "back_lower_under"]),
        ] {
            let alike = blend(&[("right_side", plain), (halves[0], curly), (halves[1], curly)]);
            let as_one = blend(&[("right_side", plain), (zone, curly)]);
            let apart = blend(&[(halves[0], curly), (halves[1], plain)]);
            let (mut nearer_one, mut nearer_other, mut all) = (0, 0, 0);
            for root in roots(&form, &hairline, 1024) {
                let d = root.at.normalize();
                let (a, b) = (alike.at(&d), as_one.at(&d));
                assert!((a.model.loop_radius_mm / b.model.loop_radius_mm - 1.0).abs() < 1e-9);
                assert!((a.length_mm - b.length_mm).abs() < 1e-9);
                if root.zone.key() == zone {
                    let length = apart.at(&d).length_mm;
                    nearer_one += usize::from(length > 296.0);
                    nearer_other += usize::from(length < 264.0);
                    all += 1;
                }
            }
            // Of either half most is its own; what is left is the seam.
            let count = nearer_one + nearer_other;
            assert!(nearer_one.min(nearer_other) * 3 > count, "{halves:?}: {nearer_one} {nearer_other}");
            assert!(3 * count > all, "{halves:?}: {count} of {all}");
        }
    }

    #[test]
    fn layers_go_as_far_as_the_shortest_that_was_measured_and_elsewhere_as_ends_taper() {
        let (_, hairline) = whole();
        let layered = RawZoneReading { shortest_mm: Some(180.0), ..RawZoneReading::measured(300.0, 150.0) };
        let read = named(&[("crown", layered), ("nape", RawZoneReading::measured(300.0, 150.0))]);
        let blend = Blend::of(&read.read_patches(), 0.1, &hairline);
        let at = |zone| blend.at(&zone_centre(zone, &hairline)).layered;
        assert!((at(Zone::Crown) - 0.4).abs() < 0.01 && (at(Zone::Nape) - 0.1).abs() < 0.01);
        let hair = HairRequest { roots: 512, ..HairRequest::new(read) }.grow().expect("possible");
        let crown =
            (0..hair.strands.len()).find(|i| hair.strands[*i].root.zone == Zone::Crown).expect("some");
        let [longest, .., shortest] = hair.lengths[crown][..] else { panic!("several shares") };
        assert!(longest > 295.0 && shortest < 0.75 * longest, "{longest} {shortest}");
    }

    #[test]
    fn one_half_alone_speaks_for_its_zone() {
        let (_, hairline) = whole();
        let read = RawZoneReading::measured(300.0, 150.0);
        let of = |key| {
            let nape = ("nape", RawZoneReading::measured(100.0, 90.0));
            Blend::of(&named(&[(key, read), nape]).read_patches(), 0.0, &hairline)
        };
        let d = Vec3::new(-0.2, 0.9, 0.1).normalize();
        assert_eq!(of("top_left").at(&d), of("top").at(&d));
    }
}
