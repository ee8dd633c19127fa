//! What would change the drawn hair most if it were measured: each figure that nobody took is tried at both ends of what is
//! usual, and the hair falls again.

use super::HairRequest;
use crate::error::FieldErrors;
use crate::fall::{Fall, fall};
use crate::head::{Place, Point, SkullForm};
use crate::reading::{RawReading, RawZoneReading, WidthClass, WornWidth};
use crate::stop::{Stop, Unfinished};
use rayon::prelude::*;
use serde::{Deserialize, Serialize};

/// Roots of a trial: enough for widths and heights to within a few millimetres.
const ROOTS: u32 = 768;
/// Ends of what is usual: hairs on a square centimetre, how much shorter the shortest ends are, how much longer or shorter the
/// hair of a zone is than the strand that was read of it, and how much wider or narrower hair of one kind is worn; orders of
/// magnitude, ours.
const HAIRS_PER_CM2: [f64; 2] = [120.0, 250.0];
const THINNED_OUT: f64 = 0.35;
const LONGER: [f64; 2] = [0.93, 1.07];
const WIDER: [f64; 2] = [0.88, 1.12];

/// What can be measured of hair as a whole.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Unmeasured {
    /// Hairs on a square centimetre.
    Density,
    /// How thick a strand is.
    Thickness,
    /// Girths of the gathered hair, which tell how the ends thin out.
    Girths,
    /// Where the perimeter lies.
    Perimeter,
    /// How wide the hair is worn.
    WornWidth,
    /// The form of the skull.
    Skull,
}

/// A figure that nobody took, and what taking it may change.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Doubt {
    /// What is not measured.
    pub unmeasured: Unmeasured,
    /// How far it may move the outline, the lowest end or the height from which light comes through, mm.
    pub moves_mm: f64,
}

impl HairRequest {
    /// What is not measured, by how much it may change the hair as it is drawn: most first.
    pub fn doubts(&self) -> Result<Vec<Doubt>, FieldErrors> {
        self.doubts_until(&Stop::never()).map_err(Unfinished::faults)
    }

    /// The same, given up between trials where nobody waits any more.
    pub fn doubts_until(&self, stop: &Stop) -> Result<Vec<Doubt>, Unfinished> {
        let request = Self { roots: ROOTS, ..self.clone() };
        let now = request.fallen(stop)?;
        let tried = trials(&self.reading, &now).into_par_iter().map(|(unmeasured, readings)| {
            // A trial that no head can have says nothing.
            let falls = readings
                .into_iter()
                .flat_map(|reading| Self { reading, ..request.clone() }.fallen(stop).ok());
            let moves_mm = falls.map(|trial| moved_mm(&now, &trial)).fold(0.0, f64::max);
            Doubt { unmeasured, moves_mm }
        });
        let mut doubts: Vec<Doubt> = tried.collect();
        stop.go_on()?;
        doubts.sort_by(|one, other| other.moves_mm.total_cmp(&one.moves_mm));
        Ok(doubts)
    }

    fn fallen(&self, stop: &Stop) -> Result<Fall, Unfinished> {
        let hair = self.grow_until(stop)?;
        stop.go_on()?;
        Ok(fall(&hair, &hair.lengths))
    }
}

/// The largest difference of two falls that a person would see.
fn moved_mm(one: &Fall, other: &Fall) -> f64 {
    let off = |of: fn(&Fall) -> f64| (of(one) - of(other)).abs();
    let out = 0.5 * off(|fall| fall.width_mm);
    out.max(off(|fall| fall.lowest_mm)).max(off(|fall| fall.see_through_below_mm))
}

