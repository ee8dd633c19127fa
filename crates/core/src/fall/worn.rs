//! A head of hair as it is worn: how long each share is, and how the hair of each root lies.

use crate::constants::LOCK_ENTANGLED;
use crate::drape::Drape;
use crate::drape::lie::{Lie, RISE_RADIUS_MM, Turn, cube_root_of_one_and};
use crate::drape::path::LEAST_RIDE_MM;
use crate::drape::profile::{DECAY_MM, TERMS, Terms, decayed_slowest, fourth_powers};
use crate::fibre::WornStyle;
use crate::hair::{Hair, SHARES, ShareLengths, Strand};
use crate::head::Vec3;
use crate::shares::MOST_SHARES;
use rayon::prelude::*;
use std::cell::OnceCell;

/// Sine of the angle at which hair grows out of the scalp: on top steeply, at the sides and the back down along it.
const GROWS_ON_TOP: f64 = 0.87;
const GROWS_ASIDE: f64 = 0.4;
/// How far long hair stands off at its root, in bending lengths, times how often it is longer than that.
const STANDS_OFF: f64 = 0.5;

/// Bending lengths of its lock up to which crowded hair stays upright.
const UPRIGHT_LENGTHS: f64 = 2.4;
/// What it holds up grows with so many powers of the crowding.
const HELD_UP_GROWS: i32 = 2;
/// How much less hair is held up that grows at the edge and has nothing rooted below it, and over what share of its length.
const EDGE_LACKS: f64 = 0.55;
const EDGE_OVER: f64 = 0.5;

/// Fourth power of so many times that length from which on what e^−it leaves is less than rounding.
const NOT_UPRIGHT: f64 = 40.0;

/// A number for each share.
type PerShare = [f64; MOST_SHARES];

/// One strand as it is worn.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(crate) struct Worn {
    /// Worn length of each share, mm.
    pub lengths: ShareLengths,
    /// e^(−length/τ) of each share's for the longest τ, from which the others' follow, and what its profile must be multiplied by to
    /// hold just its fibre.
    slowest: PerShare,
    pub(super) exact: PerShare,
    /// How far a lock lets each close: what is shorter than its mean is drawn along by the rest of it and opened in proportion.
    /// Brushing dissolves locks.
    pub(super) closing: PerShare,
    /// Shares of one length, from short to long: the first of each, and how many eighths of the hair they are.
    bundles: [u8; MOST_SHARES],
    eighths: PerShare,
    bundle_count: u8,
    /// The longest of them, mm.
    pub longest_mm: f64,
    /// How it lies, and where it then leaves the head on its way with the parting.
    pub lie: Lie,
    pub(crate) turn: Turn,
    /// Where its longest share ends, and where its mean length does, mm.
    pub longest_end: Vec3,
    pub mean_end: Vec3,
}

/// How long the shares of every strand are as the client wears them, and how they lie.
#[derive(Debug, Clone, PartialEq)]
pub struct AsWorn(pub(crate) Vec<Worn>);

impl AsWorn {
    /// Of hair at these fibre lengths.
    pub fn of(hair: &Hair, lengths: &[ShareLengths]) -> Self {
        let one = |i: usize| worn(hair, i, &lengths[i]);
        Self((0..hair.strands.len()).into_par_iter().with_min_len(64).map(one).collect())
    }

    /// Where the end of a share of a strand lies, mm.
    pub fn end(&self, hair: &Hair, strand: usize, share: usize) -> Vec3 {
        self.0[strand].end(hair, strand, share)
    }

    /// Where the mean length of a strand ends, mm.
    pub fn mean_end(&self, strand: usize) -> Vec3 {
        self.0[strand].mean_end
    }
}

impl Worn {
    /// No hair.
    const NONE: Self = Self {
        lengths: ShareLengths::all(0.0),
        slowest: [1.0; MOST_SHARES],
        exact: [1.0; MOST_SHARES],
        closing: [1.0; MOST_SHARES],
        bundles: [0; MOST_SHARES],
        eighths: [0.0; MOST_SHARES],
        bundle_count: 0,
        longest_mm: 0.0,
        lie: Lie { crowding: 0.0, stand_mm: 0.0, held_up: 0.0 },
        turn: Turn { worn_mm: 0.0, rise_mm: 0.0 },
        longest_end: Vec3::new(0.0, 0.0, 0.0),
        mean_end: Vec3::new(0.0, 0.0, 0.0),
    };

