//! Pictures as they come and go: PNG to shades of grey, and shades of grey to PNG.

use png::{ColorType, Decoder, EncodingError, Limits, Transformations};
use spirel_core::scope::{DrawnScalp, Picture, SCOPE_SIDE_MM, SCOPE_SIDE_PX, SIDE_PX, look, png_of_grey};
use spirel_core::{FieldError, FieldErrors, Problem};
use std::io::Cursor;

/// Memory a decoder may use, bytes: a picture of the largest side that is taken, four bytes a pixel, twice.
const MOST_MEMORY: usize = 32 << 20;

/// The square of scalp in a PNG, so many mm along a side.
pub fn scalp_of_png(bytes: &[u8], side_mm: f64) -> Result<Picture, FieldErrors> {
    let mut faults = FieldErrors::default();
    let not_png = || FieldErrors(vec![FieldError::new("picture", Problem::contradicts("fault-not-png"))]);
    // What a picture says of its size is asked before any of it is unpacked: a few bytes can promise millions of pixels.
    let (width, height) = size_of_png(bytes).ok_or_else(not_png)?;
    faults.range("side_mm", side_mm, SCOPE_SIDE_MM, "mm");
    faults.range("picture", f64::from(width.max(height)), SCOPE_SIDE_PX, "px");
    if width != height {
        faults.push("picture", Problem::contradicts("fault-not-square"));
    }
    faults.or(())?;
    Picture::new(&grey_of_png(bytes).ok_or_else(not_png)?, side_mm)
}

/// Width and height of a PNG, by its head.
fn size_of_png(bytes: &[u8]) -> Option<(u32, u32)> {
    let reader =
        Decoder::new_with_limits(Cursor::new(bytes), Limits { bytes: MOST_MEMORY }).read_info().ok()?;
    Some(reader.info().size())
}

/// A corner of a made-up scalp with so many hairs on a square centimetre, five millimetres along a side, as PNG.
pub fn scalp_to_compare(hairs_per_cm2: f64) -> Result<Vec<u8>, EncodingError> {
    const SEED: u64 = 7;
    let scalp = DrawnScalp { hairs_per_cm2, width_um: 70.0, loop_radius_mm: 12.0, hair: 50.0, skin: 205.0 };
    let seen = look(&scalp, SEED);
    let side = SIDE_PX / 2;
    let corner: Vec<u8> =
        seen.grey.chunks_exact(SIDE_PX).take(side).flat_map(|row| &row[..side]).copied().collect();
    png_of_grey(&corner, side as u32)
}

/// Brightness, row by row (ITU-R BT.601 weights). None if it isn't a PNG, is broken, or is not square.
fn grey_of_png(bytes: &[u8]) -> Option<Vec<u8>> {
    let mut decoder = Decoder::new_with_limits(Cursor::new(bytes), Limits { bytes: MOST_MEMORY });
    decoder.set_transformations(Transformations::normalize_to_color8());
    let mut reader = decoder.read_info().ok()?;
    let size = reader.output_buffer_size().filter(|size| *size <= MOST_MEMORY)?;
    let mut pixels = vec![0; size];
    let frame = reader.next_frame(&mut pixels).ok()?;
    if frame.width != frame.height {
        return None;
    }
    let pixels = &pixels[..frame.buffer_size()];
    let luma = |rgb: &[u8]| {
        let [r, g, b] = [rgb[0], rgb[1], rgb[2]].map(u32::from);
        ((299 * r + 587 * g + 114 * b + 500) / 1000) as u8
    };
    Some(match frame.color_type {
        ColorType::Grayscale => pixels.to_vec(),
        ColorType::GrayscaleAlpha => pixels.chunks_exact(2).map(|pixel| pixel[0]).collect(),
        ColorType::Rgb => pixels.chunks_exact(3).map(luma).collect(),
        ColorType::Rgba => pixels.chunks_exact(4).map(luma).collect(),
        ColorType::Indexed => return None,
    })
}

#[cfg(test)]
mod tests {
    use super::*;
    use png::Encoder;

    #[test]
    fn a_picture_goes_to_png_and_comes_back_the_same() {
        let grey: Vec<u8> = (0..300_u32 * 300).map(|i| (i % 251) as u8).collect();
        let png = png_of_grey(&grey, 300).expect("written");
        assert_eq!(grey_of_png(&png), Some(grey.clone()));
        assert!(scalp_of_png(&png, 10.0).is_ok());
        for cut in [0, 8, 40, png.len() / 2] {
            assert!(grey_of_png(&png[..cut]).is_none(), "broken off at {cut}");
        }
    }

    #[test]
    fn a_picture_that_promises_too_much_is_refused_by_its_head() {
        let mut bytes = png_of_grey(&vec![0; 300 * 300], 300).expect("written");
        // Width and height stand behind the signature and the first chunk's name, its sum behind them.
        for (width, height, field) in
            [(60_000_u32, 60_000_u32, true), (2001, 2001, true), (400, 300, true), (300, 300, false)]
        {
            bytes[16..20].copy_from_slice(&width.to_be_bytes());
            bytes[20..24].copy_from_slice(&height.to_be_bytes());
            let sum = crc(&bytes[12..29]);
            bytes[29..33].copy_from_slice(&sum.to_be_bytes());
            let faults = scalp_of_png(&bytes, 10.0).err().unwrap_or_default().0;
            assert_eq!(faults.iter().any(|fault| fault.field == "picture"), field, "{width} {faults:?}");
        }
    }

    /// The sum of a PNG's chunk (ISO 3309).
    fn crc(bytes: &[u8]) -> u32 {
        !bytes.iter().fold(!0_u32, |sum, byte| {
            (0..8).fold(sum ^ u32::from(*byte), |sum, _| {
                (sum >> 1) ^ if sum & 1 == 1 { 0xedb8_8320 } else { 0 }
            })
        })
    }

    #[test]
    fn colours_are_read_as_bright_as_they_look() {
        let mut bytes = Vec::new();
        let mut encoder = Encoder::new(&mut bytes, 2, 2);
        encoder.set_color(ColorType::Rgb);
        let pixels = [255, 255, 255, 0, 255, 0, 255, 0, 0, 0, 0, 255];
        encoder.write_header().expect("written").write_image_data(&pixels).expect("written");
        assert_eq!(grey_of_png(&bytes), Some(vec![255, 150, 76, 29]));
    }

    #[test]
    fn denser_scalps_are_darker_to_look_at() {
        let mean = |hairs: f64| {
            let grey = grey_of_png(&scalp_to_compare(hairs).expect("a picture")).expect("a square");
            assert_eq!(grey.len(), (SIDE_PX / 2).pow(2));
            grey.iter().map(|pixel| f64::from(*pixel)).sum::<f64>() / grey.len() as f64
        };
        assert!(mean(300.0) < mean(160.0) && mean(160.0) < mean(80.0));
    }
}
