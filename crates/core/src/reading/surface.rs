//! The surface of the hair: how it feels, and how fast it takes up water.

use crate::error::FieldErrors;
use serde::{Deserialize, Serialize};

/// Times that are accepted, s.
const SOAKS_S: (f64, f64) = (0.2, 600.0);
/// A drop that is gone sooner than this has gone into the hair, s; one that still stands after the other has not.
const FAST_S: f64 = 5.0;
const SLOW_S: f64 = 60.0;

/// How hair feels along its length.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Feel {
    /// Not said yet.
    #[default]
    NotSaid,
    /// Smooth.
    Smooth,
    /// Dry.
    Dry,
    /// Rough and brittle.
    Brittle,
}

/// The surface of the hair.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct HairSurface {
    /// How it feels.
    #[serde(default)]
    pub feel: Feel,
    /// How long a drop of water stands on a clean, dry, combed strand before it has soaked in, s, 0.2 to 600.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub soaks_s: Option<f64>,
}

/// What follows from that time.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Soaks {
    /// At once: the cuticle stands open. Such hair takes up more water and gives more when wet.
    Fast,
    /// In its time.
    Usual,
    /// Hardly: water has to be worked in before hair is as wet as a mark for wet hair supposes.
    Slow,
}

impl HairSurface {
    /// What follows from the drop.
    pub fn soaks(&self) -> Option<Soaks> {
        self.soaks_s.map(|seconds| match seconds {
            s if s < FAST_S => Soaks::Fast,
            s if s > SLOW_S => Soaks::Slow,
            _ => Soaks::Usual,
        })
    }

    pub(super) fn is_empty(&self) -> bool {
        *self == Self::default()
    }

    pub(super) fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        if let Some(seconds) = self.soaks_s {
            faults.range("soaks_s", seconds, SOAKS_S, "s");
        }
        faults.or(())
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_drop_that_is_gone_at_once_one_that_stands_and_one_that_cannot_be() {
        let surface = |seconds| HairSurface { soaks_s: Some(seconds), ..HairSurface::default() };
        assert_eq!(
            [2.0, 20.0, 120.0].map(|seconds| surface(seconds).soaks()),
            [Some(Soaks::Fast), Some(Soaks::Usual), Some(Soaks::Slow)]
        );
        assert_eq!(HairSurface::default().soaks(), None);
        assert_eq!(surface(9000.0).check().expect_err("nobody waits so long").0[0].field, "soaks_s");
    }
}
