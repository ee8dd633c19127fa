//! What can be found, by name.

use serde::{Deserialize, Serialize};

/// What can be found.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum FindingCode {
    /// Wide at the bottom and flat on top.
    Triangle,
    /// Ends in a heap at one height, where the outline steps out.
    Shelf,
    /// Widest high up, and narrow below the ears.
    Mushroom,
    /// Ends far thinner than the hair a hand above them.
    BroomEnds,
    /// Ends that light comes through.
    SeeThroughEnds,
    /// Hardly any hair beside or behind the ear.
    HoleAtEar,
    /// A heap of ends in one sector of the head.
    HeavyCorner,
    /// A height with hardly any ends under a short top.
    CapLine,
    /// Ends of short layers that show as steps where the back is too flat to round them off.
    ChoppyBack,
    /// Left and right that are unlike though nobody wished it.
    SidesDiffer,
    /// A perimeter that lifts off its smooth course.
    LiftedLine,
    /// A front that may land shorter than is accepted.
    FrontTooShort,
    /// A fringe that grows from outside the brows.
    FringeTooWide,
    /// Hair of the front that no longer reaches where it is tied back.
    TieNotReached,
    /// Short hair within the surface that everybody sees.
    WeightNearSurface,
    /// Hair left at half its length or less.
    WeightTooDeep,
    /// A guide whose error adds up from section to section.
    GuideDrift,
    /// Layers in fine hair below the occipital bone.
    LayersLowOnFine,
    /// A comb that pulls more than this curl forgives.
    TensionHigh,
    /// A pass that dries before it is done.
    MoistureUneven,
    /// No lift where it was wished.
    Flat,
    /// Regrowth without hair of its length beside it.
    RegrowthStands,
    /// Weight that closes a face that should be open.
    ClosesFace,
    /// A zone that does not end where it was wished.
    WishMissed,
    /// Hair that was to be kept.
    KeptHairLost,
}

impl FindingCode {
    /// How many there are.
    pub const COUNT: usize = 25;
    /// Every code.
    pub const ALL: [Self; Self::COUNT] = [
        Self::Triangle,
        Self::Shelf,
        Self::Mushroom,
        Self::BroomEnds,
        Self::SeeThroughEnds,
        Self::HoleAtEar,
        Self::HeavyCorner,
        Self::CapLine,
        Self::ChoppyBack,
        Self::SidesDiffer,
        Self::LiftedLine,
        Self::FrontTooShort,
        Self::FringeTooWide,
        Self::TieNotReached,
        Self::WeightNearSurface,
        Self::WeightTooDeep,
        Self::GuideDrift,
        Self::LayersLowOnFine,
        Self::TensionHigh,
        Self::MoistureUneven,
        Self::Flat,
        Self::RegrowthStands,
        Self::ClosesFace,
        Self::WishMissed,
        Self::KeptHairLost,
    ];

    /// Findings that say this one, too.
    pub(crate) fn is_part_of(self) -> &'static [Self] {
        match self {
            Self::Shelf => &[Self::Triangle],
            Self::BroomEnds => &[Self::SeeThroughEnds],
            Self::FrontTooShort | Self::FringeTooWide => &[Self::KeptHairLost],
            _ => &[],
        }
    }

    /// Whether it is about weight, which may be left on purpose until a later step.
    pub(super) fn is_weight(self) -> bool {
        matches!(self, Self::Triangle | Self::Shelf | Self::Mushroom | Self::HeavyCorner | Self::ClosesFace)
    }

    /// Whether it asks how the hair lies, and not how it was cut or what was promised: uncut hair can have it, too.
    pub(super) fn is_of_the_shape(self) -> bool {
        matches!(
            self,
            Self::Triangle
                | Self::Shelf
                | Self::Mushroom
                | Self::BroomEnds
                | Self::SeeThroughEnds
                | Self::HoleAtEar
                | Self::HeavyCorner
                | Self::CapLine
                | Self::SidesDiffer
                | Self::Flat
                | Self::RegrowthStands
                | Self::ClosesFace
        )
    }
}
