//! A place on a head, for people and for pins.

use crate::head::Zone;
use serde::Serialize;

/// A place on a head.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FindingPlace {
    /// The zone it belongs to.
    pub zone: Zone,
    /// From the front towards the client's left, degrees, −180 to 180.
    pub azimuth_deg: f64,
    /// Height above the ear canals, mm.
    pub height_mm: f64,
    /// The place, mm: x the client's left, y up, z forward.
    pub at: [f32; 3],
}
