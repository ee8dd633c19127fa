//! A stored name that this version doesn't know.

/// A stored name that this version doesn't know.
#[derive(Debug, thiserror::Error)]
#[error("unknown stored name: {0}")]
pub struct UnknownKey(pub String);
