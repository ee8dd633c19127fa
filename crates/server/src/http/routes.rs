//! The one route table. Each handler carries its method and path; a handler named here is both served and documented.

use crate::api::{audit, clients, compute, edits, exchange, health, instruments, session, visits};
use crate::contract::Contract;
use actix_web::web;
use spirel_core::devices::{FromApp, ToApp};
use utoipa::OpenApi;

macro_rules! routes {
    ($($module:ident :: $handler:ident),* $(,)?) => {
        /// Adds every route.
        pub fn configure(app: &mut web::ServiceConfig) {
            $(app.service($module::$handler);)*
        }

        #[derive(OpenApi)]
        #[openapi(
            info(title = "Spirel", description = "What the browser asks the server. Lengths are millimetres."),
            paths($($module::$handler),*),
            components(schemas(ToApp, FromApp, Contract))
        )]
        struct Description;
    };
}

routes![
    health::live,
    health::ready,
    session::sign_in,
    session::who,
    session::sign_out,
    session::sign_out_everywhere,
    session::set_length_unit,
    clients::list_clients,
    clients::add_client,
    clients::one_client,
    visits::visits_of_client,
    visits::begin_visit,
    visits::one_visit,
    visits::figures_of_zone,
    visits::since_last,
    visits::save_stage,
    edits::edit_stage,
    edits::live_edits,
    exchange::export_json,
    exchange::export_csv,
    exchange::import_visit,
    exchange::read_csv,
    compute::figure,
    compute::summary,
    compute::talk,
    compute::marks,
    compute::mark,
    compute::strand,
    compute::hang,
    compute::now,
    compute::curls,
    compute::fall,
    compute::cures,
    compute::scene,
    compute::doubts,
    compute::sections,
    compute::parted,
    compute::locks,
    compute::outlines,
    compute::count_hairs,
    compute::scalp_of_density,
    compute::cuts,
    instruments::where_instruments_are,
    instruments::take_value,
    audit::audit,
];

/// The API's description (OpenAPI 3.1), as it is committed in docs/openapi.json.
pub fn openapi() -> utoipa::openapi::OpenApi {
    Description::openapi()
}
