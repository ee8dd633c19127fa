//! Pictures as they come and go: PNG to shades of grey, and shades of grey to PNG.

use png::{ColorType, Decoder, EncodingError, Limits, Transformations};
use spirel_core::scope::{DrawnScalp, Picture, SIDE_PX, look, png_of_grey};
use spirel_core::{FieldErrors, Problem};
use std::io::Cursor;

/// Memory a decoder may use, bytes: a picture of the largest side that is taken, four bytes a pixel, twice.
const MOST_MEMORY: usize = 32 << 20;

/// The square of scalp in a PNG, so many mm along a side.
pub fn scalp_of_png(bytes: &[u8], side_mm: f64) -> Result<Picture, FieldErrors> {
    let Some(grey) = grey_of_png(bytes) else {
        let mut faults = FieldErrors::default();
        faults.push("picture", Problem::contradicts("fault-not-png"));
        return Err(faults);
    };
    Picture::new(&grey, side_mm)
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
