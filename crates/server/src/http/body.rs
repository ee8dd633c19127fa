//! A JSON body, read with its faults named.

use super::Refusal;
use crate::json;
use actix_web::dev::Payload;
use actix_web::http::header::CONTENT_TYPE;
use actix_web::{FromRequest, HttpRequest, web};
use serde::de::DeserializeOwned;
use std::future::Future;
use std::pin::Pin;

/// Largest body taken, bytes: a visit with every note at its longest stays under a tenth of it.
pub const LARGEST_BODY: usize = 1 << 20;

/// A body announced as JSON, as it came.
pub struct JsonText(pub web::Bytes);

/// A body announced as JSON and read into a shape.
pub struct JsonBody<T>(pub T);

type Reading<T> = Pin<Box<dyn Future<Output = Result<T, Refusal>>>>;

/// A body announced as a PNG picture, as it came.
pub struct PngBytes(pub web::Bytes);

/// The body, if it is announced as `kind` and no larger than is taken.
async fn announced(
    kind: &'static str,
    given: Option<String>,
    bytes: impl Future<Output = Result<web::Bytes, actix_web::Error>>,
) -> Result<web::Bytes, Refusal> {
    let essence = given.as_deref().and_then(|value| value.split(';').next()).unwrap_or_default().trim();
    if !essence.eq_ignore_ascii_case(kind) {
        return Err(Refusal::NotAnnouncedAs(kind));
    }
    bytes.await.map_err(|_| Refusal::TooLarge)
}

fn content_type(request: &HttpRequest) -> Option<String> {
    request.headers().get(CONTENT_TYPE).and_then(|value| value.to_str().ok()).map(str::to_owned)
}

impl FromRequest for PngBytes {
    type Error = Refusal;
    type Future = Reading<Self>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let (given, bytes) = (content_type(request), web::Bytes::from_request(request, payload));
        Box::pin(async move { announced("image/png", given, bytes).await.map(Self) })
    }
}

impl FromRequest for JsonText {
    type Error = Refusal;
    type Future = Reading<Self>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let (given, bytes) = (content_type(request), web::Bytes::from_request(request, payload));
        Box::pin(async move { announced("application/json", given, bytes).await.map(Self) })
    }
}

impl<T: DeserializeOwned + 'static> FromRequest for JsonBody<T> {
    type Error = Refusal;
    type Future = Reading<Self>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let text = JsonText::from_request(request, payload);
        Box::pin(async move { json::read(&text.await?.0).map(Self).map_err(Refusal::Unreadable) })
    }
}
