//! The scene of a plan: a sound mesh, in the right place, and a file that any reader of the format takes.

use gltf::mesh::Mode;
use spirel_core::cut::{Guide, MoveKind, cut, shipped};
use spirel_core::grow::HairRequest;
use spirel_core::hair::Hair;
use spirel_core::head::Zone;
use spirel_core::plan::{FallRequest, Plan};
use spirel_core::reading::{RawReading, RawZoneReading};
use spirel_core::scene::{Scene, ScenePart, scene};
use std::collections::BTreeMap;

fn reading() -> RawReading {
    let zones = BTreeMap::from([(Zone::Top.into(), RawZoneReading::measured(420.0, 300.0))]);
    RawReading { zones, ..RawReading::default() }
}

fn staged(key: &str) -> (Hair, Scene) {
    let hair = HairRequest { roots: 1024, ..HairRequest::new(reading()) }.grow().expect("possible");
    let plan = &shipped().iter().find(|shipped| shipped.key == key).expect("it ships").cut;
    let result = cut(&hair, plan).expect("it can be cut");
    let sections = &result.moves[1].sections;
    let scene = scene(&hair, &result.lengths, sections.first(), sections);
    (hair, scene)
}

fn part<'a>(scene: &'a Scene, name: &str) -> &'a ScenePart {
    scene.parts.iter().find(|part| part.name == name).unwrap_or_else(|| panic!("no {name}"))
}

#[test]
fn every_part_is_sound() {
    let (_, scene) = staged("breakwater");
    let names: Vec<&str> = scene.parts.iter().map(|part| part.name).collect();
    for name in [
        "head",
        "scalp",
        "body",
        "head lines",
        "hair now",
        "hair after",
        "section",
        "hand",
        "held hair",
        "held before",
        "guide",
    ] {
        assert!(names.contains(&name), "{names:?}");
    }
    for part in &scene.parts {
        assert!(part.points.iter().flatten().all(|x| x.is_finite() && x.abs() < 1500.0), "{}", part.name);
        assert!(part.indices.iter().all(|i| (*i as usize) < part.points.len()), "{}", part.name);
        let many = if part.normals.is_empty() { 2 } else { 3 };
        assert!(part.indices.len().is_multiple_of(many), "{}", part.name);
        for normal in &part.normals {
            let length = normal.iter().map(|x| x * x).sum::<f32>().sqrt();
            assert!((length - 1.0).abs() < 1e-4, "{}", part.name);
        }
    }
}

/// Volume under a surface that faces outward, by the divergence theorem, mm³.
fn volume(part: &ScenePart) -> f64 {
    let corner = |i: u32| part.points[i as usize].map(f64::from);
    let of = |t: &[u32]| {
        let [a, b, c] = [corner(t[0]), corner(t[1]), corner(t[2])];
        (a[0] * (b[1] * c[2] - b[2] * c[1])
            + a[1] * (b[2] * c[0] - b[0] * c[2])
            + a[2] * (b[0] * c[1] - b[1] * c[0]))
            / 6.0
    };
    part.indices.chunks_exact(3).map(of).sum()
}

#[test]
fn the_head_faces_outward_and_has_the_volume_of_a_head() {
    let (_, scene) = staged("breakwater");
    // From the crown to the chin, open below: between three and five litres.
    let litres = volume(part(&scene, "head")) * 1e-6;
    assert!((2.5..5.5).contains(&litres), "{litres}");
    // Normals point the way the triangles face.
    let head = part(&scene, "head");
    let outward = head
        .points
        .iter()
        .zip(&head.normals)
        .filter(|(p, n)| p[0] * n[0] + p[2] * n[2] + (p[1] - 10.0) * n[1] > 0.0);
    assert!(outward.count() as f64 > 0.98 * head.points.len() as f64);
}

#[test]
fn held_hair_runs_from_section_to_hand_outside_the_head() {
    for key in ["breakwater", "flat_stone", "top_wind"] {
        let (hair, scene) = staged(key);
        for p in ["held hair", "held before"].into_iter().flat_map(|name| &part(&scene, name).points) {
            let p = nalgebra::Vector3::new(f64::from(p[0]), f64::from(p[1]), f64::from(p[2]));
            assert!(p.norm() > hair.form.radius_mm(&p) - 0.3, "{key}: {p} lies in the head");
        }
    }
}

#[test]
fn ears_are_drawn_where_no_hair_covers_them() {
    let hair = HairRequest { roots: 1024, ..HairRequest::new(reading()) }.grow().expect("possible");
    // Lines that stand out beside the head, at the height of the ears.
    let ears = |length_mm: f64| {
        let cropped = vec![spirel_core::hair::ShareLengths::all(length_mm); hair.strands.len()];
        let scene = scene(&hair, &cropped, None, &[]);
        let lines = &part(&scene, "head lines").points;
        [1.0, -1.0].map(|hand| lines.iter().any(|p| hand * p[0] > 84.0 && p[1].abs() < 20.0))
    };
    assert_eq!([ears(12.0), ears(400.0)], [[true; 2], [false; 2]]);
}

