import { zoneValues, type Lock } from "@/api";
import { expose } from "comlink";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import type { Tones } from "./paint";
import { painters } from "./painter";
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
const side = { view: "front", tones, chin: 97, box: [-50, -150, 100, 300], dots: 20, most: 10 } as const;
const locksOf = (text = JSON.stringify([lock])) => new Blob([text]);
const asked = (number: number, locks = locksOf()): Painting => ({
  ...side,
  part: [0, 1],
  hair: { number, locks },
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

it("paints a picture, also after locks that can't be read", async () => {
  await expect(painter.paint(asked(7, locksOf("no locks")))).rejects.toThrow();
  const { before } = await painter.paint(asked(8));
  const solid = (before as unknown as ImageData).data.filter((_, i) => i % 4 === 3);
  expect(Math.max(...solid)).toBeGreaterThan(200);
});

it("paints parts of a picture that are together what it is as a whole", async () => {
  const many = Array.from({ length: 60 }, (_, i) => ({
    ...lock,
    line: lock.line.map(([x, y, z], k) => [x! + ((i * 37) % 60) - 25 + 6 * Math.sin(k + i), y, z! - i]),
  }));
  const whole = { ...asked(11, locksOf(JSON.stringify(many))), dots: 61, most: 100 };
  const rows = async (part: number, parts: number) => {
    const { from, behind, before } = await painter.paint({ ...whole, part: [part, parts] });
    return [behind, before].map((picture) => {
      const { data, width } = picture as unknown as ImageData;
      const rows = Array.from({ length: data.length / width / 4 }, (_, row) => [
        ...data.slice(4 * row * width, 4 * (row + 1) * width),
      ]);
      return { from, rows };
    });
  };
  const [all, ...parts] = await Promise.all([rows(0, 1), rows(0, 3), rows(1, 3), rows(2, 3)]);
  all.forEach(({ rows }, side) => {
    const together = rows.map((_, row) => parts.flatMap((part) => part[side]!.rows[row]!));
    expect(together).toEqual(rows);
    expect(rows.flat().some((dot) => dot > 0)).toBe(true);
    const wide = parts.map((part) => part[side]!.rows[0]!.length / 4);
    expect(parts.map((part) => part[side]!.from)).toEqual([0, wide[0], wide[0]! + wide[1]!]);
    // Each has about a third of the hair, not of the width.
    expect(wide[1]).toBeLessThan(wide[0]!);
  });
});

it("reads a head of hair once for all its pictures", async () => {
  const locks = locksOf();
  const read = vi.spyOn(locks, "text");
  await Promise.all([painter.paint(asked(9, locks)), painter.paint(asked(9, locks))]);
  expect(read).toHaveBeenCalledTimes(1);
});

/** Painters of whom each paints a number of dots for each picture once it is told to. */
function crew() {
  const begun: number[] = [];
  const finish: (() => void)[] = [];
  let hired = 0;
  class Beside {
    constructor() {
      hired++;
      const { port1, port2 } = new MessageChannel();
      const paint = async ({ dots }: Painting) => {
        begun.push(dots);
        await new Promise<void>((done) => finish.push(done));
        if (dots === 0) throw new Error("no dots");
        return dots;
      };
      expose({ paint }, port1);
      return port2 as unknown as Beside;
    }
  }
  vi.stubGlobal("Worker", Beside);
  const place = painters(2);
  const one = () => {
    const { paint, giveUp } = place();
    return { paint: (dots: number) => paint({ ...side, dots, locks: locksOf() }), giveUp };
  };
  return { one, begun, finish, hired: () => hired };
}

it("paints two pictures at once, and of one that is asked for anew while it waits only the last", async () => {
  const { one, begun, finish, hired } = crew();
  const [large, small, other] = [one(), one(), one()];
  const first = [large.paint(1), small.paint(2)];
  await vi.waitFor(() => expect(begun).toEqual([1, 2]));
  const [old, given, last] = [large.paint(3), other.paint(4), large.paint(5)];
  other.giveUp();
  finish.splice(0).forEach((done) => done());
  expect(await Promise.all(first)).toEqual([[1], [2]]);
  expect(await Promise.all([old, given])).toEqual([undefined, undefined]);
  await vi.waitFor(() => expect(begun).toEqual([1, 2, 5]));
  finish.splice(0).forEach((done) => done());
  expect([await last, hired()]).toEqual([[5], 2]);
});

it("has a large picture painted by all, and shows nothing of one that is asked for anew before both had their turn", async () => {
  const { one, begun, finish } = crew();
  const large = one();
  const whole = large.paint(300);
  await vi.waitFor(() => expect(begun).toEqual([300, 300]));
  finish.splice(0).forEach((done) => done());
  expect(await whole).toEqual([300, 300]);
  const small = one().paint(1);
  const [old, last] = [large.paint(400), large.paint(500)];
  // Which of two who begin at once is heard first is theirs.
  await vi.waitFor(() => expect(begun.slice(2).sort()).toEqual([1, 500]));
  finish.splice(0).forEach((done) => done());
  await vi.waitFor(() => expect(begun.slice(4)).toEqual([500]));
  finish.splice(0).forEach((done) => done());
  expect(await Promise.all([small, old, last])).toEqual([[1], undefined, [500, 500]]);
});

it("goes on painting after a picture that couldn't be painted", async () => {
  const { one, finish, hired } = crew();
  const none = one().paint(0);
  await vi.waitFor(() => expect(finish).toHaveLength(1));
  finish.splice(0).forEach((done) => done());
  await expect(none).rejects.toThrow();
  const next = one().paint(1);
  await vi.waitFor(() => expect(finish).toHaveLength(1));
  finish.splice(0).forEach((done) => done());
  expect([await next, hired()]).toEqual([[1], 1]);
});
