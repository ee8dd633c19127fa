//! The constants of hair, tools and people: each with its value, the range that is plausible, and where it is from. What only
//! one step of a computation needs, such as how finely something is divided, stands beside that step.
//!
//! These are defaults of ours, not anyone's recipe. What a client's own measures say always outweighs them.

/// A default with the range it may plausibly take and its source.
#[derive(Debug, Clone, Copy)]
pub struct Constant {
    /// The value used.
    pub value: f64,
    /// Plausible range (lowest, highest).
    pub range: (f64, f64),
    /// Where the value is from.
    pub source: &'static str,
}

const fn constant(value: f64, range: (f64, f64), source: &'static str) -> Constant {
    Constant { value, range, source }
}

const ROBBINS: &str = "Robbins, Chemical and Physical Behavior of Human Hair";
const OWN: &str = "our own estimate, replaced by the client's landings";

/// Standard gravity, m/s².
pub const GRAVITY: Constant = constant(9.81, (9.78, 9.83), "standard gravity, rounded");
/// Density of hair, kg/m³.
pub const DENSITY_KG_M3: Constant = constant(1320.0, (1290.0, 1350.0), ROBBINS);
/// Young's modulus of dry hair, GPa.
pub const YOUNGS_DRY_GPA: Constant = constant(3.9, (3.0, 6.0), ROBBINS);
/// Shear modulus of dry hair, GPa.
pub const SHEAR_DRY_GPA: Constant = constant(1.0, (0.7, 1.3), ROBBINS);
/// Young's modulus of soaked hair as a share of dry.
pub const YOUNGS_WET_SHARE: Constant = constant(0.4, (0.3, 0.55), ROBBINS);
/// Shear modulus of soaked hair as a share of dry.
pub const SHEAR_WET_SHARE: Constant = constant(0.25, (0.15, 0.4), ROBBINS);
/// Water a fibre takes up inside before it is soaked, g per g of dry hair. More than this sits on the surface.
pub const WATER_WHEN_SOAKED: Constant = constant(0.3, (0.25, 0.35), ROBBINS);

/// Water of hair called dry, damp and wet, g per g. Dry is the zero the dry moduli are given for.
pub const WATER_DRY: Constant = constant(0.0, (0.0, 0.05), "the state the dry moduli are given for");
/// Water of towel-damp hair, g per g: soaked plus 0.3 on the surface.
pub const WATER_DAMP: Constant = constant(0.6, (0.4, 0.8), ROBBINS);
/// Water of wet, combed hair, g per g: soaked plus 0.7 on the surface.
pub const WATER_WET: Constant = constant(1.0, (0.8, 1.3), ROBBINS);

/// Relative humidity, %, in which hair called dry has the dry moduli: that of the rooms they were measured in.
pub const AIR_USUAL_PCT: Constant = constant(60.0, (50.0, 65.0), ROBBINS);
/// Water that hair takes up from air, g per 100 g of dry hair, at relative humidities in %, straight between them.
pub const WATER_FROM_AIR: [(f64, f64); 7] =
    [(0.0, 0.0), (29.2, 6.0), (40.3, 7.6), (50.0, 9.8), (65.0, 12.8), (70.3, 13.6), (100.0, 31.2)];

const PULL: &str = "what is left on a fibre when the blades close, far less than combing takes; our own orders of magnitude, \
                    replaced by a strand measured on each comb";
/// Pull that a wide comb and an open hand leave on a fibre when the blades close, mN.
pub const PULL_WIDE_MN: Constant = constant(0.02, (0.01, 0.05), PULL);
/// The same of a medium comb, mN.
pub const PULL_MEDIUM_MN: Constant = constant(0.1, (0.05, 0.3), PULL);
/// The same of a fine comb drawn taut, mN.
pub const PULL_FINE_MN: Constant = constant(2.0, (1.0, 4.0), PULL);

/// Fibre diameters that stand for fine, medium and coarse hair, µm. Fine is under 60, coarse over 80.
pub const WIDTH_FINE_UM: Constant = constant(52.0, (40.0, 60.0), ROBBINS);
/// Diameter of medium hair, µm.
pub const WIDTH_MEDIUM_UM: Constant = constant(70.0, (60.0, 80.0), ROBBINS);
/// Diameter of coarse hair, µm.
pub const WIDTH_COARSE_UM: Constant = constant(88.0, (80.0, 120.0), ROBBINS);

