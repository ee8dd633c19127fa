//! From measured pairs to a belief: the most probable parameters and the curvature there.

use super::Belief;
use super::belief::slopes;
use crate::constants::{CURL_WORD_LN_SD, LOOP_LN_SD, TURNS_LN_SD, TURNS_SD};
use crate::fibre::{LengthModel, Moisture};
use crate::reading::{CurlSeen, ZoneReading};
use crate::tolerance;
use nalgebra::{Matrix4, Vector4};

/// Something that was measured of a zone.
enum Observation {
    /// A strand let go: fibre and length, mm, with its standard error.
    Sprung { fibre_mm: f64, sprung_mm: f64, water_g_per_g: f64, sd_mm: f64 },
    /// The width of a loop that nothing pulls, mm, with the standard error of its logarithm.
    Loop { loop_mm: f64, ln_sd: f64 },
    /// The turns of a strand let go, with their standard error.
    Turns { turns: f64, fibre_mm: f64, water_g_per_g: f64, sd: f64 },
}

/// Share of its length that a patch's hair loses when it is let go, and one standard error of it: as measured, or as hair of
/// its kind does at the length it has.
pub fn shrinkage(reading: &ZoneReading, belief: &Belief) -> (f64, f64) {
    let fibre = reading.present_mm;
    let (let_go, sd) = match reading.sprung_mm {
        Some(sprung) if fibre == reading.stretched_mm => {
            (sprung, sd_mm(reading, sprung, reading.sprung_sd_mm))
        }
        _ => {
            let hangs = |model: &LengthModel| model.hanging_mm(fibre, 0.0);
            (hangs(&belief.model()), belief.sd_of(hangs))
        }
    };
    (1.0 - let_go / fibre, sd / fibre)
}

/// The same reading with a strand let go that is as long as what was seen of the curl has it, where none was measured: what
/// measuring one would be worth.
pub fn once_let_go(reading: &ZoneReading, belief: &Belief) -> Option<ZoneReading> {
    let sprung_mm = belief.model().hanging_mm(reading.stretched_mm, reading.dry_water_g_per_g);
    reading.sprung_mm.is_none().then_some(ZoneReading {
        sprung_mm: Some(sprung_mm),
        moisture: Moisture::Dry,
        ..*reading
    })
}

fn sd_mm(reading: &ZoneReading, sprung_mm: f64, own_sd_mm: f64) -> f64 {
    let share = sprung_mm / reading.stretched_mm;
    let differ = reading.strands_differ * sprung_mm * (1.0 - share) / f64::from(reading.strands).sqrt();
    // Both ends of the pair are read, each with the error of what it is read with.
    (reading.stretched_sd_mm.hypot(own_sd_mm) / reading.readings.sqrt()).hypot(differ)
}

impl Observation {
    fn all(reading: &ZoneReading) -> Vec<Self> {
        let water = |moisture: Moisture| match moisture {
            Moisture::Dry => reading.dry_water_g_per_g,
            Moisture::Damp | Moisture::Wet => moisture.water_g_per_g(),
        };
        let sprung = |sprung_mm: f64, own_sd_mm: f64, moisture: Moisture| Self::Sprung {
            fibre_mm: reading.stretched_mm,
            sprung_mm,
            water_g_per_g: water(moisture),
            sd_mm: sd_mm(reading, sprung_mm, own_sd_mm),
        };
        let dry = reading.sprung_mm.map(|mm| sprung(mm, reading.sprung_sd_mm, reading.moisture));
        let mut all: Vec<Self> = dry.into_iter().collect();
        all.extend(reading.wet_sprung_mm.map(|wet| sprung(wet, reading.wet_sprung_sd_mm, Moisture::Wet)));
        let CurlSeen { loop_mm, turns, word } = reading.curl;
        all.extend(loop_mm.map(|loop_mm| Self::Loop { loop_mm, ln_sd: LOOP_LN_SD.value }));
        all.extend(turns.map(|turns| Self::Turns {
            turns,
            fibre_mm: reading.stretched_mm,
            water_g_per_g: water(reading.moisture),
            sd: TURNS_SD.value.hypot(TURNS_LN_SD.value * turns),
        }));
        all.extend(
            word.map(|word| Self::Loop {
                loop_mm: 2.0 * word.loop_radius_mm(),
                ln_sd: CURL_WORD_LN_SD.value,
            }),
        );
        all
    }

