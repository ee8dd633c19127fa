//! How open an elastic spiral is where a given pull acts on it, and the sum of that along a hanging hair.
//!
//! Locally the fibre is a helix with tangent inclination x = cosθ to the pull T. Minimising
//! ½EI(u·S − κ0)² + ½GJ(u·x − τ0)² − T·x over the turn rate u and over x, with S = √(1−x²), c = GJ/EI, t = τ0/κ0,
//! D = 1 − (1−c)x², T* = T/(EI·κ0²), gives u = κ0(S + c·t·x)/D and
//!
//! T* = c(S + c·t·x)(x − t·S)/(S·D²), and for t = 0: T* = c·x/D², straight once T* ≥ 1/c.
//!
//! Since T grows by w per length, the hanging length is ∫x dT/w, and by parts ∫x dT* = x·T* − U(x) with the stored
//! energy U = (c/2)(x − t·S)²/D. So no quadrature is needed anywhere.
//!
//! What is searched for is p = tan(θ/2), 0 for straight hair and 1 for a closed loop: with q = 1 + p² it gives
//! S = 2p/q and x = (1 − p²)/q, which makes both equations polynomials that take no sine and no division.

use super::search::zero_by_slope;
use super::{Curl, Material};
use crate::tolerance;

/// An elastic spiral, reduced to the five numbers its shape under load depends on.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Rod {
    /// Natural radius of curvature R0, mm.
    pub radius_mm: f64,
    /// Natural torsion over natural curvature, t ≥ 0.
    pub torsion_ratio: f64,
    /// Torsional over bending stiffness, c = GJ/EI, up to 4/3.
    pub stiffness_ratio: f64,
    /// The force that opens the curl, EI·κ0², mN.
    pub scale_mn: f64,
    /// Weight per length with its water, mN/mm.
    pub weight_mn_mm: f64,
}

/// How much of the start of a search is the hyperbola's where the pull is weak, and how soon it is all of it.
const LEAST_OPEN: f64 = 1e-3;
const WEAK_WEIGHT: f64 = 0.57;
const STRONG_WEIGHT: f64 = 0.37;

/// Steps that searches side by side take.
const STEPS_TOGETHER: usize = 3;

/// Share of a pull that weight adds to it below which the fibre is taken to be as open everywhere.
const LEAST_ADDED: f64 = 1e-7;

/// The lower end of a strand.
struct Tip {
    reduced_pull: f64,
    lean: Lean,
    gamma: f64,
}

/// How far the fibre leans away from the pull: p = tan(θ/2), 0 straight to 1 square to it.
#[derive(Clone, Copy)]
struct Lean(f64);

impl Lean {
    /// sinθ and cosθ.
    fn sin_cos(self) -> (f64, f64) {
        let p = self.0;
        let q = 1.0 + p * p;
        (2.0 * p / q, (1.0 - p * p) / q)
    }

    /// x = cosθ.
    fn extension(self) -> f64 {
        self.sin_cos().1
    }
}

/// A number that depends on p, and how fast it changes: a dual number, so that no derivative is written out by hand.
#[derive(Clone, Copy)]
struct Dual {
    value: f64,
    slope: f64,
}

impl Dual {
    fn times(self, other: Self) -> Self {
        Self { value: self.value * other.value, slope: self.slope * other.value + self.value * other.slope }
    }

    fn plus(self, times: f64, other: Self) -> Self {
        Self { value: self.value + times * other.value, slope: self.slope + times * other.slope }
    }

    fn by(self, times: f64) -> Self {
        Self { value: times * self.value, slope: times * self.slope }
    }

    /// Value and slope of it over a power of another, both times that and one power more: what a search for its zero asks for.
    fn over_power(self, power: f64, other: Self) -> (f64, f64) {
        (self.value * other.value, self.slope * other.value - power * self.value * other.slope)
    }
}

/// The parts of which both searched polynomials are made, at a p.
struct Terms {
    /// q, q·S, q·x and q·(x − t·S).
    q: Dual,
    sin: Dual,
    x: Dual,
    offset: Dual,
    /// q²·D.
    shape: Dual,
}

impl Rod {
    /// The spiral of this material and curl.
    pub fn new(material: Material, curl: Curl) -> Self {
        let pitch = curl.natural_pitch;
        Self {
            radius_mm: curl.loop_radius_mm,
            torsion_ratio: pitch / (1.0 - pitch * pitch).sqrt(),
            stiffness_ratio: material.stiffness_ratio(),
            scale_mn: material.bending_stiffness() / (curl.loop_radius_mm * curl.loop_radius_mm),
            weight_mn_mm: material.weight_per_length(),
        }
    }

