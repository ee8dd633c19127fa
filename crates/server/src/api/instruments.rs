//! Measuring instruments: where the browser finds them, and what a value of theirs means.
//!
//! They stand beside the browser, so it is the browser that listens to them, not this server.

use crate::http::{ApiError, JsonBody, ProblemDetails, SignedIn, State};
use actix_web::{get, post, web};
use serde::Serialize;
use spirel_core::reading::{TakeRequest, Taken};
use utoipa::ToSchema;

/// Where instruments are.
#[derive(Serialize, ToSchema)]
pub struct InstrumentsAddress {
    /// A WebSocket address that speaks the protocol of docs/instruments.md; none where none are set up.
    address: Option<String>,
}

/// Where the browser finds instruments.
#[utoipa::path(tag = "instruments", responses((status = 200, body = InstrumentsAddress)))]
#[get("/api/instruments")]
pub async fn where_instruments_are(
    _person: SignedIn,
    state: web::Data<State>,
) -> web::Json<InstrumentsAddress> {
    web::Json(InstrumentsAddress { address: state.settings.instruments.clone() })
}

/// What a value means: which figure it is, in our unit, and whether it is possible.
#[utoipa::path(tag = "instruments", request_body = TakeRequest, responses(
    (status = 200, body = Taken), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/instrument")]
pub async fn take_value(
    _person: SignedIn,
    body: JsonBody<TakeRequest>,
) -> Result<web::Json<Taken>, ApiError> {
    Ok(web::Json(body.0.take()?))
}
