//! The instruments on the bench, who has paired them, and what each message leads to. It knows nothing of sockets.

use crate::instrument::{Instrument, Shown};
use crate::made_up::there;
use spirel_core::devices::{Device, DeviceKind, FromApp, Presence, ToApp, VERSION};
use spirel_core::head::Zone;
use std::collections::BTreeMap;

/// An application that is connected.
pub type App = u64;

/// Values an instrument keeps while it is out of reach; older ones are lost.
const KEEPS: usize = 50;

/// To whom an answer goes.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum To {
    /// One application.
    One(App),
    /// All that are connected.
    All,
}

/// The instruments.
#[derive(Debug)]
pub struct Bench {
    instruments: Vec<Instrument>,
    /// Who hears which, by its id.
    paired: BTreeMap<String, App>,
    /// What was measured out of reach.
    kept: BTreeMap<String, Vec<ToApp>>,
}

impl Bench {
    /// One of each kind. The same seed makes the same errors in the same order.
    pub fn new(seed: u64) -> Self {
        let instrument = |kind, label| Instrument::new(kind, label, seed ^ kind as u64);
        Self {
            instruments: vec![
                instrument(DeviceKind::Comb, "Comb 1"),
                instrument(DeviceKind::Gauge, "Gauge 1"),
                instrument(DeviceKind::Scope, "Scope 1"),
                instrument(DeviceKind::Meter, "Meter 1"),
                instrument(DeviceKind::Room, "Room"),
            ],
            paired: BTreeMap::new(),
            kept: BTreeMap::new(),
        }
    }

    /// What a message leads to.
    pub fn hear(&mut self, app: App, message: FromApp) -> Vec<(To, ToApp)> {
        let not_paired = match &message {
            FromApp::Pair { device } => Some(device.clone()),
            _ => None,
        };
        let done = match message {
            FromApp::Hello { version } => self.hello(app, version),
            FromApp::Pair { device } => self.pair(app, &device),
            FromApp::Unpair { device } => self.unpair(app, &device),
            FromApp::Zero { device } => self.at(&device).map(|instrument| {
                instrument.set_zero();
                Vec::new()
            }),
            FromApp::Press { device, zone, pulled, long } => self.press(&device, zone, pulled, long),
            FromApp::Set { device, reach, unit, battery_pct } => self.set(&device, reach, unit, battery_pct),
        };
        done.unwrap_or_else(|said| vec![(To::One(app), ToApp::Refused { said, not_paired })])
    }

    /// An application has gone: its instruments are free again.
    pub fn gone(&mut self, app: App) -> Vec<(To, ToApp)> {
        let free: Vec<String> =
            self.paired.iter().filter(|(_, by)| **by == app).map(|(id, _)| id.clone()).collect();
        free.iter().filter_map(|id| self.free(id)).collect()
    }

    fn at(&mut self, id: &str) -> Result<&mut Instrument, String> {
        let found = self.instruments.iter_mut().find(|instrument| instrument.device.id == id);
        found.ok_or_else(|| format!("There is no instrument {id}."))
    }

    fn hello(&self, app: App, version: u16) -> Result<Vec<(To, ToApp)>, String> {
        if version != VERSION {
            return Err(format!("Version {version} is not spoken here, {VERSION} is."));
        }
        let devices = self.instruments.iter().map(|instrument| instrument.device.clone()).collect();
        Ok(vec![(To::One(app), ToApp::Hello { version: VERSION, stand_in: true, devices })])
    }

    fn pair(&mut self, app: App, id: &str) -> Result<Vec<(To, ToApp)>, String> {
        let by = self.paired.get(id).copied();
        let instrument = self.at(id)?;
        if by.is_some_and(|by| by != app) {
            return Err(format!("{} is paired with another screen.", instrument.device.label));
        }
        instrument.device.paired = true;
        let mut said = vec![(To::All, ToApp::Device { device: instrument.device.clone() })];
        self.paired.insert(id.to_owned(), app);
        said.extend(self.hand_over(id));
        Ok(said)
    }

    fn unpair(&mut self, app: App, id: &str) -> Result<Vec<(To, ToApp)>, String> {
        self.at(id)?;
        if self.paired.get(id) != Some(&app) {
            return Ok(Vec::new());
        }
        Ok(self.free(id).into_iter().collect())
    }