    /// The length over which own weight opens the curl, EI·κ0²/w, mm.
    pub fn characteristic_length_mm(&self) -> f64 {
        self.scale_mn / self.weight_mn_mm
    }

    /// Axial extension x where `pull_mn` acts: the natural pitch at no pull, 1 when straight. `pull_mn` ≥ 0.
    pub fn extension(&self, pull_mn: f64) -> f64 {
        self.lean(pull_mn / self.scale_mn).extension()
    }

    /// The pull T*·EI·κ0² that opens the spiral to extension `x`, mN. For an extension that takes no pull it is
    /// zero or less; at `x` = 1 it is the least pull that straightens closed loops, and infinite with a pitch.
    pub fn pull_at_mn(&self, x: f64) -> f64 {
        let x = x.clamp(-1.0, 1.0);
        self.reduced_pull(((1.0 - x) * (1.0 + x)).sqrt(), x) * self.scale_mn
    }

    /// Radius ρ = S/u of the loop where `pull_mn` acts, mm.
    pub fn loop_radius_mm(&self, pull_mn: f64) -> f64 {
        let (x, turn) = self.opened(pull_mn);
        let sin = (1.0 - x * x).max(0.0).sqrt();
        if sin == 0.0 { 0.0 } else { sin / turn }
    }

    /// Extension x and turn rate u, radians per mm of fibre, where `pull_mn` acts.
    pub(crate) fn opened(&self, pull_mn: f64) -> (f64, f64) {
        let (sin, x) = self.lean(pull_mn / self.scale_mn).sin_cos();
        let turn = sin + self.stiffness_ratio * self.torsion_ratio * x;
        (x, turn / (self.radius_mm * self.shape(x)))
    }

    /// Axial length of `length_mm` of fibre that carries its own weight and `tip_pull_mn` at its lower end, mm.
    pub fn helix_mm(&self, length_mm: f64, tip_pull_mn: f64) -> f64 {
        self.helix_above(&self.tip(tip_pull_mn), length_mm).0
    }

    /// Axial length, mm, and extension at the root of each of many lengths of fibre that carry nothing but themselves.
    pub(crate) fn helices<const N: usize>(&self, lengths_mm: &[f64; N]) -> [(f64, f64); N] {
        let tip = self.tip(0.0);
        let pulls = lengths_mm.map(|length| self.weight_mn_mm * length / self.scale_mn);
        let leans = self.leans(&pulls);
        std::array::from_fn(|i| {
            if pulls[i] < LEAST_ADDED {
                return self.helix_above(&tip, lengths_mm[i]);
            }
            let helix_mm = self.characteristic_length_mm() * (self.gamma(pulls[i], leans[i]) - tip.gamma);
            (helix_mm, leans[i].extension())
        })
    }

    /// The fibre whose axial length is `helix_mm` with `tip_pull_mn` at its lower end, mm.
    ///
    /// Both lengths are plain functions of the inclination at the root, so that one search is enough.
    pub(super) fn fibre_of_helix_mm(&self, helix_mm: f64, tip_pull_mn: f64) -> f64 {
        let tip = self.tip(tip_pull_mn);
        let unit = self.characteristic_length_mm();
        // A lower end under a pull that weight hardly adds to: differences of Γ would lose digits, and the extension
        // hardly changes on the way up, so that Newton's method is there in a few steps.
        if helix_mm / unit < 1e-3 * (1.0 + tip.reduced_pull) && tip.lean.extension() > 0.0 {
            return self.fibre_of_even_helix_mm(helix_mm, &tip);
        }
        let reached = tip.gamma + helix_mm / unit;
        let (c, t) = (self.stiffness_ratio, self.torsion_ratio);
        // Γ where closed loops are straight at last; from there on it grows as the pull does.
        if t == 0.0 && reached >= 0.5 / c {
            return unit * (reached + 0.5 / c - tip.reduced_pull);
        }
        // Begun as if it were as open everywhere as at its end.
        let near = self.nearly_leaning(tip.reduced_pull + helix_mm / (unit * tip.lean.extension().max(0.1)));
        // Γ is infinite at 0 unless loops are closed; S·Γ never is. Either is searched times powers of q and of D, so that
        // there is no fraction in it.
        let root = zero_by_slope(0.0, tip.lean.0, near, |p| {
            let at = self.terms(p);
            let left = at.offset.times(at.offset).by(0.5 * c).plus(reached, at.shape);
            let pulled = if t == 0.0 {
                let straight = at.x.times(at.q);
                straight.times(straight).by(c)
            } else {
                self.pulled(&at).times(at.x)
            };
            let held = if t == 0.0 { left.times(at.shape) } else { at.sin.times(left).times(at.shape) };
            pulled.plus(-1.0, held).over_power(if t == 0.0 { 4.0 } else { 5.0 }, at.q)
        });
        let (sin, x) = Lean(root).sin_cos();
        unit * (self.reduced_pull(sin, x) - tip.reduced_pull)
    }

