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

use super::search::zero_between;
use super::{Curl, Material};
use crate::tolerance;
use std::f64::consts::FRAC_PI_2;

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

/// The lower end of a strand.
struct Tip {
    reduced_pull: f64,
    theta: f64,
    extension: f64,
    gamma: f64,
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
        self.inclination(pull_mn / self.scale_mn).cos()
    }

    /// The pull T*·EI·κ0² that opens the spiral to extension `x`, mN. For an extension that takes no pull it is
    /// zero or less; at `x` = 1 it is the least pull that straightens closed loops, and infinite with a pitch.
    pub fn pull_at_mn(&self, x: f64) -> f64 {
        self.reduced_pull(x.clamp(-1.0, 1.0).acos()) * self.scale_mn
    }

    /// Radius ρ = S/u of the loop where `pull_mn` acts, mm.
    pub fn loop_radius_mm(&self, pull_mn: f64) -> f64 {
        let (x, turn) = self.opened(pull_mn);
        let sin = (1.0 - x * x).max(0.0).sqrt();
        if sin == 0.0 { 0.0 } else { sin / turn }
    }

    /// Extension x and turn rate u, radians per mm of fibre, where `pull_mn` acts.
    pub(super) fn opened(&self, pull_mn: f64) -> (f64, f64) {
        let (sin, x) = self.inclination(pull_mn / self.scale_mn).sin_cos();
        let turn = sin + self.stiffness_ratio * self.torsion_ratio * x;
        (x, turn / (self.radius_mm * self.shape(x)))
    }

    /// Axial length of `length_mm` of fibre that carries its own weight and `tip_pull_mn` at its lower end, mm.
    pub fn helix_mm(&self, length_mm: f64, tip_pull_mn: f64) -> f64 {
        self.helix_above(&self.tip(tip_pull_mn), length_mm).0
    }

    /// The fibre whose axial length is `helix_mm` with `tip_pull_mn` at its lower end, mm.
    ///
    /// Both lengths are plain functions of the inclination at the root, so that one search is enough.
    pub(super) fn fibre_of_helix_mm(&self, helix_mm: f64, tip_pull_mn: f64) -> f64 {
        let tip = self.tip(tip_pull_mn);
        let unit = self.characteristic_length_mm();
        // A lower end under a pull that weight hardly adds to: differences of Γ would lose digits, and the extension
        // hardly changes on the way up, so that Newton's method is there in a few steps.
        if helix_mm / unit < 1e-3 * (1.0 + tip.reduced_pull) && tip.extension > 0.0 {
            return self.fibre_of_even_helix_mm(helix_mm, &tip);
        }
        let reached = tip.gamma + helix_mm / unit;
        let (c, t) = (self.stiffness_ratio, self.torsion_ratio);
        // Γ where closed loops are straight at last; from there on it grows as the pull does.
        if t == 0.0 && reached >= 0.5 / c {
            return unit * (reached + 0.5 / c - tip.reduced_pull);
        }
        // Γ is infinite at 0 unless loops are closed; S·Γ never is.
        let over = |theta: f64| {
            let (sin, x) = theta.sin_cos();
            let (shape, offset) = (self.shape(x), x - t * sin);
            let stored = 0.5 * c * offset * offset / shape;
            if t == 0.0 {
                c * x * x / (shape * shape) - stored - reached
            } else {
                c * (sin + c * t * x) * offset * x / (shape * shape) - sin * (stored + reached)
            }
        };
        let root = zero_between((0.0, over(0.0)), (tip.theta, over(tip.theta)), tolerance::EXTENSION, over);
        unit * (self.reduced_pull(root) - tip.reduced_pull)
    }

    fn fibre_of_even_helix_mm(&self, helix_mm: f64, tip: &Tip) -> f64 {
        let mut length = helix_mm / tip.extension;
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
        let theta = self.inclination(reduced_pull);
        Tip { reduced_pull, theta, extension: theta.cos(), gamma: self.gamma(reduced_pull, theta) }
    }

    /// Axial length of `length_mm` of fibre above a tip, mm, and the extension at its root.
    fn helix_above(&self, tip: &Tip, length_mm: f64) -> (f64, f64) {
        let added = self.weight_mn_mm * length_mm / self.scale_mn;
        let root = tip.reduced_pull + added;
        // Differences of Γ lose digits when the weight adds little to the pull: there x is constant to within f64.
        if added < 1e-7 * (1.0 + tip.reduced_pull) {
            let x = self.inclination(tip.reduced_pull + 0.5 * added).cos();
            return (length_mm * x, x);
        }
        let theta = self.inclination(root);
        (self.characteristic_length_mm() * (self.gamma(root, theta) - tip.gamma), theta.cos())
    }

    /// Γ(T*) = ∫x dT*, from natural shape.
    fn gamma(&self, reduced_pull: f64, theta: f64) -> f64 {
        let (sin, x) = theta.sin_cos();
        let offset = x - self.torsion_ratio * sin;
        x * reduced_pull - 0.5 * self.stiffness_ratio * offset * offset / self.shape(x)
    }

    fn shape(&self, x: f64) -> f64 {
        1.0 - (1.0 - self.stiffness_ratio) * x * x
    }

    /// T* as a function of the inclination θ in (0, π/2].
    fn reduced_pull(&self, theta: f64) -> f64 {
        let (c, t) = (self.stiffness_ratio, self.torsion_ratio);
        let (sin, x) = theta.sin_cos();
        let shape = self.shape(x);
        if t == 0.0 {
            return c * x / (shape * shape);
        }
        c * (sin + c * t * x) * (x - t * sin) / (sin * shape * shape)
    }

    /// The inclination θ whose T* is `reduced_pull`: 0 is straight.
    fn inclination(&self, reduced_pull: f64) -> f64 {
        let t = self.torsion_ratio;
        if t == 0.0 && reduced_pull * self.stiffness_ratio >= 1.0 {
            return 0.0;
        }
        let natural = if t == 0.0 { FRAC_PI_2 } else { (1.0 / t).atan() };
        if reduced_pull <= 0.0 {
            return natural;
        }
        // S·T* is finite at both ends, so the function searched is S·(T*(θ) − T*): positive at 0, negative at natural.
        let f = |theta: f64| {
            let (c, (sin, x)) = (self.stiffness_ratio, theta.sin_cos());
            let shape = self.shape(x);
            if t == 0.0 {
                c * x / (shape * shape) - reduced_pull
            } else {
                c * (sin + c * t * x) * (x - t * sin) / (shape * shape) - sin * reduced_pull
            }
        };
        zero_between((0.0, f(0.0)), (natural, f(natural)), tolerance::EXTENSION, f)
    }
}
