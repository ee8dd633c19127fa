//! What the browser has to know of the rules and can't see from the types: defaults, choices, limits, and how zones are halved.
//! It is written beside the types that are generated for it (`make contract`), and a test fails when it differs from the program.

use serde::Serialize;
use serde_json::{Value, json};
use spirel_core::cut::{FirstLength, Guide, LeverRule, MoveKind, OverDirection, Pause, levers};
use spirel_core::edit::{Identity, LISTS, ORDER, WHOLE};
use spirel_core::head::{
    Growth, GrowthDirection, Halving, HeadView, MOST_GROWTHS, Patch, Point, Zone, ZoneHalf,
};
use spirel_core::judge::{FindingRule, rules as finding_rules};
use spirel_core::mark::TARGET_MM;
use spirel_core::member::GREATEST_ID;
use spirel_core::reading::{FigureKind, Quantity, RawZoneReading, Spot, ZoneFigure, most};
use spirel_core::section::{Along, Region};
use spirel_core::stage::StageDocuments;
use utoipa::{PartialSchema, ToSchema};

/// A zone or a half of one, and what it is made of.
#[derive(Debug, Serialize, ToSchema)]
pub struct PatchRule {
    /// Its name.
    patch: Patch,
    /// The zone it belongs to.
    zone: Zone,
    /// Which half of it.
    half: Option<ZoneHalf>,
    /// The way in which the zone is halved for it.
    halving: Option<Halving>,
    /// The zone on the other side, for zones that have one.
    mirrored: Option<Zone>,
}

/// What holds for a figure of a zone.
#[derive(Debug, Serialize, ToSchema)]
pub struct FigureRule {
    /// Which.
    figure: ZoneFigure,
    /// What it is said in.
    kind: FigureKind,
    /// Least that is accepted, of numbers.
    least: Option<f64>,
    /// Greatest that is accepted, of numbers.
    greatest: Option<f64>,
    /// Unit of a number, as it is written; empty where it has none.
    unit: &'static str,
    /// The words it can be.
    #[schema(value_type = Vec<String>)]
    words: Vec<Value>,
    /// What an instrument measures of it, if one does.
    quantity: Option<Quantity>,
    /// Whether it describes the kind of hair that grows there: then it isn't given where the hair is like another's.
    tells_kind: bool,
    /// Whether it measures how much the hair curls.
    tells_curl: bool,
}

impl From<ZoneFigure> for FigureRule {
    fn from(figure: ZoneFigure) -> Self {
        let rule = figure.rule();
        let (least, greatest) = rule.range;
        let ranged = matches!(rule.kind, FigureKind::Length | FigureKind::Number);
        Self {
            figure,
            kind: rule.kind,
            least: ranged.then_some(least),
            greatest: ranged.then_some(greatest),
            unit: rule.unit,
            words: figure.words(),
            quantity: rule.quantity(),
            tells_kind: rule.tells_kind,
            tells_curl: rule.tells_curl,
        }
    }
}

/// How a list is taken apart when it is edited.
#[derive(Debug, Serialize, ToSchema)]
pub struct ListRule {
    /// Its name in a document.
    list: &'static str,
    /// What distinguishes its members.
    identity: Identity,
}

/// How many entries lists of a reading may have.
#[derive(Debug, Serialize, ToSchema)]
pub struct Most {
    /// Weak spots.
    spots: usize,
    /// Whorls and cowlicks.
    growths: usize,
    /// Girths of the gathered hair.
    girths: usize,
    /// Strands laid on combs.
    combs: usize,
    /// Sharp edges.
    edges: usize,
    /// Strands of a zone beside the first.
    strands: usize,
}

/// What holds for a point of face or body.
#[derive(Debug, Serialize, ToSchema)]
pub struct PointRule {
    /// Which.
    point: Point,
    /// Whether it lies below the head.
    of_the_body: bool,
    /// Whether a face has it on both sides.
    paired: bool,
}

/// A side from which the head is drawn.
#[derive(Debug, Serialize, ToSchema)]
pub struct ViewRule {
    /// Which.
    view: HeadView,
    /// How far from the front it is turned towards the client's left, degrees; none from above.
    turn_deg: Option<f64>,
}

