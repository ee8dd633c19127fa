<script setup lang="ts">
/** A cut out of a file. */
import FilePick from "@/shared/FilePick.vue";
import type { Cut, FallRequest } from "@/api";
import { ref } from "vue";
import { useUnit } from "@/shared/unit";
import { t } from "@/shared/words";
import { NoCut, cutOf } from "./cutFile";

const props = defineProps<{ question: FallRequest | undefined; disabled: boolean }>();
const emit = defineEmits<{ open: [cut: Cut] }>();
const { tell, tellFailure } = useUnit();
const failed = ref<string>();

async function pick(file: File) {
  failed.value = undefined;
  try {
    emit("open", await cutOf(await file.text(), props.question));
  } catch (error) {
    const fault = error instanceof NoCut ? error.fault : undefined;
    const why = fault ? t("error-field", { field: fault.field, fault: tell(fault.message) }) : tellFailure(error);
    const known = fault ?? !(error instanceof NoCut);
    failed.value = known ? t("plan-openRefused", { name: file.name, why }) : t("plan-openFault", { name: file.name });
  }
}
</script>

<template>
  <FilePick :label="t('plan-open')" accept="application/json,.json" :disabled="disabled" @pick="pick" />
  <p v-if="failed" class="caution" role="alert">{{ failed }}</p>
</template>