    /// The fibre down to a point of a spiral of `whole_mm` that hangs freely, `helix_mm` below the root; none where it is closed.
    ///
    /// The root carries all of it wherever the point lies, and dΓ = x·dT*: Newton's method on the pull at the point.
    pub(super) fn fibre_of_hung_helix_mm(&self, helix_mm: f64, whole_mm: f64, start_mm: f64) -> Option<f64> {
        let unit = self.characteristic_length_mm();
        let wanted = self.tip(self.weight_mn_mm * whole_mm).gamma - helix_mm / unit;
        let mut pull = (whole_mm - start_mm) / unit;
        for _ in 0..tolerance::STEPS {
            let lean = self.lean(pull);
            let x = lean.extension();
            if x < LEAST_OPEN {
                return None;
            }
            let step = (self.gamma(pull, lean) - wanted) / x;
            pull = (pull - step).max(0.0);
            if (step * unit).abs() < tolerance::LENGTH_MM {
                return Some(whole_mm - pull * unit);
            }
        }
        None
    }

    fn fibre_of_even_helix_mm(&self, helix_mm: f64, tip: &Tip) -> f64 {
        let mut length = helix_mm / tip.lean.extension();
        for _ in 0..tolerance::STEPS {
            let (reached, slope) = self.helix_above(tip, length);
            let step = (reached - helix_mm) / slope;
            length -= step;
            if step.abs() < tolerance::LENGTH_MM {
                break;
            }
        }
        length
    }

    fn tip(&self, pull_mn: f64) -> Tip {
        let reduced_pull = pull_mn / self.scale_mn;
        let lean = self.lean(reduced_pull);
        Tip { reduced_pull, lean, gamma: self.gamma(reduced_pull, lean) }
    }

    /// Axial length of `length_mm` of fibre above a tip, mm, and the extension at its root.
    fn helix_above(&self, tip: &Tip, length_mm: f64) -> (f64, f64) {
        let added = self.weight_mn_mm * length_mm / self.scale_mn;
        let root = tip.reduced_pull + added;
        // Differences of Γ lose digits when the weight adds little to the pull: there x is constant to within f64.
        if added < LEAST_ADDED * (1.0 + tip.reduced_pull) {
            let x = self.lean(tip.reduced_pull + 0.5 * added).extension();
            return (length_mm * x, x);
        }
        let lean = self.lean(root);
        (self.characteristic_length_mm() * (self.gamma(root, lean) - tip.gamma), lean.extension())
    }

    /// Γ(T*) = ∫x dT*, from natural shape.
    fn gamma(&self, reduced_pull: f64, lean: Lean) -> f64 {
        let (sin, x) = lean.sin_cos();
        let offset = x - self.torsion_ratio * sin;
        x * reduced_pull - 0.5 * self.stiffness_ratio * offset * offset / self.shape(x)
    }

    fn shape(&self, x: f64) -> f64 {
        1.0 - (1.0 - self.stiffness_ratio) * x * x
    }

    /// T* at an inclination: S and x in, θ in (0, π/2].
    fn reduced_pull(&self, sin: f64, x: f64) -> f64 {
        let (c, t) = (self.stiffness_ratio, self.torsion_ratio);
        let shape = self.shape(x);
        if t == 0.0 {
            return c * x / (shape * shape);
        }
        c * (sin + c * t * x) * (x - t * sin) / (sin * shape * shape)
    }