/// Curvature of the worn style as a share of the natural: diffused curls are set a little tighter than they spring.
pub const CURVATURE_DIFFUSED: Constant = constant(1.05, (1.0, 1.15), OWN);
/// Curvature left in brushed-out hair: brushing takes locks apart, and loops open by some per cent of the length at most.
pub const CURVATURE_BRUSHED: Constant = constant(0.94, (0.85, 1.0), OWN);
/// Curvature left in hair smoothed with brush or iron.
pub const CURVATURE_SMOOTHED: Constant = constant(0.1, (0.02, 0.25), OWN);

const SCALE: &str = "De la Mettrie et al. 2007, Human Biology 79, loop diameters of the worldwide scale";
/// Median natural loop radius over all people, mm.
pub const PRIOR_RADIUS_MM: Constant = constant(8.0, (1.0, 150.0), SCALE);
/// Spread of the natural logarithm of the loop radius.
pub const PRIOR_RADIUS_LN_SD: Constant = constant(1.0, (0.7, 1.4), SCALE);
/// Median natural pitch (how open the spiral is when nothing pulls).
pub const PRIOR_PITCH: Constant = constant(0.3, (0.05, 0.7), OWN);
/// Spread of the logit of the pitch.
pub const PRIOR_PITCH_LOGIT_SD: Constant = constant(1.0, (0.6, 1.5), OWN);
/// Spread of the logarithm of the clumped stiffness against that of a single fibre.
pub const PRIOR_STIFFNESS_LN_SD: Constant = constant(0.5, (0.3, 0.8), OWN);
/// Spread of the logarithm of how strongly water softens this hair.
pub const PRIOR_SOFTENING_LN_SD: Constant = constant(0.3, (0.15, 0.5), OWN);

/// Standard error of one reading off a tape or comb laid to hair, mm.
pub const TAPE_SD_MM: Constant = constant(3.0, (1.0, 5.0), OWN);
/// Least pull on a measured strand of about 50 hairs at which it counts as pulled straight, cN: that of a fine comb.
pub const STRAIGHT_PULL_CN: Constant = constant(20.0, (10.0, 60.0), PULL);
/// Most pull on such a strand at which it counts as let go, cN: that of a wide comb.
pub const LET_GO_PULL_CN: Constant = constant(2.0, (0.5, 4.0), PULL);
/// How much strands of one zone differ: standard deviation of the logit of sprung over stretched. In the logit,
/// because neither nearly straight nor tightly coiled strands differ by much of their length.
pub const STRAND_LOGIT_SD: Constant = constant(0.15, (0.08, 0.4), OWN);
/// How many strands, or readings of one, such a guess is worth where they are measured one by one.
pub const USUAL_SD_WORTH: Constant = constant(4.0, (1.0, 10.0), OWN);
/// Loop radius that is called straight, mm.
pub const STRAIGHT_RADIUS_MM: Constant = constant(120.0, (60.0, 300.0), OWN);
/// By how much each word for curl is tighter than the one before it. Seven words then span the loops of human hair (De la
/// Mettrie et al. 2007, Human Biology 79), down to two millimetres across.
pub const CURL_STEP: Constant = constant(2.2, (1.8, 2.6), OWN);
/// Standard error of the logarithm of a loop's width that is held against a rule.
pub const LOOP_LN_SD: Constant = constant(0.15, (0.05, 0.3), OWN);
/// The same of a word for it: half a step between words.
pub const CURL_WORD_LN_SD: Constant = constant(0.4, (0.3, 0.8), OWN);
/// Standard error of turns counted, as a share of their number.
pub const TURNS_LN_SD: Constant = constant(0.1, (0.03, 0.2), OWN);
/// Turns that are miscounted whatever their number.
pub const TURNS_SD: Constant = constant(0.5, (0.2, 1.0), OWN);
/// By how much more volume curly hair takes in damp air, as a share: water lets single fibres leave their locks.
pub const FRIZZ_DAMP: Constant = constant(0.25, (0.1, 0.6), OWN);
/// The same in dry air: locks hold together.
pub const FRIZZ_DRY: Constant = constant(-0.08, (-0.2, 0.0), OWN);
/// How much the same hair differs from styling to styling: standard deviation of the same logit.
pub const STYLING_LOGIT_SD: Constant = constant(0.08, (0.03, 0.2), OWN);
/// Standard error of the extension law against full rods, as a share of the length it converts (held minus worn).
pub const LAW_SD_SHARE: Constant =
    constant(0.02, (0.01, 0.04), "measured against the reference rods, docs/accuracy.md");
