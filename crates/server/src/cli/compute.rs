//! The core from the command line: JSON in, JSON out, the same code as in the browser.

use crate::json::{self, Unreadable};
use crate::picture::scalp_of_png;
use clap::{Args, Subcommand};
use rayon::prelude::*;
use serde::Serialize;
use serde::de::DeserializeOwned;
use spirel_core::fall::svg;
use spirel_core::fibre::HangRequest;
use spirel_core::mark::MarkRequest;
use spirel_core::plan::{FallAnswer, FallRequest};
use spirel_core::planner::PlanRequest;
use spirel_core::scope::count;
use spirel_core::units::LengthUnit;
use spirel_core::{Arg, FieldError, FieldErrors, Message, Problem};
use spirel_words::{Lengths, say};
use std::io::{self, BufRead, BufWriter, Read, Write};
use std::iter;
use std::path::PathBuf;
use std::process::ExitCode;

/// Lines read before they are shared out: enough to keep every core busy, little enough to start at once.
const LINES_AT_ONCE: usize = 1024;

#[derive(Debug, Subcommand)]
pub(super) enum ComputeCommand {
    /// Where on the comb to cut one zone (docs/formats/mark-request.schema.json).
    Mark(Batch),
    /// How one bare fibre hangs (docs/formats/hang-request.schema.json).
    Hang(Batch),
    /// How a plan's cut falls on a head (docs/formats/fall-request.schema.json).
    Fall(FallOptions),
    /// What a demanding eye would object to in a plan, why, and what would cure it (reads docs/formats/fall-request.schema.json).
    Judge(Batch),
    /// Plans for a head and its wishes, the best first (docs/formats/plan-request.schema.json).
    Plan(Batch),
    /// How many hairs grow on a square centimetre, counted on a picture (PNG) of a square of scalp.
    Count(CountOptions),
}

#[derive(Debug, Args)]
pub(super) struct CountOptions {
    /// Length of the picture's side on the scalp, mm, 3 to 30.
    #[arg(long, default_value = "10")]
    side_mm: f64,
    /// The picture.
    picture: PathBuf,
}

#[derive(Debug, Args)]
pub(super) struct FallOptions {
    /// Write the outlines before and after as a picture to this file, too.
    #[arg(long)]
    svg: Option<PathBuf>,
    /// Write the head with the hair before and after and the sections of the shown move as binary glTF to this file,
    /// too.
    #[arg(long)]
    glb: Option<PathBuf>,
}

#[derive(Debug, Args)]
pub(super) struct Batch {
    /// Read JSON Lines; each line is answered by one line, a faulty one by its faults.
    #[arg(long)]
    batch: bool,
}

/// What is wrong with one input.
#[derive(Debug, Serialize)]
struct Faulty {
    error: Vec<Fault>,
}

#[derive(Debug, Serialize)]
struct Fault {
    field: String,
    problem: Problem,
    message: String,
}

impl From<FieldErrors> for Faulty {
    fn from(faults: FieldErrors) -> Self {
        let fault = |FieldError { field, problem }| Fault {
            field,
            message: say(&problem.message(), Lengths::Mm),
            problem,
        };
        Self { error: faults.0.into_iter().map(fault).collect() }
    }
}

impl From<Unreadable> for Faulty {
    fn from(unreadable: Unreadable) -> Self {
        let fault = match unreadable {
            Unreadable::Misshapen { fault, .. } => fault,
            Unreadable::Broken { why, line, column } => {
                let place = Arg::Number(line as f64);
                let broken = Message::new("fault-broken-json-at").with("why", why).with("line", place);
                FieldError::new("", broken.with("column", Arg::Number(column as f64)).into())
            }
        };
        FieldErrors(vec![fault]).into()
    }
}

/// Answers standard input.
pub(super) fn run(what: &ComputeCommand) -> ExitCode {
    let done = match what {
        ComputeCommand::Mark(options) => answer_all(options, |request: &MarkRequest| {
            let answer = request.answer()?;
            let text = in_words(answer.reasons.iter(), request.unit);
            Ok(Worded { answer, text })
        }),
        ComputeCommand::Hang(options) => answer_all(options, |request: &HangRequest| request.hang()),
        ComputeCommand::Fall(options) => answer_fall(options),
        ComputeCommand::Judge(options) => answer_all(options, |request: &FallRequest| {
            let answer = request.judge()?;
            let findings = answer
                .findings
                .iter()
                .flat_map(|found| iter::once(&found.text).chain(found.cures.iter().map(|cure| &cure.text)));
            let text = in_words(findings.chain(answer.talk.iter().map(|talk| &talk.text)), request.unit);
            Ok(Worded { answer, text })
        }),
        ComputeCommand::Plan(options) => answer_all(options, |request: &PlanRequest| {
            let answer = request.propose()?;
            let plans = answer
                .proposals
                .iter()
                .flat_map(|plan| plan.why.iter().chain(&plan.keeps).chain(&plan.loses));
            let others = answer.considered.iter().map(|other| &other.why_not);
            let far = answer.out_of_reach.iter().map(|far| &far.text);
            let text = in_words(plans.chain(others).chain(far), request.unit);
            Ok(Worded { answer, text })
        }),
        ComputeCommand::Count(options) => answer_count(options),
    };
    match done {
        Ok(true) => ExitCode::SUCCESS,
        Ok(false) => ExitCode::FAILURE,
        // Whoever read the answers has closed them: nothing more to do.
        Err(e) if e.kind() == io::ErrorKind::BrokenPipe => ExitCode::SUCCESS,
        Err(e) => {
            let _ = writeln!(io::stderr(), "spirel: {e}");
            ExitCode::FAILURE
        }
    }
}

