//! The document of a cut.

use super::{FallLine, FirstLength, Gathered, Guide, Layout, Pattern, Pause, Recoil, Sections, Technique};
use crate::error::{FieldErrors, Problem};
use crate::fibre::HeldState;
use crate::section::{Region, Side};
use serde::{Deserialize, Deserializer, Serialize};

/// The version written. Earlier ones are read, too: version 1 is the same document with fewer words, versions 1 and 2 say `way`,
/// `over` and `lift_deg` for `kind`, `over_direction` and `elevation_deg`.
const VERSION: u16 = 3;
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
    /// Version of the format: 3. Versions 1 and 2 are read and written again as 3.
    #[serde(deserialize_with = "upgraded")]
    pub version: u16,
    /// What it is called.
    pub name: String,
    /// What it is for.
    #[serde(default)]
    pub purpose: String,
    /// What is done, in order; at most 60 moves.
    #[serde(deserialize_with = "crate::member::identified")]
    pub moves: Vec<Move>,
}

impl Default for Cut {
    /// Nothing is cut.
    fn default() -> Self {
        Self {
            format: CutFormat::Cut,
            version: VERSION,
            name: String::new(),
            purpose: String::new(),
            moves: Vec::new(),
        }
    }
}

/// One move.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Move {
    /// Distinguishes it from the others of its list, 1 to 2⁵³ − 1; it is given one if it has none.
    #[serde(default, skip_serializing_if = "crate::member::is_none")]
    pub id: u64,
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
    #[serde(alias = "way")]
    pub kind: MoveKind,
    /// How the blades are used.
    #[serde(default)]
    pub technique: Technique,
    /// Which sections get that technique: all of them if left out; the others are cut blunt.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub pattern: Option<Pattern>,
    /// Where the stylist stands.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub stance: Option<Stance>,
    /// Leaves weight on purpose until the move of this number, from 0: it is no fault before then.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub banked_until: Option<u32>,
}

crate::member::members!(Move);

/// Where the stylist stands, and which hand cuts.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Stance {
    /// On which side of the client.
    pub side: Side,
    /// The hand that cuts; the right one if left out.
    #[serde(default = "right")]
    pub hand: Side,
}

fn right() -> Side {
    Side::Right
}

/// The version as it is kept: earlier documents are documents of this version.
fn upgraded<'de, D: Deserializer<'de>>(deserializer: D) -> Result<u16, D::Error> {
    let version = u16::deserialize(deserializer)?;
    Ok(if matches!(version, 1 | 2) { VERSION } else { version })
}

fn is_false(flag: &bool) -> bool {
    !flag
}

/// What a move does.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", deny_unknown_fields)]
pub enum MoveKind {
    /// Hair is combed down as it hangs and cut to a line.
    Perimeter(FallLine),
    /// Hair is held away from the head, section by section, and cut along the fingers.
    Sections(Sections),
    /// Hair is twisted section by section, drawn to a point of the face and cut there.
    Gathered(Gathered),
    /// Weight is taken out and nothing is shortened as a whole.
    Weight(Layout),
    /// Hair is drawn down until most of it has sprung back, and the rest is cut.
    Recoil(Recoil),
    /// Nothing is cut.
    Pause(Pause),
}

impl Cut {
    /// Checks what needs no head.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if self.version != VERSION {
            faults.push(
                "version",
                Problem::Unknown { given: self.version.to_string(), known: vec![VERSION.to_string()] },
            );
        }
        faults.line("name", &self.name, 120);
        faults.text("purpose", &self.purpose, 1000);
        if self.moves.len() > MOVES {
            faults.push("moves", Problem::too_many(MOVES));
        }
        for (i, move_) in self.moves.iter().enumerate() {
            faults.take(&format!("moves.{i}"), move_.check(i));
        }
        faults.or(())
    }
}

impl Move {
    /// Whether its sections follow the first.
    pub fn has_guide(&self) -> bool {
        matches!(&self.kind, MoveKind::Sections(sections) if sections.guide != Guide::Free)
    }

    /// How it is taken in subsections, where it is.
    pub fn layout(&self) -> Option<&Layout> {
        match &self.kind {
            MoveKind::Sections(sections) => Some(&sections.layout),
            MoveKind::Gathered(gathered) => Some(&gathered.layout),
            MoveKind::Weight(layout) => Some(layout),
            MoveKind::Recoil(recoil) => Some(&recoil.layout),
            MoveKind::Perimeter(_) | MoveKind::Pause(_) => None,
        }
    }

    /// Whether it cuts a line as the hair hangs.
    pub fn is_line(&self) -> bool {
        matches!(self.kind, MoveKind::Perimeter(_))
    }

    /// A move of a region, dry, without a comb, blunt.
    pub fn new(region: Region, kind: MoveKind) -> Self {
        Self {
            id: 0,
            name: String::new(),
            off: false,
            region,
            mirrored: false,
            state: HeldState::default(),
            kind,
            technique: Technique::default(),
            pattern: None,
            stance: None,
            banked_until: None,
        }
    }

    /// The same on the other side of the head.
    #[must_use]
    pub(super) fn other_side(&self) -> Self {
        let kind = match &self.kind {
            MoveKind::Perimeter(line) => MoveKind::Perimeter(*line),
            MoveKind::Sections(sections) => MoveKind::Sections(sections.mirrored()),
            MoveKind::Gathered(gathered) => MoveKind::Gathered(gathered.mirrored()),
            MoveKind::Weight(layout) => MoveKind::Weight(layout.mirrored()),
            MoveKind::Recoil(recoil) => {
                MoveKind::Recoil(Recoil { layout: recoil.layout.mirrored(), ..*recoil })
            }
            MoveKind::Pause(pause) => MoveKind::Pause(pause.clone()),
        };
        let pattern = self.pattern.as_ref().map(Pattern::mirrored);
        Self { region: self.region.mirrored(), kind, pattern, ..self.clone() }
    }

    fn check(&self, number: usize) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.line("name", &self.name, 120);
        faults.take("region", self.region.check());
        faults.take("technique", self.technique.check());
        if let Some(pattern) = &self.pattern {
            faults.take("pattern", pattern.check());
        }
        if self.banked_until.is_some_and(|later| later as usize <= number) {
            faults.push("banked_until", Problem::contradicts("fault-banked-earlier"));
        }
        if let MoveKind::Sections(Sections { length: FirstLength::LikeMove(earlier), .. }) = &self.kind
            && *earlier as usize >= number
        {
            faults.push("kind.sections.length.like_move", Problem::contradicts("fault-guide-later"));
        }
        match &self.kind {
            MoveKind::Recoil(recoil) => faults.take("kind.recoil", recoil.check()),
            MoveKind::Pause(pause) => faults.take("kind.pause", pause.check()),
            MoveKind::Perimeter(line) => faults.take("kind.perimeter", line.check()),
            MoveKind::Sections(sections) => faults.take("kind.sections", sections.check()),
            MoveKind::Gathered(gathered) => faults.take("kind.gathered", gathered.check()),
            MoveKind::Weight(layout) => {
                if self.technique == Technique::default() {
                    faults.push("technique", Problem::contradicts("fault-blunt-weight"));
                }
                if layout.piece_mm.is_some() {
                    faults.push("kind.weight.piece_mm", Problem::contradicts("fault-pieces"));
                }
                faults.take("kind.weight", layout.check())
            }
        };
        faults.or(())
    }
}
