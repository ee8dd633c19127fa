//! Signing in and out, and what a person has set for themselves.

use crate::http::{ApiError, JsonBody, ProblemDetails, SignedIn, State, no_cookie, session_cookie, token_of};
use actix_web::{HttpRequest, HttpResponse, delete, get, post, put, web};
use serde::Deserialize;
use spirel_core::units::LengthUnit;
use spirel_core::{FieldErrors, Problem};
use spirel_store::{Person, normal_email};
use std::net::IpAddr;
use utoipa::ToSchema;

/// Address and password.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SignIn {
    email: String,
    password: String,
}

/// Longest address and password that are looked at, characters.
const LONGEST: u32 = 190;

/// Opens a session. A session that the request already has is replaced.
#[utoipa::path(tag = "session", request_body = SignIn, responses(
    (status = 200, body = Person), (status = 401, body = ProblemDetails), (status = 429, body = ProblemDetails)
))]
#[post("/api/session")]
pub async fn sign_in(
    request: HttpRequest,
    state: web::Data<State>,
    body: JsonBody<SignIn>,
) -> Result<HttpResponse, ApiError> {
    let SignIn { email, password } = body.0;
    let mut faults = FieldErrors::default();
    for (field, text) in [("email", &email), ("password", &password)] {
        if text.is_empty() {
            faults.push(field, Problem::Missing);
        }
        faults.text(field, text, LONGEST);
    }
    faults.or(())?;
    let email = normal_email(&email);
    let from = address_of(&request, &state.settings.trusted_proxies);
    let replaced = token_of(&request);
    let signing_in = async { Ok(state.store.sign_in(&email, &password, replaced.as_deref()).await?) };
    let opened = state.sign_ins.take_turn(from, &email, signing_in).await?;
    let (token, person) = opened.ok_or(ApiError::WrongPassword)?;
    Ok(HttpResponse::Ok().cookie(session_cookie(token, state.settings.secure_cookie)).json(person))
}

/// The address a request comes from: what the last of the trusted balancers before us says, if one speaks for somebody.
fn address_of(request: &HttpRequest, trusted: &[IpAddr]) -> Option<IpAddr> {
    let peer = request.peer_addr()?.ip();
    let told = request.headers().get_all("x-forwarded-for").filter_map(|told| told.to_str().ok());
    let told: Vec<IpAddr> =
        told.flat_map(|told| told.split(',')).filter_map(|ip| ip.trim().parse().ok()).collect();
    let mut from = peer;
    for before in told.into_iter().rev() {
        if !trusted.contains(&from) {
            break;
        }
        from = before;
    }
    Some(from)
}

/// Who is signed in.
#[utoipa::path(tag = "session", responses((status = 200, body = Person), (status = 401, body = ProblemDetails)))]
#[get("/api/session")]
pub async fn who(person: SignedIn) -> web::Json<Person> {
    web::Json(person.0)
}

/// Ends this session.
#[utoipa::path(tag = "session", responses((status = 204)))]
#[delete("/api/session")]
pub async fn sign_out(request: HttpRequest, state: web::Data<State>) -> Result<HttpResponse, ApiError> {
    if let Some(token) = token_of(&request) {
        state.store.sign_out(&token).await?;
    }
    Ok(HttpResponse::NoContent().cookie(no_cookie(state.settings.secure_cookie)).finish())
}

/// Ends every session of this person, on every device.
#[utoipa::path(tag = "session", responses((status = 204), (status = 401, body = ProblemDetails)))]
#[delete("/api/sessions")]
pub async fn sign_out_everywhere(
    person: SignedIn,
    state: web::Data<State>,
) -> Result<HttpResponse, ApiError> {
    state.store.sign_out_everywhere(&person.actor()).await?;
    Ok(HttpResponse::NoContent().cookie(no_cookie(state.settings.secure_cookie)).finish())
}

/// The unit a person reads lengths in.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct UnitChoice {
    length_unit: LengthUnit,
}

/// Sets the unit this person reads lengths in.
#[utoipa::path(tag = "session", request_body = UnitChoice, responses(
    (status = 204), (status = 401, body = ProblemDetails)
))]
#[put("/api/me/length-unit")]
pub async fn set_length_unit(
    person: SignedIn,
    state: web::Data<State>,
    body: JsonBody<UnitChoice>,
) -> Result<HttpResponse, ApiError> {
    state.store.set_length_unit(&person.actor(), body.0.length_unit).await?;
    Ok(HttpResponse::NoContent().finish())
}
