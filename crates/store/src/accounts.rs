//! Houses, the people who work in them, and who is signed in.

use crate::repeat::repeated;
use crate::{Act, Actor, Role, Store, StoreError, UnknownKey, audit};
use argon2::{Argon2, PasswordHasher, PasswordVerifier, password_hash::phc::PasswordHash};
use chrono::{DateTime, TimeDelta, Utc};
use serde::Serialize;
use sha2::{Digest, Sha256};
use spirel_core::units::LengthUnit;
use sqlx::MySqlConnection;
use std::collections::HashSet;
use std::fmt::Write;
use std::sync::LazyLock;
use unicode_normalization::UnicodeNormalization;
use uuid::Uuid;

/// Hours a session lasts: a long day at the chair.
pub const SESSION_HOURS: i64 = 14;

/// A person who is signed in.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Person {
    /// Their key.
    pub id: Uuid,
    /// Their house's key.
    pub house_id: Uuid,
    /// Their house's name.
    pub house: String,
    /// Their name.
    pub name: String,
    /// Their sign-in.
    pub email: String,
    /// What they may do.
    pub role: Role,
    /// What that lets them do.
    pub rights: &'static [Act],
    /// The unit they read lengths in.
    pub length_unit: LengthUnit,
}

impl Person {
    /// Them as someone who asks.
    pub fn actor(&self) -> Actor {
        Actor { house_id: self.house_id, person_id: self.id, role: self.role }
    }
}

struct PersonRow {
    id: Uuid,
    house_id: Uuid,
    house: String,
    name: String,
    email: String,
    role: String,
    length_unit: String,
    password_hash: String,
}

impl TryFrom<PersonRow> for Person {
    type Error = UnknownKey;

    fn try_from(row: PersonRow) -> Result<Self, UnknownKey> {
        let role = Role::try_from(row.role)?;
        let length_unit = if row.length_unit == "inch" { LengthUnit::Inch } else { LengthUnit::Cm };
        Ok(Self {
            id: row.id,
            house_id: row.house_id,
            house: row.house,
            name: row.name,
            email: row.email,
            role,
            rights: role.rights(),
            length_unit,
        })
    }
}

/// A hash of nobody's password: checked when an address is unknown, so that both answers take as long.
static NOBODY: LazyLock<String> = LazyLock::new(|| hash_password("nobody").unwrap_or_default());

fn hash_password(password: &str) -> Result<String, StoreError> {
    let hash: PasswordHash = Argon2::default()
        .hash_password(password.as_bytes())
        .map_err(|e| StoreError::Password(e.to_string()))?;
    Ok(hash.to_string())
}

fn password_fits(password: &str, hash: &str) -> bool {
    PasswordHash::new(hash)
        .is_ok_and(|hash| Argon2::default().verify_password(password.as_bytes(), &hash).is_ok())
}

/// A sign-in's name in the one form in which it is kept, looked for and counted: without spaces around it, in compatibility
/// composition (Unicode NFKC), in small letters.
pub fn normal_email(email: &str) -> String {
    email.trim().nfkc().collect::<String>().to_lowercase().nfkc().collect::<String>().trim().to_owned()
}

/// What of a session's token is kept.
pub type SessionKey = [u8; 32];

/// What is kept of a token.
pub fn session_key(token: &str) -> SessionKey {
    Sha256::digest(token.as_bytes()).into()
}

fn new_token() -> String {
    let bytes: [u8; 32] = rand::random();
    bytes.iter().fold(String::with_capacity(64), |mut text, byte| {
        // Writing to a string can't fail.
        let _ = write!(text, "{byte:02x}");
        text
    })
}

