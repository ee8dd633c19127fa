//! What a value from an instrument means: which figure it is, in our unit, and whether it is possible.
//!
//! Instruments send what they measure in the unit they are set to. A comb sends how long the strand is and how hard the
//! hand pulls it; the pull shows whether it is the stretched or the sprung length, so nobody has to enter it.

use super::figure::{Quantity, UsualSd, ZoneFigure};
use super::room::{HUMIDITY_PCT, TEMPERATURE_C};
use super::{RawZoneReading, RoomAir, Source};
use crate::constants::{LET_GO_PULL_CN, STRAIGHT_PULL_CN, TAPE_SD_MM, WATER_DAMP, WATER_DRY, WATER_WET};
use crate::error::{FieldErrors, Problem};
use crate::fibre::Moisture;
use crate::for_each_figure;
use crate::message::{Arg, Message};
use crate::units::MM_PER_INCH;
use serde::{Deserialize, Serialize};

/// Water on and in hair that is accepted, g per g; more drips off.
const WATER: (f64, f64) = (0.0, 2.5);

/// A value as an instrument sends it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Measured {
    /// What was measured.
    pub quantity: Quantity,
    /// The value, in `unit`.
    pub value: f64,
    /// The unit the instrument is set to.
    pub unit: String,
    /// One standard error, in `unit`, if the instrument states it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub sd: Option<f64>,
    /// Of a length: how hard the strand was pulled, cN.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub pull_cn: Option<f64>,
}

