import type { ReadingSummary, ZoneSummary } from "@/api";
import { sayPatch } from "@/shared/patches";
import { t } from "@/shared/words";

/** Error of a worn length from which on more strands are worth asking for, mm. */
const VAGUE_MM = 12;

/** The zone that is known least surely. */
const widest = (zones: readonly ZoneSummary[]) =>
  [...zones].sort((a, b) => (b.worn_sd_mm ?? 0) - (a.worn_sd_mm ?? 0))[0];

/** The reading in sentences: what it shows, and what is missing and would change it. */
export function plainWords(summary: ReadingSummary, length: (mm: number) => string): string[] {
  const read = summary.zones.filter((zone) => typeof zone.shrinkage === "number");
  const lines: string[] = [];
  if (read.length > 0) {
    const sorted = [...read].sort((a, b) => a.shrinkage! - b.shrinkage!);
    const [least, most] = [sorted[0]!, sorted.at(-1)!];
    const percent = (share: number) => Math.round(share * 100);
    lines.push(
      percent(least.shrinkage!) === percent(most.shrinkage!)
        ? t(read.length < summary.zones.length ? "words-evenSoFar" : "words-even", {
            percent: percent(most.shrinkage!),
          })
        : t("words-spread", {
            most: sayPatch(most.patch),
            mostPercent: percent(most.shrinkage!),
            least: sayPatch(least.patch),
            leastPercent: percent(least.shrinkage!),
          }),
    );
  }
  if (typeof summary.sides_differ_by === "number") {
    const points = Math.round(Math.abs(summary.sides_differ_by) * 100);
    lines.push(t(summary.sides_differ_by > 0 ? "words-leftMore" : "words-rightMore", { points }));
  }
  for (const figure of summary.unusual ?? []) {
    if (figure.kind === "zones_differ")
      lines.push(
        t("words-zonesDiffer", {
          most: sayPatch(figure.most),
          least: sayPatch(figure.least),
          points: Math.round(100 * figure.by),
        }),
      );
    else if (figure.kind === "springs")
      lines.push(t("words-springs", { zone: sayPatch(figure.patch), length: length(figure.mm) }));
    else if (figure.kind === "stubborn") lines.push(t("words-stubborn", { zone: sayPatch(figure.patch) }));
    else if (figure.kind === "soaks_oddly")
      lines.push(t(figure.fast ? "words-soaksFast" : "words-soaksSlowly", { n: figure.unmeasured }));
    else if (figure.kind === "air_apart")
      lines.push(t(figure.damp ? "words-airDamp" : "words-airDry", { percent: Math.round(figure.humidity_pct) }));
    else if (figure.kind === "curl_disagrees")
      lines.push(t(figure.looser ? "words-curlLooser" : "words-curlTighter", { zone: sayPatch(figure.patch) }));
    else if (figure.kind === "curl_either")
      lines.push(
        t("words-curlEither", {
          zone: sayPatch(figure.patch),
          tighter: length(figure.tighter_mm),
          looser: length(figure.looser_mm),
        }),
      );
    else if (figure.kind === "strands_differ")
      lines.push(t("words-strandsDiffer", { zone: sayPatch(figure.patch), points: Math.round(100 * figure.by) }));
    else
      lines.push(t("words-longForDensity", { strong: length(figure.strong_mm), longest: length(figure.longest_mm) }));
  }
  if (summary.gathered) {
    const { strong_mm, strong_sd_mm } = summary.gathered;
    lines.push(
      typeof strong_sd_mm === "number"
        ? t("words-strong", { length: length(strong_mm), sd: length(strong_sd_mm) })
        : t("words-strongThroughout", { length: length(strong_mm) }),
    );
  }
  const names = (some: readonly ZoneSummary[]) => some.map((zone) => sayPatch(zone.patch)).join(", ");
  const add = (key: string, some: readonly ZoneSummary[], named: Record<string, unknown> = {}) => {
    if (some.length > 0) lines.push(t(key, { zones: names(some), ...named }));
  };
  add(
    "words-open",
    summary.zones.filter((zone) => typeof zone.shrinkage !== "number"),
  );
  const seen = read.filter((zone) => typeof zone.let_go_sd_mm === "number" && !zone.like);
  const worst = widest(seen);
  add("words-seen", seen, { now: length(worst?.worn_sd_mm ?? 0), then: length(worst?.let_go_sd_mm ?? 0) });
  const widths = read.filter((zone) => zone.gaps.includes("width"));
  add("words-width", widths, { length: length(Math.max(0, ...widths.map((zone) => zone.width_moves_mm ?? 0))) });
  const vague = read.filter((zone) => (zone.worn_sd_mm ?? 0) > VAGUE_MM && typeof zone.more_sd_mm === "number");
  const vaguest = widest(vague);
  add("words-vague", vague, { now: length(vaguest?.worn_sd_mm ?? 0), then: length(vaguest?.more_sd_mm ?? 0) });
  return lines;
}
