//! The key that makes a repeated request land once.

use super::ApiError;
use actix_web::dev::Payload;
use actix_web::{FromRequest, HttpRequest};
use serde::Serialize;
use spirel_core::{FieldError, FieldErrors, Problem};
use spirel_store::{Actor, Once};
use std::future::{Ready, ready};

/// The header it comes in.
const HEADER: &str = "idempotency-key";
/// Longest key.
const LONGEST: usize = 200;

/// The key that a request carries, if it carries one.
pub struct IdempotencyKey(Option<String>);

impl IdempotencyKey {
    /// What makes something that this person asks for land once.
    pub fn once(&self, actor: &Actor, what: &str, asked: &impl Serialize) -> Option<Once> {
        self.0.as_deref().map(|key| Once::new(key, &format!("{what} {}", actor.person_id), asked))
    }
}

impl FromRequest for IdempotencyKey {
    type Error = ApiError;
    type Future = Ready<Result<Self, ApiError>>;

    fn from_request(request: &HttpRequest, _: &mut Payload) -> Self::Future {
        let given = request.headers().get(HEADER).map(|key| key.to_str().unwrap_or_default().to_owned());
        ready(match given {
            Some(key) if key.is_empty() || key.len() > LONGEST => {
                let problem = Problem::TooLong { max_characters: LONGEST as u32 };
                Err(FieldErrors(vec![FieldError::new(HEADER, problem)]).into())
            }
            given => Ok(Self(given)),
        })
    }
}