/// Readings in which one thing that isn't measured is at an end of what is usual.
fn trials(reading: &RawReading, now: &Fall) -> Vec<(Unmeasured, Vec<RawReading>)> {
    let with = |change: &dyn Fn(&mut RawReading)| {
        let mut changed = reading.clone();
        change(&mut changed);
        changed
    };
    let zones =
        |change: &dyn Fn(&mut RawZoneReading)| with(&|reading| reading.zones.values_mut().for_each(change));
    let any = |has: fn(&RawZoneReading) -> bool| reading.zones.values().any(has);
    let mut trials = Vec::new();
    if !any(|zone| zone.hairs_per_cm2.is_some()) && reading.girths.is_empty() {
        let dense = HAIRS_PER_CM2.map(|hairs| with(&|reading| reading.hairs_per_cm2 = hairs));
        trials.push((Unmeasured::Density, dense.into()));
    }
    if !any(|zone| zone.width_um.is_some() || zone.width_class.is_some()) {
        let thick = [WidthClass::Fine, WidthClass::Coarse];
        let thick = thick.map(|class| zones(&|zone| zone.width_class = zone.like.is_none().then_some(class)));
        trials.push((Unmeasured::Thickness, thick.into()));
    }
    if reading.girths.is_empty() && reading.taper == 0.0 {
        trials.push((Unmeasured::Girths, vec![with(&|reading| reading.taper = THINNED_OUT)]));
    }
    if reading.line.is_empty() {
        let longer = LONGER.map(|share| {
            zones(&|zone| {
                for length in [
                    &mut zone.stretched_mm,
                    &mut zone.shortest_mm,
                    &mut zone.sprung_mm,
                    &mut zone.wet_sprung_mm,
                ] {
                    *length = length.map(|mm| mm * share);
                }
            })
        });
        trials.push((Unmeasured::Perimeter, longer.into()));
    }
    if reading.worn_width.is_none() {
        let at = Place { point: Point::Brow, below_mm: 0.0 };
        let wide = WIDER.map(|share| {
            let width_mm = share * now.width_mm;
            with(&|reading| reading.worn_width = Some(WornWidth { width_mm, at }))
        });
        trials.push((Unmeasured::WornWidth, wide.into()));
    }
    if reading.skull == SkullForm::default() {
        let form = |occiput, crown| with(&|reading| reading.skull = SkullForm { occiput, crown });
        trials.push((Unmeasured::Skull, vec![form(-1.0, -1.0), form(1.0, 1.0)]));
    }
    trials
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::head::Zone;
    use crate::reading::Girth;

    fn read(stretched: f64, sprung: f64) -> RawReading {
        let zones = Zone::ALL.map(|zone| (zone.into(), RawZoneReading::measured(stretched, sprung))).into();
        RawReading { zones, ..RawReading::default() }
    }
    fn doubts(reading: &RawReading) -> Vec<Doubt> {
        HairRequest::new(reading.clone()).doubts().expect("possible")
    }
    fn of(doubts: &[Doubt], wanted: Unmeasured) -> Option<f64> {
        doubts.iter().find(|doubt| doubt.unmeasured == wanted).map(|doubt| doubt.moves_mm)
    }

    #[test]
    fn what_is_measured_is_no_longer_in_doubt_and_the_rest_is_told_most_first() {
        let mut reading = read(430.0, 280.0);
        let all = doubts(&reading);
        assert_eq!(all.len(), 6);
        assert!(all.windows(2).all(|pair| pair[0].moves_mm >= pair[1].moves_mm));
        assert!(all[0].moves_mm > 5.0, "{all:?}");
        reading.zones.values_mut().for_each(|zone| {
            zone.hairs_per_cm2 = Some(190.0);
            zone.width_class = Some(WidthClass::Medium);
        });
        reading.skull = SkullForm { occiput: -0.5, crown: 0.0 };
        let fewer = doubts(&reading);
        let gone = [Unmeasured::Density, Unmeasured::Thickness, Unmeasured::Skull];
        assert!(gone.iter().all(|what| of(&fewer, *what).is_none()), "{fewer:?}");
        reading.girths = vec![Girth { id: 0, from_tie_mm: 10.0, girth_mm: 80.0 }];
        assert!(of(&doubts(&reading), Unmeasured::Girths).is_none());
    }

    #[test]
    fn longer_hair_is_more_in_doubt_by_where_its_perimeter_lies() {
        let perimeter =
            |reading: &RawReading| of(&doubts(reading), Unmeasured::Perimeter).expect("no line is read");
        let (short, long) = (perimeter(&read(150.0, 148.0)), perimeter(&read(600.0, 595.0)));
        assert!(long > short + 5.0, "{short} {long}");
    }

    #[test]
    fn a_reading_of_nothing_is_a_fault_and_no_panic() {
        assert!(HairRequest::new(RawReading::default()).doubts().is_err());
    }
}
