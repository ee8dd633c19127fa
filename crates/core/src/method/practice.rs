//! What a cut does or doesn't, as an advice would name it; and how a cut is made to do it, where that is no more than a word.

use crate::cut::Direction;
use crate::cut::{
    Cut, FallLine, FingerShape, Guide, Move, MoveKind, OverDirection, Sections, Technique, TechniqueKind,
};
use crate::fibre::{Comb, Moisture};
use crate::head::Zone;
use crate::section::Region;
use serde::{Deserialize, Serialize};

/// What is advised.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Practice {
    /// The perimeter is cut wet.
    LineWet,
    /// Layers are cut dry.
    LayersDry,
    /// Everything is cut dry.
    AllDry,
    /// Something is cut dry, after it was looked at.
    DetailDry,
    /// Wet curl is combed with wide teeth or an open hand.
    WideCombWet,
    /// Layers are cut on fine teeth.
    FineCombLayers,
    /// No fine comb, no tension.
    NoTension,
    /// The perimeter comes before the layers.
    LineFirst,
    /// The layers come before the perimeter.
    LayersFirst,
    /// The perimeter is cut blunt.
    LineBlunt,
    /// The perimeter is point cut.
    LinePointed,
    /// Solid and textured subsections take turns.
    TextureInTurn,
    /// The perimeter is square.
    LineSquare,
    /// The perimeter is longer in front.
    LineLongerInFront,
    /// All hair is brought to one guide, or to the centre.
    ToTheCentre,
    /// The guide travels.
    GuideTravels,
    /// Layers spare the perimeter.
    PerimeterSpared,
    /// Elevation on top is 60° or less, or there are no layers.
    TopLow,
    /// The top is detached: over-directed, floating or freehand.
    TopDetached,
    /// The back is held low.
    BackLow,
    /// Short bricks under the top.
    Bricks,
    /// What is taken out is taken from below, none of it on top.
    WeightBelow,
    /// Nothing is taken out by vertical entries.
    NoVerticalEntries,
    /// Weight is taken by back-cutting or sliding.
    BackCutOrSlide,
    /// Layers are cut concave.
    ConcaveLayers,
    /// Layers are cut square.
    SquareLayers,
    /// Sides are carried back.
    SidesBack,
    /// Sides are carried forward.
    SidesForward,
    /// The front margin is cut by no layer.
    FrontWhole,
    /// At most three steps cut.
    FewSteps,
    /// There are no layers below the top.
    FewLayers,
    /// No technique thins the ends.
    EndsSolid,
    /// A fringe is cut on its own.
    FringeApart,
    /// The cut waits for a look at the first guide.
    LooksEarly,
}

fn active(cut: &Cut) -> impl DoubleEndedIterator<Item = (usize, &Move)> {
    cut.moves.iter().enumerate().filter(|(_, move_)| !move_.off && !matches!(move_.kind, MoveKind::Pause(_)))
}

fn layers(cut: &Cut) -> impl Iterator<Item = (usize, &Move, &Sections)> {
    active(cut).filter_map(|(number, move_)| match &move_.kind {
        MoveKind::Sections(sections) => Some((number, move_, sections)),
        _ => None,
    })
}

fn lines(cut: &Cut) -> impl Iterator<Item = (usize, &Move, &FallLine)> {
    active(cut).filter_map(|(number, move_)| match &move_.kind {
        MoveKind::Perimeter(line) => Some((number, move_, line)),
        _ => None,
    })
}

fn weights(cut: &Cut) -> impl Iterator<Item = &Move> {
    active(cut).map(|(_, move_)| move_).filter(|move_| matches!(move_.kind, MoveKind::Weight(_)))
}

/// Whether all of them are so; none where there are none.
fn all<T>(mut them: impl Iterator<Item = T>, so: impl Fn(T) -> bool) -> Option<bool> {
    let first = so(them.next()?);
    Some(them.fold(first, |so_far, one| so(one) && so_far))
}

