//! Carries a cut out on a head of hair.

use super::hand_line::{HandLine, shares};
use super::report::{MoveNote, MoveReport, SectionShape};
use super::subsection::{Subsection, divide};
use super::technique::begins;
use super::{Cut, FallLine, Gathered, Layout, Move, MoveKind, Pattern, Recoil, Technique};
use crate::error::FieldErrors;
use crate::fall::{combed, worn_as};
use crate::fibre::{Comb, HeldHair, HeldState, Moisture};
use crate::hair::{Hair, ShareLengths, Strand};
use crate::head::{Scalp, Vec3, taut_mm};
use crate::section::RegionTest;
use crate::stop::{Stop, Unfinished};
use rayon::prelude::*;

/// Most sections of a move that are drawn.
const SHOWN_SECTIONS: usize = 200;
/// A head of hair after a cut.
#[derive(Debug, Clone)]
pub struct CutResult {
    /// How long each strand's shares are now, mm of fibre.
    pub lengths: Vec<ShareLengths>,
    /// What each move did, in order; switched-off moves did nothing.
    pub moves: Vec<MoveReport>,
}

/// Carries out every move that is switched on. The work on a strand depends on that strand alone, so the result is the
/// same bit for bit on any number of threads.
pub fn cut(hair: &Hair, cut: &Cut) -> Result<CutResult, FieldErrors> {
    cut_until(hair, cut, &Stop::never()).map_err(Unfinished::faults)
}

/// The same, given up between two moves where nobody waits any more.
pub fn cut_until(hair: &Hair, cut: &Cut, stop: &Stop) -> Result<CutResult, Unfinished> {
    cut.check()?;
    let mut lengths = hair.lengths.clone();
    let mut faults = FieldErrors::default();
    let mut moves = Vec::with_capacity(cut.moves.len());
    let mut shortened_by = Vec::with_capacity(cut.moves.len());
    let count = hair.strands.len();
    for (number, move_) in cut.moves.iter().enumerate() {
        stop.go_on()?;
        let mut scissors = Scissors {
            hair,
            lengths: &mut lengths,
            number,
            shortened: vec![false; count],
            earlier: &shortened_by,
            taken_g: 0.0,
        };
        let report = scissors.carry_out(move_);
        let shortened = scissors.shortened;
        if let Some(report) = faults.take(&format!("moves.{number}"), report) {
            moves.push(report);
        }
        shortened_by.push(shortened);
    }
    Ok(faults.or(CutResult { lengths, moves })?)
}

/// A strand in the hand.
struct Held {
    strand: usize,
    /// Where it is cut; none where it isn't.
    limit: Option<Limit>,
    state: HeldState,
    technique: Technique,
    /// How much of it is in the hand, 0 to 1.
    in_hand: f64,
}

/// Where hair is cut: so far from the scalp as it is held, or so much of its fibre is left, mm.
#[derive(Clone, Copy)]
enum Limit {
    Held(f64),
    Fibre(f64),
}

/// One move on the hair as those before it left it.
pub(super) struct Scissors<'a> {
    pub hair: &'a Hair,
    pub lengths: &'a mut Vec<ShareLengths>,
    /// Which move this is.
    number: usize,
    /// Strands it has shortened so far, and those that each move before it has.
    shortened: Vec<bool>,
    pub earlier: &'a [Vec<bool>],
    /// Mass it has taken so far, g.
    taken_g: f64,
}

