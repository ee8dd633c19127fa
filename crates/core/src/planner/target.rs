//! What a wish asks of the lengths, zone by zone, as far as the hair reaches.

use crate::fall::{Fall, ZoneFall};
use crate::hair::Hair;
use crate::head::Zone;
use crate::mark::Aim;

/// A zone's wish.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(super) struct Target {
    pub zone: Zone,
    wants: Wants,
    /// The shortest that would be accepted.
    shortest: Option<Wants>,
    before: ZoneFall,
    /// How many times it counts where lengths are solved.
    pub counts: f64,
}

#[derive(Debug, Clone, Copy, PartialEq)]
enum Wants {
    /// It ends at this height, mm.
    Ends(f64),
    /// It is worn so long, mm.
    Worn(f64),
}

impl Wants {
    /// By how much hair is shorter than that, mm.
    fn lacks_mm(self, now: &ZoneFall) -> f64 {
        match self {
            Self::Ends(height) => now.ends_at_mm - height,
            Self::Worn(worn) => worn - now.worn_mm,
        }
    }
}

impl Target {
    /// Of every zone with a wish.
    pub fn all(aim: &Aim, hair: &Hair, before: &Fall) -> Vec<Self> {
        let wants = |place: Option<crate::head::Place>, worn: Option<f64>| match (place, worn) {
            (Some(place), _) => Some(Wants::Ends(place.height_mm(&hair.measures))),
            (None, worn) => worn.map(Wants::Worn),
        };
        let of = |before: &ZoneFall| {
            let wish = aim.zones.get(&before.zone)?;
            Some(Self {
                zone: before.zone,
                wants: wants(wish.lands, wish.worn_mm)?,
                shortest: wants(wish.shortest, wish.shortest_worn_mm),
                before: *before,
                counts: 1.0,
            })
        };
        before.zones.iter().filter_map(of).collect()
    }

    /// The same, counting so many times.
    pub fn counting(self, counts: f64) -> Self {
        Self { counts, ..self }
    }

    /// By how much the hair is too short for the wish before anything is cut, mm; 0 where it isn't.
    pub fn out_of_reach_mm(&self) -> f64 {
        self.wants.lacks_mm(&self.before).max(0.0)
    }

    /// By how much a zone is shorter than wished, mm; hair that was too short before is held against what it was.
    pub fn lacks_mm(&self, zones: &[ZoneFall]) -> f64 {
        let now = zones.iter().find(|zone| zone.zone == self.zone);
        now.map_or(0.0, |now| self.wants.lacks_mm(now) - self.out_of_reach_mm())
    }

    /// By how much it is shorter than would be accepted, mm; 0 where it isn't.
    pub fn too_short_mm(&self, zones: &[ZoneFall]) -> f64 {
        let now = zones.iter().find(|zone| zone.zone == self.zone);
        let lacks =
            |wants: Wants, now: &ZoneFall| wants.lacks_mm(now) - wants.lacks_mm(&self.before).max(0.0);
        self.shortest.zip(now).map_or(0.0, |(shortest, now)| lacks(shortest, now).max(0.0))
    }

    /// The wish and what came of it, in its own terms: heights or worn lengths, mm.
    pub fn reached_mm(&self, zones: &[ZoneFall]) -> (f64, f64) {
        let now = zones.iter().find(|zone| zone.zone == self.zone).unwrap_or(&self.before);
        match self.wants {
            Wants::Ends(height) => (height, now.ends_at_mm),
            Wants::Worn(worn) => (worn, now.worn_mm),
        }
    }

    /// Whether the wish is a height.
    pub fn is_height(&self) -> bool {
        matches!(self.wants, Wants::Ends(_))
    }
}
