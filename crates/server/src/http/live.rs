//! What is changed in a house reaches its screens: one task a house looks for new edits while anybody listens, and hands them
//! to every listener.
//!
//! Edits are read from the database, where their numbers are in the order of commits: so it doesn't matter which of several
//! servers saved them, and a listener that was away asks for those after the last it has.

use super::ApiError;
use actix_web::web::Bytes;
use chrono::Utc;
use futures_util::{Stream, stream};
use spirel_store::{EditNotice, MOST_NOTICES, SessionKey, Store, StoreError, session_key};
use std::collections::{HashMap, HashSet, VecDeque};
use std::sync::{Arc, Mutex, MutexGuard, PoisonError};
use std::time::{Duration, Instant};
use tokio::sync::broadcast::{self, Receiver, Sender, error::RecvError};
use tokio::sync::watch;
use tokio::time::{Interval, interval, sleep};
use uuid::Uuid;

/// How often the database is asked for a house's new edits.
const LOOK_EVERY: Duration = Duration::from_millis(250);
/// Every so many looks, and whenever there is something to hand on, it is asked which sessions still stand.
const SESSIONS_EVERY: u32 = 4;
/// How often a silent listener is sent a comment.
const SILENT_FOR: Duration = Duration::from_secs(15);

type Houses = HashMap<Uuid, House>;

/// What the listeners of a house are handed.
struct House {
    edits: Sender<EditNotice>,
    sessions: watch::Sender<Sessions>,
}

/// The sessions that stood when they were asked for.
struct Sessions {
    asked: Instant,
    standing: HashSet<SessionKey>,
}

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

    /// The edits of a house from now on, and its sessions.
    async fn listen(
        self: &Arc<Self>,
        store: &Store,
        house: Uuid,
    ) -> Result<(Receiver<EditNotice>, watch::Receiver<Sessions>), ApiError> {
        let hear = |known: &House| (known.edits.subscribe(), known.sessions.subscribe());
        if let Some(known) = self.houses().as_ref().ok_or(ApiError::Unavailable)?.get(&house) {
            return Ok(hear(known));
        }
        let from = store.last_edit(house).await?;
        let sessions = Sessions::of(store, house).await?;
        let mut houses = self.houses();
        let houses = houses.as_mut().ok_or(ApiError::Unavailable)?;
        // Somebody else may have begun meanwhile.
        let heard = houses.get(&house).map(hear);
        Ok(heard.unwrap_or_else(|| {
            let (edits, _) = broadcast::channel(MOST_NOTICES as usize);
            let known = House { edits, sessions: watch::Sender::new(sessions) };
            let heard = hear(&known);
            houses.insert(house, known);
            tokio::spawn(look(self.clone(), store.clone(), house, from));
            heard
        }))
    }

    /// Hands sessions, if they were asked for, and then edits to a house's listeners; whether there are any.
    fn hand_on(&self, house: Uuid, sessions: Option<Sessions>, notices: Vec<EditNotice>) -> bool {
        let mut houses = self.houses();
        let Some(houses) = houses.as_mut() else { return false };
        let listened = houses.get(&house).filter(|known| known.edits.receiver_count() > 0);
        match listened {
            Some(known) => {
                sessions.into_iter().for_each(|sessions| drop(known.sessions.send(sessions)));
                notices.into_iter().for_each(|notice| drop(known.edits.send(notice)));
            }
            None => drop(houses.remove(&house)),
        }
        houses.contains_key(&house)
    }
}

impl Sessions {
    async fn of(store: &Store, house: Uuid) -> Result<Self, StoreError> {
        let asked = Instant::now();
        Ok(Self { asked, standing: store.sessions_of(house, Utc::now()).await? })
    }
}

/// Looks for a house's new edits until nobody listens.
async fn look(live: Arc<Live>, store: Store, house: Uuid, mut from: u64) {
    for turn in 1_u32.. {
        sleep(LOOK_EVERY).await;
        let (notices, reached) = match store.edits_after(house, from).await {
            Ok(found) => found,
            // The database is away: what is saved when it is back is found then.
            Err(error) => {
                tracing::debug!(%error, "no news of edits");
                (Vec::new(), from)
            }
        };
        // Before anything is handed on: whoever has signed out hears of nothing more.
        let asks = !notices.is_empty() || turn.is_multiple_of(SESSIONS_EVERY);
        let sessions = if asks { Sessions::of(&store, house).await.ok() } else { None };
        if sessions.is_none() && !notices.is_empty() {
            continue;
        }
        from = reached;
        if !live.hand_on(house, sessions, notices) {
            return;
        }
    }
}

/// One screen that hears of a house's edits.
pub struct Listener {
    store: Store,
    house: Uuid,
    session: SessionKey,
    since: Instant,
    sessions: watch::Receiver<Sessions>,
    edits: Receiver<EditNotice>,
    waiting: VecDeque<EditNotice>,
    /// Whether edits may have been saved after those that wait and before those that are heard.
    behind: bool,
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
        token: &str,
        last: Option<u64>,
    ) -> Result<Self, ApiError> {
        let since = Instant::now();
        // Heard from here on; what was saved before is asked for after, so that nothing falls between.
        let (edits, sessions) = live.listen(store, house).await?;
        let reached = match last {
            Some(last) => last,
            None => store.last_edit(house).await?,
        };
        Ok(Self {
            store: store.clone(),
            house,
            session: session_key(token),
            since,
            sessions,
            edits,
            waiting: VecDeque::new(),
            behind: last.is_some(),
            reached,
            greeted: false,
            silent: interval(SILENT_FOR),
        })
    }

    /// Its events, until the session ends, the server stops, or the database is away while it catches up.
    pub fn events(self) -> impl Stream<Item = Result<Bytes, ApiError>> {
        stream::unfold(self, |mut listener| async move {
            let text = listener.next().await?;
            Some((Ok(Bytes::from(text)), listener))
        })
    }

    /// Whether the session has ended since this began to listen.
    fn signed_out(&mut self) -> bool {
        let sessions = self.sessions.borrow_and_update();
        sessions.asked > self.since && !sessions.standing.contains(&self.session)
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
            if self.behind {
                // As many as are given at once may not be all.
                let (notices, reached) = self.store.edits_after(self.house, self.reached).await.ok()?;
                // Asked after the edits, as in `look`: they may have been saved after the session ended.
                if !Sessions::of(&self.store, self.house).await.ok()?.standing.contains(&self.session) {
                    return None;
                }
                self.behind = reached > self.reached;
                self.reached = reached.max(self.reached);
                self.waiting = notices.into();
                continue;
            }
            tokio::select! {
                biased;
                changed = self.sessions.changed() => {
                    changed.ok()?;
                    if self.signed_out() {
                        return None;
                    }
                }
                // Sessions are handed on before edits, perhaps between the two polls: so they are looked at again.
                edit = self.edits.recv() => match edit {
                    _ if self.signed_out() => return None,
                    Ok(notice) if notice.number > self.reached => self.waiting.push_back(notice),
                    Ok(_) => {}
                    // It was too slow to hear them all: the database has them.
                    Err(RecvError::Lagged(_)) => self.behind = true,
                    Err(RecvError::Closed) => return None,
                },
                _ = self.silent.tick() => return Some(": listening\n\n".into()),
            }
        }
    }
}
