//! Who changed what.

use crate::http::{ApiError, ProblemDetails, SignedIn, State};
use actix_web::{get, web};
use spirel_store::{Act, AuditPage};

/// The newest lines of the house's audit; for its owner.
#[utoipa::path(tag = "house", responses((status = 200, body = AuditPage), (status = 403, body = ProblemDetails)))]
#[get("/api/audit")]
pub async fn audit(person: SignedIn, state: web::Data<State>) -> Result<web::Json<AuditPage>, ApiError> {
    let owner = person.allowed(Act::ReadAudit)?;
    Ok(web::Json(state.store.audit(&owner).await?))
}
