//! The hair as it is: it agrees with girths and line that were measured, and names where it can't.
#![allow(clippy::unwrap_used, reason = "a test that can't go on says so by failing")]

use spirel_core::fall::AsWorn;
use spirel_core::grow::{HairRequest, agreements};
use spirel_core::hair::Hair;
use spirel_core::head::{Measures, Place, Point, Zone};
use spirel_core::reading::{Girth, LineAt, LinePoint, RawReading, RawZoneReading};

fn reading(share: f64) -> RawReading {
    let length = |zone: Zone| match zone {
        Zone::Top | Zone::Crown => 180.0,
        Zone::Fringe => 260.0,
        Zone::LeftSide | Zone::RightSide => 330.0,
        Zone::Nape => 280.0,
        _ => 400.0,
    };
    let zones = Zone::ALL.map(|zone| {
        (
            zone.into(),
            RawZoneReading { strands: 5, ..RawZoneReading::measured(length(zone), share * length(zone)) },
        )
    });
    RawReading { zones: zones.into(), ..RawReading::default() }
}

fn grown(reading: &RawReading) -> Hair {
    HairRequest { roots: 2048, ..HairRequest::new(reading.clone()) }.grow().unwrap()
}

/// What a tape would read of this hair at these distances, with 90 mm at the first.
fn girths(hair: &Hair, reading: &RawReading, at: &[f64]) -> Vec<Girth> {
    let asked: Vec<Girth> =
        at.iter().map(|&from_tie_mm| Girth { id: 0, from_tie_mm, girth_mm: 90.0 }).collect();
    let found = agreements(hair, &RawReading { girths: asked, ..reading.clone() }).girths;
    let girth = |(&from_tie_mm, found): (&f64, &spirel_core::grow::Agreement)| Girth {
        id: 0,
        from_tie_mm,
        girth_mm: found.computed_mm.unwrap(),
    };
    at.iter().zip(&found).map(girth).collect()
}

fn point(at: LineAt, below_mm: f64) -> LinePoint {
    LinePoint { at, lies: Place { point: Point::Shoulder, below_mm } }
}

/// A point of the line at this height, said from the nearest point of face or body.
fn lying(at: LineAt, height_mm: f64) -> LinePoint {
    let off = |point: Point| point.height_mm(&Measures::default()) - height_mm;
    let point = Point::ALL.into_iter().min_by(|a, b| off(*a).abs().total_cmp(&off(*b).abs())).unwrap();
    LinePoint { at, lies: Place { point, below_mm: off(point) } }
}

#[test]
fn girths_give_back_the_thinning_of_the_hair_they_were_taken_from() {
    for (share, taper) in [(0.95, 0.0), (0.95, 0.4), (0.6, 0.25), (0.6, 0.6)] {
        let known = RawReading { taper, ..reading(share) };
        let hair = grown(&known);
        let taken = girths(&hair, &known, &[0.0, 60.0, 110.0, 150.0, 180.0]);
        assert!(taken.windows(2).all(|two| two[1].girth_mm <= two[0].girth_mm), "{taken:?}");
        let told = RawReading { girths: taken.clone(), ..reading(share) };
        let again = grown(&told);
        for agreement in agreements(&again, &told).girths {
            let off = agreement.computed_mm.unwrap() / agreement.measured_mm - 1.0;
            assert!(off.abs() < 0.02 || agreement.measured_mm < 8.0, "{share} {taper}: {agreement:?}");
        }
        let mass = again.mass_g(&again.lengths) / hair.mass_g(&hair.lengths) - 1.0;
        assert!(mass.abs() < 0.04, "{share} {taper}: mass {mass}");
        // A guess of the thinning counts for nothing once it was measured.
        let guessed = RawReading { taper: 0.7, ..told };
        assert_eq!(grown(&guessed).lengths, again.lengths);
    }
}

