import { zoneValues, type Lock } from "@/api";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { Tones } from "./paint";
import { painter, type Painting } from "./painter.worker";

const lock: Lock = {
  zone: "top",
  line: Array.from({ length: 9 }, (_, i) => [0, 60 - 20 * i, 5]),
  root_mm: 8,
  width_mm: 8,
  gathered_at: 10,
  ends: [0.6, 0.9, 1],
};
const tones = Object.fromEntries(zoneValues.map((zone) => [zone, [100, 60, 40]])) as unknown as Tones;
const asked = (picture: number, number = 0, locks = new Blob([JSON.stringify([lock])])): Painting => ({
  picture,
  hair: { number, locks },
  view: "front",
  tones,
  chin: 97,
  box: [-50, -150, 100, 300],
  dots: 20,
  most: 10,
});

beforeEach(() => {
  vi.stubGlobal(
    "ImageData",
    class ImageData {
      constructor(
        readonly data: Uint8ClampedArray,
        readonly width: number,
      ) {}
    },
  );
  vi.stubGlobal("createImageBitmap", (data: unknown) => Promise.resolve(data));
});
afterEach(() => vi.unstubAllGlobals());

const solid = (painted: Awaited<ReturnType<typeof painter.paint>>) =>
  (painted?.before as unknown as ImageData).data.filter((_, i) => i % 4 === 3).some((dot) => dot > 200);

it("paints each picture, and of one that is asked for anew only the last", async () => {
  const [old, other, last] = await Promise.all([
    painter.paint(asked(1)),
    painter.paint(asked(2)),
    painter.paint(asked(1)),
  ]);
  expect(old).toBeUndefined();
  expect([solid(other), solid(last)]).toEqual([true, true]);
});

it("paints nothing that is given up, and goes on after locks that can't be read", async () => {
  const given = painter.paint(asked(3));
  painter.giveUp(3);
  expect(await given).toBeUndefined();
  await expect(painter.paint(asked(4, 7, new Blob(["no locks"])))).rejects.toThrow();
  expect(solid(await painter.paint(asked(4)))).toBe(true);
});

it("reads a head of hair once for all its pictures", async () => {
  const locks = new Blob([JSON.stringify([lock])]);
  const read = vi.spyOn(locks, "text");
  await Promise.all([painter.paint(asked(5, 9, locks)), painter.paint(asked(6, 9, locks))]);
  expect(read).toHaveBeenCalledTimes(1);
});
