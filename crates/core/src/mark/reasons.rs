//! Why the mark is where it is: messages of the catalogue with the figures they tell.

use super::zone_mark::{Mark, MarkTask, Outcome, least_extra};
use crate::constants::RISK;
use crate::fibre::{Comb, HeldState, Moisture};
use crate::learn;
use crate::message::{Arg, Message};
use crate::reading::{WORTH_MEASURING, ZoneReading};

/// Differences in mm below this are not worth a sentence.
const WORTH_SAYING_MM: f64 = 1.0;

/// The reasons so far.
#[derive(Default)]
struct Reasons(Vec<Message>);

impl Reasons {
    /// Adds a reason with its values.
    fn add<const N: usize>(&mut self, id: &str, values: [(&str, Arg); N]) {
        let bare = Message::new(format!("reason-{id}"));
        self.0.push(values.into_iter().fold(bare, |reason, (name, value)| reason.with(name, value)));
    }
}

/// The reasons for `mark`, the most useful first. `marks` are those of every state when states were compared.
pub(super) fn reasons(task: &MarkTask, mark: &Mark, marks: &[(HeldState, Option<Mark>)]) -> Vec<Message> {
    let mut all = Reasons::default();
    match mark.outcome {
        Outcome::TooShort { days } => all.add("too_short", [("weeks", Arg::Number((days / 7.0).ceil()))]),
        Outcome::Leave => all.add("leave", []),
        Outcome::Cut { .. } => {
            let shorter = task.reading.shortest_mm.filter(|shortest| *shortest < mark.lengths.fibre_mm);
            if let Some(shortest) = shorter {
                all.add("layers_stay", [("shortest", Arg::Mm(shortest))]);
            }
        }
    }
    choice_of_state(&mut all, mark, marks);
    the_spring(&mut all, task, mark);
    the_extra(&mut all, task, mark);
    if let (Some(kept), Some(shortest)) = (mark.shortest_kept, task.shortest_mm) {
        let code = if kept { "shortest_kept" } else { "shortest_at_risk" };
        all.add(code, [("shortest", Arg::Mm(shortest)), ("low", Arg::Mm(mark.lands_low_mm))]);
    }
    if mark.comb_mm - mark.held_mm > 0.05 {
        all.add("rounded", [("held", Arg::Mm(mark.held_mm)), ("comb", Arg::Mm(mark.comb_mm))]);
    }
    all.0
}

fn choice_of_state(all: &mut Reasons, mark: &Mark, marks: &[(HeldState, Option<Mark>)]) {
    let Some(least) = least_extra(marks) else { return };
    if mark.state.moisture == Moisture::Wet {
        let values = [("allowance", Arg::Mm(mark.allowance_mm)), ("least", Arg::Mm(least.allowance_mm))];
        all.add("wet_is_as_sure", values);
        return;
    }
    let wet = HeldState { moisture: Moisture::Wet, comb: Comb::Wide };
    let state = ("state", mark.state.message().into());
    let wet_state = ("other", wet.message().into());
    match marks.iter().find(|(state, _)| *state == wet).and_then(|(_, mark)| *mark) {
        Some(other) => {
            let allowance = ("allowance", Arg::Mm(mark.allowance_mm));
            all.add("drier_is_surer", [state, wet_state, allowance, ("needs", Arg::Mm(other.allowance_mm))]);
        }
        None => all.add("wet_too_unsure", [state, wet_state]),
    }
}

fn the_spring(all: &mut Reasons, task: &MarkTask, mark: &Mark) {
    let reading = &task.reading;
    let stretched = reading.stretched_mm;
    match reading.sprung_mm {
        Some(sprung) => {
            let share = 1.0 - sprung / stretched;
            let code = if reading.read_elsewhere { "springs_elsewhere" } else { "springs" };
            all.add(
                code,
                [
                    ("stretched", Arg::Mm(stretched)),
                    ("sprung", Arg::Mm(sprung)),
                    ("share", Arg::Share(share)),
                ],
            );
        }
        None => {
            let share = learn::shrinkage(reading, &task.belief).0;
            all.add(
                "seems_to_spring",
                [("stretched", Arg::Mm(reading.present_mm)), ("share", Arg::Share(share))],
            );
        }
    }
    all.add("fibre", [("target", Arg::Mm(task.target_mm)), ("fibre", Arg::Mm(mark.fibre_for_target_mm))]);
    let present_worn = task.model().worn_mm(reading.present_mm, task.style);
    let by_shrinkage = task.target_mm * reading.present_mm / present_worn;
    let more = mark.fibre_for_target_mm - by_shrinkage;
    if more > WORTH_SAYING_MM && !matches!(mark.outcome, Outcome::TooShort { .. }) {
        all.add("lighter", [("more", Arg::Mm(more))]);
    }
    all.add(
        "held",
        [("held", Arg::Mm(mark.held_without_allowance_mm)), ("state", mark.state.message().into())],
    );
    if let Some(lands) = mark.cut_at_target_lands_mm.filter(|l| task.target_mm - l > WORTH_SAYING_MM) {
        all.add("naive", [("target", Arg::Mm(task.target_mm)), ("lands", Arg::Mm(lands))]);
    }
}

fn the_extra(all: &mut Reasons, task: &MarkTask, mark: &Mark) {
    all.add(
        "extra",
        [("allowance", Arg::Mm(mark.allowance_mm)), ("odds", Arg::Number((1.0 / task.risk).round()))],
    );
    if task.for_fringe {
        all.add("fringe_is_seen", []);
    }
    all.add("no_extra_lands", [("lands", Arg::Mm(mark.without_allowance_mm))]);
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
        all.add(code, [("strands", Arg::Number(f64::from(task.reading.strands)))]);
    }
    if let Some(measured) = allowance_once_let_go(task, mark.state)
        && mark.allowance_mm - measured > WORTH_SAYING_MM
    {
        all.add("measure_let_go", [("allowance", Arg::Mm(measured))]);
    }
    if let Some(with_more) = allowance_with_more_strands(task, mark.state)
        && mark.allowance_mm - with_more > WORTH_SAYING_MM
    {
        let values =
            [("strands", Arg::Number(f64::from(WORTH_MEASURING))), ("allowance", Arg::Mm(with_more))];
        all.add("measure_more", values);
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
