//! In what state each zone is cut, and what that costs: how far a landing strays in it, and in the state in which it strays least.

use super::answer::ZoneState;
use crate::cut::{Cut, Move, MoveKind};
use crate::fibre::{HeldState, Moisture};
use crate::hair::Hair;
use crate::head::Zone;
use crate::learn::{Hand, fit};
use crate::mark::strays_mm;
use crate::message::{Arg, Message};
use crate::reading::RawReading;
use crate::section::RegionTest;
use crate::talk::Wearing;

/// Strays that are the same, mm.
const ALIKE_MM: f64 = 2.0;

/// By zone, in walking order: the state of the last step that cuts most of it.
pub(super) fn states(
    hair: &Hair,
    reading: &RawReading,
    wearing: Wearing,
    cut: &Cut,
    worn_mm: impl Fn(Zone) -> Option<f64>,
) -> Vec<ZoneState> {
    let (read, hand) = (reading.read_patches(), Hand::of(reading));
    let of = |zone: Zone| {
        let state = state_of(hair, cut, zone)?;
        let read = read.iter().find(|(patch, _)| patch.zone == zone).map(|(_, read)| (read, fit(read)));
        let strays = |state: HeldState| {
            let (read, belief) = read.as_ref()?;
            strays_mm((*read, belief), &hand, state, wearing.of(zone), worn_mm(zone)?)
        };
        let least = HeldState::all()
            .filter_map(|state| Some((state, strays(state)?)))
            .min_by(|a, b| a.1.total_cmp(&b.1));
        let here = strays(state);
        let reason = match (here, least) {
            (Some(here), Some((other, least))) if here > least + ALIKE_MM => {
                Message::new("plan-state-strays")
                    .with("state", state.message())
                    .with("strays", Arg::Mm(here))
                    .with("other", other.message())
                    .with("least", Arg::Mm(least))
            }
            (Some(here), _) => {
                Message::new("plan-state-sure").with("state", state.message()).with("strays", Arg::Mm(here))
            }
            (None, _) if state.moisture == Moisture::Dry => Message::new("plan-state-seen"),
            (None, _) => Message::new("plan-state-method"),
        };
        Some(ZoneState {
            zone,
            moisture: state.moisture,
            comb: state.comb,
            strays_mm: here,
            least_strays_mm: least.map(|(_, least)| least),
            reason,
        })
    };
    Zone::ALL.into_iter().filter_map(of).collect()
}

/// The state of the last step that holds or lets down most of a zone.
fn state_of(hair: &Hair, cut: &Cut, zone: Zone) -> Option<HeldState> {
    cut.moves
        .iter()
        .rev()
        .filter(|move_| !move_.off && !matches!(move_.kind, MoveKind::Pause(_) | MoveKind::Weight(_)))
        .find(|move_| cuts_most_of(hair, move_, zone))
        .map(|move_| move_.state)
}

/// Whether the section of a step, or its mirror image, holds most of a zone.
pub(super) fn cuts_most_of(hair: &Hair, move_: &Move, zone: Zone) -> bool {
    let scalp = hair.scalp();
    let roots: Vec<_> = hair.strands.iter().filter(|strand| strand.root.zone == zone).step_by(7).collect();
    let covers = |test: &RegionTest| {
        let held =
            roots.iter().filter(|strand| test.holds(&scalp, &strand.root.at, strand.root.zone)).count();
        2 * held > roots.len()
    };
    let own = move_.region.on(&scalp).is_ok_and(|test| covers(&test));
    own || (move_.mirrored && move_.region.mirrored().on(&scalp).is_ok_and(|test| covers(&test)))
}
