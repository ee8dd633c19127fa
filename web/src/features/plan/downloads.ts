/** Drawings as pictures that a person takes along. */

/** Pixels of a drawing in millimetres. */
const PIXELS_PER_MM = 3;

/** The size of a drawing whose root says it in millimetres, in pixels. */
export function pixelsOf(svg: string): { width: number; height: number } {
  const mm = (name: string) => Number(new RegExp(`<svg[^>]* ${name}="([\\d.]+)mm"`).exec(svg)?.[1] ?? 0);
  return { width: Math.round(mm("width") * PIXELS_PER_MM), height: Math.round(mm("height") * PIXELS_PER_MM) };
}

/** A drawing as a picture, on white paper. */
export async function pictureOf(svg: string): Promise<Blob> {
  const { width, height } = pixelsOf(svg);
  const image = new Image(width, height);
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const canvas = document.createElement("canvas");
  canvas.width = width;
  canvas.height = height;
  const page = canvas.getContext("2d");
  if (!page) throw new Error("no canvas to draw on");
  page.fillStyle = "#ffffff";
  page.fillRect(0, 0, width, height);
  page.drawImage(image, 0, 0, width, height);
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error("no picture"))), "image/png"),
  );
}
