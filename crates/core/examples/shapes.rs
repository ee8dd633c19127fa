//! Prints the shapes of docs/accuracy.md: what ordinary heads of hair measure when they are worn.

#![allow(clippy::print_stdout, reason = "what it prints is what it is for")]

mod heads;

use heads::head;
use spirel_core::fall::{Fall, fall};
use spirel_core::hair::Hair;
use spirel_core::head::Point;
use spirel_core::reading::WidthClass;

fn line(hair: &Hair, point: Point) -> Fall {
    let y = point.height_mm(&hair.measures);
    let lengths: Vec<_> = (0..hair.strands.len())
        .map(|i| {
            let s = &hair.strands[i];
            let f = hair
                .worn_to_height_mm(i, y)
                .and_then(|w| s.model.fibre_from_worn(w, s.worn))
                .expect("reached");
            hair.lengths[i].map(|x| x.min(f))
        })
        .collect();
    fall(hair, &lengths)
}

fn round(hair: &Hair, worn: f64) -> Fall {
    let lengths: Vec<_> = hair
        .strands
        .iter()
        .zip(&hair.lengths)
        .map(|(s, l)| {
            let f = s.model.fibre_from_worn(worn, s.worn).expect("reached");
            l.map(|x| x.min(f))
        })
        .collect();
    fall(hair, &lengths)
}

fn show(name: &str, f: &Fall) {
    let w = |y: f64| f.front.width_at_mm(y);
    let per: Vec<f64> = f.perimeter_mm.iter().flatten().copied().collect();
    let low = per.iter().copied().fold(f64::MAX, f64::min);
    println!(
        "{name:32} top {:5.0} w60 {:4.0} temples(40) {:4.0} ear {:4.0} -60 {:4.0} line+30 {:4.0} line+60 {:4.0} widest {:4.0} at {:5.0} perim {:5.0} lowest {:5.0} back {:4.0} light@line+20 {:.2} strong {:.0} see {:.0} m {:.1}",
        f.front.heights_mm[0],
        w(60.0),
        w(40.0),
        w(0.0),
        w(-60.0),
        w(low + 30.0),
        w(low + 60.0),
        f.width_mm,
        f.widest_at_mm,
        low,
        f.lowest_mm,
        f.side.other_mm.iter().copied().fold(0.0, f64::max),
        f.levels.iter().rfind(|l| l.height_mm >= low + 20.0).map_or(1.0, |l| l.light),
        f.strong_to_mm,
        f.see_through_below_mm,
        f.mass_g
    );
}

fn main() {
    let s = head(500.0, 497.0, WidthClass::Medium, 180.0);
    println!(
        "head top {:.0} half breadth {:.0}",
        s.form.top_mm(),
        s.form.radius_mm(&spirel_core::head::Vec3::x())
    );
    show("straight ordinary shoulder", &line(&s, Point::Shoulder));
    show("straight long 500", &fall(&s, &s.lengths));
    let r = head(560.0, 280.0, WidthClass::Coarse, 230.0);
    show("thick coarse 560/280 uncut", &fall(&r, &r.lengths));
    let r = head(600.0, 300.0, WidthClass::Medium, 240.0);
    show("thick ringlets shoulder", &line(&r, Point::Shoulder));
    show("thick ringlets round 150", &round(&r, 150.0));
    show("thick ringlets round 200", &round(&r, 200.0));
    let r = head(800.0, 420.0, WidthClass::Medium, 180.0);
    show("ordinary ringlets shoulder", &line(&r, Point::Shoulder));
    show("ordinary ringlets round 150", &round(&r, 150.0));
    let c = head(400.0, 110.0, WidthClass::Medium, 180.0);
    show("tight coils 100", &round(&c, 100.0));
    show("tight coils 60", &round(&c, 60.0));
    let f = head(330.0, 315.0, WidthClass::Fine, 140.0);
    show("fine 300", &round(&f, 300.0));
    show("fine 110", &round(&f, 110.0));
    let w = head(600.0, 510.0, WidthClass::Medium, 180.0);
    show("waves shoulder", &line(&w, Point::Shoulder));
    show("waves round 150", &round(&w, 150.0));
}
