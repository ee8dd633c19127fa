//! The core, asked for what a view is showing right now. Nothing is kept.

use crate::http::{ApiError, Asked, JsonBody, Lane, PngBytes, ProblemDetails, SignedIn, State};
use crate::picture::{scalp_of_png, scalp_to_compare};
use actix_web::{HttpResponse, get, post, web};
use serde::{Deserialize, Serialize};
use spirel_core::Stop;
use spirel_core::cut::{Cut, ShippedCut, shipped};
use spirel_core::fall::svg;
use spirel_core::fibre::{HangRequest, HangResult, WornStyle};
use spirel_core::grow::{Doubt, HairNow, HairRequest};
use spirel_core::head::Figure;
use spirel_core::lock::Lock;
use spirel_core::mark::{Aim, MarkAnswer, MarkRequest, MarkSheet, StrandLines, StrandRequest, mark_sheet};
use spirel_core::method::{Rule, ShippedMethod, methods, rules};
use spirel_core::plan::{
    FallAnswer, FallRequest, JudgeAnswer, LocksRequest, PartedRequest, PartedSection, SectionPicture,
    StepBrings, StepMarks, WhatIf, WhatIfRequest,
};
use spirel_core::planner::{PlanAnswer, PlanRequest, WishRequest};
use spirel_core::reading::{CurlPicture, RawReading, curl_pictures};
use spirel_core::scope::{HairCount, count_until};
use spirel_core::summary::{ReadingSummary, summarise};
use spirel_core::talk::{Climate, FringeWish, Talk, TalkCaution, Wearing};
use spirel_core::units::LengthUnit;
use utoipa::{IntoParams, ToSchema};

/// The client's figure: heights of the points, and the worn length from each zone to each, by the paths that the hair of a
/// plan falls along.
#[utoipa::path(tag = "compute", request_body = HairRequest, responses(
    (status = 200, body = Figure), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/figure")]
pub async fn figure(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<HairRequest>,
) -> Result<web::Json<Figure>, ApiError> {
    Ok(web::Json(state.light.run(&asked, move |_| body.0.figure()).await?))
}

/// A reading in short: shrinkage by zone, what is missing, how sure.
#[utoipa::path(tag = "compute", request_body = RawReading, responses(
    (status = 200, body = ReadingSummary), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/summary")]
pub async fn summary(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<RawReading>,
) -> Result<web::Json<ReadingSummary>, ApiError> {
    Ok(web::Json(state.light.run(&asked, move |_| Ok::<_, ApiError>(summarise(&body.0))).await?))
}

/// A strand of every word for curl, to be drawn in its true size.
#[utoipa::path(tag = "compute", responses((status = 200, body = Vec<CurlPicture>)))]
#[get("/api/curls")]
pub async fn curls(_person: SignedIn) -> web::Json<Vec<CurlPicture>> {
    web::Json(curl_pictures())
}

/// What the talk asks to be careful about, the gravest first.
#[utoipa::path(tag = "compute", request_body = Talk, responses(
    (status = 200, body = Vec<TalkCaution>), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/talk")]
pub async fn talk(_person: SignedIn, body: JsonBody<Talk>) -> web::Json<Vec<TalkCaution>> {
    web::Json(body.0.cautions())
}

/// What the marks of a head follow from.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct MarksRequest {
    reading: RawReading,
    aim: Aim,
    #[serde(default)]
    worn: WornStyle,
    /// Whether the front is smoothed, whatever the rest is.
    #[serde(default)]
    front_straight: bool,
    /// Whether there is a fringe, or is to be.
    #[serde(default)]
    fringe: FringeWish,
    /// The air it is worn in.
    #[serde(default)]
    climate: Climate,
    #[serde(default)]
    unit: LengthUnit,
}

/// Where on the comb to cut, for every zone in every state.
#[utoipa::path(tag = "compute", request_body = MarksRequest, responses(
    (status = 200, body = MarkSheet), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/marks")]
pub async fn marks(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<MarksRequest>,
) -> Result<web::Json<MarkSheet>, ApiError> {
    let MarksRequest { reading, aim, worn, front_straight, fringe, climate, unit } = body.0;
    let worn = Wearing { style: worn, front_straight, fringe: fringe.is_worn(), climate };
    Ok(web::Json(state.light.run(&asked, move |_| mark_sheet(&reading, &aim, worn, unit)).await?))
}

