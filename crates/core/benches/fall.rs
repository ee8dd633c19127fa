//! What a cut and its fall cost, by the number of guide roots.

use criterion::{BenchmarkId, Criterion, Throughput, criterion_group, criterion_main};
use spirel_core::cut::{cut, shipped};
use spirel_core::fall::fall;
use spirel_core::hair::HairRequest;
use spirel_core::reading::{RawReading, RawZoneReading, Zone};
use std::hint::black_box;

fn head(roots: u32) -> HairRequest {
    let zone = RawZoneReading { strands: 3, ..RawZoneReading::measured(500.0, 320.0) };
    let zones = Zone::ALL.into_iter().map(|z| (z, zone)).collect();
    HairRequest { roots, ..HairRequest::new(RawReading { zones, ..RawReading::default() }) }
}

fn cut_and_fall(c: &mut Criterion) {
    let plan = &shipped().iter().find(|each| each.key == "breakwater").expect("it ships").cut;
    for threads in [1, 2] {
        let pool = rayon::ThreadPoolBuilder::new().num_threads(threads).build().expect("a pool");
        let mut group = c.benchmark_group(format!("on {threads} threads"));
        group.sample_size(10);
        for roots in [4096, 16_384, 65_536] {
            group.throughput(Throughput::Elements(u64::from(roots)));
            let hair = head(roots).grow().expect("a possible head");
            let lengths = cut(&hair, plan).expect("a valid cut").lengths;
            group.bench_with_input(BenchmarkId::new("grow", roots), &head(roots), |b, request| {
                b.iter(|| pool.install(|| request.grow()))
            });
            group.bench_with_input(BenchmarkId::new("cut of six moves", roots), &hair, |b, hair| {
                b.iter(|| pool.install(|| cut(black_box(hair), plan)))
            });
            group.bench_with_input(BenchmarkId::new("fall", roots), &lengths, |b, lengths| {
                b.iter(|| pool.install(|| fall(&hair, black_box(lengths))))
            });
        }
        group.finish();
    }
}

criterion_group!(benches, cut_and_fall);
criterion_main!(benches);
