//! What of a step can be turned, how far, and how: one table for the form, for the search for cures, and for the planner.
//!
//! A [`Lever`] with a range turns a figure; the others choose between words. [`Move::turned`] and [`Move::choices`] are the only
//! places that know where in the grammar each of them is.

use super::ranges::{DEPTH_MM, ELEVATION_DEG, SHARE, SLANT_DEG, TECHNIQUE_SHARE, THICKNESS_MM};
use super::{
    Direction, FirstLength, Guide, Move, MoveKind, OverDirection, Sections, Technique, TechniqueKind,
};
use crate::fibre::{Comb, HeldState, Moisture};
use crate::message::Message;
use serde::{Deserialize, Serialize};

/// What can be turned.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Lever {
    /// How long hair is left.
    Length,
    /// Elevation of the hold.
    Elevation,
    /// Share of the over-direction, or where to.
    OverDirection,
    /// How far the fingers open.
    FingerAngle,
    /// Share of the hair that a technique takes from.
    Share,
    /// How deep it takes.
    Depth,
    /// Thickness of the subsections.
    Thickness,
    /// What the guide does.
    Guide,
    /// How the blades are used.
    Technique,
    /// How moist the hair is.
    Moisture,
    /// What combs it.
    Comb,
    /// The step's place among the others.
    Order,
    /// The step is left out.
    LeaveOut,
    /// A step more.
    Add,
}

/// Range of a lever that turns a figure.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LeverRule {
    /// Which.
    pub lever: Lever,
    /// Unit of the figure.
    pub unit: &'static str,
    /// Least and greatest value; of a length, by how much less or more is left.
    pub least: f64,
    /// Greatest value.
    pub greatest: f64,
    /// Step by which hands can tell values apart.
    pub step: f64,
    /// Most that one change turns it by and is still the same step.
    pub reach: f64,
}

const fn rule(
    lever: Lever,
    unit: &'static str,
    (least, greatest): (f64, f64),
    step: f64,
    reach: f64,
) -> LeverRule {
    LeverRule { lever, unit, least, greatest, step, reach }
}

const RULES: [LeverRule; 7] = [
    rule(Lever::Length, "mm", (-100.0, 100.0), 1.0, 100.0),
    rule(Lever::Elevation, "°", ELEVATION_DEG, 5.0, 90.0),
    rule(Lever::OverDirection, "share", SHARE, 0.05, 1.0),
    rule(Lever::FingerAngle, "°", SLANT_DEG, 5.0, 45.0),
    rule(Lever::Share, "share", TECHNIQUE_SHARE, 0.05, 0.6),
    rule(Lever::Depth, "mm", DEPTH_MM, 5.0, 200.0),
    rule(Lever::Thickness, "mm", THICKNESS_MM, 1.0, 40.0),
];

/// The levers that turn a figure.
pub fn levers() -> &'static [LeverRule] {
    &RULES
}

/// A step in which another word was chosen.
#[derive(Debug, Clone, PartialEq)]
pub struct Chosen {
    /// The step.
    pub move_: Move,
    /// The word.
    pub word: Message,
}

impl Move {
    /// The step with a figure turned by so much, within its range; none where it has no such figure, or is at its end.
    pub fn turned(&self, lever: Lever, by: f64) -> Option<Self> {
        let rule = RULES.iter().find(|rule| rule.lever == lever)?;
        let mut turned = self.clone();
        if lever == Lever::Length {
            turned.lengthen(by)?;
        } else {
            let value = turned.figure(lever)?;
            *value = (*value + by).clamp(rule.least, rule.greatest);
        }
        (turned != *self).then_some(turned)
    }