/// Where on the comb to cut one zone.
#[utoipa::path(tag = "compute", request_body = MarkRequest, responses(
    (status = 200, body = MarkAnswer), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/mark")]
pub async fn mark(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<MarkRequest>,
) -> Result<web::Json<MarkAnswer>, ApiError> {
    Ok(web::Json(state.light.run(&asked, move |_| body.0.answer()).await?))
}

/// One strand in its four lengths, as lines to draw.
#[utoipa::path(tag = "compute", request_body = StrandRequest, responses(
    (status = 200, body = StrandLines), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/strand")]
pub async fn strand(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<StrandRequest>,
) -> Result<web::Json<StrandLines>, ApiError> {
    Ok(web::Json(state.light.run(&asked, move |_| body.0.lines()).await?))
}

/// How one bare fibre hangs.
#[utoipa::path(tag = "compute", request_body = HangRequest, responses(
    (status = 200, body = HangResult), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/hang")]
pub async fn hang(_person: SignedIn, body: JsonBody<HangRequest>) -> Result<web::Json<HangResult>, ApiError> {
    Ok(web::Json(body.0.hang()?))
}

/// The hair as it is now: how it falls, and how well that agrees with what was measured of it as a whole.
#[utoipa::path(tag = "compute", request_body = HairRequest, responses(
    (status = 200, body = HairNow), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/now")]
pub async fn now(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<HairRequest>,
) -> Result<web::Json<HairNow>, ApiError> {
    let head = state.head(&state.heavy, &asked, body.0).await?;
    Ok(web::Json(head.now.clone()))
}

/// What of a head of hair is not measured, by how much it may change the hair as it is drawn: most first.
#[utoipa::path(tag = "compute", request_body = HairRequest, responses(
    (status = 200, body = Vec<Doubt>), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/doubts")]
pub async fn doubts(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<HairRequest>,
) -> Result<web::Json<Vec<Doubt>>, ApiError> {
    Ok(web::Json(state.heavy.run(&asked, move |stop| body.0.doubts_until(stop)).await?))
}

/// The sections that have names, each as it lies on the client's own head.
#[utoipa::path(tag = "compute", request_body = HairRequest, responses(
    (status = 200, body = Vec<SectionPicture>), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/sections")]
pub async fn sections(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<HairRequest>,
) -> Result<web::Json<Vec<SectionPicture>>, ApiError> {
    let head = state.head(&state.heavy, &asked, body.0).await?;
    Ok(web::Json(state.heavy.run(&asked, move |stop| head.hair.named_sections(stop)).await?))
}

/// A section on the client's own head with the ends of its partings; where one of them is moved, what becomes of it.
#[utoipa::path(tag = "compute", request_body = PartedRequest, responses(
    (status = 200, body = PartedSection), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/parted")]
pub async fn parted(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<PartedRequest>,
) -> Result<web::Json<PartedSection>, ApiError> {
    let head = state.head(&state.prompt, &asked, body.0.on.clone()).await;
    let head = head.map_err(|refused| refused.under("on"))?;
    Ok(web::Json(state.prompt.run(&asked, move |_| body.0.answer_on(&head.hair)).await?))
}

/// A plan's fall, on a head that is grown only if it isn't kept.
async fn fallen(
    state: &State,
    lane: &Lane,
    asked: &Asked,
    request: FallRequest,
) -> Result<FallAnswer, ApiError> {
    let head = state.head(lane, asked, request.head()).await?;
    lane.run(asked, move |stop| request.answer_on(&head.hair, &head.uncut, stop)).await
}

/// How a plan's cut falls on the client's own head.
#[utoipa::path(tag = "compute", request_body = FallRequest, responses(
    (status = 200, body = FallAnswer), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/fall")]
pub async fn fall(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<FallRequest>,
) -> Result<web::Json<FallAnswer>, ApiError> {
    Ok(web::Json(fallen(&state, &state.prompt, &asked, body.0).await?))
}

