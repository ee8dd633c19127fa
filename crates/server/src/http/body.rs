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

fn announced_as_json(request: &HttpRequest) -> bool {
    let given = request.headers().get(CONTENT_TYPE).and_then(|value| value.to_str().ok());
    let essence = given.and_then(|value| value.split(';').next()).unwrap_or_default().trim();
    essence.eq_ignore_ascii_case("application/json")
}

impl FromRequest for JsonText {
    type Error = Refusal;
    type Future = Reading<Self>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let announced = announced_as_json(request);
        let bytes = web::Bytes::from_request(request, payload);
        Box::pin(async move {
            if !announced {
                return Err(Refusal::NotAnnouncedAsJson);
            }
            bytes.await.map(Self).map_err(|_| Refusal::TooLarge)
        })
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