/// The names of choices of which some carry more.
#[derive(Debug, Serialize, ToSchema)]
pub struct Choices {
    /// Kinds of a move.
    moves: Vec<String>,
    /// Directions of subsections.
    along: Vec<String>,
    /// What hair is held over.
    over: Vec<String>,
    /// Guides.
    guides: Vec<String>,
    /// How a first length is given.
    lengths: Vec<String>,
    /// Pauses.
    pauses: Vec<String>,
    /// Ways hair grows round a place.
    growths: Vec<String>,
    /// Kinds of a region.
    regions: Vec<String>,
}

/// The names of the variants of a type, as its schema has them: a word, or the one member of an object.
fn variants<T: PartialSchema>() -> Vec<String> {
    let schema = json!(T::schema());
    let names = |choice: &Value| -> Vec<String> {
        match (&choice["enum"], &choice["properties"]) {
            (Value::Array(words), _) => words.iter().filter_map(Value::as_str).map(str::to_owned).collect(),
            (_, Value::Object(members)) => members.keys().cloned().collect(),
            _ => Vec::new(),
        }
    };
    schema["oneOf"].as_array().into_iter().flatten().flat_map(names).collect()
}

/// Rules that the browser shares with the program.
#[derive(Debug, Serialize, ToSchema)]
pub struct Contract {
    /// What each stage holds before it is begun.
    stages: StageDocuments,
    /// What is kept of a zone as soon as anything is said of it.
    zone: RawZoneReading,
    /// The figures of a zone, in the order in which they are shown.
    figures: Vec<FigureRule>,
    /// A weak spot as it begins.
    spot: Spot,
    /// A whorl or cowlick as it begins.
    growth: Growth,
    /// How many entries lists of a reading may have.
    most: Most,
    /// The names of choices of which some carry more.
    choices: Choices,
    /// Points of face and body, from the top down.
    points: Vec<PointRule>,
    /// Sides from which the head is drawn.
    views: Vec<ViewRule>,
    /// Least and longest worn length that can be wished, mm.
    wish_mm: (f64, f64),
    /// Lists whose members are edited one by one.
    lists: Vec<ListRule>,
    /// Members of documents that are edited whole.
    whole: &'static [&'static str],
    /// Name under which the order of a list is edited.
    order: &'static str,
    /// The greatest id of a member of a list.
    greatest_id: u64,
    /// What of a step can be turned, how far and by which steps.
    levers: &'static [LeverRule],
    /// When each finding is said.
    findings: &'static [FindingRule],
    /// Every zone and every half that one can be read in, in walking order.
    patches: Vec<PatchRule>,
}

impl Default for Contract {
    fn default() -> Self {
        let rule = |(patch, halving): (Patch, Option<Halving>)| PatchRule {
            patch,
            zone: patch.zone,
            half: patch.half,
            halving,
            mirrored: patch.zone.mirrored(),
        };
        Self {
            stages: StageDocuments::default(),
            lists: LISTS.iter().map(|&(list, identity)| ListRule { list, identity }).collect(),
            whole: WHOLE,
            order: ORDER,
            greatest_id: GREATEST_ID,
            zone: RawZoneReading::default(),
            figures: ZoneFigure::ALL.iter().map(|figure| (*figure).into()).collect(),
            choices: Choices {
                moves: variants::<MoveKind>(),
                along: variants::<Along>(),
                over: variants::<OverDirection>(),
                guides: variants::<Guide>(),
                lengths: variants::<FirstLength>(),
                pauses: variants::<Pause>(),
                growths: variants::<GrowthDirection>(),
                regions: variants::<Region>(),
            },
            spot: Spot::default(),
            growth: Growth::default(),
            most: Most {
                spots: most::MOST_SPOTS,
                growths: MOST_GROWTHS,
                girths: most::MOST_GIRTHS,
                combs: most::MOST_COMBS,
                edges: most::MOST_EDGES,
                strands: most::MOST_STRANDS,
            },
            views: HeadView::ALL.map(|view| ViewRule { view, turn_deg: view.turn_deg() }).into(),
            points: Point::ALL
                .map(|point| PointRule {
                    point,
                    of_the_body: point.is_of_the_body(),
                    paired: point.is_paired(),
                })
                .into(),
            wish_mm: TARGET_MM,
            levers: levers(),
            findings: finding_rules(),
            patches: Zone::ALL.into_iter().flat_map(Zone::patches).map(rule).collect(),
        }
    }
}
