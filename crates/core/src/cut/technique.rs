//! What the blades leave: of the share of a root's hair that they take from, which hair is left how long ([`Left`]).

use super::ranges::{DEPTH_MM, TECHNIQUE_SHARE};
use crate::error::FieldErrors;
use crate::hair::ShareLengths;
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

/// How deep the hair that is taken from is cut: a share of the depth for each place u among it, 0 to 1.
#[derive(Debug, Clone, Copy, PartialEq)]
enum Left {
    /// All to the same depth: 1. Both blades of thinning shears close over one line, and so do fingers.
    Even,
    /// u: as many hairs are left at each length. Straight cuts into the ends leave straight-sided points.
    Evenly,
    /// 1 − √(1 − u): few are short and most are cut near their ends, as blades that slide out meet ever more of them.
    Tapered,
    /// √u: few are cut near their ends and most deep down, where hair that is pushed back bends over the blades.
    Deep,
    /// ½ + ½u: a notch goes in deep and opens from there.
    Notched,
    /// ⅓, ⅔ and 1, a third of them each: nicks along a twist.
    Stepped,
    /// Down to stubs of the stated length.
    Stubs,
}

/// Which side of a section is cut deeper.
#[derive(Debug, Clone, Copy, PartialEq)]
enum Side {
    Both,
    /// From the full depth at its under side to nothing at its upper.
    Under,
    /// From half the depth at its under side to the full depth at its upper.
    Upper,
}

/// x^(3/2).
fn three_halves(x: f64) -> f64 {
    x * x.sqrt()
}