/// Standard error of cutting at a mark, mm.
pub const CUT_SD_MM: Constant = constant(1.5, (0.5, 3.0), OWN);
/// How far a hand's pull strays from what was meant: standard deviation of its logarithm.
pub const PULL_LN_SD: Constant = constant(0.4, (0.2, 0.7), OWN);
/// How far hands differ in what they leave on a fibre with the same comb: standard deviation of its logarithm.
pub const HAND_LN_SD: Constant = constant(0.3, (0.2, 0.9), OWN);
/// How far moisture strays from what was meant: standard deviation as a share of it.
pub const WATER_SD_SHARE: Constant = constant(0.25, (0.1, 0.4), OWN);

/// Chance taken that the hair lands shorter than wished.
pub const RISK: Constant = constant(0.05, (0.001, 0.5), "1 in 20; a person can change it");
/// Share of that chance that is taken in a fringe.
pub const FRINGE_RISK_SHARE: Constant = constant(0.5, (0.2, 1.0), OWN);
/// Extra that is worth leaving for a state in which the line is seen level and even, mm.
pub const WORTH_OF_WET_MM: Constant = constant(4.0, (0.0, 10.0), OWN);
/// Growth of scalp hair, mm a day.
pub const GROWTH_MM_PER_DAY: Constant =
    constant(0.35, (0.2, 0.45), "Loussouarn et al. 2005, British Journal of Dermatology 153");

/// Smallest step that can be read on a comb, mm.
pub const COMB_STEP_MM: Constant = constant(5.0, (1.0, 10.0), "half centimetre graduations");
/// Smallest step that can be read on a comb marked in inches, mm (a quarter inch).
pub const COMB_STEP_INCH_MM: Constant = constant(6.35, (3.175, 12.7), "quarter inch graduations");