    /// Lets shares of known lengths lie as they do.
    fn lie_down(&mut self, hair: &Hair, i: usize) {
        let (strand, drape) = (&hair.strands[i], &hair.drapes[i]);
        self.longest_mm = self.lengths.longest();
        self.bundle();
        let mean = self.mean_mm();
        if strand.worn != WornStyle::BrushedOut && mean < self.longest_mm {
            self.closing = self.lengths.padded().map(|length| (length / mean).min(1.0));
        }
        let bundle = |(first, many): (usize, f64)| Bundle {
            many,
            length_mm: self.lengths[first],
            slowest: self.slowest[first],
            closing: self.closing[first],
        };
        self.lie = Crowd::of(hair, i, self.longest_mm, self.bundles().map(bundle)).lie(drape);
        self.turn = self.lie.turn(drape.main());
        let end = |length: f64| drape.place_from(&self.lie, &self.turn, self.longest_mm, length);
        let longest_end = end(self.longest_mm);
        self.mean_end = if mean == self.longest_mm { longest_end } else { end(mean) };
        self.longest_end = longest_end;
    }

    /// Where the end of a share lies, mm.
    pub(crate) fn end(&self, hair: &Hair, strand: usize, share: usize) -> Vec3 {
        let length = self.lengths[share];
        if length == self.longest_mm {
            return self.longest_end;
        }
        hair.drapes[strand].place_from(&self.lie, &self.turn, self.longest_mm, length)
    }

    /// Where the point lies that is so far along its longest share, mm.
    pub(crate) fn place(&self, hair: &Hair, strand: usize, along_mm: f64) -> Vec3 {
        hair.drapes[strand].place_from(&self.lie, &self.turn, self.longest_mm, along_mm)
    }

    /// e^(−length/τ) of a share for the longest τ.
    pub(super) fn slowest(&self, share: usize) -> f64 {
        self.slowest[share]
    }

    /// e^(−length/τ) of a share.
    pub(super) fn decayed(&self, share: usize) -> Terms {
        fourth_powers(self.slowest[share])
    }

    /// Mean worn length, mm.
    pub fn mean_mm(&self) -> f64 {
        self.lengths.mean()
    }

    /// Room across the hair of a share, mm², on the mean over its worn length.
    pub(super) fn mean_room_mm2(&self, hair: &Hair, strand: usize, share: usize) -> f64 {
        let length = self.lengths[share];
        if length <= 0.0 {
            return 0.0;
        }
        let (steady, terms) = hair.volume_terms(&hair.strands[strand]);
        let decaying: f64 = terms
            .iter()
            .zip(DECAY_MM)
            .zip(self.decayed(share))
            .map(|((term, decay), left)| self.closing[share] * term * decay * (1.0 - left))
            .sum();
        let strand = &hair.strands[strand];
        strand.hairs / SHARES as f64 * strand.section_mm2() * (steady + decaying / length)
    }

    /// Shares that end at one length, as the first of each and how many eighths of the hair they are, longest last.
    pub(super) fn bundles(&self) -> impl Iterator<Item = (usize, f64)> {
        let count = usize::from(self.bundle_count);
        self.bundles[..count]
            .iter()
            .zip(&self.eighths[..count])
            .map(|(first, many)| (usize::from(*first), *many))
    }

    /// Mean length of the shortest eighth, mm.
    pub(super) fn shortest_mm(&self) -> f64 {
        let (mut left, mut sum) = (1.0, 0.0);
        for (first, many) in self.bundles() {
            let takes = f64::min(many, left);
            sum += takes * self.lengths[first];
            left -= takes;
            if left <= 0.0 {
                break;
            }
        }
        sum
    }

    fn bundle(&mut self) {
        (self.bundles[0], self.eighths[0], self.bundle_count) = (0, SHARES as f64, 1);
        if self.lengths.is_even() {
            return;
        }
        let lengths = &self.lengths;
        let mut order: [u8; MOST_SHARES] = std::array::from_fn(|i| i as u8);
        let order = &mut order[..lengths.len()];
        order.sort_by(|a, b| lengths[usize::from(*a)].total_cmp(&lengths[usize::from(*b)]));
        let (mm, parts) = (|i: u8| lengths[usize::from(i)], lengths.parts());
        self.bundle_count = 0;
        for alike in order.chunk_by(|a, b| mm(*a) == mm(*b)) {
            let bundle = usize::from(self.bundle_count);
            self.bundles[bundle] = alike[0];
            self.eighths[bundle] = SHARES as f64 * alike.iter().map(|i| parts[usize::from(*i)]).sum::<f64>();
            self.bundle_count += 1;
        }
    }
}

