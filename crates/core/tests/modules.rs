//! No module depends on one that depends on it: the folders of core among each other, and in every crate the files.
//!
//! What a file depends on is read off its syntax tree: every path that starts at the crate or at a parent module. A name
//! that a folder's `mod.rs` only passes on stands for the file it comes from. Tests may use whatever they like.

use std::collections::{BTreeMap, BTreeSet};
use std::path::{Path, PathBuf};
use syn::visit::{self, Visit};

/// A module by the names on the way to it; the crate's root has none.
type Module = Vec<String>;
type Graph = BTreeMap<Module, BTreeSet<Module>>;

#[derive(Default)]
struct Source {
    /// Paths it names, as written.
    paths: Vec<Vec<String>>,
    /// What it passes on: the name by which it is known, and where it comes from.
    passed_on: Vec<(String, Vec<String>)>,
}

impl Source {
    fn read(text: &str) -> Self {
        let mut source = Self::default();
        source.visit_file(&syn::parse_file(text).expect("it compiles"));
        source
    }

    fn tree(&mut self, tree: &syn::UseTree, before: &[String], passes_on: bool) {
        match tree {
            syn::UseTree::Path(path) => {
                self.tree(&path.tree, &[before, &[path.ident.to_string()]].concat(), passes_on);
            }
            syn::UseTree::Group(group) => {
                group.items.iter().for_each(|tree| self.tree(tree, before, passes_on));
            }
            syn::UseTree::Name(name) => self.named(before, &name.ident, &name.ident, passes_on),
            syn::UseTree::Rename(name) => self.named(before, &name.ident, &name.rename, passes_on),
            syn::UseTree::Glob(_) => self.paths.push(before.to_vec()),
        }
    }

    fn named(&mut self, before: &[String], name: &syn::Ident, known_as: &syn::Ident, passes_on: bool) {
        let path = [before, &[name.to_string()]].concat();
        if passes_on {
            self.passed_on.push((known_as.to_string(), path));
        } else {
            self.paths.push(path);
        }
    }
}

fn for_tests_only(attributes: &[syn::Attribute]) -> bool {
    attributes.iter().any(|attribute| {
        attribute.path().is_ident("cfg")
            && attribute.parse_args::<syn::Path>().is_ok_and(|path| path.is_ident("test"))
    })
}

impl<'ast> Visit<'ast> for Source {
    fn visit_item_mod(&mut self, module: &'ast syn::ItemMod) {
        if !for_tests_only(&module.attrs) {
            visit::visit_item_mod(self, module);
        }
    }

    fn visit_item_use(&mut self, item: &'ast syn::ItemUse) {
        self.tree(&item.tree, &[], !matches!(item.vis, syn::Visibility::Inherited));
    }

    fn visit_path(&mut self, path: &'ast syn::Path) {
        self.paths.push(path.segments.iter().map(|segment| segment.ident.to_string()).collect());
        visit::visit_path(self, path);
    }
}

struct Crate(BTreeMap<Module, Source>);

impl Crate {
    fn read(root: &Path) -> Self {
        fn files(folder: &Path, found: &mut Vec<PathBuf>) {
            for entry in std::fs::read_dir(folder).expect("a folder of sources") {
                let path = entry.expect("readable").path();
                if path.is_dir() {
                    files(&path, found);
                } else if path.extension().is_some_and(|extension| extension == "rs") {
                    found.push(path);
                }
            }
        }
        let mut found = Vec::new();
        files(root, &mut found);
        let module = |path: &Path| {
            let inside = path.strip_prefix(root).expect("inside").with_extension("");
            let mut names: Module =
                inside.iter().map(|name| name.to_str().expect("plain names").to_owned()).collect();
            if matches!(names.last().map(String::as_str), Some("mod" | "lib" | "main")) {
                names.pop();
            }
            names
        };
        let source =
            |path: &PathBuf| (module(path), Source::read(&std::fs::read_to_string(path).expect("a text")));
        // A binary's root beside a library's belongs to the library, whose tour it is.
        found.sort_by_key(|path| path.ends_with("lib.rs"));
        Self(found.iter().map(source).collect())
    }

