//! From where on a house objects to what is found about a plan.

use crate::http::{ApiError, JsonBody, ProblemDetails, SignedIn, State};
use actix_web::{HttpResponse, get, put, web};
use serde::Deserialize;
use spirel_core::FieldErrors;
use spirel_core::judge::{FindingCode, Thresholds};
use spirel_store::Act;
use utoipa::ToSchema;

/// A threshold as a house sets it.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ThresholdDraft {
    /// From where on it is said, in the unit of its rule; the usual one if left out.
    value: Option<f64>,
}

/// The thresholds that the house has set, by finding; the others are the usual ones.
#[utoipa::path(tag = "house", responses((status = 200, body = Thresholds)))]
#[get("/api/house/thresholds")]
pub async fn thresholds(
    person: SignedIn,
    state: web::Data<State>,
) -> Result<web::Json<Thresholds>, ApiError> {
    let kept = state.store.thresholds(&person.actor()).await?;
    // One of a finding that this version doesn't know is as if it weren't set.
    let known = |(name, value): (String, f64)| Some((FindingCode::named(&name)?, value));
    Ok(web::Json(kept.into_iter().filter_map(known).collect()))
}

/// Sets the house's threshold of a finding; for its owner.
#[utoipa::path(tag = "house", request_body = ThresholdDraft, responses(
    (status = 204), (status = 403, body = ProblemDetails), (status = 404, body = ProblemDetails),
    (status = 422, body = ProblemDetails)
))]
#[put("/api/house/thresholds/{finding}")]
pub async fn set_threshold(
    person: SignedIn,
    state: web::Data<State>,
    finding: web::Path<String>,
    body: JsonBody<ThresholdDraft>,
) -> Result<HttpResponse, ApiError> {
    let owner = person.allowed(Act::SetHouse)?;
    let code = FindingCode::named(&finding).ok_or(ApiError::NotFound)?;
    let rule = code.rule();
    if let Some(value) = body.0.value {
        let mut faults = FieldErrors::default();
        faults.range("value", value, (rule.least, rule.greatest), "");
        faults.or(())?;
    }
    state.store.set_threshold(&owner, &finding, body.0.value).await?;
    Ok(HttpResponse::NoContent().finish())
}
