//! What is done at the chair where something is seen: a step more, with its words.

use super::{FindingCode, FindingPlace};
use crate::cut::{
    FallLine, Fingers, FirstLength, Guide, Hold, Layout, Move, MoveKind, Sections, Technique, TechniqueKind,
};
use crate::fibre::{Comb, HeldState, Moisture};
use crate::hair::Hair;
use crate::head::{Landmark, Place, Point, Zone};
use crate::message::{Arg, Message};
use crate::section::{Along, NamedSection, Region};

/// Dry on a wide comb: what is added is seen as it is done.
const DRY: HeldState = HeldState { moisture: Moisture::Dry, comb: Comb::Wide };
/// Thickness of the subsections, mm.
const THICK_MM: f64 = 20.0;

/// Weight taken out of a region and its mirror image.
fn weight(region: Region, technique: Technique) -> Move {
    let layout = Layout::new(Along::Horizontal, THICK_MM, Landmark::NapeCentre);
    let mut move_ = Move::new(region, MoveKind::Weight(layout));
    (move_.technique, move_.state) = (technique, DRY);
    move_
}

/// Most of it below, none on top.
fn slid(share: f64, depth_mm: f64) -> Technique {
    Technique {
        share: Some(share),
        depth_mm: Some(depth_mm),
        under: 1.0,
        ..Technique::usual(TechniqueKind::Slide)
    }
}

fn bricks(share: f64) -> Technique {
    Technique { share: Some(share), ..Technique::usual(TechniqueKind::Brick) }
}

/// Layers of a worn length, each measured on itself or all brought to the first.
fn layers(region: Region, worn_mm: f64, guide: Guide, from: Landmark) -> Move {
    let sections = Sections {
        layout: Layout::new(Along::Vertical, THICK_MM, from),
        hold: Hold::at(90.0),
        guide,
        fingers: Fingers::default(),
        length: FirstLength::WornMm(worn_mm),
        drops: None,
    };
    let mut move_ = Move::new(region, MoveKind::Sections(sections));
    move_.state = DRY;
    move_
}

/// A blunt line at a height.
fn line(hair: &Hair, height_mm: f64) -> Move {
    let below_mm = Point::Shoulder.height_mm(&hair.measures) - height_mm;
    let at = Place { point: Point::Shoulder, below_mm };
    let line = FallLine { worn: true, ..FallLine::level(at) };
    let mut move_ = Move::new(Region::Everything, MoveKind::Perimeter(line));
    move_.state = DRY;
    move_
}

/// The steps that are tried against a finding, the gentler ones first.
pub(super) fn acts(hair: &Hair, code: FindingCode, place: &FindingPlace) -> Vec<(Message, Move)> {
    let word = |name: &str| Message::new(format!("cure-add-{name}"));
    let worn = |strand: &crate::hair::Strand, lengths: &crate::hair::ShareLengths| {
        strand.model.worn_mm(lengths.longest(), strand.worn)
    };
    let longest = hair.strands.iter().zip(&hair.lengths).map(|(s, l)| worn(s, l)).fold(0.0, f64::max);
    let top = || NamedSection::Horseshoe.region();
    let here = |technique: Technique| {
        let mut move_ = weight(Region::Zone(place.zone), technique);
        move_.mirrored = matches!(place.zone, Zone::LeftSide | Zone::RightSide);
        move_
    };
    let all = Region::Everything;
    match code {
        FindingCode::Triangle | FindingCode::Shelf | FindingCode::Mushroom => vec![
            (word("slide"), weight(all.clone(), slid(0.25, 80.0))),
            (word("slide_more"), weight(all.clone(), slid(0.4, 120.0))),
            (word("one_guide"), layers(all.clone(), 0.45 * longest, Guide::Stationary, Landmark::Apex)),
            (word("one_guide_short"), layers(all.clone(), 0.3 * longest, Guide::Stationary, Landmark::Apex)),
            (word("layers"), layers(all, 0.6 * longest, Guide::Free, Landmark::Crown)),
        ],
        FindingCode::HeavyCorner | FindingCode::ClosesFace => {
            vec![(word("slither"), here(slid(0.2, 60.0))), (word("slither_more"), here(slid(0.4, 100.0)))]
        }
        FindingCode::Flat => vec![
            (word("brick"), weight(top(), bricks(0.12))),
            (word("brick_more"), weight(top(), bricks(0.18))),
            (word("top_layers"), layers(top(), 0.5 * longest, Guide::Free, Landmark::Crown)),
            (word("top_layers_short"), layers(top(), 0.3 * longest, Guide::Free, Landmark::Crown)),
        ],
        FindingCode::SeeThroughEnds
        | FindingCode::BroomEnds
        | FindingCode::LiftedLine
        | FindingCode::SidesDiffer => [20.0, 40.0, 70.0, 110.0]
            .map(|higher| {
                (word("line").with("amount", Arg::Mm(higher)), line(hair, place.height_mm + higher))
            })
            .into(),
        FindingCode::CapLine | FindingCode::ChoppyBack => vec![(word("blend"), weight(all, slid(0.3, 60.0)))],
        FindingCode::RegrowthStands => {
            let zone = Message::word("step-zone", place.zone);
            let layers = layers(Region::Zone(place.zone), 150.0, Guide::Free, Landmark::Crown);
            vec![(word("take_in").with("zone", zone), layers)]
        }
        _ => Vec::new(),
    }
}