/// How the hair of a strand is worn at these fibre lengths. Shares of one length are worked out once.
pub(crate) fn worn(hair: &Hair, i: usize, lengths: &ShareLengths) -> Worn {
    let strand = &hair.strands[i];
    let mut out = Worn { lengths: *lengths, ..Worn::NONE };
    let mut hangs = [0.0; MOST_SHARES];
    if lengths.is_even() {
        hangs.fill(strand.worn_rod.hanging_mm(lengths[0], 0.0));
    } else if let (Some(first), SHARES) = (lengths.padded().first_chunk::<SHARES>(), lengths.len()) {
        hangs[..SHARES].copy_from_slice(&strand.worn_rod.hanging_all_mm(first));
    } else {
        hangs = strand.worn_rod.hanging_all_mm(lengths.padded());
    }
    for (k, (fibre, worn)) in lengths.iter().copied().zip(hangs).enumerate() {
        if k > 0 && fibre == lengths[k - 1] {
            out.lengths[k] = out.lengths[k - 1];
            out.slowest[k] = out.slowest[k - 1];
            out.exact[k] = out.exact[k - 1];
        } else if fibre > 0.0 {
            out.lengths[k] = worn;
            out.slowest[k] = decayed_slowest(worn);
            out.exact[k] = fibre / strand.profile.fibre_mm(worn, &fourth_powers(out.slowest[k]));
        }
    }
    out.lie_down(hair, i);
    out
}

/// The same of shares that are worn at these lengths, where it doesn't matter how much fibre that is.
pub(crate) fn worn_at(hair: &Hair, i: usize, lengths: ShareLengths) -> Worn {
    let mut out = Worn { lengths, ..Worn::NONE };
    for k in 0..lengths.len() {
        let same = k > 0 && lengths[k] == lengths[k - 1];
        out.slowest[k] = if same { out.slowest[k - 1] } else { decayed_slowest(lengths[k]) };
    }
    out.lie_down(hair, i);
    out
}

/// Shares of a strand that are worn at one length.
struct Bundle {
    many: f64,
    length_mm: f64,
    /// e^(−length/τ) for the longest τ.
    slowest: f64,
    /// How far their lock lets them close.
    closing: f64,
}

/// Hair of one length, from short to long: its length, mm, and the share of all that it is.
type Prop = (f64, f64);

/// What of a strand decides how it lies.
struct Crowd<'a> {
    strand: &'a Strand,
    longest_mm: f64,
    mean_mm: f64,
    crowding: f64,
    /// How much of what grows round it is there to hold it up: less at the edge.
    held_by: f64,
    props: [Prop; MOST_SHARES],
    prop_count: usize,
    /// By how much a lock of closed curls is stiffer than its hairs one by one, cubed, less one; what is open slips.
    stiffer: f64,
    /// How many times further its lock bends over than its hairs, once that was asked.
    bends_over: OnceCell<f64>,
}

impl<'a> Crowd<'a> {
    /// Of a strand of these bundles, the longest of which is worn at `longest_mm`.
    ///
    /// It rides over what is rooted below it, as far as that reaches: what so much of its own hair as reaches so far takes on
    /// the mean of its path on the head.
    fn of(hair: &'a Hair, i: usize, longest_mm: f64, bundles: impl Iterator<Item = Bundle>) -> Self {
        let strand = &hair.strands[i];
        let (fibre, closed) = hair.volume_terms_at_root(strand);
        let ride = hair.drapes[i].main().ride();
        let rides = longest_mm.clamp(LEAST_RIDE_MM, ride.mm);
        let (mut taken, mut root_closed, mut mean_mm) = (0.0, 0.0, 0.0);
        let (mut props, mut prop_count) = ([(0.0, 0.0); MOST_SHARES], 0);
        for Bundle { many, length_mm, slowest, closing } in bundles.filter(|bundle| bundle.length_mm > 0.0) {
            let share = many / SHARES as f64;
            let reaches = length_mm.min(rides);
            let root = fourth_powers(slowest);
            let there = if length_mm > rides { fourth_powers(slowest * ride.grown) } else { [1.0; TERMS] };
            let closed: f64 = (0..TERMS).map(|k| closed[k] * DECAY_MM[k] * (there[k] - root[k])).sum();
            taken += share * (fibre * reaches + closing * closed) / rides;
            root_closed += share * strand.profile.closed.iter().zip(&root).map(|(a, e)| a * e).sum::<f64>();
            mean_mm += share * length_mm;
            props[prop_count] = (length_mm, share);
            prop_count += 1;
        }
        let crowding = strand.hairs / strand.root.area_mm2 * strand.section_mm2() * taken;
        // Brushed out, hairs are no locks.
        let entangled = if strand.worn == WornStyle::BrushedOut { 0.0 } else { LOCK_ENTANGLED.value };
        let stiffer = entangled * root_closed;
        let held_by = 1.0 - EDGE_LACKS * (-ride.mm / (EDGE_OVER * longest_mm.max(LEAST_RIDE_MM))).exp();
        Self {
            strand,
            longest_mm,
            mean_mm,
            crowding,
            held_by,
            props,
            prop_count,
            stiffer,
            bends_over: OnceCell::new(),
        }
    }

