//! How often a sign-in may be tried. Whoever guesses is slowed and then refused. The owner of the name still enters from another
//! address, and others from the guesser's address enter with their own names, until all tries from there are far more.

use super::ApiError;
use governor::{DefaultKeyedRateLimiter, Quota, RateLimiter};
use std::net::IpAddr;
use std::num::NonZeroU32;
use std::time::Duration;
use tokio::sync::Semaphore;
use tokio::time::timeout;

/// How long a try waits for its turn.
const PATIENCE: Duration = Duration::from_secs(6);
/// How many times as many tries as one person from one address has all have from that address, and one person from all.
const OF_ALL: u32 = 8;
/// Sign-ins at a time, with those that wait: each that is checked takes twenty megabytes.
const AT_A_TIME: usize = 48;
/// Tries that are remembered before those that no longer count are forgotten.
const REMEMBERED: usize = 4096;

type Tries = DefaultKeyedRateLimiter<String>;

/// Sign-ins that were tried lately.
pub struct SignIns {
    person_from: Tries,
    from: Tries,
    person: Tries,
    at_once: Semaphore,
}

impl SignIns {
    /// So many a minute for one person from one address.
    pub fn new(per_minute: NonZeroU32) -> Self {
        let all =
            Quota::per_minute(per_minute.saturating_mul(NonZeroU32::new(OF_ALL).unwrap_or(NonZeroU32::MIN)));
        Self {
            person_from: RateLimiter::keyed(Quota::per_minute(per_minute)),
            from: RateLimiter::keyed(all),
            person: RateLimiter::keyed(all),
            at_once: Semaphore::new(AT_A_TIME),
        }
    }

    /// Does a sign-in under a normal form of the name when it is its turn; refused where that is too far off.
    pub async fn take_turn<T>(
        &self,
        from: Option<IpAddr>,
        name: &str,
        sign_in: impl Future<Output = Result<T, ApiError>>,
    ) -> Result<T, ApiError> {
        let _place = self.at_once.try_acquire().map_err(|_| ApiError::Busy)?;
        for tries in [&self.person_from, &self.from, &self.person] {
            if tries.len() > REMEMBERED {
                tries.retain_recent();
            }
        }
        let from = from.map(|ip| ip.to_string()).unwrap_or_default();
        let turn = async {
            self.person_from.until_key_ready(&format!("{from} {name}")).await;
            self.from.until_key_ready(&from).await;
            self.person.until_key_ready(&name.to_owned()).await;
        };
        timeout(PATIENCE, turn).await.map_err(|_| ApiError::TooManyTries)?;
        sign_in.await
    }
}
