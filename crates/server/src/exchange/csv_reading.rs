//! A reading out of somebody's CSV: which column is what, what will be taken, and what is refused and why. Nothing is
//! kept: the browser shows it first.

use csv::{ReaderBuilder, StringRecord, Trim};
use serde::{Deserialize, Serialize};
use serde_json::{Value, json};
use spirel_core::head::Patch;
use spirel_core::reading::{FigureKind, RawReading, RawZoneReading, ZoneFigure};
use spirel_core::{FieldErrors, Message, Problem, for_each_figure};
use std::collections::BTreeMap;
use utoipa::ToSchema;

/// Rows and columns that are looked at.
const MOST_ROWS: usize = 200;
const MOST_COLUMNS: usize = 60;

macro_rules! define {
    (
        optional { $($(#[$_doc:meta])* $_field:ident: $figure:ident($_value:ty) = $_rule:expr;)+ }
        given { $($(#[$_g_doc:meta])* $_g_field:ident: $g_figure:ident($_g_value:ty) = $_g_rule:expr;)+ }
    ) => {
        /// What a column can be.
        #[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
        #[serde(rename_all = "snake_case")]
        #[expect(missing_docs, reason = "what each means stands at its field of a zone's reading")]
        pub enum CsvField {
            /// Left out.
            Ignored,
            /// Which zone, or half of one, a row is of.
            Zone,
            $($figure,)+
            $($g_figure,)+
        }

        impl CsvField {
            /// The figure of a zone that it is.
            fn figure(self) -> Option<ZoneFigure> {
                match self {
                    Self::Ignored | Self::Zone => None,
                    $(Self::$figure => Some(ZoneFigure::$figure),)+
                    $(Self::$g_figure => Some(ZoneFigure::$g_figure),)+
                }
            }
        }

        impl From<ZoneFigure> for CsvField {
            fn from(figure: ZoneFigure) -> Self {
                match figure {
                    $(ZoneFigure::$figure => Self::$figure,)+
                    $(ZoneFigure::$g_figure => Self::$g_figure,)+
                }
            }
        }
    };
}

for_each_figure!(define);

impl CsvField {
    /// What a heading names: the figure of which most words are in it, and of those the first.
    fn of_heading(heading: &str) -> Self {
        let heading = heading.to_lowercase();
        if ["zone", "area", "place"].iter().any(|word| heading.contains(word)) {
            return Self::Zone;
        }
        // What we write beside what was read begins otherwise and is no reading.
        let ours =
            ["lands", "target", "advised", "held", "comb", "allowance", "fibre_after", "worn_after", "below"];
        if ours.iter().any(|word| heading.starts_with(word)) {
            return Self::Ignored;
        }
        let named = |figure: &ZoneFigure| {
            let groups = figure.rule().headings.iter();
            groups
                .filter(|words| words.iter().all(|word| heading.contains(word)))
                .map(|words| words.len())
                .max()
        };
        let mut best = (0, Self::Ignored);
        for figure in ZoneFigure::ALL {
            if let Some(words) = named(figure)
                && words > best.0
            {
                best = (words, (*figure).into());
            }
        }
        best.1
    }
}

/// The unit of a column of lengths.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum CsvUnit {
    /// Millimetres.
    Mm,
    /// Centimetres.
    Cm,
    /// Inches.
    Inch,
}

impl CsvUnit {
    fn of_heading(heading: &str) -> Self {
        let heading = heading.to_lowercase();
        let ends = |unit: &str| heading.split(|c: char| !c.is_alphanumeric()).any(|word| word == unit);
        if ends("cm") {
            Self::Cm
        } else if ends("in") || ends("inch") || ends("inches") {
            Self::Inch
        } else {
            Self::Mm
        }
    }

    /// A length in mm. Divided where that is exact, so that 24.1 cm are the 241 mm that a person means.
    fn mm(self, value: f64) -> f64 {
        match self {
            Self::Mm => value,
            Self::Cm => (value * 1e4).round() / 1e3,
            Self::Inch => (value * 25.4 * 1e3).round() / 1e3,
        }
    }
}

/// What a column is taken for.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct CsvColumn {
    /// Its heading.
    pub heading: String,
    /// What it is.
    pub field: CsvField,
    /// The unit, of lengths.
    pub unit: CsvUnit,
}

/// A table to be read.
#[derive(Debug, Clone, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct CsvTable {
    /// The table, its first row headings.
    pub text: String,
    /// What its columns are, in their order; guessed from the headings if left out.
    #[serde(default)]
    pub columns: Option<Vec<CsvColumn>>,
}

/// A cell that is not taken.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct CsvRefusal {
    /// Line of the table, from 1 for the headings.
    pub line: u64,
    /// Heading of the column; none where the whole row is refused.
    pub heading: Option<String>,
    /// What stands there.
    pub found: String,
    /// Why it is not taken.
    pub message: Message,
}

/// What a table gives.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct CsvReading {
    /// What each column is taken for.
    pub columns: Vec<CsvColumn>,
    /// The zones with what was taken.
    pub zones: BTreeMap<Patch, RawZoneReading>,
    /// What was not.
    pub refused: Vec<CsvRefusal>,
}

impl CsvTable {
    /// Reads the table.
    pub fn read(&self) -> Result<CsvReading, FieldErrors> {
        let unreadable = |field: &str, why: Message| {
            let mut faults = FieldErrors::default();
            faults.push(field, why.into());
            faults
        };
        let mut table = ReaderBuilder::new()
            .flexible(true)
            .trim(Trim::All)
            .from_reader(self.text.trim_start_matches('\u{feff}').as_bytes());
        let headings = table
            .headers()
            .map_err(|e| unreadable("text", Message::new("fault-not-csv").with("why", e.to_string())))?
            .clone();
        if headings.is_empty() || headings.len() > MOST_COLUMNS {
            return Err(unreadable(
                "text",
                Message::new("fault-columns").with("most", spirel_core::Arg::Number(MOST_COLUMNS as f64)),
            ));
        }
        let columns = self.columns.clone().unwrap_or_else(|| guessed(&headings));
        if columns.len() != headings.len() {
            return Err(unreadable(
                "columns",
                Message::new("fault-column-count")
                    .with("count", spirel_core::Arg::Number(headings.len() as f64)),
            ));
        }
        let mut found = Found { columns, zones: BTreeMap::new(), refused: Vec::new() };
        for (i, row) in table.records().enumerate() {
            if i == MOST_ROWS {
                return Err(unreadable(
                    "text",
                    Message::new("fault-rows").with("most", spirel_core::Arg::Number(MOST_ROWS as f64)),
                ));
            }
            let row = row
                .map_err(|e| unreadable("text", Message::new("fault-not-csv").with("why", e.to_string())))?;
            let line = row.position().map_or(i as u64 + 2, csv::Position::line);
            found.take(&row, line);
        }
        Ok(CsvReading { columns: found.columns, zones: found.zones, refused: found.refused })
    }
}

fn guessed(headings: &StringRecord) -> Vec<CsvColumn> {
    let column = |heading: &str| CsvColumn {
        heading: heading.to_owned(),
        field: CsvField::of_heading(heading),
        unit: CsvUnit::of_heading(heading),
    };
    headings.iter().map(column).collect()
}

struct Found {
    columns: Vec<CsvColumn>,
    zones: BTreeMap<Patch, RawZoneReading>,
    refused: Vec<CsvRefusal>,
}

impl Found {
    fn take(&mut self, row: &StringRecord, line: u64) {
        let at = |field: CsvField| self.columns.iter().position(|column| column.field == field);
        let named = at(CsvField::Zone).and_then(|i| row.get(i)).unwrap_or_default();
        let mut refuse_row = |id: &str| {
            let (heading, found, message) = (None, named.to_owned(), Message::new(id));
            self.refused.push(CsvRefusal { line, heading, found, message });
        };
        let Ok(zone) = serde_json::from_value::<Patch>(json!(patch_key(named))) else {
            return refuse_row("fault-row-zone");
        };
        let mut beside = self.zones.clone();
        beside.insert(zone, RawZoneReading::default());
        let beside = RawReading { zones: beside, ..RawReading::default() };
        if beside.patches().all(|patch| patch != zone) || beside.patches().count() < beside.zones.len() {
            return refuse_row("fault-row-halves");
        }
        let mut read = json!(self.zones.get(&zone).copied().unwrap_or_default());
        for (column, cell) in self.columns.iter().zip(row) {
            let (Some(figure), false) = (column.field.figure(), cell.is_empty()) else { continue };
            let mut refuse = |message: Message| {
                let heading = Some(column.heading.clone());
                self.refused.push(CsvRefusal { line, heading, found: cell.to_owned(), message });
            };
            let value = match value_of(figure, column.unit, cell) {
                Ok(value) => value,
                Err(problem) => {
                    refuse(problem.message());
                    continue;
                }
            };
            let mut tried = read.clone();
            tried[figure.key()] = value;
            match serde_json::from_value::<RawZoneReading>(tried.clone()) {
                Err(_) => refuse(Message::new("fault-unknown").with("given", cell)),
                Ok(raw) => match raw.check() {
                    Err(faults) => {
                        faults.0.first().into_iter().for_each(|fault| refuse(fault.problem.message()))
                    }
                    Ok(()) => read = tried,
                },
            }
        }
        if let Ok(read) = serde_json::from_value(read) {
            self.zones.insert(zone, read);
        }
    }
}

/// A zone's or a half's name as people write it.
fn patch_key(named: &str) -> String {
    named.to_lowercase().replace([' ', '-'], "_").replace(',', "")
}

fn value_of(figure: ZoneFigure, unit: CsvUnit, cell: &str) -> Result<Value, Problem> {
    match figure.rule().kind {
        FigureKind::Place => return Ok(json!(patch_key(cell))),
        FigureKind::Word | FigureKind::Colour => return Ok(json!(cell.to_lowercase())),
        FigureKind::Length | FigureKind::Number => {}
    }
    // A comma before the last digits is a decimal comma: no figure of a zone reaches a thousand with a separator.
    let number: f64 = cell.replace(',', ".").parse().map_err(|_| Problem::NotANumber)?;
    if !number.is_finite() {
        return Err(Problem::NotANumber);
    }
    Ok(match figure.rule().kind {
        FigureKind::Length => json!(unit.mm(number)),
        // Written whole, so that figures that count can take it.
        _ if number.fract() == 0.0 && number >= 0.0 => json!(number as u64),
        _ => json!(number),
    })
}

#[cfg(test)]
mod tests {
    use super::*;
    use spirel_core::head::Zone;

    fn read(text: &str) -> CsvReading {
        CsvTable { text: text.into(), columns: None }.read().expect("a table")
    }

    #[test]
    fn other_peoples_headings_units_and_commas_are_understood() {
        let taken = read(
            "\u{feff}Area,Stretched (cm),\"Let go, cm\",Let go wet (in),Fibre width,Remarks\n\
             Back upper,\"24,1\",12.05,6.5,71,fine\nnape,20,9,,,\n",
        );
        let fields: Vec<CsvField> = taken.columns.iter().map(|column| column.field).collect();
        use CsvField::{Ignored, SprungMm, StretchedMm, WetSprungMm, WidthUm, Zone as Area};
        assert_eq!(fields, [Area, StretchedMm, SprungMm, WetSprungMm, WidthUm, Ignored]);
        assert!(taken.refused.is_empty(), "{:?}", taken.refused);
        let back = taken.zones[&Zone::BackUpper.into()];
        assert_eq!((back.stretched_mm, back.sprung_mm), (Some(241.0), Some(120.5)));
        assert_eq!((back.wet_sprung_mm, back.width_um), (Some(165.1), Some(71.0)));
        assert_eq!(taken.zones[&Zone::Nape.into()].stretched_mm, Some(200.0));
    }

    #[test]
    fn what_cannot_be_is_refused_cell_by_cell_and_the_rest_is_taken() {
        let taken = read(
            "zone,stretched_mm,sprung_mm,width_class,strands\n\
             top,300,long,coarse,2\ncrown,300,310,thick,2.5\nknee,1,1,fine,1\ntop,,150,,\n",
        );
        let said: Vec<(u64, Option<&str>, &str)> =
            taken.refused.iter().map(|r| (r.line, r.heading.as_deref(), r.message.id.as_str())).collect();
        assert_eq!(
            said,
            [
                (2, Some("sprung_mm"), "fault-not_a_number"),
                (3, Some("sprung_mm"), "fault-longer_than"),
                (3, Some("width_class"), "fault-unknown"),
                (3, Some("strands"), "fault-unknown"),
                (4, None, "fault-row-zone"),
            ]
        );
        let top = taken.zones[&Zone::Top.into()];
        assert_eq!((top.stretched_mm, top.sprung_mm, top.strands), (Some(300.0), Some(150.0), 2));
        assert_eq!(taken.zones[&Zone::Crown.into()].sprung_mm, None);
    }

    #[test]
    fn halves_and_zones_like_others_are_read_and_what_is_read_two_ways_is_refused() {
        let taken = read(
            "zone,like,stretched_mm,sprung_mm\nLeft side front,,300,150\nLeft side behind,,300,240\n\
             left side,,300,100\ncrown,,330,160\nback upper,Crown,300,\nnape,crown,,90\ntop,knee,,\n",
        );
        let like = |key: &str| taken.zones.iter().find(|(patch, _)| patch.key() == key).expect("taken").1;
        assert_eq!(like("left_side_front").sprung_mm, Some(150.0));
        assert_eq!(
            (like("back_upper").like, like("back_upper").stretched_mm),
            (Some(Zone::Crown.into()), Some(300.0))
        );
        let said: Vec<(u64, Option<&str>)> =
            taken.refused.iter().map(|r| (r.line, r.heading.as_deref())).collect();
        assert_eq!(said, [(4, None), (7, Some("sprung_mm")), (8, Some("like"))]);
    }

    #[test]
    fn a_person_says_what_a_column_is_when_its_heading_does_not() {
        let text = "where,a,b\nnape,20,9\n".to_owned();
        assert!(CsvTable { text: text.clone(), columns: None }.read().expect("a table").zones.is_empty());
        let column = |heading: &str, field| CsvColumn { heading: heading.into(), field, unit: CsvUnit::Cm };
        let columns = vec![
            column("where", CsvField::Zone),
            column("a", CsvField::StretchedMm),
            column("b", CsvField::SprungMm),
        ];
        let taken = CsvTable { text: text.clone(), columns: Some(columns.clone()) }.read().expect("a table");
        assert_eq!(taken.zones[&Zone::Nape.into()], RawZoneReading::measured(200.0, 90.0));
        let few = CsvTable { text, columns: Some(columns[..2].to_vec()) }.read().expect_err("one is missing");
        assert_eq!(few.0[0].field, "columns");
        for text in ["", &"a,".repeat(70)] {
            let none = CsvTable { text: text.into(), columns: None }.read();
            assert_eq!(none.expect_err("no table").0[0].field, "text");
        }
    }
}
