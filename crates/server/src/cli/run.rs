//! Serving, with a database of one's own or a private one.

use super::listen::{listen, stop_signal};
use super::{DatabaseOptions, Failed, ServeOptions, say};
use crate::http::{State, serve as serve_on};
use spirel_store::{InstanceOptions, LocalDatabase, Store};
use std::io::IsTerminal;
use std::path::{Path, PathBuf};
use tracing_subscriber::EnvFilter;
use tracing_subscriber::fmt::format::FmtSpan;

/// Serves until Ctrl-C or SIGTERM, then stops in order: requests first, the database last.
pub(super) fn serve(options: &ServeOptions) -> Result<(), Failed> {
    log(options.log_json);
    // The address is taken before anything is started, so that a busy one costs nothing.
    let listener = listen(options.bind, "--bind")?;
    with_database(&options.database, async |store| {
        say(&format!("Spirel serves on http://{}", listener.local_addr().map_err(Failed::because)?))?;
        let state = State::new(store, options.settings(options.instruments));
        serve_on(listener, state, stop_signal()?).await.map_err(Failed::because)
    })
}

/// Brings the schema up to date.
pub(super) fn migrate(options: &DatabaseOptions) -> Result<(), Failed> {
    with_database(options, async |_| say("The schema is up to date."))
}

/// Runs `work` on a migrated store, and stops a private database after it.
pub(super) fn with_database(
    options: &DatabaseOptions,
    work: impl AsyncFnOnce(Store) -> Result<(), Failed>,
) -> Result<(), Failed> {
    let private = match &options.database_url {
        Some(_) => None,
        None => {
            let instance = InstanceOptions { port: options.database_port, throwaway: false };
            let folder = options.data.clone().unwrap_or_else(default_folder);
            Some(LocalDatabase::start(&folder, &instance).map_err(Failed::because)?)
        }
    };
    let url = private.as_ref().map(LocalDatabase::url).or_else(|| options.database_url.clone());
    let done = actix_web::rt::System::new().block_on(async {
        let store = Store::open(&url.unwrap_or_default()).await.map_err(Failed::because)?;
        work(store).await
    });
    if let Some(database) = private {
        database.stop();
    }
    done
}

/// Below the folder the program was started in, so that what belongs together lies together. Root's own folder is closed
/// to the unprivileged user the database runs as.
fn default_folder() -> PathBuf {
    if LocalDatabase::can_live_below(Path::new(".")) { ".spirel".into() } else { "/var/lib/spirel".into() }
}

/// One line a request, to standard error; RUST_LOG chooses how much.
pub(super) fn log(as_json: bool) {
    let filter = EnvFilter::try_from_default_env().unwrap_or_else(|_| EnvFilter::new("info,sqlx=warn"));
    let lines = tracing_subscriber::fmt()
        .with_env_filter(filter)
        .with_span_events(FmtSpan::CLOSE)
        .with_writer(std::io::stderr);
    if as_json {
        lines.json().init();
    } else {
        lines.with_target(false).with_ansi(std::io::stderr().is_terminal()).init();
    }
}
