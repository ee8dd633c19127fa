//! Pictures as they are handed out.

use png::{BitDepth, ColorType, Encoder, EncodingError};

/// A square of grey as PNG.
pub fn png_of_grey(grey: &[u8], side: u32) -> Result<Vec<u8>, EncodingError> {
    let mut bytes = Vec::new();
    let mut encoder = Encoder::new(&mut bytes, side, side);
    encoder.set_color(ColorType::Grayscale);
    encoder.set_depth(BitDepth::Eight);
    encoder.write_header()?.write_image_data(grey)?;
    Ok(bytes)
}
