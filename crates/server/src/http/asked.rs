//! A computation that somebody asked for: for which house, and whether anybody still waits.
//!
//! It ends when the request does: a browser that leaves closes its connection, the request is dropped, and the work stops at
//! its next phase. A view that asks again under the same number gives up what it asked before.

use spirel_core::Stop;
use spirel_store::Person;
use std::collections::HashMap;
use std::sync::{Arc, Mutex, MutexGuard, PoisonError};
use tokio::sync::Notify;
use uuid::Uuid;

/// Somebody's computation. Dropped, its work stops.
pub struct Asked {
    /// The house it is done for.
    pub house: Uuid,
    work: Work,
    view: Option<(Arc<Views>, (Uuid, Uuid))>,
}

/// What of a computation is known to others: so that it can be ended.
#[derive(Clone, Default)]
struct Work {
    stop: Stop,
    ended: Arc<Notify>,
}

/// The newest computation of each view.
#[derive(Default)]
pub struct Views(Mutex<HashMap<(Uuid, Uuid), Work>>);

impl Views {
    fn all(&self) -> MutexGuard<'_, HashMap<(Uuid, Uuid), Work>> {
        self.0.lock().unwrap_or_else(PoisonError::into_inner)
    }
}

impl Work {
    fn end(&self) {
        self.stop.stop();
        self.ended.notify_one();
    }
}

impl Asked {
    /// A computation for a person; what their view of that number asked before ends.
    pub fn new(person: &Person, view: Option<Uuid>, views: &Arc<Views>) -> Self {
        let work = Work::default();
        let view = view.map(|view| {
            let key = (person.id, view);
            if let Some(earlier) = views.all().insert(key, work.clone()) {
                earlier.end();
            }
            (views.clone(), key)
        });
        Self { house: person.house_id, work, view }
    }

    /// What its work asks whether to go on.
    pub fn stop(&self) -> &Stop {
        &self.work.stop
    }

    /// Whether nobody waits any more.
    pub fn has_ended(&self) -> bool {
        self.work.stop.go_on().is_err()
    }

    /// Resolves once the view asked for something newer.
    pub async fn ended(&self) {
        self.work.ended.notified().await;
    }
}

impl Drop for Asked {
    fn drop(&mut self) {
        self.work.stop.stop();
        let Some((views, key)) = &self.view else { return };
        let mut views = views.all();
        if views.get(key).is_some_and(|newest| Arc::ptr_eq(&newest.ended, &self.work.ended)) {
            views.remove(key);
        }
    }
}
