<script setup lang="ts">
/** Hairs on a square centimetre: typed, or counted on a picture of a scalp scope. */
import FilePick from "@/shared/FilePick.vue";
import { Refused, type HairCount } from "@/api";
import { askCount } from "@/shared/ask";
import FailureNote from "@/shared/FailureNote.vue";
import FieldFault from "@/shared/FieldFault.vue";
import LengthField from "@/shared/LengthField.vue";
import { ref, shallowRef } from "vue";
import { useUnit } from "@/shared/unit";
import { t } from "@/shared/words";

const density = defineModel<number | null>();
defineProps<{ fault: string | undefined; disabled: boolean }>();
const emit = defineEmits<{ width: [um: number] }>();

const { tell } = useUnit();
const counting = ref(false);
const counted = ref<HairCount>();
const refused = ref<string>();
const failure = ref<Error>();
const last = shallowRef<File>();

async function count(picture: File) {
  last.value = picture;
  [counting.value, counted.value, refused.value, failure.value] = [true, undefined, undefined, undefined];
  try {
    counted.value = await askCount(picture);
    density.value = Math.round(counted.value.hairs_per_cm2);
  } catch (error) {
    const fault = error instanceof Refused ? error.at("picture") : undefined;
    refused.value = fault && tell(fault);
    if (!refused.value) failure.value = error as Error;
  } finally {
    counting.value = false;
  }
}
</script>

<template>
  <div class="counter">
    <LengthField
      v-model="density"
      sign="1/cm²"
      :label="t('fields-hairs_per_cm2')"
      :fault="fault"
      :disabled="disabled"
    />
    <div class="stack tight">
      <FilePick
        :label="t('read-countPicture')"
        accept="image/png"
        :disabled="disabled"
        :busy="counting"
        @pick="count"
      />
      <div aria-live="polite">
        <template v-if="counted">
          <p class="small">
            {{
              t("read-counted", {
                hairs: Math.round(counted.hairs_per_cm2),
                sd: Math.round(counted.sd_per_cm2),
                um: Math.round(counted.width_um),
              })
            }}
          </p>
          <ElButton :disabled="disabled" @click="emit('width', Math.round(counted.width_um))">
            {{ t("read-takeWidth") }}
          </ElButton>
        </template>
        <p v-else-if="!refused" class="soft small">{{ t("read-countHint") }}</p>
      </div>
      <FieldFault v-if="refused" :said="t('read-pictureFault', { said: refused })" />
      <FailureNote v-if="failure" :error="failure" @again="last && count(last)" />
    </div>
  </div>
</template>

<style scoped>
.counter {
  display: grid;
  grid-template-columns: minmax(140px, 1fr) minmax(0, 2fr);
  gap: 14px;
  padding-top: 12px;
  align-items: start;
}
</style>
