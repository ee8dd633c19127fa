//! The one root search of the fibre law.

use crate::tolerance;

/// An end of a bracket: the argument and the function's value there.
pub(super) type End = (f64, f64);

/// The zero of `f` between two ends of opposite sign, to `width`: the Illinois form of regula falsi, which can't
/// leave the bracket and needs no derivative.
pub(super) fn zero_between(
    (mut a, mut f_a): End,
    (mut b, mut f_b): End,
    width: f64,
    f: impl Fn(f64) -> f64,
) -> f64 {
    let (low, high) = (a.min(b), a.max(b));
    let mut last = f64::NAN;
    for _ in 0..tolerance::STEPS {
        let mut x = (a * f_b - b * f_a) / (f_b - f_a);
        if !(x > low && x < high) {
            x = 0.5 * (a + b);
        }
        let value = f(x);
        if value == 0.0 || (x - last).abs() < width {
            return x;
        }
        last = x;
        if (value > 0.0) == (f_a > 0.0) {
            (a, f_a) = (x, value);
            f_b *= 0.5;
        } else {
            (b, f_b) = (x, value);
            f_a *= 0.5;
        }
    }
    last
}
