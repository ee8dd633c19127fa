//! What each step of a plan brings: how the fall changes from the steps before it to those up to it.

use super::FallRequest;
use crate::error::FieldErrors;
use crate::fall::{Fall, fall};
use crate::hair::Hair;
use crate::head::{Point, Zone};
use crate::judge::coarse;
use crate::message::{Arg, Message};
use crate::stop::{Stop, Unfinished};
use rayon::prelude::*;
use serde::Serialize;

/// What a step brings.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StepBrings {
    /// Number of the step, from 0.
    pub step: u32,
    /// By how much the hair behind is shorter, worn mm.
    pub line_mm: f64,
    /// The same on top.
    pub top_mm: f64,
    /// By how much the outline stands higher on top, mm.
    pub lift_mm: f64,
    /// By how much it is wider at the chin, mm; 0 where its line ends about there.
    pub width_mm: f64,
    /// Hair that goes, as a share of all that there was.
    pub goes: f64,
    /// In one line.
    pub text: Message,
}

/// Changes that nobody sees, mm; and shares.
const SEEN_MM: f64 = 4.0;
const SEEN_SHARE: f64 = 0.005;

/// What is read of a fall.
#[derive(Clone, Copy)]
struct Shape {
    line_mm: f64,
    top_mm: f64,
    high_mm: f64,
    width_mm: f64,
    /// Where the line ends about the chin, it has no width of its own there.
    hangs: bool,
    mass_g: f64,
}

impl Shape {
    fn of(fall: &Fall, chin_mm: f64) -> Self {
        Self {
            line_mm: fall.worn_mm(&[Zone::Nape, Zone::BackLower]),
            top_mm: fall.worn_mm(&[Zone::Top, Zone::Crown]),
            high_mm: fall.front.heights_mm.first().copied().unwrap_or_default(),
            width_mm: fall.front.width_about_mm(chin_mm),
            hangs: fall.front.hangs_below(chin_mm),
            mass_g: fall.mass_g,
        }
    }
}

impl FallRequest {
    /// What each step brings that is switched on, on a head that was grown before: on fewer strands, as a search has it.
    pub fn brings_on(&self, hair: &Hair, stop: &Stop) -> Result<Vec<StepBrings>, Unfinished> {
        self.check_said()?;
        let (few, uncut) = coarse(hair);
        let cut = &self.plan.cut;
        let chin = Point::Chin.height_mm(&hair.measures);
        let up_to = |count: usize| -> Result<Shape, Unfinished> {
            let mut part = cut.clone();
            part.moves.iter_mut().skip(count).for_each(|later| later.off = true);
            let result = crate::cut::cut_until(&few, &part, stop)
                .map_err(|unfinished| unfinished.under("plan.cut"))?;
            Ok(Shape::of(&fall(&few, &result.lengths), chin))
        };
        let mut shapes = vec![Shape::of(uncut.fall(), chin)];
        let after: Vec<Shape> =
            (1..=cut.moves.len()).into_par_iter().map(up_to).collect::<Result<_, Unfinished>>()?;
        shapes.extend(after);
        let all = shapes[0].mass_g.max(1e-9);
        let of = |step: usize| {
            let (before, after) = (shapes[step], shapes[step + 1]);
            let (line_mm, top_mm) = (before.line_mm - after.line_mm, before.top_mm - after.top_mm);
            let lift_mm = after.high_mm - before.high_mm;
            let width_mm = if after.hangs { after.width_mm - before.width_mm } else { 0.0 };
            let goes = (before.mass_g - after.mass_g) / all;
            let mut parts = Vec::new();
            for (name, mm) in [("line", line_mm), ("top", top_mm), ("lift", lift_mm), ("width", width_mm)] {
                if mm.abs() > SEEN_MM {
                    let way = if mm > 0.0 { "more" } else { "less" };
                    parts
                        .push(Message::new(format!("brings-{name}-{way}")).with("length", Arg::Mm(mm.abs())));
                }
            }
            if line_mm.abs() <= SEEN_MM && goes > SEEN_SHARE {
                parts.push(Message::new("brings-length_kept"));
            }
            let text = Message::joined("list-comma", parts).unwrap_or_else(|| Message::new("brings-nothing"));
            StepBrings { step: step as u32, line_mm, top_mm, lift_mm, width_mm, goes, text }
        };
        Ok((0..cut.moves.len()).filter(|step| !cut.moves[*step].off).map(of).collect())
    }

    /// The same, from nothing.
    pub fn brings(&self) -> Result<Vec<StepBrings>, FieldErrors> {
        self.brings_on(&self.head().grow()?, &Stop::never()).map_err(Unfinished::faults)
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::cut::{Cut, FallLine, Move, MoveKind};
    use crate::fibre::{Comb, HeldState, Moisture};
    use crate::head::Place;
    use crate::reading::{RawReading, RawZoneReading};
    use crate::section::Region;

    #[test]
    fn a_line_brings_a_shorter_length_behind_and_the_same_line_again_nothing() {
        let zones = Zone::ALL.map(|zone| (zone.into(), RawZoneReading::measured(450.0, 445.0))).into();
        let line =
            FallLine { worn: true, ..FallLine::level(Place { point: Point::Shoulder, below_mm: 0.0 }) };
        let mut step = Move::new(Region::Everything, MoveKind::Perimeter(line));
        step.state = HeldState { moisture: Moisture::Dry, comb: Comb::Wide };
        let cut = Cut { moves: vec![step.clone(), step], ..Cut::default() };
        let brings =
            FallRequest::new(RawReading { zones, ..RawReading::default() }, cut).brings().expect("possible");
        assert!(brings[0].line_mm > 100.0 && brings[0].goes > 0.2, "{:?}", brings[0]);
        assert_eq!(
            (brings[1].line_mm, brings[1].goes, brings[1].text.id.as_str()),
            (0.0, 0.0, "brings-nothing")
        );
    }
}