/// Whether one of them is so; none where there are none.
fn any<T>(mut them: impl Iterator<Item = T>, so: impl Fn(T) -> bool) -> Option<bool> {
    let first = so(them.next()?);
    Some(them.fold(first, |so_far, one| so(one) || so_far))
}

/// Whether a region is, or lies in, one of these zones, as far as its words say.
fn names(region: &Region, zones: &[Zone]) -> bool {
    match region {
        Region::Zone(zone) => zones.contains(zone),
        Region::Any(parts) => parts.iter().all(|part| names(part, zones)),
        Region::All(parts) => parts.iter().any(|part| names(part, zones)),
        _ => false,
    }
}

/// Whether a region leaves the hairline out.
fn spares_edge(region: &Region) -> bool {
    match region {
        Region::Not(part) => matches!(**part, Region::Edge { .. }),
        Region::All(parts) => parts.iter().any(spares_edge),
        _ => false,
    }
}

/// Whether layers leave the perimeter alone.
fn spares(move_: &Move, its: &Sections) -> bool {
    spares_edge(&move_.region) || its.drops.is_some_and(|drops| drops.ends_below.is_some())
}

const TOP: [Zone; 3] = [Zone::Top, Zone::Crown, Zone::Fringe];
/// Heights of a line that are the same, mm.
const LEVEL_MM: f64 = 15.0;
/// Elevations called low, degrees.
const LOW_DEG: f64 = 60.0;

