//! The front end, inside the binary.

use super::ApiError;
use super::routes::methods_of;
use actix_web::http::Method;
use actix_web::http::header::{CACHE_CONTROL, ContentType, ETAG, IF_NONE_MATCH};
use actix_web::{HttpRequest, HttpResponse, ResponseError};
use rust_embed::{EmbeddedFile, RustEmbed};
use std::fmt::Write;

#[derive(RustEmbed)]
#[folder = "../../web/dist"]
#[allow_missing = true]
struct Front;

/// Serves a file of the front end; every other address of a page gets the one page there is, whose router knows it.
pub async fn front(request: HttpRequest) -> HttpResponse {
    let path = request.path().trim_start_matches('/');
    if path.starts_with("api/") || path.starts_with("health/") {
        let other_method = methods_of(request.path()).map(ApiError::NotThisMethod);
        return other_method.unwrap_or(ApiError::NotFound).error_response();
    }
    if !matches!(*request.method(), Method::GET | Method::HEAD) {
        return ApiError::NotThisMethod("GET, HEAD".into()).error_response();
    }
    match Front::get(path) {
        Some(file) => answer(&request, path, file),
        // A file that isn't there is not a page.
        None if path.rsplit('/').next().is_some_and(|name| name.contains('.')) => {
            ApiError::NotFound.error_response()
        }
        None => match Front::get("index.html") {
            Some(page) => answer(&request, "index.html", page),
            None => HttpResponse::ServiceUnavailable()
                .content_type(ContentType::plaintext())
                .body("The front end was not built into this binary. Run `make build`."),
        },
    }
}

fn answer(request: &HttpRequest, path: &str, file: EmbeddedFile) -> HttpResponse {
    let hash = file.metadata.sha256_hash();
    let tag = hash.iter().take(16).fold(String::from("\""), |mut text, byte| {
        // Writing to a string can't fail.
        let _ = write!(text, "{byte:02x}");
        text
    }) + "\"";
    // Built assets carry a hash in their name and never change; the page itself is asked for anew.
    let cache = if path.starts_with("assets/") { "public, max-age=31536000, immutable" } else { "no-cache" };
    if request.headers().get(IF_NONE_MATCH).is_some_and(|given| given.as_bytes() == tag.as_bytes()) {
        return HttpResponse::NotModified().insert_header((ETAG, tag)).finish();
    }
    HttpResponse::Ok()
        .content_type(mime_guess::from_path(path).first_or_octet_stream().as_ref())
        .insert_header((CACHE_CONTROL, cache))
        .insert_header((ETAG, tag))
        .body(file.data.into_owned())
}
