//! A visit as a file: JSON that is read back exactly as it was written, and CSV for tables.

mod csv_reading;
mod csv_rows;
mod error;
mod visit_file;

pub use csv_reading::{CsvColumn, CsvField, CsvReading, CsvRefusal, CsvTable, CsvUnit};
pub use csv_rows::csv_of;
pub use error::{ExchangeError, first_of};
pub use visit_file::VisitFile;
