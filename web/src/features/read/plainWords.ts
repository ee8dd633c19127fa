import type { ReadingSummary } from "@/api";

type Say = (key: string, named: Record<string, unknown>) => string;

/** The reading in sentences: what it shows, and what is missing and would change it. */
export function plainWords(summary: ReadingSummary, t: Say, length: (mm: number) => string): string[] {
  const read = summary.zones.filter((zone) => typeof zone.shrinkage === "number");
  const lines: string[] = [];
  if (read.length > 0) {
    const sorted = [...read].sort((a, b) => a.shrinkage! - b.shrinkage!);
    const [least, most] = [sorted[0]!, sorted.at(-1)!];
    const percent = (share: number) => Math.round(share * 100);
    lines.push(
      percent(least.shrinkage!) === percent(most.shrinkage!)
        ? t("words.even", { percent: percent(most.shrinkage!) })
        : t("words.spread", {
            most: t(`zone.${most.zone}`, {}),
            mostPercent: percent(most.shrinkage!),
            least: t(`zone.${least.zone}`, {}),
            leastPercent: percent(least.shrinkage!),
          }),
    );
  }
  if (typeof summary.sides_differ_by === "number") {
    const points = Math.round(Math.abs(summary.sides_differ_by) * 100);
    lines.push(t(summary.sides_differ_by > 0 ? "words.leftMore" : "words.rightMore", { points }));
  }
  for (const each of summary.unusual ?? []) {
    if (each.kind === "zones_differ")
      lines.push(
        t("words.zonesDiffer", {
          most: t(`zone.${each.most}`, {}),
          least: t(`zone.${each.least}`, {}),
          points: Math.round(100 * each.by),
        }),
      );
    else if (each.kind === "springs")
      lines.push(t("words.springs", { zone: t(`zone.${each.zone}`, {}), length: length(each.mm) }));
    else if (each.kind === "stubborn") lines.push(t("words.stubborn", { zone: t(`zone.${each.zone}`, {}) }));
    else if (each.kind === "soaks_oddly")
      lines.push(t(each.fast ? "words.soaksFast" : "words.soaksSlowly", { n: each.unmeasured }));
    else if (each.kind === "curl_disagrees")
      lines.push(t(each.looser ? "words.curlLooser" : "words.curlTighter", { zone: t(`zone.${each.zone}`, {}) }));
    else if (each.kind === "strands_differ")
      lines.push(t("words.strandsDiffer", { zone: t(`zone.${each.zone}`, {}), points: Math.round(100 * each.by) }));
    else lines.push(t("words.longForDensity", { strong: length(each.strong_mm), longest: length(each.longest_mm) }));
  }
  if (summary.gathered) {
    const { strong_mm, strong_sd_mm } = summary.gathered;
    lines.push(
      typeof strong_sd_mm === "number"
        ? t("words.strong", { length: length(strong_mm), sd: length(strong_sd_mm) })
        : t("words.strongThroughout", { length: length(strong_mm) }),
    );
  }
  const open = summary.zones.filter((zone) => zone.gaps.includes("stretched") || zone.gaps.includes("sprung"));
  if (open.length > 0) {
    lines.push(t("words.open", { zones: open.map((zone) => t(`zone.${zone.zone}`, {})).join(", ") }));
  }
  const widths = read.filter((zone) => zone.gaps.includes("width"));
  if (widths.length > 0) {
    lines.push(t("words.width", { zones: widths.map((zone) => t(`zone.${zone.zone}`, {})).join(", ") }));
  }
  const vague = read.filter((zone) => (zone.worn_sd_mm ?? 0) > 12);
  if (vague.length > 0)
    lines.push(t("words.vague", { zones: vague.map((zone) => t(`zone.${zone.zone}`, {})).join(", ") }));
  return lines;
}