    /// Standard errors by which hair of this kind is more than what was measured.
    fn residual(&self, model: &LengthModel) -> f64 {
        match *self {
            Self::Sprung { fibre_mm, sprung_mm, water_g_per_g, sd_mm } => {
                (model.hanging_mm(fibre_mm, water_g_per_g) - sprung_mm) / sd_mm
            }
            Self::Loop { loop_mm, ln_sd } => {
                let free = model.rod(0.0, 1.0).loop_radius_mm(0.0);
                (2.0 * free / loop_mm).ln() / ln_sd
            }
            Self::Turns { turns, fibre_mm, water_g_per_g, sd } => {
                (model.rod(water_g_per_g, 1.0).turns(fibre_mm, 0.0) - turns) / sd
            }
        }
    }
}

/// Standard errors by which the curl that was seen lies off what the lengths say of it, the widest; none where none was
/// seen. Curl looser than the lengths say is positive.
pub fn curl_off(reading: &ZoneReading) -> Option<f64> {
    if reading.sprung_mm.is_none() && reading.wet_sprung_mm.is_none() {
        return None;
    }
    let lengths = fit(&ZoneReading { curl: CurlSeen::default(), ..*reading });
    let seen = Observation::all(reading).into_iter().filter_map(|observation| match observation {
        // Lengths tell loops only so well themselves.
        Observation::Loop { loop_mm, ln_sd } => {
            let ln = |model: &LengthModel| model.rod(0.0, 1.0).loop_radius_mm(0.0).ln();
            Some(((0.5 * loop_mm).ln() - ln(&lengths.model())) / ln_sd.hypot(lengths.sd_of(ln)))
        }
        Observation::Turns { turns, fibre_mm, water_g_per_g, sd } => {
            let told = |model: &LengthModel| model.rod(water_g_per_g, 1.0).turns(fibre_mm, 0.0);
            Some((told(&lengths.model()) - turns) / sd.hypot(lengths.sd_of(told)))
        }
        Observation::Sprung { .. } => None,
    });
    seen.max_by(|a, b| a.abs().total_cmp(&b.abs()))
}

/// What is believed of a zone after it has been measured. Never fails: a checked reading always has a most
/// probable hair. Where another hair explains the reading about as well, the belief reaches as far as to that one.
pub fn fit(reading: &ZoneReading) -> Belief {
    let problem = Posterior::of(reading);
    let (best, rival) = problem.found();
    let curvature = best.curvature.try_inverse().unwrap_or(problem.prior.covariance);
    let apart = rival.map_or_else(Matrix4::zeros, |rival| {
        // The spread of a mixture of the two, about the better.
        let way = rival.at - best.at;
        way * way.transpose() * rival.share(&best)
    });
    Belief { mean: best.at, covariance: curvature + apart, diameter_um: reading.diameter_um }
}

/// The loop widths, mm, tighter first, of two hairs that explain a reading about as well as each other; none where one does.
/// Of short hair a hook and the first turn of a tighter spiral hang alike.
pub fn either_loop_mm(reading: &ZoneReading) -> Option<(f64, f64)> {
    let problem = Posterior::of(reading);
    let (best, rival) = problem.found();
    let rival = rival.filter(|rival| rival.share(&best) > CANNOT_TELL)?;
    let loop_mm =
        |valley: &Valley| 2.0 * problem.prior.model_at(&valley.at).rod(0.0, 1.0).loop_radius_mm(0.0);
    let (one, other) = (loop_mm(&best), loop_mm(&rival));
    Some((one.min(other), one.max(other)))
}

/// Chance of the less probable of two hairs from which on a reading can't tell them apart.
const CANNOT_TELL: f64 = 0.3;
/// Logarithm of the ratio of loop radii from which on two hairs are two.
const TWO_HAIRS_LN: f64 = 0.3;
/// By how much worse, in squares of standard errors, a place may be from which a second descent begins, and a valley that counts.
const WORTH_A_DESCENT: f64 = 30.0;
/// Descents beside the first.
const DESCENTS: usize = 3;
const WORTH_SAYING: f64 = 6.0;

