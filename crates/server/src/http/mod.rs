//! The HTTP edge: what is the same for every request. The routes themselves are in [`routes`], their handlers in
//! [`api`](crate::api).

mod assets;
mod body;
mod guard;
mod heads;
mod live;
mod problem;
mod routes;
mod serve;
mod session;
mod state;

pub use body::{JsonBody, JsonText, PngBytes};
pub use live::{Listener, Live};
pub use problem::{ApiError, FieldFault, ProblemDetails};
pub use routes::openapi;
pub use serve::serve;
pub use session::{SignedIn, no_cookie, session_cookie, token_of};
pub use state::{Settings, State};
