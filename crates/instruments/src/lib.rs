//! Stand-ins for the measuring instruments at the chair: they behave as the real ones would, with their noise and their
//! faults, so that everything that uses them can be tried and tested without any.

pub mod scope;
