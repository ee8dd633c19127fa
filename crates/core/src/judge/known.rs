//! What people said of a head: what findings are held against.

use super::{FindingCode, rules};
use crate::error::FieldErrors;
use crate::head::Zone;
use crate::learn::{Belief, fit};
use crate::mark::Aim;
use crate::reading::RawReading;
use crate::talk::{ComingFor, FringeWish, Talk};
use std::collections::{BTreeMap, BTreeSet};

/// Thresholds that a house has set, by finding; the others are ours.
pub type Thresholds = BTreeMap<FindingCode, f64>;

/// What was said of a head, its hair's spring as it is believed, and how far a plan has been carried out.
#[derive(Debug, Clone, PartialEq, Default)]
pub struct Known {
    /// Whether the hair is tied back for work or sport.
    pub ties_back: bool,
    /// Why they came.
    pub reasons: BTreeSet<ComingFor>,
    /// The fringe.
    pub fringe: FringeWish,
    /// The wishes.
    pub aim: Aim,
    /// What the hair of the front is believed to be.
    pub front: Vec<(Zone, Belief)>,
    /// Thresholds of the house.
    pub thresholds: Thresholds,
    /// How many steps were carried out; all if nothing is said.
    pub done: Option<u32>,
}

/// Zones whose hair lies in front of everybody's eyes.
pub(super) const FRONT: [Zone; 3] = [Zone::Fringe, Zone::LeftSide, Zone::RightSide];

impl Known {
    /// What Talk, Aim and a reading say.
    pub fn of(
        reading: &RawReading,
        aim: Option<&Aim>,
        talk: Option<&Talk>,
        ties_back: bool,
        thresholds: &Thresholds,
        done: Option<u32>,
    ) -> Self {
        let said =
            |aim: &&Aim| FRONT.iter().any(|zone| aim.zones.get(zone).is_some_and(|wish| wish.is_bounded()));
        // What a spring is believed to be takes a search: only where a length is promised.
        let fitted = aim.filter(said).map(|_| {
            let read = reading.read_patches();
            let of =
                |zone| read.iter().find(|(patch, _)| patch.zone == zone).map(|(_, read)| (zone, fit(read)));
            FRONT.into_iter().filter_map(of).collect()
        });
        Self {
            ties_back: ties_back || talk.is_some_and(|talk| talk.ties_back),
            reasons: talk.map(|talk| talk.reasons.clone()).unwrap_or_default(),
            fringe: talk.map(|talk| talk.fringe).unwrap_or_default(),
            aim: aim.cloned().unwrap_or_default(),
            front: fitted.unwrap_or_default(),
            thresholds: thresholds.clone(),
            done,
        }
    }

    /// From where on a measure is objected to.
    pub(crate) fn threshold(&self, code: FindingCode) -> f64 {
        self.thresholds.get(&code).copied().unwrap_or(code.rule().threshold)
    }

    /// Checks thresholds.
    pub(crate) fn check(thresholds: &Thresholds) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        for rule in rules() {
            if let Some(value) = thresholds.get(&rule.code) {
                let name = crate::message::name_of(rule.code);
                faults.range(&name, *value, (rule.least, rule.greatest), "");
            }
        }
        faults.or(())
    }
}
