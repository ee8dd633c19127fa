//! The reusable cuts that ship with the product, as data.

use super::Cut;
use serde::Serialize;
use std::sync::LazyLock;

/// A cut with the key it is asked for by.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ShippedCut {
    /// The key.
    pub key: &'static str,
    /// The cut.
    pub cut: Cut,
}

macro_rules! shipped {
    ($($key:literal),* $(,)?) => {
        [$(($key, include_str!(concat!("shipped/", $key, ".json")))),*]
    };
}

const FILES: [(&str, &str); 14] = shipped![
    "harbour_line",
    "quay_school",
    "lantern_fringe",
    "tidelines",
    "box_loft",
    "long_ebb",
    "flat_stone",
    "strong_line",
    "breakwater",
    "plumb_line",
    "dry_terraces",
    "top_wind",
    "halo",
    "inside_sampler",
];

static SHIPPED: LazyLock<Vec<ShippedCut>> = LazyLock::new(|| {
    let read = |(key, text): (&'static str, &str)| ShippedCut {
        key,
        cut: serde_json::from_str(text).expect("the cuts that ship are valid"),
    };
    FILES.into_iter().map(read).collect()
});

/// Every cut that ships.
pub fn shipped() -> &'static [ShippedCut] {
    &SHIPPED
}
