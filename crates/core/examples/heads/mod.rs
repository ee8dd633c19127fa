//! Heads of one kind of hair.

use spirel_core::grow::HairRequest;
use spirel_core::hair::Hair;
use spirel_core::head::Zone;
use spirel_core::reading::{RawReading, RawZoneReading, WidthClass};

/// A head whose strands are this long, pulled straight and let go, mm, with so many hairs on a square centimetre.
pub fn head(stretched: f64, sprung: f64, width: WidthClass, density: f64) -> Hair {
    let zone = RawZoneReading {
        width_class: Some(width),
        strands: 5,
        ..RawZoneReading::measured(stretched, sprung)
    };
    let zones = Zone::ALL.into_iter().map(|z| (z.into(), zone)).collect();
    let reading = RawReading { zones, hairs_per_cm2: density, ..RawReading::default() };
    HairRequest::new(reading).grow().expect("possible")
}
