//! What every handler shares: the store, the settings, and the bounds on work.

use super::heads::GrownHeads;
use super::{ApiError, Live};
use actix_web::web;
use governor::{DefaultKeyedRateLimiter, Quota, RateLimiter};
use rayon::{ThreadPool, ThreadPoolBuilder};
use spirel_store::Store;
use std::net::IpAddr;
use std::num::NonZeroU32;
use std::sync::Arc;
use tokio::sync::Semaphore;

/// How the server behaves.
#[derive(Debug, Clone)]
pub struct Settings {
    /// The cookie goes over HTTPS only: set when a balancer in front speaks it.
    pub secure_cookie: bool,
    /// Sign-ins tried in a minute, for an address and for a person. Adjustable for load tests.
    pub sign_ins_per_minute: NonZeroU32,
    /// Where browsers find measuring instruments: a WebSocket address, on the machine the browser runs on.
    pub instruments: Option<String>,
}

impl Default for Settings {
    fn default() -> Self {
        let sign_ins_per_minute = NonZeroU32::new(20).unwrap_or(NonZeroU32::MIN);
        Self { secure_cookie: false, sign_ins_per_minute, instruments: None }
    }
}

/// Shared by all handlers.
pub struct State {
    /// Houses, people, clients, visits.
    pub store: Store,
    /// How the server behaves.
    pub settings: Settings,
    /// Heads of hair that were grown lately.
    pub heads: Arc<GrownHeads>,
    /// Screens that hear of edits.
    pub live: Arc<Live>,
    sign_ins: DefaultKeyedRateLimiter<String>,
    heavy: Semaphore,
    prompt: Semaphore,
    /// Work on pictures keeps the threads that all others share busy for longer than a hand waits.
    prompt_threads: Option<Arc<ThreadPool>>,
    light: Semaphore,
}

impl State {
    /// The state of a server on this store.
    pub fn new(store: Store, settings: Settings) -> Self {
        let sign_ins = RateLimiter::keyed(Quota::per_minute(settings.sign_ins_per_minute));
        // One core is left for answering requests.
        let cores = std::thread::available_parallelism().map_or(2, |n| n.get());
        Self {
            store,
            settings,
            heads: Arc::default(),
            live: Arc::default(),
            sign_ins,
            heavy: Semaphore::new(cores.saturating_sub(1).max(1)),
            prompt: Semaphore::new(cores.saturating_sub(1).max(1)),
            prompt_threads: ThreadPoolBuilder::new().num_threads(cores).build().ok().map(Arc::new),
            light: Semaphore::new(cores),
        }
    }

    /// Counts a sign-in against its address and its person; refused when either tried too often.
    pub fn count_sign_in(&self, from: Option<IpAddr>, email: &str) -> Result<(), ApiError> {
        self.sign_ins.retain_recent();
        let from = from.map(|ip| format!("from {ip}")).unwrap_or_default();
        for key in [from, format!("as {}", email.to_lowercase())] {
            self.sign_ins.check_key(&key).map_err(|_| ApiError::TooManyTries)?;
        }
        Ok(())
    }

    /// Does work on a whole head of hair off the threads that answer requests, so much at a time. A request that is given
    /// up before its turn costs nothing.
    pub async fn compute<T: Send + 'static>(
        &self,
        work: impl FnOnce() -> T + Send + 'static,
    ) -> Result<T, ApiError> {
        Self::in_turn(&self.heavy, work).await
    }

    /// The same for what is asked over and over while a hand turns a value: it doesn't wait behind pictures.
    pub async fn compute_prompt<T: Send + 'static>(
        &self,
        work: impl FnOnce() -> T + Send + 'static,
    ) -> Result<T, ApiError> {
        let threads = self.prompt_threads.clone();
        let work = move || match threads {
            Some(threads) => threads.install(work),
            None => work(),
        };
        Self::in_turn(&self.prompt, work).await
    }

    /// The same for what takes a few milliseconds, which never waits behind heads of hair.
    pub async fn compute_light<T: Send + 'static>(
        &self,
        work: impl FnOnce() -> T + Send + 'static,
    ) -> Result<T, ApiError> {
        Self::in_turn(&self.light, work).await
    }

    async fn in_turn<T: Send + 'static>(
        lane: &Semaphore,
        work: impl FnOnce() -> T + Send + 'static,
    ) -> Result<T, ApiError> {
        let _permit = lane.acquire().await.map_err(|_| ApiError::Unavailable)?;
        web::block(work).await.map_err(|_| ApiError::Defect)
    }
}
