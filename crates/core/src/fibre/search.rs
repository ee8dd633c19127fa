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

/// The zero of a smooth `f`, which gives its value and slope, between `low`, where it is positive, and `high`, where it is
/// not: Newton's method from `start`, halving where a step would leave the bracket or come no nearer. The last step is so
/// small that its square, which is what is left, is nothing.
pub(crate) fn zero_by_slope(low: f64, high: f64, start: f64, f: impl Fn(f64) -> (f64, f64)) -> f64 {
    let (mut low, mut high) = (low, high);
    let mut x = start.clamp(low, high);
    let mut last_step = high - low;
    for _ in 0..tolerance::STEPS {
        let (value, slope) = f(x);
        if value > 0.0 {
            low = x;
        } else {
            high = x;
        }
        let newton = x - value / slope;
        let inside = newton >= low && newton <= high && (newton - x).abs() < 0.5 * last_step;
        let next = if inside { newton } else { 0.5 * (low + high) };
        let step = (next - x).abs();
        x = next;
        if step <= tolerance::NEWTON * x {
            break;
        }
        last_step = step;
    }
    x
}

#[cfg(test)]
mod tests {
    use super::*;
    use std::cell::Cell;

    #[test]
    fn both_searches_find_the_same_zero_by_slope_in_fewer_steps() {
        let count = Cell::new(0);
        // A smooth fall, one that is nearly flat, and one with a double zero just outside the bracket.
        type Fall = fn(f64) -> (f64, f64);
        let falls: [(&str, f64, Fall); 3] = [
            ("smooth", 0.5, |x| (0.25 - x * x, -2.0 * x)),
            ("late", 0.9, |x| (0.9_f64.powi(9) - x.powi(9), -9.0 * x.powi(8))),
            ("double", 1e-4, |x| (1e-8 - x * x, -2.0 * x)),
        ];
        for (name, zero, f) in falls {
            count.set(0);
            let by_slope = zero_by_slope(0.0, 1.0, 0.5, |x| {
                count.set(count.get() + 1);
                f(x)
            });
            let between = zero_between((0.0, f(0.0).0), (1.0, f(1.0).0), 1e-16, |x| f(x).0);
            assert!((by_slope - zero).abs() < 1e-15 && (between - zero).abs() < 1e-15, "{name} {by_slope}");
            assert!(count.get() < 20, "{name} {}", count.get());
        }
    }

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