#[test]
fn the_line_lies_where_it_was_seen_and_the_layers_above_stay() {
    for share in [0.95, 0.6] {
        let plain = reading(share);
        let before = grown(&plain);
        let all = [LineAt::FrontLeft, LineAt::SideLeft, LineAt::Back, LineAt::SideRight, LineAt::FrontRight];
        let asked = RawReading { line: all.map(|at| point(at, 0.0)).into(), ..plain.clone() };
        let lies: Vec<f64> =
            agreements(&before, &asked).line.iter().map(|agreement| agreement.computed_mm.unwrap()).collect();
        assert!(
            (lies[0] - lies[4]).abs() < 1e-6 && (lies[1] - lies[3]).abs() < 1e-6,
            "both sides alike: {lies:?}"
        );
        for moves in [
            [20.0, 15.0, 25.0, 15.0, 20.0],
            [-25.0, -15.0, -20.0, -15.0, -25.0],
            [0.0, 12.0, 0.0, 0.0, -12.0],
        ] {
            let line = (0..5).map(|i| lying(all[i], lies[i] + moves[i])).collect();
            let told = RawReading { line, ..plain.clone() };
            let hair = grown(&told);
            for agreement in agreements(&hair, &told).line {
                let off = agreement.computed_mm.unwrap() - agreement.measured_mm;
                assert!(off.abs() < 2.0, "{share} {moves:?}: {agreement:?}");
            }
            let zone = |hair: &Hair, zone: Zone| -> f64 {
                let of =
                    hair.strands.iter().zip(&hair.lengths).filter(|(strand, _)| strand.root.zone == zone);
                of.map(|(_, lengths)| lengths.iter().sum::<f64>()).sum()
            };
            let top = lies.iter().copied().fold(f64::NEG_INFINITY, f64::max);
            let worn = AsWorn::of(&before, &before.lengths);
            let ends_at = |i: usize| worn.end(&before, i, 0).y;
            let layers: Vec<usize> = (0..hair.strands.len()).filter(|i| ends_at(*i) > top + 110.0).collect();
            assert!(layers.len() > 20, "{}", layers.len());
            assert!(layers.iter().all(|i| hair.lengths[*i] == before.lengths[*i]));
            let sides = |hair: &Hair| zone(hair, Zone::LeftSide) / zone(hair, Zone::RightSide);
            let lopsided = moves[1] != moves[3];
            assert_eq!((sides(&hair) - 1.0).abs() > 1e-6, lopsided, "{}", sides(&hair));
        }
    }
}

#[test]
fn what_was_not_measured_changes_nothing_and_what_contradicts_the_zones_is_left_apart() {
    let plain = reading(0.6);
    let hair = grown(&plain);
    assert!(agreements(&hair, &plain).line.is_empty() && agreements(&hair, &plain).girths.is_empty());
    let one = RawReading { girths: vec![Girth { id: 0, from_tie_mm: 0.0, girth_mm: 90.0 }], ..plain.clone() };
    assert_eq!(grown(&one).lengths, hair.lengths, "one girth tells nothing");

    // A line at the waist of hair that was read as 40 cm and less.
    let far = LinePoint { at: LineAt::Back, lies: Place { point: Point::Waist, below_mm: 0.0 } };
    let told = RawReading { line: vec![far], ..plain.clone() };
    let stretched = grown(&told);
    let first = agreements(&stretched, &told).line[0];
    assert!(first.computed_mm.unwrap() - first.measured_mm > 50.0, "{first:?}");
    for (now, read) in stretched.lengths.iter().zip(&hair.lengths) {
        assert!(now.iter().zip(read.iter()).all(|(now, read)| (0.59..1.41).contains(&(now / read))));
    }

    let twice = RawReading { line: vec![point(LineAt::Back, 0.0), point(LineAt::Back, 700.0)], ..plain };
    let faults = twice.check().unwrap_err();
    let fields: Vec<&str> = faults.0.iter().map(|fault| fault.field.as_str()).collect();
    assert_eq!(fields, ["line.1.lies.below_mm", "line.1.at"]);
}

#[test]
fn a_line_the_zones_cannot_have_is_left_apart_where_girths_were_taken_too() {
    let plain = reading(0.7);
    let told = RawReading {
        girths: girths(&grown(&plain), &plain, &[0.0, 60.0, 110.0]),
        line: vec![LinePoint { at: LineAt::Back, lies: Place { point: Point::Waist, below_mm: 120.0 } }],
        ..plain
    };
    let line = agreements(&grown(&told), &told).line[0];
    assert!(line.computed_mm.unwrap() > line.measured_mm + 100.0, "{line:?}");
}
