//! Walks through the product as a person would: the Playwright journeys in `web/e2e`, against the real binary.

use std::path::Path;
use std::process::Command;

#[test]
fn the_journeys_through_the_interface() {
    let web = Path::new(env!("CARGO_MANIFEST_DIR")).join("../../web");
    let runner = web.join("node_modules/.bin/playwright");
    assert!(runner.exists(), "The front end's packages are missing. `make test` installs them.");
    assert!(web.join("dist/index.html").exists(), "The front end isn't built. `make test` builds it.");
    let ended = Command::new(runner)
        .arg("test")
        .current_dir(&web)
        .env("SPIREL_BIN", env!("CARGO_BIN_EXE_spirel"))
        .status()
        .expect("Playwright starts");
    assert!(
        ended.success(),
        "a journey failed; what the page said is in web/test-results (CONTRIBUTING.md: how to record more)"
    );
}
