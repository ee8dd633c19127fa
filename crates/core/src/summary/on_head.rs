//! Where the things noted in a reading lie on the client's own head, to be drawn there.

use crate::head::{Hairline, HeadForm, Landmark, drawn};
use crate::reading::{RawReading, SpotKind};
use serde::{Deserialize, Serialize};

/// A mark that belongs on a picture of the head.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HeadMark {
    /// What is there: a weak spot, or hair that grows a way of its own.
    pub what: MarkedAs,
    /// Its number in the reading's list, from 0.
    pub number: u32,
    /// Its middle on the scalp, mm (x the client's left, y up, z forward).
    pub at: [f32; 3],
    /// How far it reaches, mm.
    pub reach_mm: f64,
    /// How strong it is, 0 to 1.
    pub strength: f64,
}

/// A point of the head that marks are put to.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LandmarkPlace {
    /// Which.
    pub landmark: Landmark,
    /// Where on the scalp, mm (x the client's left, y up, z forward).
    pub at: [f32; 3],
}

/// Kinds of marks.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum MarkedAs {
    /// A weak spot.
    Spot(SpotKind),
    /// A swirl or cowlick.
    Growth,
}

/// The head that was measured and felt, if there can be one.
pub(super) fn head_of(reading: &RawReading) -> Option<(HeadForm, Hairline)> {
    let measures = reading.measures.filled().ok()?;
    let form = HeadForm::of(&measures, reading.skull).ok()?;
    let hairline = Hairline::of(&form, &measures);
    Some((form, hairline))
}

/// Where every landmark lies on it.
pub(super) fn places((form, hairline): &(HeadForm, Hairline)) -> Vec<LandmarkPlace> {
    let place = |landmark: Landmark| LandmarkPlace { landmark, at: drawn(&landmark.point(form, hairline)) };
    Landmark::ALL.into_iter().map(place).collect()
}

/// Where what was noted lies on it.
pub(super) fn marks(reading: &RawReading, (form, hairline): &(HeadForm, Hairline)) -> Vec<HeadMark> {
    let mark = |what, number: usize, at: Landmark, reach_mm, strength| HeadMark {
        what,
        number: number as u32,
        at: drawn(&at.point(form, hairline)),
        reach_mm,
        strength,
    };
    let spots = reading.spots.iter().enumerate();
    let growth = reading.growth.iter().enumerate();
    spots
        .map(|(i, spot)| mark(MarkedAs::Spot(spot.kind), i, spot.at, spot.reach_mm, spot.strength))
        .chain(
            growth.map(|(i, growth)| mark(MarkedAs::Growth, i, growth.at, growth.reach_mm, growth.strength)),
        )
        .collect()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::reading::Spot;
    use crate::summary::summarise;

    #[test]
    fn marks_lie_on_the_scalp_on_the_side_they_are_on() {
        let spot = Spot {
            id: 0,
            kind: SpotKind::Breakage,
            at: Landmark::TempleRight,
            reach_mm: 25.0,
            strength: 0.4,
        };
        let marked = summarise(&RawReading { spots: vec![spot], ..RawReading::default() }).marks;
        let [mark] = &marked[..] else { panic!("one mark") };
        assert_eq!((mark.what, mark.number, mark.reach_mm), (MarkedAs::Spot(SpotKind::Breakage), 0, 25.0));
        let whole = summarise(&RawReading::default());
        assert_eq!(whole.landmarks.len(), Landmark::ALL.len());
        assert!(
            whole
                .landmarks
                .iter()
                .any(|place| place.landmark == Landmark::TempleRight && place.at == mark.at)
        );
        assert!(mark.at[0] < -50.0 && mark.at[2] > 0.0, "the client's right temple: {:?}", mark.at);
    }
}
