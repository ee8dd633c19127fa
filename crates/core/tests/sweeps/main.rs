//! Every parameter of a cut changes what comes of it, and no output jumps when it moves by a small step.
#![allow(clippy::panic, reason = "a test that can't go on says so by failing")]

mod table;

use table::{OUTPUTS, SWEEPS, at, head};

#[test]
fn every_parameter_answers_and_no_output_jumps() {
    let hair = head(2048);
    for sweep in SWEEPS {
        let (first, last) = (at(&hair, sweep, sweep.from), at(&hair, sweep, sweep.to));
        let moved = first.iter().zip(&last).map(|(a, b)| (b - a).abs()).fold(0.0, f64::max);
        assert!(moved > 0.2, "{} changes nothing: {moved}", sweep.name);
        // A few steps in the middle of the way; all of them are in docs/accuracy.md.
        let middle = 0.5 * (sweep.from + sweep.to);
        let mut before = at(&hair, sweep, middle);
        for step in 1..=4 {
            let now = at(&hair, sweep, middle + f64::from(step) * sweep.step);
            for (i, (was, is)) in before.iter().zip(&now).enumerate() {
                // Half as many roots as are usual move by more at once.
                let most = f64::max(1.5, 0.015 * was.abs());
                let output = OUTPUTS[i.min(OUTPUTS.len() - 1)];
                assert!((is - was).abs() < most, "{}, {output}: {was} {is}", sweep.name);
            }
            before = now;
        }
    }
}
