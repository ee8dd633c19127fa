//! Who changed what.

use crate::http::{ProblemDetails, Refusal, SignedIn, State};
use actix_web::{get, web};
use spirel_store::AuditPage;

/// The newest lines of the house's audit; for its owner.
#[utoipa::path(tag = "house", responses((status = 200, body = AuditPage), (status = 403, body = ProblemDetails)))]
#[get("/api/audit")]
pub async fn audit(person: SignedIn, state: web::Data<State>) -> Result<web::Json<AuditPage>, Refusal> {
    if !person.0.role.may_read_audit() {
        return Err(Refusal::NotYourRole);
    }
    Ok(web::Json(state.store.audit(&person.actor()).await?))
}
