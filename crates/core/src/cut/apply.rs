//! Carries a cut out on a head of hair.

use super::sections::{HandLine, Section, divide, shares};
use super::{Cut, FallLine, FirstLength, Gathered, Guide, Layout, Move, Sections, Technique, Way, taut_mm};
use crate::error::FieldErrors;
use crate::fibre::HeldState;
use crate::hair::{Hair, Lengths, SHARES, Strand};
use crate::head::{Vec3, drawn};
use crate::section::Scalp;
use rayon::prelude::*;
use serde::Serialize;

/// Most sections of a move that are drawn.
const SHOWN_SECTIONS: usize = 200;
/// Every so many-th point of a section's line is drawn.
const SHOWN_STEP: usize = 4;

/// A head of hair after a cut.
#[derive(Debug, Clone)]
pub struct CutResult {
    /// How long each strand's shares are now, mm of fibre.
    pub lengths: Vec<Lengths>,
    /// What each move did, in order; switched-off moves did nothing.
    pub moves: Vec<MoveReport>,
}

/// What a move did.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MoveReport {
    /// Hair it acted on, share of all roots.
    pub share: f64,
    /// Roots that lost length, share of those acted on.
    pub cut_share: f64,
    /// Hair that fell, g.
    pub taken_g: f64,
    /// How long the first section was held, mm; none for perimeters and weight.
    pub held_mm: Option<f64>,
    /// Share of the hair that its technique takes from.
    pub technique_share: f64,
    /// How deep it takes at most, mm; for bricks, how long the stubs stay.
    pub technique_depth_mm: f64,
    /// The sections with the line of the hand.
    pub sections: Vec<SectionShape>,
}

/// A section as it is drawn.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SectionShape {
    /// Its middle line on the scalp, mm (x the client's left, y up, z forward).
    pub base: Vec<[f32; 3]>,
    /// The line of the hand, point for point; empty where hair is not held.
    pub hand: Vec<[f32; 3]>,
}

/// Carries out every move that is switched on. The work on a strand depends on that strand alone, so the result is the
/// same bit for bit on any number of threads.
pub fn cut(hair: &Hair, cut: &Cut) -> Result<CutResult, FieldErrors> {
    cut.check()?;
    let mut faults = FieldErrors::default();
    let mut lengths = hair.lengths.clone();
    let mut moves = Vec::with_capacity(cut.moves.len());
    for (i, each) in cut.moves.iter().enumerate() {
        let mut scissors = Scissors { hair, lengths: &mut lengths };
        if let Some(report) = faults.take(&format!("moves.{i}"), scissors.carry_out(each)) {
            moves.push(report);
        }
    }
    faults.or(CutResult { lengths, moves })
}

/// A strand in the hand.
struct Held {
    strand: usize,
    /// How far from the scalp, mm; none where it isn't cut.
    limit: Option<f64>,
    state: HeldState,
    technique: Technique,
}

struct Scissors<'a> {
    hair: &'a Hair,
    lengths: &'a mut Vec<Lengths>,
}

