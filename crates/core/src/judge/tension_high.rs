//! A comb that pulls more than this curl forgives: what the hand pulls more or less moves the landing by this much.

use super::head::{Head, Measured};
use super::moisture_uneven::{Held, held};
use crate::message::Arg;

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let of = |held: Held| {
        let hand = &head.hair.hand;
        let hold = hand.hold(held.state);
        let stray = hand.stray(held.state.comb);
        let pulled =
            |sign: f64| crate::fibre::HeldHair { pull_mn: hold.pull_mn * (sign * stray).exp(), ..hold };
        let mm = held.lands_apart_mm(pulled(-1.0), pulled(1.0)) / 2.0;
        Measured::new(mm, held.at)
            .by([held.number])
            .with("range", Arg::Mm(mm))
            .with("state", held.state.message())
    };
    held(head).map(of).max_by(|a, b| a.measure.total_cmp(&b.measure))
}