    fn bends_over(&self) -> f64 {
        *self.bends_over.get_or_init(|| cube_root_of_one_and(self.stiffer))
    }

    /// How far it stands off, mm. What its neighbours lift already is not lifted again.
    ///
    /// Short against its bending length b, a hair stands at the angle it grows at; long, it bends over, and ½·b²/l is left at its
    /// root. Short hair props up the hair that lies on it: as a cantilever, 3b³/l³ for each millimetre it gives way, in weights of
    /// a millimetre of hair. Each of a share p of props carries (1 − p)/p long hairs over its own length, pressed on by what hangs
    /// from them over the round of the head.
    fn stand_mm(&self, drape: &Drape) -> f64 {
        if self.crowding >= 1.0 {
            return 0.0;
        }
        let bending = self.strand.bending_mm * self.bends_over();
        let up = self.strand.root.normal.y.max(0.0);
        let grows = (GROWS_ASIDE + up * (GROWS_ON_TOP - GROWS_ASIDE)) * (1.0 + drape.against());
        let grows = grows.min(1.0);
        let alone = |mm: f64| {
            let bends = grows / STANDS_OFF * (mm / bending).powi(2);
            grows * mm / (1.0 + bends * bends).sqrt()
        };
        let mut stands = alone(self.mean_mm);
        let presses = 1.0 + self.longest_mm / RISE_RADIUS_MM;
        let mut shorter = 0.0;
        for (mm, share) in &self.props[..self.prop_count.saturating_sub(1)] {
            shorter += share;
            let by_itself = alone(*mm);
            // Most hair is no prop: it is as good as as long as what lies on it.
            if by_itself <= stands {
                continue;
            }
            let carries = (1.0 - shorter) / shorter * presses * mm;
            let gives_way = carries * (mm / bending).powi(3) / 3.0;
            stands = stands.max(by_itself * by_itself / (by_itself + gives_way));
        }
        stands * (1.0 - self.crowding * self.crowding)
    }

    fn lie(&self, drape: &Drape) -> Lie {
        Lie { crowding: self.crowding, stand_mm: self.stand_mm(drape), held_up: self.held_up() }
    }

    /// How much of the way it would lie down its neighbours hold it up, 0 to 1: unless the longest of it, which draws the lock
    /// down, is far longer than a lock stays straight.
    fn held_up(&self) -> f64 {
        let lengths = (self.longest_mm / (UPRIGHT_LENGTHS * self.strand.bending_mm)).powi(4);
        // Most hair is far longer, however stiff its locks: no root is needed to know that.
        if lengths.powi(3) >= NOT_UPRIGHT.powi(3) * (1.0 + self.stiffer).powi(4) {
            return 0.0;
        }
        let stiffer = self.bends_over().powi(4);
        (self.held_by * self.crowding).min(1.0).powi(HELD_UP_GROWS) * (-lengths / stiffer).exp()
    }
}

/// How the hair of a root would be if all of it were worn at one length, mm.
fn crowd_at(hair: &Hair, i: usize, worn_mm: f64) -> Crowd<'_> {
    let slowest = decayed_slowest(worn_mm);
    let all = Bundle { many: SHARES as f64, length_mm: worn_mm, slowest, closing: 1.0 };
    Crowd::of(hair, i, worn_mm, std::iter::once(all))
}

/// How it would lie then.
pub(crate) fn lie_at(hair: &Hair, i: usize, worn_mm: f64) -> Lie {
    crowd_at(hair, i, worn_mm).lie(&hair.drapes[i])
}

/// The same for all that it depends on how deep it hangs: not how far it stands off.
pub(crate) fn hang_at(hair: &Hair, i: usize, worn_mm: f64) -> Lie {
    let crowd = crowd_at(hair, i, worn_mm);
    Lie { crowding: crowd.crowding, stand_mm: 0.0, held_up: crowd.held_up() }
}

/// How hair lies that is combed down and held: pulled open, so that only its fibre takes volume.
pub(crate) fn combed(hair: &Hair, i: usize) -> Lie {
    let strand = &hair.strands[i];
    let (fibre, _) = hair.volume_terms(strand);
    let crowding = strand.hairs / strand.root.area_mm2 * strand.section_mm2() * fibre;
    Lie { crowding, stand_mm: 0.0, held_up: 0.0 }
}
