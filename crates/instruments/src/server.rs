//! Serves the bench over WebSocket on loopback, at `/`.

use crate::bench::{App, Bench, To};
use actix_web::dev::ServerHandle;
use actix_web::http::header::ORIGIN;
use actix_web::{App as Web, HttpRequest, HttpResponse, HttpServer, web};
use actix_ws::{Message, MessageStream, Session};
use spirel_core::devices::{FromApp, ToApp};
use std::io;
use std::net::TcpListener;
use std::sync::atomic::{AtomicU64, Ordering};
use std::sync::{Mutex, PoisonError};
use tokio::sync::broadcast::{self, Receiver, Sender};

/// Messages on their way to a screen that reads slowly; one that falls further behind misses some.
const ON_THE_WAY: usize = 256;

struct Hub {
    bench: Mutex<Bench>,
    out: Sender<(To, String)>,
    next: AtomicU64,
}

impl Hub {
    fn act(&self, act: impl FnOnce(&mut Bench) -> Vec<(To, ToApp)>) {
        let mut bench = self.bench.lock().unwrap_or_else(PoisonError::into_inner);
        // Sent under the lock, so that every screen hears of changes in the order in which they happened.
        for (to, message) in act(&mut bench) {
            let text = serde_json::to_string(&message).unwrap_or_default();
            // Nobody listening is no fault.
            let _ = self.out.send((to, text));
        }
    }
}

/// A bench that is served.
pub struct Served {
    handle: ServerHandle,
}

impl Served {
    /// Stops serving.
    pub async fn stop(self) {
        self.handle.stop(false).await;
    }
}

/// Serves a bench on this listener, inside the runtime that runs.
pub fn serve(listener: TcpListener, bench: Bench) -> io::Result<Served> {
    let (out, _) = broadcast::channel(ON_THE_WAY);
    let hub = web::Data::new(Hub { bench: Mutex::new(bench), out, next: AtomicU64::new(1) });
    let server = HttpServer::new(move || Web::new().app_data(hub.clone()).route("/", web::get().to(open)))
        .workers(1)
        .disable_signals()
        .listen(listener)?
        .run();
    let handle = server.handle();
    tokio::spawn(server);
    Ok(Served { handle })
}

async fn open(
    request: HttpRequest,
    body: web::Payload,
    hub: web::Data<Hub>,
) -> Result<HttpResponse, actix_web::Error> {
    // Any page that a browser shows can reach loopback; only pages that are themselves served from here may.
    if !comes_from_here(&request) {
        return Ok(HttpResponse::Forbidden().finish());
    }
    let (response, session, messages) = actix_ws::handle(&request, body)?;
    let app = hub.next.fetch_add(1, Ordering::Relaxed);
    let heard = hub.out.subscribe();
    actix_web::rt::spawn(async move {
        talk(app, &hub, session, messages, heard).await;
        hub.act(|bench| bench.gone(app));
    });
    Ok(response)
}

fn comes_from_here(request: &HttpRequest) -> bool {
    let Some(origin) = request.headers().get(ORIGIN) else { return true };
    let host = origin.to_str().ok().and_then(|origin| origin.split_once("://")).map(|(_, rest)| rest);
    let name = host.map(|host| host.rsplit_once(':').map_or(host, |(name, _)| name));
    matches!(name, Some("127.0.0.1" | "localhost" | "[::1]"))
}

/// Until the screen has gone.
async fn talk(
    app: App,
    hub: &Hub,
    mut session: Session,
    mut messages: MessageStream,
    mut heard: Receiver<(To, String)>,
) {
    loop {
        tokio::select! {
            message = messages.recv() => match message {
                Some(Ok(Message::Text(text))) => match serde_json::from_str::<FromApp>(&text) {
                    Ok(message) => hub.act(|bench| bench.hear(app, message)),
                    Err(error) => hub.act(|_| {
                        let said = format!("The message is not understood: {error}.");
                        vec![(To::One(app), ToApp::Refused { said, not_paired: None })]
                    }),
                },
                Some(Ok(Message::Ping(bytes))) => {
                    if session.pong(&bytes).await.is_err() {
                        return;
                    }
                }
                Some(Ok(Message::Close(_)) | Err(_)) | None => return,
                Some(Ok(_)) => {}
            },
            out = heard.recv() => {
                if let Ok((to, text)) = out
                    && (to == To::All || to == To::One(app))
                    && session.text(text).await.is_err()
                {
                    return;
                }
            }
        }
    }
}
