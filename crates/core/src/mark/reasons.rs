//! Why the mark is where it is, in plain sentences made from the numbers.
//!
//! A reason is a code with values; the sentence for it stands in `reasons.en.json`, which the interface takes into
//! its own texts as well, so that a wording has one home and can be translated.

use super::zone_mark::{Mark, MarkTask, Outcome, least_extra};
use crate::constants::RISK;
use crate::fibre::{Comb, HeldState, Moisture};
use crate::learn;
use crate::reading::{WORTH_MEASURING, ZoneReading};
use crate::units::LengthUnit;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use std::sync::LazyLock;

/// Differences in mm below this are not worth a sentence.
const WORTH_SAYING_MM: f64 = 1.0;

#[derive(Deserialize)]
struct Wording {
    reasons: BTreeMap<String, String>,
    states: BTreeMap<String, String>,
}

static ENGLISH: LazyLock<Wording> = LazyLock::new(|| {
    serde_json::from_str(include_str!("reasons.en.json")).expect("the wording file that ships is valid")
});

/// One reason. Values whose name ends in `_mm` are lengths and are said in the person's unit.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Reason {
    /// Which sentence.
    pub code: String,
    /// The numbers in it.
    pub values: BTreeMap<String, f64>,
    /// The state it speaks of, as `moisture_comb`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub state: Option<String>,
    /// The state it compares with.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub other_state: Option<String>,
    /// The sentence in English.
    pub text: String,
}

fn key(state: HeldState) -> String {
    let moisture = match state.moisture {
        Moisture::Dry => "dry",
        Moisture::Damp => "damp",
        Moisture::Wet => "wet",
    };
    let comb = match state.comb {
        Comb::None => "none",
        Comb::Wide => "wide",
        Comb::Medium => "medium",
        Comb::Fine => "fine",
    };
    format!("{moisture}_{comb}")
}

struct Reasons {
    unit: LengthUnit,
    list: Vec<Reason>,
}

impl Reasons {
    fn add(&mut self, code: &str, values: &[(&str, f64)]) {
        self.add_about(code, values, None, None);
    }

    fn add_about(
        &mut self,
        code: &str,
        values: &[(&str, f64)],
        state: Option<HeldState>,
        other: Option<HeldState>,
    ) {
        let (state, other_state) = (state.map(key), other.map(key));
        let mut text = ENGLISH.reasons.get(code).cloned().unwrap_or_default();
        for (name, value) in values {
            let said = if name.ends_with("_mm") { self.unit.say(*value) } else { format!("{value:.0}") };
            text = text.replace(&format!("{{{name}}}"), &said);
        }
        for (name, state) in [("{state}", &state), ("{other_state}", &other_state)] {
            if let Some(words) = state.as_ref().and_then(|s| ENGLISH.states.get(s)) {
                text = text.replace(name, words);
            }
        }
        // A sentence may start with a state.
        let mut letters = text.chars();
        let text =
            letters.next().map(|first| first.to_uppercase().chain(letters).collect()).unwrap_or_default();
        let values = values.iter().map(|(name, value)| ((*name).to_owned(), *value)).collect();
        self.list.push(Reason { code: code.to_owned(), values, state, other_state, text });
    }
}

/// The reasons for `mark`, the most useful first. `marks` are those of every state when states were compared.
pub(super) fn reasons(task: &MarkTask, mark: &Mark, marks: &[(HeldState, Option<Mark>)]) -> Vec<Reason> {
    let mut all = Reasons { unit: task.unit, list: Vec::new() };
    match mark.outcome {
        Outcome::TooShort { days } => all.add("too_short", &[("weeks", (days / 7.0).ceil())]),
        Outcome::Leave => all.add("leave", &[]),
        Outcome::Cut { .. } => {
            let shorter = task.reading.shortest_mm.filter(|shortest| *shortest < mark.lengths.fibre_mm);
            if let Some(shortest) = shorter {
                all.add("layers_stay", &[("shortest_mm", shortest)]);
            }
        }
    }
    choice_of_state(&mut all, mark, marks);
    the_spring(&mut all, task, mark);
    the_extra(&mut all, task, mark);
    if let (Some(kept), Some(shortest)) = (mark.shortest_kept, task.shortest_mm) {
        let code = if kept { "shortest_kept" } else { "shortest_at_risk" };
        all.add(code, &[("shortest_mm", shortest), ("low_mm", mark.lands_low_mm)]);
    }
    if mark.comb_mm - mark.held_mm > 0.05 {
        all.add("rounded", &[("held_mm", mark.held_mm), ("comb_mm", mark.comb_mm)]);
    }
    all.list
}