impl Left {
    /// Mean share of the depth over a stretch of places.
    fn mean(self, (from, to): (f64, f64)) -> f64 {
        let whole = |u: f64| match self {
            Self::Even | Self::Stubs => u,
            Self::Evenly => 0.5 * u * u,
            Self::Tapered => u - (1.0 - three_halves((1.0 - u).max(0.0))) / 1.5,
            Self::Deep => three_halves(u) / 1.5,
            Self::Notched => 0.5 * u + 0.25 * u * u,
            Self::Stepped => (1..=3).map(|step| (u - f64::from(step - 1) / 3.0).max(0.0) / 3.0).sum::<f64>(),
        };
        (whole(to) - whole(from)) / (to - from)
    }
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
            Self::Brick => (0.12, 25.0),
            Self::Tease => (0.25, 50.0),
            Self::Twist => (0.2, 60.0),
            Self::Thin => (0.3, 40.0),
            Self::Notch => (0.35, 45.0),
        }
    }

    /// How deep it cuts where among the hair it takes from, and from which side of the section.
    fn leaves(self) -> (Left, Side) {
        match self {
            Self::Blunt | Self::Thin => (Left::Even, Side::Both),
            Self::Point => (Left::Evenly, Side::Both),
            Self::Slide => (Left::Tapered, Side::Both),
            Self::BackCut => (Left::Even, Side::Under),
            Self::Skim => (Left::Evenly, Side::Upper),
            Self::Brick => (Left::Stubs, Side::Both),
            Self::Tease => (Left::Deep, Side::Both),
            Self::Twist => (Left::Stepped, Side::Both),
            Self::Notch => (Left::Notched, Side::Both),
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
            ("share", self.share, TECHNIQUE_SHARE, "share"),
            ("depth_mm", self.depth_mm, DEPTH_MM, "mm"),
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
        is_even(&self.under) && is_even(&self.deeper_below) && self.kind.leaves().1 == Side::Both
    }

    /// The technique as it is used so far up a section, 0 its under side and 1 its upper: the mean share over the
    /// section stays what it is.
    pub(super) fn at_height(&self, up: f64) -> Self {
        let (share, depth) = self.amounts();
        let share = share * (1.0 + self.under * (0.5 - up));
        let deep = match self.kind.leaves().1 {
            Side::Both => 1.0,
            Side::Under => 1.0 - up,
            Side::Upper => 0.5 + 0.5 * up,
        };
        let depth = depth * deep * (1.0 + self.deeper_below * (0.5 - up));
        Self { share: Some(share.min(1.0)), depth_mm: Some(depth), ..*self }
    }

    /// Share that is taken from, and depth, mm.
    pub fn amounts(&self) -> (f64, f64) {
        let (share, depth) = self.kind.usual();
        let by_angle = self.blade_deg.map(|degrees| degrees.to_radians().sin() * 0.7);
        (self.share.or(by_angle).unwrap_or(share), self.depth_mm.unwrap_or(depth))
    }

    /// Takes weight from hair of these lengths, beginning at a place among it (0 to 1, see [`begins`]), of so much of it as is in
    /// the hand.
    pub(super) fn work(&self, lengths: &mut ShareLengths, begin: f64, in_hand: f64) {
        let (share, depth) = self.amounts();
        let (leaves, _) = self.kind.leaves();
        lengths.cut_stretch(begin, share * in_hand, |mm, among| match leaves {
            Left::Stubs => mm.min(depth),
            _ => mm - (depth * leaves.mean(among)).min(DEEPEST_SHARE * mm),
        });
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

    fn with(kind: TechniqueKind, share: f64, depth_mm: f64) -> Technique {
        Technique { share: Some(share), depth_mm: Some(depth_mm), ..Technique::usual(kind) }
    }

    fn worked(technique: Technique) -> ShareLengths {
        let mut lengths = ShareLengths::all(200.0);
        technique.work(&mut lengths, 0.37, 1.0);
        assert!(lengths.iter().all(|l| (0.0..=200.0).contains(l)));
        lengths
    }

    fn left(technique: Technique) -> f64 {
        worked(technique).mean()
    }

    #[test]
    fn what_is_taken_is_the_share_times_what_each_technique_leaves_of_the_depth_however_small_it_is() {
        for (kind, of_the_depth) in [
            (TechniqueKind::Thin, 1.0),
            (TechniqueKind::Point, 0.5),
            (TechniqueKind::Slide, 1.0 / 3.0),
            (TechniqueKind::Tease, 2.0 / 3.0),
            (TechniqueKind::Notch, 0.75),
            (TechniqueKind::Twist, 2.0 / 3.0),
        ] {
            for share in [0.001, 0.02, 0.3, 0.5] {
                let taken = 200.0 - left(with(kind, share, 40.0));
                assert!((taken - share * 40.0 * of_the_depth).abs() < 1e-9, "{kind:?} {share}: {taken}");
            }
        }
        for share in [0.04, 0.08, 0.3] {
            let brick = worked(with(TechniqueKind::Brick, share, 50.0));
            let stubs: f64 = brick.shares().filter(|(mm, _)| *mm == 50.0).map(|(_, part)| part).sum();
            assert!((stubs - share).abs() < 1e-12, "{share}: {stubs}");
        }
    }

    #[test]
    fn no_two_techniques_leave_the_same_hair_of_one_share_and_depth() {
        let kinds = ALL.into_iter().filter(|kind| *kind != TechniqueKind::Blunt);
        // How much hair is shorter than each length, over a section from its under side to its upper.
        let shorter = |kind: TechniqueKind| -> Vec<f64> {
            let sides: Vec<ShareLengths> =
                (0..=10).map(|up| worked(with(kind, 0.4, 60.0).at_height(f64::from(up) / 10.0))).collect();
            let below = |side: &ShareLengths, mm: f64| {
                side.shares().filter(|(length, _)| *length < mm).map(|(_, part)| part).sum::<f64>()
            };
            sides
                .iter()
                .flat_map(|side| (0..30).map(move |i| below(side, 50.0 + 5.0 * f64::from(i))))
                .collect()
        };
        let all: Vec<(TechniqueKind, Vec<f64>)> = kinds.map(|kind| (kind, shorter(kind))).collect();
        for (i, (one, a)) in all.iter().enumerate() {
            for (other, b) in &all[i + 1..] {
                let most = a.iter().zip(b).map(|(a, b)| (a - b).abs()).fold(0.0, f64::max);
                assert!(most > 0.04, "{one:?} {other:?}: {most}");
            }
        }
    }

    #[test]
    fn blunt_keeps_all_weight_and_nothing_is_taken_deeper_than_half() {
        assert!((left(Technique::default()) - 200.0).abs() < 1e-12);
        for kind in ALL.into_iter().filter(|kind| *kind != TechniqueKind::Brick) {
            let mut lengths = ShareLengths::all(200.0);
            Technique { depth_mm: Some(400.0), ..Technique::usual(kind) }.work(&mut lengths, 0.8, 1.0);
            assert!(lengths.iter().all(|l| *l >= 100.0), "{kind:?} {lengths:?}");
        }
    }

    #[test]
    fn a_larger_share_a_deeper_cut_and_a_steeper_blade_take_more() {
        for kind in
            ALL.into_iter().filter(|kind| !matches!(kind, TechniqueKind::Blunt | TechniqueKind::Brick))
        {
            let taken = |share, depth| 200.0 - left(with(kind, share, depth));
            assert!(taken(0.4, 30.0) > taken(0.2, 30.0) && taken(0.2, 60.0) > taken(0.2, 30.0), "{kind:?}");
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
    fn a_section_is_back_cut_from_its_under_side_and_skimmed_from_its_upper() {
        let taken = |kind, up| 200.0 - left(with(kind, 0.4, 60.0).at_height(up));
        assert!((taken(TechniqueKind::BackCut, 0.0) - 24.0).abs() < 1e-9);
        assert!(taken(TechniqueKind::BackCut, 1.0) < 1e-9);
        assert!((taken(TechniqueKind::Skim, 1.0) - 12.0).abs() < 1e-9);
        assert!((taken(TechniqueKind::Skim, 0.0) - 6.0).abs() < 1e-9);
    }

    #[test]
    fn a_second_pass_meets_other_hairs_than_the_first() {
        let thin = with(TechniqueKind::Thin, 0.3, 90.0);
        let whole = |lengths: &ShareLengths| -> f64 {
            lengths.shares().filter(|(mm, _)| *mm > 199.9).map(|(_, part)| part).sum()
        };
        let mut both = 0.0;
        for strand in 0..200 {
            let mut twice = ShareLengths::all(200.0);
            thin.work(&mut twice, begins(0, strand), 1.0);
            thin.work(&mut twice, begins(1, strand), 1.0);
            both += whole(&twice) / 200.0;
        }
        // Of 30 and 30 in a hundred no hair is met twice while there are others.
        assert!((both - 0.4).abs() < 1e-6, "{both}");
    }

    #[test]
    fn what_is_taken_changes_evenly_with_share_and_depth_wherever_it_begins() {
        for kind in ALL.into_iter().filter(|kind| *kind != TechniqueKind::Blunt) {
            for begin in [0.0, 0.43, 0.91] {
                // Mean length, and how much of the hair is short: what the fall is made of.
                let of = |share: f64| {
                    let mut lengths = ShareLengths::all(200.0);
                    with(kind, share, 60.0).work(&mut lengths, begin, 1.0);
                    let short: f64 = lengths.shares().map(|(mm, part)| part * (200.0 - mm).min(30.0)).sum();
                    (lengths.mean(), short)
                };
                let mut last = of(0.0);
                for step in 1..=800 {
                    let now = of(f64::from(step) / 1000.0);
                    assert!(
                        (now.0 - last.0).abs() < 0.25 && (now.1 - last.1).abs() < 0.05,
                        "{kind:?} {step}"
                    );
                    last = now;
                }
            }
        }
    }
}