#[test]
fn the_section_in_hand_is_hair_from_its_base_to_the_hand() {
    let (hair, scene) = staged("breakwater");
    let (held, hand) = (part(&scene, "held hair"), part(&scene, "hand"));
    let near = |p: &&[f32; 3], of: &[[f32; 3]]| {
        of.iter().any(|q| p.iter().zip(q).map(|(a, b)| (a - b).powi(2)).sum::<f32>() < 1.0)
    };
    let at_hand = held.points.iter().filter(|p| near(p, &hand.points)).count();
    let at_root = held.points.iter().filter(|p| {
        let p = nalgebra::Vector3::new(f64::from(p[0]), f64::from(p[1]), f64::from(p[2]));
        (p.norm() - hair.form.radius_mm(&p)).abs() < 0.3
    });
    // It is drawn as strands side by side, so that each of their edges begins on the scalp and some end at the points of the hand.
    let strands = held.points.len() / 16;
    assert!(strands > 8 && at_root.count() >= 2 * strands && at_hand * 8 > strands, "{strands} {at_hand}");
    assert!(held.shades.iter().any(|shade| *shade < 0.8) && held.shades.contains(&1.0), "one by one");
}

#[test]
fn shorter_hair_ends_higher_and_lies_within_the_longer_one() {
    let (_, scene) = staged("breakwater");
    let points = |name| part(&scene, name).points.iter();
    let lowest = |name| points(name).map(|p| p[1]).fold(f32::INFINITY, f32::min);
    assert!(lowest("hair after") >= lowest("hair now") - 1e-3);
    let reach = |name| points(name).map(|p| p[0].hypot(p[2])).fold(0.0, f32::max);
    assert!(reach("hair after") < reach("hair now") + 8.0);
}

#[test]
fn the_file_is_read_back_part_for_part() {
    let (_, scene) = staged("breakwater");
    let bytes = scene.glb();
    let file = gltf::Gltf::from_slice(&bytes).expect("a sound file");
    let blob = file.blob.as_deref().expect("it carries its bytes");
    assert_eq!(file.nodes().count(), scene.parts.len() + 1);
    let all = file.scenes().next().expect("a scene").nodes().next().expect("a root");
    assert_eq!(all.transform().decomposed().2, [0.001; 3], "metres");
    for (node, part) in all.children().zip(&scene.parts) {
        assert_eq!(node.name(), Some(part.name));
        let primitive = node.mesh().expect("a mesh").primitives().next().expect("a primitive");
        assert_eq!(primitive.mode() == Mode::Lines, part.normals.is_empty());
        let reader = primitive.reader(|_| Some(blob));
        let points: Vec<[f32; 3]> = reader.read_positions().expect("points").collect();
        assert_eq!(points, part.points);
        let indices: Vec<u32> = reader.read_indices().expect("indices").into_u32().collect();
        assert_eq!(indices, part.indices);
        let bounds = primitive.bounding_box();
        assert!(points.iter().all(|p| (0..3).all(|i| (bounds.min[i]..=bounds.max[i]).contains(&p[i]))));
    }
}

#[test]
fn one_section_can_be_shown_alone() {
    let plan =
        Plan::of(shipped().iter().find(|shipped| shipped.key == "breakwater").expect("it ships").cut.clone());
    let mut request = FallRequest { show_move: Some(1), ..FallRequest::new(reading(), plan.cut) };
    let held = |request: &FallRequest| {
        let bytes = request.scene().expect("possible");
        let file = gltf::Gltf::from_slice(&bytes).expect("sound");
        let node = file.nodes().find(|node| node.name() == Some("hand"));
        node.map_or(0, |node| {
            node.mesh().expect("a mesh").primitives().next().expect("one").indices().expect("some").count()
        })
    };
    let some = held(&request);
    request.show_section = Some(0);
    let one = held(&request);
    assert!(one > 0 && some > 2 * one, "{one} {some}");
    request.show_section = Some(999);
    assert_eq!(held(&request), 0, "a section that isn't there");
    request.show_move = None;
    assert!(!request.scene().expect("possible").is_empty());
}

#[test]
fn a_guide_is_shown_only_where_sections_follow_one() {
    let mut plan =
        Plan::of(shipped().iter().find(|shipped| shipped.key == "breakwater").expect("it ships").cut.clone());
    let number = plan.cut.moves.iter().position(|move_| move_.has_guide()).expect("it has one that travels");
    let shows_guide = |plan: &Plan| {
        let shown = Some(number as u32);
        let request = FallRequest { show_move: shown, ..FallRequest::new(reading(), plan.cut.clone()) };
        let file = gltf::Gltf::from_slice(&request.scene().expect("possible")).expect("sound");
        file.nodes().any(|node| node.name() == Some("guide"))
    };
    assert!(shows_guide(&plan));
    if let MoveKind::Sections(sections) = &mut plan.cut.moves[number].kind {
        sections.guide = Guide::Free;
    }
    assert!(!shows_guide(&plan));
}