impl Scissors<'_> {
    fn carry_out(&mut self, move_: &Move) -> Result<MoveReport, FieldErrors> {
        let (technique_share, technique_depth_mm) = move_.technique.amounts();
        let mut report = MoveReport {
            share: 0.0,
            cut_share: 0.0,
            taken_g: 0.0,
            held_mm: None,
            shortest_held_mm: None,
            technique_share,
            technique_depth_mm,
            sections: Vec::new(),
            notes: Vec::new(),
        };
        if move_.off || matches!(move_.kind, MoveKind::Pause(_)) {
            return Ok(report);
        }
        if move_.state.moisture == Moisture::Wet
            && move_.state.comb == Comb::None
            && !matches!(move_.kind, MoveKind::Weight(_))
        {
            report.notes.push(MoveNote::WetWithoutComb);
        }
        let mut touched = self.one_side(move_, &mut report)?;
        if move_.mirrored {
            let also = self.one_side(&move_.other_side(), &mut report)?;
            touched = (touched.0 + also.0, touched.1 + also.1);
        }
        report.share = touched.0 as f64 / self.hair.strands.len() as f64;
        report.cut_share = if touched.0 == 0 { 0.0 } else { touched.1 as f64 / touched.0 as f64 };
        report.taken_g = self.taken_g;
        report.sections.truncate(SHOWN_SECTIONS);
        if touched.0 == 0 {
            report.notes.push(MoveNote::EmptyRegion);
        } else if touched.1 == 0 {
            report.notes.push(MoveNote::ReachesNoHair);
        }
        report.notes.dedup();
        Ok(report)
    }

    /// Strands acted on, and those of them that lost length.
    fn one_side(&mut self, move_: &Move, report: &mut MoveReport) -> Result<(usize, usize), FieldErrors> {
        let scalp = self.hair.scalp();
        let mut faults = FieldErrors::default();
        let Some(test) = faults.take("region", move_.region.on(&scalp)) else { return Err(faults) };
        let within = move_.pattern.as_ref().and_then(|pattern| pattern.within.as_ref());
        let within = within.and_then(|region| faults.take("pattern.within", region.on(&scalp)));
        if !faults.0.is_empty() {
            return Err(faults);
        }
        let holds = |strand: &Strand| test.holds(&scalp, &strand.root.at, strand.root.zone);
        let held: Vec<bool> = self.hair.strands.par_iter().with_min_len(512).map(holds).collect();
        let members: Vec<usize> = (0..held.len()).filter(|i| held[*i]).collect();
        let textured = Textured { pattern: move_.pattern.as_ref(), within: within.as_ref(), scalp };
        let cut = match &move_.kind {
            MoveKind::Perimeter(line) => self.cut_at_line(&members, line, move_),
            MoveKind::Sections(sections) => {
                return self.in_sections(&members, (sections, &test), move_, &textured, report);
            }
            MoveKind::Gathered(gathered) => self.gather(&members, gathered, move_, &textured, report),
            MoveKind::Weight(layout) => self.weigh(&members, layout, &move_.technique, &textured, report),
            MoveKind::Recoil(recoil) => self.recoil(&members, recoil, move_, &textured, report),
            MoveKind::Pause(_) => 0,
        };
        Ok((members.len(), cut))
    }

    /// Strands in sections.
    pub(super) fn divided(&self, layout: &Layout, members: &[usize]) -> Vec<Subsection> {
        let towards = |i: &usize| (*i, self.hair.strands[*i].root.at.normalize());
        let strands: Vec<(usize, Vec3)> = members.par_iter().with_min_len(512).map(towards).collect();
        divide(layout, &self.hair.scalp(), &strands)
    }

    fn cut_at_line(&mut self, members: &[usize], line: &FallLine, move_: &Move) -> usize {
        let hair = self.hair;
        let (drapes, measures) = (&hair.drapes, &hair.measures);
        let technique = by_height(hair, &move_.technique, members.iter().copied());
        // What no comb holds is cut as it lies, curl by curl.
        let lying = (move_.state.comb == Comb::None).then(|| self.lengths.clone());
        self.shorten(members.par_iter().with_min_len(64).map(|i| {
            let drape = &drapes[*i];
            let lie = || match &lying {
                Some(lengths) => worn_as(hair, *i, &lengths[*i]).lie,
                None => combed(hair, *i),
            };
            // A line above where the hair leaves the head would be cut on the scalp: it isn't.
            let limit = if line.worn {
                // So much is left, on whatever comb, as must be to be worn there.
                let height = line.height_mm(&drape.leave(), measures);
                let strand = &hair.strands[*i];
                let worn = hair.worn_to_height_mm(*i, height);
                worn.map(|worn| Limit::Fibre(strand.worn_rod.fibre_hanging_mm(worn, 0.0)))
            } else {
                drape.length_to_line_mm(&lie(), |leave| line.below_mm(leave, measures)).map(Limit::Held)
            };
            Held { strand: *i, limit, state: move_.state, technique: technique(*i), in_hand: 1.0 }
        }))
    }

    fn gather(
        &mut self,
        members: &[usize],
        gathered: &Gathered,
        move_: &Move,
        textured: &Textured,
        report: &mut MoveReport,
    ) -> usize {
        let hair = self.hair;
        let scalp = hair.scalp();
        let strips = self.divided(&gathered.layout, members);
        let mut limits = vec![None; hair.strands.len()];
        for strip in &strips {
            let mut hands = Vec::new();
            for piece in pieces(strip, &scalp, gathered.layout.piece_mm) {
                let middle: Vec3 =
                    piece.iter().map(|(i, _)| hair.strands[*i].root.at).sum::<Vec3>() / piece.len() as f64;
                let Some(hand) = gathered.hand(hair, &middle) else { continue };
                let fibre_mm2: f64 =
                    piece.iter().map(|(i, _)| hair.strands[*i].hairs * hair.strands[*i].section_mm2()).sum();
                let off = |i: usize| (hair.strands[i].root.at - middle).norm();
                let reach = piece.iter().map(|(i, _)| off(*i)).fold(1e-9, f64::max);
                for (i, _) in &piece {
                    let root = &hair.strands[*i].root;
                    let taut = taut_mm(&hair.form, &root.at, &root.normal, &hand);
                    let wound = gathered.wound_mm(taut, fibre_mm2, off(*i) / reach);
                    limits[*i] = Some(wound + gathered.past_mm);
                }
                hands.push(hand);
            }
            let drawn =
                if hands.len() == 1 { HandLine::point(hands[0]) } else { HandLine::through(spread(&hands)) };
            report.sections.push(SectionShape::of(&scalp, strip, Some(&drawn)));
        }
        self.cut_at_hands(&strips, move_, textured, |_| 1.0, |i, _, _| limits[i].unwrap_or(f64::INFINITY))
    }

    fn recoil(
        &mut self,
        members: &[usize],
        recoil: &Recoil,
        move_: &Move,
        textured: &Textured,
        report: &mut MoveReport,
    ) -> usize {
        let hair = self.hair;
        let scalp = hair.scalp();
        let strips = self.divided(&recoil.layout, members);
        let mut limits = vec![f64::INFINITY; hair.strands.len()];
        let hold = hair.hand.hold(move_.state);
        for strip in &strips {
            for piece in pieces(strip, &scalp, recoil.layout.piece_mm) {
                let held = piece.iter().flat_map(|(i, _)| {
                    let strand = &hair.strands[*i];
                    let of = move |fibre: &f64| (hold.held_mm(&strand.model, *fibre, *fibre), strand.hairs);
                    self.lengths[*i].iter().map(of)
                });
                let closes = recoil.closes_at_mm(held.collect());
                piece.iter().for_each(|(i, _)| limits[*i] = closes);
            }
            report.sections.push(SectionShape::of(&scalp, strip, None));
        }
        self.cut_at_hands(&strips, move_, textured, |_| 1.0, |i, _, _| limits[i])
    }

    /// Cuts each strand of each section at a length that depends on the strand, the section's number and the share of the way
    /// along it.
    pub(super) fn cut_at_hands(
        &mut self,
        strips: &[Subsection],
        move_: &Move,
        textured: &Textured,
        in_hand: impl Fn(usize) -> f64 + Sync,
        limit_mm: impl Fn(usize, usize, f64) -> f64 + Sync,
    ) -> usize {
        let hair = self.hair;
        // A strand lies in one section only, so that all of them can be cut at once.
        self.shorten(strips.par_iter().enumerate().flat_map_iter(|(number, strip)| {
            let technique = by_height(hair, &move_.technique, strip.members.iter().map(|(i, _)| *i));
            let (limit_mm, in_hand) = (&limit_mm, &in_hand);
            strip.members.iter().map(move |(i, share)| {
                let limit = Some(Limit::Held(limit_mm(*i, number, *share).max(0.0)));
                let textures = textured.at(strip.number, number + 1 == strips.len(), &hair.strands[*i]);
                let technique = if textures { technique(*i) } else { Technique::default() };
                Held { strand: *i, limit, state: move_.state, technique, in_hand: in_hand(*i) }
            })
        }))
    }

    /// Shortens hair to where it is held, then works the ends of what was cut. Says how many strands lost length.
    fn shorten(&mut self, held: impl ParallelIterator<Item = Held>) -> usize {
        let (hair, lengths, number) = (self.hair, &*self.lengths, self.number);
        let half = hair.strands.len() / 2;
        let cut = |held: Held| {
            let (i, before) = (held.strand, &lengths[held.strand]);
            let begin = begins(number, i % half.max(1));
            let after = shortened(
                &hair.strands[i],
                &lengths[i],
                (held.limit?, hair.hand.hold(held.state)),
                &held.technique,
                (begin, held.in_hand),
            )?;
            Some((i, after, taken_g(&hair.strands[i], before, &after)))
        };
        // Joining the lists would be one more copy of all that was cut.
        let changed = held.filter_map(cut).collect_vec_list();
        let mut count = 0;
        for (i, after, taken_g) in changed.into_iter().flatten() {
            self.leave(i, after, taken_g);
            count += 1;
        }
        count
    }

    /// Leaves the hair of a strand at these lengths.
    fn leave(&mut self, i: usize, after: ShareLengths, taken_g: f64) {
        self.taken_g += taken_g;
        self.lengths[i] = after;
        self.shortened[i] = true;
    }

    fn weigh(
        &mut self,
        members: &[usize],
        layout: &Layout,
        technique: &Technique,
        textured: &Textured,
        report: &mut MoveReport,
    ) -> usize {
        let (hair, lengths, number) = (self.hair, &*self.lengths, self.number);
        let half = (hair.strands.len() / 2).max(1);
        let strips = self.divided(layout, members);
        // A strand lies in one section only, so that all of them can be worked at once.
        let worked_in = strips.par_iter().enumerate().flat_map_iter(|(place, strip)| {
            let technique = by_height(hair, technique, strip.members.iter().map(|(i, _)| *i));
            let last = place + 1 == strips.len();
            let textures = move |i: &usize| textured.at(strip.number, last, &hair.strands[*i]);
            strip.members.iter().map(|(i, _)| *i).filter(textures).map(move |i| {
                let mut after = lengths[i];
                technique(i).work(&mut after, begins(number, i % half), 1.0);
                (i, after, taken_g(&hair.strands[i], &lengths[i], &after))
            })
        });
        let changed = worked_in.collect_vec_list();
        let mut worked = 0;
        for (i, after, taken_g) in changed.into_iter().flatten() {
            self.leave(i, after, taken_g);
            worked += 1;
        }
        let scalp = hair.scalp();
        report.sections.extend(strips.iter().map(|strip| SectionShape::of(&scalp, strip, None)));
        worked
    }
}

