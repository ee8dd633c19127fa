//! A made-up house to try the product on: Saltmarsh Row, a cooperative hair room in an invented tidal town, and a
//! second house that must never see it. No person, place or measure is real.

use crate::exchange::VisitFile;
use chrono::{Days, Utc};
use serde::Deserialize;
use spirel_core::FieldErrors;
use spirel_core::cut::shipped;
use spirel_core::mark::Aim;
use spirel_core::plan::Plan;
use spirel_core::reading::RawReading;
use spirel_core::talk::Talk;
use spirel_store::{Actor, ClientDraft, Day, Role, Store, StoreError};
use std::fmt::Write;

/// The password of every demo sign-in. The demo listens on this machine only and holds nothing real.
const PASSWORD: &str = "tide-and-comb";

/// Why the demo could not be loaded.
#[derive(Debug, thiserror::Error)]
pub enum DemoError {
    /// The file that ships is not well formed.
    #[error("the demo data: {0}")]
    Data(#[from] serde_json::Error),
    /// A document in it is not possible.
    #[error("the demo data: {0}")]
    Fields(#[from] FieldErrors),
    /// It names a cut that doesn't ship.
    #[error("the demo data: there is no cut {0}")]
    NoSuchCut(String),
    /// A visit is further back than visits can be.
    #[error("the demo data: there is no day {0} days ago")]
    NoSuchDay(u64),
    /// The database refused it.
    #[error(transparent)]
    Store(#[from] StoreError),
}

#[derive(Deserialize)]
#[serde(deny_unknown_fields)]
struct House {
    name: String,
    people: Vec<Worker>,
    clients: Vec<DemoClient>,
}

#[derive(Deserialize)]
#[serde(deny_unknown_fields)]
struct Worker {
    name: String,
    email: String,
    role: Role,
}

#[derive(Deserialize)]
#[serde(deny_unknown_fields)]
struct DemoClient {
    name: String,
    contact: String,
    note: String,
    visits: Vec<DemoVisit>,
}

#[derive(Deserialize)]
#[serde(deny_unknown_fields)]
struct DemoVisit {
    days_ago: u64,
    talk: Option<Talk>,
    read: Option<RawReading>,
    aim: Option<Aim>,
    /// Key of the cut that is planned, of those that ship.
    cut: Option<String>,
}

fn houses() -> Result<Vec<House>, DemoError> {
    Ok(serde_json::from_str(include_str!("houses.json"))?)
}

/// A plan of a cut that ships, on an ordinary head.
fn plan_of(key: &str) -> Result<Plan, DemoError> {
    let found = shipped().iter().find(|shipped| shipped.key == key);
    found.map(|shipped| Plan::of(shipped.cut.clone())).ok_or_else(|| DemoError::NoSuchCut(key.to_owned()))
}

/// Fills an empty database with the demo.
pub async fn load(store: &Store) -> Result<(), DemoError> {
    let today = Utc::now().date_naive();
    for house in houses()? {
        let id = store.add_house(&house.name).await?;
        let mut stylist: Option<Actor> = None;
        for worker in &house.people {
            let actor = store.add_person(id, &worker.name, &worker.email, worker.role, PASSWORD).await?;
            if stylist.is_none() || worker.role == Role::Stylist {
                stylist = Some(actor);
            }
        }
        let Some(stylist) = stylist else { continue };
        for client in house.clients {
            let draft =
                ClientDraft { name: client.name, contact: client.contact, note: client.note, consent: true };
            draft.check()?;
            let client_id = store.add_client(&stylist, &draft, None).await?;
            for visit in client.visits {
                let day = today.checked_sub_days(Days::new(visit.days_ago)).and_then(Day::new);
                let day = day.ok_or(DemoError::NoSuchDay(visit.days_ago))?;
                let plan = visit.cut.as_deref().map(plan_of).transpose()?;
                let file = VisitFile {
                    talk: visit.talk,
                    read: visit.read,
                    aim: visit.aim,
                    plan,
                    ..VisitFile::on(day)
                };
                file.check()?;
                store.import_visit(&stylist, client_id, day, &file.documents()?, None).await?;
            }
        }
    }
    Ok(())
}

/// Who can sign in, for the terminal.
pub fn sign_ins() -> String {
    let mut text = format!("Sign in with the password \"{PASSWORD}\" as one of");
    for house in houses().unwrap_or_default() {
        for worker in &house.people {
            // Writing to a string can't fail.
            let _ = write!(text, "\n  {:32} {:?}, {}", worker.email, worker.role, house.name);
        }
    }
    text
}

#[cfg(test)]
mod tests {
    use super::*;
    use spirel_core::fibre::WornStyle;
    use spirel_core::learn;
    use spirel_core::mark::mark_sheet;
    use spirel_core::plan::FallRequest;
    use spirel_core::reading::{CurlWord, RawZoneReading, ZoneReading};
    use spirel_core::units::LengthUnit;

    fn quantile(values: &mut [f64], share: f64) -> f64 {
        values.sort_by(f64::total_cmp);
        values[(share * (values.len() - 1) as f64).round() as usize]
    }

    /// What hair loses when it is let go, from nothing but the width of its loops or the word for them, against what was
    /// measured. `docs/accuracy.md` has the figures.
    #[test]
    #[allow(clippy::print_stdout, reason = "the figures are quoted in the documentation")]
    fn curl_that_is_only_seen_tells_the_shrinkage_within_the_error_it_states() {
        let houses = houses().expect("the file that ships is well formed");
        let visits = houses[0].clients.iter().flat_map(|client| &client.visits);
        let (mut by_loop, mut by_word) = (Vec::new(), Vec::new());
        for reading in visits.filter_map(|visit| visit.read.as_ref()) {
            for (patch, read) in reading.read_patches().into_iter().filter(|(_, read)| !read.read_elsewhere) {
                let (lost, _) = learn::shrinkage(&read, &learn::fit(&read));
                let loop_mm = 2.0 * learn::fit(&read).model().rod(0.0, 1.0).loop_radius_mm(0.0);
                let off = |word: &CurlWord| (2.0 * word.loop_radius_mm() / loop_mm).ln().abs();
                let word = CurlWord::ALL.into_iter().min_by(|a, b| off(a).total_cmp(&off(b)));
                let RawZoneReading { width_um, width_class, stretched_mm, .. } = reading.zones[&patch];
                let told = |loop_mm, curl| {
                    let stretched_only =
                        RawZoneReading { stretched_mm, width_um, width_class, ..Default::default() };
                    let seen = ZoneReading::try_from(&RawZoneReading { loop_mm, curl, ..stretched_only })
                        .expect("seen");
                    let (share, sd) = learn::shrinkage(&seen, &learn::fit(&seen));
                    assert!((share - lost).abs() < 2.0 * sd, "{patch}: {share} ± {sd}, measured {lost}");
                    (share - lost).abs()
                };
                by_loop.push(told(Some(loop_mm.round().clamp(1.0, 400.0)), None));
                by_word.push(told(None, word));
            }
        }
        for (how, off) in [("loop", &mut by_loop), ("word", &mut by_word)] {
            let [half, most, all] = [0.5, 0.9, 1.0].map(|share| quantile(off, share));
            println!("by {how}, of {} patches: {half:.3} {most:.3} {all:.3} of the length", off.len());
            assert!(half < 0.06, "{how}: {half}");
        }
    }

    #[test]
    fn the_demo_covers_a_dozen_heads_and_every_wish_in_it_can_be_computed() {
        let houses = houses().expect("the file that ships is well formed");
        let clients = &houses[0].clients;
        assert!(clients.len() >= 12);
        assert!(clients.iter().filter(|c| c.visits.len() > 1).count() >= 3, "several with a history");
        for client in clients {
            for visit in &client.visits {
                if let (Some(read), Some(key)) = (&visit.read, &visit.cut) {
                    let plan = plan_of(key).expect("a cut that ships");
                    let request = FallRequest {
                        worn: visit.talk.as_ref().map_or(WornStyle::AsItSprings, |talk| talk.worn),
                        ..FallRequest::new(read.clone(), plan.cut)
                    };
                    let answer = request.answer().expect("a possible plan");
                    assert!(answer.after.mass_g < answer.before.mass_g, "{} {key}", client.name);
                }
                let (Some(read), Some(aim)) = (&visit.read, &visit.aim) else { continue };
                let worn = visit.talk.as_ref().map(Talk::wearing).unwrap_or_default();
                let sheet = mark_sheet(read, aim, worn, LengthUnit::Cm).expect("possible documents");
                for zone in sheet.zones.iter().filter(|z| aim.zones.contains_key(&z.zone)) {
                    let result = zone.result.as_ref();
                    assert!(
                        result.is_some_and(|r| r.advised.is_some()),
                        "{} {:?} {:?}",
                        client.name,
                        zone.zone,
                        zone.missing
                    );
                }
            }
        }
    }
}
