//! One head after one cut, with what several findings ask of it.

use super::place::FindingPlace;
use super::severity;
use super::{FindingCode, FindingUnit, Known, Worse};
use crate::constants::TIE_HOLD_MM;
use crate::cut::{Cut, Move, MoveReport};
use crate::fall::{AsWorn, End, Fall, ends};
use crate::grow::tie_of;
use crate::hair::{Hair, ShareLengths, Strand};
use crate::head::{Vec3, Zone, taut_mm, zone_at};
use crate::message::Arg;
use std::sync::OnceLock;

/// A head of hair before it is cut, with what doesn't depend on the cut.
#[derive(Debug, Clone)]
pub struct Uncut {
    pub(crate) worn: AsWorn,
    pub(crate) fall: Fall,
    /// Way round the head, from the front towards the client's left, at which each strand leaves it, degrees.
    leaves_deg: Vec<f64>,
    /// Length each strand needs to hold in a tie, mm: known once somebody asks.
    tie_needs_mm: OnceLock<Vec<f64>>,
    /// Fewer strands of the same hair, for what is cut on them alone.
    few: OnceLock<Hair>,
}

/// Strands of which one of the few stands for so many.
const FEWER: usize = 6;

impl Uncut {
    /// How it falls.
    pub fn fall(&self) -> &Fall {
        &self.fall
    }

    /// Of a head whose fall is known.
    pub fn of(hair: &Hair, fall: Fall) -> Self {
        let leaves = hair.drapes.iter().map(|drape| drape.leave());
        Self {
            worn: AsWorn::of(hair, &hair.lengths),
            fall,
            leaves_deg: leaves.map(|leaves| leaves.x.atan2(leaves.z).to_degrees()).collect(),
            tie_needs_mm: OnceLock::new(),
            few: OnceLock::new(),
        }
    }
}

/// A head of hair after a cut, as it is judged.
pub(crate) struct Head<'a> {
    pub hair: &'a Hair,
    pub lengths: &'a [ShareLengths],
    pub worn: &'a AsWorn,
    pub fall: &'a Fall,
    pub cut: &'a Cut,
    pub reports: &'a [MoveReport],
    pub known: &'a Known,
    pub uncut: &'a Uncut,
    ends: OnceLock<Vec<End>>,
}

/// A measure on a head.
#[derive(Debug, Clone)]
pub(super) struct Measured {
    /// In the unit of its rule.
    pub measure: f64,
    /// How far it counts at all, 0 to 1: what is hardly there is hardly a fault.
    pub counts: f64,
    /// Where it is worst, mm.
    pub at: Vec3,
    /// The figures that say it.
    pub figures: Vec<(&'static str, Arg)>,
    /// The steps that cause it, where the measure itself tells them.
    pub steps: Vec<u32>,
}

impl Measured {
    pub fn new(measure: f64, at: Vec3) -> Self {
        Self { measure, counts: 1.0, at, figures: Vec::new(), steps: Vec::new() }
    }

    pub fn counting(self, counts: f64) -> Self {
        Self { counts, ..self }
    }

    pub fn with(mut self, name: &'static str, figure: impl Into<Arg>) -> Self {
        self.figures.push((name, figure.into()));
        self
    }

    pub fn by(self, steps: impl IntoIterator<Item = u32>) -> Self {
        Self { steps: steps.into_iter().collect(), ..self }
    }

    /// How bad it is, 0 to 1.
    pub fn severity(&self, code: FindingCode, known: &Known) -> f64 {
        self.counts * severity::of(self.beyond(code, known))
    }

    /// The same without an end: a half at the threshold, and half more for each slack.
    pub fn badness(&self, code: FindingCode, known: &Known) -> f64 {
        self.counts * 0.5 * (1.0 + self.beyond(code, known)).max(0.0)
    }

