//! Least squares within bounds: Gauss–Newton, damped (Levenberg and Marquardt), with forward differences of one unit.

use crate::stop::Stopped;
use nalgebra::{DMatrix, DVector};

/// Most dampings tried in a round.
const DAMPINGS: usize = 4;
/// Share by which a round must better the sum to be followed by another.
const BETTER: f64 = 0.01;

/// What was found.
#[derive(Debug, Clone, PartialEq)]
pub(super) struct Least {
    pub at: Vec<f64>,
    /// Sum of squares.
    pub sum: f64,
    pub evaluations: u32,
}

/// From a start, in units of about one: a figure changes by one where hands could just tell. Where there are no residuals, nothing
/// is taken.
pub(super) fn least(
    start: &[f64],
    bounds: &[(f64, f64)],
    rounds: usize,
    mut residuals: impl FnMut(&[f64]) -> Result<Option<Vec<f64>>, Stopped>,
) -> Result<Option<Least>, Stopped> {
    let within = |x: f64, (low, high): (f64, f64)| x.clamp(low, high);
    let mut at: Vec<f64> = start.iter().zip(bounds).map(|(x, bounds)| within(*x, *bounds)).collect();
    let mut evaluations = 1;
    let Some(mut now) = residuals(&at)? else { return Ok(None) };
    let sum_of = |r: &[f64]| r.iter().map(|r| r * r).sum::<f64>();
    let (mut sum, mut damping) = (sum_of(&now), 0.1);
    for _ in 0..rounds {
        let mut jacobian = DMatrix::zeros(now.len(), at.len());
        for k in 0..at.len() {
            // Away from a bound that is met.
            let by = if at[k] + 1.0 > bounds[k].1 { -1.0 } else { 1.0 };
            let mut beside = at.clone();
            beside[k] = within(at[k] + by, bounds[k]);
            let by = beside[k] - at[k];
            if by == 0.0 {
                continue;
            }
            evaluations += 1;
            let Some(there) = residuals(&beside)? else { continue };
            for (row, (there, here)) in there.iter().zip(&now).enumerate() {
                jacobian[(row, k)] = (there - here) / by;
            }
        }
        let right = -(jacobian.transpose() * DVector::from_column_slice(&now));
        let normal = jacobian.transpose() * &jacobian;
        let before = sum;
        for _ in 0..DAMPINGS {
            let Some(step) = damped_step(&normal, &right, damping, &at, bounds) else { break };
            let next: Vec<f64> = (0..at.len()).map(|k| within(at[k] + step[k], bounds[k])).collect();
            evaluations += 1;
            match residuals(&next)? {
                Some(there) if sum_of(&there) < sum => {
                    (sum, at, now) = (sum_of(&there), next, there);
                    damping = (damping / 5.0).max(1e-4);
                    break;
                }
                _ => damping = (damping * 5.0).min(1e4),
            }
        }
        if before - sum < BETTER * before {
            break;
        }
    }
    Ok(Some(Least { at, sum, evaluations }))
}

/// The step of the damped normal equations. A figure that stands at a bound and would leave it is held, and the others are solved
/// without it: a step cut off at a bound is not the best one along it.
fn damped_step(
    normal: &DMatrix<f64>,
    right: &DVector<f64>,
    damping: f64,
    at: &[f64],
    bounds: &[(f64, f64)],
) -> Option<DVector<f64>> {
    let mut held = vec![false; at.len()];
    loop {
        let (mut damped, mut right) = (normal.clone(), right.clone());
        for k in 0..at.len() {
            damped[(k, k)] += damping * normal[(k, k)].max(1e-3);
        }
        for k in (0..at.len()).filter(|k| held[*k]) {
            damped.row_mut(k).fill(0.0);
            damped.column_mut(k).fill(0.0);
            damped[(k, k)] = 1.0;
            right[k] = 0.0;
        }
        let step = damped.cholesky()?.solve(&right);
        let leaves =
            |k: usize| (at[k] <= bounds[k].0 && step[k] < 0.0) || (at[k] >= bounds[k].1 && step[k] > 0.0);
        let leaving: Vec<usize> = (0..at.len()).filter(|k| !held[*k] && leaves(*k)).collect();
        if leaving.is_empty() {
            return Some(step);
        }
        for k in leaving {
            held[k] = true;
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_line_through_points_is_found_and_a_bound_is_kept() {
        let points = [(0.0, 1.0), (1.0, 3.1), (2.0, 4.9), (3.0, 7.0)];
        let off = |x: &[f64]| Ok(Some(points.iter().map(|(t, y)| x[0] + x[1] * t - y).collect()));
        let free =
            least(&[50.0, -50.0], &[(-100.0, 100.0); 2], 8, off).expect("not stopped").expect("possible");
        // Normal equations by hand: slope 1.98, intercept 1.03.
        assert!((free.at[1] - 1.98).abs() < 1e-3 && (free.at[0] - 1.03).abs() < 1e-3, "{free:?}");
        let bound = least(&[50.0, 0.0], &[(-100.0, 100.0), (-1.0, 1.0)], 8, off)
            .expect("not stopped")
            .expect("possible");
        assert!((bound.at[1] - 1.0).abs() < 1e-9 && (bound.at[0] - 2.5).abs() < 1e-2, "{bound:?}");
        let nothing = least(&[0.0], &[(0.0, 1.0)], 8, |_| Ok(None)).expect("not stopped");
        assert_eq!(nothing, None);
    }
}
