//! What the client came for, answered: what of it the head shows now, and what is left of it after the cut.

use super::head::Head;
use super::severity::SAID;
use super::{FindingCode, measured};
use crate::cut::Cut;
use crate::message::{Arg, Message, name_of};
use crate::talk::ComingFor;
use serde::Serialize;

/// What has become of a reason.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Becomes {
    /// The head did not show it, and doesn't.
    NotSeen,
    /// It is gone.
    Gone,
    /// There is less of it.
    Less,
    /// It is as it was.
    Same,
    /// There is more of it.
    More,
}

/// A reason that was given, and its answer.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TalkAnswer {
    /// The reason.
    pub reason: ComingFor,
    /// The finding that measures it; none where it is weighed.
    pub code: Option<FindingCode>,
    /// The measure now and after the cut, in the unit of that finding, or g.
    pub before: f64,
    /// After the cut.
    pub after: f64,
    /// What has become of it.
    pub becomes: Becomes,
    /// In one line.
    pub text: Message,
}

/// Change of severity that counts as one, and share of the weight.
const CHANGE: f64 = 0.05;
const LIGHTER: f64 = 0.05;

/// The finding that measures a reason.
pub(crate) fn asks(reason: ComingFor) -> Option<FindingCode> {
    match reason {
        ComingFor::Flat => Some(FindingCode::Flat),
        ComingFor::Frizzy => Some(FindingCode::RegrowthStands),
        ComingFor::WideAtTheBottom => Some(FindingCode::Triangle),
        ComingFor::ThinEnds => Some(FindingCode::SeeThroughEnds),
        ComingFor::GrowingOut => Some(FindingCode::KeptHairLost),
        ComingFor::Heavy | ComingFor::Tidy | ComingFor::Change => None,
    }
}

/// The answers, in the order of the reasons.
pub(crate) fn talked(head: &Head) -> Vec<TalkAnswer> {
    let nothing = Cut::default();
    let before = head.before(&nothing);
    head.known.reasons.iter().filter_map(|reason| one(*reason, &before, head)).collect()
}

fn one(reason: ComingFor, before: &Head, after: &Head) -> Option<TalkAnswer> {
    let line = |becomes: Becomes, (was, is): (f64, f64)| {
        Message::new(format!("talk-answer-{}-{}", name_of(reason), name_of(becomes)))
            .with("before", figure(reason, was))
            .with("after", figure(reason, is))
    };
    if reason == ComingFor::Heavy {
        let (was, is) = (before.fall.mass_g, after.fall.mass_g);
        let becomes = if is < (1.0 - LIGHTER) * was { Becomes::Less } else { Becomes::Same };
        let text = line(becomes, (was, is));
        return Some(TalkAnswer { reason, code: None, before: was, after: is, becomes, text });
    }
    let code = asks(reason)?;
    let of = |head: &Head| {
        let measured = measured(head, code);
        let severity = measured.as_ref().map_or(0.0, |measured| measured.severity(code, head.known));
        (measured.map_or(0.0, |measured| measured.measure), severity)
    };
    let ((was, bad), (is, left)) = (of(before), of(after));
    let becomes = match (bad >= SAID, left >= SAID) {
        (false, false) => Becomes::NotSeen,
        (true, false) => Becomes::Gone,
        (_, true) if left > bad + CHANGE => Becomes::More,
        (true, true) if left < bad - CHANGE => Becomes::Less,
        _ => Becomes::Same,
    };
    let text = line(becomes, (was, is));
    Some(TalkAnswer { reason, code: Some(code), before: was, after: is, becomes, text })
}

/// A measure as it is said.
fn figure(reason: ComingFor, value: f64) -> Arg {
    match reason {
        ComingFor::Flat | ComingFor::ThinEnds | ComingFor::GrowingOut => Arg::Mm(value.max(0.0)),
        ComingFor::Frizzy => Arg::Share(value / 100.0),
        ComingFor::WideAtTheBottom => Arg::Share(value - 1.0),
        ComingFor::Heavy | ComingFor::Tidy | ComingFor::Change => Arg::Number(value.round()),
    }
}
