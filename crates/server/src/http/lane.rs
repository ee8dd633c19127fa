//! Work off the threads that answer requests: so much at a time, in turn, within a budget, and stopped when nobody waits.

use super::turns::Turns;
use super::{ApiError, Asked};
use actix_web::web;
use rayon::{ThreadPool, ThreadPoolBuilder};
use spirel_core::Stop;
use std::sync::Arc;
use std::time::Duration;
use tokio::time::{sleep, timeout};

/// How long work waits for its turn: on a machine that is slower than usual fewer can be served soon.
const PATIENCE: Duration = Duration::from_secs(8);

/// One kind of work, with threads and turns of its own: it never waits behind another kind. Nothing that runs on its threads waits
/// for other work on them.
pub struct Lane {
    turns: Arc<Turns>,
    threads: Option<Arc<ThreadPool>>,
    budget: Duration,
}

impl Lane {
    /// A lane on so many threads. Each piece of work may take so long; so many run at a time.
    pub fn new(threads: usize, at_a_time: usize, budget: Duration) -> Self {
        let threads = ThreadPoolBuilder::new().num_threads(threads).build().ok().map(Arc::new);
        Self { turns: Turns::new(at_a_time.max(1)), threads, budget }
    }

    /// Does work in its turn. It is stopped when the request ends, when its view asks for something newer, or when its budget
    /// is spent; the next one begins once it has ended.
    pub async fn run<T: Send + 'static, E: Into<ApiError> + Send + 'static>(
        &self,
        asked: &Asked,
        work: impl FnOnce(&Stop) -> Result<T, E> + Send + 'static,
    ) -> Result<T, ApiError> {
        if asked.has_ended() {
            return Err(ApiError::Superseded);
        }
        let turn = tokio::select! {
            turn = timeout(PATIENCE, self.turns.take(asked.house)) => turn.map_err(|_| ApiError::Busy)??,
            () = asked.ended() => return Err(ApiError::Superseded),
        };
        let (threads, stop) = (self.threads.clone(), asked.stop().clone());
        let running = web::block(move || {
            let done = match threads {
                Some(threads) => threads.install(|| work(&stop)),
                None => work(&stop),
            };
            drop(turn);
            done
        });
        tokio::select! {
            done = running => done.map_err(|_| ApiError::Defect)?.map_err(Into::into),
            () = sleep(self.budget) => {
                asked.stop().stop();
                Err(ApiError::TookTooLong)
            }
        }
    }
}
