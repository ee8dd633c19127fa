//! A plan for a visit: the cut, how it falls on the head that was read, and what would make it better.
//!
//! [`Plan`] is the document that is kept, [`FallRequest`] what is asked of it; `answer` carries it out, and [`Cure`] is the
//! search for the least change that takes a finding away.

mod aimed;
mod answer;
mod cure;
mod document;
mod locks;
mod parted;
mod step_picture;

pub use answer::FallAnswer;
pub use cure::{Cure, Lever};
pub use document::{FallRequest, Plan};
pub use locks::{HairState, LocksRequest};
pub use parted::{MovedEnd, PartedRequest, PartedSection, PartingEnd};
pub use step_picture::{SectionPicture, StepPicture};
