//! Documents of an earlier shape, and what becomes of them.

use chrono::NaiveDate;
use serde_json::{Value, json};
use spirel_core::stage::Stage;
use spirel_store::{Actor, ClientDraft, Day, Role, Store};
use spirel_testkit::fresh_database_url;
use sqlx::migrate::Migrator;
use std::path::Path;
use uuid::Uuid;

/// A database as it was before the migration of this number.
async fn before(url: &str, number: &str) -> Store {
    let folder = tempfile::tempdir().unwrap();
    let all = Path::new(env!("CARGO_MANIFEST_DIR")).join("migrations");
    for file in std::fs::read_dir(all).unwrap().map(|file| file.unwrap()) {
        if file.file_name().to_str().unwrap() < number {
            std::fs::copy(file.path(), folder.path().join(file.file_name())).unwrap();
        }
    }
    let store = Store::connect(url).unwrap();
    Migrator::new(folder.path()).await.unwrap().run(store.pool()).await.unwrap();
    store
}

/// A stylist and a client: houses, people, clients and visits have had their shape of today from the first.
async fn client_of_a_house(store: &Store) -> (Actor, Uuid) {
    let house = store.add_house("Old house").await.unwrap();
    let wren = store
        .add_person(house, "Wren", "w@old.example", Role::Stylist, "a long enough password")
        .await
        .unwrap();
    let draft = ClientDraft { name: "Odile".into(), consent: true, ..ClientDraft::default() };
    let client = store.add_client(&wren, &draft, None).await.unwrap();
    (wren, client)
}

#[tokio::test]
async fn a_visit_kept_without_a_day_is_on_the_day_on_which_it_was_begun_and_none_can_be_kept_any_more() {
    let url = fresh_database_url().await;
    let store = before(&url, "0004").await;
    let (wren, client) = client_of_a_house(&store).await;
    let insert = async |store: &Store, day: NaiveDate| {
        sqlx::query("INSERT INTO visit VALUES (?, ?, ?, ?, ?, '2026-05-06 07:08:09')")
            .bind(Uuid::now_v7())
            .bind(wren.house_id)
            .bind(client)
            .bind(day)
            .bind(wren.person_id)
            .execute(store.pool())
            .await
    };
    let [far, good] =
        [(10_000, 1, 1), (2026, 1, 2)].map(|(y, m, d)| NaiveDate::from_ymd_opt(y, m, d).unwrap());
    insert(&store, far).await.unwrap();
    insert(&store, good).await.unwrap();
    assert!(store.visits(&wren, client).await.is_err(), "the fault that is repaired");
    store.close().await;

    let store = Store::open(&url).await.unwrap();
    let days: Vec<String> =
        store.visits(&wren, client).await.unwrap().iter().map(|visit| visit.on_date.to_string()).collect();
    assert_eq!(days, ["2026-05-06", "2026-01-02"]);
    assert!(insert(&store, far).await.is_err());
    store.close().await;
}

