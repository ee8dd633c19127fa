//! The document of a cut.

use super::{FallLine, Gathered, Guide, Layout, Sections, Technique};
use crate::error::{FieldErrors, Problem};
use crate::fibre::HeldState;
use crate::section::Region;
use serde::{Deserialize, Serialize};

/// The version written and the only one read so far.
const VERSION: u16 = 1;
/// Most moves of a cut.
const MOVES: usize = 60;

/// Tells the document from any other.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum CutFormat {
    /// A Spirel cut.
    #[serde(rename = "spirel.cut")]
    Cut,
}

/// A cut: moves in order.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Cut {
    /// Always `spirel.cut`.
    pub format: CutFormat,
    /// Version of the format: 1.
    pub version: u16,
    /// What it is called.
    pub name: String,
    /// What it is for.
    #[serde(default)]
    pub purpose: String,
    /// What is done, in order; at most 60 moves.
    pub moves: Vec<Move>,
}

/// One move.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Move {
    /// What it is called, if it has a name of its own.
    #[serde(default, skip_serializing_if = "String::is_empty")]
    pub name: String,
    /// Switched off: stays in the document and does nothing.
    #[serde(default, skip_serializing_if = "is_false")]
    pub off: bool,
    /// The hair it acts on.
    pub region: Region,
    /// Done again on the other side of the head, as its mirror image.
    #[serde(default, skip_serializing_if = "is_false")]
    pub mirrored: bool,
    /// How moist the hair is and what combs it.
    #[serde(default)]
    pub state: HeldState,
    /// What is done.
    pub way: Way,
    /// How the blades are used.
    #[serde(default)]
    pub technique: Technique,
}

fn is_false(flag: &bool) -> bool {
    !flag
}

/// What a move does.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", deny_unknown_fields)]
pub enum Way {
    /// Hair is combed down as it hangs and cut to a line.
    Perimeter(FallLine),
    /// Hair is held away from the head, section by section, and cut along the fingers.
    Sections(Sections),
    /// Hair is twisted section by section, drawn to a point of the face and cut there.
    Gathered(Gathered),
    /// Weight is taken out and nothing is shortened as a whole.
    Weight(Layout),
}

impl Cut {
    /// Checks what can be told without a head.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if self.version != VERSION {
            faults.push("version", Problem::Unknown { given: self.version.to_string() });
        }
        faults.text("name", &self.name, 120);
        faults.text("purpose", &self.purpose, 1000);
        if self.moves.len() > MOVES {
            let why = format!("has {} moves, more than the {MOVES} that are taken", self.moves.len());
            faults.push("moves", Problem::Contradicts { why });
        }
        for (i, each) in self.moves.iter().enumerate() {
            faults.take(&format!("moves.{i}"), each.check());
        }
        faults.or(())
    }
}

impl Move {
    /// Whether its sections follow the first.
    pub fn has_guide(&self) -> bool {
        matches!(&self.way, Way::Sections(sections) if sections.guide != Guide::Free)
    }

    fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.text("name", &self.name, 120);
        faults.take("technique", self.technique.check());
        match &self.way {
            Way::Perimeter(line) => faults.take("way.perimeter", line.check()),
            Way::Sections(sections) => faults.take("way.sections", sections.check()),
            Way::Gathered(gathered) => faults.take("way.gathered", gathered.check()),
            Way::Weight(layout) => {
                if self.technique == Technique::default() {
                    let why = "a blunt cut takes no weight: choose another technique, or cut to a length";
                    faults.push("technique", Problem::Contradicts { why: why.into() });
                }
                faults.take("way.weight", layout.check())
            }
        };
        faults.or(())
    }
}
