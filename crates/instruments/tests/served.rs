//! The bench as it is served: who may open a line, and what comes over it.

use spirel_instruments::bench::Bench;
use spirel_instruments::server::serve;
use std::net::{SocketAddr, TcpListener};
use tokio::io::{AsyncReadExt, AsyncWriteExt};
use tokio::net::TcpStream;

/// The first bytes of the answer to the request for a line (RFC 6455, 4.1), and the line.
async fn asked(at: SocketAddr, origin: &str) -> (String, TcpStream) {
    let mut line = TcpStream::connect(at).await.expect("it listens");
    let request = format!(
        "GET / HTTP/1.1\r\nHost: {at}\r\nConnection: Upgrade\r\nUpgrade: websocket\r\n{origin}\
         Sec-WebSocket-Version: 13\r\nSec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\n\r\n"
    );
    line.write_all(request.as_bytes()).await.expect("sent");
    let mut answer = vec![0; 4096];
    let read = line.read(&mut answer).await.expect("an answer");
    (String::from_utf8_lossy(&answer[..read]).into_owned(), line)
}

/// A short text as a masked frame (RFC 6455, 5.2); the mask of zeros leaves it as it is.
fn frame(text: &str) -> Vec<u8> {
    assert!(text.len() < 126);
    [&[0x81, 0x80 | text.len() as u8, 0, 0, 0, 0], text.as_bytes()].concat()
}

#[actix_web::test]
async fn only_pages_from_this_machine_open_a_line_and_what_is_not_understood_is_said() {
    let listener = TcpListener::bind("127.0.0.1:0").expect("a free port");
    let at = listener.local_addr().expect("bound");
    let served = serve(listener, Bench::new(1)).expect("served");

    for (origin, status) in [
        ("Origin: https://elsewhere.example\r\n", "403"),
        ("Origin: http://127.0.0.1.elsewhere.example\r\n", "403"),
        ("Origin: null\r\n", "403"),
        ("Origin: http://localhost:8420\r\n", "101"),
        ("Origin: http://127.0.0.1:8420\r\n", "101"),
        ("", "101"),
    ] {
        let (answer, _) = asked(at, origin).await;
        assert!(answer.starts_with(&format!("HTTP/1.1 {status}")), "{origin}{answer}");
    }

    let (answer, mut line) = asked(at, "").await;
    // The key of the example of RFC 6455, 1.3, and its answer.
    assert!(answer.to_lowercase().contains("s3pplmbitxaq9kygzzhzrbk+xoo="), "{answer}");
    for (sent, heard) in [
        ("{\"type\": \"hello\", \"version\": 1}", "\"type\":\"hello\",\"version\":1,\"stand_in\":true"),
        ("{\"type\": \"dance\"}", "The message is not understood"),
        ("{\"type\": \"pair\", \"device\": \"comb-1\"}", "\"paired\":true"),
    ] {
        line.write_all(&frame(sent)).await.expect("sent");
        let mut answer = vec![0; 4096];
        let read = line.read(&mut answer).await.expect("an answer");
        let said = String::from_utf8_lossy(&answer[..read]).into_owned();
        assert!(said.contains(heard), "{sent}: {said}");
    }
    served.stop().await;
}
