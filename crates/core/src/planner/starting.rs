//! Wishes in plain words, made into targets on a head: where a person begins, to be changed from there.

use crate::error::FieldErrors;
use crate::fall::{Fall, ZoneFall, fall};
use crate::grow::HairRequest;
use crate::hair::Hair;
use crate::head::{Place, Point, Zone};
use crate::mark::{Aim, WidthAim, ZoneAim};
use serde::{Deserialize, Serialize};

/// A wish in plain words.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum StartingWish {
    /// The length stays.
    KeepLength,
    /// Lift on top.
    LiftTop,
    /// Less width below.
    LessWidth,
    /// Fuller ends.
    FullerEnds,
    /// Off the face.
    OffFace,
}

/// What is asked to have a wish made into targets.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct WishRequest {
    /// The head.
    pub on: HairRequest,
    /// The aim so far.
    pub aim: Aim,
    /// The wish.
    pub wish: StartingWish,
}

const LINE: [Zone; 4] = [Zone::Nape, Zone::BackLower, Zone::LeftSide, Zone::RightSide];
/// What hair on top is shortened to for lift, and an outline narrowed to, as shares.
const LIFT: f64 = 0.7;
const NARROWER: f64 = 0.85;
/// How much shorter ends are cut where light doesn't tell where they are full, mm; and the least that lift shortens to.
const FULLER_MM: f64 = 20.0;
const LEAST_MM: f64 = 30.0;
/// Targets are whole steps of this, mm.
const STEP_MM: f64 = 5.0;

fn whole(mm: f64) -> f64 {
    STEP_MM * (mm / STEP_MM).round()
}

impl StartingWish {
    /// The aim with this wish, on a head whose fall is known.
    pub fn on(self, aim: &Aim, hair: &Hair, now: &Fall) -> Aim {
        let mut aim = aim.clone();
        let place = |height: f64| {
            let at = Place::nearest(height, &hair.measures);
            Place { below_mm: whole(at.below_mm), ..at }
        };
        let zones =
            |wanted: &'static [Zone]| now.zones.iter().filter(move |zone| wanted.contains(&zone.zone));
        let lands = |aim: &mut Aim, zone: &ZoneFall, height: f64| {
            let before = aim.zones.get(&zone.zone).and_then(|wish| wish.shortest);
            aim.zones.insert(zone.zone, ZoneAim { shortest: before, ..ZoneAim::landing(place(height)) });
        };
        match self {
            Self::KeepLength => zones(&LINE).for_each(|zone| lands(&mut aim, zone, zone.ends_at_mm)),
            Self::LiftTop => {
                for zone in zones(&[Zone::Top, Zone::Crown]) {
                    let worn_mm = Some(whole(LIFT * zone.worn_mm).max(LEAST_MM));
                    aim.zones.insert(zone.zone, ZoneAim { worn_mm, ..ZoneAim::default() });
                }
            }
            Self::LessWidth => {
                let at = Place { point: Point::Chin, below_mm: 0.0 };
                let width = now.front.width_about_mm(at.height_mm(&hair.measures));
                aim.widths.retain(|wish| wish.at != at);
                if width > 0.0 {
                    aim.widths.push(WidthAim { at, width_mm: whole(NARROWER * width).max(60.0) });
                }
            }
            Self::FullerEnds => {
                let full = now.see_through_below_mm;
                for zone in zones(&LINE) {
                    let height = if full > zone.ends_at_mm { full } else { zone.ends_at_mm + FULLER_MM };
                    lands(&mut aim, zone, height);
                }
            }
            Self::OffFace => aim.open_face = true,
        }
        aim
    }
}

impl WishRequest {
    /// The aim with the wish.
    pub fn answer_on(&self, hair: &Hair, now: &Fall) -> Result<Aim, FieldErrors> {
        let mut faults = FieldErrors::default();
        faults.take("aim", self.aim.check());
        faults.or(())?;
        Ok(self.wish.on(&self.aim, hair, now))
    }

    /// The same, from nothing.
    pub fn answer(&self) -> Result<Aim, FieldErrors> {
        let hair = self.on.grow()?;
        self.answer_on(&hair, &fall(&hair, &hair.lengths))
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::reading::{RawReading, RawZoneReading};

    #[test]
    fn each_wish_sets_its_targets_from_the_hair_there_is_and_leaves_the_others() {
        let zones = Zone::ALL.map(|zone| (zone.into(), RawZoneReading::measured(450.0, 330.0))).into();
        let hair = HairRequest::new(RawReading { zones, ..RawReading::default() }).grow().expect("possible");
        let now = fall(&hair, &hair.lengths);
        let aim = Aim::default();
        let kept = StartingWish::KeepLength.on(&aim, &hair, &now);
        for zone in now.zones.iter().filter(|zone| LINE.contains(&zone.zone)) {
            let height = kept.zones[&zone.zone].lands.expect("it lands").height_mm(&hair.measures);
            assert!((height - zone.ends_at_mm).abs() <= 2.5, "{:?}", zone.zone);
        }
        let lifted = StartingWish::LiftTop.on(&kept, &hair, &now);
        assert_eq!(lifted.zones.len(), 6);
        let top = now.zones.iter().find(|zone| zone.zone == Zone::Top).expect("there");
        assert!((lifted.zones[&Zone::Top].worn_mm.expect("worn") - 0.7 * top.worn_mm).abs() <= 2.5);
        let narrow =
            StartingWish::LessWidth.on(&StartingWish::LessWidth.on(&lifted, &hair, &now), &hair, &now);
        assert_eq!((narrow.widths.len(), narrow.zones.len()), (1, 6));
        let full = StartingWish::FullerEnds.on(&aim, &hair, &now);
        let higher = |zone: Zone| full.zones[&zone].lands.expect("it lands").height_mm(&hair.measures);
        assert!(
            now.zones
                .iter()
                .filter(|zone| LINE.contains(&zone.zone))
                .all(|zone| higher(zone.zone) > zone.ends_at_mm)
        );
        assert!(StartingWish::OffFace.on(&aim, &hair, &now).open_face);
        for aim in [kept, lifted, narrow, full] {
            assert!(aim.check().is_ok());
        }
    }
}
