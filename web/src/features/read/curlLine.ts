/**
 * A small sample of a zone's curl: loops as wide as the hair's own (a millimetre is a pixel, up to what the line is high),
 * as close as its shrinkage presses them.
 */
export function curlLine(loopRadiusMm: number, shrinkage: number): string {
  const radius = Math.min(11, loopRadiusMm);
  const turnLength = 2 * Math.PI * loopRadiusMm;
  // A turn takes up what is left of its length once it has shrunk; closed loops are drawn a little apart.
  const pitch = Math.max(4, turnLength * (1 - shrinkage));
  const width = 72;
  const turns = Math.min(width / pitch, 16);
  const points = Math.max(30, Math.ceil(turns * 26));
  // The more a turn is pressed together, the more of a loop is seen and the less of a wave.
  const loop = shrinkage * radius;
  const line = Array.from({ length: points + 1 }, (_, i) => {
    const angle = (2 * Math.PI * turns * i) / points;
    const x = 6 + (width * i) / points - loop * Math.sin(angle) * Math.min(1, i / 12);
    return `${x.toFixed(1)} ${(13 - radius * Math.sin(angle + Math.PI / 2)).toFixed(1)}`;
  });
  return `M${line.join("L")}`;
}
