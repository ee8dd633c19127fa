//! What is measured in one zone of the head.

use super::figure::{FigureValue, ZoneFigure};
use super::{Again, Sources};
use crate::error::{FieldErrors, Problem};
use crate::fibre::Moisture;
use crate::for_each_figure;
use crate::message::Message;
use serde::{Deserialize, Serialize};

macro_rules! define {
    (
        optional { $($(#[$doc:meta])* $field:ident: $figure:ident($value:ty) = $_rule:expr;)+ }
        given { $($(#[$g_doc:meta])* $g_field:ident: $g_figure:ident($g_value:ty) = $_g_rule:expr;)+ }
    ) => {
        /// What has been measured in one zone, or half of one, so far.
        #[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        #[serde(deny_unknown_fields)]
        pub struct RawZoneReading {
            $(
                $(#[$doc])*
                #[serde(default, skip_serializing_if = "Option::is_none")]
                pub $field: Option<$value>,
            )+
            $($(#[$g_doc])* pub $g_field: $g_value,)+
            /// Further strands, measured one by one; at most nine.
            #[serde(default, skip_serializing_if = "Again::is_empty")]
            #[cfg_attr(feature = "schema", schema(value_type = Vec<super::StrandPair>))]
            pub again: Again,
            /// Which figures an instrument gave. The others were read off a tape, felt, or counted by eye.
            #[serde(default, skip_serializing_if = "Sources::is_empty")]
            #[cfg_attr(feature = "schema", schema(value_type = std::collections::BTreeMap<ZoneFigure, super::Source>))]
            pub with: Sources,
        }

        impl Default for RawZoneReading {
            /// Nothing measured yet, one dry strand at a time.
            fn default() -> Self {
                Self {
                    $($field: None,)+
                    moisture: Moisture::Dry,
                    strands: one_strand(),
                    again: Again::default(),
                    with: Sources::default(),
                }
            }
        }

        impl RawZoneReading {
            /// A figure as a number; none where it isn't given or is no number.
            pub fn number(&self, figure: ZoneFigure) -> Option<f64> {
                match figure {
                    $(ZoneFigure::$figure => self.$field.as_ref().and_then(FigureValue::number),)+
                    $(ZoneFigure::$g_figure => self.$g_field.number(),)+
                }
            }

            /// Writes a number as a figure. What is no number, and what is never left out, stays as it is.
            pub(super) fn set_number(&mut self, figure: ZoneFigure, number: f64) {
                match figure {
                    $(ZoneFigure::$figure => self.$field = FigureValue::of_number(number).or(self.$field),)+
                    $(ZoneFigure::$g_figure => {})+
                }
            }

            /// Whether something other than what is taken for granted is said.
            fn is_given(&self, figure: ZoneFigure) -> bool {
                match figure {
                    $(ZoneFigure::$figure => self.$field.is_some(),)+
                    $(ZoneFigure::$g_figure => self.$g_field != Self::default().$g_field,)+
                }
            }
        }
    };
}

fn one_strand() -> u32 {
    1
}

for_each_figure!(define);

impl RawZoneReading {
    /// One dry strand of medium width, measured stretched and sprung.
    pub fn measured(stretched_mm: f64, sprung_mm: f64) -> Self {
        Self { stretched_mm: Some(stretched_mm), sprung_mm: Some(sprung_mm), ..Self::default() }
    }

    /// Checks what is given. Fields the document leaves out are not asked for.
    pub fn check(&self) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        let numbers = || ZoneFigure::ALL.iter().filter_map(|figure| Some((*figure, self.number(*figure)?)));
        for (figure, value) in numbers() {
            faults.range(figure.key(), value, figure.rule().range, figure.rule().unit);
        }
        for (figure, value) in numbers() {
            let longest = figure.rule().not_over.and_then(|other| Some((other, self.number(other)?)));
            if let Some((other, longest)) = longest
                && value > longest
            {
                faults.push(figure.key(), Problem::LongerThan { other: other.key().into() });
            }
        }
        faults.take("again", self.again.check());
        faults.take("with", self.with.check());
        if let Some(like) = self.like {
            for field in self.tells_the_kind() {
                faults.push(field, Message::new("fault-read-with").with("like", like.message()).into());
            }
        }
        faults.or(())
    }

    /// The fields given that tell what kind of hair it is.
    fn tells_the_kind(&self) -> impl Iterator<Item = &'static str> {
        let figures =
            ZoneFigure::ALL.iter().filter(|figure| figure.rule().tells_kind && self.is_given(**figure));
        figures.map(|figure| figure.key()).chain((!self.again.is_empty()).then_some("again"))
    }

    /// Whether its curl is known at all.
    pub(super) fn tells_the_curl(&self) -> bool {
        let told = |figure: &ZoneFigure| figure.rule().tells_curl && self.is_given(*figure);
        ZoneFigure::ALL.iter().any(told) || !self.again.is_empty()
    }
}
