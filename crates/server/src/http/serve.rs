//! Runs the server on a listener it is given until it is asked to stop, then lets open requests finish.

use super::body::LARGEST_BODY;
use super::{ApiError, State, assets, guard, routes};
use actix_web::dev::Server;
use actix_web::middleware::{Compress, from_fn};
use actix_web::{App, HttpServer, web};
use std::future::Future;
use std::io;
use std::net::TcpListener;
use tracing_actix_web::TracingLogger;

/// Seconds open requests may take once the server is asked to stop.
const FINISH_WITHIN_S: u64 = 10;

/// Serves until `stop` resolves.
pub async fn serve(listener: TcpListener, state: State, stop: impl Future<Output = ()>) -> io::Result<()> {
    let state = web::Data::new(state);
    let server = on(listener, state.clone())?;
    let handle = server.handle();
    let running = tokio::spawn(server);
    stop.await;
    state.live.end();
    handle.stop(true).await;
    let ended = running.await.unwrap_or_else(|e| Err(io::Error::other(e)));
    state.store.close().await;
    ended
}

/// The server and all that wraps a request. It names no type of its caller's: or every caller would compile it anew.
fn on(listener: TcpListener, state: web::Data<State>) -> io::Result<Server> {
    let server = HttpServer::new(move || {
        App::new()
            .app_data(state.clone())
            .app_data(web::PayloadConfig::new(LARGEST_BODY))
            // An address that can't be a key is the address of nothing.
            .app_data(web::PathConfig::default().error_handler(|_, _| ApiError::NotFound.into()))
            .app_data(web::QueryConfig::default().error_handler(|e, _| ApiError::bad_query(&e).into()))
            .configure(routes::configure)
            .default_service(web::to(assets::front))
            .wrap(from_fn(guard::guard))
            .wrap(guard::headers(&state.settings))
            .wrap(Compress::default())
            .wrap(TracingLogger::<guard::RequestSpan>::new())
    })
    // An answer that is packed is written in parts: the second is not to wait until the browser has the first.
    .tcp_nodelay(true)
    // A browser that no longer waits closes its connection: then its request ends, and with it the work for it.
    .h1_allow_half_closed(false)
    .disable_signals()
    .shutdown_timeout(FINISH_WITHIN_S)
    .listen(listener)?
    .run();
    Ok(server)
}
