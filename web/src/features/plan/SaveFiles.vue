<script setup lang="ts">
/** A plan as files to take along. */
import type { FallRequest, Figure } from "@/api";
import { askLocks, askOutlines, askScene } from "@/shared/ask";
import FailureNote from "@/shared/FailureNote.vue";
import { ref } from "vue";
import { t } from "@/shared/words";
import { saveAs } from "file-saver";
import type { View } from "@/shared/sights";
import { hairSvg } from "@/shared/hair/picture";
import { tonesOf } from "@/shared/hair/tones";
import { locksIn } from "@/shared/hair/paint";
import { LOCKS } from "@/shared/hair/useLocks";
import { boxOf, type Frame } from "./frame";
import { pictureOf } from "./downloads";

const props = defineProps<{ question: FallRequest; figure: Figure; frame: Frame }>();
const FILES = {
  json: "plan-save",
  svg: "plan-saveSvg",
  png: "plan-savePng",
  hairSvg: "plan-saveHairSvg",
  hairPng: "plan-saveHairPng",
  glb: "plan-saveGlb",
} as const;
/** The sides that hair is taken along from. */
const SIDES: readonly View[] = ["front", "left", "behind"];
type FileKind = keyof typeof FILES;
const KINDS = Object.keys(FILES) as FileKind[];
const failed = ref<unknown>();

async function fileOf(kind: FileKind): Promise<Blob> {
  const { question } = props;
  if (kind === "json") {
    return new Blob([`${JSON.stringify(question.plan.cut, null, 2)}\n`], { type: "application/json" });
  }
  if (kind === "glb") return new Blob([await askScene(question)], { type: "model/gltf-binary" });
  const hair = kind === "hairSvg" || kind === "hairPng";
  const svg = hair ? await drawnHair() : await askOutlines(question);
  return kind === "svg" || kind === "hairSvg" ? new Blob([svg], { type: "image/svg+xml" }) : pictureOf(svg);
}

/** The hair after the cut. */
async function drawnHair(): Promise<string> {
  const { question: on, figure, frame } = props;
  const locks = await locksIn(await askLocks({ on, state: "after", count: LOCKS.large }));
  return hairSvg(SIDES, figure, locks, tonesOf(on.reading.zones ?? {}), boxOf(frame));
}

const NAMES = {
  json: "cut.json",
  svg: "outlines.svg",
  png: "outlines.png",
  hairSvg: "hair.svg",
  hairPng: "hair.png",
  glb: "head.glb",
} as const;

async function keep(kind: FileKind) {
  failed.value = undefined;
  try {
    saveAs(await fileOf(kind), NAMES[kind]);
  } catch (error) {
    failed.value = error;
  }
}
</script>

<template>
  <div class="row files" role="group" :aria-label="t('plan-saveAs')">
    <span class="soft">{{ t("plan-saveAs") }}</span>
    <ElButton v-for="kind in KINDS" :key="kind" @click="keep(kind)">{{ t(FILES[kind]) }}</ElButton>
  </div>
  <FailureNote v-if="failed" :error="failed" @again="failed = undefined" />
</template>

<style scoped>
.files {
  gap: 6px;
  flex-wrap: wrap;
  align-items: center;
}

.files :deep(.el-button) {
  padding: 6px 12px;
  min-height: 40px;
  font-size: 0.92rem;
}
</style>
