//! How long the hair of a root is: shares of it, each of one length.
//!
//! They lie on a ring. What blades take from is a stretch of the ring: of a share that it meets in part it takes that part,
//! whole, so that two in a hundred hairs are two in a hundred, cut to where they were cut, and the mass taken is exact.

use std::ops::{Deref, DerefMut};

/// Equal shares in which hair is read.
pub const SHARES: usize = 8;
/// Most shares of a root's hair that are told apart: those it was read in, and what two passes of the blades divide.
pub(crate) const MOST_SHARES: usize = 10;
/// Most pieces there are while a stretch is cut: each share, divided at the ends of the stretch and within it.
const MOST_PIECES: usize = MOST_SHARES + 2 + PIECES;
/// Pieces that a stretch has at least, so that a small one has short and long hair, too.
const PIECES: usize = 3;
/// Part of a root's hair that is rounding.
const ROUNDING: f64 = 1e-12;

/// Fibre (or worn) lengths of the shares of a root's hair, mm, with the part of the hair that each is.
///
/// It dereferences to the lengths alone. Parts add up to 1.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct ShareLengths {
    mm: [f64; MOST_SHARES],
    parts: [f64; MOST_SHARES],
    count: u8,
}

impl ShareLengths {
    /// All hair of one length.
    pub const fn all(mm: f64) -> Self {
        let (mut lengths, mut parts) = ([0.0; MOST_SHARES], [0.0; MOST_SHARES]);
        let mut i = 0;
        while i < SHARES {
            lengths[i] = mm;
            parts[i] = 1.0 / SHARES as f64;
            i += 1;
        }
        Self { mm: lengths, parts, count: SHARES as u8 }
    }

    /// The part of the hair that each share is.
    pub fn parts(&self) -> &[f64] {
        &self.parts[..usize::from(self.count)]
    }

    /// Length and part of each share.
    pub fn shares(&self) -> impl Iterator<Item = (f64, f64)> + '_ {
        self.iter().copied().zip(self.parts().iter().copied())
    }

    /// The same shares of other lengths.
    #[must_use]
    pub fn map(mut self, of: impl FnMut(f64) -> f64) -> Self {
        let mut of = of;
        self.iter_mut().for_each(|mm| *mm = of(*mm));
        self
    }

    /// Mean length, mm.
    pub fn mean(&self) -> f64 {
        self.shares().map(|(mm, part)| mm * part).sum()
    }

    /// The longest, mm.
    pub fn longest(&self) -> f64 {
        self.iter().copied().fold(0.0, f64::max)
    }

    /// Whether all hair is of one length.
    pub(crate) fn is_even(&self) -> bool {
        self.iter().all(|mm| *mm == self[0])
    }

    /// The lengths, and nothing where there is no share.
    pub(crate) fn padded(&self) -> &[f64; MOST_SHARES] {
        &self.mm
    }

    /// Cuts a stretch of the ring that begins at a place of it (0 to 1) and is so long (up to 1): `cut` is told how long the hair
    /// there is, mm, and which piece of the stretch it is (from 0 to 1), and says how long it is left.
    pub(crate) fn cut_stretch(
        &mut self,
        begin: f64,
        share: f64,
        mut cut: impl FnMut(f64, (f64, f64)) -> f64,
    ) {
        let share = share.min(1.0);
        if share <= ROUNDING {
            return;
        }
        let mut pieces = Pieces { all: [(0.0, 0.0); MOST_PIECES], count: 0 };
        let mut from = 0.0;
        let parts = self.parts();
        let mut next = 0;
        for alike in self.chunk_by(|one, other| one == other) {
            let mm = alike[0];
            let part = if alike.len() == parts.len() {
                1.0
            } else {
                parts[next..next + alike.len()].iter().sum::<f64>()
            };
            next += alike.len();
            let to = from + part;
            // The stretch may run over the end of the ring and on from its beginning.
            let mut at = from;
            for turn in [-1.0, 0.0] {
                let start = begin + turn;
                let (low, high) = (at.max(start), to.min(start + share));
                if high - low <= ROUNDING {
                    continue;
                }
                pieces.push(mm, low - at);
                let mut inside = low;
                while high - inside > ROUNDING {
                    // No piece reaches over the parts of the stretch.
                    let number = ((inside - start) / share * PIECES as f64 + 1e-9).floor() + 1.0;
                    let end = (start + share * number / PIECES as f64).min(high);
                    let end = if high - end <= ROUNDING { high } else { end };
                    let piece = ((inside - start) / share, ((end - start) / share).min(1.0));
                    pieces.push(cut(mm, piece), end - inside);
                    inside = end;
                }
                at = high;
            }
            pieces.push(mm, to - at);
            from = to;
        }
        *self = pieces.together();
    }
}

