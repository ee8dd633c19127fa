//! Kills a first start at many moments, and looks whether the next one makes a whole house of what was left.
//!
//! `cargo run --release --package spirel --features demo --example first_starts -- 24`
#![allow(clippy::print_stdout, reason = "a command that prints what it measured")]

#[allow(dead_code, reason = "another trial uses the rest")]
mod trial;

use serde_json::Value;
use std::process::{Command, Stdio};
use std::time::Instant;
use trial::{Server, binary, processes, signal, signed_in};

const PORT: u16 = 8476;

/// Names of the clients of both houses, as they are listed.
async fn clients(url: &str) -> Vec<String> {
    let mut names = Vec::new();
    for email in ["wren@saltmarsh.example", "sela@gannet.example"] {
        let (client, _) = signed_in(url, email).await;
        let page: Value = client
            .get(format!("{url}/api/clients"))
            .send()
            .await
            .expect("listed")
            .json()
            .await
            .expect("JSON");
        let listed = page["clients"].as_array().into_iter().flatten();
        names.extend(listed.map(|client| format!("{} {}", client["name"], client["visits"])));
    }
    names
}

fn folder() -> tempfile::TempDir {
    tempfile::Builder::new().prefix("spirel-first-").tempdir().expect("a folder")
}

#[tokio::main]
async fn main() {
    let kills: u32 = std::env::args().nth(1).and_then(|n| n.parse().ok()).unwrap_or(24);
    let whole = folder();
    let began = Instant::now();
    let server = Server::start(whole.path(), PORT);
    let takes = began.elapsed();
    let wanted = clients(&server.url).await;
    server.stop();
    let mut broken = 0;
    for kill in 0..kills {
        let folder = folder();
        let data = folder.path().canonicalize().expect("it is there");
        let mut first = Command::new(binary())
            .args(["demo", "--bind", &format!("127.0.0.1:{PORT}"), "--instruments", "127.0.0.1:0", "--data"])
            .arg(&data)
            .stdout(Stdio::null())
            .stderr(Stdio::null())
            .spawn()
            .expect("`make build` first");
        tokio::time::sleep(takes * kill / kills).await;
        first.kill().expect("it runs");
        first.wait().expect("it ends");
        if kill % 2 == 0 {
            // As a power cut: the database and what watches over it go with it.
            signal("-KILL", &processes("", &data));
        }
        let server = Server::start(&data, PORT);
        if clients(&server.url).await != wanted {
            broken += 1;
            println!("after {:.2} s: not whole", (takes * kill / kills).as_secs_f64());
        }
        server.stop();
    }
    println!(
        "first starts killed: {kills}, within {:.1} s; not whole afterwards: {broken}",
        takes.as_secs_f64()
    );
    assert_eq!(broken, 0);
}
