<script setup lang="ts">
import { Refused, body, client } from "@/api";
import CheckField from "@/shared/CheckField.vue";
import TextField from "@/shared/TextField.vue";
import { useQueryClient } from "@tanstack/vue-query";
import { v4 as uuid } from "uuid";
import { computed, reactive, ref, watch } from "vue";
import { useUnit } from "@/shared/unit";
import { t } from "@/shared/words";
import { useRouter } from "vue-router";

const open = defineModel<boolean>({ required: true });
const router = useRouter();
const cache = useQueryClient();
const { tell, tellFailure } = useUnit();
const blank = () => ({ name: "", contact: "", note: "", consent: false });
const form = reactive(blank());
const failure = ref<unknown>();
const busy = ref(false);
/** Whose answer was lost is asked for again under the same key: the same client is made once. */
let key = uuid();
watch(form, () => (key = uuid()));

watch(open, (now) => {
  // What was typed stays until it is saved: closing by accident loses nothing.
  if (now) failure.value = undefined;
});

const refused = computed(() => (failure.value instanceof Refused ? failure.value : undefined));
const fault = (field: string) => {
  const said = refused.value?.at(field);
  return said ? t("field-fault", { said: tell(said) }) : undefined;
};
const message = computed(() => {
  if (!failure.value) return undefined;
  return refused.value?.problem.code === "fields" ? undefined : tellFailure(failure.value);
});

async function add() {
  busy.value = true;
  failure.value = undefined;
  try {
    const added = await body(client.POST("/api/clients", { body: { ...form }, headers: { "Idempotency-Key": key } }));
    Object.assign(form, blank());
    open.value = false;
    await cache.invalidateQueries({ queryKey: ["clients"] });
    await router.push({ name: "client", params: { client: added.id } });
  } catch (error) {
    failure.value = error;
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <ElDialog v-model="open" :title="t('people-newTitle')" append-to="#layers">
    <form class="stack" novalidate @submit.prevent="add">
      <TextField v-model="form.name" :label="t('people-name')" autocomplete="off" :fault="fault('name')" />
      <TextField v-model="form.contact" :label="t('people-contact')" autocomplete="off" :fault="fault('contact')" />
      <TextField v-model="form.note" :label="t('people-note')" :rows="3" :fault="fault('note')" />
      <div>
        <CheckField v-model="form.consent" :label="t('people-consent')" />
        <p v-if="fault('consent')" class="fault" role="alert">{{ t("people-consentNeeded") }}</p>
      </div>
      <p v-if="message" class="caution" role="alert">{{ message }}</p>
      <div class="row">
        <ElButton type="primary" native-type="submit" :loading="busy">{{ t("people-save") }}</ElButton>
        <ElButton @click="open = false">{{ t("app-cancel") }}</ElButton>
      </div>
    </form>
  </ElDialog>
</template>

<style scoped>
.fault {
  color: var(--warn);
  font-weight: 600;
}
</style>
