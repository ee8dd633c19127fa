//! Whose turn it is: so much work at a time, houses in turn, and no more waiting than can be done soon.

use super::ApiError;
use std::collections::{HashMap, VecDeque};
use std::sync::{Arc, Mutex, MutexGuard, PoisonError};
use tokio::sync::oneshot::{self, Sender};
use uuid::Uuid;

/// Most that wait of one house: a hand at every chair, each with pictures.
const MOST_OF_HOUSE: usize = 16;
/// Most that wait in all.
const MOST: usize = 256;

/// Turns at one kind of work.
pub struct Turns(Mutex<Waiting>);

struct Waiting {
    free: usize,
    /// Houses of which something waits, the one whose turn is next first.
    houses: VecDeque<Uuid>,
    waiting: HashMap<Uuid, VecDeque<Sender<Turn>>>,
}

/// The right to work. When it is dropped the next one has it.
pub struct Turn(Option<Arc<Turns>>);

impl Turns {
    /// So many at a time.
    pub fn new(at_a_time: usize) -> Arc<Self> {
        Arc::new(Self(Mutex::new(Waiting {
            free: at_a_time,
            houses: VecDeque::new(),
            waiting: HashMap::new(),
        })))
    }

    fn state(&self) -> MutexGuard<'_, Waiting> {
        self.0.lock().unwrap_or_else(PoisonError::into_inner)
    }

    /// Waits for a turn of this house; refused where too much waits already. Whoever no longer waits has no turn.
    pub async fn take(self: &Arc<Self>, house: Uuid) -> Result<Turn, ApiError> {
        let turn = {
            let mut state = self.state();
            if state.free > 0 {
                state.free -= 1;
                return Ok(Turn(Some(self.clone())));
            }
            state.forget_those_who_left();
            let all: usize = state.waiting.values().map(VecDeque::len).sum();
            let of_house = state.waiting.get(&house).map_or(0, VecDeque::len);
            if of_house >= MOST_OF_HOUSE || all >= MOST {
                return Err(ApiError::Busy);
            }
            if of_house == 0 {
                state.houses.push_back(house);
            }
            let (sender, turn) = oneshot::channel();
            state.waiting.entry(house).or_default().push_back(sender);
            turn
        };
        turn.await.map_err(|_| ApiError::Unavailable)
    }

    /// Hands a turn on: to the next house, and there to whoever waits longest.
    fn hand_on(self: &Arc<Self>) {
        let mut state = self.state();
        while let Some(house) = state.houses.pop_front() {
            let Some(queue) = state.waiting.get_mut(&house) else { continue };
            let next = queue.pop_front();
            if queue.is_empty() {
                state.waiting.remove(&house);
            } else {
                state.houses.push_back(house);
            }
            let Some(next) = next else { continue };
            match next.send(Turn(Some(self.clone()))) {
                Ok(()) => return,
                // Whoever waited has left: the turn that comes back is handed on here, not when it is dropped.
                Err(mut turn) => drop(turn.0.take()),
            }
        }
        state.free += 1;
    }
}

impl Waiting {
    fn forget_those_who_left(&mut self) {
        for queue in self.waiting.values_mut() {
            queue.retain(|waiting| !waiting.is_closed());
        }
        self.waiting.retain(|_, queue| !queue.is_empty());
        self.houses.retain(|house| self.waiting.contains_key(house));
    }
}

impl Drop for Turn {
    fn drop(&mut self) {
        if let Some(turns) = self.0.take() {
            turns.hand_on();
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use futures_util::FutureExt;
    use futures_util::future::BoxFuture;

    type Asked = BoxFuture<'static, Result<Turn, ApiError>>;

    fn asked(turns: &Arc<Turns>, house: Uuid) -> Asked {
        let turns = turns.clone();
        async move { turns.take(house).await }.boxed()
    }

    fn now(asked: &mut Asked) -> Option<Turn> {
        asked.now_or_never().map(|turn| turn.expect("a turn"))
    }

    const ONE: Uuid = Uuid::from_u128(1);
    const OTHER: Uuid = Uuid::from_u128(2);

    #[test]
    fn houses_take_turns_and_within_one_whoever_came_first() {
        let turns = Turns::new(1);
        let mut held = now(&mut asked(&turns, ONE));
        let mut waiting = [ONE, ONE, ONE, OTHER].map(|house| Some(asked(&turns, house)));
        assert!(waiting.iter_mut().flatten().all(|asked| now(asked).is_none()));
        // A house with three questions doesn't hold up the one question of another.
        for next in [0, 3, 1, 2] {
            drop(held.take());
            for (i, place) in waiting.iter_mut().enumerate() {
                if let Some(turn) = place.as_mut().and_then(now) {
                    assert_eq!((i, held.is_none()), (next, true));
                    held = Some(turn);
                    *place = None;
                }
            }
        }
        assert!(held.is_some());
        drop(held);
        assert!(now(&mut asked(&turns, OTHER)).is_some(), "nobody waits any more");
    }

    #[test]
    fn who_leaves_has_no_turn_and_takes_no_place() {
        let turns = Turns::new(1);
        let held = now(&mut asked(&turns, ONE));
        let mut left: Vec<Asked> = (0..MOST_OF_HOUSE).map(|_| asked(&turns, ONE)).collect();
        assert!(left.iter_mut().all(|asked| now(asked).is_none()));
        let full = asked(&turns, ONE).now_or_never().expect("it is refused at once");
        assert!(matches!(full, Err(ApiError::Busy)));
        assert!(asked(&turns, OTHER).now_or_never().is_none(), "another house still may wait");
        drop(left);
        let mut stays = asked(&turns, ONE);
        assert!(now(&mut stays).is_none());
        drop(held);
        assert!(now(&mut stays).is_some());
    }
}
