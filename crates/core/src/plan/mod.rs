//! A plan for a visit: the cut, how it falls on the head that was read, and what would make it better.
//!
//! [`Plan`] is the document that is kept, [`FallRequest`] what is asked of it; `answer` carries it out, and `judge` says
//! what a demanding eye would object to and what would cure it.

mod answer;
mod brings;
mod document;
mod judged;
mod locks;
mod marks;
mod parted;
mod step_picture;
mod what_if;

pub use answer::FallAnswer;
pub use brings::StepBrings;
pub use document::{FallRequest, Plan};
pub use judged::JudgeAnswer;
pub use locks::{HairState, LocksRequest};
pub use marks::{StepMark, StepMarks};
pub use parted::{MovedEnd, PartedRequest, PartedSection, PartingEnd};
pub use step_picture::{SectionPicture, StepPicture};
pub use what_if::{WhatIf, WhatIfRequest};
