//! Where a hand is that carries hair: so far out from the place it is held over, as long as the hair is, outside the head.

use super::hold::Hold;
use crate::head::{Scalp, Vec3, taut_line, taut_mm};

/// Distance in mm at which a hand is found: a tenth of what is drawn, far below what a comb shows.
const FOUND_MM: f64 = 1e-3;
/// Most corrections for hair that lies on the head. Each brings a tenth of what was off at most.
const MOST: usize = 12;
/// Step in which hair that is drawn to the other side of the head is followed round it, mm.
const STEP_MM: f64 = 5.0;
/// Most such steps: more than go round a head.
const MOST_STEPS: usize = 120;
/// How much of the way that hair takes upwards which is drawn straight through the head, where no way round is shorter.
const UPWARDS: f64 = 0.1;

/// Hair that grows in one place and is held over another, or the same.
#[derive(Debug, Clone, Copy)]
pub(super) struct Carried {
    own: Vec3,
    own_at: Vec3,
    over: Vec3,
    pub over_at: Vec3,
    /// Unit vector in which it is held.
    pub out: Vec3,
    normal: Vec3,
}

impl Carried {
    /// Hair that grows in the direction `own` and is held over the direction `over`.
    pub fn of(scalp: &Scalp, hold: &Hold, own: Vec3, over: Vec3) -> Self {
        let over_at = scalp.form.point(&over);
        let own_at = if own == over { over_at } else { scalp.form.point(&own) };
        Self { own, own_at, over, over_at, out: hold.away(scalp, &over), normal: scalp.form.normal(&over) }
    }

    /// Where the hand is that holds it at this length, mm.
    pub fn hand(&self, scalp: &Scalp, length_mm: f64) -> Vec3 {
        self.hand_past(scalp, length_mm, 0.0)
    }

    /// The same so far past that, mm.
    pub fn hand_past(&self, scalp: &Scalp, length_mm: f64, past_mm: f64) -> Vec3 {
        let (reach, found) = self.found_mm(scalp, length_mm);
        let hand = self.out_mm(scalp, (reach + past_mm).max(0.0));
        let length_mm = length_mm + past_mm.abs();
        if found {
            return hand;
        }
        // Too short to get there it is held as far that way as it goes: its length is its own.
        let own_normal = scalp.form.normal(&self.own);
        if taut_mm(scalp.form, &self.own_at, &own_normal, &hand) > length_mm + 2.0 * FOUND_MM {
            return along(&taut_line(scalp.form, &self.own_at, &hand), length_mm);
        }
        hand
    }

    /// Whether hair of this length gets to where it is held over.
    pub fn gets_there(&self, scalp: &Scalp, length_mm: f64) -> bool {
        self.own == self.over
            || taut_mm(scalp.form, &self.own_at, &scalp.form.normal(&self.own), &self.over_at) <= length_mm
    }

    /// How far out hair of this length is held, mm: the further of the two places so far from its root; where it is too short, the
    /// nearest. And whether it gets there.
    pub fn found_mm(&self, scalp: &Scalp, length_mm: f64) -> (f64, bool) {
        if self.own == self.over {
            return (length_mm, true);
        }
        let root_normal = scalp.form.normal(&self.own);
        let beside = self.over_at - self.own_at;
        let along = beside.dot(&self.out);
        let rest = length_mm * length_mm - beside.norm_squared() + along * along;
        let mut reach = (rest.max(0.0).sqrt() - along).max(0.0);
        for _ in 0..MOST {
            let hand = self.out_mm(scalp, reach);
            let over = taut_mm(scalp.form, &self.own_at, &root_normal, &hand) - length_mm;
            // Hair that lies on the head has further to go, and as much as the hand comes nearer.
            if over.abs() < FOUND_MM {
                return (reach, true);
            }
            if (reach == 0.0 && over > 0.0) || rest < 0.0 {
                break;
            }
            reach = (reach - over).max(0.0);
        }
        (reach, false)
    }

