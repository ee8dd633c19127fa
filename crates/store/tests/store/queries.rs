//! What the compiler checked the queries against (`.sqlx`) is what the migrations make.

use serde_json::Value;
use spirel_store::Store;
use sqlx::{Column, Connection, Executor, MySqlConnection, SqlSafeStr, Statement};
use std::path::Path;

#[tokio::test]
async fn every_query_fits_the_schema_of_the_migrations() {
    let url = spirel_testkit::fresh_database_url().await;
    Store::open(&url).await.unwrap();
    let mut database = MySqlConnection::connect(&url).await.unwrap();
    let folder = Path::new(env!("CARGO_MANIFEST_DIR")).join("../../.sqlx");
    let mut checked = 0;
    for file in std::fs::read_dir(folder).unwrap() {
        let kept: Value = serde_json::from_slice(&std::fs::read(file.unwrap().path()).unwrap()).unwrap();
        let query = kept["query"].as_str().unwrap().to_owned();
        let statement = database.prepare(sqlx::AssertSqlSafe(query.clone()).into_sql_str()).await.unwrap();
        let found: Vec<&str> = statement.columns().iter().map(Column::name).collect();
        let columns = kept["describe"]["columns"].as_array().unwrap();
        let expected: Vec<&str> = columns.iter().map(|column| column["name"].as_str().unwrap()).collect();
        assert_eq!(found, expected, "{query}");
        checked += 1;
    }
    assert!(checked > 20, "{checked} queries");
}
