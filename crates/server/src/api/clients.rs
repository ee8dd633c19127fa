//! The people whose hair is cut.

use crate::http::{ApiError, IdempotencyKey, JsonBody, ProblemDetails, SignedIn, State};
use actix_web::{HttpResponse, get, post, web};
use serde::Deserialize;
pub use spirel_store::ClientDraft;
use spirel_store::{Client, ClientPage};
use utoipa::IntoParams;
use uuid::Uuid;

/// What is looked for.
#[derive(Deserialize, IntoParams)]
#[into_params(parameter_in = Query)]
pub struct ClientQuery {
    /// Part of the name or note.
    #[serde(default)]
    search: String,
    /// Page, from 1.
    #[serde(default = "first")]
    page: u32,
}

fn first() -> u32 {
    1
}

/// The house's clients by name, a page at a time.
#[utoipa::path(tag = "clients", params(ClientQuery), responses((status = 200, body = ClientPage)))]
#[get("/api/clients")]
pub async fn list_clients(
    person: SignedIn,
    state: web::Data<State>,
    query: web::Query<ClientQuery>,
) -> Result<web::Json<ClientPage>, ApiError> {
    Ok(web::Json(state.store.clients(&person.actor(), &query.search, query.page).await?))
}

/// Takes in a client, who has agreed that measures and notes are kept.
#[utoipa::path(tag = "clients", request_body = ClientDraft, params(
    ("Idempotency-Key" = Option<String>, Header, description = "Asked for again under the same key, it is made once.")
), responses(
    (status = 201, body = Client), (status = 422, body = ProblemDetails)
))]
#[post("/api/clients")]
pub async fn add_client(
    person: SignedIn,
    state: web::Data<State>,
    key: IdempotencyKey,
    body: JsonBody<ClientDraft>,
) -> Result<HttpResponse, ApiError> {
    body.0.check()?;
    let actor = person.actor();
    let once = key.once(&actor, "client", &body.0);
    let id = state.store.add_client(&actor, &body.0, once.as_ref()).await?;
    Ok(HttpResponse::Created().json(state.store.client(&actor, id).await?))
}

/// One client.
#[utoipa::path(tag = "clients", responses((status = 200, body = Client), (status = 404, body = ProblemDetails)))]
#[get("/api/clients/{id}")]
pub async fn one_client(
    person: SignedIn,
    state: web::Data<State>,
    id: web::Path<Uuid>,
) -> Result<web::Json<Client>, ApiError> {
    Ok(web::Json(state.store.client(&person.actor(), *id).await?))
}