/// Shares with their parts, while there may be more of them than are told apart.
struct Pieces {
    all: [(f64, f64); MOST_PIECES],
    count: usize,
}

impl Pieces {
    fn push(&mut self, mm: f64, part: f64) {
        if part > ROUNDING {
            if let Some(last) = self.count.checked_sub(1).map(|last| &mut self.all[last])
                && last.0 == mm
            {
                last.1 += part;
                return;
            }
            if self.count == self.all.len() {
                self.join();
            }
            self.all[self.count] = (mm, part);
            self.count += 1;
        }
    }

    /// Puts together the two neighbours that differ least, for how much hair they are: what they weigh stays the same.
    fn join(&mut self) {
        let pieces = &self.all[..self.count];
        let differ = |pair: &[(f64, f64)]| {
            let ((a, one), (b, other)) = (pair[0], pair[1]);
            one.min(other) * (a - b) * (a - b)
        };
        let least = pieces.windows(2).map(differ).enumerate().min_by(|a, b| a.1.total_cmp(&b.1));
        let Some((first, _)) = least else { return };
        let ((a, one), (b, other)) = (self.all[first], self.all[first + 1]);
        let mm = if a == b { a } else { (a * one + b * other) / (one + other) };
        self.all[first] = (mm, one + other);
        self.all.copy_within(first + 2..self.count, first + 1);
        self.count -= 1;
    }

    fn together(mut self) -> ShareLengths {
        while self.count > MOST_SHARES {
            self.join();
        }
        let mut out =
            ShareLengths { mm: [0.0; MOST_SHARES], parts: [0.0; MOST_SHARES], count: self.count as u8 };
        for (i, (mm, part)) in self.all[..self.count].iter().enumerate() {
            (out.mm[i], out.parts[i]) = (*mm, *part);
        }
        out
    }
}

impl From<[f64; SHARES]> for ShareLengths {
    fn from(lengths: [f64; SHARES]) -> Self {
        let mut out = Self::all(0.0);
        out.mm[..SHARES].copy_from_slice(&lengths);
        out
    }
}

impl Deref for ShareLengths {
    type Target = [f64];

    fn deref(&self) -> &[f64] {
        &self.mm[..usize::from(self.count)]
    }
}

impl DerefMut for ShareLengths {
    fn deref_mut(&mut self) -> &mut [f64] {
        &mut self.mm[..usize::from(self.count)]
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use proptest::prelude::*;

    #[test]
    fn two_in_a_hundred_are_two_in_a_hundred_wherever_they_lie() {
        for begin in [0.0, 0.03, 0.12, 0.49, 0.99] {
            let mut lengths = ShareLengths::all(200.0);
            lengths.cut_stretch(begin, 0.02, |_, _| 80.0);
            let short: f64 = lengths.shares().filter(|(mm, _)| *mm == 80.0).map(|(_, part)| part).sum();
            assert!((short - 0.02).abs() < 1e-12, "{begin}: {short}");
            assert!(lengths.iter().all(|mm| *mm == 80.0 || *mm == 200.0), "none is cut part of the way");
        }
    }

    proptest! {
        #[test]
        fn whatever_is_cut_how_often_nothing_is_lost_and_nothing_grows(
            stretches in prop::collection::vec((0.0..1.0_f64, 0.0..1.0_f64, 0.1..1.0_f64), 1..12)
        ) {
            let mut lengths = ShareLengths::from([300.0, 290.0, 285.0, 270.0, 250.0, 240.0, 238.0, 190.0]);
            for (begin, share, left) in stretches {
                let before = lengths;
                let mut taken = 0.0;
                lengths.cut_stretch(begin, share, |mm, (from, to)| {
                    taken += (to - from) * share * mm * (1.0 - left);
                    mm * left
                });
                prop_assert!((lengths.parts().iter().sum::<f64>() - 1.0).abs() < 1e-9);
                prop_assert!((before.mean() - taken - lengths.mean()).abs() < 1e-6);
                prop_assert!(lengths.len() <= MOST_SHARES && lengths.longest() <= before.longest() + 1e-9);
            }
        }
    }
}
