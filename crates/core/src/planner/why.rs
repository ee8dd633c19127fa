//! Why a plan suits, what it keeps and what it loses; and why another is not proposed.

use super::score::Score;
use crate::fall::Fall;
use crate::head::{Measures, Point, Zone};
use crate::message::{Arg, Message};
use crate::method::{Clause, rules};

/// Most reasons that are said.
const MOST: usize = 6;
/// Lengths that are the same, mm; shares and widths.
const SAME_MM: f64 = 8.0;
const SAME_WIDTH_MM: f64 = 6.0;
const SAME_SHARE: f64 = 0.02;

/// Why it suits: the method's own reasons, then the rules it follows.
pub(super) fn why(suits: &[Clause], follows: &[u32]) -> Vec<Message> {
    let own =
        suits.iter().map(|clause| Message::new("plan-why-reason").with("reason", clause.reason.as_str()));
    let rules = rules::rules().iter().filter(|rule| follows.contains(&rule.number)).map(|rule| {
        Message::new("plan-why-rule")
            .with("condition", rule.condition.as_str())
            .with("advice", rule.advice.as_str())
            .with("because", rule.because.as_str())
    });
    own.chain(rules).take(MOST).collect()
}

/// Advice that it goes against, in words.
pub(super) fn departs(against: &[u32]) -> Vec<Message> {
    let rules = rules::rules().iter().filter(|rule| against.contains(&rule.number));
    rules
        .map(|rule| {
            Message::new("plan-departs")
                .with("condition", rule.condition.as_str())
                .with("advice", rule.advice.as_str())
        })
        .collect()
}

fn zone_of(fall: &Fall, zone: Zone) -> Option<&crate::fall::ZoneFall> {
    fall.zones.iter().find(|known| known.zone == zone)
}

/// What stays, and what goes.
pub(super) fn kept_and_lost(
    (before, light_before): (&Fall, f64),
    (after, light_after): (&Fall, f64),
    measures: &Measures,
) -> (Vec<Message>, Vec<Message>) {
    let (mut keeps, mut loses) = (Vec::new(), Vec::new());
    for (name, zone) in
        [("line", Zone::Nape), ("sides", Zone::LeftSide), ("top", Zone::Top), ("fringe", Zone::Fringe)]
    {
        let (Some(was), Some(is)) = (zone_of(before, zone), zone_of(after, zone)) else { continue };
        let gone = was.worn_mm - is.worn_mm;
        if gone < SAME_MM {
            keeps.push(Message::new(format!("plan-keeps-{name}")));
        } else {
            loses.push(Message::new(format!("plan-loses-{name}")).with("length", Arg::Mm(gone)));
        }
    }
    let ends = |name: &str| {
        Message::new(name).with("before", Arg::Mm(light_before)).with("after", Arg::Mm(light_after))
    };
    if light_before - light_after > SAME_MM {
        keeps.push(ends("plan-keeps-ends"));
    } else if light_after - light_before > SAME_MM {
        loses.push(ends("plan-loses-ends"));
    }
    let chin = Point::Chin.height_mm(measures);
    let [was, is] = [before, after].map(|fall| fall.front.width_about_mm(chin));
    // Where the line ends about there, it has no width of its own.
    if after.front.hangs_below(chin) && (was - is).abs() > SAME_WIDTH_MM {
        let name = if is < was { "plan-loses-width" } else { "plan-keeps-width" };
        let said = Message::new(name).with("before", Arg::Mm(was)).with("after", Arg::Mm(is));
        if is < was { loses.push(said) } else { keeps.push(said) }
    }
    let gone = 1.0 - after.mass_g / before.mass_g.max(1e-9);
    if gone > SAME_SHARE {
        loses.push(Message::new("plan-loses-hair").with("share", Arg::Share(gone)));
    }
    (keeps, loses)
}

/// Why a plan is behind the best: what of its score is most worse.
pub(super) fn why_behind(score: &Score, best: &Score, minutes: (f64, f64)) -> Message {
    let parts = [
        ("wishes", score.wishes + score.widths + score.ends - best.wishes - best.widths - best.ends),
        ("findings", score.findings - best.findings),
        ("other_ways", score.other_ways - best.other_ways),
        ("minutes", score.minutes - best.minutes),
        ("hair", score.hair - best.hair),
        ("suits", score.suits - best.suits),
    ];
    let (name, _) =
        parts.into_iter().max_by(|one, other| one.1.total_cmp(&other.1)).unwrap_or(("suits", 0.0));
    Message::new(format!("plan-behind-{name}"))
        .with("off", Arg::Mm(score.wish_rms_mm))
        .with("minutes", Arg::Number((minutes.0 - minutes.1).round().max(0.0)))
}
