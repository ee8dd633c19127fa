//! What is free in a plan: the figures of a method, or the lengths of a cut's own steps.

use crate::cut::{Cut, Lever, Move, MoveKind};
use crate::head::Measures;
use crate::method::{FigureUnit, Goes, Method, Start, Variant};

/// Most steps of a cut that are turned.
const MOST_STEPS: usize = 8;

/// A plan with free figures.
#[derive(Debug, Clone)]
pub(super) enum Freedom {
    /// A method's.
    Method { method: Method, options: Vec<Variant> },
    /// Those of the steps of a cut: by how much longer each leaves its hair, mm.
    Steps { cut: Cut, steps: Vec<usize> },
}

/// How far the length of a step is turned, mm.
const TURN_MM: f64 = 150.0;

impl Freedom {
    /// Of a cut, but for the steps whose length stays.
    pub fn of_cut(cut: &Cut, stays: impl Fn(usize) -> bool) -> Self {
        let free = |(number, move_): &(usize, &Move)| {
            !move_.off
                && !matches!(move_.kind, MoveKind::Pause(_))
                && !stays(*number)
                && move_.turned(Lever::Length, 1.0).is_some()
        };
        let steps =
            cut.moves.iter().enumerate().filter(free).map(|(number, _)| number).take(MOST_STEPS).collect();
        Self::Steps { cut: cut.clone(), steps }
    }

    /// Unit, least and greatest value of each figure.
    pub fn figures(&self) -> Vec<(FigureUnit, f64, f64)> {
        match self {
            Self::Method { method, .. } => {
                method.figures.iter().map(|figure| (figure.unit, figure.least, figure.greatest)).collect()
            }
            Self::Steps { steps, .. } => vec![(FigureUnit::Mm, -TURN_MM, TURN_MM); steps.len()],
        }
    }

    /// Where a search begins: at what is wished, and at what is there where nothing is.
    pub fn start(
        &self,
        goes: &[Goes],
        worn: impl Fn(&[crate::head::Zone]) -> f64,
        below: impl Fn(&[crate::head::Zone]) -> f64,
        chin_mm: f64,
    ) -> Vec<f64> {
        let Self::Method { method, .. } = self else { return vec![0.0; self.figures().len()] };
        let of = |unit: FigureUnit, start: &Start| match start {
            Start::Value { value } => *value,
            Start::Wish { wish, otherwise } => {
                let wished: Vec<f64> = goes
                    .iter()
                    .filter(|goes| wish.contains(&goes.zone))
                    .map(|goes| match unit {
                        FigureUnit::BelowChinMm => chin_mm - goes.height_mm(),
                        _ => goes.worn_mm(),
                    })
                    .collect();
                match (wished.is_empty(), unit) {
                    (false, _) => wished.iter().sum::<f64>() / wished.len() as f64,
                    (true, FigureUnit::BelowChinMm) => below(wish),
                    (true, _) => otherwise.unwrap_or(1.0) * worn(wish),
                }
            }
        };
        method.figures.iter().map(|figure| of(figure.unit, &figure.start)).collect()
    }

    /// Which figures have a wish to go by.
    pub fn wished(&self, goes: &[Goes]) -> Vec<bool> {
        let Self::Method { method, .. } = self else { return vec![true; self.figures().len()] };
        let wished = |start: &Start| match start {
            Start::Wish { wish, .. } => goes.iter().any(|goes| wish.contains(&goes.zone)),
            Start::Value { .. } => false,
        };
        method.figures.iter().map(|figure| wished(&figure.start)).collect()
    }

    /// The cut with these values.
    pub fn cut(&self, values: &[f64], measures: &Measures) -> Option<Cut> {
        match self {
            Self::Method { method, options } => {
                method.filled(&options.iter().collect::<Vec<_>>(), values, measures)
            }
            Self::Steps { cut, steps } => {
                let mut cut = cut.clone();
                for (number, value) in steps.iter().zip(values) {
                    if let Some(turned) = cut.moves[*number].turned(Lever::Length, *value) {
                        cut.moves[*number] = turned;
                    }
                }
                cut.check().ok().map(|()| cut)
            }
        }
    }
}
