//! The methods that ship with the product, as data.

use super::document::Method;
use serde::Serialize;
use std::sync::LazyLock;

/// A method with the key it is asked for by.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ShippedMethod {
    /// The key.
    pub key: &'static str,
    /// The method.
    pub method: Method,
}

macro_rules! shipped {
    ($($key:literal),* $(,)?) => {
        [$(($key, include_str!(concat!("shipped/", $key, ".json")))),*]
    };
}

const FILES: [(&str, &str); 17] = shipped![
    "level_line",
    "pointed_line",
    "solid_texture",
    "wet_line_dry_layers",
    "worn_state_curl",
    "face_twists",
    "round_layers",
    "all_to_centre",
    "concave_round",
    "square_base",
    "curly_bob",
    "stacked_nape",
    "detached_crown",
    "blunt_base",
    "propped_inside",
    "dry_refresh",
    "fringe_and_frame",
];

static SHIPPED: LazyLock<Vec<ShippedMethod>> = LazyLock::new(|| {
    let read = |(key, text): (&'static str, &str)| ShippedMethod {
        key,
        method: serde_json::from_str(text).expect("the methods that ship are valid"),
    };
    FILES.into_iter().map(read).collect()
});

/// Every method that ships.
pub fn methods() -> &'static [ShippedMethod] {
    &SHIPPED
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn every_method_that_ships_can_be_written_down() {
        for shipped in methods() {
            let method = &shipped.method;
            assert!(method.check().is_ok(), "{}: {:?}", shipped.key, method.check());
            assert!(!method.suits.is_empty() && !method.refuses.is_empty(), "{}", shipped.key);
        }
    }
}