macro_rules! define {
    (
        optional { $($(#[$_doc:meta])* $_field:ident: $figure:ident($_value:ty) = $_rule:expr;)+ }
        given { $($(#[$_g_doc:meta])* $_g_field:ident: $g_figure:ident($_g_value:ty) = $_g_rule:expr;)+ }
    ) => {
        /// The figure a value belongs to: one of the zone, or of the room.
        #[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        #[serde(rename_all = "snake_case")]
        #[expect(missing_docs, reason = "what each means stands at its field of a zone's reading")]
        pub enum TakenField {
            $($figure,)+
            $($g_figure,)+
            /// Of the room.
            TemperatureC,
            /// Of the room.
            HumidityPct,
        }

        impl From<ZoneFigure> for TakenField {
            fn from(figure: ZoneFigure) -> Self {
                match figure {
                    $(ZoneFigure::$figure => Self::$figure,)+
                    $(ZoneFigure::$g_figure => Self::$g_figure,)+
                }
            }
        }
    };
}

for_each_figure!(define);

/// A value, and where it came.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct TakeRequest {
    /// What was read so far in the zone the hand is at.
    #[serde(default)]
    pub read: RawZoneReading,
    /// What is known of the room.
    #[serde(default)]
    pub room: RoomAir,
    /// How moist the hair is now, if a meter said it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub now: Option<Moisture>,
    /// What the instrument sends.
    pub measured: Measured,
}

/// What a value was taken for.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Taken {
    /// Which figure it is.
    pub field: TakenField,
    /// The zone with it.
    pub read: RawZoneReading,
    /// The room with it.
    pub room: RoomAir,
    /// How moist the hair is now, if a meter said it.
    pub now: Option<Moisture>,
}

impl TakeRequest {
    /// Takes the value for what it is. A value that can't be is refused, with what may be the matter.
    pub fn take(&self) -> Result<Taken, FieldErrors> {
        let Measured { quantity, value, unit, sd, .. } = &self.measured;
        let Some(scale) = scale(*quantity, unit) else {
            let given = unit.clone();
            let known = UNITS.iter().filter(|(of, ..)| of == quantity).map(|(_, name, _)| (*name).to_owned());
            return Err(fault("measured.unit", Problem::Unknown { given, known: known.collect() }));
        };
        let (value, sd) = (scale.of(*value), sd.map(|sd| sd * scale.factor));
        let (mut read, mut room, mut now) = (self.read, self.room, self.now);
        let field = match quantity {
            Quantity::Length => self.length(value, sd, &mut read)?,
            Quantity::Moisture => {
                self.in_range(value, WATER, "g/g")?;
                now = Some(moisture_of(value));
                // Once a strand was let go, the zone's moisture is the one it had then.
                if read.sprung_mm.is_none() {
                    read.moisture = moisture_of(value);
                }
                TakenField::Moisture
            }
            Quantity::Temperature => {
                self.in_range(value, TEMPERATURE_C, "°C")?;
                room.temperature_c = Some(rounded(value, 0.1));
                TakenField::TemperatureC
            }
            Quantity::Humidity => {
                self.in_range(value, HUMIDITY_PCT, "%")?;
                room.humidity_pct = Some(rounded(value, 1.0));
                TakenField::HumidityPct
            }
            Quantity::Width | Quantity::Density => self.figure(value, sd, &mut read)?,
        };
        read.check().map_err(|faults| misread(faults, field))?;
        Ok(Taken { field, read, room, now })
    }

    /// A value of which only one figure is measured.
    fn figure(
        &self,
        value: f64,
        sd: Option<f64>,
        read: &mut RawZoneReading,
    ) -> Result<TakenField, FieldErrors> {
        let measured = |figure: &ZoneFigure| {
            figure.rule().instrument.is_some_and(|by| by.quantity == self.measured.quantity)
        };
        match ZoneFigure::ALL.iter().copied().find(measured) {
            Some(figure) => self.write(figure, value, sd, read),
            None => Err(fault("measured.quantity", Problem::Missing)),
        }
    }

    /// Writes a value as a figure, with what measured it.
    fn write(
        &self,
        figure: ZoneFigure,
        value: f64,
        sd: Option<f64>,
        read: &mut RawZoneReading,
    ) -> Result<TakenField, FieldErrors> {
        let rule = figure.rule();
        self.in_range(value, rule.range, rule.unit)?;
        let Some(by) = rule.instrument else { return Err(fault("measured.quantity", Problem::Missing)) };
        let usual = match by.usual_sd {
            UsualSd::OfTape => TAPE_SD_MM.value,
            UsualSd::Of(sd) => sd,
            UsualSd::Share(share) => rounded(share * value, 0.1),
        };
        read.set_number(figure, rounded(value, by.step));
        read.with = read.with.with(figure, Source { sd: sd.unwrap_or(usual) });
        Ok(figure.into())
    }

    /// A length: which one follows from the pull.
    fn length(&self, mm: f64, sd: Option<f64>, read: &mut RawZoneReading) -> Result<TakenField, FieldErrors> {
        let Some(pull) = self.measured.pull_cn else {
            return Err(fault("measured.pull_cn", Problem::Missing));
        };
        if pull >= STRAIGHT_PULL_CN.value {
            return self.write(ZoneFigure::StretchedMm, mm, sd, read);
        }
        if !pull.is_finite() || pull > LET_GO_PULL_CN.value {
            let between = Message::new("fault-pull-between")
                .with("pull", Arg::Number(pull.round()))
                .with("straight", Arg::Number(STRAIGHT_PULL_CN.value))
                .with("sprung", Arg::Number(LET_GO_PULL_CN.value));
            return Err(fault("measured.pull_cn", between.into()));
        }
        // Hair that is wet now and was let go drier before is measured once more, not in the place of the first.
        if self.now == Some(Moisture::Wet) && read.sprung_mm.is_some() && read.moisture != Moisture::Wet {
            return self.write(ZoneFigure::WetSprungMm, mm, sd, read);
        }
        let taken = self.write(ZoneFigure::SprungMm, mm, sd, read)?;
        read.moisture = self.now.unwrap_or(read.moisture);
        Ok(taken)
    }

    /// Refuses a value that can't be, and names the unit in which it would be possible.
    fn in_range(&self, value: f64, range: (f64, f64), unit: &str) -> Result<(), FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.range("measured.value", value, range, unit);
        let could_be = UNITS.iter().find(|(quantity, other, scale)| {
            *quantity == self.measured.quantity
                && *other != self.measured.unit
                && (range.0..=range.1).contains(&scale.of(self.measured.value))
        });
        if let (false, Some((_, other, _))) = (faults.0.is_empty(), could_be) {
            let mistaken = Message::new("fault-other-unit")
                .with("value", Arg::Number(self.measured.value))
                .with("unit", self.measured.unit.as_str())
                .with("other", *other);
            return Err(fault("measured.value", mistaken.into()));
        }
        faults.or(())
    }
}

/// How a value in a unit becomes one in ours: value × factor + offset.
struct Scale {
    factor: f64,
    offset: f64,
}

impl Scale {
    const fn by(factor: f64) -> Self {
        Self { factor, offset: 0.0 }
    }

    fn of(&self, value: f64) -> f64 {
        value * self.factor + self.offset
    }
}

/// Every unit that is understood, and how it becomes ours.
const UNITS: &[(Quantity, &str, Scale)] = &[
    (Quantity::Length, "mm", Scale::by(1.0)),
    (Quantity::Length, "cm", Scale::by(10.0)),
    (Quantity::Length, "in", Scale::by(MM_PER_INCH)),
    (Quantity::Length, "m", Scale::by(1000.0)),
    (Quantity::Width, "µm", Scale::by(1.0)),
    (Quantity::Width, "mm", Scale::by(1000.0)),
    (Quantity::Density, "1/cm²", Scale::by(1.0)),
    (Quantity::Density, "1/mm²", Scale::by(100.0)),
    (Quantity::Moisture, "g/g", Scale::by(1.0)),
    (Quantity::Moisture, "%", Scale::by(0.01)),
    (Quantity::Temperature, "°C", Scale::by(1.0)),
    (Quantity::Temperature, "°F", Scale { factor: 5.0 / 9.0, offset: -160.0 / 9.0 }),
    (Quantity::Humidity, "%", Scale::by(1.0)),
];

fn scale(quantity: Quantity, unit: &str) -> Option<&'static Scale> {
    UNITS.iter().find(|(of, name, _)| *of == quantity && *name == unit).map(|(_, _, scale)| scale)
}

/// The state whose water is nearest.
fn moisture_of(water_g_per_g: f64) -> Moisture {
    let halfway = |a: f64, b: f64| 0.5 * (a + b);
    if water_g_per_g < halfway(WATER_DRY.value, WATER_DAMP.value) {
        Moisture::Dry
    } else if water_g_per_g < halfway(WATER_DAMP.value, WATER_WET.value) {
        Moisture::Damp
    } else {
        Moisture::Wet
    }
}

fn rounded(value: f64, step: f64) -> f64 {
    // Divided by the inverse, a whole number, a tenth comes out as the f64 that is written 0.1.
    (value / step).round() / (1.0 / step).round()
}

fn fault(field: &str, problem: Problem) -> FieldErrors {
    let mut faults = FieldErrors::default();
    faults.push(field, problem);
    faults
}

/// What a length makes impossible in its zone, said of the value.
fn misread(faults: FieldErrors, field: TakenField) -> FieldErrors {
    let own = ["stretched_mm", "sprung_mm", "wet_sprung_mm"];
    let place = |mut fault: crate::FieldError| {
        if !own.contains(&fault.field.as_str()) {
            return fault.under("read");
        }
        if let Problem::LongerThan { .. } = fault.problem {
            fault.problem = Problem::contradicts(match field {
                TakenField::StretchedMm => "fault-less-than-sprung",
                _ => "fault-more-than-stretched",
            });
        }
        fault.field = "measured.value".to_owned();
        fault
    };
    FieldErrors(faults.0.into_iter().map(place).collect())
}

#[cfg(test)]
mod tests {
    use super::*;

    fn length(value: f64, unit: &str, pull_cn: f64) -> Measured {
        Measured {
            quantity: Quantity::Length,
            value,
            unit: unit.into(),
            sd: Some(1.0),
            pull_cn: Some(pull_cn),
        }
    }

    fn other(quantity: Quantity, value: f64, unit: &str) -> Measured {
        Measured { quantity, value, unit: unit.into(), sd: None, pull_cn: None }
    }

    fn at_top(measured: Measured) -> TakeRequest {
        let (read, room) = (RawZoneReading::default(), RoomAir::default());
        TakeRequest { read, room, now: None, measured }
    }

    fn refused(request: &TakeRequest) -> (String, String) {
        let fault = request.take().expect_err("it can't be").0.remove(0);
        (fault.field.clone(), fault.problem.to_string())
    }

    #[test]
    fn the_pull_tells_a_strand_pulled_straight_from_one_let_go() {
        let straight = at_top(length(9.5, "in", 42.0)).take().expect("pulled");
        assert_eq!((straight.field, straight.read.stretched_mm), (TakenField::StretchedMm, Some(241.0)));
        assert_eq!(straight.read.with.of(ZoneFigure::StretchedMm), Some(Source { sd: 25.4 }));
        let mut second = at_top(length(12.1, "cm", 0.4));
        second.read = straight.read;
        let both = second.take().expect("let go");
        assert_eq!((both.field, both.read.sprung_mm), (TakenField::SprungMm, Some(121.0)));
        assert_eq!(both.read.stretched_mm, Some(241.0));

        let (field, said) = refused(&at_top(length(200.0, "mm", 9.0)));
        assert!(field == "measured.pull_cn" && said.starts_with("fault-pull-between(pull: 9"), "{said}");
        let unpulled = Measured { pull_cn: None, ..length(200.0, "mm", 0.0) };
        assert_eq!(refused(&at_top(unpulled)).0, "measured.pull_cn");
        assert_eq!(refused(&at_top(length(200.0, "mm", f64::NAN))).0, "measured.pull_cn");
    }

    #[test]
    fn wet_hair_let_go_after_dry_is_a_second_figure_and_a_meter_alone_changes_no_measure() {
        let dry = RawZoneReading::measured(240.0, 120.0);
        let mut meter = at_top(other(Quantity::Moisture, 95.0, "%"));
        meter.read = dry;
        let wet = meter.take().expect("wet");
        assert_eq!((wet.now, wet.read), (Some(Moisture::Wet), dry));
        let mut comb = at_top(length(160.0, "mm", 0.0));
        (comb.read, comb.now) = (dry, wet.now);
        let taken = comb.take().expect("let go");
        assert_eq!((taken.field, taken.read.wet_sprung_mm), (TakenField::WetSprungMm, Some(160.0)));
        // Where nothing was let go before, it is the first figure, and the zone was read wet.
        comb.read = RawZoneReading::default();
        let first = comb.take().expect("let go");
        assert_eq!((first.field, first.read.moisture), (TakenField::SprungMm, Moisture::Wet));
        let states = [(0.05, Moisture::Dry), (0.55, Moisture::Damp), (1.3, Moisture::Wet)];
        for (water, state) in states {
            let said = at_top(other(Quantity::Moisture, water, "g/g")).take().expect("possible");
            assert_eq!((said.now, said.read.moisture), (Some(state), state));
        }
    }

    #[test]
    fn every_unit_comes_out_as_ours() {
        for (quantity, value, unit, ours) in [
            (Quantity::Width, 0.0712, "mm", 71.2),
            (Quantity::Width, 71.2, "µm", 71.2),
            (Quantity::Density, 1.8, "1/mm²", 180.0),
        ] {
            let read = at_top(other(quantity, value, unit)).take().expect("possible").read;
            assert_eq!(read.width_um.or(read.hairs_per_cm2), Some(ours), "{value} {unit}");
        }
        let warm = at_top(other(Quantity::Temperature, 70.0, "°F")).take().expect("possible").room;
        assert_eq!(warm.temperature_c, Some(21.1));
        let damp = at_top(other(Quantity::Humidity, 63.4, "%")).take().expect("possible").room;
        assert_eq!(damp.humidity_pct, Some(63.0));
    }

    #[test]
    fn a_wrong_unit_is_named_and_what_cannot_be_is_refused() {
        let (field, said) = refused(&at_top(other(Quantity::Width, 0.071, "µm")));
        assert!(field == "measured.value" && said.starts_with("fault-other-unit(other: mm"), "{said}");
        let (field, said) = refused(&at_top(other(Quantity::Width, 71.0, "furlong")));
        assert!(field == "measured.unit" && said.contains("given: furlong, known: µm, mm"), "{said}");
        assert_eq!(refused(&at_top(other(Quantity::Humidity, f64::NAN, "%"))).0, "measured.value");
        assert_eq!(refused(&at_top(other(Quantity::Density, 9000.0, "1/cm²"))).0, "measured.value");
        // A strand let go can't be longer than it was pulled straight.
        let mut longer = at_top(length(300.0, "mm", 0.0));
        longer.read.stretched_mm = Some(240.0);
        let (field, said) = refused(&longer);
        assert!(field == "measured.value" && said == "fault-more-than-stretched", "{said}");
        let mut shorter = at_top(length(100.0, "mm", 40.0));
        shorter.read.sprung_mm = Some(120.0);
        let (field, said) = refused(&shorter);
        assert!(field == "measured.value" && said == "fault-less-than-sprung", "{said}");
    }

    #[test]
    fn a_surer_instrument_makes_a_surer_hair() {
        use crate::fibre::WornStyle;
        use crate::learn::fit;
        use crate::reading::ZoneReading;
        let sd = |sd: Option<f64>| {
            let mut raw = RawZoneReading { strands: 5, ..RawZoneReading::measured(240.0, 120.0) };
            for figure in [ZoneFigure::StretchedMm, ZoneFigure::SprungMm] {
                raw.with = sd.map_or(raw.with, |sd| raw.with.with(figure, Source { sd }));
            }
            let read = ZoneReading::try_from(&raw).expect("possible");
            fit(&read).sd_of(|model| model.worn_mm(240.0, WornStyle::AsItSprings))
        };
        assert!(sd(Some(0.5)) < sd(None) && sd(None) < sd(Some(12.0)));
        assert!((sd(Some(TAPE_SD_MM.value)) - sd(None)).abs() < 1e-12);
    }
}
