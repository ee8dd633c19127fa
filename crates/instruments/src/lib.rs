//! Stand-ins for the measuring instruments at the chair, so that the product can be tried and tested without them.
//!
//! What any instrument speaks is [`spirel_core::devices`]; [`mod@bench`] plays a comb, a gauge, a scope, a moisture meter and the weather of
//! the room on a made-up client, with noise, drift, batteries and drop-outs; [`server`] serves it over WebSocket.
//! A real instrument takes their place by speaking the protocol.

pub mod bench;
mod instrument;
mod made_up;
pub mod server;
