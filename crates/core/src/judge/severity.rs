//! How bad a measure is.

/// Severity from which on a finding is said: its threshold.
pub(super) const SAID: f64 = 0.5;

/// Severity, 0 to 1, of a measure that is so many slacks beyond its threshold: a cubic that is flat at both ends.
pub(super) fn of(beyond: f64) -> f64 {
    let t = beyond.clamp(-1.0, 1.0);
    0.5 + 0.75 * t - 0.25 * t.powi(3)
}

/// 0 below `from`, 1 above `to`, smooth between: for what comes to count by and by.
pub(super) fn ramp(value: f64, from: f64, to: f64) -> f64 {
    let t = ((value - from) / (to - from)).clamp(0.0, 1.0);
    t * t * (3.0 - 2.0 * t)
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn it_is_a_half_at_the_threshold_symmetrical_round_it_and_nowhere_steeper_than_there() {
        assert_eq!([of(-3.0), of(0.0), of(3.0)], [0.0, SAID, 1.0]);
        let steps: Vec<f64> =
            (-100..100).map(|i| of(f64::from(i + 1) / 100.0) - of(f64::from(i) / 100.0)).collect();
        assert!(steps.iter().all(|step| (0.0..=0.0075).contains(step)));
        assert!((of(0.3) + of(-0.3) - 1.0).abs() < 1e-12);
        assert_eq!([ramp(1.0, 2.0, 4.0), ramp(3.0, 2.0, 4.0), ramp(1.0, 4.0, 2.0)], [0.0, 0.5, 1.0]);
    }
}
