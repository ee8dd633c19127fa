//! The made-up client whose hair the stand-ins measure: ringlets, finer and looser in front, denser behind, the right side
//! a little tighter than the left.

use spirel_core::head::Zone;

/// What is really there at a zone.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct There {
    /// A strand pulled straight, mm.
    pub stretched_mm: f64,
    /// The same let go, mm.
    pub sprung_mm: f64,
    /// Width of a fibre, µm.
    pub width_um: f64,
    /// Hairs on a square centimetre.
    pub hairs_per_cm2: f64,
}

/// Radius of its loops, mm.
pub const LOOP_RADIUS_MM: f64 = 9.0;
/// Water of its hair, g per g.
pub const WATER: f64 = 0.04;
/// The air round it: °C and %.
pub const AIR: (f64, f64) = (21.5, 58.0);

/// What is really there.
pub fn there(zone: Zone) -> There {
    let (stretched_mm, sprung_mm, width_um, hairs_per_cm2) = match zone {
        Zone::Fringe => (212.0, 131.0, 58.0, 140.0),
        Zone::Top => (318.0, 176.0, 63.0, 165.0),
        Zone::Crown => (335.0, 172.0, 66.0, 190.0),
        Zone::LeftSide => (284.0, 151.0, 61.0, 150.0),
        Zone::BackUpper => (341.0, 178.0, 68.0, 205.0),
        Zone::BackLower => (302.0, 149.0, 70.0, 200.0),
        Zone::Nape => (246.0, 118.0, 69.0, 170.0),
        Zone::RightSide => (281.0, 138.0, 62.0, 150.0),
    };
    There { stretched_mm, sprung_mm, width_um, hairs_per_cm2 }
}

#[cfg(test)]
mod tests {
    use super::*;
    use spirel_core::reading::{RawZoneReading, ZoneReading};

    #[test]
    fn what_is_there_is_hair_that_a_reading_takes() {
        for zone in Zone::ALL {
            let at = there(zone);
            let raw = RawZoneReading {
                width_um: Some(at.width_um),
                hairs_per_cm2: Some(at.hairs_per_cm2),
                ..RawZoneReading::measured(at.stretched_mm, at.sprung_mm)
            };
            assert!(ZoneReading::try_from(&raw).is_ok(), "{zone:?}");
        }
    }
}