/// Every constant with its name, for the table in the documentation and the range test.
pub const ALL: &[(&str, Constant)] = &[
    ("gravity, m/s²", GRAVITY),
    ("density, kg/m³", DENSITY_KG_M3),
    ("Young's modulus dry, GPa", YOUNGS_DRY_GPA),
    ("shear modulus dry, GPa", SHEAR_DRY_GPA),
    ("Young's modulus soaked, share", YOUNGS_WET_SHARE),
    ("shear modulus soaked, share", SHEAR_WET_SHARE),
    ("water when soaked, g/g", WATER_WHEN_SOAKED),
    ("water dry, g/g", WATER_DRY),
    ("water damp, g/g", WATER_DAMP),
    ("water wet, g/g", WATER_WET),
    ("usual air, %", AIR_USUAL_PCT),
    ("wide comb, mN a fibre", PULL_WIDE_MN),
    ("medium comb, mN a fibre", PULL_MEDIUM_MN),
    ("fine comb, mN a fibre", PULL_FINE_MN),
    ("fine fibre, µm", WIDTH_FINE_UM),
    ("medium fibre, µm", WIDTH_MEDIUM_UM),
    ("coarse fibre, µm", WIDTH_COARSE_UM),
    ("curvature diffused, share", CURVATURE_DIFFUSED),
    ("curvature brushed out, share", CURVATURE_BRUSHED),
    ("curvature smoothed, share", CURVATURE_SMOOTHED),
    ("prior loop radius, mm", PRIOR_RADIUS_MM),
    ("prior loop radius, ln spread", PRIOR_RADIUS_LN_SD),
    ("prior pitch", PRIOR_PITCH),
    ("prior pitch, logit spread", PRIOR_PITCH_LOGIT_SD),
    ("prior stiffness, ln spread", PRIOR_STIFFNESS_LN_SD),
    ("prior softening, ln spread", PRIOR_SOFTENING_LN_SD),
    ("tape, mm", TAPE_SD_MM),
    ("pull that straightens, cN", STRAIGHT_PULL_CN),
    ("pull of hair let go, cN", LET_GO_PULL_CN),
    ("strands differ, logit", STRAND_LOGIT_SD),
    ("strands that guess is worth", USUAL_SD_WORTH),
    ("loop radius called straight, mm", STRAIGHT_RADIUS_MM),
    ("curl words, ratio", CURL_STEP),
    ("loop width, ln spread", LOOP_LN_SD),
    ("curl word, ln spread", CURL_WORD_LN_SD),
    ("turns counted, ln spread", TURNS_LN_SD),
    ("turns counted, least", TURNS_SD),
    ("volume in damp air, share", FRIZZ_DAMP),
    ("volume in dry air, share", FRIZZ_DRY),
    ("styling differs, logit", STYLING_LOGIT_SD),
    ("extension law, share", LAW_SD_SHARE),
    ("cutting, mm", CUT_SD_MM),
    ("pull strays, ln", PULL_LN_SD),
    ("hands differ, ln", HAND_LN_SD),
    ("moisture strays, share", WATER_SD_SHARE),
    ("risk of landing short", RISK),
    ("risk in a fringe, share", FRINGE_RISK_SHARE),
    ("worth of cutting wet, mm", WORTH_OF_WET_MM),
    ("growth, mm a day", GROWTH_MM_PER_DAY),
    ("comb step, mm", COMB_STEP_MM),
    ("comb step in inches, mm", COMB_STEP_INCH_MM),
    ("hairs per cm²", HAIRS_PER_CM2),
    ("packing of straight hair", PACKING_STRAIGHT),
    ("volume of closed curls, times", PACKING_CURL),
    ("volume of brushed curls, times", PACKING_BRUSHED),
    ("stiffness of a closed lock, times", LOCK_ENTANGLED),
    ("clumping in light", LIGHT_CLUMPING),
    ("least share that is perimeter", LINE_SHARE),
    ("fringe falls forward up to, mm", FRINGE_FALLS_MM),
    ("hair in front parts from, mm", FRINGE_PARTS_MM),
    ("see-through from, share of light", SEE_THROUGH),
    ("choppy from, % of the hair for each degree", CHOPPY_SHARE),
    ("step that shows, mm", CHOPPY_STEP_MM),
    ("ends that neighbours from the same pore leave free, share", SCOPE_FREE_SHARE),
    ("distance at which hairs in a picture run together, px", SCOPE_BLUR_PX),
    ("error of a count of hairs, share", SCOPE_SD_SHARE),
    ("error of a width in a picture, share", SCOPE_WIDTH_SD_SHARE),
    ("error of a girth of gathered hair, mm", GIRTH_SD_MM),
    ("hair that holds in a tie, mm", TIE_HOLD_MM),
    ("triangle from, width below over above", TRIANGLE_RATIO),
    ("shelf from, % of ends", SHELF_PCT),
    ("shelf steps, mm", SHELF_STEP_MM),
    ("mushroom from, width above over below", MUSHROOM_RATIO),
    ("broom ends under, %", BROOM_PCT),
    ("see-through ends from, mm", SEE_THROUGH_MM),
    ("hole at the ear under, %", HOLE_PCT),
    ("heavy corner from, times", CORNER_RATIO),
    ("cap line from, mm", CAP_LINE_MM),
    ("sides differ from, mm or %", SIDES_DIFFER),
    ("lifted line from, mm", LIFTED_LINE_MM),
    ("front may lack, mm", FRONT_LACKS_MM),
    ("fringe outside the brows, mm", FRINGE_OUTSIDE_MM),
    ("hair that slips from a tie, %", TIE_SLIPS_PCT),
    ("weight near the surface from, %", SURFACE_PCT),
    ("weight too deep from, %", DEEP_PCT),
    ("guide drift from, mm", DRIFT_MM),
    ("low layers on fine hair from, %", LOW_LAYERS_PCT),
    ("tension from, mm", TENSION_MM),
    ("uneven moisture from, mm", UNEVEN_MM),
    ("flat under, mm", FLAT_MM),
    ("regrowth from, %", REGROWTH_PCT),
    ("hair beside the face from, %", FACE_CLOSED_PCT),
    ("wish missed from, mm", WISH_MM),
    ("kept hair lost from, mm", KEPT_MM),
    ("water lost, g/g a minute", DRIES_PER_MIN),
    ("a subsection, s", SUBSECTION_S),
    ("a decimetre of line, s", LINE_S_PER_DM),
    ("texturing a subsection, s", TEXTURE_S),
];

/// Hairs on a square centimetre of scalp where nothing was counted.
pub const HAIRS_PER_CM2: Constant =
    constant(180.0, (80.0, 300.0), "Loussouarn 2001, Br. J. Dermatol. 145, and others");
