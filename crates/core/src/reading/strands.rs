//! The strands of a patch, put together: their mean, what they differ by, and how well the hand reads them.

use super::RawZoneReading;
use crate::constants::{STRAND_LOGIT_SD, USUAL_SD_WORTH};

/// A length pulled straight and let go, mm.
type Pair = (f64, f64);

/// Strands that were read, each once or more.
pub(super) struct Strands {
    /// Mean pulled straight, mm.
    pub stretched_mm: f64,
    /// Mean let go, mm, if any was.
    pub sprung_mm: Option<f64>,
    /// How many.
    pub count: u32,
    /// Strands read once that would average out the errors of reading as well.
    pub readings: f64,
    /// Standard deviation of the logit of sprung over stretched from strand to strand.
    pub differ: f64,
    /// Standard errors of one reading, stretched and sprung, mm.
    pub sds: Pair,
    /// Whether any was read more than once.
    pub read_again: bool,
}

/// The readings of one strand, or of as many as were averaged.
struct Group {
    strands: f64,
    readings: Vec<Pair>,
}

impl Group {
    fn mean(&self, of: fn(&Pair) -> f64) -> f64 {
        self.readings.iter().map(of).sum::<f64>() / self.readings.len() as f64
    }

    fn squares(&self, of: fn(&Pair) -> f64) -> f64 {
        let mean = self.mean(of);
        self.readings.iter().map(|pair| (of(pair) - mean).powi(2)).sum()
    }
}

impl Strands {
    /// The first lengths stand for as many strands as were averaged in them. `usual_sds` are those of reading, where
    /// nothing was read twice.
    pub fn of((stretched, sprung): (f64, Option<f64>), usual_sds: Pair, raw: &RawZoneReading) -> Self {
        let first = sprung.map(|sprung| (stretched, sprung));
        let mut groups =
            vec![Group { strands: f64::from(raw.strands), readings: first.into_iter().collect() }];
        for pair in raw.again.pairs() {
            let reading = (pair.stretched_mm, pair.sprung_mm);
            match groups.last_mut() {
                Some(last) if pair.same => last.readings.push(reading),
                _ => groups.push(Group { strands: 1.0, readings: vec![reading] }),
            }
        }
        groups.retain(|group| !group.readings.is_empty());
        if groups.is_empty() {
            // Pulled straight only.
            return Self {
                stretched_mm: stretched,
                sprung_mm: None,
                count: raw.strands,
                readings: f64::from(raw.strands),
                differ: STRAND_LOGIT_SD.value,
                sds: usual_sds,
                read_again: false,
            };
        }
        let count: f64 = groups.iter().map(|group| group.strands).sum();
        let mean = |of: &dyn Fn(&Group) -> f64| {
            groups.iter().map(|group| group.strands * of(group)).sum::<f64>() / count
        };
        // In the logit; what hardly shrinks at all is kept off its end.
        let logit = |group: &Group| {
            let share = (group.mean(|pair| pair.1) / group.mean(|pair| pair.0)).clamp(0.005, 0.995);
            (share / (1.0 - share)).ln()
        };
        let middle = mean(&logit);
        let strayed = groups.iter().map(|group| group.strands * (logit(group) - middle).powi(2)).sum();
        let repeats: f64 = groups.iter().map(|group| group.readings.len() as f64 - 1.0).sum();
        let own_sd = |usual: f64, of: fn(&Pair) -> f64| {
            spread(usual, groups.iter().map(|group| group.squares(of)).sum(), repeats)
        };
        let error: f64 = groups.iter().map(|group| group.strands / group.readings.len() as f64).sum();
        Self {
            stretched_mm: mean(&|group| group.mean(|pair| pair.0)),
            sprung_mm: Some(mean(&|group| group.mean(|pair| pair.1))),
            count: count as u32,
            readings: count * count / error,
            differ: spread(STRAND_LOGIT_SD.value, strayed, groups.len() as f64 - 1.0),
            sds: (own_sd(usual_sds.0, |pair| pair.0), own_sd(usual_sds.1, |pair| pair.1)),
            read_again: repeats > 0.0,
        }
    }
}

