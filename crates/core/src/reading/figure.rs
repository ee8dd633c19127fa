//! The figures of a zone: the one list of what can be measured there.
//!
//! Another figure is a line in [`for_each_figure!`](crate::for_each_figure): its field and type, and a [`Rule`]. The document,
//! its checks, tables, history, instruments and the browser's form follow from that.

use super::curl::CurlWord;
use super::tone::{HairColour, HairTone};
use super::width_class::WidthClass;
use crate::fibre::Moisture;
use crate::head::Patch;
use serde::{Deserialize, Serialize};

/// Hands the list of figures to a macro: `/// meaning`, `field: Variant(type) = rule;` for each, in the order in which they are
/// shown. What stands under `given` is never left out of a document: its default is taken for granted.
#[macro_export]
macro_rules! for_each_figure {
    ($then:ident) => {
        $then! {
            optional {
                /// Its hair is of the same kind as the hair there, and is read with it: only how long it is, how far its
                /// layers go and how dense it grows can be of its own.
                like: Like($crate::head::Patch) = Rule::place().headed(&[&["like"], &["same as"]]);
                /// A strand pulled straight, mm, 10 to 2,500. The longest hair of adults stays under 2.5 m with few exceptions.
                stretched_mm: StretchedMm(f64) = Rule::length(10.0, 2500.0)
                    .by(Quantity::Length, 1.0, UsualSd::OfTape)
                    .headed(&[&["stretch"], &["pulled"]]);
                /// The shortest strand there, pulled straight, mm, 10 to 2,500: how far the layers go.
                shortest_mm: ShortestMm(f64) = Rule::length(10.0, 2500.0)
                    .not_over(ZoneFigure::StretchedMm)
                    .headed(&[&["shortest"], &["shortest", "stretch"]]);
                /// The same strand let go, mm, 2 to 2,500, in the state of `moisture`.
                sprung_mm: SprungMm(f64) = Rule::length(2.0, 2500.0)
                    .not_over(ZoneFigure::StretchedMm)
                    .telling_curl()
                    .by(Quantity::Length, 1.0, UsualSd::OfTape)
                    .headed(&[&["sprung"], &["spring"], &["let go"]]);
                /// The same strand let go when wet, mm, if it was measured too.
                wet_sprung_mm: WetSprungMm(f64) = Rule::length(2.0, 2500.0)
                    .not_over(ZoneFigure::StretchedMm)
                    .telling_curl()
                    .by(Quantity::Length, 1.0, UsualSd::OfTape)
                    .headed(&[&["wet", "spr"], &["wet", "let go"]]);
                /// Width of a loop at the free end of a strand let go, mm, 0.5 to 400.
                loop_mm: LoopMm(f64) = Rule::length(0.5, 400.0)
                    .telling_curl()
                    .headed(&[&["loop"], &["loop", "width"]]);
                /// Turns counted along a strand let go, 0.25 to 300.
                turns: Turns(f64) = Rule::number(0.25, 300.0, "").telling_curl().headed(&[&["turns"]]);
                /// The word whose picture comes nearest. A measured loop outranks it.
                curl: Curl($crate::reading::CurlWord) = Rule::word().telling_curl().headed(&[&["curl"]]);
                /// Fibre width measured, µm, 20 to 180. Outranks the class.
                width_um: WidthUm(f64) = Rule::number(20.0, 180.0, "µm")
                    .telling_kind()
                    .by(Quantity::Width, 0.1, UsualSd::Of(3.0))
                    .headed(&[&["width"], &["diameter"]]);
                /// Fibre width by feel.
                width_class: WidthClass($crate::reading::WidthClass) =
                    Rule::word().telling_kind().headed(&[&["width", "class"], &["feel"], &["width", "feel"]]);
                /// Hairs on a square centimetre, counted, 20 to 500.
                hairs_per_cm2: HairsPerCm2(f64) = Rule::number(20.0, 500.0, "1/cm²")
                    .by(Quantity::Density, 1.0, UsualSd::Share(0.07))
                    .headed(&[&["hairs"], &["density"]]);
                /// Its tone, for drawing only. A zone without one has that of the nearest with one.
                tone: Tone($crate::reading::HairTone) = Rule::word().headed(&[&["tone"], &["hair colour"], &["hair color"]]);
                /// A colour of its own instead, as the client sees it, for drawing only.
                colour: Colour($crate::reading::HairColour) = Rule::colour().headed(&[&["colour"], &["color"]]);
            }
            given {
                /// How moist the hair was when `sprung_mm` was measured.
                #[serde(default)]
                moisture: Moisture($crate::fibre::Moisture) = Rule::word().headed(&[&["moisture"]]);
                /// How many strands were measured and averaged, 1 to 50.
                #[serde(default = "one_strand")]
                strands: Strands(u32) = Rule::number(1.0, 50.0, "").headed(&[&["strands"]]);
            }
        }
    };
}

