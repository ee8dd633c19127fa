//! Outlines of the worn hair.

use super::surface::{Surface, from_axis_mm};
use crate::drape::cells::{CAP_ROWS, azimuth_of};
use crate::drape::{AZIMUTHS, LEVEL_MM, Shell};
use crate::hair::{Hair, ShareLengths};
use serde::Serialize;

/// An outline seen from one side: for each height how far hair or head reach to either hand, mm.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Outline {
    /// Heights above the ear canals, mm, from the top down.
    pub heights_mm: Vec<f64>,
    /// Reach towards the client's left (front and back view) or the front (side view), mm; negative where all that is
    /// there lies on the other side of the middle.
    pub one_mm: Vec<f64>,
    /// Reach the other way, mm, counted that way.
    pub other_mm: Vec<f64>,
}

/// Distance of hair or head from the axis at even heights, by azimuth.
pub(crate) struct Levels {
    pub heights_mm: Vec<f64>,
    /// Distance, mm, and how solid hair or head is there, 0 to 1; both 0 where there is neither.
    pub radii: Vec<[(f64, f64); AZIMUTHS]>,
    /// Height of the outline on top and of its lowest end, mm.
    pub top_mm: f64,
    pub bottom_mm: f64,
}

impl Levels {
    /// Of hair at these fibre lengths, as it is worn.
    pub fn worn(hair: &Hair, lengths: &[ShareLengths]) -> Self {
        Self::of(&Surface::worn(hair, lengths), &hair.shell)
    }

    pub fn of(surface: &Surface, shell: &Shell) -> Self {
        let top_mm = surface.top_mm;
        let highest = surface.outer[..CAP_ROWS].iter().flatten().map(|p| p.y).fold(top_mm, f64::max);
        let lowest = surface.perimeter.iter().flatten().copied().fold(0.0, f64::min);
        let first = (highest / LEVEL_MM).floor() as i32;
        let last = (lowest / LEVEL_MM).ceil() as i32;
        let heights_mm: Vec<f64> = (last..=first).rev().map(|level| f64::from(level) * LEVEL_MM).collect();
        let bare = heights_mm.iter().map(|height| {
            let head = shell.at(*height);
            std::array::from_fn(|i| head.radius_mm(i)).map(|head| (head, if head > 0.0 { 1.0 } else { 0.0 }))
        });
        let mut radii: Vec<[(f64, f64); AZIMUTHS]> = bare.collect();
        for i in 0..AZIMUTHS {
            // Down the outside from the top: each stretch crosses the heights between its ends.
            let mut before = ((0.0, top_mm), 1.0);
            for (row, points) in surface.outer.iter().enumerate() {
                let p = points[i];
                let solid = if row < CAP_ROWS { 1.0 } else { surface.cover[row][i] };
                let here = ((from_axis_mm(&p), p.y), solid);
                let ((r0, y0), s0) = before;
                let ((r1, y1), s1) = here;
                let (high, low) = (y0.max(y1), y0.min(y1));
                let from = (f64::from(first) - high / LEVEL_MM).ceil().max(0.0) as usize;
                let to = (f64::from(first) - low / LEVEL_MM).floor();
                if to >= 0.0 {
                    let per_mm = if y1 == y0 { 0.0 } else { 1.0 / (y1 - y0) };
                    for level in from..=(to as usize).min(heights_mm.len() - 1) {
                        let share = (heights_mm[level] - y0) * per_mm;
                        let solid = s0 + share * (s1 - s0);
                        let radius = r0 + share * (r1 - r0);
                        let there = &mut radii[level][i];
                        if solid > 0.0 && radius > there.0 {
                            *there = (radius, solid.max(there.1));
                        }
                    }
                }
                before = here;
            }
        }
        Self { heights_mm, radii, top_mm: highest.max(top_mm), bottom_mm: lowest }
    }
}

impl Outline {
    /// Across the shoulders: left one way, right the other.
    pub(super) fn across(levels: &Levels) -> Self {
        Self::seen(levels, f64::sin)
    }

    /// From the side: front one way, back the other.
    pub(super) fn from_the_side(levels: &Levels) -> Self {
        Self::seen(levels, f64::cos)
    }

    fn seen(levels: &Levels, share: impl Fn(f64) -> f64) -> Self {
        let mut out = Self { heights_mm: vec![levels.top_mm], one_mm: vec![0.0], other_mm: vec![0.0] };
        let shares: [f64; AZIMUTHS] = std::array::from_fn(|i| share(azimuth_of(i)));
        for (radii, height) in levels.radii.iter().zip(&levels.heights_mm) {
            let there = || (0..AZIMUTHS).filter(|i| radii[*i].1 > 0.0);
            let at = |i: usize| radii[i].0 * shares[i];
            let (sum, weight) = there().fold((0.0, 0.0), |(sum, weight), i| {
                let solid = radii[i].1;
                (sum + solid * at(i), weight + solid)
            });
            if weight == 0.0 {
                continue;
            }
            // Hair that is hardly there draws the outline hardly out of the middle of what is.
            let middle = sum / weight;
            let drawn = |i: usize| middle + radii[i].1 * (at(i) - middle);
            out.heights_mm.push(*height);
            out.one_mm.push(there().map(drawn).fold(middle, f64::max));
            out.other_mm.push(-there().map(drawn).fold(middle, f64::min));
        }
        // It ends at the perimeter, wherever that lies between two heights.
        if let [.., last] = out.heights_mm[..]
            && levels.bottom_mm < last
        {
            out.heights_mm.push(levels.bottom_mm);
            out.one_mm.push(out.one_mm[out.one_mm.len() - 1]);
            out.other_mm.push(out.other_mm[out.other_mm.len() - 1]);
        }
        out
    }

    /// Whole width by height, mm.
    pub fn widths_mm(&self) -> impl DoubleEndedIterator<Item = f64> + ExactSizeIterator + '_ {
        self.one_mm.iter().zip(&self.other_mm).map(|(one, other)| one + other)
    }

    /// Whether hair hangs so far below a height that its width there is not that of its end.
    pub fn hangs_below(&self, height_mm: f64) -> bool {
        self.heights_mm.last().is_some_and(|lowest| *lowest < height_mm - 20.0)
    }

    /// Width at a height, mm, on the mean over two fingers: no single level decides.
    pub fn width_about_mm(&self, height_mm: f64) -> f64 {
        (-2..=2).map(|step| self.width_at_mm(height_mm + 5.0 * f64::from(step))).sum::<f64>() / 5.0
    }

    /// Whole width at a height, mm, straight between those that are known; 0 above and below.
    pub fn width_at_mm(&self, height_mm: f64) -> f64 {
        let next = self.heights_mm.partition_point(|height| *height >= height_mm);
        let width = |i: usize| self.one_mm[i] + self.other_mm[i];
        match (next, self.heights_mm.get(next)) {
            (0, _) => 0.0,
            (next, None) if self.heights_mm[next - 1] == height_mm => width(next - 1),
            (_, None) => 0.0,
            (next, Some(below)) => {
                let above = self.heights_mm[next - 1];
                let share = (above - height_mm) / (above - below).max(1e-9);
                width(next - 1) + share * (width(next) - width(next - 1))
            }
        }
    }
}
