//! The one root search of the fibre law and of the allowance.

use crate::tolerance;

/// An end of a bracket: the argument and the function's value there.
pub(crate) type End = (f64, f64);

/// The zero of `f` between two ends of opposite sign, to `width`: Chandrupatla's method, which interpolates
/// inversely through three points where that is safe and halves where it isn't, so it can't leave the bracket, needs
/// no derivative, and takes about a third of the steps of regula falsi (Chandrupatla 1997, Advances in Engineering
/// Software 28, 145).
pub(crate) fn zero_between(first: End, second: End, width: f64, f: impl Fn(f64) -> f64) -> f64 {
    // The zero lies between a (the newest point) and b; c is the point before.
    let ((mut a, mut f_a), (mut b, mut f_b)) = (first, second);
    if f_a == 0.0 {
        return a;
    }
    if f_b == 0.0 {
        return b;
    }
    let mut share = (f_a / (f_a - f_b)).clamp(0.01, 0.99);
    for _ in 0..tolerance::STEPS {
        let x = a + share * (b - a);
        let value = f(x);
        let (c, f_c);
        if (value > 0.0) == (f_a > 0.0) {
            (c, f_c) = (a, f_a);
        } else {
            (c, f_c) = (b, f_b);
            (b, f_b) = (a, f_a);
        }
        (a, f_a) = (x, value);
        let best = if f_a.abs() < f_b.abs() { (a, f_a) } else { (b, f_b) };
        let least = (width + 2.0 * f64::EPSILON * best.0.abs()) / (b - a).abs();
        if least > 0.5 || best.1 == 0.0 {
            return best.0;
        }
        let place = (a - b) / (c - b);
        let height = (f_a - f_b) / (f_c - f_b);
        let safe = height * height < place && (1.0 - height) * (1.0 - height) < 1.0 - place;
        share = if safe {
            f_a / (f_b - f_a) * f_c / (f_b - f_c) + (c - a) / (b - a) * f_a / (f_c - f_a) * f_b / (f_c - f_b)
        } else {
            0.5
        };
        share = share.clamp(least, 1.0 - least);
    }
    a
}

#[cfg(test)]
mod tests {
    use super::*;
    use std::cell::Cell;

    fn steps(low: f64, high: f64, f: impl Fn(f64) -> f64) -> (f64, u32) {
        let count = Cell::new(0);
        let counted = |x: f64| {
            count.set(count.get() + 1);
            f(x)
        };
        let zero = zero_between((low, counted(low)), (high, counted(high)), 1e-12, counted);
        (zero, count.get())
    }

    #[test]
    fn smooth_flat_and_jumping_functions_are_all_searched_to_their_width() {
        let (zero, n) = steps(0.0, 3.0, |x| x * x - 2.0);
        assert!((zero - 2.0_f64.sqrt()).abs() < 1e-12 && n < 14, "{zero} {n}");
        let (zero, n) = steps(-1.0, 4.0, |x| (x - 1.0).powi(9));
        assert!((zero - 1.0).abs() < 1e-2 && n < 200, "{zero} {n}");
        let (zero, n) = steps(0.0, 10.0, |x| if x < 7.3 { -1.0 } else { 2.0 });
        assert!((zero - 7.3).abs() < 1e-11 && n < 60, "{zero} {n}");
        assert_eq!(steps(5.0, -5.0, |x| x + 5.0).0, -5.0, "an end may be the zero");
    }
}