    /// A figure with a range of its own.
    fn figure(&mut self, lever: Lever) -> Option<&mut f64> {
        if matches!(lever, Lever::Share | Lever::Depth) {
            if self.technique.kind == TechniqueKind::Blunt {
                return None;
            }
            let (share, depth) = self.technique.amounts();
            if lever == Lever::Depth {
                return Some(self.technique.depth_mm.insert(depth));
            }
            // A blade's angle stands in for the share: from here on the share does.
            self.technique.blade_deg = None;
            return Some(self.technique.share.insert(share));
        }
        match (lever, &mut self.kind) {
            (Lever::Elevation, MoveKind::Sections(its)) => Some(&mut its.hold.elevation_deg),
            (Lever::OverDirection, MoveKind::Sections(its)) => match its.hold.over_direction {
                OverDirection::OwnBase => None,
                _ => Some(&mut its.hold.share),
            },
            (Lever::FingerAngle, MoveKind::Sections(its)) => {
                its.fingers.longer_toward.get_or_insert(its.layout.from);
                Some(&mut its.fingers.slant_deg)
            }
            (Lever::Thickness, MoveKind::Sections(its)) => Some(&mut its.layout.thickness_mm),
            (Lever::Thickness, MoveKind::Gathered(its)) => Some(&mut its.layout.thickness_mm),
            _ => None,
        }
    }

    /// Leaves the hair longer by so much, or shorter.
    fn lengthen(&mut self, mm: f64) -> Option<()> {
        match &mut self.kind {
            MoveKind::Perimeter(line) => {
                for place in
                    [Some(&mut line.behind), line.side.as_mut(), line.front.as_mut()].into_iter().flatten()
                {
                    place.below_mm += mm;
                }
            }
            MoveKind::Sections(Sections { length, .. }) => match length {
                FirstLength::HeldMm(held) | FirstLength::WornMm(held) => *held = (*held + mm).max(2.0),
                FirstLength::ShorterMm(less) => *less = (*less - mm).max(0.0),
                FirstLength::EndsAt(place) => place.below_mm += mm,
                FirstLength::LikeMove(_) | FirstLength::LikeBeside => return None,
            },
            MoveKind::Gathered(gathered) => match &mut gathered.drawn_mm {
                Some(drawn) => *drawn = (*drawn + mm).max(2.0),
                None => gathered.past_mm += mm,
            },
            MoveKind::Weight(_) | MoveKind::Recoil(_) | MoveKind::Pause(_) => return None,
        }
        Some(())
    }

