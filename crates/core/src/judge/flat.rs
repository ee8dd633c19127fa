//! No lift on top where the client came for it.

use super::head::{Head, Measured};
use crate::head::Vec3;
use crate::message::Arg;
use crate::talk::ComingFor;

pub(super) fn measured(head: &Head) -> Option<Measured> {
    if !head.known.reasons.contains(&ComingFor::Flat) {
        return None;
    }
    let lift = head.top_mm() - head.hair.form.top_mm();
    Some(Measured::new(lift, Vec3::new(0.0, head.top_mm(), 0.0)).with("lift", Arg::Mm(lift.max(0.0))))
}
