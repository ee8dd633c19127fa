//! Every epsilon of the computation, with its unit and the reason for its size.

/// Newton's step, as a share of what is searched, that is the last: half the digits of an f64, so that its square is all
/// of them.
pub const NEWTON: f64 = 1e-6;
/// Width in mm at which the search for a length stops: a millionth of what a comb can show.
pub const LENGTH_MM: f64 = 1e-9;
/// Most steps of any search. Halving 10 m down to [`LENGTH_MM`] takes 44, so reaching this is a defect.
pub const STEPS: usize = 200;
/// Step of numerical derivatives in fitted parameters, which are logarithms of order one: the cube root of f64
/// rounding balances truncation against cancellation.
pub const DERIVATIVE: f64 = 1e-4;
/// Change of the fit's parameters at which it has settled: a hundredth of a per cent of a parameter.
pub const FIT: f64 = 1e-8;
/// Width in mm to which an allowance is searched: a hundredth of what a comb shows would be 0.05.
pub const ALLOWANCE_MM: f64 = 0.01;
/// Width in mm to which the worn length that reaches a height is searched: half of what is drawn. The last correction leaves
/// a tenth of it.
pub const REACH_MM: f64 = 0.05;
/// Width to which the logarithm of the packing of curls is searched: a hundredth of it moves a width by half a millimetre.
pub const PACKING_LN: f64 = 0.01;
/// Change in mm at which the worn length down to where hair leaves the head has settled: its square over the length, which is
/// what is left, is nothing.
pub const TURN_MM: f64 = 1e-4;
