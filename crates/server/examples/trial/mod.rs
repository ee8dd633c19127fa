//! What trials on a running server share: a server of their own from the real binary, and people who are signed in.

use reqwest::Client;
use serde_json::{Value, json};
use std::io::{BufRead, BufReader};
use std::path::{Path, PathBuf};
use std::process::{Child, Command, Stdio};

/// A server from the real binary, with the made-up house in a folder of its own.
pub struct Server {
    process: Child,
    pub url: String,
}

/// The binary that is tried: `SPIREL` if it is set, else the one that Cargo built beside this program.
pub fn binary() -> PathBuf {
    let beside = || {
        let own = std::env::current_exe().expect("this program has a path");
        own.parent().and_then(Path::parent).expect("it lies in examples/").join("spirel")
    };
    std::env::var_os("SPIREL").map_or_else(beside, PathBuf::from)
}

impl Server {
    /// Starts on a folder; it serves once this returns.
    pub fn start(data: &Path, port: u16) -> Self {
        let mut process = Command::new(binary())
            .args(["demo", "--bind", &format!("127.0.0.1:{port}"), "--instruments", "127.0.0.1:0"])
            .arg("--data")
            .arg(data)
            .env("SPIREL_SIGN_INS_PER_MINUTE", "100000")
            .env("RUST_LOG", "error")
            .stdout(Stdio::piped())
            .stderr(Stdio::null())
            .spawn()
            .expect("`make build` first");
        let mut lines = BufReader::new(process.stdout.take().expect("it is piped")).lines();
        let line = lines.next().and_then(Result::ok).unwrap_or_default();
        let url = line.rsplit(' ').next().unwrap_or_default().to_owned();
        // What else it says is read, so that it is never held up.
        std::thread::spawn(move || lines.for_each(drop));
        Self { process, url }
    }

    pub fn pid(&self) -> u32 {
        self.process.id()
    }

    /// Stops it in order.
    pub fn stop(mut self) {
        signal("-TERM", &[self.process.id()]);
        self.process.wait().expect("it ends");
    }

    /// Memory in use and at most, MB.
    pub fn memory_mb(&self) -> (u64, u64) {
        let status = std::fs::read_to_string(format!("/proc/{}/status", self.pid())).unwrap_or_default();
        let of = |name: &str| -> u64 {
            let line = status.lines().find(|line| line.starts_with(name)).unwrap_or_default();
            line.split_whitespace().nth(1).and_then(|kb| kb.parse::<u64>().ok()).unwrap_or(0) / 1024
        };
        (of("VmRSS:"), of("VmHWM:"))
    }
}

/// What is dropped is killed, as a power cut would.
impl Drop for Server {
    fn drop(&mut self) {
        let _ = self.process.kill();
        let _ = self.process.wait();
    }
}

/// Sends a signal.
pub fn signal(name: &str, pids: &[u32]) {
    let pids = pids.iter().map(u32::to_string);
    let _ = Command::new("kill").arg(name).args(pids).stderr(Stdio::null()).status();
}

/// Processes whose command line begins with a program and names a folder.
pub fn processes(program: &str, folder: &Path) -> Vec<u32> {
    let all = std::fs::read_dir("/proc").expect("this is Linux").flatten();
    let pids = all.filter_map(|entry| entry.file_name().to_str()?.parse().ok());
    let wanted = |pid: &u32| {
        let line = std::fs::read(format!("/proc/{pid}/cmdline")).unwrap_or_default();
        let line = String::from_utf8_lossy(&line).into_owned();
        line.starts_with(program) && line.contains(&format!("{}/", folder.display()))
    };
    pids.filter(wanted).collect()
}

/// A browser in which somebody of the made-up house is signed in, and their key.
pub async fn signed_in(url: &str, email: &str) -> (Client, Value) {
    let client = Client::builder().cookie_store(true).build().expect("a client");
    let body = json!({"email": email, "password": "tide-and-comb"});
    for _ in 0..600 {
        if let Ok(answer) = client.post(format!("{url}/api/session")).json(&body).send().await
            && answer.status().is_success()
        {
            let person: Value = answer.json().await.unwrap_or_default();
            return (client, person["id"].clone());
        }
        tokio::time::sleep(std::time::Duration::from_millis(100)).await;
    }
    panic!("nobody can sign in");
}

/// A new visit of a client of the made-up house.
pub async fn new_visit(url: &str, client: &Client, name: &str) -> String {
    let found: Value = client
        .get(format!("{url}/api/clients?search={name}"))
        .send()
        .await
        .expect("found")
        .json()
        .await
        .expect("JSON");
    let id = found["clients"][0]["id"].as_str().expect("somebody");
    let begun = client.post(format!("{url}/api/clients/{id}/visits")).json(&json!({"on_date": "2026-03-14"}));
    let visit: Value = begun.send().await.expect("begun").json().await.expect("JSON");
    visit["id"].as_str().expect("a visit").to_owned()
}
