//! Where a command listens, and when it stops.

use super::Failed;
use std::net::{SocketAddr, TcpListener};
use tokio::signal::unix::{SignalKind, signal};

pub(super) fn listen(address: SocketAddr, option: &str) -> Result<TcpListener, Failed> {
    TcpListener::bind(address)
        .map_err(|e| Failed(format!("{address} can't be listened on ({e}). Choose another with {option}.")))
}

/// Resolves at the first Ctrl-C or SIGTERM.
pub(super) fn stop_signal() -> Result<impl Future<Output = ()>, Failed> {
    let mut interrupt = signal(SignalKind::interrupt()).map_err(Failed::because)?;
    let mut terminate = signal(SignalKind::terminate()).map_err(Failed::because)?;
    Ok(async move {
        tokio::select! {
            _ = interrupt.recv() => {}
            _ = terminate.recv() => {}
        }
    })
}
