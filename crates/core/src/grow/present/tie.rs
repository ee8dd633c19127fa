//! The hair gathered in a tie: how its girths tell that the ends thin out.

use crate::hair::{Hair, SHARES, Strand};
use crate::head::{Landmark, Vec3, taut_mm};
use crate::reading::Girth;
use rayon::prelude::*;

/// Least girth, as a share of the first, that an error is counted against.
const LEAST_GIRTH: f64 = 1e-3;
/// How far the tie stands off the head, mm.
const TIE_OFF_MM: f64 = 12.0;
/// How much a bend of the profile weighs against an error of a girth.
const EVENNESS: f64 = 1e-3;
/// How much it weighs that the longest share is shorter than the strand that was read.
const FULL_LENGTH: f64 = 0.02;
/// Shortest share of a strand that is taken to be there.
const LEAST_SHARE: f64 = 0.05;

/// By how much a girth is off, as a share of it, given shares of the hair: girths are as their roots.
fn error(has: f64, wanted: f64) -> f64 {
    has.sqrt() / wanted.sqrt().max(LEAST_GIRTH) - 1.0
}

/// Where hair is tied: off the occipital bone.
pub(crate) fn tie_of(hair: &Hair) -> Vec3 {
    let bone = Landmark::Occipital.point(&hair.form, &hair.hairline);
    bone * (1.0 + TIE_OFF_MM / bone.norm())
}

/// Hair gathered in one tie at the occipital bone.
struct Gathering<'a> {
    /// For each girth and each eighth of the strands that reach it: how much of its length it must keep to do so, ascending,
    /// with the hairs up to it.
    keeps: Vec<Vec<Vec<(f64, f64)>>>,
    /// The measured share at each girth of what is in the first.
    wanted: &'a [f64],
}

/// How much of its length each eighth of every strand keeps, falling.
pub(super) type GirthProfile = [f64; SHARES];

/// What it takes to be in each girth of hair that is tied, whatever its length.
pub(super) struct Tie {
    /// For each girth, how long each strand must be to reach it, mm of fibre; endless if none of its kind does.
    reaches: Vec<Vec<f64>>,
    /// The measured share at each girth of what is in the first.
    wanted: Vec<f64>,
}

impl Tie {
    pub fn of(hair: &Hair, girths: &[Girth]) -> Self {
        let tie = tie_of(hair);
        let drawn = |strand: &Strand| taut_mm(&hair.form, &strand.root.at, &strand.root.normal, &tie);
        let drawn: Vec<f64> = hair.strands.par_iter().map(drawn).collect();
        let reaches = girths.iter().map(|girth| {
            let below = |strand: &Strand| {
                strand.model.fibre_from_hanging(girth.from_tie_mm, 0.0).unwrap_or(f64::INFINITY)
            };
            hair.strands.par_iter().zip(&drawn).map(|(strand, drawn)| drawn + below(strand)).collect()
        });
        let first = girths.first().map_or(1.0, |girth| girth.girth_mm);
        let wanted = girths.iter().map(|girth| (girth.girth_mm / first).powi(2).min(1.0));
        Self { reaches: reaches.collect(), wanted: wanted.collect() }
    }

    /// Share of the hair in the first girth that reaches each of them.
    pub fn shares(&self, hair: &Hair) -> Vec<f64> {
        let in_girth = |reaches: &Vec<f64>| -> f64 {
            let strands = hair.strands.iter().zip(&hair.lengths).zip(reaches);
            let hairs = strands.map(|((strand, lengths), reaches)| {
                strand.hairs * lengths.iter().filter(|length| *length >= reaches).count() as f64
            });
            hairs.sum()
        };
        let all: Vec<f64> = self.reaches.iter().map(in_girth).collect();
        let first = all.first().copied().unwrap_or_default();
        all.iter().map(|girth| if first > 0.0 { girth / first } else { 0.0 }).collect()
    }