/// What is looked for: hair that is probable and explains what was measured.
struct Posterior {
    prior: Belief,
    precision: Matrix4<f64>,
    observations: Vec<Observation>,
}

/// Hair that explains a reading better than any like it.
struct Valley {
    at: Vector4<f64>,
    cost: f64,
    curvature: Matrix4<f64>,
}

impl Valley {
    /// How probable it is beside a better one, 0 to ½.
    fn share(&self, better: &Self) -> f64 {
        let odds = (-0.5 * (self.cost - better.cost)).exp();
        odds / (1.0 + odds)
    }
}

impl Posterior {
    fn of(reading: &ZoneReading) -> Self {
        let prior = Belief::prior(reading.diameter_um);
        let precision = prior.covariance.try_inverse().unwrap_or_else(Matrix4::identity);
        Self { prior, precision, observations: Observation::all(reading) }
    }

    fn cost(&self, at: &Vector4<f64>) -> f64 {
        let off = at - self.prior.mean;
        let model = self.prior.model_at(at);
        let residuals = self.observations.iter().map(|o| o.residual(&model).powi(2));
        off.dot(&(self.precision * off)) + residuals.sum::<f64>()
    }

    /// The best hair, and the best that is another one if it is about as good.
    ///
    /// Hooks and straightened hair make the cost uneven, so the descents start from the best of a row of loop radii at the prior's
    /// other values.
    fn found(&self) -> (Valley, Option<Valley>) {
        const STARTS: i32 = 17;
        let start = |i: i32| {
            let mut at = self.prior.mean;
            at[0] += 0.4 * f64::from(i - STARTS / 2);
            (self.cost(&at), at)
        };
        let mut row: Vec<(f64, Vector4<f64>)> = (0..STARTS).map(start).collect();
        row.sort_by(|a, b| a.0.total_cmp(&b.0));
        let least = row[0].0;
        let mut best = self.descend(row[0].1);
        let mut rival = None::<Valley>;
        // Neighbours on the row may lie on either side of a ridge.
        let worth = |start: &&(f64, Vector4<f64>)| start.0 < least + WORTH_A_DESCENT;
        for (_, from) in row[1..=DESCENTS].iter().filter(worth) {
            let mut other = self.descend(*from);
            if (other.at[0] - best.at[0]).abs() < TWO_HAIRS_LN {
                continue;
            }
            if other.cost < best.cost {
                std::mem::swap(&mut other, &mut best);
            }
            if other.cost < best.cost + WORTH_SAYING
                && rival.as_ref().is_none_or(|rival| other.cost < rival.cost)
            {
                rival = Some(other);
            }
        }
        (best, rival)
    }

