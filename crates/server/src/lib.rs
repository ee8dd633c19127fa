//! tour
