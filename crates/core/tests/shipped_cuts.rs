//! Every cut that ships does what it says it is for, computed against the same head uncut.
#![allow(clippy::unwrap_used, reason = "a test that can't go on says so by failing")]

use spirel_core::cut::{CutResult, cut, phrases, shipped};
use spirel_core::fall::{Fall, fall};
use spirel_core::hair::{Hair, HairRequest, SHARES};
use spirel_core::head::{Felt, Point, Root};
use spirel_core::reading::{RawReading, RawZoneReading, WidthClass, Zone};
use spirel_core::units::LengthUnit;

/// A kind of head the cuts are meant for.
fn head(stretched_mm: f64, share: f64, width: WidthClass, hairs_per_cm2: f64, occiput: f64) -> Hair {
    let zone = RawZoneReading {
        width_class: Some(width),
        strands: 5,
        ..RawZoneReading::measured(stretched_mm, share * stretched_mm)
    };
    let zones = Zone::ALL.into_iter().map(|z| (z.into(), zone)).collect();
    let felt = Felt { occiput, crown: 0.0 };
    let reading = RawReading { zones, hairs_per_cm2, felt, ..RawReading::default() };
    HairRequest { roots: 2048, ..HairRequest::new(reading) }.grow().unwrap()
}

fn heavy() -> Hair {
    head(450.0, 0.98, WidthClass::Coarse, 220.0, 0.0)
}

fn fine() -> Hair {
    head(480.0, 0.95, WidthClass::Fine, 150.0, 0.0)
}

fn waves() -> Hair {
    head(620.0, 0.8, WidthClass::Medium, 190.0, 0.0)
}

fn curls() -> Hair {
    head(720.0, 0.6, WidthClass::Medium, 200.0, -0.6)
}

struct Outcome {
    hair: Hair,
    before: Fall,
    after: Fall,
    result: CutResult,
}

fn outcome(key: &str, hair: Hair) -> Outcome {
    let found = shipped().iter().find(|each| each.key == key).unwrap();
    let result = cut(&hair, &found.cut).unwrap_or_else(|faults| panic!("{key}: {faults}"));
    for (each, report) in found.cut.moves.iter().zip(&result.moves) {
        assert!(report.share > 0.0, "{key}, {}: acts on no hair", each.name);
        assert!(report.taken_g > 0.0, "{key}, {}: takes nothing", each.name);
    }
    let (before, after) = (fall(&hair, &hair.lengths), fall(&hair, &result.lengths));
    Outcome { hair, before, after, result }
}

impl Outcome {
    fn worn(&self, zone: Zone) -> f64 {
        self.after.zones.iter().find(|z| z.zone == zone).unwrap().worn_mm
    }

    fn ends_at(&self, zone: Zone) -> f64 {
        self.after.zones.iter().find(|z| z.zone == zone).unwrap().ends_at_mm
    }

    fn height(&self, point: Point) -> f64 {
        point.height_mm(&self.hair.measures)
    }

    /// Mean share of its longest length that a zone's hair has: 1 where nothing was taken inside.
    fn solid(&self, zone: Zone) -> f64 {
        let of: Vec<f64> = (0..self.hair.strands.len())
            .filter(|i| self.hair.strands[*i].root.zone == zone)
            .map(|i| {
                let lengths = &self.result.lengths[i];
                lengths.iter().sum::<f64>() / SHARES as f64 / lengths.iter().copied().fold(1.0, f64::max)
            })
            .collect();
        of.iter().sum::<f64>() / of.len() as f64
    }

    /// Mean fibre length of the strands whose roots are chosen, mm.
    fn fibre(&self, chosen: impl Fn(&Root) -> bool) -> f64 {
        let of: Vec<f64> = (0..self.hair.strands.len())
            .filter(|i| chosen(&self.hair.strands[*i].root))
            .map(|i| self.result.lengths[i][0])
            .collect();
        of.iter().sum::<f64>() / of.len() as f64
    }

    /// Highest and lowest place of the perimeter round the back half.
    fn perimeter(&self, from_deg: f64, to_deg: f64) -> (f64, f64) {
        let step = 360.0 / self.after.perimeter_mm.len() as f64;
        let within = |i: &usize| (from_deg..to_deg).contains(&((*i as f64 + 0.5) * step));
        (0..self.after.perimeter_mm.len())
            .filter(within)
            .filter_map(|i| self.after.perimeter_mm[i])
            .fold((f64::MIN, f64::MAX), |(high, low), y| (high.max(y), low.min(y)))
    }
}

