//! A cut as data: moves in order, each a region with the way it is held, guided, cut and worked on; and what they do.
//!
//! [`Cut`] is the document. Every [`Move`] acts on a [`Region`](crate::section::Region) in the way its
//! [`MoveKind`] gives: a perimeter cut to a [`FallLine`] as the hair hangs, [`Sections`] held away from the head and cut along the fingers,
//! twists [`Gathered`] to a point of the face, or weight taken without shortening. [`cut`] carries the moves out on a head
//! of hair: a strand is cut where the taut path from its root to the hand ([`taut_mm`](crate::head::taut_mm)) ends, in the
//! state it is held in; hair that doesn't reach isn't cut, and nothing ever gets longer. What a [`Technique`] leaves is a map over the eight shares of a root's hair.

mod apply;
mod carried;
mod document;
mod fall_line;
mod first_length;
mod gathered;
mod guide;
mod hand_line;
mod held;
mod hold;
mod layout;
mod lever;
mod minutes;
mod pattern;
mod pause;
mod ranges;
mod recoil;
mod report;
mod sections;
mod shipped;
mod step;
mod subsection;
mod technique;

pub use apply::{CutResult, cut, cut_until};
pub use document::{Cut, CutFormat, Move, MoveKind, Stance};
pub use fall_line::FallLine;
pub use gathered::Gathered;
pub use hold::{Direction, FingerShape, Fingers, Guide, HeadTilt, Hold, OverDirection};
pub use layout::Layout;
pub use lever::{Chosen, Lever, LeverRule, levers};
pub use minutes::minutes;
pub use pattern::Pattern;
pub use pause::{Branch, DryingMethod, Pause, ProductGives};
pub use recoil::Recoil;
pub use report::{MoveNote, MoveReport, SectionShape};
pub use sections::{Drops, FirstLength, Sections};
pub use shipped::{ShippedCut, shipped};
pub use step::{Step, steps};
pub use technique::{Technique, TechniqueKind};
