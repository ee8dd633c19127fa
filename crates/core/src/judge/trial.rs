//! A cut tried on a coarse head: how bad everything is then, and what it cost.

use super::head::{Head, Uncut};
use super::severity::SAID;
use super::{FindingCode, Known, measured, weighed};
use crate::cut::{Cut, CutResult, MoveKind, MoveReport, cut_until, minutes};
use crate::fall::{AsWorn, Fall, fall, fall_as_worn};
use crate::hair::Hair;
use crate::stop::{Stop, Stopped, Unfinished};

/// Strands of a fine head of which one stands for so many on a coarse one.
const COARSER: usize = 6;

/// A head on which cuts are tried.
pub(crate) struct Trial<'a> {
    hair: &'a Hair,
    uncut: &'a Uncut,
    known: &'a Known,
    stop: &'a Stop,
}

/// What a cut comes to.
#[derive(Debug, Clone)]
pub(crate) struct Outcome {
    /// How it falls.
    pub fall: Fall,
    /// How far light comes through the ends, mm; 0 of hair that stands.
    pub light_mm: f64,
    /// Steps that hardly cut a twentieth of what they are done to, by number.
    pub idle: Vec<usize>,
    /// How bad each finding is: severity and badness.
    weighed: [(f64, f64); FindingCode::COUNT],
    /// Mean length of all hair left, mm of fibre.
    pub length_mm: f64,
    /// Minutes that its steps take.
    pub minutes: f64,
}

impl Outcome {
    pub fn says(&self, code: FindingCode) -> bool {
        self.weighed[code as usize].0 >= SAID
    }

    /// How bad a finding is, 0 to 1.
    pub fn severity(&self, code: FindingCode) -> f64 {
        self.weighed[code as usize].0
    }

    /// How bad a finding is, without an end.
    pub fn badness(&self, code: FindingCode) -> f64 {
        self.weighed[code as usize].1
    }

    /// Whether it says nothing but what another says, and that hardly louder.
    pub fn brings_nothing_new(&self, before: &Self) -> bool {
        FindingCode::ALL.into_iter().all(|code| {
            let louder = self.weighed[code as usize].0 - before.weighed[code as usize].0;
            !self.says(code) || (before.says(code) && louder < LOUDER)
        })
    }
}

/// By how much a finding may become worse while another is cured.
const LOUDER: f64 = 0.15;
/// Share of the hair it is done to under which a step cuts nothing to speak of.
const IDLE: f64 = 0.05;

/// A coarser head of the same hair, and how it falls.
pub(crate) fn coarse(hair: &Hair) -> (Hair, Uncut) {
    let hair = hair.thinned(COARSER);
    let uncut = Uncut::of(&hair, fall(&hair, &hair.lengths));
    (hair, uncut)
}

impl<'a> Trial<'a> {
    pub(crate) fn on(hair: &'a Hair, uncut: &'a Uncut, known: &'a Known, stop: &'a Stop) -> Self {
        Self { hair, uncut, known, stop }
    }

    pub(super) fn known(&self) -> &Known {
        self.known
    }

    pub(super) fn hair(&self) -> &Hair {
        self.hair
    }

    /// What a cut comes to; none where it can't be carried out.
    pub(crate) fn of(&self, tried: &Cut) -> Result<Option<Outcome>, Stopped> {
        let result = match cut_until(self.hair, tried, self.stop) {
            Ok(result) => result,
            Err(Unfinished::Faults(_)) => return Ok(None),
            Err(Unfinished::Stopped(stopped)) => return Err(stopped),
        };
        self.stop.go_on()?;
        let CutResult { lengths, moves, .. } = &result;
        let worn = AsWorn::of(self.hair, lengths);
        let fallen = fall_as_worn(self.hair, lengths, &worn);
        let head = Head::new(self.hair, lengths, &worn, &fallen, tried, moves, self.known, self.uncut);
        let hairs: f64 = self.hair.strands.iter().map(|strand| strand.hairs).sum();
        let fibre =
            self.hair.strands.iter().zip(lengths).map(|(strand, lengths)| strand.hairs * lengths.mean());
        let cuts_nothing = |(move_, report): (&crate::cut::Move, &MoveReport)| {
            let takes = matches!(move_.kind, MoveKind::Pause(_) | MoveKind::Weight(_));
            !move_.off && !takes && report.cut_share < IDLE
        };
        let weighed = weighed(&head);
        // Hair that stands ends all round: light comes through more of its outline than any of it is long, and that is no end.
        let longest_mm = fallen.zones.iter().map(|zone| zone.worn_mm).fold(0.0, f64::max);
        let light = measured(&head, FindingCode::SeeThroughEnds).filter(|light| light.measure <= longest_mm);
        Ok(Some(Outcome {
            light_mm: light.map_or(0.0, |light| light.measure),
            weighed,
            idle: (0..moves.len()).filter(|i| cuts_nothing((&tried.moves[*i], &moves[*i]))).collect(),
            length_mm: fibre.sum::<f64>() / hairs.max(1e-9),
            minutes: tried
                .moves
                .iter()
                .zip(moves)
                .filter(|(m, _)| !m.off)
                .map(|(m, report)| minutes(m, report))
                .sum(),
            fall: fallen,
        }))
    }
}
