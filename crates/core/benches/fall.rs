//! What a cut, its fall and the locks that it is drawn with cost, by the number of guide roots, on one thread and on two.

use criterion::{BenchmarkId, Criterion, Throughput, criterion_group, criterion_main};
use spirel_core::cut::{cut, shipped};
use spirel_core::fall::fall;
use spirel_core::grow::HairRequest;
use spirel_core::head::Zone;
use spirel_core::lock::locks;
use spirel_core::reading::{RawReading, RawZoneReading};
use std::hint::black_box;

/// The program's.
#[global_allocator]
static ALLOCATOR: mimalloc::MiMalloc = mimalloc::MiMalloc;

fn head(roots: u32) -> HairRequest {
    let zone = RawZoneReading { strands: 3, ..RawZoneReading::measured(500.0, 320.0) };
    let zones = Zone::ALL.into_iter().map(|z| (z.into(), zone)).collect();
    HairRequest { roots, ..HairRequest::new(RawReading { zones, ..RawReading::default() }) }
}

fn cut_and_fall(c: &mut Criterion) {
    let plan = &shipped().iter().find(|shipped| shipped.key == "breakwater").expect("it ships").cut;
    for roots in [4096, 16_384, 65_536] {
        let hair = head(roots).grow().expect("a possible head");
        let lengths = cut(&hair, plan).expect("a valid cut").lengths;
        let mut group = c.benchmark_group(format!("{roots} roots"));
        group.sample_size(10);
        group.throughput(Throughput::Elements(u64::from(roots)));
        // Both thread counts one right after the other: the machine's mood changes by the minute.
        for what in ["cut", "fall", "cut and fall"] {
            for threads in [1, 2] {
                let pool = rayon::ThreadPoolBuilder::new().num_threads(threads).build().expect("a pool");
                group.bench_function(BenchmarkId::new(what, format!("{threads} threads")), |b| {
                    b.iter(|| {
                        pool.install(|| match what {
                            "cut" => drop(black_box(cut(black_box(&hair), plan))),
                            "fall" => drop(black_box(fall(&hair, black_box(&lengths)))),
                            _ => drop(black_box(
                                cut(black_box(&hair), plan).map(|cut| fall(&hair, &cut.lengths)),
                            )),
                        })
                    })
                });
            }
        }
        if roots == 4096 {
            for count in [300, 900] {
                group.bench_function(BenchmarkId::new("locks", count), |b| {
                    b.iter(|| locks(black_box(&hair), &lengths, count))
                });
            }
        }
        group.bench_function("grow the head", |b| b.iter(|| head(black_box(roots)).grow()));
        group.finish();
    }
}

criterion_group!(benches, cut_and_fall);
criterion_main!(benches);
