//! How much volume a client's curls take, by one worn width.

use crate::constants::PACKING_CURL;
use crate::fall::fall;
use crate::fibre::search::zero_between;
use crate::hair::Hair;
use crate::reading::WornWidth;
use crate::tolerance;

/// Makes hair as wide as it was measured, as far as its curl can: what no packing gives contradicts the rest of the reading and
/// is said.
pub(super) fn agree(hair: &mut Hair, measured: &WornWidth) {
    let height = measured.at.height_mm(&hair.measures);
    let over = |ln_curl: f64| {
        let mut tried = hair.clone();
        tried.packing.curl = ln_curl.exp();
        fall(&tried, &tried.lengths).front.width_at_mm(height) - measured.width_mm
    };
    let (low, high) = (PACKING_CURL.range.0.ln(), PACKING_CURL.range.1.ln());
    let ends = (over(low), over(high));
    let ln_curl = if ends.0 >= 0.0 {
        low
    } else if ends.1 <= 0.0 {
        high
    } else {
        zero_between((low, ends.0), (high, ends.1), tolerance::PACKING_LN, over)
    };
    hair.packing.curl = ln_curl.exp();
}
