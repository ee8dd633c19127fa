//! A way of working that may be proposed: a method with one of its choices, or a cut that is solved again.

use super::freedom::Freedom;
use super::request::Pins;
use super::states::cuts_most_of;
use crate::cut::{Cut, Move, MoveKind, Technique};
use crate::fibre::{Comb, HeldState, Moisture};
use crate::hair::Hair;
use crate::head::{Measures, Zone};
use crate::method::{Clause, Facts, Method, Practice, Rule, Start, Variant};
use std::collections::BTreeMap;

/// What the reasons of a module count in what it goes with.
const SAID_ONLY: f64 = 0.1;
/// Ways to choose that are tried of a method.
const MOST_VARIANTS: usize = 4;

/// It.
#[derive(Debug, Clone)]
pub(super) struct Candidate {
    pub key: String,
    pub name: String,
    pub sentence: String,
    pub method: Option<Method>,
    pub freedom: Freedom,
    /// Reasons that hold, and what they count together.
    pub suits: Vec<Clause>,
    /// The state in which its layers are cut, where that was chosen for this head.
    pub state: Option<HeldState>,
    /// Where it stands among all: what breaks a tie.
    pub number: usize,
}

impl Candidate {
    /// What the reasons that hold count, as a share of all it has: a method with many reasons is not better for that.
    pub fn weight(&self) -> f64 {
        let Some(method) = &self.method else { return 0.0 };
        let all: f64 = method.suits.iter().map(Clause::weight).sum();
        let holds: f64 = self.suits.iter().map(Clause::weight).sum();
        holds * (0.5 + 0.5 * holds / all.max(1e-9))
    }

    /// Whether the state of its layers is open: no side of that dispute is its own.
    pub fn is_open_in_state(&self) -> bool {
        self.method.as_ref().is_some_and(|method| !method.schools.contains_key("state"))
    }

    /// A method with each of its choices that can be tried here.
    pub fn all(key: &str, number: usize, method: &Method, facts: &Facts) -> Vec<Self> {
        let mut ways: Vec<Vec<Variant>> = vec![Vec::new()];
        for choice in &method.choices {
            let open = choice
                .options
                .iter()
                .filter(|option| option.when.as_ref().is_none_or(|when| when.holds(facts)));
            let open: Vec<&Variant> = open.collect();
            ways = ways
                .iter()
                .flat_map(|way| {
                    open.iter().map(move |option| [way.as_slice(), &[(*option).clone()]].concat())
                })
                .collect();
            ways.truncate(MOST_VARIANTS);
        }
        let suits: Vec<Clause> =
            method.suits.iter().filter(|clause| clause.when.holds(facts)).cloned().collect();
        let one = |options| Self {
            key: key.to_owned(),
            name: method.name.clone(),
            sentence: method.sentence.clone(),
            method: Some(method.clone()),
            freedom: Freedom::Method { method: method.clone(), options },
            suits: suits.clone(),
            state: None,
            number,
        };
        ways.into_iter().map(one).collect()
    }

    /// The cut with these values, as the rules that hold and the pins want it.
    pub fn cut(&self, values: &[f64], measures: &Measures, rules: &[&Rule], pins: &Pins) -> Option<Cut> {
        let mut cut = self.freedom.cut(values, measures)?;
        let own = matches!(self.freedom, Freedom::Steps { .. });
        if !own {
            // A way of working that points its line is not made blunt by a rule for other lines.
            let points = self.method.as_ref().is_some_and(|method| method.schools.contains_key("line recut"));
            for practice in rules.iter().flat_map(|rule| &rule.then) {
                if !(points && *practice == Practice::LineBlunt) {
                    practice.give(&mut cut);
                }
            }
            cut.name.clone_from(&self.name);
        }
        if let Some(state) = self.state {
            let layered =
                |move_: &&mut Move| matches!(move_.kind, MoveKind::Sections(_) | MoveKind::Gathered(_));
            cut.moves.iter_mut().filter(layered).for_each(|move_| move_.state = state);
        }
        if pins.no_thinning {
            for move_ in &mut cut.moves {
                match move_.kind {
                    MoveKind::Weight(_) => move_.off = true,
                    _ => (move_.technique, move_.pattern) = (Technique::default(), None),
                }
            }
        }
        if let Some(moisture) = pins.moisture {
            cut.moves.iter_mut().filter(|move_| cuts(move_)).for_each(|move_| put_in(moisture, move_));
        }
        cut.check().ok().map(|()| cut)
    }
}

fn cuts(move_: &Move) -> bool {
    !matches!(move_.kind, MoveKind::Pause(_))
}

/// A step in a state; wet hair is combed.
fn put_in(moisture: Moisture, move_: &mut Move) {
    move_.state.moisture = moisture;
    if moisture != Moisture::Dry && move_.state.comb == Comb::None {
        move_.state.comb = Comb::Wide;
    }
}

/// The steps that cut most of some zones in the states that are pinned for those; the last zone in walking order decides.
pub(super) fn pin_states(hair: &Hair, states: &BTreeMap<Zone, Moisture>, cut: &mut Cut) {
    for (zone, moisture) in states {
        let steps: Vec<usize> = (0..cut.moves.len())
            .filter(|i| cuts(&cut.moves[*i]) && cuts_most_of(hair, &cut.moves[*i], *zone))
            .collect();
        steps.into_iter().for_each(|i| put_in(*moisture, &mut cut.moves[i]));
    }
}

/// Whether a method cuts a fringe on its own.
pub(super) fn has_fringe(method: &Method) -> bool {
    method
        .figures
        .iter()
        .any(|figure| matches!(&figure.start, Start::Wish { wish, .. } if wish[..] == [Zone::Fringe]))
}

/// A method with the steps of a module after its own.
pub(super) fn joined(method: &Method, module: &Method) -> Method {
    let mut whole = method.clone();
    let by = whole.cut.moves.len();
    whole.cut.moves.extend(module.cut.moves.iter().cloned().map(|move_| Move { id: 0, ..move_ }));
    crate::member::identify(&mut whole.cut.moves);
    for figure in &module.figures {
        let mut figure = figure.clone();
        for binding in &mut figure.at {
            if let Some((number, rest)) =
                binding.path.strip_prefix("/moves/").and_then(|rest| rest.split_once('/'))
                && let Ok(number) = number.parse::<usize>()
            {
                binding.path = format!("/moves/{}/{rest}", number + by);
            }
        }
        whole.figures.push(figure);
    }
    // Its reasons are said; they make no way of working better than another.
    whole
        .suits
        .extend(module.suits.iter().map(|clause| Clause { counts: Some(SAID_ONLY), ..clause.clone() }));
    whole
}
