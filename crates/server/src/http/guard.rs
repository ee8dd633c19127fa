//! What holds for every request: it comes from our own pages, its answer says what a browser may do with it, and it
//! leaves one line in the log, without personal data.

use super::{ApiError, Settings, State};
use actix_web::body::{BoxBody, MessageBody};
use actix_web::dev::{ServiceRequest, ServiceResponse};
use actix_web::http::Method;
use actix_web::http::header::{
    CACHE_CONTROL, HOST, HeaderName, HeaderValue, ORIGIN, STRICT_TRANSPORT_SECURITY,
};
use actix_web::http::uri::Authority;
use actix_web::middleware::{DefaultHeaders, Next};
use actix_web::{Error, HttpMessage, ResponseError, web};
use std::net::IpAddr;
use tracing_actix_web::{RequestId, RootSpanBuilder};

/// Nothing but our own files: no inline script, nothing from elsewhere. Element Plus sets the places of its popups
/// as style attributes, which is the only inline style allowed.
const CONTENT_SECURITY_POLICY: &str = "default-src 'none'; script-src 'self'; style-src 'self'; \
    style-src-attr 'unsafe-inline'; img-src 'self' data:; font-src 'self'; manifest-src 'self'; form-action 'self'; \
    base-uri 'none'; frame-ancestors 'none'; connect-src 'self'";

/// Headers of every answer. Instruments are heard at their own address.
pub fn headers(settings: &Settings) -> DefaultHeaders {
    let instruments = settings.instruments.as_deref();
    let policy =
        [Some(CONTENT_SECURITY_POLICY), instruments].into_iter().flatten().collect::<Vec<_>>().join(" ");
    let headers = DefaultHeaders::new();
    let headers = if settings.secure_cookie {
        headers.add((STRICT_TRANSPORT_SECURITY, "max-age=31536000"))
    } else {
        headers
    };
    headers
        .add(("content-security-policy", policy))
        .add(("x-content-type-options", "nosniff"))
        .add(("x-frame-options", "DENY"))
        .add(("referrer-policy", "same-origin"))
        .add(("cross-origin-opener-policy", "same-origin"))
        .add(("cross-origin-resource-policy", "same-origin"))
        .add(("permissions-policy", "camera=(), geolocation=(), microphone=()"))
}

/// Refuses changes asked for by other sites' pages, and marks each answer with its request's id.
pub async fn guard(
    request: ServiceRequest,
    next: Next<impl MessageBody + 'static>,
) -> Result<ServiceResponse<BoxBody>, Error> {
    let id = request.extensions().get::<RequestId>().map(ToString::to_string);
    let is_personal = !request.path().starts_with("/assets/");
    let refused = if names_another_host(&request) {
        Some(ApiError::OtherHost)
    } else if comes_from_another_site(&request) {
        Some(ApiError::OtherSite)
    } else {
        None
    };
    let mut response = match refused {
        Some(refused) => request.into_response(refused.error_response()),
        None => next.call(request).await?.map_into_boxed_body(),
    };
    // What a house knows of its clients stays in no cache, unless a handler says that it may.
    if is_personal && !response.headers().contains_key(CACHE_CONTROL) {
        response.headers_mut().insert(CACHE_CONTROL, HeaderValue::from_static("no-store"));
    }
    if let Some(id) = id.and_then(|id| HeaderValue::from_str(&id).ok()) {
        response.headers_mut().insert(HeaderName::from_static("x-request-id"), id);
    }
    Ok(response)
}

/// Whether the request names a host that isn't ours: a page of another site whose name was made to lead here. A number names no
/// site, and a program that names no host is no browser.
fn names_another_host(request: &ServiceRequest) -> bool {
    let Some(host) = request.headers().get(HOST) else { return false };
    let Some(authority) = host.to_str().ok().and_then(|host| host.parse::<Authority>().ok()) else {
        return true;
    };
    let name = authority.host().trim_matches(['[', ']']);
    let hosts = request.app_data::<web::Data<State>>().map_or(&[][..], |state| &state.settings.hosts);
    let ours = |known: &String| known.eq_ignore_ascii_case(name);
    !(name.parse::<IpAddr>().is_ok() || name.eq_ignore_ascii_case("localhost") || hosts.iter().any(ours))
}

/// Browsers say where a request comes from; programs that aren't browsers say nothing and carry no cookie by accident.
fn comes_from_another_site(request: &ServiceRequest) -> bool {
    if matches!(*request.method(), Method::GET | Method::HEAD | Method::OPTIONS) {
        return false;
    }
    let header = |name: &str| request.headers().get(name).and_then(|value| value.to_str().ok());
    match (header("sec-fetch-site"), header(ORIGIN.as_str())) {
        (Some(site), _) => !matches!(site, "same-origin" | "none"),
        (None, Some(origin)) => {
            let host = header(HOST.as_str()).unwrap_or_default();
            origin.split_once("://").map(|(_, rest)| rest) != Some(host)
        }
        (None, None) => false,
    }
}

/// One span a request: method, route pattern, status, id. Addresses, names and search words stay out.
pub struct RequestSpan;

impl RootSpanBuilder for RequestSpan {
    fn on_request_start(request: &ServiceRequest) -> tracing::Span {
        let id = request.extensions().get::<RequestId>().map(ToString::to_string).unwrap_or_default();
        let route = request.match_pattern().unwrap_or_else(|| "(page)".into());
        tracing::info_span!("request", method = %request.method(), route, request_id = id, status = tracing::field::Empty)
    }

    fn on_request_end<B: MessageBody>(span: tracing::Span, outcome: &Result<ServiceResponse<B>, Error>) {
        let status = match outcome {
            Ok(response) => response.status(),
            Err(error) => error.as_response_error().status_code(),
        };
        span.record("status", status.as_u16());
    }
}
