//! How far a line must be moved so that it lies where it was seen, when all that can be done is move it and look.

use nalgebra::{DMatrix, DVector};

/// Distance of the line from where it was measured that is close enough, mm.
const CLOSE_MM: f64 = 1.0;
/// How often the line is moved at most, and how many moves in a row may bring it no nearer.
const MOVES: usize = 12;
const PATIENCE: usize = 3;
/// How many times as far as the worst point lies off any of them is moved next at most.
const MOST_GAIN: f64 = 3.0;
/// Least share of what it should have done that a move must do for the next to learn from it: beside a shoulder the line
/// hardly answers.
const LEAST_ANSWER: f64 = 0.1;

/// How far hair was moved up for each point of a line, mm, and how the line answers: how far each point must be moved for each
/// millimetre that each is off. Hair that lies on a shoulder comes up by less than it is moved, and every point moves its
/// neighbours.
#[derive(Debug, Clone)]
pub(super) struct Moved {
    pub up_mm: DVector<f64>,
    answer: DMatrix<f64>,
}

impl Moved {
    /// A line of so many points that lies as it was read.
    pub fn none(points: usize) -> Self {
        Self { up_mm: DVector::zeros(points), answer: DMatrix::identity(points, points) }
    }

    /// Moves the points, each by no more than `most`, mm, until `off` says that all lie close enough to where they should, or as
    /// near as they will. What was learnt of the answer is kept for the next search.
    pub fn search(&mut self, most: &[f64], off: impl Fn(&DVector<f64>) -> DVector<f64>) {
        let within = |up: DVector<f64>| DVector::from_fn(most.len(), |i, _| up[i].clamp(-most[i], most[i]));
        let mut up = within(self.up_mm.clone());
        let mut last: Option<(DVector<f64>, DVector<f64>)> = None;
        let mut best = f64::INFINITY;
        let mut in_vain = 0;
        for _ in 0..MOVES {
            let off = off(&up);
            if let Some((up_before, off_before)) = &last {
                self.learn(&(&up - up_before), &(off_before - &off));
            }
            let worst = off.amax();
            in_vain += 1;
            if worst < best {
                (best, in_vain) = (worst, 0);
                self.up_mm.clone_from(&up);
            }
            if best < CLOSE_MM || in_vain == PATIENCE {
                break;
            }
            let step = (&self.answer * &off).map(|by| by.clamp(-MOST_GAIN * worst, MOST_GAIN * worst));
            let next = within(&up + step);
            last = Some((up, off));
            up = next;
        }
    }

    /// Learns from a move that brought the line up by so much, mm: the least change of what is known that explains it (Broyden,
    /// A class of methods for solving nonlinear simultaneous equations, 1965).
    fn learn(&mut self, moved: &DVector<f64>, came_up: &DVector<f64>) {
        let expected = &self.answer * came_up;
        let told = moved.dot(&expected);
        if told > LEAST_ANSWER * moved.norm_squared() {
            let row = moved.transpose() * &self.answer;
            self.answer += (moved - expected) * row / told;
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use std::cell::Cell;

    /// Searches from where the line lies; returns how far off it is in the end and how often it was looked at.
    fn searched(
        moved: &mut Moved,
        wanted: [f64; 3],
        most: f64,
        lies: impl Fn(&DVector<f64>) -> DVector<f64>,
    ) -> (f64, usize) {
        let looks = Cell::new(0);
        let off = |up: &DVector<f64>| {
            looks.set(looks.get() + 1);
            DVector::from(wanted.to_vec()) - lies(up)
        };
        moved.search(&[most; 3], off);
        ((DVector::from(wanted.to_vec()) - lies(&moved.up_mm)).amax(), looks.get())
    }

    #[test]
    fn points_that_move_each_other_and_answer_less_than_they_are_moved_are_laid_and_the_answer_is_kept() {
        let lies = |up: &DVector<f64>| {
            let answer = DMatrix::from_row_slice(3, 3, &[0.6, 0.2, 0.0, 0.2, 0.9, 0.2, 0.0, 0.2, 0.4]);
            (answer * up).map(|up| up - 0.002 * up * up.abs())
        };
        let mut moved = Moved::none(3);
        let (off, looks) = searched(&mut moved, [20.0, -8.0, -15.0], 100.0, lies);
        assert!(off < CLOSE_MM && looks <= 7, "{off} {looks}");
        let (off, again) = searched(&mut moved, [24.0, -4.0, -18.0], 100.0, lies);
        assert!(off < CLOSE_MM && again <= 3 && again < looks, "{off} {again}");
    }

    #[test]
    fn a_point_that_does_not_answer_is_given_up_and_no_point_goes_further_than_it_may() {
        let still = |up: &DVector<f64>| DVector::from(vec![up[0], 0.0, up[2]]);
        let mut moved = Moved::none(3);
        let (off, looks) = searched(&mut moved, [5.0, 30.0, -5.0], 50.0, still);
        assert_eq!(off, 30.0);
        assert!(looks <= 1 + PATIENCE, "{looks}");
        let (off, _) = searched(&mut Moved::none(3), [80.0, 0.0, 0.0], 50.0, Clone::clone);
        assert_eq!(off, 30.0);
    }
}
