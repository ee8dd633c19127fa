//! Every cut that ships does what it says it is for, computed against the same head uncut.
#![allow(clippy::unwrap_used, reason = "a test that can't go on says so by failing")]

use spirel_core::cut::{Cut, CutResult, FirstLength, Guide, MoveKind, OverDirection, Sections, cut, shipped};
use spirel_core::fall::{Fall, fall};
use spirel_core::grow::HairRequest;
use spirel_core::hair::Hair;
use spirel_core::head::{Point, Root, SkullForm, Zone};
use spirel_core::reading::{RawReading, RawZoneReading, WidthClass};

/// A kind of head the cuts are meant for.
fn head(stretched_mm: f64, share: f64, width: WidthClass, hairs_per_cm2: f64, occiput: f64) -> Hair {
    let zone = RawZoneReading {
        width_class: Some(width),
        strands: 5,
        ..RawZoneReading::measured(stretched_mm, share * stretched_mm)
    };
    let zones = Zone::ALL.into_iter().map(|z| (z.into(), zone)).collect();
    let skull = SkullForm { occiput, crown: 0.0 };
    let reading = RawReading { zones, hairs_per_cm2, skull, ..RawReading::default() };
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

fn carried_out(key: &str, plan: &Cut, hair: &Hair) -> Outcome {
    let result = cut(hair, plan).unwrap_or_else(|faults| panic!("{key}: {faults}"));
    let (before, after) = (fall(hair, &hair.lengths), fall(hair, &result.lengths));
    Outcome { hair: hair.clone(), before, after, result }
}

/// By how much each thing that a cut is for is met: less than nothing is missed.
type Purpose = fn(&Outcome) -> Vec<f64>;

/// A cut does what it is for, and doesn't if it is carried out another way that a hand might plausibly take.
fn purpose_is_met(key: &str, hair: Hair, purpose: Purpose, wrong_way: impl Fn(&mut Cut)) {
    let plan = &shipped().iter().find(|shipped| shipped.key == key).unwrap().cut;
    let right = carried_out(key, plan, &hair);
    for (move_, report) in plan.moves.iter().zip(&right.result.moves) {
        assert!(report.share > 0.0, "{key}, {}: acts on no hair", move_.name);
        assert!(report.taken_g > 0.0, "{key}, {}: takes nothing", move_.name);
    }
    let met = purpose(&right);
    assert!(met.iter().all(|margin| *margin > 0.0), "{key}: {met:?}");
    let mut wrong = plan.clone();
    wrong_way(&mut wrong);
    assert_ne!(wrong, *plan, "{key}: nothing is other than it should be");
    let missed = purpose(&carried_out(key, &wrong, &hair));
    assert!(missed.iter().any(|margin| *margin < 0.0), "{key} the wrong way: {missed:?}");
}

/// Every section of a cut held, guided or textured another way.
fn sections(plan: &mut Cut, change: impl Fn(&mut Sections)) {
    for move_ in &mut plan.moves {
        if let MoveKind::Sections(sections) = &mut move_.kind {
            change(sections);
        }
    }
}

fn over_its_base(plan: &mut Cut) {
    sections(plan, |sections| {
        sections.hold.over_direction = OverDirection::OwnBase;
        if sections.guide == Guide::Stationary {
            sections.guide = Guide::TRAVELLING;
        }
    });
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
                lengths.mean() / lengths.longest().max(1.0)
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
fn every_cut_that_ships_can_be_carried_out() {
    assert_eq!(shipped().len(), 14);
    for shipped in shipped() {
        shipped.cut.check().unwrap_or_else(|faults| panic!("{}: {faults}", shipped.key));
        assert!(shipped.cut.purpose.len() > 30, "{}", shipped.key);
        let text = serde_json::to_string(&shipped.cut).unwrap();
        assert_eq!(serde_json::from_str::<spirel_core::cut::Cut>(&text).unwrap(), shipped.cut);
    }
}

#[test]
fn harbour_line_takes_weight_below_and_leaves_the_veil() {
    let purpose = |o: &Outcome| {
        let (high, low) = o.perimeter(120.0, 240.0);
        let [top, side, nape] = [Zone::Top, Zone::LeftSide, Zone::Nape].map(|zone| o.solid(zone));
        vec![
            25.0 - (low - o.height(Point::Chin)).abs(),
            25.0 - (high - low),
            top - 0.96,
            side - nape - 0.09,
            top - side,
        ]
    };
    // More weight out above than below.
    purpose_is_met("harbour_line", heavy(), purpose, |plan| {
        let below = plan.moves[1].technique;
        plan.moves[1].technique = plan.moves[2].technique;
        plan.moves[2].technique = below;
    });
}

#[test]
fn quay_school_is_short_behind_stacked_in_the_nape_and_longer_towards_the_face() {
    let purpose = |o: &Outcome| {
        let nape =
            |low: f64, high: f64| o.fibre(|root| root.zone == Zone::Nape && (low..high).contains(&root.at.y));
        vec![
            o.worn(Zone::BackUpper) - o.worn(Zone::Nape),
            60.0 - o.worn(Zone::Nape),
            0.6 * o.before.mass_g - o.after.mass_g,
            nape(-45.0, -25.0) - nape(-80.0, -45.0) - 3.0,
        ]
    };
    // Held square to the head the nape doesn't stack.
    let square = |plan: &mut Cut| sections(plan, |sections| sections.hold.elevation_deg = 90.0);
    purpose_is_met("quay_school", head(220.0, 0.95, WidthClass::Fine, 150.0, 0.0), purpose, square);
}

#[test]
fn lantern_fringe_keeps_the_line_solid_and_opens_the_front() {
    let purpose = |o: &Outcome| {
        let (_, low) = o.perimeter(120.0, 240.0);
        let fringe = |from: f64, to: f64| {
            o.fibre(|root| root.zone == Zone::Fringe && (from..to).contains(&root.at.x.abs()))
        };
        // Bricks are few, and the curtain is shortest in its middle.
        vec![
            o.worn(Zone::Top) - o.worn(Zone::Fringe),
            30.0 - (low - o.height(Point::Shoulder)).abs(),
            0.999 - o.solid(Zone::Top),
            o.solid(Zone::Top) - 0.9,
            fringe(15.0, 30.0) - fringe(0.0, 15.0) - 10.0,
        ]
    };
    let travelling = |plan: &mut Cut| sections(plan, |sections| sections.guide = Guide::TRAVELLING);
    purpose_is_met("lantern_fringe", fine(), purpose, travelling);
}

#[test]
fn tidelines_textures_every_second_section_and_ends_solid() {
    let purpose = |o: &Outcome| {
        let inner = o.solid(Zone::BackLower).min(o.solid(Zone::BackUpper));
        let behind = (0..o.hair.strands.len()).filter(|i| o.hair.strands[*i].root.zone == Zone::BackUpper);
        let (mut solid, mut all) = (0.0, 0.0);
        for lengths in behind.map(|i| &o.result.lengths[i]) {
            solid += f64::from(u8::from(lengths.iter().all(|length| (length - lengths[0]).abs() < 1e-9)));
            all += 1.0;
        }
        vec![0.97 - inner, o.solid(Zone::Top) - 0.999, solid / all - 0.35]
    };
    // Every section textured.
    purpose_is_met("tidelines", waves(), purpose, |plan| {
        if let MoveKind::Weight(layout) = &mut plan.moves[1].kind {
            (layout.every, layout.skip) = (1, 0);
        }
    });
}

#[test]
fn box_loft_keeps_its_corners_and_length() {
    // Square layers leave more where the top turns into the side than in the middle of the top.
    let purpose = |o: &Outcome| {
        let near = |across: f64| {
            let at = |root: &Root| root.at.y > 60.0 && root.at.z.abs() < 40.0;
            o.fibre(|root| at(root) && (root.at.x.abs() - across).abs() < 10.0)
        };
        vec![near(55.0) - near(10.0) - 5.0, o.height(Point::Shoulder) - 40.0 - o.after.lowest_mm]
    };
    // Let fall instead of held up.
    let low = |plan: &mut Cut| sections(plan, |sections| sections.hold.elevation_deg = 0.0);
    purpose_is_met("box_loft", waves(), purpose, low);
}

#[test]
fn long_ebb_spares_the_perimeter_frames_the_face_and_keeps_the_sides_long_in_front() {
    let purpose = |o: &Outcome| {
        // The frame is shortest at the middle of the forehead and opens towards the temples.
        let front =
            |low: f64, high: f64| o.fibre(|root| root.at.z > 55.0 && (low..high).contains(&root.at.x.abs()));
        let side = |from: f64, to: f64| {
            o.fibre(|root| root.zone == Zone::LeftSide && (from..to).contains(&root.at.z))
        };
        let (_, low) = o.perimeter(150.0, 210.0);
        vec![
            0.55 * o.before.zones[0].worn_mm - o.worn(Zone::Fringe),
            front(25.0, 50.0) - front(0.0, 15.0) - 20.0,
            0.75 * o.before.zones[2].worn_mm - o.worn(Zone::Crown),
            o.height(Point::Shoulder) - low,
            side(0.0, 30.0) - side(-40.0, 0.0) + 20.0,
        ]
    };
    // Each side held over its own base, as short in front as behind.
    let even = |plan: &mut Cut| {
        sections(plan, |sections| {
            sections.guide = Guide::Free;
            sections.length = FirstLength::WornMm(80.0);
        });
    };
    purpose_is_met("long_ebb", curls(), purpose, even);
}

#[test]
fn flat_stone_builds_up_behind_and_keeps_the_front_long() {
    let purpose = |o: &Outcome| {
        let side = |from: f64, to: f64| {
            o.fibre(|root| root.zone == Zone::LeftSide && (from..to).contains(&root.at.z))
        };
        vec![side(30.0, 80.0) - side(-40.0, 0.0) - 10.0, o.after.widest_at_mm - o.before.widest_at_mm]
    };
    purpose_is_met("flat_stone", curls(), purpose, over_its_base);
}

#[test]
fn strong_line_keeps_weight_below_its_arc_and_more_the_further_from_the_middle() {
    let purpose = |o: &Outcome| {
        let at = o.height(Point::Shoulder);
        let light = o.after.levels.iter().find(|level| level.height_mm <= at).unwrap().light;
        let above =
            |from: f64, to: f64| o.fibre(|root| root.at.y > 60.0 && (from..to).contains(&root.at.x.abs()));
        vec![
            0.35 - light,
            o.before.zones[2].worn_mm - 10.0 - o.worn(Zone::Crown),
            above(45.0, 60.0) - above(0.0, 15.0) - 20.0,
        ]
    };
    purpose_is_met("strong_line", fine(), purpose, over_its_base);
}

#[test]
fn breakwater_is_round_and_full_above() {
    let purpose = |o: &Outcome| {
        let behind_the_ear = |root: &Root| root.zone == Zone::LeftSide && (-40.0..0.0).contains(&root.at.z);
        vec![
            o.after.widest_at_mm - o.before.widest_at_mm - 30.0,
            0.97 - o.solid(Zone::Crown),
            o.worn(Zone::BackLower) + 40.0 - o.worn(Zone::Fringe),
            280.0 - o.fibre(behind_the_ear),
        ]
    };
    // One guide for all: what grows far from it keeps its length.
    let stationary = |plan: &mut Cut| sections(plan, |sections| sections.guide = Guide::Stationary);
    purpose_is_met("breakwater", curls(), purpose, stationary);
}

#[test]
fn plumb_line_is_level_all_round() {
    let purpose = |o: &Outcome| {
        let round = [Zone::LeftSide, Zone::RightSide, Zone::BackUpper, Zone::BackLower];
        let ends = round.map(|zone| o.ends_at(zone));
        let (low, high) =
            ends.iter().fold((f64::MAX, f64::MIN), |(low, high), end| (low.min(*end), high.max(*end)));
        vec![25.0 - (high - low)]
    };
    // By the ruler, with the head bent.
    purpose_is_met("plumb_line", waves(), purpose, |plan| {
        for move_ in &mut plan.moves {
            if let MoveKind::Perimeter(line) = &mut move_.kind {
                (line.worn, line.tilt_deg) = (false, 25.0);
            }
        }
    });
}

#[test]
fn dry_terraces_graduate_downwards() {
    let purpose =
        |o: &Outcome| vec![o.worn(Zone::BackUpper) - o.worn(Zone::Crown), o.before.mass_g - o.after.mass_g];
    let travelling = |plan: &mut Cut| sections(plan, |sections| sections.guide = Guide::TRAVELLING);
    purpose_is_met("dry_terraces", curls(), purpose, travelling);
}

#[test]
fn top_wind_lightens_the_top_and_leaves_the_line() {
    let purpose = |o: &Outcome| {
        let on_top = |from: f64, to: f64| {
            let middle = |root: &Root| root.at.y > 95.0 && root.at.x.abs() < 30.0;
            o.fibre(|root| middle(root) && (from..to).contains(&root.at.z))
        };
        // Shortest behind.
        vec![
            o.result.moves[1].taken_g - 5.0,
            on_top(30.0, 70.0) - 20.0 - on_top(-70.0, -20.0),
            20.0 - (o.ends_at(Zone::BackLower) - o.height(Point::Shoulder)).abs(),
        ]
    };
    let travelling = |plan: &mut Cut| sections(plan, |sections| sections.guide = Guide::TRAVELLING);
    purpose_is_met("top_wind", heavy(), purpose, travelling);
}

#[test]
fn halo_detaches_the_crown_and_leaves_the_front() {
    let purpose = |o: &Outcome| {
        let (_, low) = o.perimeter(120.0, 240.0);
        let crown = |from: f64, to: f64| {
            o.fibre(|root| root.zone == Zone::Crown && (from..to).contains(&root.at.x.abs()))
        };
        // The line stays; drawn to the middle, the crown grows longer to its sides.
        vec![
            o.worn(Zone::Fringe) - o.worn(Zone::Crown),
            o.worn(Zone::Top) - o.worn(Zone::Crown),
            25.0 - (low - o.height(Point::Shoulder)).abs(),
            crown(40.0, 60.0) - crown(0.0, 10.0) - 28.0,
        ]
    };
    purpose_is_met("halo", fine(), purpose, over_its_base);
}

#[test]
fn inside_sampler_takes_something_everywhere_and_no_length() {
    let purpose = |o: &Outcome| {
        let mut met: Vec<f64> = Zone::ALL.into_iter().map(|zone| 0.995 - o.solid(zone)).collect();
        met.push(60.0 - (o.after.lowest_mm - o.height(Point::Collarbone)).abs());
        met
    };
    // Only every third section.
    purpose_is_met("inside_sampler", waves(), purpose, |plan| {
        for move_ in &mut plan.moves {
            if let MoveKind::Weight(layout) = &mut move_.kind {
                layout.every = 3;
            }
        }
    });
}