    /// How many slacks it is beyond its threshold.
    fn beyond(&self, code: FindingCode, known: &Known) -> f64 {
        let rule = code.rule();
        let over = match rule.worse {
            Worse::Above => self.measure - known.threshold(code),
            Worse::Below => known.threshold(code) - self.measure,
        };
        // What there is nothing of is wholly free of it.
        let slack = match rule.worse {
            Worse::Above if over < 0.0 && rule.unit == FindingUnit::Mm && known.threshold(code) > 0.0 => {
                rule.slack.min(known.threshold(code))
            }
            _ => rule.slack,
        };
        over / slack
    }
}

impl<'a> Head<'a> {
    #[expect(clippy::too_many_arguments, reason = "a head after a cut is these things")]
    pub fn new(
        hair: &'a Hair,
        lengths: &'a [ShareLengths],
        worn: &'a AsWorn,
        fall: &'a Fall,
        cut: &'a Cut,
        reports: &'a [MoveReport],
        known: &'a Known,
        uncut: &'a Uncut,
    ) -> Self {
        Self { hair, lengths, worn, fall, cut, reports, known, uncut, ends: OnceLock::new() }
    }

    /// The same head before it was cut.
    pub fn before<'b>(&'b self, nothing: &'b Cut) -> Head<'b> {
        let Self { hair, known, uncut, .. } = *self;
        Head::new(hair, &hair.lengths, &uncut.worn, &uncut.fall, nothing, &[], known, uncut)
    }

    /// Ends of all hair.
    pub fn ends(&self) -> &[End] {
        self.ends.get_or_init(|| ends(self.hair, self.worn))
    }

    /// Way round the head at which a strand leaves it, degrees from the front towards the client's left.
    pub fn leaves_deg(&self, strand: usize) -> f64 {
        self.uncut.leaves_deg[strand]
    }

    /// Length that each strand needs to hold in a tie, mm.
    pub fn tie_needs_mm(&self) -> &[f64] {
        let tie = tie_of(self.hair);
        let needs = |strand: &Strand| {
            taut_mm(&self.hair.form, &strand.root.at, &strand.root.normal, &tie) + TIE_HOLD_MM.value
        };
        self.uncut.tie_needs_mm.get_or_init(|| self.hair.strands.iter().map(needs).collect())
    }

    /// The same hair in fewer strands, before the cut.
    pub fn few(&self) -> &Hair {
        self.uncut.few.get_or_init(|| self.hair.thinned(FEWER))
    }

    /// Lowest point of the perimeter, mm; none where there is no hair.
    pub fn low_mm(&self) -> Option<f64> {
        self.fall.perimeter_mm.iter().flatten().copied().reduce(f64::min)
    }

    /// Height of the outline on top, mm.
    pub fn top_mm(&self) -> f64 {
        self.fall.front.heights_mm.first().copied().unwrap_or_default()
    }

    /// Width of the outline from the front, mm.
    pub fn width_mm(&self, height_mm: f64) -> f64 {
        self.fall.front.width_about_mm(height_mm)
    }

    /// A place on the outline from the front, on the client's left, mm.
    pub fn beside(&self, height_mm: f64) -> Vec3 {
        Vec3::new(0.5 * self.width_mm(height_mm), height_mm, 0.0)
    }

    /// Moves that cut something, by number.
    pub fn moves(&self) -> impl Iterator<Item = (u32, &'a Move, &'a MoveReport)> {
        let all = self.cut.moves.iter().zip(self.reports).enumerate();
        all.filter(|(_, (move_, report))| !move_.off && report.cut_share > 0.0)
            .map(|(number, (move_, report))| (number as u32, move_, report))
    }

    /// Where something is, for people and for pins.
    pub fn spot(&self, at: Vec3) -> FindingPlace {
        let mut d = at;
        // What hangs below the head belongs to the zone over it.
        d.y = d.y.max(-0.35 * d.x.hypot(d.z));
        let zone = d.try_normalize(1e-9).map_or(Zone::Top, |d| zone_at(&self.hair.hairline)(&d));
        FindingPlace {
            zone,
            azimuth_deg: at.x.atan2(at.z).to_degrees(),
            height_mm: at.y,
            at: crate::head::drawn(&at),
        }
    }
}
