//! The one route table. Each handler carries its method and path; a handler named here is both served and documented.

use crate::api::{
    audit, clients, compute, edits, exchange, health, house_rules, instruments, session, thresholds, visits,
};
use crate::contract::Contract;
use actix_web::web;
use spirel_core::devices::{FromApp, ToApp};
use std::sync::LazyLock;
use utoipa::openapi::content::ContentBuilder;
use utoipa::openapi::path::{Parameter, ParameterBuilder, ParameterIn};
use utoipa::openapi::schema::{ObjectBuilder, Type};
use utoipa::openapi::{PathItem, Ref, RefOr, Required, ResponseBuilder};
use utoipa::{Modify, OpenApi};

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
            components(schemas(ToApp, FromApp, Contract)),
            modifiers(&Refusals)
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
    compute::judge,
    compute::plan,
    compute::step_marks,
    compute::wish,
    compute::brings,
    compute::what_if,
    compute::methods_and_rules,
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
    thresholds::thresholds,
    thresholds::set_threshold,
    house_rules::house_rules,
    house_rules::set_rule,
    house_rules::set_side,
];

fn view_parameter() -> Parameter {
    ParameterBuilder::new()
        .name("Spirel-View")
        .parameter_in(ParameterIn::Header)
        .required(Required::False)
        .description(Some("A number (UUID) of the view that asks: what it asked before is given up."))
        .schema(Some(ObjectBuilder::new().schema_type(Type::String)))
        .build()
}

/// What every operation may answer instead of what it says: a refusal, in the one form that refusals have.
struct Refusals;

impl Modify for Refusals {
    fn modify(&self, described: &mut utoipa::openapi::OpenApi) {
        const PROBLEM: &str = "application/problem+json";
        let problem = || ContentBuilder::new().schema(Some(Ref::from_schema_name("ProblemDetails"))).build();
        for item in described.paths.paths.values_mut() {
            let all = [&mut item.get, &mut item.post, &mut item.put, &mut item.patch, &mut item.delete];
            for operation in all.into_iter().flatten() {
                // Every computation may say which view asks.
                if operation.tags.iter().flatten().any(|tag| tag == "compute") {
                    operation.parameters.get_or_insert_default().push(view_parameter().into());
                }
                for (status, response) in &mut operation.responses.responses {
                    let RefOr::T(response) = response else { continue };
                    if status.starts_with(['4', '5']) {
                        response.content = [(PROBLEM.to_owned(), problem().into())].into_iter().collect();
                    }
                }
                let refused = ResponseBuilder::new()
                    .description("Refused: what is wrong, what is safe, and when to come again.")
                    .content(PROBLEM, problem())
                    .build();
                operation.responses.responses.insert("default".into(), refused.into());
            }
        }
    }
}

/// The API's description (OpenAPI 3.1), as it is committed in docs/openapi.json.
pub fn openapi() -> utoipa::openapi::OpenApi {
    Description::openapi()
}

/// The methods that an address takes, as a header lists them; none where there is no such address.
pub fn methods_of(path: &str) -> Option<String> {
    static KNOWN: LazyLock<Vec<(String, Vec<&'static str>)>> = LazyLock::new(|| {
        let methods = |item: &PathItem| {
            let all = [("GET", &item.get), ("POST", &item.post), ("PUT", &item.put)];
            let more = [("PATCH", &item.patch), ("DELETE", &item.delete)];
            let known = all.into_iter().chain(more).filter(|(_, operation)| operation.is_some());
            known.map(|(method, _)| method).collect()
        };
        openapi().paths.paths.iter().map(|(path, item)| (path.clone(), methods(item))).collect()
    });
    let fits = |pattern: &str| {
        let (pattern, path) = (pattern.split('/'), path.split('/'));
        pattern.clone().count() == path.clone().count()
            && pattern.zip(path).all(|(part, given)| part == given || part.starts_with('{'))
    };
    let found = KNOWN.iter().filter(|(pattern, _)| fits(pattern)).flat_map(|(_, methods)| methods);
    let methods: Vec<&str> = found.copied().collect();
    (!methods.is_empty()).then(|| methods.join(", "))
}
