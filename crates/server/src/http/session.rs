//! Who is signed in: the session's cookie, and the extractor every handler of a house asks for.

use super::{ApiError, State};
use actix_web::cookie::{Cookie, SameSite, time::Duration};
use actix_web::dev::Payload;
use actix_web::{FromRequest, HttpRequest, web};
use chrono::Utc;
use spirel_store::{Act, Actor, Person, SESSION_HOURS};
use std::future::Future;
use std::pin::Pin;

const COOKIE: &str = "spirel_session";

/// The signed-in person. A request without one is refused.
pub struct SignedIn(pub Person);

impl SignedIn {
    /// Them as someone who asks the store.
    pub fn actor(&self) -> Actor {
        self.0.actor()
    }

    /// Them as someone who asks the store, if they may do that.
    pub fn allowed(&self, act: Act) -> Result<Actor, ApiError> {
        if self.0.rights.contains(&act) { Ok(self.actor()) } else { Err(ApiError::NotYourRole) }
    }
}

impl FromRequest for SignedIn {
    type Error = ApiError;
    type Future = Pin<Box<dyn Future<Output = Result<Self, ApiError>>>>;

    fn from_request(request: &HttpRequest, _: &mut Payload) -> Self::Future {
        let token = token_of(request);
        let state = request.app_data::<web::Data<State>>().cloned();
        Box::pin(async move {
            let (Some(token), Some(state)) = (token, state) else {
                return Err(ApiError::NotSignedIn);
            };
            state.store.who_is(&token, Utc::now()).await?.map(Self).ok_or(ApiError::NotSignedIn)
        })
    }
}

/// The session's token that a request carries.
pub fn token_of(request: &HttpRequest) -> Option<String> {
    request.cookie(COOKIE).map(|cookie| cookie.value().to_owned())
}

/// The cookie of a new session.
pub fn session_cookie(token: String, secure: bool) -> Cookie<'static> {
    Cookie::build(COOKIE, token)
        .path("/")
        .http_only(true)
        .secure(secure)
        .same_site(SameSite::Strict)
        .max_age(Duration::hours(SESSION_HOURS))
        .finish()
}

/// The cookie that ends one.
pub fn no_cookie(secure: bool) -> Cookie<'static> {
    let mut cookie = session_cookie(String::new(), secure);
    cookie.make_removal();
    cookie
}