/// Whether the picture could be counted.
fn answer_count(options: &CountOptions) -> io::Result<bool> {
    let bytes = std::fs::read(&options.picture)?;
    let counted = scalp_of_png(&bytes, options.side_mm).and_then(|picture| count(&picture));
    let done = counted.is_ok();
    match counted {
        Ok(counted) => writeln!(io::stdout(), "{}", serde_json::to_string(&counted)?)?,
        Err(faults) => writeln!(io::stderr(), "{}", serde_json::to_string(&Faulty::from(faults))?)?,
    }
    Ok(done)
}

/// Whether the plan could be answered.
fn answer_fall(options: &FallOptions) -> io::Result<bool> {
    let mut out = BufWriter::new(io::stdout().lock());
    let fallen = answer_one(&mut out, |request: &FallRequest| {
        let scene = options.glb.is_some().then(|| request.scene()).transpose()?;
        let answer = request.answer()?;
        let steps = answer
            .steps
            .iter()
            .flat_map(|step| iter::once(&step.title).chain(&step.section).chain(&step.lines));
        let findings = answer.findings.iter().map(|finding| &finding.text);
        let talk = answer.talk.iter().map(|talk| &talk.text);
        let text = in_words(steps.chain(findings).chain(talk), request.unit);
        Ok(Fallen { answer: Worded { answer, text }, scene })
    })?;
    let Some(Fallen { answer: Worded { answer, .. }, scene }) = fallen else { return Ok(false) };
    if let Some(path) = &options.svg {
        std::fs::write(path, svg(&answer.before, &answer.after))?;
    }
    if let (Some(path), Some(scene)) = (&options.glb, scene) {
        std::fs::write(path, scene)?;
    }
    Ok(true)
}

/// An answer, and its messages in words.
#[derive(Serialize)]
struct Worded<A> {
    #[serde(flatten)]
    answer: A,
    text: Vec<String>,
}

fn in_words<'a>(messages: impl Iterator<Item = &'a Message>, unit: LengthUnit) -> Vec<String> {
    messages.map(|message| say(message, Lengths::In(unit))).collect()
}

/// What is printed of a fall, and its scene.
#[derive(Serialize)]
struct Fallen {
    #[serde(flatten)]
    answer: Worded<FallAnswer>,
    #[serde(skip)]
    scene: Option<Vec<u8>>,
}

/// Answers the one document on standard input; its faults go to standard error.
fn answer_one<Q, A>(
    out: &mut impl Write,
    answer: impl Fn(&Q) -> Result<A, FieldErrors>,
) -> io::Result<Option<A>>
where
    Q: DeserializeOwned,
    A: Serialize,
{
    let mut text = Vec::new();
    io::stdin().lock().read_to_end(&mut text)?;
    let answered = json::read(&text).map_err(Faulty::from).and_then(|q| answer(&q).map_err(Faulty::from));
    match answered {
        Ok(answer) => {
            serde_json::to_writer_pretty(&mut *out, &answer)?;
            writeln!(out)?;
            out.flush()?;
            Ok(Some(answer))
        }
        Err(faulty) => {
            serde_json::to_writer_pretty(io::stderr(), &faulty)?;
            writeln!(io::stderr())?;
            Ok(None)
        }
    }
}

/// Whether every input was answered without a fault.
fn answer_all<Q, A>(options: &Batch, answer: impl Fn(&Q) -> Result<A, FieldErrors> + Sync) -> io::Result<bool>
where
    Q: DeserializeOwned,
    A: Serialize,
{
    let mut out = BufWriter::new(io::stdout().lock());
    if !options.batch {
        return Ok(answer_one(&mut out, answer)?.is_some());
    }
    let one = |text: &[u8]| -> Result<A, Faulty> {
        let question = json::read(text).map_err(Faulty::from)?;
        answer(&question).map_err(Faulty::from)
    };
    let mut all_good = true;
    let mut lines = io::stdin().lock().split(b'\n');
    loop {
        let some: Vec<Vec<u8>> = lines.by_ref().take(LINES_AT_ONCE).collect::<io::Result<_>>()?;
        if some.is_empty() {
            break;
        }
        let said: Vec<(bool, Vec<u8>)> = some
            .par_iter()
            .filter(|line| !line.trim_ascii().is_empty())
            .map(|line| said(one(line)))
            .collect();
        for (good, line) in said {
            all_good &= good;
            out.write_all(&line)?;
            out.write_all(b"\n")?;
        }
    }
    out.flush()?;
    Ok(all_good)
}

/// One line, and whether it is an answer.
fn said<A: Serialize>(answered: Result<A, Faulty>) -> (bool, Vec<u8>) {
    // Answers and faults are plain data with text keys, which always have a JSON form.
    match answered {
        Ok(answer) => (true, serde_json::to_vec(&answer).unwrap_or_default()),
        Err(faulty) => (false, serde_json::to_vec(&faulty).unwrap_or_default()),
    }
}
