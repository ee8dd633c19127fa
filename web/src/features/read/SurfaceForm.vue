<script setup lang="ts">
/** The surface of the hair: how it feels, and how long a drop of water stands on it. */
import { type Feel, type HairSurface, feelValues } from "@/api";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import LengthField from "@/shared/LengthField.vue";
import { named } from "@/shared/choices";
import { computed, onUnmounted, ref } from "vue";
import { t } from "@/shared/words";

const surface = defineModel<HairSurface>();
defineProps<{ faultAt: (field: string) => string | undefined; disabled: boolean }>();
const feels = computed(() => named(feelValues, "read-feels"));

function set(part: { feel?: Feel; soaks_s?: number | null | undefined }) {
  const { feel, soaks_s } = { feel: "not_said" as const, ...surface.value, ...part };
  surface.value = typeof soaks_s === "number" ? { feel, soaks_s } : { feel };
}

/** The drop is timed by pressing twice: when it is put on, and when it is gone. */
const began = ref<number>();
const passed = ref(0);
let ticking: ReturnType<typeof setInterval> | undefined;
const seconds = () => (performance.now() - (began.value ?? 0)) / 1000;
function press() {
  if (began.value === undefined) {
    [began.value, passed.value] = [performance.now(), 0];
    ticking = setInterval(() => (passed.value = seconds()), 200);
    return;
  }
  set({ soaks_s: Math.max(0.2, Math.round(10 * seconds()) / 10) });
  stop();
}
function stop() {
  clearInterval(ticking);
  began.value = undefined;
}
onUnmounted(stop);
</script>

<template>
  <section class="surface part">
    <header>
      <h3>{{ t("read-surface") }}</h3>
      <span class="soft">{{ t("read-surfaceHint") }}</span>
    </header>
    <ChoiceRow
      :model-value="surface?.feel ?? 'not_said'"
      :label="t('read-feel')"
      :choices="feels"
      :disabled="disabled"
      @update:model-value="set({ feel: $event as Feel })"
    />
    <div class="drop">
      <LengthField
        :model-value="surface?.soaks_s"
        sign="s"
        :label="t('read-soaks')"
        :fault="faultAt('surface.soaks_s')"
        :disabled="disabled"
        @update:model-value="set({ soaks_s: $event })"
      />
      <ElButton :disabled="disabled" @click="press">
        {{ began === undefined ? t("read-dropOn") : t("read-dropGone", { seconds: Math.floor(passed) }) }}
      </ElButton>
    </div>
    <p class="soft small">{{ t("read-soaksHint") }}</p>
  </section>
</template>

<style scoped>
.drop {
  display: grid;
  grid-template-columns: minmax(120px, 1fr) minmax(0, 1.4fr);
  gap: 14px;
  align-items: end;
  padding-block: 10px;
}
</style>
