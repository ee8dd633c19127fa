<script setup lang="ts">
/** A file of this device. */
import type { UploadFile } from "element-plus";

defineProps<{ label: string; accept: string; disabled?: boolean; busy?: boolean }>();
const emit = defineEmits<{ pick: [file: File] }>();

function take({ raw }: UploadFile) {
  if (raw) emit("pick", raw);
}
</script>

<template>
  <ElUpload
    class="pick"
    :aria-label="label"
    :auto-upload="false"
    :show-file-list="false"
    :accept="accept"
    :disabled="disabled || busy"
    :on-change="take"
  >
    <span class="el-button" :class="{ 'is-disabled': disabled || busy }">{{ label }}</span>
  </ElUpload>
</template>
