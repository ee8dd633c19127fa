//! The one error of the HTTP edge: what went wrong, at which field, what is safe, as `application/problem+json`
//! (RFC 9457). Causes are logged, never sent.

use crate::exchange::{ExchangeError, first_of};
use crate::json::Unreadable;
use actix_web::http::StatusCode;
use actix_web::{HttpResponse, ResponseError};
use serde::Serialize;
use spirel_core::{FieldError, FieldErrors, Problem};
use spirel_store::{Document, StoreError};
use utoipa::ToSchema;

/// Why a request was refused.
#[derive(Debug, thiserror::Error)]
pub enum ApiError {
    /// The body is not JSON.
    #[error("the body is not JSON")]
    Unreadable(Unreadable),
    /// The body is not announced as what is taken here.
    #[error("the body is not announced as {0}")]
    NotAnnouncedAs(&'static str),
    /// The body is larger than is taken.
    #[error("the body is too large")]
    TooLarge,
    /// Fields are wrong.
    #[error("fields are wrong")]
    Fields {
        /// The first of them.
        listed: Vec<FieldFault>,
        /// How many more there are.
        more: usize,
    },
    /// Nobody is signed in.
    #[error("nobody is signed in")]
    NotSignedIn,
    /// Address and password don't fit.
    #[error("address and password don't fit")]
    WrongPassword,
    /// Too many sign-ins were tried.
    #[error("too many sign-ins")]
    TooManyTries,
    /// The signed-in person's role doesn't do this.
    #[error("the role doesn't allow it")]
    NotYourRole,
    /// The request came from another site's page.
    #[error("the request came from another site")]
    OtherSite,
    /// There is no such thing in this house.
    #[error("not found")]
    NotFound,
    /// Somebody else saved first.
    #[error("somebody else saved first")]
    Conflict(Box<Document>),
    /// The database is away.
    #[error("the database is away")]
    Unavailable,
    /// A defect of ours.
    #[error("a defect")]
    Defect,
}

/// A fault of one field.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct FieldFault {
    /// Dotted path from the top of the document.
    pub field: String,
    /// What is wrong, for programs.
    pub problem: Problem,
    /// What is wrong, in words.
    pub message: String,
    /// Line of the file, from 1, where a file was given.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub line: Option<usize>,
}

impl FieldFault {
    fn new(FieldError { field, problem }: FieldError, line: Option<usize>) -> Self {
        Self { message: problem.to_string(), field, problem, line }
    }
}

/// A refused request (RFC 9457).
#[derive(Debug, Serialize, ToSchema)]
pub struct ProblemDetails {
    /// Always `about:blank`: `code` says more.
    pub r#type: &'static str,
    /// HTTP status in words.
    pub title: &'static str,
    /// HTTP status.
    pub status: u16,
    /// Which refusal, for programs.
    pub code: &'static str,
    /// What happened, and what to do.
    pub detail: String,
    /// What is safe.
    pub safe: &'static str,
    /// Fields that are wrong, at most 100.
    pub fields: Vec<FieldFault>,
    /// How many more are.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub more: Option<usize>,
    /// What stands now, where somebody else saved first.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub current: Option<Document>,
}

impl ApiError {
    /// What stands behind the question mark of an address can't be read.
    pub fn bad_query(error: &impl std::fmt::Display) -> Self {
        let problem = Problem::Contradicts { why: error.to_string() };
        Self::Fields { listed: vec![FieldFault::new(FieldError::new("query", problem), None)], more: 0 }
    }