#[tokio::test]
async fn what_a_plan_knew_of_the_head_is_in_the_reading_afterwards_and_nothing_that_was_saved_is_changed() {
    let url = fresh_database_url().await;
    let store = before(&url, "0003").await;
    let (wren, client) = client_of_a_house(&store).await;
    let house = wren.house_id;
    let day = Day::new(NaiveDate::from_ymd_opt(2026, 1, 2).unwrap()).unwrap();
    let mut visits = Vec::new();
    for _ in 0..3 {
        visits.push(store.add_visit(&wren, client, day, None).await.unwrap());
    }
    let [both, plan_alone, no_plan] = visits[..] else { panic!("three visits") };
    let read = json!({"zones": {"top": {"stretched_mm": 300.1, "moisture": "dry", "strands": 1}}});
    let plan = json!({"cut": {"name": "Line"}, "felt": {"occiput": -0.8, "crown": 0.0}, "taper": 0.25});
    let earlier = json!({"cut": {"name": "First"}, "taper": 0.9});
    for (visit, stage, version, body) in [
        (both, "read", 1, &read),
        (both, "plan", 1, &earlier),
        (both, "plan", 2, &plan),
        (plan_alone, "plan", 1, &plan),
        (no_plan, "read", 1, &read),
    ] {
        sqlx::query("INSERT INTO stage_document VALUES (?, ?, ?, ?, 1, ?, ?, UTC_TIMESTAMP(3))")
            .bind(visit)
            .bind(stage)
            .bind(version)
            .bind(house)
            .bind(body.to_string())
            .bind(wren.person_id)
            .execute(store.pool())
            .await
            .unwrap();
    }
    store.close().await;

    let store = Store::open(&url).await.unwrap();
    let rows: Vec<(Uuid, String, u32, u16, String)> = sqlx::query_as(
        "SELECT visit_id, CAST(stage AS CHAR), version, schema_version, CAST(body AS CHAR)
         FROM stage_document ORDER BY visit_id, stage, version",
    )
    .fetch_all(store.pool())
    .await
    .unwrap();
    let found = |visit: Uuid, stage: &str, version: u32| -> (u16, Value) {
        let row = rows.iter().find(|row| (row.0, row.1.as_str(), row.2) == (visit, stage, version));
        let row = row.unwrap_or_else(|| panic!("{visit} {stage} {version}: {rows:?}"));
        (row.3, serde_json::from_str(&row.4).unwrap())
    };
    let mut whole = read.clone();
    whole["felt"] = plan["felt"].clone();
    whole["taper"] = plan["taper"].clone();
    assert_eq!(found(both, "read", 2), (2, whole));
    assert_eq!(found(both, "plan", 3), (2, json!({"cut": {"name": "Line"}})));
    assert_eq!(found(both, "plan", 2), (1, plan.clone()), "what was saved stays");
    assert_eq!(found(plan_alone, "read", 1), (2, json!({"felt": plan["felt"], "taper": plan["taper"]})));
    assert_eq!(found(plan_alone, "plan", 2).1, json!({"cut": {"name": "Line"}}));
    assert_eq!(rows.iter().filter(|row| row.0 == no_plan).count(), 1);
    store.close().await;
}

#[tokio::test]
async fn a_stage_of_a_newer_program_is_left_out_and_one_of_an_earlier_is_read_with_the_present_names() {
    let store = Store::open(&fresh_database_url().await).await.unwrap();
    let (wren, client) = client_of_a_house(&store).await;
    let day = Day::new(NaiveDate::from_ymd_opt(2026, 1, 2).unwrap()).unwrap();
    let visit = store.add_visit(&wren, client, day, None).await.unwrap();
    store.save_document(&wren, visit, Stage::Talk, 0, &json!({"notes": "here"})).await.unwrap();
    for row in [
        "INSERT INTO stage_document SELECT visit_id, 'later', 1, house_id, 3, '{}', saved_by, saved_at FROM stage_document",
        "INSERT INTO stage_head SELECT visit_id, 'later', 1 FROM stage_head",
    ] {
        sqlx::query(row).execute(store.pool()).await.unwrap();
    }
    let list = store.visits(&wren, client).await.unwrap();
    assert_eq!(list[0].stages.keys().collect::<Vec<_>>(), [&Stage::Talk]);
    // What was kept with earlier names is read with the present ones.
    let kept = json!({"cut": {"format": "spirel.cut", "version": 2, "name": "Chin", "moves": [{"region": "everything",
        "way": {"perimeter": {"behind": {"point": "chin"}}}}]}});
    for row in [
        "INSERT INTO stage_document SELECT visit_id, 'plan', 1, house_id, 2, ?, saved_by, saved_at FROM stage_document LIMIT 1",
        "INSERT INTO stage_head SELECT visit_id, 'plan', 1 FROM stage_document WHERE stage = 'plan' AND body = ?",
    ] {
        sqlx::query(row).bind(kept.to_string()).execute(store.pool()).await.unwrap();
    }
    let whole = store.visit(&wren, visit).await.unwrap();
    let plan = whole.documents.iter().find(|document| document.stage == Stage::Plan).unwrap();
    assert_eq!(plan.body["cut"]["version"], 3);
    assert_eq!(plan.body["cut"]["moves"][0]["kind"]["perimeter"]["behind"]["point"], "chin");
    assert_eq!(
        whole.documents.iter().map(|document| document.stage).collect::<Vec<_>>(),
        [Stage::Plan, Stage::Talk]
    );
    store.close().await;
}
