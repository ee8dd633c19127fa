//! The HTTP edge: what is the same for every request. The routes themselves are in [`routes`], their handlers in
//! [`api`](crate::api).

mod asked;
mod asking;
mod assets;
mod body;
mod guard;
mod heads;
mod idempotency;
mod lane;
mod live;
mod problem;
mod routes;
mod serve;
mod session;
mod sign_ins;
mod state;
mod turns;

pub use asked::Asked;
pub use body::{JsonBody, JsonText, PngBytes};
pub use idempotency::IdempotencyKey;
pub use lane::Lane;
pub use live::{Listener, Live};
pub use problem::{ApiError, FieldFault, ProblemDetails};
pub use routes::openapi;
pub use serve::serve;
pub use session::{SignedIn, no_cookie, session_cookie, token_of};
pub use sign_ins::SignIns;
pub use state::{Settings, State};
