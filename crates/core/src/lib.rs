//! What the job knows: how hair stretches, springs and lands, and where on the comb to cut it.
//!
//! Pure computation: no input or output, no clock, no global state, and no chance but what a seed fixes. The same input gives
//! the same output bit for bit. Everything else in the workspace carries these answers to people.
//!
//! **Units.** Lengths are millimetres and forces millinewtons everywhere, said in each name (`_mm`, `_mn`);
//! fibre diameters are micrometres (`_um`), moduli gigapascals (`_gpa`), water grams per gram of dry hair
//! (`_g_per_g`). **Frame.** Origin midway between the ear canals, +x the client's left, +y up, +z forward.
//!
//! **The way through.** A [`reading::ZoneReading`] (stretched, sprung, fibre width) is turned by
//! [`learn::fit`] into a [`learn::Belief`] about one zone's hair; [`fibre::LengthModel`] converts between the
//! four lengths (fibre, held, hanging, worn); [`mark::find_mark`] asks what to hold and cut so that the worn
//! hair lands where it is wanted, and how much to leave in case it springs more than expected. A whole head goes
//! further: [`grow::HairRequest`] grows hair on the client's [`head`], [`cut::cut`] carries out a cut written as moves
//! over [`section`]s, [`fall::fall`] finds how it comes to lie, and [`plan`] puts the three together.
//!
//! ```
//! use spirel_core::{mark::{self, MarkRequest}, reading::RawZoneReading};
//! let request = MarkRequest::new(RawZoneReading::measured(300.0, 150.0), 120.0);
//! let mark = mark::find_mark(&request).unwrap();
//! assert!(mark.held_mm > 120.0, "springy hair is cut longer than it is worn");
//! ```

pub mod chair;
pub mod constants;
pub mod cut;
pub mod devices;
pub mod drape;
mod eased;
pub mod edit;
pub mod error;
pub mod fall;
pub mod fibre;
pub mod grow;
pub mod hair;
pub mod head;
pub mod judge;
pub mod learn;
pub mod lock;
pub mod mark;
pub mod member;
pub mod message;
pub mod method;
pub mod plan;
pub mod planner;
pub mod reading;
pub mod scene;
pub mod scope;
pub mod section;
mod shares;
pub mod stage;
pub mod stop;
pub mod summary;
pub mod talk;
pub mod tolerance;
pub mod units;

pub use error::{FieldError, FieldErrors, Problem};
pub use message::{Arg, Message};
pub use stop::{Stop, Unfinished};
