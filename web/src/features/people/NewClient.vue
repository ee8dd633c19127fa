<script setup lang="ts">
import { Refused, body, client } from "@/api";
import { useQueryClient } from "@tanstack/vue-query";
import { computed, reactive, ref, watch } from "vue";
import { useI18n } from "vue-i18n";
import { useRouter } from "vue-router";

const open = defineModel<boolean>({ required: true });
const { t } = useI18n();
const router = useRouter();
const cache = useQueryClient();
const blank = () => ({ name: "", contact: "", note: "", consent: false });
const form = reactive(blank());
const failure = ref<unknown>();
const busy = ref(false);

watch(open, (now) => {
  // What was typed stays until it is saved: closing by accident loses nothing.
  if (now) failure.value = undefined;
});

const refused = computed(() => (failure.value instanceof Refused ? failure.value : undefined));
const fault = (field: string) => {
  const said = refused.value?.at(field);
  return said ? t("field.fault", { said }) : undefined;
};
const message = computed(() => {
  if (!failure.value) return undefined;
  if (!refused.value) return t("app.unreachable");
  return refused.value.problem.code === "fields" ? undefined : refused.value.problem.detail;
});

async function add() {
  busy.value = true;
  failure.value = undefined;
  try {
    const added = await body(client.POST("/api/clients", { body: { ...form } }));
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
  <ElDialog v-model="open" :title="t('people.newTitle')" append-to-body>
    <form class="stack" novalidate @submit.prevent="add">
      <ElFormItem :label="t('people.name')" label-for="name" label-position="top" :error="fault('name')">
        <ElInput id="name" v-model="form.name" autocomplete="off" :aria-invalid="Boolean(fault('name'))" />
      </ElFormItem>
      <ElFormItem :label="t('people.contact')" label-for="contact" label-position="top" :error="fault('contact')">
        <ElInput id="contact" v-model="form.contact" autocomplete="off" :aria-invalid="Boolean(fault('contact'))" />
      </ElFormItem>
      <ElFormItem :label="t('people.note')" label-for="note" label-position="top" :error="fault('note')">
        <ElInput id="note" v-model="form.note" type="textarea" :rows="3" :aria-invalid="Boolean(fault('note'))" />
      </ElFormItem>
      <div>
        <ElCheckbox v-model="form.consent">{{ t("people.consent") }}</ElCheckbox>
        <p v-if="fault('consent')" class="fault" role="alert">{{ t("people.consentNeeded") }}</p>
      </div>
      <p v-if="message" class="caution" role="alert">{{ message }}</p>
      <div class="row">
        <ElButton type="primary" native-type="submit" :loading="busy">{{ t("people.save") }}</ElButton>
        <ElButton @click="open = false">{{ t("app.cancel") }}</ElButton>
      </div>
    </form>
  </ElDialog>
</template>

<style scoped>
.el-form-item {
  margin: 0;
}

.fault {
  color: var(--warn);
  font-weight: 600;
}
</style>
