//! How far a hair hangs below its root: as a helix, or, when it is short and light, as a planar hook.
//!
//! The helix knows nothing of the clamped root, so a strand of less than a loop or two would hang at nearly zero.
//! There the planar rod with natural curvature is expanded to first order in the load: with lengths in units of R0,
//! ℓ = L/R0, W = w·R0³/EI and T* the tip pull, the natural shape is θ(s) = s and the load unbends it by
//! −δθ'(s) = q(s) = W[(ℓ−s)cos s + sin s − sin ℓ] + T*(cos s − cos ℓ). A point σ sinks by ∫₀^σ q(s)(cos s − cos σ) ds.
//! That rise is then limited so that nothing hangs deeper than its length. The larger of helix and hook is taken.

use super::Rod;
use super::search::zero_between;
use crate::tolerance;
use serde::{Deserialize, Serialize};
use std::f64::consts::{FRAC_PI_2, FRAC_PI_4, TAU};

/// How a strand hangs.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Regime {
    /// Short and light: bent by the clamped root, in one plane.
    Hook,
    /// A spiral, opened more at the root than at the end.
    Spiral,
    /// Pulled straight at the root by its own weight or the pull on it.
    StraightAtRoot,
}

/// Exponent that blends the small-load rise into the inextensible limit; fitted to full rods.
const BLEND: f64 = 1.4;

impl Rod {
    /// Depth of the lowest point below the root, mm. Strictly increasing in `length_mm` > 0 and in `tip_pull_mn` ≥ 0
    /// to within rounding; at most `length_mm`.
    pub fn hanging_mm(&self, length_mm: f64, tip_pull_mn: f64) -> f64 {
        self.deeper_mm(self.helix_mm(length_mm, tip_pull_mn), length_mm, tip_pull_mn)
    }

    /// The same of many lengths that carry nothing but themselves.
    pub fn hanging_all_mm<const N: usize>(&self, lengths_mm: &[f64; N]) -> [f64; N] {
        let helices = self.helices(lengths_mm);
        std::array::from_fn(|i| self.deeper_mm(helices[i].0, lengths_mm[i], 0.0))
    }

    /// The deeper of a spiral and the hook of as much fibre, mm.
    fn deeper_mm(&self, helix: f64, length_mm: f64, tip_pull_mn: f64) -> f64 {
        if helix > self.hooks_within_mm(length_mm, tip_pull_mn) {
            return helix.min(length_mm);
        }
        helix.max(self.hook_mm(length_mm, tip_pull_mn)).min(length_mm)
    }

    /// More than any hook of this length or shorter sinks, mm: where the spiral hangs deeper there is no need to ask.
    ///
    /// The rise and the natural depth are taken too large, and the limit too late: a blend with exponent 2 lies above one
    /// with a smaller one.
    fn hooks_within_mm(&self, length_mm: f64, tip_pull_mn: f64) -> f64 {
        let (l, weight, pull) = self.reduced(length_mm, tip_pull_mn);
        let rise = weight * (FRAC_PI_4 * l + 1.2) + 1.8 * pull;
        let natural = l.min(1.0);
        let slack = l - natural;
        self.radius_mm
            * (natural + rise * slack / (rise * rise + slack * slack).sqrt().max(f64::MIN_POSITIVE))
    }

    /// The fibre that hangs to `depth_mm`, mm: [`Rod::hanging_mm`] the other way. The deeper of spiral and hook decides,
    /// so the shorter of the two fibres is the answer.
    pub fn fibre_hanging_mm(&self, depth_mm: f64, tip_pull_mn: f64) -> f64 {
        if depth_mm <= 0.0 {
            return 0.0;
        }
        let spiral = self.fibre_of_helix_mm(depth_mm, tip_pull_mn).max(depth_mm);
        if depth_mm > self.hooks_within_mm(spiral, tip_pull_mn) {
            return spiral;
        }
        let over = |length: f64| self.hook_mm(length, tip_pull_mn).min(length) - depth_mm;
        let high = over(spiral);
        if high <= 0.0 {
            return spiral;
        }
        let low = over(depth_mm);
        if low >= 0.0 {
            return depth_mm;
        }
        zero_between((depth_mm, low), (spiral, high), tolerance::LENGTH_MM, over)
    }

