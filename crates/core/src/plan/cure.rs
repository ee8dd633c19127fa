//! The least change to a cut that cures what was found.
//!
//! A cure pulls one lever on the moves that cause a finding, whole millimetre by whole millimetre, until the cut as it is
//! then carried out is no longer objected to, and to nothing else either. Where no amount does, leaving the moves out may.

use crate::cut::{Cut, FirstLength, MoveKind, cut_until};
use crate::fall::AsWorn;
use crate::hair::Hair;
use crate::judge::{Finding, FindingCode, Judged, THINNEST_MM, findings};
use crate::message::{Arg, Message};
use crate::stop::{Stop, Stopped, Unfinished};
use serde::{Deserialize, Serialize};

/// Most that is left longer, mm: more is another haircut.
const LONGEST_MM: u32 = 100;

/// What is changed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Lever {
    /// Hair is left longer by so much.
    Longer,
    /// Sections are taken no thicker than so much.
    Thinner,
    /// The moves are left out.
    Without,
}

/// A change that cures a finding.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Cure {
    /// What it cures.
    pub code: FindingCode,
    /// What is changed.
    pub lever: Lever,
    /// How much longer, or how thick then, mm; 0 where moves are left out.
    pub amount_mm: f64,
    /// Numbers, from 0, of the moves that are changed.
    pub moves: Vec<u32>,
    /// The change in words.
    pub text: Message,
    /// The cut with the change.
    pub cut: Cut,
}

/// A change in words.
fn text(lever: Lever, amount_mm: f64, moves: &[u32]) -> Message {
    let numbers = moves
        .iter()
        .map(|number| Message::new("cure-move").with("number", Arg::Number(f64::from(number + 1))));
    Message::word("cure", lever)
        .with("amount", Arg::Mm(amount_mm))
        .with("count", Arg::Number(moves.len() as f64))
        .with_some("moves", Message::listed(numbers))
}

/// A cut on a head, to be judged.
pub(crate) struct Trial<'a> {
    pub hair: &'a Hair,
    pub ties_back: bool,
    pub stop: &'a Stop,
}

impl Trial<'_> {
    /// What is found about a cut; nothing where it can't be carried out.
    fn findings(&self, tried: &Cut) -> Result<Option<Vec<Finding>>, Stopped> {
        let result = match cut_until(self.hair, tried, self.stop) {
            Ok(result) => result,
            Err(Unfinished::Faults(_)) => return Ok(None),
            Err(Unfinished::Stopped(stopped)) => return Err(stopped),
        };
        self.stop.go_on()?;
        let worn = &AsWorn::of(self.hair, &result.lengths);
        let (hair, lengths, reports) = (self.hair, &result.lengths, &result.moves);
        let ties_back = self.ties_back;
        Ok(Some(findings(&Judged { hair, lengths, worn, cut: tried, reports, ties_back })))
    }

    /// Cures of all that is found about a cut.
    pub fn cures(&self, of: &Cut) -> Result<Vec<Cure>, Stopped> {
        let found = self.findings(of)?.unwrap_or_default();
        let mut cures = Vec::new();
        for finding in &found {
            let levers: &[Lever] = match finding.code() {
                FindingCode::ChoppyBack => &[Lever::Longer, Lever::Thinner],
                FindingCode::TieNotReached => &[Lever::Longer],
            };
            let known = cures.len();
            for lever in levers {
                cures.extend(self.least(of, &found, finding, *lever)?);
            }
            if cures.len() == known {
                cures.extend(self.least(of, &found, finding, Lever::Without)?);
            }
        }
        Ok(cures)
    }

    fn least(
        &self,
        of: &Cut,
        found: &[Finding],
        finding: &Finding,
        lever: Lever,
    ) -> Result<Option<Cure>, Stopped> {
        let known =
            |code: FindingCode| code != finding.code() && found.iter().any(|other| other.code() == code);
        let cures = |tried: &Cut| -> Result<bool, Stopped> {
            let left = self.findings(tried)?;
            Ok(left.is_some_and(|left| left.iter().all(|other| known(other.code()))))
        };
        // From least change to most: the first that cures is looked for by halving.
        let amounts: Vec<u32> = match lever {
            Lever::Longer => (1..=LONGEST_MM).collect(),
            Lever::Thinner => {
                let thickness = |number: &u32| thickness_mm(of, *number);
                let thickest = finding.moves.iter().filter_map(thickness).fold(0.0, f64::max);
                (THINNEST_MM..thickest.ceil() as u32).rev().collect()
            }
            Lever::Without => vec![0],
        };
        let changed = |amount: u32| pulled(of, &finding.moves, lever, f64::from(amount));
        let (mut worse, mut cured) = (0, amounts.len());
        let Some(most) = amounts.last() else { return Ok(None) };
        if !cures(&changed(*most))? {
            return Ok(None);
        }
        // Amounts before `worse` don't cure, the one before `cured` does.
        while worse + 1 < cured {
            let middle = (worse + cured) / 2;
            if cures(&changed(amounts[middle - 1]))? {
                cured = middle;
            } else {
                worse = middle;
            }
        }
        let amount = amounts[cured - 1];
        Ok(Some(Cure {
            code: finding.code(),
            lever,
            amount_mm: f64::from(amount),
            text: text(lever, f64::from(amount), &finding.moves),
            moves: finding.moves.clone(),
            cut: changed(amount),
        }))
    }
}

fn thickness_mm(of: &Cut, number: u32) -> Option<f64> {
    match &of.moves.get(number as usize)?.kind {
        MoveKind::Sections(sections) => Some(sections.layout.thickness_mm),
        MoveKind::Gathered(gathered) => Some(gathered.layout.thickness_mm),
        MoveKind::Perimeter(_) | MoveKind::Weight(_) | MoveKind::Recoil(_) | MoveKind::Pause(_) => None,
    }
}

/// The cut with a lever pulled on some of its moves.
fn pulled(of: &Cut, moves: &[u32], lever: Lever, mm: f64) -> Cut {
    let mut cut = of.clone();
    for number in moves {
        let Some(move_) = cut.moves.get_mut(*number as usize) else { continue };
        move_.off |= lever == Lever::Without;
        match (&mut move_.kind, lever) {
            (MoveKind::Sections(sections), Lever::Longer) => match &mut sections.length {
                FirstLength::HeldMm(length) | FirstLength::WornMm(length) => *length += mm,
                FirstLength::ShorterMm(less) => *less = (*less - mm).max(0.0),
                FirstLength::EndsAt(place) => place.below_mm += mm,
                FirstLength::LikeMove(_) | FirstLength::LikeBeside => {}
            },
            (MoveKind::Gathered(gathered), Lever::Longer) => gathered.past_mm += mm,
            (MoveKind::Sections(sections), Lever::Thinner) => {
                sections.layout.thickness_mm = sections.layout.thickness_mm.min(mm);
            }
            (MoveKind::Gathered(gathered), Lever::Thinner) => {
                gathered.layout.thickness_mm = gathered.layout.thickness_mm.min(mm);
            }
            (_, Lever::Without)
            | (MoveKind::Perimeter(_) | MoveKind::Weight(_) | MoveKind::Recoil(_) | MoveKind::Pause(_), _) => {
            }
        }
    }
    cut
}
