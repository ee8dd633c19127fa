//! What the blades leave: maps over the eight shares of a root's hair.

use crate::error::FieldErrors;
use crate::hair::{SHARES, ShareLengths};
use serde::{Deserialize, Serialize};

/// Deepest that weight is taken, as a share of a hair's length: beyond half the ends look broken.
const DEEPEST_SHARE: f64 = 0.5;
/// Turn, as a share of all hair, from where one pass of the blades begins to where the next does, and from one strand to the
/// next: the golden ratio and the plastic one, whose multiples fall between each other as evenly as any.
const BETWEEN_PASSES: f64 = 0.618_033_988_749_895;
const BETWEEN_STRANDS: f64 = 0.754_877_666_246_693;

/// How blades are used.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum TechniqueKind {
    /// All hair to one length: keeps all weight.
    #[default]
    Blunt,
    /// Points cut into the ends.
    Point,
    /// Half-open blades slid along the hair.
    Slide,
    /// Under hair cut a little shorter than what lies on it.
    BackCut,
    /// A razor drawn over the surface of the section.
    Skim,
    /// Small bundles cut short near the root, which hold longer hair up.
    Brick,
    /// Hair pushed back by half-closed blades.
    Tease,
    /// A twisted section nicked at places along it.
    Twist,
    /// Thinning shears.
    Thin,
    /// Deep notches into a fanned section.
    Notch,
}

/// How blades are used, how much hair they take and how deep.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Technique {
    /// Which.
    #[serde(default)]
    pub kind: TechniqueKind,
    /// Share of the hair that is taken from, 0 to 0.9; usual for the technique if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub share: Option<f64>,
    /// How far from the ends it is taken at the deepest, mm, 0 to 400; for bricks, how long the stubs stay.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub depth_mm: Option<f64>,
    /// Angle of the blades to the hair when pointing, degrees, 5 to 85: the flatter, the less is taken. It stands in
    /// for the share.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub blade_deg: Option<f64>,
    /// How much more is taken from the under side of a section than from its upper side, 0 (evenly) to 1 (half as much
    /// again below and half as much above, and all between).
    #[serde(default, skip_serializing_if = "is_even")]
    pub under: f64,
    /// How much deeper it is taken below than above, 0 (evenly) to 1 (half as deep again below and half as deep above).
    #[serde(default, skip_serializing_if = "is_even")]
    pub deeper_below: f64,
}

fn is_even(under: &f64) -> bool {
    *under == 0.0
}

/// How depth is spread over what is taken.
#[derive(Clone, Copy)]
enum Spread {
    /// All to the same depth.
    Even,
    /// From nothing to the full depth.
    Graded,
    /// Half of it to half the depth, the rest to all of it.
    Stepped,
    /// Down to stubs.
    Stubs,
}

impl TechniqueKind {
    /// Share and depth, mm, that are usual; our own defaults.
    pub fn usual(self) -> (f64, f64) {
        match self {
            Self::Blunt => (0.0, 0.0),
            Self::Point => (0.5, 10.0),
            Self::Slide => (0.35, 60.0),
            Self::BackCut => (0.3, 15.0),
            Self::Skim => (0.3, 50.0),
            Self::Brick => (0.12, 50.0),
            Self::Tease => (0.25, 50.0),
            Self::Twist => (0.2, 60.0),
            Self::Thin => (0.3, 40.0),
            Self::Notch => (0.35, 45.0),
        }
    }

    fn spread(self) -> Spread {
        match self {
            Self::Blunt | Self::Thin | Self::Notch => Spread::Even,
            Self::Point | Self::Slide | Self::BackCut | Self::Skim | Self::Tease => Spread::Graded,
            Self::Twist => Spread::Stepped,
            Self::Brick => Spread::Stubs,
        }
    }
}

