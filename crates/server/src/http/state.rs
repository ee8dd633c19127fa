//! What every handler shares: the store, the settings, and the bounds on work.

use super::asked::Views;
use super::heads::{GrownHead, GrownHeads};
use super::{ApiError, Asked, Lane, Live, SignIns};
use spirel_core::grow::HairRequest;
use spirel_store::Store;
use std::net::IpAddr;
use std::num::NonZeroU32;
use std::sync::Arc;
use std::time::Duration;

/// How the server behaves.
#[derive(Debug, Clone)]
pub struct Settings {
    /// The cookie goes over HTTPS only, and browsers are told to use nothing else: set when a balancer in front speaks it.
    pub secure_cookie: bool,
    /// Sign-ins tried in a minute for one person from one address. Adjustable for load tests.
    pub sign_ins_per_minute: NonZeroU32,
    /// Balancers whose word is taken for whom they speak (`X-Forwarded-For`).
    pub trusted_proxies: Vec<IpAddr>,
    /// Names, beside numbers and `localhost`, under which the server is reached.
    pub hosts: Vec<String>,
    /// Where browsers find measuring instruments: a WebSocket address, on the machine the browser runs on.
    pub instruments: Option<String>,
    /// Threads of each kind of work; as many as the machine has cores if left out.
    pub threads: Option<usize>,
}

impl Default for Settings {
    fn default() -> Self {
        let sign_ins_per_minute = NonZeroU32::new(20).unwrap_or(NonZeroU32::MIN);
        Self {
            secure_cookie: false,
            sign_ins_per_minute,
            trusted_proxies: Vec::new(),
            hosts: Vec::new(),
            instruments: None,
            threads: None,
        }
    }
}

/// What a piece of work may take: on a whole head of hair, on what follows the hand, and on what takes a few milliseconds.
const BUDGETS: [Duration; 3] = [Duration::from_secs(20), Duration::from_secs(10), Duration::from_secs(5)];

/// Shared by all handlers.
pub struct State {
    /// Houses, people, clients, visits.
    pub store: Store,
    /// How the server behaves.
    pub settings: Settings,
    /// Screens that hear of edits.
    pub live: Arc<Live>,
    /// Sign-ins that were tried lately.
    pub sign_ins: SignIns,
    /// What each view asked for last.
    pub views: Arc<Views>,
    /// Work on a whole head of hair: pictures, cures.
    pub heavy: Lane,
    /// What is asked over and over while a hand turns a value. It has threads of its own: pictures would keep them busy for
    /// longer than a hand waits.
    pub prompt: Lane,
    /// What takes a few milliseconds, which never waits behind heads of hair.
    pub light: Lane,
    heads: GrownHeads,
}

impl State {
    /// The state of a server on this store.
    pub fn new(store: Store, settings: Settings) -> Self {
        let cores = std::thread::available_parallelism().map_or(2, |n| n.get());
        let threads = settings.threads.unwrap_or(cores);
        let [heavy, prompt, light] = BUDGETS;
        Self {
            store,
            live: Arc::default(),
            sign_ins: SignIns::new(settings.sign_ins_per_minute),
            views: Arc::default(),
            // One core is left for answering requests.
            heavy: Lane::new(threads, threads.saturating_sub(1), heavy),
            prompt: Lane::new(threads, threads.saturating_sub(1), prompt),
            light: Lane::new(threads, threads, light),
            heads: GrownHeads::default(),
            settings,
        }
    }

    /// A head of hair, grown on a lane if it isn't kept.
    pub async fn head(
        &self,
        lane: &Lane,
        asked: &Asked,
        wanted: HairRequest,
    ) -> Result<Arc<GrownHead>, ApiError> {
        self.heads.head(lane, asked, wanted).await
    }
}
