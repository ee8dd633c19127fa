//! What a house thinks of the planner's rules.

use crate::http::{ApiError, JsonBody, ProblemDetails, SignedIn, State};
use actix_web::{HttpResponse, get, put, web};
use serde::Deserialize;
use spirel_core::method::{RuleSettings, rules};
use spirel_store::Act;
use utoipa::ToSchema;

/// A rule as a house sets it.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RuleDraft {
    /// Whether it is off.
    off: bool,
}

/// A dispute as a house sees it.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SideDraft {
    /// The side it takes; none if left out.
    takes: Option<String>,
}

/// The rules that the house has switched off, and the sides it takes.
#[utoipa::path(tag = "house", responses((status = 200, body = RuleSettings)))]
#[get("/api/house/rules")]
pub async fn house_rules(
    person: SignedIn,
    state: web::Data<State>,
) -> Result<web::Json<RuleSettings>, ApiError> {
    let kept = state.store.house_rules(&person.actor()).await?;
    // What this version doesn't know is as if it weren't set.
    Ok(web::Json(RuleSettings { off: kept.off, sides: kept.sides }.known()))
}

/// Switches a rule off or on for the house; for its owner.
#[utoipa::path(tag = "house", request_body = RuleDraft, responses(
    (status = 204), (status = 403, body = ProblemDetails), (status = 404, body = ProblemDetails),
    (status = 422, body = ProblemDetails)
))]
#[put("/api/house/rules/{number}")]
pub async fn set_rule(
    person: SignedIn,
    state: web::Data<State>,
    number: web::Path<u32>,
    body: JsonBody<RuleDraft>,
) -> Result<HttpResponse, ApiError> {
    let owner = person.allowed(Act::SetHouse)?;
    let known = rules::rules().iter().any(|rule| rule.number == *number);
    known.then_some(()).ok_or(ApiError::NotFound)?;
    state.store.set_rule_off(&owner, *number, body.0.off).await?;
    Ok(HttpResponse::NoContent().finish())
}

/// Takes the house's side in a dispute, or none; for its owner.
#[utoipa::path(tag = "house", request_body = SideDraft, responses(
    (status = 204), (status = 403, body = ProblemDetails), (status = 404, body = ProblemDetails),
    (status = 422, body = ProblemDetails)
))]
#[put("/api/house/sides/{topic}")]
pub async fn set_side(
    person: SignedIn,
    state: web::Data<State>,
    topic: web::Path<String>,
    body: JsonBody<SideDraft>,
) -> Result<HttpResponse, ApiError> {
    let owner = person.allowed(Act::SetHouse)?;
    rules::sides_of(&topic).next().ok_or(ApiError::NotFound)?;
    if let Some(takes) = &body.0.takes {
        rules::check_side(&topic, takes, "takes")?;
    }
    state.store.set_rule_side(&owner, &topic, body.0.takes.as_deref()).await?;
    Ok(HttpResponse::NoContent().finish())
}