impl Store {
    /// Hashing takes tens of milliseconds of one core, so it is kept off the threads that answer requests, and a few are done
    /// at a time.
    async fn hashed<T: Send + 'static>(
        &self,
        work: impl FnOnce() -> T + Send + 'static,
    ) -> Result<T, StoreError> {
        let failed = |cause: &dyn std::fmt::Display| StoreError::Password(cause.to_string());
        let turn = self.hashing.clone().acquire_owned().await.map_err(|e| failed(&e))?;
        let done = tokio::task::spawn_blocking(move || {
            let done = work();
            drop(turn);
            done
        });
        done.await.map_err(|e| failed(&e))
    }

    /// The sessions of a house that stand.
    pub async fn sessions_of(
        &self,
        house_id: Uuid,
        now: DateTime<Utc>,
    ) -> Result<HashSet<SessionKey>, StoreError> {
        let rows = sqlx::query_scalar!(
            "SELECT s.token_hash FROM session s JOIN person p ON p.id = s.person_id
             WHERE p.house_id = ? AND s.expires_at > ?",
            house_id,
            now
        )
        .fetch_all(&self.pool)
        .await?;
        Ok(rows.into_iter().filter_map(|hash| hash.try_into().ok()).collect())
    }

    /// Sets up a house.
    pub async fn add_house(&self, name: &str) -> Result<Uuid, StoreError> {
        let id = Uuid::now_v7();
        sqlx::query!("INSERT INTO house (id, name, created_at) VALUES (?, ?, ?)", id, name, Utc::now())
            .execute(&self.pool)
            .await?;
        Ok(id)
    }

    /// Takes a person into a house.
    pub async fn add_person(
        &self,
        house_id: Uuid,
        name: &str,
        email: &str,
        role: Role,
        password: &str,
    ) -> Result<Actor, StoreError> {
        let password = password.to_owned();
        let hash = self.hashed(move || hash_password(&password)).await??;
        let actor = Actor { house_id, person_id: Uuid::now_v7(), role };
        repeated(async || {
            let mut tx = self.pool.begin().await?;
            sqlx::query!("INSERT INTO person (id, house_id, name, email, role, password_hash, created_at) VALUES (?, ?, ?, ?, ?, ?, ?)", actor.person_id, house_id, name, normal_email(email), role.key(), &hash, Utc::now())
            .execute(&mut *tx)
            .await
            .map_err(|e| match &e {
                sqlx::Error::Database(db) if db.is_unique_violation() => StoreError::EmailTaken,
                _ => e.into(),
            })?;
            audit::record(&mut tx, &actor, "created", ("person", actor.person_id), None).await?;
            tx.commit().await?;
            Ok(actor)
        })
        .await
    }

    /// Checks a password and opens a session; none if address and password don't fit. The answer holds the token,
    /// which is never seen again. `replaced` is a token to end at the same time.
    pub async fn sign_in(
        &self,
        email: &str,
        password: &str,
        replaced: Option<&str>,
    ) -> Result<Option<(String, Person)>, StoreError> {
        let row = sqlx::query_as!(
            PersonRow,
            r#"SELECT p.id AS "id: Uuid", p.house_id AS "house_id: Uuid", h.name AS house, p.name, p.email, p.role, p.length_unit,
                      p.password_hash
               FROM person p JOIN house h ON h.id = p.house_id WHERE p.email = ?"#,
            normal_email(email)
        )
        .fetch_optional(&self.pool)
        .await?;
        let hash = row.as_ref().map(|row| row.password_hash.clone());
        let password = password.to_owned();
        let fits = self.hashed(move || password_fits(&password, hash.as_ref().unwrap_or(&NOBODY))).await?;
        let Some(person) = row.filter(|_| fits).map(Person::try_from).transpose()? else {
            return Ok(None);
        };
        let token = new_token();
        let now = Utc::now();
        repeated(async || {
            let mut tx = self.pool.begin().await?;
            if let Some(old) = replaced {
                end_session(&mut tx, old).await?;
            }
            sqlx::query!("DELETE FROM session WHERE person_id = ? AND expires_at < ?", person.id, now)
                .execute(&mut *tx)
                .await?;
            sqlx::query!(
                "INSERT INTO session (token_hash, person_id, created_at, expires_at) VALUES (?, ?, ?, ?)",
                &session_key(&token)[..],
                person.id,
                now,
                now + TimeDelta::hours(SESSION_HOURS)
            )
            .execute(&mut *tx)
            .await?;
            audit::record(&mut tx, &person.actor(), "signed_in", ("person", person.id), None).await?;
            tx.commit().await?;
            Ok(())
        })
        .await?;
        Ok(Some((token, person)))
    }

    /// Who a token belongs to, while its session lasts.
    pub async fn who_is(&self, token: &str, now: DateTime<Utc>) -> Result<Option<Person>, StoreError> {
        let row = sqlx::query_as!(
            PersonRow,
            r#"SELECT p.id AS "id: Uuid", p.house_id AS "house_id: Uuid", h.name AS house, p.name, p.email, p.role, p.length_unit,
                      p.password_hash
               FROM session s JOIN person p ON p.id = s.person_id JOIN house h ON h.id = p.house_id
               WHERE s.token_hash = ? AND s.expires_at > ?"#,
            &session_key(token)[..],
            now
        )
        .fetch_optional(&self.pool)
        .await?;
        Ok(row.map(Person::try_from).transpose()?)
    }

    /// Ends one session.
    pub async fn sign_out(&self, token: &str) -> Result<(), StoreError> {
        let mut connection = self.pool.acquire().await?;
        end_session(&mut connection, token).await
    }

    /// Ends every session of a person.
    pub async fn sign_out_everywhere(&self, actor: &Actor) -> Result<(), StoreError> {
        repeated(async || {
            let mut tx = self.pool.begin().await?;
            sqlx::query!("DELETE FROM session WHERE person_id = ?", actor.person_id)
                .execute(&mut *tx)
                .await?;
            audit::record(&mut tx, actor, "signed_out_everywhere", ("person", actor.person_id), None).await?;
            tx.commit().await?;
            Ok(())
        })
        .await
    }

    /// Sets the unit a person reads lengths in.
    pub async fn set_length_unit(&self, actor: &Actor, unit: LengthUnit) -> Result<(), StoreError> {
        let unit = match unit {
            LengthUnit::Cm => "cm",
            LengthUnit::Inch => "inch",
        };
        repeated(async || {
            let mut tx = self.pool.begin().await?;
            sqlx::query!(
                "UPDATE person SET length_unit = ? WHERE id = ? AND house_id = ?",
                unit,
                actor.person_id,
                actor.house_id
            )
            .execute(&mut *tx)
            .await?;
            audit::record(&mut tx, actor, "changed_unit", ("person", actor.person_id), None).await?;
            tx.commit().await?;
            Ok(())
        })
        .await
    }
}

async fn end_session(connection: &mut MySqlConnection, token: &str) -> Result<(), StoreError> {
    sqlx::query!("DELETE FROM session WHERE token_hash = ?", &session_key(token)[..])
        .execute(connection)
        .await?;
    Ok(())
}

#[cfg(test)]
mod tests {
    use super::normal_email;

    #[test]
    fn a_sign_in_has_one_form_however_it_is_typed() {
        for typed in
            [" Wren@Saltmarsh.example", "wren@saltmarsh.example\u{a0}", "\u{ff37}ren@saltmarsh.example"]
        {
            assert_eq!(normal_email(typed), "wren@saltmarsh.example", "{typed}");
        }
        // Composed or not, an accent is one letter; it is not the letter without it.
        assert_eq!(normal_email("wre\u{301}n"), normal_email("wr\u{e9}n"));
        assert_ne!(normal_email("wr\u{e9}n"), normal_email("wren"));
        assert_eq!(normal_email(&normal_email("\u{130}x")), normal_email("\u{130}x"), "twice is once");
    }
}
