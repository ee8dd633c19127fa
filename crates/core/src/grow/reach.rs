//! How long hair must be worn to end at a height: the one home of it for Aim and for Mark.

use crate::fall::{combed, hang_at, lie_at};
use crate::fibre::HeldHair;
use crate::fibre::search::zero_between;
use crate::hair::Hair;
use crate::head::{Figure, FigurePoint, FigureZone, Patch, Reach, Vec3, Zone};
use crate::tolerance;
use rayon::prelude::*;

/// Longest worn hair that is looked for, mm.
const LONGEST_MM: f64 = 2000.0;
/// Most corrections of a length for how hair of that length lies. Hair that stands upright may need more than that: it is
/// searched for.
const CORRECTIONS: usize = 12;
/// Strands of a zone that are asked where its hair ends.
const ASKED: usize = 48;

impl Hair {
    /// Where the hair of a root ends if all of it is worn at one length, mm.
    pub fn worn_end(&self, strand: usize, worn_mm: f64) -> Vec3 {
        self.drapes[strand].place(&lie_at(self, strand, worn_mm), worn_mm, worn_mm)
    }

    /// Worn length at which the hair of a root ends at a height, mm; none where it would end above its root.
    pub fn worn_to_height_mm(&self, strand: usize, height_mm: f64) -> Option<f64> {
        // Below the head hair hangs straight down, and how it lies hardly depends on its length: a few corrections are enough.
        let drape = &self.drapes[strand];
        let leave = drape.leave();
        if !drape.can_fall_forward() && height_mm < leave.y {
            let below = drape.main().down_mm(leave.y - height_mm);
            let mut turn = None;
            let mut next = |worn: f64| {
                let lie = hang_at(self, strand, worn);
                let leaves = turn.insert(lie.turn_near(drape.main(), turn.as_ref()));
                leaves.worn_mm + below / lie.hangs()
            };
            let mut before = below + drape.main().on_head_mm();
            let mut over = next(before) - before;
            let mut worn = before + over;
            for _ in 0..CORRECTIONS {
                let off = next(worn) - worn;
                // Where the difference would vanish if it went on as from the last length to this one.
                let step = if off == over { off } else { off * (worn - before) / (over - off) };
                // What that leaves is a fraction of the square of the one over the other.
                if off.abs() < tolerance::REACH_MM || off * off < 2.0 * tolerance::REACH_MM * over.abs() {
                    return Some(worn + step);
                }
                (before, over) = (worn, off);
                worn += if step.abs() < LONGEST_MM { step } else { off };
            }
        }
        length_to(height_mm, self.strands[strand].root.at.y, |worn| self.worn_end(strand, worn).y)
    }

    /// The hair that stands for a zone.
    pub fn zone_paths(&self, zone: Zone) -> ZonePaths<'_> {
        let of = |i: &usize| self.strands[*i].root.zone == zone;
        let all: Vec<usize> = (0..self.strands.len()).filter(of).collect();
        let step = all.len().div_ceil(ASKED).max(1);
        ZonePaths { hair: self, strands: all.into_iter().step_by(step).collect() }
    }
}

impl Hair {
    /// The figure of this head: worn lengths from each zone to each point, and where some patches are seen on it.
    pub fn figure(&self, patches: &[Patch]) -> Figure {
        let points = Figure::points(&self.measures);
        let zone = |zone: Zone| {
            let paths = self.zone_paths(zone);
            let reach = |at: &FigurePoint| {
                Some(Reach { point: at.point, worn_mm: paths.worn_to_height_mm(at.height_mm)? })
            };
            let reaches = points.iter().filter_map(reach).collect();
            FigureZone { zone, root_height_mm: paths.root_height_mm(), reaches }
        };
        let zones = Zone::ALL.into_par_iter().map(zone).collect();
        Figure::new(&self.form, &self.hairline, &self.measures, zones, patches)
    }
}

/// The paths of the hair of a zone.
#[derive(Debug, Clone)]
pub struct ZonePaths<'a> {
    hair: &'a Hair,
    strands: Vec<usize>,
}

impl ZonePaths<'_> {
    fn mean(&self, of: impl Fn(usize) -> f64) -> f64 {
        let hairs: f64 = self.strands.iter().map(|i| self.hair.strands[*i].hairs).sum();
        self.strands.iter().map(|i| self.hair.strands[*i].hairs * of(*i)).sum::<f64>() / hairs.max(1e-9)
    }

    /// Mean height of its roots, mm.
    pub fn root_height_mm(&self) -> f64 {
        self.mean(|i| self.hair.strands[i].root.at.y)
    }

    /// Height at which its hair ends on average if all of it is worn at one length, mm.
    pub fn ends_at_mm(&self, worn_mm: f64) -> f64 {
        rounded(self.mean(|i| self.hair.worn_end(i, worn_mm).y))
    }

    /// How much of the way it would hang down its neighbours hold it up on average if all of it is worn at one length, 0 to 1.
    pub fn held_up(&self, worn_mm: f64) -> f64 {
        rounded(self.mean(|i| 1.0 - hang_at(self.hair, i, worn_mm).hangs()))
    }

    /// How far below a height a line lies along which hair is cut that hangs combed, held like this, for it to end at that height
    /// once it is worn, mm: on the mean over the roots that reach there, each along its own way, lying flat as combed hair does.
    /// `present_mm` is how long the hair is now. None where no hair comes down so far.
    pub(crate) fn combed_below_mm(&self, height_mm: f64, hold: HeldHair, present_mm: f64) -> Option<f64> {
        let hair = self.hair;
        let below = |i: &usize| {
            let strand = &hair.strands[*i];
            let worn = hair.worn_to_height_mm(*i, height_mm)?;
            let fibre = strand.model.fibre_from_worn(worn, strand.worn)?;
            let held = hold.held_mm(&strand.model, fibre, present_mm.max(fibre));
            let ends = hair.drapes[*i].place(&combed(hair, *i), held, held).y;
            Some((strand.hairs * (height_mm - ends), strand.hairs))
        };
        let sums = self.strands.iter().filter_map(below).fold((0.0, 0.0), |a, b| (a.0 + b.0, a.1 + b.1));
        (sums.1 > 0.0).then(|| rounded(sums.0 / sums.1))
    }

    /// Worn length at which it ends at a height on average, mm; none above its roots.
    pub fn worn_to_height_mm(&self, height_mm: f64) -> Option<f64> {
        let ends_at = |worn: f64| self.mean(|i| self.hair.worn_end(i, worn).y);
        length_to(height_mm, self.root_height_mm(), ends_at).map(rounded)
    }
}

/// To a hundredth, so that sides that are alike get the same to the last digit.
fn rounded(value: f64) -> f64 {
    (value * 100.0).round() / 100.0
}

/// The length at which a height that falls with it is reached.
fn length_to(height_mm: f64, root_mm: f64, ends_at: impl Fn(f64) -> f64) -> Option<f64> {
    if height_mm >= root_mm {
        return None;
    }
    let over = |worn: f64| ends_at(worn) - height_mm;
    // Crowded hair may end above its root before it falls: the last crossing is looked for, from far out.
    let (mut low, mut high) = (0.0, 2.0 * (root_mm - height_mm) + 50.0);
    let mut f_high = over(high);
    while f_high > 0.0 {
        if high > LONGEST_MM {
            return None;
        }
        low = high;
        high *= 1.5;
        f_high = over(high);
    }
    let f_low = if low == 0.0 { root_mm - height_mm } else { over(low) };
    Some(zero_between((low, f_low), (high, f_high), tolerance::REACH_MM, over))
}