impl Scissors<'_> {
    fn carry_out(&mut self, each: &Move) -> Result<MoveReport, FieldErrors> {
        let (technique_share, technique_depth_mm) = each.technique.amounts();
        let mut report = MoveReport {
            share: 0.0,
            cut_share: 0.0,
            taken_g: 0.0,
            held_mm: None,
            technique_share,
            technique_depth_mm,
            sections: Vec::new(),
        };
        if each.off {
            return Ok(report);
        }
        let before = self.hair.mass_g(self.lengths);
        let mut touched = self.one_side(each, &each.way, &mut report)?;
        if each.mirrored {
            let way = match &each.way {
                Way::Perimeter(line) => Way::Perimeter(*line),
                Way::Sections(sections) => Way::Sections(sections.mirrored()),
                Way::Gathered(gathered) => Way::Gathered(gathered.mirrored()),
                Way::Weight(layout) => Way::Weight(layout.mirrored()),
            };
            let other = Move { region: each.region.mirrored(), ..each.clone() };
            let also = self.one_side(&other, &way, &mut report)?;
            touched = (touched.0 + also.0, touched.1 + also.1);
        }
        report.share = touched.0 as f64 / self.hair.strands.len() as f64;
        report.cut_share = if touched.0 == 0 { 0.0 } else { touched.1 as f64 / touched.0 as f64 };
        report.taken_g = before - self.hair.mass_g(self.lengths);
        report.sections.truncate(SHOWN_SECTIONS);
        Ok(report)
    }

    /// Strands acted on, and those of them that lost length.
    fn one_side(
        &mut self,
        each: &Move,
        way: &Way,
        report: &mut MoveReport,
    ) -> Result<(usize, usize), FieldErrors> {
        let scalp = self.hair.scalp();
        let mut faults = FieldErrors::default();
        let Some(test) = faults.take("region", each.region.on(&scalp)) else { return Err(faults) };
        let members: Vec<(usize, Vec3)> = self
            .hair
            .strands
            .par_iter()
            .with_min_len(512)
            .enumerate()
            .filter(|(_, strand)| test.holds(&scalp, &strand.root.at, strand.root.zone))
            .map(|(i, strand)| (i, strand.root.at.normalize()))
            .collect();
        let cut = match way {
            Way::Perimeter(line) => self.cut_at_line(&members, line, each),
            Way::Sections(sections) => self.in_sections(&members, sections, each, report),
            Way::Gathered(gathered) => self.gather(&members, gathered, each, report),
            Way::Weight(layout) => self.weigh(&members, layout, &each.technique, report),
        };
        Ok((members.len(), cut))
    }

    fn cut_at_line(&mut self, members: &[(usize, Vec3)], line: &FallLine, each: &Move) -> usize {
        let (drapes, measures) = (&self.hair.drapes, &self.hair.measures);
        let up = self.hair.heights(members.iter().map(|(i, _)| *i));
        self.shorten(members.par_iter().with_min_len(64).map(|(i, _)| {
            let drape = &drapes[*i];
            let below = line.below_mm(&drape.leave(), measures);
            // A line above where the hair leaves the head would be cut on the scalp: it isn't.
            let limit = (below > 0.0).then(|| drape.on_scalp_mm() + below);
            Held { strand: *i, limit, state: each.state, technique: each.technique.at_height(up(*i)) }
        }))
    }

    fn in_sections(
        &mut self,
        members: &[(usize, Vec3)],
        sections: &Sections,
        each: &Move,
        report: &mut MoveReport,
    ) -> usize {
        let scalp = self.hair.scalp();
        let strips = divide(&sections.layout, &scalp, members);
        let Some(first) = strips.first() else { return 0 };
        let length_mm = self.first_length_mm(first, sections.length, each.state);
        report.held_mm = report.held_mm.or(Some(length_mm));
        let hold = &sections.hold;
        let hand = |number: usize| {
            let (strip, previous) = (&strips[number], number.checked_sub(1).map(|before| &strips[before]));
            let length = (length_mm + sections.guide.added_mm(number)).max(0.0);
            let over = |share| hold.over.base(&scalp, strip.base(share), share, previous);
            HandLine::of(&scalp, hold, &sections.fingers, length, over)
        };
        let hands: Vec<HandLine> = match sections.guide {
            Guide::Stationary => vec![hand(0); strips.len()],
            _ => (0..strips.len()).into_par_iter().map(hand).collect(),
        };
        let over = |number: usize, share: f64| hands[number].at(share);
        report
            .sections
            .extend(strips.iter().zip(&hands).map(|(strip, hand)| shape(&scalp, strip, Some(hand))));
        self.cut_at_hands(&strips, each, 0.0, over)
    }

    fn gather(
        &mut self,
        members: &[(usize, Vec3)],
        gathered: &Gathered,
        each: &Move,
        report: &mut MoveReport,
    ) -> usize {
        let scalp = self.hair.scalp();
        let Some(hand) = gathered.hand(self.hair) else { return 0 };
        let strips = divide(&gathered.layout, &scalp, members);
        let drawn = HandLine::point(hand);
        report.sections.extend(strips.iter().map(|strip| shape(&scalp, strip, Some(&drawn))));
        self.cut_at_hands(&strips, each, gathered.past_mm, |_, _| hand)
    }

    /// Cuts each section so far past the hand that holds it: by its number and the share of the way along it.
    fn cut_at_hands(
        &mut self,
        strips: &[Section],
        each: &Move,
        past_mm: f64,
        hand: impl Fn(usize, f64) -> Vec3 + Sync,
    ) -> usize {
        let hair = self.hair;
        // A strand lies in one section only, so that all of them can be cut at once.
        self.shorten(strips.par_iter().enumerate().flat_map_iter(|(number, strip)| {
            let up = hair.heights(strip.members.iter().map(|(i, _)| *i));
            let hand = &hand;
            strip.members.iter().map(move |(i, share)| {
                let root = &hair.strands[*i].root;
                let way = taut_mm(&hair.form, &root.at, &root.normal, &hand(number, *share));
                let limit = Some((way + past_mm).max(0.0));
                Held { strand: *i, limit, state: each.state, technique: each.technique.at_height(up(*i)) }
            })
        }))
    }

    /// Shortens hair to where it is held, then works the ends of what was cut. Says how many strands lost length.
    fn shorten(&mut self, held: impl ParallelIterator<Item = Held>) -> usize {
        let (hair, lengths) = (self.hair, &*self.lengths);
        let cut = |held: Held| {
            let i = held.strand;
            let after = shortened(&hair.strands[i], &lengths[i], held.limit?, held.state, &held.technique)?;
            Some((i, after))
        };
        let changed: Vec<(usize, Lengths)> = held.filter_map(cut).collect();
        let count = changed.len();
        for (i, after) in changed {
            self.lengths[i] = after;
        }
        count
    }

    fn weigh(
        &mut self,
        members: &[(usize, Vec3)],
        layout: &Layout,
        technique: &Technique,
        report: &mut MoveReport,
    ) -> usize {
        let scalp = self.hair.scalp();
        let mut worked = 0;
        for strip in divide(layout, &scalp, members) {
            let hair = self.hair;
            let up = hair.heights(strip.members.iter().map(|(i, _)| *i));
            for (i, _) in &strip.members {
                technique.at_height(up(*i)).work(&mut self.lengths[*i]);
            }
            worked += strip.members.len();
            report.sections.push(shape(&scalp, &strip, None));
        }
        worked
    }

    /// How long the first section is held over the middle of its base, mm.
    fn first_length_mm(&self, section: &Section, length: FirstLength, state: HeldState) -> f64 {
        let middle = section.base(0.5);
        let nearness = |i: &usize| self.hair.strands[*i].root.at.normalize().dot(&middle);
        let Some(nearest) =
            section.members.iter().map(|(i, _)| *i).max_by(|a, b| nearness(a).total_cmp(&nearness(b)))
        else {
            return 0.0;
        };
        let strand = &self.hair.strands[nearest];
        let now = self.lengths[nearest].iter().copied().fold(0.0, f64::max);
        match length {
            FirstLength::HeldMm(mm) => mm,
            FirstLength::WornMm(mm) => {
                let fibre = strand.model.fibre_from_worn(mm, strand.worn).unwrap_or(now);
                strand.model.held_mm(fibre, fibre.max(now), state)
            }
            FirstLength::ShorterMm(mm) => (strand.model.held_mm(now, now, state) - mm).max(0.0),
        }
    }
}

/// Hair of these lengths after a cut so far from the scalp; none if nothing reaches there.
fn shortened(
    strand: &Strand,
    lengths: &Lengths,
    held_mm: f64,
    state: HeldState,
    technique: &Technique,
) -> Option<Lengths> {
    let longest = lengths.iter().copied().fold(0.0, f64::max);
    // Held hair is never longer than its fibre: what is shorter than the way isn't reached.
    if longest <= held_mm {
        return None;
    }
    let fibre = strand.model.fibre_from_held(held_mm, longest, state).filter(|fibre| *fibre < longest)?;
    let mut after = lengths.map(|length| length.min(fibre));
    technique.work(&mut after);
    debug_assert!((0..SHARES).all(|i| after[i] <= lengths[i]));
    Some(after)
}

fn shape(scalp: &Scalp, strip: &Section, hand: Option<&HandLine>) -> SectionShape {
    let shown = || shares().step_by(SHOWN_STEP);
    SectionShape {
        base: shown().map(|share| drawn(&scalp.form.point(&strip.base(share)))).collect(),
        hand: hand.map(|hand| shown().map(|share| drawn(&hand.at(share))).collect()).unwrap_or_default(),
    }
}