impl Practice {
    /// Whether a cut does it; none where it has no step that could.
    pub fn is_kept(self, cut: &Cut) -> Option<bool> {
        let blunt = |move_: &Move| move_.technique.kind == TechniqueKind::Blunt;
        let dry = |move_: &Move| move_.state.moisture == Moisture::Dry;
        let first_line = || lines(cut).map(|(number, ..)| number).min();
        let first_layer = || layers(cut).map(|(number, ..)| number).min();
        let toward = |to: Direction| {
            move |(_, _, its): (usize, &Move, &Sections)| its.hold.over_direction == OverDirection::Toward(to)
        };
        let drop = |line: &FallLine| {
            // Written below their own points, two places are compared by what is written only where the point is the same.
            line.front
                .filter(|front| front.point == line.behind.point)
                .map(|front| front.below_mm - line.behind.below_mm)
        };
        match self {
            Self::LineWet => all(lines(cut), |(_, move_, _)| move_.state.moisture != Moisture::Dry),
            Self::LayersDry => all(layers(cut), |(_, move_, _)| dry(move_)),
            Self::AllDry => all(active(cut), |(_, move_)| dry(move_)),
            Self::DetailDry => any(active(cut), |(_, move_)| dry(move_)),
            Self::WideCombWet => all(active(cut).filter(|(_, move_)| !dry(move_)), |(_, move_)| {
                matches!(move_.state.comb, Comb::Wide | Comb::None)
            }),
            Self::FineCombLayers => all(layers(cut), |(_, move_, _)| move_.state.comb >= Comb::Medium),
            Self::NoTension => all(active(cut), |(_, move_)| move_.state.comb != Comb::Fine),
            Self::LineFirst => first_line().zip(first_layer()).map(|(line, layer)| line < layer),
            Self::LayersFirst => first_line().zip(first_layer()).map(|(line, layer)| layer < line),
            Self::LineBlunt => all(lines(cut), |(_, move_, _)| blunt(move_)),
            Self::LinePointed => {
                all(lines(cut), |(_, move_, _)| move_.technique.kind == TechniqueKind::Point)
            }
            Self::TextureInTurn => {
                any(active(cut), |(_, move_)| move_.pattern.as_ref().is_some_and(|pattern| pattern.every > 1))
            }
            Self::LineSquare => {
                all(lines(cut), |(_, _, line)| drop(line).is_none_or(|drop| drop.abs() < LEVEL_MM))
            }
            Self::LineLongerInFront => {
                any(lines(cut), |(_, _, line)| drop(line).is_some_and(|drop| drop > LEVEL_MM))
            }
            Self::ToTheCentre => any(layers(cut), |(_, _, its)| {
                its.guide == Guide::Stationary || its.hold.over_direction == OverDirection::Centre
            }),
            Self::GuideTravels => {
                any(layers(cut), |(_, _, its)| matches!(its.guide, Guide::Travelling { .. }))
            }
            Self::PerimeterSpared => {
                all(layers(cut).filter(|(_, move_, _)| !names(&move_.region, &TOP)), |(_, move_, its)| {
                    spares(move_, its)
                })
            }
            Self::TopLow => Some(layers(cut).all(|(_, _, its)| its.hold.elevation_deg <= LOW_DEG)),
            Self::TopDetached => any(layers(cut), |(_, _, its)| {
                matches!(its.guide, Guide::Floating { .. } | Guide::Free)
                    || (its.hold.over_direction == OverDirection::Centre && its.hold.elevation_deg > 90.0)
            }),
            Self::BackLow => any(layers(cut), |(_, _, its)| its.hold.elevation_deg <= LOW_DEG),
            Self::Bricks => any(active(cut), |(_, move_)| move_.technique.kind == TechniqueKind::Brick),
            Self::WeightBelow => all(weights(cut), |move_| {
                move_.technique.under > 0.0
                    || move_.technique.deeper_below > 0.0
                    || !names(&move_.region, &TOP)
            }),
            Self::NoVerticalEntries => all(active(cut), |(_, move_)| {
                !matches!(move_.technique.kind, TechniqueKind::Notch | TechniqueKind::Tease)
            }),
            Self::BackCutOrSlide => any(weights(cut), |move_| {
                matches!(move_.technique.kind, TechniqueKind::BackCut | TechniqueKind::Slide)
            }),
            Self::ConcaveLayers => any(layers(cut), |(_, _, its)| its.fingers.bow_mm < 0.0),
            Self::SquareLayers => any(layers(cut), |(_, _, its)| {
                matches!(its.fingers.shape, FingerShape::Vertical | FingerShape::Level)
            }),
            Self::SidesBack => any(layers(cut), toward(Direction::Back)),
            Self::SidesForward => any(layers(cut), toward(Direction::Forward)),
            Self::FrontWhole => Some(layers(cut).all(|(_, move_, its)| {
                spares(move_, its)
                    || names(
                        &move_.region,
                        &[Zone::Top, Zone::Crown, Zone::BackUpper, Zone::BackLower, Zone::Nape],
                    )
            })),
            Self::FewSteps => Some(active(cut).count() <= 3),
            Self::FewLayers => Some(layers(cut).count() <= 2),
            Self::EndsSolid => all(active(cut), |(_, move_)| {
                blunt(move_) || names(&move_.region, &TOP) || matches!(move_.kind, MoveKind::Sections(_))
            }),
            Self::FringeApart => Some(cut.moves.iter().any(|move_| move_.name == "Fringe" && !move_.off)),
            Self::LooksEarly => Some(
                cut.moves
                    .iter()
                    .take(3)
                    .any(|move_| matches!(&move_.kind, MoveKind::Pause(crate::cut::Pause::Look { .. }))),
            ),
        }
    }

    /// Makes a cut do it, where a word is all it takes: which comb, whether ends are blunt.
    pub fn give(self, cut: &mut Cut) {
        for move_ in cut.moves.iter_mut().filter(|move_| !matches!(move_.kind, MoveKind::Pause(_))) {
            let wet = move_.state.moisture != Moisture::Dry;
            let held = !matches!(move_.kind, MoveKind::Weight(_));
            match self {
                Self::WideCombWet if wet && held => move_.state.comb = Comb::Wide,
                Self::NoTension if held && move_.state.comb == Comb::Fine => move_.state.comb = Comb::Medium,
                Self::FineCombLayers if wet && matches!(move_.kind, MoveKind::Sections(_)) => {
                    move_.state.comb = Comb::Fine;
                }
                Self::LineBlunt if matches!(move_.kind, MoveKind::Perimeter(_)) => {
                    move_.technique = Technique::default();
                }
                _ => {}
            }
        }
    }
}
