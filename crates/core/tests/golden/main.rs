//! Nothing that a change of names or of structure touches may change what is computed: all shipped cuts on three heads and
//! all marks of the demo, against a file that was written before.
//!
//! Where a result is meant to change, `cargo run --release -p spirel-core --example golden > crates/core/tests/golden/golden.txt`
//! writes the file anew; its difference then shows what changed.

mod table;

/// Share by which numbers may differ: processors round exponentials differently in the last digit.
const ROUNDING: f64 = 1e-7;

#[test]
fn results_are_what_they_were() {
    let kept = include_str!("golden.txt").lines();
    let now = table::lines();
    assert_eq!(kept.clone().count(), now.len());
    for (line, (name, numbers)) in kept.zip(now) {
        let (kept_name, kept) = line.split_once(": ").expect("a name and numbers");
        assert_eq!(kept_name, name);
        let kept: Vec<f64> = kept.split(' ').map(|number| number.parse().expect("a number")).collect();
        assert_eq!(kept.len(), numbers.len(), "{name}");
        for (was, is) in kept.iter().zip(&numbers) {
            assert!((was - is).abs() <= ROUNDING * was.abs().max(1.0), "{name}: {was} {is}");
        }
    }
}