/// Share of the cross-section of straight worn hair that is fibre; the rest is air.
pub const PACKING_STRAIGHT: Constant = constant(0.09, (0.04, 0.2), OWN);
/// By how many times more volume closed curls take than straight hair, β in φ = φ₀/(1 + β(1 − x²)²). Fitted to a client by one
/// worn width. Compare Goldstein, Warren, Ball 2012, Phys. Rev. Lett. 108, 078101, and van Wyk 1946, J. Text. Inst. 37.
pub const PACKING_CURL: Constant = constant(6.6, (0.5, 24.0), OWN);
/// The same times so many where curls are brushed out: single fibres lie out of phase and keep each other away.
pub const PACKING_BRUSHED: Constant = constant(1.5, (1.2, 3.0), OWN);
/// By how much more a lock of closed curls is stiff than its fibres one by one; open hair slips.
pub const LOCK_ENTANGLED: Constant = constant(8.0, (2.0, 30.0), OWN);
/// Clumping in light through hair: fibres in locks hide each other (Nilson 1971, Agric. Meteorol. 8).
pub const LIGHT_CLUMPING: Constant = constant(0.4, (0.3, 0.5), "Nilson 1971, Agric. Meteorol. 8");
/// Share of the hair of an azimuth whose ends, the lowest, are its perimeter: single longer hairs are wisps.
pub const LINE_SHARE: Constant = constant(0.1, (0.05, 0.15), OWN);
/// Worn length up to which hair over the forehead falls forward, and from which it goes with the parting, mm.
pub const FRINGE_FALLS_MM: Constant = constant(150.0, (100.0, 180.0), OWN);
/// See [`FRINGE_FALLS_MM`].
pub const FRINGE_PARTS_MM: Constant = constant(240.0, (200.0, 320.0), OWN);
/// Share of light through a layer of hair from which on its ends are called see-through.
pub const SEE_THROUGH: Constant = constant(0.25, (0.1, 0.5), OWN);
/// Share of the hair that ends over two fingers for each degree the head turns in over them, where steps show, % for a
/// degree.
pub const CHOPPY_SHARE: Constant = constant(5.5, (3.0, 10.0), OWN);
/// Depth of a step in the outline that shows, mm.
pub const CHOPPY_STEP_MM: Constant = constant(0.6, (0.5, 3.0), OWN);
/// Share of the ends of hairs that others from the same group of pores leave free: set on generated pictures.
pub const SCOPE_FREE_SHARE: Constant = constant(0.85, (0.7, 1.0), OWN);
/// Distance in a picture at which two hairs run together, px: set on generated pictures.
pub const SCOPE_BLUR_PX: Constant = constant(0.75, (0.0, 6.0), OWN);
/// One standard error of hairs counted on a picture, as a share: measured on generated pictures (docs/accuracy.md).
pub const SCOPE_SD_SHARE: Constant = constant(0.07, (0.02, 0.15), OWN);
/// Standard error of the width of hairs in a picture, as a share: what is found on made-up pictures.
pub const SCOPE_WIDTH_SD_SHARE: Constant = constant(0.075, (0.03, 0.2), OWN);
/// One standard error of a tape round gathered hair, mm.
pub const GIRTH_SD_MM: Constant = constant(2.0, (1.0, 5.0), OWN);

/// Length that has to go through a tie for it to hold, mm.
pub const TIE_HOLD_MM: Constant = constant(25.0, (15.0, 50.0), OWN);

const EYE: &str = "our own estimate of what is seen across a chair";
const HANDS: &str = "our own estimate of what hands can hold to";
/// Width near the perimeter over the width above the ears from which on hair is wide below and flat on top.
pub const TRIANGLE_RATIO: Constant = constant(1.35, (1.15, 1.8), EYE);
/// Share of all ends within two fingers of height, where the outline steps out as well, that looks like a shelf, %.
pub const SHELF_PCT: Constant = constant(35.0, (20.0, 60.0), EYE);
/// Step of the outline on either side that shows, mm.
pub const SHELF_STEP_MM: Constant = constant(15.0, (8.0, 30.0), EYE);
/// Greatest width in the upper part over the width below the ears that looks like a mushroom.
pub const MUSHROOM_RATIO: Constant =
    constant(1.34, (1.2, 1.8), "four thirds: below the ears under three quarters");
/// Fullness near the perimeter as a share of that a hand higher under which ends look like a broom, %.
pub const BROOM_PCT: Constant =
    constant(13.0, (5.0, 60.0), "uncut hair as long all over ends in 9 to 17: it is hardly a fault of a cut");
/// How far above the perimeter light comes through before it is objected to, mm.
pub const SEE_THROUGH_MM: Constant =
    constant(55.0, (10.0, 120.0), "uncut fine hair of even length fades over 30 to 50");
