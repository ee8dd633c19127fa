//! Whether the server runs, and whether it can work.

use crate::http::{ApiError, State};
use actix_web::{HttpResponse, get, web};

/// The process answers.
#[utoipa::path(tag = "health", responses((status = 204)))]
#[get("/health/live")]
pub async fn live() -> HttpResponse {
    HttpResponse::NoContent().finish()
}

/// The database answers too.
#[utoipa::path(tag = "health", responses((status = 204), (status = 503)))]
#[get("/health/ready")]
pub async fn ready(state: web::Data<State>) -> Result<HttpResponse, ApiError> {
    if state.store.is_ready().await {
        Ok(HttpResponse::NoContent().finish())
    } else {
        Err(ApiError::Unavailable)
    }
}
