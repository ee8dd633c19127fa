//! The front end is embedded when this crate is compiled, so a rebuilt front end compiles it anew.

fn main() {
    println!("cargo:rerun-if-changed=../../web/dist");
}