#[test]
fn every_cut_that_ships_can_be_carried_out_and_said() {
    assert_eq!(shipped().len(), 14);
    for each in shipped() {
        each.cut.check().unwrap_or_else(|faults| panic!("{}: {faults}", each.key));
        assert!(each.cut.purpose.len() > 30, "{}", each.key);
        for unit in [LengthUnit::Cm, LengthUnit::Inch] {
            for phrase in phrases(&each.cut, unit) {
                assert!(!phrase.text.contains(['[', '{']), "{}: {}", each.key, phrase.text);
            }
        }
        let text = serde_json::to_string(&each.cut).unwrap();
        assert_eq!(serde_json::from_str::<spirel_core::cut::Cut>(&text).unwrap(), each.cut);
    }
}

#[test]
fn harbour_line_takes_weight_below_and_leaves_the_veil() {
    let o = outcome("harbour_line", heavy());
    let (high, low) = o.perimeter(120.0, 240.0);
    assert!((low - o.height(Point::Chin)).abs() < 25.0 && high - low < 25.0, "{high} {low}");
    assert!(o.solid(Zone::Top) > 0.96, "{}", o.solid(Zone::Top));
    assert!(o.solid(Zone::Nape) < o.solid(Zone::LeftSide) && o.solid(Zone::LeftSide) < o.solid(Zone::Top));
}

#[test]
fn quay_school_is_short_behind_and_longer_towards_the_face() {
    let o = outcome("quay_school", head(220.0, 0.95, WidthClass::Fine, 150.0, 0.0));
    assert!(o.worn(Zone::Nape) < o.worn(Zone::BackUpper));
    assert!(o.worn(Zone::Nape) < 60.0);
    assert!(o.after.mass_g < 0.6 * o.before.mass_g);
}

#[test]
fn lantern_fringe_keeps_the_line_solid_and_opens_the_front() {
    let o = outcome("lantern_fringe", fine());
    assert!(o.worn(Zone::Fringe) < o.worn(Zone::Top), "{} {}", o.worn(Zone::Fringe), o.worn(Zone::Top));
    let (_, low) = o.perimeter(120.0, 240.0);
    assert!((low - o.height(Point::Shoulder)).abs() < 30.0, "{low}");
    assert!(o.solid(Zone::Top) < 0.999 && o.solid(Zone::Top) > 0.9, "bricks are few: {}", o.solid(Zone::Top));
}

#[test]
fn tidelines_textures_inside_and_ends_solid() {
    let o = outcome("tidelines", waves());
    let inner = o.solid(Zone::BackLower).min(o.solid(Zone::BackUpper));
    assert!(inner < 0.97, "{inner}");
    assert!(o.solid(Zone::Top) > 0.999, "what lies on top is solid");
}

#[test]
fn box_loft_keeps_its_corners_and_length() {
    let o = outcome("box_loft", waves());
    // Square layers leave more where the top turns into the side than in the middle of the top.
    let length_near = |across: f64| {
        o.fibre(|root| root.at.y > 60.0 && root.at.z.abs() < 40.0 && (root.at.x.abs() - across).abs() < 10.0)
    };
    assert!(length_near(55.0) > length_near(10.0) + 5.0, "{} {}", length_near(55.0), length_near(10.0));
    assert!(o.after.lowest_mm < o.height(Point::Shoulder) - 40.0, "{}", o.after.lowest_mm);
}

#[test]
fn long_ebb_spares_the_perimeter_and_frames_the_face() {
    let o = outcome("long_ebb", curls());
    assert!(o.worn(Zone::Fringe) < 0.55 * o.before.zones[0].worn_mm);
    // The frame is shortest at the middle of the forehead and opens towards the temples.
    let front =
        |low: f64, high: f64| o.fibre(|root| root.at.z > 55.0 && (low..high).contains(&root.at.x.abs()));
    assert!(front(0.0, 15.0) < front(25.0, 50.0) - 20.0, "{} {}", front(0.0, 15.0), front(25.0, 50.0));
    assert!(o.worn(Zone::Crown) < 0.75 * o.before.zones[2].worn_mm);
    let (_, low) = o.perimeter(150.0, 210.0);
    assert!(low < o.height(Point::Shoulder), "the length behind stays: {low}");
}

