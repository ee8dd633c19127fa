//! Heads of one kind of hair.

use spirel_core::grow::HairRequest;
use spirel_core::hair::Hair;
use spirel_core::head::Zone;
use spirel_core::reading::{RawReading, RawZoneReading, WidthClass};

/// A reading whose strands are this long all over, pulled straight and let go, mm, with so many hairs on a square centimetre.
pub fn reading(stretched: f64, sprung: f64, width: WidthClass, density: f64) -> RawReading {
    let zone = RawZoneReading {
        width_class: Some(width),
        strands: 5,
        ..RawZoneReading::measured(stretched, sprung)
    };
    let zones = Zone::ALL.into_iter().map(|z| (z.into(), zone)).collect();
    RawReading { zones, hairs_per_cm2: density, ..RawReading::default() }
}

/// A head of such hair.
pub fn head(stretched: f64, sprung: f64, width: WidthClass, density: f64) -> Hair {
    HairRequest::new(reading(stretched, sprung, width, density)).grow().expect("possible")
}
