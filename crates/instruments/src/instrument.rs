//! One instrument: what it makes of what is there. Each value has noise; its zero drifts with use until it is set again;
//! every press takes a little of its battery.

use crate::made_up::{AIR, LOOP_RADIUS_MM, There, WATER};
use base64::Engine;
use base64::prelude::BASE64_STANDARD;
use rand::rngs::StdRng;
use rand::{RngExt, SeedableRng};
use rand_distr::{Distribution, Normal};
use spirel_core::devices::{Device, DeviceKind, Presence};
use spirel_core::reading::{Measured, Quantity};
use spirel_core::scope::{self, DrawnScalp, SIDE_MM, SIDE_PX, png_of_grey};

/// Charge that one press takes, %.
const PRESS_TAKES_PCT: f64 = 0.25;
/// Pull of a hand on a strand it pulls straight, and that is left on one it lets go, cN: mean and spread.
const PULLED_CN: (f64, f64) = (45.0, 6.0);
const LET_GO_CN: (f64, f64) = (0.6, 0.25);

/// An instrument that isn't there.
#[derive(Debug)]
pub(crate) struct Instrument {
    pub device: Device,
    /// One standard error of a value, in the kind's first unit.
    sd: f64,
    /// How far the zero moves with a press, in the same unit.
    drift: f64,
    zero: f64,
    pub number: u32,
    chance: StdRng,
}

/// What one press gives.
#[derive(Debug, Clone, PartialEq)]
pub(crate) enum Shown {
    Values(Vec<Measured>),
    Picture { side_mm: f64, png: String },
}

impl Instrument {
    pub fn new(kind: DeviceKind, label: &str, seed: u64) -> Self {
        let (id, unit, sd, drift) = match kind {
            DeviceKind::Comb => ("comb-1", "mm", 1.0, 0.02),
            DeviceKind::Gauge => ("gauge-1", "µm", 1.5, 0.03),
            DeviceKind::Scope => ("scope-1", "px", 0.0, 0.0),
            DeviceKind::Meter => ("meter-1", "g/g", 0.02, 0.001),
            DeviceKind::Room => ("room-1", "°C", 0.2, 0.0),
        };
        let device = Device {
            id: id.into(),
            kind,
            label: label.into(),
            unit: unit.into(),
            reach: Presence::Ready,
            battery_pct: 100.0,
            paired: false,
        };
        Self { device, sd, drift, zero: 0.0, number: 0, chance: StdRng::seed_from_u64(seed) }
    }

    /// What it reads now is its zero.
    pub fn set_zero(&mut self) {
        self.zero = 0.0;
    }

    /// The units it can be set to.
    pub fn units(&self) -> &'static [&'static str] {
        match self.device.kind {
            DeviceKind::Comb => &["mm", "cm", "in"],
            DeviceKind::Gauge => &["µm", "mm"],
            DeviceKind::Scope => &["px"],
            DeviceKind::Meter => &["g/g", "%"],
            DeviceKind::Room => &["°C", "°F"],
        }
    }

    /// Presses its button where this is.
    pub fn press(&mut self, there: &There, pulled: bool) -> Shown {
        self.number += 1;
        self.zero += self.drift;
        self.device.battery_pct = (self.device.battery_pct - PRESS_TAKES_PCT).max(0.0);
        if self.device.battery_pct == 0.0 {
            self.device.reach = Presence::Off;
        }
        match self.device.kind {
            DeviceKind::Comb => {
                let length = if pulled { there.stretched_mm } else { there.sprung_mm };
                let pull = if pulled { PULLED_CN } else { LET_GO_CN };
                let pull_cn = Some(round(self.near(pull).max(0.0), 1));
                Shown::Values(vec![Measured { pull_cn, ..self.value(Quantity::Length, length) }])
            }
            DeviceKind::Gauge => Shown::Values(vec![self.value(Quantity::Width, there.width_um)]),
            DeviceKind::Meter => Shown::Values(vec![self.value(Quantity::Moisture, WATER)]),
            DeviceKind::Room => {
                let humidity = Measured {
                    quantity: Quantity::Humidity,
                    value: round(self.near((AIR.1, 1.0)), 0),
                    unit: "%".into(),
                    sd: Some(1.0),
                    pull_cn: None,
                };
                Shown::Values(vec![self.value(Quantity::Temperature, AIR.0), humidity])
            }
            DeviceKind::Scope => self.picture(there),
        }
    }

    /// A value near what is there, in the unit it is set to.
    fn value(&mut self, quantity: Quantity, there: f64) -> Measured {
        let read = self.near((there + self.zero, self.sd));
        let (factor, offset, digits) = match self.device.unit.as_str() {
            "cm" => (0.1, 0.0, 2),
            "in" => (1.0 / 25.4, 0.0, 2),
            "mm" if quantity == Quantity::Width => (0.001, 0.0, 4),
            "%" => (100.0, 0.0, 0),
            "°F" => (1.8, 32.0, 1),
            "g/g" => (1.0, 0.0, 2),
            _ => (1.0, 0.0, 1),
        };
        Measured {
            quantity,
            value: round((read * factor + offset).max(0.0), digits),
            unit: self.device.unit.clone(),
            sd: Some(self.sd * factor),
            pull_cn: None,
        }
    }

    fn near(&mut self, (mean, sd): (f64, f64)) -> f64 {
        Normal::new(mean, sd).map_or(mean, |normal| normal.sample(&mut self.chance))
    }

    fn picture(&mut self, there: &There) -> Shown {
        let scalp = DrawnScalp {
            hairs_per_cm2: there.hairs_per_cm2,
            width_um: there.width_um,
            loop_radius_mm: LOOP_RADIUS_MM,
            hair: 55.0,
            skin: 195.0,
        };
        let seen = scope::look(&scalp, self.chance.random());
        let png = png_of_grey(&seen.grey, SIDE_PX as u32).unwrap_or_default();
        Shown::Picture { side_mm: SIDE_MM, png: BASE64_STANDARD.encode(png) }
    }
}

