//! An ordinary adult as our own sketch: millimetres, y down from the ear canals, x to the right of the page. Only absolute
//! commands of paths: each point is moved to where the client's own measures put it.

use super::Ink::{self, Body, Brow, Ear, Faint, Fine, Firm, Lips};
use crate::head::Point;

/// A line of the sketch, or two that are each other's mirror images.
pub(super) struct Line {
    pub ink: Ink,
    pub path: &'static str,
    pub both: bool,
}

const fn one(ink: Ink, path: &'static str) -> Line {
    Line { ink, path, both: false }
}
const fn both(ink: Ink, path: &'static str) -> Line {
    Line { ink, path, both: true }
}

/// Heights in the sketch at which the top of the head and the named points lie, highest first, from the front and from the left.
pub(super) const TOP: f64 = -140.0;
pub(super) const FRONT_HEIGHTS: [(Point, f64); 6] = heights([-33.0, 34.0, 65.0, 120.0, 186.0, 222.0]);
pub(super) const SIDE_HEIGHTS: [(Point, f64); 6] = heights([-36.0, 32.0, 69.0, 123.0, 186.0, 222.0]);
const fn heights([brow, nose_tip, lip, chin, shoulder, collarbone]: [f64; 6]) -> [(Point, f64); 6] {
    use Point::{Brow, Chin, Collarbone, Lip, NoseTip, Shoulder};
    [
        (Brow, brow),
        (NoseTip, nose_tip),
        (Lip, lip),
        (Chin, chin),
        (Shoulder, shoulder),
        (Collarbone, collarbone),
    ]
}
/// Half the breadth and the length of the head in it, and half the breadth of the shoulders.
pub(super) const HALF_BREADTH: f64 = 79.0;
pub(super) const HALF_LENGTH: f64 = 98.0;
pub(super) const HALF_SHOULDERS: f64 = 204.0;

pub(super) const TRUNK: &str = "M-54 70 C-54 120 -58 150 -78 168 C-108 190 -170 196 -204 222 C-226 240 -236 280 -240 370 L-240 1200 L240 1200 L240 370 C236 280 226 240 204 222 C170 196 108 190 78 168 C58 150 54 120 54 70";
/// From the ear on the right of the page under the client's own skull to the other: the face, and, from behind, the way into the neck.
pub(super) const FACE_FRONT: &str = "C79 8 75.2 8 74 18 C72 50 60 80 38 102 C26 114 14 120 0 120 C-14 120 -26 114 -38 102 C-60 80 -72 50 -74 18 C-75.2 8 -79 8 -79 0";
pub(super) const NECK_BEHIND: &str =
    "C79 16 73 20 66 40 C60 56 56 72 54 92 L-54 92 C-56 72 -60 56 -66 40 C-73 20 -79 16 -79 0";
pub(super) const EARS: [Line; 2] = [
    both(Ear, "M-75 -12 C-88 -30 -94 -8 -89 12 C-86 28 -80 38 -73 34 Z"),
    both(Fine, "M-84 -8 C-88 2 -85 16 -79 24"),
];
pub(super) const BODY_LINES: [Line; 3] = [
    both(Fine, "M-20 222 C-60 216 -110 214 -150 224"),
    one(Fine, "M-12 232 Q0 242 12 232"),
    both(Faint, "M-50 118 C-40 160 -22 190 -8 214"),
];
pub(super) const NOSE: Line =
    one(Fine, "M-8 -22 C-8 -2 -11 14 -14 28 C-16 36 -10 39 -6 37 C-3 41 3 41 6 37 C10 39 16 36 14 28");