impl Technique {
    /// A technique with its usual share and depth.
    pub fn usual(kind: TechniqueKind) -> Self {
        Self { kind, ..Self::default() }
    }

    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        let given = [
            ("share", self.share, (0.0, 0.9), "share"),
            ("depth_mm", self.depth_mm, (0.0, 400.0), "mm"),
            ("blade_deg", self.blade_deg, (5.0, 85.0), "°"),
        ];
        for (field, value, range, unit) in given {
            if let Some(value) = value {
                faults.range(field, value, range, unit);
            }
        }
        faults.range("under", self.under, (0.0, 1.0), "share");
        faults.range("deeper_below", self.deeper_below, (0.0, 1.0), "share");
        faults.or(())
    }

    /// Whether it is used alike on the under and the upper side of a section.
    pub(super) fn is_used_evenly(&self) -> bool {
        is_even(&self.under) && is_even(&self.deeper_below)
    }

    /// The technique as it is used so far up a section, 0 its under side and 1 its upper: the mean share over the
    /// section stays what it is.
    pub(super) fn at_height(&self, up: f64) -> Self {
        let (share, depth) = self.amounts();
        let share = share * (1.0 + self.under * (0.5 - up));
        let depth = depth * (1.0 + self.deeper_below * (0.5 - up));
        Self { share: Some(share.min(1.0)), depth_mm: Some(depth), ..*self }
    }

    /// Share that is taken from, and depth, mm.
    pub fn amounts(&self) -> (f64, f64) {
        let (share, depth) = self.kind.usual();
        let by_angle = self.blade_deg.map(|degrees| degrees.to_radians().sin() * 0.7);
        (self.share.or(by_angle).unwrap_or(share), self.depth_mm.unwrap_or(depth))
    }

    /// Takes weight from hair of these lengths, beginning at a place among it (0 to 1, see [`begins`]).
    ///
    /// The hair of a root lies on a ring of eight equal parts. What is taken from is a stretch of the ring: of a part of which
    /// it covers a share, that share is taken, so that the mass taken is exact and changes evenly with share and depth.
    pub(super) fn work(&self, lengths: &mut ShareLengths, begin: f64) {
        let (share, depth) = self.amounts();
        if share <= 0.0 {
            return;
        }
        let whole = *lengths;
        // The stretch may run over the end of the ring and on from its beginning.
        for number in (begin * SHARES as f64) as usize.. {
            let (from, to) = (number as f64 / SHARES as f64, (number + 1) as f64 / SHARES as f64);
            let (low, high) = (from.max(begin), to.min(begin + share));
            if high <= low {
                break;
            }
            let (length, whole) = (&mut lengths[number % SHARES], whole[number % SHARES]);
            let covered = (high - low) * SHARES as f64;
            let deep = |mean_depth: f64| covered * mean_depth.min(DEEPEST_SHARE * whole);
            let taken = match self.kind.spread() {
                Spread::Even => deep(depth),
                // From nothing at the beginning of the stretch to the full depth at its end.
                Spread::Graded => deep(depth * (0.5 * (low + high) - begin) / share),
                Spread::Stepped => {
                    let deep_from = begin + 0.5 * share;
                    let full = (high - low.max(deep_from)).max(0.0) / (high - low);
                    deep(depth * 0.5 * (1.0 + full))
                }
                Spread::Stubs => covered * (whole - depth).max(0.0),
            };
            *length = (*length - taken).max(0.0);
        }
    }
}

/// Where among the hair of a root a pass of the blades begins, 0 to 1: each pass meets other hairs than the one before, and
/// beside each other roots lose different ones.
pub(super) fn begins(pass: usize, strand: usize) -> f64 {
    (BETWEEN_PASSES * pass as f64 + BETWEEN_STRANDS * strand as f64).fract()
}

#[cfg(test)]
mod tests {
    use super::*;

    const ALL: [TechniqueKind; 10] = [
        TechniqueKind::Blunt,
        TechniqueKind::Point,
        TechniqueKind::Slide,
        TechniqueKind::BackCut,
        TechniqueKind::Skim,
        TechniqueKind::Brick,
        TechniqueKind::Tease,
        TechniqueKind::Twist,
        TechniqueKind::Thin,
        TechniqueKind::Notch,
    ];

    fn left(technique: Technique) -> f64 {
        let mut lengths = [200.0; SHARES];
        technique.work(&mut lengths, 0.37);
        assert!(lengths.iter().all(|l| (0.0..=200.0).contains(l)));
        lengths.iter().sum::<f64>() / SHARES as f64
    }

