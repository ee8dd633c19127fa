//! The stages of a visit that keep a document: the one list of them.
//!
//! Another stage is a line in [`for_each_stage!`](crate::for_each_stage): its name in addresses, files and rows, and the type
//! of what it keeps. Saving, export and import, defaults, and the schemas the browser is built against follow from that.

use crate::error::FieldErrors;
use serde::de::DeserializeOwned;
use serde::{Deserialize, Serialize};

/// Hands the list of stages to a macro: `/// meaning`, `name: Variant(type of its document),` for each, in the order of a visit.
#[macro_export]
macro_rules! for_each_stage {
    ($then:ident) => {
        $then! {
            /// What was said.
            talk: Talk($crate::talk::Talk),
            /// What was measured.
            read: Read($crate::reading::RawReading),
            /// What is wished.
            aim: Aim($crate::mark::Aim),
            /// What is cut.
            plan: Plan($crate::plan::Plan),
            /// What is done at the chair.
            cut: Cut($crate::chair::CutRecord),
        }
    };
}

/// What a stage keeps. Its default is what stands before the stage is begun.
pub trait StageDocument: Default + Serialize + DeserializeOwned {
    /// Checks all that can be checked in the document by itself.
    fn check(&self) -> Result<(), FieldErrors>;
}

/// Something done with the document of a stage that is known only at run time.
pub trait ForStage {
    /// What comes of it.
    type Output;
    /// Does it for a stage that keeps a `D`.
    fn of<D: StageDocument>(self) -> Self::Output;
}

macro_rules! define {
    ($($(#[$doc:meta])* $name:ident: $stage:ident($document:ty),)+) => {
        /// A stage that keeps a document.
        #[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        #[serde(rename_all = "snake_case")]
        pub enum Stage { $($(#[$doc])* $stage,)+ }

        impl Stage {
            /// Every stage, in the order of a visit.
            pub const ALL: &[Self] = &[$(Self::$stage,)+];

            /// Its name in rows, files and addresses.
            pub fn key(self) -> &'static str {
                match self { $(Self::$stage => stringify!($name),)+ }
            }

            /// Does something with the type of its document.
            pub fn with<F: ForStage>(self, what: F) -> F::Output {
                match self { $(Self::$stage => what.of::<$document>(),)+ }
            }
        }

        $(impl StageDocument for $document {
            fn check(&self) -> Result<(), FieldErrors> {
                <$document>::check(self)
            }
        })+

        /// A document of every stage.
        #[derive(Debug, Clone, PartialEq, Default, Serialize, Deserialize)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        pub struct StageDocuments { $($(#[$doc])* pub $name: $document,)+ }
    };
}

for_each_stage!(define);

impl Stage {
    /// The stage of that name.
    pub fn of_key(key: &str) -> Option<Self> {
        Self::ALL.iter().copied().find(|stage| stage.key() == key)
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    struct Empty;

    impl ForStage for Empty {
        type Output = (bool, serde_json::Value);

        fn of<D: StageDocument>(self) -> Self::Output {
            let empty = D::default();
            (empty.check().is_ok(), serde_json::to_value(empty).expect("plain data"))
        }
    }

    #[test]
    fn a_stage_that_is_not_begun_is_possible_and_has_one_name_everywhere() {
        let all = serde_json::to_value(StageDocuments::default()).expect("plain data");
        for stage in Stage::ALL {
            let (possible, empty) = stage.with(Empty);
            assert!(possible && all[stage.key()] == empty, "{stage:?}");
            assert_eq!(Stage::of_key(stage.key()), Some(*stage));
            assert_eq!(serde_json::to_value(stage).expect("a word"), stage.key());
        }
        assert_eq!(Stage::of_key("mark"), None);
    }
}