    /// The place so far out from where it is held over, mm. Hair that is drawn to the other side of the head goes round it
    /// first: no hand is inside.
    pub fn out_mm(&self, scalp: &Scalp, far_mm: f64) -> Vec3 {
        let mut leans_in = -self.out.dot(&self.normal);
        if leans_in <= 0.0 || far_mm <= 0.0 {
            return self.over_at + self.out * far_mm.max(0.0);
        }
        let wish = self.out + Vec3::y() * UPWARDS;
        let (mut at, mut normal, mut left) = (self.over_at, self.normal, far_mm);
        for _ in 0..MOST_STEPS {
            let Some(heading) = (wish - normal * normal.dot(&wish)).try_normalize(1e-9) else { break };
            let next = scalp.form.point(&(at + heading * STEP_MM));
            let (step, next_normal) = ((next - at).norm(), scalp.form.normal(&next));
            let leans = -self.out.dot(&next_normal);
            // Down to where it is clear of the head, or as far as it goes.
            let clear = if leans < 0.0 { leans_in / (leans_in - leans) } else { 1.0 };
            let share = clear.min(left / step.max(1e-9));
            at = if share < 1.0 { scalp.form.point(&at.lerp(&next, share)) } else { next };
            left -= share * step;
            if left <= 0.0 || leans < 0.0 {
                break;
            }
            (normal, leans_in) = (next_normal, leans);
        }
        at + self.out * left.max(0.0)
    }
}

/// The point so far along a line, mm; its end if it is shorter.
fn along(line: &[Vec3], length_mm: f64) -> Vec3 {
    let mut left = length_mm.max(0.0);
    for pair in line.windows(2) {
        let step = (pair[1] - pair[0]).norm();
        if step >= left {
            return pair[0].lerp(&pair[1], left / step.max(1e-9));
        }
        left -= step;
    }
    line.last().copied().unwrap_or_else(Vec3::zeros)
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::cut::{Direction, OverDirection};
    use crate::head::{Landmark, direction, ordinary_head};

    #[test]
    fn a_hand_that_draws_hair_any_way_is_outside_the_head_and_as_far_as_the_hair_is_long() {
        let (form, hairline) = ordinary_head();
        let scalp = Scalp::plain(&form, &hairline);
        for (i, toward) in
            [Direction::Forward, Direction::Back, Direction::Left, Direction::Down].into_iter().enumerate()
        {
            for k in 0..60 {
                let d = direction(f64::from(k) * 0.7 + i as f64, (f64::from(k) * 0.37).sin() * 1.2);
                for share in [0.3, 0.7, 1.0] {
                    let over = OverDirection::Toward(toward);
                    let hold = Hold { over_direction: over, share, ..Hold::at(90.0) };
                    let hair = Carried::of(&scalp, &hold, d, d);
                    for length in [20.0, 130.0, 300.0] {
                        let hand = hair.hand(&scalp, length);
                        let inside = form.radius_mm(&hand.normalize()) - hand.norm();
                        assert!(inside < 0.5, "{toward:?} {k} {share} {length}: {inside} inside");
                        let point = form.point(&d);
                        let way = taut_mm(&form, &point, &form.normal(&d), &hand);
                        // Drawn tight it may find a shorter way round than the comb took.
                        assert!(way < 1.02 * length + 0.5, "{toward:?} {k} {share} {length}: {way}");
                        assert!(way > 0.8 * length, "{toward:?} {k} {share} {length}: {way}");
                    }
                }
            }
        }
    }

    #[test]
    fn hair_carried_to_a_landmark_is_as_long_as_it_is_whether_it_gets_there_or_not() {
        let (form, hairline) = ordinary_head();
        let scalp = Scalp::plain(&form, &hairline);
        let apex = scalp.direction(Landmark::Apex);
        let hold = Hold::at(90.0);
        for k in 0..40 {
            let d = direction(f64::from(k) * 0.9, (f64::from(k) * 0.37).sin() * 0.9);
            let hair = Carried::of(&scalp, &hold, d, apex);
            for length in [30.0, 90.0, 160.0, 260.0] {
                let hand = hair.hand(&scalp, length);
                let way = taut_mm(&form, &form.point(&d), &form.normal(&d), &hand);
                assert!((way - length).abs() < 0.6, "{k} {length}: {way}");
            }
        }
    }
}
