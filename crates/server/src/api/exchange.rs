//! A visit as a file, out and in.

use crate::exchange::{CsvReading, CsvTable, VisitFile, csv_of};
use crate::http::{ApiError, Asked, IdempotencyKey, JsonBody, JsonText, ProblemDetails, SignedIn, State};
use crate::json::Unreadable;
use actix_web::http::header::{CONTENT_DISPOSITION, ContentType};
use actix_web::{HttpResponse, get, post, web};
use spirel_core::Stop;
use spirel_store::{Act, Visit};
use uuid::Uuid;

/// The file of a visit. Its name carries the day, not the client: files lie about on desks.
fn attachment(visit: &Visit, ending: &str) -> (actix_web::http::header::HeaderName, String) {
    (CONTENT_DISPOSITION, format!("attachment; filename=\"visit-{}.{ending}\"", visit.on_date))
}

/// A visit as JSON (docs/formats/visit.schema.json).
#[utoipa::path(tag = "visits", responses((status = 200, body = VisitFile), (status = 404, body = ProblemDetails)))]
#[get("/api/visits/{id}/export.json")]
pub async fn export_json(
    person: SignedIn,
    state: web::Data<State>,
    id: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    let visit = state.store.visit(&person.actor(), *id).await?;
    let text = VisitFile::of(&visit)?.to_text();
    Ok(HttpResponse::Ok()
        .insert_header(attachment(&visit, "json"))
        .content_type(ContentType::json())
        .body(text))
}

/// What a table (CSV) gives for a reading: which column is what, what will be taken, what is refused and why. Nothing is
/// kept.
#[utoipa::path(tag = "visits", request_body = CsvTable, responses(
    (status = 200, body = CsvReading), (status = 422, body = ProblemDetails)
))]
#[post("/api/compute/csv")]
pub async fn read_csv(
    asked: Asked,
    state: web::Data<State>,
    body: JsonBody<CsvTable>,
) -> Result<web::Json<CsvReading>, ApiError> {
    Ok(web::Json(state.light.run(&asked, move |_| body.0.read()).await?))
}

/// A visit's readings, aims and advised marks as CSV, a row a zone.
#[utoipa::path(tag = "visits", responses(
    (status = 200, content_type = "text/csv", body = String), (status = 404, body = ProblemDetails)
))]
#[get("/api/visits/{id}/export.csv")]
pub async fn export_csv(
    person: SignedIn,
    asked: Asked,
    state: web::Data<State>,
    id: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    let visit = state.store.visit(&person.actor(), *id).await?;
    let file = VisitFile::of(&visit)?;
    let unit = person.0.length_unit;
    let text = state.heavy.run(&asked, move |_| csv_of(&file, unit)).await?;
    Ok(HttpResponse::Ok()
        .insert_header(attachment(&visit, "csv"))
        .content_type("text/csv; charset=utf-8")
        .body(text))
}

/// Reads an exported visit into a new visit of this client. A file with faults is refused whole, each fault with its
/// field and line.
#[utoipa::path(tag = "visits", request_body = VisitFile, params(
    ("Idempotency-Key" = Option<String>, Header, description = "Asked for again under the same key, it is made once.")
), responses(
    (status = 201, body = Visit), (status = 400, body = ProblemDetails), (status = 422, body = ProblemDetails)
))]
#[post("/api/clients/{id}/import")]
pub async fn import_visit(
    person: SignedIn,
    asked: Asked,
    state: web::Data<State>,
    id: web::Path<Uuid>,
    key: IdempotencyKey,
    body: JsonText,
) -> Result<HttpResponse, ApiError> {
    let actor = person.allowed(Act::EditVisits)?;
    // A file can be as long as a body may: it is read off the threads that answer requests.
    let read = move |_: &Stop| {
        let text = std::str::from_utf8(&body.0).map_err(|_| ApiError::Unreadable(Unreadable::not_text()))?;
        let file = VisitFile::read(text)?;
        let documents = file.documents().map_err(|_| ApiError::Defect)?;
        Ok::<_, ApiError>((file.on_date, documents))
    };
    let (on_date, documents) = state.light.run(&asked, read).await?;
    let once = key.once(&actor, "import", &(*id, on_date, &documents));
    let visit = state.store.import_visit(&actor, *id, on_date, &documents, once.as_ref()).await?;
    Ok(HttpResponse::Created().json(state.store.visit(&actor, visit).await?))
}