fn round(value: f64, digits: i32) -> f64 {
    let step = 10f64.powi(digits);
    (value * step).round() / step
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::made_up::there;
    use spirel_core::head::Zone;

    fn lengths(comb: &mut Instrument, presses: usize) -> Vec<f64> {
        let at = there(Zone::Top);
        (0..presses)
            .map(|_| match comb.press(&at, true) {
                Shown::Values(values) => values[0].value,
                Shown::Picture { .. } => unreachable!("a comb takes no pictures"),
            })
            .collect()
    }

    #[test]
    fn values_scatter_as_stated_and_the_zero_drifts_until_it_is_set() {
        let mut comb = Instrument::new(DeviceKind::Comb, "Comb", 7);
        comb.drift = 0.0;
        let values = lengths(&mut comb, 300);
        let mean = values.iter().sum::<f64>() / 300.0;
        let sd = (values.iter().map(|v| (v - mean).powi(2)).sum::<f64>() / 299.0).sqrt();
        assert!((mean - 318.0).abs() < 0.2 && (0.85..1.15).contains(&sd), "{mean} {sd}");
        (comb.zero, comb.device.battery_pct) = (6.0, 100.0);
        let off = lengths(&mut comb, 100).iter().sum::<f64>() / 100.0;
        assert!((off - 324.0).abs() < 0.5, "{off}");
        comb.set_zero();
        let right = lengths(&mut comb, 100).iter().sum::<f64>() / 100.0;
        assert!((right - 318.0).abs() < 0.5, "{right}");
    }

    #[test]
    fn a_battery_runs_out() {
        let mut comb = Instrument::new(DeviceKind::Comb, "Comb", 7);
        lengths(&mut comb, 399);
        assert_eq!(comb.device.reach, Presence::Ready);
        lengths(&mut comb, 1);
        assert_eq!((comb.device.reach, comb.device.battery_pct), (Presence::Off, 0.0));
    }

    #[test]
    fn every_unit_an_instrument_can_be_set_to_is_one_that_readings_take() {
        use spirel_core::reading::{RawZoneReading, RoomAir, TakeRequest};
        for kind in [DeviceKind::Comb, DeviceKind::Gauge, DeviceKind::Meter, DeviceKind::Room] {
            let mut instrument = Instrument::new(kind, "It", 3);
            for unit in instrument.units() {
                instrument.device.unit = (*unit).into();
                let Shown::Values(values) = instrument.press(&there(Zone::Nape), true) else { continue };
                for measured in values {
                    let (read, room) = (RawZoneReading::default(), RoomAir::default());
                    let taken = TakeRequest { read, room, now: None, measured: measured.clone() }.take();
                    let taken = taken.unwrap_or_else(|e| panic!("{measured:?}: {e}"));
                    if let Some(stretched) = taken.read.stretched_mm {
                        assert!((stretched - 246.0).abs() < 5.0, "{measured:?}");
                    }
                    if let Some(width) = taken.read.width_um {
                        assert!((width - 69.0).abs() < 8.0, "{measured:?}");
                    }
                    if let Some(warm) = taken.room.temperature_c {
                        assert!((warm - 21.5).abs() < 1.5, "{measured:?}");
                    }
                }
            }
        }
    }
}