    fn code(&self) -> &'static str {
        match self {
            Self::Unreadable(Unreadable::Broken { .. }) => "broken_json",
            Self::Unreadable(Unreadable::Misshapen { .. }) | Self::Fields { .. } => "fields",
            Self::NotAnnouncedAs(_) => "content_type",
            Self::TooLarge => "too_large",
            Self::NotSignedIn => "not_signed_in",
            Self::WrongPassword => "wrong_password",
            Self::TooManyTries => "too_many_tries",
            Self::NotYourRole => "not_your_role",
            Self::OtherSite => "other_site",
            Self::NotFound => "not_found",
            Self::Conflict(_) => "conflict",
            Self::Unavailable => "unavailable",
            Self::Defect => "defect",
        }
    }

    fn detail(&self) -> String {
        match self {
            Self::Unreadable(Unreadable::Broken { why, line, column }) => {
                format!("This is not valid JSON: {why} (line {line}, column {column}).")
            }
            Self::Unreadable(Unreadable::Misshapen { .. }) | Self::Fields { .. } => {
                let faults = self.fields();
                let said = |f: &FieldFault| match f.line {
                    Some(line) => format!("{} {} (line {line})", f.field, f.message),
                    None => format!("{} {}", f.field, f.message),
                };
                let mut said = faults.iter().map(said).collect::<Vec<_>>().join("; ");
                if self.more() > 0 {
                    said += &format!("; and {} more", self.more());
                }
                said
            }
            Self::NotAnnouncedAs(kind) => format!("Send it with content-type: {kind}."),
            Self::TooLarge => "This is larger than anything that is taken here.".into(),
            Self::NotSignedIn => "Sign in first.".into(),
            Self::WrongPassword => "Address and password don't fit. Try again.".into(),
            Self::TooManyTries => "Too many sign-ins were tried. Wait a minute, then try again.".into(),
            Self::NotYourRole => "Your role in this house doesn't do this. Ask the owner.".into(),
            Self::OtherSite => "This request came from another site's page and was refused.".into(),
            Self::NotFound => "There is no such thing in your house.".into(),
            Self::Conflict(current) => {
                format!("{} saved this in the meantime. Choose which to keep.", current.saved_by)
            }
            Self::Unavailable => "The database can't be reached. Try again in a moment.".into(),
            Self::Defect => "Something went wrong on our side. It has been noted in the log.".into(),
        }
    }

    fn more(&self) -> usize {
        if let Self::Fields { more, .. } = self { *more } else { 0 }
    }

    fn fields(&self) -> Vec<FieldFault> {
        match self {
            Self::Fields { listed, .. } => listed.clone(),
            Self::Unreadable(Unreadable::Misshapen { fault, line }) => {
                vec![FieldFault::new(fault.clone(), Some(*line))]
            }
            Self::Unreadable(Unreadable::Broken { why, line, .. }) => {
                let problem = Problem::Contradicts { why: why.clone() };
                vec![FieldFault::new(FieldError::new("body", problem), Some(*line))]
            }
            Self::NotAnnouncedAs(kind) => {
                let problem = Problem::Contradicts { why: format!("must be {kind}") };
                vec![FieldFault::new(FieldError::new("content-type", problem), None)]
            }
            _ => Vec::new(),
        }
    }
}

impl ResponseError for ApiError {
    fn status_code(&self) -> StatusCode {
        match self {
            Self::Unreadable(Unreadable::Broken { .. }) | Self::NotAnnouncedAs(_) => StatusCode::BAD_REQUEST,
            Self::Unreadable(Unreadable::Misshapen { .. }) | Self::Fields { .. } => {
                StatusCode::UNPROCESSABLE_ENTITY
            }
            Self::TooLarge => StatusCode::PAYLOAD_TOO_LARGE,
            Self::NotSignedIn | Self::WrongPassword => StatusCode::UNAUTHORIZED,
            Self::TooManyTries => StatusCode::TOO_MANY_REQUESTS,
            Self::NotYourRole | Self::OtherSite => StatusCode::FORBIDDEN,
            Self::NotFound => StatusCode::NOT_FOUND,
            Self::Conflict(_) => StatusCode::CONFLICT,
            Self::Unavailable => StatusCode::SERVICE_UNAVAILABLE,
            Self::Defect => StatusCode::INTERNAL_SERVER_ERROR,
        }
    }

    fn error_response(&self) -> HttpResponse {
        let status = self.status_code();
        let current = match self {
            Self::Conflict(current) => Some(current.as_ref().clone()),
            _ => None,
        };
        let body = ProblemDetails {
            r#type: "about:blank",
            title: status.canonical_reason().unwrap_or_default(),
            status: status.as_u16(),
            code: self.code(),
            detail: self.detail(),
            safe: "Nothing that was saved before has changed.",
            fields: self.fields(),
            more: Some(self.more()).filter(|more| *more > 0),
            current,
        };
        let mut response = HttpResponse::build(status);
        if matches!(self, Self::TooManyTries) {
            response.insert_header(("retry-after", "60"));
        }
        response.content_type("application/problem+json").json(body)
    }
}

impl From<StoreError> for ApiError {
    fn from(error: StoreError) -> Self {
        if error.is_unavailable() {
            tracing::warn!(%error, "database unavailable");
            return Self::Unavailable;
        }
        match error {
            StoreError::NotFound => Self::NotFound,
            StoreError::Conflict { current, .. } => Self::Conflict(current),
            other => {
                tracing::error!(error = %other, "store");
                Self::Defect
            }
        }
    }
}

impl From<ExchangeError> for ApiError {
    fn from(error: ExchangeError) -> Self {
        match error {
            ExchangeError::Unreadable(unreadable) => Self::Unreadable(unreadable),
            ExchangeError::Faults { listed, more } => {
                let listed = listed.into_iter().map(|(fault, line)| FieldFault::new(fault, Some(line)));
                Self::Fields { listed: listed.collect(), more }
            }
            ExchangeError::Fields(faults) => faults.into(),
            ExchangeError::Stored(_) | ExchangeError::Table(_) => {
                tracing::error!(%error, "a visit could not be exchanged");
                Self::Defect
            }
        }
    }
}

impl From<FieldErrors> for ApiError {
    fn from(faults: FieldErrors) -> Self {
        let (faults, more) = first_of(faults);
        Self::Fields { listed: faults.into_iter().map(|fault| FieldFault::new(fault, None)).collect(), more }
    }
}
