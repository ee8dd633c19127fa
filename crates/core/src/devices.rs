//! What measuring instruments and the application say to each other, an open protocol: JSON messages over WebSocket, version 1.
//!
//! The application says [`FromApp::Hello`] with the version it speaks, and receives the list of instruments. It pairs
//! those it wants to hear; a value then comes to it alone. Messages that only a stand-in understands (`press`, `set`)
//! play the hand and the troubles that a real instrument has by itself.

use crate::head::Zone;
use crate::reading::Measured;
use serde::{Deserialize, Serialize};

/// The version described here.
pub const VERSION: u16 = 1;

/// What an instrument measures with.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum DeviceKind {
    /// Length of a strand, and how hard it is pulled.
    Comb,
    /// Width of a fibre.
    Gauge,
    /// A picture of a square of scalp.
    Scope,
    /// Water of the hair.
    Meter,
    /// Temperature and humidity of the air.
    Room,
}

/// Whether an instrument can be heard.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Presence {
    /// It can.
    Ready,
    /// It is out of reach; it keeps what it measures until it is back.
    Away,
    /// Its battery is empty, or it was switched off.
    Off,
}

/// An instrument.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Device {
    /// Tells it from every other.
    pub id: String,
    /// What it measures with.
    pub kind: DeviceKind,
    /// What is written on it.
    pub label: String,
    /// The unit it is set to.
    pub unit: String,
    /// Whether it can be heard.
    pub reach: Presence,
    /// How full its battery is, %, 0 to 100.
    pub battery_pct: f64,
    /// Whether some application has paired it.
    pub paired: bool,
}

/// What instruments tell the application.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "type", rename_all = "snake_case")]
pub enum ToApp {
    /// The answer to hello.
    Hello {
        /// Version spoken: 1.
        version: u16,
        /// Whether they are stand-ins, which understand `press` and `set`.
        stand_in: bool,
        /// All that there are.
        devices: Vec<Device>,
    },
    /// Something about one has changed.
    Device {
        /// As it is now.
        device: Device,
    },
    /// A paired instrument has measured.
    Value {
        /// Which.
        device: String,
        /// Counts the values of this instrument, from 1.
        number: u32,
        /// Whether it was measured while out of reach, and kept until now.
        kept: bool,
        /// What it measured.
        measured: Measured,
    },
    /// A paired scope has taken a picture.
    Picture {
        /// Which.
        device: String,
        /// Counts the pictures of this instrument, from 1.
        number: u32,
        /// Whether it was taken while out of reach, and kept until now.
        kept: bool,
        /// Length of a side on the scalp, mm.
        side_mm: f64,
        /// The picture, square, as PNG in base64.
        png: String,
    },
    /// The button of a paired instrument was held down: the last value was wrong.
    Back {
        /// Which.
        device: String,
    },
    /// A message was not understood, or could not be done.
    Refused {
        /// Why, in one sentence.
        said: String,
        /// The instrument that was to be paired and gives its values elsewhere.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        not_paired: Option<String>,
    },
}

/// What the application sends to instruments.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "type", rename_all = "snake_case", deny_unknown_fields)]
pub enum FromApp {
    /// The first message.
    Hello {
        /// Version spoken: 1.
        version: u16,
    },
    /// Its values come to this application from now on.
    Pair {
        /// Which.
        device: String,
    },
    /// They no longer do.
    Unpair {
        /// Which.
        device: String,
    },
    /// It is closed, or held against its mark: what it reads now is its zero.
    Zero {
        /// Which.
        device: String,
    },
    /// To a stand-in: the hand holds it to this zone and presses its button.
    Press {
        /// Which.
        device: String,
        /// Where the hand is; a room has no zones.
        #[serde(default)]
        zone: Option<Zone>,
        /// Whether the strand is pulled straight or let go.
        #[serde(default)]
        pulled: bool,
        /// Whether the button is held down instead: the last value was wrong.
        #[serde(default)]
        long: bool,
    },
    /// To a stand-in: something happens to it.
    Set {
        /// Which.
        device: String,
        /// It goes out of reach, comes back, or is switched off.
        #[serde(default)]
        reach: Option<Presence>,
        /// It is set to another unit.
        #[serde(default)]
        unit: Option<String>,
        /// Its battery is so full.
        #[serde(default)]
        battery_pct: Option<f64>,
    },
}
