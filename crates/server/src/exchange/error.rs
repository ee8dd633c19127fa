//! Why a file could not be read or written.

use crate::json::{Unreadable, lines_of};
use spirel_core::{FieldError, FieldErrors};

/// Most faults that are listed: who has mended so many sees the next.
const MOST_LISTED: usize = 100;

/// As many faults as are listed, and how many more there are.
pub fn first_of(faults: FieldErrors) -> (Vec<FieldError>, usize) {
    let mut faults = faults.0;
    let more = faults.len().saturating_sub(MOST_LISTED);
    faults.truncate(MOST_LISTED);
    (faults, more)
}

/// Why a file could not be read or written.
#[derive(Debug, thiserror::Error)]
pub enum ExchangeError {
    /// It is not JSON, or not of the shape that is asked for.
    #[error("the file can't be read")]
    Unreadable(Unreadable),
    /// Its content is impossible.
    #[error("the file has faults")]
    Faults {
        /// The first of them, each with the line it stands on, from 1.
        listed: Vec<(FieldError, usize)>,
        /// How many more there are.
        more: usize,
    },
    /// What is to be written can't be.
    #[error(transparent)]
    Fields(#[from] FieldErrors),
    /// What is stored is not what was saved.
    #[error("a stored document has an unknown shape: {0}")]
    Stored(#[from] serde_json::Error),
    /// A table could not be written.
    #[error("a table could not be written: {0}")]
    Table(#[from] csv::Error),
}

impl ExchangeError {
    /// Faults of a file whose text is at hand.
    pub(super) fn in_file(text: &str, faults: FieldErrors) -> Self {
        let (faults, more) = first_of(faults);
        let paths: Vec<&str> = faults.iter().map(|fault| fault.field.as_str()).collect();
        let lines = lines_of(text, &paths);
        Self::Faults { listed: faults.into_iter().zip(lines).collect(), more }
    }
}