    /// Damped Gauss–Newton from a place down.
    fn descend(&self, from: Vector4<f64>) -> Valley {
        let (mut at, mut best) = (from, self.cost(&from));
        let mut damping = 1e-3;
        let mut curvature = self.precision;
        for _ in 0..tolerance::STEPS {
            let mut gradient = self.precision * (at - self.prior.mean);
            curvature = self.precision;
            for o in &self.observations {
                let slope = slopes(&at, |p| o.residual(&self.prior.model_at(p)));
                gradient += slope * o.residual(&self.prior.model_at(&at));
                curvature += slope * slope.transpose();
            }
            let damped = curvature + Matrix4::from_diagonal(&(curvature.diagonal() * damping));
            let Some(cholesky) = damped.cholesky() else { break };
            let step = cholesky.solve(&-gradient);
            let trial = self.cost(&(at + step));
            if trial < best {
                at += step;
                best = trial;
                damping *= 0.2;
            } else {
                damping *= 8.0;
            }
            if step.amax() < tolerance::FIT || damping > 1e12 {
                break;
            }
        }
        Valley { at, cost: best, curvature }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::reading::{CurlWord, RawZoneReading};

    fn zone(seen: impl Fn(&mut RawZoneReading)) -> ZoneReading {
        let mut raw = RawZoneReading::measured(300.0, 150.0);
        seen(&mut raw);
        ZoneReading::try_from(&raw).expect("complete")
    }

    fn free_loop_mm(model: &LengthModel) -> f64 {
        2.0 * model.rod(0.0, 1.0).loop_radius_mm(0.0)
    }

    #[test]
    fn what_is_seen_of_the_curl_makes_its_loops_surer_and_draws_them_there() {
        let lengths = fit(&zone(|_| {}));
        let told = free_loop_mm(&lengths.model());
        let sd = |belief: &Belief| belief.sd_of(|model| free_loop_mm(model).ln());
        let measured = fit(&zone(|raw| raw.loop_mm = Some(1.4 * told)));
        let worded = fit(&zone(|raw| raw.curl = Some(CurlWord::Coil)));
        assert!(sd(&measured) < sd(&worded) && sd(&worded) < sd(&lengths));
        let now = free_loop_mm(&measured.model());
        assert!(now > 1.15 * told && now < 1.45 * told, "{told} {now}");
        // What was measured of the lengths still holds.
        assert!((measured.model().hanging_mm(300.0, 0.0) - 150.0).abs() < 8.0);
        let many = fit(&zone(|raw| raw.turns = Some(20.0)));
        assert!(sd(&many) < sd(&lengths), "turns tell too");
    }

    #[test]
    fn curl_that_was_only_seen_tells_what_lengths_would_but_less_surely() {
        let told = free_loop_mm(&fit(&zone(|_| {})).model());
        let read = |raw: RawZoneReading| {
            let reading = ZoneReading::try_from(&raw).expect("complete");
            shrinkage(&reading, &fit(&reading))
        };
        let blank = RawZoneReading { stretched_mm: Some(300.0), ..RawZoneReading::default() };
        let seen = read(RawZoneReading { loop_mm: Some(told), ..blank });
        let measured = read(RawZoneReading::measured(300.0, 150.0));
        assert_eq!(measured.0, 0.5);
        assert!((seen.0 - 0.5).abs() < 2.0 * seen.1 && seen.1 > 2.0 * measured.1, "{seen:?} {measured:?}");
        let words = CurlWord::ALL.map(|word| read(RawZoneReading { curl: Some(word), ..blank }).0);
        assert!(words[..6].windows(2).all(|pair| pair[0] < pair[1]), "the curlier the shorter: {words:?}");
        assert_eq!(
            curl_off(&ZoneReading::try_from(&RawZoneReading { loop_mm: Some(told), ..blank }).unwrap()),
            None
        );
    }

    #[test]
    fn short_hair_that_tells_two_curls_alike_says_so_and_is_sure_of_neither() {
        let short = |um: f64, turns: Option<f64>| {
            let raw = RawZoneReading {
                width_um: Some(um),
                strands: 5,
                turns,
                ..RawZoneReading::measured(60.0, 30.0)
            };
            ZoneReading::try_from(&raw).expect("complete")
        };
        let (tighter, looser) = either_loop_mm(&short(77.0, None)).expect("it can't be told");
        assert!(looser > 1.8 * tighter, "{tighter} {looser}");
        let sd = |read: &ZoneReading| fit(read).sd_of(|model| free_loop_mm(model).ln());
        // As unsure on either side of the width at which the other becomes the better one.
        let (before, after) = (sd(&short(76.0, None)), sd(&short(78.0, None)));
        assert!((before / after - 1.0).abs() < 0.35 && before > 0.4, "{before} {after}");
        let turned = short(77.0, Some(2.0));
        assert_eq!(either_loop_mm(&turned), None, "turns that were counted tell");
        assert!(sd(&turned) < before);
        assert_eq!(either_loop_mm(&zone(|_| {})), None, "long hair tells");
    }

    #[test]
    fn curl_that_the_lengths_cannot_have_is_off_and_curl_that_they_tell_is_not() {
        let told = free_loop_mm(&fit(&zone(|_| {})).model());
        assert_eq!(curl_off(&zone(|_| {})), None);
        assert!(curl_off(&zone(|raw| raw.loop_mm = Some(told))).is_some_and(|off| off.abs() < 0.2));
        assert!(curl_off(&zone(|raw| raw.loop_mm = Some(300.0))).is_some_and(|off| off > 1.0), "far looser");
        assert!(curl_off(&zone(|raw| raw.loop_mm = Some(0.6))).is_some_and(|off| off < -1.0), "far tighter");
        let turns = fit(&zone(|_| {})).model().rod(0.0, 1.0).turns(300.0, 0.0);
        assert!(curl_off(&zone(|raw| raw.turns = Some(turns))).is_some_and(|off| off.abs() < 0.2));
    }
}