pub(super) const FACE_LINES: [Line; 7] = [
    both(Brow, "M-52 -26 C-44 -35 -30 -36 -17 -29 C-29 -31 -42 -30 -52 -26 Z"),
    both(Firm, "M-49 -5 C-42 2 -26 3 -17 -4 M-49 -5 L-53 -2 M-45 -1 L-48 3"),
    both(Fine, "M-47 -12 C-40 -18 -27 -18 -19 -12"),
    one(Lips, "M-24 64 C-16 59 -7 56 0 59 C7 56 16 59 24 64 C16 74 8 77 0 77 C-8 77 -16 74 -24 64 Z"),
    one(Firm, "M-25 64 C-15 66.5 -7 66.5 0 65.5 C7 66.5 15 66.5 25 64"),
    one(Faint, "M-10 86 C-4 89 4 89 10 86"),
    both(Faint, "M-60 28 C-52 46 -46 56 -40 62"),
];

pub(super) const TRUNK_SIDE: &str = "M38 66 C46 110 44 140 60 170 C86 196 150 214 176 250 C190 280 196 330 198 370 L198 1200 L-150 1200 L-150 370 C-150 330 -140 276 -112 244 C-88 222 -66 210 -58 196 C-48 176 -46 150 -42 118 Z";
/// From the nape under the jaw and up the face to the forehead; the skull above it is the client's own.
pub(super) const FACE_SIDE: &str = "C30 110 -6 118 -38 124 C-50 127 -62 127 -72 124 C-86 120 -92 112 -90 104 C-89 99 -93 95 -94 91 C-95 87 -91 85 -92 81 C-97 79 -99 74 -97 69 C-95 66 -94 63 -96 59 C-99 54 -96 48 -96 43 C-102 42 -114 40 -117 34 C-120 28 -112 16 -106 0 C-102 -10 -101 -16 -102 -22 C-105 -30 -103 -36 -101 -42";
/// How far forward the face reaches without nose, lips and chin, by height.
pub(super) const CHEEKS: [(f64, f64); 6] =
    [(-42.0, 101.0), (-22.0, 100.0), (0.0, 97.0), (43.0, 93.0), (91.0, 89.0), (127.0, 72.0)];
/// Half the breadth over which nose, lips and chin stand out from it, by height.
pub(super) const NOSE_HALF: [(f64, f64); 6] =
    [(-30.0, 9.0), (0.0, 7.5), (28.0, 12.0), (40.0, 12.0), (59.0, 20.0), (127.0, 26.0)];
/// The nose as the edge that is seen from between front and side, and its wing towards whoever looks.
pub(super) const NOSE_EDGE: &str =
    "M-102 -22 C-101 -16 -102 -10 -106 0 C-112 16 -120 28 -117 34 C-114 40 -102 42 -96 43";
pub(super) const NOSE_WING: Line = one(Fine, "M6 38 C10 40 16 36 14 28");
pub(super) const EAR_SIDE: [Line; 2] = [
    one(Ear, "M4 -14 C16 -34 34 -24 30 -2 C28 10 22 14 20 26 C18 36 6 38 4 28 C2 18 -4 4 4 -14 Z"),
    one(Fine, "M9 -10 C18 -22 26 -14 23 -2 C21 6 14 8 14 16"),
];
pub(super) const SIDE_LINES: [Line; 6] = [
    one(Brow, "M-97 -32 C-88 -38 -76 -38 -68 -32 C-78 -34 -88 -33 -97 -32 Z"),
    one(Firm, "M-96 -6 C-90 -2 -82 -2 -76 -6"),
    one(Fine, "M-94 -13 C-88 -17 -82 -16 -77 -12"),
    one(Fine, "M-104 36 C-100 30 -94 32 -94 40"),
    one(Firm, "M-97 69 C-90 72 -82 72 -76 70"),
    one(Faint, "M20 84 C10 104 -14 112 -40 118"),
];

/// From above, the face down the page.
pub(super) const SHOULDERS_ABOVE: Line = one(
    Body,
    "M-204 -10 C-196 -62 -120 -84 0 -86 C120 -84 196 -62 204 -10 C204 44 150 70 70 74 C40 76 -40 76 -70 74 C-150 70 -204 44 -204 -10 Z",
);
pub(super) const NOSE_ABOVE: &str = "M-12 90 C-8 104 -6 116 0 117 C6 116 8 104 12 90 Z";