    /// The module that a path written in a module leads to; none if it leads out of the crate.
    fn leads_to(&self, from: &[String], written: &[String]) -> Option<Module> {
        let (mut at, rest) = match written.first().map(String::as_str) {
            Some("crate") => (Vec::new(), &written[1..]),
            Some("self") => (from.to_vec(), &written[1..]),
            Some("super") => (from[..from.len().saturating_sub(1)].to_vec(), &written[1..]),
            Some(name) if self.0.contains_key(&[from, &[name.to_owned()]].concat()) => {
                (from.to_vec(), written)
            }
            _ => return None,
        };
        for name in rest {
            if name == "super" {
                at.pop();
                continue;
            }
            let child = [&at[..], std::slice::from_ref(name)].concat();
            if self.0.contains_key(&child) {
                at = child;
                continue;
            }
            let passed_on = &self.0.get(&at)?.passed_on;
            return match passed_on.iter().find(|(known_as, _)| known_as == name) {
                Some((_, path)) => self.leads_to(&at, path),
                None => Some(at),
            };
        }
        Some(at)
    }

    fn graph(&self) -> Graph {
        let edges = |(module, source): (&Module, &Source)| {
            let to = source.paths.iter().filter_map(|path| self.leads_to(module, path));
            // A folder's files may stand on what its `mod.rs` declares: the folder is one thing.
            (module.clone(), to.filter(|to| !module.starts_with(to)).collect())
        };
        self.0.iter().map(edges).collect()
    }
}

/// The same graph among the folders at the top.
fn of_folders(graph: &Graph) -> Graph {
    let folder = |module: &Module| module.first().cloned().into_iter().collect::<Module>();
    let mut folders = Graph::new();
    for (from, to) in graph {
        let from = folder(from);
        let to = to.iter().map(folder).filter(|to| *to != from);
        folders.entry(from.clone()).or_default().extend(to);
    }
    folders
}

/// Modules from which one gets back to where one was: what is left when those that depend on nothing left are taken away,
/// and then those on which nothing left depends.
fn rings(mut graph: Graph) -> Graph {
    loop {
        let ends: Vec<Module> = graph
            .iter()
            .filter(|(module, to)| to.is_empty() || !graph.values().any(|to| to.contains(*module)))
            .map(|(module, _)| module.clone())
            .collect();
        if ends.is_empty() {
            return graph;
        }
        for end in &ends {
            graph.remove(end);
            graph.values_mut().for_each(|to| _ = to.remove(end));
        }
    }
}

fn in_words(graph: &Graph) -> String {
    let line = |(from, to): (&Module, &BTreeSet<Module>)| {
        let to: Vec<String> = to.iter().map(|to| to.join("::")).collect();
        format!("{} -> {}\n", from.join("::"), to.join(", "))
    };
    graph.iter().map(line).collect()
}

fn sources(of: &str) -> PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR")).join("..").join(of).join("src")
}

#[test]
fn the_folders_of_core_form_no_ring() {
    let folders = of_folders(&Crate::read(&sources("core")).graph());
    assert!(folders[&vec!["plan".to_owned()]].contains(&vec!["fall".to_owned()]), "the graph is read at all");
    let rings = rings(folders);
    assert!(rings.is_empty(), "\n{}", in_words(&rings));
}

#[test]
fn the_files_of_a_crate_form_no_ring() {
    for name in ["core", "store", "server", "instruments", "testkit"] {
        let rings = rings(Crate::read(&sources(name)).graph());
        assert!(rings.is_empty(), "{name}:\n{}", in_words(&rings));
    }
}

#[test]
fn a_ring_is_found_and_what_hangs_on_it_is_not() {
    let sources = [
        ("", "pub mod a; pub mod b; pub mod c; pub use a::A;"),
        ("a", "use crate::b::B; pub struct A(B);"),
        ("b", "pub fn f() -> super::A { todo!() }"),
        ("c", "use crate::A; #[cfg(test)] mod tests { use crate::d::D; }"),
        ("d", "//! Nothing.\nuse std::fmt; #[cfg(test)] mod tests { use crate::a::A; }"),
    ];
    let module = |name: &str| name.split("::").filter(|name| !name.is_empty()).map(str::to_owned).collect();
    let read = Crate(sources.map(|(name, text)| (module(name), Source::read(text))).into());
    assert_eq!(in_words(&rings(read.graph())), "a -> b\nb -> a\n");
}
