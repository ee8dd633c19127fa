//! The air in the room, and the water that hair holds in it.

use crate::constants::{AIR_USUAL_PCT, WATER_FROM_AIR};
use crate::error::FieldErrors;
use crate::fibre::Moisture;
use serde::{Deserialize, Serialize};

pub(super) const TEMPERATURE_C: (f64, f64) = (-10.0, 50.0);
pub(super) const HUMIDITY_PCT: (f64, f64) = (0.0, 100.0);

/// The air in a room.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RoomAir {
    /// Temperature, °C, −10 to 50.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub temperature_c: Option<f64>,
    /// Relative humidity, %, 0 to 100.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub humidity_pct: Option<f64>,
}

impl RoomAir {
    pub(super) fn is_empty(&self) -> bool {
        *self == Self::default()
    }

    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if let Some(c) = self.temperature_c {
            faults.range("temperature_c", c, TEMPERATURE_C, "°C");
        }
        if let Some(pct) = self.humidity_pct {
            faults.range("humidity_pct", pct, HUMIDITY_PCT, "%");
        }
        faults.or(())
    }

    /// Water of hair that is called dry in this room, g/g: more than in the usual air where that is damper, less than none
    /// where it is drier. Warmth hardly matters beside humidity (Robbins, *Chemical and Physical Behavior of Human Hair*).
    pub fn dry_water_g_per_g(&self) -> f64 {
        let dry = Moisture::Dry.water_g_per_g();
        self.humidity_pct.map_or(dry, |pct| dry + water_from_air(pct) - water_from_air(AIR_USUAL_PCT.value))
    }
}

/// Water that hair takes up from air of this humidity, %, in g/g.
fn water_from_air(pct: f64) -> f64 {
    let between = WATER_FROM_AIR.windows(2).find(|pair| pct <= pair[1].0).unwrap_or(&WATER_FROM_AIR[5..]);
    let ((low, less), (high, more)) = (between[0], between[1]);
    0.01 * (less + (more - less) * (pct - low) / (high - low))
}

#[cfg(test)]
mod tests {
    use super::*;

    fn water(humidity_pct: f64) -> f64 {
        RoomAir { humidity_pct: Some(humidity_pct), ..RoomAir::default() }.dry_water_g_per_g()
    }

    #[test]
    fn the_damper_the_air_the_more_water_and_none_is_added_in_the_usual_air() {
        assert_eq!(RoomAir::default().dry_water_g_per_g(), 0.0);
        assert!(water(AIR_USUAL_PCT.value).abs() < 1e-12);
        let all: Vec<f64> = (0..=100).map(|pct| water(f64::from(pct))).collect();
        assert!(all.windows(2).all(|pair| pair[0] < pair[1]));
        assert!(all[0] < -0.1 && (all[65] - 0.01).abs() < 1e-12 && all[100] < 0.3, "{all:?}");
    }

    #[test]
    fn a_length_let_go_in_damp_air_is_that_of_hair_that_springs_more_in_the_usual() {
        use crate::fibre::WornStyle;
        use crate::head::Zone;
        use crate::learn;
        use crate::reading::{RawReading, RawZoneReading};
        let worn = |humidity_pct| {
            let zone = RawZoneReading { strands: 10, ..RawZoneReading::measured(300.0, 200.0) };
            let room = RoomAir { humidity_pct, ..RoomAir::default() };
            let read = RawReading { zones: [(Zone::Top.into(), zone)].into(), room, ..RawReading::default() };
            let patch = read.patch(Zone::Top.into()).expect("read");
            learn::fit(&patch).model().worn_mm(300.0, WornStyle::AsItSprings)
        };
        let (dry, usual, damp) = (worn(Some(30.0)), worn(None), worn(Some(85.0)));
        assert!(dry > usual + 0.5 && damp < usual - 1.0, "{dry} {usual} {damp}");
    }
}
