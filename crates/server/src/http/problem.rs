//! The one error of the HTTP edge: what went wrong, at which field, what is safe, as `application/problem+json`
//! (RFC 9457). Causes are logged, never sent.

use crate::exchange::{ExchangeError, first_of};
use crate::json::Unreadable;
use actix_web::http::StatusCode;
use actix_web::http::header::{ALLOW, RETRY_AFTER};
use actix_web::{HttpResponse, ResponseError};
use serde::Serialize;
use spirel_core::{Arg, FieldError, FieldErrors, Message, Problem, Unfinished};
use spirel_store::{Document, StoreError};
use spirel_words::{Lengths, say};
use utoipa::ToSchema;

/// Why a request was refused.
#[derive(Debug, Clone, thiserror::Error)]
pub enum ApiError {
    /// The body is not JSON.
    #[error("the body is not JSON")]
    Unreadable(Unreadable),
    /// The body is not announced as what is accepted here.
    #[error("the body is not announced as {0}")]
    NotAnnouncedAs(&'static str),
    /// The body is larger than is accepted.
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
    /// An edit that somebody else made, who was signed in on this device before.
    #[error("somebody else's edit")]
    AnothersEdit,
    /// There is no such thing in this house.
    #[error("not found")]
    NotFound,
    /// Somebody else saved first.
    #[error("somebody else saved first")]
    Conflict(Box<Document>),
    /// The database is away.
    #[error("the database is away")]
    Unavailable,
    /// More is asked for than can be done soon.
    #[error("more is asked for than can be done soon")]
    Busy,
    /// The work took longer than it may.
    #[error("the work took too long")]
    TookTooLong,
    /// The view that asked has asked for something newer, or nobody waits.
    #[error("something newer was asked for")]
    Superseded,
    /// The body came too slowly.
    #[error("the body came too slowly")]
    TooSlow,
    /// There is such an address, but not for this method.
    #[error("not for this method")]
    NotThisMethod(String),
    /// The request names a host that isn't ours.
    #[error("another host is named")]
    OtherHost,
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
    /// What is wrong, for people: said after the field's name.
    pub message: Message,
    /// Line of the file, from 1, where a file was given.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub line: Option<usize>,
}

impl FieldFault {
    fn new(FieldError { field, problem }: FieldError, line: Option<usize>) -> Self {
        Self { message: problem.message(), field, problem, line }
    }
}

/// A refused request (RFC 9457).
#[derive(Debug, Serialize, ToSchema)]
pub struct ProblemDetails {
    /// Always `about:blank`: `code` is the precise one.
    pub r#type: &'static str,
    /// HTTP status in words.
    pub title: &'static str,
    /// HTTP status.
    pub status: u16,
    /// Which refusal, for programs.
    pub code: &'static str,
    /// What happened, and what to do.
    pub detail: String,
    /// The same for people, where no field is wrong.
    pub message: Message,
    /// What is safe.
    pub safe: String,
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
        let problem = Problem::from(Message::new("fault-query").with("why", error.to_string()));
        Self::Fields { listed: vec![FieldFault::new(FieldError::new("query", problem), None)], more: 0 }
    }

    /// The same seen from the document that holds what was wrong under `parent`.
    #[must_use]
    pub fn under(mut self, parent: &str) -> Self {
        if let Self::Fields { listed, .. } = &mut self {
            for fault in listed {
                fault.field = format!("{parent}.{}", fault.field);
            }
        }
        self
    }

    /// Seconds after which asking again may help.
    fn retry_after_s(&self) -> Option<u32> {
        match self {
            Self::TooManyTries | Self::TookTooLong => Some(10),
            Self::Unavailable | Self::Busy => Some(1),
            _ => None,
        }
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
            Self::AnothersEdit => "anothers_edit",
            Self::NotFound => "not_found",
            Self::Conflict(_) => "conflict",
            Self::Unavailable => "unavailable",
            Self::Busy => "busy",
            Self::TookTooLong => "took_too_long",
            Self::Superseded => "superseded",
            Self::TooSlow => "too_slow",
            Self::NotThisMethod(_) => "method",
            Self::OtherHost => "other_host",
            Self::Defect => "defect",
        }
    }

    /// What happened and what to do, for people.
    fn message(&self) -> Message {
        let message = Message::new(format!("error-{}", self.code()));
        match self {
            Self::Unreadable(Unreadable::Broken { why, line, column }) => message
                .with("why", why.as_str())
                .with("line", Arg::Number(*line as f64))
                .with("column", Arg::Number(*column as f64)),
            Self::NotAnnouncedAs(kind) => message.with("kind", *kind),
            Self::Conflict(current) => message.with("who", current.saved_by.as_str()),
            Self::Fields { more, .. } => message.with("more", Arg::Number(*more as f64)),
            _ => message,
        }
    }

    /// The same in English, for whoever reads the answer without the catalogue: wrong fields one after the other.
    fn detail(&self) -> String {
        let english = |message: &Message| say(message, Lengths::Mm);
        let fields = self.fields();
        if !matches!(self, Self::Fields { .. } | Self::Unreadable(Unreadable::Misshapen { .. })) {
            return english(&self.message());
        }
        let said = |fault: &FieldFault| {
            let told = Message::new(if fault.line.is_some() { "error-field-line" } else { "error-field" })
                .with("field", fault.field.as_str())
                .with("fault", fault.message.clone());
            english(&told.with_some("line", fault.line.map(|line| Arg::Number(line as f64))))
        };
        let more = Some(self.more()).filter(|more| *more > 0);
        let more =
            more.map(|more| english(&Message::new("error-more").with("more", Arg::Number(more as f64))));
        fields.iter().map(said).chain(more).collect::<Vec<_>>().join("; ")
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
                let problem = Problem::from(Message::new("fault-broken-json").with("why", why.as_str()));
                vec![FieldFault::new(FieldError::new("body", problem), Some(*line))]
            }
            Self::NotAnnouncedAs(kind) => {
                let problem = Problem::from(Message::new("fault-must-be").with("what", *kind));
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
            Self::NotYourRole | Self::OtherSite | Self::AnothersEdit => StatusCode::FORBIDDEN,
            Self::NotFound => StatusCode::NOT_FOUND,
            Self::Conflict(_) => StatusCode::CONFLICT,
            Self::Unavailable | Self::Busy | Self::TookTooLong => StatusCode::SERVICE_UNAVAILABLE,
            Self::Superseded => StatusCode::CONFLICT,
            Self::TooSlow => StatusCode::REQUEST_TIMEOUT,
            Self::NotThisMethod(_) => StatusCode::METHOD_NOT_ALLOWED,
            Self::OtherHost => StatusCode::MISDIRECTED_REQUEST,
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
            message: self.message(),
            safe: say(&Message::new("error-safe"), Lengths::Mm),
            fields: self.fields(),
            more: Some(self.more()).filter(|more| *more > 0),
            current,
        };
        let mut response = HttpResponse::build(status);
        if let Some(seconds) = self.retry_after_s() {
            response.insert_header((RETRY_AFTER, seconds));
        }
        if let Self::NotThisMethod(allowed) = self {
            response.insert_header((ALLOW, allowed.as_str()));
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
            StoreError::KeyTaken => {
                FieldErrors(vec![FieldError::new("idempotency-key", Problem::contradicts("fault-key-taken"))])
                    .into()
            }
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

impl From<Unfinished> for ApiError {
    fn from(unfinished: Unfinished) -> Self {
        match unfinished {
            Unfinished::Faults(faults) => faults.into(),
            Unfinished::Stopped(_) => Self::Superseded,
        }
    }
}
