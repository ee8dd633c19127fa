//! Which pixels are hair.

use super::Picture;
use super::picture::Mask;
use nalgebra::{SMatrix, SVector};

/// Bins of a histogram of brightness.
const BINS: usize = 512;
/// Passes in which light and threshold are found in turn: the second hardly changes anything.
const PASSES: usize = 3;
/// Pixels from which the light is found: every so many-th along both sides.
const STRIDE: usize = 5;
/// Least share of the variance of brightness that the division into two must explain. Noise alone gives 0.64.
const LEAST_EXPLAINED: f64 = 0.66;
/// Share by which the middle brightness of hair must differ from that of skin.
const LEAST_CONTRAST: f64 = 0.05;
/// Patches of hair smaller than this, px, are noise.
const LEAST_PATCH: usize = 40;

/// The hair of a picture: what differs from the even skin, to the side to which brightness is skewed, for hair covers the
/// smaller part of what a scope looks at. None where nothing stands out.
///
/// The light on the skin is a smooth surface (a polynomial of degree two, least squares on the skin); what is left is
/// divided where the variance between the two sides is greatest (Otsu 1979, IEEE Trans. Syst. Man Cybern. 9, 62).
pub(super) fn hair(picture: &Picture) -> Option<Mask> {
    let side = picture.side_px();
    let smooth = blurred(picture.grey(), side);
    let mut set = vec![false; smooth.len()];
    let mut divided = None;
    for _ in 0..PASSES {
        let light = light_on_skin(&smooth, &set, side)?;
        let left: Vec<f64> =
            smooth.iter().zip(&light).map(|(grey, light)| f64::from(*grey) - light).collect();
        let found = otsu(&left)?;
        let is_dark = skewed(&left) < 0.0;
        set = left.iter().map(|grey| (*grey < found.at) == is_dark).collect();
        divided = Some(found);
    }
    divided.filter(|found| found.explained >= LEAST_EXPLAINED && found.apart >= LEAST_CONTRAST)?;
    Some(without_specks(Mask { side, set }))
}

/// The third moment about the mean: below 0 where the few are dark.
fn skewed(grey: &[f64]) -> f64 {
    let mean = grey.iter().sum::<f64>() / grey.len() as f64;
    grey.iter().map(|g| (g - mean).powi(3)).sum()
}

/// Each pixel with its neighbours, binomial weights over five along both sides: takes the noise of single pixels away and
/// leaves lines that are several wide.
fn blurred(grey: &[f32], side: usize) -> Vec<f32> {
    const WEIGHTS: [f32; 5] = [0.0625, 0.25, 0.375, 0.25, 0.0625];
    let pass = |from: &[f32], step: usize| -> Vec<f32> {
        (0..from.len())
            .map(|i| {
                let at = if step == 1 { i % side } else { i / side };
                let near = |k: usize| {
                    let other = (at + k).saturating_sub(2).min(side - 1);
                    from[i + other * step - at * step]
                };
                WEIGHTS.iter().enumerate().map(|(k, weight)| weight * near(k)).sum()
            })
            .collect()
    };
    pass(&pass(grey, 1), side)
}

struct Divided {
    /// Brightness that divides.
    at: f64,
    /// Share of the variance between the two sides.
    explained: f64,
    /// By how much their means differ.
    apart: f64,
}

/// Divides brightness from −1 to 1.
fn otsu(grey: &[f64]) -> Option<Divided> {
    let mut bins = [0.0_f64; BINS];
    let width = 2.0 / BINS as f64;
    for g in grey {
        bins[(((g + 1.0) / width) as usize).min(BINS - 1)] += 1.0;
    }
    let total: f64 = grey.len() as f64;
    let middle = |i: usize| (i as f64 + 0.5) * width - 1.0;
    let sum: f64 = bins.iter().enumerate().map(|(i, n)| n * middle(i)).sum();
    let square: f64 = bins.iter().enumerate().map(|(i, n)| n * middle(i) * middle(i)).sum();
    let variance = square / total - (sum / total).powi(2);
    let (mut below, mut sum_below) = (0.0, 0.0);
    let mut best: Option<Divided> = None;
    for (i, n) in bins.iter().enumerate() {
        below += n;
        sum_below += n * middle(i);
        let above = total - below;
        if below == 0.0 || above == 0.0 || variance <= 0.0 {
            continue;
        }
        let apart = (sum - sum_below) / above - sum_below / below;
        let explained = below * above / (total * total) * apart * apart / variance;
        if best.as_ref().is_none_or(|best| explained > best.explained) {
            best = Some(Divided { at: middle(i) + 0.5 * width, explained, apart });
        }
    }
    best
}

/// Brightness of the skin everywhere, from where it isn't hidden.
fn light_on_skin(grey: &[f32], hair: &[bool], side: usize) -> Option<Vec<f64>> {
    let terms = |x: usize, y: usize| {
        let (u, v) = (x as f64 / side as f64 - 0.5, y as f64 / side as f64 - 0.5);
        SVector::<f64, 6>::from([1.0, u, v, u * u, u * v, v * v])
    };
    let (mut normal, mut right) = (SMatrix::<f64, 6, 6>::zeros(), SVector::<f64, 6>::zeros());
    for y in (0..side).step_by(STRIDE) {
        for x in (0..side).step_by(STRIDE) {
            if !hair[y * side + x] {
                let t = terms(x, y);
                normal += t * t.transpose();
                right += t * f64::from(grey[y * side + x]);
            }
        }
    }
    let fitted = normal.cholesky()?.solve(&right);
    Some((0..side * side).map(|i| terms(i % side, i / side).dot(&fitted)).collect())
}

/// Without patches too small to be hair, and with holes as small closed.
fn without_specks(mask: Mask) -> Mask {
    let once = |mut mask: Mask, of: bool| {
        let mut seen = vec![false; mask.set.len()];
        for start in 0..mask.set.len() {
            if seen[start] || mask.set[start] != of {
                continue;
            }
            let mut patch = vec![start];
            seen[start] = true;
            let mut next = 0;
            while let Some(&i) = patch.get(next) {
                next += 1;
                let (x, y) = (i % mask.side, i / mask.side);
                let beside = [
                    (x > 0).then(|| i - 1),
                    (x + 1 < mask.side).then_some(i + 1),
                    (y > 0).then(|| i - mask.side),
                    (y + 1 < mask.side).then_some(i + mask.side),
                ];
                for other in beside.into_iter().flatten() {
                    if !seen[other] && mask.set[other] == of {
                        seen[other] = true;
                        patch.push(other);
                    }
                }
            }
            if patch.len() < LEAST_PATCH {
                for i in patch {
                    mask.set[i] = !of;
                }
            }
        }
        mask
    };
    once(once(mask, true), false)
}