/// Mass of what was cut off a strand, g.
fn taken_g(strand: &Strand, before: &ShareLengths, after: &ShareLengths) -> f64 {
    strand.mass_g_per_mm() * (before.mean() - after.mean())
}

/// The technique as it is used on each of some strands.
fn by_height<'a>(
    hair: &'a Hair,
    technique: &'a Technique,
    among: impl Iterator<Item = usize> + 'a,
) -> impl Fn(usize) -> Technique + 'a {
    let up = (!technique.is_used_evenly()).then(|| hair.heights(among));
    move |i| up.as_ref().map_or(*technique, |up| technique.at_height(up(i)))
}

/// Which hair gets the technique of a move.
pub(super) struct Textured<'a> {
    pattern: Option<&'a Pattern>,
    within: Option<&'a RegionTest>,
    scalp: Scalp<'a>,
}

impl Textured<'_> {
    fn at(&self, number: usize, last: bool, strand: &Strand) -> bool {
        let Some(pattern) = self.pattern else { return true };
        let root = &strand.root;
        pattern.textures(number, last)
            && self.within.is_none_or(|within| within.holds(&self.scalp, &root.at, root.zone))
    }
}

/// The strands of a section, piece by piece along it.
fn pieces(strip: &Subsection, scalp: &Scalp, piece_mm: Option<f64>) -> Vec<Vec<(usize, f64)>> {
    let Some(piece_mm) = piece_mm else { return vec![strip.members.clone()] };
    let points: Vec<Vec3> = shares().map(|share| scalp.form.point(&strip.base(share))).collect();
    let length: f64 = points.windows(2).map(|pair| (pair[1] - pair[0]).norm()).sum();
    let count = (length / piece_mm).ceil().max(1.0);
    let mut pieces = vec![Vec::new(); count as usize];
    for (i, share) in &strip.members {
        pieces[((share * count) as usize).min(count as usize - 1)].push((*i, *share));
    }
    pieces.retain(|piece| !piece.is_empty());
    pieces
}