    /// The fibre down to a point of a hair of `whole_mm` that hangs freely, `depth_mm` below the root, begun at a guess; none where
    /// the point is no point of a spiral.
    pub(super) fn fibre_hung_mm(&self, depth_mm: f64, whole_mm: f64, start_mm: f64) -> Option<f64> {
        let fibre = self.fibre_of_hung_helix_mm(depth_mm, whole_mm, start_mm)?;
        let pull = self.weight_mn_mm * (whole_mm - fibre);
        (fibre >= depth_mm && depth_mm > self.hooks_within_mm(fibre, pull)).then_some(fibre)
    }

    /// Depth of the free end below the root, mm; negative when it curls up above the root.
    pub fn tip_mm(&self, length_mm: f64, tip_pull_mn: f64) -> f64 {
        let helix = self.helix_mm(length_mm, tip_pull_mn);
        if helix >= self.hook_mm(length_mm, tip_pull_mn) {
            return helix;
        }
        let (l, weight, pull) = self.reduced(length_mm, tip_pull_mn);
        let rise = first_order_tip_rise(l, weight, pull);
        (self.radius_mm * (l.sin() + limited(rise, l - l.sin()))).min(length_mm)
    }

    /// Which way of hanging decides.
    pub fn regime(&self, length_mm: f64, tip_pull_mn: f64) -> Regime {
        if self.hook_mm(length_mm, tip_pull_mn) > self.helix_mm(length_mm, tip_pull_mn) {
            Regime::Hook
        } else if self.extension(tip_pull_mn + self.weight_mn_mm * length_mm) > 0.999 {
            Regime::StraightAtRoot
        } else {
            Regime::Spiral
        }
    }

    fn reduced(&self, length_mm: f64, tip_pull_mn: f64) -> (f64, f64, f64) {
        let weight = self.weight_mn_mm * self.radius_mm / self.scale_mn;
        (length_mm / self.radius_mm, weight, tip_pull_mn / self.scale_mn)
    }

    fn hook_mm(&self, length_mm: f64, tip_pull_mn: f64) -> f64 {
        let (l, weight, pull) = self.reduced(length_mm, tip_pull_mn);
        let (natural, rise) = if l < FRAC_PI_2 {
            (l.sin(), first_order_tip_rise(l, weight, pull))
        } else {
            (1.0, quarter_turn_rise(l, weight, pull))
        };
        self.radius_mm * (natural + limited(rise, l - natural))
    }
}

/// A rise that starts as `rise` and never passes `slack`.
fn limited(rise: f64, slack: f64) -> f64 {
    if rise <= 0.0 {
        return rise;
    }
    if slack <= 0.0 {
        return 0.0;
    }
    rise / (1.0 + (rise / slack).powf(BLEND)).powf(1.0 / BLEND)
}

/// How far the free end sinks to first order: ∫₀^ℓ q(s)(cos s − cos ℓ) ds in closed form. Below an angle of 0.3 the
/// terms cancel to ℓ⁵ and lose digits, so the series is used there.
fn first_order_tip_rise(l: f64, weight: f64, pull: f64) -> f64 {
    if l < 0.3 {
        // q ≈ W(ℓ−s)²(ℓ+2s)/6 + T*(ℓ²−s²)/2, times (ℓ²−s²)/2; the relative error is below ℓ²/4.
        return weight * l.powi(6) * (13.0 / 360.0) + pull * l.powi(5) * (2.0 / 15.0);
    }
    let (sin, cos) = l.sin_cos();
    let by_pull = 0.5 * l + l * cos * cos - 1.5 * sin * cos;
    // ∫[(ℓ−s)cos s + sin s − sin ℓ](cos s − cos ℓ) ds, term by term.
    let first = 0.25 * l * l + 0.25 * sin * sin;
    let second = 0.5 * sin * sin;
    let by_weight = first + second - sin * sin - cos * ((1.0 - cos) + (1.0 - cos) - l * sin);
    weight * by_weight + pull * by_pull
}

