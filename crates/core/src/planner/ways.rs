//! The other ways in which the hair is worn: a plan is held against what would be found in each of them.

use super::answer::WayFound;
use super::request::PlanRequest;
use super::score::{findings, said};
use crate::cut::Cut;
use crate::fall::fall;
use crate::fibre::WornStyle;
use crate::hair::Hair;
use crate::head::PartLine;
use crate::judge::{Known, Trial, Uncut};
use crate::stop::{Stop, Stopped, Unfinished};
use crate::talk::PartingHabit;
use std::collections::BTreeMap;

/// Strands that are enough to judge on.
const ROOTS: u32 = 700;
/// Where hair parts that is parted in the middle, when its parting moves, mm; nearer to the middle than so much is in the middle.
const ASIDE_MM: f64 = 35.0;
const MIDDLE_MM: f64 = 12.0;

/// A way of wearing it.
#[derive(Debug, Clone, Copy, PartialEq)]
struct Way {
    /// Styled so; none where it is styled as usual.
    worn: Option<WornStyle>,
    other_parting: bool,
}

/// The hair worn in another way.
pub(super) struct OtherWay {
    way: Way,
    hair: Hair,
    uncut: Uncut,
    known: Known,
}

impl PlanRequest {
    fn ways(&self) -> Vec<Way> {
        let usual = self.talk.as_ref().map_or(WornStyle::default(), |talk| talk.worn);
        let mut ways: Vec<Way> = Vec::new();
        for worn in self.aim.also_worn.iter().filter(|worn| **worn != usual) {
            let way = Way { worn: Some(*worn), other_parting: false };
            if !ways.contains(&way) {
                ways.push(way);
            }
        }
        if self.talk.as_ref().is_some_and(|talk| talk.part == PartingHabit::Moves) {
            ways.push(Way { worn: None, other_parting: true });
        }
        ways
    }

    /// The hair in each of them.
    pub(super) fn other_ways(&self, stop: &Stop) -> Result<Vec<OtherWay>, Unfinished> {
        let grown = |way: Way| {
            stop.go_on()?;
            let mut asked = self.of(Cut::default());
            if let Some(worn) = way.worn {
                asked.worn = worn;
            }
            if way.other_parting {
                let left_mm = asked.reading.part.left_mm;
                let other = if left_mm.abs() < MIDDLE_MM { ASIDE_MM } else { -left_mm };
                asked.reading.part = PartLine { left_mm: other };
            }
            let mut head = asked.head();
            head.roots = ROOTS;
            let hair = head.grow()?;
            let uncut = Uncut::of(&hair, fall(&hair, &hair.lengths));
            // Wishes are lengths as the hair is worn on most days.
            let mut known = asked.known();
            known.aim.zones = BTreeMap::new();
            Ok(OtherWay { way, hair, uncut, known })
        };
        self.ways().into_iter().map(grown).collect()
    }
}

/// What is found of a cut in each of them, and what that counts on the mean over them.
pub(super) fn found_in(cut: &Cut, ways: &[OtherWay], stop: &Stop) -> Result<(f64, Vec<WayFound>), Stopped> {
    let (mut sum, mut found) = (0.0, Vec::with_capacity(ways.len()));
    for OtherWay { way, hair, uncut, known } in ways {
        let outcome = Trial::on(hair, uncut, known, stop).of(cut)?;
        sum += outcome.as_ref().map_or(0.0, |outcome| findings(outcome, &[]));
        let findings = outcome.as_ref().map(said).unwrap_or_default();
        found.push(WayFound { worn: way.worn, other_parting: way.other_parting, findings });
    }
    Ok((sum / ways.len().max(1) as f64, found))
}