    #[test]
    fn what_is_taken_is_share_times_depth_exactly() {
        let thin =
            Technique { share: Some(0.3), depth_mm: Some(40.0), ..Technique::usual(TechniqueKind::Thin) };
        assert!((200.0 - left(thin) - 0.3 * 40.0).abs() < 1e-12);
        let brick =
            Technique { share: Some(0.1), depth_mm: Some(50.0), ..Technique::usual(TechniqueKind::Brick) };
        assert!((200.0 - left(brick) - 0.1 * 150.0).abs() < 1e-12);
        let graded =
            Technique { share: Some(0.5), depth_mm: Some(40.0), ..Technique::usual(TechniqueKind::Slide) };
        assert!((200.0 - left(graded) - 0.5 * 20.0).abs() < 1e-12, "graded takes half of it");
    }

    #[test]
    fn blunt_keeps_all_weight_and_nothing_is_taken_deeper_than_half() {
        assert!((left(Technique::default()) - 200.0).abs() < 1e-12);
        for kind in ALL.into_iter().filter(|kind| *kind != TechniqueKind::Brick) {
            let deep = Technique { depth_mm: Some(400.0), ..Technique::usual(kind) };
            let mut lengths = [200.0; SHARES];
            deep.work(&mut lengths, 0.8);
            assert!(lengths.iter().all(|l| *l >= 100.0), "{kind:?} {lengths:?}");
        }
    }

    #[test]
    fn a_larger_share_a_deeper_cut_and_a_steeper_blade_take_more() {
        for kind in
            ALL.into_iter().filter(|kind| !matches!(kind, TechniqueKind::Blunt | TechniqueKind::Brick))
        {
            let with = |share, depth| {
                left(Technique { share: Some(share), depth_mm: Some(depth), ..Technique::usual(kind) })
            };
            assert!(with(0.2, 30.0) > with(0.4, 30.0) && with(0.2, 30.0) > with(0.2, 60.0), "{kind:?}");
        }
        let point =
            |blade| left(Technique { blade_deg: Some(blade), ..Technique::usual(TechniqueKind::Point) });
        assert!(point(15.0) > point(60.0));
    }

    #[test]
    fn more_is_taken_below_than_above_and_as_much_as_a_whole() {
        let thin = Technique { share: Some(0.4), under: 0.8, ..Technique::usual(TechniqueKind::Thin) };
        let mut taken = [0.0; 11];
        for (i, taken) in taken.iter_mut().enumerate() {
            *taken = 200.0 - left(thin.at_height(i as f64 / 10.0));
        }
        assert!(taken.windows(2).all(|pair| pair[0] > pair[1]), "{taken:?}");
        let even = 200.0 - left(Technique { under: 0.0, ..thin });
        assert!((taken.iter().sum::<f64>() / 11.0 - even).abs() < 1e-9);
        assert!((taken[0] / even - 1.4).abs() < 1e-9, "{taken:?}");
    }

    #[test]
    fn a_second_pass_meets_other_hairs_than_the_first() {
        let thin =
            Technique { share: Some(0.3), depth_mm: Some(90.0), ..Technique::usual(TechniqueKind::Thin) };
        let mut fresh = 0.0;
        for strand in 0..200 {
            let mut once = [200.0; SHARES];
            thin.work(&mut once, begins(0, strand));
            let mut twice = once;
            thin.work(&mut twice, begins(1, strand));
            let whole = |lengths: &ShareLengths| lengths.iter().filter(|length| **length > 199.9).count();
            fresh += (whole(&once) - whole(&twice)) as f64;
        }
        // Of eight parts a first pass leaves five or six whole; a second takes from at least two more of them.
        assert!(fresh / 200.0 > 1.5, "{}", fresh / 200.0);
    }

    #[test]
    fn what_is_taken_changes_evenly_with_share_and_depth_wherever_it_begins() {
        for kind in ALL.into_iter().filter(|kind| *kind != TechniqueKind::Blunt) {
            for begin in [0.0, 0.43, 0.91] {
                let mut last = None::<ShareLengths>;
                for step in 0..=400 {
                    let share = f64::from(step) / 500.0;
                    let tried =
                        Technique { share: Some(share), depth_mm: Some(60.0), ..Technique::usual(kind) };
                    let mut lengths = [200.0; SHARES];
                    tried.work(&mut lengths, begin);
                    if let Some(last) = last {
                        let most = lengths.iter().zip(&last).map(|(a, b)| (a - b).abs()).fold(0.0, f64::max);
                        assert!(most < 3.0, "{kind:?} from {begin} at {share}: {most}");
                    }
                    last = Some(lengths);
                }
            }
        }
    }
}
