//! The epsilons of searches and derivatives, each with its unit and the reason for its size. What only guards one place
//! against rounding stands there.

/// Newton's step, as a share of what is searched, that is the last: what is left after it is about its square, a billionth of a
/// millimetre in a metre.
pub const NEWTON: f64 = 1e-6;
/// Width in mm at which the search for a length stops: far below anything shown, so that a length found and computed back
/// agrees to nine digits.
pub const LENGTH_MM: f64 = 1e-9;
/// Width in radians to which the elevation is searched at which a head is so high: a billionth of a millimetre on it.
pub const ELEVATION: f64 = 1e-11;
/// Most steps of any search. Halving 10 m down to [`LENGTH_MM`] takes 44, so reaching this is a defect.
pub const STEPS: usize = 200;
/// Step of numerical derivatives in fitted parameters, which are logarithms of order one: what is derived is itself found by
/// searches to some 10⁻¹² of it, and the cube root of that balances truncation against noise.
pub const DERIVATIVE: f64 = 1e-4;
/// Change of the fit's parameters, logarithms, at which it has settled: a millionth of a per cent.
pub const FIT: f64 = 1e-8;
/// Width in mm to which an allowance is searched: a five-hundredth of the half centimetre to which marks are rounded.
pub const ALLOWANCE_MM: f64 = 0.01;
/// Width in mm to which the worn length that reaches a height is searched: half of what is drawn. The last correction leaves
/// a tenth of it.
pub const REACH_MM: f64 = 0.05;
/// Width to which the logarithm of the packing of curls is searched: so much moves a width by half a millimetre.
pub const PACKING_LN: f64 = 0.01;
/// Newton's step in mm that is the last in how hair lies on a head: its square over a length there, which is what is left, is
/// nothing.
pub const ON_HEAD_MM: f64 = 1e-4;
