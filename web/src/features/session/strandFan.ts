/** The picture beside the sign-in: hairs of one head from nearly straight to tightly coiled, each springing to its end. */

interface Hair {
  x: number;
  depth: number;
  radius: number;
  turns: number;
}

const HAIRS: Hair[] = Array.from({ length: 13 }, (_, i) => {
  const tightness = i / 12;
  return {
    x: 36 + i * 47,
    depth: 760 - 430 * tightness ** 1.3,
    radius: 5 + 15 * Math.sin(Math.PI * (0.1 + 0.75 * tightness)),
    turns: 1.2 + 17 * tightness ** 1.4,
  };
});

/** Loops grow towards the end, where less weight pulls them open. */
function path({ x, depth, radius, turns }: Hair): string {
  const points = Math.ceil(turns * 28) + 40;
  const line = Array.from({ length: points + 1 }, (_, k) => {
    const s = k / points;
    const opened = s ** 1.6;
    const angle = 2 * Math.PI * turns * s ** 1.35;
    const px = x + radius * opened * Math.sin(angle);
    const py = depth * s + 0.55 * radius * opened * (1 - Math.cos(angle));
    return `${px.toFixed(1)} ${py.toFixed(1)}`;
  });
  return `M${line.join("L")}`;
}

export const fan = HAIRS.map(path);