/// A plan judged: what a demanding eye would object to, how surely, caused by which steps, and what would cure it, each cure as
/// the changed cut. What the client came for is answered, too.
#[utoipa::path(tag = "compute", request_body = FallRequest, responses(
    (status = 200, body = JudgeAnswer), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/judge")]
pub async fn judge(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<FallRequest>,
) -> Result<web::Json<JudgeAnswer>, ApiError> {
    let head = state.head(&state.heavy, &asked, body.0.head()).await?;
    let judged = move |stop: &Stop| body.0.judge_on(&head.hair, &head.uncut, stop);
    Ok(web::Json(state.heavy.run(&asked, judged).await?))
}

/// What each step of a plan brings: how the fall changes from the steps before it to those up to it.
#[utoipa::path(tag = "compute", request_body = FallRequest, responses(
    (status = 200, body = Vec<StepBrings>), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/brings")]
pub async fn brings(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<FallRequest>,
) -> Result<web::Json<Vec<StepBrings>>, ApiError> {
    let head = state.head(&state.heavy, &asked, body.0.head()).await?;
    let brought = move |stop: &Stop| body.0.brings_on(&head.hair, stop);
    Ok(web::Json(state.heavy.run(&asked, brought).await?))
}

/// What if one figure of a step were another: how lengths, width, wishes and findings answer to it.
#[utoipa::path(tag = "compute", request_body = WhatIfRequest, responses(
    (status = 200, body = Vec<WhatIf>), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/what-if")]
pub async fn what_if(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<WhatIfRequest>,
) -> Result<web::Json<Vec<WhatIf>>, ApiError> {
    let head = state.head(&state.heavy, &asked, body.0.on.head()).await;
    let head = head.map_err(|refused| refused.under("on"))?;
    let answered = move |stop: &Stop| body.0.answer_on(&head.hair, stop);
    Ok(web::Json(state.heavy.run(&asked, answered).await?))
}

/// An aim with a wish in plain words made into targets, from the hair there is.
#[utoipa::path(tag = "compute", request_body = WishRequest, responses(
    (status = 200, body = Aim), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/wish")]
pub async fn wish(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<WishRequest>,
) -> Result<web::Json<Aim>, ApiError> {
    let head = state.head(&state.heavy, &asked, body.0.on.clone()).await;
    let head = head.map_err(|refused| refused.under("on"))?;
    let wished = move |_: &Stop| body.0.answer_on(&head.hair, head.uncut.fall());
    Ok(web::Json(state.heavy.run(&asked, wished).await?))
}

/// The marks of a plan's own steps: where on the comb each is cut, where that lands, and how much to keep back until it was seen.
#[utoipa::path(tag = "compute", request_body = FallRequest, responses(
    (status = 200, body = Vec<StepMarks>), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/step-marks")]
pub async fn step_marks(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<FallRequest>,
) -> Result<web::Json<Vec<StepMarks>>, ApiError> {
    let head = state.head(&state.heavy, &asked, body.0.head()).await?;
    let marked = move |stop: &Stop| body.0.marks_on(&head.hair, stop);
    Ok(web::Json(state.heavy.run(&asked, marked).await?))
}

/// Plans proposed for a head and its wishes: by up to three ways of working, each with its reasons, and what was considered beside them.
#[utoipa::path(tag = "compute", request_body = PlanRequest, responses(
    (status = 200, body = PlanAnswer), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/plan")]
pub async fn plan(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<PlanRequest>,
) -> Result<web::Json<PlanAnswer>, ApiError> {
    body.0.check()?;
    let head = state.head(&state.heavy, &asked, body.0.of(Cut::default()).head()).await?;
    let proposed = move |stop: &Stop| body.0.propose_on(&head.hair, &head.uncut, stop, &|_| {});
    Ok(web::Json(state.heavy.run(&asked, proposed).await?))
}

/// The ways of working that ship, and the rules that hold across them.
#[derive(Serialize, ToSchema)]
pub struct Methods {
    methods: &'static [ShippedMethod],
    rules: &'static [Rule],
}

/// The ways of working that plans are proposed by, and the rules that hold across them.
#[utoipa::path(tag = "compute", responses((status = 200, body = Methods)))]
#[get("/api/methods")]
pub async fn methods_and_rules(_person: SignedIn) -> web::Json<Methods> {
    web::Json(Methods { methods: methods(), rules: rules::rules() })
}