/// A standard deviation of which squares with some degrees of freedom were seen. What is usual counts as so many seen
/// before.
fn spread(usual: f64, squares: f64, freedom: f64) -> f64 {
    let worth = USUAL_SD_WORTH.value;
    ((worth * usual * usual + squares) / (worth + freedom)).sqrt()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::constants::TAPE_SD_MM;
    use crate::reading::{Again, StrandPair, ZoneReading};

    fn pair(stretched_mm: f64, sprung_mm: f64) -> StrandPair {
        StrandPair { id: 0, stretched_mm, sprung_mm, same: false }
    }

    fn again(stretched_mm: f64, sprung_mm: f64) -> StrandPair {
        StrandPair { same: true, ..pair(stretched_mm, sprung_mm) }
    }

    fn zone(strands: u32, pairs: &[StrandPair]) -> ZoneReading {
        let again = Again::try_from(pairs.to_vec()).expect("few");
        ZoneReading::try_from(&RawZoneReading { strands, again, ..RawZoneReading::measured(300.0, 150.0) })
            .expect("complete")
    }

    #[test]
    fn strands_measured_one_by_one_are_averaged_with_what_was_averaged_before() {
        let read = zone(2, &[pair(330.0, 180.0)]);
        assert_eq!((read.stretched_mm, read.sprung_mm, read.strands), (310.0, Some(160.0), 3));
        assert_eq!((read.present_mm, read.readings), (310.0, 3.0));
        assert_eq!(zone(1, &[]).strands_differ, STRAND_LOGIT_SD.value, "one strand tells no spread");
    }

    #[test]
    fn strands_that_agree_make_a_zone_surer_and_strands_that_do_not_less_sure() {
        let alike = zone(1, &[(300.0, 150.0), (310.0, 155.0), (290.0, 145.0)].map(|(a, b)| pair(a, b)));
        let apart = zone(1, &[(300.0, 80.0), (300.0, 230.0), (300.0, 100.0)].map(|(a, b)| pair(a, b)));
        assert!(alike.strands_differ < STRAND_LOGIT_SD.value);
        assert!(apart.strands_differ > 2.5 * STRAND_LOGIT_SD.value, "{}", apart.strands_differ);
        assert!(
            !apart.read_again && apart.sprung_sd_mm == TAPE_SD_MM.value,
            "other strands say nothing of it"
        );
    }

    #[test]
    fn the_same_strand_read_again_is_one_strand_and_tells_how_well_the_hand_reads() {
        let steady = zone(1, &[again(300.0, 150.0), again(300.0, 150.0)]);
        assert_eq!((steady.strands, steady.readings, steady.sprung_mm), (1, 3.0, Some(150.0)));
        assert!(steady.read_again && steady.sprung_sd_mm < TAPE_SD_MM.value);
        assert_eq!(steady.strands_differ, STRAND_LOGIT_SD.value, "one strand still tells no spread");
        let shaky = zone(1, &[again(300.0, 162.0), again(300.0, 138.0)]);
        assert!(shaky.sprung_sd_mm > 1.5 * TAPE_SD_MM.value && shaky.stretched_sd_mm < TAPE_SD_MM.value);
        // Of two strands the second is read twice: means are of strands, not of readings.
        let two = zone(1, &[pair(300.0, 170.0), again(300.0, 174.0)]);
        assert_eq!((two.strands, two.sprung_mm), (2, Some(161.0)));
        assert!((two.readings - 4.0 / 1.5).abs() < 1e-12);
    }

    #[test]
    fn without_a_first_strand_let_go_the_further_ones_stand_alone() {
        let list = Again::try_from(vec![pair(310.0, 180.0)]).expect("one");
        let raw = RawZoneReading { stretched_mm: Some(300.0), again: list, ..RawZoneReading::default() };
        let read = ZoneReading::try_from(&raw).expect("complete");
        assert_eq!((read.stretched_mm, read.sprung_mm, read.strands), (310.0, Some(180.0), 1));
    }
}
