//! What holds for every request: it comes from our own pages, its answer says what a browser may do with it, and it
//! leaves one line in the log, without personal data.

use super::ApiError;
use actix_web::body::{BoxBody, MessageBody};
use actix_web::dev::{ServiceRequest, ServiceResponse};
use actix_web::http::Method;
use actix_web::http::header::{HOST, HeaderName, HeaderValue, ORIGIN};
use actix_web::middleware::{DefaultHeaders, Next};
use actix_web::{Error, HttpMessage, ResponseError};
use tracing_actix_web::{RequestId, RootSpanBuilder};

/// Nothing but our own files: no inline script, nothing from elsewhere. Element Plus sets the places of its popups
/// as style attributes, which is the only inline style allowed.
const CONTENT_SECURITY_POLICY: &str = "default-src 'none'; script-src 'self'; style-src 'self'; \
    style-src-attr 'unsafe-inline'; img-src 'self' data:; font-src 'self'; manifest-src 'self'; form-action 'self'; \
    base-uri 'none'; frame-ancestors 'none'; connect-src 'self'";

/// Headers of every answer. Instruments are heard at their own address.
pub fn headers(instruments: Option<&str>) -> DefaultHeaders {
    let policy =
        [Some(CONTENT_SECURITY_POLICY), instruments].into_iter().flatten().collect::<Vec<_>>().join(" ");
    DefaultHeaders::new()
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
    let mut response = if comes_from_another_site(&request) {
        request.into_response(ApiError::OtherSite.error_response())
    } else {
        next.call(request).await?.map_into_boxed_body()
    };
    if let Some(id) = id.and_then(|id| HeaderValue::from_str(&id).ok()) {
        response.headers_mut().insert(HeaderName::from_static("x-request-id"), id);
    }
    Ok(response)
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
