//! A server of its own for each test, with the demo's two houses in it, and people who are signed in.

use reqwest::{Client, Method, RequestBuilder, Response, StatusCode};
use serde_json::{Value, json};
use spirel::http::{Settings, State, serve};
use spirel::{demo, http};
use spirel_store::Store;
use spirel_testkit::fresh_store;
use std::net::TcpListener;
use tokio::sync::oneshot;

pub const PASSWORD: &str = "tide-and-comb";

/// A running server; it stops when this is dropped.
pub struct App {
    url: String,
    _stop: oneshot::Sender<()>,
}

/// One browser: it keeps its cookies.
pub struct Browser {
    url: String,
    client: Client,
}

impl App {
    pub async fn start() -> Self {
        Self::with(Settings { sign_ins_per_minute: 1000.try_into().unwrap(), ..http::Settings::default() })
            .await
    }

    pub async fn with(settings: Settings) -> Self {
        let store = fresh_store().await;
        demo::load(&store).await.unwrap();
        Self::on(store, settings)
    }

    pub fn on(store: Store, settings: Settings) -> Self {
        let listener = TcpListener::bind("127.0.0.1:0").unwrap();
        let url = format!("http://{}", listener.local_addr().unwrap());
        let (stop, stopped) = oneshot::channel();
        tokio::spawn(serve(listener, State::new(store, settings), async {
            let _ = stopped.await;
        }));
        Self { url, _stop: stop }
    }

    /// Host and port.
    pub fn address(&self) -> &str {
        self.url.trim_start_matches("http://")
    }

    /// The cookie of a new session of this person.
    pub async fn cookie(&self, email: &str) -> String {
        let opened = self.browser().sign_in(email, PASSWORD).await;
        let cookie = opened.headers()["set-cookie"].to_str().unwrap();
        cookie.split(';').next().unwrap().to_owned()
    }

    pub fn browser(&self) -> Browser {
        let client = Client::builder().cookie_store(true).build().unwrap();
        Browser { url: self.url.clone(), client }
    }

    /// A browser in which this person of the demo is signed in.
    pub async fn signed_in(&self, email: &str) -> Browser {
        let browser = self.browser();
        assert_eq!(browser.sign_in(email, PASSWORD).await.status(), StatusCode::OK);
        browser
    }
}

impl Browser {
    pub fn ask(&self, method: Method, path: &str) -> RequestBuilder {
        self.client.request(method, format!("{}{path}", self.url))
    }

    pub async fn get(&self, path: &str) -> Response {
        self.ask(Method::GET, path).send().await.unwrap()
    }

    pub async fn post(&self, path: &str, body: &Value) -> Response {
        self.ask(Method::POST, path).json(body).send().await.unwrap()
    }

    pub async fn put(&self, path: &str, body: &Value) -> Response {
        self.ask(Method::PUT, path).json(body).send().await.unwrap()
    }

    pub async fn sign_in(&self, email: &str, password: &str) -> Response {
        self.post("/api/session", &json!({"email": email, "password": password})).await
    }

    /// What is at a path, which must be there.
    pub async fn read(&self, path: &str) -> Value {
        let response = self.get(path).await;
        assert_eq!(response.status(), StatusCode::OK, "{path}");
        response.json().await.unwrap()
    }

    /// Id of the demo client of this name.
    pub async fn client(&self, name: &str) -> String {
        let page = self.read(&format!("/api/clients?search={}", name.replace(' ', "%20"))).await;
        page["clients"][0]["id"].as_str().unwrap().to_owned()
    }

    /// Id of the newest visit of the demo client of this name.
    pub async fn visit(&self, name: &str) -> String {
        let visits = self.read(&format!("/api/clients/{}/visits", self.client(name).await)).await;
        visits[0]["id"].as_str().unwrap().to_owned()
    }
}

/// The problem document of a refusal, which must have this status.
pub async fn refused(response: Response, status: StatusCode) -> Value {
    let announced = response.headers().get("content-type").map(|value| value.to_str().unwrap().to_owned());
    let got = response.status();
    let problem: Value = response.json().await.unwrap();
    assert_eq!(got, status, "{problem}");
    assert_eq!(announced.as_deref(), Some("application/problem+json"));
    assert_eq!(problem["status"], status.as_u16());
    problem
}
