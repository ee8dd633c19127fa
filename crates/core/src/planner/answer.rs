//! What the planner answers.

use super::score::Score;
use crate::cut::Cut;
use crate::fibre::{Comb, Moisture, WornStyle};
use crate::head::Zone;
use crate::judge::{Finding, FindingCode, TalkAnswer};
use crate::mark::WidthAim;
use crate::message::Message;
use crate::method::FigureUnit;
use serde::Serialize;
use std::collections::BTreeMap;

/// Plans, the best first, and what was considered beside them.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PlanAnswer {
    /// At most three, of different methods.
    pub proposals: Vec<Proposal>,
    /// The other methods, and why each is not among them.
    pub considered: Vec<Considered>,
    /// Wishes that hair doesn't reach, by zone: how much it is short of, mm, and in how many weeks it will have grown.
    pub out_of_reach: Vec<OutOfReach>,
    /// Cuts that were computed to find them.
    pub evaluations: u32,
}

/// A wish that is longer than the hair.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OutOfReach {
    /// Which zone.
    pub zone: Zone,
    /// How much it is short of, mm.
    pub lacks_mm: f64,
    /// Weeks until it will have grown that much.
    pub weeks: f64,
    /// In words.
    pub text: Message,
}

/// A plan that is proposed.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Proposal {
    /// Key of its method; empty where a cut was solved again.
    pub method: String,
    /// What the method is called.
    pub name: String,
    /// What is done.
    pub sentence: String,
    /// The cut.
    pub cut: Cut,
    /// Values of its figures.
    pub figures: Vec<FigureValue>,
    /// Moisture and comb by zone.
    pub states: Vec<ZoneState>,
    /// Wishes, and what comes of them.
    pub zones: Vec<ZoneReached>,
    /// Widths that were wished, and what comes of them.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub widths: Vec<WidthReached>,
    /// What would be objected to.
    pub findings: Vec<Finding>,
    /// What the client came for, answered.
    pub talk: Vec<TalkAnswer>,
    /// Minutes that it takes.
    pub minutes: f64,
    /// Hair that goes, as a share of all of it by mass.
    pub goes: f64,
    /// Why it suits.
    pub why: Vec<Message>,
    /// What stays.
    pub keeps: Vec<Message>,
    /// What goes.
    pub loses: Vec<Message>,
    /// Numbers of the rules it follows, and of those it goes against.
    pub follows: Vec<u32>,
    /// Of those it goes against.
    pub against: Vec<u32>,
    /// The side it takes in each dispute.
    pub schools: BTreeMap<String, String>,
    /// Advice it goes against, in words.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub departs: Vec<Message>,
    /// How far light comes through the ends, mm of worn length.
    pub ends_mm: f64,
    /// What would be found in the other ways in which the hair is worn; judged on fewer strands.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub other_ways: Vec<WayFound>,
    /// The wish it misses most, insisted on, and what that would cost.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub trade_off: Option<TradeOff>,
    /// What it was chosen by.
    pub score: Score,
}

/// What would be found in another way of wearing the hair.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WayFound {
    /// Styled so; none where it is styled as usual.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub worn: Option<WornStyle>,
    /// Whether it is parted on the other side.
    pub other_parting: bool,
    /// What would be objected to.
    pub findings: Vec<FindingCode>,
}

/// A wish that cannot be had together with the others, and what it would cost.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TradeOff {
    /// Which zone.
    pub zone: Zone,
    /// By how much it is shorter than wished in this plan, mm; negative where it is longer.
    pub now_mm: f64,
    /// The same if it were insisted on.
    pub then_mm: f64,
    /// What that would cost, in words.
    pub text: Message,
}

/// Value of a free figure.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FigureValue {
    /// What it is called.
    pub name: String,
    /// Its unit.
    pub unit: FigureUnit,
    /// Its value.
    pub value: f64,
}

/// The state a zone is cut in.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ZoneState {
    /// Which zone.
    pub zone: Zone,
    /// How moist.
    pub moisture: Moisture,
    /// On what comb.
    pub comb: Comb,
    /// By how much a landing strays in this state, and in the one in which it strays least, worn mm; none where that is not known.
    pub strays_mm: Option<f64>,
    /// In the one in which it strays least.
    pub least_strays_mm: Option<f64>,
    /// Why, in one line.
    pub reason: Message,
}

/// A wish, and what comes of it.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ZoneReached {
    /// Which zone.
    pub zone: Zone,
    /// Whether these are heights above the ear canals; if not, they are worn lengths.
    pub is_height: bool,
    /// The wish, mm.
    pub wish_mm: f64,
    /// What comes of it, mm.
    pub reached_mm: f64,
    /// By how much it is shorter than it could be by the wish, mm; negative where it is longer. Hair that was too short before is
    /// held against what it was.
    pub shorter_mm: f64,
}

/// A width that was wished, and what comes of it.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WidthReached {
    /// The wish.
    pub wish: WidthAim,
    /// What comes of it, mm.
    pub reached_mm: f64,
}

/// A method that is not proposed.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Considered {
    /// Its key.
    pub method: String,
    /// What it is called.
    pub name: String,
    /// Why not.
    pub why_not: Message,
}