/// What can be measured by an instrument.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Quantity {
    /// How long a strand is: mm, cm, m or in.
    Length,
    /// How wide a fibre is: µm or mm.
    Width,
    /// Hairs on an area: 1/cm².
    Density,
    /// Water of the hair: g/g or %.
    Moisture,
    /// Of the air: °C or °F.
    Temperature,
    /// Of the air: %.
    Humidity,
}

/// What a figure is said in.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum FigureKind {
    /// Millimetres, shown in the person's unit.
    Length,
    /// A number in a unit of its own.
    Number,
    /// One of a few words.
    Word,
    /// A zone, or half of one.
    Place,
    /// A colour.
    Colour,
}

/// One standard error where an instrument states none.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(crate) enum UsualSd {
    /// That of a tape.
    OfTape,
    /// In the unit of the figure.
    Of(f64),
    /// A share of the value.
    Share(f64),
}

/// The instrument that measures a figure: what it sends, to what step that is kept, and how far it is usually off.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(crate) struct Instrument {
    pub quantity: Quantity,
    pub step: f64,
    pub usual_sd: UsualSd,
}

/// What holds for a figure.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Rule {
    /// What it is said in.
    pub kind: FigureKind,
    /// Least and greatest that is accepted, of numbers.
    pub range: (f64, f64),
    /// Unit of a number, as it is written.
    pub unit: &'static str,
    /// A length that it can't be longer than.
    pub not_over: Option<ZoneFigure>,
    /// Whether it describes the kind of hair that grows there: then it isn't given where the hair is like another's.
    pub tells_kind: bool,
    /// Whether it measures how much the hair curls.
    pub tells_curl: bool,
    /// What measures it, if anything does.
    pub(crate) instrument: Option<Instrument>,
    /// Words by which people's tables name it: of one of these groups all must be in the heading.
    pub headings: &'static [&'static [&'static str]],
}

impl Rule {
    /// What an instrument measures of it, if one does.
    pub fn quantity(&self) -> Option<Quantity> {
        self.instrument.map(|by| by.quantity)
    }

    const fn of(kind: FigureKind, range: (f64, f64), unit: &'static str) -> Self {
        let (not_over, instrument) = (None, None);
        Self { kind, range, unit, not_over, tells_kind: false, tells_curl: false, instrument, headings: &[] }
    }

    const fn length(least_mm: f64, greatest_mm: f64) -> Self {
        Self::of(FigureKind::Length, (least_mm, greatest_mm), "mm")
    }

    const fn number(least: f64, greatest: f64, unit: &'static str) -> Self {
        Self::of(FigureKind::Number, (least, greatest), unit)
    }

    const fn word() -> Self {
        Self::of(FigureKind::Word, (0.0, 0.0), "")
    }

    const fn place() -> Self {
        Self::of(FigureKind::Place, (0.0, 0.0), "")
    }

    const fn colour() -> Self {
        Self::of(FigureKind::Colour, (0.0, 0.0), "")
    }

    const fn not_over(self, length: ZoneFigure) -> Self {
        Self { not_over: Some(length), ..self }
    }

    const fn telling_kind(self) -> Self {
        Self { tells_kind: true, ..self }
    }

