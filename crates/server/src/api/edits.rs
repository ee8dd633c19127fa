//! Edits of a visit's stages: saved so that those of different figures merge, and sent to the house's other screens.

use super::visits::Sent;
use crate::http::{ApiError, JsonBody, Listener, ProblemDetails, SignedIn, State, token_of};
use actix_web::http::header::{CACHE_CONTROL, CONTENT_ENCODING};
use actix_web::{HttpRequest, HttpResponse, get, patch, web};
use serde::Deserialize;
use serde_json::{Value, json};
use spirel_core::edit::{Operation, apply, check};
use spirel_core::stage::Stage;
use spirel_store::{Act, Document, Edit};
use std::sync::Arc;
use utoipa::ToSchema;
use uuid::Uuid;

/// Changes of a stage's document.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewEdit {
    /// Chosen by whoever makes it: an edit that comes again lands once.
    key: Uuid,
    /// Who made it: what one person left on a shared device is never saved under another's name.
    person: Uuid,
    /// What is changed: all of it, or nothing.
    #[schema(min_items = 1, max_items = 1000)]
    operations: Vec<Operation>,
}

/// Edits a stage of a visit. Where a figure is no longer what it was when it was changed, or another edit landed under the
/// same key, nothing is saved, and the answer (409) carries what stands now.
#[utoipa::path(tag = "visits", request_body = NewEdit, params(("stage" = Stage, Path)), responses(
    (status = 200, body = Document), (status = 404, body = ProblemDetails), (status = 409, body = ProblemDetails),
    (status = 422, body = ProblemDetails)
))]
#[patch("/api/visits/{id}/stages/{stage}")]
pub async fn edit_stage(
    person: SignedIn,
    state: web::Data<State>,
    path: web::Path<(Uuid, String)>,
    body: JsonBody<NewEdit>,
) -> Result<web::Json<Document>, ApiError> {
    let actor = person.allowed(Act::EditVisits)?;
    let (id, stage) = path.into_inner();
    let stage = Stage::of_key(&stage).ok_or(ApiError::NotFound)?;
    let NewEdit { key, person, operations } = body.0;
    if person != actor.person_id {
        return Err(ApiError::AnothersEdit);
    }
    check(&operations)?;
    let edit = Edit { key, operations: json!(operations) };
    let operations = Arc::new(operations);
    let carried_out = async |current: &Document| {
        let (current, operations) = (current.clone(), operations.clone());
        let done = web::block(move || changed(stage, &current, &operations)).await;
        done.map_err(|_| ApiError::Defect)?
    };
    Ok(web::Json(state.store.edit(&actor, (id, stage), &edit, carried_out).await?))
}

/// What operations make of a document; nothing where one of them clashes with what it holds. It is read and checked like a
/// document that is saved whole, so that its faults have the same fields.
fn changed(stage: Stage, current: &Document, operations: &[Operation]) -> Result<Option<Value>, ApiError> {
    let Ok(document) = apply(&current.body, operations) else { return Ok(None) };
    let whole = json!({"base_version": current.version, "document": document}).to_string();
    let (_, document) = stage.with(Sent(whole.as_bytes()))?;
    Ok(Some(document))
}

/// What is changed in the house, as it happens: server-sent events, each an `EditNotice` under its number. A browser that
/// comes again names the last it has, and hears of those since.
#[utoipa::path(tag = "visits", responses(
    (status = 200, body = spirel_store::EditNotice, content_type = "text/event-stream"), (status = 401, body = ProblemDetails)
))]
#[get("/api/edits")]
pub async fn live_edits(
    person: SignedIn,
    state: web::Data<State>,
    request: HttpRequest,
) -> Result<HttpResponse, ApiError> {
    let last = request.headers().get("last-event-id").and_then(|id| id.to_str().ok()?.parse().ok());
    let token = token_of(&request).ok_or(ApiError::NotSignedIn)?;
    let listener = Listener::new(&state.live, &state.store, person.actor().house_id, &token, last).await?;
    Ok(HttpResponse::Ok()
        .content_type("text/event-stream")
        .insert_header((CACHE_CONTROL, "no-store"))
        // Compressing would hold events back until a block of them is full.
        .insert_header((CONTENT_ENCODING, "identity"))
        .streaming(listener.events()))
}
