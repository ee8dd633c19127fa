//! Bodies of requests, read with their faults named.

use super::{ApiError, token_of};
use crate::json;
use actix_web::dev::Payload;
use actix_web::http::header::CONTENT_TYPE;
use actix_web::{FromRequest, HttpRequest, web};
use serde::de::DeserializeOwned;
use std::future::Future;
use std::pin::Pin;
use std::time::Duration;
use tokio::time::timeout;

/// Largest body taken, bytes: a visit with every note at its longest stays under a tenth of it.
pub const LARGEST_BODY: usize = 1 << 20;
/// Largest picture taken, bytes: two thousand pixels square in colour, hardly packed.
const LARGEST_PICTURE: usize = 12 << 20;

/// How long a body may take: a slow line at a chair sends the largest edit in less.
const WITHIN: Duration = Duration::from_secs(20);
/// How long one may take whose sender carries no session.
const WITHIN_OF_STRANGERS: Duration = Duration::from_secs(5);

/// A body announced as JSON, as it came.
pub struct JsonText(pub web::Bytes);

/// A body announced as JSON and read into a shape.
pub struct JsonBody<T>(pub T);

type Reading<T> = Pin<Box<dyn Future<Output = Result<T, ApiError>>>>;

/// A body announced as a PNG picture, as it came.
pub struct PngBytes(pub web::Bytes);

/// Whether the body is announced as `kind`.
fn announced(kind: &'static str, request: &HttpRequest) -> Result<(), ApiError> {
    let given = request.headers().get(CONTENT_TYPE).and_then(|value| value.to_str().ok());
    let essence = given.and_then(|value| value.split(';').next()).unwrap_or_default().trim();
    if essence.eq_ignore_ascii_case(kind) { Ok(()) } else { Err(ApiError::NotAnnouncedAs(kind)) }
}

/// A body that is read in time. Whether a session stands is asked beside that: who carries none is not waited for as long.
async fn in_time<T>(
    limit: Duration,
    reading: impl Future<Output = Result<T, ApiError>>,
) -> Result<T, ApiError> {
    timeout(limit, reading).await.map_err(|_| ApiError::TooSlow)?
}

fn limit(request: &HttpRequest) -> Duration {
    if token_of(request).is_some() { WITHIN } else { WITHIN_OF_STRANGERS }
}

impl FromRequest for PngBytes {
    type Error = ApiError;
    type Future = Reading<Self>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let announced = announced("image/png", request);
        let payload = web::Payload::from_request(request, payload);
        Box::pin(in_time(limit(request), async move {
            announced?;
            let payload = payload.await.map_err(|_| ApiError::TooLarge)?;
            let bytes = payload.to_bytes_limited(LARGEST_PICTURE).await.map_err(|_| ApiError::TooLarge)?;
            bytes.map(Self).map_err(|_| ApiError::TooLarge)
        }))
    }
}

impl FromRequest for JsonText {
    type Error = ApiError;
    type Future = Reading<Self>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let announced = announced("application/json", request);
        let bytes = web::Bytes::from_request(request, payload);
        Box::pin(in_time(limit(request), async move {
            announced?;
            bytes.await.map(Self).map_err(|_| ApiError::TooLarge)
        }))
    }
}

impl<T: DeserializeOwned + 'static> FromRequest for JsonBody<T> {
    type Error = ApiError;
    type Future = Reading<Self>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let text = JsonText::from_request(request, payload);
        Box::pin(async move { json::read(&text.await?.0).map(Self).map_err(ApiError::Unreadable) })
    }
}