/// How far the lowest point, a quarter turn from the root, sinks to first order, for ℓ ≥ π/2. The exact sum dips by
/// a fifth of W once a turn, where the end swings up past the root; full rods have several equilibria there. A
/// length must grow with its fibre, so the dips are bridged at the height of the last maximum.
fn quarter_turn_rise(l: f64, weight: f64, pull: f64) -> f64 {
    // ½ + ¼ − π²/16: what is left of the weight's integral at the quarter turn.
    const REST: f64 = 0.75 - std::f64::consts::PI * std::f64::consts::PI / 16.0;
    let rise = |l: f64| weight * (FRAC_PI_4 * l + REST - l.sin()) + pull * (FRAC_PI_4 - l.cos());
    let amplitude = weight.hypot(pull);
    if amplitude == 0.0 {
        return 0.0;
    }
    // Maxima where W·π/4 = A·cos(ℓ + φ) on the falling side.
    let phase = pull.atan2(weight);
    let offset = -(FRAC_PI_4 * weight / amplitude).acos() - phase;
    let last_maximum = offset + TAU * ((l - offset) / TAU).floor();
    if last_maximum > FRAC_PI_2 { rise(l).max(rise(last_maximum)) } else { rise(l) }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn by_quadrature(l: f64, weight: f64, pull: f64, to: f64) -> f64 {
        let n = 20_000;
        let f = |s: f64| {
            let q = weight * ((l - s) * s.cos() + s.sin() - l.sin()) + pull * (s.cos() - l.cos());
            q * (s.cos() - to.cos())
        };
        let h = to / f64::from(n);
        (0..n).map(|i| f((f64::from(i) + 0.5) * h) * h).sum()
    }

    #[test]
    fn the_closed_forms_of_the_hook_match_quadrature() {
        for l in [0.31, 0.8, 1.5, 2.4, 4.0, 9.0] {
            for (w, p) in [(1.0, 0.0), (0.0, 1.0), (0.3, 0.7)] {
                let direct = by_quadrature(l, w, p, l);
                assert!(
                    (first_order_tip_rise(l, w, p) - direct).abs() < 1e-6 * (1.0 + direct),
                    "{l} {w} {p}"
                );
            }
        }
        for l in [FRAC_PI_2, 2.0, 3.0] {
            for (w, p) in [(1.0, 0.0), (0.0, 1.0)] {
                let direct = by_quadrature(l, w, p, FRAC_PI_2);
                assert!((quarter_turn_rise(l, w, p) - direct).abs() < 1e-6 * (1.0 + direct), "{l} {w} {p}");
            }
        }
    }

    #[test]
    fn the_series_meets_the_closed_form_where_they_change_over() {
        for (w, p) in [(1.0, 0.0), (0.0, 1.0)] {
            let exact = by_quadrature(0.2999, w, p, 0.2999);
            assert!((first_order_tip_rise(0.2999, w, p) / exact - 1.0).abs() < 0.03);
        }
    }

    #[test]
    fn many_lengths_hang_as_each_does_by_itself() {
        // Closed loops, a slight and a steep pitch; soft hair, hair that hooks and hair that stays as it is.
        for torsion_ratio in [0.0, 1e-3, 0.1, 0.34, 1.5] {
            for scale_mn in [1e-4, 3e-3, 0.03, 0.5, 20.0] {
                let rod = Rod {
                    radius_mm: 12.0,
                    torsion_ratio,
                    stiffness_ratio: 0.51,
                    scale_mn,
                    weight_mn_mm: 5e-5,
                };
                let lengths = [0.0, 1e-6, 0.4, 7.0, 60.0, 61.0, 340.0, 1900.0];
                for (length, found) in lengths.into_iter().zip(rod.hanging_all_mm(&lengths)) {
                    let alone = rod.hanging_mm(length, 0.0);
                    let off = (found - alone).abs();
                    assert!(
                        off <= 1e-9 * (1.0 + alone),
                        "{torsion_ratio} {scale_mn} {length}: {found} {alone}"
                    );
                }
            }
        }
    }

    #[test]
    fn no_hook_sinks_further_than_it_is_said_to_at_most() {
        for (weight, scale, radius) in [(1e-4, 0.5, 4.0), (6e-5, 0.01, 30.0), (3e-4, 0.002, 80.0)] {
            let rod = Rod {
                radius_mm: radius,
                torsion_ratio: 0.3,
                stiffness_ratio: 0.8,
                scale_mn: scale,
                weight_mn_mm: weight,
            };
            for i in 1..400 {
                for pull in [0.0, 0.002, 0.3, 40.0] {
                    let length = f64::from(i) * 1.7;
                    let (hook, most) = (rod.hook_mm(length, pull), rod.hooks_within_mm(length, pull));
                    assert!(hook.min(length) <= most + 1e-9, "{length} {pull}: {hook} {most}");
                }
            }
        }
    }

    #[test]
    fn the_bridged_rise_never_falls() {
        for (w, p) in [(1.0, 0.0), (0.0, 1.0), (0.4, 0.2), (0.01, 0.5)] {
            let mut last = 0.0;
            for i in 0..6000 {
                let rise = quarter_turn_rise(FRAC_PI_2 + f64::from(i) * 0.005, w, p);
                assert!(rise >= last - 1e-12, "{w} {p} {i}");
                last = rise;
            }
        }
    }
}
