//! What a conversion, a fit and a mark cost.

use criterion::{Criterion, criterion_group, criterion_main};
use spirel_core::fibre::{Comb, HeldState, LengthModel, Moisture, WornStyle};
use spirel_core::learn;
use spirel_core::mark::{MarkRequest, find_mark};
use spirel_core::reading::{RawZoneReading, ZoneReading};
use std::hint::black_box;

fn conversions(c: &mut Criterion) {
    let hair = LengthModel {
        loop_radius_mm: 8.0,
        natural_pitch: 0.3,
        diameter_um: 70.0,
        stiffness: 1.0,
        softening: 1.0,
    };
    let wet = HeldState { moisture: Moisture::Wet, comb: Comb::Wide };
    c.bench_function("worn from fibre", |b| {
        b.iter(|| hair.worn_mm(black_box(300.0), WornStyle::AsItSprings))
    });
    c.bench_function("fibre from worn", |b| {
        b.iter(|| hair.fibre_from_worn(black_box(150.0), WornStyle::AsItSprings))
    });
    c.bench_function("held from fibre", |b| b.iter(|| hair.held_mm(black_box(250.0), 300.0, wet)));
    c.bench_function("fibre from held", |b| b.iter(|| hair.fibre_from_held(black_box(250.0), 300.0, wet)));

    let raw = RawZoneReading { strands: 3, ..RawZoneReading::measured(300.0, 150.0) };
    let zone = ZoneReading::try_from(&raw).expect("a possible reading");
    c.bench_function("fit of one zone", |b| b.iter(|| learn::fit(black_box(&zone))));
    let mut request = MarkRequest { state: Some(wet), ..MarkRequest::new(raw, 120.0) };
    c.bench_function("mark in one state", |b| b.iter(|| find_mark(black_box(&request))));
    request.state = None;
    c.bench_function("mark in every state, advised", |b| b.iter(|| find_mark(black_box(&request))));
}

criterion_group!(benches, conversions);
criterion_main!(benches);
