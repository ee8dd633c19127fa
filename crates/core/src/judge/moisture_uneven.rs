//! A pass that dries before it is done: its last subsections are drier than its first, and spring up less.

use super::head::{Head, Measured};
use crate::constants::DRIES_PER_MIN;
use crate::cut::Move;
use crate::fibre::{Comb, HeldHair, HeldState, Moisture};
use crate::hair::Hair;
use crate::head::Vec3;
use crate::message::Arg;

/// Strands of a step whose hair is asked.
const ASKED: usize = 10;

pub(super) fn measured(head: &Head) -> Option<Measured> {
    let of = |held: Held| {
        let hold = head.hair.hand.hold(held.state);
        let lost = (DRIES_PER_MIN.value * held.minutes).min(hold.water_g_per_g);
        let drier = HeldHair { water_g_per_g: hold.water_g_per_g - lost, ..hold };
        let mm = held.lands_apart_mm(hold, drier);
        Measured::new(mm, held.at)
            .by([held.number])
            .with("apart", Arg::Mm(mm))
            .with("minutes", Arg::Number(held.minutes.ceil()))
    };
    let wet = |held: &Held| held.state.moisture != Moisture::Dry;
    held(head).filter(wet).map(of).max_by(|a, b| a.measure.total_cmp(&b.measure))
}

/// A step that holds hair on a comb.
pub(super) struct Held<'a> {
    pub number: u32,
    pub state: HeldState,
    /// How long one pass of it takes.
    pub minutes: f64,
    /// Where most of its hair ends, mm.
    pub at: Vec3,
    hair: &'a Hair,
    /// Strands it cut, with the fibre left on them.
    strands: Vec<(usize, f64)>,
}

/// Steps that hold hair on a comb and cut some.
pub(super) fn held<'a>(head: &'a Head) -> impl Iterator<Item = Held<'a>> {
    let scalp = head.hair.scalp();
    head.moves().filter_map(move |(number, move_, report): (u32, &Move, _)| {
        let holds = move_.layout().is_some() || move_.is_line();
        if !holds || (move_.state.comb == Comb::None && move_.state.moisture == Moisture::Dry) {
            return None;
        }
        let test = move_.region.on(&scalp).ok()?;
        let cut = |i: &usize| {
            let root = &head.hair.strands[*i].root;
            head.hair.lengths[*i].longest() - head.lengths[*i].longest() > 1.0
                && test.holds(&scalp, &root.at, root.zone)
        };
        let all: Vec<usize> = (0..head.hair.strands.len()).filter(cut).collect();
        let strands: Vec<(usize, f64)> = all
            .iter()
            .step_by(all.len().div_ceil(ASKED).max(1))
            .map(|i| (*i, head.lengths[*i].longest()))
            .collect();
        let (first, _) = *strands.get(strands.len() / 2)?;
        let at = head.worn.mean_end(first);
        let minutes = crate::cut::minutes(move_, report);
        Some(Held { number, state: move_.state, minutes, at, hair: head.hair, strands })
    })
}

impl Held<'_> {
    /// How far apart on the mean hair lands, worn mm, that is cut at one mark held in one way or in the other.
    pub fn lands_apart_mm(&self, one: HeldHair, other: HeldHair) -> f64 {
        let of = |(i, fibre): &(usize, f64)| {
            let strand = &self.hair.strands[*i];
            let (model, present) = (&strand.model, self.hair.lengths[*i].longest());
            let held = |hold: HeldHair, fibre: f64| hold.held_mm(model, fibre, present);
            let step = 1e-2 * fibre;
            let slope = (held(one, fibre + step) - held(one, fibre - step)) / (2.0 * step);
            let worn = |fibre: f64| model.worn_mm(fibre, strand.worn);
            let worn_slope = (worn(fibre + step) - worn(fibre - step)) / (2.0 * step);
            worn_slope / slope.max(0.01) * (held(other, *fibre) - held(one, *fibre)).abs()
        };
        self.strands.iter().map(of).sum::<f64>() / self.strands.len().max(1) as f64
    }
}
