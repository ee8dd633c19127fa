//! Giving work up that nobody waits for any more.
//!
//! Whoever asks for long work hands in a [`Stop`]. The work asks it between its phases ([`Stop::go_on`]), always at the same
//! places, so that what isn't stopped comes out the same bit for bit.

use crate::error::FieldErrors;
use std::sync::Arc;
use std::sync::atomic::{AtomicBool, Ordering};

/// Says to work that it may end. Its clones are the same one.
#[derive(Debug, Clone, Default)]
pub struct Stop(Arc<Flags>);

#[derive(Debug, Default)]
struct Flags {
    stopped: AtomicBool,
    #[cfg(test)]
    asks_left: std::sync::Mutex<Option<usize>>,
}

/// The work was given up.
#[derive(Debug, Clone, Copy, PartialEq, Eq, thiserror::Error)]
#[error("nobody waits for it")]
pub struct Stopped;

/// Why work has no result.
#[derive(Debug, Clone, PartialEq, thiserror::Error)]
pub enum Unfinished {
    /// What was asked can't be.
    #[error(transparent)]
    Faults(#[from] FieldErrors),
    /// It was given up.
    #[error(transparent)]
    Stopped(#[from] Stopped),
}

impl Stop {
    /// Work that is never given up.
    pub fn never() -> Self {
        Self::default()
    }

    /// Says that nobody waits any more.
    pub fn stop(&self) {
        self.0.stopped.store(true, Ordering::Relaxed);
    }

    /// Whether to go on with the next phase.
    pub fn go_on(&self) -> Result<(), Stopped> {
        #[cfg(test)]
        self.count_down();
        if self.0.stopped.load(Ordering::Relaxed) { Err(Stopped) } else { Ok(()) }
    }
}

impl Unfinished {
    /// The faults of work that was never to be stopped.
    pub fn faults(self) -> FieldErrors {
        match self {
            Self::Faults(faults) => faults,
            Self::Stopped(_) => FieldErrors::default(),
        }
    }

    /// The same seen from the document that holds what was asked under `parent`.
    #[must_use]
    pub fn under(self, parent: &str) -> Self {
        match self {
            Self::Faults(faults) => {
                Self::Faults(FieldErrors(faults.0.into_iter().map(|fault| fault.under(parent)).collect()))
            }
            stopped @ Self::Stopped(_) => stopped,
        }
    }
}

#[cfg(test)]
impl Stop {
    /// Stops when it is asked for the next time after so many.
    pub(crate) fn after(asks: usize) -> Self {
        let stop = Self::default();
        *stop.0.asks_left.lock().expect("no asker panics") = Some(asks);
        stop
    }

    fn count_down(&self) {
        if let Some(left) = self.0.asks_left.lock().expect("no asker panics").as_mut() {
            match left.checked_sub(1) {
                Some(fewer) => *left = fewer,
                None => self.stop(),
            }
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_clone_stops_with_it() {
        let stop = Stop::never();
        let clone = stop.clone();
        assert_eq!(clone.go_on(), Ok(()));
        stop.stop();
        assert_eq!(clone.go_on(), Err(Stopped));
        assert_eq!(Stop::never().go_on(), Ok(()));
    }
}
