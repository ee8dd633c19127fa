//! The client's head and figure: the scalp, its landmarks and roots, where the points lie that people relate length
//! to, and how much worn hair it takes to get there from each zone.
//!
//! [`HeadForm`] is the scalp, solved from tape measures and what the hand feels; [`Hairline`] bounds the hair on it,
//! [`Landmark`] names its places, [`roots()`] spreads guide roots over it, [`Body`] is what long hair comes to lie on.
//! [`Figure`] gives how long worn hair must be from each zone to each point of face and body, by the paths of the fall.

mod body;
mod face;
mod figure;
mod form;
mod growth;
mod hairline;
mod landmark;
mod measures;
mod outline;
mod part_line;
mod patch;
mod person;
mod place;
mod point;
mod rings;
mod roots;
mod scalp;
mod solid;
mod taut;
mod zone;

pub use body::Body;
pub(crate) use body::TRUNK_HALF_DEPTH_MM;
pub use face::skin_mm;
pub use figure::{Figure, FigurePoint, FigureZone, Reach};
pub(crate) use form::from_drawn;
pub use form::{HeadForm, SkullForm, Vec3, direction, drawn};
pub use growth::{Growth, GrowthDirection, MOST_GROWTHS};
pub use hairline::Hairline;
pub use landmark::{Landmark, mirror};
pub use measures::{Measures, RawMeasures};
pub(crate) use outline::Seam;
pub use outline::{HeadView, PatchOutline};
pub use part_line::PartLine;
pub use patch::{Halving, Patch, ZoneHalf};
pub use person::{Ink, PersonPart, PersonView};
pub(crate) use person::{Shape, face_in_space};
pub use place::Place;
pub use point::Point;
pub(crate) use rings::rings;
pub use roots::{Root, roots, zone_centre};
pub(crate) use roots::{lattice, zone_at};
pub use scalp::Scalp;
pub(crate) use solid::Solid;
pub use taut::{taut_line, taut_mm};
pub use zone::Zone;

/// The head that tests try things on: ordinary measures, nothing felt.
#[cfg(test)]
pub(crate) fn ordinary_head() -> (HeadForm, Hairline) {
    let measures = Measures::default();
    let form = HeadForm::of(&measures, SkullForm::default()).expect("an ordinary head");
    let hairline = Hairline::of(&form, &measures);
    (form, hairline)
}
