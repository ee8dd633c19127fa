//! Bringing a database to the schema of this program, by one program at a time, whatever an earlier one left undone.

use crate::{Store, StoreError};
use chrono::Utc;
use sqlx::migrate::MigrateError;
use sqlx::{AssertSqlSafe, MySqlConnection};

/// How long one program waits until another has brought the schema up to date, or has loaded what is made up, s.
const WAIT_S: u32 = 300;
/// The lock's name begins with this; the database's own follows.
const LOCK: &str = "spirel ";

impl Store {
    /// Brings the schema up to date.
    pub(crate) async fn migrate(&self) -> Result<(), StoreError> {
        self.alone(migrate).await
    }

    /// Loads a made-up house into an empty database; a loading that was cut short is begun anew.
    pub async fn load_if_empty<E: From<StoreError>>(
        &self,
        load: impl AsyncFnOnce(&Self) -> Result<(), E>,
    ) -> Result<(), E> {
        self.alone(async |connection: &mut MySqlConnection| {
            // Whoever else loads holds the lock: a row that is found now is one that was left behind.
            let left = sqlx::query_scalar!("SELECT COUNT(*) FROM being_loaded").fetch_one(&mut *connection);
            if left.await.map_err(StoreError::from)? > 0 {
                drop_all(connection).await?;
                migrate(connection).await?;
            }
            if has_houses(connection).await {
                return Ok(());
            }
            let begun = sqlx::query!("INSERT INTO being_loaded (begun_at) VALUES (?)", Utc::now());
            begun.execute(&mut *connection).await.map_err(StoreError::from)?;
            load(self).await?;
            let done = sqlx::query!("DELETE FROM being_loaded");
            done.execute(&mut *connection).await.map_err(StoreError::from)?;
            Ok(())
        })
        .await
    }

    /// Does something to the whole database while no other program does.
    async fn alone<T, E: From<StoreError>>(
        &self,
        work: impl AsyncFnOnce(&mut MySqlConnection) -> Result<T, E>,
    ) -> Result<T, E> {
        // The lock ends with its connection, so that a program that is killed holds up nobody.
        let mut connection = self.pool.acquire().await.map_err(StoreError::from)?.detach();
        let locked: Option<i64> = sqlx::query_scalar("SELECT GET_LOCK(CONCAT(?, DATABASE()), ?)")
            .bind(LOCK)
            .bind(WAIT_S)
            .fetch_one(&mut connection)
            .await
            .map_err(StoreError::from)?;
        if locked != Some(1) {
            return Err(StoreError::Locked.into());
        }
        work(&mut connection).await
    }
}

/// Carries out the migrations that are missing. A change of schema that was cut short before the first house was set up is begun
/// anew.
async fn migrate(connection: &mut MySqlConnection) -> Result<(), StoreError> {
    let mut migrator = sqlx::migrate!();
    // Its own lock asks to wait for ever, which this database takes for no time at all.
    migrator.set_locking(false);
    let done = migrator.run(&mut *connection).await;
    let done = match done {
        Err(MigrateError::Dirty(_)) if !has_houses(connection).await => {
            drop_all(connection).await?;
            migrator.run(&mut *connection).await
        }
        done => done,
    };
    done.map_err(StoreError::Migration)
}

/// Whether a house has been set up; none has where there isn't even a table for it.
async fn has_houses(connection: &mut MySqlConnection) -> bool {
    let houses = sqlx::query_scalar::<_, i64>("SELECT COUNT(*) FROM house").fetch_one(connection).await;
    houses.is_ok_and(|houses| houses > 0)
}

/// Takes every table away.
async fn drop_all(connection: &mut MySqlConnection) -> Result<(), StoreError> {
    let tables: Vec<String> = sqlx::query_scalar(
        "SELECT CAST(table_name AS CHAR) FROM information_schema.tables WHERE table_schema = DATABASE()",
    )
    .fetch_all(&mut *connection)
    .await?;
    sqlx::query("SET FOREIGN_KEY_CHECKS = 0").execute(&mut *connection).await?;
    for table in tables {
        // Names of tables that our own migrations made.
        let drop = AssertSqlSafe(format!("DROP TABLE `{table}`"));
        sqlx::query(drop).execute(&mut *connection).await?;
    }
    sqlx::query("SET FOREIGN_KEY_CHECKS = 1").execute(&mut *connection).await?;
    Ok(())
}
