//! What is changed in a house reaches its screens: one task a house looks for new edits while anybody listens, and hands them
//! to every listener.
//!
//! Edits are read from the database, where their numbers are in the order of commits: so it doesn't matter which of several
//! servers saved them, and a listener that was away asks for those after the last it has.

use super::ApiError;
use actix_web::web::Bytes;
use chrono::Utc;
use futures_util::{Stream, stream};
use spirel_store::{EditNotice, MOST_NOTICES, Store};
use std::collections::{HashMap, VecDeque};
use std::sync::{Arc, Mutex, MutexGuard, PoisonError};
use std::time::Duration;
use tokio::sync::broadcast::{self, Receiver, Sender};
use tokio::time::{Interval, interval, sleep};
use uuid::Uuid;

/// How often the database is asked for a house's new edits.
const LOOK_EVERY: Duration = Duration::from_millis(250);
/// How often a silent listener is sent a comment, and it is checked that the session still stands.
const SILENT_FOR: Duration = Duration::from_secs(15);

type Houses = HashMap<Uuid, Sender<EditNotice>>;

/// Houses that are listened to; none once the server stops.
pub struct Live(Mutex<Option<Houses>>);

impl Default for Live {
    fn default() -> Self {
        Self(Mutex::new(Some(HashMap::new())))
    }
}

impl Live {
    fn houses(&self) -> MutexGuard<'_, Option<Houses>> {
        self.0.lock().unwrap_or_else(PoisonError::into_inner)
    }

    /// Ends every listener, so that the server can stop.
    pub fn end(&self) {
        self.houses().take();
    }

    /// The edits of a house from now on.
    async fn listen(self: &Arc<Self>, store: &Store, house: Uuid) -> Result<Receiver<EditNotice>, ApiError> {
        if let Some(sender) = self.houses().as_ref().ok_or(ApiError::Unavailable)?.get(&house) {
            return Ok(sender.subscribe());
        }
        let from = store.last_edit(house).await?;
        let mut houses = self.houses();
        let houses = houses.as_mut().ok_or(ApiError::Unavailable)?;
        // Somebody else may have begun meanwhile.
        let receiver = houses.get(&house).map(Sender::subscribe);
        Ok(receiver.unwrap_or_else(|| {
            let (sender, receiver) = broadcast::channel(MOST_NOTICES as usize);
            houses.insert(house, sender);
            tokio::spawn(look(self.clone(), store.clone(), house, from));
            receiver
        }))
    }

    /// Hands edits to a house's listeners; whether there are any.
    fn hand_on(&self, house: Uuid, notices: Vec<EditNotice>) -> bool {
        let mut houses = self.houses();
        let Some(houses) = houses.as_mut() else { return false };
        let listened = houses.get(&house).filter(|sender| sender.receiver_count() > 0);
        match listened {
            Some(sender) => notices.into_iter().for_each(|notice| drop(sender.send(notice))),
            None => drop(houses.remove(&house)),
        }
        houses.contains_key(&house)
    }
}

/// Looks for a house's new edits until nobody listens.
async fn look(live: Arc<Live>, store: Store, house: Uuid, mut from: u64) {
    loop {
        sleep(LOOK_EVERY).await;
        let notices = match store.edits_after(house, from).await {
            Ok((notices, reached)) => {
                from = reached;
                notices
            }
            // The database is away: what is saved when it is back is found then.
            Err(error) => {
                tracing::debug!(%error, "no news of edits");
                Vec::new()
            }
        };
        if !live.hand_on(house, notices) {
            return;
        }
    }
}

/// One screen that hears of a house's edits.
pub struct Listener {
    store: Store,
    token: String,
    edits: Receiver<EditNotice>,
    waiting: VecDeque<EditNotice>,
    reached: u64,
    greeted: bool,
    silent: Interval,
}

impl Listener {
    /// Listens to a house, from after edit `last` or from now.
    pub async fn new(
        live: &Arc<Live>,
        store: &Store,
        house: Uuid,
        token: String,
        last: Option<u64>,
    ) -> Result<Self, ApiError> {
        // Heard from here on; what was saved before is asked for after, so that nothing falls between.
        let edits = live.listen(store, house).await?;
        let (waiting, reached) = match last {
            Some(last) => (store.edits_after(house, last).await?.0, last),
            None => (Vec::new(), store.last_edit(house).await?),
        };
        let silent = interval(SILENT_FOR);
        Ok(Self {
            store: store.clone(),
            token,
            edits,
            waiting: waiting.into(),
            reached,
            greeted: false,
            silent,
        })
    }

    /// Its events, until the session ends, the server stops, or it falls too far behind.
    pub fn events(self) -> impl Stream<Item = Result<Bytes, ApiError>> {
        stream::unfold(self, |mut listener| async move {
            let text = listener.next().await?;
            Some((Ok(Bytes::from(text)), listener))
        })
    }

    async fn next(&mut self) -> Option<String> {
        if !self.greeted {
            self.greeted = true;
            self.silent.reset();
            return Some(format!("retry: 1000\nid: {}\n\n", self.reached));
        }
        loop {
            if let Some(notice) = self.waiting.pop_front() {
                self.reached = notice.number;
                let data = serde_json::to_string(&notice).ok()?;
                return Some(format!("id: {}\ndata: {data}\n\n", notice.number));
            }
            tokio::select! {
                edit = self.edits.recv() => {
                    let notice = edit.ok()?;
                    if notice.number > self.reached {
                        self.waiting.push_back(notice);
                    }
                }
                _ = self.silent.tick() => {
                    self.store.who_is(&self.token, Utc::now()).await.ok()??;
                    return Some(": listening\n\n".into());
                }
            }
        }
    }
}
