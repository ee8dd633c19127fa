<script setup lang="ts">
/** A plan as files to take along. */
import type { FallRequest } from "@/api";
import { askOutlines, askScene } from "@/shared/ask";
import FailureNote from "@/shared/FailureNote.vue";
import { ref } from "vue";
import { t } from "@/shared/words";
import { saveAs } from "file-saver";
import { pictureOf } from "./downloads";

const props = defineProps<{ question: FallRequest }>();
const FILES = { json: "plan-save", svg: "plan-saveSvg", png: "plan-savePng", glb: "plan-saveGlb" } as const;
type FileKind = keyof typeof FILES;
const KINDS = Object.keys(FILES) as FileKind[];
const failed = ref<unknown>();

async function fileOf(kind: FileKind): Promise<Blob> {
  const { question } = props;
  if (kind === "json") {
    return new Blob([`${JSON.stringify(question.plan.cut, null, 2)}\n`], { type: "application/json" });
  }
  if (kind === "glb") return new Blob([await askScene(question)], { type: "model/gltf-binary" });
  const svg = await askOutlines(question);
  return kind === "svg" ? new Blob([svg], { type: "image/svg+xml" }) : pictureOf(svg);
}

const NAMES = { json: "cut.json", svg: "outlines.svg", png: "outlines.png", glb: "head.glb" } as const;

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