    const fn telling_curl(self) -> Self {
        Self { tells_kind: true, tells_curl: true, ..self }
    }

    const fn by(self, quantity: Quantity, step: f64, usual_sd: UsualSd) -> Self {
        Self { instrument: Some(Instrument { quantity, step, usual_sd }), ..self }
    }

    const fn headed(self, headings: &'static [&'static [&'static str]]) -> Self {
        Self { headings, ..self }
    }
}

/// A value that a figure can have.
pub(super) trait FigureValue: Sized {
    /// It as a number, if it is one.
    fn number(&self) -> Option<f64> {
        None
    }

    /// The value that is that number.
    fn of_number(_number: f64) -> Option<Self> {
        None
    }

    /// Every value, where they are a few words.
    fn words() -> Vec<Self> {
        Vec::new()
    }
}

impl FigureValue for f64 {
    fn number(&self) -> Option<f64> {
        Some(*self)
    }

    fn of_number(number: f64) -> Option<Self> {
        Some(number)
    }
}

impl FigureValue for u32 {
    fn number(&self) -> Option<f64> {
        Some(f64::from(*self))
    }
}

impl FigureValue for Patch {}

impl FigureValue for HairColour {}

macro_rules! words {
    ($($word:ty),+) => {
        $(impl FigureValue for $word {
            fn words() -> Vec<Self> {
                <$word>::ALL.to_vec()
            }
        })+
    };
}

words!(CurlWord, WidthClass, HairTone, Moisture);

macro_rules! define {
    (
        optional { $($(#[$_doc:meta])* $field:ident: $figure:ident($value:ty) = $rule:expr;)+ }
        given { $($(#[$_g_doc:meta])* $g_field:ident: $g_figure:ident($g_value:ty) = $g_rule:expr;)+ }
    ) => {
        /// A figure of a zone.
        #[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        #[serde(rename_all = "snake_case")]
        #[expect(missing_docs, reason = "what each means stands at its field of a zone's reading")]
        pub enum ZoneFigure { $($figure,)+ $($g_figure,)+ }

        impl ZoneFigure {
            /// Every figure, in the order in which they are shown.
            pub const ALL: &[Self] = &[$(Self::$figure,)+ $(Self::$g_figure,)+];

            /// Its field in documents.
            pub fn key(self) -> &'static str {
                match self {
                    $(Self::$figure => stringify!($field),)+
                    $(Self::$g_figure => stringify!($g_field),)+
                }
            }

            /// What holds for it.
            pub fn rule(self) -> &'static Rule {
                const RULES: &[Rule] = &[$($rule,)+ $($g_rule,)+];
                &RULES[self as usize]
            }

            /// The words it can be, of figures that are words.
            pub fn words(self) -> Vec<serde_json::Value> {
                fn written<T: FigureValue + Serialize>() -> Vec<serde_json::Value> {
                    T::words().into_iter().filter_map(|word| serde_json::to_value(word).ok()).collect()
                }
                match self {
                    $(Self::$figure => written::<$value>(),)+
                    $(Self::$g_figure => written::<$g_value>(),)+
                }
            }
        }
    };
}

for_each_figure!(define);

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn every_figure_has_a_rule_that_fits_its_kind_and_a_heading_of_its_own() {
        for figure in ZoneFigure::ALL {
            let rule = figure.rule();
            assert_eq!(rule.kind == FigureKind::Word, !figure.words().is_empty(), "{figure:?}");
            let counted = matches!(rule.kind, FigureKind::Length | FigureKind::Number);
            assert_eq!(counted, rule.range.0 < rule.range.1, "{figure:?}");
            assert!(!rule.headings.is_empty() && (!rule.tells_curl || rule.tells_kind), "{figure:?}");
            assert_eq!(serde_json::to_value(figure).expect("a word"), figure.key());
            let range = |other: &ZoneFigure| other.rule().range.1;
            assert!(rule.not_over.is_none_or(|other| range(&other) >= rule.range.1), "{figure:?}");
        }
    }
}
