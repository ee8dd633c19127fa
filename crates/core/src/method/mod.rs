//! Ways of working as data: for whom one is, what it refuses, its steps, and the figures and choices that are free in it.
//!
//! A [`Method`] is a cut with [`FreeFigure`]s written into it by path. [`Fact`]s are what is known of a head, a talk and an aim as
//! numbers; a [`When`] asks them. [`rules()`](rules::rules) are the advice that holds across methods: each a condition, a
//! [`Practice`] that the finished cut has or has not, and its reason.

mod document;
mod fact;
mod figure;
mod fill;
mod practice;
pub mod rules;
mod shipped;
mod when;

pub use document::{Choice, Clause, Method, MethodFormat, Setting, Variant};
pub use fact::{Fact, Facts, Goes};
pub use figure::{Binding, FigureUnit, FreeFigure, Start};
pub use practice::Practice;
pub use rules::{Rule, RuleSettings};
pub use shipped::{ShippedMethod, methods};
pub use when::When;
