//! The extra that is left because the spring is not certain.

use crate::fibre::search::zero_between;
use crate::tolerance;
use statrs::distribution::{ContinuousCDF, Normal};

/// How many standard errors stand between the expected landing and one that is missed with chance `risk`
/// (0 < risk < 1): 1.645 for 1 in 20.
pub fn risk_factor(risk: f64) -> f64 {
    Normal::standard().inverse_cdf(1.0 - risk)
}

/// The extra worn length to leave so that the landing is short of `target_mm` with chance `risk` only.
///
/// `sd_mm` gives the standard error of the landing aimed at a worn length, or none where nothing can be said. The
/// error changes with the length aimed at (and jumps where the hair ends), so the extra is the least that covers its
/// own error: extra ≥ factor·sd(target + extra), found by bracketing. None if it would be longer than the target
/// itself: that way of cutting can't promise anything.
pub fn allowance_mm(target_mm: f64, risk: f64, sd_mm: impl Fn(f64) -> Option<f64>) -> Option<f64> {
    let factor = risk_factor(risk);
    let uncovered = |extra: f64| Some(factor * sd_mm(target_mm + extra)? - extra);
    // The error hardly changes over one allowance, so twice the first guess nearly always closes the bracket.
    let first = uncovered(0.0)?;
    let (mut low, mut high) = ((0.0, first), (2.0 * first, uncovered(2.0 * first)?));
    while high.1 > 0.0 {
        if high.0 > target_mm {
            return None;
        }
        low = high;
        high = (2.0 * high.0, uncovered(2.0 * high.0)?);
    }
    // Between two lengths that both have an answer every length has one.
    let search = |extra: f64| uncovered(extra).unwrap_or(f64::INFINITY);
    let extra = zero_between(low, high, tolerance::ALLOWANCE_MM, search);
    // The zero is met from either side: the one step more keeps the promise.
    let extra = if search(extra) > 0.0 { (extra + tolerance::ALLOWANCE_MM).min(high.0) } else { extra };
    (extra <= target_mm).then_some(extra)
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn one_in_twenty_is_1_645_standard_errors() {
        assert!((risk_factor(0.05) - 1.644_853_626_951).abs() < 1e-9);
        assert!(risk_factor(0.5).abs() < 1e-12);
    }

    #[test]
    fn the_extra_covers_an_error_that_grows_with_length() {
        // sd = 0.1·length has the closed form extra = 0.1·f·target / (1 − 0.1·f).
        let f = risk_factor(0.05);
        let extra = allowance_mm(100.0, 0.05, |length| Some(0.1 * length)).unwrap();
        assert!((extra - 10.0 * f / (1.0 - 0.1 * f)).abs() < tolerance::ALLOWANCE_MM);
        assert_eq!(allowance_mm(100.0, 0.05, |length| Some(0.7 * length)), None);
    }
}