/// Some points as the points of a line of the hand.
fn spread(hands: &[Vec3]) -> Vec<Vec3> {
    let last = hands.len().saturating_sub(1);
    shares().filter_map(|share| hands.get((share * last as f64).round() as usize).copied()).collect()
}

/// Hair of these lengths after a cut so far from the scalp; none if nothing reaches there.
fn shortened(
    strand: &Strand,
    lengths: &ShareLengths,
    (limit, hold): (Limit, HeldHair),
    technique: &Technique,
    (begin, in_hand): (f64, f64),
) -> Option<ShareLengths> {
    let longest = lengths.longest();
    // Held hair is never longer than its fibre: what is shorter than the way isn't reached.
    let (Limit::Held(mm) | Limit::Fibre(mm)) = limit;
    if longest <= mm {
        return None;
    }
    let fibre = match limit {
        Limit::Fibre(fibre) => fibre,
        Limit::Held(held) => hold.fibre_mm(&strand.model, held, longest).filter(|fibre| *fibre < longest)?,
    };
    let mut after = *lengths;
    if in_hand >= 1.0 {
        after.iter_mut().for_each(|length| *length = length.min(fibre));
    } else {
        after.cut_stretch(begin, in_hand, |length, _| length.min(fibre));
    }
    technique.work(&mut after, begin, in_hand);
    Some(after)
}