    fn terms(&self, p: f64) -> Terms {
        let (c, t) = (self.stiffness_ratio, self.torsion_ratio);
        let q = Dual { value: 1.0 + p * p, slope: 2.0 * p };
        let sin = Dual { value: 2.0 * p, slope: 2.0 };
        let x = Dual { value: 1.0 - p * p, slope: -2.0 * p };
        let shape = q.times(q).plus(c - 1.0, x.times(x));
        Terms { q, sin, x, offset: x.plus(-t, sin), shape }
    }

    /// c·(S + c·t·x)·(x − t·S)·q⁴: T*·S·D² times that.
    fn pulled(&self, at: &Terms) -> Dual {
        let (c, t) = (self.stiffness_ratio, self.torsion_ratio);
        at.sin.plus(c * t, at.x).times(at.offset).times(at.q.times(at.q)).by(c)
    }

    /// p without a pull: tanθ = 1/t.
    fn natural_lean(&self) -> f64 {
        (self.torsion_ratio * self.torsion_ratio + 1.0).sqrt() - self.torsion_ratio
    }

    /// About the p whose T* is `reduced_pull`, to start from: t/2y for a y that is right without a pull and for a strong one,
    /// where y ≈ T* − 1/c + t². Between them the pull itself lies above it and the hyperbola through both ends below, and their
    /// mean, weighted by how strong the pull is, is mostly within a tenth.
    fn nearly_leaning(&self, reduced_pull: f64) -> f64 {
        let (natural, c, t) = (self.natural_lean(), self.stiffness_ratio, self.torsion_ratio);
        if t == 0.0 {
            return 0.5;
        }
        let at_rest = 0.5 * t / natural;
        let straight = t * t - 1.0 / c;
        let half = 0.5 * (reduced_pull + straight);
        let hyperbola = half + (half * half + at_rest * (at_rest - straight)).sqrt();
        let square = (c * reduced_pull) * (c * reduced_pull);
        let strong = STRONG_WEIGHT * square * square;
        let weight = (WEAK_WEIGHT + strong) / (1.0 + strong);
        0.5 * t * (weight / hyperbola + (1.0 - weight) / (at_rest + reduced_pull))
    }

    /// The inclination whose T* is `reduced_pull`.
    fn lean(&self, reduced_pull: f64) -> Lean {
        let t = self.torsion_ratio;
        if t == 0.0 && reduced_pull * self.stiffness_ratio >= 1.0 {
            return Lean(0.0);
        }
        let natural = self.natural_lean();
        if reduced_pull <= 0.0 {
            return Lean(natural);
        }
        Lean(zero_by_slope(0.0, natural, self.nearly_leaning(reduced_pull), |p| {
            if t == 0.0 {
                let at = self.terms(p);
                let wanted = at.shape.times(at.shape).by(reduced_pull);
                let pulled = at.x.times(at.q).times(at.q.times(at.q)).by(self.stiffness_ratio);
                pulled.plus(-1.0, wanted).over_power(4.0, at.q)
            } else {
                self.over_pull(p, reduced_pull)
            }
        }))
    }

    /// What is searched where loops have a pitch. S·T* is finite at both ends, so that is S·(T*(p) − T*) times q and D²:
    /// positive at 0, negative at natural.
    fn over_pull(&self, p: f64, reduced_pull: f64) -> (f64, f64) {
        let at = self.terms(p);
        let wanted = at.sin.times(at.shape.times(at.shape)).by(reduced_pull);
        self.pulled(&at).times(at.q).plus(-1.0, wanted).over_power(5.0, at.q)
    }

    /// The inclinations of many pulls. Searched side by side, as most come as close in as many steps; those that don't are
    /// searched by themselves.
    fn leans<const N: usize>(&self, reduced_pulls: &[f64; N]) -> [Lean; N] {
        if self.torsion_ratio == 0.0 {
            return reduced_pulls.map(|pull| self.lean(pull));
        }
        let natural = self.natural_lean();
        let mut at = reduced_pulls.map(|pull| self.nearly_leaning(pull).min(natural));
        let mut steps = [0.0; N];
        for _ in 0..STEPS_TOGETHER {
            for i in 0..N {
                let (value, slope) = self.over_pull(at[i], reduced_pulls[i]);
                steps[i] = value / slope;
                at[i] -= steps[i];
            }
        }
        std::array::from_fn(|i| {
            let found = (0.0..=natural).contains(&at[i]) && steps[i].abs() <= tolerance::NEWTON * at[i];
            if found { Lean(at[i]) } else { self.lean(reduced_pulls[i]) }
        })
    }
}