    fn free(&mut self, id: &str) -> Option<(To, ToApp)> {
        self.paired.remove(id);
        let instrument = self.at(id).ok()?;
        instrument.device.paired = false;
        Some((To::All, ToApp::Device { device: instrument.device.clone() }))
    }

    fn press(
        &mut self,
        id: &str,
        zone: Option<Zone>,
        pulled: bool,
        long: bool,
    ) -> Result<Vec<(To, ToApp)>, String> {
        let by = self.paired.get(id).copied();
        let instrument = self.at(id)?;
        let Device { label, kind, reach, .. } = instrument.device.clone();
        if reach == Presence::Off {
            return Err(format!("{label} is off."));
        }
        let Some(by) = by else { return Err(format!("{label} is not paired with any screen.")) };
        let device = id.to_owned();
        let away = reach == Presence::Away;
        if long {
            let back = (To::One(by), ToApp::Back { device });
            return Ok(if away { Vec::new() } else { vec![back] });
        }
        if zone.is_none() && kind != DeviceKind::Room {
            return Err(format!("{label} is held to no zone."));
        }
        let shown = instrument.press(&there(zone.unwrap_or(Zone::Top)), pulled);
        let number = instrument.number;
        let messages: Vec<ToApp> = match shown {
            Shown::Values(values) => values
                .into_iter()
                .map(|measured| ToApp::Value { device: device.clone(), number, kept: away, measured })
                .collect(),
            Shown::Picture { side_mm, png } => {
                vec![ToApp::Picture { device: device.clone(), number, kept: away, side_mm, png }]
            }
        };
        if away {
            let kept = self.kept.entry(device).or_default();
            kept.extend(messages);
            let too_many = kept.len().saturating_sub(KEEPS);
            kept.drain(..too_many);
            return Ok(Vec::new());
        }
        let now = ToApp::Device { device: instrument.device.clone() };
        Ok(messages.into_iter().map(|message| (To::One(by), message)).chain([(To::All, now)]).collect())
    }

    fn set(
        &mut self,
        id: &str,
        reach: Option<Presence>,
        unit: Option<String>,
        battery_pct: Option<f64>,
    ) -> Result<Vec<(To, ToApp)>, String> {
        let instrument = self.at(id)?;
        if let Some(unit) = unit {
            if !instrument.units().contains(&unit.as_str()) {
                return Err(format!("{} can't be set to {unit}.", instrument.device.label));
            }
            instrument.device.unit = unit;
        }
        if let Some(pct) = battery_pct {
            if !(0.0..=100.0).contains(&pct) {
                return Err("A battery is from 0 to 100 % full.".into());
            }
            instrument.device.battery_pct = pct;
        }
        if let Some(reach) = reach {
            instrument.device.reach = reach;
        }
        let mut said = vec![(To::All, ToApp::Device { device: instrument.device.clone() })];
        if reach == Some(Presence::Ready) {
            said.extend(self.hand_over(id));
        }
        Ok(said)
    }

