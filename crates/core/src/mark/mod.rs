//! Where on the comb to cut, so that the worn hair lands where it is wanted.
//!
//! A zone's reading gives a [`Belief`](crate::learn::Belief) about its hair. The wished worn length asks for a fibre;
//! the state it is cut in (moisture, comb) gives the held length at which that fibre ends. How far the landing may stray,
//! when cut there in that state, decides the extra that is left. Cutting dry and uncombed needs little of it, because
//! what is held is what is worn; combed wet, everything rests on how well the spring is known.

mod aim;
pub(crate) mod landing;
mod reasons;
mod request;
mod sheet;
mod strand;
mod zone_mark;

pub use aim::{Aim, WidthAim, ZoneAim};
pub use landing::LandingRange;
pub use request::{MarkAnswer, MarkRequest, TARGET_MM, find_mark};
pub use sheet::{MarkSheet, PresentHair, SheetZone, StateMark, ZoneMark, mark_sheet};
pub use strand::{StrandLines, StrandRequest};
pub(crate) use zone_mark::strays_mm;
pub use zone_mark::{Mark, MarkLengths, MarkTask, Outcome};