fn choice_of_state(all: &mut Reasons, mark: &Mark, marks: &[(HeldState, Option<Mark>)]) {
    let Some(least) = least_extra(marks) else { return };
    if mark.state.moisture == Moisture::Wet {
        let values = [("allowance_mm", mark.allowance_mm), ("least_mm", least.allowance_mm)];
        all.add_about("wet_is_as_sure", &values, Some(mark.state), None);
        return;
    }
    let wet = HeldState { moisture: Moisture::Wet, comb: Comb::Wide };
    match marks.iter().find(|(state, _)| *state == wet).and_then(|(_, mark)| *mark) {
        Some(other) => {
            let values = [("allowance_mm", mark.allowance_mm), ("other_mm", other.allowance_mm)];
            all.add_about("drier_is_surer", &values, Some(mark.state), Some(wet));
        }
        None => all.add_about("wet_too_unsure", &[], Some(mark.state), Some(wet)),
    }
}

fn the_spring(all: &mut Reasons, task: &MarkTask, mark: &Mark) {
    let reading = &task.reading;
    let stretched = reading.stretched_mm;
    match reading.sprung_mm {
        Some(sprung) => {
            let percent = 100.0 * (1.0 - sprung / stretched);
            let code = if reading.read_elsewhere { "springs_elsewhere" } else { "springs" };
            all.add(code, &[("stretched_mm", stretched), ("sprung_mm", sprung), ("percent", percent)]);
        }
        None => {
            let percent = 100.0 * learn::shrinkage(reading, &task.belief).0;
            all.add("seems_to_spring", &[("stretched_mm", reading.present_mm), ("percent", percent)]);
        }
    }
    all.add("fibre", &[("target_mm", task.target_mm), ("fibre_mm", mark.fibre_for_target_mm)]);
    let present_worn = task.model().worn_mm(reading.present_mm, task.style);
    let by_shrinkage = task.target_mm * reading.present_mm / present_worn;
    let more = mark.fibre_for_target_mm - by_shrinkage;
    if more > WORTH_SAYING_MM && !matches!(mark.outcome, Outcome::TooShort { .. }) {
        all.add("lighter", &[("more_mm", more)]);
    }
    all.add_about("held", &[("held_mm", mark.held_without_allowance_mm)], Some(mark.state), None);
    if let Some(lands) = mark.cut_at_target_lands_mm.filter(|l| task.target_mm - l > WORTH_SAYING_MM) {
        all.add("naive", &[("target_mm", task.target_mm), ("lands_mm", lands)]);
    }
}

fn the_extra(all: &mut Reasons, task: &MarkTask, mark: &Mark) {
    all.add("extra", &[("allowance_mm", mark.allowance_mm), ("odds", 1.0 / task.risk)]);
    if task.for_fringe {
        all.add("fringe_is_seen", &[]);
    }
    all.add("no_extra_lands", &[("lands_mm", mark.without_allowance_mm)]);
    let s = &mark.spread;
    let causes = [
        ("from_hair", s.hair_mm),
        ("from_pull", s.pull_mm),
        ("from_moisture", s.moisture_mm),
        ("from_styling", s.styling_mm),
        ("from_law", s.law_mm),
        ("from_cut", s.cut_mm),
    ];
    if let Some((code, _)) = causes.iter().max_by(|a, b| a.1.total_cmp(&b.1)) {
        let elsewhere = *code == "from_hair" && task.reading.read_elsewhere;
        let code = if elsewhere { "from_hair_elsewhere" } else { code };
        all.add(code, &[("strands", f64::from(task.reading.strands))]);
    }
    if let Some(measured) = allowance_once_let_go(task, mark.state)
        && mark.allowance_mm - measured > WORTH_SAYING_MM
    {
        all.add("measure_let_go", &[("allowance_mm", measured)]);
    }
    if let Some(with_more) = allowance_with_more_strands(task, mark.state)
        && mark.allowance_mm - with_more > WORTH_SAYING_MM
    {
        let values = [("strands", f64::from(WORTH_MEASURING)), ("allowance_mm", with_more)];
        all.add("measure_more", &values);
    }
}

/// The extra that would do had a strand been measured let go.
fn allowance_once_let_go(task: &MarkTask, state: HeldState) -> Option<f64> {
    allowance_of(task, state, learn::once_let_go(&task.reading, &task.belief)?)
}

/// The extra that would do had more strands given the same averages.
fn allowance_with_more_strands(task: &MarkTask, state: HeldState) -> Option<f64> {
    if task.reading.strands >= WORTH_MEASURING || task.reading.sprung_mm.is_none() {
        return None;
    }
    allowance_of(task, state, task.reading.of_strands(WORTH_MEASURING))
}

fn allowance_of(task: &MarkTask, state: HeldState, reading: ZoneReading) -> Option<f64> {
    let sharper = MarkTask { reading, belief: learn::fit(&reading), ..*task };
    Some(sharper.in_state(state)?.allowance_mm)
}

/// The risk as it is said when nothing else is.
pub(super) fn default_risk() -> f64 {
    RISK.value
}