    /// What an instrument kept goes to who has it paired now, once it can be heard.
    fn hand_over(&mut self, id: &str) -> Vec<(To, ToApp)> {
        let Some(by) = self.paired.get(id).copied() else { return Vec::new() };
        if self.at(id).map_or(true, |instrument| instrument.device.reach != Presence::Ready) {
            return Vec::new();
        }
        let kept = self.kept.remove(id).unwrap_or_default();
        kept.into_iter().map(|message| (To::One(by), message)).collect()
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use serde_json::{from_value, json};

    fn said(bench: &mut Bench, app: App, message: serde_json::Value) -> Vec<(To, ToApp)> {
        bench.hear(app, from_value(message).expect("a message of the protocol"))
    }

    fn values(said: &[(To, ToApp)]) -> Vec<(App, u32, bool)> {
        let one = |(to, message): &(To, ToApp)| match (to, message) {
            (To::One(app), ToApp::Value { number, kept, .. }) => Some((*app, *number, *kept)),
            _ => None,
        };
        said.iter().filter_map(one).collect()
    }

    fn refused(said: &[(To, ToApp)]) -> &str {
        match said {
            [(To::One(_), ToApp::Refused { said, .. })] => said,
            other => panic!("it was done: {other:?}"),
        }
    }

    fn press(device: &str) -> serde_json::Value {
        json!({"type": "press", "device": device, "zone": "top", "pulled": true})
    }

    #[test]
    fn a_value_comes_to_the_one_screen_that_has_its_instrument_paired() {
        let mut bench = Bench::new(1);
        assert!(matches!(&said(&mut bench, 1, json!({"type": "hello", "version": 1}))[..],
            [(To::One(1), ToApp::Hello { version: 1, stand_in: true, devices })] if devices.len() == 5));
        assert_eq!(refused(&said(&mut bench, 1, press("comb-1"))), "Comb 1 is not paired with any screen.");
        said(&mut bench, 1, json!({"type": "pair", "device": "comb-1"}));
        // Another hand may press it; the value is the pairing screen's.
        assert_eq!(values(&said(&mut bench, 2, press("comb-1"))), [(1, 1, false)]);
        let taken = said(&mut bench, 2, json!({"type": "pair", "device": "comb-1"}));
        assert_eq!(refused(&taken), "Comb 1 is paired with another screen.");
        assert!(matches!(&taken[..], [(_, ToApp::Refused { not_paired: Some(id), .. })] if id == "comb-1"));
        // Once the first has gone it is free.
        assert!(matches!(&bench.gone(1)[..], [(To::All, ToApp::Device { device })] if !device.paired));
        said(&mut bench, 2, json!({"type": "pair", "device": "comb-1"}));
        assert_eq!(values(&said(&mut bench, 2, press("comb-1"))), [(2, 2, false)]);
    }

    #[test]
    fn what_is_measured_out_of_reach_is_kept_and_comes_with_the_return() {
        let mut bench = Bench::new(1);
        said(&mut bench, 1, json!({"type": "pair", "device": "comb-1"}));
        said(&mut bench, 1, json!({"type": "set", "device": "comb-1", "reach": "away"}));
        for _ in 0..2 {
            assert!(said(&mut bench, 1, press("comb-1")).is_empty());
        }
        let back = said(&mut bench, 1, json!({"type": "set", "device": "comb-1", "reach": "ready"}));
        assert_eq!(values(&back), [(1, 1, true), (1, 2, true)]);
        // The screen itself was gone: what was kept comes when it pairs again.
        said(&mut bench, 1, json!({"type": "set", "device": "comb-1", "reach": "away"}));
        said(&mut bench, 1, press("comb-1"));
        bench.gone(1);
        said(&mut bench, 3, json!({"type": "set", "device": "comb-1", "reach": "ready"}));
        assert_eq!(values(&said(&mut bench, 3, json!({"type": "pair", "device": "comb-1"}))), [(3, 3, true)]);
        for _ in 0..2 * KEEPS {
            said(&mut bench, 3, json!({"type": "set", "device": "comb-1", "reach": "away"}));
            said(&mut bench, 3, press("comb-1"));
        }
        let back = said(&mut bench, 3, json!({"type": "set", "device": "comb-1", "reach": "ready"}));
        assert_eq!(values(&back).len(), KEEPS);
    }

    #[test]
    fn what_cannot_be_done_is_said() {
        let mut bench = Bench::new(1);
        for (message, why) in [
            (json!({"type": "hello", "version": 2}), "Version 2 is not spoken here, 1 is."),
            (json!({"type": "pair", "device": "lamp"}), "There is no instrument lamp."),
            (json!({"type": "set", "device": "gauge-1", "unit": "in"}), "Gauge 1 can't be set to in."),
            (
                json!({"type": "set", "device": "gauge-1", "battery_pct": 140.0}),
                "A battery is from 0 to 100 % full.",
            ),
        ] {
            assert_eq!(refused(&said(&mut bench, 1, message)), why);
        }
        said(&mut bench, 1, json!({"type": "pair", "device": "gauge-1"}));
        let nowhere = said(&mut bench, 1, json!({"type": "press", "device": "gauge-1"}));
        assert_eq!(refused(&nowhere), "Gauge 1 is held to no zone.");
        said(&mut bench, 1, json!({"type": "set", "device": "gauge-1", "reach": "off"}));
        assert_eq!(refused(&said(&mut bench, 1, press("gauge-1"))), "Gauge 1 is off.");
        // A room has no zones, a button held down takes back.
        said(&mut bench, 1, json!({"type": "pair", "device": "room-1"}));
        assert_eq!(values(&said(&mut bench, 1, json!({"type": "press", "device": "room-1"}))).len(), 2);
        let back = said(&mut bench, 1, json!({"type": "press", "device": "room-1", "long": true}));
        assert_eq!(back, [(To::One(1), ToApp::Back { device: "room-1".into() })]);
    }
}
