//! How a request becomes a computation that somebody asked for.

use super::{ApiError, Asked, SignedIn, State};
use actix_web::dev::Payload;
use actix_web::{FromRequest, HttpRequest, web};
use std::future::Future;
use std::pin::Pin;

/// The header in which a view says which one it is.
const VIEW: &str = "spirel-view";

impl FromRequest for Asked {
    type Error = ApiError;
    type Future = Pin<Box<dyn Future<Output = Result<Self, ApiError>>>>;

    fn from_request(request: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let view = request.headers().get(VIEW).and_then(|view| view.to_str().ok()?.parse().ok());
        let state = request.app_data::<web::Data<State>>().cloned();
        let person = SignedIn::from_request(request, payload);
        Box::pin(async move {
            let state = state.ok_or(ApiError::Defect)?;
            Ok(Self::new(&person.await?.0, view, &state.views))
        })
    }
}
