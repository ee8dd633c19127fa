//! Serving with a made-up house and stand-ins for instruments, to try the product on.

use super::listen::{listen, stop_signal};
use super::run::{log, with_database};
use super::{Failed, ServeOptions, say, stand_in};
use crate::demo;
use crate::http::{State, serve as serve_on};
use clap::Args;
use std::net::{IpAddr, Ipv4Addr, SocketAddr};

/// Where the stand-ins are found.
const STAND_INS: SocketAddr = SocketAddr::new(IpAddr::V4(Ipv4Addr::LOCALHOST), 8421);

/// How to serve the made-up house.
#[derive(Debug, Args)]
pub(super) struct DemoOptions {
    #[command(flatten)]
    serve: ServeOptions,
    /// Serve it to other machines, too: everybody knows the passwords of the made-up house.
    #[arg(long)]
    beyond_loopback: bool,
}

/// Serves until Ctrl-C or SIGTERM, then stops in order: requests first, the database last.
pub(super) fn serve(options: &DemoOptions) -> Result<(), Failed> {
    let DemoOptions { serve: options, beyond_loopback } = options;
    if !(options.bind.ip().is_loopback() || *beyond_loopback) {
        let bind = options.bind;
        return Err(Failed(format!(
            "{bind} can be reached from other machines, and everybody knows the passwords of the made-up house. \
             Choose an address on 127.0.0.1, or add --beyond-loopback if that is what you want."
        )));
    }
    log(options.log_json);
    // Both addresses are taken before anything is started, so that a busy one costs nothing.
    let listener = listen(options.bind, "--bind")?;
    let bench = listen(options.instruments.unwrap_or(STAND_INS), "--instruments")?;
    let address = listener.local_addr().map_err(Failed::because)?;
    let instruments = bench.local_addr().map_err(Failed::because)?;
    with_database(&options.database, async |store| {
        store.load_if_empty(demo::load).await.map_err(Failed::because)?;
        say(&format!("Spirel serves on http://{address}"))?;
        say(&demo::sign_ins())?;
        let stop = stop_signal()?;
        let bench = stand_in::serve(bench)?;
        let state = State::new(store, options.settings(Some(instruments)));
        let served = serve_on(listener, state, stop).await.map_err(Failed::because);
        bench.stop().await;
        served
    })
}
