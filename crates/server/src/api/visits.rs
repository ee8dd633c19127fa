//! Visits, and the documents of their stages.

use crate::figures::{FigureRow, figures, patch_named};
use crate::http::{ApiError, IdempotencyKey, JsonBody, JsonText, ProblemDetails, SignedIn, State};
use crate::json;
use actix_web::{HttpResponse, get, post, put, web};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use spirel_core::FieldErrors;
use spirel_core::reading::RawReading;
use spirel_core::stage::{ForStage, Stage, StageDocument};
use spirel_core::summary::{ZoneChange, changes};
use spirel_store::{Act, Day, Document, Visit, VisitRow};
use utoipa::ToSchema;
use uuid::Uuid;

/// A client's visits, newest first.
#[utoipa::path(tag = "visits", responses((status = 200, body = Vec<VisitRow>), (status = 404, body = ProblemDetails)))]
#[get("/api/clients/{id}/visits")]
pub async fn visits_of_client(
    person: SignedIn,
    state: web::Data<State>,
    id: web::Path<Uuid>,
) -> Result<web::Json<Vec<VisitRow>>, ApiError> {
    let actor = person.actor();
    state.store.client(&actor, *id).await?;
    Ok(web::Json(state.store.visits(&actor, *id).await?))
}

/// When a visit is.
#[derive(Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewVisit {
    /// Its day, as the house's calendar has it.
    on_date: Day,
}

/// Begins a visit.
#[utoipa::path(tag = "visits", request_body = NewVisit, params(
    ("Idempotency-Key" = Option<String>, Header, description = "Asked for again under the same key, it is made once.")
), responses(
    (status = 201, body = Visit), (status = 403, body = ProblemDetails), (status = 404, body = ProblemDetails)
))]
#[post("/api/clients/{id}/visits")]
pub async fn begin_visit(
    person: SignedIn,
    state: web::Data<State>,
    id: web::Path<Uuid>,
    key: IdempotencyKey,
    body: JsonBody<NewVisit>,
) -> Result<HttpResponse, ApiError> {
    let actor = person.allowed(Act::EditVisits)?;
    let once = key.once(&actor, "visit", &(*id, &body.0));
    let visit = state.store.add_visit(&actor, *id, body.0.on_date, once.as_ref()).await?;
    Ok(HttpResponse::Created().json(state.store.visit(&actor, visit).await?))
}

/// Every figure measured in a zone at a visit, oldest first: who, when, with what. A correction is a row of its own.
#[utoipa::path(tag = "visits", responses(
    (status = 200, body = Vec<FigureRow>), (status = 404, body = ProblemDetails)
))]
#[get("/api/visits/{id}/figures/{patch}")]
pub async fn figures_of_zone(
    person: SignedIn,
    state: web::Data<State>,
    path: web::Path<(Uuid, String)>,
) -> Result<web::Json<Vec<FigureRow>>, ApiError> {
    let (id, patch) = path.into_inner();
    let (actor, patch) = (person.actor(), patch_named(&patch).ok_or(ApiError::NotFound)?);
    state.store.visit(&actor, id).await?;
    let versions = state.store.versions_of_part(&actor, id, Stage::Read, &["zones", &patch.key()]).await?;
    Ok(web::Json(figures(&versions)))
}

/// How a visit's reading differs from the client's last one before it.
#[derive(Serialize, ToSchema)]
pub struct SinceLast {
    /// The day of that reading; none if there is none.
    since: Option<Day>,
    /// Zones that were read both times.
    zones: Vec<ZoneChange>,
}

/// How the hair has changed since it was last read.
#[utoipa::path(tag = "visits", responses((status = 200, body = SinceLast), (status = 404, body = ProblemDetails)))]
#[get("/api/visits/{id}/since-last")]
pub async fn since_last(
    person: SignedIn,
    state: web::Data<State>,
    id: web::Path<Uuid>,
) -> Result<web::Json<SinceLast>, ApiError> {
    let actor = person.actor();
    let visit = state.store.visit(&actor, *id).await?;
    // Newest first: what comes after this one was before it.
    let all = state.store.visits(&actor, visit.client.id).await?;
    let mut earlier = all.iter().skip_while(|row| row.id != *id).skip(1);
    let Some(last) = earlier.find(|row| row.stages.contains_key(&Stage::Read)) else {
        return Ok(web::Json(SinceLast { since: None, zones: Vec::new() }));
    };
    let before = state.store.visit(&actor, last.id).await?;
    let zones = match (reading_of(&before), reading_of(&visit)) {
        (Some(before), Some(now)) => changes(&before, &now),
        _ => Vec::new(),
    };
    Ok(web::Json(SinceLast { since: Some(last.on_date), zones }))
}

fn reading_of(visit: &Visit) -> Option<RawReading> {
    let read = visit.documents.iter().find(|document| document.stage == Stage::Read)?;
    serde_json::from_value(read.body.clone()).ok()
}

/// A visit with its client and the newest document of each stage.
#[utoipa::path(tag = "visits", responses((status = 200, body = Visit), (status = 404, body = ProblemDetails)))]
#[get("/api/visits/{id}")]
pub async fn one_visit(
    person: SignedIn,
    state: web::Data<State>,
    id: web::Path<Uuid>,
) -> Result<web::Json<Visit>, ApiError> {
    Ok(web::Json(state.store.visit(&person.actor(), *id).await?))
}

/// A document to save over the version it was made from (0: the first).
#[derive(Deserialize)]
#[serde(deny_unknown_fields)]
struct Save<T> {
    base_version: u32,
    document: T,
}

/// A stage's document to save.
#[derive(ToSchema)]
#[expect(
    dead_code,
    reason = "only its description is used: what is read is a `Save` of the stage's own document"
)]
pub struct SaveStage {
    /// The version it was made from; 0 for the first.
    base_version: u32,
    /// The document, as `StageDocuments` has it for the stage.
    #[schema(value_type = Object)]
    document: Value,
}

/// What was sent, read and checked as the document of a stage.
pub(super) struct Sent<'a>(pub(super) &'a [u8]);

impl ForStage for Sent<'_> {
    type Output = Result<(u32, Value), ApiError>;

    fn of<D: StageDocument>(self) -> Self::Output {
        let save: Save<D> = json::read(self.0).map_err(ApiError::Unreadable)?;
        // A fault of a document stands below `document` in what was sent.
        let under = |faults: FieldErrors| faults.0.into_iter().map(|fault| fault.under("document")).collect();
        save.document.check().map_err(|faults| FieldErrors(under(faults)))?;
        let body = serde_json::to_value(&save.document).map_err(|_| ApiError::Defect)?;
        Ok((save.base_version, body))
    }
}

/// Saves a stage of a visit.
#[utoipa::path(tag = "visits", request_body = SaveStage, params(("stage" = Stage, Path)), responses(
    (status = 200, body = Document), (status = 404, body = ProblemDetails), (status = 409, body = ProblemDetails),
    (status = 422, body = ProblemDetails)
))]
#[put("/api/visits/{id}/stages/{stage}")]
pub async fn save_stage(
    person: SignedIn,
    state: web::Data<State>,
    path: web::Path<(Uuid, String)>,
    body: JsonText,
) -> Result<web::Json<Document>, ApiError> {
    let actor = person.allowed(Act::EditVisits)?;
    let (id, stage) = path.into_inner();
    let stage = Stage::of_key(&stage).ok_or(ApiError::NotFound)?;
    let (base, document) = stage.with(Sent(&body.0))?;
    Ok(web::Json(state.store.save_document(&actor, id, stage, base, &document).await?))
}
