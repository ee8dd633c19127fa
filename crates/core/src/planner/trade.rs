//! What cannot be had together: the wish that a plan misses most, insisted on, and what that would cost.

use super::answer::TradeOff;
use super::score::{Against, said};
use super::search::{Search, Solved};
use super::target::Target;
use crate::head::Point;
use crate::judge::FindingCode;
use crate::message::{Arg, Message};
use crate::stop::Stopped;

/// A wish that is missed by so much is worth asking for, mm; nearer by so much is worth a price.
const MISSED_MM: f64 = 5.0;
const NEARER_MM: f64 = 2.5;
/// How many times such a wish counts.
const INSISTS: f64 = 6.0;
const ROUNDS: usize = 4;
/// What would be seen or felt: lengths, ends and widths, mm; minutes.
const SEEN_MM: f64 = 5.0;
const SEEN_MIN: f64 = 4.0;

/// The price of the wish that a plan misses most, and how many cuts were computed for it; none where it meets them all or where
/// nothing else would change.
pub(super) fn trade_off(search: &Search, solved: &Solved) -> Result<(Option<TradeOff>, u32), Stopped> {
    let lacks = |target: &Target, solved: &Solved| target.lacks_mm(&solved.outcome.fall.zones);
    let worst = search
        .against
        .targets
        .iter()
        .max_by(|one, other| lacks(one, solved).abs().total_cmp(&lacks(other, solved).abs()));
    let Some(worst) = worst.filter(|worst| lacks(worst, solved).abs() > MISSED_MM) else {
        return Ok((None, 0));
    };
    let insisted: Vec<Target> = search
        .against
        .targets
        .iter()
        .map(|target| target.counting(if target == worst { INSISTS } else { 1.0 }))
        .collect();
    let against = Against { targets: &insisted, ..*search.against };
    let search = Search { against: &against, ..*search };
    let Some(then) = search.lengths_from(solved.candidate.clone(), &solved.values, ROUNDS)? else {
        return Ok((None, 0));
    };
    let then = search.rounded(then)?;
    let tried = then.evaluations;
    let (now_mm, then_mm) = (lacks(worst, solved), lacks(worst, &then));
    let zone = || Message::word("step-zone", worst.zone);
    let how = if now_mm > 0.0 { "longer" } else { "shorter" };
    let nearer_mm = now_mm.abs() - then_mm.abs();
    if nearer_mm < NEARER_MM {
        let text = Message::new("plan-trade-none").with("zone", zone()).with("length", Arg::Mm(now_mm.abs()));
        return Ok((Some(TradeOff { zone: worst.zone, now_mm, then_mm: now_mm, text }), tried));
    }
    let chin_mm = Point::Chin.height_mm(&search.hair.measures);
    let text = Message::listed(costs(worst, solved, &then, chin_mm)).map(|costs| {
        Message::new(format!("plan-trade-{how}"))
            .with("zone", zone())
            .with("length", Arg::Mm(nearer_mm))
            .with("costs", costs)
    });
    Ok((text.map(|text| TradeOff { zone: worst.zone, now_mm, then_mm, text }), tried))
}

/// What else would be otherwise.
fn costs(worst: &Target, now: &Solved, then: &Solved, chin_mm: f64) -> Vec<Message> {
    let mut costs = Vec::new();
    for (before, after) in now.outcome.fall.zones.iter().zip(&then.outcome.fall.zones) {
        let shorter = before.worn_mm - after.worn_mm;
        if before.zone != worst.zone && shorter.abs() > SEEN_MM {
            let name = if shorter > 0.0 { "trade-shorter" } else { "trade-longer" };
            let zone = Message::word("step-zone", before.zone);
            costs.push(Message::new(name).with("zone", zone).with("length", Arg::Mm(shorter.abs())));
        }
    }
    let [was, is] = [now, then].map(|solved| solved.outcome.light_mm);
    if is - was > SEEN_MM {
        costs.push(Message::new("trade-ends").with("before", Arg::Mm(was)).with("after", Arg::Mm(is)));
    }
    let [was, is] = [now, then].map(|solved| solved.outcome.fall.front.width_about_mm(chin_mm));
    let hangs = [now, then].iter().all(|solved| solved.outcome.fall.front.hangs_below(chin_mm));
    if hangs && (is - was).abs() > 2.0 * SEEN_MM {
        costs.push(Message::new("trade-width").with("before", Arg::Mm(was)).with("after", Arg::Mm(is)));
    }
    let before: Vec<FindingCode> = said(&now.outcome);
    for code in said(&then.outcome).into_iter().filter(|code| !before.contains(code)) {
        costs.push(Message::new("trade-finding").with("finding", Message::word("plan-finding", code)));
    }
    let minutes = then.outcome.minutes - now.outcome.minutes;
    if minutes > SEEN_MIN {
        costs.push(Message::new("trade-minutes").with("minutes", Arg::Number(minutes.round())));
    }
    costs
}