    /// Largest error of a girth, as a share of it.
    pub fn off(&self, hair: &Hair) -> f64 {
        let off = |(has, wanted): (f64, &f64)| error(has, *wanted).abs();
        self.shares(hair).into_iter().zip(&self.wanted).map(off).fold(0.0, f64::max)
    }

    /// The profile with which it thins out as measured.
    pub fn fitted(&self, hair: &Hair) -> GirthProfile {
        self.gathered(hair).fitted()
    }

    fn gathered(&self, hair: &Hair) -> Gathering<'_> {
        let keeps = |reaches: &Vec<f64>, share: usize| -> Vec<(f64, f64)> {
            let strands = hair.strands.iter().zip(&hair.lengths).zip(reaches);
            let mut keeps: Vec<(f64, f64)> = strands
                .map(|((strand, lengths), reaches)| (reaches / lengths[share].max(1e-9), strand.hairs))
                .filter(|(keep, _)| *keep <= 1.0)
                .collect();
            keeps.sort_unstable_by(|a, b| a.0.total_cmp(&b.0));
            let mut hairs = 0.0;
            for keep in &mut keeps {
                hairs += keep.1;
                keep.1 = hairs;
            }
            keeps
        };
        let girth =
            |reaches: &Vec<f64>| (0..SHARES).into_par_iter().map(|share| keeps(reaches, share)).collect();
        Gathering { keeps: self.reaches.par_iter().map(girth).collect(), wanted: &self.wanted }
    }
}

impl Gathering<'_> {
    /// Share of the hair in the first girth that reaches each of them.
    fn shares(&self, profile: &GirthProfile) -> Vec<f64> {
        let reaching = |keeps: &Vec<Vec<(f64, f64)>>| -> f64 {
            let hairs = |(keeps, share): (&Vec<(f64, f64)>, &f64)| match keeps
                .partition_point(|(keep, _)| keep <= share)
            {
                0 => 0.0,
                n => keeps[n - 1].1,
            };
            keeps.iter().zip(profile).map(hairs).sum()
        };
        let first = self.keeps.first().map_or(0.0, reaching);
        self.keeps.iter().map(|keeps| if first > 0.0 { reaching(keeps) / first } else { 0.0 }).collect()
    }

    /// The profile with which the hair thins out as measured: least squares of the relative errors of girths, found by
    /// moving one share at a time by ever smaller steps.
    fn fitted(&self) -> GirthProfile {
        let cost = |profile: &GirthProfile| -> f64 {
            let shares = self.shares(profile);
            let fits = shares.iter().zip(self.wanted).map(|(has, wanted)| error(*has, *wanted).powi(2));
            // Of profiles that fit alike the evenest is taken.
            let bends = profile.windows(3).map(|three| (three[0] - 2.0 * three[1] + three[2]).powi(2));
            fits.sum::<f64>() + EVENNESS * bends.sum::<f64>() + FULL_LENGTH * (1.0 - profile[0]).powi(2)
        };
        let even = |taper: f64| -> GirthProfile {
            std::array::from_fn(|k| 1.0 - taper * k as f64 / (SHARES - 1) as f64)
        };
        let mut best = (0..=20)
            .map(|i| even(f64::from(i) * 0.045))
            .map(|profile| (cost(&profile), profile))
            .min_by(|a, b| a.0.total_cmp(&b.0))
            .unwrap_or((f64::INFINITY, even(0.0)));
        let mut step = 0.08;
        while step > 1e-3 {
            let mut better = false;
            for k in 0..SHARES {
                for by in [step, -step] {
                    let mut tried = best.1;
                    // A share that is moved pushes its neighbours along: the profile never rises.
                    let to = (tried[k] + by).clamp(LEAST_SHARE, 1.0);
                    tried[k] = to;
                    tried[..k].iter_mut().for_each(|share| *share = share.max(to));
                    tried[k..].iter_mut().for_each(|share| *share = share.min(to));
                    let found = cost(&tried);
                    if found < best.0 {
                        best = (found, tried);
                        better = true;
                    }
                }
            }
            if !better {
                step *= 0.5;
            }
        }
        best.1
    }
}