/// Hair that hangs beside the ear as a share of that in front and behind under which there is a hole, %.
pub const HOLE_PCT: Constant = constant(60.0, (40.0, 80.0), EYE);
/// Ends in a sector over those beside it that make a heavy corner.
pub const CORNER_RATIO: Constant = constant(1.4, (1.2, 2.5), EYE);
/// Height with hardly an end in it that shows as a line under a cap, mm.
pub const CAP_LINE_MM: Constant = constant(60.0, (40.0, 120.0), EYE);
/// Difference of left and right that is seen in a mirror, mm of perimeter or % of mass.
pub const SIDES_DIFFER: Constant = constant(8.0, (4.0, 20.0), EYE);
/// How far a perimeter lifts off its smooth course before it is seen, mm.
pub const LIFTED_LINE_MM: Constant = constant(6.0, (3.0, 15.0), EYE);
/// What a promised length in front may lack of its allowance, mm.
pub const FRONT_LACKS_MM: Constant =
    constant(0.0, (-10.0, 20.0), "the chance the client takes is chosen in Aim");
/// How far outside the brows a fringe may root, mm.
pub const FRINGE_OUTSIDE_MM: Constant = constant(
    10.0,
    (0.0, 25.0),
    "half a finger; the outermost hair of a fringe parted off at the brows roots 6 outside them",
);
/// Share of the hair in front that may slip from a tie, %.
pub const TIE_SLIPS_PCT: Constant = constant(10.0, (5.0, 30.0), "new hair slips from any tie");
/// Share of the outer hair that may be cut shorter from within, %.
pub const SURFACE_PCT: Constant = constant(10.0, (5.0, 30.0), EYE);
/// Share of the hair of a zone that may be left at half its length or less, %.
pub const DEEP_PCT: Constant =
    constant(20.0, (10.0, 50.0), "one hair in five: fewer prop, more are missed below");
/// By how much a guide may drift over all sections of a step, mm.
pub const DRIFT_MM: Constant = constant(6.0, (3.0, 20.0), HANDS);
/// Share of fine hair below the occipital bone that may be layered, %.
pub const LOW_LAYERS_PCT: Constant =
    constant(25.0, (10.0, 60.0), "half of it held at 45°, or a quarter straight out");
/// Standard error of a landing that comes from the pull of the comb alone, worn mm.
pub const TENSION_MM: Constant =
    constant(8.0, (3.0, 20.0), "a wide comb in a hand that nobody measured moves ringlets by 5 to 6");
/// Worn difference between the first and the last subsection of a pass that dries meanwhile, mm.
pub const UNEVEN_MM: Constant = constant(5.0, (3.0, 15.0), HANDS);
/// How far the outline must stand over the top of the head where lift is wished, mm.
pub const FLAT_MM: Constant = constant(
    4.0,
    (2.0, 40.0),
    "uncut fine hair of 30 cm stands 2 mm over the head, under layers or props 4 to 6",
);
/// Share of a zone's hair that may be regrowth with nothing of its length beside it, %.
pub const REGROWTH_PCT: Constant = constant(5.0, (2.0, 15.0), EYE);
/// Share of the hair that may hang beside the face where it is wished open, %.
pub const FACE_CLOSED_PCT: Constant = constant(3.5, (1.0, 20.0), EYE);
/// How far a zone may end from where it was wished, mm.
pub const WISH_MM: Constant = constant(15.0, (5.0, 40.0), "a finger's breadth");
/// How much of hair that was to be kept may go, mm.
pub const KEPT_MM: Constant = constant(15.0, (5.0, 40.0), "a dusting of the ends");

/// Water that combed hair loses to a room, g per g and minute, while it is not misted.
pub const DRIES_PER_MIN: Constant = constant(0.012, (0.004, 0.03), OWN);
/// Seconds to part off, comb and hold a subsection, and to set it down.
pub const SUBSECTION_S: Constant =
    constant(25.0, (12.0, 60.0), "our own estimate, replaced by a stylist's log");
/// Seconds a decimetre of blunt line takes to cut and check.
pub const LINE_S_PER_DM: Constant =
    constant(20.0, (8.0, 60.0), "our own estimate, replaced by a stylist's log");
/// Seconds more for a subsection that is textured.
pub const TEXTURE_S: Constant = constant(12.0, (5.0, 40.0), "our own estimate, replaced by a stylist's log");

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn every_value_lies_in_its_own_range_and_says_its_source() {
        for (name, c) in ALL {
            assert!(c.range.0 <= c.value && c.value <= c.range.1, "{name}");
            assert!(!c.source.is_empty(), "{name}");
        }
    }
}