    /// The step with each other word that can be chosen for a lever.
    pub fn choices(&self, lever: Lever) -> Vec<Chosen> {
        let mut all = Vec::new();
        let mut choose = |word: Message, change: &dyn Fn(&mut Self)| {
            let mut move_ = self.clone();
            change(&mut move_);
            if move_ != *self {
                all.push(Chosen { move_, word });
            }
        };
        match (lever, &self.kind) {
            (Lever::Guide, MoveKind::Sections(its)) => {
                let guides = [
                    ("travelling", Guide::TRAVELLING),
                    ("stationary", Guide::Stationary),
                    ("free", Guide::Free),
                ];
                for (name, guide) in guides {
                    // A stationary guide says itself where hair is carried to.
                    if std::mem::discriminant(&guide) == std::mem::discriminant(&its.guide)
                        && !matches!(its.guide, Guide::Travelling { drift_mm, .. } if drift_mm != 0.0)
                    {
                        continue;
                    }
                    choose(Message::new(format!("cure-guide-{name}")), &|move_| {
                        if let MoveKind::Sections(its) = &mut move_.kind {
                            its.guide = guide;
                            if guide == Guide::Stationary {
                                its.hold.over_direction = OverDirection::OwnBase;
                            }
                        }
                    });
                }
            }
            (Lever::OverDirection, MoveKind::Sections(its)) if its.guide != Guide::Stationary => {
                let to = [
                    ("own_base", OverDirection::OwnBase),
                    ("previous", OverDirection::Previous),
                    ("centre", OverDirection::Centre),
                    ("back", OverDirection::Toward(Direction::Back)),
                    ("forward", OverDirection::Toward(Direction::Forward)),
                ];
                for (name, over) in to {
                    choose(Message::new(format!("cure-over-{name}")), &|move_| {
                        if let MoveKind::Sections(its) = &mut move_.kind {
                            its.hold.over_direction = over;
                            its.hold.share = match over {
                                OverDirection::Toward(_) => 0.3,
                                _ => 1.0,
                            };
                        }
                    });
                }
            }
            (Lever::Technique, MoveKind::Sections(_) | MoveKind::Perimeter(_) | MoveKind::Gathered(_)) => {
                for kind in [TechniqueKind::Blunt, TechniqueKind::Point] {
                    choose(
                        Message::new("cure-technique").with("technique", Message::word("technique", kind)),
                        &|move_| {
                            move_.technique = Technique::usual(kind);
                            if kind == TechniqueKind::Blunt {
                                move_.pattern = None;
                            }
                        },
                    );
                }
            }
            (Lever::Technique, MoveKind::Weight(_)) => {
                for kind in [TechniqueKind::BackCut, TechniqueKind::Slide, TechniqueKind::Point] {
                    choose(
                        Message::new("cure-technique").with("technique", Message::word("technique", kind)),
                        &|move_| {
                            move_.technique = Technique { under: 1.0, ..Technique::usual(kind) };
                        },
                    );
                }
            }
            (Lever::Moisture, MoveKind::Sections(_) | MoveKind::Perimeter(_) | MoveKind::Gathered(_)) => {
                for moisture in Moisture::ALL {
                    let comb = if moisture == Moisture::Dry {
                        self.state.comb
                    } else {
                        self.state.comb.max(Comb::Wide)
                    };
                    let state = HeldState { moisture, comb };
                    choose(Message::new("cure-state").with("state", state.message()), &|move_| {
                        move_.state = state
                    });
                }
            }
            (Lever::Comb, MoveKind::Sections(_) | MoveKind::Perimeter(_) | MoveKind::Gathered(_)) => {
                for comb in Comb::ALL {
                    if comb == Comb::None && self.state.moisture != Moisture::Dry {
                        continue;
                    }
                    let state = HeldState { comb, ..self.state };
                    choose(Message::new("cure-state").with("state", state.message()), &|move_| {
                        move_.state = state
                    });
                }
            }
            _ => {}
        }
        all
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::cut::shipped;

    #[test]
    fn whatever_is_turned_or_chosen_in_a_cut_that_ships_can_be_written_down() {
        let mut turned = 0;
        for listed in shipped() {
            for (number, move_) in listed.cut.moves.iter().enumerate() {
                let figures = levers().iter().flat_map(|rule| {
                    [-rule.reach, -rule.step, rule.step, rule.reach]
                        .into_iter()
                        .filter_map(|by| move_.turned(rule.lever, by))
                });
                let words =
                    [Lever::Guide, Lever::OverDirection, Lever::Technique, Lever::Moisture, Lever::Comb]
                        .into_iter()
                        .flat_map(|lever| move_.choices(lever))
                        .map(|chosen| chosen.move_);
                for changed in figures.chain(words) {
                    let mut cut = listed.cut.clone();
                    cut.moves[number] = changed;
                    turned += 1;
                    assert!(cut.check().is_ok(), "{} {number}: {:?}", listed.key, cut.check());
                }
            }
        }
        assert!(turned > 500, "{turned}");
    }

    #[test]
    fn there_and_back_is_where_it_was_unless_it_met_an_end() {
        let move_ = shipped()
            .iter()
            .flat_map(|listed| &listed.cut.moves)
            .find(|move_| matches!(move_.kind, MoveKind::Sections(_)))
            .expect("one ships");
        let there = move_
            .turned(Lever::Elevation, 5.0)
            .or_else(|| move_.turned(Lever::Elevation, -5.0))
            .expect("either");
        let back = there.turned(Lever::Elevation, -5.0).filter(|back| back == move_);
        assert!(back.is_some() || there.turned(Lever::Elevation, 5.0).as_ref() == Some(move_));
        assert_eq!(move_.turned(Lever::Order, 1.0), None);
    }
}