/// A plan on the client's own head as a scene in space: head, hair before and after, and sections of the shown move
/// with hand and guide, as binary glTF in metres.
#[utoipa::path(tag = "compute", request_body = FallRequest, responses(
    (status = 200, content_type = "model/gltf-binary", body = Vec<u8>), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/scene")]
pub async fn scene(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<FallRequest>,
) -> Result<HttpResponse, ApiError> {
    let head = state.head(&state.heavy, &asked, body.0.head()).await?;
    let glb = state.heavy.run(&asked, move |stop| body.0.scene_on(&head.hair, stop)).await?;
    Ok(HttpResponse::Ok().content_type("model/gltf-binary").body(glb))
}

/// The locks of a head's hair, as it is or after a plan's cut: what pictures of it are made of.
#[utoipa::path(tag = "compute", request_body = LocksRequest, responses(
    (status = 200, body = Vec<Lock>), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/locks")]
pub async fn locks(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<LocksRequest>,
) -> Result<web::Json<Vec<Lock>>, ApiError> {
    let head = state.head(&state.heavy, &asked, body.0.on.head()).await;
    let head = head.map_err(|refused| refused.under("on"))?;
    Ok(web::Json(state.heavy.run(&asked, move |stop| body.0.answer_on(&head.hair, stop)).await?))
}

/// The worn outlines of a plan before and after its cut, as a drawing in millimetres.
#[utoipa::path(tag = "compute", request_body = FallRequest, responses(
    (status = 200, content_type = "image/svg+xml", body = String), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/outlines")]
pub async fn outlines(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<FallRequest>,
) -> Result<HttpResponse, ApiError> {
    let answer = fallen(&state, &state.heavy, &asked, body.0).await?;
    Ok(HttpResponse::Ok().content_type("image/svg+xml").body(svg(&answer.before, &answer.after)))
}

/// How hair of so many hairs on a square centimetre, 60 to 400, looks at the scalp: a square of five millimetres, to
/// compare a client's with.
#[utoipa::path(tag = "compute", responses(
    (status = 200, content_type = "image/png", body = Vec<u8>), (status = 404, body = ProblemDetails)
))]
#[get("/api/densities/{hairs_per_cm2}")]
pub async fn scalp_of_density(
    asked: Asked,
    state: web::Data<State>,
    hairs: web::Path<u32>,
) -> Result<HttpResponse, ApiError> {
    let hairs = Some(*hairs).filter(|hairs| (60..=400).contains(hairs)).ok_or(ApiError::NotFound)?;
    let drawn = move |_: &Stop| scalp_to_compare(f64::from(hairs)).map_err(|_| ApiError::Defect);
    let png = state.light.run(&asked, drawn).await?;
    // The same number always has the same picture.
    Ok(HttpResponse::Ok()
        .content_type("image/png")
        .insert_header(("Cache-Control", "private, max-age=86400"))
        .body(png))
}

/// What a picture shows.
#[derive(Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
pub struct ScalpShown {
    /// Length of its side on the scalp, mm, 3 to 30.
    #[serde(default = "usual_side_mm")]
    side_mm: f64,
}

fn usual_side_mm() -> f64 {
    10.0
}

/// How many hairs grow on a square centimetre, counted on a picture of a square of scalp. The picture isn't kept.
#[utoipa::path(tag = "compute", params(ScalpShown), request_body(content = Vec<u8>, content_type = "image/png"),
    responses((status = 200, body = HairCount), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/count")]
pub async fn count_hairs(
    asked: Asked,
    state: web::Data<State>,
    shown: web::Query<ScalpShown>,
    picture: PngBytes,
) -> Result<web::Json<HairCount>, ApiError> {
    let counted = move |stop: &Stop| count_until(&scalp_of_png(&picture.0, shown.side_mm)?, stop);
    Ok(web::Json(state.heavy.run(&asked, counted).await?))
}

/// The reusable cuts that ship.
#[utoipa::path(tag = "compute", responses((status = 200, body = Vec<ShippedCut>)))]
#[get("/api/cuts")]
pub async fn cuts(_person: SignedIn) -> web::Json<&'static [ShippedCut]> {
    web::Json(shipped())
}
