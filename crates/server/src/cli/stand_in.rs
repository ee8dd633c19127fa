//! Instruments that aren't there, played by `spirel-instruments`.

use super::Failed;
use super::listen::{listen, stop_signal};
use clap::{Args, Subcommand};
use spirel_core::scope::{DrawnScalp, SIDE_PX, look, png_of_grey};
use spirel_instruments::bench::Bench;
use spirel_instruments::server::Served;
use std::net::{SocketAddr, TcpListener};
use std::path::PathBuf;

#[derive(Debug, Subcommand)]
pub(super) enum StandInCommand {
    /// Looks at a made-up square centimetre of scalp and writes what a scope would see as PNG.
    Scope(ScopeOptions),
    /// Serves a comb, a gauge, a scope, a moisture meter and a room's weather on a made-up client, until Ctrl-C.
    Instruments(BenchOptions),
}

#[derive(Debug, Args)]
pub(super) struct BenchOptions {
    /// Address to listen on.
    #[arg(long, default_value = "127.0.0.1:8421")]
    bind: SocketAddr,
}

#[derive(Debug, Args)]
pub(super) struct ScopeOptions {
    /// Hairs that grow there, 20 to 400.
    #[arg(long, default_value = "180", value_parser = between(20.0, 400.0))]
    hairs_per_cm2: f64,
    /// Width of a hair, µm.
    #[arg(long, default_value = "70", value_parser = between(20.0, 150.0))]
    width_um: f64,
    /// Radius of its loops, mm.
    #[arg(long, default_value = "1000", value_parser = between(1.0, 1e6))]
    loop_radius_mm: f64,
    /// Brightness of the hair, 0 to 255.
    #[arg(long, default_value = "60", value_parser = between(0.0, 255.0))]
    hair: f64,
    /// Brightness of the skin, 0 to 255.
    #[arg(long, default_value = "190", value_parser = between(0.0, 255.0))]
    skin: f64,
    /// Which of the places that look like this.
    #[arg(long, default_value = "1")]
    seed: u64,
    /// The file.
    file: PathBuf,
}

/// Reads a number from `low` to `high`.
fn between(low: f64, high: f64) -> impl Fn(&str) -> Result<f64, String> + Clone + Send + Sync + 'static {
    move |text| match text.parse::<f64>() {
        Ok(value) if (low..=high).contains(&value) => Ok(value),
        _ => Err(format!("must be a number from {low} to {high}")),
    }
}

pub(super) fn run(what: &StandInCommand) -> Result<(), Failed> {
    match what {
        StandInCommand::Scope(options) => picture(options),
        StandInCommand::Instruments(options) => instruments(options),
    }
}

/// What the errors of the stand-ins follow from: the same each time, so that what was seen once can be seen again.
const SEED: u64 = 8421;

/// Serves the stand-ins inside the runtime that runs.
pub(super) fn serve(listener: TcpListener) -> Result<Served, Failed> {
    spirel_instruments::server::serve(listener, Bench::new(SEED)).map_err(Failed::because)
}

fn instruments(options: &BenchOptions) -> Result<(), Failed> {
    let listener = listen(options.bind, "--bind")?;
    let address = listener.local_addr().map_err(Failed::because)?;
    actix_web::rt::System::new().block_on(async {
        let stop = stop_signal()?;
        let bench = serve(listener)?;
        super::say(&format!("Stand-ins for instruments on ws://{address}"))?;
        stop.await;
        bench.stop().await;
        Ok(())
    })
}

fn picture(options: &ScopeOptions) -> Result<(), Failed> {
    let ScopeOptions { hairs_per_cm2, width_um, loop_radius_mm, hair, skin, .. } = *options;
    let seen = look(&DrawnScalp { hairs_per_cm2, width_um, loop_radius_mm, hair, skin }, options.seed);
    let png = png_of_grey(&seen.grey, SIDE_PX as u32).map_err(Failed::because)?;
    std::fs::write(&options.file, png).map_err(Failed::because)?;
    super::say(&format!("{} hairs leave the skin in {}", seen.hairs, options.file.display()))
}
