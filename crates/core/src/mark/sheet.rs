//! The marks of a whole head: every zone that is read and aimed, in every state, with the state advised.

use super::aim::{Aim, WornAim};
use super::reasons::reasons;
use super::zone_mark::{Mark, MarkTask, advised};
use crate::error::{FieldError, FieldErrors};
use crate::fibre::{Comb, HeldState, WornStyle};
use crate::grow::{HairRequest, ZonePaths};
use crate::hair::Hair;
use crate::head::{Patch, Zone};
use crate::learn;
use crate::message::Message;
use crate::reading::{RawReading, ZoneReading};
use crate::talk::Wearing;
use crate::units::LengthUnit;
use serde::{Deserialize, Serialize};

/// A zone's mark in one state.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StateMark {
    /// The state.
    pub state: HeldState,
    /// The mark; none where nothing certain enough can be said.
    pub mark: Option<Mark>,
    /// How far below the point the line lies along which hair combed down is cut, its allowance with it, mm: none where nothing
    /// lands at a point, or no hair comes down to it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub line_below_mm: Option<f64>,
    /// Why it is there.
    pub reasons: Vec<Message>,
}

/// A zone that could be computed.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ZoneMark {
    /// Worn length wished, mm.
    pub target_mm: f64,
    /// Height above the ear canals at which it ends then, mm.
    pub target_height_mm: f64,
    /// The state advised; none if no state is certain enough.
    pub advised: Option<HeldState>,
    /// Every state, driest and least pulled first.
    pub states: Vec<StateMark>,
}

/// The hair of a zone as it is.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PresentHair {
    /// Fibre length, mm.
    pub fibre_mm: f64,
    /// Worn length, mm.
    pub worn_mm: f64,
    /// Height above the ear canals at which it ends, mm.
    pub height_mm: f64,
    /// How much of the way it would hang down its neighbours hold it up, 0 to 1: hair that stands comes down to no point.
    pub held_up: f64,
}

/// A zone of the sheet: computed, or what keeps it from being.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SheetZone {
    /// Which zone, or half of one.
    pub patch: Patch,
    /// The zone that is.
    pub zone: Zone,
    /// The style its worn lengths are meant in.
    pub worn: WornStyle,
    /// Its hair as it is, where it has been read.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub present: Option<PresentHair>,
    /// Its mark.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub result: Option<ZoneMark>,
    /// Fields of reading and aim that keep it from being computed, with the fault in words.
    pub missing: Vec<MissingField>,
}

/// A field that keeps a zone from being computed.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MissingField {
    /// Dotted path, from `reading` or `aim`.
    pub field: String,
    /// The fault.
    pub problem: crate::Problem,
}

/// The marks of a head.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MarkSheet {
    /// Chance taken of landing short.
    pub risk: f64,
    /// Every zone in walking order; both halves of one that is read in halves.
    pub zones: Vec<SheetZone>,
}

/// Computes the sheet of a checked reading and aim. A zone with gaps lists what is missing and leaves the others as they are.
pub fn mark_sheet(
    reading: &RawReading,
    aim: &Aim,
    worn: Wearing,
    unit: LengthUnit,
) -> Result<MarkSheet, FieldErrors> {
    let mut faults = FieldErrors::default();
    let measures = faults.take("reading.measures", reading.measures.filled());
    faults.take("aim", aim.check());
    let Some(measures) = measures.filter(|_| faults.0.is_empty()) else {
        return Err(faults);
    };
    let request = HairRequest {
        worn: worn.style,
        front_straight: worn.front_straight,
        climate: worn.climate,
        ..HairRequest::new(reading.clone())
    };
    let hair = request.paths(&measures)?;
    let head = Head { reading, aim, hair: &hair, worn, unit };
    Ok(MarkSheet { risk: aim.risk, zones: reading.patches().map(|patch| head.patch(patch)).collect() })
}

/// One head, zone by zone.
struct Head<'a> {
    reading: &'a RawReading,
    aim: &'a Aim,
    /// The hair that falls along the same paths as it does in a plan.
    hair: &'a Hair,
    worn: Wearing,
    unit: LengthUnit,
}

impl Head<'_> {
    fn patch(&self, patch: Patch) -> SheetZone {
        let mut faults = FieldErrors::default();
        let zone = patch.zone;
        let paths = self.hair.zone_paths(zone);
        let read = faults.take(&format!("reading.zones.{patch}"), self.reading.patch(patch));
        let wish = match self.aim.zones.get(&zone) {
            Some(wish) => {
                faults.take(&format!("aim.zones.{}", zone.key()), wish.worn(&paths, &self.hair.measures))
            }
            None => {
                faults.push(format!("aim.zones.{}", zone.key()), crate::Problem::Missing);
                None
            }
        };
        let missing = |FieldError { field, problem }| MissingField { field, problem };
        SheetZone {
            patch,
            zone,
            worn: self.worn.of(zone),
            present: read.map(|read| self.present(&paths, zone, &read)),
            result: read.zip(wish).map(|(read, wish)| self.mark(&paths, zone, read, wish)),
            missing: faults.0.into_iter().map(missing).collect(),
        }
    }

    fn present(&self, paths: &ZonePaths, zone: Zone, read: &ZoneReading) -> PresentHair {
        let worn_mm = learn::fit(read).model().worn_mm(read.present_mm, self.worn.of(zone));
        PresentHair {
            fibre_mm: read.present_mm,
            worn_mm,
            height_mm: paths.ends_at_mm(worn_mm),
            held_up: paths.held_up(worn_mm),
        }
    }

    fn mark(&self, paths: &ZonePaths, zone: Zone, read: ZoneReading, wish: WornAim) -> ZoneMark {
        let risk = self.worn.risk(zone, self.aim.risk);
        let task = MarkTask {
            shortest_mm: wish.shortest_mm,
            unit: self.unit,
            for_fringe: risk < self.aim.risk,
            hand: self.hair.hand,
            ..MarkTask::new(read, wish.target_mm, self.worn.of(zone), risk)
        };
        let lands = self.aim.zones.get(&zone).and_then(|wish| wish.lands);
        let below = |mark: &Mark| {
            let height_mm = lands?.height_mm(&self.hair.measures);
            let below = paths.combed_below_mm(height_mm, self.hair.hand.hold(mark.state), read.present_mm)?;
            Some(below + mark.comb_mm - mark.held_without_allowance_mm)
        };
        let marks = task.in_all_states();
        let best: Option<Mark> = advised(&marks);
        let states = marks.iter().map(|&(state, mark)| {
            // The choice of state is a reason for the advised one only.
            let compared = if best.is_some_and(|b| b.state == state) { marks.as_slice() } else { &[] };
            let reasons = mark.map(|mark| reasons(&task, &mark, compared)).unwrap_or_default();
            let line_below_mm = mark.as_ref().filter(|_| state.comb != Comb::None).and_then(below);
            StateMark { state, mark, line_below_mm, reasons }
        });
        ZoneMark {
            target_mm: wish.target_mm,
            target_height_mm: paths.ends_at_mm(wish.target_mm),
            advised: best.map(|mark| mark.state),
            states: states.collect(),
        }
    }
}
