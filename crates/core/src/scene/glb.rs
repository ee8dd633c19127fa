//! Scenes as binary glTF 2.0 (ISO/IEC 12113).

use super::{Scene, ScenePart};
use gltf::binary::{Glb, Header};
use gltf::json::accessor::{ComponentType, GenericComponentType, Type};
use gltf::json::material::{AlphaMode, PbrBaseColorFactor, PbrMetallicRoughness, StrengthFactor};
use gltf::json::mesh::{Mode, Primitive, Semantic};
use gltf::json::validation::{Checked::Valid, USize64};
use gltf::json::{Accessor, Asset, Buffer, Index, Material, Mesh, Node, Root, buffer};
use serde_json::{Value, json};
use std::borrow::Cow;
use std::collections::BTreeMap;

/// glTF is in metres.
const METRES: f32 = 0.001;

impl Scene {
    /// The scene as the bytes of a `.glb` file: a node a part, under one node that turns millimetres into metres.
    pub fn glb(&self) -> Vec<u8> {
        let mut file = File::default();
        let nodes: Vec<Index<Node>> = self.parts.iter().map(|part| file.part(part)).collect();
        file.finish(nodes)
    }
}

#[derive(Default)]
struct File {
    root: Root,
    bytes: Vec<u8>,
}

impl File {
    fn part(&mut self, part: &ScenePart) -> Index<Node> {
        let corners = part.points.iter().flatten().flat_map(|x| x.to_le_bytes());
        let view = self.view(corners, buffer::Target::ArrayBuffer);
        let ends = |pick: fn(f32, f32) -> f32, start: f32| {
            let over = |sum: [f32; 3], p: &[f32; 3]| [0, 1, 2].map(|i| pick(sum[i], p[i]));
            Some(json!(part.points.iter().fold([start; 3], over)))
        };
        let (low, high) = (ends(f32::min, f32::INFINITY), ends(f32::max, f32::NEG_INFINITY));
        let points = self.accessor(view, part.points.len(), ComponentType::F32, Type::Vec3, low, high);
        let mut attributes = BTreeMap::from([(Valid(Semantic::Positions), points)]);
        if !part.normals.is_empty() {
            let normals = part.normals.iter().flatten().flat_map(|x| x.to_le_bytes());
            let view = self.view(normals, buffer::Target::ArrayBuffer);
            let normals = self.accessor(view, part.normals.len(), ComponentType::F32, Type::Vec3, None, None);
            attributes.insert(Valid(Semantic::Normals), normals);
        }
        if !part.shades.is_empty() {
            let shades = part.shades.iter().flat_map(|shade| [*shade; 3]).flat_map(f32::to_le_bytes);
            let view = self.view(shades, buffer::Target::ArrayBuffer);
            let shades = self.accessor(view, part.shades.len(), ComponentType::F32, Type::Vec3, None, None);
            attributes.insert(Valid(Semantic::Colors(0)), shades);
        }
        let view =
            self.view(part.indices.iter().flat_map(|i| i.to_le_bytes()), buffer::Target::ElementArrayBuffer);
        let indices = self.accessor(view, part.indices.len(), ComponentType::U32, Type::Scalar, None, None);
        let material = self.root.push(material(part));
        let primitive = Primitive {
            attributes,
            indices: Some(indices),
            material: Some(material),
            mode: Valid(if part.normals.is_empty() { Mode::Lines } else { Mode::Triangles }),
            extensions: None,
            extras: Default::default(),
            targets: None,
        };
        let mesh = self.root.push(Mesh {
            primitives: vec![primitive],
            name: Some(part.name.into()),
            extensions: None,
            extras: Default::default(),
            weights: None,
        });
        self.root.push(Node { mesh: Some(mesh), name: Some(part.name.into()), ..Node::default() })
    }

    fn view(&mut self, bytes: impl Iterator<Item = u8>, target: buffer::Target) -> Index<buffer::View> {
        // Everything is of four bytes, so that every view starts where four bytes may start.
        let offset = self.bytes.len();
        self.bytes.extend(bytes);
        self.root.push(buffer::View {
            buffer: Index::new(0),
            byte_length: USize64::from(self.bytes.len() - offset),
            byte_offset: Some(USize64::from(offset)),
            byte_stride: None,
            name: None,
            target: Some(Valid(target)),
            extensions: None,
            extras: Default::default(),
        })
    }

    fn accessor(
        &mut self,
        view: Index<buffer::View>,
        count: usize,
        component: ComponentType,
        type_: Type,
        min: Option<Value>,
        max: Option<Value>,
    ) -> Index<Accessor> {
        self.root.push(Accessor {
            buffer_view: Some(view),
            byte_offset: None,
            count: USize64::from(count),
            component_type: Valid(GenericComponentType(component)),
            type_: Valid(type_),
            min,
            max,
            name: None,
            normalized: false,
            sparse: None,
            extensions: None,
            extras: Default::default(),
        })
    }

    fn finish(mut self, nodes: Vec<Index<Node>>) -> Vec<u8> {
        self.root.asset = Asset { generator: Some("Spirel".into()), ..Asset::default() };
        self.root.push(Buffer {
            byte_length: USize64::from(self.bytes.len()),
            name: None,
            uri: None,
            extensions: None,
            extras: Default::default(),
        });
        let all = self.root.push(Node {
            children: Some(nodes),
            name: Some("plan".into()),
            scale: Some([METRES; 3]),
            ..Node::default()
        });
        let scene = self.root.push(gltf::json::Scene {
            nodes: vec![all],
            name: None,
            extensions: None,
            extras: Default::default(),
        });
        self.root.scene = Some(scene);
        // Plain data with text keys always has a JSON form, and a head's scene never nears the format's 4 GB.
        let json = serde_json::to_vec(&self.root).unwrap_or_default();
        let header = Header { magic: *b"glTF", version: 2, length: 0 };
        let glb = Glb { header, json: Cow::Owned(json), bin: Some(Cow::Owned(self.bytes)) };
        glb.to_vec().unwrap_or_default()
    }
}

fn material(part: &ScenePart) -> Material {
    let see_through = part.colour[3] < 1.0;
    Material {
        name: Some(part.name.into()),
        alpha_mode: Valid(if see_through { AlphaMode::Blend } else { AlphaMode::Opaque }),
        double_sided: !part.shades.is_empty(),
        pbr_metallic_roughness: PbrMetallicRoughness {
            base_color_factor: PbrBaseColorFactor(part.colour),
            metallic_factor: StrengthFactor(0.0),
            roughness_factor: StrengthFactor(0.9),
            ..PbrMetallicRoughness::default()
        },
        ..Material::default()
    }
}
