<script setup lang="ts">
/** Any colour, or none. */
import { css } from "@/shared/hair/paint";
import { COLOURS } from "@/shared/hair/tones";
import { t } from "@/shared/words";
import FieldShell from "./FieldShell.vue";

defineProps<{ label: string; fault?: string; disabled?: boolean }>();
const model = defineModel<string>();
/** The natural tones, to begin from. */
const NATURAL = Object.values(COLOURS).map(css);
/** The words of the picker itself; it puts the colour into them. */
const color = "{color}";
const words = {
  name: "words",
  el: {
    colorpicker: {
      confirm: t("colour-take"),
      clear: t("colour-none"),
      defaultLabel: t("colour-pick"),
      description: t("colour-now", { color }),
      hueLabel: t("colour-hue"),
      hueDescription: t("colour-hueNow", { hue: "{hue}", color }),
      svLabel: t("colour-shade"),
      svDescription: t("colour-shadeNow", { saturation: "{saturation}", brightness: "{brightness}", color }),
      predefineDescription: t("colour-natural", { value: "{value}" }),
    },
  },
};
</script>

<template>
  <FieldShell v-slot="{ id }" :label="label" :fault="fault">
    <ElConfigProvider :locale="words">
      <ElColorPicker
        :id="id"
        class="colour"
        :model-value="model || null"
        :predefine="NATURAL"
        :aria-label="label"
        :disabled="disabled"
        append-to="#layers"
        @update:model-value="model = ($event ?? '').toLowerCase()"
      />
    </ElConfigProvider>
  </FieldShell>
</template>

<style scoped>
.colour {
  --el-component-size: 48px;
}

.colour :deep(.el-color-picker__trigger) {
  width: 48px;
  height: 48px;
}
</style>