#[test]
fn flat_stone_builds_up_behind_and_keeps_the_front_long() {
    let o = outcome("flat_stone", curls());
    let side =
        |from: f64, to: f64| o.fibre(|root| root.zone == Zone::LeftSide && (from..to).contains(&root.at.z));
    assert!(side(30.0, 80.0) > side(-40.0, 0.0) + 10.0, "{} {}", side(30.0, 80.0), side(-40.0, 0.0));
    assert!(o.after.widest_at_mm >= o.before.widest_at_mm);
}

#[test]
fn strong_line_keeps_weight_below_its_arc() {
    let o = outcome("strong_line", fine());
    let light = |fall: &Fall| {
        let at = o.height(Point::Shoulder);
        fall.levels.iter().find(|level| level.height_mm <= at).unwrap().light
    };
    assert!(light(&o.after) < 0.35, "the ends hold back light: {}", light(&o.after));
    assert!(o.worn(Zone::Crown) < o.before.zones[2].worn_mm - 10.0);
}

#[test]
fn breakwater_is_round_and_full_above() {
    let o = outcome("breakwater", curls());
    assert!(
        o.after.widest_at_mm > o.before.widest_at_mm + 30.0,
        "{} {}",
        o.after.widest_at_mm,
        o.before.widest_at_mm
    );
    assert!(o.solid(Zone::Crown) < 0.97);
    assert!(o.worn(Zone::Fringe) < o.worn(Zone::BackLower) + 40.0);
}

#[test]
fn plumb_line_is_level_all_round() {
    let o = outcome("plumb_line", waves());
    let sides =
        [Zone::LeftSide, Zone::RightSide, Zone::BackUpper, Zone::BackLower].map(|zone| o.ends_at(zone));
    let spread =
        sides.iter().copied().fold(f64::MIN, f64::max) - sides.iter().copied().fold(f64::MAX, f64::min);
    assert!(spread < 25.0, "{sides:?}");
}

#[test]
fn dry_terraces_graduate_downwards() {
    let o = outcome("dry_terraces", curls());
    assert!(
        o.worn(Zone::Crown) < o.worn(Zone::BackUpper),
        "{} {}",
        o.worn(Zone::Crown),
        o.worn(Zone::BackUpper)
    );
    assert!(o.after.mass_g < o.before.mass_g);
}

#[test]
fn top_wind_lightens_the_top_and_leaves_the_line() {
    let o = outcome("top_wind", heavy());
    let solid_line = o.result.moves[1].taken_g;
    assert!(solid_line > 5.0);
    let on_top = |from: f64, to: f64| {
        o.fibre(|root| root.at.y > 95.0 && root.at.x.abs() < 30.0 && (from..to).contains(&root.at.z))
    };
    assert!(on_top(-70.0, -20.0) < on_top(30.0, 70.0) - 20.0, "shortest behind");
    assert!(
        (o.ends_at(Zone::BackLower) - o.height(Point::Shoulder)).abs() < 20.0,
        "{}",
        o.ends_at(Zone::BackLower)
    );
}

#[test]
fn halo_detaches_the_crown_and_leaves_the_front() {
    let o = outcome("halo", fine());
    assert!(o.worn(Zone::Fringe) > o.worn(Zone::Crown), "{} {}", o.worn(Zone::Fringe), o.worn(Zone::Crown));
    assert!(o.worn(Zone::Crown) < o.worn(Zone::Top));
    let (_, low) = o.perimeter(120.0, 240.0);
    assert!((low - o.height(Point::Shoulder)).abs() < 25.0, "the line stays: {low}");
}

#[test]
fn inside_sampler_takes_something_everywhere_and_no_length() {
    let o = outcome("inside_sampler", waves());
    for zone in Zone::ALL {
        assert!(o.solid(zone) < 0.995, "{zone:?} {}", o.solid(zone));
    }
    assert!((o.after.lowest_mm - o.height(Point::Collarbone)).abs() < 60.0);
}
